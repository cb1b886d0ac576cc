using Zymethos.Workshop.Calculators;

namespace Zymethos.Workshop.Tests.Calculators;

/// <summary>What people type into one field.</summary>
public sealed class WrittenQuantityTests
{
    [Theory]
    [InlineData("12", 12)]
    [InlineData(" 2.5 ", 2.5)]
    [InlineData("2,5", 2.5)]
    [InlineData(".5", 0.5)]
    [InlineData("1 1/2", 1.5)]
    [InlineData("3/4", 0.75)]
    [InlineData("1½", 1.5)]
    [InlineData("½", 0.5)]
    [InlineData("-4", -4)]
    [InlineData("−4", -4)]
    public void Numbers(string typed, double value) => Assert.Equal(value, WrittenQuantity.Number(typed)!.Value, 9);

    // Pound and ounce: NIST Handbook 44, exact.
    [Theory]
    [InlineData("500", 500)]
    [InlineData("500g", 500)]
    [InlineData("1.2 kg", 1200)]
    [InlineData("1 lb", 453.59237)]
    [InlineData("1 lb 4 oz", 566.990462)]
    [InlineData("8 oz.", 226.796185)]
    [InlineData("½ lb", 226.796185)]
    public void Weights(string typed, double grams) => Assert.Equal(grams, WrittenQuantity.Weight(typed)!.Value, 5);

    // US cup of 8 fluid ounces of 29.5735295625 ml: NIST Handbook 44, exact.
    [Theory]
    [InlineData("250", 250)]
    [InlineData("2 dl", 200)]
    [InlineData("1 cup", 236.5882365)]
    [InlineData("1 1/2 cups", 354.88235475)]
    [InlineData("2 tbsp", 29.5735295625)]
    [InlineData("1 tsp", 4.92892159375)]
    [InlineData("4 fl oz", 118.29411825)]
    public void Volumes(string typed, double millilitres) => Assert.Equal(millilitres, WrittenQuantity.Volume(typed)!.Value, 6);

    [Theory]
    [InlineData("23", 230)]
    [InlineData("6 mm", 6)]
    [InlineData("9 in", 228.6)]
    [InlineData("9\"", 228.6)]
    [InlineData("9 1/2”", 241.3)]
    public void Lengths(string typed, double millimetres) => Assert.Equal(millimetres, WrittenQuantity.Distance(typed)!.Value, 6);

    [Theory]
    [InlineData("90", "min", 90)]
    [InlineData("2", "h", 120)]
    [InlineData("1 h 20", "min", 80)]
    [InlineData("1 h 20 min", "min", 80)]
    [InlineData("1:20", "min", 80)]
    [InlineData("1.5 hours", "min", 90)]
    [InlineData("2 days", "h", 2880)]
    public void Times(string typed, string unit, double minutes) => Assert.Equal(minutes, WrittenQuantity.Time(typed, unit)!.Value, 6);

    [Theory]
    [InlineData("24", 24)]
    [InlineData("75", 23.888889)]
    [InlineData("75 F", 23.888889)]
    [InlineData("75°F", 23.888889)]
    [InlineData("24 °C", 24)]
    [InlineData("24 C", 24)]
    [InlineData("-18", -18)]
    public void Temperatures_of_a_kitchen(string typed, double celsius) =>
        Assert.Equal(celsius, WrittenQuantity.Heat(typed, -18, 45)!.Value, 5);

    [Theory]
    [InlineData("")]
    [InlineData("lots")]
    [InlineData("NaN")]
    [InlineData("1/0")]
    [InlineData("12 stones")]
    [InlineData("1 oz 2 lb")]
    [InlineData("1 1 1 1 1 1")]
    [InlineData("∞")]
    public void What_is_no_weight_is_none(string typed) => Assert.Null(WrittenQuantity.Weight(typed));
}
