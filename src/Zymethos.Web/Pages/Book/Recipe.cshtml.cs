using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Store;
using Zymethos.Web.Drawing;
using CoreRecipe = Zymethos.Core.Recipes.Recipe;

namespace Zymethos.Web.Pages.Book;

/// <summary>One recipe to read.</summary>
public sealed class RecipeModel(ZymethosContext context) : PageModel
{
    private MeasuringHabit _habit;

    /// <summary>The recipe.</summary>
    public CoreRecipe Recipe { get; private set; } = null!;

    /// <summary>Whether the kitchen reads weights first.</summary>
    public bool WeightFirst => _habit == MeasuringHabit.Metric;

    /// <summary>Reads it, or says that there is no such page.</summary>
    public async Task<IActionResult> OnGetAsync(string key, CancellationToken cancel)
    {
        if (await context.Recipes.AsNoTracking().SingleOrDefaultAsync(r => r.Key == key, cancel) is not { } row) return NotFound();
        _habit = (await context.Kitchens.AsNoTracking().SingleAsync(cancel)).ToKitchen().Habit;
        Recipe = row.ToRecipe();
        return Page();
    }

    /// <summary>The measure as the recipe writes it; empty when it only repeats the weight.</summary>
    public string MeasureOf(IngredientLine line) =>
        line.Amount is { } amount && !(line.Weight is not null && amount.Unit == MeasureUnit.Gram) ? amount.ToText() : "";

    /// <summary>A set temperature in the kitchen's own scale first.</summary>
    public string Heat(Temperature temperature) => Heats.Say(temperature, _habit);

    /// <summary>"8 to 12 min", or one figure when the two are the same.</summary>
    public string Span(DurationEstimate takes)
    {
        var (low, high) = ((int)takes.Low.TotalMinutes, (int)takes.High.TotalMinutes);
        if (low == high) return Spoken.Minutes(low);
        return high < 60 ? $"{low} to {high} min" : $"{Spoken.Minutes(low)} to {Spoken.Minutes(high)}";
    }

    /// <summary>The windows that open after a step, in words.</summary>
    public IEnumerable<string> WindowsAfter(Step step)
    {
        foreach (var link in Recipe.Links.Where(l => l.From == step.Key && l.MaxLag is { } most && most > Duration.Zero))
        {
            var next = Recipe.Steps.First(s => s.Key == link.To);
            var strength = link.Window == WindowKind.Hard ? "" : "better ";
            yield return $"Then “{next.Title}” {strength}within {Spoken.Minutes((int)link.MaxLag!.Value.TotalMinutes)}{(link.Why.Length > 0 ? $": {link.Why}" : "")}.";
        }
    }
}
