using System.Security.Claims;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Store;
using Zymethos.Store.Accounts;
using Zymethos.Web.Setup;
using Zymethos.Work.Accounts;

namespace Zymethos.Web.Places.Account;

/// <summary>
/// Every sign-in is a row that its cookie names. Signing out takes the row away, and with it every copy of the cookie; other devices of the
/// same account stay signed in. The row also says which kitchen the device works in, and each request asks whether its baker still belongs
/// there and as what: whoever is taken out of a kitchen is out at once.
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
            KitchenId = Guid.TryParse(signing.Principal!.FindFirstValue(SignedInKitchen.Claim), out var kitchen) ? kitchen : null,
        };
        context.SignIns.Add(row);
        await context.SaveChangesAsync();
        signing.Properties.Items[Name] = row.Id.ToString("N");
    }

    private static async Task CheckAsync(CookieValidatePrincipalContext seen)
    {
        if (IdOf(seen.Properties) is { } id && await MemberAsync(seen.HttpContext, id) is { } member)
        {
            await SecurityStampValidator.ValidatePrincipalAsync(seen);
            if (seen.Principal?.Identity is ClaimsIdentity identity)
                HouseRoles.Write(identity, member);
            return;
        }

        seen.RejectPrincipal();
        // The cookie of a sign-in that has ended is of no use to anybody.
        seen.HttpContext.Response.Cookies.Delete(seen.Options.Cookie.Name!, seen.Options.Cookie.Build(seen.HttpContext));
    }

    /// <summary>As what the baker of a sign-in is in the kitchen that its device works in; null where the sign-in has ended.</summary>
    private static async Task<MemberRow?> MemberAsync(HttpContext http, Guid id)
    {
        var (services, cancel) = (http.RequestServices, http.RequestAborted);
        var context = services.GetRequiredService<ZymethosContext>();
        var found = await (
            from s in context.SignIns.AsNoTracking()
            join b in context.Users on s.BakerId equals b.Id
            where s.Id == id
            from m in context.Members.Where(m => m.BakerId == b.Id && m.KitchenId == (s.KitchenId ?? b.KitchenId)).DefaultIfEmpty()
            select new { s.BakerId, Member = m }
        ).SingleOrDefaultAsync(cancel);
        if (found is null || found.Member is not null)
            return found?.Member;
        // The kitchen is gone, or the baker was taken out of it: the device goes on in another of theirs.
        if (await services.GetRequiredService<Household>().HomeAsync(found.BakerId, cancel) is not { } home)
            return null;
        await GoAsync(context, id, home.KitchenId, cancel);
        return home;
    }

    /// <summary>Lets a device work in another kitchen of its baker's.</summary>
    public static Task GoAsync(ZymethosContext context, Guid signIn, Guid kitchen, CancellationToken cancel) =>
        context.SignIns.Where(s => s.Id == signIn).ExecuteUpdateAsync(s => s.SetProperty(r => r.KitchenId, kitchen), cancel);

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
