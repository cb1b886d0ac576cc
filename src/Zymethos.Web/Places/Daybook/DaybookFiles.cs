using System.Text;
using System.Text.Json;
using Zymethos.Interchange.Documents;
using Zymethos.Work.Daybooks;

namespace Zymethos.Web.Places.Daybook;

/// <summary>The Daybook as files to take along.</summary>
public static class DaybookFiles
{
    private static readonly JsonSerializerOptions Readable = new(OpenJson.Options) { WriteIndented = true };

    /// <summary>Maps the addresses.</summary>
    public static void MapDaybookFiles(this IEndpointRouteBuilder app)
    {
        var files = app.MapGroup("").RequireAuthorization().ExcludeFromDescription();
        files.MapGet(
            "/daybook.json",
            async (DaybookDesk desk, DaybookFile file, CancellationToken cancel) =>
            {
                await desk.RecordAsync(cancel);
                return Results.File(
                    JsonSerializer.SerializeToUtf8Bytes(await file.WriteAsync(cancel), Readable),
                    "application/json",
                    "daybook.json"
                );
            }
        );
        files.MapGet(
            "/daybook.csv",
            async (DaybookDesk desk, CancellationToken cancel) =>
            {
                await desk.RecordAsync(cancel);
                var bakes = await desk.BakesAsync(cancel);
                bakes.Reverse();
                return Csv(DaybookFile.Csv(bakes.Select(b => b.Document)), "daybook.csv");
            }
        );
        files.MapGet(
            "/daybook/readings.csv",
            async (DaybookFile file, CancellationToken cancel) => Csv(await file.ReadingsCsvAsync(cancel), "readings.csv")
        );
    }

    private static IResult Csv(string text, string name) => Results.File(Encoding.UTF8.GetBytes(text), "text/csv; charset=utf-8", name);
}
