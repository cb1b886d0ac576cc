using System.Diagnostics;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Checking;
using Zymethos.Planning.Compile;
using Zymethos.Planning.Day;
using Zymethos.Planning.Search;

namespace Zymethos.Planning.Certainty;

/// <summary>
/// Plans a day that people can keep. First the soonest finish by usual times, with its proof (<see cref="ModeChooser"/>); from there a plan
/// on which everything is well on as many days as were asked for, and which of those is done soonest on nine days of ten
/// (<see cref="CertaintySearch"/>); at last one that suits the baker's lean. What lies between the tightest plan and the surest is kept to
/// choose from.
/// </summary>
public static class SurePlanner
{
    /// <summary>Days that every plan is lived through while looking.</summary>
    private const int DaysOnTheWay = 100;

    /// <summary>Other days, on which the best are compared.</summary>
    private const int DaysToCompare = 400;
    private const int DaysInAHurry = 120;
    private const int DaysToSayInAHurry = 400;
    private static readonly TimeSpan Hurry = TimeSpan.FromSeconds(4);

    /// <summary>Days that nothing was chosen by, for what is said of a plan.</summary>
    private const int DaysToSay = 1000;

    private const int SeedOfSearch = 101;
    private const int SeedToCompare = 202;

    // The same days that a rehearsal lives when nobody says otherwise: a page says one thing, not two.
    private const int SeedToSay = 1;

    private const double Calm = 0.99;

    // On days it was chosen by a plan looks a little better than it is.
    private const double Reserve = 0.015;

    /// <summary>Share of the limit after which the tightest plan has to stand.</summary>
    private const double TightShare = 0.3;

    /// <summary>Share of the limit by which plans that survive have been looked for.</summary>
    private const double SureShare = 0.82;

    /// <summary>Share of the search that goes to what was asked for.</summary>
    private const double MainShare = 0.8;

    // Certainties below and above it, for plans to choose from.
    private static readonly double[] Besides = [0.8, 0.995];

    // Shares to which windows are narrowed for other plans to begin from.
    private static readonly double[] Narrower = [0.6, 0.3];

    // Shorter than this, nobody has time to rehearse while looking.
    private static readonly TimeSpan Least = TimeSpan.FromMilliseconds(250);

    /// <summary>How many plans there are to choose from, at most.</summary>
    public const int MostChoices = 7;

    /// <summary>Plans, with certainty where the settings ask for it. Comparing and telling at the end take their time also where the search
    /// was called off.</summary>
    /// <param name="kitchen">The kitchen.</param>
    /// <param name="wish">The day.</param>
    /// <param name="settings">How long, and on what share of days it is to go well; null for the soonest finish alone.</param>
    /// <param name="cancel">Ends the search with the best so far.</param>
    /// <returns>As <see cref="ModeChooser"/> gives it; with a plan, its chance and the plans to choose from.</returns>
    public static ModedOutcome Plan(Kitchen kitchen, DayWish wish, SolveSettings settings, CancellationToken cancel = default)
    {
        var planned = PlanAsAsked(kitchen, wish, settings, cancel);
        if (planned is not { Network.Pauses: not null, Outcome.Plan: null } || cancel.IsCancellationRequested)
            return planned;
        // A day on one's feet is better than none; the page says that no pause fits.
        var without = PlanAsAsked(kitchen with { PauseMinutes = 0 }, wish with { Meals = [] }, settings, cancel);
        return without.Outcome?.Plan is null
            ? planned
            : without with
            {
                // The kitchen stays what it is: only the day goes without.
                Network = without.Network! with
                {
                    Kitchen = kitchen,
                },
            };
    }

    /// <summary>A first plan, without a search: what a good baker writes down at once, with its chance. Some tens of milliseconds for eight
    /// recipes. No plan where none was found so quickly; that says nothing of whether there is one.</summary>
    /// <param name="kitchen">The kitchen.</param>
    /// <param name="wish">The day.</param>
    /// <param name="seed">Seed of the orders that are tried.</param>
    public static ModedOutcome First(Kitchen kitchen, DayWish wish, int seed = 1)
    {
        var clock = Stopwatch.StartNew();
        var compiled = TaskCompiler.Compile(kitchen, wish);
        if (compiled.Network is not { } network)
            return new ModedOutcome(null, null, compiled.Faults);
        var bound = DayBound.Finish(network);
        if (bound > network.SpanEnd || FirstPlan.Find(network, seed) is not { } plan)
            return new ModedOutcome(network, new PlanOutcome(PlanStatus.Unknown, null, bound, [], clock.Elapsed), []);
        var statics = new DayStatics(network);
        var chance = Rehearsal.Run(statics, DayScript.For(statics, plan), new DayDraws(network, DaysToSayInAHurry, SeedToSay)).Chance;
        var finish = plan.Finish(network);
        return new ModedOutcome(
            network,
            new PlanOutcome(PlanStatus.Found, plan, Math.Min(bound, finish), [new Progress(clock.Elapsed, finish)], clock.Elapsed)
            {
                Chance = chance,
                Choices = [new PlanChoice(plan, chance)],
            },
            []
        );
    }

