using System.Text;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Documents;
using Zymethos.Interchange.Drafts;
using Zymethos.Interchange.Texts;
using Zymethos.Store;
using Zymethos.Store.Books;
using Zymethos.Work.Books;

namespace Zymethos.Web.Places.Book;

/// <summary>Brings recipes in: pasted text, schema.org JSON-LD, a saved web page, or a Book that was taken along. The server fetches
/// nothing.</summary>
[RequestSizeLimit(LargestForm)]
[RequestFormLimits(MultipartBodyLengthLimit = LargestForm, ValueLengthLimit = LargestForm)]
public sealed class ImportModel(ZymethosContext context, KitchenBook book, BookFile file, IClock clock) : PageModel
{
    private const int LargestForm = 60_000_000;
    private const int LargestText = 4_000_000;

    /// <summary>What was pasted.</summary>
    [BindProperty]
    public string? Pasted { get; set; }

    /// <summary>A file.</summary>
    [BindProperty]
    public IFormFile? Upload { get; set; }

    /// <summary>Which of several recipes are wanted, by their place.</summary>
    [BindProperty]
    public List<int> Chosen { get; set; } = [];

    /// <summary>Whether it is to be read although it is there already.</summary>
    [BindProperty]
    public bool Anyway { get; set; }

    /// <summary>Where to go on once the recipe is in the Book; only addresses of this server count.</summary>
    [BindProperty]
    public string? Then { get; set; }

    /// <summary>Name of a recipe that is there already; empty when it is new.</summary>
    public string Known { get; private set; } = "";

    /// <summary>Where it is.</summary>
    public string KnownAt { get; private set; } = "";

    /// <summary>What is wrong; empty when nothing is.</summary>
    public string Wrong { get; private set; } = "";

    /// <summary>What was found, when there are several to choose from.</summary>
    public IReadOnlyList<RecipeDraft> Found { get; private set; } = [];

    /// <summary>What came of a Book that was brought in; empty otherwise.</summary>
    public string Said { get; private set; } = "";

    /// <summary>The page.</summary>
    public void OnGet() { }

    /// <summary>Reads what came. One recipe goes to its reading sheet; several are offered.</summary>
    public async Task<IActionResult> OnPostAsync(CancellationToken cancel)
    {
        if (Upload is { Length: > 0 } && await BeginningAsync(Upload, cancel) is { } beginning && BookReader.IsBook(beginning))
        {
            await using var json = Upload.OpenReadStream();
            return Came(await file.BringInAsync(json, cancel));
        }

        var text = Upload is { Length: > 0 } ? await TextOfAsync(Upload, cancel) : Pasted ?? "";
        if (text.Length > LargestText)
            Wrong =
                $"That has {text.Length / 1000} thousand letters; at most {LargestText / 1000} are read. A Book that was taken along "
                + "may be larger: give it as a file.";
        if (Wrong.Length > 0)
            return Refused();
        if (Upload is { Length: > 0 } && text.Length < 600_000)
            Pasted = text;
        if (BookFile.IsBook(text))
            return Came(await file.BringInAsync(text, cancel));

        var known = await book.KitchenAsync(cancel);
        var result = PageReader.Read(text, known.Knowledge, known.Pans);
        if (result.Drafts.Count == 0)
        {
            Wrong = result.Message;
            return Refused();
        }

        var wanted =
            result.Drafts.Count == 1
                ? result.Drafts
                : [.. Chosen.Distinct().Where(i => i >= 0 && i < result.Drafts.Count).Select(i => result.Drafts[i])];
        if (wanted.Count == 0)
        {
            Found = result.Drafts;
            Pasted = text;
            return Page();
        }

        if (wanted.Count == 1 && !Anyway && await AlreadyAsync(wanted[0], cancel) is { } where)
        {
            (Known, KnownAt, Pasted) = (wanted[0].Name, where, text.Length < 600_000 ? text : Pasted);
            return Page();
        }

        var rows = wanted
            .Select(d => new RecipeDraftRow
            {
                Id = Guid.CreateVersion7(),
                Draft = d,
                SavedAt = clock.GetCurrentInstant(),
            })
            .ToList();
        context.RecipeDrafts.AddRange(rows);
        await context.SaveChangesAsync(cancel);
        // The reading sheet asks its questions one at a time; where it leads to is kept beside it for an hour.
        if (rows.Count == 1 && Url.IsLocalUrl(Then))
            Response.Cookies.Append(
                ReadModel.ThenCookie(rows[0].Id),
                Then!,
                new CookieOptions
                {
                    HttpOnly = true,
                    SameSite = SameSiteMode.Lax,
                    Secure = Request.IsHttps,
                    MaxAge = TimeSpan.FromHours(1),
                }
            );
        return rows.Count == 1 ? Redirect($"/book/read/{rows[0].Id}") : Redirect("/book");
    }

