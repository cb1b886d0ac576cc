using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Scaling;
using Zymethos.Interchange.Drafts;
using Zymethos.Store;
using Zymethos.Store.Books;
using Zymethos.Store.Workshop;
using Zymethos.Web.Drawing;
using Zymethos.Work.Books;
using Zymethos.Work.House;
using Zymethos.Work.Workshop;
using CoreRecipe = Zymethos.Core.Recipes.Recipe;

namespace Zymethos.Web.Places.Book;

/// <summary>One recipe to read: as written and as weighed, its choices and swaps, its method drawn and in words.</summary>
public sealed class RecipeModel(ZymethosContext context, KitchenBook book, SheetShelf sheets, IClock clock) : PageModel
{
    private MeasuringHabit _habit;

    /// <summary>The recipe as it stands in the Book, with every way of every choice.</summary>
    public CoreRecipe Stored { get; private set; } = null!;

    /// <summary>The recipe as it is baked here: choices made, swaps taken.</summary>
    public CoreRecipe Recipe { get; private set; } = null!;

    /// <summary>What holds for its ingredients.</summary>
    public IngredientKnowledge Knowledge { get; private set; } = IngredientKnowledge.Shipped;

    /// <summary>Its ingredients once.</summary>
    public ScaledRecipe Scaled { get; private set; } = null!;

    /// <summary>Whether the kitchen reads weights first.</summary>
    public bool WeightFirst => _habit == MeasuringHabit.Metric;

    /// <summary>What a look at it as it stands asks, beyond what reading left open.</summary>
    public IReadOnlyList<OpenQuestion> Asked { get; private set; } = [];

    /// <summary>What it contains, may contain and is free from.</summary>
    public AllergenStatement Statement { get; private set; } = null!;

    /// <summary>Diets of which nobody can say whether it suits them.</summary>
    public IReadOnlyList<Diet> Unsure { get; private set; } = [];

    /// <summary>Diets it suits as it stands.</summary>
    public IReadOnlyList<Diet> Suits { get; private set; } = [];

    /// <summary>What keeps it from being planned; empty when nothing does.</summary>
    public IReadOnlyList<string> Missing { get; private set; } = [];

    /// <summary>Pages of the Workshop that are kept with it.</summary>
    public IReadOnlyList<SheetRow> Sheets { get; private set; } = [];

    /// <summary>What was just done, in words; empty when nothing was.</summary>
    [TempData]
    public string? Said { get; set; }

    /// <summary>Reads it, or says that there is no such page.</summary>
    public async Task<IActionResult> OnGetAsync(string key, CancellationToken cancel) => await ReadAsync(key, cancel) ? Page() : NotFound();

    /// <summary>Makes a choice another way.</summary>
    public Task<IActionResult> OnPostChooseAsync(string key, string choice, string option, CancellationToken cancel) =>
        ChangeAsync(
            key,
            r => ChosenRecipe.Choose(r, choice, option),
            r =>
                r.Choices.FirstOrDefault(c => c.Key == choice) is { } c && c.Options.FirstOrDefault(o => o.Key == option) is { } o
                    ? $"{c.Question} {o.Name}."
                    : "",
            cancel
        );

    /// <summary>Takes another ingredient for one, or the recipe's own again when no rule is given.</summary>
    public Task<IActionResult> OnPostSwapAsync(string key, string ingredient, string? rule, CancellationToken cancel) =>
        ChangeAsync(
            key,
            r =>
            {
                var without = r.Swaps.Where(s => s.Ingredient != ingredient);
                return r with { Swaps = string.IsNullOrEmpty(rule) ? [.. without] : [.. without, new Swap(rule, ingredient)] };
            },
            _ =>
                string.IsNullOrEmpty(rule) ? $"{ingredient}: back to the recipe’s own."
                : rule == SubstitutionRule.LeaveOut ? $"{ingredient}: left out."
                : SubstitutionRule.Find(rule) is { } r
                    ? $"{ingredient}: {string.Join(" and ", r.To.Select(t => t.Ingredient))} instead. {r.Changes}"
                : "",
            cancel
        );

