using Zymethos.Core.Recipes;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Compile;
using Zymethos.Planning.Day;
using Zymethos.Planning.Reading;
using Zymethos.Planning.Search;

namespace Zymethos.Work.OvenDays;

/// <summary>What a day is about to hold, worked out while it is still being put together: no search, a first order and nothing
/// kept.</summary>
/// <param name="Hands">Minutes of work, all people together.</param>
/// <param name="Oven">Minutes with an oven on, in the first order that was laid; null where none was.</param>
/// <param name="Heats">Different settings of the dial.</param>
/// <param name="Finish">When that first order is done, in the kitchen's words; null where none fits the day.</param>
/// <param name="NotBefore">Before when no order whatever can be done, in the kitchen's words.</param>
/// <param name="Short">Pans that take turns, a sentence each.</param>
/// <param name="Faults">What cannot be as it is asked for; empty when nothing is wrong.</param>
public sealed record DayAhead(
    int Hands,
    int? Oven,
    int Heats,
    string? Finish,
    string NotBefore,
    IReadOnlyList<string> Short,
    IReadOnlyList<Fault> Faults
)
{
    /// <summary>Looks ahead; takes some tens of milliseconds for a day of eight recipes. Any number of threads.</summary>
    /// <param name="document">What is asked for, as typed so far.</param>
    public static DayAhead Of(OvenDayDocument document)
    {
        var reader = new DocumentReader();
        var (kitchen, wish) = reader.Read(document);
        if (reader.Faults.Count > 0)
            return Wrong(reader.Faults);
        var compiled = TaskCompiler.Compile(kitchen, wish);
        if (compiled.Network is not { } network)
            return Wrong(compiled.Faults);
        var plan = DayBound.FirstOrder(network);
        var figures = plan is null ? null : Figures.Of(network, plan);
        return new DayAhead(
            network.Tasks.Sum(t => t.Hands.Sum(h => h.Length * h.People)),
            figures?.OvenOnMinutes,
            network.Tasks.Where(t => t.Oven is { Setting.IsHot: true }).Select(t => t.Oven!.Setting).Distinct().Count(),
            figures is null ? null : network.HourOf(figures.FinishMinute),
            network.HourOf(DayBound.Finish(network)),
            [.. TakingTurns(network)],
            []
        );
    }

    private static DayAhead Wrong(IReadOnlyList<Fault> faults) => new(0, null, 0, null, "", [], faults);

    private static IEnumerable<string> TakingTurns(TaskNetwork network)
    {
        foreach (var pan in network.Holds.GroupBy(h => h.Resource))
        {
            var (there, wanted) = (network.Resources[pan.Key], pan.Sum(h => h.Units));
            if (wanted > there.Capacity)
                yield return $"{char.ToUpperInvariant(there.Name[0])}{there.Name[1..]}: {there.Capacity} there, {wanted} filled over the "
                    + "day. They take turns.";
        }
    }
}
