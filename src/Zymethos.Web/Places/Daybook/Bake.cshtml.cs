using System.Globalization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Documents;
using Zymethos.Store;
using Zymethos.Store.Daybooks;
using Zymethos.Web.Setup;
using Zymethos.Work.Books;
using Zymethos.Work.Daybooks;
using Zymethos.Work.House;

namespace Zymethos.Web.Places.Daybook;

/// <summary>What is typed to change a recipe by how it turned out.</summary>
public sealed class LessonForm
{
    /// <summary>Key of the bake that is meant.</summary>
    public string? Step { get; set; }

    /// <summary>New minutes.</summary>
    public string? Minutes { get; set; }

    /// <summary>New heat, in the kitchen's own degrees.</summary>
    public string? Heat { get; set; }

    /// <summary>Name of a pan.</summary>
    public string? Pan { get; set; }

    /// <summary>Which line, as part and line.</summary>
    public string? Line { get; set; }

    /// <summary>New grams.</summary>
    public string? Grams { get; set; }

    /// <summary>Why.</summary>
    public string? Reason { get; set; }
}

/// <summary>One bake: everything that is known of it, and what to do about it.</summary>
public sealed class BakeModel(DaybookDesk desk, KitchenBook book, ZymethosContext context) : PageModel
{
    /// <summary>The bake.</summary>
    public PastBakeRow Row { get; private set; } = null!;

    /// <summary>Its document.</summary>
    public PastBakeDocument Bake => Row.Document;

    /// <summary>How the kitchen says heats.</summary>
    public KitchenSays Says => Known.Kitchen.Says;

    /// <summary>The kitchen.</summary>
    public KnownKitchen Known { get; private set; } = null!;

    /// <summary>Its recipe as it is now; null where it is in no Book.</summary>
    public Recipe? Recipe { get; private set; }

    /// <summary>What of it cannot have been.</summary>
    public IReadOnlyList<string> Troubles { get; private set; } = [];

    /// <summary>Pictures that are still there.</summary>
    public IReadOnlyList<Guid> Photos { get; private set; } = [];

    /// <summary>What all bakes of it teach.</summary>
    public Lessons Lessons { get; private set; } = null!;

    /// <summary>What is typed to change the recipe.</summary>
    [BindProperty]
    public LessonForm Form { get; set; } = new();

    /// <summary>What is written to it.</summary>
    [BindProperty]
    public string? Note { get; set; }

    /// <summary>What a piece weighed.</summary>
    [BindProperty]
    public string? Weight { get; set; }

    /// <summary>What became of the last touch; kept over a redirect.</summary>
    [TempData]
    public string? Said { get; set; }

    /// <summary>The page.</summary>
    public async Task<IActionResult> OnGetAsync(Guid id, CancellationToken cancel)
    {
        if (!await FillAsync(id, cancel))
            return NotFound();
        (Note, Weight) = (Bake.Note, Bake.Weight?.ToString("0.#", CultureInfo.InvariantCulture));
        Form = Suggested();
        return Page();
    }

