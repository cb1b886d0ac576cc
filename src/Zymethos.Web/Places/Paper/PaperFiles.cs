using Microsoft.AspNetCore.Mvc;
using NodaTime;
using Zymethos.Paper;

namespace Zymethos.Web.Places.Paper;

/// <summary>What is printed, as PDF.</summary>
public static class PaperFiles
{
    /// <summary>Their addresses.</summary>
    public static void MapPaperFiles(this IEndpointRouteBuilder app) =>
        app.MapGet(
                "/paper/{part}.pdf",
                async (
                    string part,
                    [FromQuery] Guid? season,
                    [FromQuery] Guid? board,
                    [FromQuery] string? day,
                    [FromQuery] string? paper,
                    [FromQuery] string? words,
                    [FromQuery] string[]? parts,
                    PaperDesk desk,
                    IClock clock,
                    CancellationToken cancel
                ) =>
                {
                    if (part != "pack" && PaperDesk.Kinds.All(k => k.Key != part))
                        return Results.NotFound();
                    var choice = new PaperChoice
                    {
                        Season = season,
                        Board = board,
                        Day = day,
                        Paper = paper,
                        Words = words,
                        Parts = part == "pack" ? [.. parts ?? []] : [part],
                    };
                    var file = PdfPack.Write(
                        await desk.PartsAsync(choice, cancel),
                        await desk.SizeAsync(choice, cancel),
                        part == "pack" ? "Baking, on paper" : PaperDesk.Kinds.First(k => k.Key == part).Name,
                        clock.GetCurrentInstant().ToDateTimeUtc()
                    );
                    return Results.File(file, "application/pdf", $"{part}.pdf");
                }
            )
            .RequireAuthorization()
            .ExcludeFromDescription();
}
