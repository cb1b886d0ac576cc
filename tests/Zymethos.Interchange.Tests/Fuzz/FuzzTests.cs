using System.Diagnostics;
using System.Text;
using System.Text.Json;
using System.Text.RegularExpressions;
using NodaTime;
using Xunit.Abstractions;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;
using Zymethos.Core.Scaling;
using Zymethos.Interchange.Calendars;
using Zymethos.Interchange.Demo;
using Zymethos.Interchange.Documents;
using Zymethos.Interchange.Drafts;
using Zymethos.Interchange.Texts;
using Zymethos.Interchange.Wording;
using Zymethos.Planning.Compile;

namespace Zymethos.Interchange.Tests.Fuzz;

/// <summary>
/// Whatever comes in is read or refused: no reader throws, hangs or takes all the memory. A few thousand inputs are tried with every run of
/// the tests; <c>./test fuzz</c> tries a million (ZYMETHOS_FUZZ sets another number, ZYMETHOS_FUZZ_SEED another beginning).
/// </summary>
public sealed class FuzzTests(ITestOutputHelper output)
{
    private const int Longest = 20_000;
    private static readonly TimeSpan Hang = TimeSpan.FromSeconds(5);
    private static readonly IReadOnlyList<Pan> Pans = [.. PanCupboard.Ordinary.Select(p => p.Pan)];
    private static readonly IngredientKnowledge Knowledge = IngredientKnowledge.Shipped;
    private static readonly string[] Texts = [.. Corpus.CorpusRecipe.All.Select(r => r.Text)];
    private static readonly string[] Lines = [.. Texts.SelectMany(t => t.Split('\n')).Where(l => l.Trim().Length > 2)];
    private static readonly RecipeDocument[] Recipes = [.. DemoKitchen.Recipes()];

    private static readonly string[] Small =
    [
        "2 1/2 cups (300 g) sifted flour, or to taste",
        "8 to 12 min",
        "1 h 30",
        "180 C / 350 F",
        "gas 4",
        "loaf pan 23 x 13 cm; loaf; 23 x 13 x 7.5",
        "stand mixer, 4.5 l; kneads 1 kg",
        "makes 24 rounds",
        "2 × tray; tray; 40 x 30 x 2",
        "overnight or 8-10 hours",
        "14:10",
        "2031-05-03T14:10",
    ];

    private static readonly string[] Calendar =
    [
        "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:x\r\nBEGIN:VEVENT\r\nUID:1\r\nDTSTAMP:20310101T000000Z\r\nDTSTART:20310806T180000Z\r\n"
            + "DTEND:20310806T200000Z\r\nRRULE:FREQ=WEEKLY;BYDAY=TU\r\nSUMMARY:Choir\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n",
    ];

    private static string Json<T>(T value) => JsonSerializer.Serialize(value, OpenJson.Options);

    private static readonly string[] RecipeJson = [.. Recipes.Select(Json)];
    private static readonly string[] BookJson = [Json(new BookDocument([.. Recipes.Take(2)]))];
    private static readonly string[] KitchenJson = [Json(DemoKitchen.Kitchen())];

    private static readonly string[] DayJson =
    [
        Json(
            new OvenDayDocument(
                DemoKitchen.Kitchen(),
                new DayDocument("2031-05-03", "08:00", "18:00", [new RestDocument("2031-05-03T12:00", "2031-05-03T13:00")]),
                [new BakeDocument(Recipes[0], Batches: 2), new BakeDocument(Recipes[1], ReadyBy: "17:00")]
            )
        ),
    ];

    private static readonly string[] SeasonJson = [Json(DemoProgramme.Sheet(new LocalDate(2031, 12, 1)))];

    private static readonly (string Name, int Weight, Action<Garbled> Try)[] Doors =
    [
        ("line", 400, g => LineReader.Read(g.Of(Lines, Longest / 10))),
        ("time", 100, g => TimeText.Estimate(g.Of(Small, 200))),
        ("heat", 100, g => HeatWords.Typed(g.Of(Small, 200))),
        ("pan", 100, g => PanText.Read(g.Of(Small, 200))),
        ("mixer", 60, g => MixerText.Read(g.Of(Small, 200))),
        ("yield", 60, g => YieldWords.Line(g.Of(Small, 200))),
        ("key", 40, g => DraftReader.KeyOf(g.Of(Lines, 300))),
        ("recipe", 60, g => OnRecipe(OpenJson.Read<RecipeDocument>(Encoding.UTF8.GetBytes(g.Of(RecipeJson, Longest))).Value)),
        ("book", 30, g => BookReader.Read(new MemoryStream(Encoding.UTF8.GetBytes(g.Of(BookJson, Longest * 2))))),
        ("kitchen", 40, g => OnKitchen(OpenJson.Read<KitchenDocument>(Encoding.UTF8.GetBytes(g.Of(KitchenJson, Longest))).Value)),
        ("day", 30, g => OnDay(OpenJson.Read<OvenDayDocument>(Encoding.UTF8.GetBytes(g.Of(DayJson, Longest * 3))).Value)),
        ("season", 20, g => OpenJson.Read<SeasonSheet>(Encoding.UTF8.GetBytes(g.Of(SeasonJson, Longest)))),
        ("calendar", 20, g => OnCalendar(g.Of(Calendar, Longest))),
        ("text", 4, g => PageReader.Read(g.Of(Texts, Longest / 2), Knowledge, Pans)),
    ];

