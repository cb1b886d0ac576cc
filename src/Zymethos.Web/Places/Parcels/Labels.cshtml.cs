using System.Collections.Immutable;
using System.Globalization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using NodaTime;
using NodaTime.Text;
using Zymethos.Core.Parcels;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;
using Zymethos.Core.Scaling;
using Zymethos.Work.Books;
using Zymethos.Work.Parcels;
using Zymethos.Work.Seasons;

namespace Zymethos.Web.Places.Parcels;

/// <summary>One kind on a label.</summary>
/// <param name="Name">What it is, and how many.</param>
/// <param name="Kept">When it was made, until when it is best, and how it is kept.</param>
/// <param name="Ingredients">Its ingredients, in falling order by weight.</param>
public sealed record LabelPart(string Name, string Kept, ImmutableArray<LabelIngredient> Ingredients);

/// <summary>A label.</summary>
/// <param name="Title">For whom, or what it is.</param>
/// <param name="From">From whom; may be empty.</param>
/// <param name="Parts">What is in it.</param>
/// <param name="Contains">Allergens that are in it.</param>
/// <param name="NotKnown">What may be in it or is not known, in a sentence; empty for nothing.</param>
/// <param name="Kitchen">Allergens that the kitchen uses beside.</param>
/// <param name="ForWhom">For whom it is not: spirit, honey, raw egg.</param>
public sealed record GiftLabel(
    string Title,
    string From,
    ImmutableArray<LabelPart> Parts,
    string Contains,
    string NotKnown,
    string Kitchen,
    ImmutableArray<string> ForWhom
)
{
    // What fits at each size was counted on the printed sheet, with room to spare.
    private const int Usual = 1000;
    private const int Long = 1900;

    /// <summary>About how many characters it holds; a new paragraph costs half a line.</summary>
    public int Characters =>
        Parts.Sum(p =>
            p.Name.Length + p.Kept.Length + 60 + p.Ingredients.Sum(i => i.Name.Length + LabelsModel.Said(i).Length + (i.IsKnown ? 2 : 18))
        )
        + Contains.Length
        + NotKnown.Length
        + Kitchen.Length
        + ForWhom.Sum(w => w.Length + 40)
        + 160;

    /// <summary>The class of its letters, small enough that nothing is cut off.</summary>
    /// <param name="isSmall">Whether it is an eighth of a sheet, not a quarter.</param>
    public string Size(bool isSmall) =>
        (Characters * (isSmall ? 2.2 : 1)) switch
        {
            > Long => "is-longest",
            > Usual => "is-long",
            _ => "",
        };
}

/// <summary>Labels of a board, at their true size.</summary>
public sealed class LabelsModel(GiftDesk desk, KitchenBook book, BoxShelf boxes, SeasonDesk seasons) : PageModel
{
    private List<Allergen>? _used;
    private readonly Dictionary<string, (LocalDate Made, LocalDate? Thawed)> _made = [];

    /// <summary>The board.</summary>
    public BoardView? View { get; private set; }

    /// <summary>Whether each kind has a label, not each box.</summary>
    public bool OfBakes { get; private set; }

    /// <summary>Whether the paper is US Letter.</summary>
    public bool IsLetter { get; private set; }

    /// <summary>When what the season does not date was made; empty where nobody said.</summary>
    public string Made { get; private set; } = "";

    /// <summary>The labels.</summary>
    public IReadOnlyList<GiftLabel> Labels { get; private set; } = [];

    /// <summary>How many are on a sheet.</summary>
    public int OnASheet => OfBakes ? 8 : 4;

    /// <summary>Whose boxes are not safe, in a sentence; empty where all are.</summary>
    public string Unsafe { get; private set; } = "";

    /// <summary>The page.</summary>
    public async Task<IActionResult> OnGetAsync(Guid id, string? what, string? paper, string? made, CancellationToken cancel)
    {
        View = await desk.OpenAsync(id, cancel);
        if (View is null)
            return NotFound();
        OfBakes = what == "bakes";
        var shelf = await book.ShelfAsync(cancel);
        IsLetter = paper is null ? shelf.Known.Kitchen.Habit == Core.Kitchens.MeasuringHabit.UsCustomary : paper == "letter";
        var day = LocalDatePattern.Iso.Parse(made ?? "");
        Made = day.Success ? made! : "";
        await DatesAsync(day.Success ? day.Value : null, cancel);
        var from = (await boxes.ReadAsync(cancel)).Shelf.From ?? shelf.Known.Kitchen.Name;
        // Nobody is given a label for a box that they must not have.
        var wrong = View.Faults.Select(f => f.Person).ToHashSet();
        if (wrong.Count > 0)
            Unsafe =
                $"There is no label for {string.Join(", ", wrong.Order().Select(p => View.Board.People[p].Name))}: "
                + "something in that box is not for them, or nobody has looked at it.";
        var given = View.Board.Cells.Where(c => c.Pieces > 0 && !wrong.Contains(c.Person)).ToList();
        Labels = OfBakes
            ? [.. given.Select(c => Label(View.Board.Bakes[c.Bake].Bake.Name, from, [(c.Bake, c.Pieces)], shelf))]
            :
            [
                .. given
                    .GroupBy(c => c.Person)
                    .OrderBy(g => g.Key)
                    .Select(g => Label($"For {View.Board.People[g.Key].Name}", from, [.. g.Select(c => (c.Bake, c.Pieces))], shelf)),
            ];
        return Page();
    }

