using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using NodaTime;
using Zymethos.Work.OvenDays;
using Zymethos.Workshop.Cutting;

namespace Zymethos.Web.Places.Workshop;

/// <summary>A built house: its pieces, dough, icing, trays, and how it is put up.</summary>
public sealed class HouseModel(SolverGate gate) : PageModel
{
    /// <summary>What was typed.</summary>
    [BindProperty(SupportsGet = true)]
    public HouseForm Form { get; set; } = new();

    /// <summary>The house; null where something typed cannot be.</summary>
    public HouseAsked? Asked { get; private set; }

    /// <summary>Its pieces on trays; null where too many people ask.</summary>
    public TrayPlan? Trays { get; private set; }

    /// <summary>It on paper: what it takes, its trays, and templates true to size.</summary>
    public async Task<IActionResult> OnGetPdfAsync([FromServices] IClock clock, CancellationToken cancel)
    {
        await OnGetAsync(cancel);
        return Asked is { } asked
            ? WorkshopFile.Pdf(
                [SheetPaper.Of(asked, Trays), SheetPaper.Templates(asked)],
                Request,
                "house",
                clock.GetCurrentInstant().ToDateTimeUtc()
            )
            : Redirect($"/workshop/house{Request.QueryString}");
    }

    /// <summary>It as data.</summary>
    public async Task<IActionResult> OnGetJsonAsync(CancellationToken cancel)
    {
        await OnGetAsync(cancel);
        return Asked is { } asked ? WorkshopFile.Json(HouseAnswer.Of(asked, Trays)) : Redirect($"/workshop/house{Request.QueryString}");
    }

    /// <summary>Reckons it.</summary>
    public async Task OnGetAsync(CancellationToken cancel)
    {
        if (Form.Read() is not { } asked)
        {
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
            return;
        }

        Asked = asked;
        try
        {
            Trays =
                User.Identity?.IsAuthenticated == true
                    ? await gate.RunAsync(() => asked.Trays(cancel), cancel)
                    : await gate.RunForStrangerAsync(() => asked.Trays(cancel), cancel);
        }
        catch (QueueFullException)
        {
            // The drawings and weights need no search: they are shown all the same.
        }
    }
}