    /// <summary>Makes a version of the recipe.</summary>
    public async Task<IActionResult> OnPostChangeAsync(Guid id, CancellationToken cancel)
    {
        if (!await FillAsync(id, cancel))
            return NotFound();
        (Note, Weight) = (Bake.Note, Bake.Weight?.ToString("0.#", CultureInfo.InvariantCulture));
        if (Recipe is not { } recipe)
            return NotFound();
        if (await book.ConflictAsync(recipe.Key, Request.Form[Seen.Field].FirstOrDefault(), cancel) is { Length: > 0 } quicker)
        {
            ModelState.AddModelError("", $"{quicker} {KitchenBook.NotKept}");
            return Wrong();
        }

        int? minutes = null;
        double? heat = null;
        double? grams = null;
        if (!string.IsNullOrWhiteSpace(Form.Minutes))
        {
            if (int.TryParse(Form.Minutes.Trim(), NumberStyles.None, CultureInfo.InvariantCulture, out var typed))
                minutes = typed;
            else
                ModelState.AddModelError("Form.Minutes", "Whole minutes, like 24.");
        }

        if (!string.IsNullOrWhiteSpace(Form.Heat))
        {
            if (
                double.TryParse(Form.Heat.Trim(), NumberStyles.Float, CultureInfo.InvariantCulture, out var typed) && double.IsFinite(typed)
            )
                heat = Says.ToCelsius(typed);
            else
                ModelState.AddModelError("Form.Heat", $"A heat in {Says.Unit}, like {Says.DialNumber(180)}.");
        }

        if (!string.IsNullOrWhiteSpace(Form.Grams))
        {
            if (
                double.TryParse(Form.Grams.Trim(), NumberStyles.Float, CultureInfo.InvariantCulture, out var typed)
                && double.IsFinite(typed)
            )
                grams = typed;
            else
                ModelState.AddModelError("Form.Grams", "Grams, like 240.");
        }

        var pan = Known.Pans.FirstOrDefault(p => p.Name == Form.Pan);
        if (!ModelState.IsValid)
            return Wrong();
        var lesson = new RecipeLesson(Form.Step ?? "", minutes, heat, pan, Form.Line ?? "", grams);
        var (changed, words) = lesson.On(recipe, Says.Degrees);
        if (changed is not null && RecipeCheck.Missing(changed) is { Count: > 0 } missing && RecipeCheck.Missing(recipe).Count == 0)
            (changed, words) = (null, string.Join(" ", missing));
        if (changed is null)
        {
            ModelState.AddModelError("", words);
            return Wrong();
        }

        var reason = (Form.Reason ?? "").Trim();
        var note =
            $"From the Daybook, {Row.Date.ToString("d MMM uuuu", CultureInfo.InvariantCulture)}: {words}"
            + (reason.Length > 0 ? $". Because: {reason}" : "");
        await book.SaveAsync(changed, note, isNew: false, cancel);
        await desk.KeepAsync(Bake with { Changed = Short(reason.Length > 0 ? $"{words} ({reason})" : words) }, cancel);
        Said = $"{words}. It is a new version of {recipe.Name}; the one before is kept.";
        return Redirect($"/daybook/bakes/{id}");
    }

    /// <summary>Leaves it out of what is learned, or counts it again.</summary>
    public async Task<IActionResult> OnPostLeaveOutAsync(Guid id, bool off, CancellationToken cancel)
    {
        if (!await FillAsync(id, cancel))
            return NotFound();
        await desk.KeepAsync(Bake with { LeftOut = off }, cancel);
        Said = off ? "Nothing is learned from it any more." : "It counts again.";
        return Redirect($"/daybook/bakes/{id}");
    }

    /// <summary>Writes something to it.</summary>
    public async Task<IActionResult> OnPostNoteAsync(Guid id, CancellationToken cancel)
    {
        if (!await FillAsync(id, cancel))
            return NotFound();
        double? weight = null;
        if (!string.IsNullOrWhiteSpace(Weight))
        {
            if (
                double.TryParse(Weight.Trim(), NumberStyles.Float, CultureInfo.InvariantCulture, out var typed)
                && typed is > 0 and <= 50_000
            )
                weight = typed;
            else
                ModelState.AddModelError("Weight", "Grams above 0, like 48.5.");
        }

        if ((Note?.Length ?? 0) > PastBakeCheck.LongestText)
            ModelState.AddModelError("Note", $"Up to {PastBakeCheck.LongestText} characters.");
        if (!ModelState.IsValid)
        {
            Form = Suggested();
            return Wrong();
        }

        await desk.KeepAsync(Bake with { Note = string.IsNullOrWhiteSpace(Note) ? null : Note.Trim(), Weight = weight }, cancel);
        Said = "Written down.";
        return Redirect($"/daybook/bakes/{id}");
    }

