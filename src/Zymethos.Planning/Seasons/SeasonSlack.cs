using NodaTime;

namespace Zymethos.Planning.Seasons;

/// <summary>How long a piece of work could wait, looked at with the rest of its lot alone; whether other work leaves room there is not
/// asked.</summary>
public static class SeasonSlack
{
    /// <summary>
    /// The last session in which a stretch could be done with everything after it still in time and what is before it where it is planned;
    /// null when it is not a matter of sessions. A spell is no place for work with the oven.
    /// </summary>
    public static int? Latest(SeasonWish wish, SeasonPlan plan, PlacedStretch placed)
    {
        if (placed.IsDone)
            return null;
        var lot = plan.Lots[placed.Lot];
        for (var s = wish.Sessions.Length - 1; s > placed.Session; s--)
        {
            if (CanBe(wish, plan, lot, placed, s))
                return s;
        }

        return placed.Session;
    }

    private static bool CanBe(SeasonWish wish, SeasonPlan plan, Lot lot, PlacedStretch placed, int session)
    {
        var own = plan.Of(placed.Lot)
            .ToDictionary(p => p.Stretch, p => p.IsDone ? new SeasonSession(p.Start, p.End, 1) : wish.Sessions[p.Session]);
        var method = lot.Method;
        if (!SeasonRules.Holds(wish, lot, placed.Stretch, wish.Sessions[session]) || wish.Sessions[session].Until > Ready(wish, lot))
            return false;
        var at = new Dictionary<int, SeasonSession>(own) { [placed.Stretch] = wish.Sessions[session] };
        // What comes after moves to the first session that bears it; a chain is looked at in the order of the method.
        foreach (var next in After(method, placed.Stretch))
        {
            var first = wish
                .Sessions.Where(s => SeasonRules.Holds(wish, lot, next, s) && s.Until <= Ready(wish, lot) && s.From >= own[next].From)
                .FirstOrDefault(s => method.Waits.Where(w => w.To == next).All(w => Bears(at[w.From], s, w)));
            if (first is null)
                return false;
            at[next] = first;
        }

        if (method.Waits.Where(w => w.To == placed.Stretch).Any(w => !Bears(at[w.From], at[placed.Stretch], w)))
            return false;
        var (bake, finish) = (method.Bake < 0 ? at[method.Finish] : at[method.Bake], at[method.Finish]);
        return Keeping.For(
            SeasonRules.Recipe(wish, lot),
            method,
            bake.Until,
            finish.From,
            finish.Until,
            Ready(wish, lot),
            wish.Occasions[wish.Needs[lot.Need].Occasion].At
        )
            is not null;
    }

    private static bool Bears(SeasonSession first, SeasonSession second, StretchWait wait) =>
        SeasonRules.Bears(first, second, wait, first == second);

    private static LocalDateTime Ready(SeasonWish wish, Lot lot) => wish.Occasions[wish.Needs[lot.Need].Occasion].ReadyBy;

    private static IEnumerable<int> After(SeasonMethod method, int stretch) =>
        Enumerable
            .Range(0, method.Stretches.Length)
            .Where(k => k != stretch && method.Before(k).Contains(stretch))
            .OrderBy(k => method.Before(k).Length);
}
