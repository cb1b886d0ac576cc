using System.Security.Cryptography;
using System.Text;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Store;
using Zymethos.Store.Benches;

namespace Zymethos.Work.Benches;

/// <summary>Passes with which helpers come to the Bench of one day.</summary>
public sealed class BenchPasses(ZymethosContext context, IClock clock)
{
    /// <summary>How long a pass lets in: the day it is made for.</summary>
    public static readonly Duration Lasts = Duration.FromHours(18);

    private const int MostPasses = 20;

    /// <summary>Makes a pass; the secret is told once, and kept nowhere.</summary>
    /// <returns>The secret; null where a session has as many passes as it may.</returns>
    public async Task<string?> MakeAsync(Guid session, CancellationToken cancel)
    {
        if (await context.BenchPasses.CountAsync(p => p.SessionId == session && p.ShutOutAt == null, cancel) >= MostPasses)
            return null;
        var secret = Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(20));
        context.BenchPasses.Add(
            new BenchPassRow
            {
                Id = Guid.CreateVersion7(),
                SessionId = session,
                SecretHash = HashOf(secret),
                MadeAt = clock.GetCurrentInstant(),
                Until = clock.GetCurrentInstant() + Lasts,
            }
        );
        await context.SaveChangesAsync(cancel);
        return secret;
    }

    /// <summary>Passes of a session that let in, the newest first.</summary>
    public Task<List<BenchPassRow>> OfAsync(Guid session, CancellationToken cancel) =>
        context
            .BenchPasses.AsNoTracking()
            .Where(p => p.SessionId == session && p.ShutOutAt == null && p.Until > clock.GetCurrentInstant())
            .OrderByDescending(p => p.MadeAt)
            .ToListAsync(cancel);

    /// <summary>Takes a pass away at once; false when there is none of this id.</summary>
    public async Task<bool> ShutOutAsync(Guid pass, CancellationToken cancel)
    {
        if (await context.BenchPasses.SingleOrDefaultAsync(p => p.Id == pass, cancel) is not { } row)
            return false;
        row.ShutOutAt ??= clock.GetCurrentInstant();
        await context.SaveChangesAsync(cancel);
        return true;
    }

    /// <summary>The pass of a secret, whichever kitchen it is of, while it lets in; null for any other.</summary>
    public async Task<BenchPassRow?> FindAsync(string secret, CancellationToken cancel)
    {
        var (hash, now) = (HashOf(secret), clock.GetCurrentInstant());
        return await LetsIn(now).SingleOrDefaultAsync(p => p.SecretHash == hash, cancel);
    }

    /// <summary>Whether a pass still lets in.</summary>
    public Task<bool> LetsInAsync(Guid pass, CancellationToken cancel) =>
        LetsIn(clock.GetCurrentInstant()).AnyAsync(p => p.Id == pass, cancel);

    /// <summary>Notes who came in with a pass.</summary>
    public Task UseAsync(Guid pass, string name, CancellationToken cancel) =>
        context
            .BenchPasses.IgnoreQueryFilters()
            .Where(p => p.Id == pass)
            .ExecuteUpdateAsync(p => p.SetProperty(r => r.Name, name).SetProperty(r => r.UsedAt, clock.GetCurrentInstant()), cancel);

    // Whoever holds a pass is in no kitchen yet: this is the one place that looks over all of them, by an unguessable secret.
    private IQueryable<BenchPassRow> LetsIn(Instant now) =>
        context
            .BenchPasses.IgnoreQueryFilters()
            .AsNoTracking()
            .Where(p =>
                p.ShutOutAt == null
                && p.Until > now
                && context.BenchSessions.IgnoreQueryFilters().Any(s => s.Id == p.SessionId && s.EndedAt == null)
            );

    private static string HashOf(string secret) => Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(secret)));
}
