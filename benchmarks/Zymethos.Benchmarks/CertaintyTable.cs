using System.Diagnostics;
using Zymethos.Planning.Certainty;
using Zymethos.Planning.Checking;
using Zymethos.Planning.Day;
using Zymethos.Planning.Search;
using Zymethos.Tests;

namespace Zymethos.Benchmarks;

/// <summary>Plans random days for certainty and lives every plan through a thousand days that nothing was chosen by.</summary>
internal static class CertaintyTable
{
    private const int SeedOfJudgement = 4242;
    private const int Days = 1000;

    private sealed record Judged(
        int Seed,
        double Together,
        int DoneBy,
        double OfList,
        int ListDoneBy,
        int TightDoneBy,
        double Tight,
        string Worst
    );

    /// <summary>Prints the table.</summary>
    /// <param name="days">Days of each size.</param>
    /// <param name="seconds">Seconds of search each.</param>
    /// <param name="sizes">Numbers of recipes.</param>
    /// <param name="people">Pairs of hands.</param>
    public static void Print(int days, int seconds, int[] sizes, int people)
    {
        Console.WriteLine(
            $"{days} random days of each size, {seconds} s of search each, {Environment.ProcessorCount} cores, {people} pair(s) of hands; "
                + $"{Days} days with shared causes, drawn anew, for every score."
        );
        Console.WriteLine();
        Console.WriteLine(
            "| recipes | well together (median / worst) | nine-of-ten finish against list order (median / worst) "
                + "| against the tightest plan's own (median) | list order together (median) | tightest together (median / worst) |"
        );
        Console.WriteLine("|---|---|---|---|---|---|");
        foreach (var size in sizes)
        {
            var judged = new List<Judged>();
            for (var seed = 1; seed <= days; seed++)
            {
                judged.Add(Judge(seed, size, seconds, people));
                Console.Error.Write($"\r{size} recipes, day {seed} of {days}   ");
            }

            Console.Error.WriteLine();
            Console.WriteLine(
                $"| {size} | {Median(judged, j => j.Together):0.000} / {judged.Min(j => j.Together):0.000} | "
                    + $"{Median(judged, Gain) * 100:0.0} % / {judged.Max(Gain) * 100:0.0} % | "
                    + $"{Median(judged, j => (100.0 * j.DoneBy / j.TightDoneBy) - 100):+0.0;-0.0} % | "
                    + $"{Median(judged, j => j.OfList):0.00} | "
                    + $"{Median(judged, j => j.Tight):0.00} / {judged.Min(j => j.Tight):0.00} |"
            );
            foreach (var j in judged.Where(j => j.Together < 0.85 || Gain(j) > -0.12).OrderBy(j => j.Together))
                Console.Error.WriteLine(
                    $"{size} recipes, day {j.Seed}: {j.Together:0.00}, {Gain(j) * 100:0.0} %, list order {j.OfList:0.00}; {j.Worst}"
                );
        }

        Console.WriteLine();
        Console.WriteLine($"Largest memory of the process: {Process.GetCurrentProcess().PeakWorkingSet64 / 1_000_000} MB.");
    }

    private static double Gain(Judged day) => ((double)day.DoneBy / day.ListDoneBy) - 1;

    private static Judged Judge(int seed, int size, int seconds, int people)
    {
        var (kitchen, wish) = RandomDays.Asked(seed, size, Math.Clamp(size * 4 / 3, 16, 24), people);
        var moded = SurePlanner.Plan(kitchen, wish, new SolveSettings(TimeSpan.FromSeconds(seconds)) { Certainty = kitchen.Certainty });
        var (network, outcome) = (moded.Network!, moded.Outcome!);
        if (outcome.Plan is not { } plan || PlanChecker.Check(network, plan).Count > 0)
            throw new InvalidOperationException("The plan breaks a rule.");
        var list = Rehearsal.Run(network, HandMethods.Build(network, HandMethods.ListOrder(network))!, Days, SeedOfJudgement);
        var own = Rehearsal.Run(network, plan, Days, SeedOfJudgement);
        var tight = Rehearsal.Run(network, outcome.Choices.Select(c => c.Plan).MinBy(p => p.Finish(network))!, Days, SeedOfJudgement);
        var worst = own.Breaks.FirstOrDefault() is { } b
            ? $"\"{network.Tasks[b.Task].Title}\" "
                + $"{(b.Link is null ? "stays in" : $"after \"{network.Tasks[b.Link.From].Title}\"")} {b.Share:0.00}"
            : "";
        return new Judged(seed, own.Together, own.DoneBy, list.Together, list.DoneBy, tight.DoneBy, tight.Together, worst);
    }

    private static double Median(List<Judged> days, Func<Judged, double> value)
    {
        var sorted = days.Select(value).Order().ToList();
        return (sorted[(sorted.Count - 1) / 2] + sorted[sorted.Count / 2]) / 2;
    }
}
