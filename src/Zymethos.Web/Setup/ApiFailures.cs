using Microsoft.AspNetCore.Diagnostics;
using Zymethos.Web.Api;

namespace Zymethos.Web.Setup;

/// <summary>Whatever fails under /api is answered as problem details, never as a page.</summary>
public sealed class ApiFailures : IExceptionHandler
{
    /// <inheritdoc />
    public async ValueTask<bool> TryHandleAsync(HttpContext httpContext, Exception exception, CancellationToken cancellationToken)
    {
        if (!httpContext.Request.Path.StartsWithSegments("/api", StringComparison.OrdinalIgnoreCase))
            return false;
        var failure = Failure.Of(exception);
        if (failure.RetryAfter is { } seconds)
            httpContext.Response.Headers.RetryAfter = seconds.ToString(System.Globalization.CultureInfo.InvariantCulture);
        await Problems.WriteAsync(httpContext, failure.Status, failure.Heading, failure.Words, cancellationToken);
        return true;
    }
}
