using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Zymethos.Work.Benches;

namespace Zymethos.Web.Places.Bench;

/// <summary>Where a helper comes in with a pass.</summary>
public sealed class JoinModel(BenchPasses passes) : PageModel
{
    private const int LongestName = 40;

    /// <summary>Whether the pass lets in.</summary>
    public bool LetsIn { get; private set; }

    /// <summary>What the helper is called.</summary>
    [BindProperty]
    public string? HelperName { get; set; }

    /// <summary>Asks for a name.</summary>
    public async Task OnGetAsync(string secret, CancellationToken cancel) => LetsIn = await passes.FindAsync(secret, cancel) is not null;

    /// <summary>Lets the helper in.</summary>
    public async Task<IActionResult> OnPostAsync(string secret, CancellationToken cancel)
    {
        if (await passes.FindAsync(secret, cancel) is not { } pass)
            return Page();
        LetsIn = true;
        var name = (HelperName ?? "").Trim();
        if (name.Length is 0 or > LongestName)
        {
            ModelState.AddModelError(nameof(HelperName), name.Length == 0 ? "What shall we call you?" : "A shorter name, please.");
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
            return Page();
        }

        await passes.UseAsync(pass.Id, name, cancel);
        await HelperDoor.SignInAsync(HttpContext, pass, name);
        return Redirect($"/bench/{pass.SessionId}");
    }
}
