using System.Collections.Immutable;
using NodaTime;
using Zymethos.Core.Recipes;
using Zymethos.Core.Scaling;
using Zymethos.Work.Books;
using Zymethos.Work.Stock;

namespace Zymethos.Work.Larder;

/// <summary>A bake that something is missing for, and what can be taken instead.</summary>
/// <param name="Recipe">The recipe.</param>
/// <param name="By">The day it is wanted on; null for one that is not planned.</param>
/// <param name="Grams">How much it wants; null for a line without a weight.</param>
/// <param name="CanDoWithout">Whether the recipe itself calls it optional.</param>
/// <param name="Swaps">What the Book knows to take instead, with what that changes and where it is from.</param>
public sealed record TouchedBake(
    Recipe Recipe,
    LocalDate? By,
    double? Grams,
    bool CanDoWithout,
    ImmutableArray<(string Instead, string Changes, string Source)> Swaps
);

/// <summary>What to do when something is not there.</summary>
public static class MissingGood
{
    /// <summary>The bakes that it touches: those that are planned first, by day, then the rest of the Book.</summary>
    /// <param name="ingredient">What is missing.</param>
    /// <param name="planned">What is wanted for planned work.</param>
    /// <param name="shelf">The Book.</param>
    public static IReadOnlyList<TouchedBake> Of(string ingredient, IReadOnlyList<Core.Larder.ShopWant> planned, BookShelf shelf)
    {
        var name = StockShelf.Name(ingredient, shelf.Known.Knowledge);
        var days = planned
            .Where(w => StockShelf.Name(w.Ingredient, shelf.Known.Knowledge) == name)
            .GroupBy(w => w.For)
            .ToDictionary(g => g.Key, g => g.Min(w => w.By), StringComparer.Ordinal);
        return
        [
            .. shelf
                .All.Select(r => One(r, name, days.TryGetValue(r.Name, out var by) ? by : null, shelf))
                .OfType<TouchedBake>()
                .OrderBy(t => t.By ?? LocalDate.MaxIsoValue)
                .ThenBy(t => t.Recipe.Name, StringComparer.OrdinalIgnoreCase),
        ];
    }

    private static TouchedBake? One(Recipe recipe, string name, LocalDate? by, BookShelf shelf)
    {
        var knowledge = shelf.Known.For(recipe);
        var chosen = ChosenRecipe.Of(recipe);
        var lines = chosen.Parts.SelectMany(p => p.Lines).Where(l => StockShelf.Name(l.Ingredient, knowledge) == name).ToList();
        if (lines.Count == 0)
            return null;
        return new TouchedBake(
            recipe,
            by,
            lines.Any(l => l.Weight is not null) ? lines.Sum(l => l.Weight?.Grams ?? 0) : null,
            lines.TrueForAll(l => l.IsOptional),
            [
                .. lines
                    .SelectMany(l => SwappedRecipe.RulesFor(chosen, l, knowledge))
                    .DistinctBy(r => r.Key)
                    .Where(r => r.To.Length > 0)
                    .Select(r => (string.Join(" and ", r.To.Select(t => t.Ingredient)), r.Changes, r.Source)),
            ]
        );
    }
}
