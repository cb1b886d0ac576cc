using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Zymethos.Core.Kitchens;
using Zymethos.Interchange.Documents;
using Zymethos.Store.Daybooks;
using Zymethos.Work.Books;
using Zymethos.Work.Daybooks;

namespace Zymethos.Web.Places.Daybook;

/// <summary>A day in the list.</summary>
/// <param name="Link">Where it is looked at.</param>
/// <param name="When">Its date.</param>
/// <param name="Bakes">Its bakes.</param>
/// <param name="Took">How it went against its plan, in words.</param>
/// <param name="ToChange">What to change next time; empty for nothing.</param>
/// <param name="Trouble">What of it cannot have been; empty for nothing.</param>
public sealed record ListedDay(string Link, string When, IReadOnlyList<PastBakeRow> Bakes, string Took, string ToChange, string Trouble);

/// <summary>The Daybook: what was baked, and what it says of the oven.</summary>
public sealed class IndexModel(DaybookDesk desk, KitchenBook book) : PageModel
{
    /// <summary>Most days on a page.</summary>
    public const int DaysOnPage = 60;

    private const int RecipesDrawn = 5;

    /// <summary>A recipe, a person or a word that is looked for.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Q { get; set; }

    /// <summary>Key of a recipe.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Recipe { get; set; }

    /// <summary>Which oven, 1 the first.</summary>
    [BindProperty(SupportsGet = true)]
    public int? Oven { get; set; }

    /// <summary>Who put it in or worked on it.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Who { get; set; }

    /// <summary>What became of the last touch; kept over a redirect.</summary>
    [TempData]
    public string? Said { get; set; }

    /// <summary>Days that were found, the last first.</summary>
    public IReadOnlyList<ListedDay> Days { get; private set; } = [];

    /// <summary>How many days were found beyond those on the page.</summary>
    public int More { get; private set; }

    /// <summary>Whether there is any at all.</summary>
    public bool IsEmpty { get; private set; }

    /// <summary>What was learned.</summary>
    public Lessons Lessons { get; private set; } = null!;

    /// <summary>The kitchen.</summary>
    public Zymethos.Core.Kitchens.Kitchen Kitchen { get; private set; } = null!;

    /// <summary>The drawing of what was learned of ovens and recipes.</summary>
    public BiasPlot Plot { get; private set; } = new([]);

    /// <summary>The ovens, each in a sentence.</summary>
    public IReadOnlyList<string> Ovens { get; private set; } = [];

    /// <summary>Recipes that were baked, by key, with their names.</summary>
    public IReadOnlyList<(string Key, string Name)> Recipes { get; private set; } = [];

    /// <summary>Who baked.</summary>
    public IReadOnlyList<string> People { get; private set; } = [];

    /// <summary>The page.</summary>
    public async Task OnGetAsync(CancellationToken cancel)
    {
        await desk.RecordAsync(cancel);
        var all = await desk.BakesAsync(cancel);
        IsEmpty = all.Count == 0;
        Kitchen = (await book.KitchenAsync(cancel)).Kitchen;
        Lessons = await desk.LessonsAsync(cancel);
        Recipes =
        [
            .. all.Where(b => b.Document.Recipe is not null).Select(b => (b.Document.Recipe!, b.Document.Name)).DistinctBy(r => r.Item1),
        ];
        People =
        [
            .. all.SelectMany(b => PeopleOf(b.Document)).Distinct(StringComparer.OrdinalIgnoreCase).Order(StringComparer.OrdinalIgnoreCase),
        ];
        var days = all.Where(b => Finds(b.Document)).GroupBy(b => b.SessionId?.ToString() ?? $"{b.Date}", StringComparer.Ordinal).ToList();
        Days = [.. days.Take(DaysOnPage).Select(g => Listed([.. g.OrderBy(b => b.Place)]))];
        More = days.Count - Days.Count;
        Ovens =
        [
            .. Enumerable
                .Range(0, Kitchen.Ovens.Length)
                .Select(LearnedTime.OvenName)
                .Select(o => LearnedWords.OfOven(LearnedWords.OvenOf(o, Kitchen.Ovens.Length), Lessons.Bakes.Doer(o))),
        ];
        Plot = Plots.OfBakes(Lessons, Kitchen, NameOf, RecipesDrawn);
    }

    /// <summary>What a recipe is called.</summary>
    public string NameOf(string key) => Recipes.FirstOrDefault(r => r.Key == key).Name ?? key;

    private bool Finds(PastBakeDocument bake)
    {
        var words = (Q ?? "").Trim();
        return (string.IsNullOrEmpty(Recipe) || bake.Recipe == Recipe)
            && (Oven is null || (bake.Loads ?? []).Any(l => l.Oven == Oven))
            && (string.IsNullOrEmpty(Who) || PeopleOf(bake).Contains(Who, StringComparer.OrdinalIgnoreCase))
            && (
                words.Length == 0
                || new[] { bake.Name, bake.ToChange, bake.Note, bake.Changed, bake.Looks }
                    .Concat(PeopleOf(bake))
                    .Concat((bake.Loads ?? []).SelectMany(l => new[] { l.Title, l.Pan }))
                    .Any(t => t?.Contains(words, StringComparison.OrdinalIgnoreCase) == true)
            );
    }

    private static IEnumerable<string> PeopleOf(PastBakeDocument bake) =>
        (bake.Loads ?? []).Select(l => l.Who).Concat((bake.Hands ?? []).Select(h => h.Who)).OfType<string>();

    private static ListedDay Listed(List<PastBakeRow> bakes)
    {
        var first = bakes[0];
        var loads = bakes.SelectMany(b => b.Document.Loads ?? []).Where(PastBakeCheck.IsSound).ToList();
        return new ListedDay(
            first.SessionId is { } session ? $"/daybook/{session}" : $"/daybook/bakes/{first.Id}",
            first.Date.ToString("ddd d MMM uuuu", System.Globalization.CultureInfo.InvariantCulture),
            bakes,
            TookOf(loads),
            string.Join("; ", bakes.Where(b => b.Document is { ToChange: not null, Changed: null }).Select(b => b.Document.ToChange)),
            string.Join(" ", bakes.SelectMany(b => PastBakeCheck.Troubles(b.Document)))
        );
    }

    private static string TookOf(List<PastLoadDocument> loads)
    {
        if (loads.Count == 0)
            return "No load was timed";
        var count = loads.Count == 1 ? "1 load" : $"{loads.Count} loads";
        var known = loads.Where(l => (l.PlannedMinutes ?? l.RecipeMinutes) is not null).ToList();
        if (known.Count == 0)
            return count;
        var off = (int)Math.Round(known.Sum(l => l.Minutes - (l.PlannedMinutes ?? l.RecipeMinutes)!.Value));
        return off == 0
            ? $"{count}, in for as long as planned"
            : $"{count}, {Math.Abs(off)} min {(off < 0 ? "less" : "more")} in the oven than planned";
    }
}
