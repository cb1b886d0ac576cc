using CsCheck;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Scaling;
using Zymethos.Interchange.Demo;
using Zymethos.Interchange.Documents;

namespace Zymethos.Core.Tests.Scaling;

public sealed class ScaledRecipeTests
{
    private static readonly Recipe[] Book = [.. DemoKitchen.Recipes().Select(r => new DocumentReader().Read(r, "recipe"))];

    private static ScaledLine Line(string recipe, string ingredient, double factor) =>
        ScaledRecipe
            .ByMultiple(Book.Single(r => r.Key == recipe), factor)
            .Parts.SelectMany(p => p.Lines)
            .First(l => l.Line.Ingredient == ingredient);

    [Fact]
    public void Mass_is_conserved_and_every_part_keeps_its_proportions() =>
        Gen.Select(Gen.Int[0, Book.Length - 1], Gen.Double[0.1, 40])
            .Sample(
                (index, factor) =>
                {
                    var (one, scaled) = (ScaledRecipe.ByMultiple(Book[index], 1), ScaledRecipe.ByMultiple(Book[index], factor));
                    foreach (var (before, after) in one.Parts.Zip(scaled.Parts))
                    {
                        Assert.Equal(before.Weight.Grams * factor, after.Weight.Grams, 1e-6);
                        Assert.All(
                            before.Lines.Zip(after.Lines),
                            p => Assert.Equal(p.First.Weight!.Value.Grams * factor, p.Second.Weight!.Value.Grams, 1e-6)
                        );
                    }
                }
            );

    [Fact]
    public void All_five_ways_of_asking_agree_there_and_back() =>
        Gen.Select(Gen.Int[0, Book.Length - 1], Gen.Double[0.1, 40])
            .Sample(
                (index, factor) =>
                {
                    var recipe = ChosenRecipe.Of(Book[index]);
                    var known = IngredientKnowledge.Shipped;
                    Assert.Equal(factor, ScaleWish.Factor(recipe, ScaleBy.Multiple, factor, null, known)!.Value, 1e-9);
                    Assert.Equal(factor, ScaleWish.Factor(recipe, ScaleBy.Pieces, factor * recipe.Yield.Pieces, null, known)!.Value, 1e-9);
                    Assert.Equal(
                        factor,
                        ScaleWish.Factor(recipe, ScaleBy.Dough, RecipeFacts.Dough(recipe).Grams * factor, null, known)!.Value,
                        1e-9
                    );
                    Assert.Equal(
                        factor,
                        ScaleWish.Factor(recipe, ScaleBy.Flour, RecipeFacts.Flour(recipe, known).Grams * factor, null, known)!.Value,
                        1e-9
                    );
                    if (RecipeFacts.OwnPan(recipe) is not { } own)
                        return;
                    // So many of its own pans take the recipe so many times; so many of another are filled as usual, and nothing is left.
                    var pans = Math.Clamp((int)factor, 1, 24);
                    Assert.Equal((double)pans / own.Count, ScaleWish.Factor(recipe, ScaleBy.Pans, pans, own.Pan, known)!.Value, 1e-9);
                    var other = own.Pan with { Name = "another" };
                    var byPans = ScaleWish.Factor(recipe, ScaleBy.Pans, pans, other, known)!.Value;
                    var fit = PanFit.Of(RecipeFacts.Dough(recipe) * byPans, recipe.Kind, other)!;
                    Assert.Equal(pans, fit.Count);
                    Assert.Equal(FillRule.For(recipe.Kind).Usual, fit.Fill, 6);
                    Assert.Equal(0, fit.SmallCakes);
                }
            );

    [Fact]
    public void Pieces_come_out_as_asked() =>
        Gen.Select(Gen.Int[0, Book.Length - 1], Gen.Int[1, 600])
            .Sample(
                (index, pieces) =>
                {
                    var factor = (double)pieces / Book[index].Yield.Pieces;
                    if (factor is >= ScaledRecipe.Smallest and <= ScaledRecipe.Largest)
                        Assert.Equal(pieces, ScaledRecipe.ByMultiple(Book[index], factor).Pieces);
                }
            );

    [Fact]
    public void Batter_shared_among_pans_is_neither_made_nor_lost() =>
        Gen.Select(Gen.Double[100, 20_000], Gen.Int[0, PanCupboard.Ordinary.Length - 1], Gen.Int[1, 8])
            .Sample(
                (grams, index, count) =>
                {
                    var pan = PanCupboard.Ordinary[index].Pan;
                    if (PanFit.Of(Mass.FromGrams(grams), RecipeKind.QuickLoaf, pan, count) is not { } fit)
                        return;
                    Assert.Equal(
                        grams / FillRule.For(RecipeKind.QuickLoaf).Density,
                        (fit.Each.Millilitres * fit.Count) + fit.Surplus.Millilitres,
                        6
                    );
                    Assert.InRange(fit.Fill, 0, FillRule.For(RecipeKind.QuickLoaf).Most + 1e-9);
                }
            );

    [Fact]
    public void The_habit_of_cutting_back_is_off_until_asked_for_and_starts_at_four_times()
    {
        double Soda(double factor, bool cut) =>
            ScaledRecipe
                .ByMultiple(Book.Single(r => r.Key == "market-squash-loaf"), factor, null, cut)
                .Parts.SelectMany(p => p.Lines)
                .Single(l => l.Line.Ingredient == "baking soda")
                .Weight!.Value.Grams;
        Assert.Equal(9.2 * 6, Soda(6, false), 6);
        Assert.Equal(9.2 * 6 * 0.9, Soda(6, true), 6);
        Assert.Equal(9.2 * 3, Soda(3, true), 6);
    }

    [Theory]
    [InlineData("lantern-plait", "eggs, large", 1, "3 eggs")]
    [InlineData("lantern-plait", "eggs, large", 2, "6 eggs")]
    [InlineData("lantern-plait", "eggs, large", 0.5, "beat and weigh, or 1 egg + 1 yolk (−11 %)")]
    [InlineData("window-shapes", "egg, large", 0.5, "beat and weigh, or 1 yolk (−32 %)")]
    [InlineData("lantern-plait", "honey", 2, "½ cup")]
    [InlineData("lantern-plait", "instant yeast", 0.5, "2 tsp")]
    [InlineData("lantern-plait", "salt", 1.5, "1 ½ tbsp")]
    [InlineData("market-squash-loaf", "squash purée", 3, "3 cans")]
    [InlineData("market-squash-loaf", "plain flour", 0.5, "1 ¾ cups")]
    [InlineData("window-shapes", "lemon juice", 2, "4 to 6 tbsp")]
    [InlineData("lantern-plait", "bread flour", 2, "14 ⅔ cups")]
    public void Measures_are_those_that_exist(string recipe, string ingredient, double factor, string measure) =>
        Assert.Equal(measure, Line(recipe, ingredient, factor).Measure);

    [Theory]
    [InlineData(0)]
    [InlineData(-1)]
    [InlineData(1e6)]
    [InlineData(double.NaN)]
    public void A_senseless_scale_is_refused(double factor) =>
        Assert.Throws<ArgumentOutOfRangeException>(() => ScaledRecipe.ByMultiple(Book[0], factor));
}
