using Zymethos.Core.Recipes;
using Zymethos.Planning.Certainty;
using Zymethos.Planning.Checking;
using Zymethos.Planning.Day;
using Zymethos.Planning.Search;

namespace Zymethos.Planning.Tests.Certainty;

/// <summary>What goes for every rehearsed day, whatever happens on it.</summary>
public sealed class RehearsedDayTests
{
    /// <summary>Days of all sorts, always the same: one pair of hands and two, plain kitchens and full ones.</summary>
    private static IEnumerable<(int Seed, int People, bool Full)> Days(int count) =>
        Enumerable.Range(0, count).Select(i => ((i * 7919) % 100_000, 1 + (i % 2), i / 2 % 2 == 0));

    private static TaskNetwork? Network((int Seed, int People, bool Full) day) =>
        day.Full ? RandomDays.Full(day.Seed, 4, day.People) : RandomDays.Day(day.Seed, 5, people: day.People);

    /// <summary>Hands, mixers, pans, ovens, shelves, doors: what was lived is put before the checker, which shares nothing with the
    /// rehearsal. Some thousands of days.</summary>
    [Fact]
    public void Every_rule_of_the_kitchen_holds_on_every_rehearsed_day()
    {
        var lived = 0;
        Parallel.ForEach(
            Days(120),
            day =>
            {
                if (Network(day) is not { } network || FirstPlan.Find(network, 1) is not { } plan)
                    return;
                var statics = new DayStatics(network);
                var rehearsed = new RehearsedDay(statics, new DispatchRule(), isKept: true);
                var draws = new DayDraws(network, 25, day.Seed);
                for (var i = 0; i < draws.Days; i++)
                {
                    rehearsed.Live(DayScript.For(statics, plan), draws.Of(i));
                    Assert.True(rehearsed.IsDone);
                    Assert.Empty(PlanChecker.Check(rehearsed.ToNetwork(), rehearsed.ToPlan()));
                    Interlocked.Increment(ref lived);
                }
            }
        );
        Assert.True(lived > 2000, $"only {lived} days were lived");
    }

    /// <summary>A day that goes on: what has begun began when it did, what is ahead begins no sooner than now, and the day comes to its
    /// end.</summary>
    [Fact]
    public void What_lies_behind_stays_where_it_was() =>
        Parallel.ForEach(
            Days(100),
            day =>
            {
                var percent = 20 + (day.Seed % 71);
                if (Network(day) is not { } network || FirstPlan.Find(network, 1) is not { } plan)
                    return;
                var now = plan.Finish(network) * percent / 100;
                var begun = network.Tasks.Where(t => plan.Tasks[t.Index].Start < now).Select(t => t.Index).ToHashSet();
                network = network with { Since = now, Pins = [.. begun.Select(t => new Pin(t, plan.Tasks[t].Start))] };
                var statics = new DayStatics(network);
                var rehearsed = new RehearsedDay(statics, new DispatchRule());
                var draws = new DayDraws(network, 5, day.Seed);
                for (var i = 0; i < draws.Days; i++)
                {
                    rehearsed.Live(DayScript.For(statics, plan), draws.Of(i));
                    Assert.True(rehearsed.IsDone);
                    Assert.All(begun, t => Assert.Equal(plan.Tasks[t].Start, rehearsed.Kitchen.Start[t]));
                    Assert.All(
                        network.Tasks.Where(t => !begun.Contains(t.Index)),
                        t => Assert.True(rehearsed.Kitchen.Start[t.Index] >= now)
                    );
                }
            }
        );

    /// <summary>What was drawn is the least that a step takes: only an open door, or hands that came late, make it longer.</summary>
    [Fact]
    public void No_step_is_shorter_than_it_was_drawn() =>
        Parallel.ForEach(
            Days(60),
            day =>
            {
                if (Network(day) is not { } network || FirstPlan.Find(network, 1) is not { } plan)
                    return;
                var statics = new DayStatics(network);
                var rehearsed = new RehearsedDay(statics, new DispatchRule(), isKept: true);
                var draws = new DayDraws(network, 3, day.Seed);
                for (var i = 0; i < draws.Days; i++)
                {
                    rehearsed.Live(DayScript.For(statics, plan), draws.Of(i));
                    var after = rehearsed.ToPlan();
                    Assert.All(
                        network.Tasks,
                        t => Assert.True(after.Tasks[t.Index].End - after.Tasks[t.Index].Start >= rehearsed.Drawn[t.Index], t.Title)
                    );
                }
            }
        );

    [Fact]
    public void A_window_that_is_not_counted_as_missed_was_kept() =>
        Parallel.ForEach(
            Days(60),
            day =>
            {
                if (Network(day) is not { } network || FirstPlan.Find(network, 1) is not { } plan)
                    return;
                var statics = new DayStatics(network);
                var rehearsed = new RehearsedDay(statics, new DispatchRule(), isKept: true);
                var draws = new DayDraws(network, 4, day.Seed);
                for (var i = 0; i < draws.Days; i++)
                {
                    rehearsed.Live(DayScript.For(statics, plan), draws.Of(i));
                    var after = rehearsed.ToPlan();
                    foreach (var (link, index) in network.Links.Select((l, n) => (l, n)))
                    {
                        // A spell ends when it is cleared; its window counts from when the dough was ready, which is earlier.
                        if (
                            link is not { MaxLag: { } most, Window: WindowKind.Hard }
                            || network.ClearingOf(network.Tasks[link.From]) is not null
                        )
                            continue;
                        var late = after.Tasks[link.To].Start - after.Tasks[link.From].End > most + RehearsedDay.Forgiven;
                        Assert.Equal(late, rehearsed.MissedLinks.Contains(index));
                    }
                }
            }
        );

