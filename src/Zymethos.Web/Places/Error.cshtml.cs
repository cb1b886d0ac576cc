using System.Diagnostics;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Zymethos.Web.Setup;

namespace Zymethos.Web.Places;

/// <summary>Shown when the program itself failed.</summary>
[IgnoreAntiforgeryToken]
[ResponseCache(NoStore = true)]
public sealed class ErrorModel : PageModel
{
    /// <summary>Number under which the log has the failure.</summary>
    public string Number { get; private set; } = "";

    /// <summary>What happened, in a few words.</summary>
    public string Heading { get; private set; } = "";

    /// <summary>Whether the server itself failed, so that its log has more to say.</summary>
    public bool IsOwn => Response.StatusCode >= 500;

    /// <summary>What to tell the baker.</summary>
    public string Words { get; private set; } = "";

    /// <summary>The page.</summary>
    public void OnGet() => Say();

    /// <summary>The page after a failed form.</summary>
    public void OnPost() => Say();

    private void Say()
    {
        Number = Activity.Current?.Id ?? HttpContext.TraceIdentifier;
        var trouble = HttpContext.Features.Get<IExceptionHandlerFeature>()?.Error;
        var failure = Failure.Of(trouble);
        (Heading, Words) = (failure.Heading, failure.Words);
        // Whoever only opens this address met no failure.
        if (trouble is null)
            return;
        Response.StatusCode = failure.Status;
        // Into a page that stands, an error page is not put: the page says to try again.
        if (Request.Headers.ContainsKey("HX-Request") && failure.Status == StatusCodes.Status409Conflict)
            Response.StatusCode = StatusCodes.Status503ServiceUnavailable;
        if (failure.RetryAfter is { } seconds)
            Response.Headers.RetryAfter = seconds.ToString(System.Globalization.CultureInfo.InvariantCulture);
    }
}
