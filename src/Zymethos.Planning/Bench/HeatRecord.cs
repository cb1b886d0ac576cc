using System.Collections.Immutable;
using NodaTime;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Bench;

/// <summary>One heating up of an oven, as its thermometer showed it. A value without state.</summary>
/// <param name="Oven">Which oven, from 0.</param>
/// <param name="From">How hot it was when the dial was set, in degrees Celsius.</param>
/// <param name="To">To what it was set.</param>
/// <param name="ModelMinutes">How long the kitchen's figures say that takes.</param>
/// <param name="Minutes">How long it took to within <see cref="Near"/> degrees of it.</param>
public sealed record HeatRecord(int Oven, double From, double To, double ModelMinutes, double Minutes)
{
    /// <summary>So near the dial, an oven is there: it swings about that much by itself (common practice, no source).</summary>
    public const double Near = 5;

    /// <summary>Climbs of fewer degrees tell little.</summary>
    public const double LeastClimb = 60;

    private static readonly Duration Stale = Duration.FromMinutes(10);

    /// <summary>Climbs from a dial that was set to where a thermometer saw the oven arrive, nothing else said of the dial
    /// meanwhile.</summary>
    public static ImmutableArray<HeatRecord> Of(TaskNetwork network, BenchState state) =>
        [
            .. state
                .Dials.Where(d => d.Celsius > 0 && d.Oven < network.Kitchen.Ovens.Length)
                .Select(d => One(network, state, d))
                .OfType<HeatRecord>(),
        ];

    private static HeatRecord? One(TaskNetwork network, BenchState state, DialStand dial)
    {
        var next = state
            .Dials.Where(d => d.Oven == dial.Oven && d.Said.At > dial.Said.At)
            .Select(d => (Instant?)d.Said.At)
            .FirstOrDefault();
        var heats = state.Heats.Where(h => h.Oven == dial.Oven).ToList();
        var before = heats.LastOrDefault(h => h.Said.At <= dial.Said.At && dial.Said.At - h.Said.At < Stale);
        // An oven that nobody used that day stands at the room's heat.
        var from = before?.Celsius ?? (state.Dials[0] == dial ? network.Kitchen.Room.Celsius : double.NaN);
        var there = heats.FirstOrDefault(h =>
            h.Said.At > dial.Said.At && (next is null || h.Said.At < next) && h.Celsius >= dial.Celsius - Near
        );
        if (there is null || !(dial.Celsius - from >= LeastClimb))
            return null;
        return new HeatRecord(
            dial.Oven,
            from,
            dial.Celsius,
            network.Thermal(dial.Oven).MinutesToHeat(from, dial.Celsius - Near),
            (there.Said.At - dial.Said.At).TotalMinutes
        );
    }

    /// <summary>By how many degrees an oven's air fell when its door was opened, each time that its thermometer saw it: the highest it said
    /// in the minutes before, less the lowest in those after.</summary>
    public static ImmutableArray<(int Oven, double Degrees)> DoorDrops(BenchState state)
    {
        var drops = ImmutableArray.CreateBuilder<(int, double)>();
        foreach (var door in state.Doors)
        {
            double[] Heats(Duration from, Duration until) =>
                [
                    .. state
                        .Heats.Where(h => h.Oven == door.Oven && h.Said.At >= door.Said.At + from && h.Said.At <= door.Said.At + until)
                        .Select(h => h.Celsius),
                ];
            var before = Heats(-DoorBefore, Duration.Zero);
            var after = Heats(Duration.Zero, DoorAfter);
            if (before.Length > 0 && after.Length > 0 && before.Max() - after.Min() is > 0 and var fell)
                drops.Add((door.Oven, fell));
        }

        return drops.ToImmutable();
    }

    private static readonly Duration DoorBefore = Duration.FromMinutes(3);
    private static readonly Duration DoorAfter = Duration.FromMinutes(3);
}
