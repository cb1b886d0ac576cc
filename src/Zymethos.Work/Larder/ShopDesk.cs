using System.Collections.Immutable;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using NodaTime.Text;
using Zymethos.Core.Larder;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Documents;
using Zymethos.Interchange.Larder;
using Zymethos.Planning.Larder;
using Zymethos.Planning.Seasons;
using Zymethos.Store;
using Zymethos.Store.Larder;
using Zymethos.Work.Books;
using Zymethos.Work.House;
using Zymethos.Work.Seasons;
using Zymethos.Work.Stock;

namespace Zymethos.Work.Larder;

/// <summary>A line of a trip as its page shows it.</summary>
/// <param name="Key">The name under which it is ticked.</param>
/// <param name="Line">What is bought.</param>
/// <param name="IsIn">Whether it is in the basket.</param>
/// <param name="Shop">Where it is bought; empty for anywhere.</param>
/// <param name="Aisle">In which aisle.</param>
/// <param name="Cost">What it costs; null where no price is known.</param>
public sealed record BasketLine(string Key, ShopLine Line, bool IsIn, string Shop, string Aisle, decimal? Cost);

/// <summary>A trip as its page shows it.</summary>
/// <param name="Date">When.</param>
/// <param name="Lines">What is bought, by shop and aisle.</param>
/// <param name="There">What is wanted and there already.</param>
/// <param name="Warnings">What is not to be had then.</param>
public sealed record BasketTrip(
    LocalDate Date,
    ImmutableArray<BasketLine> Lines,
    ImmutableArray<ShopLine> There,
    ImmutableArray<string> Warnings
);

/// <summary>Everything that is to be bought.</summary>
/// <param name="Trips">The trips, the first first.</param>
/// <param name="Also">What somebody wrote down besides, with the name under which it is ticked.</param>
public sealed record Basket(ImmutableArray<BasketTrip> Trips, ImmutableArray<(string Key, string Words, bool IsIn, Guid Id)> Also)
{
    /// <summary>What planned work takes that is no food, in sentences: baking paper, and the cutters of the cutting sheets that are kept
    /// with its recipes.</summary>
    public ImmutableArray<string> Besides { get; init; } = [];
}

/// <summary>What is to be bought, when, and what is in the basket already.</summary>
public sealed class ShopDesk(ZymethosContext context, KitchenBook book, StockShelf stock, SeasonDesk seasons, IClock clock)
{
    /// <summary>Most days ahead that are shopped for.</summary>
    public const int DaysAhead = 60;

    /// <summary>The list, from the season that stands, the planned days, and what is there.</summary>
    public async Task<Basket> ListAsync(CancellationToken cancel)
    {
        var shelf = await book.ShelfAsync(cancel);
        var today = KitchenClock.At(shelf.Known.Kitchen.Zone, clock.GetCurrentInstant()).Date;
        var there = await stock.AllAsync(shelf, cancel);
        var goods = await context.ShopGoods.AsNoTracking().ToDictionaryAsync(g => g.Name, g => g.Document, cancel);
        var isIn = (await TicksAsync(cancel)).ToHashSet(StringComparer.Ordinal);
        var batches = await BatchesAsync(today, cancel);
        var trips = ShopTrips.Of(Wants(batches), StockShelf.Known(shelf, there, goods.Values), today);
        return new Basket(
            [
                .. trips.Select(t => new BasketTrip(
                    t.Date,
                    [
                        .. t
                            .Lines.Where(l => !l.IsThere)
                            .Select(l =>
                                Line(t.Date, l, goods.GetValueOrDefault(l.Good.Name.ToLowerInvariant()), isIn, shelf.Known.Knowledge)
                            )
                            .OrderBy(l => l.Shop, StringComparer.OrdinalIgnoreCase)
                            .ThenBy(l => l.Aisle, StringComparer.OrdinalIgnoreCase)
                            .ThenBy(l => l.Line.Good.Name, StringComparer.OrdinalIgnoreCase),
                    ],
                    [.. t.Lines.Where(l => l.IsThere)],
                    t.Warnings
                )),
            ],
            [
                .. there
                    .Where(s => s.Row.Document.Kind == "wish")
                    .Select(s => ($"wish {s.Row.Id:N}", s.Row.Name, isIn.Contains($"wish {s.Row.Id:N}"), s.Row.Id)),
            ]
        )
        {
            Besides = await BesidesAsync([.. batches.Where(b => b.By >= today)], cancel),
        };
    }

    /// <summary>What parcels still want besides what is baked: boxes that the shelf does not have, paper and ribbon; in a sentence, empty
    /// where nothing is missing.</summary>
    public async Task<string> WrappingAsync(CancellationToken cancel)
    {
        var boards = await context.GiftBoards.AsNoTracking().Select(b => b.Document).ToListAsync(cancel);
        var waiting = boards.Sum(b => b.People.Count - (b.Handing ?? []).Count(h => h.Wrapped || h.Given is not null));
        if (waiting <= 0)
            return "";
        var shelf = (await context.GiftShelves.AsNoTracking().SingleOrDefaultAsync(cancel))?.Document;
        var there = shelf?.Boxes.Sum(b => b.Count) ?? 0;
        var missing = waiting - there;
        var boxes = waiting == 1 ? "1 box is" : $"{waiting} boxes are";
        return $"{boxes} still to be wrapped: paper between the layers, labels and ribbon for {waiting}"
            + (missing > 0 ? $", and {missing} {(missing == 1 ? "tin or box" : "tins or boxes")} more than there are." : ".");
    }

