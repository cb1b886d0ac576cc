using NodaTime;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Documents;
using Zymethos.Paper;
using Zymethos.Planning.Seasons;
using Zymethos.Work.Books;
using Zymethos.Work.Daybooks;
using Zymethos.Work.House;
using Zymethos.Work.Larder;
using Zymethos.Work.OvenDays;
using Zymethos.Work.Parcels;
using Zymethos.Work.Seasons;

namespace Zymethos.Web.Places.Paper;

/// <summary>A part that can be printed, by name.</summary>
/// <param name="Key">Its name in addresses.</param>
/// <param name="Name">What it is called.</param>
/// <param name="What">What it is, in a sentence.</param>
public sealed record PaperKind(string Key, string Name, string What);

/// <summary>Brings together what is printed: every part of it alone, or all as one.</summary>
public sealed class PaperDesk(
    KitchenBook book,
    SeasonDesk seasons,
    OpenDay days,
    ShopDesk shop,
    GiftDesk gifts,
    GiftLabels labels,
    BoxShelf boxes,
    CakeDiary cakes,
    StarterDiary starter,
    IClock clock
)
{
    /// <summary>Everything there is, in the order in which it is bound.</summary>
    public static IReadOnlyList<PaperKind> Kinds { get; } =
    [
        new("season", "The season on a page", "Every bake as a line toward its day, across the sheet."),
        new("week", "Week by week", "A page a week: day, hour, what, how much, with boxes to tick."),
        new("sheet", "Run sheet", "One Oven Day, minute by minute, with what is in the oven and what to watch."),
        new("cards", "Recipe cards", "Each recipe at the scale at which it is baked."),
        new("shopping", "Shopping list", "Trip by trip, by shop and aisle."),
        new("cupboard", "For the cupboard door", "Cakes to feed, the starter's feeds, and lines to write on."),
        new("boxes", "Box plans", "How each box is packed, drawn to scale."),
        new("labels", "Labels for the boxes", "Four on a sheet, true to size."),
        new("kinds", "Labels for each kind", "Eight on a sheet, true to size."),
        new("tags", "Tags", "Ten on a sheet, with a place for the ribbon."),
        new("addresses", "Address labels", "Fourteen on a sheet, for those whose address is known."),
        new("gift-cards", "Recipe cards for the parcels", "One batch each, to go along with the box."),
        new("delivery", "Delivery list", "By day and way, with what each must not have."),
    ];

    /// <summary>The paper that is chosen, or that this kitchen uses.</summary>
    public async Task<PaperSize> SizeAsync(PaperChoice choice, CancellationToken cancel) =>
        choice.Size
        ?? ((await book.ShelfAsync(cancel)).Known.Kitchen.Habit == MeasuringHabit.UsCustomary ? PaperSize.Letter : PaperSize.A4);

    /// <summary>A part; null where there is nothing to print of it.</summary>
    /// <param name="key">Its name.</param>
    /// <param name="choice">Of which season, board and day.</param>
    /// <param name="cancel">Stops.</param>
    public async Task<PaperPart?> PartAsync(string key, PaperChoice choice, CancellationToken cancel)
    {
        var shelf = await book.ShelfAsync(cancel);
        return key switch
        {
            "season" => await seasons.OpenAsync(choice.Season, cancel) is { } season ? SeasonPart.Of(season) : null,
            "week" => await seasons.OpenAsync(choice.Season, cancel) is { } season ? WeekPart.Of(season) : null,
            "sheet" => await SheetAsync(choice, shelf, cancel),
            "cards" => CardsPart.Of(await BakesAsync(choice, cancel), shelf.Known),
            "shopping" => ShoppingPart.Of(await shop.ListAsync(cancel)),
            "cupboard" => await CupboardAsync(choice, shelf, cancel),
            _ => await gifts.OpenAsync(choice.Board, cancel) is { } view ? await OfBoardAsync(key, view, choice, shelf, cancel) : null,
        };
    }

    /// <summary>The parts that are chosen, those with something on them.</summary>
    public async Task<IReadOnlyList<PaperPart>> PartsAsync(PaperChoice choice, CancellationToken cancel)
    {
        var parts = new List<PaperPart>();
        foreach (var kind in Kinds.Where(k => choice.Parts.Count == 0 || choice.Parts.Contains(k.Key)))
        {
            if (await PartAsync(kind.Key, choice, cancel) is { } part)
                parts.Add(part);
        }

        return parts;
    }

    private async Task<PaperPart?> OfBoardAsync(
        string key,
        BoardView view,
        PaperChoice choice,
        BookShelf shelf,
        CancellationToken cancel
    ) =>
        key switch
        {
            "labels" => ParcelParts.Labels(await labels.OfAsync(view, new LabelChoice(Language: choice.Words), cancel), false),
            "kinds" => ParcelParts.Labels(await labels.OfAsync(view, new LabelChoice(true, Language: choice.Words), cancel), true),
            "tags" => ParcelParts.Tags(view, await labels.OfAsync(view, new LabelChoice(Language: choice.Words), cancel)),
            "addresses" => ParcelParts.Addresses(view),
            "boxes" => ParcelParts.Boxes(view, (await boxes.ReadAsync(cancel)).Shelf),
            "delivery" => ParcelParts.Delivery(view, shelf.Known.Kitchen.Says, await UsualAsync(view, cancel)),
            "gift-cards" => CardsPart.ForParcels(
                [.. view.Board.Cells.Where(c => c.Pieces > 0).Select(c => view.Board.Bakes[c.Bake].Bake.Recipe).DistinctBy(r => r.Key)],
                shelf.Known,
                await SizeAsync(choice, cancel)
            ),
            _ => null,
        };

    private async Task<LocalDateTime?> UsualAsync(BoardView view, CancellationToken cancel) =>
        Guid.TryParse(view.Row.Document.Season, out var id) && await seasons.OpenAsync(id, cancel) is { } season
            ? season.Wish.Occasions.FirstOrDefault(o => o.Name == view.Row.Document.Occasion)?.ReadyBy
            : null;

    private async Task<PaperPart?> SheetAsync(PaperChoice choice, BookShelf shelf, CancellationToken cancel) =>
        await days.StandingAsync(choice.Date, Today(shelf), cancel) is { Day: { } day } standing
            ? RunSheetPart.Of(day, standing.Row.Date)
            : null;

    private async Task<PaperPart?> CupboardAsync(PaperChoice choice, BookShelf shelf, CancellationToken cancel)
    {
        var fed = await cakes.CakesAsync(shelf.All, Today(shelf) - CakeDiary.LookedAfter, cancel);
        var feeds = (await seasons.OpenAsync(choice.Season, cancel))?.Touches.Where(t => t.Kind == SeasonTouchKind.Feed) ?? [];
        return CupboardPart.Of(fed, [.. feeds], shelf.Known.Kitchen.Says, (await starter.RefreshesAsync(cancel)).Count > 0);
    }

    /// <summary>The bakes of the season that are still to be made; without a season those of the day. Each is the recipe as it is baked
    /// there: its ways chosen and its swaps taken, which the Book itself may not have.</summary>
    private async Task<IReadOnlyList<(Recipe Recipe, double Batches)>> BakesAsync(PaperChoice choice, CancellationToken cancel)
    {
        IEnumerable<(Recipe Recipe, double Batches)> bakes = await seasons.OpenAsync(choice.Season, cancel) is { Plan: { } plan } season
            ? plan
                .Placed.Where(p => !p.IsDone)
                .Select(p => p.Lot)
                .Distinct()
                .Select(l => (season.Wish.Needs[plan.Lots[l].Need].Recipe, plan.Lots[l].Batches.Batches))
            : (await days.StandingAsync(choice.Date, Today(await book.ShelfAsync(cancel)), cancel))
                ?.Row.Document.Bakes.Where(b => b.Recipe is not null)
                .Select(b => (new DocumentReader().Read(b.Recipe!, "recipe"), (double)b.Batches)) ?? [];
        return
        [
            .. bakes
                .GroupBy(b => (b.Recipe.Key, Ways: string.Join(' ', b.Recipe.Choices.Select(c => $"{c.Key}={c.Chosen}"))))
                .Select(g => (g.First().Recipe, g.Sum(b => b.Batches)))
                .OrderBy(b => b.Recipe.Name, StringComparer.OrdinalIgnoreCase),
        ];
    }

    private LocalDate Today(BookShelf shelf) => KitchenClock.At(shelf.Known.Kitchen.Zone, clock.GetCurrentInstant()).Date;
}
