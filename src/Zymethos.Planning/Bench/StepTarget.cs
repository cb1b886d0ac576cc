using Zymethos.Core.Devices;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Bench;

/// <summary>The warmth in the middle by which a step is known to be done.</summary>
public static class StepTarget
{
    /// <summary>As its done tests name it: where it is there for safety the highest that is named, else the lowest.</summary>
    /// <returns>Degrees Celsius; null where none is named, and for what cools: a probe that waits for warmth says nothing of
    /// that.</returns>
    public static double? Of(PlanTask task)
    {
        if (task.Kind is StepKind.Cool or StepKind.Chill or StepKind.Freeze)
            return null;
        var isForSafety = task.IsForSafety || task.Step?.Cautions.Length > 0;
        return CoreTarget.Of(Tests(task), isForSafety);
    }

    /// <summary>
    /// Whether coming to the warmth is all that is waited for. What is in the oven is still in the oven then; what is to be held so warm
    /// for a time, or is as long as it is to be safe to eat, goes on until somebody ends it.
    /// </summary>
    public static bool EndsIt(PlanTask task) => task.Oven is null && !task.IsForSafety && !CoreTarget.IsHeld(Tests(task));

    private static IEnumerable<string> Tests(PlanTask task) => (task.Step?.DoneTests ?? []).Select(t => t.Text);
}