    /// <summary>Names of the lines that are in the basket. Phones ask for them every few seconds, so the list is not worked out for
    /// that.</summary>
    public Task<List<string>> TicksAsync(CancellationToken cancel) =>
        context.ShopTicks.AsNoTracking().Where(t => t.IsIn).Select(t => t.Line).ToListAsync(cancel);

    /// <summary>Puts lines into the basket or back: of two who say otherwise the later counts, so that a phone that was out of the net
    /// tells its ticks afterwards without undoing later ones.</summary>
    public async Task TickAsync(IReadOnlyList<(string Line, bool IsIn, Instant At)> ticks, CancellationToken cancel)
    {
        var now = clock.GetCurrentInstant();
        foreach (var (line, isIn, said) in ticks.Where(t => t.Line.Length is > 0 and <= 200))
        {
            // A clock that runs ahead would win for ever.
            var at = said > now ? now : said;
            await context.Database.ExecuteSqlAsync(
                $"""
                INSERT INTO shop_ticks ("KitchenId", "Line", "IsIn", "At") VALUES ({context.KitchenId!.Value}, {line}, {isIn}, {at})
                ON CONFLICT ("KitchenId", "Line") DO UPDATE SET "IsIn" = EXCLUDED."IsIn", "At" = EXCLUDED."At"
                WHERE shop_ticks."At" <= EXCLUDED."At"
                """,
                cancel
            );
        }
    }

    /// <summary>What is in the basket comes home: it is on the shelf, and off the list.</summary>
    /// <returns>How many things came home.</returns>
    public async Task<int> HomeAsync(CancellationToken cancel)
    {
        var basket = await ListAsync(cancel);
        var today = LocalDatePattern.Iso.Format(
            KitchenClock.At((await book.ShelfAsync(cancel)).Known.Kitchen.Zone, clock.GetCurrentInstant()).Date
        );
        var home = 0;
        await using var all = await context.Database.BeginTransactionAsync(cancel);
        // Two phones say so at once: the ticks are taken by one of them, and the other finds none.
        var taken = (
            await context
                .Database.SqlQuery<string>(
                    $"""DELETE FROM shop_ticks WHERE "KitchenId" = {context.KitchenId!.Value} AND "IsIn" RETURNING "Line" AS "Value" """
                )
                .ToListAsync(cancel)
        ).ToHashSet(StringComparer.Ordinal);
        foreach (var line in basket.Trips.SelectMany(t => t.Lines).Where(l => taken.Contains(l.Key)))
        {
            var isPiece = line.Line.Good.Unit == ShopUnit.Pieces;
            var bought = line.Line.Packages.IsEmpty ? Math.Ceiling(line.Line.Buy) : line.Line.Packages.Sum(p => p.Size * p.Count);
            if (bought > 0)
                await stock.KeepAsync(
                    new StockDocument(
                        Guid.CreateVersion7().ToString(),
                        line.Line.Good.Name == ShopGood.Eggs ? "egg"
                            : isPiece ? line.Line.Good.Name.TrimEnd('s')
                            : line.Line.Good.Name,
                        Grams: isPiece ? null : bought,
                        Pieces: isPiece ? (int)bought : null,
                        Since: today
                    ),
                    cancel
                );
            home++;
        }

        foreach (var wish in basket.Also.Where(a => taken.Contains(a.Key)))
        {
            await stock.DeleteAsync(wish.Id, cancel);
            home++;
        }

        await all.CommitAsync(cancel);
        return home;
    }

    /// <summary>What planned work wants, from the season that stands and the planned days.</summary>
    public async Task<IReadOnlyList<ShopWant>> WantsAsync(CancellationToken cancel)
    {
        var shelf = await book.ShelfAsync(cancel);
        return Wants(await BatchesAsync(KitchenClock.At(shelf.Known.Kitchen.Zone, clock.GetCurrentInstant()).Date, cancel));
    }

    /// <summary>How something is bought here.</summary>
    public async Task KeepGoodAsync(ShopGoodDocument good, CancellationToken cancel)
    {
        var name = good.Name.ToLowerInvariant();
        if (await context.ShopGoods.SingleOrDefaultAsync(g => g.Name == name, cancel) is { } row)
            row.Document = good;
        else
            context.ShopGoods.Add(new ShopGoodRow { Name = name, Document = good });
        await context.SaveChangesAsync(cancel);
    }

    /// <summary>How goods are bought here, by name in lower case.</summary>
    public async Task<IReadOnlyDictionary<string, ShopGoodDocument>> GoodsAsync(CancellationToken cancel) =>
        await context.ShopGoods.AsNoTracking().ToDictionaryAsync(g => g.Name, g => g.Document, cancel);

