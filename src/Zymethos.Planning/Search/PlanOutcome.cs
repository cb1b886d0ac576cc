using System.Collections.Immutable;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Search;

/// <summary>How a search ended.</summary>
public enum PlanStatus
{
    /// <summary>No plan finishes sooner: proven.</summary>
    Proven,

    /// <summary>A plan; a sooner finish is not ruled out.</summary>
    Found,

    /// <summary>Proven that no plan obeys every rule.</summary>
    Impossible,

    /// <summary>Neither a plan nor a proof in the time there was.</summary>
    Unknown,
}

/// <summary>A better finish on the way.</summary>
/// <param name="After">Time since the start of the search.</param>
/// <param name="Finish">Finishing minute of the plan found then.</param>
public sealed record Progress(TimeSpan After, int Finish);

/// <summary>What a search brought.</summary>
/// <param name="Status">How it ended.</param>
/// <param name="Plan">The best plan; null unless proven or found.</param>
/// <param name="BoundFinish">The finishing minute that no plan can beat.</param>
/// <param name="Trail">The way to it, first plan first.</param>
/// <param name="Took">Time used.</param>
public sealed record PlanOutcome(PlanStatus Status, Plan? Plan, int BoundFinish, IReadOnlyList<Progress> Trail, TimeSpan Took)
{
    /// <summary>What became of the plan on rehearsed days; null where none were lived.</summary>
    public PlanChance? Chance { get; init; }

    /// <summary>Plans to choose from, from the tightest to the surest; the plan is one of them. Empty where none were looked for.</summary>
    public ImmutableArray<PlanChoice> Choices { get; init; } = [];
}
