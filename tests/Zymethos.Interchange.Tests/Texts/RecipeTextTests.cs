using System.Text;
using CsCheck;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Documents;
using Zymethos.Interchange.Drafts;
using Zymethos.Interchange.Texts;
using Zymethos.Interchange.Wording;
using Zymethos.Planning.Seasons;

namespace Zymethos.Interchange.Tests.Texts;

/// <summary>Whole recipes of our own writing, pasted in the ways people paste them.</summary>
public sealed class RecipeTextTests
{
    private static readonly Pan[] Pans = [.. PanCupboard.Ordinary.Select(p => p.Pan)];

    private const string Loaf = """
        Rain-barrel banana loaf
        A plain loaf for bananas that nobody wants any more.

        Makes 1 loaf

        Ingredients
        1 3/4 cups all-purpose flour
        1 tsp baking soda
        1/2 tsp salt
        3 ripe bananas, mashed
        3/4 cup sugar
        2 large eggs
        1/2 cup (1 stick) butter, melted
        A fistful of grotz

        For the glaze:
        1 cup powdered sugar
        2 tbsp milk

        Method
        1. Preheat the oven to 350°F. Grease a 9x5-inch loaf pan.
        2. Beat eggs, sugar and butter for 3 minutes. Stir in the bananas. Fold in flour, soda and salt.
        3. Pour into the pan and bake for 55 to 60 minutes, turning it half way, until a skewer comes out clean.
        4. Let stand in the pan for 10 minutes, then turn out. Cool completely on a rack.
        5. Once completely cool, pour the glaze over.

        Notes
        Freezes well.
        """;

    private const string Buns = """
        Quay buns
        500 g bread flour
        7 g instant yeast
        300 ml milk, warm
        1 tsp salt
        60 g butter

        Knead everything for 10 minutes. Let rise, covered, until doubled, about 1 hour. Divide into 12 and shape into balls. Proof 40 minutes or overnight in the refrigerator. Bake at 200 C for 18-20 minutes on a baking sheet until deep brown. While still hot brush with butter.
        """;

    private static RecipeDraft Read(string text) => RecipeText.Read(text, IngredientKnowledge.Shipped, Pans);

    [Fact]
    public void A_headed_recipe_comes_apart_where_a_baker_would_part_it()
    {
        var draft = Read(Loaf);
        Assert.Equal("Rain-barrel banana loaf", draft.Name);
        Assert.Equal(("1", "loaf", "quickLoaf"), (draft.Pieces, draft.PieceName, draft.Kind));
        Assert.Equal(2, draft.Parts.Count);
        Assert.Equal(8, draft.Parts[0].Lines.Split('\n').Length);
        Assert.Equal(("Glaze", "glaze"), (draft.Parts[1].Name, draft.Parts[1].Kind));
        Assert.Contains("Freezes well.", draft.Notes, StringComparison.Ordinal);
        Assert.Contains(draft.Questions, q => q.Text.Contains("grotz", StringComparison.Ordinal));
    }

    [Fact]
    public void Its_method_becomes_steps_with_times_heat_pan_touches_and_windows()
    {
        var draft = Read(Loaf);
        var bake = draft.Steps.Single(s => s.Kind == "bake");
        Assert.Equal(("350 F", "loaf pan 23 × 13 cm"), (bake.Oven, bake.Pan));
        Assert.Equal(DurationEstimate.Minutes(55, 58, 60), TimeText.Exact(bake.Takes));
        Assert.StartsWith("turn 50 %", bake.Touches, StringComparison.Ordinal);
        Assert.Equal("A skewer comes out clean", bake.Done);
        Assert.Contains(draft.Steps, s => s.Kind == "mix");
        Assert.Contains(draft.Steps, s => s.Kind == "cool" && s.Takes.Contains("10", StringComparison.Ordinal));
        Assert.Contains(draft.Steps, s => s.Kind == "cool");
        var read = DraftReader.Read(draft, IngredientKnowledge.Shipped, Pans);
        Assert.Empty(read.Faults);
        Assert.Empty(read.Missing);
    }

