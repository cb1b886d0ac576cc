using System.Collections.Immutable;
using Zymethos.Paper;
using Zymethos.Workshop.Calculators;

namespace Zymethos.Web.Drawing;

/// <summary>A sketch of a calculator on paper, in black and white.</summary>
public static class SketchPaper
{
    private const double Millimetres = 0.3;

    /// <summary>The drawing.</summary>
    public static PaperDrawing Of(Sketch sketch)
    {
        var ink = SketchInk.Of(sketch);
        var shapes = ImmutableArray.CreateBuilder<PaperShape>();
        foreach (var stroke in ink.Strokes)
        {
            ImmutableArray<(double X, double Y)> points = [.. stroke.Points.Select(p => (p.X * Millimetres, p.Y * Millimetres))];
            if (stroke.IsClosed)
                shapes.Add(new PaperPolygon(points, GreyOf(stroke.Kind)));
            else if (stroke.Width > 0)
                shapes.Add(new PaperPolygon(Ribbon(points, stroke.Width * Millimetres), GreyOf(stroke.Kind)));
            else
                shapes.AddRange(Lines(points, stroke.Kind));
        }

        foreach (var word in ink.Words)
            shapes.Add(
                new PaperWords(
                    word.X * Millimetres,
                    word.Y * Millimetres,
                    word.Says,
                    8,
                    word.Anchor switch
                    {
                        "middle" => PaperAnchor.Middle,
                        "end" => PaperAnchor.End,
                        _ => PaperAnchor.Start,
                    }
                )
            );
        return new(ink.Width * Millimetres, ink.Height * Millimetres, shapes.ToImmutable(), sketch.Says);
    }

    private static IEnumerable<PaperLine> Lines(ImmutableArray<(double X, double Y)> points, string kind)
    {
        var (width, dashed) = kind switch
        {
            "line" => (0.6, false),
            "other-line" => (0.4, true),
            "grid" => (0.1, false),
            _ => (0.3, false),
        };
        for (var i = 1; i < points.Length; i++)
            yield return new PaperLine(points[i - 1].X, points[i - 1].Y, points[i].X, points[i].Y, width, dashed);
    }

    /// <summary>A line as wide as a strand.</summary>
    private static ImmutableArray<(double X, double Y)> Ribbon(ImmutableArray<(double X, double Y)> points, double width)
    {
        var (one, other) = (new List<(double, double)>(), new List<(double, double)>());
        for (var i = 0; i < points.Length; i++)
        {
            var (a, b) = (points[Math.Max(0, i - 1)], points[Math.Min(points.Length - 1, i + 1)]);
            var length = Math.Max(1e-9, Math.Sqrt(((b.X - a.X) * (b.X - a.X)) + ((b.Y - a.Y) * (b.Y - a.Y))));
            var (x, y) = ((a.Y - b.Y) / length * width / 2, (b.X - a.X) / length * width / 2);
            one.Add((points[i].X + x, points[i].Y + y));
            other.Add((points[i].X - x, points[i].Y - y));
        }

        other.Reverse();
        return [.. one, .. other];
    }

    private static double? GreyOf(string kind) =>
        kind switch
        {
            "fill-none" => null,
            "fill-cream" or "strand-cream" => 0.04,
            "fill-strong" or "strand-strong" => 0.45,
            "fill-ground" => 0.1,
            "band" => 0.08,
            _ => 0.2,
        };
}
