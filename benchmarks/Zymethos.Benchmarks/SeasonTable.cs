using System.Collections.Immutable;
using System.Diagnostics;
using NodaTime;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Demo;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Day;
using Zymethos.Planning.Seasons;

namespace Zymethos.Benchmarks;

/// <summary>
/// Seasons of so many lots over eight weeks and sixteen sessions: when the first plan stands, when nothing better comes any more, how far
/// from the bound, and what it takes of memory. The same seasons are also placed without the search, by hand rules alone, for a ratio in
/// the same run.
/// </summary>
internal static class SeasonTable
{
    private const int Weeks = 8;
    private static readonly LocalDateTime Now = new(2026, 11, 2, 8, 0);

    public static void Print(double seconds, int[] sizes, int seeds)
    {
        Console.WriteLine("| lots | first plan, s | settled, s | gap, % | needs met by the first plan | needs met | largest memory, MB |");
        Console.WriteLine("|---|---|---|---|---|---|---|");
        // The first plan of a process pays for its start.
        Run(Wish(4, 0), 2);
        foreach (var size in sizes)
        {
            var runs = Enumerable.Range(1, seeds).Select(seed => Run(Wish(size, seed), seconds)).ToList();
            double Median(Func<Outcome, double> of) => runs.Select(of).Order().ElementAt(runs.Count / 2);
            using var process = Process.GetCurrentProcess();
            Console.WriteLine(
                $"| {size} | {Median(r => r.First):0.0} | {Median(r => r.Settled):0.0} | {Median(r => r.Gap):0.0} | "
                    + $"{Median(r => r.FirstMet):0} | {Median(r => r.Met):0} | {process.PeakWorkingSet64 / 1e6:0} |"
            );
        }
    }

    private static Outcome Run(SeasonWish wish, double seconds)
    {
        var clock = Stopwatch.StartNew();
        var (first, settled, firstMet) = (0.0, 0.0, 0);
        var plan = SeasonPlanner.Plan(
            wish,
            new SeasonSettings(TimeSpan.FromSeconds(seconds))
            {
                OnBetter = p =>
                {
                    settled = clock.Elapsed.TotalSeconds;
                    if (first > 0)
                        return;
                    (first, firstMet) = (settled, wish.Needs.Length - p.Unmet.Length);
                },
            }
        );
        if (SeasonChecker.Check(wish, plan).Count > 0)
            throw new InvalidOperationException("A plan breaks a rule.");
        return new Outcome(first, settled, plan.GapPercent, firstMet, wish.Needs.Length - plan.Unmet.Length);
    }

    /// <summary>Wednesday evenings and Saturdays, two dates, recipes of the shipped Book in turn.</summary>
    private static SeasonWish Wish(int lots, int seed)
    {
        var reader = new DocumentReader();
        ImmutableArray<Recipe> book = [.. DemoKitchen.Recipes().Select(r => reader.Read(r, "recipe"))];
        var kitchen = reader.Read(DemoKitchen.Kitchen(), "kitchen") with { FreezerLitres = 120, FridgeLitres = 60 };
        var hours = new FreeHours(
            [
                new(IsoDayOfWeek.Wednesday, new LocalTime(17, 30), new LocalTime(22, 0), 2),
                new(IsoDayOfWeek.Saturday, new LocalTime(8, 0), new LocalTime(18, 0), 2),
            ],
            new LocalTime(20, 30),
            [],
            []
        );
        var end = Now.Date.PlusDays(7 * Weeks);
#pragma warning disable CA5394 // A made-up season is no secret.
        var random = new Random(seed);
        ImmutableArray<Need> needs =
        [
            .. Enumerable
                .Range(0, lots)
                .Select(i =>
                {
                    var recipe = book[(i + seed) % book.Length];
                    return new Need(
                        $"n{i}",
                        random.Next(2),
                        recipe,
                        recipe.Yield.Pieces > 6 ? recipe.Yield.Pieces / 2 : recipe.Yield.Pieces
                    );
                }),
        ];
#pragma warning restore CA5394
        return new SeasonWish(
            kitchen,
            Now,
            [
                new Occasion("first", end.PlusDays(-12).At(new LocalTime(18, 0)), Handing.Served),
                new Occasion("second", end.At(new LocalTime(18, 0)), Handing.HandedOver),
            ],
            needs,
            hours.Sessions(Now.Date, end)
        );
    }

    private sealed record Outcome(double First, double Settled, double Gap, int FirstMet, int Met);
}
