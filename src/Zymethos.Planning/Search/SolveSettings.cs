using Zymethos.Planning.Day;

namespace Zymethos.Planning.Search;

/// <summary>How long and how the planner may search.</summary>
/// <param name="Limit">Wall-clock time in all; above zero.</param>
/// <param name="Seed">Seed of the search: the same input and seed give the same plan when the search ends before the limit.</param>
/// <param name="Workers">Subsolvers in parallel, at least 1.</param>
public sealed record SolveSettings(TimeSpan Limit, int Seed = 1, int Workers = 2)
{
    /// <summary>Where steps stood before, by their ids: among plans that finish as soon, the one that moves fewest of them is taken. Empty
    /// when nothing stood.</summary>
    public IReadOnlyDictionary<TaskId, int> Keep { get; init; } = new Dictionary<TaskId, int>();

    /// <summary>
    /// The share of days on which everything is to be well, 0 to 1, for whoever plans with rehearsed days (<c>SurePlanner</c>); null for
    /// the soonest finish by usual times alone.
    /// </summary>
    public double? Certainty { get; init; }

    /// <summary>
    /// Told of every better plan while the search goes on, from whichever thread finds it; null when nobody listens. What it throws ends
    /// the process, so it must not.
    /// </summary>
    public Action<BetterPlan>? OnBetter { get; init; }

    /// <summary>Other plans of the same day to be compared with what is found, so that nobody loses a better one by leaning another way;
    /// what does not obey the day's rules is left out. Usually empty.</summary>
    public IReadOnlyList<Plan> Also { get; init; } = [];
}

/// <summary>A better plan on the way.</summary>
/// <param name="Network">The day it belongs to, with the ways that were chosen.</param>
/// <param name="Plan">The plan.</param>
/// <param name="Finish">Its finishing minute.</param>
/// <param name="Bound">The finishing minute that no plan of this network can beat, as far as is known.</param>
public sealed record BetterPlan(TaskNetwork Network, Plan Plan, int Finish, int Bound)
{
    /// <summary>What became of it on rehearsed days; null where none were lived yet.</summary>
    public PlanChance? Chance { get; init; }
}
