using System.Diagnostics;
using Zymethos.Planning.Bench;
using Zymethos.Planning.Day;
using Zymethos.Planning.Search;
using Zymethos.Tests;

namespace Zymethos.Benchmarks;

/// <summary>Planned days at work on which a step under way needs twenty minutes more, at five moments each: how soon it is said how the day
/// goes on, and what looking for another order brings.</summary>
internal static class BenchTable
{
    private const int Slip = 20;
    private static readonly TimeSpan Limit = TimeSpan.FromMilliseconds(600);
    private static readonly double[] Moments = [0.15, 0.3, 0.45, 0.6, 0.75];

    public static void Print(int days)
    {
        Console.WriteLine(
            "| recipes | slips | the rest said, ms (median / 95th percentile) | another order looked for, s (median / 95th) | "
                + "offered | chance before and after, where offered (mean) | sooner by, min (mean) | "
                + "steps moved by more than 10 min, % (median) |"
        );
        Console.WriteLine("|---|---|---|---|---|---|---|---|");
        foreach (var size in new[] { 8, 12 })
        {
            var (look, whole, before, after, sooner, moved) = (
                new List<double>(),
                new List<double>(),
                new List<double>(),
                new List<double>(),
                new List<double>(),
                new List<double>()
            );
            for (var seed = 1; seed <= days; seed++)
            {
                var network = RandomDays.Day(seed, size);
                if (DayPlanner.Plan(network, new SolveSettings(TimeSpan.FromSeconds(3))).Plan is not { } plan)
                    continue;
                var bench = new BenchDay(network, plan);
                foreach (var now in Moments.Select(m => (int)(m * plan.Finish(network))))
                {
                    if (
                        network.Tasks.FirstOrDefault(t => t.IsHandsOn && plan.Tasks[t.Index].Start < now && plan.Tasks[t.Index].End >= now)
                        is not { } late
                    )
                        continue;
                    var state = BenchState.From(Told(network, bench.Clock, plan, now, late));
                    var at = bench.Clock.At(now);
                    var clock = Stopwatch.StartNew();
                    var stands = bench.Look(state, at);
                    look.Add(clock.Elapsed.TotalMilliseconds);
                    clock.Restart();
                    var (_, other) = bench.Weigh(state, at, Limit);
                    whole.Add(clock.Elapsed.TotalSeconds);
                    if (other is null)
                        continue;
                    before.Add(stands.Chance.Together);
                    after.Add(other.Chance.Together);
                    sooner.Add((stands.Chance.ReadyBy ?? 0) - (other.Chance.ReadyBy ?? 0));
                    moved.Add(
                        100.0
                            * other.Moved.Count(m => Math.Abs(m.To - m.From) > 10)
                            / Math.Max(1, network.Tasks.Count(t => stands.Begun[t.Index] < 0))
                    );
                }
            }

            Console.WriteLine(
                $"| {size} | {look.Count} | {At(look, 0.5):0} / {At(look, 0.95):0} | {At(whole, 0.5):0.00} / {At(whole, 0.95):0.00} | "
                    + (
                        moved.Count == 0
                            ? "0 | | | |"
                            : $"{moved.Count} | {before.Average():0.00} / {after.Average():0.00} | "
                                + $"{sooner.Average():0} | {At(moved, 0.5):0} |"
                    )
            );
        }
    }

    private static IEnumerable<BenchEvent> Told(TaskNetwork network, DayMinutes clock, Plan plan, int now, PlanTask late)
    {
        foreach (var task in network.Tasks)
        {
            var planned = plan.Tasks[task.Index];
            if (planned.Start < now)
                yield return new BenchEvent(Guid.NewGuid(), BenchKind.Started, task.Id, clock.At(planned.Start), "", "");
            if (planned.End < now)
                yield return new BenchEvent(Guid.NewGuid(), BenchKind.Done, task.Id, clock.At(planned.End), "", "");
        }

        yield return new BenchEvent(Guid.NewGuid(), BenchKind.NeedsMore, late.Id, clock.At(now), "", "") { Minutes = Slip };
    }

    private static double At(List<double> values, double share)
    {
        values.Sort();
        return values[Math.Clamp((int)Math.Ceiling(share * values.Count) - 1, 0, values.Count - 1)];
    }
}
