using NodaTime;
using Zymethos.Core.Safety;
using Zymethos.Planning.Day;

namespace Zymethos.Work.OvenDays;

/// <summary>A move of the baker's hand on a planned day: one of the records in here, and nothing else.</summary>
public abstract record HandMove
{
    private HandMove() { }

    /// <summary>The plan leans another way.</summary>
    /// <param name="Lean">What weighs most from now on.</param>
    public sealed record LeanTo(DayLean Lean) : HandMove;

    /// <summary>Another of the plans to choose from.</summary>
    /// <param name="Choice">Its place among them, from 0 for the tightest.</param>
    public sealed record Choose(int Choice) : HandMove;

    /// <summary>What is free of an allergen is made before anything else.</summary>
    /// <param name="Of">The allergen.</param>
    public sealed record ClearFirst(Allergen Of) : HandMove;

    /// <summary>A move of one step.</summary>
    /// <param name="Step">Id of the step; it may be of a day that has changed since, and in no plan any more.</param>
    public abstract record OfStep(TaskId Step) : HandMove;

    /// <summary>The step begins at a moment, whatever else moves.</summary>
    /// <param name="Step">Id of the step.</param>
    /// <param name="At">When, in the kitchen's own time.</param>
    public sealed record Hold(TaskId Step, LocalDateTime At) : OfStep(Step);

    /// <summary>The step begins at an hour, on the date on which that lies nearest to where it stands.</summary>
    /// <param name="Step">Id of the step.</param>
    /// <param name="Hour">The hour that was typed.</param>
    public sealed record HoldAtHour(TaskId Step, LocalTime Hour) : OfStep(Step);

    /// <summary>A step that was held may move again.</summary>
    public sealed record LetMove(TaskId Step) : OfStep(Step);

    /// <summary>The step is planned for so many minutes, more or fewer than usual.</summary>
    /// <param name="Step">Id of the step.</param>
    /// <param name="Minutes">All its minutes, from 1 to <see cref="LongestStep"/>.</param>
    public sealed record PlanFor(TaskId Step, int Minutes) : OfStep(Step);

    /// <summary>The step takes its usual time again.</summary>
    public sealed record UsualTime(TaskId Step) : OfStep(Step);

    /// <summary>The step needs more minutes while the day goes on.</summary>
    /// <param name="Step">Id of the step.</param>
    /// <param name="Minutes">How many more, from 0 to <see cref="LongestOverrun"/>.</param>
    public sealed record NeedsMore(TaskId Step, int Minutes) : OfStep(Step);

    /// <summary>The step is done while the day goes on, whatever its usual time.</summary>
    public sealed record IsDone(TaskId Step) : OfStep(Step);

    /// <summary>The step is spent in one of its ways.</summary>
    /// <param name="Step">Id of the step.</param>
    /// <param name="Way">Which way, from 0 for the recipe's own; null when the plan may choose.</param>
    public sealed record SpendIt(TaskId Step, int? Way) : OfStep(Step);

    /// <summary>The step is tied to no other any more.</summary>
    public sealed record Untie(TaskId Step) : OfStep(Step);

    /// <summary>A move of two steps.</summary>
    /// <param name="Step">Id of the step.</param>
    /// <param name="Other">Id of the other; null when none was chosen.</param>
    public abstract record OfPair(TaskId Step, TaskId? Other) : OfStep(Step);

    /// <summary>Both go into the oven together.</summary>
    public sealed record Together(TaskId Step, TaskId? Other) : OfPair(Step, Other);

    /// <summary>They are never in the oven together.</summary>
    public sealed record Apart(TaskId Step, TaskId? Other) : OfPair(Step, Other);

    /// <summary>The step comes before the other.</summary>
    public sealed record Before(TaskId Step, TaskId? Other) : OfPair(Step, Other);

    /// <summary>Minutes that a step may be planned for at most: a day less one.</summary>
    public const int LongestStep = 1439;

    /// <summary>Minutes that a step may run over at most: ten hours.</summary>
    public const int LongestOverrun = 600;
}