    /// <summary>Makes a version for a diet, as far as the recipe can.</summary>
    public async Task<IActionResult> OnPostDietAsync(string key, Diet diet, CancellationToken cancel)
    {
        if (!await ReadAsync(key, cancel))
            return NotFound();
        if (await QuickerAsync(key, cancel))
            return RedirectToPage(new { key });
        var version = Diets.VersionFor(Stored, diet, Knowledge);
        if (version.Left.Length > 0)
            Said =
                $"This recipe cannot be made {Diets.Name(diet)}: there is no good stand-in here for "
                + $"{string.Join(", ", version.Left)}. Nothing was changed.";
        else if (version.Taken.IsEmpty)
            Said = version.Open.IsEmpty
                ? $"It is {Diets.Name(diet)} as it stands."
                : $"Nothing in it is known to stand against that, and nobody can say that it is {Diets.Name(diet)}: "
                    + $"{string.Join("; ", version.Open.Select(o => $"{o.Line}: {o.Why}").Take(4))}.";
        else
        {
            await book.SaveAsync(version.Version, $"Made {Diets.Name(diet)}", false, cancel);
            var open = string.Join("; ", version.Open.Select(o => $"{o.Line}: {o.Why}").Take(4));
            var now = version.Open.IsEmpty
                ? $"Now {Diets.Name(diet)}."
                : $"Changed toward {Diets.Name(diet)}, but this is not known: {open}.";
            Said = $"{now} {string.Join(" ", version.Taken)} Boards, bowls and trays carry traces; labels have the last word.";
        }

        return RedirectToPage(new { key });
    }

    /// <summary>Takes a question off the recipe: somebody has looked. What is not known of its lines stays so.</summary>
    public async Task<IActionResult> OnPostLookedAsync(string key, int question, CancellationToken cancel)
    {
        if (await book.FindAsync(key, cancel) is not { } row)
            return NotFound();
        if (await QuickerAsync(key, cancel))
            return RedirectToPage(new { key });
        var recipe = row.ToRecipe();
        if (question < 0 || question >= recipe.Questions.Length)
            return BadRequest();
        await book.SaveAsync(recipe with { Questions = recipe.Questions.RemoveAt(question) }, "Looked at a question", false, cancel);
        return RedirectToPage(new { key });
    }

    /// <summary>Opens the recipe for editing; an edit that was begun goes on.</summary>
    public async Task<IActionResult> OnPostEditAsync(string key, CancellationToken cancel)
    {
        if (await book.FindAsync(key, cancel) is not { } row)
            return NotFound();
        var draft = await context.RecipeDrafts.FirstOrDefaultAsync(d => d.Key == key, cancel);
        if (draft is null)
        {
            draft = new RecipeDraftRow
            {
                Id = Guid.CreateVersion7(),
                Key = key,
                Draft = DraftOf.Recipe(row.ToRecipe()),
                Begun = Seen.Of(key, row),
                SavedAt = clock.GetCurrentInstant(),
            };
            context.RecipeDrafts.Add(draft);
            try
            {
                await context.SaveChangesAsync(cancel);
            }
            catch (DbUpdateException e) when (WriteConflict.Is(e))
            {
                // Opened twice in the same moment: both go on in the draft of whoever was first.
                context.ChangeTracker.Clear();
                draft = await context.RecipeDrafts.AsNoTracking().FirstAsync(d => d.Key == key, cancel);
            }
        }

        return Redirect($"/book/edit/{draft.Id}");
    }

    /// <summary>Takes it out of the Book; its versions stay.</summary>
    public async Task<IActionResult> OnPostRemoveAsync(string key, CancellationToken cancel)
    {
        if (await book.FindAsync(key, cancel) is null)
            return NotFound();
        if (await QuickerAsync(key, cancel))
            return RedirectToPage(new { key });
        return await book.RemoveAsync(key, cancel) ? Redirect($"/book/{key}/versions") : NotFound();
    }

    /// <summary>Whether somebody else changed the recipe since it was shown; then the page says so.</summary>
    private async Task<bool> QuickerAsync(string key, CancellationToken cancel)
    {
        var words = await book.ConflictAsync(key, Request.Form[Seen.Field].FirstOrDefault(), cancel);
        if (words.Length > 0)
            Said = $"{words} {KitchenBook.NotKept}";
        return words.Length > 0;
    }

    /// <summary>The amounts as the recipe has them.</summary>
    public string MeasureOf(ScaledLine scaled)
    {
        var line = scaled.Line;
        return line.Amount is { } amount && !(line.Weight is not null && amount.Unit == MeasureUnit.Gram) ? amount.ToText() : "";
    }

