using System.Globalization;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;
using Zymethos.Core.Scaling;
using Zymethos.Interchange.Demo;
using Zymethos.Interchange.Documents;

namespace Zymethos.Core.Tests.Scaling;

public sealed class ScalingRuleTests
{
    private static readonly IngredientKnowledge Known = IngredientKnowledge.Shipped;
    private static readonly Dictionary<string, Recipe> Book = DemoKitchen
        .Recipes()
        .ToDictionary(r => r.Key, r => new DocumentReader().Read(r, "recipe"));

    // A large egg 50 g, white 33 g, yolk 17 g: USDA FoodData Central SR Legacy (from memory).
    [Theory]
    [InlineData(50, "1 egg")]
    [InlineData(150, "3 eggs")]
    [InlineData(145, "3 eggs")]
    [InlineData(67, "1 egg + 1 yolk")]
    [InlineData(83, "1 egg + 1 white")]
    [InlineData(17, "1 yolk")]
    public void Eggs_are_whole_or_the_nearest_mix(double grams, string words) =>
        Assert.Equal(words, EggMeasure.For(Mass.FromGrams(grams)).ToText());

    // Colorado State University Extension high-altitude table (from memory), Scaling/altitude.csv.
    [Fact]
    public void Elevation_stays_within_the_published_ranges()
    {
        foreach (
            var cells in File.ReadLines(Path.Combine(AppContext.BaseDirectory, "Scaling", "altitude.csv")).Skip(1).Select(r => r.Split(','))
        )
        {
            double At(int i) => double.Parse(cells[i], CultureInfo.InvariantCulture);
            var change = Elevation.At(At(0) / Elevation.FeetPerMetre + 0.001);
            Assert.NotNull(change);
            Assert.InRange(change.Value.LeavenerLess, At(1) - 1e-6, At(2) + 1e-3);
            Assert.InRange(change.Value.SugarLessTbspPerCup, At(3) - 1e-6, At(4) + 1e-3);
            Assert.InRange(change.Value.LiquidMoreTbspPerCup, At(5) - 1e-6, At(6) + 1e-3);
        }

        Assert.Null(Elevation.At(900));
        Assert.True(Elevation.At(1200)!.Value.LeavenerLess < Elevation.At(1800)!.Value.LeavenerLess);
    }

    [Fact]
    public void Elevation_says_what_changes_for_a_cake_and_to_watch_a_dough()
    {
        var loaf = Elevation.Changes(ScaledRecipe.ByMultiple(Book["market-squash-loaf"], 1), Known, 2000);
        Assert.Contains(loaf, c => c.Words.StartsWith("baking soda: ", StringComparison.Ordinal));
        Assert.Contains(loaf, c => c.Words.StartsWith("water: ", StringComparison.Ordinal));
        Assert.Contains(
            "size, not the clock",
            Assert.Single(Elevation.Changes(ScaledRecipe.ByMultiple(Book["lantern-plait"], 1), Known, 2000)).Words,
            StringComparison.Ordinal
        );
        Assert.Empty(Elevation.Changes(ScaledRecipe.ByMultiple(Book["market-squash-loaf"], 1), Known, 260));
    }

    [Fact]
    public void A_batch_too_large_for_the_bowl_is_split_into_equal_mixes()
    {
        MixerFit Mix(double times) =>
            MixerFit.Of(
                RecipeKind.Bread,
                RecipeFacts.Dough(Book["lantern-plait"]) * times,
                RecipeFacts.Flour(Book["lantern-plait"], Known) * times,
                4.5
            );
        Assert.Equal(1, Mix(1).Mixes);
        Assert.Equal(2, Mix(2).Mixes);
        Assert.Equal(3, Mix(3).Mixes);
        Assert.Equal(RecipeFacts.Dough(Book["lantern-plait"]).Grams * 3, Mix(3).Each.Grams * 3, 6);
    }

