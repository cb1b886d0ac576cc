using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Zymethos.Core.Heat;
using Zymethos.Core.Measures;
using Zymethos.Core.Scaling;
using Zymethos.Web.Drawing;
using Zymethos.Work.Books;
using CoreRecipe = Zymethos.Core.Recipes.Recipe;

namespace Zymethos.Web.Places.Book;

/// <summary>A recipe card to print, scaled, on A4 or Letter, legible at arm's length.</summary>
public sealed class CardModel(KitchenBook book) : PageModel
{
    /// <summary>What it contains, may contain and is free from.</summary>
    public AllergenStatement Statement { get; private set; } = null!;

    /// <summary>What is said of each finish of the batch; empty when all pieces are alike.</summary>
    public IReadOnlyList<string> Finishes { get; private set; } = [];

    /// <summary>How many times, as typed.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Times { get; set; }

    /// <summary>What is wrong with the scale; empty when nothing is.</summary>
    public string Wrong { get; private set; } = "";

    /// <summary>The recipe as it is baked.</summary>
    public CoreRecipe Recipe { get; private set; } = null!;

    /// <summary>Everything at its scale.</summary>
    public ScaleSheet Sheet { get; private set; } = null!;

    /// <summary>The kitchen.</summary>
    public Zymethos.Core.Kitchens.Kitchen Kitchen { get; private set; } = null!;

    /// <summary>The card.</summary>
    public async Task<IActionResult> OnGetAsync(string key, CancellationToken cancel)
    {
        if (await book.FindAsync(key, cancel) is not { } row)
            return NotFound();
        var known = await book.KitchenAsync(cancel);
        Kitchen = known.Kitchen;
        var stored = row.ToRecipe();
        var knowledge = known.For(stored);
        Recipe = RecipeFacts.AsBaked(stored, knowledge);
        Statement = AllergenStatement.Of(stored, knowledge);
        var factor = 1.0;
        if (
            !string.IsNullOrWhiteSpace(Times)
            && !(
                double.TryParse(Times.Trim().Replace(',', '.'), System.Globalization.CultureInfo.InvariantCulture, out factor)
                && factor is >= ScaledRecipe.Smallest and <= ScaledRecipe.Largest
            )
        )
        {
            Wrong =
                $"A recipe can be taken {ScaledRecipe.Smallest.ToString(System.Globalization.CultureInfo.InvariantCulture)} to "
                + $"{ScaledRecipe.Largest} times; this card stands for one.";
            factor = 1;
        }

        Sheet = ScaleSheet.Of(Recipe, factor, Kitchen, knowledge);
        Finishes = FinishSplit.Told(stored, Sheet.Scaled.Pieces, knowledge);
        return Page();
    }

    /// <summary>A set temperature for every oven.</summary>
    public string Heat(Temperature temperature) => Heats.SayFully(temperature, Kitchen.Habit);
}
