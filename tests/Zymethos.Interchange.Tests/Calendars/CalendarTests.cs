using System.Diagnostics;
using System.Globalization;
using System.Text;
using NodaTime;
using Zymethos.Core.Measures;
using Zymethos.Interchange.Calendars;
using Zymethos.Planning.Seasons;
using Calendar = Ical.Net.Calendar;

namespace Zymethos.Interchange.Tests.Calendars;

/// <summary>Calendars out and in: read back with a reference library and held against the line rules of RFC 5545.</summary>
public sealed class CalendarTests
{
    private static readonly DateTimeZone Dublin = DateTimeZoneProviders.Tzdb["Europe/Dublin"];
    private static readonly DateTimeZone NewYork = DateTimeZoneProviders.Tzdb["America/New_York"];
    private static readonly Instant Stamp = Instant.FromUtc(2026, 10, 1, 12, 0);

    private static SeasonTouch Touch(LocalDateTime at, string title = "Feed the cake", string detail = "two spoons", int minutes = 10) =>
        new(SeasonTouchKind.Work, at, minutes, title, detail) { Id = $"n1-{at:uuuuMMddHHmm}" };

    private static string Write(DateTimeZone zone, params SeasonTouch[] touches) =>
        CalendarWriter.Write("Autumn", touches, zone, Stamp, "abc");

    [Fact]
    public void An_evening_stays_an_evening_over_the_change_of_the_clocks()
    {
        // In Ireland the clocks go back on 25 October 2026; in New York on 1 November, and forward on 14 March 2027 (IANA time zone
        // database).
        var dublin = Calendar.Load(Write(Dublin, Touch(new(2026, 10, 24, 20, 30)), Touch(new(2026, 10, 25, 20, 30))))!;
        Assert.Equal(
            ["2026-10-24 19:30", "2026-10-25 20:30"],
            dublin.Events.OrderBy(e => e.DtStart).Select(e => e.DtStart!.AsUtc.ToString("yyyy-MM-dd HH:mm", CultureInfo.InvariantCulture))
        );
        var newYork = Calendar.Load(Write(NewYork, Touch(new(2027, 3, 13, 20, 30)), Touch(new(2027, 3, 14, 20, 30))))!;
        Assert.Equal(
            ["2027-03-14 01:30", "2027-03-15 00:30"],
            newYork.Events.OrderBy(e => e.DtStart).Select(e => e.DtStart!.AsUtc.ToString("yyyy-MM-dd HH:mm", CultureInfo.InvariantCulture))
        );
        // An hour that does not exist moves on, and one that is there twice is the first of the two.
        Assert.Single(Calendar.Load(Write(NewYork, Touch(new(2027, 3, 14, 2, 30))))!.Events);
        Assert.Equal(
            "2026-10-25 00:30",
            Calendar.Load(Write(Dublin, Touch(new(2026, 10, 25, 1, 30))))!.Events[0]!.DtStart!.AsUtc.ToString(
                "yyyy-MM-dd HH:mm",
                CultureInfo.InvariantCulture
            )
        );
    }

    [Fact]
    public void Lines_are_ended_folded_and_escaped_as_the_standard_says()
    {
        var detail = "Butter 250 g; currants, sultanas, peel. " + new string('ü', 120) + "\nsecond line";
        var text = Write(Dublin, Touch(new(2026, 12, 1, 9, 0), "Weigh, mix; wait", detail));
        Assert.DoesNotContain("\n", text.Replace("\r\n", "", StringComparison.Ordinal), StringComparison.Ordinal);
        // RFC 5545, 3.1: no line is longer than 75 octets, continued lines begin with a space.
        Assert.All(text.Split("\r\n"), line => Assert.True(Encoding.UTF8.GetByteCount(line) <= 75, line));
        Assert.StartsWith("BEGIN:VCALENDAR\r\n", text, StringComparison.Ordinal);
        Assert.EndsWith("END:VCALENDAR", text.TrimEnd(), StringComparison.Ordinal);
        foreach (var needed in new[] { "VERSION:2.0", "PRODID:", "UID:n1-", "DTSTAMP:20261001T120000Z", "BEGIN:VALARM", "ACTION:DISPLAY" })
            Assert.Contains(needed, text, StringComparison.Ordinal);
        Assert.Contains("Weigh\\, mix\\; wait", text, StringComparison.Ordinal);
        var entry = Calendar.Load(text)!.Events.Single();
        Assert.Equal(("Weigh, mix; wait", detail), (entry.Summary, entry.Description));
        Assert.Equal(10, entry.EffectiveDuration.ToTimeSpanUnspecified().TotalMinutes);
        Assert.Single(entry.Alarms);
    }

    [Fact]
    public void The_same_plan_gives_the_same_file() =>
        Assert.Equal(Write(Dublin, Touch(new(2026, 12, 1, 9, 0))), Write(Dublin, Touch(new(2026, 12, 1, 9, 0))));

