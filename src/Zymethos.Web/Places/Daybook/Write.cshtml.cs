using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using NodaTime;
using NodaTime.Text;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Documents;
using Zymethos.Work.Books;
using Zymethos.Work.Daybooks;
using Zymethos.Work.House;

namespace Zymethos.Web.Places.Daybook;

/// <summary>A bake from before, written down by hand.</summary>
public sealed class WriteModel(DaybookDesk desk, KitchenBook book, IClock clock) : PageModel
{
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
    public string WrongAt(string field) =>
        ModelState.TryGetValue($"Form.{field}", out var entry) ? entry.Errors.FirstOrDefault()?.ErrorMessage ?? "" : "";

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
        return id is { } known && await desk.BakeAsync(known, cancel) is { SessionId: null } row ? row.Document : null;
    }
}
