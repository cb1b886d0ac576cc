using Zymethos.Core.Devices;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Bench;

/// <summary>The warmth in the middle by which a step is known to be done.</summary>
public static class StepTarget
{
    /// <summary>As its done tests name it: where it is there for safety the highest that is named, else the lowest.</summary>
    /// <returns>Degrees Celsius; null where none is named.</returns>
    public static double? Of(PlanTask task)
    {
        var isForSafety = task.IsForSafety || task.Step?.Cautions.Length > 0;
        return CoreTarget.Of((task.Step?.DoneTests ?? []).Select(t => t.Text), isForSafety);
    }
}
