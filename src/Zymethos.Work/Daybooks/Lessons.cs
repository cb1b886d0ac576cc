using System.Collections.Immutable;
using NodaTime.Text;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Learning;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Documents;

namespace Zymethos.Work.Daybooks;

/// <summary>A load that taught something, and what it was taught by.</summary>
/// <param name="Bake">The bake it is of.</param>
/// <param name="Load">The load.</param>
/// <param name="Seen">What is learned from it.</param>
public sealed record TaughtLoad(PastBakeDocument Bake, PastLoadDocument Load, TimeObservation Seen);

/// <summary>What the bakes of a kitchen teach: times of ovens, hands, rises and heating up. Immutable; safe for any number of
/// threads.</summary>
public sealed class Lessons
{
    /// <summary>Seen less often, a value is shown and no plan goes by it: one touch that was forgotten is no lesson.</summary>
    public const int FewestToUse = 2;

    /// <summary>Baked at a heat that lies farther from what the recipe says now, a load says nothing of its time any more.</summary>
    public const double SameHeat = 3;

    private readonly Kitchen _kitchen;
    private readonly IReadOnlyDictionary<(string Recipe, string Step), Step> _now;

    private Lessons(
        Kitchen kitchen,
        IEnumerable<Recipe> book,
        IEnumerable<PastBakeDocument> bakes,
        IEnumerable<StarterRefreshDocument> feeds
    )
    {
        _kitchen = kitchen;
        _now = book.SelectMany(r => r.Steps.Select(s => ((r.Key, s.Key), Step: s)))
            .DistinctBy(s => s.Item1)
            .ToDictionary(s => s.Item1, s => s.Step);
        All = [.. bakes];
        var counted = All.Where(b => !b.LeftOut).ToList();
        ImmutableArray<TaughtLoad> loads =
        [
            .. counted.SelectMany(b =>
                (b.Loads ?? [])
                    .Where(PastBakeCheck.IsSound)
                    .Select(l => (Load: l, Recipe: MinutesNow(b, l)))
                    .Where(l => l.Recipe is > 0)
                    .Select(l => new TaughtLoad(
                        b,
                        l.Load,
                        new TimeObservation(OvenOf(b, l.Load.Oven), WorkOf(b), l.Recipe!.Value, l.Load.Minutes)
                    ))
            ),
        ];
        // One loaf that was forgotten is no lesson: what is unlike all others is named, and counts when somebody says so.
        Odd = OddOf(loads);
        Loads = [.. loads.Where(l => l.Bake.Counted || !Odd.Contains(l))];
        Bakes = TimeFactors.Of(Loads.Select(l => l.Seen));
        Hands = TimeFactors.Of(
            counted.SelectMany(b => (b.Hands ?? []).Select(h => new TimeObservation(PersonOf(h.Who), h.Work, h.RecipeMinutes, h.Minutes))),
            FactorPriors.Hands
        );
        Rises = TimeFactors.Of(
            counted
                .SelectMany(b => (b.Rises ?? []).Select(r => new TimeObservation(r.Leaven, WorkOf(b), r.RecipeMinutes, r.Minutes)))
                // How quickly the starter peaks by itself says how quickly it raises a dough.
                .Concat(
                    feeds
                        .Where(f => StarterDiary.UsualPeak(f) is not null)
                        .Select(f => new TimeObservation(LearnedTime.Starter, "", StarterDiary.UsualPeak(f)!.Value, f.PeakMinutes!.Value))
                ),
            FactorPriors.Rises
        );
        Heating = TimeFactors.Of(
            counted.SelectMany(b =>
                (b.Heats ?? [])
                    .Where(h => h is { Minutes: not null, ModelMinutes: not null })
                    .Select(h => new TimeObservation(
                        OvenOf(b, h.Oven),
                        "heating",
                        h.ModelMinutes!.Value * (HeatUpNow(h.Oven) / h.KitchenMinutes ?? 1),
                        h.Minutes!.Value
                    ))
            ),
            FactorPriors.Heating
        );
        DoorDrops =
        [
            .. counted.SelectMany(b =>
                (b.Heats ?? []).Where(h => h.DoorDrop is > 0 and < 150).Select(h => (OvenOf(b, h.Oven), h.DoorDrop!.Value))
            ),
        ];
        Coolings =
        [
            .. counted.SelectMany(b =>
                (b.Heats ?? []).Where(h => h.CoolMinutes is >= 1 and <= 600).Select(h => (OvenOf(b, h.Oven), h.Ajar, h.CoolMinutes!.Value))
            ),
        ];
        DialOffsets =
        [
            .. counted.SelectMany(b =>
                (b.Loads ?? [])
                    .Where(l => l is { Celsius: > 0, RealCelsius: not null } && PastBakeCheck.IsSound(l))
                    .Select(l => (OvenOf(b, l.Oven), l.RealCelsius!.Value - l.Celsius!.Value))
            ),
        ];
        Sides = BaseLessons.SidesOf(counted);
        Bases = BaseLessons.Of(counted);
    }

