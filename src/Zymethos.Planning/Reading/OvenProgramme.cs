using System.Collections.Immutable;
using Zymethos.Core.Heat;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Reading;

/// <summary>What the oven does for a while.</summary>
public enum OvenPhase
{
    /// <summary>Full power, on the way up.</summary>
    Heating,

    /// <summary>The thermostat keeps the set temperature, with or without a load.</summary>
    Holding,

    /// <summary>Off, door ajar, on the way down to the next setting.</summary>
    CoolingAjar,

    /// <summary>Off and shut; nothing wanted of it for a while.</summary>
    Off,

    /// <summary>Off, with dough and a pan of hot water in it.</summary>
    Proofing,
}

/// <summary>A stretch of one phase. Times are minutes of the plan and may lie between whole minutes.</summary>
/// <param name="Phase">What it does.</param>
/// <param name="From">Start.</param>
/// <param name="Until">End, after <paramref name="From"/>.</param>
/// <param name="StartCelsius">Temperature at the start.</param>
/// <param name="EndCelsius">Temperature at the end.</param>
/// <param name="Setting">The setting held or aimed at; null when it is off for good.</param>
public sealed record OvenSegment(OvenPhase Phase, double From, double Until, double StartCelsius, double EndCelsius, OvenSetting? Setting);

/// <summary>
/// What the oven does all day to serve a plan's loads: when to preheat, when to change the dial, when to leave the door ajar or switch off.
/// Derived from the plan alone. Between loads the oven waits at the temperature it has, and is switched off when the wait is longer than
/// <see cref="SwitchOffAfter"/>.
/// </summary>
/// <param name="Segments">In order of time, without gaps from the first heating or spell to the end of the last load.</param>
public sealed record OvenProgramme(ImmutableArray<OvenSegment> Segments)
{
    /// <summary>An idle stretch longer than so many minutes is spent switched off (common practice, no source).</summary>
    public const int SwitchOffAfter = 30;

    /// <summary>Minutes with the heating switched on.</summary>
    public double OnMinutes => Segments.Where(s => s.Phase is OvenPhase.Heating or OvenPhase.Holding).Sum(s => s.Until - s.From);

    /// <summary>How often the oven goes from one setting to another, an oven-proof spell counting as one; the first heating does not
    /// count.</summary>
    public int TemperatureChanges
    {
        get
        {
            var held = Segments.Where(s => s.Phase is OvenPhase.Holding or OvenPhase.Proofing).Select(s => s.Setting).ToList();
            return held.Zip(held.Skip(1)).Count(p => p.First != p.Second);
        }
    }

    /// <summary>The programme of an oven for a plan; without segments when nothing goes into it.</summary>
    public static OvenProgramme Of(TaskNetwork network, Plan plan, int oven = 0)
    {
        var runs = Runs(network, plan, oven);
        var segments = ImmutableArray.CreateBuilder<OvenSegment>();
        var thermal = network.Thermal(oven);
        var room = network.Kitchen.Room.Celsius;
        for (var i = 0; i < runs.Count; i++)
        {
            var run = runs[i];
            if (i == 0)
                AddFirst(segments, thermal, room, run);
            else
                AddBetween(segments, thermal, runs[i - 1], run);
            segments.Add(
                run.Setting.IsOff ? new OvenSegment(OvenPhase.Off, run.From, run.Until, run.Setting.Celsius, Left(thermal, run), null)
                : run.Setting.IsProof
                    ? new OvenSegment(OvenPhase.Proofing, run.From, run.Until, run.Setting.Celsius, run.Setting.Celsius, run.Setting)
                : new OvenSegment(OvenPhase.Holding, run.From, run.Until, run.Setting.Celsius, run.Setting.Celsius, run.Setting)
            );
        }

        return new OvenProgramme(segments.ToImmutable());
    }

    /// <summary>How warm an oven still is, in degrees Celsius, after a stretch in which it was turned off with its door shut.</summary>
    private static double Left(OvenThermal thermal, Run off) => thermal.Cooled(off.Setting.Celsius, off.Until - off.From, ajar: false);

    private sealed record Run(OvenSetting Setting, double From, double Until);

