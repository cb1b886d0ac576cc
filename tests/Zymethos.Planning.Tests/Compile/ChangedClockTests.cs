using NodaTime;
using Zymethos.Core.Kitchens;
using Zymethos.Planning.Checking;
using Zymethos.Planning.Compile;
using Zymethos.Planning.Day;
using Zymethos.Planning.Search;

namespace Zymethos.Planning.Tests.Compile;

/// <summary>
/// Days over the nights in which clocks are changed. Dates of the European Union's rule (Directive 2000/84/EC: last Sundays of March and
/// October at 01:00 UTC), as the IANA database has them.
/// </summary>
public sealed class ChangedClockTests
{
    private static readonly Kitchen Lisbon = Shipped.Kitchen() with { Zone = "Europe/Lisbon", RoomByHour = [] };
    private static readonly LocalDateTime SpringEve = new(2031, 3, 29, 22, 0);
    private static readonly LocalDateTime AutumnEve = new(2031, 10, 25, 22, 0);

    private static TaskNetwork Night(LocalDateTime from, LocalDateTime until, LocalDateTime? readyBy = null) =>
        TaskCompiler
            .Compile(Lisbon, new DayWish(from, until, [new BakeWish(Shipped.Recipe("market-squash-loaf"), 1, readyBy, null)]))
            .Network!;

    [Fact]
    public void A_night_in_spring_is_an_hour_shorter_than_its_clock_says() =>
        Assert.Equal(9 * 60, Night(SpringEve, SpringEve.PlusHours(10)).SpanEnd);

    [Fact]
    public void A_night_in_autumn_is_an_hour_longer_than_its_clock_says() =>
        Assert.Equal(11 * 60, Night(AutumnEve, AutumnEve.PlusHours(10)).SpanEnd);

    [Fact]
    public void The_wall_shows_what_it_will_show()
    {
        var spring = Night(SpringEve, SpringEve.PlusHours(10));
        Assert.Equal([new(2031, 3, 30, 0, 59), new LocalDateTime(2031, 3, 30, 2, 0)], new[] { 179, 180 }.Select(spring.TimeOf));
        var autumn = Night(AutumnEve, AutumnEve.PlusHours(10));
        // One o'clock comes twice.
        Assert.Equal(
            [new(2031, 10, 26, 1, 0), new(2031, 10, 26, 1, 59), new LocalDateTime(2031, 10, 26, 1, 0)],
            new[] { 180, 239, 240 }.Select(autumn.TimeOf)
        );
    }

    [Fact]
    public void An_oven_bakes_as_long_as_on_any_other_night_and_what_is_promised_for_an_hour_is_there()
    {
        var plain = Night(SpringEve.PlusDays(-7), SpringEve.PlusDays(-7).PlusHours(10));
        foreach (var eve in new[] { SpringEve, AutumnEve })
        {
            var readyBy = eve.Date.PlusDays(1).At(new LocalTime(8, 0));
            var network = Night(eve, eve.PlusHours(10), readyBy);
            Assert.Equal(plain.Tasks.Select(t => t.Likely), network.Tasks.Select(t => t.Likely));
            Assert.Equal(readyBy, network.TimeOf(network.Bakes[0].ReadyBy!.Value));
            var plan = DayPlanner.Plan(network, new SolveSettings(TimeSpan.FromSeconds(1))).Plan!;
            Assert.Empty(PlanChecker.Check(network, plan));
        }
    }

    [Fact]
    public void Somebodys_hours_are_those_on_the_wall()
    {
        var kitchen = Lisbon with { People = [new Person("Ada", null, new LocalTime(6, 0))] };
        var network = TaskCompiler
            .Compile(
                kitchen,
                new DayWish(SpringEve, SpringEve.PlusHours(10), [new BakeWish(Shipped.Recipe("market-squash-loaf"), 1, null, null)])
            )
            .Network!;
        Assert.Equal(new LocalDateTime(2031, 3, 30, 6, 0), network.TimeOf(network.Helpers[0].Until));
        Assert.Equal(7 * 60, network.Helpers[0].Until);
    }

    [Fact]
    public void A_zone_that_nobody_knows_has_no_changes()
    {
        var nowhere = Lisbon with { Zone = "Middle/Nowhere" };
        Assert.Equal(600, nowhere.MinutesBetween(SpringEve, SpringEve.PlusHours(10)));
        Assert.Equal(SpringEve.PlusHours(10), nowhere.After(SpringEve, 600));
    }
}
