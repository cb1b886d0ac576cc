using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Documents;
using Zymethos.Store;
using Zymethos.Store.Books;
using Zymethos.Work.Books;
using Zymethos.Work.House;

namespace Zymethos.Web.Places.Book;

/// <summary>Every saved version of a recipe: compared, and brought back.</summary>
public sealed class VersionsModel(ZymethosContext context, KitchenBook book) : PageModel
{
    /// <summary>Key of the recipe.</summary>
    public string Key { get; private set; } = "";

    /// <summary>Its name, from the latest version.</summary>
    public string Name { get; private set; } = "";

    /// <summary>Whether it is in the Book now.</summary>
    public bool IsInBook { get; private set; }

    /// <summary>The versions, the latest first.</summary>
    public IReadOnlyList<RecipeVersionRow> Versions { get; private set; } = [];

    /// <summary>The version that is compared, and the one it is compared with; null when none is asked for.</summary>
    public (RecipeVersionRow Old, RecipeVersionRow New)? Compared { get; private set; }

    /// <summary>What is different.</summary>
    public IReadOnlyList<RecipeChange> Changes { get; private set; } = [];

    /// <summary>What became of the last touch; kept over a redirect.</summary>
    [TempData]
    public string? Said { get; set; }

    /// <summary>The versions, and two of them side by side.</summary>
    public async Task<IActionResult> OnGetAsync(string key, int? old, int? with, CancellationToken cancel)
    {
        Key = key;
        var row = await book.FindAsync(key, cancel);
        IsInBook = row is not null;
        ViewData[Seen.Field] = Seen.Of(key, row);
        Versions = await context
            .RecipeVersions.AsNoTracking()
            .Where(v => v.Key == key)
            .OrderByDescending(v => v.Number)
            .Take(200)
            .ToListAsync(cancel);
        if (row is null && Versions.Count == 0)
            return NotFound();
        Name = row?.Name ?? Versions[0].Document.Name;
        var before = Versions.FirstOrDefault(v => v.Number == old);
        var after = Versions.FirstOrDefault(v => v.Number == with) ?? Versions.FirstOrDefault();
        if (before is not null && after is not null)
        {
            Compared = (before, after);
            Changes = RecipeDifference.Between(Read(before), Read(after));
        }

        return Page();
    }

    /// <summary>Brings a version back, as a new one.</summary>
    public async Task<IActionResult> OnPostAsync(string key, int number, CancellationToken cancel)
    {
        if (
            await context.RecipeVersions.AsNoTracking().SingleOrDefaultAsync(v => v.Key == key && v.Number == number, cancel)
            is not { } version
        )
            return NotFound();
        if (await book.ConflictAsync(key, Request.Form[Seen.Field].FirstOrDefault(), cancel) is { Length: > 0 } quicker)
        {
            Said = $"{quicker} {KitchenBook.NotKept}";
            return RedirectToPage(new { key });
        }

        await book.SaveAsync(Read(version) with { Key = key }, $"Version {number} brought back", false, cancel);
        return Redirect($"/book/{key}");
    }

    private static Recipe Read(RecipeVersionRow row) => new DocumentReader().Read(row.Document, "recipe");
}
