using NodaTime;
using Zymethos.Core.Heat;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Devices;
using Zymethos.Interchange.Demo;
using Zymethos.Interchange.Devices;
using Zymethos.Interchange.Documents;

namespace Zymethos.Interchange.Tests.Devices;

/// <summary>The kitchen that is played goes by the laws it names.</summary>
public sealed class SimulatedKitchenTests
{
    [Fact]
    public void An_oven_at_full_power_follows_the_closed_form()
    {
        // T(t) = ceiling - (ceiling - T0) exp(-t / tau): Newton's law with a constant source, Incropera and DeWitt, ch. 5.1.
        var oven = new SimulatedOven(20, minutesShut: 20, ceiling: 320, bias: 0);
        oven.Set(300);
        for (var minute = 1; minute <= 30; minute++)
        {
            for (var s = 0; s < 60; s += 7)
                oven.Step(Math.Min(7, 60 - s));
            Assert.Equal(320 - (300 * Math.Exp(-minute / 20.0)), oven.Celsius(), 6);
        }
    }

    [Fact]
    public void It_heats_and_cools_as_the_planner_takes_the_same_oven_to_do()
    {
        var kitchen = new DocumentReader().Read(DemoKitchen.Kitchen(), "kitchen");
        var thermal = new OvenThermal(kitchen.Oven, kitchen.Room);
        var oven = new SimulatedOven(kitchen.Room.Celsius, kitchen.Oven.CoolShut.TotalMinutes, thermal.CeilingCelsius, bias: 0);
        oven.Set(300);
        oven.Step(600);
        Assert.Equal(thermal.Heated(kitchen.Room.Celsius, 10), oven.Celsius(), 6);
        oven.Set(0);
        var hot = oven.Celsius();
        oven.Step(1800);
        Assert.Equal(thermal.Cooled(hot, 30, ajar: false), oven.Celsius(), 6);
    }

    [Fact]
    public void Its_thermostat_swings_about_what_it_is_set_to_and_its_bias()
    {
        var oven = new SimulatedOven(20, 20, 320, bias: -12);
        oven.Set(190);
        oven.Step(3600);
        var seen = new List<double>();
        for (var s = 0; s < 3600; s += 5)
        {
            oven.Step(5);
            seen.Add(oven.Celsius());
        }

        Assert.InRange(seen.Average(), 175, 181);
        Assert.InRange(seen.Min(), 173, 178);
        Assert.InRange(seen.Max(), 178, 184);
        Assert.True(oven.Celsius(OvenPlace.BackLeft) > oven.Celsius() && oven.Celsius() > oven.Celsius(OvenPlace.FrontRight));
    }

    [Fact]
    public void An_open_door_costs_heat_that_comes_back()
    {
        var oven = new SimulatedOven(20, 20, 320, bias: 0);
        oven.Set(200);
        oven.Step(3600);
        var before = oven.Celsius();
        oven.Open(20);
        oven.Step(20);
        Assert.InRange(before - oven.Celsius(), 30, 60);
        oven.Step(300);
        Assert.InRange(Math.Abs(before - oven.Celsius()), 0, 8);
    }

    [Theory]
    [InlineData(0.045, 180)]
    [InlineData(0.03, 200)]
    [InlineData(0.06, 220)]
    public void The_middle_of_a_loaf_warms_as_the_one_term_solution_says(double radius, double air)
    {
        // Incropera and DeWitt, ch. 5.6: theta = C1 exp(-zeta1^2 Fo) for Fo above 0.2.
        var rings = new CylinderRings(radius, CylinderRings.Diffusivity, CylinderRings.CoefficientOverConductivity, 26);
        var (zeta, c) = Conduction.Cylinder(CylinderRings.CoefficientOverConductivity * radius);
        for (var fo = 0.25; fo < 1.2; fo += 0.05)
        {
            var seconds = fo * radius * radius / CylinderRings.Diffusivity;
            rings = new CylinderRings(radius, CylinderRings.Diffusivity, CylinderRings.CoefficientOverConductivity, 26);
            rings.Step(seconds, air);
            Assert.InRange(rings.Middle - (air - ((air - 26) * c * Math.Exp(-zeta * zeta * fo))), -1.5, 1.5);
        }
    }