    [Fact]
    public void A_recipe_without_headings_is_read_too()
    {
        var draft = Read(Buns);
        Assert.Equal("buns", draft.Kind);
        Assert.Equal(5, draft.Parts.Single().Lines.Split('\n').Length);
        Assert.Equal(["mix", "bulkRise", "work", "proof", "bake", "work"], draft.Steps.Select(s => s.Kind));
        Assert.Equal("refrigerator overnight: chill, 8-14 h", draft.Steps[3].Modes);
        Assert.Equal("200 C", draft.Steps[4].Oven);
        var brush = draft.Links[^1];
        Assert.Equal("5 min", brush.Most);
        Assert.Equal("20 min", draft.Links[1].Most);
    }

    [Fact]
    public void No_word_of_ingredients_or_method_is_lost()
    {
        foreach (var text in new[] { Loaf, Buns })
        {
            var draft = Read(text);
            var kept = string.Join(
                    ' ',
                    draft
                        .Parts.Select(p => $"{p.Name} {p.Lines}")
                        .Concat(draft.Steps.Select(s => s.Instruction))
                        .Append(draft.Name)
                        .Append(draft.Summary)
                        .Append(draft.Notes)
                        .Append(draft.PieceName)
                        .Append(draft.Pieces)
                )
                .ToLowerInvariant();
            var known = Words(kept).ToHashSet(StringComparer.Ordinal);
            Assert.Empty(
                Words(text.ToLowerInvariant())
                    .Except(known)
                    .Except(["ingredients", "method", "notes", "makes", "for", "the", "then", "3", "4", "5"])
            );
        }
    }

    [Theory]
    [InlineData("Chill at least 2 hours or overnight.", "chill", 120, 120)]
    [InlineData("Let rest 20 minutes.", "rest", 17, 23)]
    [InlineData("Soak the fruit overnight.", "soak", 480, 840)]
    [InlineData("Let rise in a warm place until doubled, about 1 hour.", "bulkRise", 51, 69)]
    [InlineData("Bake for 12 to 14 minutes.", "bake", 12, 14)]
    [InlineData("Freeze for 2 hours.", "freeze", 102, 138)]
    [InlineData("Cool in the pan for 10 minutes.", "cool", 8, 12)]
    public void Words_of_waiting_become_the_right_step(string sentence, string kind, int low, int high)
    {
        var step = OneStep(sentence);
        var takes = TimeText.Exact(step.Takes)!;
        Assert.Equal((kind, low, high), (step.Kind, (int)takes.Low.TotalMinutes, (int)takes.High.TotalMinutes));
    }

    [Fact]
    public void A_crumb_put_on_part_way_becomes_a_touch()
    {
        var step = OneStep("Bake at 175 C for 60 minutes, sprinkle the crumb on after 15 minutes.");
        Assert.StartsWith("top 25 %", step.Touches, StringComparison.Ordinal);
    }

    private static StepDraft OneStep(string sentence) =>
        Read($"A thing\n\nIngredients\n1 cup plain flour\n\nMethod\n{sentence}").Steps.Single();

    private const string JsonLd = """
        {"@context":"https://schema.org","@graph":[{"@type":"WebSite","name":"x"},{"@type":["Recipe","NewsArticle"],"name":"Pier &amp; gate <b>scones</b>","description":"Quick.","recipeYield":["8","8 scones"],
        "recipeIngredient":["2 cups flour","1 tbsp baking powder","6 tbsp butter, cold","3/4 cup milk"],
        "recipeInstructions":[{"@type":"HowToSection","name":"Dough","itemListElement":[{"@type":"HowToStep","text":"Rub butter into flour and powder."},{"@type":"HowToStep","text":"Stir in milk."}]},{"@type":"HowToStep","text":"<p>Bake at 220&deg;C for 12-15 minutes.</p>"}],"prepTime":"PT15M"}]}
        """;