    /// <summary>What could be taken for a line, with the key of the rule. Empty where there is nothing.</summary>
    public IReadOnlyList<(string Rule, string Words)> InsteadOf(IngredientLine line)
    {
        if (line.InsteadOf.Length > 0)
            return [];
        var rules = SwappedRecipe
            .RulesFor(Recipe, line, Knowledge)
            .Select(r => (r.Key, string.Join(" + ", r.To.Select(t => t.Ingredient))));
        return line.IsOptional ? [(SubstitutionRule.LeaveOut, "leave it out"), .. rules] : [.. rules];
    }

    /// <summary>The rule by which a line stands for another; null for the recipe's own.</summary>
    public SubstitutionRule? RuleOf(IngredientLine line) =>
        Recipe.Swaps.FirstOrDefault(s => s.Ingredient == line.InsteadOf) is { } swap ? SubstitutionRule.Find(swap.Rule) : null;

    /// <summary>A set temperature in the kitchen's own scale first.</summary>
    public string Heat(Temperature temperature) => Heats.SayFully(temperature, _habit);

    /// <summary>"8 to 12 min", or one figure when the two are the same.</summary>
    public static string Span(DurationEstimate takes)
    {
        var (low, high) = ((int)takes.Low.TotalMinutes, (int)takes.High.TotalMinutes);
        if (low == high)
            return Spoken.Minutes(low);
        if (high >= 2880)
            return $"{low / 1440.0:0.#} to {high / 1440.0:0.#} days";
        return high < 60 ? $"{low} to {high} min" : $"{Spoken.Minutes(low)} to {Spoken.Minutes(high)}";
    }

    /// <summary>The windows that open after a step, in words.</summary>
    public IEnumerable<string> WindowsAfter(Step step)
    {
        foreach (var link in Recipe.Links.Where(l => l.From == step.Key && l.MaxLag is { } most && most > Duration.Zero))
        {
            var next = Recipe.Steps.First(s => s.Key == link.To);
            var strength = link.Window == WindowKind.Hard ? "" : "better ";
            var most = (int)link.MaxLag!.Value.TotalMinutes;
            yield return $"Then “{next.Title}” {strength}within "
                + $"{(most >= 2880 ? $"{most / 1440} days" : Spoken.Minutes(most))}{(link.Why.Length > 0 ? $": {link.Why}" : "")}.";
        }
    }

    /// <summary>A touch in words: "after about 15 min: strew the crumb on".</summary>
    public static string Say(BakeTouch touch, Step step) =>
        $"after about {Spoken.Minutes((int)Math.Round(touch.At * step.Takes.Likely.TotalMinutes))}: "
        + $"{(touch.Title.Length > 0 ? touch.Title : touch.Kind.ToString()).ToLowerInvariant()}";

    private async Task<bool> ReadAsync(string key, CancellationToken cancel)
    {
        if (await book.FindAsync(key, cancel) is not { } row)
            return false;
        var known = await book.KitchenAsync(cancel);
        _habit = known.Kitchen.Habit;
        ViewData[Seen.Field] = Seen.Of(key, row);
        Stored = row.ToRecipe();
        Knowledge = known.For(Stored);
        Recipe = RecipeFacts.AsBaked(Stored, Knowledge);
        Scaled = ScaledRecipe.ByMultiple(Recipe, 1, Knowledge);
        Statement = AllergenStatement.Of(Stored, Knowledge);
        Suits = [.. Enum.GetValues<Diet>().Where(d => Diets.Stand(Statement, d) == DietStand.Suits)];
        Unsure = [.. Enum.GetValues<Diet>().Where(d => Diets.Stand(Statement, d) == DietStand.NotKnown)];
        Missing = RecipeCheck.Missing(Stored);
        Sheets = await sheets.OfAsync(key, cancel);
        Asked = [.. RecipeAsks.Of(Stored).Where(a => Stored.Questions.All(q => q.Text != a.Text))];
        return true;
    }

    private async Task<IActionResult> ChangeAsync(
        string key,
        Func<CoreRecipe, CoreRecipe> change,
        Func<CoreRecipe, string> note,
        CancellationToken cancel
    )
    {
        if (await book.FindAsync(key, cancel) is not { } row)
            return NotFound();
        var recipe = row.ToRecipe();
        var words = note(recipe);
        if (words.Length == 0)
            return BadRequest();
        if (await QuickerAsync(key, cancel))
            return RedirectToPage(new { key });
        await book.SaveAsync(change(recipe), words, false, cancel);
        Said = words;
        return RedirectToPage(new { key });
    }
}
