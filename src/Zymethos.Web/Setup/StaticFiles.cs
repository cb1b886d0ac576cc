using Microsoft.Extensions.FileProviders;

namespace Zymethos.Web.Setup;

/// <summary>How styles, scripts and fonts are served: kept by the browser, and asked for under an address that changes with their
/// content.</summary>
public static class StaticFiles
{
    /// <summary>
    /// The files of wwwroot and, under /places, the styles and scripts that stand in the folders of their places. Addresses that carry a
    /// version find both here.
    /// </summary>
    public static void AddPlaces(IWebHostEnvironment host) =>
        host.WebRootFileProvider = new CompositeFileProvider(
            host.WebRootFileProvider,
            new EmbeddedFileProvider(typeof(StaticFiles).Assembly, "Served")
        );

    /// <summary>Options with a year of caching for addresses that carry a version, none for the rest.</summary>
    public static StaticFileOptions Options() =>
        new()
        {
            OnPrepareResponse = c =>
                c.Context.Response.Headers.CacheControl =
                    c.Context.Request.Query.ContainsKey("v") || c.Context.Request.Path.StartsWithSegments("/fonts")
                        ? "public, max-age=31536000, immutable"
                        : "no-cache",
        };
}
