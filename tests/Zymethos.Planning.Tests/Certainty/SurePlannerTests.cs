using System.Collections.Immutable;
using Zymethos.Core.Kitchens;
using Zymethos.Planning.Certainty;
using Zymethos.Planning.Checking;
using Zymethos.Planning.Day;
using Zymethos.Planning.Search;

namespace Zymethos.Planning.Tests.Certainty;

public sealed class SurePlannerTests
{
    private static ModedOutcome Plan(int seed, int recipes, double certainty = 0.95, double seconds = 3, DayLean lean = DayLean.DoneEarly)
    {
        var (kitchen, wish) = RandomDays.Asked(seed, recipes);
        return SurePlanner.Plan(
            kitchen,
            wish with
            {
                Lean = lean,
            },
            new SolveSettings(TimeSpan.FromSeconds(seconds)) { Certainty = certainty }
        );
    }

    /// <summary>A day of which the tightest plan goes wrong on every second day.</summary>
    [Fact]
    public void A_plan_is_found_that_goes_well_far_more_often_than_the_tightest_and_is_hardly_later()
    {
        var outcome = Plan(2, 8, seconds: 6);
        var (network, plan) = (outcome.Network!, outcome.Outcome!.Plan!);
        var tightest = ModeChooser.Plan(network.Kitchen, RandomDays.Asked(2, 8).Wish, new SolveSettings(TimeSpan.FromSeconds(2)));
        // Days that neither was chosen by.
        var (sure, tight) = (
            Rehearsal.Run(network, plan, 1000, 4711),
            Rehearsal.Run(tightest.Network!, tightest.Outcome!.Plan!, 1000, 4711)
        );
        Assert.Empty(PlanChecker.Check(network, plan));
        Assert.True(sure.Together >= tight.Together + 0.1, $"{sure.Together} beside {tight.Together}");
        var byHand = Rehearsal.Run(network, HandMethods.Build(network, HandMethods.ListOrder(network))!, 1000, 4711);
        Assert.True(sure.DoneBy < byHand.DoneBy, $"{sure.DoneBy} beside {byHand.DoneBy} by hand");
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
        var outcome = Plan(seed, 3, seconds: 2);
        var network = outcome.Network!;
        var statics = new DayStatics(network);
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
        Assert.True(Worth(outcome.Outcome!.Plan!).Cost <= byHand.Min() + 5, $"{Worth(outcome.Outcome.Plan!)} beside {byHand.Min()}");
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

    [Fact]
    public void A_day_of_one_cake_is_sure_and_soon_planned()
    {
        var outcome = Plan(1, 1, seconds: 10);
        Assert.True(outcome.Outcome!.Took < TimeSpan.FromSeconds(8));
        Assert.True(outcome.Outcome.Chance!.Together > 0.9);
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
