using System.Diagnostics;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Zymethos.Web.Pages;

/// <summary>Shown when the program itself failed.</summary>
[IgnoreAntiforgeryToken]
[ResponseCache(NoStore = true)]
public sealed class ErrorModel : PageModel
{
    /// <summary>Number under which the log has the failure.</summary>
    public string Number { get; private set; } = "";

    /// <summary>What to tell the baker.</summary>
    public string Words { get; private set; } = "";

    /// <summary>The page.</summary>
    public void OnGet() => Say();

    /// <summary>The page after a failed form.</summary>
    public void OnPost() => Say();

    private void Say()
    {
        Number = Activity.Current?.Id ?? HttpContext.TraceIdentifier;
        var failure = HttpContext.Features.Get<IExceptionHandlerFeature>()?.Error;
        var withoutDatabase = failure is Npgsql.NpgsqlException or { InnerException: Npgsql.NpgsqlException };
        if (withoutDatabase) Response.StatusCode = StatusCodes.Status503ServiceUnavailable;
        Words = withoutDatabase
            ? "The database does not answer at the moment. Wait a little and try again."
            : "The server failed at something it should have managed.";
    }
}
