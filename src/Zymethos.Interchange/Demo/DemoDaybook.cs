using NodaTime;
using NodaTime.Text;
using Zymethos.Core.Leaven;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Documents;

namespace Zymethos.Interchange.Demo;

/// <summary>
/// What the demo kitchen's bakers wrote down: last year's season and the first weekends of this one, all invented, in an oven that runs
/// seven parts of a hundred fast, hotter at the back, with a starter that is a quarter slower than others. The same day gives the same
/// Daybook.
/// </summary>
public sealed class DemoDaybook
{
    /// <summary>The oven's true factor.</summary>
    public const double OvenFactor = 0.93;

    /// <summary>The starter's true factor.</summary>
    public const double StarterFactor = 1.25;

    private static readonly LocalDateTimePattern Time = LocalMoment.Pattern;

    // What is really the matter with some of its recipes, as a factor on their own time, whatever the oven.
    private static readonly Dictionary<string, double> Recipes = new(StringComparer.Ordinal)
    {
        ["market-squash-loaf"] = 1.09,
        ["ferry-oat-loaf"] = 1.05,
        ["lamplight-ginger-rounds"] = 0.95,
        ["window-shapes"] = 1.0,
    };

    private static readonly Dictionary<string, double> Hands = new(StringComparer.Ordinal)
    {
        ["rolling and cutting"] = 1.15,
        ["icing and filling"] = 1.08,
        ["pans"] = 0.9,
    };

    // Days of last year's season, counted from Lantern Night back, and what was baked on each.
    private static readonly (int Before, string[] Keys)[] LastYear =
    [
        (35, ["cellar-fruit-cake"]),
        (28, ["plum-street-butters", "coal-cellar-buttons"]),
        (21, ["market-squash-loaf", "allotment-loaf", "ferry-oat-loaf"]),
        (14, ["window-shapes", "lamplight-ginger-rounds", "orchard-almond-slices"]),
        (8, ["lantern-plait", "harbour-tea-loaf"]),
        (7, ["copper-ring", "midnight-ring", "pocket-muffins"]),
        (1, ["lantern-plait", "lamplighter-buns", "doorstep-fruit-loaf"]),
        (0, ["lodger-cake", "parade-cake"]),
        (-4, ["market-squash-loaf", "ferry-oat-loaf"]),
        (-8, ["window-shapes", "plum-street-butters", "lamplight-ginger-rounds"]),
    ];

    private static readonly (int Before, string[] Keys)[] ThisYear =
    [
        (15, ["cellar-fruit-cake", "lamplight-ginger-rounds"]),
        (8, ["market-squash-loaf", "coal-cellar-buttons", "lantern-plait"]),
        (2, ["harbour-tea-loaf", "plum-street-butters"]),
    ];

    private readonly Random _random;
    private readonly IReadOnlyDictionary<string, Recipe> _book;
    private readonly List<PastBakeDocument> _bakes = [];

    private DemoDaybook(LocalDate today)
    {
        _random = new Random(today.Year);
        _book = DemoKitchen
            .Recipes()
            .Select(r => ChosenRecipe.Of(new DocumentReader().Read(r, "recipe")))
            .ToDictionary(r => r.Key, StringComparer.Ordinal);
        var night = today.PlusYears(-1).Next(IsoDayOfWeek.Saturday).PlusDays(14);
        foreach (var (before, keys) in LastYear)
            Day(night.PlusDays(-before), keys);
        foreach (var (before, keys) in ThisYear)
            Day(today.PlusDays(-before), keys);
        Refreshes = [.. RefreshesUntil(today)];
        CakeFeeds = [.. _bakes.Where(b => b.Recipe == "cellar-fruit-cake").SelectMany(b => FeedsOf(b, today))];
    }

    /// <summary>The Daybook as it is on a day.</summary>
    public static DemoDaybook On(LocalDate today) => new(today);

    /// <summary>Its bakes, the first first.</summary>
    public IReadOnlyList<PastBakeDocument> Bakes => _bakes;

