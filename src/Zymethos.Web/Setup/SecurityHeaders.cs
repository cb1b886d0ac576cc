namespace Zymethos.Web.Setup;

/// <summary>
/// Headers on every answer. Scripts, styles, fonts and pictures come from this server and nowhere else; nothing inline runs. Pictures may also be
/// written into a style sheet as data: addresses, as Bootstrap does for the marks of its form controls.
/// </summary>
public sealed class SecurityHeaders(RequestDelegate next)
{
    private const string Policy =
        "default-src 'none'; script-src 'self'; style-src 'self'; img-src 'self' data:; font-src 'self'; connect-src 'self'; " +
        "form-action 'self'; base-uri 'none'; frame-ancestors 'none'; manifest-src 'self'";

    /// <summary>Adds the headers.</summary>
    public Task InvokeAsync(HttpContext context)
    {
        var headers = context.Response.Headers;
        headers.ContentSecurityPolicy = Policy;
        headers.XContentTypeOptions = "nosniff";
        headers["Referrer-Policy"] = "same-origin";
        headers["Permissions-Policy"] = "camera=(), microphone=(), geolocation=()";
        return next(context);
    }
}
