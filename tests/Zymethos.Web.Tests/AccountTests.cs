using System.Net;
using Microsoft.EntityFrameworkCore;

namespace Zymethos.Web.Tests;

public sealed class AccountTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    private static Task<HttpResponseMessage> SignInAsync(HttpClient client, string email, string password) =>
        TestKitchen.PostAsync(
            client,
            "/account/sign-in",
            "form.card-paper:not(.demo-door)",
            new() { ["Email"] = email, ["Password"] = password }
        );

    [Fact]
    public async Task A_new_baker_gets_a_kitchen_with_a_book_and_can_come_back()
    {
        var first = await kitchen.NewBakerAsync("one@home.invalid");
        Assert.Contains("Lantern plait", await first.GetStringAsync("/book"), StringComparison.Ordinal);
        var again = kitchen.Visitor();
        var response = await SignInAsync(again, "one@home.invalid", "a long enough one");
        Assert.Contains("What shall the day hold?", await response.Content.ReadAsStringAsync(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_wrong_password_keeps_the_email_and_after_five_it_waits()
    {
        await kitchen.NewBakerAsync("two@home.invalid");
        var visitor = kitchen.Visitor();
        for (var i = 0; i < 4; i++)
        {
            var page = await TestKitchen.ParseAsync(await SignInAsync(visitor, "two@home.invalid", "not this one"));
            Assert.Contains("do not belong together", page.Body!.TextContent, StringComparison.Ordinal);
            Assert.Equal("two@home.invalid", page.QuerySelector("#Email")!.GetAttribute("value"));
            Assert.Null(page.QuerySelector("#Password")!.GetAttribute("value"));
        }

        await SignInAsync(visitor, "two@home.invalid", "not this one");
        var locked = await SignInAsync(visitor, "two@home.invalid", "a long enough one");
        Assert.Contains("Try again in ten minutes", await locked.Content.ReadAsStringAsync(), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("", "a@b.invalid", "a long enough one", "Give the kitchen a name.")]
    [InlineData("K", "not an address", "a long enough one", "does not look like an email address")]
    [InlineData("K", "a@b.invalid", "short", "at least ten characters")]
    public async Task Bad_registrations_say_so_at_the_field(string name, string email, string password, string words)
    {
        var response = await TestKitchen.PostAsync(
            kitchen.Visitor(),
            "/account/register",
            "form.card-paper",
            new()
            {
                ["KitchenName"] = name,
                ["Email"] = email,
                ["Password"] = password,
            }
        );
        var page = await TestKitchen.ParseAsync(response);
        Assert.Contains(words, page.Body!.TextContent, StringComparison.Ordinal);
        Assert.Equal(email, page.QuerySelector("#Email")!.GetAttribute("value"));
    }

    [Fact]
    public async Task An_address_is_taken_once_and_a_failed_try_leaves_no_kitchen_behind()
    {
        await kitchen.NewBakerAsync("three@home.invalid");
        await using var context = kitchen.Context(null);
        var before = await context.Kitchens.IgnoreQueryFilters().CountAsync();
        var again = await TestKitchen.PostAsync(
            kitchen.Visitor(),
            "/account/register",
            "form.card-paper",
            new()
            {
                ["KitchenName"] = "K",
                ["Email"] = "three@home.invalid",
                ["Password"] = "a long enough one",
            }
        );
        Assert.Contains("There is an account with this address already", await again.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        // Only one unique character repeated: refused by Identity after the page's own checks.
        var weak = await TestKitchen.PostAsync(
            kitchen.Visitor(),
            "/account/register",
            "form.card-paper",
            new()
            {
                ["KitchenName"] = "K",
                ["Email"] = "four@home.invalid",
                ["Password"] = "aaaaaaaaaaaa",
            }
        );
        Assert.Contains("Password", await weak.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        Assert.Equal(before, await context.Kitchens.IgnoreQueryFilters().CountAsync());
    }

    [Fact]
    public async Task A_form_without_its_token_is_refused_kindly()
    {
        var response = await kitchen
            .Visitor()
            .PostAsync("/account/sign-in", new FormUrlEncodedContent([new("Email", "x"), new("Password", "y")]));
        Assert.Equal(HttpStatusCode.BadRequest, response.StatusCode);
        Assert.Contains("gone stale", await response.Content.ReadAsStringAsync(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Signing_out_shuts_the_door()
    {
        var baker = await kitchen.DemoBakerAsync();
        await TestKitchen.PostAsync(baker, "/book", "form[action='/account/sign-out']", []);
        Assert.Contains("Sign in", await baker.GetStringAsync("/book"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_cookie_is_out_of_reach_of_scripts()
    {
        var visitor = kitchen.Visitor(follow: false);
        var response = await TestKitchen.PostAsync(visitor, "/account/sign-in", "form.demo-door", []);
        var cookie = response.Headers.GetValues("Set-Cookie").Single(c => c.StartsWith("zymethos.baker=", StringComparison.Ordinal));
        Assert.Contains("httponly", cookie, StringComparison.OrdinalIgnoreCase);
        Assert.Contains("samesite=lax", cookie, StringComparison.OrdinalIgnoreCase);
    }
}

/// <summary>Without demo data there is no door into a demo kitchen.</summary>
public sealed class NoDemoTests(EmptyKitchen kitchen) : IClassFixture<EmptyKitchen>
{
    [Fact]
    public async Task The_button_is_not_there() =>
        Assert.DoesNotContain("demo", await kitchen.Visitor().GetStringAsync("/account/sign-in"), StringComparison.OrdinalIgnoreCase);

    [Fact]
    public async Task Knocking_anyway_finds_no_door()
    {
        var visitor = kitchen.Visitor();
        var page = await TestKitchen.ParseAsync(await visitor.GetAsync("/account/sign-in"));
        var token = page.QuerySelector("input[name=__RequestVerificationToken]")!.GetAttribute("value")!;
        var response = await visitor.PostAsync("/account/demo", new FormUrlEncodedContent([new("__RequestVerificationToken", token)]));
        Assert.Equal(HttpStatusCode.NotFound, response.StatusCode);
    }

    [Fact]
    public async Task No_kitchen_was_seeded()
    {
        kitchen.Visitor();
        await using var context = kitchen.Context(null);
        Assert.Equal(0, await context.Kitchens.IgnoreQueryFilters().CountAsync(k => k.IsDemo));
    }

    [Fact]
    public async Task The_api_is_rate_limited()
    {
        var visitor = kitchen.Visitor();
        HttpResponseMessage last = null!;
        for (var i = 0; i < 4; i++)
            last = await visitor.PostAsync("/api/v1/oven-days/plan", TestKitchen.Json("{}"));
        Assert.Equal(HttpStatusCode.TooManyRequests, last.StatusCode);
        Assert.Equal("application/problem+json", last.Content.Headers.ContentType!.MediaType);
        Assert.NotNull(last.Headers.RetryAfter);
    }
}