    [Fact]
    public void Strands_are_equal_and_add_up_to_the_dough_less_what_is_set_aside()
    {
        var plait = Book["lantern-plait"];
        var dough = RecipeFacts.Dough(plait).Grams;
        var strands = Division.Of(plait, 1, Mass.FromGrams(60))!;
        Assert.Equal(6, strands.Count);
        Assert.Equal(dough - 60, strands.Each.Grams * 6, 6);
        Assert.Equal(12, Division.Of(plait, 2, Mass.FromGrams(0))!.Count);
        Assert.Null(Division.Of(Book["copper-ring"], 1, Mass.FromGrams(0)));
    }

    [Fact]
    public void One_can_makes_two_loaves_and_says_so_both_ways()
    {
        PackageCount Can(double times) =>
            PackageCount.For(ScaledRecipe.ByMultiple(Book["market-squash-loaf"], times), Known).Single(p => p.Ingredient == "pumpkin");
        Assert.Equal((1, 1.0), (Can(1).Count, Can(1).FullFactor!.Value));
        Assert.Equal(2, Can(1.5).Count);
        Assert.Equal(2.0, Can(1.5).FullFactor!.Value, 6);
        Assert.Equal(212.5, Can(1.5).Over.Grams, 3);
    }

    [Fact]
    public void Bakers_percentages_are_shares_of_the_flour()
    {
        var formula = Formula.Of(Book["lantern-plait"], Known)!;
        Assert.Equal(1000, formula.Flour.Grams, 6);
        Assert.Equal(39, formula.Lines.Single(l => l.Ingredient == "water").Percent, 6);
        Assert.Equal(1.8, formula.Lines.Single(l => l.Ingredient == "salt").Percent, 6);
    }

