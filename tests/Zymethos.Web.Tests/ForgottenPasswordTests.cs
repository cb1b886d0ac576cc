using System.Net;
using System.Text.RegularExpressions;
using Microsoft.EntityFrameworkCore;
using Zymethos.Store.Seasons;
using Zymethos.Web.Places.Account;

namespace Zymethos.Web.Tests;

/// <summary>A way back for somebody who has forgotten the password, and what strangers can not do with it.</summary>
public sealed partial class ForgottenPasswordTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    private const string Old = "a long enough one";
    private const string New = "three plums in a blue bowl";

    private static string Somebody() => $"{Guid.NewGuid():N}@home.invalid";

    private static Task<HttpResponseMessage> AskAsync(HttpClient client, string email) =>
        TestKitchen.PostAsync(client, "/account/forgotten", "form.card-paper", new() { ["Email"] = email });

    private static Task<HttpResponseMessage> SignInAsync(HttpClient client, string email, string password) =>
        TestKitchen.PostAsync(
            client,
            "/account/sign-in",
            "form.card-paper:not(.demo-door)",
            new() { ["Email"] = email, ["Password"] = password }
        );

    private async Task<List<MessageRow>> LettersAsync(string to)
    {
        await using var all = kitchen.Context(null);
        return await all.Messages.IgnoreQueryFilters().Where(m => m.To == to).OrderBy(m => m.WrittenAt).ToListAsync();
    }

    private static string LinkOf(MessageRow letter) => Link().Match(letter.Text).Value;

    [GeneratedRegex(@"/account/\S+", RegexOptions.None, 900)]
    private static partial Regex Link();

    [Fact]
    public async Task The_link_of_the_letter_opens_the_kitchen_once_and_signs_every_other_device_out()
    {
        var email = Somebody();
        var device = await kitchen.NewBakerAsync(email);
        await AskAsync(kitchen.Visitor(), email);
        var link = LinkOf(Assert.Single(await LettersAsync(email)));
        var visitor = kitchen.Visitor();
        var answer = await TestKitchen.PostAsync(visitor, link, "form.card-paper", new() { ["Password"] = New });
        Assert.Equal("/oven-day", answer.RequestMessage!.RequestUri!.AbsolutePath);
        // The other device is out, the old password opens nothing, the new one does.
        Assert.Equal("/account/sign-in", (await device.GetAsync("/kitchen")).RequestMessage!.RequestUri!.AbsolutePath);
        Assert.Contains(
            "do not belong together",
            await (await SignInAsync(kitchen.Visitor(), email, Old)).Content.ReadAsStringAsync(),
            StringComparison.Ordinal
        );
        Assert.Equal("/oven-day", (await SignInAsync(kitchen.Visitor(), email, New)).RequestMessage!.RequestUri!.AbsolutePath);
        // Once only.
        var again = await TestKitchen.PostAsync(kitchen.Visitor(), link, "form.card-paper", new() { ["Password"] = "yet another of them" });
        Assert.Contains("used up or too old", await again.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        Assert.Equal("/oven-day", (await SignInAsync(kitchen.Visitor(), email, New)).RequestMessage!.RequestUri!.AbsolutePath);
    }

    [Fact]
    public async Task Whether_there_is_such_an_account_is_told_to_nobody()
    {
        var email = Somebody();
        await kitchen.NewBakerAsync(email);
        var known = await TestKitchen.ParseAsync(await AskAsync(kitchen.Visitor(), email));
        var unknown = await TestKitchen.ParseAsync(await AskAsync(kitchen.Visitor(), Somebody()));
        Assert.Equal(known.QuerySelector("main")!.TextContent, unknown.QuerySelector("main")!.TextContent);
    }

    [Fact]
    public async Task Nobody_s_letter_box_is_filled()
    {
        var email = Somebody();
        await kitchen.NewBakerAsync(email);
        for (var i = 0; i < AccountLetters.MostInAnHour + 2; i++)
            await AskAsync(kitchen.Visitor(), email);
        Assert.Equal(AccountLetters.MostInAnHour, (await LettersAsync(email)).Count);
    }

    [Fact]
    public async Task The_demo_kitchen_has_no_password_to_forget()
    {
        await using var all = kitchen.Context(null);
        var demo = await all.Users.Where(u => u.PasswordHash == null).Select(u => u.Email!).FirstAsync();
        await AskAsync(kitchen.Visitor(), demo);
        Assert.Empty(await LettersAsync(demo));
    }

    [Fact]
    public async Task A_host_that_somebody_made_up_is_in_no_letter()
    {
        var email = Somebody();
        await kitchen.NewBakerAsync(email);
        var visitor = kitchen.Visitor();
        var page = await TestKitchen.ParseAsync(await visitor.GetAsync("/account/forgotten"));
        using var request = new HttpRequestMessage(HttpMethod.Post, "/account/forgotten")
        {
            Content = new FormUrlEncodedContent(
                new Dictionary<string, string>
                {
                    ["Email"] = email,
                    ["__RequestVerificationToken"] = page.QuerySelector("form.card-paper input[name=__RequestVerificationToken]")!
                        .GetAttribute("value")!,
                }
            ),
        };
        request.Headers.Host = "evil.example";
        await visitor.SendAsync(request);
        Assert.DoesNotContain("evil", Assert.Single(await LettersAsync(email)).Text, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("/account/reset?baker=00000000000000000000000000000001&token=abc")]
    [InlineData("/account/reset?baker=nobody&token=%%%")]
    [InlineData("/account/reset")]
    public async Task A_link_that_somebody_made_up_opens_nothing(string link)
    {
        var answer = await TestKitchen.PostAsync(kitchen.Visitor(), link, "form.card-paper", new() { ["Password"] = New });
        Assert.Contains("used up or too old", await answer.Content.ReadAsStringAsync(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_weak_password_is_refused_and_the_link_stays_good()
    {
        var email = Somebody();
        await kitchen.NewBakerAsync(email);
        await AskAsync(kitchen.Visitor(), email);
        var link = LinkOf(Assert.Single(await LettersAsync(email)));
        var weak = await TestKitchen.PostAsync(kitchen.Visitor(), link, "form.card-paper", new() { ["Password"] = "short" });
        Assert.Contains("at least ten characters", await weak.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        var right = await TestKitchen.PostAsync(kitchen.Visitor(), link, "form.card-paper", new() { ["Password"] = New });
        Assert.Equal("/oven-day", right.RequestMessage!.RequestUri!.AbsolutePath);
    }
}
