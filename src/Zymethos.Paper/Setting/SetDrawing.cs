using PdfSharp.Drawing;

namespace Zymethos.Paper.Setting;

/// <summary>Draws a drawing.</summary>
internal static class SetDrawing
{
    /// <summary>Draws it.</summary>
    /// <param name="page">Where to.</param>
    /// <param name="drawing">The drawing.</param>
    /// <param name="left">Its left, in points.</param>
    /// <param name="top">Its top, in points.</param>
    /// <param name="unit">Points of one of its millimetres.</param>
    /// <param name="text">Measures words.</param>
    public static void Draw(XGraphics page, PaperDrawing drawing, double left, double top, double unit, SetText text)
    {
        foreach (var shape in drawing.Shapes)
        {
            switch (shape)
            {
                case PaperLine line:
                    page.DrawLine(
                        new XPen(XColors.Black, line.Width * unit) { DashStyle = line.IsDashed ? XDashStyle.Dash : XDashStyle.Solid },
                        left + (line.X1 * unit),
                        top + (line.Y1 * unit),
                        left + (line.X2 * unit),
                        top + (line.Y2 * unit)
                    );
                    break;
                case PaperRectangle box:
                    page.DrawRectangle(
                        box.HasEdge ? Edge(unit) : null,
                        Fill(box.Grey),
                        left + (box.X * unit),
                        top + (box.Y * unit),
                        box.Width * unit,
                        box.Height * unit
                    );
                    break;
                case PaperEllipse round:
                    page.DrawEllipse(
                        Edge(unit),
                        Fill(round.Grey),
                        left + ((round.X - round.RadiusX) * unit),
                        top + ((round.Y - round.RadiusY) * unit),
                        2 * round.RadiusX * unit,
                        2 * round.RadiusY * unit
                    );
                    break;
                case PaperPolygon outline:
                    page.DrawPolygon(
                        Edge(unit),
                        Fill(outline.Grey),
                        [.. outline.Points.Select(p => new XPoint(left + (p.X * unit), top + (p.Y * unit)))],
                        XFillMode.Winding
                    );
                    break;
                case PaperWords words:
                    Words(page, words, left, top, unit, text);
                    break;
            }
        }
    }

    private static void Words(XGraphics page, PaperWords words, double left, double top, double unit, SetText text)
    {
        // Letters shrink with a drawing that is shrunk.
        var size = words.Points * unit / SetBlocks.Millimetre;
        var spans = text.Spans(words.Text, size, words.IsBold).ToList();
        var back = words.Anchor switch
        {
            PaperAnchor.Middle => spans.Sum(s => s.Width) / 2,
            PaperAnchor.End => spans.Sum(s => s.Width),
            _ => 0,
        };
        SetText.Draw(page, spans, left + (words.X * unit) - back, top + (words.Y * unit));
    }

    private static XPen Edge(double unit) => new(XColors.Black, 0.25 * unit);

    private static XBrush Fill(double? grey) =>
        grey is { } dark ? new XSolidBrush(XColor.FromGrayScale(1 - dark)) : new XSolidBrush(XColors.Transparent);
}
