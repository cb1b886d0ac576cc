using Microsoft.EntityFrameworkCore;
using NodaTime;
using NodaTime.Text;
using Zymethos.Interchange.Demo;
using Zymethos.Store;
using Zymethos.Store.Daybooks;
using Zymethos.Work.Benches;
using Zymethos.Work.Books;
using Zymethos.Work.House;
using Zymethos.Work.OvenDays;

namespace Zymethos.Work.Daybooks;

/// <summary>Puts last year's season and the beginning of this one into the demo kitchen's Daybook, and has the kitchen learn from
/// them.</summary>
public sealed class DemoPast(ZymethosContext context, WorkedOut worked, SolverGate gate, LookGate looks, IClock clock)
{
    /// <summary>Writes it, unless anything is written already.</summary>
    public async Task WriteAsync(CancellationToken cancel)
    {
        // A kitchen that stood before the Daybook came is left as its bakers have it.
        if (
            await context.PastBakes.AnyAsync(cancel)
            || await context.StarterRefreshes.AnyAsync(cancel)
            || await context.BenchSessions.AnyAsync(cancel)
            || await context.OvenDays.AnyAsync(cancel)
        )
            return;
        var past = DemoDaybook.On(KitchenClock.At(DemoKitchen.Kitchen().Zone, clock.GetCurrentInstant()).Date);
        context.PastBakes.AddRange(
            past.Bakes.Select(b => new PastBakeRow
            {
                Id = Guid.Parse(b.Id),
                Date = LocalDatePattern.Iso.Parse(b.Date).Value,
                Document = b,
            })
        );
        context.StarterRefreshes.AddRange(past.Refreshes.Select(StarterDiary.RowOf));
        context.CakeFeeds.AddRange(past.CakeFeeds.Select(CakeDiary.RowOf));
        await context.SaveChangesAsync(cancel);
        await new DaybookDesk(
            context,
            new BenchDesk(context, worked, gate, looks, clock),
            new KitchenBook(context, worked, clock),
            worked
        ).LearnAsync(cancel);
    }
}