    private static ModedOutcome PlanAsAsked(Kitchen kitchen, DayWish wish, SolveSettings settings, CancellationToken cancel)
    {
        if (settings.Certainty is not { } asked)
            return ModeChooser.Plan(kitchen, wish, settings, cancel);
        // Who would rather be calm wants what can be had.
        if (wish.Lean == DayLean.Calmer)
            asked = Math.Max(asked, Calm);
        var clock = Stopwatch.StartNew();
        var tight = ModeChooser.Plan(kitchen, wish, settings with { Limit = settings.Limit * TightShare }, cancel);
        // Where there is no plan yet, finding one is worth all the time there is.
        if (tight is { Network: not null, Outcome: { Plan: null, Status: not PlanStatus.Impossible } } && settings.Limit > clock.Elapsed)
            tight = ModeChooser.Plan(kitchen, wish, settings with { Limit = settings.Limit - clock.Elapsed }, cancel);
        if (tight is not { Network: { } network, Outcome: { Plan: { } plan } outcome })
            return tight;
        return tight with { Outcome = Sure(network, outcome, plan, settings, asked, clock, cancel) };
    }

    private static PlanOutcome Sure(
        TaskNetwork network,
        PlanOutcome outcome,
        Plan tightest,
        SolveSettings settings,
        double asked,
        Stopwatch clock,
        CancellationToken cancel
    )
    {
        var statics = new DayStatics(network);
        var pool = new List<Plan> { tightest };
        pool.AddRange(settings.Also.Where(p => p.Tasks.Length == network.Tasks.Length && PlanChecker.Check(network, p).Count == 0));
        // What weighs otherwise may begin from a plan that is good already.
        var first = pool.Count == 1 ? tightest : pool.MinBy(p => Cost(statics, p, asked))!;
        var left = (settings.Limit * SureShare) - clock.Elapsed;
        if (left > Least)
            pool.AddRange(Search(statics, first, settings, asked, left, outcome.BoundFinish, cancel));
        pool.AddRange(Tidied(network, pool, settings, settings.Limit - clock.Elapsed, cancel));
        var compare = new DayDraws(network, settings.Limit < Hurry ? DaysInAHurry : DaysToCompare, SeedToCompare);
        var scores = new Score[pool.Count];
        Parallel.For(
            0,
            pool.Count,
            new ParallelOptions { MaxDegreeOfParallelism = settings.Workers },
            i =>
                scores[i] = new CertaintySearch(statics, compare, asked + (Reserve / 2)).Evaluate(
                    DayScript.For(statics, pool[i]),
                    pool[i].Finish(network)
                )
        );
        var best = Enumerable.Range(0, pool.Count).MinBy(i => scores[i].Cost);
        var shown = Spread(pool, scores, best);
        var say = new DayDraws(network, settings.Limit < Hurry ? DaysToSayInAHurry : DaysToSay, SeedToSay);
        var choices = new PlanChoice[shown.Count];
        Parallel.For(
            0,
            choices.Length,
            new ParallelOptions { MaxDegreeOfParallelism = settings.Workers },
            i => choices[i] = new(pool[shown[i]], Rehearsal.Run(statics, DayScript.For(statics, pool[shown[i]]), say).Chance)
        );
        var taken = choices[shown.IndexOf(best)];
        return outcome with
        {
            Plan = pool[best],
            Chance = taken.Chance,
            // Nobody wants a plan that is later than one that is surer.
            Choices =
            [
                .. choices
                    .Where(c => c == taken || !choices.Any(o => o != c && IsBetter(o.Chance, c.Chance)))
                    .OrderBy(c => c.Chance.Together)
                    .ThenBy(c => c.Chance.DoneBy),
            ],
            Took = clock.Elapsed,
        };
    }

    private static double Cost(DayStatics statics, Plan plan, double asked) =>
        new CertaintySearch(statics, new DayDraws(statics.Network, DaysOnTheWay, SeedOfSearch), asked)
            .Evaluate(DayScript.For(statics, plan), plan.Finish(statics.Network))
            .Cost;

    private static bool IsBetter(PlanChance one, PlanChance other) =>
        one.Together >= other.Together && one.DoneBy <= other.DoneBy && (one.Together > other.Together || one.DoneBy < other.DoneBy);

