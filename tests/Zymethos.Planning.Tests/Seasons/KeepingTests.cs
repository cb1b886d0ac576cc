using NodaTime;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Seasons;

namespace Zymethos.Planning.Tests.Seasons;

/// <summary>How a bake waits for its date: fresh, frozen, unfinished, ripening; and what kinds usually keep.</summary>
public sealed class KeepingTests
{
    private static readonly LocalDateTime Date = new(2026, 12, 12, 18, 0);

    private static Kept? Kept(string key, double bakedDaysBefore, double? finishedDaysBefore = null)
    {
        var recipe = ChosenRecipe.Of(Shipped.Recipe(key));
        var baked = Date.PlusMinutes(-(long)(bakedDaysBefore * 1440));
        var finish = Date.PlusMinutes(-(long)((finishedDaysBefore ?? bakedDaysBefore) * 1440));
        return Keeping.For(recipe, SeasonMethod.Of(recipe), baked, finish, finish, Date, Date);
    }

    [Fact]
    public void Freshness_falls_over_the_days_and_ends_without_a_cliff()
    {
        // Counter, in a tin, 10 days.
        var stale = new[] { 1.0, 4, 8, 10, 10.4 }.Select(d => Kept("lamplight-ginger-rounds", d)).ToList();
        Assert.All(stale, Assert.NotNull);
        Assert.Equal(stale.Select(k => k!.Stale).Order(), stale.Select(k => k!.Stale));
        Assert.InRange(Kept("lamplight-ginger-rounds", 4)!.Stale, 28, 45);
    }

    [Fact]
    public void What_is_too_old_for_the_counter_was_frozen_and_thaws_in_time()
    {
        var kept = Kept("harbour-tea-loaf", 20)!;
        Assert.True(kept.IsFrozenLast);
        Assert.Equal(Date.PlusHours(-4), kept.ThawAt);
        Assert.Null(Kept("doorstep-fruit-loaf", 40));
    }

    [Fact]
    public void Iced_only_after_thawing()
    {
        var kept = Kept("copper-ring", 12, 0.3)!;
        Assert.True(kept.IsFrozenBetween);
        Assert.True(kept.ThawAt < Date.PlusHours(-7));
        Assert.Contains("finished after that", kept.Words, StringComparison.Ordinal);
        // Glazed it is not frozen any more, and twelve days are too many.
        Assert.Null(Kept("copper-ring", 12, 12));
    }

    [Fact]
    public void What_is_young_is_good_and_better_later()
    {
        var young = Kept("cellar-fruit-cake", 20, 8)!;
        var ripe = Kept("cellar-fruit-cake", 40, 8)!;
        Assert.True(young.Stale > ripe.Stale);
        // It ripens a week after its last feed, whatever its age.
        Assert.Null(Kept("cellar-fruit-cake", 40, 5));
    }

    [Theory]
    [InlineData(0, "eaten on the day it is made")]
    [InlineData(0.2, "eaten on the day it is made")]
    [InlineData(0.9, "a day old when it is eaten")]
    [InlineData(2.6, "3 days old when it is eaten")]
    [InlineData(40, "40 days old when it is eaten")]
    public void Its_age_is_said_in_whole_days(double days, string words) => Assert.Equal(words, Keeping.Old(days));

    [Theory]
    [InlineData("counter, in a cloth", "on the counter, in a cloth")]
    [InlineData("refrigerator", "in the refrigerator")]
    [InlineData("Freezer, wrapped", "in the freezer, wrapped")]
    [InlineData("a cool cellar", "a cool cellar")]
    public void Its_place_is_said_in_a_sentence(string place, string words) => Assert.Equal(words, new KeepingPlace(place, 3).Said);

    [Theory]
    [InlineData(7, 20, "2026-12-12T07:20")]
    [InlineData(6, 59, "2026-12-11T21:00")]
    [InlineData(0, 0, "2026-12-11T21:00")]
    public void Nobody_rises_at_three_to_thaw(int hour, int minute, string at) =>
        Assert.Equal(at, Keeping.Awake(new LocalDateTime(2026, 12, 12, hour, minute)).ToString("uuuu-MM-dd'T'HH:mm", null));

    /// <summary>USDA FoodKeeper, from memory: cookies 2 to 3 weeks, freezer 8 to 12 months; muffins 1 to 2 days, refrigerator a week,
    /// freezer 2 months; fruit cake a month, freezer a year; cake 1 to 2 days, refrigerator a week; baked yeast rolls 3 to 4 days, freezer
    /// 2 months.</summary>
    [Theory]
    [InlineData(RecipeKind.Cookies, KeepingStore.Counter, 14, 21)]
    [InlineData(RecipeKind.Cookies, KeepingStore.Freezer, 240, 365)]
    [InlineData(RecipeKind.Muffins, KeepingStore.Counter, 1, 2)]
    [InlineData(RecipeKind.Muffins, KeepingStore.Refrigerator, 7, 7)]
    [InlineData(RecipeKind.Muffins, KeepingStore.Freezer, 60, 60)]
    [InlineData(RecipeKind.FruitCake, KeepingStore.Counter, 30, 30)]
    [InlineData(RecipeKind.FruitCake, KeepingStore.Freezer, 365, 365)]
    [InlineData(RecipeKind.RingCake, KeepingStore.Counter, 1, 2)]
    [InlineData(RecipeKind.RingCake, KeepingStore.Refrigerator, 7, 7)]
    [InlineData(RecipeKind.Bread, KeepingStore.Counter, 3, 4)]
    [InlineData(RecipeKind.Bread, KeepingStore.Freezer, 60, 60)]
    public void Defaults_lie_within_the_published_ranges(RecipeKind kind, KeepingStore store, int least, int most) =>
        Assert.InRange(KeepingDefaults.For(kind).Single(p => p.Store == store).Days, least, most);

    [Fact]
    public void Filled_cakes_have_no_default_outside_the_cold()
    {
        // Cream, custard and curd are TCS food: refrigerated at once, a few days (FDA Food Code, from memory).
        Assert.All(KeepingDefaults.For(RecipeKind.LayerCake), p => Assert.Equal(KeepingStore.Refrigerator, p.Store));
        Assert.All(Enum.GetValues<RecipeKind>(), k => Assert.NotEmpty(KeepingDefaults.For(k)));
    }
}
