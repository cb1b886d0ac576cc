using System.Diagnostics;
using System.Globalization;

namespace Zymethos.Benchmarks;

/// <summary>
/// How long pages take beside a bare page of the same framework with one question to the database (the letter box), asked in turns, so that
/// all of them meet the same machine: of the demo kitchen, or of many kitchens that hold what the demo kitchen holds.
/// </summary>
internal static class PagesTable
{
    private const string Bare = "/letter-box";
    private static readonly string[] Pages = ["/today", "/oven-day", "/book", "/season", "/kitchen", "/daybook", "/parcels", "/larder"];

    /// <summary>Pages of the demo kitchen.</summary>
    public static async Task PrintAsync(string address, int rounds)
    {
        var demo = new Visitor(address);
        await demo.SendAsync("/account/sign-in", "/account/demo", []);
        await MeasureAsync(_ => demo, rounds);
    }

    /// <summary>Pages of so many kitchens, each opened by a baker of its own.</summary>
    public static async Task PrintAsync(string address, int kitchens, int rounds)
    {
        var demo = new Visitor(address);
        await demo.SendAsync("/account/sign-in", "/account/demo", []);
        var archive = await demo.Client.GetByteArrayAsync("/kitchen/archive.zip");
        Console.Error.WriteLine($"Opening {kitchens} kitchens with {archive.Length / 1024} kB each ...");
        var all = new Visitor[kitchens];
        var clock = Stopwatch.StartNew();
        await Parallel.ForEachAsync(
            Enumerable.Range(0, kitchens),
            new ParallelOptions { MaxDegreeOfParallelism = 2 },
            async (i, _) =>
            {
                all[i] = await Visitor.NewAsync(address, i);
                await all[i].SendFileAsync("/kitchen/archive", "/kitchen/archive", "file", archive);
            }
        );
        Console.WriteLine(
            string.Create(CultureInfo.InvariantCulture, $"{kitchens} kitchens opened, {clock.Elapsed.TotalSeconds / kitchens:0.00} s each")
        );
        await MeasureAsync(i => all[i % kitchens], rounds);
    }

    private static async Task MeasureAsync(Func<int, Visitor> who, int rounds)
    {
        var times = Pages.Prepend(Bare).ToDictionary(p => p, _ => new List<double>());
        // Some kitchens are looked at for the first time, as in a house of many.
        for (var round = -10; round < rounds; round++)
        {
            var visitor = who(round + 10);
            foreach (var page in Pages.Prepend(Bare))
            {
                var clock = Stopwatch.StartNew();
                using var answer = await visitor.Client.GetAsync(page);
                await answer.Content.ReadAsByteArrayAsync();
                if (!answer.IsSuccessStatusCode)
                    Console.Error.WriteLine($"{page}: {answer.StatusCode}");
                if (round >= 0)
                    times[page].Add(clock.Elapsed.TotalMilliseconds);
            }
        }

        Console.WriteLine("| page | median, ms | 95th percentile, ms | against the bare page |");
        Console.WriteLine("|---|---|---|---|");
        var bare = At(times[Bare], 0.95);
        foreach (var page in Pages.Prepend(Bare))
            Console.WriteLine(
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"| {page} | {At(times[page], 0.5):0.0} | {At(times[page], 0.95):0.0} | {At(times[page], 0.95) / bare:0.0} |"
                )
            );
    }

    private static double At(List<double> values, double share) => values.Order().ElementAt((int)((values.Count - 1) * share));
}
