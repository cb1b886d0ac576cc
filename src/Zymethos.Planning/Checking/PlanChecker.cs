using Zymethos.Core.Recipes;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Checking;

/// <summary>Which rule a plan breaks.</summary>
public enum PlanRule
{
    /// <summary>A task lasts as long as it was planned to, at its hour.</summary>
    Duration,

    /// <summary>A bake stays in longer by what the open door costs it, and no longer.</summary>
    Door,

    /// <summary>Work and hot oven lie in the working span, everything in the horizon.</summary>
    Span,

    /// <summary>A bake is ready when it must be.</summary>
    ReadyBy,

    /// <summary>A bake does not start before it may.</summary>
    NotBefore,

    /// <summary>Minimum lags.</summary>
    MinLag,

    /// <summary>Hard maximum lags.</summary>
    MaxLag,

    /// <summary>Each hand that is needed is given, by someone who is there and free.</summary>
    Hands,

    /// <summary>Mixers and other shared things are not taken twice.</summary>
    Resource,

    /// <summary>Loads of different settings are apart by the time the oven needs, the first from cold.</summary>
    OvenState,

    /// <summary>Pans have a shelf and shelves are not overfull.</summary>
    Shelf,

    /// <summary>Dough is taken out at once after its spell and before any heat.</summary>
    OvenCleared,

    /// <summary>Equal trays go in their order, and so does what the baker put in order.</summary>
    Order,

    /// <summary>A pinned step stays where it was pinned.</summary>
    Pin,

    /// <summary>Loads that are kept together go in together.</summary>
    Together,

    /// <summary>Loads that are kept apart never share the oven.</summary>
    Apart,

    /// <summary>Nobody works for longer than a stretch without a pause, and there is time for meals.</summary>
    Pause,
}

/// <summary>A rule that a plan breaks.</summary>
/// <param name="Rule">Which.</param>
/// <param name="Tasks">Indexes of the tasks it is about.</param>
/// <param name="Message">What is wrong, in a sentence.</param>
public sealed record BrokenRule(PlanRule Rule, IReadOnlyList<int> Tasks, string Message);

/// <summary>
/// Lists every rule that a plan breaks. Written from the rules alone: it shares no code with any planner and knows nothing of the solver;
/// it counts minute by minute where planners reason with intervals.
/// </summary>
public static class PlanChecker
{
    /// <summary>Everything that is broken; empty for a plan that can be carried out.</summary>
    /// <param name="network">The day.</param>
    /// <param name="plan">A plan with a task for each of the network's.</param>
    /// <exception cref="ArgumentException">The plan has another number of tasks.</exception>
    public static IReadOnlyList<BrokenRule> Check(TaskNetwork network, Plan plan)
    {
        if (plan.Tasks.Length != network.Tasks.Length)
            throw new ArgumentException("The plan belongs to another network.", nameof(plan));
        var broken = new List<BrokenRule>();
        foreach (var task in network.Tasks)
            CheckTask(network, plan, task, broken);
        broken.AddRange(PauseCheck.Find(network, plan));
        foreach (var link in network.Links)
            CheckLink(network, plan, link, broken);
        foreach (var (first, second) in network.Orders)
        {
            if (plan.Tasks[first].Start > plan.Tasks[second].Start)
                broken.Add(
                    new(PlanRule.Order, [first, second], $"{network.Tasks[second].Title} starts before the one that should come first.")
                );
        }

        CheckByHand(network, plan, broken);
        CheckHands(network, plan, broken);
        CheckResources(network, plan, broken);
        CheckOven(network, plan, broken);
        CheckShelves(network, plan, broken);
        return broken;
    }

