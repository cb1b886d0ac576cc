using System.Collections.Immutable;

namespace Zymethos.Core.Recipes;

/// <summary>Part of a batch that is finished another way than the rest: half of the crescents rolled in sugar, twelve fingers dipped in chocolate.</summary>
/// <param name="Name">A few words that say how ("with chocolate"); 1 to 60 characters, unique in the recipe.</param>
/// <param name="Pieces">How many pieces of one batch; at least 1, and all finishes together no more than the batch gives.</param>
/// <param name="Only">Ingredients, as the lines name them, that only these pieces hold. May be empty ("plain").</param>
public sealed record Finish(string Name, int Pieces, ImmutableArray<string> Only)
{
    /// <summary>Most finishes of one recipe.</summary>
    public const int Most = 8;

    /// <summary>Longest name, in characters.</summary>
    public const int LongestName = 60;

    /// <summary>Two finishes are equal when they say the same.</summary>
    public bool Equals(Finish? other) => other is not null && Name == other.Name && Pieces == other.Pieces && Only.SequenceEqual(other.Only);

    /// <inheritdoc />
    public override int GetHashCode() => HashCode.Combine(Name, Pieces, Only.Length);

    /// <summary>Whether a line is for these pieces alone. A swap does not change whose line it is.</summary>
    public bool Holds(IngredientLine line) => Only.Any(o => o.Equals(line.Ingredient, StringComparison.OrdinalIgnoreCase) || o.Equals(line.InsteadOf, StringComparison.OrdinalIgnoreCase));
}
