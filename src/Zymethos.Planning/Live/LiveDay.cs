using Zymethos.Planning.Day;
using Zymethos.Planning.Reading;
using Zymethos.Planning.Rules;

namespace Zymethos.Planning.Live;

/// <summary>
/// The rest of a day that is going on, when a step runs over: what has begun stays where it is, what waits for the late step has not begun,
/// nothing new starts before now.
/// </summary>
public static class LiveDay
{
    // Before and after somebody turns to something else: a bake may come out this much sooner or later when the rest is planned again.
    private const int Aside = 2;

    /// <summary>The wishes of the day from now on.</summary>
    /// <param name="day">The day as planned.</param>
    /// <param name="wishes">What was decided by hand so far.</param>
    /// <param name="late">The step that takes longer; null when only the time has moved on.</param>
    /// <param name="more">How many minutes more it needs, 0 or more.</param>
    /// <param name="now">The minute that it is.</param>
    public static ByHand From(PlannedDay day, ByHand wishes, PlanTask? late, int more, int now)
    {
        var waits = late is null ? [] : Waiting(day, late);
        var begun = day.Network.Tasks.Where(t => day.Plan.Tasks[t.Index].Start < now && !waits.Contains(t.Index)).ToList();
        var ids = begun.Select(t => t.Id).ToHashSet();
        var allow =
            late is null || more == 0 ? wishes.Allow : [.. wishes.Allow.Where(a => a.Task != late.Id), Longer(day, late, begun, more)];
        return wishes with
        {
            // A step that was held for later and is not begun may move now: the day has changed.
            Pins =
            [
                .. begun.Select(t => new PinWish(t.Id, day.Plan.Tasks[t.Index].Start)),
                .. wishes.Pins.Where(p => !ids.Contains(p.Task) && p.Start >= now),
            ],
            Allow = allow,
            Since = now,
        };
    }

    /// <summary>The wishes of the day from now on, when a step that goes on is done now.</summary>
    /// <param name="day">The day as planned.</param>
    /// <param name="wishes">What was decided by hand so far.</param>
    /// <param name="done">The step; it has begun.</param>
    /// <param name="now">The minute that it is, later than its start.</param>
    public static ByHand DoneAt(PlannedDay day, ByHand wishes, PlanTask done, int now)
    {
        var rest = From(day, wishes, null, 0, now);
        var took = now - day.Plan.Tasks[done.Index].Start - OvenDoor.Minutes(day.Network, day.Plan, done);
        return rest with { Allow = [.. rest.Allow.Where(a => a.Task != done.Id), new AllowWish(done.Id, Math.Max(1, took))] };
    }

    /// <summary>
    /// The late step with its minutes more. Whoever is alone leaves it for a moment when something that has begun needs hands, a bake that
    /// is done above all, and needs so much longer for it.
    /// </summary>
    private static AllowWish Longer(PlannedDay day, PlanTask late, List<PlanTask> begun, int more)
    {
        var minutes = late.Likely + more;
        if (!late.IsHandsOn || day.Network.Helpers.Length > 1)
            return new AllowWish(late.Id, minutes);
        var start = day.Plan.Tasks[late.Index].Start;
        var breaks = new List<Span>();
        var others = begun
            .Where(t => t.Index != late.Index)
            .SelectMany(t => t.Hands.Select(h => t.HandsAt(h, day.Plan.Tasks[t.Index].Start, day.Plan.Tasks[t.Index].End)))
            .Select(h => h.Later(-start))
            .Where(h => h.From >= late.Likely)
            .OrderBy(h => h.From);
        foreach (var (from, until) in others)
        {
            if (from - Aside >= minutes)
                break;
            minutes += until - from;
            var (leave, back) = (Math.Max(late.Likely, from - Aside), until + Aside);
            if (breaks.Count > 0 && leave <= breaks[^1].Until)
                breaks[^1] = new(breaks[^1].From, back);
            else
                breaks.Add(new(leave, back));
        }

        return new AllowWish(late.Id, minutes) { Breaks = [.. breaks] };
    }

    /// <summary>Steps that cannot have begun while the late one goes on: all that wait for its end, through hands, oven, pans or
    /// links.</summary>
    private static HashSet<int> Waiting(PlannedDay day, PlanTask late)
    {
        var end = day.Plan.Tasks[late.Index].End;
        var ties = new PlanGraph(day.Network, day.Plan)
            .Ties.Where(t => t.Kind is not (TieKind.Window or TieKind.Door))
            .ToLookup(t => t.From, t => t.To);
        var (found, next) = (new HashSet<int>(), new Queue<int>([late.Index]));
        while (next.TryDequeue(out var task))
        {
            foreach (var to in ties[task].Where(to => day.Plan.Tasks[to].Start >= end && found.Add(to)))
                next.Enqueue(to);
        }

        return found;
    }
}
