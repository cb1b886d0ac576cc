using System.Text;
using System.Text.RegularExpressions;
using Ical.Net;
using Ical.Net.CalendarComponents;
using NodaTime;
using Zymethos.Planning.Seasons;

namespace Zymethos.Interchange.Calendars;

/// <summary>What a calendar file says of times that are taken.</summary>
/// <param name="Busy">The spans, by time, each once.</param>
/// <param name="WholeDays">How many whole-day entries were left out: birthdays and holidays do not keep anybody from baking.</param>
/// <param name="Trouble">Why nothing could be read; empty when it could.</param>
public sealed record CalendarReading(IReadOnlyList<BusyTime> Busy, int WholeDays, string Trouble);

/// <summary>Reads busy times from an iCalendar file (RFC 5545), repeating entries included, for a span of dates and nothing beyond
/// it.</summary>
public static partial class CalendarReader
{
    /// <summary>The largest file that is read, in characters.</summary>
    public const int Largest = 25_000_000;

    private const int MostEntries = 4000;
    private const int MostSpans = 2000;

    /// <summary>Reads.</summary>
    /// <param name="text">The file.</param>
    /// <param name="from">First date of interest.</param>
    /// <param name="until">Last date of interest.</param>
    /// <param name="zone">The kitchen's zone; what names none is in it.</param>
    public static CalendarReading Read(string text, LocalDate from, LocalDate until, DateTimeZone zone)
    {
        if (!text.Contains("BEGIN:VCALENDAR", StringComparison.OrdinalIgnoreCase))
            return new([], 0, "This is not a calendar file: it does not begin with BEGIN:VCALENDAR.");
        if (text.Length > Largest)
            return new([], 0, "The file is too large: at most 25 million characters.");
        Calendar? calendar;
        int entries;
        try
        {
            (var near, entries) = Near(text, from, until);
            if (entries > MostEntries)
                return new(
                    [],
                    0,
                    $"{entries} entries of the calendar fall into this season or repeat; at most {MostEntries} are read. Export a "
                        + "shorter span."
                );
            calendar = Calendar.Load(near);
        }
        catch (Exception e) when (e is not OutOfMemoryException)
        {
            return new([], 0, "The calendar file is damaged and cannot be read.");
        }

        var spans = new SortedSet<BusyTime>(
            Comparer<BusyTime>.Create((a, b) => (a.From, a.Until, a.Title).CompareTo((b.From, b.Until, b.Title)))
        );
        var wholeDays = 0;
        foreach (var entry in calendar?.Events ?? Enumerable.Empty<CalendarEvent>())
        {
            if (entry.Status == "CANCELLED" || entry.Transparency == "TRANSPARENT")
                continue;
            if (entry.IsAllDay)
            {
                wholeDays++;
                continue;
            }

            foreach (var span in Spans(entry, from, until, zone))
            {
                if (spans.Count >= MostSpans)
                    return new([], 0, $"The calendar takes up more than {MostSpans} spans of this season. Export a shorter one.");
                spans.Add(span);
            }
        }

        return new([.. spans], wholeDays, "");
    }

    private static IEnumerable<BusyTime> Spans(CalendarEvent entry, LocalDate from, LocalDate until, DateTimeZone zone)
    {
        var end = until.PlusDays(1).AtMidnight();
        var begin = from.AtMidnight();
        List<BusyTime> found = [];
        try
        {
            // An entry may repeat for ever; beyond the last date nobody looks.
            foreach (var occurrence in entry.GetOccurrences(new Ical.Net.DataTypes.CalDateTime(from.PlusDays(-2).ToDateTimeUnspecified())))
            {
                var start = Local(occurrence.Period.StartTime, zone);
                if (start >= end)
                    break;
                var stop = occurrence.Period.EffectiveEndTime is { } e ? Local(e, zone) : start;
                if (stop > start && stop > begin)
                    found.Add(new BusyTime(start, stop, Short(entry.Summary)));
                if (found.Count > MostSpans)
                    break;
            }
        }
        catch (Exception e) when (e is ArgumentException or InvalidOperationException or FormatException or OverflowException)
        {
            // A rule that cannot be carried out counts for the day it was written for.
            if (entry.DtStart is { } at && entry.DtEnd is { } to)
                found.Add(new BusyTime(Local(at, zone), Local(to, zone), Short(entry.Summary)));
        }

        return found;
    }

    private static LocalDateTime Local(Ical.Net.DataTypes.CalDateTime time, DateTimeZone zone)
    {
        var written = LocalDateTime.FromDateTime(time.Value);
        if (time.IsUtc)
            return written.InUtc().ToInstant().InZone(zone).LocalDateTime;
        // A zone that nobody knows, or none, means the kitchen's own.
        return time.TzId is { } id && DateTimeZoneProviders.Tzdb.GetZoneOrNull(id) is { } other
            ? written.InZoneLeniently(other).WithZone(zone).LocalDateTime
            : written;
    }

    private static string Short(string? text) =>
        text is null ? ""
        : text.Length <= 80 ? text
        : text[..80];

    /// <summary>
    /// The file with only those entries that begin near the span or repeat; a calendar of many years holds tens of thousands of others. And
    /// how many are left.
    /// </summary>
    private static (string Text, int Entries) Near(string text, LocalDate from, LocalDate until)
    {
        var near = new StringBuilder("BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//Zymethos//Reader//EN\r\n");
        var entries = 0;
        var (first, last) = (from.PlusDays(-31), until.PlusDays(1));
        foreach (Match entry in Entry().Matches(text))
        {
            var start = Start().Match(entry.Value);
            if (!start.Success)
                continue;
            var date = start.Groups["date"].Value;
            var at = int.TryParse(
                date,
                System.Globalization.NumberStyles.None,
                System.Globalization.CultureInfo.InvariantCulture,
                out var number
            )
                ? number
                : 0;
            var repeats =
                entry.Value.Contains("RRULE", StringComparison.OrdinalIgnoreCase)
                || entry.Value.Contains("RDATE", StringComparison.OrdinalIgnoreCase);
            if (at > Number(last) || (at < Number(first) && !repeats))
                continue;
            entries++;
            if (entries <= MostEntries)
                near.Append(entry.Value.Trim()).Append("\r\n");
        }

        return (near.Append("END:VCALENDAR\r\n").ToString(), entries);
    }

    private static int Number(LocalDate date) => (date.Year * 10_000) + (date.Month * 100) + date.Day;

    [GeneratedRegex(
        @"^BEGIN:VEVENT.*?^END:VEVENT",
        RegexOptions.Multiline | RegexOptions.Singleline | RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture,
        matchTimeoutMilliseconds: 10_000
    )]
    private static partial Regex Entry();

    [GeneratedRegex(
        @"^DTSTART[^:\r\n]*:(?<date>\d{8})",
        RegexOptions.Multiline | RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture,
        matchTimeoutMilliseconds: 2_000
    )]
    private static partial Regex Start();
}