    private static void CheckTask(TaskNetwork network, Plan plan, PlanTask task, List<BrokenRule> broken)
    {
        var planned = plan.Tasks[task.Index];
        var bake = network.Bakes[task.Bake];
        var takes = task.ByHalfHour.IsEmpty ? task.Likely : task.ByHalfHour[Math.Clamp(planned.Start / 30, 0, task.ByHalfHour.Length - 1)];
        var door = DoorMinutes(network, plan, task);
        if (planned.End - planned.Start != takes + door)
            broken.Add(
                new(
                    door == 0 ? PlanRule.Duration : PlanRule.Door,
                    [task.Index],
                    $"{task.Title} should take {takes} min{(door > 0 ? $" and {door} more for the open door" : "")}."
                )
            );
        if (
            planned.Start < 0
            || planned.End > network.Horizon
            || (task.NeedsPresence && (planned.End > network.SpanEnd || ReachesIntoRest(network, planned)))
        )
            broken.Add(new(PlanRule.Span, [task.Index], $"{task.Title} lies outside the working span."));
        if (bake.ReadyBy is { } ready && planned.End > ready)
            broken.Add(new(PlanRule.ReadyBy, [task.Index], $"{task.Title} ends after {bake.Name} must be ready."));
        if (planned.Start < network.Since && !network.Pins.Any(p => p.Task == task.Index))
            broken.Add(new(PlanRule.NotBefore, [task.Index], $"{task.Title} would have to start before now."));
        if (bake.NotBefore is { } notBefore && planned.Start < notBefore)
            broken.Add(new(PlanRule.NotBefore, [task.Index], $"{task.Title} starts before {bake.Name} may."));
    }

    /// <summary>What others' hands at the door of the same oven cost a bake: each time more than a moment after it went in and before it
    /// comes out.</summary>
    private static int DoorMinutes(TaskNetwork network, Plan plan, PlanTask task)
    {
        if (task.Oven is not { Setting.IsHot: true } need)
            return 0;
        var own = plan.Tasks[task.Index];
        if (own.Oven < 0 || own.Oven >= network.Kitchen.Ovens.Length)
            return 0;
        var (first, last) = (own.Start + TaskNetwork.TogetherMinutes + 1, own.End - TaskNetwork.TogetherMinutes - 1);
        var kitchen = network.Kitchen.Ovens[own.Oven];
        var minutes = 0;
        foreach (
            var other in network.Tasks.Where(t =>
                t.Index != task.Index && t.Oven?.Setting == need.Setting && plan.Tasks[t.Index].Oven == own.Oven
            )
        )
        {
            var (start, end) = (plan.Tasks[other.Index].Start, plan.Tasks[other.Index].End);
            var share = (double)other.Oven!.Items * other.Oven.UnitsIn(own.Oven) / TaskNetwork.ShelfUnits / kitchen.Shelves;
            var cold = (int)Math.Floor((kitchen.ColdLoad.TotalMinutes * share) + 0.5);
            foreach (var hands in other.Hands)
            {
                var at = other.HandsAt(hands, start, end).From;
                if (at < first || at > last)
                    continue;
                minutes += network.Thermal(own.Oven).DoorRecovery(need.Setting);
                if (at == start)
                    minutes += cold;
            }
        }

        return minutes;
    }

    private static bool ReachesIntoRest(TaskNetwork network, PlannedTask planned)
    {
        for (var m = planned.Start; m < planned.End; m++)
        {
            foreach (var rest in network.Rests)
            {
                if (m >= rest.From && m < rest.Until)
                    return true;
            }
        }

        return false;
    }

    private static void CheckByHand(TaskNetwork network, Plan plan, List<BrokenRule> broken)
    {
        foreach (var pin in network.Pins.Where(p => plan.Tasks[p.Task].Start != p.Start))
            broken.Add(new(PlanRule.Pin, [pin.Task], $"{network.Tasks[pin.Task].Title} is not where it was pinned."));
        foreach (
            var (a, b) in network.Together.Where(p =>
                Math.Abs(plan.Tasks[p.First].Start - plan.Tasks[p.Second].Start) > TaskNetwork.TogetherMinutes
            )
        )
            broken.Add(new(PlanRule.Together, [a, b], $"{network.Tasks[a].Title} and {network.Tasks[b].Title} do not go in together."));
        foreach (var (a, b) in network.Apart)
        {
            var (one, other) = (plan.Tasks[a], plan.Tasks[b]);
            for (var m = one.Start; m < one.End; m++)
            {
                if (m < other.Start || m >= other.End)
                    continue;
                broken.Add(new(PlanRule.Apart, [a, b], $"{network.Tasks[a].Title} and {network.Tasks[b].Title} share the oven."));
                break;
            }
        }
    }

