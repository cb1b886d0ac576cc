using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.ModelBinding;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Core.Heat;
using Zymethos.Core.Measures;
using Zymethos.Core.Scaling;
using Zymethos.Store;
using Zymethos.Work.House;
using Zymethos.Work.OvenDays;

namespace Zymethos.Web.Places.Kitchen;

/// <summary>The Kitchen: the oven and the people as every plan must obey them.</summary>
public sealed class IndexModel(ZymethosContext context, OpenDay days, IClock clock) : PageModel
{
    /// <summary>The form as it stands or was typed.</summary>
    [BindProperty]
    public KitchenForm Form { get; set; } = new();

    /// <summary>What saving changed, a sentence for each planned day; null before anything was saved.</summary>
    public IReadOnlyList<string>? Saved { get; private set; }

    /// <summary>What the oven needs from one temperature to another, as the model has it; empty while the form has errors.</summary>
    public IReadOnlyList<(string What, int Minutes)> Transitions { get; private set; } = [];

    /// <summary>The kitchen to be drawn; null while the form has errors.</summary>
    public Zymethos.Core.Kitchens.Kitchen? Drawn { get; private set; }

    /// <summary>What each pan holds to the brim; empty while the form has errors.</summary>
    public IReadOnlyList<(string Name, string Words)> Volumes { get; private set; } = [];

    /// <summary>The page.</summary>
    public async Task OnGetAsync(CancellationToken cancel)
    {
        var row = await context.Kitchens.AsNoTracking().SingleAsync(cancel);
        var kitchen = row.ToKitchen();
        Form = KitchenForm.Of(kitchen, row.Version);
        Transitions = TransitionsOf(kitchen);
        Volumes = VolumesOf(kitchen);
        Drawn = kitchen;
    }

    /// <summary>Saves, and plans the coming days again.</summary>
    public async Task<IActionResult> OnPostAsync(CancellationToken cancel)
    {
        var row = await context.Kitchens.SingleAsync(cancel);
        if (Form.ToKitchen(row.ToKitchen(), ModelState) is not { } kitchen)
            return Show(StatusCodes.Status422UnprocessableEntity);
        context.Entry(row).Property(r => r.Version).OriginalValue = Form.Version;
        row.Take(kitchen);
        try
        {
            await context.SaveChangesAsync(cancel);
        }
        catch (DbUpdateConcurrencyException)
        {
            ModelState.AddModelError(
                "",
                "Somebody else changed the kitchen meanwhile. What you typed is still here: look it over and save again to keep yours."
            );
            context.ChangeTracker.Clear();
            var now = await context.Kitchens.AsNoTracking().SingleAsync(cancel);
            ModelState.Remove("Form.Version");
            Form.Version = now.Version;
            return Show(StatusCodes.Status409Conflict);
        }

        Saved = await days.ReplanAsync(kitchen, KitchenClock.At(kitchen.Zone, clock.GetCurrentInstant()).Date, cancel);
        ModelState.Clear();
        Form = KitchenForm.Of(kitchen, row.Version);
        Transitions = TransitionsOf(kitchen);
        Volumes = VolumesOf(kitchen);
        Drawn = kitchen;
        return Show(StatusCodes.Status200OK);
    }

    /// <summary>The kitchen drawn from what is typed; nothing where it cannot be read yet. Nothing is kept.</summary>
    public async Task<IActionResult> OnPostDrawAsync(CancellationToken cancel)
    {
        var row = await context.Kitchens.AsNoTracking().SingleAsync(cancel);
        var typed = Form.ToKitchen(row.ToKitchen(), new ModelStateDictionary());
        return typed is null ? new NoContentResult() : Content(KitchenDrawing.Svg(typed), "text/html");
    }

    private IActionResult Show(int status)
    {
        // A conflict is swapped in like any other answer to the form.
        var quick = Request.Headers.ContainsKey("HX-Request");
        Response.StatusCode = quick && status == StatusCodes.Status409Conflict ? StatusCodes.Status422UnprocessableEntity : status;
        return quick ? Partial("_KitchenForm", this) : Page();
    }

    private static List<(string Name, string Words)> VolumesOf(Zymethos.Core.Kitchens.Kitchen kitchen) =>
        [
            .. kitchen
                .Cupboard.Select(s => (s.Pan.Name, Volume: PanVolume.Of(s.Pan)))
                .Where(p => p.Volume is not null)
                .Select(p =>
                    (
                        p.Name,
                        $"{kitchen.Says.Litres(p.Volume!.Value.Millilitres / 1000)}, "
                            + $"{p.Volume.Value.Millilitres / MeasureUnit.Cup.Size:0.#} cups"
                    )
                ),
        ];

    private static List<(string What, int Minutes)> TransitionsOf(Zymethos.Core.Kitchens.Kitchen kitchen)
    {
        var (thermal, says) = (new OvenThermal(kitchen.Oven, kitchen.Room), kitchen.Says);
        return
        [
            ($"cold to {says.Dial(180)}", thermal.FromCold(new OvenSetting(180, false))),
            (
                $"{says.DialNumber(150)} up to {says.Dial(200)}",
                thermal.Transition(new OvenSetting(150, false), new OvenSetting(200, false))
            ),
            (
                $"{says.DialNumber(200)} down to {says.Dial(150)}, door ajar",
                thermal.Transition(new OvenSetting(200, false), new OvenSetting(150, false))
            ),
            ($"{says.Dial(180)} down to cold enough for dough", thermal.Transition(new OvenSetting(180, false), new OvenSetting(30, true))),
        ];
    }
}
