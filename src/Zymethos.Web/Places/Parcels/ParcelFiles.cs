using System.Text;
using System.Text.Json;
using Zymethos.Interchange.Documents;
using Zymethos.Interchange.Parcels;
using Zymethos.Work.Parcels;

namespace Zymethos.Web.Places.Parcels;

/// <summary>Parcels as files to take along.</summary>
public static class ParcelFiles
{
    private static readonly JsonSerializerOptions Readable = new(OpenJson.Options) { WriteIndented = true };

    /// <summary>Maps the addresses.</summary>
    public static void MapParcelFiles(this IEndpointRouteBuilder app)
    {
        var files = app.MapGroup("").RequireAuthorization().ExcludeFromDescription();
        files.MapGet(
            "/parcels.json",
            async (ParcelFile file, CancellationToken cancel) =>
                Results.File(
                    JsonSerializer.SerializeToUtf8Bytes(await file.WriteAsync(cancel), Readable),
                    "application/json",
                    "parcels.json"
                )
        );
        files.MapGet(
            "/parcels/label-words.json",
            () => Results.File(Encoding.UTF8.GetBytes(LabelWords.English.Write()), "application/json", "label-words.json")
        );
        files.MapGet(
            "/parcels/people.csv",
            async (ParcelPeople people, CancellationToken cancel) =>
                Results.File(Encoding.UTF8.GetBytes(ParcelFile.Csv(await people.AllAsync(cancel))), "text/csv; charset=utf-8", "people.csv")
        );
    }
}
