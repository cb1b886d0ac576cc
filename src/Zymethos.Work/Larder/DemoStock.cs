using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Interchange.Demo;
using Zymethos.Store;
using Zymethos.Store.Larder;
using Zymethos.Work.House;

namespace Zymethos.Work.Larder;

/// <summary>Fills the demo kitchen's larder.</summary>
public sealed class DemoStock(ZymethosContext context, IClock clock)
{
    /// <summary>Fills it, unless anything stands there already.</summary>
    public async Task WriteAsync(CancellationToken cancel)
    {
        if (await context.Stock.AnyAsync(cancel))
            return;
        context.Stock.AddRange(
            DemoLarder
                .On(KitchenClock.At(DemoKitchen.Kitchen().Zone, clock.GetCurrentInstant()).Date)
                .Select(s => new StockRow
                {
                    Id = Guid.Parse(s.Id),
                    Name = s.Name,
                    Document = s,
                })
        );
        await context.SaveChangesAsync(cancel);
    }
}
