using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Store;
using Zymethos.Web.Drawing;

namespace Zymethos.Web.Pages.Book;

/// <summary>The Book: every recipe of the kitchen.</summary>
public sealed class IndexModel(ZymethosContext context) : PageModel
{
    private MeasuringHabit _habit;

    /// <summary>The recipes by name.</summary>
    public IReadOnlyList<Recipe> Recipes { get; private set; } = [];

    /// <summary>Reads the Book.</summary>
    public async Task OnGetAsync(CancellationToken cancel)
    {
        _habit = (await context.Kitchens.AsNoTracking().SingleAsync(cancel)).ToKitchen().Habit;
        Recipes = [.. (await context.Recipes.AsNoTracking().OrderBy(r => r.Name).ToListAsync(cancel)).Select(r => r.ToRecipe())];
    }

    /// <summary>Minutes of work in a recipe, all waves together.</summary>
    public int HandsOf(Recipe recipe) => (int)recipe.Steps.Where(s => s.IsHandsOn).Sum(s => s.Takes.Likely.TotalMinutes * s.Times * s.Hands);

    /// <summary>"keeps 4 days, frozen 90"; empty when the recipe does not say.</summary>
    public string Keeps(Recipe recipe)
    {
        var frozen = recipe.Keeping.Where(k => k.Place.StartsWith("freezer", StringComparison.Ordinal)).Select(k => k.Days).DefaultIfEmpty(0).Max();
        var fresh = recipe.Keeping.Where(k => !k.Place.StartsWith("freezer", StringComparison.Ordinal)).Select(k => k.Days).DefaultIfEmpty(0).Max();
        var words = new[] { fresh > 0 ? $"keeps {Spoken.Count(fresh, "day", "days")}" : "", frozen > 0 ? $"frozen {frozen}" : "" };
        return string.Join(", ", words.Where(w => w.Length > 0));
    }

    /// <summary>A set temperature in the kitchen's own scale first.</summary>
    public string Heat(Temperature temperature) => Heats.Say(temperature, _habit);
}