    // Bands of leavener: 1 to 1 1/4 tsp powder, or 1/4 tsp soda, to a cup of flour (common practice, no source).
    [Fact]
    public void A_formula_out_of_band_is_questioned()
    {
        var loaf = Book["market-squash-loaf"];
        var soda = loaf with
        {
            Parts =
            [
                loaf.Parts[0] with
                {
                    Lines =
                    [
                        .. loaf.Parts[0].Lines.Select(l => l.Ingredient == "baking soda" ? l with { Weight = Mass.FromGrams(30) } : l),
                    ],
                },
            ],
        };
        var band = Formula.Of(soda, Known)!.Bands.Single(b => b.What.StartsWith("Lift", StringComparison.Ordinal));
        Assert.False(band.IsUsual);
        Assert.Contains("more than usual", band.Words, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("market-squash-loaf", "sunflower oil", "sauce-for-oil", "applesauce", 200 * 244.0 / 218)]
    [InlineData("lantern-plait", "instant yeast", "fresh-yeast", "fresh yeast", 39)]
    [InlineData("cellar-fruit-cake", "mixed spice", "spices-for-blend", "cinnamon", 3)]
    [InlineData("copper-ring", "buttermilk", "cultured-milk", "lemon juice", 306.0 / 16)]
    public void A_swap_keeps_its_ratio(string key, string from, string rule, string to, double grams)
    {
        var swapped = SwappedRecipe.Of(ChosenRecipe.Of(Book[key]) with { Swaps = [new Swap(rule, from)] }, Known);
        var line = swapped.Parts.SelectMany(p => p.Lines).First(l => l.InsteadOf == from && l.Ingredient == to);
        Assert.Equal(grams, line.Weight!.Value.Grams, 6);
        Assert.DoesNotContain(swapped.Parts.SelectMany(p => p.Lines), l => l.Ingredient == from);
    }

    [Fact]
    public void Salted_butter_takes_its_salt_from_the_recipe()
    {
        var rounds = Book["lamplight-ginger-rounds"] with { Swaps = [new Swap("salted-butter", "butter, unsalted")] };
        var salt = SwappedRecipe.Of(rounds, Known).Parts.SelectMany(p => p.Lines).Single(l => l.Ingredient == "salt");
        Assert.Equal(3 - (170 * 1.5 / 113), salt.Weight!.Value.Grams, 6);
        Assert.Equal("3 g of it", salt.InsteadOf);
    }

    [Fact]
    public void Every_rule_names_ingredients_that_exist_and_a_change_worth_saying() =>
        Assert.All(
            SubstitutionRule.All,
            rule =>
            {
                Assert.All(rule.From, f => Assert.Equal(f, Known.Find(f)?.Name));
                Assert.All(rule.To, t => Assert.Equal(t.Ingredient, Known.Find(t.Ingredient)?.Name));
                Assert.True(rule.Changes.Length > 10 && rule.Source.Length > 5);
                Assert.InRange(rule.To.Sum(t => t.Ratio), 0.3, 3.01);
            }
        );

    [Theory]
    [InlineData("cellar-fruit-cake", Diet.NoAlcohol, true)]
    [InlineData("cellar-fruit-cake", Diet.NoNuts, true)]
    [InlineData("market-squash-loaf", Diet.NoEgg, true)]
    [InlineData("doorstep-fruit-loaf", Diet.NoEgg, true)]
    [InlineData("orchard-almond-slices", Diet.NoNuts, true)]
    [InlineData("pocket-muffins", Diet.NoAlcohol, true)]
    [InlineData("parade-cake", Diet.NoEgg, false)]
    [InlineData("lantern-plait", Diet.NoGluten, false)]
    public void A_version_for_a_diet_is_made_where_the_recipe_can(string key, Diet diet, bool can)
    {
        var version = Diets.VersionFor(Book[key], diet, Known);
        Assert.Equal(can, version.Left.IsEmpty);
        if (can)
            Assert.Empty(Diets.Against(version.Version, diet, Known));
        Assert.Empty(RecipeCheck.Find(version.Version));
    }

    [Fact]
    public void An_unknown_ingredient_suits_no_diet()
    {
        var loaf = Book["doorstep-fruit-loaf"];
        var odd = loaf with { Parts = [loaf.Parts[0] with { Lines = [loaf.Parts[0].Lines[0] with { Ingredient = "moon dust" }] }] };
        Assert.Contains(Diets.Against(odd, Diet.NoEgg, Known), l => l.Ingredient == "moon dust");
    }

    [Fact]
    public void Allergens_follow_the_choices()
    {
        var cake = Book["cellar-fruit-cake"];
        Assert.Contains(Allergen.TreeNut, AllergenStatement.Of(cake, Known).Contains);
        Assert.DoesNotContain(Allergen.TreeNut, AllergenStatement.Of(ChosenRecipe.Choose(cake, "nuts", "out"), Known).Contains);
    }

    // Flour habits: 125 g a cup by the table, 120 spooned, 140 dipped and swept (USDA from memory; common practice).
    [Theory]
    [InlineData(FlourHabit.Table, 250)]
    [InlineData(FlourHabit.Spooned, 240)]
    [InlineData(FlourHabit.Dipped, 280)]
    public void A_cup_of_flour_weighs_what_the_habit_makes_of_it(FlourHabit habit, double grams) =>
        Assert.Equal(grams, LineReader.Read("2 cups plain flour", new IngredientKnowledge([], habit)).Weight!.Value.Grams, 6);

    [Fact]
    public void A_kitchens_own_ingredient_is_known_and_overrules_the_table()
    {
        var flour = Known.Find("plain flour")! with { CupGrams = 133, Source = "the kitchen's own" };
        var moon = flour with { Name = "moon dust", Aliases = ["lunar flour"], CupGrams = 50 };
        var own = new IngredientKnowledge([flour, moon], FlourHabit.Table);
        Assert.Equal(133, LineReader.Read("1 cup plain flour", own).Weight!.Value.Grams, 6);
        Assert.Equal(100, LineReader.Read("2 cups lunar flour", own).Weight!.Value.Grams, 6);
        Assert.Null(LineReader.Read("2 cups moon dust").Ingredient);
        Assert.Equal(Known.All.Count() + 1, own.All.Count());
    }
}
