using System.Collections.Immutable;
using NodaTime;
using Zymethos.Core.Planning;

namespace Zymethos.Core.Seasons;

/// <summary>All batches of a recipe for one need.</summary>
/// <param name="Need">Index of the need.</param>
/// <param name="Batches">How many, and why.</param>
/// <param name="Method">Its method, cut where it waits long.</param>
public sealed record Lot(int Need, BatchCount Batches, SeasonMethod Method);

/// <summary>A stretch of a lot in its session.</summary>
/// <param name="Lot">Index of the lot.</param>
/// <param name="Stretch">Index of the stretch in the lot's method.</param>
/// <param name="Session">Index of the session.</param>
/// <param name="Start">When its first step starts.</param>
/// <param name="End">When its last step ends, waiting included.</param>
public sealed record PlacedStretch(int Lot, int Stretch, int Session, LocalDateTime Start, LocalDateTime End);

/// <summary>A session planned to the minute.</summary>
/// <param name="Session">Index of the session.</param>
/// <param name="Network">Its day.</param>
/// <param name="Plan">Its plan; it has passed the checker of days.</param>
public sealed record PlannedSession(int Session, TaskNetwork Network, Plan Plan);

/// <summary>A need that cannot be met, and why.</summary>
/// <param name="Need">Index of the need.</param>
/// <param name="Why">The reason in a sentence.</param>
/// <param name="WaysOut">What would help, each in a sentence.</param>
public sealed record UnmetNeed(int Need, string Why, ImmutableArray<string> WaysOut);

/// <summary>A season with everything in its session.</summary>
/// <param name="Lots">The lots, in the order of the needs.</param>
/// <param name="Placed">Every stretch of every need that is met, by time.</param>
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
    long Bound)
{
    /// <summary>When the last bake of a lot is over; null when nothing of it bakes or it is not planned.</summary>
    public LocalDateTime? BakedAt(int lot)
    {
        var bakes = Placed.Where(p => p.Lot == lot && Lots[lot].Method.Stretches[p.Stretch].OvenMinutes > 0).Select(p => p.End).ToList();
        return bakes.Count == 0 ? null : bakes.Max();
    }
}