    private IActionResult Came((string Words, IReadOnlyList<Fault> Faults) of)
    {
        if (of.Faults.Count == 0)
        {
            Said = of.Words;
            return Page();
        }

        Wrong = string.Join(" ", of.Faults.Take(4).Select(f => f.Path.Length > 0 ? $"{f.Path}: {f.Message}" : f.Message));
        return Refused();
    }

    /// <summary>The first few hundred letters of a file.</summary>
    private static async Task<string> BeginningAsync(IFormFile upload, CancellationToken cancel)
    {
        await using var json = upload.OpenReadStream();
        var bytes = new byte[600];
        var read = await json.ReadAtLeastAsync(bytes, bytes.Length, throwOnEndOfStream: false, cancel);
        return Encoding.UTF8.GetString(bytes, 0, read);
    }

    /// <summary>Where the same recipe is already: half read, or in the Book with the same lines; null when it is new.</summary>
    private async Task<string?> AlreadyAsync(RecipeDraft draft, CancellationToken cancel)
    {
        foreach (var row in await context.RecipeDrafts.AsNoTracking().Where(d => d.Key == "").ToListAsync(cancel))
        {
            if (draft.Source.Length > 0 && row.Draft.Source == draft.Source)
                return $"/book/read/{row.Id}";
        }

        if (await book.FindAsync(DraftReader.KeyOf(draft.Name), cancel) is not { } there)
            return null;
        var lines = string.Join('\n', draft.Parts.Select(p => p.Lines));
        return string.Join('\n', DraftOf.Recipe(there.ToRecipe()).Parts.Select(p => p.Lines)) == lines ? $"/book/{there.Key}" : null;
    }

    private Microsoft.AspNetCore.Mvc.RazorPages.PageResult Refused()
    {
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }

    private async Task<string> TextOfAsync(IFormFile upload, CancellationToken cancel)
    {
        if (upload.Length > LargestText)
        {
            Wrong = $"That file has {upload.Length / 1000} kB; at most {LargestText / 1000} kB are read.";
            return "";
        }

        using var copy = new MemoryStream();
        await upload.CopyToAsync(copy, cancel);
        var bytes = copy.ToArray();
        if (bytes.Take(4000).Contains((byte)0) && !(bytes.Length > 1 && (bytes[0], bytes[1]) is (0xFF, 0xFE) or (0xFE, 0xFF)))
        {
            Wrong = "That is no text: pictures and documents of word processors cannot be read. Copy the words and paste them.";
            return "";
        }

        // A byte order mark decides; without one it is UTF-8, or Latin-1 where that does not fit.
        try
        {
            using var reader = new StreamReader(
                new MemoryStream(bytes),
                new UTF8Encoding(false, throwOnInvalidBytes: true),
                detectEncodingFromByteOrderMarks: true
            );
            return await reader.ReadToEndAsync(cancel);
        }
        catch (DecoderFallbackException)
        {
            return Encoding.Latin1.GetString(bytes);
        }
    }
}
