using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Day;

namespace Zymethos.Web.Places.Bench;

/// <summary>How long something can be left when its clock has run out, and what is lost after that.</summary>
internal static class StayWords
{
    /// <summary>Minutes that it can be left, and what is lost then.</summary>
    public static (int Minutes, string Lost) Of(TaskNetwork network, PlanTask task)
    {
        var windows = network.Links.Where(l => l.From == task.Index && l is { MaxLag: not null, Window: WindowKind.Hard }).ToList();
        if (task.Oven is { Setting.IsHot: true })
        {
            var stay = Math.Max(0, Math.Max(task.High, task.Likely) - task.Likely);
            return (stay, stay == 0 ? "It cannot stay: it bakes too long." : $"It can stay {SpokenTime.Of(stay)}; then it bakes too long.");
        }

        if (windows.Count == 0)
            return (60, "It can wait.");
        var tightest = windows.MinBy(l => l.MaxLag!.Value)!;
        var minutes = tightest.MaxLag!.Value;
        var next = network.Tasks[tightest.To].Title;
        var what = task.Kind switch
        {
            StepKind.BulkRise or StepKind.Proof => "then the dough falls",
            StepKind.Chill => "then it is too hard, or too long in the cold",
            StepKind.Cool => $"then it is too cold for “{next}”",
            _ => $"then “{next}” comes too late",
        };
        return (minutes, minutes == 0 ? $"“{next}” must follow at once." : $"It can wait {SpokenTime.Of(minutes)}; {what}.");
    }
}