    /// <summary>All bakes, those that are left out among them.</summary>
    public ImmutableArray<PastBakeDocument> All { get; }

    /// <summary>Loads that are unlike all others, whether they are counted or not.</summary>
    public ImmutableArray<TaughtLoad> Odd { get; }

    /// <summary>Among fewer loads nothing is odd.</summary>
    public const int FewestForOdd = 6;

    /// <summary>Loads that were learned from.</summary>
    public ImmutableArray<TaughtLoad> Loads { get; }

    /// <summary>Bakes, by oven and recipe.</summary>
    public TimeFactors Bakes { get; }

    /// <summary>Handwork, by person and kind of work.</summary>
    public TimeFactors Hands { get; }

    /// <summary>Rises, by leaven and recipe.</summary>
    public TimeFactors Rises { get; }

    /// <summary>Heating up, by oven.</summary>
    public TimeFactors Heating { get; }

    /// <summary>Degrees by which ovens fell when their doors were opened.</summary>
    public ImmutableArray<(string Oven, double Degrees)> DoorDrops { get; }

    /// <summary>How ovens cooled: whether the door was ajar, and Newton's time constant in minutes.</summary>
    public ImmutableArray<(string Oven, bool IsAjar, double Minutes)> Coolings { get; }

    /// <summary>By how many degrees ovens were hotter than their dials, load by load.</summary>
    public ImmutableArray<(string Oven, double Degrees)> DialOffsets { get; }

    /// <summary>How often bakes came out darker at each side of the tray, the most often first.</summary>
    public ImmutableArray<BaseLesson> Sides { get; }

    /// <summary>How often bases came out too dark, by what they stood in and on.</summary>
    public ImmutableArray<BaseLesson> Bases { get; }

    /// <summary>Learns.</summary>
    /// <param name="kitchen">The kitchen as it is.</param>
    /// <param name="book">Its recipes as they are: what was baked by an earlier version is seen beside what that step says now.</param>
    /// <param name="bakes">Bakes, in any order.</param>
    /// <param name="feeds">What was done to the starter; null for nothing.</param>
    public static Lessons Of(
        Kitchen kitchen,
        IEnumerable<Recipe> book,
        IEnumerable<PastBakeDocument> bakes,
        IEnumerable<StarterRefreshDocument>? feeds = null
    ) => new(kitchen, book, bakes, feeds ?? []);

    /// <summary>
    /// What the recipe would say today for a load that was baked by it once: its minutes of then, in proportion to what the step says now.
    /// So a recipe that was changed because of what was learned is not changed twice. Null where nobody knows, and where the recipe wants
    /// another heat now.
    /// </summary>
    public double? MinutesNow(PastBakeDocument bake, PastLoadDocument load)
    {
        if (load is not { Step: { } key, StepMinutes: > 0, RecipeMinutes: { } then })
            return load.RecipeMinutes;
        if (bake.Recipe is null || !_now.TryGetValue((bake.Recipe, key), out var step))
            return then;
        if (load.StepC is { } meant && step.Oven is { } use && Math.Abs(use.SetTemperature.Celsius - meant) > SameHeat)
            return null;
        return then * step.Takes.Likely.TotalMinutes / load.StepMinutes.Value;
    }

