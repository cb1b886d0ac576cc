using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Zymethos.Store.Accounts;

namespace Zymethos.Web.Places.Account;

/// <summary>Signing out.</summary>
public sealed class SignOutModel(SignInManager<Baker> signIn) : PageModel
{
    /// <summary>Nothing to see here.</summary>
    public IActionResult OnGet() => LocalRedirect("/");

    /// <summary>Signs out.</summary>
    public async Task<IActionResult> OnPostAsync()
    {
        await signIn.SignOutAsync();
        return LocalRedirect("/account/sign-in");
    }
}
