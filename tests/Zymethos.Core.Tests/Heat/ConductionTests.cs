using System.Globalization;
using Zymethos.Core.Heat;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Scaling;

namespace Zymethos.Core.Tests.Heat;

public sealed class ConductionTests
{
    // Incropera and DeWitt, table 5.1 (recomputed), Heat/conduction-one-term.csv.
    [Fact]
    public void Eigenvalues_and_coefficients_are_those_of_the_table()
    {
        var rows = File.ReadLines(Path.Combine(AppContext.BaseDirectory, "Heat", "conduction-one-term.csv"))
            .Skip(1)
            .Select(r => r.Split(','))
            .ToList();
        Assert.Equal(6, rows.Count);
        foreach (var row in rows)
        {
            double At(int i) => double.Parse(row[i], CultureInfo.InvariantCulture);
            var (zeta, c) = row[0] == "plane wall" ? Conduction.PlaneWall(At(1)) : Conduction.Cylinder(At(1));
            Assert.Equal(At(2), zeta, 0.0002);
            Assert.Equal(At(3), c, 0.0002);
        }
    }

    // Common practice, no source: a 9 x 5 in loaf of 55 min at 175 C gives about 17 min as muffins, 30 in a shallow 9 in round, 28 in a
    // mini loaf.
    [Theory]
    [InlineData(PanShape.Muffin, 2.75, 2.75, 1.375, 0.92, 14, 19)]
    [InlineData(PanShape.Round, 9, 9, 1.5, 1.0, 27, 33)]
    [InlineData(PanShape.Loaf, 5.75, 3.25, 2.25, 1.33, 25, 31)]
    public void A_loaf_in_another_pan_takes_about_what_bakers_say(
        PanShape shape,
        double length,
        double width,
        double depth,
        double height,
        double low,
        double high
    )
    {
        var loaf = BatterBody.In(Pan(PanShape.Loaf, 9, 5, 3), Length.FromInches(2));
        var other = BatterBody.In(Pan(shape, length, width, depth), Length.FromInches(height));
        Assert.InRange(55 * Conduction.Ratio(loaf, other, Temperature.FromCelsius(175)), low, high);
    }

    [Fact]
    public void The_same_batter_in_the_same_pan_keeps_the_recipes_own_time()
    {
        var pan = PanCupboard.Ordinary[0].Pan;
        var fit = PanFit.Of(Mass.FromGrams(1200), RecipeKind.QuickLoaf, pan, 1)!;
        var time = BakeTime.In(fit, DurationEstimate.Minutes(50, 55, 62), fit, Temperature.FromCelsius(175));
        Assert.Equal((50, 55, 62, 47), (time.LowMinutes, time.LikelyMinutes, time.HighMinutes, time.FirstLookMinutes));
    }

    [Fact]
    public void Deeper_takes_longer_and_the_first_look_comes_before_it_is_done()
    {
        var own = PanFit.Of(Mass.FromGrams(1100), RecipeKind.QuickLoaf, PanCupboard.Ordinary[0].Pan, 1)!;
        var takes = DurationEstimate.Minutes(50, 55, 62);
        var last = double.MaxValue;
        foreach (var pan in new[] { PanCupboard.Ordinary[0].Pan, PanCupboard.Ordinary[2].Pan, PanCupboard.Ordinary[11].Pan })
        {
            var fit = PanFit.Of(Mass.FromGrams(1100), RecipeKind.QuickLoaf, pan)!;
            var time = BakeTime.In(own, takes, fit, Temperature.FromCelsius(175));
            Assert.True(time.LikelyMinutes < last, $"{pan.Name}: {time.LikelyMinutes}");
            Assert.True(
                time.FirstLookMinutes <= time.LowMinutes && time.LowMinutes <= time.LikelyMinutes && time.LikelyMinutes <= time.HighMinutes,
                time.ToString()
            );
            last = time.LikelyMinutes;
        }
    }

    private static Pan Pan(PanShape shape, double length, double width, double depth) =>
        new("pan", Length.FromInches(length), Length.FromInches(width))
        {
            Shape = shape,
            Depth = Length.FromInches(depth),
            CupWidth = shape == PanShape.Muffin ? Length.FromInches(length) : null,
        };
}
