using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Core.Interchange;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Planning;
using Zymethos.Core.Recipes;
using Zymethos.Store;
using Zymethos.Store.Days;
using Zymethos.Web.Setup;

namespace Zymethos.Web.OvenDays;

/// <summary>What came of planning: a day, or what is wrong with the wish, or what clashes. Exactly one is not null or empty.</summary>
/// <param name="Day">The planned day; null when there is none.</param>
/// <param name="Faults">What is wrong with what was asked for.</param>
/// <param name="Clash">Which wishes clash and what would help; null unless the day has no plan.</param>
public sealed record PlanAnswer(PlannedDay? Day, IReadOnlyList<Fault> Faults, ClashReport? Clash);

/// <summary>Plans a day from a document, for pages and for the API.</summary>
public sealed class PlanDay(SolverGate gate)
{
    /// <summary>Plans without saving anything.</summary>
    public async Task<PlanAnswer> PlanAsync(OvenDayDocument document, TimeSpan limit, int seed, CancellationToken cancel)
    {
        var reader = new DocumentReader();
        var (kitchen, wish) = reader.Read(document);
        if (reader.Faults.Count > 0) return new PlanAnswer(null, reader.Faults, null);
        var compiled = TaskCompiler.Compile(kitchen, wish);
        if (compiled.Network is not { } network) return new PlanAnswer(null, compiled.Faults, null);
        return await gate.RunAsync(
            () =>
            {
                var outcome = DayPlanner.Plan(network, new SolveSettings(limit, seed), cancel);
                return outcome.Plan is { } plan
                    ? new PlanAnswer(PlannedDay.Of(network, plan, outcome.BoundFinish), [], null)
                    : new PlanAnswer(null, [], ClashFinder.Report(network, outcome.Status == PlanStatus.Impossible, limit, seed));
            },
            cancel);
    }
}

/// <summary>Keeps planned days and brings them back.</summary>
public sealed class OpenDay(ZymethosContext context, PlanDay planner, AppSettings settings, IClock clock)
{
    /// <summary>Plans a day of the current kitchen and keeps the plan when there is one. A day without a plan leaves what was kept before.</summary>
    public async Task<PlanAnswer> PlanAndKeepAsync(OvenDayDocument document, LocalDate date, string note, CancellationToken cancel)
    {
        var answer = await planner.PlanAsync(document, settings.PlanTime, 1, cancel);
        if (answer.Day is not { } day) return answer;
        var row = await context.OvenDays.SingleOrDefaultAsync(d => d.Date == date, cancel);
        if (row is null) context.OvenDays.Add(row = new OvenDayRow { Id = Guid.CreateVersion7(), Date = date });
        row.Document = document;
        row.Plan = SavedPlans.Save(day, note);
        row.PlannedAt = clock.GetCurrentInstant();
        await context.SaveChangesAsync(cancel);
        return answer;
    }

    /// <summary>The planned day of a row; null when the plan was made by another version and must be made again.</summary>
    public static PlannedDay? Restore(OvenDayRow row) => SavedPlans.Restore(row.Document, row.Plan);

    /// <summary>
    /// Plans the coming days again for a changed kitchen. What cannot be planned any more keeps its old plan and says so.
    /// </summary>
    /// <param name="kitchen">The kitchen as it is now.</param>
    /// <param name="today">Days from here on are planned again.</param>
    /// <param name="cancel">Stops between days.</param>
    /// <returns>A sentence for each day.</returns>
    public async Task<IReadOnlyList<string>> ReplanAsync(Kitchen kitchen, LocalDate today, CancellationToken cancel)
    {
        var words = new List<string>();
        foreach (var row in await context.OvenDays.Where(d => d.Date >= today).OrderBy(d => d.Date).Take(3).ToListAsync(cancel))
        {
            var before = Restore(row);
            var answer = await PlanAndKeepAsync(row.Document with { Kitchen = DocumentWriter.Write(kitchen) }, row.Date, "", cancel);
            var name = row.Date.ToString("dddd d MMMM", null);
            if (answer.Day is not { } after)
            {
                words.Add($"{name} no longer works in this kitchen; its old plan stays. Open it to see what clashes.");
                continue;
            }

            var finish = Clock(after, after.Figures.FinishMinute);
            words.Add(before is null || before.Figures.FinishMinute == after.Figures.FinishMinute
                ? $"{name} is planned again: still done at {finish}."
                : $"{name} is planned again: done at {finish} instead of {Clock(before, before.Figures.FinishMinute)}.");
        }

        return words;
    }

    private static string Clock(PlannedDay day, int minute) => day.Network.TimeOf(minute).ToString("HH:mm", null);
}
