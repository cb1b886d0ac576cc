using Microsoft.AspNetCore.Identity;
using Zymethos.Store.Accounts;

namespace Zymethos.Web.Places.Account;

/// <summary>
/// Refuses passwords that everybody tries first (NIST SP 800-63B, 5.1.1.2: values commonly used or expected). What is compared is the word
/// that is left without figures and signs at either end, and with the usual figures read as letters; the list is our own, written down from
/// memory.
/// </summary>
public sealed class CommonPasswords : IPasswordValidator<Baker>
{
    private static readonly HashSet<string> Words = new(StringComparer.Ordinal)
    {
        "password",
        "passwort",
        "passphrase",
        "mypassword",
        "passwordpassword",
        "yourpassword",
        "newpassword",
        "secretpassword",
        "qwerty",
        "qwertyuiop",
        "qwertyuiopasdf",
        "qwertz",
        "qwertzuiop",
        "asdfgh",
        "asdfghjkl",
        "zxcvbnm",
        "qazwsx",
        "qazwsxedc",
        "abcdef",
        "abcdefghij",
        "abcdefghijk",
        "letmein",
        "letmeinnow",
        "welcome",
        "welcomehome",
        "iloveyou",
        "iloveyouall",
        "loveyou",
        "sunshine",
        "princess",
        "football",
        "baseball",
        "basketball",
        "superman",
        "batman",
        "spiderman",
        "dragon",
        "monkey",
        "shadow",
        "master",
        "michael",
        "jennifer",
        "jordan",
        "charlie",
        "computer",
        "internet",
        "starwars",
        "whatever",
        "trustno",
        "admin",
        "administrator",
        "root",
        "guest",
        "login",
        "changeme",
        "default",
        "secret",
        "topsecret",
        "hello",
        "helloworld",
        "liverpool",
        "arsenal",
        "chelsea",
        "chocolate",
        "butterfly",
        "christmas",
        "merrychristmas",
        "summer",
        "winter",
        "spring",
        "autumn",
        "january",
        "december",
        "monday",
        "friday",
        "flower",
        "cookie",
        "cookies",
        "baking",
        "baker",
        "sourdough",
        "kitchen",
        "zymethos",
        "gingerbread",
        "buttercream",
        "test",
        "testing",
        "testtest",
        "user",
        "username",
        "demo",
    };

    /// <inheritdoc />
    public Task<IdentityResult> ValidateAsync(UserManager<Baker> manager, Baker user, string? password)
    {
        var mail = (user.Email ?? "").Split('@')[0];
        return Task.FromResult(
            IsCommon(password ?? "") || (mail.Length >= 5 && (password ?? "").Contains(mail, StringComparison.OrdinalIgnoreCase))
                ? IdentityResult.Failed(
                    new IdentityError
                    {
                        Code = "Common",
                        Description = "Everybody tries this password first. A short sentence of your own is a good one.",
                    }
                )
                : IdentityResult.Success
        );
    }

    /// <summary>Whether a password is one that everybody tries first.</summary>
    public static bool IsCommon(string password)
    {
        var low = password.ToLowerInvariant();
        if (IsRow(low))
            return true;
        var plain = low.Trim(Signs).Replace(" ", "", StringComparison.Ordinal);
        var letters = new string([.. plain.Select(Letter)]);
        return Words.Contains(plain) || Words.Contains(letters) || Words.Contains(letters.Trim(Signs)) || Words.Contains(Half(letters));
    }

    private static readonly char[] Signs = "0123456789!?.,-_*#@+=$%& ".ToCharArray();

    /// <summary>"1234567890", "aaaaaaaaaa", "abcabcabcabc": figures or letters in a row, or little over and over.</summary>
    private static bool IsRow(string low)
    {
        if (low.Length < 4)
            return true;
        var steps = low.Zip(low.Skip(1), (a, b) => b - a).ToList();
        if (steps.Count(s => s is 0 or 1 or -1 or -9 or 9) >= steps.Count - 1)
            return true;
        return Enumerable.Range(1, 4).Any(n => low.Length >= 3 * n && Enumerable.Range(0, low.Length).All(i => low[i] == low[i % n]));
    }

    // "passwordpassword" is said twice.
    private static string Half(string letters) =>
        letters.Length % 2 == 0 && letters[..(letters.Length / 2)] == letters[(letters.Length / 2)..]
            ? letters[..(letters.Length / 2)]
            : letters;

    private static char Letter(char c) =>
        c switch
        {
            '0' => 'o',
            '1' => 'l',
            '3' => 'e',
            '4' => 'a',
            '5' => 's',
            '7' => 't',
            '@' => 'a',
            '$' => 's',
            '!' => 'i',
            _ => c,
        };
}
