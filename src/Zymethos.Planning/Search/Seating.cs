using Zymethos.Core.Recipes;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Search;

/// <summary>Gives the starts of a day their people and shelves, where counting has shown that there are enough.</summary>
internal sealed class Seating(TaskNetwork network, int[] starts, int[] ends, int[] ovens)
{
    /// <summary>Whether everybody has the same hours, so that any free person will do.</summary>
    public static bool SameHours(TaskNetwork network) =>
        network.Helpers.All(h => h.From == network.Helpers[0].From && h.Until == network.Helpers[0].Until);

    /// <summary>Whether loads of one setting may simply be counted: pans of one size, none with a wish where to stand.</summary>
    public static bool AreAlike(List<PlanTask> loads) =>
        loads.TrueForAll(t =>
            t.Oven!.Pan == loads[0].Oven!.Pan
            && t.Oven.UnitsPerItem == loads[0].Oven!.UnitsPerItem
            && t.Oven.InSecond == loads[0].Oven!.InSecond
            && t.Oven.Shelf == ShelfWish.Any
        );

    /// <summary>Seats all tasks. The two functions answer where the solver itself chose a shelf or a person.</summary>
    public Plan Seat(Func<int, int, int, bool> onShelf, Func<int, int, int, bool> byHelper)
    {
        var hands = SeatHands(byHelper);
        var shelves = SeatShelves(onShelf);
        return new Plan(
            [
                .. network.Tasks.Select(t => new PlannedTask(starts[t.Index], ends[t.Index], [.. hands[t.Index]], [.. shelves[t.Index]])
                {
                    Oven = ovens[t.Index],
                }),
            ]
        );
    }

    private List<HandsBlock>[] SeatHands(Func<int, int, int, bool> byHelper)
    {
        var result = network.Tasks.Select(_ => new List<HandsBlock>()).ToArray();
        var freeFrom = new int[network.Helpers.Length];
        var lastBake = new int[network.Helpers.Length];
        var any = SameHours(network);
        var needs = network
            .Tasks.SelectMany(t =>
                t.Hands.Select((h, i) => (At: t.HandsAt(h, starts[t.Index], ends[t.Index]), h.People, Need: i))
                    .Select(h => (t.Index, t.Bake, h.Need, h.At.From, h.At.Until, h.People))
            )
            .OrderBy(n => n.From)
            .ThenBy(n => n.Index);
        foreach (var n in needs)
        {
            // Whoever last worked on this bake goes on with it if free: fewer hand-overs.
            var free = any
                ? Enumerable
                    .Range(0, network.Helpers.Length)
                    .Where(h => freeFrom[h] <= n.From)
                    .OrderBy(h => lastBake[h] == n.Bake + 1 ? 0 : 1)
                    .ThenBy(h => h)
                : Enumerable.Range(0, network.Helpers.Length).Where(h => byHelper(n.Index, n.Need, h));
            foreach (var h in free.Take(n.People).ToList())
            {
                freeFrom[h] = n.Until;
                lastBake[h] = n.Bake + 1;
                result[n.Index].Add(new HandsBlock(h, n.From, n.Until));
            }
        }

        return result;
    }

    private List<int>[] SeatShelves(Func<int, int, int, bool> onShelf)
    {
        var result = network.Tasks.Select(_ => new List<int>()).ToArray();
        foreach (var group in network.Tasks.Where(t => t.Oven is not null).GroupBy(t => (ovens[t.Index], t.Oven!.Setting)))
        {
            var oven = group.Key.Item1;
            var shelves = network.Kitchen.Ovens[oven].Shelves;
            var loads = group.OrderBy(t => starts[t.Index]).ToList();
            // The solver counted where all loads that could come here are alike, and chose a shelf for each pan where they are not.
            var counted = AreAlike([.. network.Tasks.Where(t => t.Oven?.Setting == group.Key.Setting && t.Oven.UnitsIn(oven) > 0)]);
            var freeFrom = new int[shelves * (TaskNetwork.ShelfUnits / loads[0].Oven!.UnitsIn(oven))];
            foreach (var load in loads)
            {
                for (var item = 0; item < load.Oven!.Items; item++)
                {
                    if (!counted)
                    {
                        for (var s = 0; s < shelves; s++)
                        {
                            if (onShelf(load.Index, item, s))
                                result[load.Index].Add(s);
                        }

                        continue;
                    }

                    var place = Array.FindIndex(freeFrom, f => f <= starts[load.Index]);
                    freeFrom[place] = ends[load.Index];
                    result[load.Index].Add(place * shelves / freeFrom.Length);
                }
            }

            if (loads.TrueForAll(l => l.Oven!.Shelf == ShelfWish.Any))
                MiddleFirst(result, loads, shelves);
        }

        return result;
    }

    /// <summary>
    /// Shelves are alike to the rules, so they may change places: the one used longest becomes the middle one, which bakes most evenly
    /// (common practice, no source).
    /// </summary>
    private static void MiddleFirst(List<int>[] shelvesOf, List<PlanTask> loads, int shelves)
    {
        var fromMiddle = Enumerable.Range(0, shelves).OrderBy(s => Math.Abs(s - (shelves / 2))).ToList();
        var byUse = Enumerable
            .Range(0, shelves)
            .OrderByDescending(s => loads.Sum(l => l.Likely * shelvesOf[l.Index].Count(x => x == s)))
            .Select((s, rank) => (s, To: fromMiddle[rank]))
            .ToDictionary(p => p.s, p => p.To);
        foreach (var load in loads)
            shelvesOf[load.Index] = shelvesOf[load.Index].ConvertAll(s => byUse[s]);
    }
}
