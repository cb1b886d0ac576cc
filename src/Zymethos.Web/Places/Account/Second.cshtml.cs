using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Zymethos.Store.Accounts;

namespace Zymethos.Web.Places.Account;

/// <summary>The second half of signing in, where an account asks for a code.</summary>
public sealed class SecondModel(SignInManager<Baker> signIn, SignInGuard guard) : PageModel
{
    /// <summary>Where to go afterwards; only addresses of this server count.</summary>
    [BindProperty(SupportsGet = true)]
    public string? ReturnUrl { get; set; }

    /// <summary>What is wrong; empty where nothing is.</summary>
    public string Wrong { get; private set; } = "";

    /// <summary>The form; whoever has not typed a password yet begins at the door.</summary>
    public async Task<IActionResult> OnGetAsync() =>
        await signIn.GetTwoFactorAuthenticationUserAsync() is null ? RedirectToPage("/Account/SignIn", new { ReturnUrl }) : Page();

    /// <summary>Tries a code: six digits of the phone, or one of the codes on paper.</summary>
    public async Task<IActionResult> OnPostAsync(string? code)
    {
        if (await signIn.GetTwoFactorAuthenticationUserAsync() is not { } baker)
            return RedirectToPage("/Account/SignIn", new { ReturnUrl });
        var (from, email) = (HttpContext.Connection.RemoteIpAddress?.ToString() ?? "", $"code of {baker.Id:N}");
        if (guard.MustWait(from, email))
            return Refused("Too many wrong codes from here. Try again in ten minutes.");
        var typed = Digits(code);
        var result =
            typed.Length == 6 && typed.All(char.IsAsciiDigit)
                ? await signIn.TwoFactorAuthenticatorSignInAsync(typed, isPersistent: true, rememberClient: false)
                : await signIn.TwoFactorRecoveryCodeSignInAsync((code ?? "").Trim().ToUpperInvariant());
        if (result.Succeeded)
        {
            guard.Right(from, email);
            return LocalRedirect(Url.IsLocalUrl(ReturnUrl) ? ReturnUrl! : "/oven-day");
        }

        guard.Wrong(from, email);
        return Refused("This code does not fit. Type the one the phone shows now, or one from the drawer that was not used yet.");
    }

    /// <summary>What was typed without the gaps that phones show between the digits.</summary>
    public static string Digits(string? code) =>
        (code ?? "").Replace(" ", "", StringComparison.Ordinal).Replace("\u00a0", "", StringComparison.Ordinal).Trim();

    private PageResult Refused(string why)
    {
        Wrong = why;
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }
}
