using System.Collections.Immutable;
using Zymethos.Core.Kitchens;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Rules;

/// <summary>Where a pan stands on a shelf seen from above, in millimetres from the left front corner.</summary>
/// <param name="Left">Distance from the left.</param>
/// <param name="Front">Distance from the front.</param>
/// <param name="Across">What it takes from left to right.</param>
/// <param name="Deep">What it takes from front to back.</param>
public readonly record struct PanPlace(int Left, int Front, int Across, int Deep);

/// <summary>
/// Puts pans on a shelf, each lengthwise or crosswise: a search over all places whose left edge touches a pan or the wall and whose front
/// edge does, the larger pans first.
/// It misses the rare arrangement in which a larger pan leans on a smaller one alone; then the pans are taken not to share a shelf.
/// </summary>
public static class ShelfPacking
{
    // A kitchen shelf holds a few pans; a search that grows beyond this is given up as "does not fit".
    private const int MostSteps = 40_000;

    /// <summary>Places for all pans, in their order; null when they do not stand side by side.</summary>
    public static ImmutableArray<PanPlace>? Place(Oven oven, IReadOnlyList<Footprint> pans)
    {
        var (width, depth) = ((int)Math.Floor(oven.ShelfWidth.Millimetres + 1e-6), (int)Math.Floor(oven.ShelfDepth.Millimetres + 1e-6));
        if (pans.Sum(p => (long)p.Long * p.Wide) > (long)width * depth)
            return null;
        var order = Enumerable
            .Range(0, pans.Count)
            .OrderByDescending(i => (long)pans[i].Long * pans[i].Wide)
            .ThenBy(i => pans[i].Long)
            .ThenBy(i => i)
            .ToArray();
        var places = new PanPlace[pans.Count];
        var steps = 0;
        return Search(0) ? [.. places] : null;

        bool Search(int n)
        {
            if (n == order.Length)
                return true;
            var pan = pans[order[n]];
            var placed = order.Take(n).Select(i => places[i]).ToList();
            var lefts = placed.Select(p => p.Left + p.Across).Append(0).Distinct().Order().ToList();
            var fronts = placed.Select(p => p.Front + p.Deep).Append(0).Distinct().Order().ToList();
            foreach (
                var (across, deep) in pan.Long == pan.Wide ? [(pan.Long, pan.Wide)] : new[] { (pan.Long, pan.Wide), (pan.Wide, pan.Long) }
            )
            {
                foreach (var left in lefts.Where(l => l + across <= width))
                {
                    foreach (var front in fronts.Where(f => f + deep <= depth))
                    {
                        // Pans of one kind are interchangeable: the next stands no further left than the one before.
                        if (n > 0 && pans[order[n - 1]] == pan && left < places[order[n - 1]].Left)
                            continue;
                        if (++steps > MostSteps)
                            return false;
                        if (
                            placed.Exists(p =>
                                left < p.Left + p.Across && p.Left < left + across && front < p.Front + p.Deep && p.Front < front + deep
                            )
                        )
                            continue;
                        places[order[n]] = new PanPlace(left, front, across, deep);
                        if (Search(n + 1))
                            return true;
                    }
                }
            }

            return false;
        }
    }
}
