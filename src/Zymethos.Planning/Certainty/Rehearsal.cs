using System.Collections.Immutable;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Day;
using Zymethos.Planning.Rules;
using Zymethos.Planning.Search;

namespace Zymethos.Planning.Certainty;

/// <summary>The chance that a need is met.</summary>
/// <param name="Bake">Index of the bake.</param>
/// <param name="Ready">Share of the days on which it was ready by its hour, 0 to 1; 1 when it has none.</param>
/// <param name="Unspoilt">Share of the days on which no hard window of it was missed by more than a moment.</param>
public sealed record NeedChance(int Bake, double Ready, double Unspoilt);

/// <summary>A step that is worth a head start.</summary>
/// <param name="Task">Index of the step.</param>
/// <param name="Minutes">What to plan for it instead of its usual time.</param>
/// <param name="Worth">How many minutes of lateness at the end of the day it is behind, on an average day.</param>
public sealed record HeadStart(int Task, int Minutes, double Worth);

/// <summary>A day rehearsed many times.</summary>
/// <param name="Days">How many times.</param>
/// <param name="Needs">The chance of each bake.</param>
/// <param name="Finishes">Finishing minutes, sorted.</param>
/// <param name="HeadStarts">The three steps most worth a head start; fewer when nothing helps.</param>
public sealed record RehearsalResult(
    int Days,
    ImmutableArray<NeedChance> Needs,
    ImmutableArray<int> Finishes,
    ImmutableArray<HeadStart> HeadStarts
)
{
    /// <summary>The finish that so large a share of the days kept.</summary>
    /// <param name="share">0 to 1.</param>
    public int FinishAt(double share) => Finishes[Math.Clamp((int)Math.Ceiling(share * Finishes.Length) - 1, 0, Finishes.Length - 1)];
}

/// <summary>
/// Lives a plan many times with times drawn between each step's shortest, usual and longest (triangular distribution, inverse transform).
/// The baker is sensible: keeps to the plan's order and to its hours, begins nothing before its hour, and begins late what cannot begin in
/// time; hands, mixer, pans and oven are waited for; and work is not begun when what must follow it at once cannot. Seeded: the same plan
/// and seed give the same days.
/// </summary>
public static class Rehearsal
{
    // Missing a window by this much is within what a sensible baker makes up by a cooler corner or a wet towel (common practice, no
    // source).
    private const int Forgiven = 3;

    // How often postponed work is laid again.
    private const int Passes = 4;

    /// <summary>Rehearses.</summary>
    /// <param name="network">The day.</param>
    /// <param name="plan">A plan that passes the checker.</param>
    /// <param name="days">How many times, at least 1.</param>
    /// <param name="seed">Seed of the draws.</param>
    public static RehearsalResult Run(TaskNetwork network, Plan plan, int days = 1000, int seed = 1)
    {
        var graph = new PlanGraph(network, plan);
        var order = network.Tasks.Select(t => t.Index).OrderBy(i => plan.Tasks[i].Start).ThenBy(i => plan.Tasks[i].End).ToArray();
        var place = new int[order.Length];
        for (var i = 0; i < order.Length; i++)
            place[order[i]] = i;
        // Ties that look back along the order; windows are watched, not obeyed.
        var ties = network
            .Tasks.Select(t =>
                graph
                    .Ties.Where(a =>
                        a.To == t.Index
                        && a.Kind is not (TieKind.Window or TieKind.Together or TieKind.Door)
                        && place[a.From] < place[t.Index]
                    )
                    .Select(a => (a.From, a.Lag, Moves: DoorSettling.MovesWithEnd(network, plan, a)))
                    .ToArray()
            )
            .ToArray();
        // What the open door or the hour adds to a step it adds on every day.
        var planned = plan.Tasks.Select(t => t.End - t.Start).ToArray();
        var windows = network.Links.Where(l => l is { MaxLag: not null, Window: WindowKind.Hard }).ToArray();
        var n = network.Tasks.Length;
        var (start, length, floor) = (new int[n], new int[n], new int[n]);
        var finishes = new int[days];
        var (ready, unspoilt) = (new int[network.Bakes.Length], new int[network.Bakes.Length]);
        var sums = new Sums(n);
#pragma warning disable CA5394 // A rehearsal is no secret.
        var random = new Random(seed);
        for (var day = 0; day < days; day++)
        {
            foreach (var t in order)
            {
                length[t] = Draw(network.Tasks[t], random.NextDouble()) + planned[t] - network.Tasks[t].Likely;
                floor[t] = plan.Tasks[t].Start;
            }
#pragma warning restore CA5394

            for (var pass = 0; pass < Passes; pass++)
            {
                foreach (var t in order)
                {
                    var at = floor[t];
                    foreach (var (from, lag, moves) in ties[t])
                        at = Math.Max(at, start[from] + lag + (moves ? length[from] - planned[from] : 0));
                    start[t] = at;
                }

                if (!Postpone(network, windows, start, length, floor))
                    break;
            }

            finishes[day] = network.Tasks.Where(t => t.NeedsPresence).Select(t => start[t.Index] + length[t.Index]).DefaultIfEmpty(0).Max();
            Count(network, start, length, windows, ready, unspoilt);
            sums.Add(length, finishes[day]);
        }

        var heads = sums.HeadStarts(network, days);
        Array.Sort(finishes);
        return new RehearsalResult(
            days,
            [.. network.Bakes.Select((_, b) => new NeedChance(b, (double)ready[b] / days, (double)unspoilt[b] / days))],
            [.. finishes],
            heads
        );
    }

