using System.Net;
using AngleSharp.Dom;
using AngleSharp.Html.Dom;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.TestHost;
using Microsoft.Extensions.DependencyInjection;
using NodaTime;
using Zymethos.Core.Recipes;
using Zymethos.Store.Accounts;

namespace Zymethos.Web.Tests;

/// <summary>A server on which it is a Saturday morning until a test says otherwise.</summary>
public sealed class SeasonKitchen : TestKitchen
{
    public static readonly Instant Saturday = Instant.FromUtc(2031, 8, 2, 7, 15);

    public SettableClock Clock { get; } = new();

    protected override bool IsCopied => true;

    protected override void ConfigureWebHost(IWebHostBuilder builder)
    {
        base.ConfigureWebHost(builder);
        builder.ConfigureTestServices(s => s.AddSingleton<IClock>(Clock));
    }

    public sealed class SettableClock : IClock
    {
        public Instant Now { get; set; } = Saturday;

        public Instant GetCurrentInstant() => Now;
    }

    /// <summary>What a baker types for a small season: a street supper in three weeks, Wednesdays and Saturdays free.</summary>
    public static Dictionary<string, string> Typed(params (string Recipe, int Pieces)[] needs)
    {
        var typed = new Dictionary<string, string>
        {
            ["Form.Name"] = "Harvest",
            ["Form.Occasions[0].Name"] = "Supper",
            ["Form.Occasions[0].Date"] = "2031-08-23",
            ["Form.Occasions[0].Time"] = "18:00",
            ["Form.Weekly[2].From"] = "18:00",
            ["Form.Weekly[2].Until"] = "22:00",
            ["Form.Weekly[5].From"] = "09:00",
            ["Form.Weekly[5].Until"] = "17:00",
            ["Form.Weekly[5].People"] = "2",
        };
        foreach (var (need, i) in needs.Select((n, i) => (n, i)))
        {
            typed[$"Form.Needs[{i}].Recipe"] = need.Recipe;
            typed[$"Form.Needs[{i}].Pieces"] = need.Pieces.ToString();
        }

        return typed;
    }

    /// <summary>A new baker with a small season, and the address of it.</summary>
    public async Task<(HttpClient Baker, string Season, IHtmlDocument Page)> BegunAsync(params (string Recipe, int Pieces)[] needs)
    {
        var baker = await NewBakerAsync($"{Guid.NewGuid():N}@home.invalid");
        var made = await PostAsync(baker, "/season/new", "#season-form", Typed(needs));
        Assert.Equal(HttpStatusCode.OK, made.StatusCode);
        return (baker, made.RequestMessage!.RequestUri!.AbsolutePath, await ParseAsync(made));
    }

    /// <summary>Presses a button of the season's page: its handler with the fields it carries.</summary>
    public static async Task<HttpResponseMessage> PressAsync(
        HttpClient baker,
        string season,
        string handler,
        Dictionary<string, string> typed
    )
    {
        var page = await ParseAsync(await baker.GetAsync(season));
        var token = page.QuerySelector("input[name=__RequestVerificationToken]")!.GetAttribute("value")!;
        return await baker.PostAsync(
            $"{season}?handler={handler}",
            new FormUrlEncodedContent(typed.Append(new("__RequestVerificationToken", token)))
        );
    }

    public static string Text(IParentNode page, string selector) =>
        string.Join(
            " | ",
            page.QuerySelectorAll(selector)
                .Select(e => string.Join(' ', e.TextContent.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries)))
        );
}
