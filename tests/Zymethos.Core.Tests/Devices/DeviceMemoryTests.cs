using NodaTime;
using Zymethos.Core.Devices;
using Zymethos.Core.Kitchens;

namespace Zymethos.Core.Tests.Devices;

/// <summary>What is wrong with a device is seen, and nothing follows from it.</summary>
public sealed class DeviceMemoryTests
{
    private static readonly Instant Start = Instant.FromUtc(2026, 12, 5, 8, 0);

    private static Reading At(DeviceKind kind, double value, double seconds, double? battery = null) =>
        new(kind, value, Start + Duration.FromSeconds(seconds), battery);

    [Theory]
    [InlineData(DeviceKind.Oven, 900, "an oven cannot be")]
    [InlineData(DeviceKind.Core, 160, "Fahrenheit")]
    [InlineData(DeviceKind.Room, 68, "Fahrenheit")]
    [InlineData(DeviceKind.Scale, 400_000, "no kitchen scale")]
    public void What_cannot_be_is_said_and_not_believed(DeviceKind kind, double value, string says)
    {
        var heard = new DeviceMemory(kind).Take(At(kind, value, 0));
        Assert.False(heard.IsBelieved);
        Assert.Contains(says, heard.Trouble, StringComparison.Ordinal);
    }

    [Fact]
    public void A_kitchen_that_measures_in_Fahrenheit_is_told_in_Fahrenheit()
    {
        var says = new KitchenSays(MeasuringHabit.UsCustomary, ClockFace.Hours12);
        Assert.Contains("1652 °F", new DeviceMemory(DeviceKind.Oven).Take(At(DeviceKind.Oven, 900, 0), inDegrees: says.Degrees).Trouble);
        var memory = new DeviceMemory(DeviceKind.Oven);
        memory.Take(At(DeviceKind.Oven, 80, 0), inDegrees: says.Degrees);
        Assert.Contains("from 176 °F to 349 °F", memory.Take(At(DeviceKind.Oven, 176, 1), inDegrees: says.Degrees).Trouble);
    }

    [Theory]
    [InlineData(double.NaN)]
    [InlineData(double.PositiveInfinity)]
    public void What_is_no_number_is_not_believed(double value) =>
        Assert.False(new DeviceMemory(DeviceKind.Oven).Take(At(DeviceKind.Oven, value, 0)).IsBelieved);

    [Fact]
    public void A_jump_counts_only_when_it_stays()
    {
        var memory = new DeviceMemory(DeviceKind.Oven);
        Assert.True(memory.Take(At(DeviceKind.Oven, 80, 0)).IsBelieved);
        var jumped = memory.Take(At(DeviceKind.Oven, 176, 1));
        Assert.False(jumped.IsBelieved);
        Assert.Contains("jumped from 80 °C to 176 °C", jumped.Trouble, StringComparison.Ordinal);
        // It was a slip: the next is as before.
        Assert.True(memory.Take(At(DeviceKind.Oven, 81, 2)).IsBelieved);
        Assert.False(memory.Take(At(DeviceKind.Oven, 176, 3)).IsBelieved);
        Assert.False(memory.Take(At(DeviceKind.Oven, 176, 15)).IsBelieved || memory.Kept.Count > 2);
        Assert.True(memory.Take(At(DeviceKind.Oven, 177, 40)).IsBelieved);
    }

    [Fact]
    public void What_is_taken_out_of_the_heat_may_fall_as_fast_as_it_likes()
    {
        var memory = new DeviceMemory(DeviceKind.Core);
        memory.Take(At(DeviceKind.Core, 96, 0));
        Assert.True(memory.Take(At(DeviceKind.Core, 24, 1)).IsBelieved);
    }

    [Fact]
    public void Standing_still_for_ten_minutes_is_wrong_only_where_something_moves()
    {
        var (heating, resting) = (new DeviceMemory(DeviceKind.Oven), new DeviceMemory(DeviceKind.Oven));
        for (var s = 0; s <= 590; s += 10)
        {
            Assert.True(heating.Take(At(DeviceKind.Oven, 64.2, s), movesMeanwhile: true).IsBelieved, $"{s} s");
            Assert.True(resting.Take(At(DeviceKind.Oven, 21, s)).IsBelieved);
        }

        var stuck = heating.Take(At(DeviceKind.Oven, 64.2, 600), movesMeanwhile: true);
        Assert.False(stuck.IsBelieved);
        Assert.Contains("may have stuck", stuck.Trouble, StringComparison.Ordinal);
        Assert.True(resting.Take(At(DeviceKind.Oven, 21, 600)).IsBelieved);
    }

    [Fact]
    public void An_empty_battery_is_said_and_what_it_says_counts()
    {
        var heard = new DeviceMemory(DeviceKind.Room).Take(At(DeviceKind.Room, 21, 0, battery: 0.05));
        Assert.True(heard.IsBelieved);
        Assert.Contains("battery", heard.Trouble, StringComparison.Ordinal);
    }

    [Fact]
    public void However_long_it_speaks_it_holds_no_more_than_twenty_minutes()
    {
        var memory = new DeviceMemory(DeviceKind.Scale);
        for (var s = 0; s < 20_000; s++)
            memory.Take(At(DeviceKind.Scale, s % 900, s * 0.5));
        Assert.InRange(memory.Kept.Count, 100, DeviceMemory.MostKept);
        Assert.True(memory.Kept.First().At >= memory.Kept.Last().At - DeviceMemory.Back);
    }

    [Fact]
    public void What_comes_late_is_left_alone()
    {
        var memory = new DeviceMemory(DeviceKind.Room);
        memory.Take(At(DeviceKind.Room, 21, 100));
        Assert.False(memory.Take(At(DeviceKind.Room, 12, 40)).IsBelieved);
        Assert.Single(memory.Kept);
    }
}
