using System.Diagnostics;
using Zymethos.Planning.Certainty;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Bench;

/// <summary>
/// Looks for a better order of what is still to come: whole bakes brought forward or put back, loads and pieces of work that change places,
/// each lived through the same drawn days from what has really happened (a hill climb on common random numbers). What has begun stays, and
/// no order can break a rule, since it is lived by the baker who keeps them.
/// </summary>
internal sealed class RestSearch
{
    private const int DaysOnTheWay = 48;
    private const int SeedOfSearch = 303;
    private const int FewestDays = 12;

    // What a step costs that is moved, in minutes: nobody likes a plan that is never the same.
    private const double MoveCost = 0.25;

    // So many minutes are given for a bake or a step that stays where it was.
    private const double SettleFor = 1;

    // Each costs some milliseconds.
    private const int MostSettled = 24;

    /// <summary>So many hundredths surer is worth a word, where it is less sure than was asked for.</summary>
    private const int WorthSurer = 3;

    /// <summary>So many minutes sooner are worth a word.</summary>
    public const int WorthSooner = 10;

    private static readonly int[] Shifts = [-60, -40, -25, -15, -8, 8, 15, 25, 40, 60, 90];

    private readonly DayStatics _of;
    private readonly DayFacts _facts;
    private readonly DayDraws _draws;

    public RestSearch(DayStatics statics, DayFacts facts)
    {
        (_of, _facts) = (statics, facts);
        _draws = new DayDraws(statics.Network, DaysOnTheWay, SeedOfSearch);
    }

    /// <summary>Whether another order is so much better that somebody with dough on their hands wants to hear of it.</summary>
    public static bool IsWorthIt(PlanChance stands, PlanChance other, double asked)
    {
        var surer = (int)Math.Round((other.Together - stands.Together) * 100);
        var sooner = (stands.ReadyBy ?? stands.DoneBy) - (other.ReadyBy ?? other.DoneBy);
        return (stands.Missing(asked) > 0 && surer >= WorthSurer) || (surer >= -1 && sooner >= WorthSooner);
    }

    /// <summary>The best script found; null where none is better than the one that stands.</summary>
    public DayScript? Run(RestOfDay stands, DayScript script, TimeSpan limit, CancellationToken cancel)
    {
        var clock = Stopwatch.StartNew();
        var open = Enumerable.Range(0, _of.Likely.Length).Where(t => _facts[t].Start < 0).ToArray();
        if (open.Length < 2)
            return null;
        var starts = stands.Plan.Tasks.Select(t => t.Start).ToArray();
        var workers = Math.Max(1, Environment.ProcessorCount);
        var found = new (double Cost, int[]? Starts)[workers];
        var asked = _of.Network.Kitchen.Certainty;
        Parallel.For(
            0,
            workers,
            w => found[w] = Climb(starts, open, script, asked, w, () => cancel.IsCancellationRequested || clock.Elapsed > limit)
        );
        var (least, best) = found.MinBy(f => f.Cost);
        return best is null ? null : new DayScript(_of, Settled(starts, best, open, script, asked, least), script.Oven);
    }

    // What was moved on the way and turned out not to matter goes back to its place: bakes first, then steps of those that stay moved.
    private int[] Settled(int[] first, int[] best, int[] open, DayScript script, double asked, double least)
    {
        var day = new RehearsedDay(_of, new DispatchRule());
        var finishes = new int[_draws.Days];
        var tasks = _of.Network.Tasks;
        var at = (int[])best.Clone();
        var groups = open.Where(t => best[t] != first[t])
            .GroupBy(t => tasks[t].Bake)
            .Select(g => g.ToArray())
            .Concat(open.Where(t => best[t] != first[t]).Select(t => new[] { t }))
            .Take(MostSettled);
        foreach (var group in groups)
        {
            if (group.All(t => at[t] == first[t]))
                continue;
            var back = (int[])at.Clone();
            foreach (var t in group)
                back[t] = first[t];
            var moved = open.Count(t => back[t] != first[t]);
            var cost = Cost(day, new DayScript(_of, back, script.Oven), finishes, asked, double.MaxValue) + (MoveCost * moved);
            if (cost > least + SettleFor)
                continue;
            at = back;
            least = Math.Min(least, cost);
        }

        return at;
    }

    private (double Cost, int[]? Starts) Climb(int[] first, int[] open, DayScript script, double asked, int seed, Func<bool> isOver)
    {
        var day = new RehearsedDay(_of, new DispatchRule());
        var finishes = new int[_draws.Days];
        var (at, best) = (first, default(int[]));
        var least = Cost(day, new DayScript(_of, first, script.Oven), finishes, asked, double.MaxValue);
#pragma warning disable CA5394 // A search order is no secret.
        var random = new Random(seed + 1);
        while (!isOver())
        {
            var next = Change(at, open, random);
            var moved = 0;
            foreach (var t in open)
                moved += next[t] != first[t] ? 1 : 0;
            var cost = Cost(day, new DayScript(_of, next, script.Oven), finishes, asked, least - (MoveCost * moved)) + (MoveCost * moved);
            if (cost >= least)
                continue;
            (least, at, best) = (cost, next, next);
        }
#pragma warning restore CA5394
        return (best is null ? double.MaxValue : least, best);
    }

#pragma warning disable CA5394
    private int[] Change(int[] starts, int[] open, Random random)
    {
        var next = (int[])starts.Clone();
        var task = open[random.Next(open.Length)];
        var tasks = _of.Network.Tasks;
        switch (random.Next(3))
        {
            // A bake is brought forward or put back, from one of its steps on.
            case 0:
                var shift = Shifts[random.Next(Shifts.Length)];
                foreach (var t in open)
                {
                    if (tasks[t].Bake == tasks[task].Bake && (starts[t] >= starts[task] || shift < 0))
                        next[t] = Math.Max(_facts.Now, starts[t] + shift);
                }

                break;
            // Two steps change places.
            case 1:
                var other = open[random.Next(open.Length)];
                (next[task], next[other]) = (starts[other], starts[task]);
                break;
            // A step moves by itself.
            default:
                next[task] = Math.Max(_facts.Now, starts[task] + Shifts[random.Next(Shifts.Length)]);
                break;
        }

        return next;
    }
#pragma warning restore CA5394

    private double Cost(RehearsedDay day, DayScript script, int[] finishes, double asked, double limit)
    {
        var bad = 0;
        for (var i = 0; i < _draws.Days; i++)
        {
            day.LiveOn(script, _draws.Of(i), _facts);
            finishes[i] = day.IsDone ? day.Ready : _of.Network.Horizon;
            if (!day.IsWell)
                bad++;
            if (i >= FewestDays && Penalty(bad, asked) > limit)
                return double.MaxValue;
        }

        Array.Sort(finishes);
        return finishes[(int)(0.9 * (finishes.Length - 1))] + Penalty(bad, asked);
    }

    private double Penalty(int bad, double asked) => CertaintySearch.Penalty(1 - ((double)bad / _draws.Days), asked);
}
