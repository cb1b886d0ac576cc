using System.ComponentModel.DataAnnotations;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;
using Zymethos.Store;
using Zymethos.Store.Accounts;
using Zymethos.Work.Accounts;

namespace Zymethos.Web.Places.Account;

/// <summary>Opening an account with a kitchen of its own.</summary>
public sealed class RegisterModel(UserManager<Baker> users, SignInManager<Baker> signIn, Household household) : PageModel
{
    /// <summary>Name of the new kitchen.</summary>
    [BindProperty]
    [Required(ErrorMessage = "Give the kitchen a name.")]
    [StringLength(80, ErrorMessage = "A name has up to 80 characters.")]
    public string KitchenName { get; set; } = "";

    /// <summary>Email, the name to sign in with.</summary>
    [BindProperty]
    [Required(ErrorMessage = "Type your email address.")]
    [EmailAddress(ErrorMessage = "This does not look like an email address.")]
    [StringLength(200, ErrorMessage = "An email address has up to 200 characters.")]
    public string Email { get; set; } = "";

    /// <summary>Password.</summary>
    [BindProperty]
    [Required(ErrorMessage = "Choose a password.")]
    [StringLength(
        200,
        MinimumLength = AccountRules.ShortestPassword,
        ErrorMessage = "A password has at least ten characters; a short sentence is a good one."
    )]
    public string Password { get; set; } = "";

    /// <summary>Where to go afterwards; only addresses of this server count.</summary>
    [BindProperty(SupportsGet = true)]
    public string? ReturnUrl { get; set; }

    /// <summary>The form.</summary>
    public void OnGet() => ModelState.Clear();

    /// <summary>Makes kitchen, Book and account, and signs in.</summary>
    public async Task<IActionResult> OnPostAsync(CancellationToken cancel)
    {
        if (!ModelState.IsValid)
            return Page();
        if (await users.FindByEmailAsync(Email.Trim()) is not null)
        {
            ModelState.AddModelError(nameof(Email), "There is an account with this address already. Sign in instead.");
            return Page();
        }

        var id = Guid.CreateVersion7();
        var email = Email.Trim();
        var baker = new Baker
        {
            Id = Guid.CreateVersion7(),
            UserName = email,
            Email = email,
            KitchenId = id,
        };
        foreach (var validator in users.PasswordValidators)
        {
            if (await validator.ValidateAsync(users, baker, Password) is { Succeeded: false } weak)
            {
                foreach (var error in weak.Errors)
                    ModelState.AddModelError(nameof(Password), error.Description);
                return Page();
            }
        }

        baker.PasswordHash = users.PasswordHasher.HashPassword(baker, Password);
        baker.SecurityStamp = Convert.ToHexString(System.Security.Cryptography.RandomNumberGenerator.GetBytes(20));
        (baker.NormalizedEmail, baker.NormalizedUserName) = (users.NormalizeEmail(email), users.NormalizeName(email));
        try
        {
            await household.OpenAsync(baker, KitchenName, cancel);
        }
        catch (DbUpdateException e) when (WriteConflict.Is(e))
        {
            // Two forms with one address at the same moment.
            ModelState.AddModelError(nameof(Email), "There is an account with this address already. Sign in instead.");
            return Page();
        }

        // Signed in as the row that stands, not as the one that was made here.
        await signIn.SignInAsync(await users.FindByIdAsync(baker.Id.ToString()) ?? baker, isPersistent: true);
        return LocalRedirect(Url.IsLocalUrl(ReturnUrl) ? ReturnUrl! : "/today/first");
    }
}
