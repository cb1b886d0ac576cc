using System.Globalization;
using Xunit.Abstractions;

namespace Zymethos.Interchange.Tests.Corpus;

/// <summary>
/// Whole recipes of our own writing, in the ways people write them, pasted as they are. The expectations were written from the texts before
/// the reader was made and are not changed to suit it; what a wrong expectation was corrected to is told in the history.
/// </summary>
public sealed class CorpusTests(ITestOutputHelper output)
{
    private static readonly string[] Stated = ["contains", "unknown", "maycontain"];

    [Fact]
    public void Recipes_come_in_as_a_baker_would_read_them() => Score("Corpus", CorpusRecipe.All, 80, 0.85);

    public static TheoryData<string> Rounds => [.. CorpusRecipe.Rounds];

    [Theory]
    [MemberData(nameof(Rounds))]
    public void Recipes_that_it_was_not_tuned_on_come_in_too(string round) => Score($"{round} corpus", CorpusRecipe.Round(round), 20, 0.80);

    private void Score(string name, IReadOnlyList<CorpusRecipe> recipes, int least, double wholeWanted)
    {
        int lines = 0,
            linesRight = 0,
            facts = 0,
            factsRight = 0,
            whole = 0,
            safe = 0,
            dropping = 0;
        var report = new List<string>();
        var told = new List<string>();
        foreach (var recipe in recipes)
        {
            var reading = new CorpusReading(recipe.Text);
            var failed = recipe.Expected.Where(e => !reading.Holds(e)).ToList();
            var wanted = recipe.Expected.Count(IsLine);
            if (reading.Lines != wanted)
                failed.Add($"lines: {reading.Lines} instead of {wanted}");
            var dropped =
                recipe.Text.StartsWith("<html", StringComparison.Ordinal)
                || recipe.Text.StartsWith("<!doctype", StringComparison.OrdinalIgnoreCase)
                    ? []
                    : reading.Dropped(recipe.Text);
            lines += wanted;
            linesRight += wanted - failed.Count(IsLine);
            facts += recipe.Expected.Count - wanted;
            factsRight += recipe.Expected.Count(e => !IsLine(e)) - failed.Count(e => !IsLine(e) && recipe.Expected.Contains(e));
            if (failed.Count == 0)
                whole++;
            if (!failed.Exists(f => Stated.Contains(f.Split(' ')[0])))
                safe++;
            if (dropped.Count > 0)
                dropping++;
            if (failed.Count > 0)
                report.Add($"{recipe.Name}\n    {string.Join("\n    ", failed)}");
            if (failed.Count > 0)
                told.Add($"{report[^1]}\n{string.Join('\n', reading.Told())}");
            if (dropped.Count > 0)
                report.Add($"{recipe.Name} dropped: {string.Join(' ', dropped)}");
            if (dropped.Count > 0)
                told.Add(report[^1]);
        }

        var score = string.Create(
            CultureInfo.InvariantCulture,
            $"{name}: {recipes.Count} recipes; lines {linesRight} of {lines}, facts {factsRight} of {facts}, whole {whole} of "
                + $"{recipes.Count}, allergens {safe} of {recipes.Count}, words dropped in {dropping}."
        );
        output.WriteLine(score);
        foreach (var line in report)
            output.WriteLine(line);
        var file = Environment.GetEnvironmentVariable("ZYMETHOS_CORPUS_REPORT");
        if (!string.IsNullOrEmpty(file))
            File.WriteAllText($"{file}.{name.Split(' ')[0]}", string.Join('\n', told.Prepend(score)));
        Assert.True(recipes.Count >= least, score);
        Assert.True(safe == recipes.Count, $"{score}\n{string.Join('\n', report)}");
        Assert.True(
            linesRight >= 0.99 * lines && factsRight >= 0.97 * facts && whole >= wholeWanted * recipes.Count,
            $"{score}\n{string.Join('\n', report)}"
        );
    }

    private static bool IsLine(string expected) => expected.StartsWith("line ", StringComparison.Ordinal);
}
