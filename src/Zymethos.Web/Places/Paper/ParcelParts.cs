using System.Collections.Immutable;
using System.Globalization;
using NodaTime;
using Zymethos.Core.Kitchens;
using Zymethos.Interchange.Documents;
using Zymethos.Interchange.Parcels;
using Zymethos.Paper;
using Zymethos.Web.Places.Parcels;
using Zymethos.Work.Parcels;

namespace Zymethos.Web.Places.Paper;

/// <summary>What is printed of a board of parcels: labels, tags, how boxes are packed, and who is given theirs when.</summary>
internal static class ParcelParts
{
    /// <summary>Labels, four or eight on a sheet; null where there are none.</summary>
    public static PaperPart? Labels(LabelSheet sheet, bool ofBakes) =>
        sheet.Labels.IsEmpty
            ? null
            : new PaperPart(
                ofBakes ? "kinds" : "labels",
                ofBakes ? "Labels for each kind" : "Labels for the boxes",
                [new PaperCards(2, ofBakes ? 4 : 2, [.. sheet.Labels.Select(l => LabelCard.Of(l, sheet.Words))])]
            )
            {
                IsBare = true,
            };

    /// <summary>Tags for a ribbon, ten on a sheet; null where nobody is given anything.</summary>
    public static PaperPart? Tags(BoardView view, LabelSheet sheet)
    {
        var tags = sheet.Labels.Select(l => new PaperCard(
            [new PaperHeading(l.Title), .. l.From.Length > 0 ? [PaperText.Of(l.From)] : Array.Empty<PaperBlock>()],
            HasHole: true
        ));
        return sheet.Labels.IsEmpty
            ? null
            : new PaperPart("tags", $"Tags, {view.Row.Name}", [new PaperCards(2, 5, [.. tags])]) { IsBare = true };
    }

    /// <summary>Address labels, fourteen on a sheet; null where nobody's address is known.</summary>
    public static PaperPart? Addresses(BoardView view)
    {
        var known = view.Board.People.Where(p => p.Address.Length > 0).ToList();
        return known.Count == 0
            ? null
            : new PaperPart(
                "addresses",
                "Address labels",
                [
                    new PaperCards(
                        2,
                        7,
                        [
                            .. known.Select(p => new PaperCard(
                                [
                                    new PaperHeading(p.Name, 3),
                                    .. p
                                        .Address.Split('\n', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries)
                                        .Select(l => PaperText.Of(l)),
                                ]
                            )),
                        ]
                    ),
                ]
            )
            {
                IsBare = true,
            };
    }

    /// <summary>How each box is packed; null where nothing is.</summary>
    public static PaperPart? Boxes(BoardView view, GiftShelfDocument shelf)
    {
        var blocks = ImmutableArray.CreateBuilder<PaperBlock>();
        foreach (var plan in BoxShelf.Plan(view, shelf))
        {
            var inside = view.Board.Cells.Where(c => c.Person == plan.Person && c.Pieces > 0).ToList();
            var own = ImmutableArray.CreateBuilder<PaperBlock>();
            own.Add(new PaperHeading(view.Board.People[plan.Person].Name));
            own.Add(
                PaperText.Of(
                    string.Join("   ", inside.Select(c => $"{BoxPicture.Letter(c.Bake)} {c.Pieces} {view.Board.Bakes[c.Bake].Bake.Name}"))
                )
            );
            if (plan.Box is { } box && plan.Packed is { } packed)
            {
                var picture = BoxPicture.Of(
                    box,
                    packed,
                    plan.Kinds,
                    [.. plan.Kinds.Select(b => shelf.Sizes.First(s => s.Recipe == view.Bakes[b].Recipe).Round)]
                );
                own.Add(
                    PaperText.Of(
                        $"Into the {box.Name}{(plan.Grams is { } grams ? $", about {grams:0} g in all" : "")}. Drawn from above, "
                            + $"{picture.Scale}."
                    )
                );
                own.Add(picture.Drawing);
            }
            else if (plan.Kinds.Length > 0)
            {
                own.Add(PaperText.Of("No tin or box that is left holds all of it: take two, or give less.", PaperTone.Caution));
            }

            if (plan.Unsized.Length > 0)
                own.Add(PaperText.Of($"Not drawn, since nobody has measured a piece: {string.Join(", ", plan.Unsized)}."));
            own.AddRange(plan.Cautions.Select(c => PaperText.Of(c, PaperTone.Caution)));
            blocks.Add(new PaperKeep(own.ToImmutable()));
        }

        return blocks.Count == 0 ? null : new PaperPart("boxes", "How each box is packed", blocks.ToImmutable());
    }

    /// <summary>Who is given theirs when, with boxes to tick; null where nobody is.</summary>
    /// <param name="view">The board.</param>
    /// <param name="says">How this kitchen says hours.</param>
    /// <param name="usual">When all are given theirs, where nobody said otherwise; null where the season does not say.</param>
    public static PaperPart? Delivery(BoardView view, KitchenSays says, LocalDateTime? usual)
    {
        if (view.Board.People.IsEmpty)
            return null;
        var known = (view.Row.Document.Handing ?? []).ToDictionary(h => h.Person);
        var wrong = view.Faults.Select(f => f.Person).ToHashSet();
        var rows = view
            .Board.People.Select(
                (person, p) =>
                {
                    var own = known.GetValueOrDefault(person.Id.ToString());
                    return (
                        Person: person,
                        Index: p,
                        At: own?.At is { } text ? LocalMoment.Pattern.Parse(text).Value : usual,
                        Route: own?.Route ?? ""
                    );
                }
            )
            .OrderBy(r => r.At ?? LocalDateTime.MaxIsoValue)
            .ThenBy(r => r.Route, StringComparer.OrdinalIgnoreCase)
            .GroupBy(r => (r.At?.Date, r.Route))
            .SelectMany(g =>
                g.Select(r => new PaperRow(
                        [
                            [],
                            [],
                            [new PaperRun(r.Person.Name, true)],
                            [new PaperRun(r.At is { } at ? says.Hour(at) : "")],
                            [
                                new PaperRun(
                                    string.Join(
                                        ", ",
                                        view.Board.Cells.Where(c => c.Person == r.Index && c.Pieces > 0)
                                            .Select(c => $"{c.Pieces} {view.Board.Bakes[c.Bake].Bake.Name}")
                                            .DefaultIfEmpty("nothing yet")
                                    )
                                ),
                                new PaperRun(
                                    wrong.Contains(r.Index)
                                        ? " Do not give this box: something in it is not for them, or not looked at."
                                        : "",
                                    true
                                ),
                            ],
                            [
                                new PaperRun(CareText.Of(r.Person), true),
                                new PaperRun(string.Concat(view.Post(r.Index).Select(w => $" {w}"))),
                            ],
                        ]
                    ))
                    .Prepend(PaperRow.Head(Where(g.Key.Date, g.Key.Route)))
            );
        return new PaperPart(
            "delivery",
            $"Handing over, {view.Row.Name}",
            [
                new PaperTable(
                    [
                        new PaperColumn("Wrapped", 9, true),
                        new PaperColumn("Given", 7, true),
                        new PaperColumn("For", 18),
                        new PaperColumn("Hour", 9),
                        new PaperColumn("In the box", 44),
                        new PaperColumn("Mind", 18),
                    ],
                    [.. rows]
                ),
            ]
        );
    }

    private static string Where(LocalDate? date, string route) =>
        string.Join(
            ", ",
            new[] { date?.ToString("dddd d MMMM", CultureInfo.InvariantCulture) ?? "No day yet", route }.Where(w => w.Length > 0)
        );
}
