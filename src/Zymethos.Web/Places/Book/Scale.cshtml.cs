using System.Globalization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Core.Heat;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Scaling;
using Zymethos.Store;
using Zymethos.Store.Books;
using Zymethos.Web.Drawing;
using Zymethos.Work.Books;
using CoreRecipe = Zymethos.Core.Recipes.Recipe;

namespace Zymethos.Web.Places.Book;

/// <summary>How much of everything for this many? The page to prop up beside the bowl.</summary>
public sealed class ScaleModel(ZymethosContext context, KitchenBook book, IClock clock) : PageModel
{
    /// <summary>What it contains, may contain and is free from.</summary>
    public AllergenStatement Statement { get; private set; } = null!;

    /// <summary>What is said of each finish of the batch; empty when all pieces are alike.</summary>
    public IReadOnlyList<string> Finishes { get; private set; } = [];

    /// <summary>What is typed or dragged.</summary>
    [BindProperty(SupportsGet = true)]
    public ScaleForm Form { get; set; } = new();

    /// <summary>The recipe as it is baked.</summary>
    public CoreRecipe Recipe { get; private set; } = null!;

    /// <summary>The kitchen.</summary>
    public Zymethos.Core.Kitchens.Kitchen Kitchen { get; private set; } = null!;

    /// <summary>Everything that follows.</summary>
    public ScaleSheet Sheet { get; private set; } = null!;

    /// <summary>What is wrong with what was typed; empty when nothing is. The sheet then stands for one recipe.</summary>
    public string Wrong { get; private set; } = "";

    /// <summary>The scale the sheet stands for.</summary>
    public double Factor { get; private set; } = 1;

    /// <summary>Whether the kitchen reads weights first.</summary>
    public bool WeightFirst => Kitchen.Habit == MeasuringHabit.Metric;

    /// <summary>Whether only the sheet is asked for.</summary>
    public bool IsFragment { get; private set; }

    /// <summary>The dough that is being mixed, with the flour that went in so far; null when none is.</summary>
    public FlourTallyRow? Tally { get; private set; }

    /// <summary>What earlier doughs of this recipe took, the latest first.</summary>
    public IReadOnlyList<FlourTallyRow> EarlierTallies { get; private set; } = [];

    /// <summary>Whether the dough takes flour until it feels right.</summary>
    public bool TakesTally =>
        Recipe
            .Parts.SelectMany(p => p.Lines)
            .Any(l =>
                l.IsHeldBack || (l.Amount is { } a && a.High > a.Low && l.Ingredient.Contains("flour", StringComparison.OrdinalIgnoreCase))
            );

    /// <summary>Bakes with their heats, each once.</summary>
    public IEnumerable<Step> Bakes => Recipe.Steps.Where(s => s.Oven is { State: OvenState.Bake }).DistinctBy(s => s.Oven!.SetTemperature);

    /// <summary>The sheet at a scale.</summary>
    public async Task<IActionResult> OnGetAsync(string key, CancellationToken cancel)
    {
        if (!await ReadAsync(key, cancel))
            return NotFound();
        IsFragment = Request.Headers.ContainsKey("HX-Request");
        return IsFragment ? Partial("_Sheet", this) : Page();
    }

    /// <summary>Flour goes into the dough, or it feels right.</summary>
    public async Task<IActionResult> OnPostTallyAsync(string key, string what, string? grams, CancellationToken cancel)
    {
        if (!await ReadAsync(key, cancel))
            return NotFound();
        IsFragment = Request.Headers.ContainsKey("HX-Request");
        var now = clock.GetCurrentInstant();
        var open = await context
            .FlourTallies.Where(t => t.Key == key && t.DoneAt == null)
            .OrderByDescending(t => t.StartedAt)
            .FirstOrDefaultAsync(cancel);
        if (what == "start" && open is null)
        {
            open = new FlourTallyRow
            {
                Id = Guid.CreateVersion7(),
                Key = key,
                StartedAt = now,
                PlannedGrams = Math.Round(Sheet.Flour.Grams, 1),
                InGrams = Math.Round(Sheet.Flour.Grams, 1),
            };
            context.FlourTallies.Add(open);
        }
        else if (what == "add" && open is not null)
        {
            if (
                double.TryParse(
                    (grams ?? "").Trim().Replace(',', '.'),
                    NumberStyles.AllowDecimalPoint | NumberStyles.AllowLeadingSign,
                    CultureInfo.InvariantCulture,
                    out var more
                )
                && Math.Abs(more) <= 5000
            )
                open.InGrams = Math.Max(0, open.InGrams + more);
            else
                Wrong = "How many grams went in? A number, like 20.";
        }
        else if (what == "right" && open is not null)
        {
            open.DoneAt = now;
        }

        try
        {
            await context.SaveChangesAsync(cancel);
        }
        catch (DbUpdateException e) when (WriteConflict.Is(e))
        {
            // Two of you at one bowl: what stands there now is shown, and nothing is counted twice.
            context.ChangeTracker.Clear();
            if (what == "add")
                Wrong = "The other baker put flour in at the same moment. Look at what went in by now, and add yours again.";
        }

        await ReadTalliesAsync(key, cancel);
        return IsFragment ? Partial("_Tally", this) : RedirectToPage(new { key });
    }

    /// <summary>A set temperature for every oven.</summary>
    public string Heat(Temperature temperature) => Heats.SayFully(temperature, Kitchen.Habit);

    /// <summary>A time to bake, in words.</summary>
    public static string Say(BakeTime time) =>
        time.LowMinutes == time.HighMinutes ? $"{time.LikelyMinutes} min" : $"{time.LowMinutes} to {time.HighMinutes} min";