    [Fact]
    public void Json_ld_is_read_alone_and_inside_a_saved_page()
    {
        foreach (
            var text in new[]
            {
                JsonLd,
                "<!doctype html><html><head><script>alert(1)</script><script "
                    + $"type=\"application/ld+json\">{JsonLd}</script></head><body>hi</body></html>",
            }
        )
        {
            var draft = PageReader.Read(text, IngredientKnowledge.Shipped, Pans).Drafts.Single();
            Assert.Equal("Pier & gate scones", draft.Name);
            Assert.Equal(("8", "scones"), (draft.Pieces, draft.PieceName));
            Assert.Equal(4, draft.Parts.Single().Lines.Split('\n').Length);
            Assert.Equal("220 C", draft.Steps.Single(s => s.Kind == "bake").Oven);
            Assert.DoesNotContain("alert", draft.Notes, StringComparison.Ordinal);
        }
    }

    [Fact]
    public void A_page_with_ten_recipes_gives_ten_to_choose_from()
    {
        var many = string.Join(
            ',',
            Enumerable.Range(1, 10).Select(i => $$"""{"@type":"Recipe","name":"No. {{i}}","recipeIngredient":["1 egg"]}""")
        );
        Assert.Equal(10, PageReader.Read($"[{many}]", IngredientKnowledge.Shipped, Pans).Drafts.Count);
    }

    public static TheoryData<string, string> Hostile() =>
        new()
        {
            { "{\"@type\":\"Recipe\",\"name\":", "breaks off" },
            { new string('[', 5000), "breaks off" },
            { "{\"@type\":\"Article\"}", "no recipe" },
            { "<html><body><h1>Nothing here</h1></body></html>", "copy the recipe" },
            { "   ", "nothing to read" },
            { new string('x', PageReader.Largest + 1), "at most" },
            {
                "<!DOCTYPE x [<!ENTITY a \"aaaaaaaaaa\"><!ENTITY b \"&a;&a;&a;&a;&a;&a;&a;&a;\"><!ENTITY c "
                    + "\"&b;&b;&b;&b;&b;&b;&b;&b;\">]><html><body>&c;</body></html>",
                "copy the recipe"
            },
        };

    [Theory]
    [MemberData(nameof(Hostile))]
    public void What_cannot_be_read_says_so_and_executes_nothing(string text, string words)
    {
        var result = PageReader.Read(text, IngredientKnowledge.Shipped, Pans);
        Assert.Empty(result.Drafts);
        Assert.Contains(words, result.Message, StringComparison.OrdinalIgnoreCase);
    }

    [Fact]
    public void A_page_nested_a_hundred_thousand_deep_is_survived()
    {
        var page = new StringBuilder("<html><body>").Insert(12, "<div>", 100_000).Append("end");
        var result = PageReader.Read(page.ToString(), IngredientKnowledge.Shipped, Pans);
        Assert.Empty(result.Drafts);
    }

    [Fact]
    public void Markup_in_fields_stays_words()
    {
        var draft = PageReader
            .Read(
                """{"@type":"Recipe","name":"<script>alert(1)</script>Pie<img src=x onerror=alert(1)>","recipeIngredient":["1 cup <b>sugar</b>"]}""",
                IngredientKnowledge.Shipped,
                Pans
            )
            .Drafts.Single();
        Assert.Equal("Pie", draft.Name);
        Assert.Equal("1 cup sugar", draft.Parts[0].Lines);
    }

    [Fact]
    public void Random_text_never_throws() =>
        Gen.String.Sample(text =>
        {
            PageReader.Read(text, IngredientKnowledge.Shipped, Pans);
        });

    private static IEnumerable<string> Words(string text) =>
        new string([.. text.Select(c => char.IsLetterOrDigit(c) ? c : ' ')]).Split(' ', StringSplitOptions.RemoveEmptyEntries).Distinct();
}
