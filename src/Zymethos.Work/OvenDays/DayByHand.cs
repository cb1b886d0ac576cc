using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Core.Measures;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Day;
using Zymethos.Planning.Reading;
using Zymethos.Store;
using Zymethos.Store.Days;
using Zymethos.Work.Books;

namespace Zymethos.Work.OvenDays;

/// <summary>What came of a move: the answer of the planner, or why there was none to ask.</summary>
/// <param name="Answer">The planner's answer; null when the move could not be made at all.</param>
/// <param name="Said">What was done, or what is wrong.</param>
/// <param name="Document">The day with the move in it, planned or not; null when the move could not be made.</param>
public sealed record MoveAnswer(PlanAnswer? Answer, string Said, OvenDayDocument? Document);

/// <summary>A planned day worked by hand: steps held and moved, leans, undoing, alternatives.</summary>
public sealed class DayByHand(ZymethosContext context, OpenDay days, PlanDay planner)
{
    private const int MostAlternatives = 6;

    // By how much windows may be missed: a little first, at last by what a telephone call, a fall or a visit takes.
    private static readonly int[] Overruns = [15, 60, 240];
    private static readonly TimeSpan WhatIfTime = TimeSpan.FromSeconds(1);

    /// <summary>Makes a move and plans the day again. Without a plan the last one stays.</summary>
    public async Task<MoveAnswer> MoveAsync(
        OvenDayRow row,
        PlannedDay day,
        HandMove move,
        int? now,
        CancellationToken cancel,
        string? seen = null
    )
    {
        var moved = move is HandMove.ClearFirst clear
            ? ClearFirst.Apply(row.Document, day, clear.Of, ClearFirst.FreeFrom(row.Document, await KnowledgeAsync(cancel)))
            : HandMoves.Apply(row.Document, day, move, now);
        if (await days.ConflictAsync(row.Date, seen, moved.Document is null ? "" : moved.Said, cancel) is { } quicker)
            return new MoveAnswer(quicker, "", null);
        if (moved.Document is null)
            return new MoveAnswer(null, moved.Said, null);
        if (move is HandMove.Choose choose)
        {
            var kept = await days.KeepAsync(
                new PlanAnswer(day.Choose(choose.Choice), [], null),
                moved.Document,
                row.Date,
                moved.Said,
                seen,
                cancel
            );
            return new MoveAnswer(kept, kept.Day is null ? "" : $"{moved.Said}.", moved.Document);
        }

        if (move is HandMove.NeedsMore or HandMove.IsDone)
            return await GoOnAsync(row, day, moved.Document, moved.Said, seen, cancel);
        var answer = await days.PlanAndKeepAsync(moved.Document, row.Date, moved.Said, cancel, seen: seen, standing: day);
        if (answer.Day is not { } after)
            return new MoveAnswer(answer, "", moved.Document);
        return new MoveAnswer(answer, $"{moved.Said}. {Difference(day, after)}", moved.Document);
    }

    private async Task<IngredientKnowledge> KnowledgeAsync(CancellationToken cancel) =>
        await KitchenBook.KnowledgeAsync(
            context,
            (await context.Kitchens.AsNoTracking().SingleAsync(cancel)).ToKitchen().FlourHabit,
            cancel
        );

