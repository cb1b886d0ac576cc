using Zymethos.Core.Recipes;

namespace Zymethos.Planning.Certainty;

/// <summary>What to do now: one need of hands of one step.</summary>
/// <param name="Task">Index of the step.</param>
/// <param name="Need">Which of its needs of hands; 0 begins it where it has not begun.</param>
internal readonly record struct Act(int Task, int Need);

/// <summary>
/// What a sensible baker with a plan does next, decided from what has happened and from usual times alone:
/// what is done comes out and what is due is turned or folded, at once, leaving handwork for a minute; what may go into the oven goes in,
/// soonest closing window first, in the plan's order; of handwork that may begin, what would spoil goes before the plan's order, short
/// work is slipped into long work when its window is about to close, and long work is not begun when something that cannot wait will be
/// ready before it is done; and what starts a chain of windows is held back while the oven, or what it goes together with, is not
/// expected to be ready in time for it. Nothing is begun much before the plan has it. The same state always gives the same answer.
/// </summary>
internal sealed class DispatchRule(double caution = DispatchRule.UsualCaution, int ahead = DispatchRule.UsualAhead)
{
    /// <summary>Handwork of so many minutes or less may be slipped into longer handwork.</summary>
    public const int Short = 5;

    /// <summary>How much of what the windows of a chain give is used up by the oven being late before its start is held back.</summary>
    public const double UsualCaution = 0.35;

    /// <summary>How many minutes before its hour in the plan a step may begin when nothing else is to do.</summary>
    public const int UsualAhead = 30;

    // A window is about to close.
    private const int Closing = 3;

    // Handwork may run over by a share of its usual time before what is urgent is reached.
    private const double RunsOver = 1.15;

    private readonly Outlook _outlook = new();

    /// <summary>The next thing to do with hands; false when there is nothing now.</summary>
    /// <param name="kitchen">The kitchen.</param>
    /// <param name="act">What.</param>
    /// <param name="again">When to look again, if nothing happens before; made smaller only.</param>
    public bool Next(KitchenNow kitchen, out Act act, ref int again)
    {
        _outlook.Begin(kitchen);
        return Due(kitchen, out act) || Loads(kitchen, out act, ref again) || Work(kitchen, out act, ref again);
    }

    /// <summary>Whether a step that needs no hands begins now.</summary>
    public bool Begins(KitchenNow kitchen, int task, ref int again)
    {
        _outlook.Begin(kitchen);
        if (!IsOpen(kitchen, task, ref again) || !kitchen.HasRoom(task))
            return false;
        var of = kitchen.Of;
        if (of.SettingOf[task] >= 0)
            return OvenTakes(kitchen, task, ref again);
        // Dough rises as soon as it is left alone; what lies in the cold may lie longer.
        return kitchen.Closes[task] < DayStatics.Never
            || of.Network.Tasks[task].Kind is StepKind.BulkRise or StepKind.Proof
            || !IsHeldBack(kitchen, task, ref again);
    }

    private static bool Due(KitchenNow kitchen, out Act act)
    {
        act = default;
        var first = int.MaxValue;
        var of = kitchen.Of;
        foreach (var t in kitchen.Running)
        {
            if (!kitchen.IsDue[t] || kitchen.DueSince[t] >= first)
                continue;
            var (task, need) = of.ClearingOf[t] >= 0 ? (of.ClearingOf[t], 0) : (t, kitchen.NextNeed[t]);
            var hands = of.Needs[task][need];
            if (!kitchen.HandsFor(hands.People, Math.Min(hands.Length, Short)))
                continue;
            (first, act) = (kitchen.DueSince[t], new Act(task, need));
        }

        return first < int.MaxValue;
    }

    private bool Loads(KitchenNow kitchen, out Act act, ref int again)
    {
        act = default;
        var (first, found) = (int.MaxValue, false);
        foreach (var t in kitchen.Open)
        {
            var of = kitchen.Of;
            if (of.SettingOf[t] < 0 || !of.StartsByHand[t] || !IsOpen(kitchen, t, ref again))
                continue;
            var hands = of.Needs[t][0];
            var minutes = of.IsWork[t] ? of.Likely[t] : hands.Length;
            if (
                (found && (kitchen.Closes[t], kitchen.Script.Rank[t]).CompareTo((first, kitchen.Script.Rank[act.Task])) >= 0)
                || kitchen.MeetsRest(of.Likely[t])
                || !(minutes <= Short ? kitchen.HandsFor(hands.People, minutes) : kitchen.FreeHands(minutes) >= hands.People)
                || !kitchen.HasRoom(t)
                || !OvenTakes(kitchen, t, ref again)
            )
                continue;
            (first, act, found) = (kitchen.Closes[t], new Act(t, 0), true);
        }

        return found;
    }

    private static bool OvenTakes(KitchenNow kitchen, int load, ref int again)
    {
        if (!kitchen.IsTurn(load))
            return false;
        var hot = kitchen.HotFrom(load);
        if (hot > kitchen.Now)
        {
            again = Math.Min(again, hot);
            return false;
        }

        foreach (var partner in kitchen.Of.Partner[load])
        {
            if (
                kitchen.State[partner] == StepState.Ahead
                && (kitchen.Missing[partner] > 0 || kitchen.ReadyAt[partner] > kitchen.Now || !kitchen.HasRoom(partner))
            )
                return false;
        }

        return kitchen.Seat(load);
    }

