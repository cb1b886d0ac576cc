using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Demo;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Larder;

namespace Zymethos.Planning.Tests;

/// <summary>Baking paper for trays.</summary>
public sealed class BakingPaperTests
{
    private static Recipe Demo(string key) => new DocumentReader().Read(DemoKitchen.Recipes().Single(r => r.Key == key), "recipe");

    [Fact]
    public void A_sheet_for_each_tray_each_time_it_goes_in()
    {
        // Four trays of 33 cm a batch.
        var two = BakingPaper.Of(Demo("window-shapes"), 2);
        Assert.Equal(8, two.Sheets);
        Assert.Equal(8 * 0.33, two.Metres, 1e-9);
        Assert.Contains("8 trays: 3 m of a roll, or 8 sheets", two.Words, StringComparison.Ordinal);
    }

    [Fact]
    public void Pans_take_none_and_both_together_are_their_sum()
    {
        Assert.Equal(BakingPaper.None, BakingPaper.Of(Demo("parade-cake"), 1));
        Assert.Equal("", BakingPaper.None.Words);
        // Two trays at once and one after.
        Assert.Equal(3, BakingPaper.Of(Demo("signal-house"), 1).Sheets);
        Assert.Equal(7, (BakingPaper.Of(Demo("signal-house"), 1) + BakingPaper.Of(Demo("window-shapes"), 1)).Sheets);
    }

    [Fact]
    public void Half_a_batch_takes_half_the_trays_rounded_up() => Assert.Equal(2, BakingPaper.Of(Demo("window-shapes"), 0.5).Sheets);
}
