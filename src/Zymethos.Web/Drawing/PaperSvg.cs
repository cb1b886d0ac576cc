using System.Globalization;
using System.Text;
using Microsoft.AspNetCore.Html;
using Zymethos.Paper;

namespace Zymethos.Web.Drawing;

/// <summary>A drawing for the screen, in millimetres like its twin on paper.</summary>
public static class PaperSvg
{
    private const double MillimetresPerPoint = 25.4 / 72;

    /// <summary>The drawing.</summary>
    public static IHtmlContent Of(PaperDrawing drawing)
    {
        var svg = new StringBuilder();
        Add(
            svg,
            $"""<svg class="paper-drawing" width="{drawing.Width:0.##}mm" height="{drawing.Height:0.##}mm" """,
            $"""viewBox="0 0 {drawing.Width:0.##} {drawing.Height:0.##}" role="img" aria-label="{Text(drawing.Says)}">"""
        );
        foreach (var shape in drawing.Shapes)
            Shape(svg, shape);
        svg.Append("</svg>");
        return new HtmlString(svg.ToString());
    }

    private static void Shape(StringBuilder svg, PaperShape shape)
    {
        switch (shape)
        {
            case PaperLine l:
                Add(
                    svg,
                    $"""<line x1="{l.X1:0.##}" y1="{l.Y1:0.##}" x2="{l.X2:0.##}" y2="{l.Y2:0.##}" stroke="#000" """,
                    $"""stroke-width="{l.Width:0.##}" {(l.IsDashed ? "stroke-dasharray=\"1.2 0.8\"" : "")}/>"""
                );
                break;
            case PaperRectangle r:
                Add(
                    svg,
                    $"""<rect x="{r.X:0.##}" y="{r.Y:0.##}" width="{r.Width:0.##}" height="{r.Height:0.##}" """,
                    $"""fill="{Fill(r.Grey)}" stroke="{(r.HasEdge ? "#000" : "none")}" stroke-width="0.25"/>"""
                );
                break;
            case PaperEllipse e:
                Add(
                    svg,
                    $"""<ellipse cx="{e.X:0.##}" cy="{e.Y:0.##}" rx="{e.RadiusX:0.##}" ry="{e.RadiusY:0.##}" """,
                    $"""fill="{Fill(e.Grey)}" stroke="#000" stroke-width="0.25"/>"""
                );
                break;
            case PaperPolygon p:
                var points = string.Join(' ', p.Points.Select(x => string.Create(CultureInfo.InvariantCulture, $"{x.X:0.##},{x.Y:0.##}")));
                Add(svg, $"""<polygon points="{points}" fill="{Fill(p.Grey)}" stroke="#000" stroke-width="0.25"/>""", $"");
                break;
            case PaperWords w:
                var anchor = w.Anchor switch
                {
                    PaperAnchor.Middle => "middle",
                    PaperAnchor.End => "end",
                    _ => "start",
                };
                Add(
                    svg,
                    $"""<text x="{w.X:0.##}" y="{w.Y:0.##}" font-size="{w.Points * MillimetresPerPoint:0.##}" text-anchor="{anchor}" """,
                    $"""font-weight="{(w.IsBold ? 700 : 400)}" fill="#000">{Text(w.Text)}</text>"""
                );
                break;
        }
    }

    private static void Add(StringBuilder svg, FormattableString one, FormattableString other) =>
        svg.Append(one.ToString(CultureInfo.InvariantCulture)).Append(other.ToString(CultureInfo.InvariantCulture));

    private static string Fill(double? grey) =>
        grey is { } dark
            ? string.Create(CultureInfo.InvariantCulture, $"rgb({(1 - dark) * 255:0},{(1 - dark) * 255:0},{(1 - dark) * 255:0})")
            : "none";

    private static string Text(string text) => System.Net.WebUtility.HtmlEncode(text);
}
