using Zymethos.Planning.Bench;
using Zymethos.Planning.Day;
using Zymethos.Planning.Search;
using Zymethos.Tests;

namespace Zymethos.Planning.Tests.Bench;

/// <summary>What the Daybook keeps of a load: only what was told from beginning to end.</summary>
public sealed class LoadRecordTests
{
    private readonly TaskNetwork _network = RandomDays.Day(3, 5, people: 1);
    private readonly Plan _plan;
    private readonly DayMinutes _clock;
    private readonly PlanTask _load;

    public LoadRecordTests()
    {
        _plan = FirstPlan.Find(_network, 1)!;
        _clock = DayMinutes.Of(_network);
        _load = _network.Tasks.Where(t => t.Oven is { Setting.IsHot: true }).MinBy(t => _plan.Tasks[t.Index].Start)!;
    }

    private BenchEvent At(BenchKind kind, double minute, TaskId step = default) =>
        new(Guid.NewGuid(), kind, step, _clock.Start + NodaTime.Duration.FromMinutes(minute), "Ada", "tablet");

    private IReadOnlyList<LoadRecord> Records(params BenchEvent[] told) =>
        LoadRecord.Of(_network, _plan, _plan, BenchState.From(told), _clock);

    [Fact]
    public void A_load_is_kept_with_how_long_it_took_and_what_was_seen_of_it()
    {
        var record = Assert.Single(
            Records(
                At(BenchKind.Started, 100, _load.Id),
                At(BenchKind.Touched, 110, _load.Id) with
                {
                    Number = 0,
                },
                At(BenchKind.NeedsMore, 130, _load.Id) with
                {
                    Minutes = 5,
                },
                At(BenchKind.Heat, 105) with
                {
                    Number = 0,
                    Value = 170,
                },
                At(BenchKind.Heat, 125) with
                {
                    Number = 0,
                    Value = 176,
                },
                At(BenchKind.Heat, 400) with
                {
                    Number = 0,
                    Value = 90,
                },
                At(BenchKind.Door, 130) with
                {
                    Number = 0,
                },
                At(BenchKind.Done, 134.6, _load.Id)
            )
        );
        Assert.Equal((100, 135, 35), (record.Start, record.End, record.Minutes));
        Assert.Equal((1, 1, 1), (record.Looks, record.Turns, record.Doors));
        Assert.Equal(173, record.RealCelsius);
        Assert.Equal("Ada", record.Who);
        Assert.Equal(_plan.Tasks[_load.Index].End - _plan.Tasks[_load.Index].Start, record.PlannedMinutes);
        Assert.Equal(_network.Bakes[_load.Bake].RecipeKey, record.RecipeKey);
    }

    [Fact]
    public void What_was_not_told_to_the_end_teaches_nothing()
    {
        Assert.Empty(Records());
        Assert.Empty(Records(At(BenchKind.Started, 100, _load.Id)));
        Assert.Empty(Records(At(BenchKind.Done, 100, _load.Id)));
        Assert.Empty(Records(At(BenchKind.Started, 100, _load.Id), At(BenchKind.Done, 90, _load.Id)));
    }

    [Fact]
    public void A_time_that_was_put_right_is_the_time_that_is_kept()
    {
        var done = At(BenchKind.Done, 160, _load.Id);
        var right = At(BenchKind.Corrected, 170) with { Target = done.Id, NewAt = _clock.At(140) };
        Assert.Equal(40, Assert.Single(Records(At(BenchKind.Started, 100, _load.Id), done, right)).Minutes);
    }
}
