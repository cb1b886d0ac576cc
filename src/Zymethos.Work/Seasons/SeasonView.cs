using System.Collections.Immutable;
using NodaTime;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Seasons;
using Zymethos.Store.Seasons;

namespace Zymethos.Work.Seasons;

/// <summary>A season as its pages show it.</summary>
/// <param name="Row">Its row.</param>
/// <param name="Wish">What is wanted, with the kitchen and the Book as they are now.</param>
/// <param name="Plan">The plan that stands; null when there is none, or when what it was made for is no more.</param>
/// <param name="Touches">Everything that is still to be done, by time.</param>
/// <param name="Warnings">What the baker should know.</param>
/// <param name="Faults">What is wrong with the sheet by now: a recipe that left the Book. Empty when nothing is.</param>
public sealed record SeasonView(
    SeasonRow Row,
    SeasonWish Wish,
    SeasonPlan? Plan,
    ImmutableArray<SeasonTouch> Touches,
    ImmutableArray<SeasonWarning> Warnings,
    IReadOnlyList<Fault> Faults
)
{
    /// <summary>The kitchen and the state of everything that is shown; empty where it is not kept.</summary>
    public string Stamp { get; init; } = "";

    /// <summary>The time in the kitchen.</summary>
    public LocalDateTime Now => Wish.Now;

    /// <summary>Work that should have been done by now and is not said to be.</summary>
    public IReadOnlyList<SeasonTouch> Slipped =>
        [.. Touches.Where(t => t.Kind == SeasonTouchKind.Work && t.Session >= 0 && Wish.Sessions[t.Session].Until <= Now)];

    /// <summary>What the next seven days ask for, slipped work left out.</summary>
    public IReadOnlyList<SeasonTouch> ThisWeek => [.. Touches.Where(t => t.At < Now.Date.PlusDays(7).AtMidnight() && !Slipped.Contains(t))];

    /// <summary>Work and how much of it is done.</summary>
    public (int Done, int All) Progress =>
        Plan is null ? (0, 0) : (Plan.Placed.Count(p => p.IsDone), Plan.Lots.Sum(l => l.Method.Stretches.Length));

    /// <summary>The name of a need's recipe.</summary>
    public string NameOf(int lot) => Wish.Needs[lot].Recipe.Name;
}
