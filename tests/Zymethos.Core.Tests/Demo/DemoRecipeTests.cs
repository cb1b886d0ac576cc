using Zymethos.Core.Interchange;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Store.Demo;

namespace Zymethos.Core.Tests.Demo;

/// <summary>The recipes that ship: sound, complete, and in the ratios bakers use (common practice, no source, where none is named).</summary>
public sealed class DemoRecipeTests
{
    private static readonly Dictionary<string, Recipe> Recipes = DemoKitchen.Recipes().ToDictionary(r => r.Key, r => new DocumentReader().Read(r, "recipe"));

    private static double Grams(string recipe, string ingredient) =>
        Recipes[recipe].Parts.SelectMany(p => p.Lines).Where(l => !l.IsOptional && l.Ingredient.Contains(ingredient, StringComparison.Ordinal)).Sum(l => l.Weight!.Value.Grams);

    [Fact]
    public void There_are_five_and_their_methods_are_sound()
    {
        Assert.Equal(5, Recipes.Count);
        Assert.All(Recipes.Values, r => Assert.Empty(RecipeCheck.Find(r)));
    }

    [Fact]
    public void Every_line_has_a_weight_and_every_bake_a_done_test()
    {
        foreach (var recipe in Recipes.Values)
        {
            Assert.All(recipe.Parts.SelectMany(p => p.Lines), l => Assert.True(l.Weight is { Grams: > 0 } || l.Amount is null, $"{recipe.Key}: {l.Ingredient}"));
            Assert.All(recipe.Steps.Where(s => s.Kind == StepKind.Bake), s => Assert.NotEmpty(s.DoneTests));
            Assert.NotEmpty(recipe.Keeping);
        }
    }

    [Fact]
    public void Every_step_is_tied_to_another()
    {
        foreach (var recipe in Recipes.Values)
            Assert.All(recipe.Steps, s => Assert.Contains(recipe.Links, l => l.From == s.Key || l.To == s.Key));
    }

    [Fact]
    public void The_plait_is_a_bread()
    {
        var flour = Grams("lantern-plait", "bread flour");
        Assert.InRange(Grams("lantern-plait", "salt") / flour, 0.015, 0.022);
        Assert.InRange(Grams("lantern-plait", "instant yeast") / flour, 0.007, 0.016);
        // Whole egg is about three quarters water (USDA FoodData Central, from memory).
        var dough = Recipes["lantern-plait"].Parts[0].Lines.Where(l => l.Ingredient == "eggs, large").Sum(l => l.Weight!.Value.Grams);
        Assert.InRange((Grams("lantern-plait", "water") + (0.75 * dough)) / flour, 0.45, 0.60);
    }

    [Fact]
    public void The_squash_loaf_is_a_quick_loaf()
    {
        var cups = Grams("market-squash-loaf", "plain flour") / 123;
        // 1/4 tsp soda to a cup of flour, up to twice that with an acid purée and brown sugar; a teaspoon weighs 4.6 g (USDA, from memory).
        Assert.InRange(Grams("market-squash-loaf", "baking soda") / 4.6 / cups, 0.25, 0.65);
        Assert.InRange(Grams("market-squash-loaf", "sugar") / Grams("market-squash-loaf", "plain flour"), 0.7, 1.2);
    }

    [Fact]
    public void The_cookies_are_cookies()
    {
        Assert.InRange(Grams("window-shapes", "butter") / Grams("window-shapes", "plain flour"), 0.5, 0.7);
        Assert.InRange(Grams("lamplight-ginger-rounds", "butter") / Grams("lamplight-ginger-rounds", "plain flour"), 0.4, 0.65);
        Assert.InRange(Grams("orchard-almond-slices", "eggs") / Grams("orchard-almond-slices", "plain flour"), 0.35, 0.6);
    }

    // USDA FoodData Central SR Legacy portions (from memory), for the measures these recipes give beside a weight.
    [Theory]
    [InlineData("lamplight-ginger-rounds", "dark brown sugar", 220)]
    [InlineData("orchard-almond-slices", "almonds, whole", 143)]
    public void A_cup_weighs_what_the_table_says(string recipe, string ingredient, double gramsPerCup)
    {
        var line = Recipes[recipe].Parts.SelectMany(p => p.Lines).Single(l => l.Ingredient == ingredient);
        Assert.Equal(MeasureUnit.Cup, line.Amount!.Unit);
        Assert.Equal(gramsPerCup * line.Amount.Low, line.Weight!.Value.Grams, 0);
    }

    [Fact]
    public void Bakes_lie_where_their_kind_is_baked() =>
        Assert.All(
            Recipes.Values.SelectMany(r => r.Steps).Where(s => s.Kind == StepKind.Bake),
            s => Assert.InRange(s.Oven!.SetTemperature.Celsius, 140, 230));
}
