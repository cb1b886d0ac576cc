using Microsoft.AspNetCore.Mvc;
using Zymethos.Core.Recipes;

namespace Zymethos.Web.Api;

/// <summary>Problem details (RFC 9457) as this API gives them.</summary>
public static class Problems
{
    /// <summary>What is wrong with a document, each fault with its path.</summary>
    public static IResult Faults(IReadOnlyList<Fault> faults) =>
        Make(
            StatusCodes.Status422UnprocessableEntity,
            "faulty-document",
            "The document cannot be planned as it stands.",
            string.Join(" ", faults.Take(3).Select(f => f.Message)),
            new Dictionary<string, object?> { ["errors"] = faults.Select(f => new { path = f.Path, message = f.Message }) }
        );

    /// <summary>A problem of its own kind.</summary>
    public static IResult Make(int status, string type, string title, string detail, IDictionary<string, object?>? extensions = null) =>
        Results.Problem(detail: detail, statusCode: status, title: title, type: $"/problems/{type}", extensions: extensions);

    /// <summary>Writes a problem where no result can be returned.</summary>
    public static Task WriteAsync(HttpContext context, int status, string title, string detail, CancellationToken cancel)
    {
        context.Response.StatusCode = status;
        return context.Response.WriteAsJsonAsync(
            new ProblemDetails
            {
                Status = status,
                Title = title,
                Detail = detail,
                Type = $"/problems/{status}",
            },
            options: null,
            contentType: "application/problem+json",
            cancellationToken: cancel
        );
    }
}
