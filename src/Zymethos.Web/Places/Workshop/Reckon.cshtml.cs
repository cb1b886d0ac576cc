using System.Globalization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using NodaTime;
using Zymethos.Core.Scaling;
using Zymethos.Store;
using Zymethos.Web.Drawing;
using Zymethos.Work.Books;
using Zymethos.Work.Workshop;
using Zymethos.Workshop.Calculators;

namespace Zymethos.Web.Places.Workshop;

/// <summary>A calculator: what is asked, and the answer at once.</summary>
public sealed class ReckonModel(KitchenBook book, ZymethosContext context) : PageModel
{
    /// <summary>The calculator.</summary>
    public Calculator Calculator { get; private set; } = null!;

    /// <summary>What was typed.</summary>
    public AskedValues Asked { get; private set; } = null!;

    /// <summary>The answer.</summary>
    public Reckoning Says { get; private set; } = null!;

    /// <summary>The kitchen's recipes, to which an answer can go; none for somebody without a kitchen.</summary>
    public IReadOnlyList<(string Key, string Name)> Recipes { get; private set; } = [];

    /// <summary>The kitchen's recipes with a filling or a coat, where that is reckoned.</summary>
    public IReadOnlyList<(string Key, string Name)> Coated { get; private set; } = [];

    /// <summary>How long decorating a piece took, by the Daybook, where that is asked; else empty.</summary>
    public IReadOnlyList<DecorationMinutes> Decorated { get; private set; } = [];

    /// <summary>Why a recipe could not be changed; empty where it was, or none was asked.</summary>
    public string WrongRecipe { get; private set; } = "";

    /// <summary>What became of a recipe; kept over a redirect.</summary>
    [TempData]
    public string? Said { get; set; }

    /// <summary>Whether somebody with a kitchen looks at it.</summary>
    public bool IsBaker => User.Identity?.IsAuthenticated == true;

    /// <summary>Reckons it.</summary>
    public async Task<IActionResult> OnGetAsync(string address, CancellationToken cancel)
    {
        if (CalculatorShelf.At(address) is not { } calculator)
            return NotFound();
        Calculator = calculator;
        (Says, Asked) = calculator.Answer(name => Request.Query[name].FirstOrDefault());
        if (Asked.Wrong.Count > 0)
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        await KnowAsync(cancel);
        return Page();
    }

    /// <summary>Brings a recipe's filling and coat to what was reckoned, as a new version of it.</summary>
    public async Task<IActionResult> OnPostPartsAsync(string address, string? recipe, CancellationToken cancel)
    {
        if (!IsBaker)
            return Challenge();
        if (Read(address) is { } none)
            return none;
        var (changed, words) =
            Says.Coat is not { } coat ? (null, "There is nothing to take over.")
            : await book.FindAsync(recipe ?? "", cancel) is { } row ? PartAmounts.On(row.ToRecipe(), coat.Filling, coat.Coat)
            : (null, "Choose the cake that it is for.");
        if (changed is null)
        {
            WrongRecipe = words;
            await KnowAsync(cancel);
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
            return Page();
        }

        await book.SaveAsync(changed, $"From the Workshop: {words}", isNew: false, cancel);
        Said = $"{changed.Name}: {words}. It is a new version; the one before is kept.";
        return Redirect($"/workshop/{address}{Request.QueryString}");
    }

    private async Task KnowAsync(CancellationToken cancel)
    {
        if (IsBaker && Calculator is PipingCalculator)
            Decorated = await DecorationMinutes.OfAsync(context, cancel);
        if (!IsBaker || (Says.Times is null && Says.Coat is null))
            return;
        var all = (await book.ShelfAsync(cancel)).Recipes.Select(r => r.Recipe).OrderBy(r => r.Name, StringComparer.Ordinal).ToList();
        Recipes = Says.Times is null ? [] : [.. all.Select(r => (r.Key, r.Name))];
        Coated = Says.Coat is null ? [] : [.. all.Where(PartAmounts.HasCoats).Select(r => (r.Key, r.Name))];
    }

    /// <summary>The answer on paper.</summary>
    public IActionResult OnGetPdf(string address, [FromServices] IClock clock) =>
        Read(address) is { } none
            ? none
            : WorkshopFile.Pdf([ReckonPaper.Of(Calculator, Asked, Says)], Request, address, clock.GetCurrentInstant().ToDateTimeUtc());

    /// <summary>Its drawing.</summary>
    public IActionResult OnGetSvg(string address) =>
        Read(address) is { } none ? none
        : Says.Sketches.IsEmpty ? NotFound()
        : WorkshopFile.Svg(SketchDrawing.File(Says.Sketches[0]), address);

    /// <summary>It as data.</summary>
    public IActionResult OnGetJson(string address) =>
        Read(address) is { } none ? none : WorkshopFile.Json(ReckonAnswer.Of(Calculator, Says));

    /// <summary>Reads and reckons; why there is nothing to give, or null.</summary>
    private IActionResult? Read(string address)
    {
        if (CalculatorShelf.At(address) is not { } calculator)
            return NotFound();
        Calculator = calculator;
        (Says, Asked) = calculator.Answer(name => Request.Query[name].FirstOrDefault());
        return Asked.Wrong.Count > 0 ? Redirect($"/workshop/{address}{Request.QueryString}") : null;
    }

    /// <summary>Goes to a recipe at the scale that was reckoned.</summary>
    public IActionResult OnGetTake(string address, string recipe, string times)
    {
        if (
            !IsBaker
            || !double.TryParse(times, NumberStyles.Float, CultureInfo.InvariantCulture, out var factor)
            || string.IsNullOrWhiteSpace(recipe)
        )
            return NotFound();
        factor = Math.Clamp(factor, ScaledRecipe.Smallest, ScaledRecipe.Largest);
        return Redirect(
            $"/book/{Uri.EscapeDataString(recipe)}/scale?by=multiple&times={Math.Round(factor, 4).ToString(CultureInfo.InvariantCulture)}"
        );
    }
}