    private async Task<bool> ReadAsync(string key, CancellationToken cancel)
    {
        if (await book.FindAsync(key, cancel) is not { } row)
            return false;
        var known = await book.KitchenAsync(cancel);
        Kitchen = known.Kitchen;
        var stored = row.ToRecipe();
        var knowledge = known.For(stored);
        Recipe = RecipeFacts.AsBaked(stored, knowledge);
        Statement = AllergenStatement.Of(stored, knowledge);
        var pan = string.IsNullOrEmpty(Form.Pan) ? null : known.Pans.FirstOrDefault(p => p.Name == Form.Pan);
        var count =
            Form.By == ScaleBy.Pans
            && int.TryParse(Form.Pans, NumberStyles.None, CultureInfo.InvariantCulture, out var n)
            && n is >= 1 and <= 48
                ? n
                : (int?)null;
        Factor = FactorOf(pan ?? RecipeFacts.OwnPan(Recipe)?.Pan, knowledge);
        var aside =
            double.TryParse(
                (Form.SetAside ?? "").Replace(',', '.'),
                NumberStyles.AllowDecimalPoint,
                CultureInfo.InvariantCulture,
                out var g
            ) && g is >= 0 and < 5000
                ? Mass.FromGrams(g)
                : default;
        Sheet = ScaleSheet.Of(Recipe, Factor, Kitchen, knowledge, pan, count, Form.CutBack, aside);
        Finishes = FinishSplit.Told(stored, Sheet.Scaled.Pieces, knowledge);
        Form.Show(this);
        await ReadTalliesAsync(key, cancel);
        return true;
    }

    private async Task ReadTalliesAsync(string key, CancellationToken cancel)
    {
        var rows = await context
            .FlourTallies.AsNoTracking()
            .Where(t => t.Key == key)
            .OrderByDescending(t => t.StartedAt)
            .Take(6)
            .ToListAsync(cancel);
        Tally = rows.Find(t => t.DoneAt is null);
        EarlierTallies = [.. rows.Where(t => t.DoneAt is not null).Take(4)];
    }

    private double FactorOf(Pan? pan, IngredientKnowledge knowledge)
    {
        var text = Form.Typed;
        if (string.IsNullOrWhiteSpace(text))
            return 1;
        if (
            !double.TryParse(text.Trim().Replace(',', '.'), NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var value)
            || !(value > 0)
        )
        {
            Wrong = "Give a number above zero. Below stands the recipe once.";
            return 1;
        }

        if (ScaleWish.Factor(Recipe, Form.By, value, pan, knowledge) is not { } factor)
        {
            Wrong =
                Form.By == ScaleBy.Pans
                    ? "This bakes on trays: choose by pieces or weight."
                    : "This recipe cannot be scaled by that: nothing of it is weighed.";
            return 1;
        }

        if (factor is >= ScaledRecipe.Smallest and <= ScaledRecipe.Largest)
            return factor;
        Wrong =
            $"That is {factor.ToString("0.####", CultureInfo.InvariantCulture)} times the recipe; "
            + $"{ScaledRecipe.Smallest.ToString(CultureInfo.InvariantCulture)} to {ScaledRecipe.Largest} times can be worked out. "
            + "Below stands the recipe once.";
        return 1;
    }
}

/// <summary>The five ways of asking, as typed. The one that decides keeps what was typed; the others follow.</summary>
public sealed class ScaleForm
{
    /// <summary>Which field decides.</summary>
    public ScaleBy By { get; set; } = ScaleBy.Multiple;

    /// <summary>How many times.</summary>
    public string? Times { get; set; }

    /// <summary>How many pieces.</summary>
    public string? Pieces { get; set; }

    /// <summary>Grams of dough.</summary>
    public string? Dough { get; set; }

    /// <summary>Grams of flour.</summary>
    public string? Flour { get; set; }

    /// <summary>How many pans.</summary>
    public string? Pans { get; set; }

    /// <summary>Which pan; empty for the recipe's own.</summary>
    public string? Pan { get; set; }

    /// <summary>Whether spice and leavener are cut back above four times.</summary>
    public bool CutBack { get; set; }

    /// <summary>Grams of dough set aside before it is divided.</summary>
    public string? SetAside { get; set; }

    /// <summary>What was typed where it decides.</summary>
    public string? Typed =>
        By switch
        {
            ScaleBy.Pieces => Pieces,
            ScaleBy.Dough => Dough,
            ScaleBy.Flour => Flour,
            ScaleBy.Pans => Pans,
            _ => Times,
        };

    /// <summary>Lets every field but the one that decides follow the sheet.</summary>
    internal void Show(ScaleModel model)
    {
        static string Text(double value, string format) => value.ToString(format, CultureInfo.InvariantCulture);
        if (By != ScaleBy.Multiple || Times is null)
            Times = Text(model.Factor, "0.###");
        if (By != ScaleBy.Pieces || Pieces is null)
            Pieces = Text(model.Recipe.Yield.Pieces * model.Factor, "0.#");
        if (By != ScaleBy.Dough || Dough is null)
            Dough = Text(model.Sheet.Dough.Grams, "0");
        if (By != ScaleBy.Flour || Flour is null)
            Flour = Text(model.Sheet.Flour.Grams, "0");
        if (By != ScaleBy.Pans || Pans is null)
            Pans = model.Sheet.Pans is { } plan ? Text(plan.Fit.Count, "0") : "";
    }
}
