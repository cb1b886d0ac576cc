using System.Text;
using System.Text.Json;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Demo;
using Zymethos.Interchange.Documents;

namespace Zymethos.Interchange.Tests.Documents;

public sealed class DocumentTests
{
    private static readonly KitchenDocument Kitchen = DemoKitchen.Kitchen();

    private static OvenDayDocument Day(string from = "08:00", string until = "18:00", string date = "2026-12-05") =>
        new(Kitchen, new DayDocument(date, from, until), [new BakeDocument(DemoKitchen.Recipes()[0])]);

    [Fact]
    public void Every_demo_recipe_comes_back_the_same()
    {
        foreach (var document in DemoKitchen.Recipes())
        {
            var reader = new DocumentReader();
            var recipe = reader.Read(document, "recipe");
            Assert.Empty(reader.Faults);
            var again = new DocumentReader().Read(DocumentWriter.Write(recipe), "recipe");
            Assert.Equal(JsonSerializer.Serialize(DocumentWriter.Write(recipe)), JsonSerializer.Serialize(DocumentWriter.Write(again)));
            Assert.Equal(recipe.Steps.Length, again.Steps.Length);
            Assert.True(recipe.Links.SequenceEqual(again.Links));
        }
    }

    [Fact]
    public void A_kitchen_comes_back_the_same()
    {
        var kitchen = new DocumentReader().Read(Kitchen, "kitchen");
        var again = new DocumentReader().Read(DocumentWriter.Write(kitchen), "kitchen");
        Assert.Equal(kitchen with { People = [], Pans = [], RoomByHour = [] }, again with { People = [], Pans = [], RoomByHour = [] });
        Assert.True(kitchen.RoomByHour.SequenceEqual(again.RoomByHour));
        Assert.True(kitchen.Pans.SequenceEqual(again.Pans));
        Assert.True(kitchen.People.SequenceEqual(again.People));
        Assert.Empty(KitchenCheck.Find(kitchen));
    }

    [Theory]
    [InlineData("""{ "date": "2026-12-05", "from": "08:00" }""", "day", "missing")]
    [InlineData("""{ "date": "2026-12-05", "from": "08:00", "until": "18:00", "moon": "full" }""", "day.moon", "no field")]
    [InlineData("""{ "date": "2026-12-05", "from": "08:00", "from": "09:00", "until": "18:00" }""", "", "twice")]
    [InlineData("""{ "date": 20261205, "from": "08:00", "until": "18:00" }""", "day.date", "kind of value")]
    [InlineData("""{ "date": null, "from": "08:00", "until": "18:00" }""", "day.date", "null")]
    [InlineData("""{ "date": """, "day", "valid JSON")]
    public void Bad_json_is_explained_at_its_place(string day, string path, string words)
    {
        var json = $$"""{ "kitchen": {{JsonSerializer.Serialize(Kitchen, OpenJson.Options)}}, "day": {{day}}, "bakes": [] }""";
        var (document, fault) = OpenJson.Read<OvenDayDocument>(Encoding.UTF8.GetBytes(json));
        Assert.Null(document);
        Assert.Contains(words, fault!.Message, StringComparison.Ordinal);
        if (path.Length > 0)
            Assert.StartsWith(path, fault.Path, StringComparison.Ordinal);
        Assert.DoesNotContain("System.", fault.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void Deep_nesting_is_refused()
    {
        var json = string.Concat(Enumerable.Repeat("[", 5000));
        Assert.NotNull(OpenJson.Read<OvenDayDocument>(Encoding.UTF8.GetBytes(json)).Fault);
    }

    [Fact]
    public void Faults_in_values_come_back_together()
    {
        var bad = Day(from: "8 o'clock", date: "5.12.2026") with
        {
            Kitchen = Kitchen with { RoomC = 1e9, Oven = Kitchen.Oven with { ShelfWidthCm = -3 } },
            Format = "other",
            Version = 2,
        };
        var reader = new DocumentReader();
        reader.Read(bad);
        Assert.Equal(
            ["format", "version", "kitchen.oven.shelfWidthCm", "kitchen.roomC", "day.date", "day.from"],
            reader.Faults.Select(f => f.Path)
        );
    }

    [Fact]
    public void A_bake_is_a_recipe_or_bare_steps_and_never_both()
    {
        var reader = new DocumentReader();
        reader.Read(Day() with { Bakes = [new BakeDocument()] });
        Assert.Equal("bakes[0]", Assert.Single(reader.Faults, f => f.Path == "bakes[0]").Path);

        var bare = new DocumentReader();
        var (_, wish) = bare.Read(
            Day() with
            {
                Bakes = [new BakeDocument(Name: "Toast", Steps: [new StepDocument("toast", "Toast", "work", [1, 2, 3])])],
            }
        );
        Assert.Empty(bare.Faults);
        Assert.Equal("Toast", wish.Bakes[0].Recipe.Name);
    }

    [Fact]
    public void An_end_on_another_date_is_understood()
    {
        var reader = new DocumentReader();
        var (_, wish) = reader.Read(Day(from: "20:00", until: "2026-12-06T01:00"));
        Assert.Empty(reader.Faults);
        Assert.Equal(5, (wish.Until - wish.From).ToDuration().TotalHours);
    }

    [Fact]
    public void Unknown_words_are_answered_with_the_known_ones()
    {
        var reader = new DocumentReader();
        reader.Read(new RecipeDocument("x", "x", [new StepDocument("a", "a", "dance", [1, 2, 3])]), "recipe");
        var fault = Assert.Single(reader.Faults);
        Assert.Equal("recipe.steps[0].kind", fault.Path);
        Assert.Contains("bulkRise", fault.Message, StringComparison.Ordinal);
    }
}
