using Zymethos.Core.Recipes;

namespace Zymethos.Core.Seasons;

/// <summary>How many batches a need takes, and what is left over.</summary>
/// <param name="Batches">Whole batches, at least 1.</param>
/// <param name="Made">Pieces they give.</param>
/// <param name="Spare">Pieces beyond what is wanted, breakage and tasting.</param>
/// <param name="Words">The reckoning, in a sentence.</param>
public sealed record BatchCount(int Batches, int Made, int Spare, string Words)
{
    /// <summary>Share of pieces that break or fail (common practice, no source).</summary>
    public const double Breakage = 0.05;

    // Of large things one is not broken in twenty: they are counted as they are.
    private const int FewPieces = 6;

    /// <summary>Reckons.</summary>
    /// <param name="recipe">The recipe; its yield is what one batch gives.</param>
    /// <param name="pieces">Pieces wanted, at least 1.</param>
    public static BatchCount Of(Recipe recipe, int pieces)
    {
        var each = Math.Max(1, recipe.Yield.Pieces);
        // One of every batch of small things is tasted before any is given away.
        var small = each > FewPieces;
        var broken = small ? (int)Math.Ceiling(pieces * Breakage) : 0;
        var batches = 1;
        while (batches * each < pieces + broken + (small ? batches : 0)) batches++;
        var tasted = small ? batches : 0;
        var spare = (batches * each) - pieces - broken - tasted;
        var beside = broken + tasted == 0 ? "" : $", {broken} for what breaks and {tasted} to taste";
        return new BatchCount(
            batches,
            batches * each,
            spare,
            $"{pieces} {recipe.Yield.PieceName}{beside}: {batches} {(batches == 1 ? "batch" : "batches")} of {each} make {batches * each}, {(spare == 0 ? "nothing" : spare.ToString(System.Globalization.CultureInfo.InvariantCulture))} left over.");
    }
}
