using Zymethos.Planning.Day;

namespace Zymethos.Planning.Search;

/// <summary>Pauses on a day on paper, where steps are written down in any order.</summary>
internal sealed partial class DayBoard
{
    /// <summary>Whether pauses are asked for at some work: not for a touch, nor for what the baker holds where it is.</summary>
    private bool IsPausing(PlanTask task, int from, int until) =>
        _network.Pauses is not null && until - from > Pauses.Touch && _day.Held[task.Index] is null;

    /// <summary>The minute itself where somebody can work from it until another with the pauses and meals that are due; else one at which
    /// to look again.</summary>
    private int Rested(int helper, int from, int until)
    {
        var (pauses, work) = (_network.Pauses!, _atWork[helper]);
        var (left, right) = (RunFrom(work, from, pauses.Length), RunUntil(work, until, pauses.Length));
        if (right - left > pauses.Stretch && (left < from || right > until))
            return left < from ? Last(work, from) + 1 + pauses.Length : right + pauses.Length;
        foreach (var meal in pauses.Meals)
        {
            if (from < meal.Until && until > meal.From && !HasTime(work, meal, from, until))
                return Math.Max(from + 1, meal.From + meal.Length);
        }

        return from;
    }

    /// <summary>The first minute of the stretch that work at a minute would go on with.</summary>
    private static int RunFrom(bool[] work, int from, int pause)
    {
        var first = from;
        for (var m = from - 1; m >= 0 && first - m <= pause; m--)
        {
            if (work[m])
                first = m;
        }

        return first;
    }

    private static int RunUntil(bool[] work, int until, int pause)
    {
        var end = until;
        for (var m = until; m < work.Length && m - end < pause; m++)
        {
            if (work[m])
                end = m + 1;
        }

        return end;
    }

    private static int Last(bool[] work, int before)
    {
        var m = before - 1;
        while (m >= 0 && !work[m])
            m--;
        return m;
    }

    private static bool HasTime(bool[] work, Meal meal, int from, int until)
    {
        var (free, longest) = (0, 0);
        for (var m = Math.Max(0, meal.From); m < Math.Min(work.Length, meal.Until); m++)
        {
            free = work[m] || (m >= from && m < until) ? 0 : free + 1;
            longest = Math.Max(longest, free);
        }

        return longest >= Math.Min(meal.Length, meal.Until - meal.From);
    }
}
