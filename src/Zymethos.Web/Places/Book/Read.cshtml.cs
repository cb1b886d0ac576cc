using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Core.Recipes;
using Zymethos.Core.Scaling;
using Zymethos.Interchange.Drafts;
using Zymethos.Interchange.Texts;
using Zymethos.Store;
using Zymethos.Store.Books;
using Zymethos.Work.Books;

namespace Zymethos.Web.Places.Book;

/// <summary>The reading sheet: a pasted text beside what was made of each of its sentences, with what was guessed to be answered by
/// touch.</summary>
public sealed class ReadModel(ZymethosContext context, KitchenBook book, IClock clock) : PageModel
{
    /// <summary>Id of the draft.</summary>
    public Guid Id { get; private set; }

    /// <summary>The draft.</summary>
    public RecipeDraft Draft { get; private set; } = new();

    /// <summary>What it amounts to.</summary>
    public DraftResult Result { get; private set; } = null!;

    /// <summary>What it contains, may contain and is free from.</summary>
    public AllergenStatement Statement { get; private set; } = null!;

    /// <summary>What a look at it as it stands asks, beyond the questions of the reading.</summary>
    public IReadOnlyList<OpenQuestion> Asked =>
        [.. RecipeAsks.Of(Result.Recipe).Where(a => Draft.Questions.TrueForAll(q => q.Text != a.Text))];

    /// <summary>What is said of each finish of the batch; empty when all pieces are alike.</summary>
    public IReadOnlyList<string> Finishes { get; private set; } = [];

    /// <summary>What was just done; empty when nothing was.</summary>
    [TempData]
    public string? Said { get; set; }

    /// <summary>What keeps it from going into the Book; empty when nothing does.</summary>
    public string Wrong { get; private set; } = "";

    /// <summary>The version of the draft this page was made from.</summary>
    [BindProperty]
    public uint Version { get; set; }

    /// <summary>The method with the choices as they stand, for the drawing.</summary>
    public Recipe Drawn => ChosenRecipe.Of(Result.Recipe);

    /// <summary>Sentences that became nothing a plan can use: shown first.</summary>
    public IEnumerable<SentenceDraft> Nowhere =>
        Draft.Sentences.Where(s => s.Became is "nothing" or "note" || (s.Became is "remark" && s.Steps.Count == 0));

    /// <summary>The sheet.</summary>
    public async Task<IActionResult> OnGetAsync(Guid id, CancellationToken cancel) =>
        await LoadAsync(id, cancel) is null ? NotFound() : Page();

    /// <summary>Answers a question with one of its answers, with what was typed, or with "looked at".</summary>
    public async Task<IActionResult> OnPostAnswerAsync(Guid id, int question, string? value, string? typed, CancellationToken cancel)
    {
        if (await LoadAsync(id, cancel) is not { } row)
            return NotFound();
        if (IsStale(row))
            return RedirectToPage(new { id });

        var known = await book.KitchenAsync(cancel);
        var answer = string.IsNullOrWhiteSpace(typed) ? value ?? "" : typed;
        var asked = question >= 0 && question < Draft.Questions.Count ? Draft.Questions[question].Text : "";
        row.Draft = DraftAnswers.Apply(Draft with { }, question, answer, known.Knowledge, known.Pans);
        row.SavedAt = clock.GetCurrentInstant();
        context.Entry(row).Property(r => r.Draft).IsModified = true;
        await context.SaveChangesAsync(cancel);
        Said =
            asked.Length == 0 ? null
            : answer.Length > 0 ? $"Taken: {answer}."
            : "Looked at; it stays as it is.";
        return Redirect($"/book/read/{id}#questions");
    }

    /// <summary>Goes the other way where the recipe leaves something open: it is done, or left out.</summary>
    public async Task<IActionResult> OnPostChooseAsync(Guid id, string choice, string option, CancellationToken cancel)
    {
        if (await LoadAsync(id, cancel) is not { } row)
            return NotFound();
        if (IsStale(row))
            return RedirectToPage(new { id });

        if (Result.Recipe.Choices.FirstOrDefault(c => c.Key == choice)?.Options.FirstOrDefault(o => o.Key == option) is null)
            return NotFound();
        row.Draft = Draft with { Choices = [.. Draft.Choices.Select(c => c.Key == choice ? c with { Chosen = option } : c)] };
        row.SavedAt = clock.GetCurrentInstant();
        context.Entry(row).Property(r => r.Draft).IsModified = true;
        await context.SaveChangesAsync(cancel);
        return Redirect($"/book/read/{id}#choices");
    }

