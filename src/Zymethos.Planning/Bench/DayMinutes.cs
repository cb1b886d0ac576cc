using NodaTime;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Bench;

/// <summary>Minutes of a day's plan as moments of the world and back. A value without state.</summary>
/// <param name="Start">The moment of minute 0.</param>
public readonly record struct DayMinutes(Instant Start)
{
    /// <summary>The clock of a day in its kitchen's time zone; a zone that is not known counts as UTC, and an hour that a change of clocks
    /// leaves out as the one after it.</summary>
    public static DayMinutes Of(TaskNetwork network) =>
        new(network.Origin.InZoneLeniently(DateTimeZoneProviders.Tzdb.GetZoneOrNull(network.Kitchen.Zone) ?? DateTimeZone.Utc).ToInstant());

    /// <summary>The minute of a moment, rounded down; it may lie before the day.</summary>
    public int Of(Instant moment) => (int)Math.Clamp(Math.Floor((moment - Start).TotalMinutes), -100_000, 100_000);

    /// <summary>The same as a number that may lie between minutes.</summary>
    public double Exactly(Instant moment) => (moment - Start).TotalMinutes;

    /// <summary>The moment of a minute.</summary>
    public Instant At(int minute) => Start + Duration.FromMinutes(minute);
}
