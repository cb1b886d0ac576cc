using System.Net;
using Microsoft.EntityFrameworkCore;

namespace Zymethos.Web.Tests;

/// <summary>The same button pressed several times in one moment does once what it does.</summary>
public sealed class AtOnceTests(TestKitchen kitchen) : IClassFixture<TestKitchen>
{
    private async Task<(HttpClient Baker, Guid Kitchen)> BakerAsync()
    {
        var email = $"{Guid.NewGuid():N}@home.invalid";
        var baker = await kitchen.NewBakerAsync(email);
        await using var all = kitchen.Context(null);
        return (baker, await all.Users.Where(u => u.Email == email).Select(u => u.KitchenId).SingleAsync());
    }

    private static async Task<HttpStatusCode[]> PressAsync(
        HttpClient baker,
        string page,
        string form,
        Dictionary<string, string> typed,
        int times
    ) =>
        await Task.WhenAll(
            Enumerable.Range(0, times).Select(async _ => (await TestKitchen.PostAsync(baker, page, form, typed)).StatusCode)
        );

    [Fact]
    public async Task A_recipe_opened_for_editing_by_many_has_one_draft()
    {
        var (baker, own) = await BakerAsync();
        Assert.All(
            await PressAsync(baker, "/book/lantern-plait", "form[action*='handler=Edit']", [], 8),
            s => Assert.Equal(HttpStatusCode.OK, s)
        );
        await using var context = kitchen.Context(own);
        Assert.Equal(1, await context.RecipeDrafts.CountAsync());
    }

    [Fact]
    public async Task One_dough_is_tallied_however_often_it_is_begun()
    {
        var (baker, own) = await BakerAsync();
        Assert.All(
            await PressAsync(baker, "/book/lantern-plait/scale", "form[action*='handler=Tally']", new() { ["what"] = "start" }, 8),
            s => Assert.Equal(HttpStatusCode.OK, s)
        );
        await using var context = kitchen.Context(own);
        Assert.Equal(1, await context.FlourTallies.CountAsync());
    }
}
