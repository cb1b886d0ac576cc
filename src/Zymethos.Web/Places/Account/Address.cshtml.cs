using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using BakerAccount = Zymethos.Store.Accounts.Baker;

namespace Zymethos.Web.Places.Account;

/// <summary>A new address by the link of a letter that went to it.</summary>
public sealed class AddressModel(UserManager<BakerAccount> users) : PageModel
{
    /// <summary>Whose address.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Baker { get; set; }

    /// <summary>The new address.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Email { get; set; }

    /// <summary>What the letter proves it with.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Token { get; set; }

    /// <summary>What came of it; empty before.</summary>
    public string Said { get; private set; } = "";

    /// <summary>Asks once more: links are opened by mail programs, too.</summary>
    public void OnGet() => Response.Headers["Referrer-Policy"] = "no-referrer";

    /// <summary>Takes the address.</summary>
    public async Task<IActionResult> OnPostAsync()
    {
        var baker = Guid.TryParseExact(Baker, "N", out _) ? await users.FindByIdAsync(Guid.Parse(Baker).ToString()) : null;
        if (baker is not null && await users.ChangeEmailAsync(baker, Email ?? "", ResetModel.Read(Token)) is { Succeeded: true })
        {
            await users.SetUserNameAsync(baker, Email);
            Said = $"You sign in with {Email} from now on.";
            return Page();
        }

        Said = "This link is used up or too old, or the address belongs to another account by now.";
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }
}
