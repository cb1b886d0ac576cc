using System.Globalization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Zymethos.Core.Larder;
using Zymethos.Interchange.Larder;
using Zymethos.Work.Books;
using Zymethos.Work.Larder;

namespace Zymethos.Web.Places.Larder;

/// <summary>How something is bought, as it is typed.</summary>
public sealed class GoodRow
{
    /// <summary>What.</summary>
    public string Name { get; set; } = "";

    /// <summary>Where.</summary>
    public string? Shop { get; set; }

    /// <summary>In which aisle.</summary>
    public string? Aisle { get; set; }

    /// <summary>"250 g, 500 g".</summary>
    public string? Packages { get; set; }

    /// <summary>What one costs.</summary>
    public string? Price { get; set; }

    /// <summary>The aisle where most shops keep it.</summary>
    public string UsualAisle { get; set; } = "";

    /// <summary>Packages in which most shops sell it.</summary>
    public string UsualPackages { get; set; } = "";

    /// <summary>What is wrong with the line; empty where nothing is.</summary>
    public string Wrong { get; set; } = "";
}

/// <summary>How the kitchen buys what its list holds.</summary>
public sealed class GoodsModel(ShopDesk desk, KitchenBook book) : PageModel
{
    /// <summary>The goods, by name.</summary>
    [BindProperty]
    public List<GoodRow> Rows { get; set; } = [];

    /// <summary>What is wrong; empty where nothing is.</summary>
    public string Wrong { get; private set; } = "";

    /// <summary>What became of the last touch; kept over a redirect.</summary>
    [TempData]
    public string? Said { get; set; }

    /// <summary>The page: everything that any recipe of the Book is made of.</summary>
    public async Task OnGetAsync(CancellationToken cancel)
    {
        var shelf = await book.ShelfAsync(cancel);
        var known = await desk.GoodsAsync(cancel);
        Rows =
        [
            .. shelf
                .All.SelectMany(r => r.Parts)
                .SelectMany(p => p.Lines)
                .Select(l => ShopGood.Of(l.Ingredient, shelf.Known.Knowledge))
                .OfType<ShopGood>()
                .DistinctBy(g => g.Name.ToLowerInvariant())
                .OrderBy(g => g.Name, StringComparer.OrdinalIgnoreCase)
                .Take(400)
                .Select(g =>
                {
                    var own = known.GetValueOrDefault(g.Name.ToLowerInvariant());
                    return new GoodRow
                    {
                        Name = g.Name,
                        Shop = own?.Shop,
                        Aisle = own?.Aisle,
                        Packages = own?.Packages is { } sizes ? string.Join(", ", sizes.Select(s => Size(g, s))) : "",
                        Price = own?.Price?.ToString("0.00", CultureInfo.InvariantCulture),
                        UsualAisle = ShopDesk.AisleOf(g.Name, shelf.Known.Knowledge),
                        UsualPackages = string.Join(", ", g.Sizes.Select(s => Size(g, s))),
                    };
                }),
        ];
    }

    /// <summary>Keeps what was typed.</summary>
    public async Task<IActionResult> OnPostAsync(CancellationToken cancel)
    {
        var shelf = await book.ShelfAsync(cancel);
        var known = await desk.GoodsAsync(cancel);
        var changed = new List<ShopGoodDocument>();
        foreach (var row in Rows.Where(r => r.Name.Length is > 0 and <= 120))
        {
            if (ShopGood.Of(row.Name, shelf.Known.Knowledge) is { } good)
            {
                row.UsualAisle = ShopDesk.AisleOf(good.Name, shelf.Known.Knowledge);
                row.UsualPackages = string.Join(", ", good.Sizes.Select(s => Size(good, s)));
            }

            List<double>? sizes = null;
            foreach (
                var text in (row.Packages ?? "").Split([',', ';'], StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries)
            )
            {
                if (StockAmount.Read(text, shelf.Known.Knowledge) is { } read && (read.Grams ?? read.Pieces) is > 0 and var size)
                    (sizes ??= []).Add(size);
                else
                    row.Wrong = $"“{text}” is no package: a weight like 250 g, or a number like 12.";
            }

            decimal? price = null;
            if (!string.IsNullOrWhiteSpace(row.Price))
            {
                if (
                    decimal.TryParse(row.Price.Trim().Replace(',', '.'), NumberStyles.Float, CultureInfo.InvariantCulture, out var read)
                    && read is >= 0 and <= 100_000
                )
                    price = read;
                else
                    row.Wrong = $"“{row.Price}” is no price: write a number, like 2.49.";
            }

            if (row.Wrong.Length > 0)
                continue;
            var before = known.GetValueOrDefault(row.Name.ToLowerInvariant());
            var own = new ShopGoodDocument(row.Name, Words(row.Shop), Words(row.Aisle), sizes, price, before?.Codes);
            var isEmpty = own is { Shop: null, Aisle: null, Packages: null, Price: null };
            if (!(before is null && isEmpty) && !Same(before, own))
                changed.Add(own);
        }

        if (Rows.Exists(r => r.Wrong.Length > 0))
        {
            Wrong = "Something cannot be read; it stands beside its line. Nothing was kept yet.";
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
            return Page();
        }

        foreach (var good in changed)
            await desk.KeepGoodAsync(good, cancel);
        Said = changed.Count == 0 ? "Nothing was changed." : "Kept.";
        return Redirect("/larder/goods");
    }

    private static bool Same(ShopGoodDocument? before, ShopGoodDocument own) =>
        before is not null
        && (before.Shop, before.Aisle, before.Price) == (own.Shop, own.Aisle, own.Price)
        && (before.Packages ?? []).SequenceEqual(own.Packages ?? []);

    private static string? Words(string? text) => string.IsNullOrWhiteSpace(text) ? null : text.Trim()[..Math.Min(60, text.Trim().Length)];

    private static string Size(ShopGood good, double size) =>
        good.Unit == ShopUnit.Pieces ? size.ToString("0", CultureInfo.InvariantCulture) : ShopLine.Weight(size);
}
