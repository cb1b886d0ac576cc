using System.Collections.Immutable;

namespace Zymethos.Planning.Day;

/// <summary>A step held where the baker put it.</summary>
/// <param name="Task">The step: an id while it is a wish.</param>
/// <param name="Start">Minute it starts, counted from the start of the day.</param>
public sealed record PinWish(TaskId Task, int Start);

/// <summary>More time for a step than its recipe takes.</summary>
/// <param name="Task">Id of the step.</param>
/// <param name="Minutes">What to plan for it, at least 1.</param>
public sealed record AllowWish(TaskId Task, int Minutes)
{
    /// <summary>Stretches of it, in minutes from its start, in order and apart, in which it is left alone: somebody takes a bake out
    /// meanwhile. Empty for none.</summary>
    public ImmutableArray<Span> Breaks { get; init; } = [];
}

/// <summary>Two steps named together.</summary>
/// <param name="First">Id of the one.</param>
/// <param name="Second">Id of the other.</param>
public sealed record PairWish(TaskId First, TaskId Second);

/// <summary>What the baker decided by hand. The planner keeps all of it, or says that it cannot.</summary>
/// <param name="Pins">Steps held at their hour.</param>
/// <param name="Orders">Pairs of which the first starts no later than the second.</param>
/// <param name="Together">Pairs of loads that go in through the same open door.</param>
/// <param name="Apart">Pairs of loads that never share the oven.</param>
/// <param name="Allow">Steps that are given more time.</param>
public sealed record ByHand(
    ImmutableArray<PinWish> Pins,
    ImmutableArray<PairWish> Orders,
    ImmutableArray<PairWish> Together,
    ImmutableArray<PairWish> Apart,
    ImmutableArray<AllowWish> Allow
)
{
    /// <summary>Pairs of which the second starts only when the first has ended.</summary>
    public ImmutableArray<PairWish> After { get; init; } = [];

    /// <summary>Nothing decided.</summary>
    public static ByHand Nothing { get; } = new([], [], [], [], []);

    /// <summary>While the day goes on, the minute that it is: nothing that is not pinned starts before. 0 for a day that lies
    /// ahead.</summary>
    public int Since { get; init; }
}

/// <summary>A step of a network held at a minute.</summary>
/// <param name="Task">Index of the step.</param>
/// <param name="Start">Minute it starts.</param>
public readonly record struct Pin(int Task, int Start);
