using CsCheck;
using NodaTime;
using Zymethos.Core.Leaven;
using Zymethos.Core.Measures;

namespace Zymethos.Core.Tests.Leaven;

public sealed class RiseTests
{
    private static Temperature C(double celsius) => Temperature.FromCelsius(celsius);

    // Check values of the cardinal temperature model (Rosso et al. 1993) with 1, 33 and 45 degrees, worked out from the published formula.
    [Theory]
    [InlineData(33, 1)]
    [InlineData(24, 0.761)]
    [InlineData(18, 0.484)]
    [InlineData(10, 0.156)]
    [InlineData(6, 0.051)]
    [InlineData(4, 0.019)]
    [InlineData(1, 0)]
    [InlineData(45, 0)]
    [InlineData(-18, 0)]
    [InlineData(60, 0)]
    public void The_rate_follows_the_model(double celsius, double rate) => Assert.Equal(rate, YeastRate.At(C(celsius)), 3);

    [Fact]
    public void Nowhere_is_it_faster_than_at_its_best() =>
        Gen.Double[-20, 80].Sample(t => Assert.InRange(YeastRate.At(C(t)), 0, 1 + 1e-12));

    [Fact]
    public void Held_at_the_recipes_own_temperature_a_rise_takes_the_recipes_own_time()
    {
        var band = RiseDose.Of(Duration.FromMinutes(75), C(24)).Ready(new DoughCourse(C(24), C(24), Duration.FromHours(1)))!;
        Assert.InRange(band.Likely.TotalMinutes, 74, 76);
        Assert.InRange(band.First.TotalMinutes, 0.85 * 75, (0.85 * 75) + 1);
        Assert.InRange(band.Last!.Value.TotalMinutes, 1.25 * 75, (1.25 * 75) + 1);
    }

    // A worked case of the brief: a 75 min dough at 25 degrees set in a refrigerator of 4 degrees is ready in about 5 h and then holds
    // overnight.
    [Fact]
    public void A_retarded_dough_is_ready_in_about_five_hours_and_holds()
    {
        var tau = DoughCourse.TimeConstantOfBall(Mass.FromGrams(1000));
        Assert.InRange(tau.TotalHours, 1.5, 1.65);
        var band = RiseDose.Of(Duration.FromMinutes(75), C(25)).Ready(new DoughCourse(C(25), C(4), tau))!;
        Assert.InRange(band.Likely.TotalHours, 4.3, 5.7);
        Assert.True(band.Last is null || band.Last.Value.TotalHours > 12, $"{band.Last}");
    }

    [Fact]
    public void Twice_the_yeast_takes_half_the_time_at_a_held_temperature()
    {
        var dose = RiseDose.Of(Duration.FromMinutes(90), C(22));
        var course = new DoughCourse(C(22), C(22), Duration.FromHours(1));
        Assert.Equal(45, dose.Ready(course, 2)!.Likely.TotalMinutes, 1.0);
    }

    [Fact]
    public void A_warmer_room_is_never_slower() =>
        Gen.Select(Gen.Double[8, 31], Gen.Double[0, 2], Gen.Int[20, 150])
            .Sample(
                (room, warmer, minutes) =>
                {
                    var dose = RiseDose.Of(Duration.FromMinutes(minutes), C(24));
                    var tau = Duration.FromHours(1.2);
                    var cool = dose.Ready(new DoughCourse(C(24), C(room), tau));
                    var warm = dose.Ready(new DoughCourse(C(24), C(Math.Min(33, room + warmer)), tau));
                    if (cool is not null)
                        Assert.True(warm!.Likely <= cool.Likely);
                }
            );

    [Fact]
    public void What_is_gathered_along_a_course_is_the_dose_that_is_ready_there() =>
        Gen.Select(Gen.Double[12, 34], Gen.Double[20, 28], Gen.Int[20, 200])
            .Sample(
                (around, start, minutes) =>
                {
                    var course = new DoughCourse(C(start), C(around), Duration.FromHours(1));
                    var dose = RiseDose.Along(course, Duration.FromMinutes(minutes));
                    Assert.Equal(minutes, dose.Ready(course)!.Likely.TotalMinutes, 1.01);
                }
            );

    [Fact]
    public void In_a_frozen_room_nothing_is_ready() =>
        Assert.Null(RiseDose.Of(Duration.FromHours(1), C(24)).Ready(new DoughCourse(C(5), C(0), Duration.FromHours(1))));

    // Hamelman, "Bread": wanted 76 F, flour 70 F, room 72 F, friction 24 F gives 62 F.
    [Fact]
    public void The_worked_example_of_water_temperature()
    {
        var water = WaterTemperature.For(
            Temperature.FromFahrenheit(76),
            Temperature.FromFahrenheit(70),
            Temperature.FromFahrenheit(72),
            24 * 5.0 / 9
        );
        Assert.Equal(62, (water.Celsius * 9 / 5) + 32, 6);
    }

    [Fact]
    public void A_preferment_is_a_fourth_thing_that_brings_heat() =>
        Assert.Equal((4 * 25) - 20 - 21 - 10 - 22, WaterTemperature.For(C(25), C(20), C(21), 10, C(22)).Celsius, 9);
}
