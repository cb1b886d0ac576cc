using System.Collections.Immutable;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Bench;

/// <summary>One piece of handwork as long as it really took. A value without state.</summary>
/// <param name="Bake">Which bake of the day.</param>
/// <param name="Title">Its title.</param>
/// <param name="Work">What kind of work it is (<see cref="Handwork"/>).</param>
/// <param name="Who">Who did it; empty when nobody said.</param>
/// <param name="RecipeMinutes">What the recipe says for so much of it, without what was learned of the kitchen.</param>
/// <param name="Minutes">From beginning to end, what it was left in between not counted.</param>
public sealed record HandRecord(int Bake, string Title, string Work, string Who, double RecipeMinutes, double Minutes)
{
    /// <summary>The shortest that is kept: who touches "begun" and "done" one after the other took no time to work.</summary>
    public const double Shortest = 0.5;

    /// <summary>Handwork whose beginning and end were both told.</summary>
    public static ImmutableArray<HandRecord> Of(TaskNetwork network, BenchState state) =>
        [
            .. network
                .Tasks.Where(t => t is { IsHandsOn: true, Oven: null })
                .Select(t => (Task: t, Stand: state.Of(t.Id)))
                .Where(t => t.Stand is { Started: not null, Done: not null })
                .Select(t =>
                {
                    var stand = t.Stand;
                    return new HandRecord(
                        t.Task.Bake,
                        t.Task.Title,
                        Handwork.Of(t.Task.Kind, t.Task.Title),
                        stand.Done!.Who.Length > 0 ? stand.Done.Who : stand.Started!.Who,
                        t.Task.Likely / t.Task.Learned,
                        (stand.Done.At - stand.Started!.At - stand.PausedFor).TotalMinutes
                    );
                })
                .Where(r => r.Minutes >= Shortest),
        ];
}
