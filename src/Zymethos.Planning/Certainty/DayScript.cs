using Zymethos.Planning.Day;

namespace Zymethos.Planning.Certainty;

/// <summary>
/// What a baker with a plan in hand knows before the day begins, by task: usual times, what follows what and within which window, the order
/// in which loads go into each oven and pans are taken, and how far each step is from the oven. It has no drawn times in it. Made once for
/// a plan; read by any number of threads.
/// </summary>
internal sealed class DayScript
{
    /// <summary>Works it out.</summary>
    /// <param name="statics">What goes for every plan of the day.</param>
    /// <param name="planned">The start of each task in the plan: its order is kept where order matters.</param>
    /// <param name="oven">The oven of each load.</param>
    public DayScript(DayStatics statics, int[] planned, int[] oven)
    {
        (Of, Planned, Oven) = (statics, planned, oven);
        var n = planned.Length;
        Rank = new int[n];
        var order = new int[n];
        for (var i = 0; i < n; i++)
            order[i] = i;
        Array.Sort(
            order,
            (a, b) =>
                planned[a] != planned[b] ? planned[a].CompareTo(planned[b])
                : statics.Depth[a] != statics.Depth[b] ? statics.Depth[a].CompareTo(statics.Depth[b])
                : a.CompareTo(b)
        );
        Queue = new int[statics.Network.Kitchen.Ovens.Length][];
        Span<int> counts = stackalloc int[Queue.Length];
        foreach (var t in statics.Loads)
            counts[oven[t]]++;
        for (var o = 0; o < Queue.Length; o++)
            (Queue[o], counts[o]) = (new int[counts[o]], 0);
        Takers = new int[statics.Takers.Length][];
        Span<int> taken = stackalloc int[Takers.Length];
        for (var r = 0; r < Takers.Length; r++)
            Takers[r] = new int[statics.Takers[r].Length];
        First = int.MaxValue;
        for (var i = 0; i < n; i++)
        {
            var t = order[i];
            Rank[t] = i;
            if (statics.SettingOf[t] >= 0)
                Queue[oven[t]][counts[oven[t]]++] = t;
            foreach (var r in statics.TakesHeld[t])
                Takers[r][taken[r]++] = t;
            if (statics.Network.Tasks[t].NeedsPresence)
                First = Math.Min(First, planned[t]);
        }
    }

    /// <summary>What goes for every plan of the day.</summary>
    public DayStatics Of { get; }

    /// <summary>The minute each task starts in the plan.</summary>
    public int[] Planned { get; }

    /// <summary>The oven of each load.</summary>
    public int[] Oven { get; }

    /// <summary>Place of each task in the plan's order.</summary>
    public int[] Rank { get; }

    /// <summary>Loads in the plan's order, by oven.</summary>
    public int[][] Queue { get; }

    /// <summary>By resource that is held from one step to another, what takes it, in the plan's order.</summary>
    public int[][] Takers { get; }

    /// <summary>The minute at which the baker comes into the kitchen.</summary>
    public int First { get; }

    /// <summary>The script of a plan.</summary>
    public static DayScript For(DayStatics statics, Plan plan) =>
        new(statics, [.. plan.Tasks.Select(t => t.Start)], [.. plan.Tasks.Select(t => t.Oven)]);
}
