using System.Text;
using Microsoft.AspNetCore.Mvc;
using Zymethos.Interchange.Documents;
using Zymethos.Paper;

namespace Zymethos.Web.Places.Workshop;

/// <summary>What a page of the Workshop gives besides itself: on paper, as a drawing, as data.</summary>
public static class WorkshopFile
{
    /// <summary>A PDF on A4, or on US Letter where the address says "paper=letter".</summary>
    /// <param name="parts">What is on it.</param>
    /// <param name="request">The request.</param>
    /// <param name="name">Name of the file, without its ending.</param>
    /// <param name="made">When it is made, UTC.</param>
    public static IActionResult Pdf(IReadOnlyList<PaperPart> parts, HttpRequest request, string name, DateTime made) =>
        new FileContentResult(
            PdfPack.Write(parts, PaperSize.Of(request.Query["paper"].FirstOrDefault()) ?? PaperSize.A4, parts[0].Title, made),
            "application/pdf"
        )
        {
            FileDownloadName = $"{name}.pdf",
        };

    /// <summary>A drawing.</summary>
    public static IActionResult Svg(string svg, string name) =>
        new FileContentResult(Encoding.UTF8.GetBytes(svg), "image/svg+xml") { FileDownloadName = $"{name}.svg" };

    /// <summary>Data, as the API gives it.</summary>
    public static IActionResult Json(object document) => new JsonResult(document, OpenJson.Options);
}
