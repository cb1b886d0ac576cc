using NodaTime;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Bench;
using Zymethos.Planning.Compile;
using Zymethos.Planning.Day;
using Zymethos.Planning.Search;
using static Zymethos.Tests.RandomDays;

namespace Zymethos.Planning.Tests.Bench;

/// <summary>Hands, rises and heatings up as the Daybook keeps them.</summary>
public sealed class PastRecordTests
{
    private static readonly Pan Tin = new("dark loaf pan", Length.FromMillimetres(230), Length.FromMillimetres(130));
    private readonly TaskNetwork _network;
    private readonly DayMinutes _clock;

    public PastRecordTests()
    {
        var recipe = Make(
            "loaf",
            [Hands("mix", StepKind.Mix, 10), Wait("rise", StepKind.BulkRise, 60), Bake("bake", 50, 180, Tin, 1)],
            [Tie("mix", "rise", 0, 0), Tie("rise", "bake", 0, 60)]
        );
        _network = TaskCompiler
            .Compile(
                Kitchen.Ordinary("Home") with
                {
                    Learned = [new LearnedTime(LearnedKind.Oven, "oven 1", 0.8, 0.75, 0.85, 9)],
                },
                new DayWish(
                    new LocalDateTime(2026, 12, 5, 8, 0),
                    new LocalDateTime(2026, 12, 5, 18, 0),
                    [new BakeWish(recipe, 1, null, null)]
                )
            )
            .Network!;
        _clock = DayMinutes.Of(_network);
    }

    private TaskId Id(string step) => _network.Tasks.Single(t => t.Step?.Key == step).Id;

    private BenchEvent At(BenchKind kind, double minute, string? step = null, string who = "Ada") =>
        new(Guid.NewGuid(), kind, step is null ? default : Id(step), _clock.Start + Duration.FromMinutes(minute), who, "tablet");

    [Fact]
    public void Learning_goes_by_the_recipe_and_not_by_what_was_learned_before()
    {
        var plan = FirstPlan.Find(_network, 1)!;
        var state = BenchState.From([At(BenchKind.Started, 100, "bake"), At(BenchKind.Done, 140, "bake")]);
        var load = Assert.Single(LoadRecord.Of(_network, plan, plan, state, _clock));
        Assert.Equal((40, 40), (load.PlannedMinutes, load.Minutes));
        Assert.Equal(50, load.RecipeMinutes, 6);
        Assert.Equal("dark", load.Finish);
    }

    [Fact]
    public void The_first_look_is_kept_and_the_looks_after_it_are_counted()
    {
        var plan = FirstPlan.Find(_network, 1)!;
        var state = BenchState.From(
            [
                At(BenchKind.Started, 100, "bake"),
                At(BenchKind.NeedsMore, 136, "bake") with
                {
                    Minutes = 5,
                },
                At(BenchKind.NeedsMore, 141, "bake") with
                {
                    Minutes = 3,
                },
                At(BenchKind.Done, 144, "bake"),
            ]
        );
        var load = Assert.Single(LoadRecord.Of(_network, plan, plan, state, _clock));
        Assert.Equal((36, 2, 44), (load.FirstLook, load.Looks, load.Minutes));
    }

    [Fact]
    public void Handwork_is_kept_without_what_it_was_left_in_between_and_never_guessed()
    {
        Assert.Empty(HandRecord.Of(_network, BenchState.From([At(BenchKind.Done, 20, "mix")])));
        var told = HandRecord.Of(
            _network,
            BenchState.From(
                [
                    At(BenchKind.Started, 0, "mix"),
                    At(BenchKind.Paused, 4, "mix"),
                    At(BenchKind.Resumed, 10, "mix"),
                    At(BenchKind.Done, 18, "mix", "Ben"),
                ]
            )
        );
        var hand = Assert.Single(told);
        Assert.Equal((12.0, "Ben", "mixing"), (hand.Minutes, hand.Who, hand.Work));
        // Two touches one after the other took no time to work.
        Assert.Empty(HandRecord.Of(_network, BenchState.From([At(BenchKind.Started, 0, "mix"), At(BenchKind.Done, 0.1, "mix")])));
    }

