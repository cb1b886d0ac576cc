using System.Collections.Immutable;
using NodaTime;
using Zymethos.Core.Larder;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Compile;
using Zymethos.Planning.Larder;
using Zymethos.Planning.Search;
using Zymethos.Work.Books;
using Zymethos.Work.House;
using Zymethos.Work.Stock;

namespace Zymethos.Work.Today;

/// <summary>What one batch of a recipe asks for when nothing else is baked.</summary>
/// <param name="Key">The recipe's key.</param>
/// <param name="Minutes">From beginning to done, in a first order as a good baker writes it down.</param>
/// <param name="Hands">Minutes of work in it, all people together.</param>
/// <param name="Mixer">Whether a mixer is used.</param>
public sealed record MakeTime(string Key, int Minutes, int Hands, bool Mixer);

/// <summary>Something of the Book that could be made.</summary>
/// <param name="Recipe">The recipe.</param>
/// <param name="Time">What it asks for.</param>
/// <param name="Ready">When it would be done.</param>
/// <param name="ToBuy">What is not in the house, or not enough of it; names as they are bought.</param>
public sealed record MakeChoice(Recipe Recipe, MakeTime Time, LocalDateTime Ready, ImmutableArray<string> ToBuy);

/// <summary>Something made before that lies in the freezer.</summary>
/// <param name="Thing">It.</param>
/// <param name="Ready">When it is thawed if it comes out now; null where the recipe does not say.</param>
public sealed record FrozenChoice(StockLeft Thing, LocalDateTime? Ready);

/// <summary>What is asked: by when, with how much work, with what.</summary>
/// <param name="From">When one can begin.</param>
/// <param name="By">By when it shall be done; null for no hour.</param>
/// <param name="MostHands">Most minutes of work; null for any.</param>
/// <param name="WithoutMixer">Whether no mixer may be used.</param>
/// <param name="InTheHouse">Whether everything has to be in the house.</param>
public sealed record MakeAsked(LocalDateTime From, LocalDateTime? By, int? MostHands, bool WithoutMixer, bool InTheHouse);

/// <summary>The answer.</summary>
/// <param name="Fits">What can be made, the quickest first.</param>
/// <param name="Later">What all else would fit but is done only later, the quickest first.</param>
/// <param name="Frozen">What lies in the freezer and would be thawed in time, or whose time is not known.</param>
/// <param name="Long">Names of what takes longer than a day, or finds no order by itself.</param>
public sealed record MakeAnswer(
    IReadOnlyList<MakeChoice> Fits,
    IReadOnlyList<MakeChoice> Later,
    IReadOnlyList<FrozenChoice> Frozen,
    IReadOnlyList<string> Long
)
{
    /// <summary>Whether anything was ever counted in the larder; where nothing was, nobody can say what is missing.</summary>
    public bool HasLarder { get; init; }
}

/// <summary>"What can I make by five?": the Book by time, work, mixer and what is in the house.</summary>
public sealed class MakeNow(KitchenBook book, StockShelf stock, WorkedOut worked)
{
    // A day round: what needs longer is begun on another day than it is eaten.
    private const int Longest = 24 * 60;