    /// <summary>What was done to its starter.</summary>
    public IReadOnlyList<StarterRefreshDocument> Refreshes { get; }

    /// <summary>Feeds of spirit that its keeping cakes were given.</summary>
    public IReadOnlyList<CakeFeedDocument> CakeFeeds { get; }

    // Once a week, three times; this year's third is due.
    private IEnumerable<CakeFeedDocument> FeedsOf(PastBakeDocument cake, LocalDate today)
    {
        var baked = LocalDatePattern.Iso.Parse(cake.Date).Value;
        string?[] notes = ["Drank it at once", null, "Smells of one thing now"];
        foreach (var (note, week) in notes.Select((n, i) => (n, i)))
        {
            var date = baked.PlusDays(7 * week);
            if (date <= today.PlusDays(-3))
                yield return new CakeFeedDocument(Id(), cake.Id, Time.Format(date.At(new LocalTime(20, 30))), "brandy", 25, note);
        }
    }

    private void Day(LocalDate date, string[] keys)
    {
        var at = date.At(new LocalTime(9, 40));
        foreach (var (key, place) in keys.Select((k, i) => (k, i)))
        {
            var recipe = _book[key];
            var loads = new List<PastLoadDocument>();
            foreach (var step in recipe.Steps.Where(s => s is { Kind: StepKind.Bake, Oven.State: OvenState.Bake }))
            {
                for (var wave = 0; wave < step.Times; wave++)
                {
                    var load = Load(recipe, step, wave, at);
                    loads.Add(load);
                    at = at.PlusMinutes((long)load.Minutes + 6);
                }
            }

            at = at.PlusMinutes(12);
            var isDark = loads[0].Finish == "dark" && _random.NextDouble() < 0.6;
            _bakes.Add(
                new PastBakeDocument(
                    Id(),
                    LocalDatePattern.Iso.Format(date),
                    recipe.Name,
                    key,
                    1,
                    "demo",
                    Loads: loads,
                    Hands: Few(recipe.Steps.Where(s => s is { Hands: > 0, Oven: null, Takes.Likely.TotalMinutes: >= 3 }).Select(Hand)),
                    Rises: Few(recipe.Steps.Where(s => s is { Kind: StepKind.BulkRise or StepKind.Proof, Oven: null }).Select(Rise)),
                    Heats: place == 0 ? [Heating(), Door(), Cooling()] : null,
                    Pieces: recipe.Yield.Pieces,
                    Looks: isDark ? "dark" : Looks(),
                    Darker: isDark ? ["back", "base"]
                        : _random.NextDouble() < 0.45 ? ["back"]
                        : null,
                    ToChange: ToChange(key, date)
                )
            );
        }
    }

    private PastLoadDocument Load(Recipe recipe, Step step, int wave, LocalDateTime at)
    {
        var written = step.Takes.Likely.TotalMinutes;
        var minutes = written * OvenFactor * Recipes.GetValueOrDefault(recipe.Key, 1) * Math.Exp(0.05 * Normal());
        // Once the telephone rang.
        if (recipe.Key == "coal-cellar-buttons" && wave == 1 && at.Month >= 11 && _bakes.Count < 3)
            minutes = written * 1.7;
        minutes = Math.Max(1, Math.Round(minutes));
        var look = Math.Round(step.Takes.Low.TotalMinutes);
        var set = Math.Round(step.Oven!.SetTemperature.Celsius);
        var pan = step.Oven.Pan.Name;
        return new PastLoadDocument(
            step.Times > 1 ? $"{step.Title}, {wave + 1} of {step.Times}" : step.Title,
            minutes,
            Math.Round(written),
            Math.Round(written),
            Time.Format(at),
            1,
            set,
            Math.Round(set + 7 + (3 * Normal()), 1),
            look < minutes ? look : null,
            Math.Round(step.Takes.Low.TotalMinutes),
            look < minutes ? 1 : 0,
            step.Touches.Length,
            1,
            wave % 2 == 0 ? "Marit" : "Tobias",
            pan,
            pan.Contains("loaf", StringComparison.Ordinal) ? "dark"
                : pan.Contains("ring", StringComparison.Ordinal) ? "shiny"
                : null,
            step.Oven.Sheet is not null,
            step.Oven.Shelf == ShelfWish.Any ? null : step.Oven.Shelf.ToString().ToLowerInvariant(),
            step.Key,
            written,
            set
        );
    }

