using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using NodaTime;
using Zymethos.Web.Drawing;
using Zymethos.Work.Books;
using Zymethos.Work.OvenDays;
using Zymethos.Work.Workshop;

namespace Zymethos.Web.Places.Workshop;

/// <summary>Cutting: what a dough gives, or the dough that pieces need, drawn to scale.</summary>
public sealed class CuttingModel(SolverGate gate, CutterShelf shelf, KitchenBook book) : PageModel
{
    /// <summary>What was typed.</summary>
    [BindProperty(SupportsGet = true)]
    public CuttingForm Form { get; set; } = new();

    /// <summary>The kitchen's own cutters; none for somebody without a kitchen.</summary>
    public IReadOnlyList<KitchenCutter> Cutters { get; private set; } = [];

    /// <summary>The kitchen's rolled recipes; none for somebody without a kitchen.</summary>
    public IReadOnlyList<(string Key, string Name)> Recipes { get; private set; } = [];

    /// <summary>The sheet; null where something typed cannot be.</summary>
    public CuttingSheet? Sheet { get; private set; }

    /// <summary>Why there is no sheet although nothing is wrong; empty where there is one.</summary>
    public string Busy { get; private set; } = "";

    /// <summary>What became of the recipe; kept over a redirect.</summary>
    [TempData]
    public string? Said { get; set; }

    private bool IsBaker => User.Identity?.IsAuthenticated == true;

    /// <summary>Works the sheet out.</summary>
    public async Task OnGetAsync(CancellationToken cancel)
    {
        await KnowAsync(cancel);
        await WorkOutAsync(cancel);
    }

    /// <summary>The sheet on paper.</summary>
    public Task<IActionResult> OnGetPdfAsync([FromServices] IClock clock, CancellationToken cancel) =>
        GivenAsync(s => WorkshopFile.Pdf([SheetPaper.Of(s)], Request, "cutting", clock.GetCurrentInstant().ToDateTimeUtc()), cancel);

    /// <summary>Its first roll as a drawing.</summary>
    public Task<IActionResult> OnGetSvgAsync(CancellationToken cancel) =>
        GivenAsync(
            s =>
                s.Cut.Rolls.IsEmpty || s.Cut.Rolls[0].Sheets.IsEmpty
                    ? NotFound()
                    : WorkshopFile.Svg(NestDrawing.File(s.Cut.Rolls[0].Sheets[0], "A sheet of dough with its pieces"), "cutting"),
            cancel
        );

    /// <summary>It as data.</summary>
    public Task<IActionResult> OnGetJsonAsync(CancellationToken cancel) => GivenAsync(s => WorkshopFile.Json(CuttingAnswer.Of(s)), cancel);

    private async Task<IActionResult> GivenAsync(Func<CuttingSheet, IActionResult> give, CancellationToken cancel)
    {
        await KnowAsync(cancel);
        await WorkOutAsync(cancel);
        return Sheet is { } sheet ? give(sheet) : Redirect($"/workshop/cutting{Request.QueryString}");
    }

    /// <summary>Takes the sheet's pieces, trays and minutes over into a recipe, as a new version of it.</summary>
    public async Task<IActionResult> OnPostTakeAsync(CancellationToken cancel)
    {
        if (!IsBaker)
            return Challenge();
        await KnowAsync(cancel);
        await WorkOutAsync(cancel);
        if (Sheet is null)
            return Page();
        if (await book.FindAsync(Form.Recipe ?? "", cancel) is not { } row)
            return Wrong("Choose the recipe that these trays are of.");
        var recipe = row.ToRecipe();
        var (changed, words) = CutRecipe.On(recipe, Sheet.Cut, Sheet.Trays);
        if (changed is null)
            return Wrong(words);
        await book.SaveAsync(changed, $"From the cutting sheet: {words}", isNew: false, cancel);
        Said = $"{recipe.Name}: {words}. It is a new version; the one before is kept.";
        return Redirect($"/workshop/cutting{Request.QueryString}");
    }

    private PageResult Wrong(string words)
    {
        Form.Wrong["Recipe"] = words;
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }

    private async Task KnowAsync(CancellationToken cancel)
    {
        if (!IsBaker)
            return;
        Cutters = await shelf.AllAsync(cancel);
        var known = await book.ShelfAsync(cancel);
        Recipes = [.. known.Recipes.Where(r => CutRecipe.IsRolled(r.Recipe)).Select(r => (r.Recipe.Key, r.Recipe.Name))];
    }

    private async Task WorkOutAsync(CancellationToken cancel)
    {
        if (Form.Read((name, size) => CutterShelf.Find(Cutters, name, size)) is not { } wish)
        {
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
            return;
        }

        try
        {
            Sheet = IsBaker
                ? await gate.RunAsync(() => CuttingSheet.Of(wish, cancel), cancel)
                : await gate.RunForStrangerAsync(() => CuttingSheet.Of(wish, cancel), cancel);
        }
        catch (QueueFullException)
        {
            Busy = "Many people are cutting at this moment. Ask again in a few seconds.";
        }
    }
}
