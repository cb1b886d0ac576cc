using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.Identity;

namespace Zymethos.Web.Places.Account;

/// <summary>How accounts behave: passwords by length and not by signs, a pause after repeated wrong ones, a cookie no script can
/// read.</summary>
public static class AccountRules
{
    /// <summary>Shortest password, in characters.</summary>
    public const int ShortestPassword = 10;

    /// <summary>Rules for Identity.</summary>
    public static void Apply(IdentityOptions options)
    {
        options.User.RequireUniqueEmail = true;
        options.Password.RequiredLength = ShortestPassword;
        options.Password.RequireDigit = false;
        options.Password.RequireLowercase = false;
        options.Password.RequireUppercase = false;
        options.Password.RequireNonAlphanumeric = false;
        options.Password.RequiredUniqueChars = 4;
        // Wrong passwords are counted by address (SignInGuard): a lock on the account would let strangers shut its baker out.
        options.Lockout.AllowedForNewUsers = false;
    }

    /// <summary>Rules for the sign-in cookie. Where bakers come over TLS only, browsers bind it to this host and never send it in the
    /// clear; plain loopback works without.</summary>
    public static void Apply(CookieAuthenticationOptions options, bool isTls)
    {
        options.Cookie.Name = isTls ? "__Host-zymethos.baker" : "zymethos.baker";
        options.Cookie.HttpOnly = true;
        options.Cookie.SameSite = SameSiteMode.Lax;
        options.Cookie.SecurePolicy = isTls ? CookieSecurePolicy.Always : CookieSecurePolicy.SameAsRequest;
        options.LoginPath = "/account/sign-in";
        options.AccessDeniedPath = "/not-found";
        options.ExpireTimeSpan = TimeSpan.FromDays(60);
        options.SlidingExpiration = true;
    }
}
