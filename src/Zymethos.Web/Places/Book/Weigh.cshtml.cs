using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Zymethos.Core.Measures;
using Zymethos.Core.Scaling;
using Zymethos.Work.Books;

namespace Zymethos.Web.Places.Book;

/// <summary>How much is it really? Reads pasted ingredient lines and weighs them, while they are typed.</summary>
public sealed class WeighModel(KitchenBook book) : PageModel
{
    private const string Sample =
        "Dough:\n3 1/2 cups all-purpose flour, plus more for dusting\n1 packed cup dark brown sugar\n2 sticks (8 oz) butter, "
        + "softened\n2 large eggs\n1 heaping tbsp ground ginger\na pinch of salt\nzest of 1 orange\n1 cup chopped walnuts or pecans "
        + "(optional)";

    /// <summary>The lines as typed.</summary>
    [BindProperty]
    public string? Lines { get; set; }

    /// <summary>How they are read.</summary>
    public IReadOnlyList<ReadLine> Readings { get; private set; } = [];

    /// <summary>What is wrong with the text as a whole; empty when nothing is.</summary>
    public string Wrong { get; private set; } = "";

    /// <summary>What all lines of known weight weigh together.</summary>
    public Mass Total => Mass.FromGrams(Readings.Sum(l => l.Weight?.Grams ?? 0));

    /// <summary>Lines whose weight is not known.</summary>
    public int Unweighed => Readings.Count(l => l.Weight is null && !l.Traits.HasFlag(LineTraits.Heading));

    /// <summary>What the list contains, may contain and is free from.</summary>
    public AllergenStatement Statement { get; private set; } = AllergenStatement.OfLines([], IngredientKnowledge.Shipped);

    /// <summary>The page with a list to try.</summary>
    public async Task OnGetAsync(CancellationToken cancel)
    {
        Lines = Sample;
        Take(LineReader.ReadAll(Sample, (await book.KitchenAsync(cancel)).Knowledge), (await book.KitchenAsync(cancel)).Knowledge);
    }

    private void Take(IReadOnlyList<ReadLine> readings, IngredientKnowledge knowledge)
    {
        Readings = readings;
        Statement = AllergenStatement.OfLines(readings, knowledge);
    }

    /// <summary>Reads what was typed.</summary>
    public async Task<IActionResult> OnPostAsync(CancellationToken cancel)
    {
        var text = Lines ?? "";
        if (text.Length > MeasuresApi.LongestText)
            Wrong =
                $"That is {text.Length} characters; {MeasuresApi.LongestText} are read at once. Paste the ingredients without the "
                + "rest of the page.";
        else
        {
            var knowledge = (await book.KitchenAsync(cancel)).Knowledge;
            Take(LineReader.ReadAll(text, knowledge), knowledge);
        }

        return Request.Headers.ContainsKey("HX-Request") ? Partial("_Readings", this) : Page();
    }

    /// <summary>The weight in measures that exist; the amount as written where there are none.</summary>
    public string MeasureOf(ReadLine line)
    {
        var counted = line.Amounts.FirstOrDefault() is { Amount.Unit.Dimension: UnitDimension.Count };
        if (
            !counted
            && line is { Weight: { } mass, Ingredient: { } ingredient }
            && SpoonsAndCups.For(mass, ingredient, line.Forms) is { } measure
        )
            return measure.WithError;
        return string.Join(" + ", line.Amounts.Where(a => a.Role is AmountRole.Main or AmountRole.Plus).Select(a => a.Amount.ToText()));
    }

    /// <summary>Traits and remarks in words.</summary>
    public string RemarkOf(ReadLine line)
    {
        var words = new List<string>();
        if (line.Traits.HasFlag(LineTraits.Optional))
            words.Add("if you like");
        // What already stands beside the ingredient is not said twice.
        words.AddRange(line.Note.Split("; ").Where(n => n.Length > 0 && n != "optional" && !line.Forms.Contains(n)));
        return string.Join("; ", words);
    }
}
