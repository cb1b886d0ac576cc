using System.Collections.Immutable;

namespace Zymethos.Core.Larder;

/// <summary>So many packages of a size.</summary>
/// <param name="Size">What one holds: grams, or pieces.</param>
/// <param name="Count">How many, at least 1.</param>
public sealed record Packages(double Size, int Count);

/// <summary>Which packages to take.</summary>
public static class PackageChoice
{
    /// <summary>How many packages more a second size counts like (common practice, no source).</summary>
    public const int MixedCounts = 2;

    private const int MostOfASize = 400;

    /// <summary>What may stay over, against what is wanted, for the sake of fewer packages (common practice, no source).</summary>
    public const double Bearable = 0.1;

    /// <summary>
    /// The fewest packages that cover what is wanted with no more over than <see cref="Bearable"/> of it, or than must be. A second size
    /// counts like two packages more, unless it is a multiple of the smallest (a dozen and half a dozen): nobody mixes four small ones
    /// with three large ones to save a spoon. Of those the ones that leave least over. Empty where nothing is wanted.
    /// </summary>
    /// <param name="wanted">How much is wanted, in the unit of the sizes.</param>
    /// <param name="sizes">Sizes that are sold, above zero; not empty.</param>
    public static ImmutableArray<Packages> For(double wanted, IReadOnlyList<double> sizes)
    {
        // A gram less than nothing is nothing: sums of floating point never want a package for a crumb.
        if (wanted <= 1e-6)
            return [];
        var sold = sizes.Where(s => s > 0).Distinct().OrderDescending().ToList();
        var (best, bestOver, bestCount) = (new int[sold.Count], double.PositiveInfinity, int.MaxValue);
        var (bears, least) = (0.0, double.PositiveInfinity);
        Try(0, wanted, new int[sold.Count]);
        (bears, bestOver, bestCount) = (Math.Max(least, wanted * Bearable), double.PositiveInfinity, int.MaxValue);
        Try(0, wanted, new int[sold.Count]);
        return [.. sold.Select((s, i) => new Packages(s, best[i])).Where(p => p.Count > 0)];

        static int Mixed(List<double> used)
        {
            var smallest = used.Min();
            return used.Count(u => Math.Abs((u / smallest) - Math.Round(u / smallest)) > 1e-6);
        }

        void Try(int at, double left, int[] counts)
        {
            if (at == sold.Count - 1 || left <= 1e-6)
            {
                if (left > 1e-6)
                    counts[at] = (int)Math.Ceiling((left / sold[at]) - 1e-9);
                var over = -left + (left > 1e-6 ? counts[at] * sold[at] : 0);
                var count = counts.Sum() + (MixedCounts * Mixed([.. sold.Where((_, i) => counts[i] > 0)]));
                least = Math.Min(least, over);
                if (over <= bears + 1e-6 && (count < bestCount || (count == bestCount && over < bestOver - 1e-6)))
                    (best, bestOver, bestCount) = ([.. counts], over, count);
                if (at < sold.Count)
                    counts[at] = 0;
                return;
            }

            var most = Math.Min(MostOfASize, (int)Math.Ceiling((left / sold[at]) - 1e-9));
            // From many of the large ones down; more than a hundred of a size fewer is never better among sizes that shops sell.
            for (var n = most; n >= Math.Max(0, most - 100); n--)
            {
                counts[at] = n;
                Try(at + 1, left - (n * sold[at]), counts);
                counts[at] = 0;
            }
        }
    }
}
