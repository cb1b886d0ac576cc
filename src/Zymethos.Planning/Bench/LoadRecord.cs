using System.Collections.Immutable;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Bench;

/// <summary>One load as it really was beside what was planned for it. A value without state.</summary>
/// <param name="Task">Index of the step in its day.</param>
/// <param name="Step">Its id.</param>
/// <param name="Bake">Which bake of the day.</param>
/// <param name="RecipeKey">Key of its recipe.</param>
/// <param name="Title">Its title.</param>
/// <param name="Oven">Which oven, from 0.</param>
/// <param name="Celsius">What the oven was to be set to.</param>
/// <param name="PlannedMinutes">What was planned for it, open doors counted in.</param>
/// <param name="PlannedStart">The minute at which it was planned to go in.</param>
/// <param name="Start">The minute at which it went in.</param>
/// <param name="End">The minute at which it came out, after <paramref name="Start"/>.</param>
/// <param name="RecipeMinutes">What the recipe says for it, open doors counted in, without what was learned of the kitchen.</param>
/// <param name="FirstLook">Minutes after it went in at which somebody looked first and it needed more; null where it came out at the first
/// look.</param>
/// <param name="PlannedLook">Minutes after it went in at which the first look was planned.</param>
/// <param name="Looks">How often somebody looked and it needed more.</param>
/// <param name="Turns">How often it was turned or touched.</param>
/// <param name="Who">Who put it in; empty when nobody said.</param>
/// <param name="RealCelsius">How hot the oven was on average while it was in, by its thermometer; null without one.</param>
/// <param name="Doors">How often the door was opened meanwhile, as far as a thermometer saw.</param>
public sealed record LoadRecord(
    int Task,
    TaskId Step,
    int Bake,
    string RecipeKey,
    string Title,
    int Oven,
    double Celsius,
    int PlannedMinutes,
    int PlannedStart,
    int Start,
    int End,
    double RecipeMinutes,
    int? FirstLook,
    int PlannedLook,
    int Looks,
    int Turns,
    string Who,
    double? RealCelsius,
    int Doors
)
{
    /// <summary>What it was baked in; empty where the plan does not say.</summary>
    public string Pan { get; init; } = "";

    /// <summary>Dark, light, glass or stone: how the pan takes the heat; empty where nobody said.</summary>
    public string Finish { get; init; } = "";

    /// <summary>Whether a sheet was beneath.</summary>
    public bool HasSheet { get; init; }

    /// <summary>Which shelf it was meant for; empty for any.</summary>
    public string Shelf { get; init; } = "";

    /// <summary>How long it was in, in minutes.</summary>
    public int Minutes => End - Start;

    /// <summary>The loads of a day whose going in and coming out were both told: what was only inferred teaches nothing.</summary>
    /// <param name="network">The day.</param>
    /// <param name="planned">The plan with which it began: it says how long and when.</param>
    /// <param name="went">The plan that was gone by in the end: it says in which oven.</param>
    /// <param name="state">What was said.</param>
    /// <param name="clock">The day's clock.</param>
    public static ImmutableArray<LoadRecord> Of(TaskNetwork network, Plan planned, Plan went, BenchState state, DayMinutes clock) =>
        [
            .. network
                .Tasks.Where(t => t.Oven is { Setting.IsHot: true })
                .Select(t => One(network, planned, went, state, clock, t))
                .OfType<LoadRecord>()
                .OrderBy(l => l.Start),
        ];

    private static LoadRecord? One(TaskNetwork network, Plan planned, Plan went, BenchState state, DayMinutes clock, PlanTask task)
    {
        if (state.Of(task.Id) is not { Started: { } began, Done: { } done } stand || done.At <= began.At)
            return null;
        var plan = planned.Tasks[task.Index];
        var oven = went.Tasks[task.Index].Oven;
        var heats = state.Heats.Where(h => h.Oven == oven && h.Said.At >= began.At && h.Said.At <= done.At).ToList();
        return new LoadRecord(
            task.Index,
            task.Id,
            task.Bake,
            network.Bakes[task.Bake].RecipeKey,
            task.Title,
            oven,
            task.Oven!.Setting.Celsius,
            plan.End - plan.Start,
            plan.Start,
            clock.Of(began.At),
            // To the nearest minute, so that a bake of half an hour is not one of twenty-nine.
            clock.Of(began.At) + Math.Max(1, (int)Math.Round((done.At - began.At).TotalMinutes)),
            (plan.End - plan.Start) / task.Learned,
            stand.FirstLookAt is { } look ? Math.Max(0, (int)Math.Round((look - began.At).TotalMinutes)) : null,
            Math.Min(task.Low, task.Likely),
            stand.Looks,
            stand.Touches.Count,
            began.Who,
            heats.Count == 0 ? null : heats.Average(h => h.Celsius),
            state.Doors.Count(d => d.Oven == oven && d.Said.At >= began.At && d.Said.At <= done.At)
        )
        {
            Pan = task.Step?.Oven?.Pan.Name ?? "",
            Finish = Core.Recipes.PanFinish.Of(task.Step?.Oven?.Pan.Name ?? ""),
            HasSheet = task.Step?.Oven?.Sheet is not null,
            Shelf = task.Oven.Shelf == Core.Recipes.ShelfWish.Any ? "" : task.Oven.Shelf.ToString().ToLowerInvariant(),
        };
    }
}
