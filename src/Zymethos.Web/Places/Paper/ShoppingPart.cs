using System.Collections.Immutable;
using System.Globalization;
using Zymethos.Paper;
using Zymethos.Web.Places.Larder;
using Zymethos.Work.Larder;

namespace Zymethos.Web.Places.Paper;

/// <summary>What to buy, trip by trip, with boxes to tick.</summary>
internal static class ShoppingPart
{
    private static readonly ImmutableArray<PaperColumn> Columns = [new("", 4, true), new("What", 30), new("Take", 22), new("Why", 46)];

    /// <summary>The part; null where nothing is missing.</summary>
    public static PaperPart? Of(Basket basket)
    {
        var blocks = ImmutableArray.CreateBuilder<PaperBlock>();
        foreach (var trip in basket.Trips.Where(t => t.Lines.Length > 0))
        {
            blocks.Add(new PaperHeading(trip.Date.ToString("dddd d MMMM", CultureInfo.InvariantCulture)));
            blocks.AddRange(trip.Warnings.Select(w => PaperText.Of(w, PaperTone.Caution)));
            blocks.Add(
                new PaperTable(
                    Columns,
                    [
                        .. trip
                            .Lines.GroupBy(l => l.Shop.Length > 0 ? $"{l.Shop}, {l.Aisle}" : l.Aisle)
                            .SelectMany(g =>
                                g.Select(l => new PaperRow(
                                        [
                                            [],
                                            [new PaperRun(l.Line.Good.Name, true)],
                                            [new PaperRun(l.Line.Words)],
                                            [new PaperRun(ShoppingModel.Why(l.Line))],
                                        ]
                                    ))
                                    .Prepend(PaperRow.Head(g.Key))
                            ),
                    ]
                )
            );
        }

        if (basket.Also.Length > 0)
        {
            blocks.Add(new PaperHeading("Besides"));
            blocks.Add(new PaperTable(Columns, [.. basket.Also.Select(a => PaperRow.Of("", a.Words, "", ""))]));
        }

        blocks.AddRange(basket.Besides.Select(b => PaperText.Of(b)));
        return blocks.Count == 0 ? null : new PaperPart("shopping", "What to buy", blocks.ToImmutable());
    }
}
