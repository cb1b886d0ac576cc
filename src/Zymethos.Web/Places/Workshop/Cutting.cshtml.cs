using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Zymethos.Work.OvenDays;
using Zymethos.Workshop.Cutting;

namespace Zymethos.Web.Places.Workshop;

/// <summary>Cutting: what a dough gives, or the dough that pieces need, drawn to scale.</summary>
public sealed class CuttingModel(SolverGate gate) : PageModel
{
    /// <summary>What was typed.</summary>
    [BindProperty(SupportsGet = true)]
    public CuttingForm Form { get; set; } = new();

    /// <summary>The sheet; null where something typed cannot be.</summary>
    public CuttingSheet? Sheet { get; private set; }

    /// <summary>Why there is no sheet although nothing is wrong; empty where there is one.</summary>
    public string Busy { get; private set; } = "";

    /// <summary>Works the sheet out.</summary>
    public async Task OnGetAsync(CancellationToken cancel)
    {
        if (Form.Read(OwnShapes.Of) is not { } wish)
        {
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
            return;
        }

        try
        {
            Sheet =
                User.Identity?.IsAuthenticated == true
                    ? await gate.RunAsync(() => CuttingSheet.Of(wish, cancel), cancel)
                    : await gate.RunForStrangerAsync(() => CuttingSheet.Of(wish, cancel), cancel);
        }
        catch (QueueFullException)
        {
            Busy = "Many people are cutting at this moment. Ask again in a few seconds.";
        }
    }
}