    private static string File(params string[] entries) =>
        "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:x\r\n"
        + string.Concat(
            entries.Select(
                (e, i) =>
                    $"BEGIN:VEVENT\r\nUID:{i}\r\nDTSTAMP:20260101T000000Z\r\n{e.Replace("\n", "\r\n", StringComparison.Ordinal)}\r\n"
                    + "END:VEVENT\r\n"
            )
        )
        + "END:VCALENDAR\r\n";

    private static CalendarReading Read(string text) =>
        CalendarReader.Read(text, new LocalDate(2026, 11, 1), new LocalDate(2026, 12, 24), Dublin);

    [Fact]
    public void A_rule_without_end_is_read_to_the_end_of_the_season()
    {
        var reading = Read(
            File(
                "DTSTART;TZID=Europe/Dublin:20200107T190000\nDTEND;TZID=Europe/Dublin:20200107T210000\nRRULE:FREQ=WEEKLY;BYDAY=TU\n"
                    + "SUMMARY:Choir"
            )
        );
        Assert.Equal("", reading.Trouble);
        // Tuesdays from 3 November to 22 December 2026.
        Assert.Equal(8, reading.Busy.Count);
        Assert.All(
            reading.Busy,
            b =>
                Assert.Equal(
                    (IsoDayOfWeek.Tuesday, 19, 120),
                    (b.From.DayOfWeek, b.From.Hour, (int)Period.Between(b.From, b.Until, PeriodUnits.Minutes).Minutes)
                )
        );
    }

    [Fact]
    public void Times_are_the_kitchens_whatever_zone_they_were_written_in()
    {
        var reading = Read(
            File(
                "DTSTART:20261110T180000Z\nDTEND:20261110T190000Z",
                "DTSTART;TZID=America/New_York:20261111T120000\nDTEND;TZID=America/New_York:20261111T130000",
                "DTSTART:20261112T180000\nDTEND:20261112T190000",
                "DTSTART;TZID=Nowhere/Land:20261113T180000\nDTEND;TZID=Nowhere/Land:20261113T190000"
            )
        );
        Assert.Equal([(10, 18), (11, 17), (12, 18), (13, 18)], reading.Busy.Select(b => (b.From.Day, b.From.Hour)));
    }

    [Fact]
    public void What_keeps_nobody_from_baking_is_left_out()
    {
        var same = "DTSTART:20261110T180000Z\nDTEND:20261110T190000Z\nSUMMARY:Twice";
        var reading = Read(
            File(
                "DTSTART;VALUE=DATE:20261115\nSUMMARY:Birthday",
                "DTSTART:20261116T100000Z\nDTEND:20261116T110000Z\nTRANSP:TRANSPARENT",
                "DTSTART:20261117T100000Z\nDTEND:20261117T110000Z\nSTATUS:CANCELLED",
                same,
                same
            )
        );
        Assert.Equal((1, 1), (reading.Busy.Count, reading.WholeDays));
    }

    [Fact]
    public void Fifty_thousand_entries_are_no_reason_to_wait_long()
    {
        var entries = Enumerable
            .Range(0, 50_000)
            .Select(i =>
                $"DTSTART:{new LocalDate(2000, 1, 1).PlusDays(i / 5):uuuuMMdd}T{8 + (i % 5):00}0000Z\n"
                + $"DTEND:{new LocalDate(2000, 1, 1).PlusDays(i / 5):uuuuMMdd}T{8 + (i % 5):00}3000Z\nSUMMARY:Entry {i}"
            )
            .ToArray();
        var clock = Stopwatch.StartNew();
        var reading = Read(File(entries));
        Assert.Equal("", reading.Trouble);
        // Five a day for 54 days.
        Assert.Equal(270, reading.Busy.Count);
        // No speed test: only that it is not minutes.
        Assert.True(clock.Elapsed < TimeSpan.FromMinutes(1));
    }

    [Theory]
    [InlineData("hello", "not a calendar")]
    [InlineData("", "not a calendar")]
    public void What_is_no_calendar_is_said(string text, string trouble) =>
        Assert.Contains(trouble, Read(text).Trouble, StringComparison.Ordinal);

    [Fact]
    public void A_calendar_that_fills_every_minute_is_refused_and_damaged_ones_do_not_throw()
    {
        Assert.Contains(
            "shorter",
            Read(File("DTSTART:20261101T000000Z\nDTEND:20261101T000500Z\nRRULE:FREQ=MINUTELY;INTERVAL=10")).Trouble,
            StringComparison.Ordinal
        );
        var random = new Random(5);
        var good = File("DTSTART:20261110T180000Z\nDTEND:20261110T190000Z\nRRULE:FREQ=DAILY;COUNT=3");
        for (var i = 0; i < 300; i++)
        {
            var damaged = new StringBuilder(good);
            for (var n = 0; n < 4; n++)
                damaged[random.Next(20, damaged.Length)] = (char)random.Next(32, 126);
            Assert.NotNull(Read(damaged.ToString()));
        }
    }
}
