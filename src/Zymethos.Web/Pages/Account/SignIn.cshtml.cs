using System.ComponentModel.DataAnnotations;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Zymethos.Store.Accounts;
using Zymethos.Web.Setup;

namespace Zymethos.Web.Pages.Account;

/// <summary>Signing in.</summary>
public sealed class SignInModel(SignInManager<Baker> signIn, DemoDoor door) : PageModel
{
    /// <summary>Email as typed.</summary>
    [BindProperty]
    [Required(ErrorMessage = "Type your email address.")]
    public string Email { get; set; } = "";

    /// <summary>Password as typed; never sent back.</summary>
    [BindProperty]
    [Required(ErrorMessage = "Type your password.")]
    public string Password { get; set; } = "";

    /// <summary>Where to go afterwards; only addresses of this server count.</summary>
    [BindProperty(SupportsGet = true)]
    public string? ReturnUrl { get; set; }

    /// <summary>Whether there is a demo kitchen to go into.</summary>
    public bool HasDemo { get; private set; }

    /// <summary>The form.</summary>
    public async Task OnGetAsync() => HasDemo = await door.FindAsync() is not null;

    /// <summary>Tries email and password.</summary>
    public async Task<IActionResult> OnPostAsync()
    {
        HasDemo = await door.FindAsync() is not null;
        if (!ModelState.IsValid) return Page();
        var result = await signIn.PasswordSignInAsync(Email.Trim(), Password, isPersistent: true, lockoutOnFailure: true);
        if (result.Succeeded) return LocalRedirect(Url.IsLocalUrl(ReturnUrl) ? ReturnUrl! : "/oven-day");
        ModelState.AddModelError("", result.IsLockedOut
            ? "Too many wrong passwords. The account is locked for ten minutes."
            : "Email and password do not belong together.");
        return Page();
    }
}
