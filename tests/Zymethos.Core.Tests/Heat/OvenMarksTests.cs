using Zymethos.Core.Heat;
using Zymethos.Core.Measures;

namespace Zymethos.Core.Tests.Heat;

public sealed class OvenMarksTests
{
    // Mark 1 = 275 F, each mark 25 F (from memory).
    [Theory]
    [InlineData(135, 1)]
    [InlineData(150, 2)]
    [InlineData(175, 4)]
    [InlineData(180, 4)]
    [InlineData(190, 5)]
    [InlineData(200, 6)]
    [InlineData(220, 7)]
    [InlineData(230, 8)]
    public void Gas_marks_step_by_25_fahrenheit(double celsius, int mark) =>
        Assert.Equal(mark.ToString(System.Globalization.CultureInfo.InvariantCulture), OvenMarks.GasMark(Temperature.FromCelsius(celsius)));

    [Fact]
    public void Beyond_the_dial_there_is_no_mark()
    {
        Assert.Null(OvenMarks.GasMark(Temperature.FromCelsius(90)));
        Assert.Null(OvenMarks.GasMark(Temperature.FromCelsius(300)));
    }

    [Theory]
    [InlineData(110, "¼")]
    [InlineData(120, "½")]
    [InlineData(240, "9")]
    public void Below_mark_one_there_are_quarters_and_the_last_mark_is_nine(double celsius, string mark) =>
        Assert.Equal(mark, OvenMarks.GasMark(Temperature.FromCelsius(celsius)));

    [Fact]
    public void A_fahrenheit_dial_of_a_fan_oven_is_set_twenty_five_lower() =>
        Assert.Equal(325, OvenMarks.FanFahrenheitDial(Temperature.FromFahrenheit(350)));

    [Fact]
    public void A_fan_oven_is_set_twenty_lower() => Assert.Equal(160, OvenMarks.Fan(Temperature.FromCelsius(180)).Celsius, 9);
}
