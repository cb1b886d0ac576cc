using System.Collections.Concurrent;
using System.Net;
using System.Net.Http.Headers;
using AngleSharp;
using AngleSharp.Dom;
using AngleSharp.Html.Dom;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using Zymethos.Interchange.Demo;
using Zymethos.Store;
using Zymethos.Store.Tenancy;
using Zymethos.Tests;

namespace Zymethos.Web.Tests;

/// <summary>The real server in process on a database of its own in a real PostgreSQL.</summary>
public class TestKitchen : WebApplicationFactory<Program>, IAsyncLifetime
{
    // What a first start makes (tables, the demo kitchen with its season and its day) takes seconds: it is made once and copied.
    private static readonly ConcurrentDictionary<Type, Lazy<Task<TestDatabase>>> Templates = new();
    private TestDatabase _database = null!;

    /// <summary>Whether to start with demo data.</summary>
    protected virtual bool WithDemo => true;

    /// <summary>Calls a minute that the API allows.</summary>
    protected virtual int ApiPerMinute => 1000;

    /// <summary>Connection to this server's database.</summary>
    public string Connection => _database.Connection;

    /// <summary>Whether a first start is like that of every other kitchen of its type, so that its database can be copied.</summary>
    protected virtual bool IsCopied => GetType() == typeof(TestKitchen);

    public async Task InitializeAsync() =>
        _database = IsCopied
            ? await TestDatabase.CopyAsync(await Templates.GetOrAdd(GetType(), t => new(() => FirstStartAsync(t))).Value)
            : await TestDatabase.MakeAsync();

    private static async Task<TestDatabase> FirstStartAsync(Type type)
    {
        var database = await TestDatabase.MakeAsync();
        await using (var first = (TestKitchen)Activator.CreateInstance(type)!)
        {
            first._database = database;
            _ = first.Services;
        }

        await database.EmptyAsync();
        return database;
    }

    async Task IAsyncLifetime.DisposeAsync()
    {
        await DisposeAsync();
        await _database.DisposeAsync();
    }

    protected override void ConfigureWebHost(IWebHostBuilder builder)
    {
        builder.UseSetting("ZYMETHOS_DB", Connection);
        builder.UseSetting("ZYMETHOS_EMPTY", WithDemo ? "0" : "1");
        builder.UseSetting("ZYMETHOS_PLAN_SECONDS", "1.5");
        builder.UseSetting("ZYMETHOS_SEARCH_SECONDS", "8");
        builder.UseSetting("ZYMETHOS_SEARCH_ON", "0");
        builder.UseSetting("ZYMETHOS_API_PER_MINUTE", ApiPerMinute.ToString());
        builder.UseEnvironment("Production");
        // Hundreds of bakers register: their passwords need not be slow to guess.
        builder.ConfigureServices(s => s.Configure<PasswordHasherOptions>(o => o.IterationCount = 1000));
    }

    /// <summary>A context that sees one kitchen, or none.</summary>
    public ZymethosContext Context(Guid? kitchen) => new(StoreSetup.Options(Connection), new FixedKitchen(kitchen));

    /// <summary>A browser-like client that keeps cookies and does not follow redirects unless asked.</summary>
    public HttpClient Visitor(bool follow = true) =>
        CreateClient(new WebApplicationFactoryClientOptions { AllowAutoRedirect = follow, HandleCookies = true });

    /// <summary>A client inside the demo kitchen.</summary>
    public async Task<HttpClient> DemoBakerAsync()
    {
        var client = Visitor();
        var door = await PostAsync(client, "/account/sign-in", "form.demo-door", []);
        Assert.Equal(HttpStatusCode.OK, door.StatusCode);
        return client;
    }

    /// <summary>Puts a recipe of the Book on a baker's Bench; the session's id.</summary>
    public static async Task<string> BeginAsync(HttpClient baker, string recipe)
    {
        var begun = await BenchFormAsync(baker, "Recipe", new() { ["key"] = recipe, ["batches"] = "1" });
        Assert.Equal(HttpStatusCode.OK, begun.StatusCode);
        return begun.RequestMessage!.RequestUri!.AbsolutePath.Split('/')[^1];
    }

