using Zymethos.Core.Measures;
using Zymethos.Planning.Bench;
using Zymethos.Planning.Day;
using Zymethos.Web.Drawing;
using Zymethos.Work.Benches;

namespace Zymethos.Web.Places.Bench;

/// <summary>What another order would change, in words.</summary>
internal static class OfferWords
{
    private const int MostNamed = 3;
    private const int AFewMinutes = 10;

    /// <summary>"“Plaits: bake” 10 min later (14:20), everything else stays; 94 of 100 instead of 81."</summary>
    public static string Of(BenchLook look, PlanChance now, OtherOrder other)
    {
        var network = look.Work.Day.Network;
        // What goes into the oven is what one plans by; handwork follows it. A few minutes are no news.
        var moved = other
            .Moved.Where(m => Math.Abs(m.To - m.From) > AFewMinutes)
            .OrderByDescending(m => network.Tasks[m.Task].Oven is not null)
            .ThenBy(m => m.To)
            .ToList();
        var named = moved.Take(MostNamed).Select(m => Moved(network, m)).ToList();
        var more = moved.Count - named.Count;
        var what = named.Count == 0 ? $"Nothing moves by more than {AFewMinutes} min" : string.Join(", ", named);
        var few = other.Moved.Length > moved.Count;
        var rest =
            more > 0
                ? $", and {Spoken.Count(more, "more step moves", "more steps move")}{(few ? $"; others by {AFewMinutes} min at most" : "")}"
            : named.Count == 0 ? ""
            : few ? $"; everything else by {AFewMinutes} min at most"
            : "; everything else stays";
        return $"{what}{rest}. {Chance(now, other.Chance)} {Ready(network, now, other.Chance)}";
    }

    private static string Moved(TaskNetwork network, MovedStep step)
    {
        var by = step.To - step.From;
        var task = network.Tasks[step.Task];
        return $"{network.Bakes[task.Bake].Name}, “{task.Title}”: {SpokenTime.Of(Math.Abs(by))} {(by > 0 ? "later" : "sooner")} "
            + $"({network.HourOf(step.To)})";
    }

    private static string Chance(PlanChance now, PlanChance then)
    {
        var (before, after) = (Math.Round(now.Together * 100), Math.Round(then.Together * 100));
        return before == after ? $"Still well on {after:0} of 100 days." : $"Well on {after:0} of 100 days instead of {before:0}.";
    }

    private static string Ready(TaskNetwork network, PlanChance now, PlanChance then)
    {
        var (before, after) = (now.ReadyBy ?? now.DoneBy, then.ReadyBy ?? then.DoneBy);
        return Math.Abs(before - after) <= 1
            ? $"All ready by {network.HourOf(after)}, as before."
            : $"All ready by {network.HourOf(after)} instead of {network.HourOf(before)}.";
    }
}
