using System.Collections.Immutable;
using CsCheck;
using NodaTime;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Day;
using Zymethos.Planning.Seasons;

namespace Zymethos.Planning.Tests.Seasons;

/// <summary>Seasons planned backward from their dates: every need met within its keeping, or reported.</summary>
public sealed class SeasonPlannerTests
{
    private static readonly LocalDateTime Now = new(2026, 11, 2, 8, 0);
    private static readonly Kitchen Kitchen = Shipped.Kitchen();

    private static Recipe Recipe(string key) => Shipped.Recipe(key);

    /// <summary>Two evenings, a Saturday and a Sunday in each of so many weeks.</summary>
    private static ImmutableArray<SeasonSession> Weeks(int weeks) =>
        [
            .. Enumerable
                .Range(0, weeks)
                .SelectMany(w =>
                    new[]
                    {
                        new SeasonSession(
                            Now.PlusDays(7 * w).Date.PlusDays(1).At(new LocalTime(18, 0)),
                            Now.PlusDays(7 * w).Date.PlusDays(1).At(new LocalTime(22, 0)),
                            2
                        ),
                        new SeasonSession(
                            Now.PlusDays(7 * w).Date.PlusDays(3).At(new LocalTime(18, 0)),
                            Now.PlusDays(7 * w).Date.PlusDays(3).At(new LocalTime(22, 0)),
                            1
                        ),
                        new SeasonSession(
                            Now.PlusDays(7 * w).Date.PlusDays(5).At(new LocalTime(9, 0)),
                            Now.PlusDays(7 * w).Date.PlusDays(5).At(new LocalTime(18, 0)),
                            2
                        ),
                        new SeasonSession(
                            Now.PlusDays(7 * w).Date.PlusDays(6).At(new LocalTime(10, 0)),
                            Now.PlusDays(7 * w).Date.PlusDays(6).At(new LocalTime(17, 0)),
                            2
                        ),
                    }
                ),
        ];

    private static SeasonWish Wish(int weeks, LocalDateTime at, params (string Key, int Pieces)[] needs) =>
        new(
            Kitchen,
            Now,
            [new Occasion("Lantern Night", at, Handing.Served)],
            [.. needs.Select((n, i) => new Need($"n{i}", 0, Recipe(n.Key), n.Pieces))],
            Weeks(weeks)
        );

    private static SeasonPlan Planned(SeasonWish wish, double seconds = 10)
    {
        var plan = SeasonPlanner.Plan(wish, new SeasonSettings(TimeSpan.FromSeconds(seconds)));
        Assert.Empty(SeasonChecker.Check(wish, plan));
        return plan;
    }

    [Theory]
    [InlineData("lamplight-ginger-rounds", 60, 2, 72)]
    [InlineData("lamplight-ginger-rounds", 33, 1, 36)]
    [InlineData("lamplight-ginger-rounds", 34, 1.5, 54)]
    [InlineData("lamplight-ginger-rounds", 10, 0.5, 18)]
    [InlineData("market-squash-loaf", 4, 2, 4)]
    [InlineData("market-squash-loaf", 3, 1.5, 3)]
    [InlineData("copper-ring", 3, 3, 3)]
    public void Batches_follow_from_pieces_breakage_and_tasting(string key, int pieces, double batches, int made)
    {
        // 33 cookies, two for what breaks, one to taste: 36, one batch. 34 need half a one more. A ring is not baked by halves.
        var count = BatchCount.Of(Recipe(key), pieces);
        Assert.Equal((batches, made), (count.Batches, count.Made));
        Assert.True(count.Spare >= 0);
    }

    [Fact]
    public void A_fed_cake_is_five_pieces_of_work_over_many_weeks()
    {
        var method = SeasonMethod.Of(ChosenRecipe.Of(ChosenRecipe.Choose(Recipe("cellar-fruit-cake"), "soak", "spirit")));
        Assert.Equal(
            ["Cut and mix the fruit", "Bake the fruit cake", "First feed, wrap the cake", "Second feed", "Third feed, the last"],
            method.Stretches.Select(s => s.Title)
        );
        var soak = method.Waits.Single(w => w.From == 0);
        Assert.Equal((14.0, 21.0), (soak.Least.TotalDays, soak.Usual.TotalDays));
        Assert.All(
            method.Waits.Where(w => w.Says.StartsWith("Rest", StringComparison.Ordinal)),
            w => Assert.InRange(w.Least.TotalDays, 5.9, 6.1)
        );
        Assert.Equal(7, method.RipensLeast.TotalDays);
        Assert.Equal([150], method.Stretches[1].Heats.AsEnumerable());
        Assert.Equal(200, method.Stretches[1].OvenMinutes);
    }

