using System.Collections.Immutable;
using System.Globalization;
using NodaTime;
using Zymethos.Core.Kitchens;
using Zymethos.Paper;
using Zymethos.Planning.Seasons;
using Zymethos.Work.Daybooks;

namespace Zymethos.Web.Places.Paper;

/// <summary>The sheet for the cupboard door: cakes that are fed, the starter's feeds, and lines to write on.</summary>
internal static class CupboardPart
{
    private const int BlankLines = 10;

    /// <summary>The part.</summary>
    /// <param name="cakes">Cakes that are fed.</param>
    /// <param name="feeds">What the season wants of the starter.</param>
    /// <param name="says">How this kitchen says hours.</param>
    /// <param name="hasStarter">Whether there is a starter.</param>
    public static PaperPart? Of(IReadOnlyList<FedCake> cakes, IReadOnlyList<SeasonTouch> feeds, KitchenSays says, bool hasStarter)
    {
        var blocks = ImmutableArray.CreateBuilder<PaperBlock>();
        var due = cakes.Where(c => c.NextFeed is not null).OrderBy(c => c.NextFeed).ToList();
        if (due.Count > 0)
        {
            blocks.Add(new PaperHeading("Cakes to feed"));
            blocks.Add(
                new PaperTable(
                    [
                        new PaperColumn("", 4, true),
                        new PaperColumn("Cake", 34),
                        new PaperColumn("On", 22),
                        new PaperColumn("With", 26),
                        new PaperColumn("Given", 20),
                    ],
                    [
                        .. due.SelectMany(c =>
                            Enumerable
                                .Range(0, c.Plan.Feeds - c.Feeds.Count)
                                .Select(f =>
                                    PaperRow.Of(
                                        "",
                                        c.Bake.Document.Name,
                                        Day(c.NextFeed!.Value.PlusDays(f * (int)Math.Round(c.Plan.Between.TotalDays))),
                                        c.Plan.Millilitres is { } ml ? $"{ml:0} ml of {c.Plan.Spirit}" : c.Plan.Spirit,
                                        ""
                                    )
                                )
                        ),
                    ]
                )
            );
            blocks.Add(PaperText.Of("Spirit: not for children, in pregnancy, or for anyone who does without.", PaperTone.Caution));
        }

        if (feeds.Count > 0)
        {
            blocks.Add(new PaperHeading("The starter, for what is planned"));
            blocks.Add(
                new PaperTable(
                    [new PaperColumn("", 4, true), new PaperColumn("When", 24), new PaperColumn("What", 78)],
                    [.. feeds.Select(f => PaperRow.Of("", says.DayAndHour(f.At), $"{f.Title}: {f.Detail}"))]
                )
            );
        }

        if (hasStarter || feeds.Count > 0)
        {
            blocks.Add(new PaperHeading("The starter's diary"));
            blocks.Add(
                new PaperTable(
                    [
                        .. new[] { "Date and hour", "Kept, g", "Flour, g", "Water, g", "Taken off, g", "At its peak" }.Select(
                            h => new PaperColumn(h, 10)
                        ),
                    ],
                    [.. Enumerable.Range(0, BlankLines).Select(_ => PaperRow.Of("", "", "", "", "", ""))]
                )
            );
        }

        return blocks.Count == 0 ? null : new PaperPart("cupboard", "For the cupboard door", blocks.ToImmutable());
    }

    private static string Day(LocalDate date) => date.ToString("ddd d MMM", CultureInfo.InvariantCulture);
}
