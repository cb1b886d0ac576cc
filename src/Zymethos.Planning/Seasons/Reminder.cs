using System.Collections.Immutable;
using System.Globalization;
using NodaTime;
using Zymethos.Core.Kitchens;

namespace Zymethos.Planning.Seasons;

/// <summary>A message about what is to be done.</summary>
/// <param name="Key">The same whenever the same reminder is due.</param>
/// <param name="At">When it is sent, in the kitchen's time.</param>
/// <param name="Subject">Its subject.</param>
/// <param name="Text">Its text.</param>
public sealed record Reminder(string Key, LocalDateTime At, string Subject, string Text)
{
    private static readonly LocalTime Evening = new(18, 0);

    /// <summary>How long before a touch it is time to say so: the evening before for a session, an hour for what is done by the
    /// way.</summary>
    public static Duration Lead(SeasonTouch touch) =>
        touch switch
        {
            { Kind: SeasonTouchKind.Work } => Duration.FromHours(12),
            { Kind: SeasonTouchKind.Buy } => Duration.FromHours(8),
            _ => Duration.FromHours(1),
        };

    /// <summary>The reminders of a season: one for each session, on the evening before, and one for everything done by the way.</summary>
    /// <param name="touches">Everything that is still to be done.</param>
    /// <param name="says">How the kitchen says hours.</param>
    public static ImmutableArray<Reminder> Of(IEnumerable<SeasonTouch> touches, KitchenSays says)
    {
        var all = touches.ToList();
        var sessions = all.Where(t => t.Kind == SeasonTouchKind.Work)
            .GroupBy(t => t.Session)
            .Select(g => (First: g.MinBy(t => t.At)!, All: g.OrderBy(t => t.At).ToList()))
            .Select(g => new Reminder(
                $"session-{g.First.At:uuuuMMdd'T'HH}-{string.Join('+', g.All.Select(t => t.Id))}",
                LocalDateTime.Min(g.First.At.Date.PlusDays(-1).At(Evening), g.First.At.PlusHours(-1)),
                $"{g.First.At.ToString("dddd", CultureInfo.InvariantCulture)}, "
                    + $"{says.Hour(g.First.At)}: {g.All.Count} "
                    + $"{(g.All.Count == 1 ? "thing" : "things")} to bake",
                string.Join(
                    "\n",
                    g.All.Select(t =>
                        $"{says.Hour(t.At)}  {t.Title} ({t.Detail}), {t.Minutes} min of "
                        + $"work{(t.MustNotBeMissed ? ". This cannot wait." : ".")}"
                    )
                )
            ));
        var others = all.Where(t => t.Kind != SeasonTouchKind.Work)
            .Select(t => new Reminder(
                $"{t.Id}-{t.At:uuuuMMdd}",
                t.At - Period.FromMinutes((long)Lead(t).TotalMinutes),
                $"{says.WeekdayAndHour(t.At)}: {t.Title}",
                $"{t.Detail}."
            ));
        return [.. sessions.Concat(others).OrderBy(r => r.At).ThenBy(r => r.Key, StringComparer.Ordinal)];
    }
}
