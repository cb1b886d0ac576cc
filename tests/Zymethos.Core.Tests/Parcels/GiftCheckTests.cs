using Zymethos.Core.Measures;
using Zymethos.Core.Parcels;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;
using Zymethos.Core.Scaling;
using Zymethos.Interchange.Demo;
using Zymethos.Interchange.Documents;

namespace Zymethos.Core.Tests.Parcels;

/// <summary>Who may have what. Expected answers are what a careful baker says of the shipped Book, not what the code says.</summary>
public sealed class GiftCheckTests
{
    private static readonly Recipient Anybody = new(Guid.NewGuid(), "Wren");

    private static GiftBake Bake(string key, string finish = "", params (string Choice, string Way)[] ways)
    {
        var recipe = new DocumentReader().Read(DemoKitchen.Recipes().First(r => r.Key == key), "recipe");
        foreach (var (choice, way) in ways)
            recipe = ChosenRecipe.Choose(recipe, choice, way);
        return GiftBake.Of(recipe, finish, IngredientKnowledge.Shipped);
    }

    private static GiftBake Made(params string[] ingredients) =>
        GiftBake.Of(
            new DocumentReader().Read(DemoKitchen.Recipes()[0], "recipe") with
            {
                Parts =
                [
                    new Part(
                        "Dough",
                        PartKind.Dough,
                        [.. ingredients.Select(i => new IngredientLine(null, Mass.FromGrams(100), i, "", "", false))]
                    ),
                ],
                Choices = [],
                Finishes = [],
                Swaps = [],
                Steps = [],
                Links = [],
            },
            "",
            IngredientKnowledge.Shipped
        );

    [Theory]
    [InlineData("orchard-almond-slices", Allergen.TreeNut, GiftVerdict.Never)]
    [InlineData("plum-street-butters", Allergen.Egg, GiftVerdict.Never)]
    [InlineData("plum-street-butters", Allergen.TreeNut, GiftVerdict.Fine)]
    [InlineData("doorstep-fruit-loaf", Allergen.Egg, GiftVerdict.Fine)]
    [InlineData("plum-street-butters", Allergen.Wheat, GiftVerdict.Never)]
    [InlineData("plum-street-butters", Allergen.Gluten, GiftVerdict.Never)]
    public void An_allergen_in_it_bars_it_and_one_that_is_certainly_not_does_not(string key, Allergen avoids, GiftVerdict verdict) =>
        Assert.Equal(verdict, GiftCheck.Of(Anybody with { Avoids = [avoids] }, Bake(key)).Verdict);

    [Fact]
    public void What_is_not_known_is_asked_and_never_fine()
    {
        var wren = Anybody with { Avoids = [Allergen.TreeNut] };
        var stand = GiftCheck.Of(wren, Made("flour", "grandmother's secret powder"));
        Assert.Equal(GiftVerdict.Look, stand.Verdict);
        Assert.Contains("grandmother's secret powder", stand.Words, StringComparison.Ordinal);
        // A recipe without any lines is known of least of all.
        Assert.Equal(GiftVerdict.Look, GiftCheck.Of(wren, Made()).Verdict);
        // Whoever avoids nothing is asked nothing.
        Assert.Equal(GiftVerdict.Fine, GiftCheck.Of(Anybody, Made("flour", "grandmother's secret powder")).Verdict);
    }

    [Fact]
    public void A_word_of_the_bakers_own_bars_what_names_it_and_is_asked_of_everything_else()
    {
        var coconut = Anybody with { AlsoAvoids = ["coconut"] };
        Assert.Equal(GiftVerdict.Never, GiftCheck.Of(coconut, Made("flour", "desiccated coconut")).Verdict);
        Assert.Equal(GiftVerdict.Look, GiftCheck.Of(coconut, Made("flour", "butter")).Verdict);
        // Plural and capitals are the same thing.
        Assert.Equal(GiftVerdict.Never, GiftCheck.Of(Anybody with { AlsoAvoids = ["Walnut"] }, Made("walnuts, chopped")).Verdict);
        // Half of a word is another thing.
        Assert.Equal(GiftVerdict.Look, GiftCheck.Of(Anybody with { AlsoAvoids = ["rum"] }, Made("breadcrumbs")).Verdict);
    }

