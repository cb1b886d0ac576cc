using CsCheck;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;
using Zymethos.Core.Scaling;

namespace Zymethos.Core.Tests.Scaling;

/// <summary>An allergen is never lost, and what is not known is never shown as safe.</summary>
public sealed class AllergenStatementTests
{
    private static readonly IngredientKnowledge Known = IngredientKnowledge.Shipped;

    private static LineAllergens Line(string words) => LineAllergens.Of(LineReader.Read(words, Known), Known);

    private static AllergenStatement Of(params string[] lines) =>
        AllergenStatement.OfLines([.. lines.Select(l => LineReader.Read(l, Known))], Known);

    private static bool Covers(LineAllergens line, Allergen allergen) =>
        line.Contains.Contains(allergen) || line.Open.Any(o => o.IsAnything || o.MayBe.Contains(allergen));

    // Forty ways in which people write an ingredient down.
    private static readonly string[] Phrasings =
    [
        "{0}",
        "100 g {0}",
        "100g {0}",
        "1 cup {0}",
        "1/2 cup {0}",
        "2 tbsp {0}",
        "1 tsp. {0}",
        "{0}, 2 tbsp",
        "{0} - 50g",
        "about 60 g {0}",
        "a handful of {0}",
        "some {0}",
        "3/4 c. {0}",
        "60 g of {0}",
        "{0} (optional)",
        "extra {0} for dusting",
        "1 pkg {0}",
        "1 (200 g) bag {0}",
        "200 g organic {0}",
        "200 g good-quality {0}",
        "100 g {0}, at room temperature",
        "100 g {0}, chopped",
        "100 g finely chopped {0}",
        "1 lb {0}",
        "4 oz/115 g {0}",
        "½ cup {0}",
        "1 ½ cups {0}",
        "{0} to taste",
        "{0} for the tin",
        "plus 2 tbsp {0}",
        "2 heaped tbsp {0}",
        "a pinch of {0}",
        "1 cup packed {0}",
        "100 g {0}, melted and cooled",
        "the same {0} again",
        "100 g fresh {0}",
        "1,000 g {0}",
        "50 g {0} or more",
        "* 50 g {0}",
        "• {0} 50 g",
    ];

    [Fact]
    public void No_allergen_of_any_ingredient_is_lost_however_it_is_written()
    {
        Assert.Equal(40, Phrasings.Length);
        var lost = new List<string>();
        foreach (var ingredient in IngredientTable.All)
        {
            foreach (var phrasing in Phrasings)
            {
                var words = string.Format(System.Globalization.CultureInfo.InvariantCulture, phrasing, ingredient.Name);
                var line = Line(words);
                lost.AddRange(ingredient.Allergens.Where(a => !Covers(line, a)).Select(a => $"{words}: {a}"));
            }
        }

        Assert.True(lost.Count == 0, string.Join('\n', lost.Take(30)));
    }

    // Words that name an allergen, with what they name (EU 1169/2011, annex II, and US FALCPA; both from memory).
    private static readonly (string Word, Allergen Is)[] Sources =
    [
        ("hazelnut", Allergen.TreeNut),
        ("almond", Allergen.TreeNut),
        ("cashew", Allergen.TreeNut),
        ("walnut", Allergen.TreeNut),
        ("pecan", Allergen.TreeNut),
        ("pistachio", Allergen.TreeNut),
        ("macadamia", Allergen.TreeNut),
        ("peanut", Allergen.Peanut),
        ("groundnut", Allergen.Peanut),
        ("sesame", Allergen.Sesame),
        ("soy", Allergen.Soy),
        ("soya", Allergen.Soy),
        ("lupin", Allergen.Lupin),
        ("oat", Allergen.Gluten),
        ("rye", Allergen.Gluten),
        ("barley", Allergen.Gluten),
        ("spelt", Allergen.Wheat),
        ("wheat", Allergen.Wheat),
        ("milk", Allergen.Milk),
        ("egg", Allergen.Egg),
        ("celery", Allergen.Celery),
        ("mustard", Allergen.Mustard),
        ("anchovy", Allergen.Fish),
        ("prawn", Allergen.Shellfish),
    ];

    private static readonly string[] Made =
    [
        "flour",
        "butter",
        "oil",
        "milk",
        "cream",
        "yogurt",
        "meal",
        "paste",
        "spread",
        "crumb",
        "powder",
        "biscuit",
        "filling",
        "drink",
        "crunch",
        "cheese",
        "syrup",
        "essence",
        "brittle",
        "flakes",
        "mix",
    ];

    [Fact]
    public void No_word_that_names_an_allergen_is_dropped_in_silence() =>
        Gen.Select(Gen.Int[0, 23], Gen.Int[0, 20], Gen.Int[0, 4])
            .Sample(
                (source, made, way) =>
                {
                    var (word, allergen) = Sources[source];
                    var name = way switch
                    {
                        0 => $"{word} {Made[made]}",
                        1 => $"toasted {word} {Made[made]}",
                        2 => $"{Made[made]} with {word}",
                        3 => $"{Made[made]} ({word})",
                        _ => $"crunchy {word} {Made[made]} bits",
                    };
                    var line = Line($"100 g {name}");
                    Assert.True(Covers(line, allergen), $"{name}: {allergen} is lost; it has {string.Join(", ", line.Contains)}");
                },
                iter: 500
            );

