using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using NodaTime;
using Zymethos.Interchange.Drafts;
using Zymethos.Store;
using Zymethos.Store.Books;

namespace Zymethos.Web.Places.Book;

/// <summary>Begins a new recipe.</summary>
public sealed class NewModel(ZymethosContext context, IClock clock) : PageModel
{
    /// <summary>Nobody comes here by address; the Book has the button.</summary>
    public IActionResult OnGet() => Redirect("/book");

    /// <summary>Makes an empty draft and opens it.</summary>
    public async Task<IActionResult> OnPostAsync(CancellationToken cancel)
    {
        var row = new RecipeDraftRow
        {
            Id = Guid.CreateVersion7(),
            Draft = new RecipeDraft
            {
                Parts = [new PartDraft { Name = "Dough" }],
                Steps = [new StepDraft()],
                Links = [],
                Keeping = [new KeepingDraft()],
            },
            SavedAt = clock.GetCurrentInstant(),
        };
        context.RecipeDrafts.Add(row);
        await context.SaveChangesAsync(cancel);
        return Redirect($"/book/edit/{row.Id}");
    }
}
