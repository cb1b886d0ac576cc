using System.Collections.Immutable;
using NodaTime;
using Zymethos.Core.Measures;
using Zymethos.Core.Parcels;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;
using Zymethos.Core.Scaling;
using Zymethos.Interchange.Parcels;
using Zymethos.Work.Books;
using Zymethos.Work.Seasons;

namespace Zymethos.Work.Parcels;

/// <summary>Which labels are wanted.</summary>
/// <param name="OfBakes">Whether each kind has one, not each box.</param>
/// <param name="Made">When what the season does not date was made; null where nobody said.</param>
/// <param name="Language">Code of the language; null for English.</param>
public sealed record LabelChoice(bool OfBakes = false, LocalDate? Made = null, string? Language = null);

/// <summary>The labels of a board.</summary>
/// <param name="Labels">The labels.</param>
/// <param name="Unsafe">Whose boxes are not safe, in a sentence; empty where all are.</param>
/// <param name="Words">The words they are in.</param>
public sealed record LabelSheet(ImmutableArray<GiftLabel> Labels, string Unsafe, LabelWords Words);

/// <summary>Writes the labels of a board. Nobody is given a label for a box that they must not have.</summary>
public sealed class GiftLabels(KitchenBook book, BoxShelf boxes, SeasonDesk seasons)
{
    /// <summary>The languages there are: those that are shipped, and the kitchen's own.</summary>
    public async Task<ImmutableArray<LabelWords>> LanguagesAsync(CancellationToken cancel) =>
        (await boxes.ReadAsync(cancel)).Shelf.Words is { } own
            ? [.. LabelWords.Shipped.Where(w => w.Code != own.Code), own]
            : LabelWords.Shipped;

    /// <summary>The labels.</summary>
    public async Task<LabelSheet> OfAsync(BoardView view, LabelChoice choice, CancellationToken cancel)
    {
        var shelf = await book.ShelfAsync(cancel);
        var words = (await LanguagesAsync(cancel)).LastOrDefault(w => w.Code == choice.Language) ?? LabelWords.English;
        var from = (await boxes.ReadAsync(cancel)).Shelf.From ?? shelf.Known.Kitchen.Name;
        var writer = new Writer(view, shelf, words, from.Length > 0 ? LabelWords.Say(words.From, from) : "")
        {
            Made = await DatesAsync(view, choice.Made, cancel),
        };
        var wrong = view.Faults.Select(f => f.Person).ToHashSet();
        var given = view.Board.Cells.Where(c => c.Pieces > 0 && !wrong.Contains(c.Person)).ToList();
        return new LabelSheet(
            choice.OfBakes
                ? [.. given.Select(c => writer.Label(view.Board.Bakes[c.Bake].Bake.Name, [(c.Bake, c.Pieces)]))]
                :
                [
                    .. given
                        .GroupBy(c => c.Person)
                        .OrderBy(g => g.Key)
                        .Select(g =>
                            writer.Label(LabelWords.Say(words.For, view.Board.People[g.Key].Name), [.. g.Select(c => (c.Bake, c.Pieces))])
                        ),
                ],
            wrong.Count == 0
                ? ""
                : $"There is no label for {string.Join(", ", wrong.Order().Select(p => view.Board.People[p].Name))}: "
                    + "something in that box is not for them, or nobody has looked at it.",
            words
        );
    }

    /// <summary>The allergens of an ingredient behind its name, where the name alone does not say them.</summary>
    public static string Said(LabelIngredient ingredient, LabelWords words)
    {
        var more = ingredient
            .Allergens.Where(a =>
                !words.IsEnglish || !ingredient.Name.Contains(AllergenNames.Of(a).TrimEnd('s'), StringComparison.OrdinalIgnoreCase)
            )
            .Where(a => a != Allergen.Gluten || !ingredient.Allergens.Contains(Allergen.Wheat))
            .ToList();
        return more.Count > 0 ? $" ({words.All(more)})" : "";
    }

    /// <summary>The day on which each recipe was baked for the board's date, and on which it thawed; what is typed counts for those that
    /// the season does not know.</summary>
    private async Task<Dictionary<string, (LocalDate Made, LocalDate? Thawed)>> DatesAsync(
        BoardView view,
        LocalDate? typed,
        CancellationToken cancel
    )
    {
        var made = new Dictionary<string, (LocalDate Made, LocalDate? Thawed)>(StringComparer.Ordinal);
        foreach (var recipe in view.Board.Bakes.Select(b => b.Bake.Recipe.Key).Distinct())
        {
            if (typed is { } day)
                made[recipe] = (day, null);
        }

        if (!Guid.TryParse(view.Row.Document.Season, out var id) || await seasons.OpenAsync(id, cancel) is not { Plan: { } plan } season)
            return made;
        var dated = new HashSet<string>(StringComparer.Ordinal);
        foreach (var lot in plan.Placed.GroupBy(p => p.Lot))
        {
            var need = season.Wish.Needs[plan.Lots[lot.Key].Need];
            if (season.Wish.Occasions[need.Occasion].Name != view.Row.Document.Occasion)
                continue;
            // What is iced days later is as old as its bake.
            var bakes = lot.Where(p =>
                    plan.Lots[lot.Key].Method.Stretches[p.Stretch].Recipe.Steps.Any(s => s.Oven is { State: OvenState.Bake })
                )
                .ToList();
            var day = (
                Made: (bakes.Count > 0 ? bakes : [.. lot]).Max(p => p.End).Date,
                Thawed: plan.Kept.TryGetValue(lot.Key, out var kept) && kept.ThawAt is { } thaw ? thaw.Date : (LocalDate?)null
            );
            // Of two lots of one recipe the label says the day of the older.
            if (!dated.Add(need.Recipe.Key) && (made[need.Recipe.Key].Thawed ?? made[need.Recipe.Key].Made) <= (day.Thawed ?? day.Made))
                continue;
            made[need.Recipe.Key] = day;
        }

        return made;
    }

