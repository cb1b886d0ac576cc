using System.Globalization;
using Zymethos.Core.Recipes;

namespace Zymethos.Planning.Seasons;

/// <summary>How many batches a need takes, and what is left over.</summary>
/// <param name="Whole">Whole batches; 0 when half of one is enough.</param>
/// <param name="HasHalf">Whether half a batch is mixed beside them.</param>
/// <param name="Made">Pieces they give.</param>
/// <param name="Spare">Pieces beyond what is wanted, breakage and tasting.</param>
/// <param name="Words">The reckoning, in a sentence.</param>
public sealed record BatchCount(int Whole, bool HasHalf, int Made, int Spare, string Words)
{
    /// <summary>Share of pieces that break or fail (common practice, no source).</summary>
    public const double Breakage = 0.05;

    // Of large things one is not broken in twenty: they are counted as they are.
    private const int FewPieces = 6;

    /// <summary>How often it is mixed, the half included.</summary>
    public int Mixings => Whole + (HasHalf ? 1 : 0);

    /// <summary>Batches, the half as a half.</summary>
    public double Batches => Whole + (HasHalf ? 0.5 : 0);

    /// <summary>Reckons.</summary>
    /// <param name="recipe">The recipe with its choices made; its yield is what one batch gives.</param>
    /// <param name="pieces">Pieces wanted, at least 1.</param>
    public static BatchCount Of(Recipe recipe, int pieces)
    {
        var each = Math.Max(1, recipe.Yield.Pieces);
        // One of every batch of small things is tasted before any is given away.
        var small = each > FewPieces;
        var broken = small ? (int)Math.Ceiling(pieces * Breakage) : 0;
        var halves = HalfBatch.Of(recipe) is null ? 2 : 1;
        var count = halves;
        while (count * each / 2 < pieces + broken + Tasted(count))
            count += halves;
        var made = count * each / 2;
        var spare = made - pieces - broken - Tasted(count);
        var beside = broken + Tasted(count) == 0 ? "" : $", {broken} for what breaks and {Tasted(count)} to taste";
        return new BatchCount(
            count / 2,
            count % 2 == 1,
            made,
            spare,
            $"{pieces} {recipe.Yield.PieceName}{beside}: {Mixed(count, each)} {(count is 1 or 2 ? "makes" : "make")} {made}, "
                + $"{(spare == 0 ? "nothing left over" : $"{spare.ToString(CultureInfo.InvariantCulture)} left over for your own tin")}."
        );

        int Tasted(int h) => small ? (h + 1) / 2 : 0;
    }

    private static string Mixed(int halves, int each) =>
        (halves / 2, halves % 2) switch
        {
            (0, _) => $"half a batch of {each}",
            (1, 0) => $"1 batch of {each}",
            (var n, 0) => $"{n} batches of {each}",
            (var n, _) => $"{n} {(n == 1 ? "batch" : "batches")} of {each} and half a one",
        };
}
