using System.Diagnostics;
using NodaTime;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Certainty;
using Zymethos.Planning.Checking;
using Zymethos.Planning.Compile;
using Zymethos.Planning.Day;
using Zymethos.Planning.Reading;
using Zymethos.Planning.Search;
using Zymethos.Tests;

namespace Zymethos.Benchmarks;

/// <summary>Plans random days of several sizes and prints what each took and brought, beside the hand methods in the same run.</summary>
internal static class PlanningTable
{
    private sealed record DayResult(
        int Tasks,
        double FirstMilliseconds,
        double WithinFivePercentSeconds,
        double GapPercent,
        bool Proven,
        Ratio List,
        Ratio Heat,
        double[] OverTime,
        double RehearsalMilliseconds
    );

    private const int ShortestSpan = 16;

    private const int LongestSpan = 24;
    private const int HoursForThree = 4;

    // More than this does not go into 24 hours with one pair of hands.
    private const int MostForOne = 20;

    private static readonly double[] Moments = [0.1, 0.3, 1, 2, 5];

    /// <summary>The plan's figure divided by the hand method's.</summary>
    private sealed record Ratio(double Kitchen, double Oven, double Changes);

    /// <summary>Prints the table.</summary>
    /// <param name="days">Days of each size.</param>
    /// <param name="seconds">Seconds of search each.</param>
    /// <param name="sizes">Numbers of recipes.</param>
    /// <param name="doorCosts">Whether an open door costs what else is in the oven any time.</param>
    public static void Print(int days, int seconds, int[] sizes, bool doorCosts)
    {
        var results = sizes.ToDictionary(n => n, n => new List<DayResult>());
        // One plan not counted: the solver's library is loaded and the code compiled.
        Plan(RandomDays.Day(999, 4), TimeSpan.FromSeconds(2));
        foreach (var size in sizes)
        {
            for (var seed = 1; seed <= days; seed++)
            {
                results[size].Add(Plan(Day(seed, size, doorCosts), TimeSpan.FromSeconds(seconds)));
                Console.Error.Write($"\r{size} recipes, day {seed} of {days}   ");
            }
        }

        Console.Error.WriteLine();
        Console.WriteLine(
            $"{days} random days of each size, {seconds} s of search each, {Environment.ProcessorCount} "
                + $"cores{(doorCosts ? "" : ", open doors cost nothing")}."
        );
        Console.WriteLine();
        Console.WriteLine(
            "| recipes | steps (median) | first valid plan, ms (median / worst) | within 5 % of the final finish, s (median / worst) "
                + "| gap to the proven bound, % (median / worst) | proven best |"
        );
        Console.WriteLine("|---|---|---|---|---|---|");
        foreach (var (size, d) in results)
        {
            Console.WriteLine(
                $"| {size} | {Median(d, x => x.Tasks):0} | {Median(d, x => x.FirstMilliseconds):0} / {d.Max(x => x.FirstMilliseconds):0} | "
                    + $"{Median(d, x => x.WithinFivePercentSeconds):0.0} / {d.Max(x => x.WithinFivePercentSeconds):0.0} | "
                    + $"{Median(d, x => x.GapPercent):0.0} / {d.Max(x => x.GapPercent):0.0} | {d.Count(x => x.Proven)} of {d.Count} |"
            );
        }

        Console.WriteLine();
        Console.WriteLine("How far the best finish so far lies above the final one, % (median):");
        Console.WriteLine();
        Console.WriteLine($"| recipes | {string.Join(" | ", Moments.Select(m => $"after {m} s"))} |");
        Console.WriteLine($"|---|{string.Concat(Moments.Select(_ => "---|"))}");
        foreach (var (size, d) in results)
            Console.WriteLine($"| {size} | {string.Join(" | ", Moments.Select((_, i) => $"{Median(d, x => x.OverTime[i]):0.0}"))} |");

        Console.WriteLine();
        Console.WriteLine("The plan's figures as a share of the hand method's in the same run (median / worst):");
        Console.WriteLine();
        Console.WriteLine(
            "| recipes | kitchen minutes, list order | kitchen minutes, by heat | oven minutes, list order | oven minutes, by heat | "
                + "heat changes, list order | heat changes, by heat |"
        );
        Console.WriteLine("|---|---|---|---|---|---|---|");
        foreach (var (size, d) in results)
        {
            Console.WriteLine(
                $"| {size} | {Pair(d, x => x.List.Kitchen)} | {Pair(d, x => x.Heat.Kitchen)} | {Pair(d, x => x.List.Oven)} | "
                    + $"{Pair(d, x => x.Heat.Oven)} | {Pair(d, x => x.List.Changes)} | {Pair(d, x => x.Heat.Changes)} |"
            );
        }

        Console.WriteLine();
        Console.WriteLine("A rehearsal of 1,000 days, and how many first plans could be laid in that time:");
        Console.WriteLine();
        Console.WriteLine("| recipes | ms (median / worst) | first plans |");
        Console.WriteLine("|---|---|---|");
        foreach (var (size, d) in results)
            Console.WriteLine(
                $"| {size} | {Median(d, x => x.RehearsalMilliseconds):0} / {d.Max(x => x.RehearsalMilliseconds):0} | "
                    + $"{Median(d, x => x.RehearsalMilliseconds / x.FirstMilliseconds):0} |"
            );

        Console.WriteLine();
        Console.WriteLine($"Largest memory of the process: {Process.GetCurrentProcess().PeakWorkingSet64 / 1_000_000} MB.");
    }

