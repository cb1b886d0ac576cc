using System.Net;
using System.Text.RegularExpressions;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using Zymethos.Store;
using Zymethos.Store.Tenancy;
using Zymethos.Work.Accounts;

namespace Zymethos.Web.Tests;

/// <summary>Password, address, devices and leaving.</summary>
public sealed partial class YourAccountTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    private const string Old = "a long enough one";
    private const string New = "three plums in a blue bowl";

    private static string Somebody() => $"{Guid.NewGuid():N}@home.invalid";

    private static Task<HttpResponseMessage> PostAsync(HttpClient baker, string handler, Dictionary<string, string> typed) =>
        TestKitchen.PostAsync(baker, "/account", $"form[action*='handler={handler}']", typed);

    private async Task<HttpClient> DeviceAsync(string email, string password)
    {
        var device = kitchen.Visitor();
        var answer = await TestKitchen.PostAsync(
            device,
            "/account/sign-in",
            "form.card-paper:not(.demo-door)",
            new() { ["Email"] = email, ["Password"] = password }
        );
        Assert.Equal("/oven-day", answer.RequestMessage!.RequestUri!.AbsolutePath);
        return device;
    }

    private static async Task<bool> IsInAsync(HttpClient device) =>
        (await device.GetAsync("/kitchen")).RequestMessage!.RequestUri!.AbsolutePath == "/kitchen";

    [Fact]
    public async Task Another_password_signs_the_other_devices_out_and_this_one_stays()
    {
        var email = Somebody();
        var (mine, other) = (await kitchen.NewBakerAsync(email), await DeviceAsync(email, Old));
        var wrong = await PostAsync(mine, "Password", new() { ["now"] = "not this one", ["next"] = New });
        Assert.Equal(HttpStatusCode.UnprocessableEntity, wrong.StatusCode);
        Assert.Contains("This is not your password", await wrong.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        Assert.True(await IsInAsync(other));
        var right = await PostAsync(mine, "Password", new() { ["now"] = Old, ["next"] = New });
        Assert.Contains("The password is changed", await right.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        Assert.True(await IsInAsync(mine));
        Assert.False(await IsInAsync(other));
        await DeviceAsync(email, New);
    }

    [Fact]
    public async Task Signing_out_everywhere_else()
    {
        var email = Somebody();
        var (mine, other) = (await kitchen.NewBakerAsync(email), await DeviceAsync(email, Old));
        var page = await TestKitchen.ParseAsync(await mine.GetAsync("/account"));
        Assert.Equal(2, page.QuerySelectorAll(".sign-ins li").Length);
        Assert.Single(page.QuerySelectorAll(".sign-ins li"), l => l.TextContent.Contains("this device", StringComparison.Ordinal));
        await PostAsync(mine, "Everywhere", []);
        Assert.True(await IsInAsync(mine));
        Assert.False(await IsInAsync(other));
    }

    [Fact]
    public async Task Another_address_counts_once_its_letter_was_opened()
    {
        var (email, next) = (Somebody(), Somebody());
        var mine = await kitchen.NewBakerAsync(email);
        await PostAsync(mine, "Email", new() { ["address"] = next, ["proof"] = Old });
        // Until then the old one counts.
        await DeviceAsync(email, Old);
        await using var all = kitchen.Context(null);
        var letter = await all.Messages.IgnoreQueryFilters().SingleAsync(m => m.To == next);
        var opened = await TestKitchen.PostAsync(kitchen.Visitor(), Link().Match(letter.Text).Value, "form.card-paper", []);
        Assert.Contains(next, await opened.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        await DeviceAsync(next, Old);
    }

    [GeneratedRegex(@"/account/\S+", RegexOptions.None, 900)]
    private static partial Regex Link();

    [Theory]
    [InlineData("plums", "does not look like an email")]
    [InlineData("", "does not look like an email")]
    public async Task An_address_that_is_none_is_said_where_it_was_typed(string typed, string said)
    {
        var mine = await kitchen.NewBakerAsync(Somebody());
        var answer = await PostAsync(mine, "Email", new() { ["address"] = typed, ["proof"] = Old });
        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        Assert.Contains(said, await answer.Content.ReadAsStringAsync(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_demo_account_cannot_be_changed_or_deleted()
    {
        var demo = await kitchen.DemoBakerAsync();
        var page = await TestKitchen.ParseAsync(await demo.GetAsync("/account"));
        Assert.Empty(page.QuerySelectorAll("main form"));
        var token = page.QuerySelector("input[name=__RequestVerificationToken]")!.GetAttribute("value")!;
        foreach (var handler in new[] { "Password", "Email", "Everywhere", "Close" })
        {
            var answer = await demo.PostAsync(
                $"/account?handler={handler}",
                new FormUrlEncodedContent(
                    new Dictionary<string, string> { ["__RequestVerificationToken"] = token, ["address"] = Somebody() }
                )
            );
            Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        }
    }

    [Fact]
    public async Task Somebody_who_is_not_signed_in_is_sent_to_the_door() =>
        Assert.Equal("/account/sign-in", (await kitchen.Visitor().GetAsync("/account")).RequestMessage!.RequestUri!.AbsolutePath);

    [Fact]
    public async Task A_kitchen_that_is_left_can_be_kept_for_two_weeks_and_is_then_gone_with_everything()
    {
        var (email, stays) = (Somebody(), Somebody());
        var mine = await kitchen.NewBakerAsync(email);
        await kitchen.NewBakerAsync(stays);
        await PostAsync(mine, "Close", new() { ["last"] = Old });
        Assert.Contains("will be deleted on", await mine.GetStringAsync("/account"), StringComparison.Ordinal);
        await PostAsync(mine, "Keep", []);
        Assert.DoesNotContain("will be deleted on", await mine.GetStringAsync("/account"), StringComparison.Ordinal);
        await PostAsync(mine, "Close", new() { ["last"] = Old });

        await using var all = kitchen.Context(null);
        var (leaving, other) = (
            (await all.Users.SingleAsync(u => u.Email == email)).KitchenId,
            (await all.Users.SingleAsync(u => u.Email == stays)).KitchenId
        );
        // One row of every kind that a kitchen owns.
        var session = Guid.NewGuid();
        await using (var own = kitchen.Context(leaving))
        {
            foreach (var type in Owned(own).OrderBy(t => t.Name is "BenchSessionRow" or "DeviceRow" ? 0 : 1).ToList())
                own.Add(OwnedRows.New(type, session));
            await own.SaveChangesAsync();
        }

        var clock = new Later();
        var closing = new Closing(StoreSetup.Options(kitchen.Connection), clock);
        clock.Days = 13;
        await closing.GoAsync(default);
        Assert.True(await all.Users.AnyAsync(u => u.Email == email));
        clock.Days = 15;
        Assert.Equal(1, await closing.GoAsync(default));
        Assert.False(await all.Users.AnyAsync(u => u.Email == email));
        Assert.False(await IsInAsync(mine));
        await using (var gone = kitchen.Context(leaving))
        {
            foreach (var type in Owned(gone).ToList())
                Assert.Equal(0, await Rows(gone, type).CountAsync());
            Assert.Empty(await gone.Kitchens.ToListAsync());
        }

        await using var left = kitchen.Context(other);
        Assert.NotEmpty(await left.Recipes.ToListAsync());
    }

    private static IEnumerable<Type> Owned(ZymethosContext context) =>
        context.Model.GetEntityTypes().Select(t => t.ClrType).Where(t => typeof(IKitchenOwned).IsAssignableFrom(t));

    private static IQueryable<IKitchenOwned> Rows(ZymethosContext context, Type type) =>
        (IQueryable<IKitchenOwned>)
            typeof(DbContext).GetMethod(nameof(DbContext.Set), 1, [])!.MakeGenericMethod(type).Invoke(context, null)!;

    private sealed class Later : IClock
    {
        public int Days { get; set; }

        public Instant GetCurrentInstant() => SystemClock.Instance.GetCurrentInstant() + Duration.FromDays(Days);
    }
}
