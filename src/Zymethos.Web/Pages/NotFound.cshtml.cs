using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Zymethos.Web.Pages;

/// <summary>Shown for every address that leads nowhere and every request that is refused.</summary>
[IgnoreAntiforgeryToken]
public sealed class NotFoundModel : PageModel
{
    /// <summary>What happened, in a few words.</summary>
    public string Heading { get; private set; } = "";

    /// <summary>What to do about it.</summary>
    public string Words { get; private set; } = "";

    /// <summary>The page for a status code.</summary>
    public void OnGet(int code = 404) => Say(code);

    /// <summary>The same for a refused form.</summary>
    public void OnPost(int code = 404) => Say(code);

    private void Say(int code)
    {
        (Heading, Words) = code switch
        {
            400 => ("That form has gone stale", "The page was open for too long or came from somewhere else. Go back, load it again and send it once more; nothing was changed."),
            404 => ("Nothing on this shelf", "There is no page at this address. It may have been renamed, or the link was mistyped."),
            413 => ("That is too much at once", "What was sent is larger than a page takes."),
            429 => ("One at a time", "Too many requests in a minute. Wait a moment and try again."),
            _ => ("That did not work", "The request could not be answered. Nothing was changed."),
        };
        Response.StatusCode = code is >= 400 and < 600 ? code : 404;
    }
}
