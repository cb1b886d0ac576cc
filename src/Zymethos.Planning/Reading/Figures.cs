using Zymethos.Core.Recipes;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Reading;

/// <summary>A plan in plain figures.</summary>
/// <param name="FinishMinute">Minute at which the last hand or hot oven comes to rest.</param>
/// <param name="KitchenMinutes">Minutes from the first touch (the first dial or hand) to the last.</param>
/// <param name="HandsOnMinutes">Minutes of work, all people together.</param>
/// <param name="OvenOnMinutes">Minutes with the oven's heating switched on, rounded.</param>
/// <param name="TemperatureChanges">How often the oven goes from one setting to another.</param>
/// <param name="SoftWindowMinutes">Minutes beyond soft windows, summed.</param>
public sealed record Figures(
    int FinishMinute,
    int KitchenMinutes,
    int HandsOnMinutes,
    int OvenOnMinutes,
    int TemperatureChanges,
    int SoftWindowMinutes
)
{
    /// <summary>The figures of a plan.</summary>
    public static Figures Of(TaskNetwork network, Plan plan)
    {
        var programmes = Enumerable.Range(0, network.Kitchen.Ovens.Length).Select(o => OvenProgramme.Of(network, plan, o)).ToList();
        var finish = plan.Finish(network);
        return new Figures(
            finish,
            finish - FirstTouch(network, plan, programmes),
            network.Tasks.Sum(t => t.Hands.Sum(h => h.Length * h.People)),
            (int)Math.Round(programmes.Sum(p => p.OnMinutes)),
            programmes.Sum(p => p.TemperatureChanges),
            network
                .Links.Where(l => l is { MaxLag: not null, Window: WindowKind.Soft })
                .Sum(l => Math.Max(0, plan.Tasks[l.To].Start - plan.Tasks[l.From].End - l.MaxLag!.Value))
        );
    }

    /// <summary>The first minute somebody is needed, the oven's first heating included; 0 when nobody is.</summary>
    private static int FirstTouch(TaskNetwork network, Plan plan, List<OvenProgramme> programmes)
    {
        var hands = network.Tasks.Where(t => t.NeedsPresence).Select(t => plan.Tasks[t.Index].Start).DefaultIfEmpty(0).Min();
        return programmes.Where(p => !p.Segments.IsEmpty).Select(p => (int)Math.Floor(p.Segments[0].From)).Append(hands).Min();
    }
}
