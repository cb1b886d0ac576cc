using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Zymethos.Store.Accounts;

namespace Zymethos.Web.Places.Account;

/// <summary>The door into the demo kitchen.</summary>
public sealed class DemoModel(SignInManager<Baker> signIn, DemoDoor door) : PageModel
{
    /// <summary>Nothing to see here.</summary>
    public IActionResult OnGet() => LocalRedirect("/account/sign-in");

    /// <summary>Goes in, or says that there is no such page.</summary>
    public async Task<IActionResult> OnPostAsync()
    {
        if (await door.FindAsync() is not { } baker)
            return NotFound();
        await signIn.SignInAsync(baker, isPersistent: false);
        return LocalRedirect("/oven-day");
    }
}
