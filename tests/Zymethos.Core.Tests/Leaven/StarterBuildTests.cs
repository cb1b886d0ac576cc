using NodaTime;
using Zymethos.Core.Leaven;
using Zymethos.Core.Measures;

namespace Zymethos.Core.Tests.Leaven;

/// <summary>Feeds toward a wanted amount: enough, in time, and no more than there is.</summary>
public sealed class StarterBuildTests
{
    private static readonly Temperature Room = Temperature.FromCelsius(22);
    private static readonly LocalDateTime Now = new(2026, 12, 4, 9, 0);

    private static Mass Grams(double grams) => Mass.FromGrams(grams);

    [Fact]
    public void One_to_one_to_one_peaks_after_five_hours_at_25_degrees_and_later_in_the_cold()
    {
        Assert.Equal(300, StarterPeak.Minutes(Grams(50), Grams(100), Temperature.FromCelsius(25)), 6);
        // Given four times as much it grows nine times as large: twice the logarithm of three.
        Assert.Equal(600, StarterPeak.Minutes(Grams(10), Grams(80), Temperature.FromCelsius(25)), 6);
        Assert.True(StarterPeak.Minutes(Grams(50), Grams(100), Temperature.FromCelsius(18)) > 400);
        Assert.Equal(375, StarterPeak.Minutes(Grams(50), Grams(100), Temperature.FromCelsius(25), 1.25), 6);
        Assert.Equal(double.PositiveInfinity, StarterPeak.Minutes(Grams(50), Grams(100), Temperature.FromCelsius(0)));
    }

    [Theory]
    [InlineData(60, 120, 12)]
    [InlineData(60, 500, 20)]
    [InlineData(20, 1500, 30)]
    [InlineData(5, 4000, 70)]
    public void Feeds_add_up_to_what_is_wanted_from_what_there_is(double have, double wanted, int hours)
    {
        var at = Now.PlusHours(hours);
        var feeds = StarterBuild.Toward(Grams(have), Grams(wanted), at, Now, Room);
        Assert.NotEmpty(feeds);
        var there = have;
        var ripe = Now;
        foreach (var feed in feeds)
        {
            Assert.True(feed.At >= ripe, "it is fed when it is ripe, and not before now");
            Assert.Equal(there, feed.Kept.Grams + feed.Discard.Grams, 6);
            Assert.Equal(feed.Flour.Grams, feed.Water.Grams, 9);
            Assert.InRange(feed.Flour.Grams / feed.Kept.Grams, 0.999, 5.001);
            there = feed.Kept.Grams + feed.Flour.Grams + feed.Water.Grams;
            ripe = feed.RipeAt;
            var minutes = StarterPeak.Minutes(feed.Kept, feed.Flour + feed.Water, Room);
            Assert.InRange((feed.RipeAt - feed.At).ToDuration().TotalMinutes - minutes, -1, 1);
        }

        Assert.Equal(wanted, there, 6);
        Assert.Equal(at, ripe);
    }

    [Fact]
    public void What_cannot_be_in_time_has_no_feeds() =>
        Assert.Empty(StarterBuild.Toward(Grams(20), Grams(1500), Now.PlusHours(6), Now, Room));

    [Fact]
    public void Two_feeds_by_day_come_before_one_at_night()
    {
        var feeds = StarterBuild.Toward(Grams(100), Grams(320), new LocalDateTime(2026, 12, 6, 17, 0), Now, Temperature.FromCelsius(21));
        Assert.All(feeds, f => Assert.InRange(f.At.TimeOfDay, new LocalTime(7, 0), new LocalTime(22, 30)));
    }

    [Fact]
    public void Nobody_is_woken_where_a_feed_by_day_gets_it_there()
    {
        var feeds = StarterBuild.Toward(Grams(100), Grams(300), new LocalDateTime(2026, 12, 5, 8, 0), Now, Room);
        Assert.All(feeds, f => Assert.InRange(f.At.TimeOfDay, new LocalTime(7, 0), new LocalTime(22, 30)));
    }
}
