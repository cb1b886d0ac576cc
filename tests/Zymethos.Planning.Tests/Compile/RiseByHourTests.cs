using NodaTime;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Leaven;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Compile;
using static Zymethos.Tests.RandomDays;

namespace Zymethos.Planning.Tests.Compile;

/// <summary>Two rises one after the other in a room that turns cold, against the same sum written out a second at a time.</summary>
public sealed class RiseByHourTests
{
    private const int Grams = 1000;
    private static readonly LocalDateTime Morning = new(2026, 12, 5, 8, 0);

    private static readonly Kitchen Turning = Kitchen.Ordinary("Home") with
    {
        RoomByHour =
        [
            new RoomHour(new LocalTime(8, 0), Temperature.FromCelsius(24)),
            new RoomHour(new LocalTime(14, 0), Temperature.FromCelsius(15)),
        ],
    };

    private static readonly Recipe Dough = Make("dough", [], []) with
    {
        Parts = [new Part("dough", PartKind.Dough, [new IngredientLine(null, Mass.FromGrams(Grams), "flour", "", "", false)])],
    };

    private static DurationEstimate Hour => Around(60);

    private static RiseTimes Rises(Kitchen kitchen) => new(Dough, kitchen, Morning, 900);

    /// <summary>Newton's law and the yeast's rate, summed by the second.</summary>
    private static (double Minutes, double Celsius) Sum(int start, double celsius)
    {
        var constant = DoughCourse.TimeConstantOfBall(Mass.FromGrams(Grams)).TotalSeconds;
        var (gathered, wanted, seconds) = (0.0, RiseDose.Of(Duration.FromMinutes(60), RiseTimes.RecipeRoom).Hours, 0);
        while (gathered < wanted)
        {
            var room = (start * 60) + seconds < 6 * 3600 ? 24.0 : 15.0;
            celsius += (room - celsius) / constant;
            gathered += YeastRate.At(Temperature.FromCelsius(celsius)) / 3600;
            seconds++;
        }

        return (seconds / 60.0, celsius);
    }

    [Theory]
    [InlineData(0)]
    [InlineData(240)]
    [InlineData(330)]
    [InlineData(450)]
    [InlineData(600)]
    public void A_first_rise_takes_what_its_hour_makes_of_it(int start) =>
        Assert.InRange(Rises(Turning).InRoom(Hour)!.ByHalfHour[start / 30], Sum(start, 24).Minutes - 1.5, Sum(start, 24).Minutes + 1.5);

    [Theory]
    [InlineData(120)]
    [InlineData(360)]
    [InlineData(480)]
    [InlineData(690)]
    public void A_second_rise_begins_as_warm_as_the_first_left_the_dough(int start)
    {
        var rises = Rises(Turning);
        var first = rises.InRoom(Hour)!.ByHalfHour;
        var second = rises.InRoom(Hour)!.ByHalfHour;
        // The first begins at the last half hour from which it is over in time.
        var from = Enumerable.Range(0, (start / 30) + 1).Last(h => (h * 30) + first[h] <= start) * 30;
        var expected = Sum(start, Sum(from, 24).Celsius).Minutes;
        Assert.InRange(second[start / 30], expected - 2, expected + 2);
    }

    [Fact]
    public void A_dough_that_rose_in_the_cold_is_slower_than_one_that_comes_from_the_bowl()
    {
        var rises = Rises(Turning);
        var first = rises.InRoom(Hour)!.ByHalfHour;
        var second = rises.InRoom(Hour)!.ByHalfHour;
        Assert.True(second[22] > first[22] + 10, $"at 19:00 the second takes {second[22]} min, the first {first[22]}");
        // In the warm morning nothing was lost.
        Assert.InRange(second[4], first[4] - 1, first[4] + 1);
    }

    [Fact]
    public void A_room_that_never_changes_needs_no_hours()
    {
        var rise = Rises(Kitchen.Ordinary("Home")).InRoom(Hour)!;
        Assert.Empty(rise.ByHalfHour);
        Assert.Empty(
            Rises(Turning with { RoomByHour = [new RoomHour(new LocalTime(8, 0), Temperature.FromCelsius(24))] }).InRoom(Hour)!.ByHalfHour
        );
    }

    [Fact]
    public void What_never_rises_at_some_hour_is_said_to_rise_nowhere() =>
        Assert.Null(
            Rises(
                    Turning with
                    {
                        RoomByHour =
                        [
                            new RoomHour(new LocalTime(8, 0), Temperature.FromCelsius(24)),
                            new RoomHour(new LocalTime(9, 0), Temperature.FromCelsius(1)),
                        ],
                    }
                )
                .InRoom(Around(600))
        );
}
