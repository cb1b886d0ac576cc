using System.Collections.Immutable;
using NodaTime;
using Zymethos.Planning.Checking;

namespace Zymethos.Planning.Seasons;

/// <summary>A rule that a season breaks.</summary>
/// <param name="Lot">Index of the lot it is about; -1 for a session or the cold room.</param>
/// <param name="Message">What is wrong, in a sentence.</param>
public sealed record BrokenSeason(int Lot, string Message)
{
    /// <summary>Indexes of the lots that break it together; empty where one does by itself.</summary>
    public ImmutableArray<int> Among { get; init; } = [];
}

/// <summary>Lists what is wrong with a season's plan, from the rules alone; it knows nothing of the search.</summary>
public static class SeasonChecker
{
    /// <summary>What a plan may miss a wait of days by: nobody feeds a cake to the minute.</summary>
    public static readonly Duration Forgiven = Duration.FromMinutes(90);

    /// <summary>Everything that is broken; empty for a season that can be carried out.</summary>
    public static IReadOnlyList<BrokenSeason> Check(SeasonWish wish, SeasonPlan plan)
    {
        var broken = new List<BrokenSeason>();
        var unmet = plan.Unmet.Select(u => u.Need).ToHashSet();
        for (var l = 0; l < plan.Lots.Length; l++)
        {
            if (!unmet.Contains(plan.Lots[l].Need))
                CheckLot(wish, plan, l, broken);
        }

        foreach (var session in plan.Sessions.Where(s => PlanChecker.Check(s.Network, s.Plan).Count > 0))
            broken.Add(
                new(-1, $"Session {session.Session} breaks a rule of days.")
                {
                    Among = [.. plan.Placed.Where(p => p.Session == session.Session && !p.IsDone).Select(p => p.Lot).Distinct()],
                }
            );
        CheckSpells(wish, plan, broken);
        CheckFreezer(wish, plan, broken);
        return broken;
    }

    /// <summary>How a lot waits for its date as it was planned; null when it does not keep, or is not all planned.</summary>
    public static Kept? KeptAs(SeasonWish wish, Lot lot, IReadOnlyList<PlacedStretch> own)
    {
        if (own.Count != lot.Method.Stretches.Length)
            return null;
        var occasion = wish.Occasions[wish.Needs[lot.Need].Occasion];
        var finish = own.First(p => p.Stretch == lot.Method.Finish);
        var end = own.Max(p => p.End);
        var baked = lot.Method.Bake < 0 ? end : own.First(p => p.Stretch == lot.Method.Bake).End;
        return Keeping.For(
            SeasonRules.Recipe(wish, lot),
            lot.Method,
            baked,
            finish.Start,
            end,
            occasion.ReadyBy,
            occasion.At,
            wish.Kitchen.Says
        );
    }

    private static void CheckLot(SeasonWish wish, SeasonPlan plan, int l, List<BrokenSeason> broken)
    {
        var lot = plan.Lots[l];
        var need = wish.Needs[lot.Need];
        var own = plan.Placed.Where(p => p.Lot == l).ToDictionary(p => p.Stretch);
        if (own.Count != lot.Method.Stretches.Length)
        {
            broken.Add(new(l, $"{need.Recipe.Name} is not all planned."));
            return;
        }

        if (ColdKeeping.IsRefused(SeasonRules.Recipe(wish, lot), wish.Occasions[need.Occasion]))
            broken.Add(new(l, $"{need.Recipe.Name} must be kept cold and is planned to be posted, or to be out of the cold for too long."));
        if (lot.Batches.Made < need.Pieces)
            broken.Add(new(l, $"Too few pieces of {need.Recipe.Name}."));
        foreach (var placed in own.Values.Where(p => !p.IsDone))
        {
            var session = wish.Sessions[placed.Session];
            if (placed.Start < session.From || placed.Start >= session.Until || placed.Start < wish.Now)
                broken.Add(new(l, $"“{lot.Method.Stretches[placed.Stretch].Title}” is outside its session."));
        }

        foreach (var wait in lot.Method.Waits.Where(w => !own[w.To].IsDone))
            CheckWait(need, wait, own[wait.From], own[wait.To], broken, l);
        // What is all done is as it is; it is eaten or not, and nothing can be planned about it.
        if (own.Values.Any(p => !p.IsDone) && KeptAs(wish, lot, [.. own.Values]) is null)
            broken.Add(new(l, $"{need.Recipe.Name} is not at its date as it should be."));
    }

