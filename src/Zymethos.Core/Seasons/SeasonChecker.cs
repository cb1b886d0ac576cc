using NodaTime;
using Zymethos.Core.Planning;

namespace Zymethos.Core.Seasons;

/// <summary>A rule that a season breaks.</summary>
/// <param name="Lot">Index of the lot it is about.</param>
/// <param name="Message">What is wrong, in a sentence.</param>
public sealed record BrokenSeason(int Lot, string Message);

/// <summary>Lists what is wrong with a season's plan, from the rules alone; it knows nothing of the search.</summary>
public static class SeasonChecker
{
    // What a day's plan may miss a wait of days by: nobody feeds a cake to the minute.
    private const int Forgiven = 90;

    /// <summary>Everything that is broken; empty for a season that can be carried out.</summary>
    public static IReadOnlyList<BrokenSeason> Check(SeasonWish wish, SeasonPlan plan)
    {
        var broken = new List<BrokenSeason>();
        var unmet = plan.Unmet.Select(u => u.Need).ToHashSet();
        for (var l = 0; l < plan.Lots.Length; l++)
        {
            if (!unmet.Contains(plan.Lots[l].Need)) CheckLot(wish, plan, l, broken);
        }

        foreach (var session in plan.Sessions.Where(s => PlanChecker.Check(s.Network, s.Plan).Count > 0)) broken.Add(new(-1, $"Session {session.Session} breaks a rule of days."));
        return broken;
    }

    private static void CheckLot(SeasonWish wish, SeasonPlan plan, int l, List<BrokenSeason> broken)
    {
        var lot = plan.Lots[l];
        var need = wish.Needs[lot.Need];
        var occasion = wish.Occasions[need.Occasion];
        var own = plan.Placed.Where(p => p.Lot == l).ToDictionary(p => p.Stretch);
        if (own.Count != lot.Method.Stretches.Length)
        {
            broken.Add(new(l, $"{need.Recipe.Name} is not all planned."));
            return;
        }

        if (lot.Batches.Made < need.Pieces) broken.Add(new(l, $"Too few pieces of {need.Recipe.Name}."));
        foreach (var placed in own.Values)
        {
            var session = wish.Sessions[placed.Session];
            if (placed.Start < session.From || placed.Start >= session.Until || placed.Start < wish.Now) broken.Add(new(l, $"“{lot.Method.Stretches[placed.Stretch].Title}” is outside its session."));
        }

        foreach (var wait in lot.Method.Waits)
        {
            var minutes = Period.Between(own[wait.From].End, own[wait.To].Start, PeriodUnits.Minutes).Minutes;
            if (minutes < wait.Least.TotalMinutes - Forgiven || (wait.Least == Duration.Zero && minutes < 0)) broken.Add(new(l, $"{need.Recipe.Name}: {wait.Says} is cut short."));
            if (wait.Most is { } most && minutes > most.TotalMinutes + Forgiven) broken.Add(new(l, $"{need.Recipe.Name}: {wait.Says} is too long."));
        }

        var end = own.Values.Max(p => p.End);
        if (end > occasion.ReadyBy.PlusHours(12) || Keeping.For(need.Recipe, end, lot.Method.RipensLeast, occasion.At, plan.BakedAt(l) ?? end) is null)
            broken.Add(new(l, $"{need.Recipe.Name} is not at its date as it should be."));
    }
}
