using System.Collections.Immutable;
using NodaTime;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Seasons;

/// <summary>All batches of a recipe for one need.</summary>
/// <param name="Need">Index of the need.</param>
/// <param name="Batches">How many, and why.</param>
/// <param name="Method">Its method, cut where it waits long.</param>
public sealed record Lot(int Need, BatchCount Batches, SeasonMethod Method);

/// <summary>A stretch of a lot in its session, or done.</summary>
/// <param name="Lot">Index of the lot.</param>
/// <param name="Stretch">Index of the stretch in the lot's method.</param>
/// <param name="Session">Index of the session; -1 when it is done.</param>
/// <param name="Start">When its first step starts.</param>
/// <param name="End">When its last step ends, waiting included.</param>
public sealed record PlacedStretch(int Lot, int Stretch, int Session, LocalDateTime Start, LocalDateTime End)
{
    /// <summary>Whether it is done already.</summary>
    public bool IsDone => Session < 0;
}

/// <summary>A session planned to the minute.</summary>
/// <param name="Session">Index of the session.</param>
/// <param name="Network">Its day.</param>
/// <param name="Plan">Its plan; it has passed the checker of days.</param>
public sealed record PlannedSession(int Session, TaskNetwork Network, Plan Plan);

/// <summary>A need that cannot be met, and why.</summary>
/// <param name="Need">Index of the need.</param>
/// <param name="Why">The reason in a sentence.</param>
public sealed record UnmetNeed(int Need, string Why);

/// <summary>A season with everything in its session.</summary>
/// <param name="Lots">The lots, in the order of the needs.</param>
/// <param name="Placed">Every stretch of every need that is met, and what is done of the others, by time.</param>
/// <param name="Sessions">The sessions that are used, to the minute.</param>
/// <param name="Kept">How each lot waits for its date, by the index of the lot.</param>
/// <param name="Unmet">Needs that are not met.</param>
/// <param name="Cost">What the search counted; lower is better.</param>
/// <param name="Bound">What no plan can go below, for the same session-wide reckoning.</param>
public sealed record SeasonPlan(
    ImmutableArray<Lot> Lots,
    ImmutableArray<PlacedStretch> Placed,
    ImmutableArray<PlannedSession> Sessions,
    ImmutableDictionary<int, Kept> Kept,
    ImmutableArray<UnmetNeed> Unmet,
    long Cost,
    long Bound
)
{
    /// <summary>The stretches of a lot, in the order of its method.</summary>
    public ImmutableArray<PlacedStretch> Of(int lot) => [.. Placed.Where(p => p.Lot == lot).OrderBy(p => p.Stretch)];

    /// <summary>How far from proven, in percent; 0 when no placement can be better.</summary>
    public double GapPercent => Cost == 0 ? 0 : 100.0 * (Cost - Bound) / Cost;
}
