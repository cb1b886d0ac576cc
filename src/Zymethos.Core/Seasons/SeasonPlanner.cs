using System.Collections.Immutable;
using System.Diagnostics;
using NodaTime;
using Zymethos.Core.Planning;
using Zymethos.Core.Recipes;

namespace Zymethos.Core.Seasons;

/// <summary>
/// Plans a season on two scales: which session every stretch falls in, then every session to the minute with the planner of days. A session that does not work goes back as a
/// cut, and the season is searched again.
/// </summary>
public static class SeasonPlanner
{
    private const int MostRounds = 12;

    /// <summary>Plans. Every need is either met or among the unmet.</summary>
    /// <param name="wish">What is wanted.</param>
    /// <param name="limit">Time in all.</param>
    /// <param name="seed">Seed of the searches.</param>
    /// <param name="cancel">Ends it with what there is.</param>
    public static SeasonPlan Plan(SeasonWish wish, TimeSpan limit, int seed = 1, CancellationToken cancel = default)
    {
        var clock = Stopwatch.StartNew();
        var lots = wish.Needs.Select((n, i) => new Lot(i, BatchCount.Of(n.Recipe, n.Pieces), SeasonMethod.Of(ChosenRecipe.Of(n.Recipe)))).ToImmutableArray();
        var cuts = new List<IReadOnlyList<(int Lot, int Stretch, int Session)>>();
        SeasonPlan? best = null;
        var bound = 0L;
        for (var round = 0; round < MostRounds && !cancel.IsCancellationRequested; round++)
        {
            var model = new SeasonModel(wish, lots, cuts);
            if (model.Solve((limit - clock.Elapsed) / (round == 0 ? 2 : 3), seed, cancel) is not { } placement) break;
            // Cuts only take placements away that cannot be carried out, so each bound holds for the season.
            bound = Math.Max(bound, model.Bound);
            var (sessions, failed) = PlanSessions(wish, lots, placement, limit - clock.Elapsed, seed, cancel);
            if (failed.Count == 0)
            {
                var plan = Assemble(wish, lots, placement, sessions, model.Cost, bound);
                if (SeasonChecker.Check(wish, plan) is { Count: > 0 } broken)
                {
                    cuts.Add([.. placement.Where(p => broken.Any(b => b.Lot == p.Lot))]);
                    best ??= WithoutLots(plan, broken.Select(b => b.Lot).ToHashSet());
                    continue;
                }

                return plan;
            }

            cuts.AddRange(failed);
        }

        return best ?? new SeasonPlan(lots, [], [], ImmutableDictionary<int, Kept>.Empty, [.. lots.Select(l => new UnmetNeed(l.Need, "No plan was found in the time there was.", []))], 0, bound);
    }

    private static (List<PlannedSession> Sessions, List<IReadOnlyList<(int, int, int)>> Failed) PlanSessions(
        SeasonWish wish, ImmutableArray<Lot> lots, IReadOnlyList<(int Lot, int Stretch, int Session)> placement, TimeSpan left, int seed, CancellationToken cancel)
    {
        var sessions = new List<PlannedSession>();
        var failed = new List<IReadOnlyList<(int, int, int)>>();
        var groups = placement.GroupBy(p => p.Session).ToList();
        var share = TimeSpan.FromSeconds(Math.Clamp(left.TotalSeconds / Math.Max(1, 2 * groups.Count), 0.2, 2));
        foreach (var group in groups)
        {
            if (Compile(wish, lots, group.Key, [.. group]) is { } network
                && (FirstPlan.Find(network, seed) ?? DayPlanner.Plan(network, new SolveSettings(share, seed), cancel).Plan) is { } plan)
                sessions.Add(new PlannedSession(group.Key, network, plan));
            else
                failed.AddRange(Cuts(wish, lots, [.. group], share, seed, cancel));
        }

        return (sessions, failed);
    }

