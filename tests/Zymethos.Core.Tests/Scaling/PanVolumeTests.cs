using System.Globalization;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Scaling;

namespace Zymethos.Core.Tests.Scaling;

/// <summary>Handbook substitution charts, water to the brim (from memory), in Scaling/pan-volumes.csv; the tapers are stated at
/// <see cref="PanVolume.Taper"/>.</summary>
public sealed class PanVolumeTests
{
    public static TheoryData<string, string, double> Chart()
    {
        var data = new TheoryData<string, string, double>();
        foreach (var row in File.ReadLines(Path.Combine(AppContext.BaseDirectory, "Scaling", "pan-volumes.csv")).Skip(1))
        {
            var cells = row.Split(',');
            data.Add(cells[0], cells[1], double.Parse(cells[2], CultureInfo.InvariantCulture));
        }

        return data;
    }

    [Theory]
    [MemberData(nameof(Chart))]
    public void A_pan_holds_what_the_chart_says_within_a_tenth(string name, string inches, double cups)
    {
        var volume = PanVolume.Of(Make(name, inches));
        Assert.NotNull(volume);
        Assert.InRange(volume.Value.Millilitres / MeasureUnit.Cup.Size, cups * 0.9, cups * 1.1);
    }

    [Fact]
    public void The_chart_is_read_whole() => Assert.Equal(11, Chart().Count);

    [Theory]
    [InlineData(0.25)]
    [InlineData(0.5)]
    [InlineData(0.75)]
    public void What_is_poured_in_stands_at_the_height_that_holds_it(double share)
    {
        var pan = Make("loaf", "9 x 5 x 3");
        var all = PanVolume.Of(pan)!.Value.Millilitres;
        var height = PanVolume.HeightOf(pan, Volume.FromMillilitres(all * share))!.Value;
        // A wall that leans out makes the lower half of the pan the smaller one.
        Assert.InRange(height.Millimetres / 76.2, share, share + 0.08);
        Assert.Equal(76.2, PanVolume.HeightOf(pan, Volume.FromMillilitres(all * 2))!.Value.Millimetres, 3);
    }

    [Fact]
    public void A_straight_pan_holds_length_times_width_times_depth()
    {
        var pan = new Pan("springform", Length.FromInches(9), Length.FromInches(9))
        {
            Shape = PanShape.Springform,
            Depth = Length.FromInches(2.75),
        };
        Assert.Equal(Math.PI / 4 * 81 * 2.5 * 16.387064, PanVolume.Of(pan)!.Value.Millilitres, 1);
    }

    [Fact]
    public void A_tray_holds_no_batter()
    {
        var tray = new Pan("tray", Length.FromInches(13), Length.FromInches(9));
        Assert.Null(PanVolume.Of(tray));
        Assert.Null(PanFit.Of(Mass.FromGrams(500), RecipeKind.QuickLoaf, tray));
    }

    [Fact]
    public void A_pan_is_never_overfilled_and_the_surplus_becomes_small_cakes()
    {
        var fit = PanFit.Of(Mass.FromGrams(2400), RecipeKind.QuickLoaf, Make("loaf", "9 x 5 x 3"), 1)!;
        Assert.Equal(0.70, fit.Fill, 6);
        Assert.True(fit.SmallCakes >= 10, $"{fit.SmallCakes}");
        Assert.Contains("small cakes", fit.Verdict, StringComparison.Ordinal);
        Assert.Contains(
            "Low",
            PanFit.Of(Mass.FromGrams(300), RecipeKind.QuickLoaf, Make("loaf", "9 x 5 x 3"), 1)!.Verdict,
            StringComparison.Ordinal
        );
    }

    private static Pan Make(string name, string inches)
    {
        var size = inches.Split(" x ").Select(d => Length.FromInches(double.Parse(d, CultureInfo.InvariantCulture))).ToArray();
        var shape = name switch
        {
            "loaf" => PanShape.Loaf,
            "square" or "rectangle" => PanShape.Rectangle,
            "round" => PanShape.Round,
            "springform" => PanShape.Springform,
            "tube fluted" => PanShape.Ring,
            _ => PanShape.Muffin,
        };
        return new Pan(name, size[0], size.Length == 3 ? size[1] : size[0])
        {
            Shape = shape,
            Depth = size[^1],
            CupWidth = shape == PanShape.Muffin ? size[0] : null,
        };
    }
}