    /// <summary>
    /// Fifty minutes of work go on while a dough rises for an hour, and the work after the rise is too long to slip in: the window of five
    /// minutes is missed when the work runs over by more than eight minutes longer than the rise. The chance of that, added up minute by
    /// minute from the two distributions, and the share of rehearsed days agree.
    /// </summary>
    [Fact]
    public void A_tiny_day_breaks_as_often_as_it_must()
    {
        var network = Tiny();
        var plan = new Plan([At(0, 10, hands: true), At(10, 70, hands: false), At(70, 80, hands: true), At(10, 60, hands: true)]);
        Assert.Empty(PlanChecker.Check(network, plan));
        const int Many = 20_000;
        var result = Rehearsal.Run(network, plan, Many, 5);
        var (rise, work) = (Chances(network.Tasks[1]), Chances(network.Tasks[3]));
        var expected = rise.SelectMany(r => work.Select(w => w.Minutes > r.Minutes + 5 + RehearsedDay.Forgiven ? r.Chance * w.Chance : 0))
            .Sum();
        Assert.InRange(expected, 0.05, 0.5);
        Assert.Equal(1 - expected, result.Together, 4 * Math.Sqrt(expected * (1 - expected) / Many));
        Assert.Equal(2, result.Breaks.Single().Task);

        static PlannedTask At(int from, int until, bool hands) => new(from, until, hands ? [new HandsBlock(0, from, until)] : [], []);
    }

    /// <summary>Icing that must be used within ten minutes is not stirred while the shapes are still in the oven: on no day is it too old,
    /// though the plan's order has it first.</summary>
    [Fact]
    public void What_goes_together_with_something_else_waits_for_it()
    {
        var network = Tiny();
        network = network with
        {
            Tasks = [.. network.Tasks.Select(t => t.Index == 1 ? t with { Kind = StepKind.Cool } : t)],
            // Mix, then cool; stir (3) when it is cool, then ice (2) within ten minutes of stirring.
            Links =
            [
                new(0, 1, 0, null, WindowKind.Hard, ""),
                new(1, 2, 0, null, WindowKind.Hard, ""),
                new(3, 2, 0, 10, WindowKind.Hard, ""),
            ],
        };
        network = network with
        {
            Tasks = network.Tasks.SetItem(3, network.Tasks[3] with { Low = 4, Likely = 5, High = 7, Hands = [new HandsNeed(0, 5, 1)] }),
        };
        // By the plan it is stirred just in time; the cooling may take half an hour longer than usual.
        var plan = new Plan(
            [
                new(0, 10, [new HandsBlock(0, 0, 10)], []),
                new(10, 70, [], []),
                new(70, 80, [new HandsBlock(0, 70, 80)], []),
                new(60, 65, [new HandsBlock(0, 60, 65)], []),
            ]
        );
        Assert.Empty(PlanChecker.Check(network, plan));
        Assert.InRange(Rehearsal.Run(network, plan, 2000, 3).Together, 0.5, 1);
        // Where it usually cools, nothing is stirred before that is nearly over.
        var statics = new DayStatics(network);
        var day = new RehearsedDay(statics, new DispatchRule());
        var early = new DayScript(statics, [0, 10, 70, 11], new int[4]);
        day.Live(early, DayDraws.Usual(network).Of(0));
        Assert.InRange(day.Kitchen.Start[3], 55, 70);
        Assert.True(day.IsWell);
    }

    private static TaskNetwork Tiny()
    {
        var network = RandomDays.Day(1, 1);
        PlanTask Step(int index, string key, StepKind kind, int low, int likely, int high, bool hands) =>
            new(
                index,
                TaskId.Of(0, 0, key, 0),
                0,
                key,
                kind,
                low,
                likely,
                high,
                hands ? [new HandsNeed(0, likely, 1)] : [],
                [],
                null,
                null
            );
        return network with
        {
            Tasks =
            [
                Step(0, "mix", StepKind.Work, 10, 10, 10, true),
                Step(1, "rise", StepKind.BulkRise, 48, 60, 90, false),
                Step(2, "shape", StepKind.Work, 10, 10, 10, true),
                Step(3, "decorate", StepKind.Work, 40, 50, 120, true),
            ],
            Links = [new(0, 1, 0, 5, WindowKind.Hard, ""), new(1, 2, 0, 5, WindowKind.Hard, "")],
            Orders = [],
            Holds = [],
            Resources = [],
        };
    }

    /// <summary>The chance of each whole minute of a triangular distribution, by the areas under it.</summary>
    private static IEnumerable<(int Minutes, double Chance)> Chances(PlanTask task)
    {
        double low = task.Low,
            mode = task.Likely,
            high = task.High;
        double Below(double x) =>
            x <= low ? 0
            : x >= high ? 1
            : x <= mode ? (x - low) * (x - low) / ((high - low) * (mode - low))
            : 1 - ((high - x) * (high - x) / ((high - low) * (high - mode)));
        for (var minutes = task.Low; minutes <= task.High; minutes++)
            yield return (minutes, Below(minutes + 0.5) - Below(minutes - 0.5));
    }
}
