using NodaTime;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;

namespace Zymethos.Core.Tests.Kitchens;

/// <summary>Hours, heats and sizes as a kitchen of either habit says and types them.</summary>
public sealed class KitchenSaysTests
{
    private static readonly KitchenSays Us = new(MeasuringHabit.UsCustomary, ClockFace.Hours12);

    [Theory]
    [InlineData("17:30", 17, 30)]
    [InlineData("5:30 pm", 17, 30)]
    [InlineData("5.30pm", 17, 30)]
    [InlineData("5:30 P.M.", 17, 30)]
    [InlineData("5 p.m.", 17, 0)]
    [InlineData("5pm", 17, 0)]
    [InlineData("1730", 17, 30)]
    [InlineData("930", 9, 30)]
    [InlineData("9.30", 9, 30)]
    [InlineData("17h30", 17, 30)]
    [InlineData("17h", 17, 0)]
    [InlineData(" 7:05 am ", 7, 5)]
    [InlineData("12 am", 0, 0)]
    [InlineData("12:15 am", 0, 15)]
    [InlineData("12 pm", 12, 0)]
    [InlineData("noon", 12, 0)]
    [InlineData("midnight", 0, 0)]
    [InlineData("24:00", 0, 0)]
    [InlineData("9 o'clock", 9, 0)]
    [InlineData("٩:٣٠", 9, 30)]
    public void An_hour_is_read_however_it_is_typed(string typed, int hour, int minute) =>
        Assert.Equal(new LocalTime(hour, minute), ClockText.Read(typed));

    [Theory]
    [InlineData("")]
    [InlineData(null)]
    [InlineData("5")]
    [InlineData("25:00")]
    [InlineData("12:60")]
    [InlineData("13 pm")]
    [InlineData("0 am")]
    [InlineData("tomorrow")]
    [InlineData("5:3")]
    [InlineData("-5:30")]
    [InlineData("5:30 pm or so")]
    public void What_is_no_hour_is_none(string? typed)
    {
        Assert.Null(ClockText.Read(typed));
        Assert.Equal(typed, ClockText.Tidy(typed));
    }

    [Fact]
    public void Every_minute_of_a_day_reads_back_in_both_clocks()
    {
        for (var minute = 0; minute < 24 * 60; minute++)
        {
            var time = LocalTime.FromMinutesSinceMidnight(minute);
            Assert.Equal(time, ClockText.Read(Us.Hour(time)));
            Assert.Equal(time, ClockText.Read(KitchenSays.Plain.Hour(time)));
        }
    }

    [Fact]
    public void A_clock_of_twelve_hours_says_noon_and_midnight_as_twelve()
    {
        Assert.Equal("12:00 am", Us.Hour(LocalTime.Midnight));
        Assert.Equal("12:30 pm", Us.Hour(new LocalTime(12, 30)));
        Assert.Equal("11:59 pm", Us.Hour(new LocalTime(23, 59)));
        Assert.Equal("5 pm", Us.AxisHour(new LocalDateTime(2026, 12, 5, 17, 0)));
        Assert.Equal("17:00", KitchenSays.Plain.AxisHour(new LocalDateTime(2026, 12, 5, 17, 0)));
    }

    /// <summary>Pairs as recipe books print them side by side (common practice, no source).</summary>
    [Theory]
    [InlineData(150, "300 °F")]
    [InlineData(165, "325 °F")]
    [InlineData(175, "350 °F")]
    [InlineData(177, "350 °F")]
    [InlineData(180, "355 °F")]
    [InlineData(190, "375 °F")]
    [InlineData(200, "390 °F")]
    [InlineData(220, "425 °F")]
    public void A_dial_in_Fahrenheit_is_set_to_a_mark_that_it_has(double celsius, string dial) => Assert.Equal(dial, Us.Dial(celsius));

    /// <summary>Whatever dial is said, nobody bakes more than 4 F (2.3 C) off what was meant.</summary>
    [Fact]
    public void No_dial_is_far_from_what_was_meant()
    {
        for (var celsius = 50; celsius <= 300; celsius++)
            Assert.InRange(Math.Abs(Us.ToCelsius(Us.DialNumber(celsius)) - celsius), 0, (4 * 5 / 9.0) + 1e-9);
    }

    /// <summary>Inch, foot and US quart are exact by definition (NIST Handbook 44, appendix C).</summary>
    [Fact]
    public void Sizes_go_to_inches_and_quarts_and_back()
    {
        Assert.Equal(9, Us.LengthNumber(Length.FromMillimetres(228.6)), 9);
        Assert.Equal(330, Us.ToLength(Us.LengthNumber(Length.FromMillimetres(330))).Millimetres, 9);
        Assert.Equal("4.8 qt", Us.Litres(4.5));
        Assert.Equal(0.946352946, Us.ToLitres(1), 9);
        Assert.Equal(45, Us.DifferenceNumber(25), 9);
        Assert.Equal("70 °F", Us.Degrees(21));
    }

    [Fact]
    public void Pans_are_written_and_read_in_inches()
    {
        foreach (var stock in PanCupboard.For(MeasuringHabit.UsCustomary))
        {
            var line = PanText.Say(stock, Us);
            Assert.DoesNotContain(" cm", line, StringComparison.Ordinal);
            var (again, wrong) = PanText.Read(line, Us);
            Assert.Equal("", wrong);
            Assert.Equal((stock.Count, stock.Pan.Name, stock.Pan.Shape), (again!.Count, again.Pan.Name, again.Pan.Shape));
            Assert.InRange(Math.Abs(again.Pan.Length.Millimetres - stock.Pan.Length.Millimetres), 0, 0.2);
        }

        // Without a unit a size is in the kitchen's own measure; with one it is what it says.
        Assert.Equal(228.6, PanText.Read("2 × tin; loaf; 9 × 5 × 3", Us).Stock!.Pan.Length.Millimetres, 6);
        Assert.Equal(90, PanText.Read("2 × tin; loaf; 9 × 5 × 3").Stock!.Pan.Length.Millimetres, 6);
        Assert.Equal(228.6, PanText.Read("2 × tin; loaf; 9 × 5 × 3 in").Stock!.Pan.Length.Millimetres, 6);
        Assert.Equal(230, PanText.Read("2 × tin; loaf; 23 × 13 × 7.5 cm", Us).Stock!.Pan.Length.Millimetres, 6);
        Assert.Contains("inches", PanText.Read("2 × tin; loaf; 9", Us).Wrong, StringComparison.Ordinal);
    }

    [Fact]
    public void A_mixer_bowl_may_be_given_in_quarts()
    {
        var mixer = MixerText.Read("hand mixer, 3 qt, no bread dough")!;
        Assert.Equal(2.839058838, mixer.Litres, 9);
        Assert.False(mixer.Kneads);
        Assert.Equal("hand mixer, 3 qt, no bread dough", MixerText.Say(mixer, Us));
    }
}
