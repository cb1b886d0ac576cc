using Microsoft.EntityFrameworkCore;
using NodaTime;
using Npgsql;
using Zymethos.Planning.Seasons;
using Zymethos.Store;
using Zymethos.Store.Seasons;
using Zymethos.Store.Tenancy;
using Zymethos.Work.House;
using Zymethos.Work.Seasons;

namespace Zymethos.Work.Reminders;

/// <summary>
/// Writes the reminders that are due and hands them on. Each is written once in a kitchen, whichever of several instances comes first; what
/// could not be handed on waits in the letter box and is tried again.
/// </summary>
public sealed class ReminderRound(
    DbContextOptions<ZymethosContext> options,
    IServiceProvider services,
    IPost post,
    IClock clock,
    ILogger<ReminderRound> log
)
{
    private const int MostAttempts = 10;

    // What was due while the server was away is still said, but nobody wants to hear of last week.
    private static readonly Duration StillNews = Duration.FromHours(24);

    /// <summary>One round; how many messages were handed on.</summary>
    public async Task<int> GoAsync(CancellationToken cancel)
    {
        await using var all = new ZymethosContext(options, new FixedKitchen(null));
        var seasons = await all
            .Seasons.IgnoreQueryFilters()
            .AsNoTracking()
            .Where(s => s.RemindTo != "" && s.Plan != null)
            .Select(s => new { s.Id, s.KitchenId })
            .ToListAsync(cancel);
        foreach (var season in seasons)
        {
            try
            {
                await WriteAsync(season.Id, season.KitchenId, cancel);
            }
            catch (Exception e) when (e is not OperationCanceledException && !IsAway(e))
            {
                log.LogWarning(e, "The reminders of season {Season} could not be written.", season.Id);
            }
        }

        var sent = 0;
        foreach (
            var waiting in await all
                .Messages.IgnoreQueryFilters()
                .AsNoTracking()
                .Where(m => m.SentAt == null && m.Attempts < MostAttempts)
                .OrderBy(m => m.WrittenAt)
                .Take(50)
                .Select(m => new { m.Id, m.KitchenId })
                .ToListAsync(cancel)
        )
        {
            try
            {
                sent += await SendAsync(waiting.Id, waiting.KitchenId, cancel) ? 1 : 0;
            }
            catch (Exception e) when (e is not OperationCanceledException && !IsAway(e))
            {
                log.LogWarning(e, "Message {Message} could not be taken up.", waiting.Id);
            }
        }

        return sent;
    }

    // Whatever is wrong with one kitchen is its own; a database that is away is everybody's, and the round begins again later.
    private static bool IsAway(Exception e) =>
        e is NpgsqlException { IsTransient: true } or { InnerException: NpgsqlException { IsTransient: true } };

    private async Task WriteAsync(Guid id, Guid kitchen, CancellationToken cancel)
    {
        await using var context = new ZymethosContext(options, new FixedKitchen(kitchen));
        if (await ActivatorUtilities.CreateInstance<SeasonDesk>(services, context).OpenAsync(id, cancel) is not { } view)
            return;
        var zone = DateTimeZoneProviders.Tzdb.GetZoneOrNull(view.Wish.Kitchen.Zone) ?? DateTimeZone.Utc;
        var now = clock.GetCurrentInstant();
        foreach (var reminder in Reminder.Of(view.Touches, view.Wish.Kitchen.Says))
        {
            var due = reminder.At.InZoneLeniently(zone).ToInstant();
            if (due > now || now - due > StillNews)
                continue;
            var key = $"{id:N} {reminder.Key}";
            key = key.Length <= 200 ? key : key[..200];
            if (await context.Messages.AnyAsync(m => m.Key == key, cancel))
                continue;
            context.Messages.Add(
                new MessageRow
                {
                    Id = Guid.CreateVersion7(),
                    Key = key,
                    To = view.Row.RemindTo,
                    Subject = Short(reminder.Subject),
                    Text = reminder.Text,
                    WrittenAt = now,
                }
            );
            try
            {
                await context.SaveChangesAsync(cancel);
            }
            catch (DbUpdateException e) when (e.InnerException is PostgresException { SqlState: PostgresErrorCodes.UniqueViolation })
            {
                // Another instance was first.
                context.ChangeTracker.Clear();
            }
        }
    }

    private async Task<bool> SendAsync(Guid id, Guid kitchen, CancellationToken cancel)
    {
        await using var context = new ZymethosContext(options, new FixedKitchen(kitchen));
        await using var claim = await context.Database.BeginTransactionAsync(cancel);
        // The row is held while it is handed on, so that no other instance sends it too.
        if (
            await context
                .Messages.FromSql($"select * from messages where \"Id\" = {id} and \"SentAt\" is null for update skip locked")
                .IgnoreQueryFilters()
                .SingleOrDefaultAsync(cancel)
            is not { } message
        )
            return false;
        message.Attempts++;
        try
        {
            await post.SendAsync(message.To, message.Subject, message.Text, cancel);
            (message.SentAt, message.Trouble) = (clock.GetCurrentInstant(), "");
            HouseFigures.Letters.Add(1);
        }
        catch (Exception e) when (e is not OperationCanceledException)
        {
            message.Trouble = Short(e.Message);
            log.LogWarning(e, "Message {Message} could not be handed on.", id);
        }

        await context.SaveChangesAsync(cancel);
        await claim.CommitAsync(cancel);
        return message.SentAt is not null;
    }

    private static string Short(string text) => text.Length <= 200 ? text : text[..200];
}
