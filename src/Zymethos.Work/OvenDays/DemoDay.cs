using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Interchange.Demo;
using Zymethos.Interchange.Documents;
using Zymethos.Store;
using Zymethos.Work.House;

namespace Zymethos.Work.OvenDays;

/// <summary>The demo kitchen's first planned day: the coming Saturday with bread, loaves and three kinds of cookies.</summary>
public sealed class DemoDay(ZymethosContext context, PlanDay planner, AppSettings settings, WorkedOut worked, IClock clock)
{
    // These bakers like the warm, damp oven for it, whatever the plan would choose.
    private const string Plait = "lantern-plait";
    private static readonly string[] Bakes =
    [
        Plait,
        "market-squash-loaf",
        "lamplight-ginger-rounds",
        "window-shapes",
        "orchard-almond-slices",
    ];

    /// <summary>Plans it, unless a day is planned already, or was.</summary>
    public async Task PlanAsync(CancellationToken cancel)
    {
        // A day that was taken off stays off.
        if (await context.OvenDays.AnyAsync(cancel) || await context.OvenDayStates.AnyAsync(cancel))
            return;
        var date = KitchenClock.At(DemoKitchen.Kitchen().Zone, clock.GetCurrentInstant()).Date.Next(IsoDayOfWeek.Saturday);
        var document = new OvenDayDocument(
            // With what its Daybook taught it.
            (await context.Kitchens.AsNoTracking().SingleAsync(cancel)).Document,
            new DayDocument(date.ToString("uuuu-MM-dd", null), "08:00", "18:00"),
            [
                .. DemoKitchen
                    .Recipes()
                    .Where(r => Bakes.Contains(r.Key))
                    .Select(r => new BakeDocument(r, Modes: r.Key == Plait ? new Dictionary<string, int> { ["proof"] = 0 } : null)),
            ]
        );
        // It is planned once and looked at often.
        await new OpenDay(
            context,
            planner,
            settings with
            {
                PlanTime = settings.PlanTime * (settings.SearchesOn ? 5 : 2),
            },
            worked,
            clock
        ).PlanAndKeepAsync(document, date, "Planned", cancel);
    }
}
