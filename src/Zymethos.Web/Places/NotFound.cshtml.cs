using System.Globalization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Zymethos.Web.Places;

/// <summary>Shown for every address that leads nowhere and every request that is refused.</summary>
[IgnoreAntiforgeryToken]
public sealed class NotFoundModel : PageModel
{
    /// <summary>What happened, in a few words.</summary>
    public string Heading { get; private set; } = "";

    /// <summary>What to do about it.</summary>
    public string Words { get; private set; } = "";

    /// <summary>The page for a status code.</summary>
    public void OnGet() => Say(Code);

    /// <summary>The same for a refused form. A form that never came whole is refused as one without its token; then what stopped it is
    /// said.</summary>
    public async Task OnPostAsync()
    {
        var code = Code;
        try
        {
            if (Request.HasFormContentType)
                await Request.ReadFormAsync();
        }
        catch (BadHttpRequestException e)
        {
            code = e.StatusCode;
        }
        catch (Exception e) when (e is InvalidDataException or IOException)
        {
            // Too large, too many fields, signs that are none: refused for that, and the code says so already.
        }

        Say(code);
    }

    // Not bound: where the form cannot be read, nothing is.
    private int Code => int.TryParse(Request.Query["code"], CultureInfo.InvariantCulture, out var code) ? code : 404;

    private void Say(int code)
    {
        (Heading, Words) = code switch
        {
            400 => (
                "That form has gone stale",
                "The page was open for too long or came from somewhere else. Go back, load it again and send it once more; nothing "
                    + "was changed."
            ),
            403 => (
                "That is for the bakers of this kitchen",
                "You help here: you can look at everything, work at the Bench and tick off the shopping. Ask one of the bakers to change "
                    + "this, or to make you a baker too. Nothing was changed."
            ),
            404 => ("Nothing on this shelf", "There is no page at this address. It may have been renamed, or the link was mistyped."),
            408 => ("That took too long to arrive", "The line may be slow. Go back and send it once more; nothing was changed."),
            413 => ("That is too much at once", "What was sent is larger than a page takes."),
            429 => ("One at a time", "Too many requests in a minute. Wait a moment and try again."),
            _ => ("That did not work", "The request could not be answered. Nothing was changed."),
        };
        Response.StatusCode = code is >= 400 and < 600 ? code : 404;
    }
}
