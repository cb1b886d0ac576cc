using System.Globalization;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;
using NodaTime.Extensions;
using Zymethos.Store;
using Zymethos.Store.Accounts;
using Zymethos.Store.Demo;
using Zymethos.Work.House;

namespace Zymethos.Web.Places.Account;

/// <summary>A second key to an account: a code from a phone (RFC 6238), codes on paper for when the phone is lost, and passkeys.</summary>
public sealed class SafetyModel(
    UserManager<Baker> users,
    SignInManager<Baker> signIn,
    ZymethosContext context,
    OwnPassword password,
    KitchenClock clock
) : PageModel
{
    /// <summary>How many codes on paper there are.</summary>
    public const int PaperCodes = 10;

    private const int MostPasskeys = 10;

    /// <summary>Whether this is the demo account.</summary>
    public bool IsDemo { get; private set; }

    /// <summary>Whether a code is asked for when signing in.</summary>
    public bool IsOn { get; private set; }

    /// <summary>The secret for the phone, in groups of four; empty once it is on.</summary>
    public string Secret { get; private set; } = "";

    /// <summary>The address that the phone's program reads from the drawn code.</summary>
    public string Uri { get; private set; } = "";

    /// <summary>Codes on paper that were just made; shown once.</summary>
    public IReadOnlyList<string> NewCodes { get; private set; } = [];

    /// <summary>How many codes on paper are left.</summary>
    public int CodesLeft { get; private set; }

    /// <summary>Passkeys: id for the form, name, and since when.</summary>
    public IReadOnlyList<(string Id, string Name, string Since)> Passkeys { get; private set; } = [];

    /// <summary>What is wrong, by field.</summary>
    public string WrongOf(string field) => _wrong.GetValueOrDefault(field, "");

    /// <summary>What was just done; kept over a redirect.</summary>
    [TempData]
    public string? Said { get; set; }

    private readonly Dictionary<string, string> _wrong = new(StringComparer.Ordinal);

    /// <summary>The page.</summary>
    public async Task OnGetAsync(CancellationToken cancel) => await ReadAsync(cancel);

    /// <summary>Turns the code on, once the phone has shown that it can make one.</summary>
    public async Task<IActionResult> OnPostOnAsync(string? code, string? on, CancellationToken cancel)
    {
        var baker = await ReadAsync(cancel);
        if (IsDemo || IsOn)
            return Refused();
        if (!await IsHersAsync(baker, on, "on"))
            return Refused();
        if (!await users.VerifyTwoFactorTokenAsync(baker, TokenOptions.DefaultAuthenticatorProvider, SecondModel.Digits(code)))
        {
            _wrong["code"] = "This code does not fit. Is the clock of the phone right? Type the one it shows now.";
            return Refused();
        }

        await users.SetTwoFactorEnabledAsync(baker, true);
        NewCodes = [.. await users.GenerateNewTwoFactorRecoveryCodesAsync(baker, PaperCodes) ?? []];
        await AnewAsync(baker, cancel);
        var codes = NewCodes;
        await ReadAsync(cancel);
        NewCodes = codes;
        return Page();
    }

    /// <summary>Turns it off.</summary>
    public async Task<IActionResult> OnPostOffAsync(string? off, CancellationToken cancel)
    {
        var baker = await ReadAsync(cancel);
        if (IsDemo || !IsOn || !await IsHersAsync(baker, off, "off"))
            return Refused();
        await users.SetTwoFactorEnabledAsync(baker, false);
        // The secret that the phone knows is worth nothing from here on.
        await users.ResetAuthenticatorKeyAsync(baker);
        await AnewAsync(baker, cancel);
        Said = "No code is asked for any more. Whoever knows your password comes in.";
        return RedirectToPage();
    }

    /// <summary>New codes on paper; those of before are worth nothing.</summary>
    public async Task<IActionResult> OnPostCodesAsync(string? again, CancellationToken cancel)
    {
        var baker = await ReadAsync(cancel);
        if (IsDemo || !IsOn || !await IsHersAsync(baker, again, "again"))
            return Refused();
        NewCodes = [.. await users.GenerateNewTwoFactorRecoveryCodesAsync(baker, PaperCodes) ?? []];
        CodesLeft = NewCodes.Count;
        return Page();
    }

    /// <summary>What a browser needs to make a passkey.</summary>
    public async Task<IActionResult> OnPostBeginAsync(CancellationToken cancel)
    {
        var baker = await ReadAsync(cancel);
        if (IsDemo || Passkeys.Count >= MostPasskeys)
            return StatusCode(StatusCodes.Status409Conflict);
        var name = baker.Email ?? "baker";
        return Content(
            await signIn.MakePasskeyCreationOptionsAsync(
                new PasskeyUserEntity
                {
                    Id = baker.Id.ToString(),
                    Name = name,
                    DisplayName = name,
                }
            ),
            "application/json"
        );
    }

    /// <summary>Keeps a passkey that a browser made.</summary>
    public async Task<IActionResult> OnPostPasskeyAsync(string? made, string? called, string? key, CancellationToken cancel)
    {
        var baker = await ReadAsync(cancel);
        if (IsDemo || !await IsHersAsync(baker, key, "key"))
            return Refused();
        var name = (called ?? "").Trim() is { Length: > 0 } typed ? typed[..Math.Min(typed.Length, 60)] : "Passkey";
        if (string.IsNullOrEmpty(made))
        {
            _wrong["key"] = "The device made no passkey. Try again, or choose another device.";
            return Refused();
        }

        PasskeyAttestationResult result;
        try
        {
            result = await signIn.PerformPasskeyAttestationAsync(made);
        }
        catch (InvalidOperationException)
        {
            // Nobody asked for one in this browser, or it took longer than that is remembered.
            _wrong["key"] = "That took too long. Try again.";
            return Refused();
        }

        if (!result.Succeeded)
        {
            _wrong["key"] = "The passkey could not be read. Try again, or choose another device.";
            return Refused();
        }

        result.Passkey.Name = name;
        await users.AddOrUpdatePasskeyAsync(baker, result.Passkey);
        Said = $"“{name}” opens your account from now on.";
        return RedirectToPage();
    }

    /// <summary>Takes a passkey away.</summary>
    public async Task<IActionResult> OnPostForgetAsync(string? id, CancellationToken cancel)
    {
        var baker = await ReadAsync(cancel);
        if (IsDemo || Passkeys.All(p => p.Id != id))
            return Refused();
        await users.RemovePasskeyAsync(baker, Convert.FromHexString(id!));
        Said = "The passkey opens nothing any more. Delete it on its device as well.";
        return RedirectToPage();
    }

    private async Task<Baker> ReadAsync(CancellationToken cancel)
    {
        var baker = (await users.GetUserAsync(User))!;
        IsDemo = baker.KitchenId == DemoSeed.Id && baker.PasswordHash is null;
        IsOn = baker.TwoFactorEnabled;
        CodesLeft = IsOn ? await users.CountRecoveryCodesAsync(baker) : 0;
        Secret = "";
        if (!IsDemo && !IsOn)
        {
            var key = await users.GetAuthenticatorKeyAsync(baker);
            if (string.IsNullOrEmpty(key))
            {
                await users.ResetAuthenticatorKeyAsync(baker);
                key = await users.GetAuthenticatorKeyAsync(baker);
            }

            Secret = string.Join(' ', key!.Chunk(4).Select(c => new string(c)));
            // The form that programs for such codes read; six digits and half a minute are what all of them take for granted.
            Uri = $"otpauth://totp/Zymethos:{System.Uri.EscapeDataString(baker.Email ?? "")}?secret={key}&issuer=Zymethos&digits=6";
        }

        var zone = await clock.ZoneAsync(cancel);
        Passkeys = IsDemo
            ? []
            :
            [
                .. (await users.GetPasskeysAsync(baker))
                    .OrderBy(p => p.CreatedAt)
                    .Select(p =>
                        (
                            Convert.ToHexStringLower(p.CredentialId),
                            p.Name ?? "Passkey",
                            p.CreatedAt.ToInstant().InZone(zone).Date.ToString("d MMM yyyy", CultureInfo.InvariantCulture)
                        )
                    ),
            ];
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

    private PageResult Refused()
    {
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }
}
