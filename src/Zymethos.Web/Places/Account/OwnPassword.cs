using Microsoft.AspNetCore.Identity;
using Zymethos.Store.Accounts;

namespace Zymethos.Web.Places.Account;

/// <summary>Whether whoever is signed in knows the password; wrong ones are counted as at the door.</summary>
public sealed class OwnPassword(UserManager<Baker> users, SignInGuard guard, IHttpContextAccessor accessor)
{
    /// <summary>Looks at a password.</summary>
    /// <param name="baker">Whose it should be.</param>
    /// <param name="typed">What was typed; null counts as empty.</param>
    /// <returns>What is wrong, in a sentence; empty where it is right.</returns>
    public async Task<string> WrongAsync(Baker baker, string? typed)
    {
        var (from, email) = (accessor.HttpContext?.Connection.RemoteIpAddress?.ToString() ?? "", baker.Email ?? "");
        if (guard.MustWait(from, email))
            return "Too many wrong passwords from here. Try again in ten minutes.";
        if (await users.CheckPasswordAsync(baker, typed ?? ""))
            return "";
        guard.Wrong(from, email);
        return "This is not your password.";
    }
}
