using System.Net.Http.Headers;
using System.Text.RegularExpressions;

namespace Zymethos.Benchmarks;

/// <summary>Somebody who opens pages of a running Zymethos and sends its forms, as a browser does.</summary>
internal sealed partial class Visitor
{
    public Visitor(string address)
    {
        Client = new HttpClient(new SocketsHttpHandler { MaxConnectionsPerServer = 4 })
        {
            BaseAddress = new Uri(address),
            Timeout = Timeout.InfiniteTimeSpan,
        };
        Client.DefaultRequestHeaders.Accept.Add(new MediaTypeWithQualityHeaderValue("text/html"));
    }

    /// <summary>The connection with its cookies.</summary>
    public HttpClient Client { get; }

    /// <summary>Somebody with a kitchen of their own.</summary>
    public static async Task<Visitor> NewAsync(string address, int number)
    {
        var visitor = new Visitor(address);
        await visitor.SendAsync(
            "/account/register",
            "/account/register",
            new()
            {
                ["KitchenName"] = $"Kitchen {number}",
                ["Email"] = $"{Guid.NewGuid():N}@home.invalid",
                ["Password"] = "a long enough one",
            }
        );
        return visitor;
    }

    /// <summary>Sends a form with the token of a page.</summary>
    /// <exception cref="HttpRequestException">It was refused.</exception>
    public async Task<HttpResponseMessage> SendAsync(string page, string action, Dictionary<string, string> typed)
    {
        typed["__RequestVerificationToken"] = await TokenAsync(page);
        return (await Client.PostAsync(action, new FormUrlEncodedContent(typed))).EnsureSuccessStatusCode();
    }

    /// <summary>Sends a file with the token of a page.</summary>
    /// <exception cref="HttpRequestException">It was refused.</exception>
    public async Task<HttpResponseMessage> SendFileAsync(string page, string action, string field, byte[] file)
    {
        using var form = new MultipartFormDataContent();
        using var token = new StringContent(await TokenAsync(page));
        using var content = new ByteArrayContent(file);
        form.Add(token, "__RequestVerificationToken");
        form.Add(content, field, "kitchen.zip");
        using var replace = new StringContent("true");
        form.Add(replace, "replace");
        return (await Client.PostAsync(action, form)).EnsureSuccessStatusCode();
    }

    private async Task<string> TokenAsync(string page) => Token().Match(await Client.GetStringAsync(page)).Groups["token"].Value;

    [GeneratedRegex("name=\"__RequestVerificationToken\"[^>]*value=\"(?<token>[^\"]+)\"", RegexOptions.ExplicitCapture, 1000)]
    private static partial Regex Token();
}
