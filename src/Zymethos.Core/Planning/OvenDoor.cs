namespace Zymethos.Core.Planning;

/// <summary>
/// What opening the door for one load does to another that bakes in the same oven: the heat falls, and the other stays in longer by the minutes the oven needs to
/// come back (<see cref="Heat.OvenThermal.DoorRecovery"/>). What goes in or out together with it, within <see cref="Together"/> minutes, costs it nothing. A recipe's own openings
/// are part of its time.
/// </summary>
public static class OvenDoor
{
    /// <summary>Loads that go in or out within so many minutes use one open door.</summary>
    public const int Together = TaskNetwork.TogetherMinutes;

    /// <summary>Whether the door is opened while a load bakes, and not together with its own going in or coming out.</summary>
    public static bool IsWithin(int moment, PlannedTask load) => moment > load.Start + Together && moment < load.End - Together;

    /// <summary>Minutes by which openings for other loads lengthen a bake of a plan.</summary>
    public static int Minutes(TaskNetwork network, Plan plan, PlanTask task)
    {
        if (task.Oven is not { Setting.IsProof: false } need) return 0;
        var own = plan.Tasks[task.Index];
        var openings = 0;
        foreach (var other in network.Tasks)
        {
            if (other.Index == task.Index || other.Oven?.Setting != need.Setting) continue;
            var planned = plan.Tasks[other.Index];
            if (planned.Oven != own.Oven || planned.Start >= own.End || planned.End <= own.Start) continue;
            foreach (var hands in other.Hands)
            {
                if (IsWithin(other.HandsAt(hands, planned.Start, planned.End).From, own)) openings++;
            }
        }

        return openings == 0 ? 0 : openings * network.Thermal(own.Oven).DoorRecovery(need.Setting);
    }
}
