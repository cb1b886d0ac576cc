using NodaTime;
using Zymethos.Core.Recipes;

namespace Zymethos.Planning.Larder;

/// <summary>Batches of a recipe that are still to be begun.</summary>
/// <param name="Recipe">The recipe as it is made.</param>
/// <param name="Batches">How many batches, above zero.</param>
/// <param name="By">The day on which they are begun.</param>
public sealed record PlannedBatch(Recipe Recipe, double Batches, LocalDate By);