    /// <summary>
    /// Who sees that what must follow at once cannot does not begin yet: work whose window would close is begun later. A rise or a bake
    /// cannot be held back so.
    /// </summary>
    private static bool Postpone(TaskNetwork network, TaskLink[] windows, int[] start, int[] length, int[] floor)
    {
        var moved = false;
        foreach (var window in windows)
        {
            if (!network.Tasks[window.From].IsHandsOn)
                continue;
            var latest = start[window.To] - window.MaxLag!.Value - length[window.From];
            if (latest <= start[window.From])
                continue;
            floor[window.From] = latest;
            moved = true;
        }

        return moved;
    }

    /// <summary>A time between the shortest and the longest with its peak at the usual one.</summary>
    private static int Draw(PlanTask task, double u)
    {
        double low = Math.Min(task.Low, task.Likely),
            mode = task.Likely,
            high = Math.Max(task.High, task.Likely);
        if (high <= low)
            return task.Likely;
        var split = (mode - low) / (high - low);
        var value = u < split ? low + Math.Sqrt(u * (high - low) * (mode - low)) : high - Math.Sqrt((1 - u) * (high - low) * (high - mode));
        return Math.Max(1, (int)Math.Round(value));
    }

    private static void Count(TaskNetwork network, int[] start, int[] length, TaskLink[] windows, int[] ready, int[] unspoilt)
    {
        Span<bool> late = stackalloc bool[network.Bakes.Length];
        Span<bool> spoilt = stackalloc bool[network.Bakes.Length];
        foreach (var task in network.Tasks)
        {
            if (network.Bakes[task.Bake].ReadyBy is { } by && start[task.Index] + length[task.Index] > by)
                late[task.Bake] = true;
        }

        foreach (var window in windows)
        {
            if (start[window.To] - start[window.From] - length[window.From] > window.MaxLag + Forgiven)
                spoilt[network.Tasks[window.To].Bake] = true;
        }

        for (var b = 0; b < network.Bakes.Length; b++)
        {
            if (!late[b])
                ready[b]++;
            if (!spoilt[b])
                unspoilt[b]++;
        }
    }

    /// <summary>How each step's time goes with the day's finish: sums for a regression of one on the other.</summary>
    private sealed class Sums(int tasks)
    {
        private readonly double[] _x = new double[tasks];
        private readonly double[] _xx = new double[tasks];
        private readonly double[] _xy = new double[tasks];
        private double _y;

        public void Add(int[] length, int finish)
        {
            _y += finish;
            for (var t = 0; t < length.Length; t++)
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