    private static IEnumerable<Plan> Search(
        DayStatics statics,
        Plan tightest,
        SolveSettings settings,
        double asked,
        TimeSpan time,
        int bound,
        CancellationToken cancel
    )
    {
        var network = statics.Network;
        var draws = new DayDraws(network, DaysOnTheWay, SeedOfSearch);
        var clock = Stopwatch.StartNew();
        var found = new IReadOnlyList<(Plan Plan, Score Score)>[Math.Max(1, settings.Workers)];
        var told = double.MaxValue;
        var door = new Lock();
        var starts = Starts(statics, draws, tightest, settings, asked, time, cancel);
        Parallel.For(
            0,
            found.Length,
            new ParallelOptions { MaxDegreeOfParallelism = settings.Workers },
            i =>
            {
                // Most of the time for what was asked for, and all of it until that is reached; the rest for plans on either side, to
                // choose from.
                var target = Math.Min(1, asked + Reserve);
                var main = Improve(starts[i % starts.Count], target, MainShare, i, Tell);
                if (main[0].Score.Together < asked)
                {
                    found[i] = [.. main, .. Improve(main[0].Plan, target, 1, i + found.Length, Tell)];
                    return;
                }

                var beside = Besides[i % Besides.Length];
                found[i] = [.. main, .. Improve(beside > asked ? main[0].Plan : tightest, beside, 1, i + found.Length, (_, _) => { })];
            }
        );

        IReadOnlyList<(Plan Plan, Score Score)> Improve(Plan from, double target, double until, int seed, Action<Plan, Score> tell)
        {
            var begun = clock.Elapsed / time;
            if (begun >= until)
                return [(from, default)];
            var share = time * (until - begun);
            return new CertaintySearch(statics, draws, target).Improve(
                from,
                settings.Seed + seed,
                share,
                () => cancel.IsCancellationRequested ? 0 : 1 - (((clock.Elapsed / time) - begun) / (until - begun)),
                tell
            );
        }

        return found.SelectMany(f => f).Select(f => f.Plan).Where(p => PlanChecker.Check(network, p).Count == 0);

        void Tell(Plan plan, Score score)
        {
            lock (door)
            {
                if (score.Cost >= told)
                    return;
                told = score.Cost;
            }

            var chance = new PlanChance(DaysOnTheWay, score.Together, (int)score.DoneBy, (int)score.DoneBy, []);
            if (PlanChecker.Check(network, plan).Count == 0)
                settings.OnBetter?.Invoke(
                    new BetterPlan(network, plan, plan.Finish(network), Math.Min(bound, plan.Finish(network))) { Chance = chance }
                );
        }
    }

    /// <summary>Where to begin from: the tightest plan, and the best of those made for a day on which every window gives less.</summary>
    private static List<Plan> Starts(
        DayStatics statics,
        DayDraws draws,
        Plan tightest,
        SolveSettings settings,
        double asked,
        TimeSpan time,
        CancellationToken cancel
    )
    {
        var network = statics.Network;
        var made = new Plan?[Narrower.Length];
        Parallel.For(
            0,
            made.Length,
            new ParallelOptions { MaxDegreeOfParallelism = settings.Workers },
            i =>
            {
                var narrow = Narrowed(network, Narrower[i]);
                if (FirstPlan.Find(narrow, settings.Seed) is not { } first)
                    return;
                made[i] = OrderSearch.Improve(
                    narrow,
                    first,
                    settings.Seed + i,
                    OrderSearch.Tries(narrow, time),
                    () => cancel.IsCancellationRequested
                );
            }
        );
        var other = made.OfType<Plan>()
            .Where(p => PlanChecker.Check(network, p).Count == 0)
            .MinBy(p => new CertaintySearch(statics, draws, asked).Evaluate(DayScript.For(statics, p), p.Finish(network)).Cost);
        return other is null ? [tightest] : [tightest, other];
    }

    private static TaskNetwork Narrowed(TaskNetwork network, double share) =>
        network with
        {
            Links =
            [
                .. network.Links.Select(l =>
                    l is { MaxLag: { } most, Window: WindowKind.Hard }
                        ? l with
                        {
                            MaxLag = l.MinLag + (int)Math.Round((most - l.MinLag) * share),
                        }
                        : l
                ),
            ],
        };

    /// <summary>The surest plans with a shorter presence, as the lean wants it, at no later a finish: worth a look, no more.</summary>
    private static List<Plan> Tidied(TaskNetwork network, List<Plan> pool, SolveSettings settings, TimeSpan time, CancellationToken cancel)
    {
        if (pool.Count < 2 || time < Least / 2 || cancel.IsCancellationRequested)
            return [];
        return DayPlanner.Tidy(network, pool[1], settings, time / 2, cancel) is { } tidy ? [tidy] : [];
    }

    /// <summary>The best, the soonest done, and what lies between and beyond: each surer than every one that is done sooner.</summary>
    private static List<int> Spread(List<Plan> pool, Score[] scores, int best)
    {
        var front = new List<int>();
        var surest = -1.0;
        foreach (var i in Enumerable.Range(0, pool.Count).OrderBy(i => scores[i].DoneBy).ThenByDescending(i => scores[i].Together))
        {
            if (scores[i].Together <= surest + 1e-9 && i != best)
                continue;
            surest = Math.Max(surest, scores[i].Together);
            front.Add(i);
        }

        while (front.Count > MostChoices)
        {
            // The one that differs least from its neighbour goes.
            var least = Enumerable
                .Range(1, front.Count - 2)
                .Where(k => front[k] != best)
                .MinBy(k => scores[front[k]].Together - scores[front[k - 1]].Together);
            front.RemoveAt(least);
        }

        return front;
    }
}