    /// <summary>What is said beside a step that belongs to a choice; empty for one that is always done.</summary>
    public string ChoiceOf(Step step) =>
        step.When is not { } when || Result.Recipe.Choices.FirstOrDefault(c => c.Key == when.Choice) is not { } choice ? ""
        : when.Options.Contains(choice.Chosen) ? "You may leave this out."
        : "Left out, as you chose.";

    /// <summary>Gives it another name.</summary>
    public async Task<IActionResult> OnPostNameAsync(Guid id, string? name, CancellationToken cancel)
    {
        if (await LoadAsync(id, cancel) is not { } row)
            return NotFound();
        if (IsStale(row))
            return RedirectToPage(new { id });
        row.Draft = Draft with { Name = (name ?? "").Trim() };
        await context.SaveChangesAsync(cancel);
        return RedirectToPage(new { id });
    }

    /// <summary>Puts it into the Book; what is still open goes along and is said wherever it is used.</summary>
    public async Task<IActionResult> OnPostKeepAsync(Guid id, CancellationToken cancel)
    {
        if (await LoadAsync(id, cancel) is not { } row)
            return NotFound();
        if (IsStale(row))
            return RedirectToPage(new { id });
        if (Result.Faults.Count > 0)
        {
            Wrong = string.Join(" ", Result.Faults.Take(4).Select(f => f.Message));
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
            return Page();
        }

        var key = await book.SaveAsync(Result.Recipe, "Read from words", true, cancel);
        await context.RecipeDrafts.Where(d => d.Id == id).ExecuteDeleteAsync(cancel);
        if (Request.Cookies[ThenCookie(id)] is not { } then || !Url.IsLocalUrl(then))
            return Redirect($"/book/{key}");
        Response.Cookies.Delete(ThenCookie(id));
        return Redirect($"{then}{(then.Contains('?', StringComparison.Ordinal) ? '&' : '?')}Make={key}");
    }

    /// <summary>Name of the cookie that says where a reading sheet leads to once its recipe is in the Book.</summary>
    public static string ThenCookie(Guid id) => $"then-{id:N}";

    /// <summary>Throws the sheet away.</summary>
    public async Task<IActionResult> OnPostDiscardAsync(Guid id, CancellationToken cancel) =>
        await context.RecipeDrafts.Where(d => d.Id == id).ExecuteDeleteAsync(cancel) == 0 ? NotFound() : Redirect("/book");

    /// <summary>What a sentence became, in words.</summary>
    public string Say(SentenceDraft sentence) =>
        sentence.Became switch
        {
            "name" => "the name",
            "summary" => "about it",
            "line" => "in the list",
            "part" => "a part",
            "yield" => "how much it makes",
            "keeping" => "how it keeps",
            "heat" => "the oven’s heat",
            "touch" => $"done part-way to {StepsOf(sentence)}",
            "remark" when sentence.Steps.Count > 0 => $"a remark beside {StepsOf(sentence)}",
            "step" => StepsOf(sentence),
            _ => "kept as a note",
        };

    /// <summary>A heat of the draft with its degree sign: "180 °C".</summary>
    public static string Heat(string written) =>
        written.Replace(" C", " °C", StringComparison.Ordinal).Replace(" F", " °F", StringComparison.Ordinal);

    /// <summary>The place of a step in the list, from 1; 0 when it is not there.</summary>
    public int NumberOf(string key) => Draft.Steps.FindIndex(s => s.Key == key) + 1;

    private string StepsOf(SentenceDraft sentence)
    {
        var numbers = sentence.Steps.Select(NumberOf).Where(n => n > 0).Distinct().Order().ToList();
        return numbers.Count == 0 ? "the method"
            : numbers.Count == 1 ? $"step {numbers[0]}"
            : $"steps {string.Join(", ", numbers.Take(numbers.Count - 1))} and {numbers[^1]}";
    }

    /// <summary>Whether the draft was changed since the sheet was shown; then that is said.</summary>
    private bool IsStale(RecipeDraftRow row)
    {
        if (row.Version == Version)
            return false;
        Said = "This sheet was changed on another device meanwhile; here is how it stands now.";
        return true;
    }

    private async Task<RecipeDraftRow?> LoadAsync(Guid id, CancellationToken cancel)
    {
        if (await context.RecipeDrafts.SingleOrDefaultAsync(d => d.Id == id, cancel) is not { } row)
            return null;
        var known = await book.KitchenAsync(cancel);
        Id = id;
        Draft = row.Draft;
        if (!HttpMethods.IsPost(Request.Method))
            Version = row.Version;
        Result = DraftReader.Read(Draft, known.Knowledge, known.Pans);
        Statement = AllergenStatement.Of(Result.Recipe, known.For(Result.Recipe));
        Finishes = FinishSplit.Told(Result.Recipe, Result.Recipe.Yield.Pieces, known.For(Result.Recipe));
        return row;
    }
}
