using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;
using Zymethos.Core.Scaling;
using Zymethos.Interchange.Demo;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Checking;
using Zymethos.Planning.Day;
using Zymethos.Planning.Search;
using Zymethos.Planning.Seasons;

namespace Zymethos.Interchange.Tests.Demo;

/// <summary>The recipes that ship: sound, complete, and in the ratios bakers use (common practice, no source, where none is
/// named).</summary>
public sealed class DemoRecipeTests
{
    private static readonly Dictionary<string, Recipe> Recipes = DemoKitchen
        .Recipes()
        .ToDictionary(r => r.Key, r => new DocumentReader().Read(r, "recipe"));

    private static double Grams(string recipe, string ingredient) =>
        Recipes[recipe]
            .Parts.SelectMany(p => p.Lines)
            .Where(l => !l.IsOptional && l.Ingredient.Contains(ingredient, StringComparison.Ordinal))
            .Sum(l => l.Weight!.Value.Grams);

    [Fact]
    public void There_are_nineteen_and_their_methods_are_sound()
    {
        Assert.Equal(19, Recipes.Count);
        Assert.All(Recipes.Values, r => Assert.Empty(RecipeCheck.Find(r)));
    }

    public static TheoryData<string> Keys() => [.. Recipes.Keys];

    [Theory]
    [MemberData(nameof(Keys))]
    public void Every_ingredient_is_known_with_its_weight_and_its_allergens(string key)
    {
        foreach (var line in Recipes[key].Parts.SelectMany(p => p.Lines))
        {
            var meant = IngredientKnowledge.Shipped.Meant(line.Ingredient);
            Assert.True(meant is not null, $"{line.Ingredient} is not known");
            Assert.True(line.Weight is { Grams: > 0 }, $"{line.Ingredient} has no weight");
            // Where the line gives a measure, the table weighs it the same within the tenth that a line reader bears.
            if (
                line.Amount is not { Unit.Dimension: UnitDimension.Volume } amount
                || line.Note.StartsWith("what the fruit keeps", StringComparison.Ordinal)
            )
                continue;
            var cup = meant.CupIn(line.Form.Split(' ', ','));
            Assert.True(cup is not null, $"{line.Ingredient} has no cup");
            Assert.InRange(
                (amount.Low + amount.High) / 2 * amount.Unit.Size / MeasureUnit.Cup.Size * cup.Value / line.Weight.Value.Grams,
                0.9,
                1.1
            );
        }
    }

    [Theory]
    [MemberData(nameof(Keys))]
    public void Ratios_lie_in_the_bands_of_the_kind_whichever_way_is_chosen(string key)
    {
        foreach (var way in Ways(Recipes[key]))
        {
            var formula = Formula.Of(ChosenRecipe.Of(way), IngredientKnowledge.Shipped);
            Assert.NotNull(formula);
            Assert.True(formula.Bands.Length >= 2, "a kind without bands");
            Assert.All(formula.Bands, b => Assert.True(b.IsUsual, b.Words));
        }
    }

    [Theory]
    [MemberData(nameof(Keys))]
    public void Its_own_pans_are_filled_as_they_should_be(string key)
    {
        foreach (var way in Ways(Recipes[key]))
        {
            var recipe = ChosenRecipe.Of(way);
            if (RecipeFacts.OwnPan(recipe) is not { } own)
                continue;
            var fit = PanFit.Of(RecipeFacts.Dough(recipe), recipe.Kind, own.Pan, own.Count);
            Assert.NotNull(fit);
            var rule = FillRule.For(recipe.Kind);
            Assert.InRange(fit.Fill, rule.Least, rule.Most);
            // One ring leaves a little batter over on purpose.
            if (key != "midnight-ring")
                Assert.Equal(0, fit.SmallCakes);
        }
    }

    [Fact]
    public void The_midnight_ring_leaves_batter_for_small_cakes()
    {
        var recipe = Recipes["midnight-ring"];
        var own = RecipeFacts.OwnPan(recipe)!.Value;
        Assert.InRange(PanFit.Of(RecipeFacts.Dough(recipe), recipe.Kind, own.Pan, own.Count)!.SmallCakes, 1, 6);
    }