    private static void CheckLink(TaskNetwork network, Plan plan, TaskLink link, List<BrokenRule> broken)
    {
        var lag = plan.Tasks[link.To].Start - plan.Tasks[link.From].End;
        var words = $"{network.Tasks[link.To].Title} starts {lag} min after {network.Tasks[link.From].Title}";
        if (lag < link.MinLag)
            broken.Add(new(PlanRule.MinLag, [link.From, link.To], $"{words}, at least {link.MinLag} are needed."));
        if (link.Window == WindowKind.Hard && lag > link.MaxLag)
            broken.Add(new(PlanRule.MaxLag, [link.From, link.To], $"{words}, at most {link.MaxLag} are allowed."));
    }

    private static void CheckHands(TaskNetwork network, Plan plan, List<BrokenRule> broken)
    {
        var who = network.Helpers.Select(_ => new Dictionary<int, int>()).ToArray();
        foreach (var task in network.Tasks)
        {
            var planned = plan.Tasks[task.Index];
            foreach (var need in task.Hands)
            {
                var (from, until) = task.HandsAt(need, planned.Start, planned.End);
                for (var m = from; m < until; m++)
                {
                    var given = planned.Hands.Where(b => b.From <= m && m < b.Until).Select(b => b.Helper).Distinct().Count();
                    if (given >= need.People)
                        continue;
                    broken.Add(new(PlanRule.Hands, [task.Index], $"{task.Title} lacks a pair of hands."));
                    break;
                }
            }

            foreach (var block in planned.Hands)
            {
                var helper = network.Helpers[block.Helper];
                if (block.From < helper.From || block.Until > helper.Until)
                    broken.Add(new(PlanRule.Hands, [task.Index], $"{helper.Name} is not there for {task.Title}."));
                for (var m = block.From; m < block.Until; m++)
                {
                    if (who[block.Helper].TryAdd(m, task.Index))
                        continue;
                    broken.Add(
                        new(
                            PlanRule.Hands,
                            [who[block.Helper][m], task.Index],
                            $"{helper.Name} would be at two things at once: {task.Title}."
                        )
                    );
                    break;
                }
            }
        }
    }

    private static void CheckResources(TaskNetwork network, Plan plan, List<BrokenRule> broken)
    {
        for (var r = 0; r < network.Resources.Length; r++)
        {
            var use = new SortedDictionary<int, int>();
            var tasks = new List<int>();
            foreach (var task in network.Tasks)
            {
                foreach (var demand in task.Demands.Where(d => d.Resource == r))
                {
                    tasks.Add(task.Index);
                    for (var m = plan.Tasks[task.Index].Start; m < plan.Tasks[task.Index].End + demand.HoldAfter; m++)
                        use[m] = use.GetValueOrDefault(m) + demand.Units;
                }
            }

            foreach (var hold in network.Holds.Where(h => h.Resource == r))
            {
                tasks.AddRange([hold.From, hold.To]);
                for (var m = plan.Tasks[hold.From].Start; m < plan.Tasks[hold.To].End + hold.After; m++)
                    use[m] = use.GetValueOrDefault(m) + hold.Units;
            }

            if (use.Values.Any(u => u > network.Resources[r].Capacity))
                broken.Add(new(PlanRule.Resource, tasks, $"More is asked of the {network.Resources[r].Name} at once than there is."));
        }
    }

    private static void CheckOven(TaskNetwork network, Plan plan, List<BrokenRule> broken)
    {
        foreach (
            var load in network.Tasks.Where(t =>
                t.Oven is not null && (plan.Tasks[t.Index].Oven < 0 || plan.Tasks[t.Index].Oven >= network.Kitchen.Ovens.Length)
            )
        )
            broken.Add(new(PlanRule.OvenState, [load.Index], $"There is no such oven for {load.Title}."));
        for (var oven = 0; oven < network.Kitchen.Ovens.Length; oven++)
            CheckOven(network, plan, oven, broken);
    }

