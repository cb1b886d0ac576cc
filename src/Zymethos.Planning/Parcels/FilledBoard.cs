using System.Collections.Immutable;

namespace Zymethos.Planning.Parcels;

/// <summary>What somebody's box lacks.</summary>
/// <param name="Person">Index of the person.</param>
/// <param name="Pieces">Pieces short.</param>
/// <param name="Kinds">Kinds short.</param>
/// <param name="Words">What everybody should have had and they have not, in the baker's words.</param>
public sealed record BoxLack(int Person, int Pieces, int Kinds, ImmutableArray<string> Words);

/// <summary>A board with its boxes filled.</summary>
/// <param name="Cells">Who gets how many of what; only what is above zero, or pinned.</param>
/// <param name="Lacks">What boxes lack; empty when all are full.</param>
/// <param name="Batches">Batches of each bake whose number was left open; the pieces there are for the others say themselves.</param>
/// <param name="IsBest">Whether it is proven that no filling is better.</param>
public sealed record FilledBoard(
    ImmutableArray<BoardCell> Cells,
    ImmutableArray<BoxLack> Lacks,
    ImmutableDictionary<int, int> Batches,
    bool IsBest
);
