namespace Zymethos.Web.Setup;

/// <summary>How styles, scripts and fonts are served: kept by the browser, and asked for under an address that changes with their content.</summary>
public static class StaticFiles
{
    /// <summary>Options with a year of caching for addresses that carry a version, none for the rest.</summary>
    public static StaticFileOptions Options() => new()
    {
        OnPrepareResponse = c => c.Context.Response.Headers.CacheControl =
            c.Context.Request.Query.ContainsKey("v") || c.Context.Request.Path.StartsWithSegments("/fonts")
                ? "public, max-age=31536000, immutable"
                : "no-cache",
    };
}