    private static void CheckOven(TaskNetwork network, Plan plan, int oven, List<BrokenRule> broken)
    {
        var thermal = network.Thermal(oven);
        var loads = network
            .Tasks.Where(t => t.Oven is not null && plan.Tasks[t.Index].Oven == oven)
            .OrderBy(t => plan.Tasks[t.Index].Start)
            .ToList();
        foreach (var load in loads)
        {
            if (plan.Tasks[load.Index].Start < thermal.FromCold(load.Oven!.Setting))
                broken.Add(new(PlanRule.OvenState, [load.Index], $"The oven cannot be hot in time for {load.Title}."));
            foreach (var rest in network.Rests)
            {
                var since = plan.Tasks[load.Index].Start - rest.Until;
                if (since >= 0 && since < thermal.FromCold(load.Oven.Setting))
                    broken.Add(new(PlanRule.OvenState, [load.Index], $"Nobody is there to heat the oven for {load.Title} in time."));
            }

            if (load.Oven.Setting.IsProof && load.Step?.Oven is not null && !IsCleared(network, plan, load))
                broken.Add(new(PlanRule.OvenCleared, [load.Index], $"Nobody takes the dough of {load.Title} out of the oven in time."));
        }

        for (var i = 0; i < loads.Count; i++)
        {
            for (var j = i + 1; j < loads.Count; j++)
            {
                var (before, after) = (loads[i], loads[j]);
                if (before.Oven!.Setting == after.Oven!.Setting)
                    continue;
                var needed = plan.Tasks[before.Index].End + thermal.Transition(before.Oven.Setting, after.Oven.Setting);
                if (plan.Tasks[after.Index].Start < needed)
                    broken.Add(
                        new(
                            PlanRule.OvenState,
                            [before.Index, after.Index],
                            $"The oven cannot go from {before.Title} to {after.Title} in that time."
                        )
                    );
            }
        }
    }

    private static bool IsCleared(TaskNetwork network, Plan plan, PlanTask proof) =>
        network.ClearingOf(proof) is { Oven.Setting.IsProof: true, Hands.IsEmpty: false } clearing
        && plan.Tasks[clearing.Index].Oven == plan.Tasks[proof.Index].Oven
        && plan.Tasks[clearing.Index].Start == plan.Tasks[proof.Index].End;

    /// <summary>Every pan has a shelf that it wants, and whatever stands on a shelf at once really stands there side by side.</summary>
    private static void CheckShelves(TaskNetwork network, Plan plan, List<BrokenRule> broken)
    {
        foreach (var load in network.Tasks.Where(t => t.Oven is not null))
        {
            var planned = plan.Tasks[load.Index];
            if (planned.Oven < 0 || planned.Oven >= network.Kitchen.Ovens.Length)
                continue;
            var oven = network.Kitchen.Ovens[planned.Oven];
            if (planned.Shelves.Length != load.Oven!.Items || planned.Shelves.Any(s => s < 0 || s >= oven.Shelves))
            {
                broken.Add(new(PlanRule.Shelf, [load.Index], $"{load.Title} has pans without a shelf."));
                continue;
            }

            if (planned.Shelves.Any(s => !load.Oven.MayStandOn(s, oven.Shelves)))
                broken.Add(new(PlanRule.Shelf, [load.Index], $"{load.Title} does not stand on the shelf it wants."));
            // A shelf is fullest when something has just been put on it.
            foreach (var shelf in planned.Shelves.Distinct())
            {
                var there = network
                    .Tasks.Where(t =>
                        t.Oven is not null
                        && plan.Tasks[t.Index] is var p
                        && p.Oven == planned.Oven
                        && p.Start <= planned.Start
                        && p.End > planned.Start
                    )
                    .SelectMany(t => plan.Tasks[t.Index].Shelves.Where(s => s == shelf).Select(_ => t.Oven!.Pan))
                    .ToList();
                if (!PansOnAShelf.Fit(oven, there))
                    broken.Add(new(PlanRule.Shelf, [load.Index], $"There is no room on the shelf for {load.Title}."));
            }
        }
    }
}
