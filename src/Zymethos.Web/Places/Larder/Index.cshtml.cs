using System.Globalization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using NodaTime;
using NodaTime.Text;
using Zymethos.Core.Larder;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Larder;
using Zymethos.Planning.Larder;
using Zymethos.Work.Books;
using Zymethos.Work.House;
using Zymethos.Work.Stock;

namespace Zymethos.Web.Places.Larder;

/// <summary>Something for the shelf, as it is typed.</summary>
public sealed class StockForm
{
    /// <summary>Its id; empty for something new.</summary>
    public string? Id { get; set; }

    /// <summary>What it is.</summary>
    public string? Name { get; set; }

    /// <summary>How much: "2 x 250 g", "12", "1.5 kg".</summary>
    public string? Much { get; set; }

    /// <summary>What kind of thing.</summary>
    public string Kind { get; set; } = "ingredient";

    /// <summary>Its date.</summary>
    public string? BestBy { get; set; }

    /// <summary>Where it stands.</summary>
    public string? Place { get; set; }

    /// <summary>Whether it is opened.</summary>
    public bool Opened { get; set; }

    /// <summary>The number under the bars of its package.</summary>
    public string? Code { get; set; }
}

/// <summary>The Larder: what is there, and what must be used soon?</summary>
public sealed class IndexModel(StockShelf stock, PackageCodes codes, KitchenBook book, IClock clock) : PageModel
{
    /// <summary>So many days before its date something is to be used.</summary>
    public const int SoonDays = 7;

    /// <summary>What is typed, or what is changed.</summary>
    [BindProperty]
    public StockForm Form { get; set; } = new();

    /// <summary>What is there.</summary>
    public IReadOnlyList<StockLeft> Stock { get; private set; } = [];

    /// <summary>What must be used soon, why, what uses it, and how it is frozen in portions.</summary>
    public IReadOnlyList<(string Thing, string Why, IReadOnlyList<Recipe> Bakes, string Portions)> Soon { get; private set; } = [];

    /// <summary>Names that the kitchen knows.</summary>
    public IReadOnlyList<string> Names { get; private set; } = [];

    /// <summary>What is wrong; empty where nothing is.</summary>
    public string Wrong { get; private set; } = "";

    /// <summary>Whether something is changed.</summary>
    public bool IsChange => !string.IsNullOrEmpty(Form.Id);

    /// <summary>What became of the last touch; kept over a redirect.</summary>
    [TempData]
    public string? Said { get; set; }

    /// <summary>Kinds of things, as they are said.</summary>
    public static IReadOnlyList<(string Value, string Name)> Kinds { get; } =
    [
        ("ingredient", "something to bake with"),
        ("bake", "a finished bake"),
        ("dough", "dough or batter"),
        ("soak", "soaking fruit"),
        ("starter", "starter or discard"),
        ("wish", "still to be bought: paper, ribbon, candles"),
    ];

    /// <summary>How it stands, in a sentence.</summary>
    public string Answer =>
        Stock.Count == 0 ? "Nothing is written down yet. What stands here is not bought again."
        : Soon.Count == 0 ? "Nothing has to be used up this week."
        : $"{(Soon.Count == 1 ? "One thing wants" : $"{Soon.Count} things want")} using up: {Soon[0].Thing} first.";

    /// <summary>The page.</summary>
    public async Task<IActionResult> OnGetAsync(Guid? id, CancellationToken cancel)
    {
        await FillAsync(cancel);
        if (id is null)
            return Page();
        if (Stock.FirstOrDefault(s => s.Row.Id == id) is not { Row.Document: { } thing } own)
            return NotFound();
        Form = new StockForm
        {
            Id = thing.Id,
            Name = thing.Name,
            Much = own.Left is { } grams
                ? $"{grams.ToString("0.#", CultureInfo.InvariantCulture)} g"
                : thing.Pieces?.ToString(CultureInfo.InvariantCulture),
            Kind = thing.Kind,
            BestBy = thing.BestBy,
            Place = thing.Place,
            Opened = thing.Opened,
        };
        return Page();
    }

    /// <summary>Puts something on the shelf, or changes it.</summary>
    public async Task<IActionResult> OnPostAsync(CancellationToken cancel)
    {
        await FillAsync(cancel);
        var shelf = await book.ShelfAsync(cancel);
        var code = PackageCode.Read(Form.Code);
        if (!string.IsNullOrWhiteSpace(Form.Code) && code is null)
            Wrong = $"“{Form.Code}” is no number of a package: 8, 12, 13 or 14 digits, and the last one fits the others.";
        else if (code is not null && string.IsNullOrWhiteSpace(Form.Name))
            await FromCodeAsync(code, cancel);
        if (Wrong.Length > 0)
        {
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
            return Page();
        }

        var much = StockAmount.Read(Form.Much ?? "", shelf.Known.Knowledge);
        Wrong =
            much is null && !string.IsNullOrWhiteSpace(Form.Much) && Form.Kind != "wish"
                ? $"“{Form.Much}” is no amount: a weight like 2 x 250 g, or a number like 12."
                : "";
        if (Wrong.Length == 0)
        {
            Wrong = await stock.KeepAsync(
                new StockDocument(
                    string.IsNullOrEmpty(Form.Id) ? Guid.CreateVersion7().ToString() : Form.Id,
                    (Form.Name ?? "").Trim(),
                    Form.Kind,
                    much?.Grams,
                    much?.Pieces,
                    Form.Opened,
                    string.IsNullOrWhiteSpace(Form.BestBy) ? null : Form.BestBy.Trim(),
                    string.IsNullOrWhiteSpace(Form.Place) ? null : Form.Place.Trim(),
                    Since: LocalDatePattern.Iso.Format(Today(shelf))
                ),
                cancel
            );
        }

        if (Wrong.Length > 0)
        {
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
            return Page();
        }

        if (code is not null && much is not null && Form.Kind == "ingredient")
            await codes.LearnAsync(Form.Name!.Trim(), new PackageCodeDocument(code, much.Grams, much.Pieces), cancel);
        Said = Form.Kind == "wish" ? $"{Form.Name} stands on the list." : $"{Form.Name} is on the shelf.";
        return Redirect("/larder");
    }

