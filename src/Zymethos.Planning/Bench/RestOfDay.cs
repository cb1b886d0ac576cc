using System.Collections.Immutable;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Bench;

/// <summary>Something somebody is at or is expected to do.</summary>
/// <param name="Task">Index of the step.</param>
/// <param name="Need">Which of its needs of hands, from 0.</param>
/// <param name="Helper">Who, by their place in the day.</param>
/// <param name="From">From which minute; it lies before now for what goes on.</param>
/// <param name="Until">Until which minute.</param>
public readonly record struct ExpectedHands(int Task, int Need, int Helper, int From, int Until);

/// <summary>The day as it stands and as it is expected to go on. Immutable.</summary>
/// <param name="Now">The minute it was looked at.</param>
/// <param name="Plan">What has happened as it was, and what is to come as expected by usual times in the plan's order.</param>
/// <param name="Hands">What hands are at and what they will do, in order of time.</param>
/// <param name="Chance">What becomes of the rest of it on rehearsed days: windows that have closed already are not counted again.</param>
/// <param name="Missed">Hard windows that had closed before now, by more than a moment.</param>
/// <param name="IsComplete">Whether all came to its end; false where two steps wait for each other, which must not be.</param>
public sealed record RestOfDay(
    int Now,
    Plan Plan,
    ImmutableArray<ExpectedHands> Hands,
    PlanChance Chance,
    ImmutableArray<TaskLink> Missed,
    bool IsComplete
)
{
    /// <summary>Steps that have begun by now, told or inferred, and when; by task, -1 for those that have not.</summary>
    public ImmutableArray<int> Begun { get; init; } = [];

    /// <summary>When steps that go on are to be done, open doors counted; by task, without meaning for others.</summary>
    public ImmutableArray<int> Due { get; init; } = [];

    /// <summary>Steps that are over by now, told or inferred, and when; by task, -1 for those that are not.</summary>
    public ImmutableArray<int> Over { get; init; } = [];
}

/// <summary>Another order for the rest of a day, with what it would bring.</summary>
/// <param name="Plan">The day in it, what has happened included.</param>
/// <param name="Chance">Its chance.</param>
/// <param name="Moved">Steps to come that would begin at another time by more than a minute or two.</param>
public sealed record OtherOrder(Plan Plan, PlanChance Chance, ImmutableArray<MovedStep> Moved);

/// <summary>A step that would begin at another time.</summary>
/// <param name="Task">Index of the step.</param>
/// <param name="From">When it is expected as things stand.</param>
/// <param name="To">When it would be.</param>
public readonly record struct MovedStep(int Task, int From, int To);
