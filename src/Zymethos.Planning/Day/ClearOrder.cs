using Zymethos.Core.Recipes;

namespace Zymethos.Planning.Day;

/// <summary>
/// The order in which what is free of an allergen comes before the rest: all its mixing and shaping has ended before anything of the others
/// is begun, by whomever, so that bowl, board and trays are clean of them (common practice, no source). What is finished after the bake is
/// not ordered.
/// </summary>
public static class ClearOrder
{
    /// <summary>A tie of that order: the second starts when the first has ended, and may wait.</summary>
    public static TaskLink Link(int first, int second) => new(first, second, 0, null, WindowKind.Soft, "");

    /// <summary>Pairs of tasks of which the second starts only when the first has ended; empty where one side is.</summary>
    /// <param name="network">The day.</param>
    /// <param name="free">Indexes of bakes that come first.</param>
    /// <param name="holding">Indexes of all others.</param>
    public static IEnumerable<(int First, int Second)> Of(TaskNetwork network, IEnumerable<int> free, IEnumerable<int> holding)
    {
        var after = After(network);
        var last = free.SelectMany(b => LastBeforeOven(network, b, after)).ToList();
        var first = holding.SelectMany(b => FirstOf(network, b, after)).ToList();
        return from one in last from other in first select (one.Index, other.Index);
    }

    /// <summary>Handwork of a bake that leads to its oven and that no other such work follows; all its last work where it has no
    /// oven.</summary>
    private static IEnumerable<PlanTask> LastBeforeOven(TaskNetwork network, int bake, bool[,] after)
    {
        var mine = network.Tasks.Where(t => t.Bake == bake).ToList();
        var baked = mine.Where(t => t.Kind == StepKind.Bake).ToList();
        var work = mine.Where(t =>
                !t.Hands.IsEmpty && t.Kind != StepKind.Bake && (baked.Count == 0 || baked.Exists(b => after[t.Index, b.Index]))
            )
            .ToList();
        return work.Where(t => !work.Exists(o => after[t.Index, o.Index]));
    }

    /// <summary>What a bake begins with: handwork or oven that no other of its own comes before.</summary>
    private static IEnumerable<PlanTask> FirstOf(TaskNetwork network, int bake, bool[,] after)
    {
        var work = network.Tasks.Where(t => t.Bake == bake && (!t.Hands.IsEmpty || t.Oven is not null)).ToList();
        return work.Where(t => !work.Exists(o => after[o.Index, t.Index]));
    }

    /// <summary>Which task comes after which, over all links between.</summary>
    private static bool[,] After(TaskNetwork network)
    {
        var n = network.Tasks.Length;
        var after = new bool[n, n];
        var next = network.Links.ToLookup(l => l.From, l => l.To);
        for (var from = 0; from < n; from++)
        {
            var open = new Stack<int>(next[from]);
            while (open.TryPop(out var to))
            {
                if (after[from, to])
                    continue;
                after[from, to] = true;
                foreach (var more in next[to])
                    open.Push(more);
            }
        }

        return after;
    }
}
