using CsCheck;
using NodaTime;
using Zymethos.Core.Heat;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Planning.Compile;

namespace Zymethos.Core.Tests.Heat;

/// <summary>
/// The lumped body against its own differential equation, integrated step by step, and against Newton's law of cooling (Incropera and
/// DeWitt, "Fundamentals of Heat and Mass Transfer", ch. 5).
/// </summary>
public sealed class OvenThermalTests
{
    private static readonly Kitchen Kitchen = Kitchen.Ordinary("Test");
    private static readonly OvenThermal Thermal = new(Kitchen.Oven, Kitchen.Room);

    [Fact]
    public void The_measured_heating_time_is_met_exactly() => Assert.Equal(14, Thermal.MinutesToHeat(20, 180), 9);

    [Theory]
    [InlineData(21, 175)]
    [InlineData(150, 220)]
    [InlineData(30, 180)]
    public void Heating_follows_the_differential_equation(double from, double to)
    {
        // C dT/dt = P - h (T - room), as dT/dt = (ceiling - T) / tau, integrated with steps of a thousandth of a minute.
        var tau = Kitchen.Oven.CoolShut.TotalMinutes;
        var (t, minutes) = (from, 0.0);
        const double step = 0.001;
        while (t < to)
        {
            t += step * (Thermal.CeilingCelsius - t) / tau;
            minutes += step;
        }

        Assert.InRange(Thermal.MinutesToHeat(from, to), minutes - 0.05, minutes + 0.05);
    }

    [Fact]
    public void Cooling_is_newtons_law()
    {
        // After one time constant the excess over the room has fallen to 1/e.
        var excess = 180 - Kitchen.Room.Celsius;
        Assert.Equal(Kitchen.Room.Celsius + (excess / Math.E), Thermal.Cooled(180, 25, ajar: true), 9);
        Assert.Equal(Kitchen.Room.Celsius + (excess / Math.E), Thermal.Cooled(180, 60, ajar: false), 9);
        Assert.Equal(25 * Math.Log(excess / (38 - Kitchen.Room.Celsius)), Thermal.MinutesToCool(180, 38, ajar: true), 9);
    }

    [Fact]
    public void Down_to_thirty_degrees_with_the_door_ajar_takes_over_an_hour() =>
        Assert.True(Thermal.MinutesToCool(180, 30, ajar: true) > 60);

    [Fact]
    public void There_and_back_in_time_and_temperature_agree() =>
        Gen.Double[25, 240]
            .Select(Gen.Double[25, 240])
            .Sample(
                (a, b) =>
                {
                    var (low, high) = (Math.Min(a, b), Math.Max(a, b));
                    Assert.Equal(high, Thermal.Heated(low, Thermal.MinutesToHeat(low, high)), 6);
                    Assert.Equal(low, Thermal.Cooled(high, Thermal.MinutesToCool(high, low, ajar: true), ajar: true), 6);
                }
            );

    [Fact]
    public void Going_by_way_of_a_third_setting_is_never_quicker()
    {
        var setting = Gen.Int[50, 250].Select(Gen.Bool, (c, proof) => proof ? new OvenSetting(30, true) : new OvenSetting(c, false));
        Gen.Select(setting, setting, setting)
            .Sample(
                (a, b, c) =>
                    Assert.True(Thermal.Transition(a, c) <= Thermal.Transition(a, b) + Thermal.Transition(b, c) + 1, $"{a} {b} {c}")
            );
    }

    [Fact]
    public void A_colder_room_and_a_slower_oven_take_longer()
    {
        var slow = new OvenThermal(Kitchen.Oven with { HeatUp = Duration.FromMinutes(25) }, Kitchen.Room);
        var cold = new OvenThermal(Kitchen.Oven, Temperature.FromCelsius(12));
        Assert.True(slow.FromCold(new OvenSetting(180, false)) > Thermal.FromCold(new OvenSetting(180, false)));
        Assert.True(cold.FromCold(new OvenSetting(180, false)) >= Thermal.FromCold(new OvenSetting(180, false)));
        Assert.True(cold.MinutesToCool(180, 38, true) < Thermal.MinutesToCool(180, 38, true));
    }

    [Fact]
    public void What_cannot_be_reached_takes_for_ever()
    {
        Assert.True(double.IsPositiveInfinity(Thermal.MinutesToCool(180, 20, ajar: true)));
        Assert.True(double.IsPositiveInfinity(Thermal.MinutesToHeat(20, Thermal.CeilingCelsius + 1)));
        Assert.Equal(0, Thermal.FromCold(new OvenSetting(30, true)));
    }
}