    /// <summary>
    /// What of a session that does not work goes back: whatever does not even work in it alone, in every session as short or shorter; else as few of its stretches as still
    /// do not go together (deletion filter).
    /// </summary>
    private static List<IReadOnlyList<(int, int, int)>> Cuts(
        SeasonWish wish, ImmutableArray<Lot> lots, IReadOnlyList<(int Lot, int Stretch, int Session)> group, TimeSpan share, int seed, CancellationToken cancel)
    {
        bool Works(IReadOnlyList<(int Lot, int Stretch, int Session)> some) =>
            Compile(wish, lots, some[0].Session, some) is { } network && (FirstPlan.Find(network, seed) ?? DayPlanner.Plan(network, new SolveSettings(share / 2, seed), cancel).Plan) is not null;
        var cuts = new List<IReadOnlyList<(int, int, int)>>();
        var span = wish.Sessions[group[0].Session];
        foreach (var one in group.Where(g => !Works([g])))
        {
            for (var s = 0; s < wish.Sessions.Length; s++)
            {
                if (wish.Sessions[s].Minutes <= span.Minutes && wish.Sessions[s].People <= span.People) cuts.Add([(one.Lot, one.Stretch, s)]);
            }
        }

        if (cuts.Count > 0) return cuts;
        var few = group.ToList();
        foreach (var one in group)
        {
            if (few.Count > 2 && few.Where(x => x != one).ToList() is var rest && !Works(rest)) few = rest;
        }

        return [few];
    }

    /// <summary>The day of a session: the stretches that fall in it, those of one lot put together again.</summary>
    private static TaskNetwork? Compile(SeasonWish wish, ImmutableArray<Lot> lots, int session, IReadOnlyList<(int Lot, int Stretch, int Session)> here)
    {
        var span = wish.Sessions[session];
        var bakes = here.GroupBy(p => p.Lot).Select(g => new BakeWish(Joined(wish.Needs[lots[g.Key].Need].Recipe, lots[g.Key], [.. g.Select(p => p.Stretch)]), lots[g.Key].Batches.Batches, null, null));
        var kitchen = wish.Kitchen with { People = [.. wish.Kitchen.People.Take(Math.Max(1, span.People)).Select(p => p with { From = null, Until = null })] };
        return TaskCompiler.Compile(kitchen, new DayWish(span.From, span.Until, [.. bakes])).Network;
    }

    private static Recipe Joined(Recipe recipe, Lot lot, ImmutableArray<int> stretches)
    {
        var whole = ChosenRecipe.Of(recipe);
        var keys = stretches.SelectMany(k => lot.Method.Stretches[k].Recipe.Steps).Select(s => s.Key).ToHashSet(StringComparer.Ordinal);
        // A wait between two stretches of one session is waited for in it.
        foreach (var wait in whole.Steps.Where(s => !keys.Contains(s.Key) && whole.Links.Any(l => l.To == s.Key && keys.Contains(l.From)) && whole.Links.Any(l => l.From == s.Key && keys.Contains(l.To))).ToList()) keys.Add(wait.Key);
        return whole with
        {
            // The choices are made; what is left asks for none.
            Choices = [],
            Parts = [.. whole.Parts.Select(p => p with { Lines = [.. p.Lines.Select(l => l with { When = null })] })],
            Steps = [.. whole.Steps.Where(s => keys.Contains(s.Key)).Select(s => s with { When = null })],
            Links = [.. whole.Links.Where(l => keys.Contains(l.From) && keys.Contains(l.To)).Select(l => l with { When = null })],
        };
    }

