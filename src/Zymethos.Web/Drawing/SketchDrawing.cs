using System.Globalization;
using System.Text;
using Microsoft.AspNetCore.Html;
using Zymethos.Workshop.Calculators;

namespace Zymethos.Web.Drawing;

/// <summary>Draws a sketch of a calculator for the screen, or as a file that stands alone.</summary>
public static class SketchDrawing
{
    // A file has no style sheet of the page.
    private const string Style =
        ".sketch{background:#fff;font:13px sans-serif}.sketch path{fill:none;stroke:#222}.sketch .grid{stroke:#ddd}"
        + ".sketch .band{fill:#f3e2bd;stroke:none}.sketch .line{stroke-width:2.5}.sketch .other-line{stroke-width:2;stroke-dasharray:6 4}"
        + ".sketch .mark{stroke:#b3261e;stroke-width:1.5}.sketch .stretch{fill:#d9b98a}.sketch .fill-dough{fill:#e8cfa3}"
        + ".sketch .fill-cream{fill:#fff8e8}.sketch .fill-strong{fill:#b98b52}.sketch .fill-ground{fill:#eee}.sketch "
        + ".strand-dough{stroke:#e8cfa3}.sketch .strand-strong{stroke:#b98b52}";

    /// <summary>The drawing in a page.</summary>
    public static IHtmlContent Of(Sketch sketch) => new HtmlString(Write(sketch, ""));

    /// <summary>The drawing as a file.</summary>
    public static string File(Sketch sketch) => Write(sketch, "xmlns=\"http://www.w3.org/2000/svg\" ");

    private static string Write(Sketch sketch, string space)
    {
        var ink = SketchInk.Of(sketch);
        var svg = new StringBuilder();
        svg.Append(
            CultureInfo.InvariantCulture,
            $"<svg {space}class=\"sketch\" viewBox=\"0 0 {ink.Width:0.#} {ink.Height:0.#}\" width=\"{ink.Width:0.#}\" "
        );
        svg.Append(CultureInfo.InvariantCulture, $"height=\"{ink.Height:0.#}\" role=\"img\" aria-label=\"{Text(sketch.Says)}\">");
        if (space.Length > 0)
            svg.Append("<style>").Append(Style).Append("</style>");
        foreach (var stroke in ink.Strokes)
            Add(svg, stroke);
        foreach (var word in ink.Words)
            svg.Append(
                CultureInfo.InvariantCulture,
                $"<text x=\"{word.X:0.#}\" y=\"{word.Y:0.#}\" text-anchor=\"{word.Anchor}\">{Text(word.Says)}</text>"
            );
        return svg.Append("</svg>").ToString();
    }

    private static void Add(StringBuilder svg, InkStroke stroke)
    {
        var path =
            "M"
            + string.Join('L', stroke.Points.Select(p => string.Create(CultureInfo.InvariantCulture, $"{p.X:0.#} {p.Y:0.#}")))
            + (stroke.IsClosed ? "Z" : "");
        if (stroke.Width <= 0)
        {
            svg.Append(CultureInfo.InvariantCulture, $"<path class=\"{stroke.Kind}\" d=\"{path}\"/>");
            return;
        }

        // A strand: its edge below, itself above.
        svg.Append(CultureInfo.InvariantCulture, $"<path class=\"strand-edge\" stroke-width=\"{stroke.Width:0.#}\" d=\"{path}\"/>");
        svg.Append(CultureInfo.InvariantCulture, $"<path class=\"{stroke.Kind}\" stroke-width=\"{stroke.Width - 3:0.#}\" d=\"{path}\"/>");
    }

    private static string Text(string text) => System.Net.WebUtility.HtmlEncode(text);
}
