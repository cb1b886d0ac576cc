using System.Text.Json;
using CsCheck;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Demo;
using Zymethos.Interchange.Documents;
using Zymethos.Interchange.Drafts;
using Zymethos.Interchange.Wording;
using Zymethos.Planning.Seasons;

namespace Zymethos.Interchange.Tests.Texts;

public sealed class DraftTests
{
    private static readonly Pan[] Pans = [.. PanCupboard.Ordinary.Select(p => p.Pan)];

    private static DraftResult Read(RecipeDraft draft, Recipe? before = null) =>
        DraftReader.Read(draft, IngredientKnowledge.Shipped, Pans, before);

    public static TheoryData<string> Keys() => [.. DemoKitchen.Recipes().Select(r => r.Key)];

    [Theory]
    [MemberData(nameof(Keys))]
    public void A_recipe_that_is_edited_and_not_changed_stays_the_same(string key)
    {
        var recipe = new DocumentReader().Read(DemoKitchen.Recipes().Single(r => r.Key == key), "recipe");
        var result = Read(DraftOf.Recipe(recipe), recipe);
        Assert.Empty(result.Faults);
        Assert.Empty(result.Missing);
        Assert.Equal(
            JsonSerializer.Serialize(DocumentWriter.Write(recipe), OpenJson.Options),
            JsonSerializer.Serialize(DocumentWriter.Write(result.Recipe), OpenJson.Options)
        );
    }

    [Fact]
    public void A_line_that_is_changed_is_read_anew_and_keeps_what_was_written()
    {
        var recipe = new DocumentReader().Read(DemoKitchen.Recipes().Single(r => r.Key == "market-squash-loaf"), "recipe");
        var draft = DraftOf.Recipe(recipe);
        draft.Parts[0].Lines += "\n1 cup plus 2 tbsp buttermilk, at room temperature";
        var line = Read(draft, recipe).Recipe.Parts[0].Lines[^1];
        Assert.Equal("1 cup plus 2 tbsp buttermilk, at room temperature", line.Written);
        Assert.Equal(1.125, line.Amount!.Low, 6);
        Assert.Equal(245 * 1.125, line.Weight!.Value.Grams, 3);
    }

    [Fact]
    public void Every_fault_stands_at_its_field_and_nothing_throws()
    {
        var draft = new RecipeDraft
        {
            Pieces = "many",
            Steps =
            [
                new StepDraft
                {
                    Title = "",
                    Kind = "bake",
                    Takes = "soon",
                    Oven = "hot",
                    Pans = "0",
                    Touches = "dance",
                    Modes = "?",
                    When = "=",
                },
            ],
            Links =
            [
                new LinkDraft
                {
                    From = "nowhere",
                    To = "nothing",
                    Most = "a bit",
                },
            ],
            Choices = [new ChoiceDraft { Options = "one" }],
            Keeping =
            [
                new KeepingDraft
                {
                    Place = "shelf",
                    Days = "-3",
                    Thaw = "x",
                },
            ],
        };
        var paths = Read(draft).Faults.Select(f => f.Path).ToList();
        foreach (
            var path in new[]
            {
                "name",
                "pieces",
                "steps[0].title",
                "steps[0].takes",
                "steps[0].oven",
                "steps[0].touches",
                "steps[0].modes",
                "steps[0].when",
                "links[0].from",
                "links[0].to",
                "links[0].most",
                "choices[0].question",
                "choices[0].options",
                "keeping[0].days",
                "keeping[0].thaw",
            }
        )
            Assert.Contains(path, paths);
    }

    [Fact]
    public void An_unfinished_recipe_says_what_is_missing()
    {
        var result = Read(new RecipeDraft { Name = "Half a thought", Parts = [new PartDraft { Lines = "200 g flour" }] });
        Assert.Empty(result.Faults);
        Assert.Contains("It has no steps yet.", result.Missing);
        Assert.Equal(
            ["It has no ingredients yet."],
            Read(new RecipeDraft { Name = "x", Steps = [new StepDraft { Title = "Stir", Takes = "5" }] }).Missing
        );
    }

    [Theory]
    [InlineData("10", 8, 10, 12)]
    [InlineData("45-50 min", 45, 48, 50)]
    [InlineData("45 to 50 minutes", 45, 48, 50)]
    [InlineData("1 h 30", 76, 90, 104)]
    [InlineData("1 1/2 hours", 76, 90, 104)]
    [InlineData("about an hour", 51, 60, 69)]
    [InlineData("half an hour", 26, 30, 34)]
    [InlineData("2-3 h", 120, 150, 180)]
    [InlineData("overnight", 480, 660, 840)]
    [InlineData("3 weeks", 25704, 30240, 34776)]
    [InlineData("30 seconds", 1, 1, 1)]
    public void Times_are_read_as_people_write_them(string text, int low, int likely, int high)
    {
        var takes = TimeText.Estimate(text);
        Assert.NotNull(takes);
        Assert.Equal((low, likely, high), ((int)takes.Low.TotalMinutes, (int)takes.Likely.TotalMinutes, (int)takes.High.TotalMinutes));
    }

    [Theory]
    [InlineData("")]
    [InlineData("soon")]
    [InlineData("-5 min")]
    [InlineData("90 days and a night")]
    [InlineData("100 weeks")]
    public void What_is_no_time_is_refused(string text) => Assert.Null(TimeText.Estimate(text));

    [Fact]
    public void An_estimate_written_down_reads_the_same() =>
        Gen.Select(Gen.Int[1, 2000], Gen.Int[0, 500], Gen.Int[0, 500])
            .Sample(
                (low, more, most) =>
                {
                    var takes = DurationEstimate.Minutes(low, low + more, low + more + most);
                    Assert.Equal(takes, TimeText.Exact(TimeText.Say(takes)));
                }
            );

    [Theory]
    [InlineData("Fern’s 2nd loaf – plain", "fern-s-2nd-loaf-plain")]
    [InlineData("日本", "recipe")]
    [InlineData("  --  ", "recipe")]
    public void Keys_are_plain_words(string name, string key) => Assert.Equal(key, DraftReader.KeyOf(name));

    [Fact]
    public void Random_words_never_throw() =>
        Gen.String.Sample(text =>
        {
            Read(
                new RecipeDraft
                {
                    Name = text,
                    Parts = [new PartDraft { Lines = text }],
                    Steps =
                    [
                        new StepDraft
                        {
                            Title = text,
                            Takes = text,
                            Oven = text,
                            Modes = text,
                            Touches = text,
                            Pan = text,
                        },
                    ],
                }
            );
        });
}
