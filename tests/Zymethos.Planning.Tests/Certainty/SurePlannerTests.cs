using System.Collections.Immutable;
using Zymethos.Core.Kitchens;
using Zymethos.Planning.Certainty;
using Zymethos.Planning.Checking;
using Zymethos.Planning.Day;
using Zymethos.Planning.Search;

namespace Zymethos.Planning.Tests.Certainty;

public sealed class SurePlannerTests
{
    private static ModedOutcome Plan(int seed, int recipes, double certainty = 0.95, double seconds = 3)
    {
        var (kitchen, wish) = RandomDays.Asked(seed, recipes);
        return SurePlanner.Plan(kitchen, wish, new SolveSettings(TimeSpan.FromSeconds(seconds)) { Certainty = certainty });
    }

    /// <summary>So many tries, not so many seconds: the same on every machine. Judged by days that chose nothing.</summary>
    [Theory]
    [InlineData(2)]
    [InlineData(6)]
    public void The_search_makes_a_day_surer_and_keeps_it_sooner_than_by_hand(int seed)
    {
        var network = RandomDays.Day(seed, 7);
        var first = OrderSearch.Improve(network, FirstPlan.Find(network, 1)!, 1, 20_000);
        var statics = new DayStatics(network);
        var search = new CertaintySearch(statics, new DayDraws(network, 60, 1), 0.97);
        var found = search.Improve(first, 1, TimeSpan.FromSeconds(4), () => 1, (_, _) => { })[0].Plan;
        Assert.Empty(PlanChecker.Check(network, found));
        var (sure, tight) = (Rehearsal.Run(network, found, 1000, 4711), Rehearsal.Run(network, first, 1000, 4711));
        Assert.True(sure.Together >= Math.Min(0.93, tight.Together + 0.1), $"{sure.Together} beside {tight.Together}");
        var byHand = Rehearsal.Run(network, HandMethods.Build(network, HandMethods.ListOrder(network))!, 1000, 4711);
        Assert.True(sure.DoneBy < byHand.DoneBy, $"{sure.DoneBy} beside {byHand.DoneBy} by hand");
    }

    [Fact]
    public void The_same_seed_finds_the_same_plans()
    {
        var network = RandomDays.Day(4, 4);
        var first = FirstPlan.Find(network, 1)!;
        var statics = new DayStatics(network);
        List<int> Found() =>
            [
                .. new CertaintySearch(statics, new DayDraws(network, 20, 1), 0.97)
                    .Improve(first, 3, TimeSpan.FromSeconds(0.5), () => 1, (_, _) => { })
                    .SelectMany(f => f.Plan.Tasks.Select(t => t.Start)),
            ];
        Assert.Equal(Found(), Found());
    }

    [Theory]
    [InlineData(3, 5)]
    [InlineData(11, 6)]
    public void Every_plan_to_choose_from_can_be_carried_out_and_the_one_that_was_taken_is_among_them(int seed, int recipes)
    {
        var outcome = Plan(seed, recipes);
        var network = outcome.Network!;
        var choices = outcome.Outcome!.Choices;
        Assert.InRange(choices.Length, 1, SurePlanner.MostChoices);
        Assert.All(choices, c => Assert.Empty(PlanChecker.Check(network, c.Plan)));
        Assert.Contains(choices, c => ReferenceEquals(c.Plan, outcome.Outcome.Plan) && c.Chance == outcome.Outcome.Chance);
        Assert.Equal(choices.Select(c => c.Chance.Together).Order(), choices.Select(c => c.Chance.Together));
        Assert.All(choices, c => Assert.Equal(network.Bakes.Length, c.Chance.Needs.Length));
        Assert.All(choices, c => Assert.True(c.Chance.LikelyDone <= c.Chance.DoneBy));
    }

    /// <summary>What is said of a plan holds on other days: within four standard deviations of the sample.</summary>
    [Fact]
    public void What_is_said_of_a_plan_is_so()
    {
        var outcome = Plan(5, 6);
        var chance = outcome.Outcome!.Chance!;
        var other = Rehearsal.Run(outcome.Network!, outcome.Outcome.Plan!, 4000, 99);
        Assert.Equal(other.Together, chance.Together, 4 * Math.Sqrt(Math.Max(0.01, 0.25 / chance.Days)));
        Assert.InRange(chance.DoneBy, other.FinishAt(0.85) - 3, other.FinishAt(0.95) + 3);
    }

    /// <summary>Three bakes by hand in every order: none that is as sure is done sooner.</summary>
    [Theory]
    [InlineData(21)]
    [InlineData(22)]
    [InlineData(23)]
    public void No_order_of_whole_bakes_is_better_on_a_tiny_day(int seed)
    {
        var network = RandomDays.Day(seed, 3);
        var statics = new DayStatics(network);
        var search = new CertaintySearch(statics, new DayDraws(network, 100, 1), 0.95);
        var found = search.Improve(FirstPlan.Find(network, 1)!, 1, TimeSpan.FromSeconds(3), () => 1, (_, _) => { })[0].Plan;
        var draws = new DayDraws(network, 500, 77);
        Score Worth(Plan plan) => new CertaintySearch(statics, draws, 0.95).Evaluate(DayScript.For(statics, plan), plan.Finish(network));
        int[][] orders =
        [
            [0, 1, 2],
            [0, 2, 1],
            [1, 0, 2],
            [1, 2, 0],
            [2, 0, 1],
            [2, 1, 0],
        ];
        var byHand = orders.Select(o => HandMethods.Build(network, o)).OfType<Plan>().Select(p => Worth(p).Cost).ToList();
        Assert.NotEmpty(byHand);
        Assert.True(Worth(found).Cost <= byHand.Min() + 5, $"{Worth(found)} beside {byHand.Min()}");
    }

    [Fact]
    public void Without_a_wish_for_certainty_it_is_the_plan_of_usual_times()
    {
        var (kitchen, wish) = RandomDays.Asked(3, 4);
        var outcome = SurePlanner.Plan(kitchen, wish, new SolveSettings(TimeSpan.FromSeconds(1)));
        Assert.NotNull(outcome.Outcome!.Plan);
        Assert.Null(outcome.Outcome.Chance);
        Assert.Empty(outcome.Outcome.Choices);
    }

    /// <summary>It ends by itself: with hours to spend, a day of one cake is looked through in a few hundred tries.</summary>
    [Fact]
    public void A_day_of_one_cake_is_soon_looked_through()
    {
        var network = RandomDays.Day(1, 1);
        var search = new CertaintySearch(new DayStatics(network), new DayDraws(network, 20, 1), 0.95);
        var found = search.Improve(FirstPlan.Find(network, 1)!, 1, TimeSpan.FromHours(10), () => 1, (_, _) => { });
        Assert.InRange(search.Tries, 1, 2000);
        Assert.True(Rehearsal.Run(network, found[0].Plan).Together > 0.9);
    }

    /// <summary>A bake that must be ready before it can be: everything by hand is late, and the best there is says by how much.</summary>
    [Fact]
    public void What_no_plan_reaches_is_said_as_missing()
    {
        var chance = new PlanChance(100, 0.82, 300, 320, ImmutableArray<NeedChance>.Empty);
        Assert.Equal((13, 0, 17), (chance.Missing(0.95), chance.Missing(0.8), chance.Missing(0.99)));
        Assert.Equal(0.95, Kitchen.Ordinary("Any").Certainty);
        Assert.Contains(Kitchen.Ordinary("Any").Certainty, Kitchen.Certainties);
    }
}
