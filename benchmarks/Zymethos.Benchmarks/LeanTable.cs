using Zymethos.Planning.Certainty;
using Zymethos.Planning.Day;
using Zymethos.Planning.Search;
using Zymethos.Tests;

namespace Zymethos.Benchmarks;

/// <summary>Plans random days once for each lean and measures every plan by every lean's own figure, on rehearsed days.</summary>
internal static class LeanTable
{
    private const int Lived = 500;
    private const int SeedOfJudgement = 4242;

    private static readonly DayLean[] Leans = Enum.GetValues<DayLean>();

    /// <summary>Prints the table.</summary>
    /// <param name="days">How many days.</param>
    /// <param name="seconds">Seconds of search for each plan.</param>
    /// <param name="recipes">Recipes of a day.</param>
    public static void Print(int days, double seconds, int recipes)
    {
        // By day, by lean that was planned for: its figures, one for each lean.
        var figures = new double[days][][];
        for (var d = 0; d < days; d++)
        {
            // As on the page: who leans another way has the plan from before.
            var known = new List<Plan>();
            figures[d] = [.. Leans.Select(lean => Measured(d + 1, recipes, seconds, lean, known))];
            Console.Error.Write($"\rday {d + 1} of {days}   ");
        }

        Console.Error.WriteLine();
        Console.WriteLine($"{days} random days of {recipes} recipes, {seconds} s for each plan, {Lived} days lived for each figure.");
        Console.WriteLine();
        Console.WriteLine("| lean | its own figure | against \"done early\" (median) | worst day | best of all leans on |");
        Console.WriteLine("|---|---|---|---|---|");
        for (var l = 1; l < Leans.Length; l++)
        {
            var gains = figures.Select(f => (f[l][l] - f[0][l]) / Math.Max(1e-9, Math.Abs(f[0][l])) * 100).Order().ToList();
            var best = figures.Count(f => f.All(other => f[l][l] <= other[l] + 1e-9));
            Console.WriteLine(
                $"| {Leans[l]} | {Name(Leans[l])} | {Median(gains):+0.0;-0.0} % | {gains[^1]:+0.0;-0.0} % | {best} of {days} |"
            );
        }
    }

    private static double[] Measured(int seed, int recipes, double seconds, DayLean lean, List<Plan> known)
    {
        var (kitchen, wish) = RandomDays.Asked(seed, recipes, Math.Clamp(recipes * 4 / 3, 16, 24));
        var planned = SurePlanner.Plan(
            kitchen,
            wish with
            {
                Lean = lean,
            },
            new SolveSettings(TimeSpan.FromSeconds(seconds)) { Certainty = kitchen.Certainty, Also = [.. known] }
        );
        var (network, plan) = (planned.Network!, planned.Outcome!.Plan!);
        known.Add(plan);
        var statics = new DayStatics(network);
        var script = DayScript.For(statics, plan);
        var draws = new DayDraws(network, Lived, SeedOfJudgement);
        var day = new RehearsedDay(statics, new DispatchRule());
        var (stay, oven, making, bad) = (0.0, 0.0, 0.0, 0);
        var finishes = new int[Lived];
        for (var i = 0; i < Lived; i++)
        {
            day.Live(script, draws.Of(i));
            finishes[i] = day.Finish;
            stay += day.Finish - day.FirstTouch;
            oven += day.HotMinutes;
            making += day.MakingMinutes;
            bad += day.IsWell ? 0 : 1;
        }

        Array.Sort(finishes);
        return
        [
            .. Leans.Select(l =>
                l switch
                {
                    DayLean.ShortDay => stay / Lived,
                    DayLean.LessOven => oven / Lived,
                    DayLean.Fresher => making / Lived,
                    // A share of days with something amiss, one hundredth at least so that proportions mean something.
                    DayLean.Calmer => Math.Max(1, 100.0 * bad / Lived),
                    _ => finishes[(int)(Lived * 0.9)],
                }
            ),
        ];
    }

    private static string Name(DayLean lean) =>
        lean switch
        {
            DayLean.ShortDay => "minutes from the first touch to the last",
            DayLean.LessOven => "minutes from the first hot load to the last",
            DayLean.Fresher => "minutes that a bake lies in the making",
            DayLean.Calmer => "days of 100 with something amiss",
            _ => "nine-of-ten finish",
        };

    private static double Median(List<double> sorted) => (sorted[(sorted.Count - 1) / 2] + sorted[sorted.Count / 2]) / 2;
}
