using System.Collections.Immutable;

namespace Zymethos.Planning.Day;

/// <summary>One person at one task for a while.</summary>
/// <param name="Helper">Index into <see cref="TaskNetwork.Helpers"/>.</param>
/// <param name="From">First minute.</param>
/// <param name="Until">Minute after the last.</param>
public readonly record struct HandsBlock(int Helper, int From, int Until);

/// <summary>When a task happens, by whom and on which shelves.</summary>
/// <param name="Start">Minute it starts.</param>
/// <param name="End">Minute it ends.</param>
/// <param name="Hands">Who gives a hand when; empty for what is waited for.</param>
/// <param name="Shelves">Shelf of each pan, 0 the lowest; empty when it does not use the oven.</param>
public sealed record PlannedTask(int Start, int End, ImmutableArray<HandsBlock> Hands, ImmutableArray<int> Shelves)
{
    /// <summary>Which oven it uses, 0 the first; without meaning when it uses none.</summary>
    public int Oven { get; init; }
}

/// <summary>A start for every task of a network.</summary>
/// <param name="Tasks">In the order of <see cref="TaskNetwork.Tasks"/>.</param>
public sealed record Plan(ImmutableArray<PlannedTask> Tasks)
{
    /// <summary>The minute in which the last hand or hot oven comes to rest; 0 when nobody is needed.</summary>
    public int Finish(TaskNetwork network) =>
        network.Tasks.Where(t => t.NeedsPresence).Select(t => Tasks[t.Index].End).DefaultIfEmpty(0).Max();
}
