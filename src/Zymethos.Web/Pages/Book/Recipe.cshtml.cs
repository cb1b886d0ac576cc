using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Scaling;
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

    /// <summary>Its ingredients at the scale asked for.</summary>
    public ScaledRecipe Scaled { get; private set; } = null!;

    /// <summary>The scale as typed, or as it follows from the pieces.</summary>
    public string Times { get; private set; } = "1";

    /// <summary>What is wrong with the scale; empty when nothing is.</summary>
    public string Wrong { get; private set; } = "";

    /// <summary>Reads it at a scale, or says that there is no such page.</summary>
    /// <param name="key">Key of the recipe.</param>
    /// <param name="times">How many times the recipe, as typed; wins over <paramref name="pieces"/> unless that was changed.</param>
    /// <param name="pieces">How many pieces, as typed.</param>
    /// <param name="by">"pieces" when the pieces decide.</param>
    /// <param name="cancel">Stops reading.</param>
    public async Task<IActionResult> OnGetAsync(string key, string? times, string? pieces, string? by, CancellationToken cancel)
    {
        if (await context.Recipes.AsNoTracking().SingleOrDefaultAsync(r => r.Key == key, cancel) is not { } row) return NotFound();
        _habit = (await context.Kitchens.AsNoTracking().SingleAsync(cancel)).ToKitchen().Habit;
        Recipe = row.ToRecipe();
        Scaled = ScaledRecipe.ByMultiple(Recipe, FactorOf(times, pieces, by));
        return Request.Headers.ContainsKey("HX-Request") ? Partial("_Ingredients", this) : Page();
    }

    /// <summary>The amounts at the scale: the recipe's own words when it is taken once.</summary>
    public string MeasureOf(ScaledLine scaled)
    {
        var line = scaled.Line;
        if (Math.Abs(Scaled.Factor - 1) > 1e-9) return scaled.Measure;
        return line.Amount is { } amount && !(line.Weight is not null && amount.Unit == MeasureUnit.Gram) ? amount.ToText() : "";
    }

    /// <summary>The factor typed; 1 with a message when it makes no sense.</summary>
    private double FactorOf(string? times, string? pieces, string? by)
    {
        Times = times ?? "1";
        if (by == "pieces" && int.TryParse(pieces, out var wanted) && wanted > 0)
        {
            var factor = (double)wanted / Recipe.Yield.Pieces;
            Times = factor.ToString("0.###", System.Globalization.CultureInfo.InvariantCulture);
            if (factor is >= ScaledRecipe.Smallest and <= ScaledRecipe.Largest) return factor;
        }
        else if (by != "pieces" && double.TryParse(Times.Replace(',', '.'), System.Globalization.CultureInfo.InvariantCulture, out var typed)
            && typed is >= ScaledRecipe.Smallest and <= ScaledRecipe.Largest)
        {
            return typed;
        }

        Wrong = $"A recipe can be taken {ScaledRecipe.Smallest} to {ScaledRecipe.Largest} times; below it stands once.";
        return 1;
    }

    /// <summary>A set temperature in the kitchen's own scale first.</summary>
    public string Heat(Temperature temperature) => Heats.SayFully(temperature, _habit);

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
