using System.Diagnostics;
using Zymethos.Core.Heat;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Scaling;
using Zymethos.Interchange.Demo;
using Zymethos.Interchange.Documents;
using Zymethos.Interchange.Texts;

namespace Zymethos.Benchmarks;

/// <summary>What reading lines and scaling the Book cost: time and memory an item, and how much that is of reading a line's text
/// alone.</summary>
internal static class BookTable
{
    private sealed record Cost(string What, int Items, double Microseconds, double Kilobytes);

    public static void Print(int lines)
    {
        var recipes = DemoKitchen.Recipes().Select(r => new DocumentReader().Read(r, "recipe")).ToList();
        var written = recipes.SelectMany(r => r.Parts).SelectMany(p => p.Lines).Select(Written).ToList();
        var many = Enumerable.Range(0, lines).Select(i => written[i % written.Count]).ToList();
        var kitchen = Kitchen.Ordinary("Bench");
        var known = IngredientKnowledge.Shipped;
        var pans = kitchen.Cupboard.Select(p => p.Pan).ToList();
        var texts = Texts();
        var factors = new[] { 0.5, 1, 2, 3.5, 6 };
        var costs = new List<Cost>
        {
            Measure("copy a line's text", many.Count, () => many.Sum(l => l.ToLowerInvariant().Split(' ').Length)),
            Measure("read and weigh a line", many.Count, () => many.Count(l => LineReader.Read(l, known).Weight is not null)),
            Measure("read a whole recipe", texts.Count, () => texts.Sum(t => PageReader.Read(t, known, pans).Drafts.Count)),
            Measure(
                "read again what a recipe contains",
                recipes.Count,
                () => recipes.Sum(r => AllergenStatement.Of(r, known).Contains.Length)
            ),
            Measure(
                "scale a recipe, with pans, mixes, packages and percentages",
                recipes.Count * factors.Length,
                () => recipes.Sum(r => factors.Count(f => ScaleSheet.Of(r, f, kitchen, known).Scaled.Pieces > 0))
            ),
            Measure(
                "carry a bake time over to every pan",
                recipes.Count,
                () => recipes.Sum(r => kitchen.Cupboard.Count(p => PanPlan.For(r, 1, p.Pan) is not null))
            ),
            Measure(
                "write and read a recipe as a document",
                recipes.Count,
                () => recipes.Count(r => new DocumentReader().Read(DocumentWriter.Write(r), "recipe").Steps.Length > 0)
            ),
        };
        Console.WriteLine($"{lines} lines, {recipes.Count} recipes; the median of nine rounds.");
        Console.WriteLine();
        Console.WriteLine("| what | items | microseconds each | kB each | times a line's copy |");
        Console.WriteLine("|---|---|---|---|---|");
        foreach (var cost in costs)
            Console.WriteLine(
                $"| {cost.What} | {cost.Items} | {cost.Microseconds:0.0} | {cost.Kilobytes:0.0} | "
                    + $"{cost.Microseconds / costs[0].Microseconds:0} |"
            );
        Console.WriteLine();
        Console.WriteLine($"Largest memory of the process: {Process.GetCurrentProcess().PeakWorkingSet64 / 1_000_000} MB.");
    }

    /// <summary>The recipes of the corpus, as they would be pasted.</summary>
    private static List<string> Texts()
    {
        var here = typeof(BookTable).Assembly;
        return
        [
            .. here.GetManifestResourceNames()
                .Where(n => n.EndsWith(".txt", StringComparison.Ordinal))
                .Select(n =>
                {
                    using var reader = new StreamReader(here.GetManifestResourceStream(n)!);
                    return reader.ReadToEnd();
                }),
        ];
    }

    private static Cost Measure(string what, int items, Func<int> work)
    {
        work();
        var rounds = new List<(double Time, double Memory)>();
        for (var i = 0; i < 9; i++)
        {
            var before = GC.GetAllocatedBytesForCurrentThread();
            var clock = Stopwatch.StartNew();
            if (work() == 0)
                throw new InvalidOperationException($"{what}: nothing came of it.");
            rounds.Add((clock.Elapsed.TotalMicroseconds, GC.GetAllocatedBytesForCurrentThread() - before));
        }

        return new Cost(
            what,
            items,
            rounds.Select(r => r.Time).Order().ElementAt(4) / items,
            rounds.Select(r => r.Memory).Order().ElementAt(4) / 1000 / items
        );
    }

    private static string Written(IngredientLine line) =>
        line.Written.Length > 0
            ? line.Written
            : $"{line.Amount?.ToText()} {line.Ingredient}{(line.Form.Length > 0 ? $", {line.Form}" : "")}".Trim();
}
