using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Store;
using Zymethos.Store.Accounts;
using Zymethos.Store.Tenancy;

namespace Zymethos.Work.Accounts;

/// <summary>Deleting a kitchen: asked for, kept again within the grace time, and done.</summary>
public sealed class Closing(DbContextOptions<ZymethosContext> options, IClock clock)
{
    /// <summary>How long a kitchen can still be kept after somebody asked to delete it.</summary>
    public static readonly Duration Grace = Duration.FromDays(14);

    /// <summary>When a kitchen is deleted; null where nobody asked.</summary>
    public async Task<Instant?> OfAsync(Guid kitchen, CancellationToken cancel)
    {
        await using var all = All();
        return await all
            .Closing.AsNoTracking()
            .Where(c => c.KitchenId == kitchen)
            .Select(c => (Instant?)c.ClosesAt)
            .SingleOrDefaultAsync(cancel);
    }

    /// <summary>Asks to delete a kitchen; asked twice it stays with the first day.</summary>
    /// <returns>When it is deleted.</returns>
    public async Task<Instant> AskAsync(Guid kitchen, CancellationToken cancel)
    {
        await using var all = All();
        var closes = clock.GetCurrentInstant() + Grace;
        await all.Database.ExecuteSqlAsync(
            $"""INSERT INTO closing_kitchens ("KitchenId", "ClosesAt") VALUES ({kitchen}, {closes}) ON CONFLICT DO NOTHING""",
            cancel
        );
        return await OfAsync(kitchen, cancel) ?? closes;
    }

    /// <summary>Keeps it after all; false where nobody had asked.</summary>
    public async Task<bool> KeepAsync(Guid kitchen, CancellationToken cancel)
    {
        await using var all = All();
        return await all.Closing.Where(c => c.KitchenId == kitchen).ExecuteDeleteAsync(cancel) > 0;
    }

    /// <summary>Deletes what is due, with everything that belongs to it: its rows hang on the kitchen's.</summary>
    /// <returns>How many kitchens.</returns>
    public async Task<int> GoAsync(CancellationToken cancel)
    {
        await using var all = All();
        var now = clock.GetCurrentInstant();
        // Whoever has another kitchen keeps the account and goes there; the accounts that had this one alone go with it.
        await all.Set<Baker>()
            .Where(b =>
                all.Closing.Any(c => c.KitchenId == b.KitchenId && c.ClosesAt <= now)
                && all.Members.Any(m => m.BakerId == b.Id && !all.Closing.Any(c => c.KitchenId == m.KitchenId && c.ClosesAt <= now))
            )
            .ExecuteUpdateAsync(
                b =>
                    b.SetProperty(
                        r => r.KitchenId,
                        r =>
                            all.Members.Where(m =>
                                    m.BakerId == r.Id && !all.Closing.Any(c => c.KitchenId == m.KitchenId && c.ClosesAt <= now)
                                )
                                .OrderBy(m => m.JoinedAt)
                                .Select(m => m.KitchenId)
                                .First()
                    ),
                cancel
            );
        return await all
            .Kitchens.IgnoreQueryFilters()
            .Where(k => all.Closing.Any(c => c.KitchenId == k.Id && c.ClosesAt <= now))
            .ExecuteDeleteAsync(cancel);
    }

    private ZymethosContext All() => new(options, new FixedKitchen(null));
}
