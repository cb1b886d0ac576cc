using NodaTime;
using Zymethos.Planning.Bench;
using Zymethos.Planning.Certainty;
using Zymethos.Planning.Checking;
using Zymethos.Planning.Day;
using Zymethos.Planning.Search;
using Zymethos.Tests;

namespace Zymethos.Planning.Tests.Bench;

/// <summary>A day at work goes on from what has happened by the rule of the rehearsed baker.</summary>
public sealed class BenchDayTests
{
    [Theory]
    [InlineData(1, 4, 1)]
    [InlineData(2, 6, 1)]
    [InlineData(3, 8, 2)]
    [InlineData(5, 8, 1)]
    public void Told_as_it_was_lived_a_day_goes_on_as_it_went_on(int seed, int recipes, int people)
    {
        var (network, plan) = Planned(seed, recipes, people);
        var bench = new BenchDay(network, plan);
        var statics = new DayStatics(network);
        var lived = new RehearsedDay(statics, new DispatchRule(), isKept: true);
        lived.Live(DayScript.For(statics, plan), DayDraws.Usual(network).Of(0));
        var whole = lived.ToPlan();
        foreach (var share in new[] { 0.2, 0.5, 0.8 })
        {
            var now = (int)(lived.Ready * share);
            var look = bench.Look(BenchState.From(Told(network, bench.Clock, whole, now)), bench.Clock.At(now), withChance: false);
            Assert.True(look.IsComplete);
            foreach (var task in network.Tasks)
            {
                var (then, rest) = (whole.Tasks[task.Index], look.Plan.Tasks[task.Index]);
                if (then.End <= now)
                    Assert.Equal((task.Id, then.Start, then.End), (task.Id, rest.Start, rest.End));
                else if (then.Start <= now)
                    Assert.Equal((task.Id, then.Start), (task.Id, rest.Start));
                else
                    Assert.True(rest.Start >= now, $"{task.Id} begins before now");
            }

            // By usual times nothing is lost by looking again: a pause or a door more or less is all that may differ.
            var (was, will) = (lived.Ready, look.Plan.Tasks.Max(t => t.End));
            Assert.InRange(will, was - 20, was + 20);
        }
    }

    [Fact]
    public void Nothing_said_at_the_beginning_is_the_day_as_planned()
    {
        var (network, plan) = Planned(4, 6, 1);
        var bench = new BenchDay(network, plan);
        var look = bench.Look(BenchState.From([]), bench.Clock.At(0));
        Assert.True(look.IsComplete);
        Assert.Empty(look.Missed);
        Assert.InRange(look.Plan.Finish(network), plan.Finish(network) - 30, plan.Finish(network) + 15);
        Assert.True(look.Chance.Together > 0.5);
        Assert.NotEmpty(look.Hands);
    }

    [Fact]
    public void The_rest_obeys_every_rule_of_the_kitchen_whatever_was_told()
    {
        var checkedDays = 0;
        for (var seed = 1; seed <= 12; seed++)
        {
            var (network, plan) = Planned(seed, 5, 1 + (seed % 2));
            var statics = new DayStatics(network);
            var draws = new DayDraws(network, 4, seed);
            for (var i = 0; i < draws.Days; i++)
            {
                var lived = new RehearsedDay(statics, new DispatchRule(), isKept: true);
                lived.Live(DayScript.For(statics, plan), draws.Of(i));
                var now = lived.Ready / 3;
                var clock = DayMinutes.Of(network);
                var facts = ToldFacts.Of(statics, BenchState.From(Told(network, clock, lived.ToPlan(), now)), clock, now);
                var rest = new RehearsedDay(statics, new DispatchRule(), isKept: true);
                rest.LiveOn(DayScript.For(statics, plan), draws.Of(i), facts);
                Assert.True(rest.IsDone);
                // What lies behind is as it was told: work that was left for a minute is told in one piece.
                var plain = rest.ToPlan();
                var broken = PlanChecker.Check(rest.ToNetwork(), plain).Where(v => v.Tasks.Any(t => plain.Tasks[t].Start >= now)).ToList();
                Assert.True(broken.Count == 0, $"seed {seed}, day {i}: {string.Join("; ", broken.Select(b => b.Message))}");
                checkedDays++;
            }
        }

        Assert.Equal(48, checkedDays);
    }

    [Fact]
    public void What_goes_before_a_step_that_has_begun_is_over_though_nobody_said_so()
    {
        var (network, plan) = Planned(2, 4, 1);
        var bench = new BenchDay(network, plan);
        var last = network.Tasks.Where(t => t.Oven is { Setting.IsHot: true }).MinBy(t => plan.Tasks[t.Index].Start)!;
        var now = plan.Tasks[last.Index].Start + 5;
        var told = new BenchEvent(Guid.NewGuid(), BenchKind.Started, last.Id, bench.Clock.At(now - 2), "", "");
        var look = bench.Look(BenchState.From([told]), bench.Clock.At(now), withChance: false);
        Assert.Equal(now - 2, look.Begun[last.Index]);
        foreach (var link in network.Links.Where(l => l.To == last.Index))
            Assert.True(look.Over[link.From] >= 0 && look.Over[link.From] <= now - 2, network.Tasks[link.From].Id.Value);
    }

