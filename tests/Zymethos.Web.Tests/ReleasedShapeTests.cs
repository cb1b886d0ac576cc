using System.Runtime.CompilerServices;
using Zymethos.Core.Measures;
using Zymethos.Interchange.Demo;
using Zymethos.Interchange.Documents;
using Zymethos.Interchange.Drafts;
using Zymethos.Interchange.Texts;
using Zymethos.Planning.Reading;
using Zymethos.Planning.Search;
using Zymethos.Store;
using Zymethos.Store.Days;
using Zymethos.Work.OvenDays;

namespace Zymethos.Web.Tests;

/// <summary>
/// Rows of every release are read by this one. A file in Released is a stored document as a release wrote it, and is never edited; a
/// release that writes another shape adds files of its own (with ZYMETHOS_WRITE_RELEASED=1 missing ones are written).
/// </summary>
public sealed class ReleasedShapeTests
{
    private static readonly OvenDayDocument Day = new(
        DemoKitchen.Kitchen(),
        new DayDocument("2031-08-02", "07:00", "19:00"),
        [.. DemoKitchen.Recipes().Where(r => r.Key is "lantern-plait" or "market-squash-loaf").Select(r => new BakeDocument(r))]
    );

    /// <summary>What this release writes, by the name of its file.</summary>
    private static readonly Dictionary<string, Func<object>> Shapes = new(StringComparer.Ordinal)
    {
        ["kitchen.1.json"] = DemoKitchen.Kitchen,
        ["recipe.1.json"] = () => DemoKitchen.Recipes().Single(r => r.Key == "cellar-fruit-cake"),
        ["draft.1.json"] = () =>
            PageReader
                .Read(
                    "Oat loaf\n\n500 g flour\n300 g water\n\nMix and knead 10 min. Let rise until doubled. Bake at 220 C for 35 min "
                        + "in a loaf tin.",
                    IngredientKnowledge.Shipped,
                    []
                )
                .Drafts[0],
        ["day.1.json"] = () => Day,
        ["plan.1.json"] = () => Plan() with { Format = 1, Network = null, Statements = null },
        ["plan.2.json"] = Plan,
        ["season.1.json"] = () => DemoProgramme.Sheet(new NodaTime.LocalDate(2031, 11, 20)),
    };

    private static SavedPlan Plan()
    {
        var (kitchen, wish) = new DocumentReader().Read(Day);
        var moded = ModeChooser.Plan(kitchen, wish, new SolveSettings(TimeSpan.FromSeconds(2)));
        return SavedPlans.Save(
            PlannedDay.Of(moded.Network!, moded.Outcome!.Plan!, moded.Outcome.BoundFinish),
            Day,
            IngredientKnowledge.Shipped
        );
    }

    public static TheoryData<string> Files() => [.. Directory.GetFiles(Folder()).Select(f => Path.GetFileName(f))];

    [Theory]
    [MemberData(nameof(Files))]
    public void A_document_of_a_release_is_read_and_keeps_its_fields(string file)
    {
        var text = File.ReadAllText(Path.Combine(Folder(), file));
        string again = file.Split('.')[0] switch
        {
            "kitchen" => Again<KitchenDocument>(text),
            "recipe" => Again<RecipeDocument>(text),
            "draft" => Again<RecipeDraft>(text),
            "day" => Again<OvenDayDocument>(text),
            "plan" => Again<SavedPlan>(text),
            "season" => Again<SeasonSheet>(text),
            _ => throw new InvalidOperationException($"{file} is of no kind that is known here."),
        };
        // Whatever it held is still there: every value of the old text stands in the new one.
        using var then = System.Text.Json.JsonDocument.Parse(text);
        using var now = System.Text.Json.JsonDocument.Parse(again);
        Assert.Empty(Missing(then.RootElement, now.RootElement, "$"));
    }

    [Theory]
    [InlineData("plan.1.json")]
    [InlineData("plan.2.json")]
    public void A_plan_of_a_release_is_still_the_plan_of_its_day(string file)
    {
        var day = StoredJson.Read<OvenDayDocument>(File.ReadAllText(Path.Combine(Folder(), "day.1.json")));
        var saved = StoredJson.Read<SavedPlan>(File.ReadAllText(Path.Combine(Folder(), file)));
        var planned = SavedPlans.Restore(day, saved);
        Assert.NotNull(planned);
        Assert.Equal(saved.Tasks.Select(t => t.Start), planned.Plan.Tasks.AsEnumerable().Select(t => t.Start));
    }

    [Fact]
    public void Every_shape_of_this_release_has_its_file()
    {
        if (Environment.GetEnvironmentVariable("ZYMETHOS_WRITE_RELEASED") == "1")
        {
            foreach (var (name, make) in Shapes.Where(s => !File.Exists(Path.Combine(Folder(), s.Key))))
                File.WriteAllText(Path.Combine(Folder(), name), StoredJson.Text(make()));
        }

        Assert.Empty(Shapes.Keys.Except(Directory.GetFiles(Folder()).Select(f => Path.GetFileName(f))));
    }

    private static string Again<T>(string text) => StoredJson.Write(StoredJson.Read<T>(text));

    private static IEnumerable<string> Missing(System.Text.Json.JsonElement then, System.Text.Json.JsonElement now, string at)
    {
        if (then.ValueKind != now.ValueKind)
            return [$"{at} was {then.ValueKind} and is {now.ValueKind}"];
        return then.ValueKind switch
        {
            System.Text.Json.JsonValueKind.Object => then.EnumerateObject()
                .SelectMany(p =>
                    now.TryGetProperty(p.Name, out var other) ? Missing(p.Value, other, $"{at}.{p.Name}")
                    : p.Value.ValueKind == System.Text.Json.JsonValueKind.Null ? []
                    : [$"{at}.{p.Name} is gone"]
                ),
            System.Text.Json.JsonValueKind.Array => then.GetArrayLength() != now.GetArrayLength()
                ? [$"{at} has another length"]
                : then.EnumerateArray().Zip(now.EnumerateArray()).SelectMany((p, i) => Missing(p.First, p.Second, $"{at}[{i}]")),
            _ => then.GetRawText() == now.GetRawText() ? [] : [$"{at} was {then.GetRawText()} and is {now.GetRawText()}"],
        };
    }

    private static string Folder([CallerFilePath] string here = "") => Path.Combine(Path.GetDirectoryName(here)!, "Released");
}