    /// <summary>Plans the rest of a day that goes on; where windows of what has begun close meanwhile, with these missed by as little as
    /// was found, and said.</summary>
    private async Task<MoveAnswer> GoOnAsync(
        OvenDayRow row,
        PlannedDay day,
        OvenDayDocument document,
        string said,
        string? seen,
        CancellationToken cancel
    )
    {
        var answer = await days.PlanAndKeepAsync(document, row.Date, said, cancel, day, seen);
        if (answer.Day is { } after)
            return new MoveAnswer(answer, $"{said}. {Difference(day, after)}", document);
        if (answer.Faults.Count > 0 || answer.Conflict.Length > 0)
            return new MoveAnswer(answer, "", document);
        foreach (var minutes in Overruns)
        {
            if (LateWindows.Widened(document, day, minutes) is not { } wide)
                break;
            if (
                (await planner.PlanAsync(wide, OpenDay.LiveTime, 1, cancel, OpenDay.Stood(day), withClash: false, withCertainty: false)).Day
                is not { } found
            )
                continue;
            var (needed, _) = LateWindows.Needed(document, day, found);
            // What was found may have needed every one of the minutes; then the day is kept as it was found.
            foreach (var attempt in new[] { needed, wide }.OfType<OvenDayDocument>())
            {
                var kept = await days.PlanAndKeepAsync(attempt, row.Date, said, cancel, day, seen);
                if (kept.Day is { } late)
                    return new MoveAnswer(kept, $"{said}. {LateWindows.Needed(document, day, late).Said} {Difference(day, late)}", attempt);
            }
        }

        // The last word takes longer and says what clashes; should it find a plan after all, that one is kept like any other.
        var last = await days.PlanAndKeepAsync(document, row.Date, said, cancel, seen: seen);
        return new MoveAnswer(last, last.Day is { } whole ? $"{said}. {Difference(day, whole)}" : "", document);
    }

    /// <summary>What would change if a step moved by so many minutes: worked out, nothing kept.</summary>
    public async Task<string> WhatIfAsync(OvenDayRow row, PlannedDay day, PlanTask task, int minutes, CancellationToken cancel)
    {
        var at = day.Network.TimeOf(day.Plan.Tasks[task.Index].Start + minutes);
        var moved = HandMoves.Apply(row.Document, day, new HandMove.Hold(task.Id, at));
        var answer = await planner.PlanAsync(moved.Document!, WhatIfTime, 1, cancel, withCertainty: false);
        if (answer.Faults.Count > 0)
            return string.Join(" ", answer.Faults.Select(f => f.Message));
        if (answer.Day is { } after)
            return Difference(day, after);
        return answer.Clash is { WaysOut.Length: > 0 } clash
            ? $"It would not work. {clash.WaysOut[0].Text}"
            : "It would not work: no plan was found.";
    }

    /// <summary>Goes to the state before or after the one that stands; false when there is none.</summary>
    public async Task<bool> StepAsync(LocalDate date, bool back, CancellationToken cancel)
    {
        if (await context.OvenDays.SingleOrDefaultAsync(d => d.Date == date, cancel) is not { } row)
            return false;
        var states = context.OvenDayStates.Where(s => s.Date == date && s.Number > 0);
        var state = back
            ? await states.Where(s => s.Number < row.Number).OrderByDescending(s => s.Number).FirstOrDefaultAsync(cancel)
            : await states.Where(s => s.Number > row.Number).OrderBy(s => s.Number).FirstOrDefaultAsync(cancel);
        if (state is null)
            return false;
        (row.Document, row.Plan, row.PlannedAt, row.Number) = (state.Document, state.Plan, state.PlannedAt, state.Number);
        await context.SaveChangesAsync(cancel);
        return true;
    }

    /// <summary>What can be undone and done again, in words; null where there is nothing.</summary>
    public async Task<(string? Undo, string? Redo)> StepsAsync(OvenDayRow row, CancellationToken cancel)
    {
        var states = await context
            .OvenDayStates.AsNoTracking()
            .Where(s => s.Date == row.Date && s.Number > 0)
            .OrderBy(s => s.Number)
            .Select(s => new { s.Number, s.Said })
            .ToListAsync(cancel);
        var now = states.Exists(s => s.Number < row.Number) ? states.Find(s => s.Number == row.Number)?.Said : null;
        return (now, states.Find(s => s.Number > row.Number)?.Said);
    }

