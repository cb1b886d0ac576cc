using Zymethos.Workshop.Calculators;
using Zymethos.Workshop.Layers;

namespace Zymethos.Workshop.Tests.Calculators;

/// <summary>Layers, dams and coats against a cake that is counted cell by cell.</summary>
public sealed class LayerTests
{
    private static readonly CakeWish Plain = new(true, [new(200, 4)], 25, 6, 12, 2, 5);

    [Fact]
    public void A_cylinder_in_closed_form()
    {
        var cake = LayeredCake.Of(Plain);
        var tall = (4 * 25) + (3 * 6);
        Assert.Equal(3 * 6 * Math.PI * 88 * 88 / 1000, cake.Filling, 1e-6);
        Assert.Equal(3 * 6 * Math.PI * ((100 * 100) - (88 * 88)) / 1000, cake.Dams, 1e-6);
        Assert.Equal(((Math.PI * 102 * 102 * (tall + 2)) - (Math.PI * 100 * 100 * tall)) / 1000, cake.Crumb, 1e-6);
        Assert.Equal(((Math.PI * 107 * 107 * (tall + 7)) - (Math.PI * 102 * 102 * (tall + 2))) / 1000, cake.Coat, 1e-6);
        Assert.Equal(tall + 7, cake.Height, 1e-6);
    }

    [Theory]
    [InlineData(true)]
    [InlineData(false)]
    public void Tiers_counted_in_rings_of_half_a_millimetre(bool round)
    {
        var wish = new CakeWish(round, [new(240, 3), new(150, 3), new(80, 3)], 24, 5, 10, 2, 4);
        var cake = LayeredCake.Of(wish);
        var counted = Counted(wish);
        Assert.Equal(counted.Filling, cake.Filling, cake.Filling * 0.02);
        Assert.Equal(counted.Dams, cake.Dams, cake.Dams * 0.03);
        Assert.Equal(counted.Crumb, cake.Crumb, cake.Crumb * 0.03);
        Assert.Equal(counted.Coat, cake.Coat, cake.Coat * 0.03);
    }

    [Fact]
    public void Without_dam_all_between_the_layers_is_filling()
    {
        var cake = LayeredCake.Of(Plain with { Dam = 0 });
        Assert.Equal(0, cake.Dams, 1e-9);
        Assert.Equal(3 * 6 * Math.PI * 100 * 100 / 1000, cake.Filling, 1e-6);
    }

    [Fact]
    public void A_filling_that_runs_asks_for_a_dam()
    {
        var (says, _) = CalculatorShelf
            .At("layers")!
            .Answer(f =>
                f == "dam" ? "0"
                : f == "filling" ? "curd"
                : null
            );
        Assert.Contains(
            says.Cautions,
            c => c.Contains("dam of 12 mm", StringComparison.Ordinal) || c.Contains("without a dam", StringComparison.Ordinal)
        );
        var (stiff, _) = CalculatorShelf
            .At("layers")!
            .Answer(f =>
                f == "dam" ? "0"
                : f == "filling" ? "sugar"
                : null
            );
        Assert.DoesNotContain(stiff.Cautions, c => c.Contains("dam", StringComparison.Ordinal));
    }

    [Theory]
    [InlineData("whites", "71 °C")]
    [InlineData("curd", "71 °C")]
    [InlineData("custard", "two hours")]
    [InlineData("cheese", "refrigerator")]
    [InlineData("cream", "refrigerator")]
    public void What_can_hurt_stands_beside_it(string cream, string care)
    {
        foreach (var field in new[] { "filling", "coat" })
        {
            var (says, _) = CalculatorShelf
                .At("layers")!
                .Answer(f =>
                    f == field ? cream
                    : f is "filling" or "coat" ? "sugar"
                    : null
                );
            Assert.Contains(says.Cautions, c => c.Contains(care, StringComparison.Ordinal));
        }
    }

    [Fact]
    public void A_wider_tier_on_a_narrower_one_is_refused_where_it_was_typed()
    {
        var (_, asked) = CalculatorShelf.At("layers")!.Answer(f => f == "second" ? "30" : null);
        Assert.Equal("Narrower than the one below.", asked.Wrong["second"]);
    }

    [Fact]
    public void What_a_cream_is_made_of_weighs_what_it_weighs() =>
        Assert.All(Cream.All, c => Assert.Equal(1234, c.For(1234).Sum(p => p.Grams), 1e-6));

    // A tier above another stands on its first coat; what a point belongs to is asked of plain distances.
    private static (double Filling, double Dams, double Crumb, double Coat) Counted(CakeWish wish)
    {
        const double cell = 0.5;
        var (filling, dams, crumb, coat) = (0.0, 0.0, 0.0, 0.0);
        var foot = 0.0;
        for (var i = 0; i < wish.Tiers.Length; i++)
        {
            var tier = wish.Tiers[i];
            var tall = (tier.Layers * wish.LayerHeight) + ((tier.Layers - 1) * wish.Filling);
            var above = i + 1 < wish.Tiers.Length ? wish.Tiers[i + 1].Width / 2 : 0;
            for (var r = cell / 2; r < (tier.Width / 2) + wish.Crumb + wish.Coat; r += cell)
            for (var z = cell / 2; z < tall + wish.Crumb + wish.Coat; z += cell)
            {
                var ring = (wish.IsRound ? 2 * Math.PI * r : 8 * r) * cell * cell / 1000;
                if (r < tier.Width / 2 && z < tall)
                {
                    if (z % (wish.LayerHeight + wish.Filling) > wish.LayerHeight)
                        (filling, dams) = r < (tier.Width / 2) - wish.Dam ? (filling + ring, dams) : (filling, dams + ring);
                }
                else if (r < (tier.Width / 2) + wish.Crumb && z < tall + wish.Crumb)
                    crumb += ring;
                else if (!(r < above && z > tall + wish.Crumb))
                    coat += ring;
            }

            foot += tall;
        }

        Assert.True(foot > 0);
        return (filling, dams, crumb, coat);
    }
}
