using NodaTime;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Day;
using Zymethos.Planning.Seasons;

namespace Zymethos.Planning.Tests.Seasons;

/// <summary>Food that must be kept cold is never sent by post and never waits on the counter (USDA FSIS two-hour rule, from
/// memory).</summary>
public sealed class ColdKeepingTests
{
    private static readonly LocalDateTime Now = new(2026, 11, 2, 8, 0);

    private static SeasonWish Wish(Handing handing, params string[] keys) =>
        new(
            Shipped.Kitchen(),
            Now,
            [new Occasion("Parcels", Now.PlusDays(12), handing, handing == Handing.Posted ? 3 : 0)],
            [.. keys.Select((k, i) => new Need($"n{i}", 0, Shipped.Recipe(k), 4))],
            [
                .. Enumerable
                    .Range(1, 11)
                    .Select(d => new SeasonSession(
                        Now.Date.PlusDays(d).At(new LocalTime(9, 0)),
                        Now.Date.PlusDays(d).At(new LocalTime(19, 0)),
                        2
                    )),
            ]
        );

    [Theory]
    [InlineData("parade-cake", true)]
    [InlineData("midnight-ring", true)]
    [InlineData("lamplight-ginger-rounds", false)]
    [InlineData("doorstep-fruit-loaf", false)]
    public void What_must_be_cold_is_told_by_what_is_in_it(string key, bool cold) =>
        Assert.Equal(cold, ColdKeeping.Is(Shipped.Recipe(key)));

    [Fact]
    public void A_cream_cake_is_not_posted_and_what_can_go_is_named()
    {
        var wish = Wish(Handing.Posted, "parade-cake", "lamplight-ginger-rounds");
        var plan = SeasonPlanner.Plan(wish, new SeasonSettings(TimeSpan.FromSeconds(3)));
        var unmet = plan.Unmet.Single(u => wish.Needs[u.Need].Recipe.Key == "parade-cake");
        Assert.Contains("kept cold", unmet.Why, StringComparison.Ordinal);
        Assert.Contains(Shipped.Recipe("lamplight-ginger-rounds").Name, unmet.Why, StringComparison.Ordinal);
        Assert.Empty(SeasonChecker.Check(wish, plan));
    }

    // FDA and USDA give two hours out of the cold in all (ColdFood.HoursOut).
    [Theory]
    [InlineData(2, false)]
    [InlineData(2.5, true)]
    [InlineData(6, true)]
    public void A_cream_cake_is_not_handed_over_to_stand_in_the_warm(double hours, bool refused)
    {
        var handed = Wish(Handing.HandedOver, "parade-cake", "lamplight-ginger-rounds");
        var wish = handed with { Occasions = [.. handed.Occasions.Select(o => o with { HoursOut = hours })] };
        Assert.Equal(refused, ColdKeeping.IsRefused(Shipped.Recipe("parade-cake"), wish.Occasions[0]));
        Assert.False(ColdKeeping.IsRefused(Shipped.Recipe("lamplight-ginger-rounds"), wish.Occasions[0]));
        var plan = SeasonPlanner.Plan(wish, new SeasonSettings(TimeSpan.FromSeconds(3)));
        Assert.Empty(SeasonChecker.Check(wish, plan));
        if (!refused)
            return;
        var unmet = plan.Unmet.Single(u => wish.Needs[u.Need].Recipe.Key == "parade-cake");
        Assert.Contains("out of it for more than 2 hours", unmet.Why, StringComparison.Ordinal);
        Assert.Contains(Shipped.Recipe("lamplight-ginger-rounds").Name, unmet.Why, StringComparison.Ordinal);
        // A plan that was made before the hours were known no longer passes.
        var before = SeasonPlanner.Plan(handed, new SeasonSettings(TimeSpan.FromSeconds(6)));
        Assert.Contains(SeasonChecker.Check(wish, before), b => b.ToString().Contains("too long", StringComparison.Ordinal));
    }

    [Fact]
    public void The_checker_refuses_a_plan_that_posts_it()
    {
        var served = Wish(Handing.Served, "parade-cake");
        var plan = SeasonPlanner.Plan(served, new SeasonSettings(TimeSpan.FromSeconds(6)));
        Assert.Empty(plan.Unmet);
        Assert.Contains(
            SeasonChecker.Check(Wish(Handing.Posted, "parade-cake"), plan),
            b => b.ToString().Contains("kept cold", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void It_waits_on_no_counter()
    {
        var cake = Shipped.Recipe("parade-cake");
        Assert.False(ColdKeeping.MayWait(cake, new KeepingPlace("counter, under a bell", 2)));
        Assert.True(ColdKeeping.MayWait(cake, new KeepingPlace("refrigerator", 2)));
        Assert.True(ColdKeeping.MayWait(Shipped.Recipe("lamplight-ginger-rounds"), new KeepingPlace("counter", 20)));
    }
}
