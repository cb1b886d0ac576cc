using System.ComponentModel.DataAnnotations;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Zymethos.Store.Accounts;

namespace Zymethos.Web.Places.Account;

/// <summary>Signing in.</summary>
public sealed partial class SignInModel(
    SignInManager<Baker> signIn,
    DemoDoor door,
    SignInGuard guard,
    IPasswordHasher<Baker> hasher,
    ILogger<SignInModel> log
) : PageModel
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
        if (!ModelState.IsValid)
            return Page();
        var from = HttpContext.Connection.RemoteIpAddress?.ToString() ?? "";
        if (guard.MustWait(from, Email))
        {
            Waits(log, from);
            ModelState.AddModelError("", "Too many wrong passwords from here. Try again in ten minutes.");
            return Page();
        }

        // Where there is no such account, or one without a password, a password is checked all the same: the answer and the time it takes
        // tell nobody which it was.
        var baker = await signIn.UserManager.FindByNameAsync(Email.Trim());
        if (baker?.PasswordHash is null)
            hasher.VerifyHashedPassword(new Baker(), Nobody.Value, Password);
        else
        {
            var result = await signIn.PasswordSignInAsync(baker, Password, isPersistent: true, lockoutOnFailure: false);
            if (result.Succeeded || result.RequiresTwoFactor)
                guard.Right(from, Email);
            if (result.RequiresTwoFactor)
                return RedirectToPage("/Account/Second", new { ReturnUrl });
            if (result.Succeeded)
            {
                SignedIn(log, baker.Id, from);
                return LocalRedirect(Url.IsLocalUrl(ReturnUrl) ? ReturnUrl! : "/oven-day");
            }
        }

        guard.Wrong(from, Email);
        Refused(log, from);
        ModelState.AddModelError("", "Email and password do not belong together.");
        return Page();
    }

    /// <summary>What a browser needs to ask its devices for a passkey. Nobody is named: the device knows whose it is.</summary>
    public async Task<IActionResult> OnPostBeginAsync() => Content(await signIn.MakePasskeyRequestOptionsAsync(null), "application/json");

    /// <summary>Comes in with a passkey.</summary>
    public async Task<IActionResult> OnPostPasskeyAsync(string? made)
    {
        HasDemo = await door.FindAsync() is not null;
        ModelState.Clear();
        var from = HttpContext.Connection.RemoteIpAddress?.ToString() ?? "";
        if (guard.MustWait(from, "passkey"))
        {
            Waits(log, from);
            ModelState.AddModelError("", "Too many tries from here. Try again in ten minutes.");
            return Page();
        }

        try
        {
            if (!string.IsNullOrEmpty(made) && (await signIn.PasskeySignInAsync(made)).Succeeded)
                return LocalRedirect(Url.IsLocalUrl(ReturnUrl) ? ReturnUrl! : "/oven-day");
        }
        catch (InvalidOperationException)
        {
            // Nobody asked for one in this browser, or it took longer than that is remembered.
        }

        guard.Wrong(from, "passkey");
        Refused(log, from);
        ModelState.AddModelError("", "This passkey does not open an account here. Sign in with email and password.");
        return Page();
    }

    // The hash of a password nobody has, of the cost of a real one.
    private static readonly Lazy<string> Nobody = new(() =>
        new PasswordHasher<Baker>().HashPassword(
            new Baker(),
            Convert.ToBase64String(System.Security.Cryptography.RandomNumberGenerator.GetBytes(24))
        )
    );

    [LoggerMessage(1, LogLevel.Information, "Baker {Baker} signed in from {From}.")]
    private static partial void SignedIn(ILogger log, Guid baker, string from);

    [LoggerMessage(2, LogLevel.Warning, "A sign-in from {From} was refused.")]
    private static partial void Refused(ILogger log, string from);

    [LoggerMessage(3, LogLevel.Warning, "{From} tries too many passwords and has to wait.")]
    private static partial void Waits(ILogger log, string from);
}