    private PastHandDocument Hand(Step step)
    {
        var work = Handwork.Of(step.Kind, step.Title);
        var (who, own) = _random.NextDouble() < 0.6 ? ("Marit", 0.96) : ("Tobias", 1.1);
        var written = step.Takes.Likely.TotalMinutes;
        return new PastHandDocument(
            step.Title,
            work,
            written,
            Math.Max(0.5, Math.Round(written * own * Hands.GetValueOrDefault(work, 1) * Math.Exp(0.2 * Normal()), 1)),
            who
        );
    }

    private PastRiseDocument Rise(Step step)
    {
        var reckoned = Math.Round(step.Takes.Likely.TotalMinutes * 1.1);
        var minutes = Math.Round(reckoned * 1.06 * Math.Exp(0.08 * Normal()));
        return new PastRiseDocument(
            step.Title,
            "yeast",
            reckoned,
            minutes,
            [
                [Math.Round(minutes * 0.5), 1.3],
                [Math.Round(minutes * 0.8), 1.65],
                [minutes, 2],
            ]
        );
    }

    private PastHeatDocument Heating()
    {
        var model = DemoKitchen.Kitchen().Oven.HeatUpMinutes;
        return new PastHeatDocument(1, Math.Round(model * 1.12 * Math.Exp(0.06 * Normal()), 1), model, KitchenMinutes: model);
    }

    private PastHeatDocument Door() => new(1, DoorDrop: Math.Round(31 + (4 * Normal()), 1));

    private PastHeatDocument Cooling() => new(1, CoolMinutes: Math.Round(21 * Math.Exp(0.08 * Normal()), 1), Ajar: true);

    private string Looks() => _random.NextDouble() < 0.75 ? "golden" : "brown";

    private static string? ToChange(string key, LocalDate date) =>
        (key, date.Month) switch
        {
            ("cellar-fruit-cake", _) => "Fruit a week earlier: it had not drunk all of it",
            ("market-squash-loaf", 12) => "Two minutes more, the middle was a little damp",
            ("midnight-ring", _) => "A sheet beneath: the base was dark before the top was done",
            _ => null,
        };

    private IEnumerable<StarterRefreshDocument> RefreshesUntil(LocalDate today)
    {
        for (var day = 40; day >= 1; day -= 3)
        {
            double kept = day % 2 == 0 ? 30 : 20;
            var given = day % 2 == 0 ? 60.0 : 100.0;
            var room = Math.Round(20.5 + (1.2 * Normal()), 1);
            var usual = StarterPeak.Minutes(Mass.FromGrams(kept), Mass.FromGrams(given), Temperature.FromCelsius(room));
            yield return new StarterRefreshDocument(
                Id(),
                Time.Format(today.PlusDays(-day).At(new LocalTime(20, 15))),
                kept,
                given / 2,
                given / 2,
                day % 2 == 0 ? 90 : 60,
                Math.Round(2.2 + (0.2 * Normal()), 1),
                Math.Round(usual * StarterFactor * Math.Exp(0.08 * Normal())),
                room,
                day == 1 ? "In the refrigerator from the morning on" : null
            );
        }
    }

    private string Id()
    {
        Span<byte> bytes = stackalloc byte[16];
        _random.NextBytes(bytes);
        return new Guid(bytes).ToString();
    }

    /// <summary>A standard normal number (Box and Muller 1958).</summary>
    private double Normal() => Math.Sqrt(-2 * Math.Log(1 - _random.NextDouble())) * Math.Cos(2 * Math.PI * _random.NextDouble());

    private static List<T>? Few<T>(IEnumerable<T> items) => items.ToList() is { Count: > 0 } list ? list : null;
}
