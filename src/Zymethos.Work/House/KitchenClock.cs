using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Core.Kitchens;
using Zymethos.Store;

namespace Zymethos.Work.House;

/// <summary>What time it is in the kitchen of whoever is signed in.</summary>
public sealed class KitchenClock(ZymethosContext context, IClock clock)
{
    /// <summary>The local date and time in the kitchen's time zone; a zone that is not known any more counts as UTC.</summary>
    public async Task<LocalDateTime> NowAsync(CancellationToken cancel)
    {
        var zone = (await context.Kitchens.AsNoTracking().SingleAsync(cancel)).Document.Zone;
        return At(zone, clock.GetCurrentInstant());
    }

    /// <summary>The moment that it is everywhere.</summary>
    public Instant Now => clock.GetCurrentInstant();

    /// <summary>The kitchen's time zone; UTC when it is not known any more.</summary>
    public async Task<DateTimeZone> ZoneAsync(CancellationToken cancel) =>
        DateTimeZoneProviders.Tzdb.GetZoneOrNull((await context.Kitchens.AsNoTracking().SingleAsync(cancel)).Document.Zone)
        ?? DateTimeZone.Utc;

    /// <summary>How whoever is signed in says hours and heats.</summary>
    public async Task<KitchenSays> SaysAsync(CancellationToken cancel) =>
        context.Own.Of((await context.Kitchens.AsNoTracking().SingleAsync(cancel)).ToKitchen()).Says;

    /// <summary>The local time of an instant in a zone.</summary>
    public static LocalDateTime At(string zone, Instant now) =>
        now.InZone(DateTimeZoneProviders.Tzdb.GetZoneOrNull(zone) ?? DateTimeZone.Utc).LocalDateTime;
}
