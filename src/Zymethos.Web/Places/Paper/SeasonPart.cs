using System.Collections.Immutable;
using System.Globalization;
using NodaTime;
using Zymethos.Paper;
using Zymethos.Planning.Seasons;
using Zymethos.Work.Seasons;

namespace Zymethos.Web.Places.Paper;

/// <summary>A season on one page: a line for each bake, from its first work to its day.</summary>
internal static class SeasonPart
{
    private const double Width = 250;
    private const double Names = 66;
    private const double Head = 16;
    private const double Row = 6.4;

    /// <summary>The part; null where nothing is planned.</summary>
    public static PaperPart? Of(SeasonView season)
    {
        if (season.Plan is not { } plan || plan.Placed.IsEmpty)
            return null;
        return new PaperPart(
            "season",
            season.Row.Name,
            [
                Drawing(season, plan),
                PaperText.Of(
                    "Black square: work for hands. Hollow: done. Solid line: it waits on the counter or in the cold. Broken line: it is "
                        + "frozen. Triangle: out of the freezer. Upright line: the day it is for.",
                    PaperTone.Small
                ),
                .. season.Warnings.Where(w => w.IsUrgent).Take(4).Select(w => PaperText.Of(w.Words, PaperTone.Caution)),
            ]
        )
        {
            IsWide = true,
            Below = $"As it stood on {season.Now.ToString("dddd d MMMM uuuu", CultureInfo.InvariantCulture)}.",
        };
    }

    private static PaperDrawing Drawing(SeasonView season, SeasonPlan plan)
    {
        var first = plan.Placed.Min(p => p.Start).Date;
        var last = season.Wish.Occasions.Max(o => o.At).Date.PlusDays(1);
        var day = (Width - Names - 4) / Math.Max(1, Period.Between(first, last, PeriodUnits.Days).Days);
        double X(LocalDateTime at) => Names + (Period.Between(first.AtMidnight(), at, PeriodUnits.Minutes).Minutes / 1440.0 * day);
        var lots = Enumerable
            .Range(0, plan.Lots.Length)
            .Where(l => plan.Placed.Any(p => p.Lot == l))
            .GroupBy(l => season.Wish.Needs[plan.Lots[l].Need].Occasion)
            .OrderBy(g => season.Wish.Occasions[g.Key].At)
            .ToList();
        var height = Head + lots.Sum(g => (g.Count() * Row) + Row);
        var shapes = ImmutableArray.CreateBuilder<PaperShape>();
        for (var date = first; date < last; date = date.PlusDays(1))
        {
            if (date.DayOfWeek != IsoDayOfWeek.Monday)
                continue;
            var x = X(date.AtMidnight());
            shapes.Add(new PaperLine(x, Head - 4, x, height, 0.1));
            shapes.Add(new PaperWords(x + 0.6, Head - 5.5, date.ToString("d MMM", CultureInfo.InvariantCulture), 7));
        }

        var y = Head;
        foreach (var group in lots)
        {
            var occasion = season.Wish.Occasions[group.Key];
            var until = X(occasion.At);
            shapes.Add(new PaperWords(0, y + 4.2, occasion.Name, 8.5, PaperAnchor.Start, true));
            shapes.Add(new PaperLine(until, y, until, y + Row + (group.Count() * Row), 0.5));
            shapes.Add(
                new PaperWords(
                    until - 0.8,
                    y + 4.2,
                    occasion.At.ToString("ddd d MMM", CultureInfo.InvariantCulture),
                    7,
                    PaperAnchor.End,
                    true
                )
            );
            y += Row;
            foreach (var lot in group.OrderBy(l => plan.Placed.Where(p => p.Lot == l).Min(p => p.Start)))
            {
                Lot(shapes, season, plan, lot, y, X, until);
                y += Row;
            }
        }

        return new PaperDrawing(
            Width,
            height,
            shapes.ToImmutable(),
            $"{season.Row.Name}: {plan.Lots.Length} bakes drawn as lines toward their days."
        );
    }

    private static void Lot(
        ImmutableArray<PaperShape>.Builder shapes,
        SeasonView season,
        SeasonPlan plan,
        int lot,
        double y,
        Func<LocalDateTime, double> x,
        double until
    )
    {
        var need = season.Wish.Needs[plan.Lots[lot].Need];
        var middle = y + (Row / 2);
        shapes.Add(new PaperWords(2, y + 4.2, Short($"{need.Recipe.Name}, {need.Pieces}"), 7.5));
        var work = plan.Placed.Where(p => p.Lot == lot).OrderBy(p => p.Start).ToList();
        var kept = plan.Kept.GetValueOrDefault(lot);
        for (var i = 0; i < work.Count; i++)
        {
            var to = i + 1 < work.Count ? x(work[i + 1].Start) : until;
            var isFrozen = kept?.ThawAt is { } out_ && out_ > work[i].End && (i == work.Count - 1 || out_ <= work[i + 1].Start);
            shapes.Add(new PaperLine(x(work[i].Start), middle, to, middle, 0.35, isFrozen));
        }

        if (kept?.ThawAt is { } thaw)
            shapes.Add(new PaperPolygon([(x(thaw) - 1, middle + 1.1), (x(thaw) + 1, middle + 1.1), (x(thaw), middle - 1.1)], 0));
        foreach (var piece in work)
            shapes.Add(new PaperRectangle(x(piece.Start) - 1, middle - 1.2, 2.4, 2.4, piece.IsDone ? 0 : 1));
    }

    private static string Short(string words) => words.Length > 44 ? $"{words[..42]}…" : words;
}
