using System.Text;
using Zymethos.Work.Workshop;
using Zymethos.Workshop.Svg;

namespace Zymethos.Web.Places.Workshop;

/// <summary>Cutters as files.</summary>
public static class CutterFiles
{
    /// <summary>Their addresses.</summary>
    public static void MapCutters(this IEndpointRouteBuilder app) =>
        app.MapGet(
                "/workshop/cutters/{id:guid}.svg",
                async (Guid id, CutterShelf shelf, CancellationToken cancel) =>
                    (await shelf.AllAsync(cancel)).FirstOrDefault(c => c.Id == id) is { } cutter
                        ? Results.File(Encoding.UTF8.GetBytes(SvgOutline.Write(cutter.Outline)), "image/svg+xml", "cutter.svg")
                        : Results.NotFound()
            )
            .RequireAuthorization();
}