    [Fact]
    public void A_bowl_over_steam_comes_to_71_in_some_minutes_and_not_at_once()
    {
        var probe = new SimulatedProbe(20);
        probe.IntoBowl(22);
        var seconds = 0;
        while (probe.Celsius < 71 && seconds < 3600)
        {
            probe.Step(1, 20);
            seconds++;
        }

        // 4 min times ln((96 - 22) / (96 - 71)), and the metal's four seconds.
        Assert.InRange(seconds, 258, 270);
        probe.TakeOut();
        probe.Step(60, 20);
        Assert.InRange(probe.Celsius, 19, 21);
    }

    [Fact]
    public void What_is_poured_comes_near_what_was_wanted_and_the_bowl_stays_below()
    {
        var off = new List<double>();
        for (var seed = 0; seed < 60; seed++)
        {
            var scale = new SimulatedScale(new Random(seed), 400, driftPerHour: 2);
            scale.Pour(500);
            scale.Step(1);
            Assert.InRange(scale.Load, 410, 890);
            for (var s = 0; s < 60; s++)
                scale.Step(1);
            off.Add(scale.Load - 900);
        }

        Assert.InRange(off.Average(), 0, 5);
        Assert.Contains(off, o => o > 5);
        Assert.Contains(off, o => o < 0);
    }

    [Fact]
    public void It_does_what_the_Bench_says_and_its_devices_say_it()
    {
        var kitchen = new SimulatedKitchen(1, []);
        kitchen.Hear(new BenchWord("dial", 1, 190));
        kitchen.Step(1800, 10);
        var said = kitchen.Say(Instant.FromUtc(2026, 12, 5, 9, 0)).ToDictionary(r => r.Device, r => r.Reading.Value);
        Assert.Equal(190, said["dial-1"]);
        Assert.InRange(said["oven-1"], 175, 192);
        Assert.InRange(said["room"], 18, 26);
        kitchen.Hear(new BenchWord("in", 1, 190));
        kitchen.Step(15, 10);
        Assert.InRange(kitchen.Oven.Celsius(), 130, 172);
    }

    [Fact]
    public void Faults_come_when_they_were_asked_for()
    {
        var now = Instant.FromUtc(2026, 12, 5, 9, 0);
        var kitchen = new SimulatedKitchen(
            1,
            [
                .. new[] { "silence:room@10+10", "nonsense:oven-1@0+5", "battery:scale", "clock:dial-1", "unit:probe" }.Select(f =>
                    Fault.Read(f)!
                ),
            ]
        );
        SaidReading? Of(string device) => kitchen.Say(now).SingleOrDefault(r => r.Device == device);
        Assert.Equal(900, Of("oven-1")!.Reading.Value);
        Assert.NotNull(Of("room"));
        Assert.InRange(Of("probe")!.Reading.Value, 66, 70);
        Assert.True(Of("scale")!.Reading.Battery < 0.15);
        Assert.Equal(now - Duration.FromMinutes(7), Of("dial-1")!.SentAt);
        kitchen.Step(12, 9);
        Assert.Null(Of("room"));
        Assert.InRange(Of("oven-1")!.Reading.Value, 15, 30);
        kitchen.Step(12, 9);
        Assert.NotNull(Of("room"));
    }

    [Theory]
    [InlineData("stuck:oven-1@60+120", true)]
    [InlineData("stuck:oven-1", true)]
    [InlineData("melted:oven-1", false)]
    [InlineData("stuck", false)]
    [InlineData("stuck:oven-1@soon", false)]
    [InlineData("5:oven-1", false)]
    public void A_fault_is_read_or_refused(string text, bool isOne) => Assert.Equal(isOne, Fault.Read(text) is not null);

    [Theory]
    [InlineData("--speed 60 --kitchen k --password p --broker [::1]:1884", true)]
    [InlineData("--kitchen k --password p --fault silence:probe", true)]
    [InlineData("--kitchen k", false)]
    [InlineData("--kitchen k --password p --speed 0", false)]
    [InlineData("--kitchen k --password p --broker here", false)]
    [InlineData("--kitchen k --password p --louder yes", false)]
    [InlineData("--kitchen k --password", false)]
    public void What_the_program_is_told_is_read_or_refused(string arguments, bool isRead)
    {
        Assert.Equal(isRead, PlaySettings.Read(arguments.Split(' '), _ => null, out var wrong) is not null);
        Assert.Equal(isRead, wrong.Length == 0);
    }
}
