using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Zymethos.Core.Parcels;
using Zymethos.Work.Books;
using Zymethos.Work.House;
using Zymethos.Work.Parcels;

namespace Zymethos.Web.Places.Parcels;

/// <summary>One person: what must be kept from them, what they love, and what of the Book they may have.</summary>
public sealed class PersonModel(ParcelPeople people, KitchenBook book) : PageModel
{
    /// <summary>What is typed, or what stands.</summary>
    [BindProperty]
    public PersonForm Form { get; set; } = new();

    /// <summary>Whether it is somebody new.</summary>
    public bool IsNew { get; private set; }

    /// <summary>Groups that are there already.</summary>
    public IReadOnlyList<string> Groups { get; private set; } = [];

    /// <summary>How every recipe stands to them, what is fine first.</summary>
    public IReadOnlyList<(string Name, string Key, GiftStand Stand)> Stands { get; private set; } = [];

    /// <summary>What became of the last touch; kept over a redirect.</summary>
    [TempData]
    public string? Said { get; set; }

    /// <summary>The page.</summary>
    public async Task<IActionResult> OnGetAsync(string id, CancellationToken cancel)
    {
        if (!await FillAsync(id, cancel))
            return NotFound();
        return Page();
    }

    /// <summary>Keeps what was typed.</summary>
    public async Task<IActionResult> OnPostAsync(string id, [FromForm(Name = Seen.Field)] string? seen, CancellationToken cancel)
    {
        var typed = Form;
        var isThere = await FillAsync(id, cancel);
        Form = typed;
        var own = Guid.TryParse(id, out var given) ? given : Guid.CreateVersion7();
        if (!isThere && !Guid.TryParse(id, out _))
            return NotFound();
        if (typed.ToPerson(own, ModelState) is not { } person)
        {
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
            return Page();
        }

        if (await people.KeepAsync(person, IsNew ? null : seen, cancel) is { Length: > 0 } wrong)
        {
            ModelState.AddModelError("", wrong);
            Response.StatusCode = StatusCodes.Status409Conflict;
            return Page();
        }

        Said = $"{person.Name} is written down.";
        return Redirect(IsNew ? "/parcels/people" : $"/parcels/people/{own}");
    }

    /// <summary>Deletes them.</summary>
    public async Task<IActionResult> OnPostDeleteAsync(Guid id, CancellationToken cancel)
    {
        Said = await people.DeleteAsync(id, cancel) is { Length: > 0 } name ? $"{name} is deleted." : "They are gone already.";
        return Redirect("/parcels/people");
    }

    private async Task<bool> FillAsync(string id, CancellationToken cancel)
    {
        Groups = [.. (await people.AllAsync(cancel)).Select(p => p.Group).Where(g => g.Length > 0).Distinct().Order()];
        IsNew = id == "new";
        if (IsNew)
            return true;
        if (!Guid.TryParse(id, out var own) || await people.FindAsync(own, cancel) is not { } row)
            return false;
        var person = ParcelPeople.Read(row);
        ViewData[Seen.Field] = Seen.Of(row);
        Form = PersonForm.Of(person);
        var shelf = await book.ShelfAsync(cancel);
        Stands =
        [
            .. shelf
                .Recipes.Select(r =>
                    (r.Recipe.Name, r.Recipe.Key, GiftCheck.Of(person, GiftBake.Of(r.Recipe, "", shelf.Known.For(r.Recipe))))
                )
                .OrderBy(s => s.Item3.Verdict)
                .ThenBy(s => s.Name, StringComparer.OrdinalIgnoreCase),
        ];
        return true;
    }
}
