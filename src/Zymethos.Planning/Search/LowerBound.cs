using Zymethos.Core.Heat;
using Zymethos.Planning.Day;
using Zymethos.Planning.Rules;

namespace Zymethos.Planning.Search;

/// <summary>
/// A finishing minute that no plan can beat, from counting alone. The largest of: the longest chain of links; all hands-on minutes shared
/// among all hands; all oven minutes one after another with the quickest order of settings between; each of the last two with the least
/// that must come before the first and after the last. It needs no search over plans, so it stands beside the solver's own bound.
/// </summary>
internal static class LowerBound
{
    // The quickest order of settings is found over subsets; beyond so many settings the transitions are left out of the bound.
    private const int MostSettings = 11;

    /// <summary>The bound in minutes from the start of the working span. Holds for every plan that obeys the rules.</summary>
    public static int Finish(TaskNetwork network, ReachTable reach)
    {
        var heads = network.Tasks.Select(t => Head(network, reach, t.Index)).ToArray();
        var tails = network.Tasks.Select(t => Tail(network, reach, t.Index)).ToArray();
        var chain = network.Tasks.Where(t => t.NeedsPresence).Select(t => heads[t.Index] + t.Likely).DefaultIfEmpty(0).Max();
        return Math.Max(chain, Math.Max(Hands(network, heads, tails), Oven(network, heads, tails)));
    }

    /// <summary>Earliest start of a task that its links, its bake and a cold oven allow.</summary>
    private static int Head(TaskNetwork network, ReachTable reach, int task)
    {
        var head = 0;
        foreach (var other in network.Tasks.Where(t => t.Bake == network.Tasks[task].Bake))
        {
            if (reach.Least(other.Index, task) is not { } lag)
                continue;
            var own = SpanRules.EarliestStart(network, other);
            if (other.Oven is { } oven)
                own = Math.Max(
                    own,
                    Enumerable
                        .Range(0, network.Kitchen.Ovens.Length)
                        .Where(o => oven.UnitsIn(o) > 0)
                        .Select(o => network.Thermal(o).FromCold(oven.Setting))
                        .DefaultIfEmpty(0)
                        .Min()
                );
            head = Math.Max(head, own + lag);
        }

        return head;
    }

    /// <summary>Least minutes from the end of a task to the end of the last presence that must follow it.</summary>
    private static int Tail(TaskNetwork network, ReachTable reach, int task)
    {
        var own = network.Tasks[task];
        return network
            .Tasks.Where(t => t.Bake == own.Bake && t.NeedsPresence)
            .Select(t => reach.Least(task, t.Index) is { } lag ? lag + t.Likely - own.Likely : 0)
            .DefaultIfEmpty(0)
            .Max(x => Math.Max(0, x));
    }

    private static int Hands(TaskNetwork network, int[] heads, int[] tails)
    {
        var needs = network
            .Tasks.SelectMany(t =>
                t.Hands.Select(h =>
                    (Head: heads[t.Index] + h.Offset, Work: h.Length * h.People, Tail: tails[t.Index] + t.Likely - h.Offset - h.Length)
                )
            )
            .ToList();
        return Energy(needs, network.Helpers.Length, HandsPauses(network));
    }

    /// <summary>Minutes of work with the pauses between that nobody goes without: so many stretches as the work fills, less one for each
    /// person, each with a pause before the next. Touches fit into pauses. Null where no pauses are kept, or the baker holds steps in spite
    /// of them.</summary>
    private static Func<IEnumerable<(int Head, int Work, int Tail)>, int>? HandsPauses(TaskNetwork network)
    {
        if (network.Pauses is not { } pauses || !network.Pins.IsEmpty)
            return null;
        var most = pauses.Stretch + Pauses.Grace;
        return needs =>
        {
            var (work, within, stretches) = (0, 0, 0);
            foreach (var need in needs)
            {
                if (need.Work <= Pauses.Touch)
                    continue;
                work += need.Work;
                // A single piece of work may be longer than a stretch.
                if (need.Work > most)
                    stretches++;
                else
                    within += need.Work;
            }

            stretches += (within + most - 1) / most;
            return work + (Math.Max(0, stretches - network.Helpers.Length) * pauses.Length);
        };
    }

    /// <summary>
    /// For every pair of thresholds: what starts no earlier than the one and is followed by no less than the other still has to be done by
    /// so many hands in between (Jackson's preemptive relaxation, the energy form).
    /// </summary>
    private static int Energy(
        List<(int Head, int Work, int Tail)> needs,
        int capacity,
        Func<IEnumerable<(int Head, int Work, int Tail)>, int>? pauses = null
    )
    {
        var best = 0;
        foreach (var head in needs.Select(n => n.Head).Distinct())
        {
            foreach (var tail in needs.Select(n => n.Tail).Distinct())
            {
                var some = needs.Where(n => n.Head >= head && n.Tail >= tail);
                var work = Math.Max(some.Sum(n => n.Work), pauses?.Invoke(some) ?? 0);
                if (work > 0)
                    best = Math.Max(best, head + ((work + capacity - 1) / capacity) + tail);
            }
        }

        return best;
    }

