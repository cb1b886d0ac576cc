using System.Collections.Immutable;
using Zymethos.Core.Kitchens;
using Zymethos.Planning.Day;
using Zymethos.Planning.Rules;

namespace Zymethos.Planning.Compile;

/// <summary>
/// Which kinds of pan share a shelf. Parts of a shelf that add up to one do not always fit as pans do; where some such mixture does not,
/// its kinds are kept on shelves of their own, so that what the planner adds up can always be set out.
/// </summary>
internal static class ShelfMix
{
    /// <summary>The pairs of kinds that do not share a shelf.</summary>
    /// <param name="oven">The oven's number.</param>
    /// <param name="body">The oven.</param>
    /// <param name="kinds">The kinds that may meet, each once.</param>
    public static ImmutableArray<UnmixedPans> Unmixed(int oven, Oven body, IReadOnlyList<Footprint> kinds)
    {
        var units = kinds.Select(k => ShelfRoom.UnitsOf(body, k)).ToArray();
        var apart = new HashSet<(int A, int B)>();
        var counts = new int[kinds.Count];
        // Fullest mixtures decide: what is part of one that fits, fits.
        Look(0, TaskNetwork.ShelfUnits);
        return [.. apart.Select(p => new UnmixedPans(oven, kinds[p.A], kinds[p.B]))];

        void Look(int kind, int room)
        {
            if (kind == kinds.Count)
            {
                var used = Enumerable.Range(0, kinds.Count).Where(k => counts[k] > 0).ToList();
                if (used.Count < 2 || used.Exists(a => used.Exists(b => a < b && apart.Contains((a, b)))))
                    return;
                if (ShelfPacking.Place(body, [.. used.SelectMany(k => Enumerable.Repeat(kinds[k], counts[k]))]) is not null)
                    return;
                var two = used.OrderByDescending(k => (long)kinds[k].Long * kinds[k].Wide).Take(2).Order().ToList();
                apart.Add((two[0], two[1]));
                return;
            }

            for (var n = units[kind] == 0 ? 0 : room / units[kind]; n >= 0; n--)
            {
                counts[kind] = n;
                Look(kind + 1, room - (n * units[kind]));
            }

            counts[kind] = 0;
        }
    }
}