    private static SeasonPlan Assemble(
        SeasonWish wish, ImmutableArray<Lot> lots, IReadOnlyList<(int Lot, int Stretch, int Session)> placement, List<PlannedSession> sessions, long cost, long bound)
    {
        var placed = new List<PlacedStretch>();
        foreach (var session in sessions)
        {
            var here = placement.Where(p => p.Session == session.Session).ToList();
            // Bakes of the day stand in the order in which its lots were put together.
            var bakes = here.Select(p => p.Lot).Distinct().ToList();
            foreach (var (lot, stretch, s) in here)
            {
                var keys = lots[lot].Method.Stretches[stretch].Recipe.Steps.Select(x => x.Key).ToHashSet(StringComparer.Ordinal);
                var tasks = session.Network.Tasks.Where(t => t.Bake == bakes.IndexOf(lot) && (keys.Contains(t.Step!.Key) || keys.Contains(t.Step.Key.Replace("-clear", "", StringComparison.Ordinal)))).Select(t => session.Plan.Tasks[t.Index]).ToList();
                placed.Add(new PlacedStretch(lot, stretch, s, session.Network.TimeOf(tasks.Min(t => t.Start)), session.Network.TimeOf(tasks.Max(t => t.End))));
            }
        }

        var met = placement.Select(p => p.Lot).ToHashSet();
        var plan = new SeasonPlan(
            lots,
            [.. placed.OrderBy(p => p.Start).ThenBy(p => p.Lot)],
            [.. sessions.OrderBy(s => s.Session)],
            ImmutableDictionary<int, Kept>.Empty,
            [.. Enumerable.Range(0, lots.Length).Where(l => !met.Contains(l)).Select(l => WhyUnmet(wish, lots[l]))],
            cost,
            Math.Min(bound, cost));
        var kept = placed.GroupBy(p => p.Lot).Select(g => (Lot: g.Key, End: g.Max(p => p.End)))
            .Select(g => (g.Lot, Kept: Keeping.For(wish.Needs[lots[g.Lot].Need].Recipe, g.End, lots[g.Lot].Method.RipensLeast, wish.Occasions[wish.Needs[lots[g.Lot].Need].Occasion].At, plan.BakedAt(g.Lot) ?? g.End)))
            .Where(g => g.Kept is not null);
        return plan with { Kept = kept.ToImmutableDictionary(g => g.Lot, g => g.Kept!) };
    }

    private static SeasonPlan WithoutLots(SeasonPlan plan, HashSet<int> lots) => plan with
    {
        Placed = [.. plan.Placed.Where(p => !lots.Contains(p.Lot))],
        Kept = plan.Kept.RemoveRange(lots),
        Unmet = [.. plan.Unmet, .. lots.Select(l => new UnmetNeed(plan.Lots[l].Need, "Its waits do not fall between the sessions as they were planned to the minute.", []))],
    };

    /// <summary>Why a need found no place, by looking at it alone.</summary>
    private static UnmetNeed WhyUnmet(SeasonWish wish, Lot lot)
    {
        var need = wish.Needs[lot.Need];
        var occasion = wish.Occasions[need.Occasion];
        var ways = ImmutableArray.CreateBuilder<string>();
        if (occasion.ReadyBy <= wish.Now) return new UnmetNeed(lot.Need, $"{occasion.Name} is over, or too near for anything to be baked.", []);
        foreach (var (stretch, k) in lot.Method.Stretches.Select((s, k) => (s, k)))
        {
            if (wish.Sessions.Any(s => SeasonModel.Holds(wish, lot, k, s) && s.From < occasion.ReadyBy)) continue;
            return new UnmetNeed(lot.Need, $"No session is long enough for “{stretch.Title}” of {need.Recipe.Name}: it takes {Explainer.Spoken(stretch.PresenceMinutes)} and {lot.Batches.Batches} {(lot.Batches.Batches == 1 ? "batch" : "batches")}.", ["A longer session before then.", "Fewer pieces."]);
        }

        var least = lot.Method.Waits.Sum(w => w.Least.TotalDays) + lot.Method.RipensLeast.TotalDays;
        var left = Period.Between(wish.Now, occasion.At, PeriodUnits.Hours).Hours / 24.0;
        foreach (var choice in need.Recipe.Choices)
        {
            foreach (var option in choice.Options.Where(o => o.Key != choice.Chosen))
            {
                var other = SeasonMethod.Of(ChosenRecipe.Of(ChosenRecipe.Choose(need.Recipe, choice.Key, option.Key)));
                if (other.Waits.Sum(w => w.Least.TotalDays) + other.RipensLeast.TotalDays < Math.Min(least, left)) ways.Add($"{choice.Question} {option.Name}.");
            }
        }

        if (least > left) return new UnmetNeed(lot.Need, $"{need.Recipe.Name} wants at least {least:0} days of waiting in all; {left:0} are left until {occasion.Name}.", ways.ToImmutable());
        return new UnmetNeed(lot.Need, $"There is no room in the sessions for {need.Recipe.Name} that fits how long it keeps.", [.. ways, "Another session.", "Fewer pieces, or another recipe that keeps longer."]);
    }
}
