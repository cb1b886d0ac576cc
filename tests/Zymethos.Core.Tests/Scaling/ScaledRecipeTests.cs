using CsCheck;
using Zymethos.Core.Interchange;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Scaling;
using Zymethos.Store.Demo;

namespace Zymethos.Core.Tests.Scaling;

public sealed class ScaledRecipeTests
{
    private static readonly Recipe[] Book = [.. DemoKitchen.Recipes().Select(r => new DocumentReader().Read(r, "recipe"))];

    private static ScaledLine Line(string recipe, string ingredient, double factor) =>
        ScaledRecipe.ByMultiple(Book.Single(r => r.Key == recipe), factor).Parts.SelectMany(p => p.Lines).First(l => l.Line.Ingredient == ingredient);

    [Fact]
    public void Mass_is_conserved_and_every_part_keeps_its_proportions() => Gen.Select(Gen.Int[0, Book.Length - 1], Gen.Double[0.1, 40]).Sample((index, factor) =>
    {
        var (one, scaled) = (ScaledRecipe.ByMultiple(Book[index], 1), ScaledRecipe.ByMultiple(Book[index], factor));
        foreach (var (before, after) in one.Parts.Zip(scaled.Parts))
        {
            Assert.Equal(before.Weight.Grams * factor, after.Weight.Grams, 6);
            Assert.All(before.Lines.Zip(after.Lines), p => Assert.Equal(p.First.Weight!.Value.Grams * factor, p.Second.Weight!.Value.Grams, 6));
        }
    });

    [Fact]
    public void Pieces_and_multiple_agree_there_and_back() => Gen.Select(Gen.Int[0, Book.Length - 1], Gen.Int[1, 600]).Sample((index, pieces) =>
    {
        var factor = ScaledRecipe.FactorForPieces(Book[index], pieces);
        if (factor is >= ScaledRecipe.Smallest and <= ScaledRecipe.Largest) Assert.Equal(pieces, ScaledRecipe.ByMultiple(Book[index], factor).Pieces);
    });

    [Theory]
    [InlineData("lantern-plait", "eggs, large", 1, "3")]
    [InlineData("lantern-plait", "eggs, large", 2, "6")]
    [InlineData("lantern-plait", "eggs, large", 0.5, "1 and some of another, beaten: 75 g in all")]
    [InlineData("window-shapes", "egg, large", 0.5, "beaten: 25 g")]
    [InlineData("lantern-plait", "honey", 2, "½ cup")]
    [InlineData("lantern-plait", "instant yeast", 0.5, "2 tsp")]
    [InlineData("lantern-plait", "salt", 1.5, "1 ½ tbsp")]
    [InlineData("market-squash-loaf", "squash purée", 3, "3 cans")]
    [InlineData("market-squash-loaf", "plain flour", 0.5, "1 ¾ cups")]
    [InlineData("window-shapes", "lemon juice", 2, "4 to 6 tbsp")]
    [InlineData("lantern-plait", "bread flour", 2, "")]
    public void Measures_are_those_that_exist(string recipe, string ingredient, double factor, string measure) =>
        Assert.Equal(measure, Line(recipe, ingredient, factor).Measure);

    [Theory]
    [InlineData(0)]
    [InlineData(-1)]
    [InlineData(1e6)]
    [InlineData(double.NaN)]
    public void A_senseless_scale_is_refused(double factor) => Assert.Throws<ArgumentOutOfRangeException>(() => ScaledRecipe.ByMultiple(Book[0], factor));
}
