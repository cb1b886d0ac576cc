using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using Npgsql;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Bench;
using Zymethos.Store;
using Zymethos.Work.House;

namespace Zymethos.Work.Benches;

/// <summary>A touch that cannot be kept.</summary>
/// <param name="Id">Its id as it was sent.</param>
/// <param name="Why">Why, in a sentence.</param>
public sealed record RefusedTouch(string Id, string Why);

/// <summary>What became of touches that a device told.</summary>
/// <param name="Kept">Ids of those that are kept, now or from an earlier telling.</param>
/// <param name="Refused">Those that cannot be kept; telling them again will not help.</param>
/// <param name="ClockOff">By how many seconds the device's clock was wrong, and its times were put right.</param>
public sealed record ToldTouches(IReadOnlyList<string> Kept, IReadOnlyList<RefusedTouch> Refused, double ClockOff);

/// <summary>
/// Takes what devices tell. A touch is kept once, however often it is told; its time is put right by what the device's own clock says at
/// the moment of telling; a time that has not come yet counts as now.
/// </summary>
public sealed class BenchTelling(ZymethosContext context, IClock clock)
{
    /// <summary>Most touches told at once.</summary>
    public const int MostAtOnce = 500;

    /// <summary>Most touches of a session: a long day has some hundreds.</summary>
    public const int MostInSession = 20_000;

    // No clock is right to the second.
    private static readonly Duration Ahead = Duration.FromSeconds(2);

    // A message comes late and never early: only what is later than any message takes is a clock that is slow.
    private static readonly Duration Behind = Duration.FromSeconds(30);

    /// <summary>What is said when a session has something new.</summary>
    public static string Topic(Guid session) => $"bench {session:N}";

    /// <summary>Keeps touches. What was told of a session that is put away is kept as well: it happened.</summary>
    /// <param name="session">The session; the caller has made sure that it belongs to the current kitchen.</param>
    /// <param name="told">What was told.</param>
    /// <param name="cancel">Stops before anything is written.</param>
    public async Task<ToldTouches> TellAsync(Guid session, BenchEventsDocument told, CancellationToken cancel)
    {
        var now = clock.GetCurrentInstant();
        var off =
            told.SentAt is { } sent && BenchEventText.ReadMoment(sent) is { } theirs && (now - theirs > Behind || theirs - now > Ahead)
                ? now - theirs
                : Duration.Zero;
        var (kept, refused) = (new List<BenchEvent>(), new List<RefusedTouch>());
        foreach (var document in told.Events)
        {
            if (BenchEventText.Read(document, out var wrong) is { } read)
                kept.Add(RightTime(read, off, now));
            else
                refused.Add(new RefusedTouch(document.Id, wrong));
        }

        if (kept.Count > 0 && await context.BenchEvents.CountAsync(e => e.SessionId == session, cancel) >= MostInSession)
        {
            refused.AddRange(kept.Select(e => new RefusedTouch(e.Id.ToString("D"), "This session holds as many touches as it can.")));
            kept.Clear();
        }

        if (kept.Count > 0)
            await WriteAsync(session, kept, now, cancel);
        return new ToldTouches([.. kept.Select(e => e.Id.ToString("D"))], refused, -off.TotalSeconds);
    }

    private static BenchEvent RightTime(BenchEvent e, Duration off, Instant now) =>
        e with
        {
            At = Instant.Min(Millisecond(e.At + off), Millisecond(now)),
            NewAt = e.NewAt is { } newAt ? Instant.Min(Millisecond(newAt + off), Millisecond(now)) : null,
        };

    private static Instant Millisecond(Instant moment) => Instant.FromUnixTimeMilliseconds(moment.ToUnixTimeMilliseconds());

    private async Task WriteAsync(Guid session, List<BenchEvent> kept, Instant now, CancellationToken cancel)
    {
        var rows = JsonSerializer.Serialize(kept.Select(e => new { id = e.Id, document = BenchEventText.Write(e) }), OpenJson.Options);
        var kitchen = context.KitchenId ?? throw new InvalidOperationException("Nobody's kitchen.");
        var strategy = context.Database.CreateExecutionStrategy();
        await strategy.ExecuteAsync(async () =>
        {
            await using var transaction = await context.Database.BeginTransactionAsync(cancel);
            // One at a time in a session, so that whoever has seen an event has seen all that came in before it.
            await context.Database.ExecuteSqlAsync($"SELECT pg_advisory_xact_lock(hashtextextended({session.ToString("N")}, 17))", cancel);
            var written = await context.Database.ExecuteSqlRawAsync(
                """
                INSERT INTO bench_events ("SessionId", "Id", "KitchenId", "ToldAt", "Document")
                SELECT @session, (e->>'id')::uuid, @kitchen, @told, e->'document'
                FROM jsonb_array_elements(@rows::jsonb) WITH ORDINALITY AS a(e, place)
                ORDER BY place
                ON CONFLICT DO NOTHING
                """,
                [
                    new NpgsqlParameter("session", session),
                    new NpgsqlParameter("kitchen", kitchen),
                    new NpgsqlParameter("told", now),
                    new NpgsqlParameter("rows", rows),
                ],
                cancel
            );
            await Notices.SayAsync(context, Topic(session), cancel);
            await transaction.CommitAsync(cancel);
            HouseFigures.Touches.Add(written);
        });
    }
}
