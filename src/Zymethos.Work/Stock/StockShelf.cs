using System.Collections.Immutable;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using NodaTime.Text;
using Zymethos.Core.Larder;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Larder;
using Zymethos.Planning.Larder;
using Zymethos.Store;
using Zymethos.Store.Larder;
using Zymethos.Work.Books;

namespace Zymethos.Work.Stock;

/// <summary>Something in the house with what is left of it.</summary>
/// <param name="Row">Its row.</param>
/// <param name="Used">Grams that bakes have taken of it since it was counted.</param>
/// <param name="Left">Grams that are left; null for what is counted.</param>
public sealed record StockLeft(StockRow Row, double Used, double? Left)
{
    /// <summary>Its date; null for what has none.</summary>
    public LocalDate? BestBy => Row.Document.BestBy is { } date ? LocalDatePattern.Iso.Parse(date).Value : null;
}

/// <summary>What is in the house.</summary>
public sealed class StockShelf(ZymethosContext context)
{
    /// <summary>Most things of a kitchen.</summary>
    public const int Most = 2000;

    /// <summary>Kinds of things.</summary>
    public static IReadOnlyList<string> Kinds { get; } = ["ingredient", "bake", "dough", "soak", "starter", "wish"];

    /// <summary>Everything with what is left of it: what was used at the Bench since it was counted is no longer there.</summary>
    public async Task<IReadOnlyList<StockLeft>> AllAsync(BookShelf shelf, CancellationToken cancel)
    {
        var rows = await context.Stock.AsNoTracking().OrderBy(s => s.Name).Take(Most).ToListAsync(cancel);
        var since = rows.Select(r => r.Document.Since).OfType<string>().Min(StringComparer.Ordinal);
        var bakes = since is null
            ? []
            : (
                await context
                    .PastBakes.AsNoTracking()
                    .Where(b => b.Date >= LocalDatePattern.Iso.Parse(since).Value && b.SessionId != null)
                    .ToListAsync(cancel)
            ).ConvertAll(b => (b.Date, Used: Used(b.Document, shelf)));
        var left = new List<StockLeft>();
        foreach (var good in rows.GroupBy(r => Name(r.Name, shelf.Known.Knowledge)))
        {
            // What is used up first is what is good for the shortest time.
            var taken = new Dictionary<LocalDate, double>();
            foreach (var (date, used) in bakes.Where(b => b.Used.ContainsKey(good.Key)))
                taken[date] = taken.GetValueOrDefault(date) + used[good.Key];
            foreach (var row in good.OrderBy(r => r.Document.BestBy ?? "9"))
            {
                if (row.Document is not { Kind: "ingredient", Grams: { } grams, Since: { } from })
                {
                    left.Add(new StockLeft(row, 0, row.Document.Grams));
                    continue;
                }

                var mine = 0.0;
                foreach (var date in taken.Keys.Where(d => d >= LocalDatePattern.Iso.Parse(from).Value).Order().ToList())
                {
                    var take = Math.Min(grams - mine, taken[date]);
                    (mine, taken[date]) = (mine + take, taken[date] - take);
                }

                left.Add(new StockLeft(row, mine, grams - mine));
            }
        }

        return [.. left.OrderBy(l => l.BestBy ?? LocalDate.MaxIsoValue).ThenBy(l => l.Row.Name, StringComparer.OrdinalIgnoreCase)];
    }

    /// <summary>What is there for the shopping list.</summary>
    public static IReadOnlyList<OnHand> OnHand(IEnumerable<StockLeft> stock) =>
        [
            .. stock
                .Where(s => s.Row.Document.Kind == "ingredient" && (s.Left > 0 || s.Row.Document.Pieces > 0))
                .Select(s => new OnHand(s.Row.Name, s.Left, s.Row.Document.Pieces, s.BestBy)),
        ];

    /// <summary>What the list of things to buy has to know of the kitchen.</summary>
    public async Task<ShopKnown> KnownAsync(BookShelf shelf, CancellationToken cancel) =>
        Known(shelf, await AllAsync(shelf, cancel), await context.ShopGoods.AsNoTracking().Select(g => g.Document).ToListAsync(cancel));

