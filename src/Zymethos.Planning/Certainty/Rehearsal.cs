using System.Collections.Immutable;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Certainty;

/// <summary>A step that is worth a head start.</summary>
/// <param name="Task">Index of the step.</param>
/// <param name="Minutes">What to plan for it instead of its usual time.</param>
/// <param name="Worth">How many minutes of lateness at the end of the day it is behind, on an average day.</param>
public sealed record HeadStart(int Task, int Minutes, double Worth);

/// <summary>A window in which rehearsed days break.</summary>
/// <param name="Link">The link whose window was missed; null where a bake stayed in too long because nobody was free to take it
/// out.</param>
/// <param name="Task">Index of the step that came too late: the one after the window, or the bake.</param>
/// <param name="Share">Share of the days on which it was, 0 to 1.</param>
public sealed record Breakage(TaskLink? Link, int Task, double Share);

/// <summary>A day rehearsed many times.</summary>
/// <param name="Days">How many times.</param>
/// <param name="Together">Share of the days on which everything was well: no hard window missed, no bake left in, nothing late; counted on
/// the same days, 0 to 1.</param>
/// <param name="Needs">The chance of each bake.</param>
/// <param name="Finishes">Finishing minutes, sorted.</param>
/// <param name="Breaks">Where days break, the most frequent first; empty when none does.</param>
/// <param name="HeadStarts">The three steps most worth a head start; fewer when nothing helps.</param>
public sealed record RehearsalResult(
    int Days,
    double Together,
    ImmutableArray<NeedChance> Needs,
    ImmutableArray<int> Finishes,
    ImmutableArray<Breakage> Breaks,
    ImmutableArray<HeadStart> HeadStarts
)
{
    /// <summary>Minutes at which all that was promised was ready, waits that follow the last work included, sorted.</summary>
    public ImmutableArray<int> Readies { get; init; } = [];

    /// <summary>The result in short.</summary>
    public PlanChance Chance =>
        new(Days, Together, LikelyDone, DoneBy, Needs)
        {
            ReadyBy = Readies.IsEmpty ? null : At(Readies, 0.9),
            LikelyReady = Readies.IsEmpty ? null : At(Readies, 0.5),
        };

    /// <summary>The minute by which nine of ten days are done.</summary>
    public int DoneBy => FinishAt(0.9);

    /// <summary>The minute by which half of the days are done.</summary>
    public int LikelyDone => FinishAt(0.5);

    /// <summary>The finish that so large a share of the days kept.</summary>
    /// <param name="share">0 to 1.</param>
    public int FinishAt(double share) => At(Finishes, share);

    private static int At(ImmutableArray<int> sorted, double share) =>
        sorted[Math.Clamp((int)Math.Ceiling(share * sorted.Length) - 1, 0, sorted.Length - 1)];
}

/// <summary>
/// Lives a plan many times (<see cref="RehearsedDay"/>), on days drawn by <see cref="DayDraws"/>, with a sensible baker
/// (<see cref="DispatchRule"/>). Seeded: the same plan and seed give the same days.
/// </summary>
public static class Rehearsal
{
    /// <summary>Rehearses.</summary>
    /// <param name="network">The day.</param>
    /// <param name="plan">A plan that passes the checker.</param>
    /// <param name="days">How many times, at least 1.</param>
    /// <param name="seed">Seed of the draws.</param>
    public static RehearsalResult Run(TaskNetwork network, Plan plan, int days = 1000, int seed = 1)
    {
        var statics = new DayStatics(network);
        return Run(statics, DayScript.For(statics, plan), new DayDraws(network, days, seed));
    }

    internal static RehearsalResult Run(
        DayStatics statics,
        DayScript script,
        DayDraws draws,
        DispatchRule? rule = null,
        DayFacts? facts = null
    )
    {
        var network = statics.Network;
        var day = new RehearsedDay(statics, rule ?? new DispatchRule());
        var (finishes, readies) = (new int[draws.Days], new int[draws.Days]);
        var (ready, unspoilt) = (new int[network.Bakes.Length], new int[network.Bakes.Length]);
        var missed = new int[network.Links.Length];
        var overbaked = new int[network.Tasks.Length];
        var sums = new Sums(network.Tasks.Length);
        var well = 0;
        for (var i = 0; i < draws.Days; i++)
        {
            if (facts is null)
                day.Live(script, draws.Of(i));
            else
                day.LiveOn(script, draws.Of(i), facts);
            // A day that cannot go on (an order that contradicts itself) is not well, and lasts as long as the day may.
            finishes[i] = day.IsDone ? day.Finish : network.Horizon;
            readies[i] = day.IsDone ? day.Ready : network.Horizon;
            if (day.IsWell)
                well++;
            for (var b = 0; b < ready.Length; b++)
            {
                if (!day.IsLate[b])
                    ready[b]++;
                if (!day.IsSpoilt[b])
                    unspoilt[b]++;
            }

            foreach (var link in day.MissedLinks)
                missed[link]++;
            if (day.Overbaked >= 0)
                overbaked[day.Overbaked]++;
            sums.Add(day.Drawn, finishes[i]);
        }

        var heads = sums.HeadStarts(network, draws.Days);
        Array.Sort(finishes);
        Array.Sort(readies);
        return new RehearsalResult(
            draws.Days,
            (double)well / draws.Days,
            [.. network.Bakes.Select((_, b) => new NeedChance(b, (double)ready[b] / draws.Days, (double)unspoilt[b] / draws.Days))],
            [.. finishes],
            [
                .. network
                    .Links.Select((l, i) => new Breakage(l, l.To, (double)missed[i] / draws.Days))
                    .Concat(network.Tasks.Select(t => new Breakage(null, t.Index, (double)overbaked[t.Index] / draws.Days)))
                    .Where(b => b.Share > 0)
                    .OrderByDescending(b => b.Share),
            ],
            heads
        )
        {
            Readies = [.. readies],
        };
    }

    /// <summary>How each step's time goes with the day's finish: sums for a regression of one on the other.</summary>
    private sealed class Sums(int tasks)
    {
        private readonly double[] _x = new double[tasks];
        private readonly double[] _xx = new double[tasks];
        private readonly double[] _xy = new double[tasks];
        private double _y;

        public void Add(IReadOnlyList<int> length, int finish)
        {
            _y += finish;
            for (var t = 0; t < length.Count; t++)
            {
                _x[t] += length[t];
                _xx[t] += (double)length[t] * length[t];
                _xy[t] += (double)length[t] * finish;
            }
        }

        public ImmutableArray<HeadStart> HeadStarts(TaskNetwork network, int days) =>
            [
                .. network
                    .Tasks.Where(t => t.High > t.Likely)
                    .Select(t =>
                    {
                        var variance = _xx[t.Index] - (_x[t.Index] * _x[t.Index] / days);
                        var slope = variance <= 0 ? 0 : (_xy[t.Index] - (_x[t.Index] * _y / days)) / variance;
                        // What the finish owes to this step lying above its usual time on an average day, and to its spread on a bad one.
                        var spread = Math.Sqrt(Math.Max(0, variance / days));
                        return new HeadStart(
                            t.Index,
                            t.Likely + Math.Max(1, (int)Math.Round(0.7 * (t.High - t.Likely))),
                            slope * (Math.Max(0, (_x[t.Index] / days) - t.Likely) + spread)
                        );
                    })
                    .Where(h => h.Worth >= 0.5)
                    .OrderByDescending(h => h.Worth)
                    .ThenBy(h => h.Task)
                    .Take(3),
            ];
    }
}
