using System.Diagnostics;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Checking;
using Zymethos.Planning.Compile;
using Zymethos.Planning.Day;
using Zymethos.Planning.Live;
using Zymethos.Planning.Reading;
using Zymethos.Planning.Search;
using Zymethos.Tests;

namespace Zymethos.Benchmarks;

/// <summary>Planned days on which a step under way needs ten minutes more, at five moments each, and how soon the rest of the day is
/// planned again.</summary>
internal static class LiveTable
{
    private const int Slip = 10;
    private static readonly TimeSpan Limit = TimeSpan.FromMilliseconds(800);
    private static readonly double[] Moments = [0.15, 0.3, 0.45, 0.6, 0.75];

    public static void Print(int days)
    {
        DayPlanner.Plan(RandomDays.Day(999, 4), new SolveSettings(TimeSpan.FromSeconds(2)));
        Console.WriteLine(
            "| recipes | slips | planned again | s (median / 95th percentile / worst) | later by, min (median) | steps to come that "
                + "moved, % (median) |"
        );
        Console.WriteLine("|---|---|---|---|---|---|");
        foreach (var size in new[] { 8, 12 })
        {
            var (seconds, later, moved, slips) = (new List<double>(), new List<double>(), new List<double>(), 0);
            for (var seed = 1; seed <= days; seed++)
            {
                var (kitchen, wish) = RandomDays.Asked(seed, size);
                var network = TaskCompiler.Compile(kitchen, wish).Network!;
                if (DayPlanner.Plan(network, new SolveSettings(TimeSpan.FromSeconds(3))).Plan is not { } plan)
                    continue;
                var day = PlannedDay.Of(network, plan, 0);
                var stood = network.Tasks.ToDictionary(t => t.Id, t => plan.Tasks[t.Index].Start);
                foreach (var now in Moments.Select(m => (int)(m * plan.Finish(network))))
                {
                    if (
                        network.Tasks.FirstOrDefault(t => t.IsHandsOn && plan.Tasks[t.Index].Start < now && plan.Tasks[t.Index].End >= now)
                        is not { } late
                    )
                        continue;
                    slips++;
                    var clock = Stopwatch.StartNew();
                    var rest = TaskCompiler
                        .Compile(kitchen, wish with { ByHand = LiveDay.From(day, wish.ByHand, late, Slip, now) })
                        .Network!;
                    var outcome = DayPlanner.Plan(rest, new SolveSettings(Limit) { Keep = stood });
                    seconds.Add(clock.Elapsed.TotalSeconds);
                    if (outcome.Plan is not { } again)
                        continue;
                    if (PlanChecker.Check(rest, again).Count > 0)
                        throw new InvalidOperationException("A plan made again breaks a rule.");
                    later.Add(again.Finish(rest) - plan.Finish(network));
                    var open = network.Tasks.Where(t => plan.Tasks[t.Index].Start >= now).ToList();
                    moved.Add(100.0 * open.Count(t => again.Tasks[t.Index].Start != plan.Tasks[t.Index].Start) / Math.Max(1, open.Count));
                }
            }

            Console.WriteLine(
                $"| {size} | {slips} | {later.Count} | {At(seconds, 0.5):0.00} / {At(seconds, 0.95):0.00} / {seconds.Max():0.00} | "
                    + $"{At(later, 0.5):0} | {At(moved, 0.5):0} |"
            );
        }
    }

    private static double At(List<double> values, double share)
    {
        values.Sort();
        return values[Math.Clamp((int)Math.Ceiling(share * values.Count) - 1, 0, values.Count - 1)];
    }
}
