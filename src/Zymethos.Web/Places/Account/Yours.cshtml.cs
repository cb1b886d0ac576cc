using System.ComponentModel.DataAnnotations;
using System.Text;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.AspNetCore.WebUtilities;
using Microsoft.EntityFrameworkCore;
using Zymethos.Store;
using Zymethos.Store.Accounts;
using Zymethos.Store.Demo;
using Zymethos.Web.Setup;
using Zymethos.Work.Accounts;
using Zymethos.Work.House;
using Zymethos.Work.Reminders;

namespace Zymethos.Web.Places.Account;

/// <summary>The account of whoever is signed in: password, address, devices, and leaving.</summary>
public sealed class YoursModel(
    UserManager<Baker> users,
    SignInManager<Baker> signIn,
    ZymethosContext context,
    AccountLetters letters,
    OwnPassword password,
    Closing closing,
    Household household,
    IPost post
) : PageModel
{
    private readonly Dictionary<string, string> _wrong = new(StringComparer.Ordinal);

    /// <summary>Whether this is the demo kitchen, which is everybody's.</summary>
    public bool IsDemo { get; private set; }

    /// <summary>The address one signs in with.</summary>
    public string Address { get; private set; } = "";

    /// <summary>A new address as it was typed.</summary>
    public string TypedAddress { get; private set; } = "";

    /// <summary>Sign-ins that stand, the latest first, and which of them is this one.</summary>
    public IReadOnlyList<(string At, bool IsThis)> SignedIn { get; private set; } = [];

    /// <summary>The day on which the kitchen is deleted; empty where nobody asked.</summary>
    public string ClosesOn { get; private set; } = "";

    /// <summary>The baker's kitchens, by name.</summary>
    public IReadOnlyList<OwnKitchen> Kitchens { get; private set; } = [];

    /// <summary>The kitchen that this device works in.</summary>
    public Guid Here => context.KitchenId ?? Guid.Empty;

    /// <summary>Whether whoever is here may do everything in it.</summary>
    public bool IsBaker => !HouseRoles.IsHelper(User);

    /// <summary>How many others belong to it.</summary>
    public int Others { get; private set; }

    /// <summary>The name of another kitchen as it was typed.</summary>
    public string TypedKitchen { get; private set; } = "";

    /// <summary>What was just done; kept over a redirect.</summary>
    [TempData]
    public string? Said { get; set; }

    /// <summary>What is wrong with a field; empty where nothing is.</summary>
    public string WrongOf(string field) => _wrong.GetValueOrDefault(field, "");

    /// <summary>The page.</summary>
    public async Task OnGetAsync(CancellationToken cancel) => await ReadAsync(cancel);

    /// <summary>Another password: every other device is signed out.</summary>
    public async Task<IActionResult> OnPostPasswordAsync(string? now, string? next, CancellationToken cancel)
    {
        var baker = await ReadAsync(cancel);
        if (IsDemo || !await IsHersAsync(baker, now, "now"))
            return Refused();
        if ((next ?? "").Length is < AccountRules.ShortestPassword or > 200)
            _wrong["next"] = "A password has at least ten characters; a short sentence is a good one.";
        else if (await users.ChangePasswordAsync(baker, now!, next!) is { Succeeded: false } weak)
            _wrong["next"] = string.Join(" ", weak.Errors.Select(e => e.Description));
        if (_wrong.Count > 0)
            return Refused();
        await AnewAsync(baker, cancel);
        return Done("The password is changed, and every other device is signed out.");
    }

    /// <summary>Another address: a letter goes to it, and it counts once its link was opened.</summary>
    public async Task<IActionResult> OnPostEmailAsync(string? address, string? proof, CancellationToken cancel)
    {
        var baker = await ReadAsync(cancel);
        TypedAddress = (address ?? "").Trim();
        if (!new EmailAddressAttribute().IsValid(TypedAddress) || TypedAddress.Length is 0 or > 200)
            _wrong["address"] = "This does not look like an email address.";
        if (IsDemo || _wrong.Count > 0 || !await IsHersAsync(baker, proof, "proof"))
            return Refused();
        // Whether somebody else has the address already is told to nobody but its owner, who gets no letter.
        if (await users.FindByEmailAsync(TypedAddress) is null)
        {
            var token = await users.GenerateChangeEmailTokenAsync(baker, TypedAddress);
            var path =
                $"/account/address?baker={baker.Id:N}&email={Uri.EscapeDataString(TypedAddress)}"
                + $"&token={WebEncoders.Base64UrlEncode(Encoding.UTF8.GetBytes(token))}";
            await letters.WriteAsync(
                baker,
                TypedAddress,
                "email",
                "Your new address for Zymethos",
                "Open this address within two hours, and you sign in with this email from then on:\n\n" + letters.AddressOf(Request, path),
                cancel
            );
        }

        return Done($"A letter is on its way to {TypedAddress}.{(post is LetterBoxOnly ? " It lies in your letter box." : "")}");
    }

    /// <summary>Goes to another kitchen of one's own.</summary>
    public async Task<IActionResult> OnPostGoAsync(Guid kitchen, CancellationToken cancel)
    {
        var baker = await ReadAsync(cancel);
        return Kitchens.Any(k => k.Id == kitchen) ? await GoAsync(baker, kitchen, cancel) : NotFound();
    }

    /// <summary>Opens another kitchen and goes there.</summary>
    public async Task<IActionResult> OnPostNewAsync(string? another, CancellationToken cancel)
    {
        var baker = await ReadAsync(cancel);
        TypedKitchen = (another ?? "").Trim();
        if (TypedKitchen.Length is 0 or > 80)
            _wrong["another"] = "Give the kitchen a name of up to 80 characters.";
        else if (!IsDemo && await household.NewKitchenAsync(baker.Id, TypedKitchen, cancel) is { } kitchen)
            return await GoAsync(baker, kitchen, cancel);
        else
            _wrong["another"] = "Twelve kitchens are as many as one baker gets.";
        return Refused();
    }

    private async Task<IActionResult> GoAsync(Baker baker, Guid kitchen, CancellationToken cancel)
    {
        if (SignIns.IdOf((await HttpContext.AuthenticateAsync(IdentityConstants.ApplicationScheme)).Properties) is { } here)
            await SignIns.GoAsync(context, here, kitchen, cancel);
        baker.KitchenId = kitchen;
        await users.UpdateAsync(baker);
        return LocalRedirect("/today");
    }

    /// <summary>Signs out every other device.</summary>
    public async Task<IActionResult> OnPostEverywhereAsync(CancellationToken cancel)
    {
        var baker = await ReadAsync(cancel);
        if (IsDemo)
            return Refused();
        await users.UpdateSecurityStampAsync(baker);
        await AnewAsync(baker, cancel);
        return Done("Every other device is signed out.");
    }

    /// <summary>Asks to delete the kitchen.</summary>
    public async Task<IActionResult> OnPostCloseAsync(string? last, CancellationToken cancel)
    {
        var baker = await ReadAsync(cancel);
        if (IsDemo || !IsBaker || !await IsHersAsync(baker, last, "last"))
            return Refused();
        await closing.AskAsync(Here, cancel);
        return Done("It is noted: the kitchen will be deleted in two weeks, unless you keep it.");
    }

    /// <summary>Keeps it after all.</summary>
    public async Task<IActionResult> OnPostKeepAsync(CancellationToken cancel)
    {
        await ReadAsync(cancel);
        if (!IsBaker)
            return Refused();
        await closing.KeepAsync(Here, cancel);
        return Done("The kitchen stays.");
    }

    private async Task<Baker> ReadAsync(CancellationToken cancel)
    {
        var baker = (await users.GetUserAsync(User))!;
        (IsDemo, Address) = (Here == DemoSeed.Id, baker.Email ?? "");
        Kitchens = await household.KitchensAsync(baker.Id, cancel);
        Others = await context.Members.CountAsync(m => m.KitchenId == Here && m.BakerId != baker.Id, cancel);
        var kitchen = context.Own.Of((await context.Kitchens.AsNoTracking().SingleAsync(cancel)).ToKitchen());
        var here = SignIns.IdOf((await HttpContext.AuthenticateAsync(IdentityConstants.ApplicationScheme)).Properties);
        SignedIn = IsDemo
            ? []
            :
            [
                .. (
                    await context
                        .SignIns.AsNoTracking()
                        .Where(s => s.BakerId == baker.Id)
                        .OrderByDescending(s => s.At)
                        .Take(50)
                        .ToListAsync(cancel)
                ).Select(s => (kitchen.Says.DayAndHour(KitchenClock.At(kitchen.Zone, s.At)), s.Id == here)),
            ];
        ClosesOn = await closing.OfAsync(Here, cancel) is { } closes ? kitchen.Says.DayAndHour(KitchenClock.At(kitchen.Zone, closes)) : "";
        return baker;
    }

    /// <summary>Whether the password is right; what is wrong stands at the field.</summary>
    private async Task<bool> IsHersAsync(Baker baker, string? typed, string field)
    {
        if (await password.WrongAsync(baker, typed) is not { Length: > 0 } wrong)
            return true;
        _wrong[field] = wrong;
        return false;
    }

    /// <summary>Ends every sign-in and begins one anew on this device.</summary>
    private async Task AnewAsync(Baker baker, CancellationToken cancel)
    {
        await context.SignIns.Where(s => s.BakerId == baker.Id).ExecuteDeleteAsync(cancel);
        await signIn.SignInAsync(baker, isPersistent: true);
    }

    private RedirectToPageResult Done(string said)
    {
        Said = said;
        return RedirectToPage();
    }

    private PageResult Refused()
    {
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }
}