    private sealed class Writer(BoardView view, BookShelf shelf, LabelWords words, string from)
    {
        private List<Allergen>? _used;

        public required IReadOnlyDictionary<string, (LocalDate Made, LocalDate? Thawed)> Made { get; init; }

        public GiftLabel Label(string title, List<(int Bake, int Pieces)> kinds)
        {
            var own = kinds.ConvertAll(k => view.Board.Bakes[k.Bake].Bake);
            var contains = own.SelectMany(b => b.Statement.Contains).Distinct().Order().ToList();
            var beside = Used().Except(contains).Order().ToList();
            return new GiftLabel(
                title,
                from,
                [
                    .. kinds.Select(k =>
                    {
                        var bake = view.Board.Bakes[k.Bake].Bake;
                        return new LabelPart(
                            bake.Recipe.Key,
                            k.Pieces > 1 ? $"{k.Pieces} {bake.Name}" : bake.Name,
                            Kept(bake.Recipe),
                            LabelIngredients.Of(bake, shelf.Known.For(bake.Recipe))
                        );
                    }),
                ],
                contains.Count > 0 ? LabelWords.Say(words.Contains, words.All(contains)) : "",
                NotKnown(own, contains),
                beside.Count > 0 ? LabelWords.Say(words.Kitchen, words.All(beside)) : "",
                [.. own.SelectMany(ForWhom).Distinct()]
            );
        }

        // What exactly is not known stands in the Book's own words; another language adds its sentence, and takes nothing away.
        private string NotKnown(List<GiftBake> own, List<Allergen> contains)
        {
            var said = string.Join(" ", own.Select(b => StatementWords.NotKnown(b.Statement)).Where(w => w.Length > 0).Distinct());
            var may = own.SelectMany(b => b.Statement.Open.SelectMany(o => o.MayBe)).Distinct().Except(contains).Order().ToList();
            return words.IsEnglish || may.Count == 0 ? said : $"{LabelWords.Say(words.MayContain, words.All(may))} {said}";
        }

        private IEnumerable<string> ForWhom(GiftBake bake)
        {
            if (bake.Statement.HasSpirit)
                yield return words.Alcohol;
            else if (bake.Statement.Traits.HasFlag(IngredientTraits.Alcohol))
                yield return words.Extract;
            if (bake.Statement.Traits.HasFlag(IngredientTraits.Honey))
                yield return words.Honey;
            if (bake.Statement.HasRawEgg)
                yield return words.RawEgg;
            if (bake.HasChoking)
                yield return words.Choking;
        }

        // Everything that the Book holds is used in this kitchen, whether it lies in these boxes or not.
        private IEnumerable<Allergen> Used() =>
            _used ??= [
                .. shelf
                    .All.SelectMany(r => AllergenStatement.Of(r, shelf.Known.For(r)).Contains)
                    .Concat(view.Board.Bakes.SelectMany(b => b.Bake.Statement.Contains))
                    .Distinct(),
            ];

        private string Kept(Recipe recipe) => $"{When(recipe)} {Again(recipe)}".Trim();

        private string When(Recipe recipe)
        {
            var place =
                recipe.Keeping.FirstOrDefault(k => k.Part.Length == 0 && k.After.Length == 0 && k.Store == KeepingStore.Counter)
                ?? recipe.Keeping.FirstOrDefault(k => k.Part.Length == 0 && k.After.Length == 0 && k.Store == KeepingStore.Refrigerator);
            var keep = place is null ? "" : LabelWords.Say(words.Keep, words.Place(place));
            if (!Made.TryGetValue(recipe.Key, out var made))
                return place is null
                    ? keep
                    : $"{(place.Days == 1 ? words.BestWithinADay : LabelWords.Say(words.BestWithin, $"{place.Days}"))}. {keep}";
            // What was frozen counts its days from the day it thawed.
            var on = made.Thawed is { } thawed
                ? LabelWords.Say(words.MadeAndThawed, words.Day(made.Made), words.Day(thawed))
                : LabelWords.Say(words.Made, words.Day(made.Made));
            return place is null
                ? $"{on}."
                : $"{on}, {LabelWords.Say(words.BestBy, words.Day((made.Thawed ?? made.Made).PlusDays(place.Days)))}. {keep}";
        }

        /// <summary>How it is made crisp or warm again (common practice, no source). Nothing is said of what is iced, filled or kept cold:
        /// the oven would spoil it.</summary>
        private string Again(Recipe recipe) =>
            recipe.Parts.Any(p => p.Kind is PartKind.Icing or PartKind.Filling or PartKind.Glaze or PartKind.Topping)
            || recipe.Steps.Any(s => s.Cautions.Contains(CautionKind.TimeAndTemperature))
                ? ""
                : recipe.Kind switch
                {
                    RecipeKind.Cookies or RecipeKind.RolledCookies or RecipeKind.TwiceBaked => words.Crisp,
                    RecipeKind.Bread => words.Crust,
                    RecipeKind.Buns => words.Warm,
                    _ => "",
                };
    }
}