    [Theory]
    [InlineData("200 g hazelnut flour", Allergen.TreeNut)]
    [InlineData("150 g cashew butter", Allergen.TreeNut)]
    [InlineData("2 tbsp peanut oil", Allergen.Peanut)]
    [InlineData("30 g pine nuts", Allergen.TreeNut)]
    [InlineData("200 g mixed fruit and nuts (raisins, walnuts, almonds)", Allergen.TreeNut)]
    [InlineData("100 ml soya cream", Allergen.Soy)]
    [InlineData("50 g lupin flour", Allergen.Lupin)]
    [InlineData("1 egg, beaten with a splash of milk", Allergen.Milk)]
    public void A_compound_carries_the_allergen_of_its_source(string words, Allergen allergen) =>
        Assert.Contains(allergen, Line(words).Contains);

    [Theory]
    [InlineData("150 g cashew butter", Allergen.Milk)]
    [InlineData("200 g hazelnut flour", Allergen.Wheat)]
    [InlineData("100 ml coconut milk", Allergen.Milk)]
    [InlineData("2 tbsp cocoa butter", Allergen.Milk)]
    [InlineData("1 tsp cream of tartar", Allergen.Milk)]
    [InlineData("1 tsp nutmeg", Allergen.TreeNut)]
    public void And_not_that_of_what_it_stands_in_for(string words, Allergen allergen) =>
        Assert.DoesNotContain(allergen, Line(words).Contains);

    [Theory]
    [InlineData("200 g gluten-free oats", Allergen.Gluten)]
    [InlineData("100 g vegan butter", Allergen.Milk)]
    [InlineData("100 g dairy-free chocolate chips", Allergen.Milk)]
    [InlineData("1 egg replacer", Allergen.Egg)]
    [InlineData("100 g margarine", Allergen.Milk)]
    [InlineData("100 g toffee bits", Allergen.TreeNut)]
    public void A_claim_or_a_label_is_asked_and_never_declared(string words, Allergen allergen)
    {
        var statement = Of(words);
        Assert.True(statement.MayContain(allergen));
        Assert.DoesNotContain(allergen, statement.FreeFrom);
        Assert.False(statement.IsWhollyKnown);
    }

    [Fact]
    public void One_line_that_is_not_understood_takes_free_from_away()
    {
        Assert.Contains(Allergen.TreeNut, Of("200 g plain flour", "1 tsp salt").FreeFrom);
        var statement = Of("200 g plain flour", "a fistful of grotz");
        Assert.Empty(statement.FreeFrom);
        Assert.All(Enum.GetValues<Allergen>(), a => Assert.True(statement.MayContain(a)));
        Assert.Contains("grotz", StatementWords.Whole(statement), StringComparison.Ordinal);
    }

    [Fact]
    public void A_word_beside_a_known_ingredient_that_is_not_understood_does_so_too() => Assert.Empty(Of("200 g zorbat flour").FreeFrom);

    [Fact]
    public void A_recipe_without_lines_is_free_from_nothing()
    {
        var empty = new Recipe("x", "X", "", new Yield(1, "cakes"), [], [], [], []);
        var statement = AllergenStatement.Of(empty, Known);
        Assert.Empty(statement.FreeFrom);
        Assert.All(Enum.GetValues<Diet>(), d => Assert.NotEqual(DietStand.Suits, Diets.Stand(statement, d)));
    }

    [Fact]
    public void What_only_the_method_names_is_not_known()
    {
        var recipe = new Recipe(
            "x",
            "X",
            "",
            new Yield(1, "cakes"),
            [new Part("Batter", PartKind.Batter, [new IngredientLine(null, Mass.FromGrams(200), "rice flour", "", "", false)])],
            [
                new Step(
                    "a",
                    "Butter the tin",
                    "Then brush with beaten egg.",
                    StepKind.Work,
                    DurationEstimate.Minutes(1, 2, 3),
                    1,
                    null,
                    1,
                    [],
                    []
                ),
            ],
            [],
            []
        );
        var statement = AllergenStatement.Of(recipe, Known);
        Assert.True(statement.MayContain(Allergen.Milk));
        Assert.True(statement.MayContain(Allergen.Egg));
        Assert.Equal(DietStand.NotKnown, Diets.Stand(statement, Diet.NoEgg));
    }

    [Fact]
    public void Sizes_and_tools_name_nothing_that_is_eaten()
    {
        var recipe = new Recipe(
            "x",
            "X",
            "",
            new Yield(1, "balls"),
            [new Part("Dough", PartKind.Dough, [new IngredientLine(null, Mass.FromGrams(200), "rice flour", "", "", false)])],
            [
                new Step(
                    "a",
                    "Roll into walnut-sized balls",
                    "Cut with a biscuit cutter. Cream the sugar and oil.",
                    StepKind.Work,
                    DurationEstimate.Minutes(1, 2, 3),
                    1,
                    null,
                    1,
                    [],
                    []
                ),
            ],
            [],
            []
        );
        Assert.Empty(AllergenStatement.Of(recipe, Known).Open);
    }

    [Theory]
    [InlineData("3 tbsp brandy", true)]
    [InlineData("1 tsp vanilla extract", false)]
    public void Spirit_is_said_and_an_extract_too(string line, bool spirit)
    {
        var statement = Of(line);
        Assert.Equal(spirit, statement.HasSpirit);
        Assert.Contains(StatementWords.ForWhom(statement), w => w.Contains("alcohol", StringComparison.Ordinal));
    }

    [Fact]
    public void Honey_is_said_for_infants() =>
        Assert.Contains(StatementWords.ForWhom(Of("2 tbsp honey")), w => w.Contains("12 months", StringComparison.Ordinal));
}
