using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Scaling;
using Zymethos.Store;
using Zymethos.Store.Books;
using Zymethos.Web.Drawing;
using Zymethos.Work.Books;

namespace Zymethos.Web.Places.Book;

/// <summary>The Book: every recipe of the kitchen, and what is being written.</summary>
public sealed class IndexModel(ZymethosContext context, KitchenBook book) : PageModel
{
    private MeasuringHabit _habit;

    /// <summary>How the kitchen says heats.</summary>
    public KitchenSays Says { get; private set; }

    /// <summary>What is looked for.</summary>
    [BindProperty(SupportsGet = true)]
    public BookFilter Filter { get; set; } = new();

    /// <summary>The recipes that are found, with their choices made, by name.</summary>
    public IReadOnlyList<Recipe> Recipes { get; private set; } = [];

    /// <summary>How many the Book has.</summary>
    public int Count { get; private set; }

    /// <summary>What is being written.</summary>
    public IReadOnlyList<RecipeDraftRow> Drafts { get; private set; } = [];

    /// <summary>Kinds that the Book has.</summary>
    public IReadOnlyList<RecipeKind> Kinds { get; private set; } = [];

    /// <summary>Reads the Book.</summary>
    public async Task<IActionResult> OnGetAsync(CancellationToken cancel)
    {
        var shelf = await book.ShelfAsync(cancel);
        var (known, all) = (shelf.Known, shelf.All);
        (_habit, Says) = (known.Kitchen.Habit, known.Kitchen.Says);
        Count = all.Count;
        Kinds = [.. all.Select(r => r.Kind).Distinct().Order()];
        Recipes = [.. all.Where(r => Filter.Finds(r, known.For(r))).Select(r => RecipeFacts.AsBaked(r, known.For(r)))];
        Drafts = await context.RecipeDrafts.AsNoTracking().OrderByDescending(d => d.SavedAt).Take(20).ToListAsync(cancel);
        return Request.Headers.ContainsKey("HX-Request") ? Partial("_Recipes", this) : Page();
    }

    /// <summary>Minutes of work in a recipe, all waves together.</summary>
    public int HandsOf(Recipe recipe) =>
        (int)recipe.Steps.Where(s => s.IsHandsOn).Sum(s => s.Takes.Likely.TotalMinutes * s.Times * s.Hands);

    /// <summary>"keeps 4 days, frozen 90"; empty when the recipe does not say.</summary>
    public string Keeps(Recipe recipe)
    {
        var whole = recipe.Keeping.Where(k => k.Part.Length == 0).ToList();
        var frozen = whole.Where(k => k.Store == KeepingStore.Freezer).Select(k => k.Days).DefaultIfEmpty(0).Max();
        var fresh = whole.Where(k => k.Store != KeepingStore.Freezer).Select(k => k.Days).DefaultIfEmpty(0).Max();
        var words = new[] { fresh > 0 ? $"keeps {Spoken.Count(fresh, "day", "days")}" : "", frozen > 0 ? $"frozen {frozen}" : "" };
        return string.Join(", ", words.Where(w => w.Length > 0));
    }

    /// <summary>A set temperature in the kitchen's own scale first.</summary>
    public string Heat(Temperature temperature) => Heats.Say(temperature, _habit);
}
