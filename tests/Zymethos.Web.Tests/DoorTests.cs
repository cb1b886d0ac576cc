using System.Net;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Hosting;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Configuration;
using NodaTime;
using Zymethos.Web.Places.Account;
using Zymethos.Web.Setup;

namespace Zymethos.Web.Tests;

/// <summary>The doors of the house: passwords, wrong ones, cookies, what caches may keep, and who is believed about where a request came
/// from.</summary>
public sealed class DoorTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    [Theory]
    [InlineData("password12")]
    [InlineData("P@ssw0rd!!")]
    [InlineData("1234567890")]
    [InlineData("0987654321")]
    [InlineData("aaaaaaaaaaaa")]
    [InlineData("abcabcabcabc")]
    [InlineData("qwertyuiop")]
    [InlineData("Sourdough2031")]
    [InlineData("passwordpassword")]
    [InlineData("Christmas2030!")]
    public void What_everybody_tries_first_is_refused(string password) => Assert.True(CommonPasswords.IsCommon(password));

    [Theory]
    [InlineData("a long enough one")]
    [InlineData("the oven hums at six")]
    [InlineData("plum jam on the shelf")]
    [InlineData("Tk4-vase-lorry")]
    [InlineData("passing words on")]
    public void A_sentence_of_ones_own_is_taken(string password) => Assert.False(CommonPasswords.IsCommon(password));

    [Fact]
    public async Task A_common_password_is_said_at_its_field_and_leaves_no_kitchen_behind()
    {
        await using var context = kitchen.Context(null);
        var before = await context.Kitchens.IgnoreQueryFilters().CountAsync();
        var answer = await TestKitchen.PostAsync(
            kitchen.Visitor(),
            "/account/register",
            "form.card-paper",
            new()
            {
                ["KitchenName"] = "K",
                ["Email"] = $"{Guid.NewGuid():N}@home.invalid",
                ["Password"] = "Gingerbread1",
            }
        );
        Assert.Contains(
            "Everybody tries this password first",
            (await TestKitchen.ParseAsync(answer)).Body!.TextContent,
            StringComparison.Ordinal
        );
        Assert.Equal(before, await context.Kitchens.IgnoreQueryFilters().CountAsync());
    }

    [Fact]
    public async Task Two_forms_with_one_address_at_once_make_one_kitchen()
    {
        var email = $"{Guid.NewGuid():N}@home.invalid";
        await using var context = kitchen.Context(null);
        var before = await context.Kitchens.IgnoreQueryFilters().CountAsync();
        var answers = await Task.WhenAll(
            Enumerable
                .Range(0, 4)
                .Select(_ =>
                    TestKitchen.PostAsync(
                        kitchen.Visitor(),
                        "/account/register",
                        "form.card-paper",
                        new()
                        {
                            ["KitchenName"] = "K",
                            ["Email"] = email,
                            ["Password"] = "the oven hums at six",
                        }
                    )
                )
        );
        Assert.All(answers, a => Assert.Equal(HttpStatusCode.OK, a.StatusCode));
        Assert.Equal(before + 1, await context.Kitchens.IgnoreQueryFilters().CountAsync());
    }

    [Fact]
    public void Wrong_passwords_make_only_the_one_who_typed_them_wait()
    {
        var clock = new SeasonKitchen.SettableClock();
        var guard = new SignInGuard(clock);
        for (var i = 0; i < SignInGuard.MostForOne; i++)
            guard.Wrong("10.0.0.1", "wren@home.invalid");
        Assert.True(guard.MustWait("10.0.0.1", " WREN@home.invalid"));
        Assert.False(guard.MustWait("10.0.0.2", "wren@home.invalid"));
        Assert.False(guard.MustWait("10.0.0.1", "rook@home.invalid"));
        clock.Now += SignInGuard.Pause;
        Assert.False(guard.MustWait("10.0.0.1", "wren@home.invalid"));
    }

    [Fact]
    public void Many_accounts_from_one_address_make_it_wait_for_all()
    {
        var guard = new SignInGuard(new SeasonKitchen.SettableClock());
        for (var i = 0; i < SignInGuard.MostFromOne; i++)
            guard.Wrong("10.0.0.1", $"{i}@home.invalid");
        Assert.True(guard.MustWait("10.0.0.1", "wren@home.invalid"));
        Assert.False(guard.MustWait("10.0.0.2", "wren@home.invalid"));
    }

    [Fact]
    public void The_right_password_forgets_the_wrong_ones()
    {
        var guard = new SignInGuard(new SeasonKitchen.SettableClock());
        for (var i = 0; i < SignInGuard.MostForOne - 1; i++)
            guard.Wrong("10.0.0.1", "wren@home.invalid");
        guard.Right("10.0.0.1", "wren@home.invalid");
        guard.Wrong("10.0.0.1", "wren@home.invalid");
        Assert.False(guard.MustWait("10.0.0.1", "wren@home.invalid"));
    }

    [Fact]
    public async Task An_account_that_is_not_there_is_answered_like_one_that_is()
    {
        var email = $"{Guid.NewGuid():N}@home.invalid";
        await kitchen.NewBakerAsync(email);
        var words = new List<string>();
        foreach (var who in new[] { email, $"{Guid.NewGuid():N}@home.invalid", DatabaseStartup.DemoEmail })
        {
            var answer = await TestKitchen.PostAsync(
                kitchen.Visitor(),
                "/account/sign-in",
                "form.card-paper:not(.demo-door)",
                new() { ["Email"] = who, ["Password"] = "not this one" }
            );
            words.Add((await TestKitchen.ParseAsync(answer)).Body!.TextContent.Replace(who, "", StringComparison.Ordinal));
        }

        Assert.Single(words.Distinct(StringComparer.Ordinal));
    }

    [Theory]
    [InlineData("/book")]
    [InlineData("/oven-day")]
    [InlineData("/season")]
    [InlineData("/kitchen")]
    [InlineData("/book/export")]
    public async Task What_a_kitchen_holds_stays_in_no_cache(string address)
    {
        var answer = await (await kitchen.DemoBakerAsync()).GetAsync(address);
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        Assert.True(answer.Headers.CacheControl is { NoStore: true }, $"{address}: {answer.Headers.CacheControl}");
    }

    [Fact]
    public async Task Files_of_the_application_may_be_kept()
    {
        var answer = await kitchen.Visitor().GetAsync("/places/Shared/house.css");
        Assert.False(answer.Headers.CacheControl?.NoStore ?? false);
    }

    [Fact]
    public async Task Behind_tls_cookies_are_bound_to_the_host_and_never_sent_in_the_clear()
    {
        await using var tls = kitchen.WithWebHostBuilder(b => b.UseSetting("ZYMETHOS_TLS", "1"));
        using var client = tls.CreateClient(new() { BaseAddress = new Uri("https://bake.invalid"), AllowAutoRedirect = false });
        var page = await client.GetAsync("/account/sign-in");
        Assert.True(page.Headers.Contains("Strict-Transport-Security"));
        var cookies = page.Headers.GetValues("Set-Cookie").ToList();
        var door = await TestKitchen.PostAsync(client, "/account/sign-in", "form.demo-door", []);
        cookies.AddRange(door.Headers.GetValues("Set-Cookie"));
        Assert.Contains(cookies, c => c.StartsWith("__Host-zymethos.baker=", StringComparison.Ordinal));
        Assert.All(
            cookies,
            c =>
            {
                Assert.StartsWith("__Host-", c, StringComparison.Ordinal);
                Assert.Contains("; secure", c, StringComparison.OrdinalIgnoreCase);
                Assert.Contains("; path=/", c, StringComparison.OrdinalIgnoreCase);
            }
        );
    }

    [Fact]
    public async Task A_host_that_is_not_named_is_refused()
    {
        await using var named = kitchen.WithWebHostBuilder(b => b.UseSetting("ZYMETHOS_HOSTS", "bake.invalid"));
        using var client = named.CreateClient(new() { AllowAutoRedirect = false });
        Assert.Equal(
            HttpStatusCode.BadRequest,
            (
                await client.SendAsync(
                    new HttpRequestMessage(HttpMethod.Get, "/account/sign-in") { Headers = { Host = "elsewhere.invalid" } }
                )
            ).StatusCode
        );
        Assert.Equal(
            HttpStatusCode.OK,
            (
                await client.SendAsync(new HttpRequestMessage(HttpMethod.Get, "/account/sign-in") { Headers = { Host = "bake.invalid" } })
            ).StatusCode
        );
    }

    [Theory]
    [InlineData("", 0, 0)]
    [InlineData("10.0.0.2", 1, 0)]
    [InlineData("10.0.0.2, 10.1.0.0/16, ::1", 2, 1)]
    public void Only_named_proxies_are_believed(string setting, int proxies, int networks)
    {
        var proxy = BehindProxy.From(new ConfigurationBuilder().AddInMemoryCollection([new("ZYMETHOS_PROXIES", setting)]).Build());
        var options = new ForwardedHeadersOptions();
        proxy.Apply(options);
        Assert.Equal((proxies, networks), (options.KnownProxies.Count, options.KnownIPNetworks.Count));
        Assert.Equal(proxies + networks > 0, proxy.HasProxies);
    }

    [Theory]
    [InlineData("the proxy")]
    [InlineData("10.0.0.2, 10.0.0.300")]
    public void A_proxy_that_is_no_address_stops_the_start(string setting) =>
        Assert.Throws<InvalidOperationException>(() =>
            BehindProxy.From(new ConfigurationBuilder().AddInMemoryCollection([new("ZYMETHOS_PROXIES", setting)]).Build())
        );

    [Fact]
    public async Task The_application_owns_its_database_and_nothing_else_of_the_server()
    {
        await using var context = kitchen.Context(null);
        var may = await context
            .Database.SqlQuery<bool>(
                $"""
                SELECT rolsuper OR rolcreaterole OR rolreplication OR rolbypassrls AS "Value"
                FROM pg_roles WHERE rolname = current_user
                """
            )
            .SingleAsync();
        Assert.False(may);
    }
}