    /// <summary>Stretches in which the oven is in use at one setting without an idle moment.</summary>
    private static List<Run> Runs(TaskNetwork network, Plan plan, int oven)
    {
        var runs = new List<Run>();
        foreach (
            var task in network
                .Tasks.Where(t => t.Oven is not null && plan.Tasks[t.Index].Oven == oven)
                .OrderBy(t => plan.Tasks[t.Index].Start)
        )
        {
            var (start, end) = (plan.Tasks[task.Index].Start, plan.Tasks[task.Index].End);
            if (runs.Count > 0 && runs[^1].Setting == task.Oven!.Setting && start <= runs[^1].Until)
                runs[^1] = runs[^1] with { Until = Math.Max(runs[^1].Until, end) };
            else
                runs.Add(new Run(task.Oven!.Setting, start, end));
        }

        return runs;
    }

    private static void AddFirst(ImmutableArray<OvenSegment>.Builder segments, OvenThermal thermal, double room, Run run)
    {
        if (!run.Setting.IsHot)
            return;
        var heat = Math.Min(thermal.MinutesToHeat(room, run.Setting.Celsius), 24 * 60);
        segments.Add(new OvenSegment(OvenPhase.Heating, run.From - heat, run.From, room, run.Setting.Celsius, run.Setting));
    }

    private static void AddBetween(ImmutableArray<OvenSegment>.Builder segments, OvenThermal thermal, Run before, Run next)
    {
        var gap = next.From - before.Until;
        if (gap <= 0 || next.Setting.IsOff)
            return;
        var from = before.Setting.IsOff ? Left(thermal, before) : before.Setting.Celsius;
        var to = (double)next.Setting.Celsius;
        if (next.Setting.IsProof)
        {
            var coolest = thermal.Cooled(from, gap, ajar: true);
            var phase = !before.Setting.IsHot ? OvenPhase.Off : OvenPhase.CoolingAjar;
            segments.Add(new OvenSegment(phase, before.Until, next.From, from, coolest, next.Setting));
            return;
        }

        if (!before.Setting.IsHot || gap > SwitchOffAfter + thermal.MinutesToHeat(from, to) + thermal.MinutesToCool(from, to, ajar: true))
            AddOffAndReheat(segments, thermal, before, next, from, to, gap);
        else if (to > from)
            AddHoldAndHeat(segments, thermal, before, next, from, to);
        else
            AddCoolAndHold(segments, thermal, before, next, from, to, gap);
    }

    private static void AddHoldAndHeat(
        ImmutableArray<OvenSegment>.Builder segments,
        OvenThermal thermal,
        Run before,
        Run next,
        double from,
        double to
    )
    {
        var turn = next.From - thermal.MinutesToHeat(from, to);
        if (turn > before.Until + 1e-6)
            segments.Add(new OvenSegment(OvenPhase.Holding, before.Until, turn, from, from, before.Setting));
        segments.Add(new OvenSegment(OvenPhase.Heating, Math.Max(turn, before.Until), next.From, from, to, next.Setting));
    }

    private static void AddCoolAndHold(
        ImmutableArray<OvenSegment>.Builder segments,
        OvenThermal thermal,
        Run before,
        Run next,
        double from,
        double to,
        double gap
    )
    {
        var cool = Math.Min(gap, thermal.MinutesToCool(from, to, ajar: true));
        if (cool > 1e-6)
            segments.Add(new OvenSegment(OvenPhase.CoolingAjar, before.Until, before.Until + cool, from, to, next.Setting));
        if (gap - cool > 1e-6)
            segments.Add(new OvenSegment(OvenPhase.Holding, before.Until + cool, next.From, to, to, next.Setting));
    }

    /// <summary>
    /// Off and shut from the last load, then full power just in time. The moment to switch on is where the falling curve meets the rising
    /// one that ends at the wanted temperature: found by bisection, since both are exponentials of different scale.
    /// </summary>
    private static void AddOffAndReheat(
        ImmutableArray<OvenSegment>.Builder segments,
        OvenThermal thermal,
        Run before,
        Run next,
        double from,
        double to,
        double gap
    )
    {
        var (low, high) = (0.0, gap);
        for (var i = 0; i < 60; i++)
        {
            var middle = (low + high) / 2;
            var cooled = thermal.Cooled(from, middle, ajar: false);
            if (middle + thermal.MinutesToHeat(cooled, to) <= gap && cooled < to)
                low = middle;
            else if (cooled >= to)
                low = middle;
            else
                high = middle;
        }

        var switchOn = before.Until + low;
        var at = thermal.Cooled(from, low, ajar: false);
        if (low > 1e-6)
            segments.Add(new OvenSegment(OvenPhase.Off, before.Until, switchOn, from, at, null));
        if (next.From - switchOn > 1e-6)
            segments.Add(new OvenSegment(OvenPhase.Heating, switchOn, next.From, at, to, next.Setting));
    }
}
