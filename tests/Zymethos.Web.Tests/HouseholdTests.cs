using System.Net;
using AngleSharp.Html.Dom;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Core.Kitchens;
using Zymethos.Store.Accounts;
using Zymethos.Work.Accounts;

namespace Zymethos.Web.Tests;

/// <summary>Several people in one kitchen: invited by a link, with roles that hold on every page, taken out at once.</summary>
public sealed class HouseholdTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    private static string Somebody() => $"{Guid.NewGuid():N}@home.invalid";

    private static Task<HttpResponseMessage> PostAsync(
        HttpClient baker,
        string handler,
        Dictionary<string, string> typed,
        string page = "/account/household"
    ) => TestKitchen.PostAsync(baker, page, $"form[action*='handler={handler}']", typed);

    private static async Task<string> InviteAsync(HttpClient baker, string role)
    {
        var page = await TestKitchen.ParseAsync(await PostAsync(baker, "Invite", new() { ["role"] = role }));
        return new Uri(page.QuerySelector("#invitation-address")!.GetAttribute("href")!).PathAndQuery;
    }

    private static async Task<HttpResponseMessage> ComeAsync(HttpClient guest, string address, string name) =>
        await TestKitchen.PostAsync(guest, address, "form.card-paper", new() { ["called"] = name });

    /// <summary>A new account that has come into a kitchen.</summary>
    private async Task<(HttpClient Guest, string Email)> GuestAsync(HttpClient host, string role, string name)
    {
        var email = Somebody();
        var guest = await kitchen.NewBakerAsync(email);
        var came = await ComeAsync(guest, await InviteAsync(host, role), name);
        Assert.Equal("/today", came.RequestMessage!.RequestUri!.AbsolutePath);
        return (guest, email);
    }

    private static async Task NameKitchenAsync(HttpClient baker, string name) =>
        Assert.Equal(
            HttpStatusCode.OK,
            (await TestKitchen.PostAsync(baker, "/kitchen", "#kitchen-form", new() { ["Form.Name"] = name })).StatusCode
        );

    private static async Task<string> KitchenNameAsync(HttpClient baker) =>
        (
            (IHtmlInputElement)(await TestKitchen.ParseAsync(await baker.GetAsync("/kitchen"))).QuerySelector("input[name='Form.Name']")!
        ).Value;

    private static async Task<string> MemberAsync(HttpClient baker, string name)
    {
        var page = await TestKitchen.ParseAsync(await baker.GetAsync("/account/household"));
        return page.QuerySelectorAll(".members li")
            .Single(l => l.QuerySelector("strong")!.TextContent == name)
            .QuerySelector("input[name=member]")!
            .GetAttribute("value")!;
    }

    [Fact]
    public async Task A_stranger_with_the_link_opens_an_account_and_bakes_in_the_same_kitchen()
    {
        var host = await kitchen.NewBakerAsync(Somebody());
        await NameKitchenAsync(host, "Quay Cottage");
        var address = await InviteAsync(host, "Baker");

        // Opened without an account: it says whose kitchen it is, and leads to a new account and back.
        var guest = kitchen.Visitor();
        var page = await TestKitchen.ParseAsync(await guest.GetAsync(address));
        Assert.Contains("Quay Cottage", page.QuerySelector("h1")!.TextContent, StringComparison.Ordinal);
        var register = page.QuerySelector("a[href^='/account/register']")!.GetAttribute("href")!;
        var back = await TestKitchen.PostAsync(
            guest,
            register,
            "form.card-paper",
            new()
            {
                ["KitchenName"] = "Mine",
                ["Email"] = Somebody(),
                ["Password"] = "a long enough one",
            }
        );
        Assert.Equal(address, back.RequestMessage!.RequestUri!.AbsolutePath);
        await ComeAsync(guest, address, "Wren");
        Assert.Equal("Quay Cottage", await KitchenNameAsync(guest));

        // What one changes the other sees.
        await NameKitchenAsync(guest, "Quay House");
        Assert.Equal("Quay House", await KitchenNameAsync(host));

        // Used up: nobody else comes in with it.
        var other = await kitchen.NewBakerAsync(Somebody());
        Assert.Contains(
            "This invitation has ended",
            await (await other.GetAsync(address)).Content.ReadAsStringAsync(),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task A_helper_looks_at_everything_and_changes_nothing_but_the_Bench_and_the_shopping()
    {
        var host = await kitchen.NewBakerAsync(Somebody());
        await NameKitchenAsync(host, "Mill Row");
        var (helper, _) = await GuestAsync(host, "Helper", "Tam");
        foreach (var page in new[] { "/season", "/oven-day", "/book", "/kitchen", "/larder", "/daybook", "/parcels", "/today", "/bench" })
            Assert.Equal(HttpStatusCode.OK, (await helper.GetAsync(page)).StatusCode);
        var refused = await TestKitchen.PostAsync(helper, "/kitchen", "#kitchen-form", new() { ["Form.Name"] = "Taken over" });
        Assert.Equal(HttpStatusCode.Forbidden, refused.StatusCode);
        Assert.Contains("for the bakers of this kitchen", await refused.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        Assert.Equal("Mill Row", await KitchenNameAsync(host));
        Assert.Equal(
            HttpStatusCode.Forbidden,
            (
                await TestKitchen.PostAsync(
                    helper,
                    "/oven-day?date=2031-05-03&add=plum-street-butters",
                    "#setup",
                    new() { ["Setup.From"] = "08:00", ["Setup.Until"] = "20:00" }
                )
            ).StatusCode
        );
        // The Bench is theirs to work at.
        Assert.NotEmpty(await TestKitchen.BeginAsync(helper, "plum-street-butters"));
    }

    [Fact]
    public async Task A_helper_can_neither_invite_nor_make_themselves_a_baker_nor_delete_the_kitchen()
    {
        var host = await kitchen.NewBakerAsync(Somebody());
        var (helper, email) = await GuestAsync(host, "Helper", "Ines");
        var page = await TestKitchen.ParseAsync(await helper.GetAsync("/account/household"));
        var token = page.QuerySelector("input[name=__RequestVerificationToken]")!.GetAttribute("value")!;
        await using var context = kitchen.Context(null);
        var me = (await context.Users.SingleAsync(u => u.Email == email)).Id;
        foreach (
            var (at, typed) in new (string, Dictionary<string, string>)[]
            {
                ("/account/household?handler=Invite", new() { ["role"] = "Baker" }),
                ("/account/household?handler=Role", new() { ["member"] = me.ToString(), ["role"] = "Baker" }),
                ("/account?handler=Close", new() { ["last"] = "a long enough one" }),
            }
        )
        {
            typed["__RequestVerificationToken"] = token;
            using var form = new FormUrlEncodedContent(typed);
            Assert.False((await helper.PostAsync(at, form)).IsSuccessStatusCode, at);
        }

        Assert.Equal(HouseRole.Helper, (await context.Members.SingleAsync(m => m.BakerId == me && m.Name == "Ines")).Role);
        Assert.False(await context.Closing.AnyAsync(c => context.Members.Any(m => m.BakerId == me && m.KitchenId == c.KitchenId)));
    }

    [Fact]
    public async Task Somebody_taken_out_is_out_on_every_device_at_the_next_request_and_lands_in_their_own_kitchen()
    {
        var host = await kitchen.NewBakerAsync(Somebody());
        await NameKitchenAsync(host, "Bell Yard");
        var (guest, _) = await GuestAsync(host, "Baker", "Odd");
        Assert.Equal("Bell Yard", await KitchenNameAsync(guest));
        await PostAsync(host, "Remove", new() { ["member"] = await MemberAsync(host, "Odd") });
        Assert.Equal("Own", await KitchenNameAsync(guest));
        Assert.Equal("Bell Yard", await KitchenNameAsync(host));
    }

    [Fact]
    public async Task A_role_counts_from_the_next_request_on()
    {
        var host = await kitchen.NewBakerAsync(Somebody());
        var (guest, _) = await GuestAsync(host, "Helper", "Bo");
        await PostAsync(host, "Role", new() { ["member"] = await MemberAsync(host, "Bo"), ["role"] = "Baker" });
        await NameKitchenAsync(guest, "Named by Bo");
        Assert.Equal("Named by Bo", await KitchenNameAsync(host));
    }

    [Fact]
    public async Task The_only_baker_can_neither_leave_nor_become_a_helper()
    {
        var email = Somebody();
        var host = await kitchen.NewBakerAsync(email);
        await GuestAsync(host, "Helper", "Fern");
        var left = await PostAsync(host, "Leave", []);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, left.StatusCode);
        Assert.Contains("You are the only baker here", await left.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        await using var context = kitchen.Context(null);
        var me = await context.Users.SingleAsync(u => u.Email == email);
        var household = new Household(Zymethos.Store.StoreSetup.Options(kitchen.Connection), SystemClock.Instance);
        Assert.False(await household.SetRoleAsync(me.KitchenId, me.Id, HouseRole.Helper, default));
    }

    [Fact]
    public async Task Two_bakers_who_leave_at_once_do_not_leave_the_kitchen_without_one()
    {
        var email = Somebody();
        var host = await kitchen.NewBakerAsync(email);
        var (_, other) = await GuestAsync(host, "Baker", "Kit");
        await using var context = kitchen.Context(null);
        var both = await context.Users.Where(u => u.Email == email || u.Email == other).ToListAsync();
        var home = both.Single(u => u.Email == email).KitchenId;
        var household = new Household(Zymethos.Store.StoreSetup.Options(kitchen.Connection), SystemClock.Instance);
        var gone = await Task.WhenAll(both.Select(b => household.RemoveAsync(home, b.Id, default)));
        Assert.Single(gone, g => g);
        Assert.Equal(1, await context.Members.CountAsync(m => m.KitchenId == home));
    }

    [Fact]
    public async Task Two_who_open_one_link_at_once_do_not_both_come_in()
    {
        var host = await kitchen.NewBakerAsync(Somebody());
        var secret = (await InviteAsync(host, "Helper")).Split('/')[^1];
        var emails = new[] { Somebody(), Somebody() };
        foreach (var email in emails)
            await kitchen.NewBakerAsync(email);
        await using var context = kitchen.Context(null);
        var guests = await context.Users.Where(u => emails.Contains(u.Email)).Select(u => u.Id).ToListAsync();
        var household = new Household(Zymethos.Store.StoreSetup.Options(kitchen.Connection), SystemClock.Instance);
        var came = await Task.WhenAll(guests.Select(g => household.JoinAsync(g, secret, "Guest", default)));
        Assert.Single(came, c => c is not null);
    }

    [Fact]
    public async Task An_invitation_that_was_taken_back_opens_nothing()
    {
        var host = await kitchen.NewBakerAsync(Somebody());
        var address = await InviteAsync(host, "Helper");
        var page = await TestKitchen.ParseAsync(await host.GetAsync("/account/household"));
        await PostAsync(host, "Withdraw", new() { ["invite"] = page.QuerySelector("input[name=invite]")!.GetAttribute("value")! });
        Assert.Contains(
            "This invitation has ended",
            await (await kitchen.Visitor().GetAsync(address)).Content.ReadAsStringAsync(),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task A_baker_has_two_kitchens_and_each_device_stays_in_its_own()
    {
        var email = Somebody();
        var here = await kitchen.NewBakerAsync(email);
        await PostAsync(here, "New", new() { ["another"] = "Lake house" }, "/account");
        Assert.Equal("Lake house", await KitchenNameAsync(here));

        // The next sign-in begins where the baker was last, and then goes its own way.
        var there = kitchen.Visitor();
        await TestKitchen.PostAsync(
            there,
            "/account/sign-in",
            "form.card-paper:not(.demo-door)",
            new() { ["Email"] = email, ["Password"] = "a long enough one" }
        );
        Assert.Equal("Lake house", await KitchenNameAsync(there));
        var page = await TestKitchen.ParseAsync(await there.GetAsync("/account"));
        var first = page.QuerySelector("form[action*='handler=Go'] input[name=kitchen]")!.GetAttribute("value")!;
        await PostAsync(there, "Go", new() { ["kitchen"] = first }, "/account");
        Assert.Equal("Own", await KitchenNameAsync(there));
        Assert.Equal("Lake house", await KitchenNameAsync(here));

        // Somebody else's kitchen is not to be gone to.
        var stranger = await kitchen.NewBakerAsync(Somebody());
        await PostAsync(stranger, "New", new() { ["another"] = "Elsewhere" }, "/account");
        Assert.Equal(HttpStatusCode.NotFound, (await PostAsync(stranger, "Go", new() { ["kitchen"] = first }, "/account")).StatusCode);
    }

    [Fact]
    public async Task Each_reads_in_their_own_measures_and_clock_and_the_kitchen_keeps_its_own()
    {
        var host = await kitchen.NewBakerAsync(Somebody());
        var (guest, _) = await GuestAsync(host, "Baker", "Sal");
        var date = DateTime.UtcNow.Date.AddDays(9).ToString("yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture);
        await TestKitchen.PostAsync(
            host,
            $"/oven-day?date={date}&add=plum-street-butters",
            "#setup",
            new() { ["Setup.From"] = "13:00", ["Setup.Until"] = "20:00" }
        );
        var own = await PostAsync(
            guest,
            "Own",
            new()
            {
                ["called"] = "Sal",
                ["habit"] = "UsCustomary",
                ["face"] = "Hours12",
            }
        );
        Assert.Contains("Kept.", await own.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        await using (var look = kitchen.Context(null))
            Assert.Equal(ClockFace.Hours12, (await look.Members.SingleAsync(m => m.Name == "Sal")).Clock);

        async Task<string> SheetAsync(HttpClient baker) =>
            (await TestKitchen.ParseAsync(await baker.GetAsync($"/oven-day?date={date}"))).QuerySelector(".sheet")!.TextContent;
        var (hers, theirs) = (await SheetAsync(host), await SheetAsync(guest));
        Assert.Contains("13:", hers, StringComparison.Ordinal);
        Assert.DoesNotContain("pm", hers, StringComparison.Ordinal);
        Assert.Contains("pm", theirs, StringComparison.Ordinal);
        Assert.DoesNotContain("13:", theirs, StringComparison.Ordinal);
        Assert.Contains("°F", theirs, StringComparison.Ordinal);
        Assert.DoesNotContain("°F", hers, StringComparison.Ordinal);

        // Planned anew by the one with cups: what is kept is still the kitchen's.
        await TestKitchen.PostAsync(
            guest,
            $"/oven-day?date={date}",
            "#setup",
            new() { ["Setup.From"] = "2:00 pm", ["Setup.Until"] = "8:00 pm" }
        );
        await using var context = kitchen.Context(null);
        var parsed = NodaTime.Text.LocalDatePattern.Iso.Parse(date).Value;
        var kept = await context.OvenDays.IgnoreQueryFilters().AsNoTracking().Where(d => d.Date == parsed).ToListAsync();
        var day = Assert.Single(kept, d => d.Document.Day.From == "14:00");
        Assert.Equal(("metric", "hours24"), (day.Document.Kitchen.Habit, day.Document.Kitchen.Clock));
        Assert.Contains("14:", await SheetAsync(host), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_kitchen_that_is_deleted_leaves_those_an_account_who_have_another()
    {
        var hostEmail = Somebody();
        var host = await kitchen.NewBakerAsync(hostEmail);
        var (guest, guestEmail) = await GuestAsync(host, "Baker", "Lou");
        await using var context = kitchen.Context(null);
        var home = (await context.Users.AsNoTracking().SingleAsync(u => u.Email == hostEmail)).KitchenId;
        context.Closing.Add(new ClosingRow { KitchenId = home, ClosesAt = SystemClock.Instance.GetCurrentInstant() });
        await context.SaveChangesAsync();
        await new Closing(Zymethos.Store.StoreSetup.Options(kitchen.Connection), SystemClock.Instance).GoAsync(default);
        Assert.True(await context.Users.AnyAsync(u => u.Email == guestEmail));
        Assert.False(await context.Users.AnyAsync(u => u.Email == hostEmail));
        Assert.Equal("Own", await KitchenNameAsync(guest));
    }

    [Fact]
    public async Task A_link_for_a_new_password_lies_in_nobody_elses_letter_box()
    {
        var email = Somebody();
        var host = await kitchen.NewBakerAsync(email);
        var (guest, _) = await GuestAsync(host, "Baker", "Pim");
        await TestKitchen.PostAsync(kitchen.Visitor(), "/account/forgotten", "form.card-paper", new() { ["Email"] = email });
        Assert.Contains("/account/reset", await host.GetStringAsync("/letter-box"), StringComparison.Ordinal);
        Assert.DoesNotContain("/account/reset", await guest.GetStringAsync("/letter-box"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task An_account_of_the_time_before_households_is_the_baker_of_its_kitchen()
    {
        var email = Somebody();
        var baker = await kitchen.NewBakerAsync(email);
        await NameKitchenAsync(baker, "As it was");
        await using var context = kitchen.Context(null);
        await context.Members.Where(m => context.Users.Any(u => u.Id == m.BakerId && u.Email == email)).ExecuteDeleteAsync();
        Assert.Equal("As it was", await KitchenNameAsync(baker));
        Assert.Equal(
            HouseRole.Baker,
            (await context.Members.SingleAsync(m => context.Users.Any(u => u.Id == m.BakerId && u.Email == email))).Role
        );
    }
}