    /// <summary>Deletes what was written by hand.</summary>
    public async Task<IActionResult> OnPostDeleteAsync(Guid id, CancellationToken cancel)
    {
        if (!await FillAsync(id, cancel))
            return NotFound();
        var name = Bake.Name;
        if (!await desk.DeleteAsync(id, cancel))
            return NotFound();
        TempData[nameof(IndexModel.Said)] = $"{name} is deleted from the Daybook.";
        return Redirect("/daybook");
    }

    /// <summary>Its day, how much of it, and who wrote it down.</summary>
    public string When =>
        Row.Date.ToString("dddd d MMMM uuuu", CultureInfo.InvariantCulture)
        + (Bake.Batches > 1 ? $", {Bake.Batches} batches" : "")
        + (Bake.Source == "hand" ? ", written down by hand" : "");

    /// <summary>A bake of the recipe in words.</summary>
    public string Words(Step step) =>
        $"{step.Title}: {step.Takes.Likely.TotalMinutes:0} min at {Says.Dial(step.Oven!.SetTemperature.Celsius)}";

    /// <summary>A piece of handwork in words.</summary>
    public static string Words(PastHandDocument hand) =>
        string.Create(CultureInfo.InvariantCulture, $"{hand.Minutes:0.#} min, {hand.RecipeMinutes:0} by the recipe")
        + (hand.Who is { } who ? $", {who}" : "");

    /// <summary>Bakes of the recipe that can be changed.</summary>
    public IEnumerable<Step> Steps => Recipe?.Steps.Where(s => s is { Kind: StepKind.Bake, Oven.State: OvenState.Bake }) ?? [];

    /// <summary>What is wrong with a field; empty where nothing is.</summary>
    public string WrongAt(string field) => ModelState.At(field);

    private PageResult Wrong()
    {
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }

    // The bake as it was is the first guess of what the recipe should say.
    private LessonForm Suggested()
    {
        var load = (Bake.Loads ?? []).FirstOrDefault(l => PastBakeCheck.IsSound(l) && Steps.Any(s => s.Key == l.Step));
        var step = Steps.FirstOrDefault(s => s.Key == load?.Step) ?? Steps.FirstOrDefault();
        var likely = step?.Takes.Likely.TotalMinutes;
        var minutes =
            load?.StepMinutes is { } then && load.RecipeMinutes is > 0 and { } recipe ? Math.Round(load.Minutes * then / recipe) : likely;
        return new LessonForm
        {
            Step = step?.Key,
            Minutes = minutes?.ToString("0", CultureInfo.InvariantCulture),
            Heat = step?.Oven is { } use ? Says.DialNumber(use.SetTemperature.Celsius).ToString(CultureInfo.InvariantCulture) : null,
            Pan = step?.Oven?.Pan.Name,
            Reason = Bake.ToChange,
        };
    }

    private async Task<bool> FillAsync(Guid id, CancellationToken cancel)
    {
        if (await desk.BakeAsync(id, cancel) is not { } row)
            return false;
        Row = row;
        var shelf = await book.ShelfAsync(cancel);
        Known = shelf.Known;
        var shelved = shelf.Recipes.FirstOrDefault(r => r.Recipe.Key == Bake.Recipe);
        Recipe = shelved?.Recipe;
        if (shelved is not null)
            ViewData[Seen.Field] = Seen.Of(shelved.Recipe.Key, shelved.Row);
        Troubles = PastBakeCheck.Troubles(Bake);
        var wanted = (Bake.Photos ?? []).Select(p => Guid.TryParse(p, out var photo) ? photo : Guid.Empty).ToList();
        Photos = wanted.Count == 0 ? [] : await context.BenchPhotos.Where(p => wanted.Contains(p.Id)).Select(p => p.Id).ToListAsync(cancel);
        Lessons = await desk.LessonsAsync(cancel);
        return true;
    }

    private static string Short(string words) => words.Length <= 400 ? words : words[..399] + "…";
}
