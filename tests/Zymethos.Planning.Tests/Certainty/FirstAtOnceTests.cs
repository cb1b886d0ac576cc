using Zymethos.Planning.Certainty;
using Zymethos.Planning.Checking;
using Zymethos.Planning.Day;
using Zymethos.Planning.Search;

namespace Zymethos.Planning.Tests.Certainty;

/// <summary>The plan that answers at once: a real plan with its chance, and no promise that there is no better.</summary>
public sealed class FirstAtOnceTests
{
    [Fact]
    public void It_obeys_every_rule_and_ends_no_later_than_list_order()
    {
        for (var seed = 1; seed <= 25; seed++)
        {
            var (kitchen, wish) = RandomDays.Asked(seed, 3 + (seed % 6), people: 1 + (seed % 2));
            var first = SurePlanner.First(kitchen, wish);
            var (network, outcome) = (first.Network!, first.Outcome!);
            Assert.Empty(PlanChecker.Check(network, outcome.Plan!));
            var finish = outcome.Plan!.Finish(network);
            Assert.InRange(outcome.BoundFinish, 1, finish);
            Assert.True(finish <= HandMethods.Build(network, HandMethods.ListOrder(network))!.Finish(network));
            Assert.NotNull(outcome.Chance);
            Assert.Equal(outcome.Plan, Assert.Single(outcome.Choices).Plan);
            // What is ready is ready no sooner than hands are free of it on half of the days.
            Assert.True(outcome.Chance!.LikelyReady >= outcome.Chance.LikelyDone);
            Assert.True(outcome.Chance.ReadyBy >= outcome.Chance.LikelyReady);
        }
    }

    [Fact]
    public void Where_nothing_is_found_at_once_nothing_is_claimed()
    {
        var (kitchen, wish) = RandomDays.Asked(4, 6);
        var first = SurePlanner.First(kitchen, wish with { Until = wish.From.PlusHours(2) });
        Assert.Null(first.Outcome!.Plan);
        Assert.Equal(PlanStatus.Unknown, first.Outcome.Status);
        Assert.NotEmpty(SurePlanner.First(kitchen, wish with { Bakes = [] }).Faults);
    }

    /// <summary>Pauses are part of the bound: it still holds for every plan, with one pair of hands and with two.</summary>
    [Fact]
    public void The_bound_with_pauses_is_beaten_by_no_plan()
    {
        for (var seed = 1; seed <= 60; seed++)
        {
            var network = RandomDays.Day(seed, 2 + (seed % 5), people: 1 + (seed % 2));
            var with = DayBound.Finish(network);
            Assert.True(DayBound.Finish(network with { Pauses = null }) <= with);
            foreach (var order in new[] { HandMethods.ListOrder(network), HandMethods.ByTemperature(network) })
            {
                if (HandMethods.Build(network, order) is { } plan)
                    Assert.True(with <= plan.Finish(network), $"day {seed}");
            }

            if (FirstPlan.Find(network, 1) is { } first)
                Assert.True(with <= OrderSearch.Improve(network, first, 1, 300, () => false).Finish(network), $"day {seed}");
        }
    }
}
