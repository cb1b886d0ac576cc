using Zymethos.Core.Heat;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Bench;

/// <summary>An oven as its dial was set, and how hot it is by that and by its thermometer, where it has one.</summary>
/// <param name="Dial">Degrees Celsius that it is set to; 0 for off, and where nobody said.</param>
/// <param name="Since">The minute at which that was said.</param>
/// <param name="Celsius">How hot it is by the kitchen's own figures for heating and cooling, from the last that a thermometer said; without
/// one an estimate from cold.</param>
/// <param name="ReadyAt">The minute at which it has the heat it is set to; null where it is off.</param>
public sealed record OvenNow(double Dial, int Since, double Celsius, int? ReadyAt)
{
    /// <summary>So near to its setting an oven counts as having it, in degrees Celsius: the thermostat itself swings by more (common
    /// practice, no source).</summary>
    public const double Near = 5;

    /// <summary>A setting this far from what the dial was told to be is the same mark on it, in degrees Celsius.</summary>
    public const double SameDial = 3;

    /// <summary>When its thermometer spoke last; null where it has none, or has been silent since the dial was set.</summary>
    public int? MeasuredAt { get; init; }

    /// <summary>How an oven stands; null while nobody spoke of its dial and no thermometer of its heat.</summary>
    /// <param name="network">The day.</param>
    /// <param name="state">What was said.</param>
    /// <param name="clock">The day's clock.</param>
    /// <param name="oven">Which oven.</param>
    /// <param name="now">The minute that it is.</param>
    public static OvenNow? Of(TaskNetwork network, BenchState state, DayMinutes clock, int oven, int now)
    {
        var thermal = network.Thermal(oven);
        var said = state
            .Dials.Where(d => d.Oven == oven)
            .Select(d => (d.Said, Dial: (double?)d.Celsius, Heat: (double?)null, IsSteady: false))
            .Concat(state.Heats.Where(h => h.Oven == oven).Select(h => (h.Said, Dial: (double?)null, Heat: (double?)h.Celsius, h.IsSteady)))
            .OrderBy(s => s.Said.At)
            .ThenBy(s => s.Said.Event.ToString("D"), StringComparer.Ordinal);
        var (celsius, dial, since, at) = (network.Kitchen.Room.Celsius, 0.0, 0, 0);
        var isKnown = false;
        int? ready = null;
        int? measured = null;
        foreach (var s in said)
        {
            var then = Math.Min(now, clock.Of(s.Said.At));
            if (isKnown)
                celsius = After(thermal, celsius, dial, Math.Max(0, then - at));
            (at, isKnown) = (then, true);
            if (s.Dial is { } set)
            {
                (dial, since, measured) = (set, then, null);
                ready = ThereAt(thermal, celsius, dial, then);
                continue;
            }

            // It had its heat already and swings about it, or stands where it stands whatever the dial says: it stays ready.
            var wasReady = ready is { } r && r <= then && Math.Abs(s.Heat!.Value - dial) <= 4 * Near;
            (celsius, measured) = (s.Heat!.Value, then);
            if (!wasReady)
                ready = s.IsSteady && dial > 0 ? then : ThereAt(thermal, celsius, dial, then);
        }

        return isKnown
            ? new OvenNow(dial, since, After(thermal, celsius, dial, now - at), dial > 0 ? ready : null) { MeasuredAt = measured }
            : null;
    }

    private static int? ThereAt(OvenThermal thermal, double from, double dial, int at)
    {
        if (dial <= 0)
            return null;
        var wait = Wait(thermal, from, dial);
        return double.IsPositiveInfinity(wait) ? null : at + (int)Math.Ceiling(wait - 1e-9);
    }

    /// <summary>Minutes from one heat to another, up at full power or down with the door ajar; 0 where it is near enough, infinite where it
    /// never comes there.</summary>
    internal static double Wait(OvenThermal thermal, double from, double to) =>
        Math.Abs(from - to) <= Near ? 0 : thermal.MinutesToHeat(from, to) + thermal.MinutesToCool(from, to, ajar: true);

    // Up at full power as far as the dial; down with the door ajar as far as the dial, or shut when it is off.
    private static double After(OvenThermal thermal, double from, double dial, double minutes) =>
        dial <= 0 ? thermal.Cooled(from, minutes, ajar: false)
        : from <= dial ? Math.Min(dial, thermal.Heated(from, minutes))
        : Math.Max(dial, thermal.Cooled(from, minutes, ajar: true));
}
