using System.Security.Claims;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;
using Zymethos.Store;
using Zymethos.Store.Demo;
using Zymethos.Work.Accounts;

namespace Zymethos.Web.Places.Account;

/// <summary>Where an invitation into a kitchen leads.</summary>
public sealed class ComeModel(Household household, ZymethosContext context) : PageModel
{
    /// <summary>What it invites to; null where it does not let in.</summary>
    public Invitation? Invitation { get; private set; }

    /// <summary>Whether somebody is signed in, who can take it up at once.</summary>
    public bool IsSignedIn => User.Identity?.IsAuthenticated == true && context.KitchenId != DemoSeed.Id;

    /// <summary>Whether whoever is signed in belongs to the kitchen already.</summary>
    public bool IsIn { get; private set; }

    /// <summary>What the others will call the guest.</summary>
    public string Called { get; private set; } = "";

    /// <summary>What is wrong with the name; empty where nothing is.</summary>
    public string Wrong { get; private set; } = "";

    private Guid? Baker => Guid.TryParse(User.FindFirstValue(ClaimTypes.NameIdentifier), out var id) ? id : null;

    /// <summary>What the invitation says.</summary>
    public async Task OnGetAsync(string secret, CancellationToken cancel)
    {
        Response.Headers["Referrer-Policy"] = "no-referrer";
        await FillAsync(secret, cancel);
        if (IsSignedIn)
            Called = Household.NameFrom(User.Identity!.Name ?? "");
    }

    /// <summary>Takes it up.</summary>
    public async Task<IActionResult> OnPostAsync(string secret, string? called, CancellationToken cancel)
    {
        await FillAsync(secret, cancel);
        if (Invitation is null || !IsSignedIn || Baker is not { } baker)
            return Page();
        Called = (called ?? "").Trim();
        if (Called.Length is 0 or > Household.LongestName)
        {
            Wrong = "What shall the others call you? Up to 40 characters.";
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
            return Page();
        }

        if (await household.JoinAsync(baker, secret, Called, cancel) is not { } kitchen)
        {
            Invitation = null;
            return Page();
        }

        // This device goes there, and so does the next sign-in.
        var ticket = await HttpContext.AuthenticateAsync(IdentityConstants.ApplicationScheme);
        if (SignIns.IdOf(ticket.Properties) is { } here)
            await SignIns.GoAsync(context, here, kitchen, cancel);
        await context.Users.Where(b => b.Id == baker).ExecuteUpdateAsync(b => b.SetProperty(r => r.KitchenId, kitchen), cancel);
        return Redirect("/today");
    }

    private async Task FillAsync(string secret, CancellationToken cancel)
    {
        Invitation = await household.FindAsync(secret, cancel);
        IsIn =
            Invitation is { } to
            && Baker is { } baker
            && await context.Members.AnyAsync(m => m.BakerId == baker && m.KitchenId == to.KitchenId, cancel);
    }
}
