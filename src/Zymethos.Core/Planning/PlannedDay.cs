using System.Collections.Immutable;

namespace Zymethos.Core.Planning;

/// <summary>The same figures for what bakers do by hand; null where that way finds no place for a bake at all.</summary>
/// <param name="ListOrder">Bakes as the list has them.</param>
/// <param name="ByTemperature">Bakes sorted by temperature.</param>
public sealed record HandComparison(Figures? ListOrder, Figures? ByTemperature);

/// <summary>A planned day with everything that a plan must come with: check, proof, comparison, reasons.</summary>
/// <param name="Network">The day that was planned.</param>
/// <param name="Plan">The plan; it has passed <see cref="PlanChecker"/>.</param>
/// <param name="Programmes">What each oven does.</param>
/// <param name="Figures">The plan in figures.</param>
/// <param name="ByHand">The hand methods in the same figures.</param>
/// <param name="BoundFinish">The finishing minute that no plan can beat.</param>
/// <param name="Reasons">Why each task stands where it stands, in the order of the network.</param>
/// <param name="Sheet">The run sheet.</param>
public sealed record PlannedDay(
    TaskNetwork Network,
    Plan Plan,
    ImmutableArray<OvenProgramme> Programmes,
    Figures Figures,
    HandComparison ByHand,
    int BoundFinish,
    IReadOnlyList<Explanation> Reasons,
    ImmutableArray<RunSheetLine> Sheet)
{
    /// <summary>Dresses a plan.</summary>
    /// <exception cref="InvalidOperationException">The plan breaks a rule: a fault of the planner, never shown as a plan.</exception>
    public static PlannedDay Of(TaskNetwork network, Plan plan, int boundFinish)
    {
        var broken = PlanChecker.Check(network, plan);
        if (broken.Count > 0) throw new InvalidOperationException($"The plan breaks {broken.Count} rules, first: {broken[0].Message}");
        var programmes = Enumerable.Range(0, network.Kitchen.Ovens.Length).Select(o => OvenProgramme.Of(network, plan, o)).ToImmutableArray();
        return new PlannedDay(
            network,
            plan,
            programmes,
            Figures.Of(network, plan),
            new HandComparison(ByHandIn(network, HandMethods.ListOrder(network)), ByHandIn(network, HandMethods.ByTemperature(network))),
            boundFinish,
            Explainer.Explain(network, plan),
            RunSheet.Of(network, plan, programmes));
    }

    /// <summary>How far the finish may lie above the best possible, in percent of the day's length so far; 0 when proven.</summary>
    public double GapPercent => Figures.FinishMinute == 0 ? 0 : 100.0 * (Figures.FinishMinute - BoundFinish) / Figures.FinishMinute;

    /// <summary>The proof in plain words.</summary>
    public string BoundWords => Figures.FinishMinute <= BoundFinish
        ? "No order can finish sooner: proven."
        : $"No order can finish more than {Explainer.Spoken(Figures.FinishMinute - BoundFinish)} sooner.";

    /// <summary>The tightest moment: the hard window with the fewest minutes left before it closes, or null when there is none.</summary>
    public (TaskLink Link, int Minutes)? Tightest
    {
        get
        {
            var windows = Network.Links
                .Where(l => l is { MaxLag: > 0, Window: Recipes.WindowKind.Hard })
                .Select(l => (Link: l, Minutes: l.MaxLag!.Value - (Plan.Tasks[l.To].Start - Plan.Tasks[l.From].End)))
                .ToList();
            return windows.Count == 0 ? null : windows.MinBy(w => (w.Minutes, Plan.Tasks[w.Link.To].Start));
        }
    }

    private static Figures? ByHandIn(TaskNetwork network, int[] order) =>
        HandMethods.Build(network, order) is { } plan ? Figures.Of(network, plan) : null;
}