    [Theory]
    [InlineData("lantern-plait", CautionKind.Honey)]
    [InlineData("cellar-fruit-cake", CautionKind.Spirit)]
    [InlineData("parade-cake", CautionKind.EggFoam)]
    [InlineData("parade-cake", CautionKind.TimeAndTemperature)]
    [InlineData("market-squash-loaf", CautionKind.Keeping)]
    [InlineData("orchard-almond-slices", CautionKind.SharedNuts)]
    [InlineData("midnight-ring", CautionKind.Burns)]
    public void What_can_hurt_someone_carries_its_caution(string key, CautionKind caution) =>
        Assert.Contains(Recipes[key].Steps, s => s.Cautions.Contains(caution));

    [Fact]
    public void Between_them_they_need_everything_a_planner_must_do()
    {
        var steps = Recipes.Values.SelectMany(r => r.Steps).ToList();
        Assert.All(Enum.GetValues<TouchKind>(), t => Assert.Contains(steps, s => s.Touches.Any(u => u.Kind == t)));
        Assert.True(steps.Count(s => !s.Modes.IsEmpty) >= 4);
        Assert.Contains(steps, s => s.Kind == StepKind.Mature);
        Assert.True(Recipes.Values.Count(r => !r.Choices.IsEmpty) >= 6);
        Assert.Contains(Recipes.Values, r => r.DividedInto > 0 && r.Parts.SelectMany(p => p.Lines).Any(l => l.IsHeldBack));
        Assert.Contains(Recipes.Values, r => r.Keeping.Any(k => k.Part.Length > 0));
        Assert.All(Recipes.Values, r => Assert.Contains(r.Keeping, k => k.Store == KeepingStore.Freezer || r.Kind == RecipeKind.Built));
    }

    [Theory]
    [MemberData(nameof(Keys))]
    public void It_can_be_baked_in_a_long_day_of_the_demo_kitchen(string key)
    {
        var kitchen = new DocumentReader().Read(DemoKitchen.Kitchen(), "kitchen");
        var start = new NodaTime.LocalDateTime(2026, 12, 5, 6, 0);
        var wish = new DayWish(start, start.PlusHours(17), [new BakeWish(Recipes[key], 1, null, null)]);
        var planned = ModeChooser.Plan(kitchen, wish, new SolveSettings(TimeSpan.FromSeconds(1), 1, 2));
        Assert.Empty(planned.Faults);
        Assert.NotNull(planned.Outcome!.Plan);
        Assert.Empty(PlanChecker.Check(planned.Network!, planned.Outcome.Plan));
    }

    private static IEnumerable<Recipe> Ways(Recipe recipe) =>
        recipe.Choices.SelectMany(c => c.Options.Select(o => ChosenRecipe.Choose(recipe, c.Key, o.Key))).DefaultIfEmpty(recipe);

    [Fact]
    public void Every_line_has_a_weight_and_every_bake_a_done_test()
    {
        foreach (var recipe in Recipes.Values)
        {
            Assert.All(
                recipe.Parts.SelectMany(p => p.Lines),
                l => Assert.True(l.Weight is { Grams: > 0 } || l.Amount is null, $"{recipe.Key}: {l.Ingredient}")
            );
            Assert.All(recipe.Steps.Where(s => s.Kind == StepKind.Bake), s => Assert.NotEmpty(s.DoneTests));
            Assert.NotEmpty(recipe.Keeping);
        }
    }

    [Fact]
    public void Every_step_is_tied_to_another()
    {
        foreach (var recipe in Recipes.Values)
        foreach (var way in Ways(recipe).Select(ChosenRecipe.Of))
            Assert.All(
                way.Steps,
                s => Assert.True(way.Links.Any(l => l.From == s.Key || l.To == s.Key), $"{recipe.Key}: {s.Key} stands alone")
            );
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
            s => Assert.InRange(s.Oven!.SetTemperature.Celsius, 140, 230)
        );
}
