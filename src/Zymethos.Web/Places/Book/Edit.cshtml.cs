using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Drafts;
using Zymethos.Store;
using Zymethos.Work.Books;
using Zymethos.Work.House;

namespace Zymethos.Web.Places.Book;

/// <summary>The method editor: a draft that saves itself while it is typed, and goes into the Book when the baker says so.</summary>
[RequestFormLimits(ValueCountLimit = 8000, ValueLengthLimit = 200_000)]
public sealed class EditModel(ZymethosContext context, KitchenBook book, IClock clock) : PageModel
{
    /// <summary>Everything as typed.</summary>
    [BindProperty]
    public RecipeDraft Draft { get; set; } = new();

    /// <summary>The version of the draft this page was made from.</summary>
    [BindProperty]
    public uint Version { get; set; }

    /// <summary>Id of the draft.</summary>
    public Guid Id { get; private set; }

    /// <summary>What the draft amounts to.</summary>
    public DraftResult Result { get; private set; } = null!;

    /// <summary>The kitchen, for its pans.</summary>
    public KnownKitchen Known { get; private set; } = null!;

    /// <summary>Keys of the steps, for the links.</summary>
    public IReadOnlyList<string> Keys { get; private set; } = [];

    /// <summary>Whether faults are shown: not before something was typed and kept.</summary>
    public bool ShowsFaults { get; private set; }

    /// <summary>What was just done; empty when nothing was.</summary>
    public string Said { get; private set; } = "";

    /// <summary>A conflict with another device; empty when there is none.</summary>
    public string Conflict { get; private set; } = "";

    /// <summary>Whether this answers an edit rather than shows the whole page.</summary>
    public bool IsFragment { get; private set; }

    /// <summary>The method with the choices as they stand, for the drawing.</summary>
    public Recipe Drawn => ChosenRecipe.Of(Result.Recipe);

    /// <summary>The draft.</summary>
    public async Task<IActionResult> OnGetAsync(Guid id, CancellationToken cancel)
    {
        if (await context.RecipeDrafts.AsNoTracking().SingleOrDefaultAsync(d => d.Id == id, cancel) is not { } row)
            return NotFound();
        (Id, Draft, Version) = (id, row.Draft, row.Version);
        ShowsFaults = row.Draft.Name.Length > 0;
        await ReadAsync(cancel);
        return Page();
    }

    /// <summary>Keeps what is typed, without a word said by the baker.</summary>
    public async Task<IActionResult> OnPostKeepAsync(Guid id, CancellationToken cancel)
    {
        if (!await KeepAsync(id, cancel))
            return NotFound();
        ShowsFaults = true;
        await ReadAsync(cancel);
        return Partial("_DraftAside", this);
    }

    /// <summary>Adds, removes or moves something, puts the recipe into the Book, or throws the draft away.</summary>
    public async Task<IActionResult> OnPostAsync(Guid id, string? @do, CancellationToken cancel)
    {
        if (@do == "discard")
        {
            var gone = await context.RecipeDrafts.Where(d => d.Id == id).ExecuteDeleteAsync(cancel);
            return gone == 0 ? NotFound() : Leave("/book");
        }

        if (DraftMove.Read(@do) is { } move)
            DraftMoves.Apply(Draft, move);
        if (!await KeepAsync(id, cancel))
            return NotFound();
        ShowsFaults = true;
        await ReadAsync(cancel);
        if (@do == "save" && Conflict.Length == 0 && Result.Faults.Count == 0 && !await OvertakenAsync(id, cancel))
        {
            var key = await book.SaveAsync(Result.Recipe, Draft.Key.Length > 0 ? "Edited" : "Written", Draft.Key.Length == 0, cancel);
            await context.RecipeDrafts.Where(d => d.Id == id).ExecuteDeleteAsync(cancel);
            return Leave($"/book/{key}");
        }

        if (@do == "save" && Result.Faults.Count > 0)
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        ModelState.Clear();
        IsFragment = Request.Headers.ContainsKey("HX-Request");
        return IsFragment ? Partial("_Editor", this) : Page();
    }

    /// <summary>The message at a field; empty when there is none.</summary>
    public string Wrong(string path) => ShowsFaults ? Result.Faults.FirstOrDefault(f => f.Path == path)?.Message ?? "" : "";

    /// <summary>Whether the recipe in the Book was changed since this edit of it was begun. It is said once; saving again puts this one
    /// there, and the other stays among the versions.</summary>
    private async Task<bool> OvertakenAsync(Guid id, CancellationToken cancel)
    {
        var row = await context.RecipeDrafts.SingleAsync(d => d.Id == id, cancel);
        var words = Draft.Key.Length == 0 ? "" : await book.ConflictAsync(Draft.Key, row.Begun, cancel);
        if (words.Length == 0)
            return false;
        row.Begun = Seen.Of(Draft.Key, await book.FindAsync(Draft.Key, cancel));
        await context.SaveChangesAsync(cancel);
        Version = row.Version;
        Conflict = $"{words} Put yours into the Book once more to have it there; theirs stays among its versions.";
        Response.StatusCode = StatusCodes.Status409Conflict;
        return true;
    }

    private IActionResult Leave(string address)
    {
        if (!Request.Headers.ContainsKey("HX-Request"))
            return Redirect(address);
        Response.Headers["HX-Redirect"] = address;
        return new EmptyResult();
    }

    private async Task<bool> KeepAsync(Guid id, CancellationToken cancel)
    {
        if (await context.RecipeDrafts.SingleOrDefaultAsync(d => d.Id == id, cancel) is not { } row)
            return false;
        Id = id;
        Draft.Key = row.Key;
        // What the form does not carry stays as it was: the text it came from, and the answers to choose from.
        (Draft.Source, Draft.Sentences) = (row.Draft.Source, row.Draft.Sentences);
        foreach (var question in Draft.Questions)
            question.Answers = row.Draft.Questions.Find(q => q.Text == question.Text)?.Answers ?? question.Answers;
        context.Entry(row).Property(r => r.Version).OriginalValue = Version;
        row.Draft = Draft;
        row.SavedAt = clock.GetCurrentInstant();
        try
        {
            await context.SaveChangesAsync(cancel);
            Said = $"Kept at {row.SavedAt.InUtc().ToString("HH:mm:ss", null)} UTC";
        }
        catch (DbUpdateConcurrencyException)
        {
            Conflict =
                "This draft was changed on another device meanwhile. What you typed here is still in front of you; it is kept when "
                + "you go on.";
            context.ChangeTracker.Clear();
        }

        Version =
            (await context.RecipeDrafts.AsNoTracking().Where(d => d.Id == id).Select(d => (uint?)d.Version).SingleOrDefaultAsync(cancel))
            ?? 0;
        return true;
    }

    private async Task ReadAsync(CancellationToken cancel)
    {
        Known = await book.KitchenAsync(cancel);
        var before = Draft.Key.Length > 0 && await book.FindAsync(Draft.Key, cancel) is { } row ? row.ToRecipe() : null;
        Result = DraftReader.Read(Draft, Known.Knowledge, Known.Pans, before);
        Keys = DraftReader.KeysOf(Draft.Steps);
        // A step that has a name keeps its key from here on, so that links stay tied when the name changes.
        for (var i = 0; i < Draft.Steps.Count; i++)
        {
            if (Draft.Steps[i].Title.Length > 0)
                Draft.Steps[i].Key = Keys[i];
        }
    }
}