    /// <summary>Sends a form of the Bench's door.</summary>
    public static async Task<HttpResponseMessage> BenchFormAsync(HttpClient baker, string handler, Dictionary<string, string> typed)
    {
        var page = await ParseAsync(await baker.GetAsync("/bench?stay=true"));
        var token = page.QuerySelector("input[name=__RequestVerificationToken]")!.GetAttribute("value")!;
        return await baker.PostAsync(
            $"/bench?handler={handler}",
            new FormUrlEncodedContent(typed.Append(new("__RequestVerificationToken", token)))
        );
    }

    /// <summary>A client with a new account.</summary>
    public async Task<HttpClient> NewBakerAsync(string email)
    {
        var client = Visitor();
        var made = await PostAsync(
            client,
            "/account/register",
            "form.card-paper",
            new()
            {
                ["KitchenName"] = "Own",
                ["Email"] = email,
                ["Password"] = "a long enough one",
            }
        );
        Assert.Equal(HttpStatusCode.OK, made.StatusCode);
        return client;
    }

    /// <summary>Under which name a recipe stands in the set-up of a day.</summary>
    public static string RowOf(string key) => key;

    /// <summary>Sends the set-up of a day to be filled and looked at, not to be planned.</summary>
    public static async Task<HttpResponseMessage> SetUpAsync(HttpClient baker, Dictionary<string, string> typed, string handler = "Setup")
    {
        var page = await ParseAsync(await baker.GetAsync("/oven-day"));
        typed["__RequestVerificationToken"] = page.QuerySelector("#setup input[name=__RequestVerificationToken]")!.GetAttribute("value")!;
        return await baker.PostAsync($"/oven-day?handler={handler}", new FormUrlEncodedContent(typed));
    }

    public static async Task<IHtmlDocument> ParseAsync(HttpResponseMessage response)
    {
        var context = BrowsingContext.New(AngleSharp.Configuration.Default);
        var html = await response.Content.ReadAsStringAsync();
        return (IHtmlDocument)await context.OpenAsync(r => r.Content(html));
    }

    /// <summary>Opens a page, fills the form found by a selector and sends it, the way a browser does.</summary>
    public static async Task<HttpResponseMessage> PostAsync(
        HttpClient client,
        string page,
        string form,
        Dictionary<string, string> typed,
        string? button = null,
        bool htmx = false,
        string buttonName = "apply"
    )
    {
        var document = await ParseAsync(await client.GetAsync(page));
        var element = document.QuerySelector(form) as IHtmlFormElement ?? throw new InvalidOperationException($"No {form} on {page}.");
        var fields = FieldsOf(element).Where(f => !typed.ContainsKey(f.Key)).Concat(typed).ToList();
        if (button is not null)
            fields.Add(new(buttonName, button));
        using var request = new HttpRequestMessage(HttpMethod.Post, element.GetAttribute("action") ?? page)
        {
            Content = new FormUrlEncodedContent(fields),
        };
        if (htmx)
            request.Headers.Add("HX-Request", "true");
        return await client.SendAsync(request);
    }

    /// <summary>What a browser would send of a form without touching it.</summary>
    public static IEnumerable<KeyValuePair<string, string>> FieldsOf(IHtmlFormElement form)
    {
        foreach (var field in form.QuerySelectorAll("input[name], select[name], textarea[name]"))
        {
            if (
                field
                is IHtmlInputElement { Type: "checkbox" or "radio", IsChecked: false }
                    or IHtmlInputElement { Type: "file" or "submit" }
            )
                continue;
            yield return new(
                field.GetAttribute("name")!,
                field switch
                {
                    IHtmlSelectElement select => select.Value ?? "",
                    IHtmlTextAreaElement area => area.Value,
                    _ => field.GetAttribute("value") ?? "",
                }
            );
        }
    }

    public static HttpContent Json(string text) =>
        new StringContent(text) { Headers = { ContentType = new MediaTypeHeaderValue("application/json") } };
}

/// <summary>The same without demo data.</summary>
public sealed class EmptyKitchen : TestKitchen
{
    protected override bool WithDemo => false;

    protected override int ApiPerMinute => 3;
}
