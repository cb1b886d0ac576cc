using Zymethos.Core.Kitchens;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Rules;

/// <summary>
/// What opening the door for one load does to another that bakes in the same oven: the heat falls, and the other stays in longer by the
/// minutes the oven needs to come back (<c>OvenThermal.DoorRecovery</c>), and, when the other is put in cold, by its share of what a full
/// oven's cold costs (<see cref="Oven.ColdLoad"/>). What goes in or out together with it, within <see cref="Together"/> minutes, costs it
/// nothing. A recipe's own openings are part of its time.
/// </summary>
public static class OvenDoor
{
    /// <summary>Loads that go in or out within so many minutes use one open door.</summary>
    public const int Together = TaskNetwork.TogetherMinutes;

    /// <summary>Whether the door is opened while a load bakes, and not together with its own going in or coming out.</summary>
    public static bool IsWithin(int moment, PlannedTask load) => IsWithin(moment, load.Start, load.End);

    /// <summary>The same for a load that bakes from one minute until another.</summary>
    public static bool IsWithin(int moment, int start, int end) => moment > start + Together && moment < end - Together;

    /// <summary>Minutes by which openings for other loads lengthen a bake of a plan.</summary>
    public static int Minutes(TaskNetwork network, Plan plan, PlanTask task)
    {
        if (task.Oven is not { Setting.IsHot: true } need)
            return 0;
        var own = plan.Tasks[task.Index];
        var minutes = 0;
        foreach (var other in network.Tasks)
        {
            if (other.Index == task.Index || other.Oven?.Setting != need.Setting)
                continue;
            var planned = plan.Tasks[other.Index];
            if (planned.Oven != own.Oven || planned.Start >= own.End || planned.End <= own.Start)
                continue;
            foreach (var hands in other.Hands)
            {
                if (IsWithin(other.HandsAt(hands, planned.Start, planned.End).From, own))
                    minutes += Costs(network, other, hands, own.Oven);
            }
        }

        return minutes;
    }

    /// <summary>Minutes that one opening for a load costs every other load in that oven, the cold of what goes in counted; 0 or
    /// more.</summary>
    /// <param name="network">The day.</param>
    /// <param name="load">The load for which the door is opened.</param>
    /// <param name="need">For what: going in, coming out, or a touch part-way.</param>
    /// <param name="oven">Index of the oven.</param>
    public static int Costs(TaskNetwork network, PlanTask load, HandsNeed need, int oven)
    {
        var door = network.Thermal(oven).DoorRecovery(load.Oven!.Setting);
        return need.Offset > 0 ? door : door + ColdMinutes(network.Kitchen.Ovens[oven], load.Oven.Items * load.Oven.UnitsIn(oven));
    }

    private static int ColdMinutes(Oven oven, int units) =>
        (int)Math.Round(oven.ColdLoad.TotalMinutes * units / (oven.Shelves * TaskNetwork.ShelfUnits), MidpointRounding.AwayFromZero);
}
