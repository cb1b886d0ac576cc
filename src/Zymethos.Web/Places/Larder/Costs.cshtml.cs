using System.Globalization;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Zymethos.Core.Larder;
using Zymethos.Core.Recipes;
using Zymethos.Core.Scaling;
using Zymethos.Planning.Larder;
using Zymethos.Planning.Seasons;
using Zymethos.Work.Books;
using Zymethos.Work.Larder;
using Zymethos.Work.Parcels;
using Zymethos.Work.Seasons;

namespace Zymethos.Web.Places.Larder;

/// <summary>What one bake costs.</summary>
/// <param name="Recipe">The recipe.</param>
/// <param name="Cost">A batch of it.</param>
public sealed record CostRow(Recipe Recipe, BakeCost Cost)
{
    /// <summary>One piece of it.</summary>
    public decimal APiece => Cost.Known / Math.Max(1, Recipe.Yield.Pieces);
}

/// <summary>What a batch, a box and the season cost, as far as prices are known.</summary>
public sealed class CostsModel(ShopDesk desk, KitchenBook book, SeasonDesk seasons, GiftDesk gifts) : PageModel
{
    /// <summary>Every recipe, by name.</summary>
    public IReadOnlyList<CostRow> Rows { get; private set; } = [];

    /// <summary>The season's name and what is still to be made of it; null without one.</summary>
    public (string Name, BakeCost Cost)? Season { get; private set; }

    /// <summary>Everybody's box; empty where none is filled.</summary>
    public IReadOnlyList<(string Name, decimal Cost, bool IsWhole)> Boxes { get; private set; } = [];

    /// <summary>How many goods have a price.</summary>
    public int Priced { get; private set; }

    /// <summary>The page.</summary>
    public async Task OnGetAsync(CancellationToken cancel)
    {
        var shelf = await book.ShelfAsync(cancel);
        var knowledge = shelf.Known.Knowledge;
        var prices = await desk.PricesAsync(knowledge, cancel);
        Priced = prices.Count;
        CostRow Row(Recipe recipe) =>
            new(recipe, BakeCost.Of([.. ShopTrips.Of(RecipeFacts.AsBaked(recipe, knowledge), 1, default)], prices, knowledge));
        Rows = [.. shelf.All.Select(Row)];
        if (await seasons.OpenAsync(null, cancel) is { Plan: { } plan } season)
            Season = (season.Row.Name, BakeCost.Of([.. SeasonPurchases.Wants(season.Wish, plan)], prices, knowledge));
        if (await gifts.OpenAsync(null, cancel) is { } board)
        {
            var own = board.Board.Bakes.Select(b => Row(b.Bake.Recipe)).ToList();
            Boxes =
            [
                .. board
                    .Board.Cells.Where(c => c.Pieces > 0)
                    .GroupBy(c => c.Person)
                    .OrderBy(g => g.Key)
                    .Select(g =>
                        (
                            board.Board.People[g.Key].Name,
                            g.Sum(c => own[c.Bake].APiece * c.Pieces),
                            g.All(c => own[c.Bake].Cost.Unpriced.IsEmpty)
                        )
                    ),
            ];
        }
    }

    /// <summary>Money in the baker's own.</summary>
    public static string Money(decimal sum) => sum.ToString("0.00", CultureInfo.InvariantCulture);

    /// <summary>What a sum leaves out, in a few words; empty for nothing.</summary>
    public static string Without(BakeCost cost) =>
        cost.Unpriced.IsEmpty
            ? ""
            : $"without {string.Join(", ", cost.Unpriced.Take(4))}"
                + (cost.Unpriced.Length > 4 ? $" and {cost.Unpriced.Length - 4} more" : "");
}
