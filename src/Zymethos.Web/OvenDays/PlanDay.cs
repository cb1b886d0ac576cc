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

/// <summary>What came of planning: a day, or what is wrong with the wish, or what clashes. At most one is not null or empty.</summary>
/// <param name="Day">The planned day; null when there is none.</param>
/// <param name="Faults">What is wrong with what was asked for.</param>
/// <param name="Clash">Which wishes clash and what would help; null unless the day has no plan.</param>
public sealed record PlanAnswer(PlannedDay? Day, IReadOnlyList<Fault> Faults, ClashReport? Clash);

/// <summary>Plans a day from a document, for pages and for the API.</summary>
public sealed class PlanDay(SolverGate gate)
{
    /// <summary>Plans without saving anything. Without a plan it says what clashes, or, where that is not wanted, nothing at all.</summary>
    public async Task<PlanAnswer> PlanAsync(OvenDayDocument document, TimeSpan limit, int seed, CancellationToken cancel, IReadOnlyDictionary<string, int>? keep = null, bool withClash = true)
    {
        var reader = new DocumentReader();
        var (kitchen, wish) = reader.Read(document);
        if (reader.Faults.Count > 0) return new PlanAnswer(null, reader.Faults, null);
        return await gate.RunAsync(
            () =>
            {
                var moded = ModeChooser.Plan(kitchen, wish, new SolveSettings(limit, seed) { Keep = keep ?? new Dictionary<string, int>() }, cancel);
                if (moded.Network is not { } network) return new PlanAnswer(null, moded.Faults, null);
                var outcome = moded.Outcome!;
                return outcome.Plan is { } plan
                    ? new PlanAnswer(PlannedDay.Of(network, plan, outcome.BoundFinish), [], null)
                    : new PlanAnswer(null, [], !withClash ? null : ClashFinder.Report(network, outcome.Status == PlanStatus.Impossible, limit, seed, ModeChooser.With(wish, network.Modes)));
            },
            cancel);
    }
}

/// <summary>Keeps planned days and brings them back.</summary>
public sealed class OpenDay(ZymethosContext context, PlanDay planner, AppSettings settings, IClock clock)
{
    private const int MostStates = 50;

    // Whoever stands there with a loaf that needs five minutes more does not wait for a better order.
    internal static readonly TimeSpan LiveTime = TimeSpan.FromMilliseconds(800);

    /// <summary>
    /// Plans a day of the current kitchen and keeps the plan when there is one, as a new state that can be undone. A day without a plan leaves what was kept before.
    /// </summary>
    /// <param name="document">What is asked for.</param>
    /// <param name="date">Its date.</param>
    /// <param name="said">What is done, in a few words.</param>
    /// <param name="cancel">Stops the search.</param>
    /// <param name="live">The plan that goes on while the rest of it is planned again, quickly and with as few steps moved as can be, and without an answer to what clashes; null for a day that lies ahead.</param>
    public async Task<PlanAnswer> PlanAndKeepAsync(OvenDayDocument document, LocalDate date, string said, CancellationToken cancel, PlannedDay? live = null)
    {
        var answer = live is null ? await planner.PlanAsync(document, settings.PlanTime, 1, cancel) : await planner.PlanAsync(document, LiveTime, 1, cancel, Stood(live), withClash: false);
        if (answer.Day is not { } day) return answer;
        var row = await context.OvenDays.SingleOrDefaultAsync(d => d.Date == date, cancel);
        if (row is null)
        {
            context.OvenDays.Add(row = new OvenDayRow { Id = Guid.CreateVersion7(), Date = date });
            // States of a day that was there before under this date are no way back from this one.
            context.OvenDayStates.RemoveRange(context.OvenDayStates.Where(s => s.Date == date && s.Number > 0));
        }
        else
        {
            context.OvenDayStates.RemoveRange(context.OvenDayStates.Where(s => s.Date == date && (s.Number > row.Number || (s.Number > 0 && s.Number <= row.Number - MostStates))));
            if (row.Number == 0) context.OvenDayStates.Add(StateOf(row, ++row.Number, "Planned"));
        }

        row.Document = document;
        row.Plan = SavedPlans.Save(day, "");
        row.PlannedAt = clock.GetCurrentInstant();
        context.OvenDayStates.Add(StateOf(row, ++row.Number, said));
        await context.SaveChangesAsync(cancel);
        // A search for the day as it was has nothing to look for any more.
        await context.LongSearches.Where(s => s.Date == date && s.State == LongSearchState.Running).ExecuteUpdateAsync(u => u.SetProperty(s => s.StopAsked, true), cancel);
        return answer;
    }

    /// <summary>Where the steps of a day stand.</summary>
    internal static Dictionary<string, int> Stood(PlannedDay day) => day.Network.Tasks.ToDictionary(t => t.Id, t => day.Plan.Tasks[t.Index].Start, StringComparer.Ordinal);

    /// <summary>Takes a planned day off; what it was stays among its states, so that it can be brought back. False when there is none.</summary>
    public async Task<bool> TakeOffAsync(LocalDate date, CancellationToken cancel)
    {
        if (await context.OvenDays.SingleOrDefaultAsync(d => d.Date == date, cancel) is not { } row) return false;
        context.OvenDayStates.RemoveRange(context.OvenDayStates.Where(s => s.Date == date && s.Number > row.Number));
        if (row.Number == 0) context.OvenDayStates.Add(StateOf(row, 1, "Planned"));
        context.OvenDays.Remove(row);
        await context.SaveChangesAsync(cancel);
        await context.LongSearches.Where(s => s.Date == date && s.State == LongSearchState.Running).ExecuteUpdateAsync(u => u.SetProperty(s => s.StopAsked, true), cancel);
        return true;
    }

    /// <summary>Brings a day back that was taken off; false when there is nothing to bring back, or a day is planned there again.</summary>
    public async Task<bool> BringBackAsync(LocalDate date, CancellationToken cancel)
    {
        if (await context.OvenDays.AnyAsync(d => d.Date == date, cancel)) return false;
        if (await context.OvenDayStates.Where(s => s.Date == date && s.Number > 0).OrderByDescending(s => s.Number).FirstOrDefaultAsync(cancel) is not { } state) return false;
        context.OvenDays.Add(new OvenDayRow { Id = Guid.CreateVersion7(), Date = date, Document = state.Document, Plan = state.Plan, PlannedAt = state.PlannedAt, Number = state.Number });
        await context.SaveChangesAsync(cancel);
        return true;
    }

    /// <summary>A state of a day as a row.</summary>
    internal static OvenDayStateRow StateOf(OvenDayRow row, int number, string said) => new()
    {
        Id = Guid.CreateVersion7(),
        Date = row.Date,
        Number = number,
        Said = said.Length <= 200 ? said : said[..200],
        Document = row.Document,
        Plan = row.Plan,
        PlannedAt = row.PlannedAt,
    };

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
            var answer = await PlanAndKeepAsync(row.Document with { Kitchen = DayKitchen.Again(DocumentWriter.Write(kitchen), row.Document.Kitchen) }, row.Date, "Planned again for the changed kitchen", cancel);
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
