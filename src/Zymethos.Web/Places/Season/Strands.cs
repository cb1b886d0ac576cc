using System.Collections.Immutable;
using System.Globalization;
using System.Text;
using NodaTime;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Seasons;
using Zymethos.Web.Drawing;

namespace Zymethos.Web.Places.Season;

/// <summary>How a strand lies between two knots.</summary>
public enum StrandKind
{
    /// <summary>Taut: it waits on the counter or in the refrigerator.</summary>
    Taut,

    /// <summary>A loose twist: it soaks or matures.</summary>
    Loose,

    /// <summary>Frost: it is frozen.</summary>
    Frost,
}

/// <summary>A piece of a strand.</summary>
/// <param name="Kind">How it lies.</param>
/// <param name="Path">Its outline; of a loose twist both threads.</param>
/// <param name="Crystals">Of frost the crystals along it; else empty.</param>
/// <param name="Says">What waits there, in words.</param>
public sealed record StrandPiece(StrandKind Kind, string Path, string Crystals, string Says);

/// <summary>A knot: work for hands.</summary>
/// <param name="X">Where.</param>
/// <param name="Radius">Its size, by the minutes of work.</param>
/// <param name="State">done, late, tight or open.</param>
/// <param name="Stretch">Index of the stretch.</param>
/// <param name="Says">What it is, in words.</param>
public sealed record StrandKnot(double X, double Radius, string State, int Stretch, string Says);

/// <summary>A lot drawn as a strand of string that runs toward the day it is given.</summary>
/// <param name="Lot">Index of the lot.</param>
/// <param name="Label">What it is.</param>
/// <param name="LabelX">Where that stands: above its first knot, or where today's thread can be seen with it.</param>
/// <param name="Y">Height of the string.</param>
/// <param name="Pieces">Between the knots.</param>
/// <param name="Knots">Its knots, by time.</param>
/// <param name="End">Where it ends.</param>
/// <param name="Thaw">Where it is taken out of the freezer; null when it is not.</param>
/// <param name="IsMet">Whether its need is met.</param>
public sealed record Strand(
    int Lot,
    string Label,
    double LabelX,
    double Y,
    ImmutableArray<StrandPiece> Pieces,
    ImmutableArray<StrandKnot> Knots,
    double End,
    double? Thaw,
    bool IsMet
);

/// <summary>A date across all strands.</summary>
/// <param name="X">Where.</param>
/// <param name="Text">What stands at it.</param>
public sealed record StrandMark(double X, string Text);

