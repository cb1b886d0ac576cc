using Zymethos.Planning.Checking;
using Zymethos.Planning.Day;
using Zymethos.Planning.Rules;

namespace Zymethos.Planning.Search;

/// <summary>
/// Gives the loads of a plan the minutes that open doors cost them, and the rises what the hour makes them, and lets what follows give way:
/// everybody, every shelf and every load keep the order the plan has. Repeated until what is counted and what was given agree.
/// </summary>
internal static class DoorSettling
{
    private const int MostRounds = 8;

    /// <summary>The settled plan, the plan itself where nothing is to settle; null when a window or an end does not bear it.</summary>
    public static Plan? Settle(TaskNetwork network, Plan plan, bool keepEnds)
    {
        if (Agrees(network, plan))
            return plan;
        var graph = new PlanGraph(network, plan);
        var ties = graph.Ties.Where(t => t.Kind != TieKind.Door).Select(t => (Tie: t, Moves: MovesWithEnd(network, plan, t))).ToList();
        var settled = plan;
        for (var round = 0; round < MostRounds; round++)
        {
            var length = network
                .Tasks.Select(t => t.TakesFrom(settled.Tasks[t.Index].Start) + OvenDoor.Minutes(network, settled, t))
                .ToArray();
            if (Push(network, plan, ties, length) is not { } starts)
                return null;
            settled = Moved(network, plan, starts, length);
            if (Agrees(network, settled))
                return IsSound(network, settled, keepEnds) ? settled : null;
        }

        return null;
    }

    /// <summary>Whether a tie waits for the end of its first task, so that a longer stay moves it.</summary>
    private static bool MovesWithEnd(TaskNetwork network, Plan plan, Tie tie)
    {
        if (tie.Kind is TieKind.Order or TieKind.Together or TieKind.Window)
            return false;
        if (tie.Kind is not (TieKind.Hands or TieKind.Pause))
            return true;
        var (from, to) = (plan.Tasks[tie.From], plan.Tasks[tie.To]);
        // The tie is between two blocks of one person's hands: it moves when the first of them is the one that takes a load out, or the
        // whole of the task.
        return from.Hands.Any(b =>
            b.Until == from.End
            && to.Hands.Any(c => c.Helper == b.Helper && b.Until - from.Start - (c.From - to.Start) == tie.Lag - Pause(network, tie))
        );
    }

    private static int Pause(TaskNetwork network, Tie tie) => tie.Kind == TieKind.Pause ? network.Pauses?.Length ?? 0 : 0;

    private static bool Agrees(TaskNetwork network, Plan plan) =>
        network.Tasks.All(t =>
            plan.Tasks[t.Index].End - plan.Tasks[t.Index].Start
            == t.TakesFrom(plan.Tasks[t.Index].Start) + OvenDoor.Minutes(network, plan, t)
        );

    private static int[]? Push(TaskNetwork network, Plan plan, List<(Tie Tie, bool Moves)> ties, int[] length)
    {
        var starts = plan.Tasks.Select(t => t.Start).ToArray();
        int Longer(int task) => length[task] - (plan.Tasks[task].End - plan.Tasks[task].Start);
        for (var round = 0; round <= network.Tasks.Length; round++)
        {
            var moved = false;
            foreach (var (tie, moves) in ties)
            {
                var lag = tie.Lag + (moves ? Longer(tie.From) : 0) - (tie.Kind == TieKind.Window ? Longer(tie.To) : 0);
                // A step whose hands follow the end of a bake begins no later for it.
                if (starts[tie.To] >= starts[tie.From] + lag)
                    continue;
                starts[tie.To] = starts[tie.From] + lag;
                if (starts[tie.To] + length[tie.To] > network.Horizon)
                    return null;
                moved = true;
            }

            if (!moved)
                return starts;
        }

        return null;
    }

    private static Plan Moved(TaskNetwork network, Plan plan, int[] starts, int[] length) =>
        new(
            [
                .. network.Tasks.Select(t =>
                {
                    var old = plan.Tasks[t.Index];
                    var (start, end) = (starts[t.Index], starts[t.Index] + length[t.Index]);
                    return old with
                    {
                        Start = start,
                        End = end,
                        Hands =
                        [
                            .. t.Hands.SelectMany(need =>
                            {
                                var (from, _) = t.HandsAt(need, old.Start, old.End);
                                var at = t.HandsAt(need, start, end);
                                return old.Hands.Where(b => b.From == from).Select(b => b with { From = at.From, Until = at.Until });
                            }),
                        ],
                    };
                }),
            ]
        );

    private static bool IsSound(TaskNetwork network, Plan plan, bool keepEnds)
    {
        var broken = PlanChecker.Check(network, plan);
        return keepEnds
            ? broken.Count == 0
            : broken.All(b => b.Rule is PlanRule.Span or PlanRule.ReadyBy || (b.Rule == PlanRule.Hands && b.Tasks.Count == 1));
    }
}