    [Fact]
    public void What_can_be_made_ahead_is_cut_where_it_may_wait()
    {
        // A dough that may rest a day in the cold is mixed on one evening and baked on another; a quick loaf is one piece.
        Assert.Equal(2, SeasonMethod.Of(ChosenRecipe.Of(Recipe("lamplight-ginger-rounds"))).Stretches.Length);
        Assert.Single(SeasonMethod.Of(ChosenRecipe.Of(Recipe("market-squash-loaf"))).Stretches);
    }

    [Fact]
    public void The_fed_cake_is_begun_in_time_and_fed_at_its_spacing()
    {
        var cake = ChosenRecipe.Choose(Recipe("cellar-fruit-cake"), "soak", "spirit");
        var wish = Wish(11, Now.PlusDays(75), ("market-squash-loaf", 2));
        wish = wish with { Needs = [wish.Needs[0] with { Recipe = cake, Pieces = 30 }] };
        var plan = Planned(wish);
        Assert.Empty(plan.Unmet);
        var starts = plan.Placed.OrderBy(p => p.Stretch).Select(p => p.Start).ToList();
        Assert.True(Days(starts[0], starts[1]) >= 14);
        Assert.InRange(Days(starts[2], starts[3]), 5.5, 13);
        Assert.InRange(Days(starts[3], starts[4]), 5.5, 13);
        Assert.True(Days(starts[4], Now.PlusDays(75)) >= 7);
    }

    [Fact]
    public void A_soak_longer_than_the_time_left_offers_the_shorter_school()
    {
        var cake = ChosenRecipe.Choose(Recipe("cellar-fruit-cake"), "soak", "spirit");
        var wish = Wish(3, Now.PlusDays(20), ("market-squash-loaf", 2));
        wish = wish with { Needs = [wish.Needs[0] with { Recipe = cake, Pieces = 30 }] };
        var unmet = Assert.Single(Planned(wish).Unmet);
        Assert.Matches("wants at least \\d+ days", unmet.Why);
        var plan = SeasonPlanner.Plan(wish, new SeasonSettings(TimeSpan.FromSeconds(3)));
        var ways = SeasonWaysOut.Find(wish, plan, 0, [cake, Recipe("orchard-almond-slices")], TimeSpan.FromSeconds(2));
        // Juice overnight and tea for ten minutes both still get there; so does a recipe that keeps, and the shop.
        Assert.Equal(2, ways.Count(w => w.Change is SeasonChange.Way));
        Assert.Contains(ways, w => w.Change is SeasonChange.Other { Recipe: "orchard-almond-slices" });
        Assert.IsType<SeasonChange.Bought>(ways[^1].Change);
        foreach (var way in ways.Where(w => w.Change is not SeasonChange.Bought))
            Assert.Empty(Planned(SeasonWaysOut.Apply(wish, way.Change, [cake, Recipe("orchard-almond-slices")]), 3).Unmet);
    }

    [Fact]
    public void What_does_not_keep_is_frozen_or_baked_last()
    {
        var wish = Wish(4, Now.PlusDays(26), ("pocket-muffins", 12), ("orchard-almond-slices", 38));
        var plan = Planned(wish);
        Assert.Empty(plan.Unmet);
        Assert.All(plan.Kept.Values, k => Assert.InRange(k.Stale, 0, 60));
        var muffins = plan.Placed.Last(p => p.Lot == 0);
        // Two days on the counter: either within them, or frozen and thawed before.
        Assert.True(Days(muffins.End, Now.PlusDays(26)) <= 2.5 || plan.Kept[0].ThawAt is not null);
        if (plan.Kept[0].ThawAt is { } thaw)
            Assert.True(thaw > muffins.End && thaw < Now.PlusDays(26));
    }

    [Fact]
    public void Without_sessions_everything_is_unmet_and_said()
    {
        var wish = Wish(0, Now.PlusDays(20), ("pocket-muffins", 12), ("copper-ring", 1));
        var plan = Planned(wish);
        Assert.Equal(2, plan.Unmet.Length);
        Assert.All(plan.Unmet, u => Assert.NotEmpty(u.Why));
        var past = Wish(2, Now.PlusDays(-1), ("copper-ring", 1));
        Assert.Contains("over", Assert.Single(Planned(past).Unmet).Why, StringComparison.Ordinal);
    }

    [Fact]
    public void Same_heats_are_gathered_into_the_same_session()
    {
        // Three quick loaves of one heat that keep a few days: one session before the date holds them all.
        var plan = Planned(Wish(3, Now.PlusDays(20), ("market-squash-loaf", 2), ("allotment-loaf", 2)));
        Assert.Empty(plan.Unmet);
        Assert.Single(plan.Placed.Select(p => p.Session).Distinct());
    }

