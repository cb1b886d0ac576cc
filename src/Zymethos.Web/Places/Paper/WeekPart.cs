using System.Collections.Immutable;
using System.Globalization;
using NodaTime;
using Zymethos.Core.Kitchens;
using Zymethos.Paper;
using Zymethos.Planning.Seasons;
using Zymethos.Work.Seasons;

namespace Zymethos.Web.Places.Paper;

/// <summary>What each week asks for, a page a week: day, hour, what, with boxes to tick.</summary>
internal static class WeekPart
{
    /// <summary>The part; null where nothing is left to do.</summary>
    public static PaperPart? Of(SeasonView season)
    {
        var says = season.Wish.Kitchen.Says;
        var weeks = season.Touches.GroupBy(t => Monday(t.At.Date)).OrderBy(g => g.Key).ToList();
        if (weeks.Count == 0)
            return null;
        var blocks = ImmutableArray.CreateBuilder<PaperBlock>();
        foreach (var week in weeks)
        {
            if (blocks.Count > 0)
                blocks.Add(new PaperBreak());
            blocks.Add(new PaperHeading($"Week of {week.Key.ToString("d MMMM uuuu", CultureInfo.InvariantCulture)}"));
            var rows = ImmutableArray.CreateBuilder<PaperRow>();
            foreach (var day in week.GroupBy(t => t.At.Date).OrderBy(g => g.Key))
            {
                var occasions = season.Wish.Occasions.Where(o => o.At.Date == day.Key).Select(o => $"{o.Name} at {says.Hour(o.At)}");
                rows.Add(
                    PaperRow.Head(
                        string.Join(
                            ": ",
                            new[] { day.Key.ToString("dddd d MMMM", CultureInfo.InvariantCulture), string.Join(", ", occasions) }.Where(w =>
                                w.Length > 0
                            )
                        )
                    )
                );
                rows.AddRange(day.OrderBy(t => t.At).Select(t => Row(t, season, says)));
            }

            blocks.Add(
                new PaperTable(
                    [
                        new PaperColumn("", 4, true),
                        new PaperColumn("When", 10),
                        new PaperColumn("What", 34),
                        new PaperColumn("How much, and where", 44),
                        new PaperColumn("Takes", 10),
                    ],
                    rows.ToImmutable()
                )
            );
        }

        return new PaperPart("week", $"{season.Row.Name}, week by week", blocks.ToImmutable());
    }

    private static PaperRow Row(SeasonTouch touch, SeasonView season, KitchenSays says) =>
        new(
            [
                [],
                [new PaperRun(says.Hour(touch.At))],
                [new PaperRun(touch.Title, touch.MustNotBeMissed), new PaperRun(touch.MustNotBeMissed ? " (cannot wait)" : "")],
                [new PaperRun(touch.Detail)],
                [new PaperRun(touch.Minutes > 0 ? Drawing.Spoken.Minutes(touch.Minutes) : "")],
            ]
        );

    private static LocalDate Monday(LocalDate date) => date.DayOfWeek == IsoDayOfWeek.Monday ? date : date.Previous(IsoDayOfWeek.Monday);
}