    [Fact]
    public void A_cake_fed_with_spirit_is_not_for_abstainers_infants_or_in_pregnancy_and_soaked_in_juice_it_is()
    {
        var fed = Bake("cellar-fruit-cake", "", ("soak", "spirit"));
        var juice = Bake("cellar-fruit-cake", "", ("soak", "juice"));
        foreach (
            var who in new[]
            {
                Anybody with
                {
                    Diets = [Diet.NoAlcohol],
                },
                Anybody with
                {
                    IsExpecting = true,
                },
                Anybody with
                {
                    Age = RecipientAge.Infant,
                },
                Anybody with
                {
                    Age = RecipientAge.SmallChild,
                },
            }
        )
            Assert.Equal(GiftVerdict.Never, GiftCheck.Of(who, fed).Verdict);
        Assert.Equal(GiftVerdict.Fine, GiftCheck.Of(Anybody with { IsExpecting = true }, juice).Verdict);
    }

    [Fact]
    public void Honey_is_for_no_infant_and_whole_nuts_for_no_small_child()
    {
        Assert.Equal(GiftVerdict.Never, GiftCheck.Of(Anybody with { Age = RecipientAge.Infant }, Made("flour", "honey")).Verdict);
        Assert.Equal(GiftVerdict.Fine, GiftCheck.Of(Anybody with { Age = RecipientAge.SmallChild }, Made("flour", "honey")).Verdict);
        Assert.Equal(GiftVerdict.Never, GiftCheck.Of(Anybody with { Age = RecipientAge.SmallChild }, Made("flour", "hazelnuts")).Verdict);
        Assert.Equal(
            GiftVerdict.Fine,
            GiftCheck.Of(Anybody with { Age = RecipientAge.SmallChild }, Made("flour", "ground almonds")).Verdict
        );
        Assert.Equal(
            GiftVerdict.Look,
            GiftCheck.Of(Anybody with { Age = RecipientAge.SmallChild }, Made("flour", "sparkle pearls")).Verdict
        );
    }

    [Theory]
    [InlineData(Diet.NoMilk, "butter")]
    [InlineData(Diet.NoEgg, "egg yolk")]
    [InlineData(Diet.Vegan, "honey")]
    [InlineData(Diet.Vegan, "lard")]
    [InlineData(Diet.NoNuts, "peanut butter")]
    [InlineData(Diet.NoAlcohol, "vanilla extract")]
    public void A_diet_bars_what_is_against_it(Diet diet, string ingredient) =>
        Assert.Equal(GiftVerdict.Never, GiftCheck.Of(Anybody with { Diets = [diet] }, Made("flour", ingredient)).Verdict);

    [Fact]
    public void Pieces_beside_others_with_nuts_are_asked_for()
    {
        var recipe = new DocumentReader().Read(DemoKitchen.Recipes().First(r => r.Key == "coal-cellar-buttons"), "recipe") with
        {
            Parts =
            [
                new Part(
                    "Dough",
                    PartKind.Dough,
                    [
                        new IngredientLine(null, Mass.FromGrams(100), "flour", "", "", false),
                        new IngredientLine(null, Mass.FromGrams(50), "hazelnuts", "", "", false),
                    ]
                ),
            ],
            Choices = [],
            Swaps = [],
            Finishes = [new Finish("plain", 10, []), new Finish("with hazelnuts", 10, ["hazelnuts"])],
        };
        var wren = Anybody with { Avoids = [Allergen.TreeNut] };
        Assert.Equal(GiftVerdict.Never, GiftCheck.Of(wren, GiftBake.Of(recipe, "with hazelnuts", IngredientKnowledge.Shipped)).Verdict);
        Assert.Equal(GiftVerdict.Look, GiftCheck.Of(wren, GiftBake.Of(recipe, "plain", IngredientKnowledge.Shipped)).Verdict);
        Assert.Equal(GiftVerdict.Never, GiftCheck.Of(wren, GiftBake.Of(recipe, "", IngredientKnowledge.Shipped)).Verdict);
    }

    [Fact]
    public void A_label_lists_by_weight_and_sets_allergens_off()
    {
        var list = LabelIngredients.Of(Made("water", "butter", "hazelnuts"), IngredientKnowledge.Shipped);
        Assert.Equal(["butter", "hazelnuts", "water"], list.Select(i => i.Name).Order());
        var bake = Bake("plum-street-butters");
        var label = LabelIngredients.Of(bake, IngredientKnowledge.Shipped);
        // Regulation 1169/2011, article 18: descending order of weight.
        var weights = label.Select(i => i.Grams ?? -1).ToList();
        Assert.Equal(weights.OrderDescending(), weights);
        Assert.Contains(label, i => i.Allergens.Contains(Allergen.Milk));
        // Article 21: whatever the statement says is set off at the ingredient that brings it.
        Assert.Equal(bake.Statement.Contains, label.SelectMany(i => i.Allergens).Distinct().Order());
    }
}
