using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Store;
using Zymethos.Store.Workshop;

namespace Zymethos.Work.Workshop;

/// <summary>Pages of the Workshop that the demo kitchen keeps with its recipes: the shapes' cutting sheet, the signal house, the coats of
/// the parade cake, the plait.</summary>
public sealed class DemoSheets(ZymethosContext context, IClock clock)
{
    /// <summary>Recipe, address, title, and what it says.</summary>
    public static readonly IReadOnlyList<(string Recipe, string Address, string Title, string Says)> All =
    [
        (
            "window-shapes",
            "/workshop/cutting?Recipe=window-shapes&Dough=789&Thick=3&Wide=40&Long=60&Rolls=2&Shape=star&Size=70&Wanted=20&Shape=bell"
                + "&Size=66&Wanted=20&Shape=round&Size=50&Wanted=20&TrayWide=24&TrayLong=33&Spread=8&AtOnce=1&Minutes=9",
            "Cutting",
            "60 pieces on 4 trays: stars, bells and rounds, twenty of each."
        ),
        (
            "signal-house",
            "/workshop/house?Recipe=signal-house&Wide=13&Deep=15&High=11&Pitch=45&Over=1&Thick=6&Door=4&DoorHigh=6&Windows=1&Window=2.5"
                + "&Chimney=2.5&Houses=1&TrayWide=24&TrayLong=33&Minutes=17&Extra=leaf&ExtraSize=50&ExtraCount=12",
            "A built house",
            "Walls and roof on two trays, the small pieces and twelve trees on a third; templates true to size."
        ),
        (
            "parade-cake",
            "/workshop/layers?Recipe=parade-cake&shape=round&wide=20&layers=3&high=3.5+cm&filling=curd&thick=6+mm&dam=12+mm&coat=whites"
                + "&crumb=2+mm&final=6+mm",
            "Layers, fillings, coats",
            "A curd of 6 mm behind a ring of buttercream, coated twice."
        ),
    ];

    /// <summary>Writes them, unless any is kept already.</summary>
    public async Task WriteAsync(CancellationToken cancel)
    {
        if (await context.Sheets.AnyAsync(cancel))
            return;
        var now = clock.GetCurrentInstant();
        context.Sheets.AddRange(
            All.Select(s => new SheetRow
            {
                Id = Guid.CreateVersion7(),
                Recipe = s.Recipe,
                Address = s.Address,
                Title = s.Title,
                Says = s.Says,
                KeptAt = now,
            })
        );
        await context.SaveChangesAsync(cancel);
    }
}