    /// <summary>The same, of what is read already.</summary>
    internal static ShopKnown Known(BookShelf shelf, IEnumerable<StockLeft> there, IEnumerable<ShopGoodDocument> goods) =>
        new(
            shelf.Known.Knowledge,
            [.. OnHand(there)],
            goods
                .Where(g => g.Packages is { Count: > 0 })
                .ToDictionary(g => g.Name, g => g.Packages!.ToImmutableArray(), StringComparer.OrdinalIgnoreCase)
        );

    /// <summary>Puts something on the shelf, or changes it.</summary>
    /// <returns>What is wrong, in a sentence; empty when it was kept.</returns>
    public async Task<string> KeepAsync(StockDocument thing, CancellationToken cancel)
    {
        if (Wrong(thing) is { Length: > 0 } wrong)
            return wrong;
        var id = Guid.Parse(thing.Id);
        if (await context.Stock.SingleOrDefaultAsync(s => s.Id == id, cancel) is { } row)
            (row.Name, row.Document) = (thing.Name, thing);
        else if (await context.Stock.CountAsync(cancel) >= Most)
            return $"A larder holds up to {Most} things.";
        else
            context.Stock.Add(
                new StockRow
                {
                    Id = id,
                    Name = thing.Name,
                    Document = thing,
                }
            );
        await context.SaveChangesAsync(cancel);
        return "";
    }

    /// <summary>Takes something off the shelf.</summary>
    /// <returns>Its name; empty when it was gone already.</returns>
    public async Task<string> DeleteAsync(Guid id, CancellationToken cancel)
    {
        if (await context.Stock.SingleOrDefaultAsync(s => s.Id == id, cancel) is not { } row)
            return "";
        context.Stock.Remove(row);
        await context.SaveChangesAsync(cancel);
        return row.Name;
    }

    /// <summary>What is wrong with a thing, in a sentence; empty where nothing is.</summary>
    public static string Wrong(StockDocument thing) =>
        !Guid.TryParse(thing.Id, out _) ? "An id is a UUID."
        : string.IsNullOrWhiteSpace(thing.Name) || thing.Name.Length > 120 ? "Say what it is, in up to 120 characters."
        : !Kinds.Contains(thing.Kind) ? $"A kind is one of {string.Join(", ", Kinds)}."
        : thing.Grams is not (null or (>= 0 and <= 1_000_000)) ? "A weight is 0 to 1,000,000 g."
        : thing.Pieces is not (null or (>= 0 and <= 100_000)) ? "A number of pieces is 0 to 100,000."
        : thing.BestBy is { } date && !LocalDatePattern.Iso.Parse(date).Success ? "A date is written like 2026-12-24."
        : thing.Since is { } since && !LocalDatePattern.Iso.Parse(since).Success ? "A date is written like 2026-12-24."
        : (thing.Note?.Length ?? 0) > 500 || (thing.Place?.Length ?? 0) > 80 ? "A note has up to 500 characters, a place 80."
        : "";

    /// <summary>The name by which goods are told to be the same.</summary>
    public static string Name(string ingredient, IngredientKnowledge knowledge) =>
        (knowledge.Meant(ingredient)?.Name ?? ingredient.Trim()).ToLowerInvariant();

    /// <summary>Grams that a bake took, by good: what was weighed at the Bench, else what its recipe says.</summary>
    private static Dictionary<string, double> Used(Interchange.Documents.PastBakeDocument bake, BookShelf shelf)
    {
        var used = new Dictionary<string, double>(StringComparer.Ordinal);
        var knowledge = shelf.Known.Knowledge;
        if (shelf.All.FirstOrDefault(r => r.Key == bake.Recipe) is { } recipe)
        {
            foreach (var line in ChosenRecipe.Of(recipe).Parts.SelectMany(p => p.Lines).Where(l => l.Weight is not null))
            {
                var name = Name(line.Ingredient, knowledge);
                used[name] = used.GetValueOrDefault(name) + (line.Weight!.Value.Grams * bake.Batches);
            }
        }

        foreach (var told in (bake.Used ?? new Dictionary<string, double>()).GroupBy(u => Name(u.Key, knowledge)))
            used[told.Key] = told.Sum(u => u.Value);
        return used;
    }
}
