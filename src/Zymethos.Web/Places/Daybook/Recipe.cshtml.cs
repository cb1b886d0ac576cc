using System.Globalization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Learning;
using Zymethos.Interchange.Documents;
using Zymethos.Work.Books;
using Zymethos.Work.Daybooks;

namespace Zymethos.Web.Places.Daybook;

/// <summary>A row of the comparison: one thing of every bake.</summary>
/// <param name="Name">What it is.</param>
/// <param name="Cells">What it was, by bake.</param>
/// <param name="Differs">Whether it was not the same in all.</param>
public sealed record ComparedRow(string Name, IReadOnlyList<string> Cells, bool Differs);

/// <summary>Bakes of one recipe side by side: what differed, and what came of it.</summary>
public sealed class RecipeModel(DaybookDesk desk, KitchenBook book) : PageModel
{
    /// <summary>Most bakes beside each other: more cannot be read.</summary>
    public const int MostBeside = 6;

    /// <summary>The bakes to compare, by id; the last ones where none are named.</summary>
    [BindProperty(SupportsGet = true)]
    public List<Guid> B { get; set; } = [];

    /// <summary>Key of the recipe.</summary>
    public string Key { get; private set; } = "";

    /// <summary>Its name.</summary>
    public string Name { get; private set; } = "";

    /// <summary>Whether it is in the Book.</summary>
    public bool IsInBook { get; private set; }

    /// <summary>All its bakes, the last first.</summary>
    public IReadOnlyList<PastBakeDocument> All { get; private set; } = [];

    /// <summary>Those that are compared, the first first.</summary>
    public IReadOnlyList<PastBakeDocument> Beside { get; private set; } = [];

    /// <summary>What is compared.</summary>
    public IReadOnlyList<ComparedRow> Rows { get; private set; } = [];

    /// <summary>How it bakes here.</summary>
    public LearnedFactor Factor { get; private set; }

    /// <summary>Planned against real.</summary>
    public ScatterPlot Plot { get; private set; } = new("", "", []);

    /// <summary>The page.</summary>
    public async Task<IActionResult> OnGetAsync(string key, CancellationToken cancel)
    {
        Key = key;
        await desk.RecordAsync(cancel);
        var lessons = await desk.LessonsAsync(cancel);
        All = [.. lessons.All.Where(b => b.Recipe == key)];
        var shelf = await book.ShelfAsync(cancel);
        var recipe = shelf.All.FirstOrDefault(r => r.Key == key);
        if (All.Count == 0 && recipe is null)
            return NotFound();
        (Name, IsInBook) = (recipe?.Name ?? All[0].Name, recipe is not null);
        var chosen = All.Where(b => B.Contains(Guid.Parse(b.Id))).ToList();
        Beside = [.. (chosen.Count > 0 ? chosen : All).Take(MostBeside).Reverse()];
        Factor = lessons.Bakes.Work(key);
        var says = shelf.Known.Kitchen.Says;
        Rows = [.. RowsOf(says).Where(r => r.Cells.Any(c => c.Length > 0))];
        Plot = new ScatterPlot(
            "minutes the recipe says",
            "minutes it really took",
            lessons
                .Loads.Where(l => l.Bake.Recipe == key)
                .Select(l => (l.Seen.PlannedMinutes, l.Seen.ActualMinutes, $"{l.Bake.Date}: {l.Load.Minutes:0} min", false))
        );
        return Page();
    }

    /// <summary>The day of a bake, in words.</summary>
    public static string Day(PastBakeDocument bake) =>
        NodaTime.Text.LocalDatePattern.Iso.Parse(bake.Date).GetValueOrThrow().ToString("d MMM uuuu", CultureInfo.InvariantCulture);

    private IEnumerable<ComparedRow> RowsOf(KitchenSays says)
    {
        static string Number(double value, string format = "0.#") => value.ToString(format, CultureInfo.InvariantCulture);
        string Each(PastBakeDocument b, Func<PastLoadDocument, string?> of) =>
            string.Join(", ", (b.Loads ?? []).Select(of).Where(t => !string.IsNullOrEmpty(t)).Distinct());
        yield return Row("Batches", b => Number(b.Batches));
        yield return Row("In the oven", b => Each(b, l => $"{Number(l.Minutes, "0")} min"));
        yield return Row("By the recipe", b => Each(b, l => l.RecipeMinutes is { } m ? $"{Number(m, "0")} min" : null));
        yield return Row("Dial", b => Each(b, l => l.Celsius is { } c ? says.Dial(c) : null));
        yield return Row("Really", b => Each(b, l => l.RealCelsius is { } c ? says.Degrees(c) : null));
        yield return Row("First look", b => Each(b, l => l.FirstLook is { } m ? $"{Number(m, "0")} min" : null));
        yield return Row("Needed more", b => (b.Loads ?? []).Sum(l => l.Looks) is > 0 and var n ? $"{n}×" : "");
        yield return Row("Turned", b => (b.Loads ?? []).Sum(l => l.Turns) is > 0 and var n ? $"{n}×" : "");
        yield return Row("Pan", b => Each(b, l => l.Sheet ? $"{l.Pan}, sheet beneath" : l.Pan));
        yield return Row("Shelf", b => Each(b, l => l.Shelf));
        yield return Row("Rises", b => string.Join(", ", (b.Rises ?? []).Select(r => $"{Number(r.Minutes, "0")} min")));
        foreach (var what in Beside.SelectMany(b => b.Used?.Keys ?? []).Distinct().Order(StringComparer.Ordinal))
            yield return Row(what, b => b.Used?.TryGetValue(what, out var grams) == true ? $"{Number(grams)} g" : "");
        yield return Row("Who", b => Each(b, l => l.Who));
        yield return Row("Pieces", b => b.Pieces is { } p ? Number(p) : "");
        yield return Row("A piece", b => b.Weight is { } w ? $"{Number(w)} g" : "");
        yield return Row("Looked", b => b.Looks ?? "");
        yield return Row("Darker at", b => string.Join(", ", b.Darker ?? []));
        yield return Row("To change", b => b.ToChange ?? "");
        yield return Row("Changed since", b => b.Changed ?? "");
        yield return Row("Written to it", b => b.Note ?? "");
    }

    private ComparedRow Row(string name, Func<PastBakeDocument, string> of)
    {
        var cells = Beside.Select(of).ToList();
        return new ComparedRow(name, cells, cells.Where(c => c.Length > 0).Distinct(StringComparer.Ordinal).Count() > 1);
    }
}
