namespace Zymethos.Web.Setup;

/// <summary>
/// Headers on every answer. Scripts, styles, fonts and pictures come from this server and nowhere else; nothing inline runs. Pictures may
/// also be written into a style sheet as data: addresses, as Bootstrap does for the marks of its form controls.
/// </summary>
public sealed class SecurityHeaders(RequestDelegate next, BehindProxy proxy)
{
    private const string Policy =
        "default-src 'none'; script-src 'self'; style-src 'self'; img-src 'self' data:; font-src 'self'; connect-src 'self'; "
        + "form-action 'self'; base-uri 'none'; frame-ancestors 'none'; manifest-src 'self'";

    /// <summary>Adds the headers.</summary>
    public Task InvokeAsync(HttpContext context)
    {
        var headers = context.Response.Headers;
        headers.ContentSecurityPolicy = Policy;
        headers.XContentTypeOptions = "nosniff";
        headers["Referrer-Policy"] = "same-origin";
        if (proxy.IsTls || context.Request.IsHttps)
            headers.StrictTransportSecurity = "max-age=31536000";
        // What a kitchen holds stays in no cache on the way; files of the application itself say for themselves how long they keep.
        context.Response.OnStarting(() =>
        {
            if (!headers.ContainsKey("Cache-Control") || headers.CacheControl == "no-cache, no-store")
                headers.CacheControl = "private, no-store";
            return Task.CompletedTask;
        });
        // Bars of packages are read in the Larder, and nowhere else is anything filmed.
        var camera = context.Request.Path.StartsWithSegments("/larder", StringComparison.Ordinal) ? "(self)" : "()";
        headers["Permissions-Policy"] = $"camera={camera}, microphone=(), geolocation=()";
        return next(context);
    }
}
