using NodaTime;

namespace Zymethos.Core.Kitchens;

/// <summary>
/// Hours that pass in a kitchen, and the clock on its wall. Dough and oven go by what passes; on the two nights in which clocks are changed
/// the wall shows an hour more or less.
/// Hours that a change leaves out are taken as the hour after; of hours that come twice the first is meant.
/// </summary>
public static class KitchenHours
{
    /// <summary>Whole minutes that pass from one time on the wall to another; negative when the other is earlier.</summary>
    /// <param name="kitchen">The kitchen; a zone that is not known counts as one without changes.</param>
    /// <param name="from">A local time.</param>
    /// <param name="until">A local time.</param>
    public static int MinutesBetween(this Kitchen kitchen, LocalDateTime from, LocalDateTime until)
    {
        var zone = ZoneOf(kitchen);
        return (int)(until.InZoneLeniently(zone).ToInstant() - from.InZoneLeniently(zone).ToInstant()).TotalMinutes;
    }

    /// <summary>What the wall shows so many minutes after a time on it.</summary>
    /// <param name="kitchen">The kitchen; a zone that is not known counts as one without changes.</param>
    /// <param name="from">A local time.</param>
    /// <param name="minutes">Minutes that pass; may be negative.</param>
    public static LocalDateTime After(this Kitchen kitchen, LocalDateTime from, int minutes) =>
        from.InZoneLeniently(ZoneOf(kitchen)).PlusMinutes(minutes).LocalDateTime;

    /// <summary>Whole minutes from a time on the wall until an instant, rounded down; negative when it is earlier.</summary>
    public static int MinutesUntil(this Kitchen kitchen, LocalDateTime from, Instant now) =>
        (int)Math.Floor((now - from.InZoneLeniently(ZoneOf(kitchen)).ToInstant()).TotalMinutes);

    private static DateTimeZone ZoneOf(Kitchen kitchen) => DateTimeZoneProviders.Tzdb.GetZoneOrNull(kitchen.Zone) ?? DateTimeZone.Utc;
}