    [Fact]
    public void A_recipe_that_says_nothing_of_keeping_is_baked_for_the_day_or_as_its_kind_keeps()
    {
        var silent = Recipe("lamplight-ginger-rounds") with { Keeping = [] };
        var wish = Wish(3, Now.PlusDays(19).Date.At(new LocalTime(20, 0)), ("copper-ring", 1));
        wish = wish with
        {
            Needs = [wish.Needs[0] with { Recipe = silent, Pieces = 33 }],
            Sessions = [.. wish.Sessions.Where(s => s.Until < Now.PlusDays(14))],
        };
        var plan = Planned(wish, 3);
        Assert.Single(plan.Unmet);
        Assert.Contains(SeasonWarning.Of(wish, plan, []), w => w.Words.Contains("says nothing of how it keeps", StringComparison.Ordinal));
        var usual = SeasonWaysOut.Find(wish, plan, 0, [], TimeSpan.FromSeconds(2)).First(w => w.Change is SeasonChange.UsualKeeping);
        Assert.Contains("FoodKeeper", usual.Words, StringComparison.Ordinal);
        Assert.Empty(Planned(SeasonWaysOut.Apply(wish, usual.Change, []), 3).Unmet);
    }

    /// <summary>Looked at from the recipes and the plan alone, without the rules that planner and checker share.</summary>
    [Fact]
    public void Random_seasons_are_met_within_their_keeping_or_reported() =>
        Gen.Int[0, 100_000]
            .Sample(
                seed =>
                {
                    var random = new Random(seed);
                    var keys = Shipped.Keys.OrderBy(_ => random.Next()).Take(random.Next(1, 6)).ToList();
                    var weeks = random.Next(0, 9);
                    var wish = Wish(weeks, Now.PlusDays(random.Next(3, 60)), [.. keys.Select(k => (k, random.Next(1, 50)))]);
                    var hours = new FreeHours([], random.Next(2) == 0 ? new LocalTime(20, 30) : null, [], []);
                    wish = wish with
                    {
                        Needs =
                        [
                            .. wish.Needs.Select(n =>
                                n with
                                {
                                    Recipe = n.Recipe.Choices.Aggregate(
                                        n.Recipe,
                                        (r, c) => ChosenRecipe.Choose(r, c.Key, c.Options[random.Next(c.Options.Length)].Key)
                                    ),
                                }
                            ),
                        ],
                        Sessions =
                        [
                            .. wish
                                .Sessions.Concat(
                                    hours
                                        .Sessions(Now.Date, Now.Date.PlusDays(7 * weeks))
                                        .Where(s => wish.Sessions.All(x => x.Until <= s.From || x.From >= s.Until))
                                )
                                .OrderBy(s => s.From),
                        ],
                        Kitchen = Kitchen with { FreezerLitres = random.Next(3) == 0 ? null : random.Next(0, 40) },
                    };
                    var plan = Planned(wish, 3);
                    Assert.Equal(
                        wish.Needs.Length,
                        plan.Unmet.Select(u => u.Need).Distinct().Count() + plan.Placed.Select(p => p.Lot).Distinct().Count()
                    );
                    foreach (var placed in plan.Placed)
                        Assert.InRange(placed.Start, wish.Sessions[placed.Session].From, wish.Sessions[placed.Session].Until);
                    foreach (var (l, kept) in plan.Kept)
                    {
                        var own = plan.Of(l);
                        var at = wish.Occasions[0].At;
                        Assert.True(own.Max(p => p.End) <= at);
                        Assert.True(plan.Lots[l].Batches.Made >= wish.Needs[l].Pieces);
                        // Nothing thaws before it is frozen through, and thawed it is before its date.
                        if (kept.ThawAt is { } thaw)
                            Assert.True(
                                thaw < at && thaw >= own.First(p => p.Stretch == plan.Lots[l].Method.Bake).End.PlusHours(12),
                                $"{wish.Needs[l].Recipe.Name} {thaw}"
                            );
                        // Fresh it is eaten within the longest of its days.
                        else if (wish.Needs[l].Recipe.Keeping.Any(k => k.Part.Length == 0))
                            Assert.True(
                                Days(own.First(p => p.Stretch == plan.Lots[l].Method.Bake).End, at)
                                    <= wish.Needs[l].Recipe.Keeping.Where(k => k.Store != KeepingStore.Freezer).Sum(k => k.Days) + 1
                            );
                        if (wish.Needs[l].Recipe.Key != "cellar-fruit-cake" || own.Length < 5)
                            continue;
                        // The recipe rests it six days at least before it is fed again, nine at the most, three more are let pass.
                        Assert.InRange(Days(own[2].End, own[3].Start), 5.9, 12.1);
                        Assert.InRange(Days(own[3].End, own[4].Start), 5.9, 12.1);
                        Assert.True(Days(own[4].End, at) >= 7);
                    }
                },
                iter: 30,
                threads: 1
            );

    private static double Days(LocalDateTime from, LocalDateTime until) =>
        Period.Between(from, until, PeriodUnits.Minutes).Minutes / 1440.0;
}