    /// <summary>The allergens of an ingredient behind its name, where the name alone does not say them.</summary>
    public static string Said(LabelIngredient ingredient)
    {
        var more = ingredient
            .Allergens.Where(a => !ingredient.Name.Contains(AllergenNames.Of(a).TrimEnd('s'), StringComparison.OrdinalIgnoreCase))
            .Where(a => a != Allergen.Gluten || !ingredient.Allergens.Contains(Allergen.Wheat))
            .Select(AllergenNames.Of)
            .ToList();
        return more.Count > 0 ? $" ({string.Join(", ", more)})" : "";
    }

    private GiftLabel Label(string title, string from, List<(int Bake, int Pieces)> kinds, BookShelf shelf)
    {
        var own = kinds.ConvertAll(k => View!.Board.Bakes[k.Bake].Bake);
        var contains = own.SelectMany(b => b.Statement.Contains).Distinct().Order().ToList();
        return new GiftLabel(
            title,
            from,
            [
                .. kinds.Select(k =>
                {
                    var bake = View!.Board.Bakes[k.Bake].Bake;
                    return new LabelPart(
                        k.Pieces > 1 ? $"{k.Pieces} {bake.Name}" : bake.Name,
                        Kept(bake.Recipe),
                        LabelIngredients.Of(bake, shelf.Known.For(bake.Recipe))
                    );
                }),
            ],
            string.Join(", ", contains.Select(AllergenNames.Of)),
            string.Join(" ", own.Select(b => StatementWords.NotKnown(b.Statement)).Where(w => w.Length > 0).Distinct()),
            string.Join(", ", Used(shelf).Except(contains).Order().Select(AllergenNames.Of)),
            [.. own.SelectMany(b => StatementWords.ForWhom(b.Statement)).Distinct()]
        );
    }

    // Everything that the Book holds is used in this kitchen, whether it lies in these boxes or not.
    private IEnumerable<Allergen> Used(BookShelf shelf) =>
        _used ??= [
            .. shelf
                .All.SelectMany(r => AllergenStatement.Of(r, shelf.Known.For(r)).Contains)
                .Concat(View!.Board.Bakes.SelectMany(b => b.Bake.Statement.Contains))
                .Distinct(),
        ];

    private string Kept(Recipe recipe)
    {
        var place =
            recipe.Keeping.FirstOrDefault(k => k.Part.Length == 0 && k.After.Length == 0 && k.Store == KeepingStore.Counter)
            ?? recipe.Keeping.FirstOrDefault(k => k.Part.Length == 0 && k.After.Length == 0 && k.Store == KeepingStore.Refrigerator);
        var words = place is null ? "" : $"Keep {place.Said}.";
        if (!_made.TryGetValue(recipe.Key, out var made))
            return place is null ? words : $"Best within {(place.Days == 1 ? "a day" : $"{place.Days} days")}. {words}";
        // What was frozen counts its days from the day it thawed.
        var on = $"Made {Date(made.Made)}{(made.Thawed is { } thawed ? $", frozen, thawed {Date(thawed)}" : "")}";
        return place is null ? $"{on}." : $"{on}, best by {Date((made.Thawed ?? made.Made).PlusDays(place.Days))}. {words}";
    }

    private static string Date(LocalDate date) => date.ToString("d MMM uuuu", CultureInfo.InvariantCulture);

    /// <summary>The day of each recipe's last work in the season; what is typed counts for those that it does not know.</summary>
    private async Task DatesAsync(LocalDate? typed, CancellationToken cancel)
    {
        foreach (var recipe in View!.Board.Bakes.Select(b => b.Bake.Recipe.Key).Distinct())
        {
            if (typed is { } day)
                _made[recipe] = (day, null);
        }

        if (!Guid.TryParse(View.Row.Document.Season, out var id) || await seasons.OpenAsync(id, cancel) is not { Plan: { } plan } season)
            return;
        var dated = new HashSet<string>(StringComparer.Ordinal);
        foreach (var lot in plan.Placed.GroupBy(p => p.Lot))
        {
            var need = season.Wish.Needs[plan.Lots[lot.Key].Need];
            if (season.Wish.Occasions[need.Occasion].Name == View.Row.Document.Occasion)
            {
                var made = (
                    Made: lot.Max(p => p.End).Date,
                    Thawed: plan.Kept.TryGetValue(lot.Key, out var kept) && kept.ThawAt is { } thaw ? thaw.Date : (LocalDate?)null
                );
                // Of two lots of one recipe the label says the day of the older.
                if (
                    !dated.Add(need.Recipe.Key)
                    && (_made[need.Recipe.Key].Thawed ?? _made[need.Recipe.Key].Made) <= (made.Thawed ?? made.Made)
                )
                    continue;
                _made[need.Recipe.Key] = made;
            }
        }
    }
}
