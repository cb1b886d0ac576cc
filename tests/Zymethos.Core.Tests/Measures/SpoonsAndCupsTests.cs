using CsCheck;
using Zymethos.Core.Measures;

namespace Zymethos.Core.Tests.Measures;

public sealed class SpoonsAndCupsTests
{
    [Theory]
    [InlineData(236.588, "1 cup")]
    [InlineData(118.294, "½ cup")]
    [InlineData(78.863, "⅓ cup")]
    [InlineData(354.882, "1 ½ cups")]
    [InlineData(266.162, "1 cup + 2 tbsp")]
    [InlineData(14.787, "1 tbsp")]
    [InlineData(7.393, "½ tbsp")]
    [InlineData(4.929, "1 tsp")]
    [InlineData(2.464, "½ tsp")]
    [InlineData(0.616, "⅛ tsp")]
    [InlineData(133.081, "½ cup + 1 tbsp")]
    public void A_volume_that_a_drawer_holds_is_met_exactly(double millilitres, string text)
    {
        var measure = SpoonsAndCups.For(Volume.FromMillilitres(millilitres))!;
        Assert.Equal(text, measure.Text);
        Assert.Equal(text, measure.WithError);
        Assert.InRange(measure.ErrorPercent, -0.1, 0.1);
    }

    [Fact]
    public void Weights_follow_ingredient_and_form()
    {
        Assert.Equal("2 cups", SpoonsAndCups.For(Mass.FromGrams(250), IngredientTable.Find("flour")!, [])!.Text);
        Assert.Equal("1 cup", SpoonsAndCups.For(Mass.FromGrams(220), IngredientTable.Find("brown sugar")!, ["packed"])!.Text);
        Assert.Null(SpoonsAndCups.For(Mass.FromGrams(100), IngredientTable.Find("lemon")!, []));
    }

    [Fact]
    public void Too_little_for_a_spoon_is_left_to_the_pinch() => Assert.Null(SpoonsAndCups.For(Volume.FromMillilitres(0.3)));

    [Fact]
    public void What_is_filled_is_near_what_is_wanted_and_the_error_is_told() =>
        Gen.Double[2, 2500]
            .Sample(
                millilitres =>
                {
                    var measure = SpoonsAndCups.For(Volume.FromMillilitres(millilitres))!;
                    // Between the smallest spoons the steps are wide: half a teaspoon is a third more than three eighths.
                    Assert.InRange(Math.Abs(measure.ErrorPercent), 0, millilitres < 20 ? 34 : 9);
                    Assert.Equal(Math.Abs(measure.ErrorPercent) > 2, measure.WithError.Contains('%', StringComparison.Ordinal));
                    // Read back by the line reader, it is the volume that was said.
                    var read = LineReader.Read($"{measure.Text} water");
                    var grams = millilitres * (1 + (measure.ErrorPercent / 100)) / MeasureUnit.Cup.Size * 237;
                    Assert.Equal(grams, read.Weight!.Value.Grams, Math.Max(0.05, grams * 0.002));
                },
                iter: 3000
            );
}
