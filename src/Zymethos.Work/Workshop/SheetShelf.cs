using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Store;
using Zymethos.Store.Workshop;

namespace Zymethos.Work.Workshop;

/// <summary>Pages of the Workshop that are kept with the kitchen's recipes.</summary>
public sealed class SheetShelf(ZymethosContext context, IClock clock)
{
    /// <summary>The most that one recipe keeps.</summary>
    public const int MostOfRecipe = 12;

    /// <summary>The longest address that is kept.</summary>
    public const int LongestAddress = 2000;

    private const int LongestSaying = 400;

    /// <summary>What is kept with a recipe, the latest first.</summary>
    public async Task<IReadOnlyList<SheetRow>> OfAsync(string recipe, CancellationToken cancel) =>
        await context.Sheets.AsNoTracking().Where(s => s.Recipe == recipe).OrderByDescending(s => s.KeptAt).ToListAsync(cancel);

    /// <summary>All that is kept in the kitchen, the latest first.</summary>
    public async Task<IReadOnlyList<SheetRow>> AllAsync(CancellationToken cancel) =>
        await context.Sheets.AsNoTracking().OrderByDescending(s => s.KeptAt).Take(500).ToListAsync(cancel);

    /// <summary>Keeps a page with a recipe; the same page again is kept once.</summary>
    /// <param name="recipe">Key of the recipe.</param>
    /// <param name="address">Path and query of the page.</param>
    /// <param name="title">What it is called.</param>
    /// <param name="says">What it says.</param>
    /// <param name="cancel">Stops.</param>
    /// <returns>Why it is not kept, in a sentence; empty where it is.</returns>
    public async Task<string> KeepAsync(string recipe, string address, string title, string says, CancellationToken cancel)
    {
        if (!IsOurs(address))
            return "Only pages of the Workshop are kept with a recipe.";
        if (address.Length > LongestAddress)
            return "So much was typed that it cannot be kept: take fewer lines.";
        if (!await context.Recipes.AnyAsync(r => r.Key == recipe, cancel))
            return "Choose the recipe to keep it with.";
        var kept = await context.Sheets.Where(s => s.Recipe == recipe).ToListAsync(cancel);
        var row = kept.FirstOrDefault(s => s.Address == address);
        if (row is null)
        {
            if (kept.Count >= MostOfRecipe)
                return $"A recipe keeps up to {MostOfRecipe} pages of the Workshop: take one off first.";
            context.Sheets.Add(row = new SheetRow { Id = Guid.CreateVersion7(), Recipe = recipe });
        }

        (row.Address, row.Title, row.Says) = (address, Cut(title, 120), Cut(says, LongestSaying));
        row.KeptAt = clock.GetCurrentInstant();
        await context.SaveChangesAsync(cancel);
        return "";
    }

    /// <summary>Takes a page off; false where there is none.</summary>
    public async Task<bool> RemoveAsync(Guid id, CancellationToken cancel) =>
        await context.Sheets.Where(s => s.Id == id).ExecuteDeleteAsync(cancel) > 0;

    // A path of this house alone: no other host, no way up, nothing that a browser would read another way.
    private static bool IsOurs(string address) =>
        address.StartsWith("/workshop/", StringComparison.Ordinal)
        && !address.Contains("..", StringComparison.Ordinal)
        && !address.Any(c => c is '\\' or '<' or '>' or '"' || char.IsControl(c));

    private static string Cut(string text, int most)
    {
        var trimmed = (text ?? "").Trim();
        return trimmed.Length <= most ? trimmed : trimmed[..most];
    }
}
