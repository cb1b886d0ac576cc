using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Certainty;
using Zymethos.Planning.Day;
using Zymethos.Planning.Search;

namespace Zymethos.Planning.Tests.Certainty;

public sealed class RehearsalTests
{
    private static (TaskNetwork Network, Plan Plan) Day(int seed, int recipes = 4)
    {
        var network = RandomDays.Day(seed, recipes);
        return (network, FirstPlan.Find(network, 1)!);
    }

    /// <summary>Plans that obey every rule, lived through days on which everything takes its usual time: hardly anything is missed, and
    /// they are done about when they were planned to be. Not always to the minute: the baker decides as the day goes, and may begin a
    /// little sooner what then meets other work.</summary>
    [Fact]
    public void Where_nothing_varies_days_go_well_and_about_as_planned()
    {
        var (days, well, planned, lived) = (0, 0, 0, 0);
        for (var seed = 1; seed <= 60; seed++)
        {
            var network = RandomDays.Day(seed, 3);
            network = network with { Tasks = [.. network.Tasks.Select(t => t with { Low = t.Likely, High = t.Likely })] };
            if (FirstPlan.Find(network, 1) is not { } plan)
                continue;
            var result = Rehearsal.Run(network, plan, 2);
            days++;
            well += result.Together == 1 ? 1 : 0;
            planned += plan.Finish(network);
            lived += result.Finishes[^1];
            Assert.Empty(result.HeadStarts);
        }

        Assert.True(well >= days * 0.95, $"well on {well} of {days}");
        Assert.InRange(lived, planned * 0.9, planned * 1.03);
    }

    [Fact]
    public void The_same_seed_gives_the_same_days()
    {
        var (network, plan) = Day(3);
        Assert.Equal(Rehearsal.Run(network, plan, 200, 5).Finishes.ToArray(), Rehearsal.Run(network, plan, 200, 5).Finishes.ToArray());
        Assert.NotEqual(Rehearsal.Run(network, plan, 200, 5).Finishes.ToArray(), Rehearsal.Run(network, plan, 200, 6).Finishes.ToArray());
    }

    [Fact]
    public void No_day_ends_before_the_longest_chain_of_shortest_times()
    {
        var (network, plan) = Day(8);
        var ends = new int[network.Tasks.Length];
        // Links go forward in time, so in the plan's order every step comes after what it follows.
        foreach (var t in network.Tasks.OrderBy(t => plan.Tasks[t.Index].Start).ThenBy(t => plan.Tasks[t.Index].End))
            ends[t.Index] = t.Low + network.Links.Where(l => l.To == t.Index).Select(l => ends[l.From] + l.MinLag).DefaultIfEmpty(0).Max();
        var least = network.Tasks.Where(t => t.NeedsPresence).Max(t => ends[t.Index]);
        Assert.True(Rehearsal.Run(network, plan).Finishes[0] >= least);
    }

    [Fact]
    public void A_need_with_hours_to_spare_is_always_met_and_one_with_none_is_not()
    {
        var (network, plan) = Day(8);
        var end = network.Tasks.Where(t => t.Bake == 0).Max(t => plan.Tasks[t.Index].End);
        RehearsalResult With(int ready) =>
            Rehearsal.Run(network with { Bakes = network.Bakes.SetItem(0, network.Bakes[0] with { ReadyBy = ready }) }, plan);
        Assert.Equal(1, With(end + 600).Needs[0].Ready);
        Assert.InRange(With(end).Needs[0].Ready, 0, 0.8);
        Assert.True(With(end + 20).Needs[0].Ready >= With(end).Needs[0].Ready);
    }

    /// <summary>The sample mean of a triangular distribution is a third of the sum of its three figures.</summary>
    [Fact]
    public void Times_are_drawn_as_they_are_given()
    {
        var network = RandomDays.Day(1, 1);
        var last = network.Tasks.Where(t => t.NeedsPresence).MaxBy(t => FirstPlan.Find(network, 1)!.Tasks[t.Index].End)!;
        network = network with
        {
            Tasks =
            [
                .. network.Tasks.Select(t =>
                    t.Index == last.Index ? t with { Low = t.Likely - 5, High = t.Likely + 25 } : t with { Low = t.Likely, High = t.Likely }
                ),
            ],
        };
        var plan = FirstPlan.Find(network, 1)!;
        var mean = Rehearsal.Run(network, plan, 4000).Finishes.Average();
        Assert.Equal(plan.Finish(network) + (20 / 3.0), mean, 0.6);
    }

    [Fact]
    public void What_is_allowed_more_time_makes_the_end_surer()
    {
        var (network, plan) = Day(8);
        var result = Rehearsal.Run(network, plan);
        Assert.InRange(result.HeadStarts.Length, 1, 3);
        Assert.All(result.HeadStarts, h => Assert.True(h.Worth > 0 && h.Minutes > network.Tasks[h.Task].Likely));
        Assert.True(result.FinishAt(0.9) >= result.FinishAt(0.5));
    }
}