    /// <summary>What a scanned package is, for the form.</summary>
    public async Task<IActionResult> OnGetCodeAsync(string? code, CancellationToken cancel) =>
        PackageCode.Read(code) is { } read && await codes.FindAsync(read, cancel) is var (name, package)
            ? new JsonResult(new { name, much = Much(package) })
            : NotFound();

    private async Task FromCodeAsync(string code, CancellationToken cancel)
    {
        if (await codes.FindAsync(code, cancel) is not var (name, package))
        {
            Wrong = "This package is new here: say what it is and how much, once.";
            return;
        }

        Form.Name = name;
        if (string.IsNullOrWhiteSpace(Form.Much))
            Form.Much = Much(package);
    }

    private static string Much(PackageCodeDocument package) =>
        package.Grams is { } grams
            ? $"{grams.ToString("0.#", CultureInfo.InvariantCulture)} g"
            : package.Pieces?.ToString(CultureInfo.InvariantCulture) ?? "";

    /// <summary>Takes something off the shelf.</summary>
    public async Task<IActionResult> OnPostDeleteAsync(Guid id, CancellationToken cancel)
    {
        Said = await stock.DeleteAsync(id, cancel) is { Length: > 0 } name ? $"{name} is gone." : "That was gone already.";
        return Redirect("/larder");
    }

    /// <summary>How much is left, in words.</summary>
    public static string Much(StockLeft thing) =>
        thing.Left is { } grams ? ShopLine.Weight(Math.Round(grams))
        : thing.Row.Document.Pieces is { } pieces ? pieces.ToString(CultureInfo.InvariantCulture)
        : "some";

    /// <summary>A kind as it is said.</summary>
    public static string KindName(string kind) => Kinds.FirstOrDefault(k => k.Value == kind).Name ?? kind;

    /// <summary>Its date in words.</summary>
    public string Date(StockLeft thing) => thing.BestBy?.ToString("d MMM uuuu", CultureInfo.InvariantCulture) ?? "";

    /// <summary>Whether its date is over.</summary>
    public bool IsLate(StockLeft thing) => thing.BestBy is { } date && date < _today;

    private LocalDate _today;

    private LocalDate Today(BookShelf shelf) => KitchenClock.At(shelf.Known.Kitchen.Zone, clock.GetCurrentInstant()).Date;

    private async Task FillAsync(CancellationToken cancel)
    {
        var shelf = await book.ShelfAsync(cancel);
        _today = Today(shelf);
        Stock = await stock.AllAsync(shelf, cancel);
        Names = [.. shelf.Known.Knowledge.All.Select(i => i.Name)];
        Soon =
        [
            .. Stock
                .Where(s => s.Row.Document.Kind != "wish" && (s.Left is null or > 0.5))
                .Select(s => (s, Why: Why(s)))
                .Where(s => s.Why.Length > 0)
                .Select(s => (s.s, s.Why, Bakes: Uses(s.s, shelf)))
                .Select(s => ($"{s.s.Row.Name}, {Much(s.s)}", s.Why, s.Bakes, Portions(s.s.Row.Name, s.Bakes, shelf.Known.Knowledge))),
        ];
    }

    private string Why(StockLeft thing)
    {
        if (thing.BestBy is { } date)
        {
            var days = Period.DaysBetween(_today, date);
            if (days < 0)
                return $"past its date since {Date(thing)}: look at it, and when in doubt throw it out";
            if (days <= SoonDays)
                return days == 0 ? "today is its date" : $"good for {(days == 1 ? "a day" : $"{days} days")} more";
        }

        return thing.Row.Document.Opened && thing.Row.Document.Kind == "ingredient" ? "opened"
            : thing.Row.Document.Kind == "starter" ? "a jar of it"
            : "";
    }

    /// <summary>In which portions produce is frozen, so that each is as much as a recipe wants; empty for what is none.</summary>
    private static string Portions(string thing, IReadOnlyList<Recipe> bakes, IngredientKnowledge knowledge)
    {
        if (Produce.FrozenAs(thing) is not { Length: > 0 } frozen)
            return "";
        var name = StockShelf.Name(thing, knowledge);
        var portions = bakes
            .Select(r =>
                (
                    r.Name,
                    Grams: ChosenRecipe
                        .Of(r)
                        .Parts.SelectMany(p => p.Lines)
                        .Where(l => StockShelf.Name(l.Ingredient, knowledge) == name)
                        .Sum(l => l.Weight?.Grams ?? 0)
                )
            )
            .Where(p => p.Grams > 0)
            .Select(p => $"{ShopLine.Weight(Math.Round(p.Grams))} for {p.Name}");
        var said = string.Join(", ", portions);
        return said.Length == 0 ? frozen : $"{frozen} Freeze it in portions: {said}.";
    }

    private static IReadOnlyList<Recipe> Uses(StockLeft thing, BookShelf shelf)
    {
        if (thing.Row.Document.Kind is not ("ingredient" or "starter"))
            return [];
        var name = StockShelf.Name(thing.Row.Name, shelf.Known.Knowledge);
        return
        [
            .. shelf
                .All.Where(r => r.Parts.SelectMany(p => p.Lines).Any(l => StockShelf.Name(l.Ingredient, shelf.Known.Knowledge) == name))
                .Take(5),
        ];
    }
}