    /// <summary>Prices of the kitchen, by the name of the good.</summary>
    public async Task<IReadOnlyDictionary<string, GoodPrice>> PricesAsync(IngredientKnowledge knowledge, CancellationToken cancel) =>
        (await GoodsAsync(cancel))
            .Values.Where(g => g.Price is not null)
            .Select(g => (Own: g, Good: ShopGood.Of(g.Name, knowledge)))
            // Goods stand under the name that the shop has for them: "eggs" and "lemons" are no ingredients themselves.
            .ToDictionary(
                g => g.Own.Name,
                g => GoodPrice.Of(g.Good ?? new ShopGood(g.Own.Name, ShopUnit.Packages, 0, []), g.Own.Packages, g.Own.Price!.Value),
                StringComparer.OrdinalIgnoreCase
            );

    private static List<ShopWant> Wants(IEnumerable<PlannedBatch> batches) =>
        [.. batches.SelectMany(b => ShopTrips.Of(b.Recipe, b.Batches, b.By))];

    /// <summary>Everything that is planned and not begun: the season's bakes, and those of planned days that are not the
    /// season's.</summary>
    private async Task<List<PlannedBatch>> BatchesAsync(LocalDate today, CancellationToken cancel)
    {
        var batches = new List<PlannedBatch>();
        if (await seasons.OpenAsync(null, cancel) is { Plan: { } plan } season)
            batches.AddRange(SeasonPurchases.Bakes(season.Wish, plan));
        var planned = batches.Select(b => (b.By, b.Recipe.Name)).ToHashSet();
        var days = await context
            .OvenDays.AsNoTracking()
            .Where(d => d.Date >= today && d.Date <= today.PlusDays(DaysAhead))
            .Select(d => new { d.Date, d.Document })
            .ToListAsync(cancel);
        foreach (var day in days)
        {
            foreach (var bake in day.Document.Bakes.Where(b => b.Recipe is not null))
            {
                var recipe = ChosenRecipe.Of(new DocumentReader().Read(bake.Recipe!, "recipe"));
                // A day that was opened from the season holds the season's own bakes.
                if (!planned.Contains((day.Date, recipe.Name)))
                    batches.Add(new PlannedBatch(recipe, bake.Batches, day.Date));
            }
        }

        return batches;
    }

    private async Task<ImmutableArray<string>> BesidesAsync(List<PlannedBatch> batches, CancellationToken cancel)
    {
        var keys = batches.Select(b => b.Recipe.Key).Distinct().ToList();
        var sheets = await context
            .Sheets.AsNoTracking()
            .Where(s => keys.Contains(s.Recipe) && s.Address.StartsWith("/workshop/cutting?"))
            .Select(s => new { s.Recipe, s.Address })
            .ToListAsync(cancel);
        return
        [
            .. new[] { batches.Aggregate(BakingPaper.None, (p, b) => p + BakingPaper.Of(b.Recipe, b.Batches)).Words }.Where(w =>
                w.Length > 0
            ),
            .. sheets
                .Select(s => (batches.First(b => b.Recipe.Key == s.Recipe).Recipe.Name, Cutters: NamedCutters.Of(s.Address)))
                .Where(s => s.Cutters.Length > 0)
                .Select(s => $"Cutters for {s.Name}: {s.Cutters}."),
        ];
    }

    private static BasketLine Line(
        LocalDate date,
        ShopLine line,
        ShopGoodDocument? good,
        HashSet<string> isIn,
        IngredientKnowledge knowledge
    )
    {
        var key = $"{LocalDatePattern.Iso.Format(date)} {line.Good.Name}";
        return new BasketLine(
            key,
            line,
            isIn.Contains(key),
            good?.Shop ?? "",
            good?.Aisle ?? AisleOf(line.Good.Name, knowledge),
            good?.Price is { } price
                ? GoodPrice
                    .Of(line.Good, good.Packages, price)
                    .For(line.Packages.IsEmpty ? line.Buy : line.Packages.Sum(p => p.Size * p.Count))
                : null
        );
    }

    /// <summary>Where most shops keep it, until the baker says otherwise.</summary>
    public static string AisleOf(string good, IngredientKnowledge knowledge) =>
        good == ShopGood.Eggs
            ? "Cold"
            : knowledge.Meant(good)?.Role switch
            {
                IngredientRole.Flour or IngredientRole.Cereal or IngredientRole.Leavener or IngredientRole.Yeast => "Baking",
                IngredientRole.Sweetener or IngredientRole.Cocoa or IngredientRole.Salt or IngredientRole.Extract => "Baking",
                IngredientRole.Spice => "Spices",
                IngredientRole.Dairy or IngredientRole.Egg => "Cold",
                IngredientRole.Fat => good.Contains("oil", StringComparison.OrdinalIgnoreCase) ? "Oils" : "Cold",
                IngredientRole.Spirit => "Drinks",
                IngredientRole.Inclusion => "Nuts and dried fruit",
                _ => "Everything else",
            };
}
