using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Zymethos.Work.Workshop;

namespace Zymethos.Web.Places.Workshop;

/// <summary>Keeps a page of the Workshop with a recipe, or takes it off.</summary>
public sealed class KeepModel(SheetShelf shelf) : PageModel
{
    /// <summary>Why it is not kept.</summary>
    public string Wrong { get; private set; } = "";

    /// <summary>What was done, for the recipe's page.</summary>
    [TempData]
    public string? Said { get; set; }

    /// <summary>Nothing is looked at here.</summary>
    public IActionResult OnGet() => Redirect("/workshop");

    /// <summary>Keeps it.</summary>
    public async Task<IActionResult> OnPostAsync(string? recipe, string? address, string? title, string? says, CancellationToken cancel)
    {
        Wrong = await shelf.KeepAsync(recipe ?? "", address ?? "", title ?? "", says ?? "", cancel);
        if (Wrong.Length > 0)
        {
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
            return Page();
        }

        Said = $"“{title}” is kept with this recipe.";
        return Redirect($"/book/{Uri.EscapeDataString(recipe!)}");
    }

    /// <summary>Takes it off.</summary>
    public async Task<IActionResult> OnPostRemoveAsync(Guid id, string? recipe, CancellationToken cancel)
    {
        Said = await shelf.RemoveAsync(id, cancel) ? "It is taken off this recipe." : "It was taken off before.";
        return Redirect($"/book/{Uri.EscapeDataString(recipe ?? "")}");
    }
}
