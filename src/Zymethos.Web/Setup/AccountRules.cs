using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.Identity;

namespace Zymethos.Web.Setup;

/// <summary>How accounts behave: passwords by length and not by signs, a lock after repeated wrong ones, a cookie no script can read.</summary>
public static class AccountRules
{
    /// <summary>Shortest password, in characters.</summary>
    public const int ShortestPassword = 10;

    /// <summary>Wrong passwords before the account is locked for ten minutes.</summary>
    public const int WrongPasswords = 5;

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
        options.Lockout.MaxFailedAccessAttempts = WrongPasswords;
        options.Lockout.DefaultLockoutTimeSpan = TimeSpan.FromMinutes(10);
        options.Lockout.AllowedForNewUsers = true;
    }

    /// <summary>Rules for the sign-in cookie. It is marked secure whenever the request came over TLS; plain loopback works without.</summary>
    public static void Apply(CookieAuthenticationOptions options)
    {
        options.Cookie.Name = "zymethos.baker";
        options.Cookie.HttpOnly = true;
        options.Cookie.SameSite = SameSiteMode.Lax;
        options.Cookie.SecurePolicy = CookieSecurePolicy.SameAsRequest;
        options.LoginPath = "/account/sign-in";
        options.AccessDeniedPath = "/not-found";
        options.ExpireTimeSpan = TimeSpan.FromDays(60);
        options.SlidingExpiration = true;
    }
}