    private static TaskNetwork Day(int seed, int size, bool doorCosts)
    {
        var (kitchen, wish) = RandomDays.Asked(
            seed,
            size,
            Math.Clamp(size * HoursForThree / 3, ShortestSpan, LongestSpan),
            size > MostForOne ? 3 : 1
        );
        if (!doorCosts)
            kitchen = kitchen with { Oven = kitchen.Oven with { DoorDrop = 0, ColdLoad = Duration.Zero } };
        return TaskCompiler.Compile(kitchen, wish).Network ?? throw new InvalidOperationException("The day does not compile.");
    }

    private static DayResult Plan(TaskNetwork network, TimeSpan limit)
    {
        var clock = Stopwatch.StartNew();
        var first = FirstPlan.Find(network, 1);
        var firstTook = clock.Elapsed;
        if (first is null || PlanChecker.Check(network, first).Count > 0)
            throw new InvalidOperationException("The first plan breaks a rule.");
        var outcome = DayPlanner.Plan(network, new SolveSettings(limit));
        if (outcome.Plan is not { } plan || PlanChecker.Check(network, plan).Count > 0)
            throw new InvalidOperationException("The plan breaks a rule.");
        var figures = Figures.Of(network, plan);
        var near = outcome.Trail.First(p => p.Finish <= figures.FinishMinute * 1.05).After;
        clock.Restart();
        Rehearsal.Run(network, plan);
        var rehearsed = clock.Elapsed;
        return new DayResult(
            network.Tasks.Length,
            firstTook.TotalMilliseconds,
            near.TotalSeconds,
            100.0 * (figures.FinishMinute - outcome.BoundFinish) / figures.FinishMinute,
            outcome.Status == PlanStatus.Proven,
            Against(network, figures, HandMethods.ListOrder(network)),
            Against(network, figures, HandMethods.ByTemperature(network)),
            [
                .. Moments.Select(m =>
                    100.0
                    * (outcome.Trail.Last(p => p.After.TotalSeconds <= m || p == outcome.Trail[0]).Finish - figures.FinishMinute)
                    / figures.FinishMinute
                ),
            ],
            rehearsed.TotalMilliseconds
        );
    }

    private static Ratio Against(TaskNetwork network, Figures own, int[] order)
    {
        var hand = Figures.Of(network, HandMethods.Build(network, order)!);
        return new Ratio(
            (double)own.KitchenMinutes / hand.KitchenMinutes,
            (double)own.OvenOnMinutes / hand.OvenOnMinutes,
            (double)own.TemperatureChanges / Math.Max(1, hand.TemperatureChanges)
        );
    }

    private static string Pair(List<DayResult> days, Func<DayResult, double> value) =>
        $"{Median(days, value):0.00} / {days.Max(value):0.00}";

    private static double Median(List<DayResult> days, Func<DayResult, double> value)
    {
        var sorted = days.Select(value).Order().ToList();
        return (sorted[(sorted.Count - 1) / 2] + sorted[sorted.Count / 2]) / 2;
    }
}
