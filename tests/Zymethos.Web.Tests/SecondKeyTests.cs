using System.Buffers.Binary;
using System.Globalization;
using System.Net;
using System.Security.Cryptography;
using System.Text;

namespace Zymethos.Web.Tests;

/// <summary>A code from a phone when signing in, codes on paper, and what a lost password does not open.</summary>
public sealed class SecondKeyTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    private const string Password = "a long enough one";

    /// <summary>A code by RFC 6238: HMAC-SHA-1 over the count of half minutes, cut as RFC 4226 says.</summary>
    private static string CodeAt(byte[] secret, DateTimeOffset at, int digits = 6)
    {
        Span<byte> count = stackalloc byte[8];
        BinaryPrimitives.WriteInt64BigEndian(count, at.ToUnixTimeSeconds() / 30);
        Span<byte> hash = stackalloc byte[20];
#pragma warning disable CA5350 // The standard's own default.
        HMACSHA1.HashData(secret, count, hash);
#pragma warning restore CA5350
        var offset = hash[^1] & 15;
        var number = BinaryPrimitives.ReadInt32BigEndian(hash[offset..]) & 0x7fffffff;
        return (number % (int)Math.Pow(10, digits)).ToString(CultureInfo.InvariantCulture).PadLeft(digits, '0');
    }

    private static byte[] FromBase32(string text)
    {
        var (bits, held, bytes) = (0, 0, new List<byte>());
        foreach (var sign in text)
        {
            (bits, held) = ((bits << 5) | "ABCDEFGHIJKLMNOPQRSTUVWXYZ234567".IndexOf(sign, StringComparison.Ordinal), held + 5);
            if (held < 8)
                continue;
            bytes.Add((byte)(bits >> (held -= 8)));
            bits &= (1 << held) - 1;
        }

        return [.. bytes];
    }

    // RFC 6238, appendix B: the SHA-1 column.
    [Theory]
    [InlineData(59, "94287082")]
    [InlineData(1111111109, "07081804")]
    [InlineData(1111111111, "14050471")]
    [InlineData(1234567890, "89005924")]
    [InlineData(2000000000, "69279037")]
    [InlineData(20000000000, "65353130")]
    public void The_codes_that_these_tests_type_are_those_of_the_standard(long seconds, string code) =>
        Assert.Equal(code, CodeAt(Encoding.ASCII.GetBytes("12345678901234567890"), DateTimeOffset.FromUnixTimeSeconds(seconds), 8));

    private async Task<(HttpClient Baker, string Email, byte[] Secret, List<string> Codes)> WithCodeAsync()
    {
        var email = $"{Guid.NewGuid():N}@home.invalid";
        var baker = await kitchen.NewBakerAsync(email);
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/account/safety"));
        var secret = FromBase32(page.QuerySelector(".secret")!.TextContent.Replace(" ", "", StringComparison.Ordinal));
        var on = await TestKitchen.PostAsync(
            baker,
            "/account/safety",
            "form[action*='handler=On']",
            new() { ["code"] = CodeAt(secret, DateTimeOffset.UtcNow), ["on"] = Password }
        );
        Assert.Equal(HttpStatusCode.OK, on.StatusCode);
        var codes = (await TestKitchen.ParseAsync(on)).QuerySelectorAll(".paper-codes li").Select(l => l.TextContent.Trim()).ToList();
        Assert.Equal(10, codes.Distinct().Count());
        return (baker, email, secret, codes);
    }

    private static Task<HttpResponseMessage> PasswordAsync(HttpClient device, string email) =>
        TestKitchen.PostAsync(
            device,
            "/account/sign-in",
            "form.card-paper:not(.demo-door):not(.passkey-door)",
            new() { ["Email"] = email, ["Password"] = Password }
        );

    private static Task<HttpResponseMessage> CodeAsync(HttpClient device, string code) =>
        TestKitchen.PostAsync(device, "/account/second", "form.card-paper", new() { ["code"] = code });

    private static async Task<bool> IsInAsync(HttpClient device) =>
        (await device.GetAsync("/kitchen")).RequestMessage!.RequestUri!.AbsolutePath == "/kitchen";

    [Fact]
    public async Task The_password_alone_opens_nothing_and_the_code_of_the_phone_does()
    {
        var (_, email, secret, _) = await WithCodeAsync();
        var device = kitchen.Visitor();
        var half = await PasswordAsync(device, email);
        Assert.Equal("/account/second", half.RequestMessage!.RequestUri!.AbsolutePath);
        Assert.False(await IsInAsync(device));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await CodeAsync(device, "000 000")).StatusCode);
        Assert.False(await IsInAsync(device));
        var code = CodeAt(secret, DateTimeOffset.UtcNow);
        await CodeAsync(device, $"{code[..3]} {code[3..]}");
        Assert.True(await IsInAsync(device));
    }

    [Fact]
    public async Task A_code_on_paper_lets_in_once()
    {
        var (_, email, _, codes) = await WithCodeAsync();
        var device = kitchen.Visitor();
        await PasswordAsync(device, email);
        await CodeAsync(device, codes[3].ToLowerInvariant());
        Assert.True(await IsInAsync(device));
        var thief = kitchen.Visitor();
        await PasswordAsync(thief, email);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await CodeAsync(thief, codes[3])).StatusCode);
        Assert.False(await IsInAsync(thief));
        Assert.Contains("9 are left", await device.GetStringAsync("/account/safety"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Codes_cannot_be_tried_without_end()
    {
        var (_, email, secret, _) = await WithCodeAsync();
        var device = kitchen.Visitor();
        await PasswordAsync(device, email);
        for (var i = 0; i < 5; i++)
            await CodeAsync(device, $"00000{i}");
        var right = await CodeAsync(device, CodeAt(secret, DateTimeOffset.UtcNow));
        Assert.Contains("Try again in ten minutes", await right.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        Assert.False(await IsInAsync(device));
    }

    [Fact]
    public async Task It_is_turned_on_only_with_a_code_and_the_password_and_signs_the_other_devices_out()
    {
        var email = $"{Guid.NewGuid():N}@home.invalid";
        var baker = await kitchen.NewBakerAsync(email);
        var other = kitchen.Visitor();
        await PasswordAsync(other, email);
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/account/safety"));
        var secret = FromBase32(page.QuerySelector(".secret")!.TextContent.Replace(" ", "", StringComparison.Ordinal));
        Task<HttpResponseMessage> OnAsync(string code, string password) =>
            TestKitchen.PostAsync(baker, "/account/safety", "form[action*='handler=On']", new() { ["code"] = code, ["on"] = password });
        var wrong = await (await OnAsync("123456", Password)).Content.ReadAsStringAsync();
        Assert.Contains("This code does not fit", wrong, StringComparison.Ordinal);
        var stranger = await OnAsync(CodeAt(secret, DateTimeOffset.UtcNow), "not this one");
        Assert.Contains("This is not your password", await stranger.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        Assert.True(await IsInAsync(other));
        Assert.Contains(
            "Codes for the drawer",
            await (await OnAsync(CodeAt(secret, DateTimeOffset.UtcNow), Password)).Content.ReadAsStringAsync(),
            StringComparison.Ordinal
        );
        Assert.True(await IsInAsync(baker));
        Assert.False(await IsInAsync(other));
    }

    [Fact]
    public async Task A_link_for_a_new_password_does_not_go_around_the_code()
    {
        var (baker, email, _, _) = await WithCodeAsync();
        await TestKitchen.PostAsync(kitchen.Visitor(), "/account/forgotten", "form.card-paper", new() { ["Email"] = email });
        var letter = await TestKitchen.ParseAsync(await baker.GetAsync("/letter-box"));
        var text = letter.QuerySelector(".letter-text")!.TextContent;
        var path = text[text.IndexOf("/account/reset", StringComparison.Ordinal)..].Split((char[])[' ', '\n', '\r'])[0];
        var thief = kitchen.Visitor();
        await TestKitchen.PostAsync(thief, path, "form.card-paper", new() { ["Password"] = "another long enough one" });
        Assert.False(await IsInAsync(thief));
    }

    [Fact]
    public async Task It_is_turned_off_with_the_password_and_the_old_secret_is_worth_nothing()
    {
        var (baker, email, _, _) = await WithCodeAsync();
        var off = await TestKitchen.PostAsync(baker, "/account/safety", "form[action*='handler=Off']", new() { ["off"] = Password });
        Assert.Equal(HttpStatusCode.OK, off.StatusCode);
        var device = kitchen.Visitor();
        await PasswordAsync(device, email);
        Assert.True(await IsInAsync(device));
    }

    [Fact]
    public async Task Nothing_that_only_looks_like_a_passkey_lets_anybody_in()
    {
        foreach (var made in new[] { "", "{}", "not json", """{"id":"AAAA","rawId":"AAAA","type":"public-key","response":{}}""" })
        {
            var device = kitchen.Visitor();
            var page = await TestKitchen.ParseAsync(await device.GetAsync("/account/sign-in"));
            var token = page.QuerySelector(".passkey-door input[name=__RequestVerificationToken]")!.GetAttribute("value")!;
            using var begin = new FormUrlEncodedContent(new Dictionary<string, string> { ["__RequestVerificationToken"] = token });
            Assert.Equal(HttpStatusCode.OK, (await device.PostAsync("/account/sign-in?handler=Begin", begin)).StatusCode);
            using var form = new FormUrlEncodedContent(
                new Dictionary<string, string> { ["__RequestVerificationToken"] = token, ["made"] = made }
            );
            var answer = await device.PostAsync("/account/sign-in?handler=Passkey", form);
            Assert.Contains("does not open an account here", await answer.Content.ReadAsStringAsync(), StringComparison.Ordinal);
            Assert.False(await IsInAsync(device));
        }
    }
}
