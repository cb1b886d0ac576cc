using System.Collections.Immutable;
using NodaTime;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Bench;

/// <summary>One rise as long as it really took. A value without state.</summary>
/// <param name="Bake">Which bake of the day.</param>
/// <param name="RecipeKey">Key of its recipe.</param>
/// <param name="Title">Its title.</param>
/// <param name="Leaven">What raised it: yeast or starter.</param>
/// <param name="RecipeMinutes">What was reckoned for the room at its hour, without what was learned of the kitchen.</param>
/// <param name="Minutes">From the end of the step before, or from when it was said to begin, until it was said to be ready.</param>
public sealed record RiseRecord(int Bake, string RecipeKey, string Title, string Leaven, double RecipeMinutes, double Minutes)
{
    /// <summary>How high it was seen to stand after so many minutes, as a multiple of where it began.</summary>
    public ImmutableArray<(double Minutes, double Height)> Heights { get; init; } = [];

    /// <summary>Rises in the room of which it was said when they were ready, and of which it is known when they began.</summary>
    /// <param name="network">The day.</param>
    /// <param name="leavens">What raises each bake, in their order.</param>
    /// <param name="state">What was said.</param>
    /// <param name="clock">The day's clock.</param>
    public static ImmutableArray<RiseRecord> Of(TaskNetwork network, IReadOnlyList<string> leavens, BenchState state, DayMinutes clock) =>
        [
            .. network
                .Tasks.Where(t => t.Kind is StepKind.BulkRise or StepKind.Proof && !t.RiseShares.IsEmpty)
                .Select(t =>
                {
                    var stand = state.Of(t.Id);
                    if (stand.Done is not { } done || BeganAt(network, state, t, stand) is not { } began || done.At <= began)
                        return null;
                    return new RiseRecord(
                        t.Bake,
                        network.Bakes[t.Bake].RecipeKey,
                        t.Title,
                        leavens[t.Bake],
                        t.TakesFrom(Math.Max(0, clock.Of(began))) / t.Learned,
                        (done.At - began).TotalMinutes
                    )
                    {
                        Heights =
                        [
                            .. stand.Heights.Select(h => ((h.Said.At - began).TotalMinutes, h.Height)).Where(h => h.TotalMinutes >= 0),
                        ],
                    };
                })
                .OfType<RiseRecord>(),
        ];

    /// <summary>Nobody has to say that dough begins to rise: it does when what comes before it is done.</summary>
    private static Instant? BeganAt(TaskNetwork network, BenchState state, PlanTask rise, StepStand stand)
    {
        if (stand.Started is { } said)
            return said.At;
        var before = network.Links.Where(l => l.To == rise.Index).Select(l => state.Of(network.Tasks[l.From].Id).Done?.At).ToList();
        return before.Count > 0 && before.All(b => b is not null) ? before.Max() : null;
    }
}