    [Fact]
    public void Whatever_comes_in_is_read_or_refused()
    {
        var count = int.TryParse(Environment.GetEnvironmentVariable("ZYMETHOS_FUZZ"), out var n) ? n : 4000;
        var seed = int.TryParse(Environment.GetEnvironmentVariable("ZYMETHOS_FUZZ_SEED"), out var s) ? s : 1;
        var slowest = (Time: TimeSpan.Zero, What: "");
        var (faults, again) = (new List<string>(), new List<int>());
        var clock = Stopwatch.StartNew();
        // One input alone, to look at what was found.
        var from = int.TryParse(Environment.GetEnvironmentVariable("ZYMETHOS_FUZZ_FROM"), out var f) ? f : 0;
        for (var i = from; i < from + count && faults.Count < 5; i++)
        {
            var (door, garbled) = Draw(seed, i);
            var before = clock.Elapsed;
            try
            {
                door.Try(garbled);
            }
            catch (RegexMatchTimeoutException)
            {
                // A machine that stood still for a moment looks like a pattern that takes too long; the second try tells them apart.
                again.Add(i);
            }
            catch (Exception e) when (e is not OutOfMemoryException)
            {
                faults.Add(
                    $"{door.Name}, input {i} of beginning {seed}: {e.GetType().Name}: {e.Message}\n"
                        + string.Join('\n', (e.StackTrace ?? "").Split('\n').Take(8))
                );
            }

            var took = clock.Elapsed - before;
            if (took > slowest.Time)
                slowest = (took, $"{door.Name}, input {i}");
            if (took > Hang)
                faults.Add($"{door.Name}, input {i} of beginning {seed}: took {took.TotalSeconds:0.0} s");
        }

        foreach (var i in again)
        {
            var (door, garbled) = Draw(seed, i);
            if (Record.Exception(() => door.Try(garbled)) is { } e)
                faults.Add($"{door.Name}, input {i} of beginning {seed}, twice: {e.Message}");
        }

        using var process = Process.GetCurrentProcess();
        var most = process.PeakWorkingSet64 / 1_000_000;
        output.WriteLine($"Fuzz: {count} inputs, slowest {slowest.Time.TotalSeconds:0.00} s ({slowest.What}), at most {most} MB.");
        Assert.True(faults.Count == 0, string.Join('\n', faults));
        // The runner and the corpus are in this figure too; a reader that gathered memory would be far above it.
        if (count >= 100_000)
            Assert.InRange(most, 1, 600);
    }

    private static ((string Name, int Weight, Action<Garbled> Try) Door, Garbled Garbled) Draw(int seed, int number)
    {
        var garbled = new Garbled(unchecked((seed * 1_000_003) + number));
        var lot = garbled.Below(Doors.Sum(d => d.Weight));
        return (Doors.First(d => (lot -= d.Weight) < 0), garbled);
    }

    /// <summary>Found by a million inputs: an emoji cut in two, as a letter and by its number.</summary>
    [Theory]
    [InlineData("{\"@type\": \"Recipe\", \"name\": \"Bun \uD83D\", \"recipeIngredient\": [\"200 g flour\"]}")]
    [InlineData("{\"@type\": \"Recipe\", \"name\": \"Bun \\uD83D\", \"recipeIngredient\": [\"200 g flour \\uDE00\"]}")]
    public void Half_a_letter_is_no_reason_to_fail(string text)
    {
        var draft = Assert.Single(PageReader.Read(text, Knowledge, Pans).Drafts);
        Assert.StartsWith("Bun", draft.Name, StringComparison.Ordinal);
        Assert.Contains("200 g flour", draft.Parts[0].Lines, StringComparison.Ordinal);
        var pasted = PageReader.Read("Bun\uD83D\n200 g flour\nBake at 180 C for 20 minutes.", Knowledge, Pans);
        Assert.Contains("200 g flour", Assert.Single(pasted.Drafts).Parts[0].Lines, StringComparison.Ordinal);
    }

    /// <summary>Found by a million inputs: a weight without end.</summary>
    [Fact]
    public void A_weight_without_end_is_refused()
    {
        var node = System.Text.Json.Nodes.JsonNode.Parse(RecipeJson[0])!;
        var line = node["parts"]![0]!["lines"]!.AsArray().First(l => l!["grams"] is not null)!;
        line["grams"] = 123456.5;
        var text = node.ToJsonString().Replace("123456.5", "1e999", StringComparison.Ordinal);
        var document = OpenJson.Read<RecipeDocument>(Encoding.UTF8.GetBytes(text)).Value;
        Assert.NotNull(document);
        var reader = new DocumentReader();
        reader.Read(document, "recipe");
        Assert.Contains(reader.Faults, f => f.Path.EndsWith(".grams", StringComparison.Ordinal));
    }

    private static void OnRecipe(RecipeDocument? document)
    {
        if (document is null)
            return;
        var reader = new DocumentReader();
        var recipe = reader.Read(document, "recipe");
        if (reader.Faults.Count > 0)
            return;
        // What was accepted can be checked, stated, scaled, opened for editing and written again.
        _ = RecipeCheck.Missing(recipe);
        _ = AllergenStatement.Of(recipe, Knowledge);
        _ = ScaledRecipe.ByMultiple(recipe, 2, Knowledge);
        _ = DraftOf.Recipe(recipe);
        _ = Json(DocumentWriter.Write(recipe));
    }

    private static void OnKitchen(KitchenDocument? document)
    {
        if (document is not null)
            _ = new DocumentReader().Read(document, "kitchen");
    }

    private static void OnDay(OvenDayDocument? document)
    {
        if (document is null)
            return;
        var reader = new DocumentReader();
        var (kitchen, wish) = reader.Read(document);
        if (reader.Faults.Count == 0)
            _ = TaskCompiler.Compile(kitchen, wish);
    }

    private static void OnCalendar(string text) =>
        _ = CalendarReader.Read(text, new LocalDate(2031, 8, 1), new LocalDate(2031, 12, 31), DateTimeZone.Utc);
}
