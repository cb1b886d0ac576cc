using System.Collections.Immutable;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Checking;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Reading;

/// <summary>The same figures for what bakers do by hand; null where that way finds no place for a bake at all.</summary>
/// <param name="ListOrder">Bakes as the list has them.</param>
/// <param name="ByTemperature">Bakes sorted by temperature.</param>
public sealed record HandComparison(Figures? ListOrder, Figures? ByTemperature);

/// <summary>
/// A planned day with everything that a plan must come with: proof, comparison, reasons. Each of them is worked out when it is first asked
/// for, once, from whichever thread asks.
/// </summary>
public sealed class PlannedDay
{
    private readonly Lazy<ImmutableArray<OvenProgramme>> _programmes;
    private readonly Lazy<Figures> _figures;
    private readonly Lazy<HandComparison> _handMethods;
    private readonly Lazy<IReadOnlyList<Explanation>> _reasons;
    private readonly Lazy<ImmutableArray<RunSheetLine>> _sheet;

    private PlannedDay(TaskNetwork network, Plan plan, int boundFinish)
    {
        (Network, Plan, BoundFinish) = (network, plan, boundFinish);
        _programmes = new(() => [.. Enumerable.Range(0, network.Kitchen.Ovens.Length).Select(o => OvenProgramme.Of(network, plan, o))]);
        _figures = new(() => Figures.Of(network, plan));
        _handMethods = new(() =>
            new HandComparison(
                ByHandIn(network, Search.HandMethods.ListOrder(network)),
                ByHandIn(network, Search.HandMethods.ByTemperature(network))
            )
        );
        _reasons = new(() => Explainer.Explain(network, plan));
        _sheet = new(() => RunSheet.Of(network, plan, Programmes));
    }

    /// <summary>The day that was planned.</summary>
    public TaskNetwork Network { get; }

    /// <summary>The plan; it has passed <see cref="PlanChecker"/>, now or when it was kept.</summary>
    public Plan Plan { get; }

    /// <summary>The finishing minute that no plan can beat.</summary>
    public int BoundFinish { get; }

    /// <summary>What became of the plan on rehearsed days; null where none were lived.</summary>
    public PlanChance? Chance { get; init; }

    /// <summary>The minute that may be promised: by which all was ready on nine of ten rehearsed days, or by usual times where none were
    /// lived.</summary>
    public int PromisedMinute => Chance?.ReadyBy ?? Chance?.DoneBy ?? Figures.FinishMinute;

    /// <summary>Plans to choose from, from the tightest to the surest; empty where none were looked for.</summary>
    public ImmutableArray<PlanChoice> Choices { get; init; } = [];

    /// <summary>What each oven does.</summary>
    public ImmutableArray<OvenProgramme> Programmes => _programmes.Value;

    /// <summary>The plan in figures.</summary>
    public Figures Figures => _figures.Value;

    /// <summary>The hand methods in the same figures.</summary>
    public HandComparison HandMethods => _handMethods.Value;

    /// <summary>Why each task stands where it stands, in the order of the network.</summary>
    public IReadOnlyList<Explanation> Reasons => _reasons.Value;

    /// <summary>The run sheet.</summary>
    public ImmutableArray<RunSheetLine> Sheet => _sheet.Value;

    /// <summary>A plan just found.</summary>
    /// <exception cref="InvalidOperationException">The plan breaks a rule: a fault of the planner, never shown as a plan.</exception>
    public static PlannedDay Of(TaskNetwork network, Plan plan, int boundFinish)
    {
        var broken = PlanChecker.Check(network, plan);
        if (broken.Count > 0)
            throw new InvalidOperationException($"The plan breaks {broken.Count} rules, first: {broken[0].Message}");
        return new PlannedDay(network, plan, boundFinish);
    }

    /// <summary>A plan just found, with what became of it on rehearsed days.</summary>
    /// <exception cref="InvalidOperationException">The plan breaks a rule: a fault of the planner, never shown as a plan.</exception>
    public static PlannedDay Of(TaskNetwork network, Search.PlanOutcome outcome)
    {
        var plan = outcome.Plan ?? throw new ArgumentException("There is no plan.", nameof(outcome));
        var day = Of(network, plan, outcome.BoundFinish);
        return new PlannedDay(network, day.Plan, outcome.BoundFinish) { Chance = outcome.Chance, Choices = outcome.Choices };
    }

    /// <summary>Another of the plans to choose from.</summary>
    /// <param name="choice">Its place among them.</param>
    public PlannedDay Choose(int choice) =>
        new(Network, Choices[choice].Plan, Math.Min(BoundFinish, Choices[choice].Plan.Finish(Network)))
        {
            Chance = Choices[choice].Chance,
            Choices = Choices,
        };

    /// <summary>
    /// A plan that was kept together with its network, and had passed the checker then. It is not checked again: a rule that was sharpened
    /// since does not take a day away from somebody who is in the middle of it.
    /// </summary>
    public static PlannedDay Kept(
        TaskNetwork network,
        Plan plan,
        int boundFinish,
        PlanChance? chance = null,
        ImmutableArray<PlanChoice> choices = default
    ) => new(network, plan, boundFinish) { Chance = chance, Choices = choices.IsDefault ? [] : choices };

    /// <summary>The same day as somebody with measures or a clock of their own reads it. Never to be kept.</summary>
    /// <param name="own">Their measures and clock.</param>
    public PlannedDay Said(OwnSays own) =>
        own.IsNone
            ? this
            : new(Network with { Kitchen = own.Of(Network.Kitchen) }, Plan, BoundFinish) { Chance = Chance, Choices = Choices };

    /// <summary>How far the finish may lie above the best possible, in percent of the day's length so far; 0 when proven.</summary>
    public double GapPercent => Figures.FinishMinute == 0 ? 0 : 100.0 * (Figures.FinishMinute - BoundFinish) / Figures.FinishMinute;

    /// <summary>The proof in plain words.</summary>
    public string BoundWords =>
        Figures.FinishMinute <= BoundFinish
            ? "No order can finish sooner: proven."
            : $"No order can finish more than {SpokenTime.Of(Figures.FinishMinute - BoundFinish)} sooner.";

    /// <summary>The tightest moment: the hard window with the fewest minutes left before it closes, or null when there is none.</summary>
    public (TaskLink Link, int Minutes)? Tightest
    {
        get
        {
            var windows = Network
                .Links.Where(l => l is { MaxLag: > 0, Window: WindowKind.Hard })
                .Select(l => (Link: l, Minutes: l.MaxLag!.Value - (Plan.Tasks[l.To].Start - Plan.Tasks[l.From].End)))
                .ToList();
            return windows.Count == 0 ? null : windows.MinBy(w => (w.Minutes, Plan.Tasks[w.Link.To].Start));
        }
    }

    private static Figures? ByHandIn(TaskNetwork network, int[] order) =>
        Search.HandMethods.Build(network, order) is { } plan ? Figures.Of(network, plan) : null;
}
