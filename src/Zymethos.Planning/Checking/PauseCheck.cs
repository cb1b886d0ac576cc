using Zymethos.Planning.Day;

namespace Zymethos.Planning.Checking;

/// <summary>Whether everybody has the pauses and meals of a day. Counted minute by minute.</summary>
internal static class PauseCheck
{
    /// <summary>Stretches that are too long and meals that there is no time for.</summary>
    public static IEnumerable<BrokenRule> Find(TaskNetwork network, Plan plan)
    {
        if (network.Pauses is not { } pauses)
            yield break;
        for (var h = 0; h < network.Helpers.Length; h++)
        {
            var work = Work(network, plan, h);
            if (Longest(network, pauses, work) is var (task, minutes) && minutes > pauses.Stretch + Pauses.Grace)
                yield return new(
                    PlanRule.Pause,
                    [task],
                    $"{network.Helpers[h].Name} works {minutes} min without a pause, up to {network.Tasks[task].Title}."
                );
            foreach (var meal in pauses.Meals)
            {
                if (LongestFree(work, meal) < Math.Min(meal.Length, meal.Until - meal.From) && !IsHeld(network, work, meal))
                    yield return new(PlanRule.Pause, [], $"{network.Helpers[h].Name} has no time for a meal.");
            }
        }
    }

    /// <summary>The task of each minute at which somebody works; -1 where they do not. Touches do not count.</summary>
    private static int[] Work(TaskNetwork network, Plan plan, int helper)
    {
        var work = new int[network.Horizon + 1];
        Array.Fill(work, -1);
        foreach (var task in network.Tasks)
        {
            foreach (var block in plan.Tasks[task.Index].Hands)
            {
                if (block.Helper != helper || block.Until - block.From <= Pauses.Touch)
                    continue;
                for (var m = Math.Max(0, block.From); m < Math.Min(work.Length, block.Until); m++)
                    work[m] = task.Index;
            }
        }

        return work;
    }

    /// <summary>The longest stretch that is of more than one piece of work, none of it held by hand, and what it ends with.</summary>
    private static (int Task, int Minutes) Longest(TaskNetwork network, Pauses pauses, int[] work)
    {
        var (since, last, mixed, held) = (-1, -1, false, false);
        var longest = (Task: 0, Minutes: 0);
        for (var m = 0; m < work.Length; m++)
        {
            if (work[m] < 0)
                continue;
            if (since < 0 || m - last - 1 >= pauses.Length)
                (since, mixed, held) = (m, false, false);
            else if (work[last] != work[m])
                mixed = true;
            held |= (last < 0 || work[last] != work[m] || since == m) && network.Pins.Any(p => p.Task == work[m]);
            last = m;
            if (mixed && !held && m + 1 - since > longest.Minutes)
                longest = (work[m], m + 1 - since);
        }

        return longest;
    }

    private static int LongestFree(int[] work, Meal meal)
    {
        var (free, longest) = (0, 0);
        for (var m = Math.Max(0, meal.From); m < Math.Min(work.Length, meal.Until); m++)
        {
            free = work[m] < 0 ? free + 1 : 0;
            longest = Math.Max(longest, free);
        }

        return longest;
    }

    private static bool IsHeld(TaskNetwork network, int[] work, Meal meal) =>
        network.Pins.Any(p => Array.IndexOf(work, p.Task, Math.Max(0, meal.From), Math.Max(0, meal.Until - meal.From)) >= 0);
}
