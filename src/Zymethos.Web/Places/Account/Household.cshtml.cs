using System.Globalization;
using System.Security.Claims;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Zymethos.Core.Kitchens;
using Zymethos.Store;
using Zymethos.Store.Accounts;
using Zymethos.Store.Demo;
using Zymethos.Work.Accounts;
using Zymethos.Work.House;

namespace Zymethos.Web.Places.Account;

/// <summary>Who belongs to the kitchen: inviting, roles, taking out, leaving, and what is one's own in it.</summary>
public sealed class HouseholdModel(Household household, ZymethosContext context, KitchenClock clock, AccountLetters letters) : PageModel
{
    /// <summary>Everybody, those who came first first.</summary>
    public IReadOnlyList<MemberRow> Members { get; private set; } = [];

    /// <summary>Invitations that let in, and until when.</summary>
    public IReadOnlyList<(InviteRow Invite, string Until)> Invites { get; private set; } = [];

    /// <summary>Whoever is here.</summary>
    public MemberRow Me { get; private set; } = null!;

    /// <summary>The address of an invitation that was just made; empty when none was.</summary>
    public string Invitation { get; private set; } = "";

    /// <summary>What an invitation is drawn from; empty where only the path is known.</summary>
    public bool CanScan => Invitation.StartsWith("http", StringComparison.Ordinal);

    /// <summary>Whether this is the demo kitchen.</summary>
    public bool IsDemo => context.KitchenId == DemoSeed.Id;

    /// <summary>Whether whoever is here may change who belongs to the kitchen.</summary>
    public bool MayChange => !IsDemo && Me.Role == HouseRole.Baker;

    /// <summary>What is wrong; empty where nothing is.</summary>
    public string Wrong { get; private set; } = "";

    /// <summary>What was just done; kept over a redirect.</summary>
    [TempData]
    public string? Said { get; set; }

    private Guid Kitchen => context.KitchenId!.Value;

    private Guid Baker => Guid.Parse(User.FindFirstValue(ClaimTypes.NameIdentifier)!);

    /// <summary>The page.</summary>
    public async Task<IActionResult> OnGetAsync(CancellationToken cancel) =>
        await FillAsync(cancel) ? Page() : RedirectToPage("/Account/SignIn");

    /// <summary>Makes an invitation.</summary>
    public async Task<IActionResult> OnPostInviteAsync(HouseRole role, CancellationToken cancel)
    {
        if (!await FillAsync(cancel) || !MayChange || !Enum.IsDefined(role))
            return Forbidden();
        if (await household.InviteAsync(Kitchen, Baker, role, cancel) is not { } secret)
            return Refused("Twenty invitations stand open. Take one back first.");
        Invitation = letters.AddressOf(Request, $"/account/come/{secret}");
        await FillAsync(cancel);
        return Page();
    }

    /// <summary>Takes an invitation back.</summary>
    public async Task<IActionResult> OnPostWithdrawAsync(Guid invite, CancellationToken cancel)
    {
        if (!await FillAsync(cancel) || !MayChange)
            return Forbidden();
        await household.WithdrawAsync(Kitchen, invite, cancel);
        return Done("The invitation is taken back: its link opens nothing now.");
    }

    /// <summary>Makes somebody a baker or a helper.</summary>
    public async Task<IActionResult> OnPostRoleAsync(Guid member, HouseRole role, CancellationToken cancel)
    {
        if (!await FillAsync(cancel) || !MayChange || !Enum.IsDefined(role))
            return Forbidden();
        var name = NameOf(member);
        return await household.SetRoleAsync(Kitchen, member, role, cancel)
            ? Done($"{name} is a {role.ToString().ToLowerInvariant()} now.")
            : Refused("One baker has to stay: make somebody else a baker first.");
    }

    /// <summary>Takes somebody out.</summary>
    public async Task<IActionResult> OnPostRemoveAsync(Guid member, CancellationToken cancel)
    {
        if (!await FillAsync(cancel) || !MayChange || member == Baker)
            return Forbidden();
        var name = NameOf(member);
        return await household.RemoveAsync(Kitchen, member, cancel)
            ? Done($"{name} is out: the kitchen is closed to them from this moment.")
            : Refused("That did not work: nobody of that name is here any more.");
    }

    /// <summary>Leaves the kitchen.</summary>
    public async Task<IActionResult> OnPostLeaveAsync(CancellationToken cancel)
    {
        if (!await FillAsync(cancel) || IsDemo)
            return Forbidden();
        if (!await household.RemoveAsync(Kitchen, Baker, cancel))
            return Refused("You are the only baker here. Make somebody else a baker first, or delete the kitchen on your account's page.");
        return RedirectToPage("/Account/Yours");
    }

    /// <summary>Name, measures and clock of one's own.</summary>
    public async Task<IActionResult> OnPostOwnAsync(string? called, MeasuringHabit? habit, ClockFace? face, CancellationToken cancel)
    {
        if (!await FillAsync(cancel) || IsDemo)
            return Forbidden();
        if ((called ?? "").Trim().Length is 0 or > Household.LongestName)
            return Refused("What shall the others call you? Up to 40 characters.");
        await household.SetOwnAsync(Kitchen, Baker, called!, habit, face, cancel);
        return Done("Kept.");
    }

    private string NameOf(Guid member) => Members.FirstOrDefault(m => m.BakerId == member)?.Name ?? "Nobody";

    private async Task<bool> FillAsync(CancellationToken cancel)
    {
        Members = await household.MembersAsync(Kitchen, cancel);
        if (Members.FirstOrDefault(m => m.BakerId == Baker) is not { } me)
            return false;
        Me = me;
        var (zone, says) = (await clock.ZoneAsync(cancel), await clock.SaysAsync(cancel));
        Invites =
        [
            .. (await household.InvitesAsync(Kitchen, cancel)).Select(i => (i, says.DayAndHour(i.Until.InZone(zone).LocalDateTime))),
        ];
        return true;
    }

    /// <summary>Since when somebody belongs here.</summary>
    public static string Since(MemberRow member) => member.JoinedAt.ToString("d MMM yyyy", CultureInfo.InvariantCulture);

    private RedirectToPageResult Done(string said)
    {
        Said = said;
        return RedirectToPage();
    }

    private PageResult Refused(string why)
    {
        Wrong = why;
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }

    private static StatusCodeResult Forbidden() => new(StatusCodes.Status403Forbidden);
}
