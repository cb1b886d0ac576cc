using Zymethos.Core.Measures;

namespace Zymethos.Core.Tests.Measures;

public sealed class UnitTests
{
    // NIST Handbook 44, appendix C: the US gallon is 231 cubic inches, the inch 25.4 mm; the pound is 453.59237 g. Definitions, recomputed
    // here.
    private const double GallonMillilitres = 231 * 2.54 * 2.54 * 2.54;

    [Fact]
    public void Us_volumes_are_exact_shares_of_the_gallon()
    {
        Assert.Equal(GallonMillilitres / 16, MeasureUnit.Cup.Size, 9);
        Assert.Equal(GallonMillilitres / 256, MeasureUnit.Tablespoon.Size, 9);
        Assert.Equal(GallonMillilitres / 768, MeasureUnit.Teaspoon.Size, 9);
        Assert.Equal(GallonMillilitres / 128, MeasureUnit.FluidOunce.Size, 8);
    }

    [Theory]
    [InlineData("cup", 236.5882365)]
    [InlineData("tbsp", 14.78676478125)]
    [InlineData("tsp", 4.92892159375)]
    [InlineData("fl-oz", 29.5735295625)]
    [InlineData("lb", 453.59237)]
    [InlineData("oz", 28.349523125)]
    public void Units_have_the_sizes_of_handbook_44(string code, double size) => Assert.Equal(size, MeasureUnit.Find(code)!.Size, 9);

    [Fact]
    public void Every_unit_is_found_by_its_own_code_and_no_other()
    {
        foreach (var unit in MeasureUnit.All)
            Assert.Same(unit, MeasureUnit.Find(unit.Code));
        Assert.Equal(MeasureUnit.All.Count, MeasureUnit.All.Select(u => u.Code).Distinct().Count());
        Assert.Null(MeasureUnit.Find("bushel"));
    }

    // Fixed points of the two scales: water freezes at 32 F and boils at 212 F; they meet at -40.
    [Theory]
    [InlineData(0, 32)]
    [InlineData(100, 212)]
    [InlineData(-40, -40)]
    public void Celsius_and_fahrenheit_agree(double celsius, double fahrenheit)
    {
        Assert.Equal(fahrenheit, Temperature.FromCelsius(celsius).Fahrenheit, 9);
        Assert.Equal(celsius, Temperature.FromFahrenheit(fahrenheit).Celsius, 9);
    }

    [Theory]
    [InlineData(175, 350)]
    [InlineData(180, 350)]
    [InlineData(190, 375)]
    [InlineData(150, 300)]
    [InlineData(220, 425)]
    public void Dials_show_the_nearest_mark(double celsius, int fahrenheitDial) =>
        Assert.Equal(fahrenheitDial, Temperature.FromCelsius(celsius).FahrenheitDial);

    [Fact]
    public void Quantities_refuse_what_cannot_be()
    {
        Assert.Throws<ArgumentOutOfRangeException>(() => Temperature.FromCelsius(-274));
        Assert.Throws<ArgumentOutOfRangeException>(() => Temperature.FromCelsius(double.NaN));
        Assert.Throws<ArgumentOutOfRangeException>(() => Mass.FromGrams(-1));
        Assert.Throws<ArgumentOutOfRangeException>(() => Volume.FromMillilitres(double.PositiveInfinity));
        Assert.Throws<ArgumentOutOfRangeException>(() => Length.FromInches(-0.1));
    }

    [Theory]
    [InlineData(0.5, 0.5, "cup", "½ cup")]
    [InlineData(1.5, 1.5, "cup", "1 ½ cups")]
    [InlineData(7, 9, "cup", "7 to 9 cups")]
    [InlineData(3, 3, "piece", "3")]
    [InlineData(0.333, 0.333, "cup", "⅓ cup")]
    [InlineData(425, 425, "g", "425 g")]
    [InlineData(1, 1, "can", "1 can")]
    public void Amounts_read_the_way_recipes_write_them(double low, double high, string unit, string text) =>
        Assert.Equal(text, new Amount(low, high, MeasureUnit.Find(unit)!).ToText());
}
