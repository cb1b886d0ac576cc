using System.ComponentModel.DataAnnotations;
using System.Text;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.AspNetCore.WebUtilities;
using Microsoft.EntityFrameworkCore;
using Zymethos.Store;
using BakerAccount = Zymethos.Store.Accounts.Baker;

namespace Zymethos.Web.Places.Account;

/// <summary>A new password by the link of a letter. The link is good once: a changed password makes every earlier one worthless.</summary>
public sealed class ResetModel(UserManager<BakerAccount> users, SignInManager<BakerAccount> signIn, ZymethosContext context) : PageModel
{
    /// <summary>Whose password.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Baker { get; set; }

    /// <summary>What the letter proves it with.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Token { get; set; }

    /// <summary>The new password; never sent back.</summary>
    [BindProperty]
    [Required(ErrorMessage = "Choose a password.")]
    [StringLength(
        200,
        MinimumLength = AccountRules.ShortestPassword,
        ErrorMessage = "A password has at least ten characters; a short sentence is a good one."
    )]
    public string Password { get; set; } = "";

    /// <summary>The form. The link stays out of addresses that other servers would be told.</summary>
    public void OnGet()
    {
        Response.Headers["Referrer-Policy"] = "no-referrer";
        ModelState.Clear();
    }

    /// <summary>Takes the new password.</summary>
    public async Task<IActionResult> OnPostAsync(CancellationToken cancel)
    {
        if (!ModelState.IsValid)
            return Page();
        var baker = Guid.TryParseExact(Baker, "N", out _) ? await users.FindByIdAsync(Guid.Parse(Baker).ToString()) : null;
        var result = baker is null ? null : await users.ResetPasswordAsync(baker, Read(Token), Password);
        if (result is not { Succeeded: true })
        {
            var weak = result?.Errors.Where(e => e.Code != nameof(IdentityErrorDescriber.InvalidToken)).ToList() ?? [];
            if (weak.Count > 0)
                weak.ForEach(e => ModelState.AddModelError(nameof(Password), e.Description));
            else
                ModelState.AddModelError("", "This link is used up or too old. Have a new one sent.");
            return Page();
        }

        await context.SignIns.Where(s => s.BakerId == baker!.Id).ExecuteDeleteAsync(cancel);
        // Whoever asks for a code as well asks for it here too.
        if (baker!.TwoFactorEnabled)
            return RedirectToPage("/Account/SignIn");
        await signIn.SignInAsync(baker, isPersistent: true);
        return LocalRedirect("/oven-day");
    }

    /// <summary>Path and query of the page for somebody, good for two hours.</summary>
    public static async Task<string> PathAsync(UserManager<BakerAccount> users, BakerAccount baker) =>
        $"/account/reset?baker={baker.Id:N}&token="
        + WebEncoders.Base64UrlEncode(Encoding.UTF8.GetBytes(await users.GeneratePasswordResetTokenAsync(baker)));

    /// <summary>A token as it was before it went into an address; empty for what is none.</summary>
    public static string Read(string? token)
    {
        try
        {
            return Encoding.UTF8.GetString(WebEncoders.Base64UrlDecode(token ?? ""));
        }
        catch (FormatException)
        {
            return "";
        }
    }
}
