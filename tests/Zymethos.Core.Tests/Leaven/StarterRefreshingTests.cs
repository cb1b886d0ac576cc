using CsCheck;
using NodaTime;
using Zymethos.Core.Leaven;
using Zymethos.Core.Measures;

namespace Zymethos.Core.Tests.Leaven;

/// <summary>Feeds of a starter toward an hour at which so much discard is wanted.</summary>
public sealed class StarterRefreshingTests
{
    private static readonly LocalDateTime At = new(2026, 12, 12, 8, 0);

    [Fact]
    public void The_discard_is_gathered_to_the_gram_and_used_up() =>
        Gen.Double[5, 2000]
            .Sample(grams =>
            {
                var feeds = StarterRefreshing.Toward(Mass.FromGrams(grams), At);
                Assert.Equal(grams, feeds.Sum(f => f.Discard.Grams), 6);
                Assert.Equal(At, feeds[^1].At);
                Assert.InRange(feeds.Length, 2, StarterRefreshing.MostDays + 1);
                // What is taken off was there: kept, fed by its own weight of each, two thirds go.
                for (var i = 1; i < feeds.Length; i++)
                {
                    Assert.Equal(1, Period.Between(feeds[i - 1].At, feeds[i].At, PeriodUnits.Days).Days);
                    Assert.Equal(
                        feeds[i - 1].Keep.Grams + feeds[i - 1].Flour.Grams + feeds[i - 1].Water.Grams - feeds[i].Keep.Grams,
                        feeds[i].Discard.Grams,
                        6
                    );
                }
            });

    [Fact]
    public void A_cup_of_it_takes_two_days() =>
        Assert.Equal(
            [(10, 0.0), (11, 120.0), (12, 120.0)],
            StarterRefreshing.Toward(Mass.FromGrams(240), At).Select(f => (f.At.Day, f.Discard.Grams))
        );
}
