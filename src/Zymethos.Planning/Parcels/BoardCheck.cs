using System.Collections.Immutable;
using Zymethos.Core.Parcels;

namespace Zymethos.Planning.Parcels;

/// <summary>Something in a box that must not be there.</summary>
/// <param name="Person">Index of the person.</param>
/// <param name="Bake">Index of the bake.</param>
/// <param name="Stand">Why.</param>
public sealed record BoxFault(int Person, int Bake, GiftStand Stand);

/// <summary>Looks at filled boxes, whoever filled them.</summary>
public static class BoardCheck
{
    /// <summary>What is in a box and must not be, or must be looked at first.</summary>
    public static ImmutableArray<BoxFault> Faults(GiftBoard board, IEnumerable<BoardCell> cells) =>
        [
            .. cells
                .Where(c => c.Pieces > 0)
                .Select(c => new BoxFault(c.Person, c.Bake, board.Stand(c.Person, c.Bake)))
                .Where(f => f.Stand.Verdict != GiftVerdict.Fine),
        ];

    /// <summary>What boxes lack by the rules.</summary>
    public static ImmutableArray<BoxLack> Lacks(GiftBoard board, ImmutableArray<BoardCell> cells)
    {
        var boxes = cells.Where(c => c.Pieces > 0).ToLookup(c => c.Person);
        return
        [
            .. Enumerable
                .Range(0, board.People.Length)
                .Select(p => new BoxLack(
                    p,
                    Math.Max(0, board.PiecesFor(p) - boxes[p].Sum(c => c.Pieces)),
                    Math.Max(0, board.Rules.Kinds - boxes[p].Count()),
                    [
                        .. board
                            .Rules.Everybody.Where(e =>
                                boxes[p].Where(c => board.Bakes[c.Bake].Bake.Names(e.Words)).Sum(c => c.Pieces) < e.Least
                            )
                            .Select(e => e.Words),
                    ]
                ))
                .Where(l => l.Pieces > 0 || l.Kinds > 0 || !l.Words.IsEmpty),
        ];
    }

    /// <summary>How many more of a bake are given than there are; zero where there are enough.</summary>
    public static int Over(GiftBoard board, IEnumerable<BoardCell> cells, int bake) =>
        board.Bakes[bake].Made is { } made ? Math.Max(0, cells.Where(c => c.Bake == bake).Sum(c => c.Pieces) - made) : 0;
}
