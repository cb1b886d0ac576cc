using NodaTime;
using Xunit.Abstractions;
using Zymethos.Planning.Bench;
using Zymethos.Planning.Certainty;
using Zymethos.Planning.Day;
using Zymethos.Planning.Reading;
using Zymethos.Planning.Search;
using Zymethos.Store.Benches;
using Zymethos.Tests;
using Zymethos.Web.Places.Bench;
using Zymethos.Work.Benches;

namespace Zymethos.Web.Tests;

/// <summary>A baker who does what the Bench says, minute after minute, has the day that was planned; one whose work takes longer than
/// usual has a longer day, and no knot in it.</summary>
public sealed class ObedientBakerTests(ITestOutputHelper output)
{
    [Theory]
    [InlineData(1, 4, 1)]
    [InlineData(2, 6, 1)]
    [InlineData(3, 8, 2)]
    [InlineData(4, 8, 1)]
    [InlineData(5, 7, 2)]
    [InlineData(6, 5, 1)]
    [InlineData(7, 6, 2)]
    [InlineData(8, 7, 1)]
    [InlineData(9, 5, 2)]
    [InlineData(10, 8, 1)]
    public void Whoever_does_what_it_says_has_the_day_that_was_planned(int seed, int recipes, int people)
    {
        var day = new Obeyed(RandomDays.Day(seed, recipes, people: people), _ => 1);
        day.Live();
        output.WriteLine($"seed {seed}: planned {day.Planned}, was {day.Minute}, {day.Told.Count} touches, missed {day.Missed}");
        Assert.InRange(day.Minute, day.Planned - 30, day.Planned + 30);
        Assert.Equal(0, day.Missed);
        Assert.InRange(day.Told.Count(e => e.Kind == BenchKind.Dial), 1, day.DialsWanted + 3);
    }

    [Theory]
    [InlineData(1, 5, 1)]
    [InlineData(2, 6, 2)]
    [InlineData(3, 7, 1)]
    [InlineData(4, 6, 1)]
    [InlineData(5, 8, 2)]
    [InlineData(6, 7, 1)]
    public void Whoever_is_slow_comes_to_the_end_all_the_same(int seed, int recipes, int people)
    {
        var random = new Random(seed);
        var times = new Dictionary<string, double>(StringComparer.Ordinal);
        // From a little quicker than usual to half as long again.
        var day = new Obeyed(
            RandomDays.Day(seed, recipes, people: people),
            t => times.TryGetValue(t.Id.Value, out var factor) ? factor : times[t.Id.Value] = 0.9 + (0.6 * random.NextDouble())
        );
        day.Live();
        output.WriteLine($"seed {seed}: planned {day.Planned}, was {day.Minute}, {day.Told.Count} touches, missed {day.Missed}");
        Assert.InRange(day.Minute, day.Planned - 30, day.Planned * 1.6);
        Assert.InRange(day.Told.Count(e => e.Kind == BenchKind.Dial), 1, (day.DialsWanted * 2) + 3);
    }

    [Theory]
    [InlineData(1, 5, 1)]
    [InlineData(3, 7, 2)]
    [InlineData(4, 8, 1)]
    [InlineData(8, 7, 1)]
    [InlineData(10, 8, 1)]
    public void A_thermometer_in_an_oven_that_is_slow_and_too_cool_puts_no_knot_into_the_day(int seed, int recipes, int people)
    {
        var day = new Obeyed(RandomDays.Day(seed, recipes, people: people), _ => 1) { IsMeasured = true };
        day.Live();
        output.WriteLine($"seed {seed}: planned {day.Planned}, was {day.Minute}, {day.Told.Count} events, missed {day.Missed}");
        Assert.InRange(day.Minute, day.Planned - 30, day.Planned + 60);
        Assert.InRange(day.Told.Count(e => e.Kind == BenchKind.Dial), 1, (day.DialsWanted * 2) + 3);
    }

    private sealed class Obeyed
    {
        // An oven that warms up a fifth more slowly than the kitchen says, stands 8 °C below its dial, and loses 25 °C to an open door.
        private const double Slower = 1.2;
        private const double Bias = -8;
        private const double Door = 25;

        private double[]? _celsius;

        private readonly TaskNetwork _network;
        private readonly BenchDay _bench;
        private readonly BenchWork _work;
        private readonly Func<PlanTask, double> _factor;
        private readonly int _missedAsPlanned;

        public Obeyed(TaskNetwork network, Func<PlanTask, double> factor)
        {
            var plan = FirstPlan.Find(network, 1)!;
            (_network, _factor, _bench) = (network, factor, new BenchDay(network, plan));
            _work = new BenchWork(new BenchSessionRow { PlanNumber = 1 }, PlannedDay.Kept(network, plan, 0), _bench);
            var usual = Look(0);
            (Planned, _missedAsPlanned) = (usual.Rest.Plan.Tasks.Max(t => t.End), usual.Rest.Missed.Length);
        }

