using NodaTime;
using Zymethos.Core.Devices;

namespace Zymethos.Core.Tests.Devices;

/// <summary>What is seen in readings: an opened door, and warmth that was waited for.</summary>
public sealed class WatchTests
{
    private static readonly Instant Start = Instant.FromUtc(2026, 12, 5, 8, 0);

    private static Instant After(double seconds) => Start + Duration.FromSeconds(seconds);

    private static IReadOnlyList<Instant> Openings(Func<double, double> celsius, int seconds)
    {
        var watch = new DoorWatch();
        return
        [
            .. Enumerable.Range(0, seconds).Select(s => watch.Take(new Reading(DeviceKind.Oven, celsius(s), After(s)))).OfType<Instant>(),
        ];
    }

    [Fact]
    public void An_opened_door_is_told_once_and_when_it_was_opened()
    {
        // Open from the 100th second for 20, then back with a time constant of 75 s.
        var opened = Openings(
            s =>
                190
                - (
                    s < 100 ? 0
                    : s < 120 ? (s - 100) * 2
                    : 40 * Math.Exp(-(s - 120) / 75)
                ),
            400
        );
        Assert.InRange((Assert.Single(opened) - Start).TotalSeconds, 98, 103);
    }

    [Fact]
    public void Two_openings_are_two()
    {
        double Dip(double s, double at) =>
            s < at ? 0
            : s < at + 15 ? (s - at) * 2.5
            : 37 * Math.Exp(-(s - at - 15) / 60);
        Assert.Equal(2, Openings(s => 200 - Dip(s, 60) - Dip(s, 400), 700).Count);
    }

    [Fact]
    public void A_shut_oven_that_cools_or_swings_opens_no_door()
    {
        // The fastest fall of a shut oven with a time constant of 20 minutes, and a thermostat's swing.
        Assert.Empty(Openings(s => 20 + (230 * Math.Exp(-s / 1200)), 3600));
        Assert.Empty(Openings(s => 180 + (5 * Math.Sin(s / 60)), 3600));
        Assert.Empty(Openings(s => s < 50 ? 60 : 40, 100));
    }

    private static TargetStand Last(double target, params double[] readings)
    {
        var watch = new TargetWatch(target, Start);
        var stand = TargetStand.Below;
        for (var i = 0; i < readings.Length; i++)
            stand = watch.Take(new Reading(DeviceKind.Core, readings[i], After(i)));
        return stand;
    }

    [Fact]
    public void Warmth_that_was_climbed_to_is_reached_at_the_second_reading_of_it()
    {
        Assert.Equal(TargetStand.Below, Last(71, 60, 64, 68, 71.2));
        Assert.Equal(TargetStand.Reached, Last(71, 60, 64, 68, 71.2, 71.6));
    }

    [Fact]
    public void One_reading_that_slipped_ends_nothing() => Assert.Equal(TargetStand.Below, Last(71, 60, 64, 69, 71.5, 69.5));

    [Fact]
    public void A_probe_that_was_never_below_proves_nothing()
    {
        // 22 °C in a cold kitchen, said in Fahrenheit and called Celsius.
        Assert.Equal(TargetStand.Doubtful, Last(71, 71.6, 71.7, 71.6, 71.8));
        Assert.Equal(TargetStand.Doubtful, Last(71, 88, 89, 90));
    }

    [Fact]
    public void A_leap_over_it_proves_nothing_until_it_was_below_again()
    {
        Assert.Equal(TargetStand.Doubtful, Last(71, 30, 86, 86.2));
        Assert.Equal(TargetStand.Reached, Last(71, 30, 86, 86.2, 40, 47, 54, 61, 66, 72, 74));
    }

    [Fact]
    public void What_it_said_before_it_was_put_in_does_not_count()
    {
        var watch = new TargetWatch(71, After(10));
        watch.Take(new Reading(DeviceKind.Core, 40, After(5)));
        watch.Take(new Reading(DeviceKind.Core, 75, After(11)));
        Assert.Equal(TargetStand.Doubtful, watch.Take(new Reading(DeviceKind.Core, 75, After(12))));
    }

    [Theory]
    [InlineData("71 °C or more, and it coats a spoon.", true, 71.0)]
    [InlineData("71 °C, no grain between the fingers.", true, 71.0)]
    [InlineData("The middle reads 93 to 96 °C and it sounds hollow.", false, 93.0)]
    [InlineData("88-91C inside", false, 88.0)]
    [InlineData("heat the whites to 160 °F", true, 71.1)]
    [InlineData("165F, at least 160F", true, 73.9)]
    [InlineData("A skewer comes out clean.", false, null)]
    [InlineData("Bake 25 min at 180 °C", false, null)]
    [InlineData("Cool to 27 °C", false, null)]
    [InlineData("2 cups of crumbs, 12 C cells", false, null)]
    public void The_warmth_that_a_done_test_names_is_read(string test, bool isForSafety, double? celsius) =>
        Assert.Equal(celsius, CoreTarget.Of([test], isForSafety));

    [Theory]
    [InlineData("63 °C for 30 minutes", true)]
    [InlineData("Hold at 60 °C, 90 s at least", true)]
    [InlineData("Kept at 71 °C for 15 seconds.", true)]
    [InlineData("71 °C or more, and it coats a spoon.", false)]
    [InlineData("93 to 96 °C in the middle; 40 min is usual", false)]
    public void Warmth_that_must_be_held_is_told_from_warmth_that_is_reached(string test, bool isHeld) =>
        Assert.Equal(isHeld, CoreTarget.IsHeld([test]));

    [Fact]
    public void Of_several_the_safest_counts_where_it_is_for_safety()
    {
        string[] tests = ["From 70 °C on it sets.", "74 °C in the middle is safe."];
        Assert.Equal(74, CoreTarget.Of(tests, isForSafety: true));
        Assert.Equal(70, CoreTarget.Of(tests, isForSafety: false));
    }
}