/// <summary>The strands of a season, time to the right: worked out from the plan, drawn by the server.</summary>
/// <param name="Width">Width in units of the drawing.</param>
/// <param name="Height">Height.</param>
/// <param name="Weeks">Mondays.</param>
/// <param name="Occasions">The dates for which things are baked.</param>
/// <param name="Today">Where today's thread hangs; null when it lies outside.</param>
/// <param name="Lots">The strands.</param>
/// <param name="Sessions">Where there is a session, from and width.</param>
public sealed record Strands(
    double Width,
    double Height,
    ImmutableArray<StrandMark> Weeks,
    ImmutableArray<StrandMark> Occasions,
    double? Today,
    ImmutableArray<Strand> Lots,
    ImmutableArray<(double X, double Width)> Sessions
)
{
    /// <summary>Height of a strand with its label.</summary>
    public const double Row = 44;

    /// <summary>Room above the first strand for dates.</summary>
    public const double Head = 46;

    /// <summary>How far before today the drawing opens.</summary>
    public const double LookBack = 150;

    private const double Day = 26;
    private const double Left = 12;
    private const double Right = 40;

    /// <summary>Works the drawing out.</summary>
    /// <param name="wish">The season.</param>
    /// <param name="plan">Its plan.</param>
    /// <param name="touches">What is still to be done.</param>
    /// <param name="only">A single lot to draw; null for all.</param>
    public static Strands Of(SeasonWish wish, SeasonPlan plan, IReadOnlyList<SeasonTouch> touches, int? only = null)
    {
        var first = plan.Placed.Select(p => p.Start).Append(wish.Now).Min().Date.PlusDays(-1);
        var last = wish.Occasions.Select(o => o.At).Append(wish.Now).Max().Date.PlusDays(1);
        double X(LocalDateTime at) => Left + (Period.Between(first.AtMidnight(), at, PeriodUnits.Minutes).Minutes / 1440.0 * Day);
        // Strands toward the same date hang together, the longest first: what was begun long ago stands above what is baked for the day.
        var order = Enumerable
            .Range(0, plan.Lots.Length)
            .Where(l => only is null || l == only)
            .OrderBy(l => wish.Occasions[wish.Needs[l].Occasion].At)
            .ThenBy(l => plan.Of(l).Select(p => p.Start).Append(wish.Occasions[wish.Needs[l].Occasion].At).Min())
            .ToList();
        var unmet = plan.Unmet.Select(u => u.Need).ToHashSet();
        return new Strands(
            X(last.AtMidnight()) + Right,
            Head + (order.Count * Row) + 10,
            [.. Mondays(first, last).Select(d => new StrandMark(X(d.AtMidnight()), d.ToString("d MMM", CultureInfo.InvariantCulture)))],
            [.. wish.Occasions.Select(o => new StrandMark(X(o.At), o.Name))],
            wish.Now.Date >= first && wish.Now.Date <= last ? X(wish.Now) : null,
            [.. order.Select((l, i) => StrandOf(wish, plan, touches, l, Head + (i * Row) + 28, X, !unmet.Contains(l)))],
            [
                .. wish
                    .Sessions.Where(s => !s.IsOddMoment && s.From >= first.AtMidnight())
                    .Select(s => (X(s.From), Math.Max(3, X(s.Until) - X(s.From)))),
            ]
        );
    }

    private static Strand StrandOf(
        SeasonWish wish,
        SeasonPlan plan,
        IReadOnlyList<SeasonTouch> touches,
        int l,
        double y,
        Func<LocalDateTime, double> x,
        bool isMet
    )
    {
        var own = plan.Of(l).OrderBy(p => p.Start).ThenBy(p => p.Stretch).ToList();
        var occasion = wish.Occasions[wish.Needs[l].Occasion];
        var kept = plan.Kept.GetValueOrDefault(l);
        var pieces = new List<StrandPiece>();
        for (var i = 0; i + 1 < own.Count; i++)
        {
            var (from, to) = (own[i], own[i + 1]);
            if (to.Start <= from.End)
                continue;
            var wait = plan.Lots[l]
                .Method.Waits.Where(w => w.From == from.Stretch)
                .OrderBy(w => w.To == to.Stretch ? 0 : 1)
                .FirstOrDefault();
            pieces.AddRange(Between(wait, kept, from, to, y, x));
        }

        if (own.Count > 0 && isMet)
            pieces.AddRange(AfterAll(plan.Lots[l], kept, own[^1].End, occasion.At, y, x));
        // Who looks at today must not have to scroll back to where a strand begins.
        var begins = own.Count > 0 ? x(own[0].Start) : x(wish.Now);
        var labelX = Math.Max(8, begins < x(wish.Now) - LookBack ? x(wish.Now) - LookBack + 8 : Math.Min(begins, x(occasion.At) - 60));
        return new Strand(
            l,
            $"{wish.Needs[l].Recipe.Name}, {wish.Needs[l].Amount}{(wish.Needs[l].For.Length > 0 ? $", {wish.Needs[l].For}" : "")}",
            labelX,
            y,
            [.. pieces],
            [.. own.Select(p => Knot(wish, plan, touches, l, p, x))],
            x(occasion.At),
            kept?.ThawAt is { } thaw ? x(thaw) : null,
            isMet
        );
    }

    private static IEnumerable<StrandPiece> Between(
        StretchWait? wait,
        Kept? kept,
        PlacedStretch from,
        PlacedStretch to,
        double y,
        Func<LocalDateTime, double> x
    )
    {
        var length = SeasonRules.Length(from.End, to.Start);
        if (wait is { Kind: StepKind.Soak or StepKind.Mature })
            return [Piece(StrandKind.Loose, x(from.End), x(to.Start), y, wait.Says)];
        var place =
            kept?.Between is { } box && wait is not null && wait.Places.Contains(box) ? box
            : wait is null ? null
            : Keeping.Bearing(wait, length, length);
        if (place?.Store != KeepingStore.Freezer)
            return [Piece(StrandKind.Taut, x(from.End), x(to.Start), y, place?.Place ?? wait?.Says ?? "")];
        var thaw = LocalDateTime.Max(from.End, to.Start.PlusMinutes(-(long)Keeping.Thaw(place).TotalMinutes));
        return [Piece(StrandKind.Frost, x(from.End), x(thaw), y, place.Place), Piece(StrandKind.Taut, x(thaw), x(to.Start), y, "thaws")];
    }

    private static IEnumerable<StrandPiece> AfterAll(
        Lot lot,
        Kept? kept,
        LocalDateTime end,
        LocalDateTime at,
        double y,
        Func<LocalDateTime, double> x
    )
    {
        if (at <= end)
            return [];
        if (kept is { IsFrozenLast: true, ThawAt: { } thaw })
            return [Piece(StrandKind.Frost, x(end), x(thaw), y, kept.Place!.Place), Piece(StrandKind.Taut, x(thaw), x(at), y, "thaws")];
        return
        [
            Piece(
                lot.Method.RipensLeast > Duration.Zero ? StrandKind.Loose : StrandKind.Taut,
                x(end),
                x(at),
                y,
                lot.Method.RipensLeast > Duration.Zero ? "ripens" : kept?.Place?.Place ?? ""
            ),
        ];
    }

    private static StrandKnot Knot(
        SeasonWish wish,
        SeasonPlan plan,
        IReadOnlyList<SeasonTouch> touches,
        int l,
        PlacedStretch placed,
        Func<LocalDateTime, double> x
    )
    {
        var lot = plan.Lots[l];
        var touch = touches.FirstOrDefault(t => t.Kind == SeasonTouchKind.Work && t.Lot == l && t.Stretch == placed.Stretch);
        var minutes = lot.Method.Stretches[placed.Stretch].HandsMinutes * lot.Batches.Mixings;
        var state =
            placed.IsDone ? "done"
            : wish.Sessions[placed.Session].Until <= wish.Now ? "late"
            : touch is { MustNotBeMissed: true } ? "tight"
            : "open";
        var words = state switch
        {
            "done" => "done ",
            "late" => "should have been done ",
            _ => "",
        };
        return new StrandKnot(
            x(placed.Start),
            Math.Min(10, 5 + (minutes / 25.0)),
            state,
            placed.Stretch,
            $"{lot.Method.Stretches[placed.Stretch].Title}, "
                + $"{words}{wish.Kitchen.Says.DayAndHour(placed.Start)}, {Spoken.Minutes(minutes)} of "
                + $"work{(state == "tight" ? ", cannot wait" : "")}"
        );
    }

    private static StrandPiece Piece(StrandKind kind, double from, double to, double y, string says) =>
        kind switch
        {
            StrandKind.Loose => new(kind, $"{Wave(from, to, y, 1)} {Wave(from, to, y, -1)}", "", says),
            StrandKind.Frost => new(kind, Line(from, to, y), Crystals(from, to, y), says),
            _ => new(kind, Line(from, to, y), "", says),
        };

    private static string Line(double from, double to, double y) =>
        string.Create(CultureInfo.InvariantCulture, $"M{from:0.#} {y:0.#}L{to:0.#} {y:0.#}");

    private static string Wave(double from, double to, double y, int side)
    {
        const double Half = 9;
        var count = Math.Max(1, (int)Math.Round((to - from) / Half));
        var step = (to - from) / count;
        var path = new StringBuilder(string.Create(CultureInfo.InvariantCulture, $"M{from:0.#} {y:0.#}"));
        for (var i = 0; i < count; i++)
        {
            var up = (i % 2 == 0 ? -1 : 1) * side * 7;
            path.Append(
                CultureInfo.InvariantCulture,
                $"Q{from + (step * (i + 0.5)):0.#} {y + up:0.#} {from + (step * (i + 1)):0.#} {y:0.#}"
            );
        }

        return path.ToString();
    }

    private static string Crystals(double from, double to, double y)
    {
        const double Apart = 22;
        var path = new StringBuilder();
        for (var x = from + (Apart / 2); x < to; x += Apart)
        {
            for (var arm = 0; arm < 3; arm++)
            {
                var (dx, dy) = (5 * Math.Cos(Math.PI * (arm + 0.5) / 3), 5 * Math.Sin(Math.PI * (arm + 0.5) / 3));
                path.Append(CultureInfo.InvariantCulture, $"M{x - dx:0.#} {y - dy:0.#}L{x + dx:0.#} {y + dy:0.#}");
            }
        }

        return path.ToString();
    }

    private static IEnumerable<LocalDate> Mondays(LocalDate first, LocalDate last)
    {
        for (
            var date = first.DayOfWeek == IsoDayOfWeek.Monday ? first : first.Next(IsoDayOfWeek.Monday);
            date <= last;
            date = date.PlusDays(7)
        )
            yield return date;
    }
}
