using System.Net;
using AngleSharp.Dom;
using Zymethos.Core.Measures;

namespace Zymethos.Web.Tests;

public sealed class PageTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    [Theory]
    [InlineData("/oven-day")]
    [InlineData("/book")]
    [InlineData("/book/lantern-plait")]
    [InlineData("/kitchen")]
    public async Task Every_place_asks_for_a_sign_in(string page)
    {
        var response = await kitchen.Visitor(follow: false).GetAsync(page);
        Assert.Equal(HttpStatusCode.Redirect, response.StatusCode);
        Assert.Contains("/account/sign-in", response.Headers.Location!.ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_book_lists_the_nineteen_recipes_with_heat_and_yield()
    {
        var page = await TestKitchen.ParseAsync(await (await kitchen.DemoBakerAsync()).GetAsync("/book"));
        Assert.Equal(19, page.QuerySelectorAll(".book article").Length);
        Assert.Contains("180 °C / 350 °F", page.Body!.TextContent, StringComparison.Ordinal);
        Assert.Contains("oven-proof spell", page.Body.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_recipe_reads_with_weights_measures_windows_done_tests_and_cautions()
    {
        var page = await TestKitchen.ParseAsync(await (await kitchen.DemoBakerAsync()).GetAsync("/book/lantern-plait"));
        Assert.Equal("Lantern plait", page.QuerySelector("h1")!.TextContent);
        Assert.Equal(10, page.QuerySelectorAll(".lines tbody tr").Length);
        Assert.Contains("180 °C / 350 °F (fan 160 °C, gas 4)", page.QuerySelector(".method")!.TextContent, StringComparison.Ordinal);
        Assert.Equal(11, page.QuerySelectorAll(".method > li").Length);
        Assert.Contains("a proofed loaf has minutes, not hours", page.Body!.TextContent, StringComparison.Ordinal);
        Assert.Contains("Take out dough, towel and the pan of water", page.Body.TextContent, StringComparison.Ordinal);
        Assert.NotEmpty(page.QuerySelectorAll(".done-test"));
    }

    [Fact]
    public async Task The_seeded_day_is_drawn_and_listed_from_the_same_plan()
    {
        var page = await TestKitchen.ParseAsync(await (await kitchen.DemoBakerAsync()).GetAsync("/oven-day"));
        var loads = page.QuerySelectorAll(".loads a").Select(a => a.GetAttribute("data-task")).ToHashSet();
        var listed = page.QuerySelectorAll(".sheet tr.line-in").Select(r => r.GetAttribute("data-task")).ToHashSet();
        Assert.Equal(listed.Count, loads.Count);
        Assert.True(loads.SetEquals(listed));
        Assert.NotEmpty(page.QuerySelector(".heat-line")!.GetAttribute("d")!);
        Assert.Contains("Oven on, dial to", page.QuerySelector(".sheet")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("Take dough, towel and water out of the oven", page.QuerySelector(".sheet")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("No order can finish", page.QuerySelector(".proof")!.TextContent, StringComparison.Ordinal);
        Assert.All(page.QuerySelectorAll(".trace a"), a => Assert.False(string.IsNullOrWhiteSpace(a.GetAttribute("aria-label"))));
    }

    [Fact]
    public async Task Reasons_are_a_fragment_for_htmx_and_a_page_without_scripts()
    {
        var baker = await kitchen.DemoBakerAsync();
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/oven-day"));
        var load = page.QuerySelector(".loads a")!;
        var fragment = await (await baker.GetAsync(load.GetAttribute("hx-get"))).Content.ReadAsStringAsync();
        Assert.Contains("Why not earlier", fragment, StringComparison.Ordinal);
        Assert.DoesNotContain("<html", fragment, StringComparison.Ordinal);
        var whole = await TestKitchen.ParseAsync(await baker.GetAsync(load.GetAttribute("href")));
        Assert.Contains("Why not earlier", whole.QuerySelector("#why")!.TextContent, StringComparison.Ordinal);
        Assert.NotEmpty(whole.QuerySelectorAll(".is-chosen"));
    }

    [Theory]
    [InlineData("/oven-day?handler=Why&step=nothing")]
    [InlineData("/book/no-such-recipe")]
    [InlineData("/no/such/place")]
    public async Task What_is_not_there_says_so_in_the_house_style(string address)
    {
        var response = await (await kitchen.DemoBakerAsync()).GetAsync(address);
        Assert.Equal(HttpStatusCode.NotFound, response.StatusCode);
        Assert.Contains("Nothing on this shelf", await response.Content.ReadAsStringAsync(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Nonsense_in_an_address_does_not_break_the_page()
    {
        var response = await (await kitchen.DemoBakerAsync()).GetAsync("/oven-day?date=soon&step=%00%3Cscript%3E");
        Assert.Equal(HttpStatusCode.OK, response.StatusCode);
    }

    [Fact]
    public async Task Nothing_comes_from_elsewhere_and_nothing_inline_runs()
    {
        var response = await kitchen.Visitor().GetAsync("/account/sign-in");
        var policy = response.Headers.GetValues("Content-Security-Policy").Single();
        Assert.Contains("script-src 'self'", policy, StringComparison.Ordinal);
        Assert.DoesNotContain("unsafe", policy, StringComparison.Ordinal);
        var page = await TestKitchen.ParseAsync(response);
        Assert.All(
            page.QuerySelectorAll("script, link, img"),
            e => Assert.StartsWith("/", e.GetAttribute("src") ?? e.GetAttribute("href") ?? "", StringComparison.Ordinal)
        );
        Assert.Empty(page.QuerySelectorAll("[style], style, script:not([src])"));
    }

    [Fact]
    public async Task The_first_view_is_under_100_kB_compressed_without_fonts()
    {
        var baker = await kitchen.DemoBakerAsync();
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/oven-day"));
        var total = 0L;
        foreach (
            var address in page.QuerySelectorAll("link[rel=stylesheet], script[src]")
                .Select(e => e.GetAttribute("href") ?? e.GetAttribute("src")!)
                .Prepend("/oven-day")
        )
        {
            using var request = new HttpRequestMessage(HttpMethod.Get, address);
            request.Headers.Add("Accept-Encoding", "br, gzip");
            var response = await baker.SendAsync(request);
            Assert.NotEmpty(response.Content.Headers.ContentEncoding);
            total += (await response.Content.ReadAsByteArrayAsync()).Length;
        }

        Assert.InRange(total, 1, 100_000);
    }

    [Fact]
    public async Task The_server_says_that_it_lives_and_is_ready()
    {
        Assert.Equal("Healthy", await kitchen.Visitor().GetStringAsync("/health/live"));
        Assert.Equal("Healthy", await kitchen.Visitor().GetStringAsync("/health/ready"));
    }

    [Fact]
    public async Task The_theme_is_kept_and_leads_back()
    {
        var visitor = kitchen.Visitor(follow: false);
        var page = await TestKitchen.ParseAsync(await visitor.GetAsync("/account/sign-in"));
        var token = page.QuerySelector("form[action='/theme'] input[name=__RequestVerificationToken]")!.GetAttribute("value")!;
        var answer = await visitor.PostAsync(
            "/theme",
            new FormUrlEncodedContent(
                [new("theme", "low"), new("back", "https://elsewhere.invalid/"), new("__RequestVerificationToken", token)]
            )
        );
        Assert.Equal("/", answer.Headers.Location!.ToString());
        Assert.Contains("data-theme=\"low\"", await visitor.GetStringAsync("/account/sign-in"), StringComparison.Ordinal);
    }
}