    /// <summary>Answers. Times are those of one batch with nothing beside it, by the recipe's usual minutes; a plan says it
    /// exactly.</summary>
    public async Task<MakeAnswer> AskAsync(MakeAsked asked, Guid kitchen, CancellationToken cancel)
    {
        var shelf = await book.ShelfAsync(cancel);
        var plannable = shelf.Recipes.Where(r => r.IsPlannable).ToList();
        var times =
            await worked.GetAsync<IReadOnlyDictionary<string, MakeTime>>(
                kitchen,
                "make",
                shelf.Stamp,
                t => 1 + (t.Count / 20),
                () => Task.Run(() => (IReadOnlyDictionary<string, MakeTime>?)Times(shelf, plannable, cancel), cancel),
                cancel
            ) ?? throw new InvalidOperationException("The times were not worked out.");
        var there = await stock.AllAsync(shelf, cancel);
        var known = await stock.KnownAsync(shelf, cancel);
        var choices = plannable
            .Where(r => times.ContainsKey(r.Recipe.Key))
            .Select(r => (r.Recipe, Time: times[r.Recipe.Key]))
            .Where(r => (asked.MostHands is not { } most || r.Time.Hands <= most) && !(asked.WithoutMixer && r.Time.Mixer))
            .Select(r => new MakeChoice(r.Recipe, r.Time, asked.From.PlusMinutes(r.Time.Minutes), ToBuy(r.Recipe, known, asked.From.Date)))
            .Where(c => !asked.InTheHouse || c.ToBuy.IsEmpty)
            .OrderBy(c => c.Time.Minutes)
            .ThenBy(c => c.Recipe.Name, StringComparer.OrdinalIgnoreCase)
            .ToLookup(c => asked.By is not { } by || c.Ready <= by);
        return new MakeAnswer(
            [.. choices[true]],
            [.. choices[false]],
            [.. Frozen(there, shelf, asked)],
            [.. plannable.Where(r => !times.ContainsKey(r.Recipe.Key)).Select(r => r.Recipe.Name)]
        )
        {
            HasLarder = !known.There.IsEmpty,
        };
    }

    private static Dictionary<string, MakeTime> Times(BookShelf shelf, List<ShelvedRecipe> plannable, CancellationToken cancel)
    {
        var found = new Dictionary<string, MakeTime>(StringComparer.Ordinal);
        foreach (var recipe in plannable)
        {
            cancel.ThrowIfCancellationRequested();
            if (TimeOf(shelf.KitchenRow.Document, recipe.Row.Document) is { } time)
                found[recipe.Recipe.Key] = time;
        }

        return found;
    }

    /// <summary>What one batch asks for in a kitchen; null where no order is found within a day.</summary>
    public static MakeTime? TimeOf(KitchenDocument kitchen, RecipeDocument recipe)
    {
        // A day like any other, long enough, with everybody there all the time: whose hours are short is the plan's business.
        var open = kitchen with
        {
            People = [.. kitchen.People.Select(p => p with { From = null, Until = null })],
        };
        var reader = new DocumentReader();
        var (read, wish) = reader.Read(
            new OvenDayDocument(open, new DayDocument("2031-05-05", "06:00", "2031-05-06T06:00"), [new BakeDocument(recipe)])
        );
        if (reader.Faults.Count > 0 || TaskCompiler.Compile(read, wish).Network is not { } network)
            return null;
        if (DayBound.FirstOrder(network) is not { } plan)
            return null;
        var begins = plan.Tasks.Min(t => t.Start);
        var minutes = plan.Finish(network) - begins;
        var mixers = read.AllMixers.Count();
        return minutes > Longest
            ? null
            : new MakeTime(
                recipe.Key,
                minutes,
                network.Tasks.Sum(t => t.Hands.Sum(h => h.Length * h.People)),
                network.Tasks.Any(t => t.Demands.Any(d => d.Resource < mixers))
            );
    }

    private static ImmutableArray<string> ToBuy(Recipe recipe, ShopKnown known, LocalDate by) =>
        [
            .. ShoppingList
                .Of([.. ShopTrips.Of(recipe, 1, by)], known.There, known.Knowledge, known.Sizes)
                .Where(l => !l.IsThere)
                .Select(l => l.Good.Name),
        ];

    private static IEnumerable<FrozenChoice> Frozen(IEnumerable<StockLeft> there, BookShelf shelf, MakeAsked asked)
    {
        foreach (
            var thing in there.Where(s =>
                s.Row.Document is { Kind: "bake", Place: { } place }
                && place.Contains("freezer", StringComparison.OrdinalIgnoreCase)
                && s.Row.Document.Pieces is not <= 0
            )
        )
        {
            var hours = shelf
                .Recipes.FirstOrDefault(r => r.Recipe.Key == thing.Row.Document.Recipe)
                ?.Recipe.Keeping.Where(k => k.Store == KeepingStore.Freezer)
                .Max(k => k.ThawHours);
            var ready = hours is { } thaw ? asked.From.PlusMinutes((long)Math.Ceiling(thaw * 60)) : (LocalDateTime?)null;
            if (ready is null || asked.By is not { } by || ready <= by)
                yield return new FrozenChoice(thing, ready);
        }
    }
}
