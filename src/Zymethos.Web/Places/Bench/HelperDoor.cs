using System.Security.Claims;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.Identity;
using Zymethos.Store.Benches;
using Zymethos.Web.Setup;
using Zymethos.Work.Benches;

namespace Zymethos.Web.Places.Bench;

/// <summary>
/// Helpers come in with a pass and see the Bench of one session: a cookie of their own, good under /bench alone, that is looked at anew on
/// every call, so that whoever is shut out is out at once.
/// </summary>
public static class HelperDoor
{
    /// <summary>Name of the way in.</summary>
    public const string Scheme = "Helper";

    /// <summary>Name of the policy that lets bakers and helpers in.</summary>
    public const string Policy = "Bench";

    private const string SessionClaim = "bench-session";
    private const string PassClaim = "bench-pass";

    /// <summary>Adds the way in.</summary>
    public static AuthenticationBuilder AddHelperDoor(this AuthenticationBuilder builder, bool isTls) =>
        builder.AddCookie(
            Scheme,
            o =>
            {
                o.Cookie.Name = isTls ? "__Secure-zymethos.helper" : "zymethos.helper";
                o.Cookie.Path = "/bench";
                o.Cookie.HttpOnly = true;
                o.Cookie.SameSite = SameSiteMode.Lax;
                o.Cookie.SecurePolicy = isTls ? CookieSecurePolicy.Always : CookieSecurePolicy.SameAsRequest;
                o.ExpireTimeSpan = BenchPasses.Lasts.ToTimeSpan();
                o.SlidingExpiration = false;
                o.LoginPath = "/account/sign-in";
                o.Events.OnValidatePrincipal = CheckAsync;
                AnswerScripts(o);
            }
        );

    /// <summary>The Bench's scripts are told that nobody is signed in; only pages are sent to sign in.</summary>
    public static void AnswerScripts(CookieAuthenticationOptions options)
    {
        var pages = options.Events.OnRedirectToLogin;
        options.Events.OnRedirectToLogin = to =>
        {
            if (
                !to.Request.Path.StartsWithSegments("/bench")
                || to.Request.Headers.Accept.ToString().Contains("text/html", StringComparison.Ordinal)
            )
                return pages(to);
            to.Response.StatusCode = StatusCodes.Status401Unauthorized;
            return Task.CompletedTask;
        };
    }

    /// <summary>Lets a helper in with a pass.</summary>
    public static Task SignInAsync(HttpContext http, BenchPassRow pass, string name) =>
        http.SignInAsync(
            Scheme,
            new ClaimsPrincipal(
                new ClaimsIdentity(
                    [
                        new Claim(SignedInKitchen.Claim, pass.KitchenId.ToString()),
                        new Claim(SessionClaim, pass.SessionId.ToString("N")),
                        new Claim(PassClaim, pass.Id.ToString("N")),
                        new Claim(ClaimTypes.Name, name),
                    ],
                    Scheme
                )
            )
        );

    /// <summary>Whether somebody is here as a helper, and not as the baker whose kitchen it is.</summary>
    public static bool IsHelper(ClaimsPrincipal user) =>
        !user.Identities.Any(i => i.IsAuthenticated && i.AuthenticationType == IdentityConstants.ApplicationScheme);

    /// <summary>What a helper said to be called; empty for a baker.</summary>
    public static string NameOf(ClaimsPrincipal user) => IsHelper(user) ? user.FindFirstValue(ClaimTypes.Name) ?? "" : "";

    /// <summary>Whether somebody may see a session of the kitchen they are in: bakers all, helpers theirs.</summary>
    public static bool MaySee(ClaimsPrincipal user, Guid session) =>
        !IsHelper(user) || user.FindFirstValue(SessionClaim) == session.ToString("N");

    /// <summary>The pass that somebody came in with; null for a baker.</summary>
    public static Guid? PassOf(ClaimsPrincipal user) =>
        IsHelper(user) && Guid.TryParse(user.FindFirstValue(PassClaim), out var pass) ? pass : null;

    private static async Task CheckAsync(CookieValidatePrincipalContext seen)
    {
        var passes = seen.HttpContext.RequestServices.GetRequiredService<BenchPasses>();
        if (
            Guid.TryParse(seen.Principal?.FindFirstValue(PassClaim), out var pass)
            && await passes.LetsInAsync(pass, seen.HttpContext.RequestAborted)
        )
            return;
        seen.RejectPrincipal();
        await seen.HttpContext.SignOutAsync(Scheme);
    }
}