    [Fact]
    public void Five_minutes_more_in_the_oven_move_what_waits_for_it()
    {
        var (network, plan) = Planned(3, 6, 1);
        var bench = new BenchDay(network, plan);
        var load = network.Tasks.Where(t => t.Oven is { Setting.IsHot: true }).MinBy(t => plan.Tasks[t.Index].Start)!;
        var (start, end) = (plan.Tasks[load.Index].Start, plan.Tasks[load.Index].End);
        var told = Told(network, bench.Clock, plan, end - 1);
        told.Add(new BenchEvent(Guid.NewGuid(), BenchKind.NeedsMore, load.Id, bench.Clock.At(end), "", "") { Minutes = 10 });
        var look = bench.Look(BenchState.From(told), bench.Clock.At(end), withChance: false);
        Assert.Equal(start, look.Plan.Tasks[load.Index].Start);
        Assert.InRange(look.Plan.Tasks[load.Index].End, end + 9, end + 16);
    }

    [Fact]
    public void A_dial_set_late_puts_the_load_back_until_the_oven_is_hot()
    {
        var (network, plan) = Planned(3, 4, 1);
        var bench = new BenchDay(network, plan);
        var load = network.Tasks.Where(t => t.Oven is { Setting.IsHot: true }).MinBy(t => plan.Tasks[t.Index].Start)!;
        var at = plan.Tasks[load.Index].Start - 1;
        var told = Told(network, bench.Clock, plan, at);
        told.Add(
            new BenchEvent(Guid.NewGuid(), BenchKind.Dial, default, bench.Clock.At(at), "", "")
            {
                Number = 0,
                Value = load.Oven!.Setting.Celsius,
            }
        );
        var heats = network.Thermal(0).FromCold(load.Oven.Setting);
        Assert.True(heats > 5);
        var look = bench.Look(BenchState.From(told), bench.Clock.At(at), withChance: false);
        Assert.True(look.Plan.Tasks[load.Index].Start >= at + heats - 1, $"{look.Plan.Tasks[load.Index].Start} {at} {heats}");
        var oven = OvenNow.Of(network, BenchState.From(told), bench.Clock, 0, at + (heats / 2))!;
        Assert.InRange(oven.Celsius, network.Kitchen.Room.Celsius + 20, load.Oven.Setting.Celsius);
        Assert.InRange(oven.ReadyAt!.Value, at + heats - 1, at + heats + 1);
    }

    [Fact]
    public void Another_order_that_is_offered_is_better_on_days_that_did_not_choose_it()
    {
        var offered = 0;
        for (var seed = 1; seed <= 6; seed++)
        {
            var (network, plan) = Planned(seed, 7, 1);
            var bench = new BenchDay(network, plan);
            // The first long piece of work takes an hour more than anybody thought.
            var slow = network.Tasks.Where(t => t.IsHandsOn && t.Likely >= 10).MinBy(t => plan.Tasks[t.Index].Start)!;
            var now = plan.Tasks[slow.Index].Start + slow.Likely + 5;
            var told = Told(network, bench.Clock, plan, plan.Tasks[slow.Index].Start + 1);
            told.Add(new BenchEvent(Guid.NewGuid(), BenchKind.NeedsMore, slow.Id, bench.Clock.At(now), "", "") { Minutes = 60 });
            var state = BenchState.From(told);
            if (bench.Weigh(state, bench.Clock.At(now), TimeSpan.FromMilliseconds(600)) is not (var stands, { } other))
                continue;
            offered++;
            Assert.True(
                other.Chance.Together > stands.Chance.Together || (other.Chance.ReadyBy ?? 0) < (stands.Chance.ReadyBy ?? 0),
                $"seed {seed}"
            );
            var begun = network.Tasks.Where(t => stands.Begun[t.Index] >= 0);
            Assert.All(begun, t => Assert.Equal(stands.Plan.Tasks[t.Index].Start, other.Plan.Tasks[t.Index].Start));
            Assert.NotEmpty(other.Moved);
        }

        Assert.True(offered > 0, "an hour lost changes the best order of some day");
    }

    private static (TaskNetwork Network, Plan Plan) Planned(int seed, int recipes, int people)
    {
        var network = RandomDays.Day(seed, recipes, people: people);
        return (network, FirstPlan.Find(network, 1)!);
    }

    /// <summary>What is told of a plan that was kept to until a minute.</summary>
    private static List<BenchEvent> Told(TaskNetwork network, DayMinutes clock, Plan plan, int now)
    {
        var told = new List<BenchEvent>();
        foreach (var task in network.Tasks)
        {
            var planned = plan.Tasks[task.Index];
            if (planned.Start <= now)
                told.Add(new BenchEvent(Guid.NewGuid(), BenchKind.Started, task.Id, clock.At(planned.Start), "", "tablet"));
            if (planned.End <= now)
                told.Add(new BenchEvent(Guid.NewGuid(), BenchKind.Done, task.Id, clock.At(planned.End), "", "tablet"));
        }

        return told;
    }
}
