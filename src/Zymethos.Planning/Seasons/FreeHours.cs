using System.Collections.Immutable;
using NodaTime;

namespace Zymethos.Planning.Seasons;

/// <summary>Hours of a weekday in which somebody bakes.</summary>
/// <param name="Day">The weekday.</param>
/// <param name="From">From when.</param>
/// <param name="Until">Until when; an hour no later than <paramref name="From"/> is one of the next day.</param>
/// <param name="People">How many, at least 1.</param>
public sealed record WeeklyHours(IsoDayOfWeek Day, LocalTime From, LocalTime Until, int People);

/// <summary>A date that is not like its weekday.</summary>
/// <param name="Date">The date.</param>
/// <param name="From">From when; null when nobody bakes on it.</param>
/// <param name="Until">Until when; null when nobody bakes on it.</param>
/// <param name="People">How many.</param>
public sealed record HoursException(LocalDate Date, LocalTime? From, LocalTime? Until, int People);

/// <summary>A span in which nobody has time, from a calendar.</summary>
/// <param name="From">Start.</param>
/// <param name="Until">End.</param>
/// <param name="Title">What it is; may be empty.</param>
public sealed record BusyTime(LocalDateTime From, LocalDateTime Until, string Title);

/// <summary>When there is time to bake: the usual week, dates that differ, and what a calendar says.</summary>
/// <param name="Weekly">The usual week.</param>
/// <param name="Spell">A quarter of an hour every day for what is done by the way, a cake to feed; null when there is none.</param>
/// <param name="Exceptions">Dates that differ; several of one date are several sessions.</param>
/// <param name="Busy">What a calendar says.</param>
public sealed record FreeHours(
    ImmutableArray<WeeklyHours> Weekly,
    LocalTime? Spell,
    ImmutableArray<HoursException> Exceptions,
    ImmutableArray<BusyTime> Busy
)
{
    /// <summary>Nothing is worth beginning in less than this (common practice, no source).</summary>
    public const int LeastMinutes = 45;

    /// <summary>Minutes of the daily spell.</summary>
    public const int SpellMinutes = 15;

    /// <summary>No hours at all.</summary>
    public static FreeHours None { get; } = new([], null, [], []);

    /// <summary>The sessions of a span of dates, in order and apart.</summary>
    /// <param name="from">First date.</param>
    /// <param name="until">Last date.</param>
    public ImmutableArray<SeasonSession> Sessions(LocalDate from, LocalDate until)
    {
        var found = new List<SeasonSession>();
        for (var date = from; date <= until; date = date.PlusDays(1))
        {
            var own = Exceptions.Where(e => e.Date == date).ToList();
            var spans =
                own.Count > 0
                    ? own.Where(e => e is { From: not null, Until: not null })
                        .Select(e => Span(date, e.From!.Value, e.Until!.Value, e.People))
                    : Weekly.Where(w => w.Day == date.DayOfWeek).Select(w => Span(date, w.From, w.Until, w.People));
            foreach (var session in spans.SelectMany(WithoutBusy).Where(s => s.Minutes >= LeastMinutes).OrderBy(s => s.From))
            {
                // What overlaps is one after the other.
                var start = found.Count > 0 && found[^1].Until > session.From ? found[^1].Until : session.From;
                if (SeasonRules.Length(start, session.Until).TotalMinutes >= LeastMinutes)
                    found.Add(session with { From = start });
            }
        }

        return [.. found.Concat(Spells(from, until, found)).OrderBy(s => s.From)];
    }

    private static SeasonSession Span(LocalDate date, LocalTime from, LocalTime until, int people) =>
        new(date.At(from), (until > from ? date : date.PlusDays(1)).At(until), Math.Max(1, people));

    private IEnumerable<SeasonSession> WithoutBusy(SeasonSession session)
    {
        var left = new List<SeasonSession> { session };
        foreach (var busy in Busy.Where(b => b.From < session.Until && b.Until > session.From).OrderBy(b => b.From))
        {
            var last = left[^1];
            left.RemoveAt(left.Count - 1);
            if (busy.From > last.From)
                left.Add(last with { Until = LocalDateTime.Min(busy.From, last.Until) });
            if (busy.Until < last.Until)
                left.Add(last with { From = LocalDateTime.Max(busy.Until, last.From) });
            if (left.Count == 0 || left[^1].Until < last.Until)
                break;
        }

        return left;
    }

    private IEnumerable<SeasonSession> Spells(LocalDate from, LocalDate until, List<SeasonSession> sessions)
    {
        if (Spell is not { } at)
            yield break;
        for (var date = from; date <= until; date = date.PlusDays(1))
        {
            var spell = new SeasonSession(date.At(at), date.At(at).PlusMinutes(SpellMinutes), 1) { IsOddMoment = true };
            // A session that holds the hour holds what is done by the way, too.
            if (
                sessions.TrueForAll(s => s.Until <= spell.From || s.From >= spell.Until)
                && !Busy.Any(b => b.From < spell.Until && b.Until > spell.From)
            )
                yield return spell;
        }
    }
}