    [Fact]
    public void A_rise_begins_when_what_comes_before_it_is_done()
    {
        var rise = Assert.Single(
            RiseRecord.Of(
                _network,
                ["yeast"],
                BenchState.From(
                    [At(BenchKind.Done, 20, "mix"), At(BenchKind.Height, 80, "rise") with { Value = 1.6 }, At(BenchKind.Done, 110, "rise")]
                ),
                _clock
            )
        );
        Assert.Equal(90, rise.Minutes);
        Assert.Equal((60, 1.6), Assert.Single(rise.Heights));
        Assert.Equal(_network.Tasks.Single(t => t.Step?.Key == "rise").Likely, rise.RecipeMinutes);
        // Of one of which nobody knows when it began nothing is kept.
        Assert.Empty(RiseRecord.Of(_network, ["yeast"], BenchState.From([At(BenchKind.Done, 110, "rise")]), _clock));
    }

    [Fact]
    public void Heating_up_is_kept_from_the_dial_to_where_the_thermometer_arrives()
    {
        BenchEvent Dial(double minute, double celsius) => At(BenchKind.Dial, minute) with { Number = 0, Value = celsius };
        BenchEvent Heat(double minute, double celsius) => At(BenchKind.Heat, minute) with { Number = 0, Value = celsius };
        var heat = Assert.Single(
            HeatRecord.Of(_network, BenchState.From([Dial(10, 180), Heat(20, 140), Heat(26, 174), Heat(27, 176), Heat(40, 181)]))
        );
        Assert.Equal(17, heat.Minutes);
        Assert.Equal(_network.Thermal(0).MinutesToHeat(21, 175), heat.ModelMinutes, 9);
        // Turned to something else before it got there.
        Assert.Empty(HeatRecord.Of(_network, BenchState.From([Dial(10, 180), Heat(20, 140), Dial(21, 0), Heat(26, 176)])));
        // Nobody knows from where it climbed.
        Assert.Empty(HeatRecord.Of(_network, BenchState.From([Dial(1, 200), Dial(60, 180), Heat(70, 176)])).Where(h => h.To == 180));
    }

    [Fact]
    public void A_door_costs_what_the_thermometer_saw()
    {
        BenchEvent Heat(double minute, double celsius) => At(BenchKind.Heat, minute) with { Number = 0, Value = celsius };
        var door = At(BenchKind.Door, 50) with { Number = 0 };
        var state = BenchState.From([Heat(48, 179), Heat(49, 180), door, Heat(50.5, 158), Heat(51, 150), Heat(52, 163), Heat(60, 140)]);
        Assert.Equal((0, 30.0), Assert.Single(HeatRecord.DoorDrops(state)));
        Assert.Empty(HeatRecord.DoorDrops(BenchState.From([door, Heat(60, 140)])));
    }

    // Newton's law of cooling in closed form: 21 + (230 - 21) e^(-t / tau), read every three minutes.
    private BenchEvent[] Fall(double tau, double until) =>
        [
            .. Enumerable
                .Range(0, (int)(until / 3))
                .Select(i => At(BenchKind.Heat, 60 + (3 * i)) with { Number = 0, Value = 21 + (209 * Math.Exp(-3 * i / tau)) }),
        ];

    [Theory]
    [InlineData(60, false)]
    [InlineData(25, true)]
    public void Cooling_gives_back_the_time_constant_it_was_made_with(double tau, bool isAjar)
    {
        BenchEvent[] said =
        [
            At(BenchKind.Dial, 60) with
            {
                Number = 0,
                Value = 0,
            },
            .. isAjar ? [At(BenchKind.Door, 60.5) with { Number = 0 }] : Array.Empty<BenchEvent>(),
            .. Fall(tau, 40),
        ];
        var cool = Assert.Single(CoolRecord.Of(_network, BenchState.From(said)));
        Assert.Equal((0, isAjar), (cool.Oven, cool.IsAjar));
        Assert.Equal(tau, cool.TimeConstant, 6);
    }

    [Fact]
    public void A_fall_ends_where_the_dial_the_door_or_the_heating_ends_it()
    {
        var off = At(BenchKind.Dial, 60) with { Number = 0, Value = 0 };
        // Set to 150 it holds there, and what it holds is no cooling.
        BenchEvent[] held =
        [
            off with
            {
                Value = 150,
            },
            .. Fall(25, 12),
            .. Enumerable.Range(0, 10).Select(i => At(BenchKind.Heat, 72 + i) with { Number = 0, Value = 150 + (i % 2) }),
        ];
        Assert.Equal(25, Assert.Single(CoolRecord.Of(_network, BenchState.From(held))).TimeConstant, 6);
        // The door was opened in the third minute: two readings are no fall.
        Assert.Empty(CoolRecord.Of(_network, BenchState.From([off, At(BenchKind.Door, 64) with { Number = 0 }, .. Fall(60, 40)])));
        // Nothing was read.
        Assert.Empty(CoolRecord.Of(_network, BenchState.From([off])));
    }
}
