using System.Collections.Immutable;
using NodaTime;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Bench;

/// <summary>One cooling down of an oven, as its thermometer showed it. A value without state.</summary>
/// <param name="Oven">Which oven, from 0.</param>
/// <param name="IsAjar">Whether its door stood ajar: it was opened as the dial was turned down.</param>
/// <param name="TimeConstant">Minutes in which what it is above the room falls to 1/e (Newton's law of cooling), fitted to the logarithm of
/// what was read by least squares.</param>
public sealed record CoolRecord(int Oven, bool IsAjar, double TimeConstant)
{
    /// <summary>Falls of fewer degrees tell little.</summary>
    public const double LeastFall = 30;

    /// <summary>So near what it was turned down to, an oven may be heating again.</summary>
    public const double NearDial = 5;

    /// <summary>So near the room, the thermometer's own error rules.</summary>
    public const double NearRoom = 15;

    private const int FewestReadings = 4;
    private static readonly Duration LongestFall = Duration.FromHours(2);
    private static readonly Duration AtTheDial = Duration.FromMinutes(2);

    /// <summary>Falls after a dial was turned down or off, until the dial, the door or the end of readings.</summary>
    public static ImmutableArray<CoolRecord> Of(TaskNetwork network, BenchState state) =>
        [
            .. state
                .Dials.Where(d => d.Oven < network.Kitchen.Ovens.Length)
                .Select(d => One(network.Kitchen.Room.Celsius, state, d))
                .OfType<CoolRecord>(),
        ];

    private static CoolRecord? One(double room, BenchState state, DialStand dial)
    {
        var begin = dial.Said.At;
        var doors = state.Doors.Where(d => d.Oven == dial.Oven).Select(d => d.Said.At).ToList();
        var isAjar = doors.Exists(d => d >= begin - AtTheDial && d <= begin + AtTheDial);
        var end = state
            .Dials.Where(d => d.Oven == dial.Oven && d.Said.At > begin)
            .Select(d => d.Said.At)
            .Concat(doors.Where(d => d > begin + AtTheDial))
            .Append(begin + LongestFall)
            .Min();
        var fall = new List<(double Minute, double Log)>();
        var (highest, lowest) = (double.NegativeInfinity, double.PositiveInfinity);
        foreach (var heat in state.Heats.Where(h => h.Oven == dial.Oven && h.Said.At >= begin && h.Said.At < end))
        {
            if (heat.Celsius - room < NearRoom || heat.Celsius < dial.Celsius + NearDial || heat.Celsius > lowest + NearDial)
                break;
            fall.Add(((heat.Said.At - begin).TotalMinutes, Math.Log(heat.Celsius - room)));
            (highest, lowest) = (Math.Max(highest, heat.Celsius), Math.Min(lowest, heat.Celsius));
        }

        if (fall.Count < FewestReadings || highest - lowest < LeastFall)
            return null;
        var (x, y) = (fall.Average(f => f.Minute), fall.Average(f => f.Log));
        var slope = fall.Sum(f => (f.Minute - x) * (f.Log - y)) / fall.Sum(f => (f.Minute - x) * (f.Minute - x));
        return slope < 0 ? new CoolRecord(dial.Oven, isAjar, -1 / slope) : null;
    }
}
