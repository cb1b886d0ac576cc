using System.Collections.Concurrent;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Core.Devices;
using Zymethos.Core.Kitchens;
using Zymethos.Interchange.Documents;
using Zymethos.Store;
using Zymethos.Store.Devices;
using Zymethos.Store.Tenancy;
using Zymethos.Work.Benches;
using Zymethos.Work.House;
using Zymethos.Work.OvenDays;

namespace Zymethos.Work.Devices;

/// <summary>
/// Works on readings: keeps what is worth keeping, tells every instance, and lets follow on the Bench what follows. Readings of one kitchen
/// come one after the other; kitchens may come at once.
/// </summary>
public sealed class DeviceHearing(
    DbContextOptions<ZymethosContext> options,
    WorkedOut worked,
    SolverGate gate,
    LookGate looks,
    LiveReadings live,
    IClock clock
)
{
    /// <summary>Most devices of a kitchen; a further one is not heard.</summary>
    public const int MostDevices = 24;

    private static readonly Duration Told = Duration.FromMilliseconds(400);
    private static readonly Duration Saved = Duration.FromSeconds(5);
    private static readonly Duration Kept = Duration.FromSeconds(15);
    private static readonly Duration KeptFor = Duration.FromDays(400);
    private const double WorthKeeping = 2;
    private const int MostKitchens = 500;

    private readonly ConcurrentDictionary<Guid, KitchenFile> _kitchens = new();

    /// <summary>Works on one reading.</summary>
    public async Task HearAsync(ArrivedReading arrived, CancellationToken cancel)
    {
        if (_kitchens.Count > MostKitchens)
            _kitchens.Clear();
        var kitchen = _kitchens.GetOrAdd(arrived.Kitchen, _ => new KitchenFile(new SessionNow(worked, gate, looks, clock)));
        await using var context = new ZymethosContext(options, new FixedKitchen(arrived.Kitchen));
        if (await FileAsync(context, kitchen, arrived, cancel) is not { } file)
            return;
        var reading = arrived.Reading;
        if (reading.Kind != DeviceKind.Scale)
            await kitchen.Session.LookAsync(context, cancel);
        var heard =
            file.Row.Kind != reading.Kind
                ? new HeardReading(false, "It measures something else than it did. Forget it in the Kitchen, and it is heard anew.")
                : file.Memory.Take(
                    reading,
                    reading.Kind == DeviceKind.Oven && BenchWatch.IsWarmingUp(kitchen.Session, file.Row.Oven, reading.At),
                    (await SaysAsync(context, kitchen, cancel)).Degrees
                );
        IReadOnlyList<Planning.Bench.BenchEvent> told = [];
        if (heard.IsBelieved)
        {
            told = kitchen.Watch.Hear(kitchen.Session, file.Row, reading, file.Memory, out var trouble);
            if (trouble.Length > 0)
                heard = heard with { Trouble = trouble };
        }

        await TellAsync(context, file, reading, heard, cancel);
        if (told.Count > 0 && kitchen.Session.Work is { } work)
        {
            var documents = new BenchEventsDocument([.. told.Select(BenchEventText.Write)]);
            await new BenchTelling(context, clock).TellAsync(work.Row.Id, documents, cancel);
            kitchen.Session.Stale();
        }

        await SaveAsync(context, file, reading, heard, cancel);
    }

    /// <summary>The measures of the kitchen, asked for once a minute at most: trouble is told in them.</summary>
    private async Task<KitchenSays> SaysAsync(ZymethosContext context, KitchenFile kitchen, CancellationToken cancel)
    {
        var now = clock.GetCurrentInstant();
        if (kitchen.Says is { } known && now - kitchen.SaysAt < Duration.FromMinutes(1))
            return known;
        var says = (await context.Kitchens.AsNoTracking().SingleOrDefaultAsync(cancel))?.ToKitchen().Says ?? KitchenSays.Plain;
        (kitchen.Says, kitchen.SaysAt) = (says, now);
        return says;
    }

    private async Task<DeviceFile?> FileAsync(
        ZymethosContext context,
        KitchenFile kitchen,
        ArrivedReading arrived,
        CancellationToken cancel
    )
    {
        if (kitchen.Devices.TryGetValue(arrived.Device, out var file))
            return file;
        var row = await context.Devices.AsNoTracking().SingleOrDefaultAsync(d => d.Name == arrived.Device, cancel);
        if (row is null)
        {
            if (await context.Devices.CountAsync(cancel) >= MostDevices)
                return null;
            row = await AddAsync(context, arrived, cancel);
        }

        return kitchen.Devices[arrived.Device] = new DeviceFile(row);
    }

    private static async Task<DeviceRow> AddAsync(ZymethosContext context, ArrivedReading arrived, CancellationToken cancel)
    {
        var row = new DeviceRow
        {
            Name = arrived.Device,
            Kind = arrived.Reading.Kind,
            FirstAt = arrived.Reading.At,
            LastAt = arrived.Reading.At,
            LastValue = arrived.Reading.Value,
        };
        context.Devices.Add(row);
        try
        {
            await context.SaveChangesAsync(cancel);
        }
        catch (DbUpdateException e) when (WriteConflict.Is(e))
        {
            // Another instance in this very moment.
            context.ChangeTracker.Clear();
            row = await context.Devices.AsNoTracking().SingleAsync(d => d.Name == arrived.Device, cancel);
        }

        context.ChangeTracker.Clear();
        return row;
    }

    private async Task TellAsync(ZymethosContext context, DeviceFile file, Reading reading, HeardReading heard, CancellationToken cancel)
    {
        var shown = LiveReadings.Shown(file.Row, reading, heard);
        var isNew = file.LastTold is not { } last || last.Trouble != shown.Trouble || Math.Abs(last.Value - shown.Value) > 0.05;
        var since = file.LastTold is { } before ? shown.At - before.At : long.MaxValue;
        if (since < (long)(isNew ? Told : Saved).TotalMilliseconds)
        {
            // What comes too fast is not told one by one; but the last of it is, since nothing may come after it.
            if (isNew && Interlocked.Exchange(ref file.Waiting, shown) is null)
                _ = TellLastAsync(file, cancel);
            return;
        }

        file.LastTold = shown;
        await context.Database.ExecuteSqlAsync(
            $"SELECT pg_notify({LiveReadings.Channel}, {LiveReadings.Write(file.Row.KitchenId, shown)})",
            cancel
        );
    }

    private async Task TellLastAsync(DeviceFile file, CancellationToken cancel)
    {
        try
        {
            await Task.Delay(Told.ToTimeSpan(), cancel);
            if (Interlocked.Exchange(ref file.Waiting, null) is not { } shown || file.LastTold is { } last && last.At >= shown.At)
                return;
            file.LastTold = shown;
            await using var context = new ZymethosContext(options, new FixedKitchen(file.Row.KitchenId));
            await context.Database.ExecuteSqlAsync(
                $"SELECT pg_notify({LiveReadings.Channel}, {LiveReadings.Write(file.Row.KitchenId, shown)})",
                cancel
            );
        }
        catch (Exception e) when (e is OperationCanceledException or Npgsql.NpgsqlException)
        {
            // The server stops, or the database is away: the next reading is told.
        }
    }

    private async Task SaveAsync(ZymethosContext context, DeviceFile file, Reading reading, HeardReading heard, CancellationToken cancel)
    {
        var now = clock.GetCurrentInstant();
        if (now - file.SavedAt >= Saved || heard.Trouble != file.Row.Trouble)
        {
            file.SavedAt = now;
            if (await context.Devices.SingleOrDefaultAsync(d => d.Name == file.Row.Name, cancel) is not { } row)
            {
                // Forgotten by the baker meanwhile: it is heard anew.
                if (_kitchens.TryGetValue(file.Row.KitchenId, out var kitchen))
                    kitchen.Devices.Remove(file.Row.Name);
                live.Forget(file.Row.KitchenId, file.Row.Name);
                return;
            }

            (row.LastAt, row.LastValue, row.Battery, row.Trouble) = (reading.At, reading.Value, reading.Battery, heard.Trouble);
            await context.SaveChangesAsync(cancel);
            file.Row = row;
        }

        var isWorth =
            file.KeptAt is not { } kept
            || reading.At - kept >= Kept
            || (Math.Abs(reading.Value - file.KeptValue) >= WorthKeeping && reading.At - kept >= Kept / 5);
        if (!heard.IsBelieved || reading.Kind == DeviceKind.Scale || !isWorth || reading.At <= file.KeptAt)
            return;
        (file.KeptAt, file.KeptValue) = (reading.At, reading.Value);
        await context.Database.ExecuteSqlAsync(
            $"""
            INSERT INTO device_readings ("KitchenId", "Device", "At", "Value")
            VALUES ({file.Row.KitchenId}, {file.Row.Name}, {reading.At}, {Math.Round(reading.Value, 1)})
            ON CONFLICT DO NOTHING
            """,
            cancel
        );
        if (now - file.SweptAt > Duration.FromDays(1))
        {
            file.SweptAt = now;
            var old = now - KeptFor;
            await context.DeviceReadings.Where(r => r.Device == file.Row.Name && r.At < old).ExecuteDeleteAsync(cancel);
        }
    }

    private sealed class KitchenFile(SessionNow session)
    {
        public SessionNow Session { get; } = session;
        public BenchWatch Watch { get; } = new();
        public Dictionary<string, DeviceFile> Devices { get; } = new(StringComparer.Ordinal);
        public KitchenSays? Says { get; set; }
        public Instant SaysAt { get; set; } = Instant.MinValue;
    }

    private sealed class DeviceFile(DeviceRow row)
    {
        public DeviceRow Row = row;
        public readonly DeviceMemory Memory = new(row.Kind);
        public LiveReading? LastTold;
        public LiveReading? Waiting;
        public Instant SavedAt = Instant.MinValue;
        public Instant SweptAt = Instant.MinValue;
        public Instant? KeptAt;
        public double KeptValue;
    }
}