    /// <summary>The farthest first, and looked for again without it: one that was forgotten for an hour makes those beside it look odd that
    /// are not.</summary>
    private static ImmutableArray<TaughtLoad> OddOf(ImmutableArray<TaughtLoad> loads)
    {
        var (rest, odd) = (loads.ToList(), ImmutableArray.CreateBuilder<TaughtLoad>());
        while (rest.Count >= FewestForOdd && TimeFactors.Of(rest.Select(l => l.Seen)).OddOnes() is [var farthest, ..])
        {
            odd.Add(rest.First(l => l.Seen == farthest));
            rest.Remove(odd[^1]);
        }

        return odd.ToImmutable();
    }

    /// <summary>The values by which plans go, as rounded as they are kept: what was switched off stays off.</summary>
    public ImmutableArray<LearnedTime> Values()
    {
        var off = _kitchen.Learned.Where(l => l.IsOff).Select(l => (l.Kind, l.Of)).ToHashSet();
        var values = new List<LearnedTime>();
        var ovens = Enumerable.Range(0, _kitchen.Ovens.Length).Select(LearnedTime.OvenName).ToHashSet(StringComparer.Ordinal);
        Add(LearnedKind.Oven, Bakes, Bakes.Doers.Where(ovens.Contains), Bakes.Doer);
        Add(LearnedKind.Recipe, Bakes, Bakes.Works, Bakes.Work);
        Add(LearnedKind.Person, Hands, Hands.Doers, Hands.Doer);
        Add(LearnedKind.Handwork, Hands, Hands.Works, Hands.Work);
        Add(LearnedKind.Leaven, Rises, Rises.Doers, Rises.Doer);
        Add(LearnedKind.Rise, Rises, Rises.Works, Rises.Work);
        return [.. values.Take(Kitchen.MostLearned)];

        void Add(LearnedKind kind, TimeFactors from, IEnumerable<string> names, Func<string, LearnedFactor> of)
        {
            foreach (var name in names.Order(StringComparer.Ordinal))
            {
                var factor = of(name);
                if (factor.Bakes < FewestToUse || name.Length is < 1 or > 80)
                    continue;
                values.Add(
                    new LearnedTime(
                        kind,
                        name,
                        Math.Clamp(Rounded(factor.Factor), LearnedTime.Least, LearnedTime.Most),
                        Rounded(factor.Low),
                        Rounded(factor.High),
                        factor.Bakes
                    )
                    {
                        IsOff = off.Contains((kind, name)),
                        Scatter = kind == LearnedKind.Handwork ? Rounded(from.ScatterOf(name)) : 0,
                    }
                );
            }
        }
    }

    /// <summary>What an oven is called in what is learned: one that stood there before is another.</summary>
    public string OvenOf(PastBakeDocument bake, int oven)
    {
        var name = LearnedTime.OvenName(oven - 1);
        var since = oven <= _kitchen.Ovens.Length ? _kitchen.Ovens[oven - 1].Since : null;
        return since is { } from && LocalDatePattern.Iso.Parse(bake.Date).GetValueOrThrow() < from ? $"{name}, the one before" : name;
    }

    /// <summary>What a bake is called in what is learned: its recipe, or else its name.</summary>
    public static string WorkOf(PastBakeDocument bake) => bake.Recipe ?? bake.Name;

    private double? HeatUpNow(int oven) => oven <= _kitchen.Ovens.Length ? _kitchen.Ovens[oven - 1].HeatUp.TotalMinutes : null;

    private string PersonOf(string? who) =>
        !string.IsNullOrWhiteSpace(who)
            ? _kitchen.People.FirstOrDefault(p => p.Name.Equals(who, StringComparison.OrdinalIgnoreCase))?.Name ?? who
        : _kitchen.People.Length == 1 ? _kitchen.People[0].Name
        : "somebody";

    private static double Rounded(double value) => Math.Round(value, 3);
}
