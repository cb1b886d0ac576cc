using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Core.Learning;
using Zymethos.Planning.Bench;
using Zymethos.Planning.Reading;
using Zymethos.Store;
using Zymethos.Store.Benches;
using Zymethos.Work.Benches;
using Zymethos.Work.House;
using Zymethos.Work.OvenDays;

namespace Zymethos.Work.Daybooks;

/// <summary>A session as it was beside as it was planned.</summary>
/// <param name="Row">Its row.</param>
/// <param name="Planned">The plan with which it began.</param>
/// <param name="Really">The same steps at the times at which they were, told or inferred; what never began is left where the rest of the
/// day expected it.</param>
/// <param name="Begun">By step, whether it began; what never began is no part of what was.</param>
/// <param name="State">What was said.</param>
/// <param name="Loads">Loads that went in and came out.</param>
public sealed record DaybookSession(
    BenchSessionRow Row,
    PlannedDay Planned,
    PlannedDay Really,
    IReadOnlyList<bool> Begun,
    BenchState State,
    IReadOnlyList<LoadRecord> Loads
);

/// <summary>Reads what was done: the Bench's sessions, and what they teach.</summary>
public sealed class DaybookDesk(ZymethosContext context, BenchDesk desk, WorkedOut worked)
{
    /// <summary>Most sessions that are learned from and listed: some years of a busy kitchen.</summary>
    public const int MostSessions = 400;

    /// <summary>Sessions of the current kitchen, the last first.</summary>
    public async Task<IReadOnlyList<DaybookSession>> SessionsAsync(CancellationToken cancel)
    {
        var ids = await context
            .BenchSessions.AsNoTracking()
            .OrderByDescending(s => s.StartedAt)
            .Take(MostSessions)
            .Select(s => s.Id)
            .ToListAsync(cancel);
        var found = new List<DaybookSession>();
        foreach (var id in ids)
        {
            if (await SessionAsync(id, cancel) is { } session)
                found.Add(session);
        }

        return found;
    }

    /// <summary>One session; null when there is none of this id, or its plan cannot be read any more.</summary>
    public async Task<DaybookSession?> SessionAsync(Guid id, CancellationToken cancel)
    {
        if (await desk.OpenAsync(id, cancel) is not { } work)
            return null;
        var seq = await context.BenchEvents.Where(e => e.SessionId == id).MaxAsync(e => (long?)e.Seq, cancel) ?? 0;
        return await worked.GetAsync<DaybookSession>(
            work.Row.KitchenId,
            $"daybook {id:N}",
            $"{work.Row.Version} {seq}",
            _ => 30,
            async () =>
            {
                var state = BenchState.From(await desk.EventsAsync(id, cancel));
                return Of(work, state);
            },
            cancel
        );
    }

    /// <summary>What bakes say of ovens and recipes.</summary>
    public static BakeFactors Learn(IEnumerable<DaybookSession> sessions) =>
        BakeFactors.Of(
            sessions.SelectMany(s => s.Loads.Select(l => new BakeObservation(OvenKey(l.Oven), l.RecipeKey, l.PlannedMinutes, l.Minutes)))
        );

    /// <summary>What an oven is called in what is learned.</summary>
    public static string OvenKey(int oven) => $"oven {oven + 1}";

    private static DaybookSession Of(BenchWork work, BenchState state)
    {
        var planned = SavedPlans.Restore(work.Row.Document, work.Row.Planned) ?? work.Day;
        var last = state
            .Steps.Values.SelectMany(s => new[] { s.Started?.At, s.Done?.At })
            .OfType<Instant>()
            .DefaultIfEmpty(work.Row.StartedAt)
            .Max();
        var rest = work.Bench.Look(state, last + Duration.FromMinutes(1), withChance: false);
        return new DaybookSession(
            work.Row,
            planned,
            PlannedDay.Kept(work.Day.Network, rest.Plan, work.Day.BoundFinish),
            [.. rest.Begun.Select(b => b >= 0)],
            state,
            LoadRecord.Of(planned.Network, planned.Plan, work.Day.Plan, state, DayMinutes.Of(planned.Network))
        );
    }
}