    /// <summary>Keeps the plan that stands as an alternative beside whatever comes.</summary>
    public async Task<bool> KeepAsync(LocalDate date, CancellationToken cancel)
    {
        if (await context.OvenDays.AsNoTracking().SingleOrDefaultAsync(d => d.Date == date, cancel) is not { } row)
            return false;
        var kept = await context.OvenDayStates.Where(s => s.Date == date && s.Number == 0).OrderBy(s => s.PlannedAt).ToListAsync(cancel);
        if (kept.Count >= MostAlternatives)
            context.OvenDayStates.Remove(kept[0]);
        var name = OpenDay.Restore(row) is { } day
            ? $"Done {day.Network.HourOf(day.PromisedMinute)}, {day.Figures.TemperatureChanges} heat changes"
            : "As planned";
        context.OvenDayStates.Add(OpenDay.StateOf(row, 0, name));
        await context.SaveChangesAsync(cancel);
        return true;
    }

    /// <summary>Alternatives kept aside, the latest first.</summary>
    public async Task<IReadOnlyList<OvenDayStateRow>> AlternativesAsync(LocalDate date, CancellationToken cancel) =>
        await context
            .OvenDayStates.AsNoTracking()
            .Where(s => s.Date == date && s.Number == 0)
            .OrderByDescending(s => s.Id)
            .ToListAsync(cancel);

    /// <summary>Takes an alternative as the plan, as a new state that can be undone; false when it is not there.</summary>
    public async Task<bool> TakeAsync(LocalDate date, Guid id, CancellationToken cancel)
    {
        var row = await context.OvenDays.SingleOrDefaultAsync(d => d.Date == date, cancel);
        var kept = await context
            .OvenDayStates.AsNoTracking()
            .SingleOrDefaultAsync(s => s.Date == date && s.Id == id && s.Number == 0, cancel);
        if (row is null || kept is null)
            return false;
        context.OvenDayStates.RemoveRange(context.OvenDayStates.Where(s => s.Date == date && s.Number > row.Number));
        (row.Document, row.Plan, row.PlannedAt) = (kept.Document, kept.Plan, kept.PlannedAt);
        context.OvenDayStates.Add(OpenDay.StateOf(row, ++row.Number, $"Taken: {kept.Said}"));
        await context.SaveChangesAsync(cancel);
        return true;
    }

    /// <summary>Throws an alternative away.</summary>
    public async Task DropAsync(LocalDate date, Guid id, CancellationToken cancel) =>
        await context.OvenDayStates.Where(s => s.Date == date && s.Id == id && s.Number == 0).ExecuteDeleteAsync(cancel);

    /// <summary>What a change of plan means, in words: the finish, the stay, and how many steps move.</summary>
    public static string Difference(PlannedDay before, PlannedDay after)
    {
        // What is promised is compared with what was promised; where one of them was never rehearsed, usual times with usual times.
        var isPromised = before.Chance is not null && after.Chance is not null;
        int Minute(PlannedDay day) => isPromised ? day.PromisedMinute : day.Figures.FinishMinute;
        string Clock(PlannedDay day) => day.Network.HourOf(Minute(day));
        var at = isPromised ? "by" : "at";
        var words = new List<string>
        {
            Minute(before) == Minute(after) ? $"Still done {at} {Clock(after)}" : $"Done {at} {Clock(after)} instead of {Clock(before)}",
        };
        var oven = after.Figures.OvenOnMinutes - before.Figures.OvenOnMinutes;
        if (Math.Abs(oven) >= 5)
            words.Add($"oven on {SpokenTime.Of(Math.Abs(oven))} {(oven > 0 ? "longer" : "less")}");
        var stay = after.Figures.KitchenMinutes - before.Figures.KitchenMinutes;
        if (Math.Abs(stay) >= 5)
            words.Add($"{SpokenTime.Of(Math.Abs(stay))} {(stay > 0 ? "more" : "less")} in the kitchen");
        var starts = before.Network.Tasks.ToDictionary(t => t.Id, t => before.Plan.Tasks[t.Index].Start);
        var moved = after.Network.Tasks.Count(t => starts.TryGetValue(t.Id, out var start) && start != after.Plan.Tasks[t.Index].Start);
        words.Add(moved == 0 ? "nothing else moves" : $"{moved} {(moved == 1 ? "step moves" : "steps move")}");
        return $"{string.Join(", ", words)}.";
    }
}