        public List<BenchEvent> Told { get; } = [];

        public int Planned { get; }

        public bool IsMeasured { get; init; }

        public int Minute { get; private set; }

        public int Missed => Look(Minute).Rest.Missed.Length - _missedAsPlanned;

        /// <summary>How often the ovens of the day as it went were set.</summary>
        public int DialsWanted =>
            Enumerable
                .Range(0, _network.Kitchen.Ovens.Length)
                .Sum(o =>
                    RunSheet
                        .Of(_network, Look(Minute).Rest.Plan, [OvenProgramme.Of(_network, Look(Minute).Rest.Plan, o)])
                        .Count(l => l.Kind == RunSheetKind.Dial)
                );

        public void Live()
        {
            for (; Minute < Planned * 2; Minute++)
            {
                Measure();
                // Several things may be to do in one minute; each is told, and looked at again.
                var turns = 0;
                for (var look = Look(Minute); Next(look) is { } touch; look = Look(Minute))
                {
                    Assert.True(look.Rest.IsComplete, $"minute {Minute}: two steps wait for each other");
                    Assert.True(++turns < 40, $"minute {Minute}: it asks for more and more, last for {touch.Kind} {touch.Step}");
                    Told.Add(touch);
                }

                if (Look(Minute).Rest.Over.All(o => o >= 0))
                    return;
            }
        }

        /// <summary>What a thermometer in each oven tells every other minute.</summary>
        private void Measure()
        {
            if (!IsMeasured)
                return;
            var state = BenchState.From(Told);
            _celsius ??= [.. _network.Kitchen.Ovens.Select(_ => _network.Kitchen.Room.Celsius)];
            for (var oven = 0; oven < _celsius.Length; oven++)
            {
                var (thermal, dial) = (_network.Thermal(oven), state.DialOf(oven)?.Celsius ?? 0);
                var wanted = dial > 0 ? dial + Bias : 0;
                _celsius[oven] =
                    _celsius[oven] < wanted
                        ? Math.Min(wanted, thermal.Heated(_celsius[oven], 1 / Slower))
                        : Math.Max(wanted, thermal.Cooled(_celsius[oven], 1, ajar: dial > 0));
                var opened = Told.Any(e =>
                    e.Kind is BenchKind.Started or BenchKind.Done
                    && _bench.Clock.Of(e.At) == Minute - 1
                    && _network.Tasks.First(t => t.Id == e.Step).Oven is { Setting.IsHot: true }
                );
                if (Minute % 2 == 0 && dial > 0)
                {
                    Told.Add(
                        Touch(BenchKind.Heat, default) with
                        {
                            Number = oven,
                            Value = Math.Max(0, _celsius[oven] - (opened ? Door : 0)),
                            Text = Math.Abs(_celsius[oven] - wanted) < 1 && !opened ? BenchEvent.Steady : null,
                        }
                    );
                }
            }
        }

        private BenchLook Look(int minute)
        {
            var state = BenchState.From(Told);
            return new BenchLook(_work, Told.Count, state, _bench.Look(state, _bench.Clock.At(minute), withChance: false));
        }

        /// <summary>The next thing that the Bench wants now; null when nothing.</summary>
        private BenchEvent? Next(BenchLook look)
        {
            var (rest, now) = (look.Rest, _bench.Clock.At(Minute));
            // What is ready comes first.
            foreach (var task in _network.Tasks)
            {
                var stand = look.State.Of(task.Id);
                if (!stand.IsGoing || rest.Over[task.Index] >= 0)
                    continue;
                // Handwork that goes on is expected to end from now on; its usual time is what the clock on the Bench shows.
                var due = task.IsHandsOn
                    ? _bench.Clock.Of(stand.Started!.At) + (int)Math.Ceiling(task.Likely * _factor(task))
                    : rest.Due[task.Index];
                if (due <= Minute)
                    return Touch(BenchKind.Done, task.Id);
            }

            for (var oven = 0; oven < _network.Kitchen.Ovens.Length; oven++)
            {
                if (BenchNews.Dials(look, oven).FirstOrDefault(d => d.At <= now.ToUnixTimeMilliseconds()) is { } dial)
                    return Touch(BenchKind.Dial, default) with { Number = oven, Value = dial.Celsius };
            }

            foreach (var act in rest.Hands.Where(h => h.Need == 0 && h.From <= Minute))
            {
                var task = _network.Tasks[act.Task];
                if (rest.Begun[act.Task] < 0 && look.State.Of(task.Id).Started is null)
                    return Touch(BenchKind.Started, task.Id) with { Who = _network.Helpers[act.Helper].Name };
            }

            return null;
        }

        private BenchEvent Touch(BenchKind kind, TaskId step) => new(Guid.NewGuid(), kind, step, _bench.Clock.At(Minute), "", "tablet");
    }
}
