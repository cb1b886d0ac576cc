using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using NodaTime;
using Zymethos.Work.Books;
using Zymethos.Work.OvenDays;
using Zymethos.Work.Workshop;
using Zymethos.Workshop.Cutting;

namespace Zymethos.Web.Places.Workshop;

/// <summary>A built house: its pieces, dough, icing, trays, and how it is put up.</summary>
public sealed class HouseModel(SolverGate gate, KitchenBook book, CutterShelf shelf) : PageModel
{
    /// <summary>What was typed.</summary>
    [BindProperty(SupportsGet = true)]
    public HouseForm Form { get; set; } = new();

    /// <summary>The house; null where something typed cannot be.</summary>
    public HouseAsked? Asked { get; private set; }

    /// <summary>Its pieces on trays; null where too many people ask.</summary>
    public TrayPlan? Trays { get; private set; }

    /// <summary>The kitchen's own cutters and templates; none for somebody without a kitchen.</summary>
    public IReadOnlyList<KitchenCutter> Cutters { get; private set; } = [];

    /// <summary>The kitchen's built recipes; none for somebody without a kitchen.</summary>
    public IReadOnlyList<(string Key, string Name)> Recipes { get; private set; } = [];

    /// <summary>Why a recipe could not be changed; empty where it was, or none was asked.</summary>
    public string WrongRecipe { get; private set; } = "";

    /// <summary>What became of the recipe; kept over a redirect.</summary>
    [TempData]
    public string? Said { get; set; }

    /// <summary>Takes the dough, trays and minutes over into a recipe, as a new version of it.</summary>
    public async Task<IActionResult> OnPostTakeAsync(string? recipe, CancellationToken cancel)
    {
        if (User.Identity?.IsAuthenticated != true)
            return Challenge();
        await OnGetAsync(cancel);
        if (Asked is not { } asked || Trays is not { } trays)
            return Page();
        var (changed, words) = await book.FindAsync(recipe ?? "", cancel) is { } row
            ? HouseRecipe.On(row.ToRecipe(), asked.Count, asked.DoughGrams, asked.IcingGrams, trays)
            : (null, "Choose the recipe that builds it.");
        if (changed is null)
        {
            WrongRecipe = words;
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
            return Page();
        }

        await book.SaveAsync(changed, $"From the Workshop: {words}", isNew: false, cancel);
        Said = $"{changed.Name}: {words}. It is a new version; the one before is kept.";
        return Redirect($"/workshop/house{Request.QueryString}");
    }

    /// <summary>It on paper: what it takes, its trays, and templates true to size.</summary>
    public async Task<IActionResult> OnGetPdfAsync([FromServices] IClock clock, CancellationToken cancel)
    {
        await OnGetAsync(cancel);
        return Asked is { } asked
            ? WorkshopFile.Pdf(
                [SheetPaper.Of(asked, Trays), SheetPaper.Templates(asked)],
                Request,
                "house",
                clock.GetCurrentInstant().ToDateTimeUtc()
            )
            : Redirect($"/workshop/house{Request.QueryString}");
    }

    /// <summary>It as data.</summary>
    public async Task<IActionResult> OnGetJsonAsync(CancellationToken cancel)
    {
        await OnGetAsync(cancel);
        return Asked is { } asked ? WorkshopFile.Json(HouseAnswer.Of(asked, Trays)) : Redirect($"/workshop/house{Request.QueryString}");
    }

    /// <summary>Reckons it.</summary>
    public async Task OnGetAsync(CancellationToken cancel)
    {
        if (User.Identity?.IsAuthenticated == true)
            Cutters = await shelf.AllAsync(cancel);
        if (Form.Read((name, size) => CutterShelf.Find(Cutters, name, size)) is not { } asked)
        {
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
            return;
        }

        Asked = asked;
        if (User.Identity?.IsAuthenticated == true)
            Recipes =
            [
                .. (await book.ShelfAsync(cancel))
                    .Recipes.Where(r => HouseRecipe.IsBuilt(r.Recipe))
                    .Select(r => (r.Recipe.Key, r.Recipe.Name)),
            ];
        try
        {
            Trays =
                User.Identity?.IsAuthenticated == true
                    ? await gate.RunAsync(() => asked.Trays(cancel), cancel)
                    : await gate.RunForStrangerAsync(() => asked.Trays(cancel), cancel);
        }
        catch (QueueFullException)
        {
            // The drawings and weights need no search: they are shown all the same.
        }
    }
}
