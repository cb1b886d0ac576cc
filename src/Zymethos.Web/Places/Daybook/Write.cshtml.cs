using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using NodaTime;
using NodaTime.Text;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Documents;
using Zymethos.Web.Setup;
using Zymethos.Work.Books;
using Zymethos.Work.Daybooks;
using Zymethos.Work.House;

namespace Zymethos.Web.Places.Daybook;

/// <summary>A bake from before, written down by hand.</summary>
public sealed class WriteModel(DaybookDesk desk, KitchenBook book, IClock clock) : PageModel
{
    private string _seen = "";

    /// <summary>What is typed.</summary>
    [BindProperty]
    public WriteForm Form { get; set; } = new();

    /// <summary>Whether something is changed that was written already.</summary>
    public bool IsChange { get; private set; }

    /// <summary>The kitchen and its pans.</summary>
    public KnownKitchen Known { get; private set; } = null!;

    /// <summary>Recipes to choose from.</summary>
    public IReadOnlyList<Recipe> Recipes { get; private set; } = [];

    /// <summary>The page.</summary>
    public async Task<IActionResult> OnGetAsync(Guid? id, string? recipe, CancellationToken cancel)
    {
        var before = await FillAsync(id, cancel);
        if (id is not null && before is null)
            return NotFound();
        Form = before is { } bake
            ? WriteForm.Of(bake, Known.Kitchen.Says)
            : new WriteForm { Date = LocalDatePattern.Iso.Format(Today), Recipe = recipe };
        AddLoad();
        return Page();
    }

    /// <summary>Keeps it.</summary>
    public async Task<IActionResult> OnPostAsync(Guid? id, CancellationToken cancel)
    {
        var before = await FillAsync(id, cancel);
        if (id is not null && before is null)
            return NotFound();
        if (before is not null && Seen.IsStale(Request.Form[Seen.Field].FirstOrDefault(), _seen))
            ModelState.AddModelError(
                "Form.Date",
                "This bake was changed from another page meanwhile. Yours is still here: write it down again to keep it."
            );
        if (Form.Read(before, Recipes, Known.Kitchen.Says, Today, ModelState) is not { } bake)
        {
            AddLoad();
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
            return Page();
        }

        await desk.KeepAsync(bake, cancel);
        TempData[nameof(BakeModel.Said)] = "Written down.";
        return Redirect($"/daybook/bakes/{bake.Id}");
    }

    /// <summary>What is wrong with a field; empty where nothing is.</summary>
    public string WrongAt(string field) => ModelState.At($"Form.{field}");

    private LocalDate Today => KitchenClock.At(Known.Kitchen.Zone, clock.GetCurrentInstant()).Date;

    private void AddLoad()
    {
        if (Form.Loads.Count < WriteForm.MostLoads && Form.Loads.All(l => !l.IsEmpty))
            Form.Loads.Add(new LoadFields());
    }

    private async Task<PastBakeDocument?> FillAsync(Guid? id, CancellationToken cancel)
    {
        var shelf = await book.ShelfAsync(cancel);
        (Known, Recipes, IsChange) = (shelf.Known, shelf.All, id is not null);
        if (id is not { } known || await desk.BakeAsync(known, cancel) is not { SessionId: null } row)
            return null;
        ViewData[Seen.Field] = _seen = Seen.Of(row);
        return row.Document;
    }
}
