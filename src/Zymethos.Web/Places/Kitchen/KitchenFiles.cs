using System.Globalization;
using NodaTime;
using Zymethos.Work.Archive;

namespace Zymethos.Web.Places.Kitchen;

/// <summary>The whole kitchen as a file.</summary>
public static class KitchenFiles
{
    /// <summary>Its address.</summary>
    public static void MapKitchenArchive(this IEndpointRouteBuilder app) =>
        app.MapGet(
                "/kitchen/archive.zip",
                async (KitchenArchive archive, IClock clock, CancellationToken cancel) =>
                {
                    // Written to the disk first: what goes wrong half way is no half archive in somebody's keeping.
                    var file = new FileStream(
                        Path.GetTempFileName(),
                        FileMode.Open,
                        FileAccess.ReadWrite,
                        FileShare.None,
                        bufferSize: 81_920,
                        FileOptions.DeleteOnClose | FileOptions.Asynchronous
                    );
                    try
                    {
                        await archive.WriteAsync(file, cancel);
                    }
                    catch
                    {
                        await file.DisposeAsync();
                        throw;
                    }

                    file.Position = 0;
                    var day = clock.GetCurrentInstant().InUtc().Date.ToString("uuuu-MM-dd", CultureInfo.InvariantCulture);
                    return Results.File(file, "application/zip", $"zymethos-kitchen-{day}.zip");
                }
            )
            .RequireAuthorization();
}
