using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Zymethos.Work.Books;
using Zymethos.Work.House;
using Zymethos.Work.Parcels;

namespace Zymethos.Web.Places.Parcels;

/// <summary>Tins and boxes, and how large pieces are.</summary>
public sealed class BoxesModel(BoxShelf boxes, KitchenBook book) : PageModel
{
    /// <summary>What is typed, or what stands.</summary>
    [BindProperty]
    public BoxesForm Form { get; set; } = new();

    /// <summary>Unit of lengths.</summary>
    public string Unit { get; private set; } = "cm";

    /// <summary>What is wrong; empty where nothing is.</summary>
    public string Wrong { get; private set; } = "";

    /// <summary>What became of the last touch; kept over a redirect.</summary>
    [TempData]
    public string? Said { get; set; }

    /// <summary>The page.</summary>
    public async Task OnGetAsync(CancellationToken cancel)
    {
        var shelf = await book.ShelfAsync(cancel);
        var (own, row) = await boxes.ReadAsync(cancel);
        ViewData[Seen.Field] = Seen.Of(row);
        Unit = shelf.Known.Kitchen.Says.LengthUnit;
        Form = BoxesForm.Of(own, shelf.All.Select(r => (r.Key, r.Name)), shelf.Known.Kitchen.Says);
        Form.From ??= shelf.Known.Kitchen.Name;
    }

    /// <summary>Keeps what was typed.</summary>
    public async Task<IActionResult> OnPostAsync([FromForm(Name = Seen.Field)] string? seen, CancellationToken cancel)
    {
        var says = (await book.ShelfAsync(cancel)).Known.Kitchen.Says;
        Unit = says.LengthUnit;
        var shelf = Form.ToShelf(says, (await boxes.ReadAsync(cancel)).Shelf.Words);
        if (shelf is null || shelf.Boxes.Count > BoxShelf.Most)
        {
            Wrong = shelf is null ? "Something cannot be read; it stands beside its line." : $"At most {BoxShelf.Most} kinds of boxes.";
            ViewData[Seen.Field] = seen;
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
            return Page();
        }

        if (await boxes.KeepAsync(shelf, seen, cancel) is { Length: > 0 } wrong)
        {
            Wrong = wrong;
            ViewData[Seen.Field] = Seen.Of((await boxes.ReadAsync(cancel)).Row);
            Response.StatusCode = StatusCodes.Status409Conflict;
            return Page();
        }

        Said = "Kept.";
        return Redirect("/parcels/boxes");
    }
}