    private static void CheckWait(Need need, StretchWait wait, PlacedStretch from, PlacedStretch to, List<BrokenSeason> broken, int l)
    {
        var length = SeasonRules.Length(from.End, to.Start);
        if (length < Duration.Zero && wait.Least >= Duration.Zero && length < wait.Least - Forgiven)
            broken.Add(new(l, $"{need.Recipe.Name}: {wait.Says} comes before what it waits for."));
        else if (length < wait.Least - (wait.Least >= SeasonMethod.LongWait ? Forgiven : Duration.Zero) && from.Session != to.Session)
            broken.Add(new(l, $"{need.Recipe.Name}: {wait.Says} is cut short."));
        // What was done late before leaves its mark; a plan only may not add to it where that spoils something.
        if (wait.Most is { } most && length > most + Forgiven && !(from.IsDone && wait.Forgives))
            broken.Add(new(l, $"{need.Recipe.Name}: {wait.Says} is too long."));
        if (from.Session != to.Session && !wait.Places.IsEmpty && !IsWholeBake(wait) && Keeping.Bearing(wait, length, length) is null)
            broken.Add(new(l, $"{need.Recipe.Name}: {wait.Says} so long nowhere."));
    }

    // How a whole bake keeps before its last work is looked at together with how it keeps afterwards.
    private static bool IsWholeBake(StretchWait wait) => wait.Places.Any(p => p.Part.Length == 0);

    private static void CheckSpells(SeasonWish wish, SeasonPlan plan, List<BrokenSeason> broken)
    {
        foreach (var spell in plan.Placed.Where(p => !p.IsDone && wish.Sessions[p.Session].IsOddMoment).GroupBy(p => p.Session))
        {
            if (
                spell.Any(p => plan.Lots[p.Lot].Method.Stretches[p.Stretch].OvenMinutes > 0)
                || spell.Max(p => p.End) > wish.Sessions[spell.Key].Until
            )
                broken.Add(
                    new(-1, $"The spell {wish.Sessions[spell.Key].From} holds more than it can.")
                    {
                        Among = [.. spell.Select(p => p.Lot).Distinct()],
                    }
                );
        }
    }

    /// <summary>Nothing thaws before it is frozen, and the freezer holds what lies in it.</summary>
    private static void CheckFreezer(SeasonWish wish, SeasonPlan plan, List<BrokenSeason> broken)
    {
        var inside = new List<(int Lot, LocalDateTime From, LocalDateTime Until, int Litres)>();
        foreach (var (l, kept) in plan.Kept.Where(k => k.Value.ThawAt is not null))
        {
            var own = plan.Of(l);
            var from = kept.IsFrozenBetween ? own.First(p => p.Stretch == plan.Lots[l].Method.Bake).End : own.Max(p => p.End);
            if (kept.ThawAt < from + Period.FromHours(12))
                broken.Add(new(l, $"{wish.Needs[plan.Lots[l].Need].Recipe.Name} thaws before it is frozen through."));
            inside.Add((l, from, kept.ThawAt!.Value, SeasonRules.FrozenLitres(wish, plan.Lots[l])));
        }

        if (wish.Kitchen.FreezerLitres is not { } room)
            return;
        foreach (
            var session in plan
                .Sessions.Select(s => wish.Sessions[s.Session].Until)
                .Where(end => inside.Where(i => i.From <= end && i.Until > end).Sum(i => i.Litres) > room)
        )
            broken.Add(
                new(-1, $"The freezer does not hold what lies in it on {session:uuuu-MM-dd}.")
                {
                    Among = [.. inside.Where(i => i.From <= session && i.Until > session).Select(i => i.Lot)],
                }
            );
    }
}