    private bool Work(KitchenNow kitchen, out Act act, ref int again)
    {
        act = default;
        var of = kitchen.Of;
        var script = kitchen.Script;
        // The first in the plan, and what closes soonest.
        var (first, soonest) = (-1, -1);
        foreach (var t in kitchen.Open)
        {
            if (!MayWork(kitchen, t, ref again))
                continue;
            if (first < 0 || script.Rank[t] < script.Rank[first])
                first = t;
            if (soonest < 0 || kitchen.Closes[t] < kitchen.Closes[soonest])
                soonest = t;
        }

        if (first < 0)
            return false;
        var pick = first != soonest && kitchen.Closes[soonest] < kitchen.Now + (of.Likely[first] * RunsOver) + Closing ? soonest : first;
        if (kitchen.RestedHands(of.Likely[pick], kitchen.Closes[pick], ref again) < of.Needs[pick][0].People)
            return Slip(kitchen, soonest, out act, ref again);
        if (IsInTheWay(kitchen, pick))
        {
            // Something shorter until then, in the plan's order.
            pick = -1;
            foreach (var t in kitchen.Open)
            {
                if (
                    MayWork(kitchen, t, ref again)
                    && (pick < 0 || script.Rank[t] < script.Rank[pick])
                    && kitchen.RestedHands(of.Likely[t], kitchen.Closes[t], ref again) >= of.Needs[t][0].People
                    && !IsInTheWay(kitchen, t)
                )
                    pick = t;
            }

            if (pick < 0)
                return false;
        }

        act = new Act(pick, 0);
        return true;
    }

    /// <summary>Short work whose window is about to close is done in the midst of longer work.</summary>
    private static bool Slip(KitchenNow kitchen, int task, out Act act, ref int again)
    {
        act = new Act(task, 0);
        if (kitchen.Of.Likely[task] > Short || kitchen.Closes[task] == DayStatics.Never)
            return false;
        if (kitchen.Closes[task] - kitchen.Now > Closing)
        {
            again = Math.Min(again, kitchen.Closes[task] - Closing);
            return false;
        }

        return kitchen.HandsFor(kitchen.Of.Needs[task][0].People, kitchen.Of.Likely[task]);
    }

    private bool MayWork(KitchenNow kitchen, int task, ref int again)
    {
        var of = kitchen.Of;
        return of.SettingOf[task] < 0
            && of.StartsByHand[task]
            && IsOpen(kitchen, task, ref again)
            && !kitchen.MeetsRest(of.IsWork[task] ? of.Likely[task] : of.Needs[task][0].Length)
            && kitchen.HasRoom(task)
            && !IsHeldBack(kitchen, task, ref again);
    }

    /// <summary>Whether work would still go on when something that cannot wait, and is too long to slip in, wants the same hands.</summary>
    private static bool IsInTheWay(KitchenNow kitchen, int task)
    {
        var of = kitchen.Of;
        if (kitchen.FreeHands(Short) > of.Needs[task][0].People)
            return false;
        var until = kitchen.Now + (of.Likely[task] * RunsOver);
        foreach (var open in kitchen.Open)
        {
            if (
                open != task
                && kitchen.Closes[open] >= kitchen.Now
                && kitchen.Closes[open] < until
                && kitchen.Closes[open] < kitchen.Closes[task]
                && of.SettingOf[open] < 0
                && of.StartsByHand[open]
                && of.Likely[open] > Short
                && kitchen.HasRoom(open)
            )
                return true;
        }

        foreach (var running in kitchen.Running)
        {
            foreach (var l in of.Out[running])
            {
                var (next, most) = (of.LinkTo[l], of.LinkMost[l]);
                if (
                    most == DayStatics.Never
                    || of.Likely[next] <= Short
                    || kitchen.State[next] != StepState.Ahead
                    || kitchen.Missing[next] > 1
                    || of.SettingOf[next] >= 0
                    || !of.StartsByHand[next]
                )
                    continue;
                var closes = Math.Max(kitchen.Now, kitchen.Start[running] + of.Likely[running]) + most;
                if (closes < until && kitchen.Closes[task] > closes)
                    return true;
            }
        }

        return false;
    }

    /// <summary>Whether its hour has come, not much before the plan's unless something waits for it.</summary>
    private bool IsOpen(KitchenNow kitchen, int task, ref int again)
    {
        var of = kitchen.Of;
        var from = Math.Max(kitchen.ReadyAt[task], of.Floor[task]);
        if (kitchen.Closes[task] == DayStatics.Never)
            from = Math.Max(from, kitchen.Script.Planned[task] - ahead);
        if (of.Presence[task])
            from = Math.Max(from, kitchen.Script.First);
        if (from <= kitchen.Now)
            return true;
        again = Math.Min(again, from);
        return false;
    }

    /// <summary>Whether the oven is not expected to be free in time for what this would start, or what it goes together with not to be
    /// done.</summary>
    private bool IsHeldBack(KitchenNow kitchen, int task, ref int again)
    {
        var of = kitchen.Of;
        var until = int.MinValue;
        var load = of.Toward[task];
        if (load >= 0 && kitchen.State[load] == StepState.Ahead)
            until = _outlook.FreeFor(load) - of.Distance[task] - (int)(caution * of.Give[task]);
        foreach (var join in of.Joins[task])
        {
            if (kitchen.State[join.Task] != StepState.Ahead)
                continue;
            foreach (var l in join.Others)
                until = Math.Max(until, _outlook.Done(of.LinkFrom[l]) + of.LinkLeast[l] - join.Distance - (int)(caution * join.Give));
        }

        until = Math.Min(until, kitchen.Closes[task] - Closing);
        if (until <= kitchen.Now)
            return false;
        again = Math.Min(again, until);
        return true;
    }
}
