using Zymethos.Planning.Day;

namespace Zymethos.Planning.Rules;

/// <summary>The earliest start and latest end of each task that the day itself sets, before any resource is looked at.</summary>
internal static class SpanRules
{
    /// <summary>First minute the task may start: the span for what needs presence, "not before" for its bake.</summary>
    public static int EarliestStart(TaskNetwork network, PlanTask task) =>
        Math.Max(Since(network, task), network.Bakes[task.Bake].NotBefore ?? 0);

    /// <summary>Now, for what has not begun yet.</summary>
    private static int Since(TaskNetwork network, PlanTask task)
    {
        if (network.Since == 0)
            return 0;
        foreach (var pin in network.Pins)
        {
            if (pin.Task == task.Index)
                return 0;
        }

        return network.Since;
    }

    /// <summary>
    /// Last minute the task may end: the working span for what needs presence, "ready by" for its bake, the horizon for the rest.
    /// </summary>
    public static int LatestEnd(TaskNetwork network, PlanTask task)
    {
        var end = task.NeedsPresence ? network.SpanEnd : network.Horizon;
        return Math.Min(end, network.Bakes[task.Bake].ReadyBy ?? end);
    }
}
