using Zymethos.Core.Heat;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Bench;

/// <summary>An oven as its dial was set, and how hot it is by that.</summary>
/// <param name="Dial">Degrees Celsius that it is set to; 0 for off.</param>
/// <param name="Since">The minute at which it was set.</param>
/// <param name="Celsius">How hot it is by the kitchen's own figures for heating and cooling: an estimate, no reading.</param>
/// <param name="ReadyAt">The minute at which it has the heat it is set to; null where it is off.</param>
public sealed record OvenNow(double Dial, int Since, double Celsius, int? ReadyAt)
{
    /// <summary>So near to its setting an oven counts as having it, in degrees Celsius: the thermostat itself swings by more (common
    /// practice, no source).</summary>
    public const double Near = 5;

    /// <summary>How an oven stands; null while nobody spoke of its dial.</summary>
    /// <param name="network">The day.</param>
    /// <param name="state">What was said.</param>
    /// <param name="clock">The day's clock.</param>
    /// <param name="oven">Which oven.</param>
    /// <param name="now">The minute that it is.</param>
    public static OvenNow? Of(TaskNetwork network, BenchState state, DayMinutes clock, int oven, int now)
    {
        var thermal = network.Thermal(oven);
        var celsius = network.Kitchen.Room.Celsius;
        OvenNow? there = null;
        foreach (var dial in state.Dials.Where(d => d.Oven == oven))
        {
            var at = Math.Min(now, clock.Of(dial.Said.At));
            if (there is not null)
                celsius = After(thermal, celsius, there.Dial, Math.Max(0, at - there.Since));
            there = new OvenNow(dial.Celsius, at, celsius, null);
        }

        if (there is null)
            return null;
        double? wait = there.Dial <= 0 ? null : Wait(thermal, celsius, there.Dial);
        return there with
        {
            Celsius = After(thermal, celsius, there.Dial, now - there.Since),
            ReadyAt = wait is { } minutes && !double.IsPositiveInfinity(minutes) ? there.Since + (int)Math.Ceiling(minutes - 1e-9) : null,
        };
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
