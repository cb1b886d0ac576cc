using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Interchange.Demo;
using Zymethos.Store;
using Zymethos.Work.House;

namespace Zymethos.Work.Seasons;

/// <summary>Makes the demo kitchen's season on the day on which it is first started.</summary>
public sealed class DemoSeason(ZymethosContext context, IServiceProvider services, IClock clock)
{
    /// <summary>Makes it, unless a season is there already.</summary>
    public async Task MakeAsync(CancellationToken cancel)
    {
        if (await context.Seasons.AnyAsync(cancel))
            return;
        var today = KitchenClock.At(DemoKitchen.Kitchen().Zone, clock.GetCurrentInstant()).Date;
        await ActivatorUtilities.CreateInstance<SeasonDesk>(services, context).PutDownAsync(DemoProgramme.Sheet(today), cancel);
    }
}
