using System.Collections.Immutable;

namespace Zymethos.Paper;

/// <summary>A card with the size of its letters.</summary>
/// <param name="Card">The card.</param>
/// <param name="Scale">Size of its letters against the usual 10 points.</param>
public sealed record FittedCard(PaperCard Card, double Scale);

/// <summary>A sheet of cards.</summary>
/// <param name="Across">How many stand beside each other.</param>
/// <param name="Down">How many below each other.</param>
/// <param name="Cards">The cards, row by row.</param>
public sealed record CardSheet(int Across, int Down, ImmutableArray<FittedCard> Cards);
