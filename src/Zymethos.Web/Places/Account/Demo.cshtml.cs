using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Zymethos.Store.Accounts;
using Zymethos.Web.Setup;

namespace Zymethos.Web.Places.Account;

/// <summary>The door into the demo kitchen.</summary>
public sealed class DemoModel(SignInManager<Baker> signIn, DemoDoor door) : PageModel
{
    /// <summary>Nothing to see here.</summary>
    public IActionResult OnGet() => LocalRedirect("/account/sign-in");

    /// <summary>Goes in, or says that there is no such page.</summary>
    /// <param name="tour">Whether to be taken round.</param>
    public async Task<IActionResult> OnPostAsync(bool tour)
    {
        if (await door.FindAsync() is not { } baker)
            return NotFound();
        await signIn.SignInAsync(baker, isPersistent: false);
        return LocalRedirect(tour ? Tour.Go(HttpContext, 1) : "/oven-day");
    }
}
