using NodaTime;
using Zymethos.Core.Measures;
using Zymethos.Planning.Seasons;

namespace Zymethos.Planning.Tests.Seasons;

/// <summary>Sessions from a usual week, dates that differ and what a calendar says.</summary>
public sealed class FreeHoursTests
{
    private static readonly LocalDate Monday = new(2026, 11, 2);
    private static readonly FreeHours Week = new(
        [
            new(IsoDayOfWeek.Tuesday, new LocalTime(18, 0), new LocalTime(22, 0), 2),
            new(IsoDayOfWeek.Saturday, new LocalTime(9, 0), new LocalTime(18, 0), 1),
        ],
        new LocalTime(20, 30),
        [],
        []
    );

    private static List<SeasonSession> Baking(FreeHours hours, int days = 6) =>
        [.. hours.Sessions(Monday, Monday.PlusDays(days)).Where(s => !s.IsOddMoment)];

    [Fact]
    public void A_usual_week_has_its_sessions_and_a_spell_on_the_other_evenings()
    {
        Assert.Equal(
            [(Monday.PlusDays(1).At(new LocalTime(18, 0)), 240, 2), (Monday.PlusDays(5).At(new LocalTime(9, 0)), 540, 1)],
            Baking(Week).Select(s => (s.From, s.Minutes, s.People))
        );
        // Tuesday's session holds the hour of the spell.
        Assert.Equal(6, Week.Sessions(Monday, Monday.PlusDays(6)).Count(s => s.IsOddMoment));
    }

    [Fact]
    public void Dates_that_differ_replace_the_weekday()
    {
        var hours = Week with
        {
            Exceptions =
            [
                new(Monday.PlusDays(1), null, null, 1),
                new(Monday.PlusDays(2), new LocalTime(19, 0), new LocalTime(21, 0), 1),
                new(Monday.PlusDays(5), new LocalTime(8, 0), new LocalTime(10, 0), 2),
                new(Monday.PlusDays(5), new LocalTime(14, 0), new LocalTime(16, 0), 2),
            ],
        };
        Assert.Equal([19, 8, 14], Baking(hours).Select(s => s.From.Hour));
    }

    [Fact]
    public void What_a_calendar_takes_is_cut_out_and_scraps_are_no_sessions()
    {
        var saturday = Monday.PlusDays(5);
        var hours = Week with
        {
            Busy =
            [
                new(saturday.At(new LocalTime(9, 30)), saturday.At(new LocalTime(11, 0)), "Market"),
                new(saturday.At(new LocalTime(15, 0)), saturday.At(new LocalTime(15, 30)), ""),
                new(saturday.At(new LocalTime(15, 20)), saturday.At(new LocalTime(16, 0)), ""),
            ],
        };
        // Half an hour before the market is not worth beginning in.
        Assert.Equal([(11, 240), (16, 120)], Baking(hours).Where(s => s.From.Date == saturday).Select(s => (s.From.Hour, s.Minutes)));
    }

    [Fact]
    public void Sessions_are_in_order_and_apart_however_they_are_said()
    {
        var hours = new FreeHours(
            [
                new(IsoDayOfWeek.Friday, new LocalTime(20, 0), new LocalTime(2, 0), 1),
                new(IsoDayOfWeek.Saturday, new LocalTime(1, 0), new LocalTime(4, 0), 1),
                new(IsoDayOfWeek.Friday, new LocalTime(19, 0), new LocalTime(21, 0), 1),
            ],
            new LocalTime(23, 0),
            [],
            []
        );
        var sessions = hours.Sessions(Monday, Monday.PlusDays(13));
        Assert.Equal(6, sessions.Count(s => !s.IsOddMoment));
        for (var i = 1; i < sessions.Length; i++)
            Assert.True(sessions[i].From >= sessions[i - 1].Until, $"{sessions[i - 1]} {sessions[i]}");
    }
}
