using Zymethos.Core.Leaven;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Bench;
using Zymethos.Planning.Day;
using Zymethos.Planning.Search;
using Zymethos.Tests;

namespace Zymethos.Planning.Tests.Bench;

/// <summary>What devices say moves the day: the oven's real heat, the room's, and warmth in the middle.</summary>
public sealed class MeasuredDayTests
{
    private readonly TaskNetwork _network = RandomDays.Day(3, 6, people: 1);
    private readonly DayMinutes _clock;

    public MeasuredDayTests() => _clock = DayMinutes.Of(_network);

    private BenchEvent At(BenchKind kind, int minute, double? value = null, TaskId step = default, string? text = null) =>
        new(Guid.NewGuid(), kind, step, _clock.At(minute), "", "oven-1")
        {
            Number = 0,
            Value = value,
            Text = text,
        };

    private OvenNow Oven(int now, params BenchEvent[] told) => OvenNow.Of(_network, BenchState.From(told), _clock, 0, now)!;

    [Fact]
    public void A_thermometer_puts_the_estimate_right()
    {
        var dial = At(BenchKind.Dial, 10, 200);
        var alone = Oven(20, dial);
        Assert.Null(alone.MeasuredAt);
        // It heats more slowly than the kitchen's figures say: it comes later.
        var slow = Oven(20, dial, At(BenchKind.Heat, 20, alone.Celsius - 30));
        Assert.Equal(20, slow.MeasuredAt);
        Assert.Equal(alone.Celsius - 30, slow.Celsius, 6);
        Assert.True(slow.ReadyAt > alone.ReadyAt + 1);
    }

    [Fact]
    public void It_is_ready_when_its_thermometer_says_so_and_stays_so_while_it_swings()
    {
        var dial = At(BenchKind.Dial, 10, 200);
        var there = Oven(16, dial, At(BenchKind.Heat, 16, 196));
        Assert.Equal(16, there.ReadyAt);
        // The door was opened, and the thermostat swings: what stands before it does not wait again.
        var swung = Oven(40, dial, At(BenchKind.Heat, 16, 196), At(BenchKind.Heat, 38, 184));
        Assert.Equal(16, swung.ReadyAt);
        // Far below is cold again, whatever it was.
        var cold = Oven(40, dial, At(BenchKind.Heat, 16, 196), At(BenchKind.Heat, 38, 120));
        Assert.True(cold.ReadyAt > 40);
    }

    [Fact]
    public void An_oven_that_climbs_no_more_is_as_ready_as_it_will_be()
    {
        var dial = At(BenchKind.Dial, 10, 200);
        var stands = Oven(40, dial, At(BenchKind.Heat, 38, 178, text: BenchEvent.Steady));
        Assert.Equal(38, stands.ReadyAt);
        // Another setting begins anew.
        Assert.True(Oven(41, dial, At(BenchKind.Heat, 38, 178, text: BenchEvent.Steady), At(BenchKind.Dial, 40, 230)).ReadyAt > 41);
    }

    [Fact]
    public void Warm_in_the_middle_means_out_now()
    {
        var plan = FirstPlan.Find(_network, 1)!;
        var load = _network.Tasks.Where(t => t.Oven is { Setting.IsHot: true }).MinBy(t => plan.Tasks[t.Index].Start)!;
        var (start, now) = (plan.Tasks[load.Index].Start, plan.Tasks[load.Index].Start + (load.Likely / 2));
        var events = new[] { At(BenchKind.Started, start, step: load.Id), At(BenchKind.Warm, now, step: load.Id, text: "96 °C") };
        var look = new BenchDay(_network, plan).Look(BenchState.From(events), _clock.At(now), withChance: false);
        Assert.InRange(look.Plan.Tasks[load.Index].End, now, now + 3);
        // Somebody looked, and it needs five more all the same.
        BenchEvent[] more = [.. events, At(BenchKind.NeedsMore, now + 1, step: load.Id) with { Minutes = 5 }];
        Assert.Null(BenchState.From(more).Of(load.Id).WarmAt);
    }

    [Fact]
    public void A_colder_room_makes_a_rise_longer_by_the_yeasts_own_rate()
    {
        var rise = Rise();
        var start = 30;
        int Due(double celsius) =>
            RisePace.Due(_network, BenchState.From([At(BenchKind.Room, start, celsius)]), _clock, rise, start, start)!.Value;
        var planned = _network.Kitchen.RoomAt(_network.TimeOf(start).TimeOfDay).Celsius;
        Assert.InRange(Due(planned) - start, rise.Likely - 1, rise.Likely + 1);
        foreach (var off in new[] { -4.0, -2, 2, 4 })
        {
            // A rise that takes L minutes at one rate takes L times the ratio at another.
            var ratio = YeastRate.At(Temperature.FromCelsius(planned)) / YeastRate.At(Temperature.FromCelsius(planned + off));
            Assert.InRange(Due(planned + off) - start, (rise.Likely * ratio) - 2, (rise.Likely * ratio) + 2);
        }
    }

    [Fact]
    public void A_rise_goes_at_each_rooms_pace_as_long_as_it_was_in_it()
    {
        var rise = Rise();
        var planned = _network.Kitchen.RoomAt(_network.TimeOf(30).TimeOfDay).Celsius;
        BenchEvent[] told = [At(BenchKind.Room, 30, planned), At(BenchKind.Room, 30 + (rise.Likely / 2), planned - 5)];
        var now = 30 + (rise.Likely / 2);
        var due = RisePace.Due(_network, BenchState.From(told), _clock, rise, 30, now)!.Value;
        var slow = 1 / RisePace.Pace(_network, now, planned - 5);
        Assert.InRange(due - 30, (rise.Likely / 2) + (rise.Likely / 2 * slow) - 3, (rise.Likely / 2) + (rise.Likely / 2 * slow) + 3);
    }

    [Fact]
    public void What_nobody_measured_and_what_does_not_rise_in_the_room_stays_as_planned()
    {
        var rise = Rise();
        Assert.Null(RisePace.Due(_network, BenchState.From([]), _clock, rise, 30, 40));
        // What was said a day before says nothing of now.
        Assert.Null(RisePace.Due(_network, BenchState.From([At(BenchKind.Room, -900, 15)]), _clock, rise, 30, 40));
        var bake = _network.Tasks.First(t => t.Oven is not null);
        Assert.Null(RisePace.Due(_network, BenchState.From([At(BenchKind.Room, 30, 15)]), _clock, bake, 30, 40));
    }

    private PlanTask Rise() => _network.Tasks.First(t => t.Kind is StepKind.BulkRise or StepKind.Proof && t.Oven is null);
}
