using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Store;
using Zymethos.Store.Accounts;

namespace Zymethos.Web.Places.Account;

/// <summary>
/// Every sign-in is a row that its cookie names. Signing out takes the row away, and with it every copy of the cookie; other devices of the
/// same account stay signed in.
/// </summary>
public static class SignIns
{
    private const string Name = "sign-in";

    /// <summary>After so long a row is of no use, since its cookie has ended unless it was used; one that was is asked to sign in
    /// again.</summary>
    private static readonly Duration Longest = Duration.FromDays(400);

    /// <summary>Ties the cookie to its row.</summary>
    public static void Apply(CookieAuthenticationOptions options)
    {
        options.Events.OnSigningIn = BeginAsync;
        options.Events.OnValidatePrincipal = CheckAsync;
        options.Events.OnSigningOut = EndAsync;
    }

    private static async Task BeginAsync(CookieSigningInContext signing)
    {
        var services = signing.HttpContext.RequestServices;
        var context = services.GetRequiredService<ZymethosContext>();
        var now = services.GetRequiredService<IClock>().GetCurrentInstant();
        var baker = Guid.Parse(services.GetRequiredService<UserManager<Baker>>().GetUserId(signing.Principal!)!);
        await context.SignIns.Where(s => s.BakerId == baker && s.At < now - Longest).ExecuteDeleteAsync();
        var row = new SignInRow
        {
            Id = Guid.NewGuid(),
            BakerId = baker,
            At = now,
        };
        context.SignIns.Add(row);
        await context.SaveChangesAsync();
        signing.Properties.Items[Name] = row.Id.ToString("N");
    }

    private static async Task CheckAsync(CookieValidatePrincipalContext seen)
    {
        if (
            IdOf(seen.Properties) is { } id
            && await seen
                .HttpContext.RequestServices.GetRequiredService<ZymethosContext>()
                .SignIns.AnyAsync(s => s.Id == id, seen.HttpContext.RequestAborted)
        )
        {
            await SecurityStampValidator.ValidatePrincipalAsync(seen);
            return;
        }

        seen.RejectPrincipal();
        // The cookie of a sign-in that has ended is of no use to anybody.
        seen.HttpContext.Response.Cookies.Delete(seen.Options.Cookie.Name!, seen.Options.Cookie.Build(seen.HttpContext));
    }

    private static async Task EndAsync(CookieSigningOutContext leaving)
    {
        var ticket = await leaving.HttpContext.AuthenticateAsync(IdentityConstants.ApplicationScheme);
        if (IdOf(ticket.Properties) is { } id)
            await leaving
                .HttpContext.RequestServices.GetRequiredService<ZymethosContext>()
                .SignIns.Where(s => s.Id == id)
                .ExecuteDeleteAsync();
    }

    /// <summary>The sign-in that a cookie names; null where it names none.</summary>
    public static Guid? IdOf(AuthenticationProperties? properties) =>
        properties?.Items.TryGetValue(Name, out var text) == true && Guid.TryParseExact(text, "N", out var id) ? id : null;
}
