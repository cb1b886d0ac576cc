using NodaTime;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Checking;
using Zymethos.Planning.Compile;
using Zymethos.Planning.Day;
using Zymethos.Planning.Live;
using Zymethos.Planning.Reading;
using Zymethos.Planning.Search;

namespace Zymethos.Planning.Tests.Search;

/// <summary>The search over the order of a day's moments, and the day laid in an order in which it stood.</summary>
public sealed class OrderSearchTests
{
    [Fact]
    public void Better_orders_are_found_where_the_first_plan_is_none_of_the_best()
    {
        var days = Enumerable.Range(1, 6).Select(seed => RandomDays.Day(seed, 8)).ToList();
        var first = days.ConvertAll(d => FirstPlan.Find(d, 1)!);
        var better = days.Zip(first, (d, f) => OrderSearch.Improve(d, f, 1, 8000)).ToList();
        // On these days the search was seen to save a seventh; a tenth leaves room for other days' luck.
        Assert.True(days.Zip(better, (d, p) => p.Finish(d)).Sum() < 0.9 * days.Zip(first, (d, p) => p.Finish(d)).Sum());
        Assert.Equal(better.Select((p, i) => p.Finish(days[i])), days.Zip(first, (d, f) => OrderSearch.Improve(d, f, 1, 8000).Finish(d)));
    }

    [Fact]
    public void A_search_for_a_better_order_ends_when_it_is_told()
    {
        var network = RandomDays.Day(2, 8);
        var first = FirstPlan.Find(network, 1)!;
        var asked = 0;
        Assert.True(OrderSearch.Improve(network, first, 1, 1_000_000, () => ++asked > 20).Finish(network) <= first.Finish(network));
        Assert.Equal(21, asked);
    }

    [Fact]
    public void A_day_of_one_pair_of_hands_laid_in_the_order_of_a_plan_ends_no_later_than_the_plan()
    {
        var laid = 0;
        for (var seed = 0; seed < 150; seed++)
        {
            // An open door that costs nothing: what is laid earlier may otherwise be in the oven when the door is opened, and then stay
            // longer. Nor pauses: the same order may have them elsewhere.
            var (kitchen, wish) = RandomDays.Asked(seed, 2 + (seed % 7));
            var network = TaskCompiler
                .Compile(kitchen with { Oven = kitchen.Oven with { DoorDrop = 0, ColdLoad = Duration.Zero }, PauseMinutes = 0 }, wish)
                .Network!;
            if (FirstPlan.Find(network, 1) is not { } plan || OrderSearch.InOrder(network, Starts(network, plan)) is not { } again)
                continue;
            laid++;
            Assert.Empty(PlanChecker.Check(network, again));
            Assert.InRange(again.Finish(network), 0, plan.Finish(network));
            foreach (
                var (one, other) in Loads(network)
                    .SelectMany(a => Loads(network).Select(b => (a, b)))
                    .Where(p => plan.Tasks[p.a].Start < plan.Tasks[p.b].Start)
            )
                Assert.True(again.Tasks[one].Start <= again.Tasks[other].Start);
        }

        Assert.True(laid > 120, $"{laid}");
    }

    [Fact]
    public void When_a_step_runs_over_the_rest_follows_in_its_old_order()
    {
        var (kitchen, wish) = RandomDays.Asked(3, 4);
        var network = TaskCompiler.Compile(kitchen, wish).Network!;
        var plan = FirstPlan.Find(network, 1)!;
        var late = network.Tasks.Where(t => t.IsHandsOn).OrderBy(t => plan.Tasks[t.Index].Start).Skip(3).First();
        var now = plan.Tasks[late.Index].End;
        var rest = TaskCompiler
            .Compile(kitchen, wish with { ByHand = LiveDay.From(PlannedDay.Of(network, plan, 0), wish.ByHand, late, 10, now) })
            .Network!;
        var again = OrderSearch.InOrder(rest, Starts(network, plan));
        Assert.NotNull(again);
        Assert.Empty(PlanChecker.Check(rest, again));
        Assert.InRange(again.Finish(rest), plan.Finish(network), plan.Finish(network) + 30);
        // What is done stays done, and hands go from step to step as they would have.
        Assert.All(
            network.Tasks.Where(t => plan.Tasks[t.Index].End <= plan.Tasks[late.Index].Start),
            t => Assert.Equal(plan.Tasks[t.Index].Start, again.Tasks[t.Index].Start)
        );
        Assert.Equal(HandsOn(network, plan), HandsOn(rest, again));
    }

    [Fact]
    public void A_step_that_stood_nowhere_has_no_place_in_the_old_order()
    {
        var network = RandomDays.Day(1, 3);
        var starts = Starts(network, FirstPlan.Find(network, 1)!);
        Assert.NotNull(OrderSearch.InOrder(network, starts));
        starts.Remove(network.Tasks[^1].Id);
        Assert.Null(OrderSearch.InOrder(network, starts));
    }

    private static Dictionary<TaskId, int> Starts(TaskNetwork network, Plan plan) =>
        network.Tasks.ToDictionary(t => t.Id, t => plan.Tasks[t.Index].Start);

    private static List<int> Loads(TaskNetwork network) => [.. network.Tasks.Where(t => t.Oven is not null).Select(t => t.Index)];

    private static List<TaskId> HandsOn(TaskNetwork network, Plan plan) =>
        [.. network.Tasks.Where(t => t.IsHandsOn).OrderBy(t => plan.Tasks[t.Index].Start).Select(t => t.Id)];
}
