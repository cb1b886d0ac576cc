using System.ComponentModel.DataAnnotations;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Zymethos.Store.Accounts;
using Zymethos.Store.Demo;
using Zymethos.Work.Reminders;

namespace Zymethos.Web.Places.Account;

/// <summary>A way back for somebody who has forgotten the password: a letter with a link. The answer is the same whether there is such an
/// account or not.</summary>
public sealed class ForgottenModel(UserManager<Baker> users, AccountLetters letters, SignInGuard guard, IPost post) : PageModel
{
    private static readonly TimeSpan AnswerAfter = TimeSpan.FromMilliseconds(400);

    /// <summary>Email as typed.</summary>
    [BindProperty]
    [Required(ErrorMessage = "Type your email address.")]
    public string Email { get; set; } = "";

    /// <summary>Whether it was asked.</summary>
    public bool IsAsked { get; private set; }

    /// <summary>Whether the house sends mail.</summary>
    public bool GoesOut => post is not LetterBoxOnly;

    /// <summary>The form.</summary>
    public void OnGet() { }

    /// <summary>Writes the letter, if there is somebody to write to.</summary>
    public async Task<IActionResult> OnPostAsync(CancellationToken cancel)
    {
        if (!ModelState.IsValid)
            return Page();
        // Whoever tries many addresses waits as with passwords.
        var from = HttpContext.Connection.RemoteIpAddress?.ToString() ?? "";
        if (guard.MustWait(from, $"forgotten {Email}"))
        {
            ModelState.AddModelError("", "That was asked often enough from here. Try again in ten minutes.");
            return Page();
        }

        guard.Wrong(from, $"forgotten {Email}");
        IsAsked = true;
        // Writing takes a moment that looking in vain does not: both take as long.
        var soonest = Task.Delay(AnswerAfter, cancel);
        if (await users.FindByNameAsync(Email.Trim()) is { } baker && baker.KitchenId != DemoSeed.Id)
            await letters.WriteAsync(
                baker,
                baker.Email!,
                "password",
                "A new password for your kitchen",
                "Somebody, you we hope, has asked for a new password for your account. Open this address within two hours:\n\n"
                    + letters.AddressOf(Request, await ResetModel.PathAsync(users, baker))
                    + "\n\nIf it was not you, do nothing: your password stays as it is.",
                cancel
            );
        await soonest;
        return Page();
    }
}
