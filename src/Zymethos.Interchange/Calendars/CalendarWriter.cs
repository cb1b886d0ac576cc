using Ical.Net;
using Ical.Net.CalendarComponents;
using Ical.Net.DataTypes;
using Ical.Net.Serialization;
using NodaTime;
using Zymethos.Planning.Seasons;

namespace Zymethos.Interchange.Calendars;

/// <summary>
/// Writes the touches of a season as an iCalendar file (RFC 5545). Times are written in UTC, worked out in the kitchen's zone for the date
/// in question, so that an evening in summer time and one in winter time are both the evening the plan means.
/// </summary>
public static class CalendarWriter
{
    private const int LeastMinutes = 5;

    /// <summary>The file.</summary>
    /// <param name="name">What the calendar is called.</param>
    /// <param name="touches">What is in it.</param>
    /// <param name="zone">The kitchen's time zone.</param>
    /// <param name="stamp">When the plan was made: the same plan gives the same file.</param>
    /// <param name="place">A word that keeps the entries of two seasons apart.</param>
    public static string Write(string name, IEnumerable<SeasonTouch> touches, DateTimeZone zone, Instant stamp, string place)
    {
        var calendar = new Calendar { ProductId = "-//Zymethos//Season//EN" };
        calendar.AddProperty("X-WR-CALNAME", name);
        foreach (var touch in touches)
            calendar.Events.Add(Event(touch, zone, stamp, place));
        return new CalendarSerializer().SerializeToString(calendar) ?? "";
    }

    /// <summary>A file of entries that are no touches of a season, each with a reminder at its hour.</summary>
    /// <param name="name">What the calendar is called.</param>
    /// <param name="entries">What is in it.</param>
    /// <param name="zone">The kitchen's time zone.</param>
    /// <param name="stamp">When it was made.</param>
    /// <param name="place">A word that keeps entries of different kinds apart.</param>
    public static string Write(string name, IEnumerable<CalendarEntry> entries, DateTimeZone zone, Instant stamp, string place)
    {
        var calendar = new Calendar { ProductId = "-//Zymethos//Daybook//EN" };
        calendar.AddProperty("X-WR-CALNAME", name);
        foreach (var entry in entries)
        {
            var start = entry.At.InZoneLeniently(zone).ToInstant();
            var made = new CalendarEvent
            {
                Uid = $"{entry.Id}-{start.ToUnixTimeSeconds()}@{place}.zymethos.invalid",
                Summary = entry.Title,
                Description = entry.Detail,
                DtStart = Utc(start),
                DtEnd = Utc(start + NodaTime.Duration.FromMinutes(Math.Max(LeastMinutes, entry.Minutes))),
                DtStamp = Utc(stamp),
            };
            made.Alarms.Add(
                new Alarm
                {
                    Action = AlarmAction.Display,
                    Description = entry.Title,
                    Trigger = new Trigger(Ical.Net.DataTypes.Duration.FromMinutes(0)),
                }
            );
            calendar.Events.Add(made);
        }

        return new CalendarSerializer().SerializeToString(calendar) ?? "";
    }

    private static CalendarEvent Event(SeasonTouch touch, DateTimeZone zone, Instant stamp, string place)
    {
        var start = touch.At.InZoneLeniently(zone).ToInstant();
        var entry = new CalendarEvent
        {
            Uid = $"{touch.Id}@{place}.zymethos.invalid",
            Summary = touch.Title,
            Description = touch.MustNotBeMissed ? $"{touch.Detail}. This cannot wait." : touch.Detail,
            DtStart = Utc(start),
            DtEnd = Utc(start + NodaTime.Duration.FromMinutes(Math.Max(LeastMinutes, touch.Minutes))),
            DtStamp = Utc(stamp),
        };
        entry.Alarms.Add(
            new Alarm
            {
                Action = AlarmAction.Display,
                Description = touch.Title,
                Trigger = new Trigger(Ical.Net.DataTypes.Duration.FromMinutes(-(int)Reminder.Lead(touch).TotalMinutes)),
            }
        );
        return entry;
    }

    private static CalDateTime Utc(Instant at) => new(at.ToDateTimeUtc(), "UTC", hasTime: true);
}
