using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Store.Days;

namespace Zymethos.Work.OvenDays;

/// <summary>Ends searches that nobody wants any more.</summary>
internal static class EndedSearches
{
    /// <summary>Whoever is at one is asked to stop, and what nobody took up yet ends at once. Two who ask at once ask for the same thing;
    /// whoever comes after its end changes nothing.</summary>
    /// <param name="searches">Which.</param>
    /// <param name="now">The moment that it is.</param>
    /// <param name="cancel">Stops.</param>
    public static async Task EndAsync(IQueryable<LongSearchRow> searches, Instant now, CancellationToken cancel)
    {
        await searches
            .Where(s => s.State == LongSearchState.Running)
            .ExecuteUpdateAsync(u => u.SetProperty(s => s.StopAsked, true), cancel);
        await searches
            .Where(s => s.State == LongSearchState.Waiting)
            .ExecuteUpdateAsync(
                u =>
                    u.SetProperty(s => s.StopAsked, true)
                        .SetProperty(s => s.State, LongSearchState.Stopped)
                        .SetProperty(s => s.EndedAt, now)
                        .SetProperty(s => s.Said, "Stopped before it began."),
                cancel
            );
    }
}
