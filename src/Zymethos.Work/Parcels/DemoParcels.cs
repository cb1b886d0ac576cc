using Microsoft.EntityFrameworkCore;
using Zymethos.Interchange.Demo;
using Zymethos.Interchange.Parcels;
using Zymethos.Store;
using Zymethos.Store.Parcels;
using Zymethos.Work.House;

namespace Zymethos.Work.Parcels;

/// <summary>Puts the demo kitchen's people, their boxes and who gets what onto its shelf.</summary>
public sealed class DemoParcels(ZymethosContext context, NodaTime.IClock clock)
{
    /// <summary>Writes them, unless anybody is written down already. The season has to be there first.</summary>
    public async Task WriteAsync(CancellationToken cancel)
    {
        if (await context.People.AnyAsync(cancel) || await context.GiftBoards.AnyAsync(cancel))
            return;
        context.People.AddRange(
            DemoPeople.All.Select(p => new RecipientRow
            {
                // Ids of the demo's people are the same in every demo kitchen, and rows of two kitchens may not share one.
                Id = Own(p.Id),
                Name = p.Name,
                Document = RecipientText.Write(p with { Id = Own(p.Id) }),
            })
        );
        if (!await context.GiftShelves.AnyAsync(cancel))
            context.GiftShelves.Add(new GiftShelfRow { Document = DemoPeople.Shelf });
        const string occasion = "Library parcels";
        if (
            await context.Seasons.AsNoTracking().OrderByDescending(s => s.MadeAt).FirstOrDefaultAsync(cancel) is { } season
            && season.Sheet.Needs.Any(n => n.Occasion == occasion)
        )
        {
            context.GiftBoards.Add(
                new GiftBoardRow
                {
                    Id = Guid.CreateVersion7(),
                    Name = occasion,
                    MadeAt = clock.GetCurrentInstant(),
                    Document = new BoardDocument(
                        occasion,
                        [.. DemoPeople.All.Select(p => Own(p.Id).ToString())],
                        [
                            .. season
                                .Sheet.Needs.Where(n => n.Occasion == occasion)
                                .Select(
                                    (n, i) =>
                                        new BoardBakeDocument(
                                            $"b{i + 1}",
                                            n.Recipe,
                                            Choices: n.Choices,
                                            Made: n.Pieces,
                                            Colour: Colours.GetValueOrDefault(n.Recipe)
                                        )
                                ),
                        ],
                        new BoardRulesDocument(5, 12, 4),
                        [],
                        Season: season.Id.ToString(),
                        Occasion: occasion
                    ),
                }
            );
        }

        await context.SaveChangesAsync(cancel);
    }

    private static readonly Dictionary<string, string> Colours = new(StringComparer.Ordinal)
    {
        ["cellar-fruit-cake"] = "dark",
        ["window-shapes"] = "white",
        ["plum-street-butters"] = "golden",
        ["orchard-almond-slices"] = "brown",
        ["coal-cellar-buttons"] = "black",
    };

    private Guid Own(Guid id) => OwnId.Of(context.KitchenId!.Value, id);
}