    private static int Oven(TaskNetwork network, int[] heads, int[] tails)
    {
        var loads = network.Tasks.Where(t => t.Oven is not null).ToList();
        if (loads.Count == 0)
            return 0;
        if (network.Kitchen.Ovens.Length > 1)
            return TwoOvens(network, loads, heads, tails);
        var thermal = network.Thermal(0);
        // For every pair of thresholds, as with hands: the loads that cannot come sooner and after which no less must follow.
        var best = 0;
        foreach (var head in loads.Select(t => heads[t.Index]).Distinct())
        {
            foreach (var tail in loads.Select(t => tails[t.Index]).Distinct())
            {
                var some = loads.Where(t => heads[t.Index] >= head && tails[t.Index] >= tail).ToList();
                if (some.Count > 0)
                    best = Math.Max(best, OneOven(network, thermal, some, heads, tails));
            }
        }

        return best;
    }

    private static int OneOven(TaskNetwork network, OvenThermal thermal, List<PlanTask> loads, int[] heads, int[] tails)
    {
        var settings = loads.Select(t => t.Oven!.Setting).Distinct().ToArray();
        var busy = settings.Select(s => BusyMinutes(network, [.. loads.Where(t => t.Oven!.Setting == s)])).ToArray();
        var firsts = settings.Select(s => loads.Where(t => t.Oven!.Setting == s).Min(t => heads[t.Index])).ToArray();
        var lasts = settings.Select(s => loads.Where(t => t.Oven!.Setting == s).Min(t => tails[t.Index])).ToArray();
        if (settings.Length > MostSettings)
            return firsts.Min() + busy.Sum() + lasts.Min();
        return QuickestOrder(settings, thermal, firsts, lasts) + busy.Sum();
    }

    /// <summary>With two ovens the loads may be dealt out in any way, so only their room and minutes are counted: all shelf minutes over
    /// all shelves.</summary>
    private static int TwoOvens(TaskNetwork network, List<PlanTask> loads, int[] heads, int[] tails)
    {
        var shelves = network.Kitchen.Ovens.Sum(o => o.Shelves);
        // Whichever oven a load takes less room in is what it surely takes.
        var area = loads.Sum(t =>
            (long)t.Likely
            * t.Oven!.Items
            * Enumerable.Range(0, network.Kitchen.Ovens.Length).Select(t.Oven.UnitsIn).Where(u => u > 0).DefaultIfEmpty(0).Min()
        );
        var room = (long)shelves * TaskNetwork.ShelfUnits;
        return loads.Min(t => heads[t.Index]) + (int)((area + room - 1) / room) + loads.Min(t => tails[t.Index]);
    }

    /// <summary>
    /// The least minutes in which the oven can serve all loads of one setting: the longest of them, or all shelf minutes shared among all
    /// shelves.
    /// </summary>
    private static int BusyMinutes(TaskNetwork network, List<PlanTask> loads)
    {
        var longest = loads.Max(t => t.Likely);
        var smallest = loads.Min(t => t.Oven!.UnitsPerItem);
        var room =
            (long)network.Kitchen.Oven.Shelves
            * (
                loads.TrueForAll(t => t.Oven!.UnitsPerItem == smallest)
                    ? TaskNetwork.ShelfUnits / smallest * smallest
                    : TaskNetwork.ShelfUnits
            );
        var area = loads.Sum(t => (long)t.Likely * t.Oven!.Items * t.Oven.UnitsPerItem);
        return (int)Math.Max(longest, (area + room - 1) / room);
    }

    /// <summary>
    /// Shortest path through all settings, each visited once: head of the first, transitions, tail of the last (Held and Karp's recursion
    /// over subsets). A setting visited twice only costs more, since transitions obey the triangle inequality.
    /// </summary>
    private static int QuickestOrder(OvenSetting[] settings, OvenThermal thermal, int[] firsts, int[] lasts)
    {
        var n = settings.Length;
        const int far = int.MaxValue / 4;
        var best = new int[1 << n, n];
        for (var set = 0; set < 1 << n; set++)
        {
            for (var i = 0; i < n; i++)
                best[set, i] = set == 1 << i ? firsts[i] : far;
        }

        for (var set = 1; set < 1 << n; set++)
        {
            for (var i = 0; i < n; i++)
            {
                if ((set & (1 << i)) == 0 || best[set, i] >= far)
                    continue;
                for (var j = 0; j < n; j++)
                {
                    if ((set & (1 << j)) != 0)
                        continue;
                    var next = set | (1 << j);
                    best[next, j] = Math.Min(best[next, j], best[set, i] + thermal.Transition(settings[i], settings[j]));
                }
            }
        }

        return Enumerable.Range(0, n).Min(i => best[(1 << n) - 1, i] + lasts[i]);
    }
}
