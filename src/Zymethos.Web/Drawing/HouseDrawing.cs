using System.Globalization;
using System.Text;
using Microsoft.AspNetCore.Html;
using NetTopologySuite.Geometries;
using Zymethos.Workshop.Houses;

namespace Zymethos.Web.Drawing;

/// <summary>Draws a house of dough from a side, or taken apart, to scale.</summary>
public static class HouseDrawing
{
    /// <summary>From where a house is looked at: what is to the right, what is up, and the way to whoever looks.</summary>
    /// <param name="Name">What the view is called.</param>
    /// <param name="Right">To the right on the paper, one millimetre long.</param>
    /// <param name="Up">Up on the paper.</param>
    /// <param name="Here">Toward whoever looks.</param>
    public sealed record View(string Name, Point3 Right, Point3 Up, Point3 Here);

    private static readonly double Half = Math.Sqrt(0.5);
    private static readonly double Sixth = Math.Sqrt(1 / 6.0);
    private static readonly double Third = Math.Sqrt(1 / 3.0);

    /// <summary>From the front, the right side, and above.</summary>
    public static IReadOnlyList<View> Sides { get; } =
    [
        new("from the front", new(1, 0, 0), new(0, 0, 1), new(0, -1, 0)),
        new("from the side", new(0, 1, 0), new(0, 0, 1), new(1, 0, 0)),
        new("from above", new(1, 0, 0), new(0, 1, 0), new(0, 0, 1)),
    ];

    /// <summary>From a corner: all three ways are as long on the paper (isometric).</summary>
    public static View Corner { get; } = new("taken apart", new(Half, Half, 0), new Point3(-1, 1, 2) * Sixth, new Point3(1, -1, 1) * Third);

    /// <summary>The drawing.</summary>
    /// <param name="house">The house.</param>
    /// <param name="view">From where.</param>
    /// <param name="apart">How far the pieces stand from their places, in millimetres.</param>
    public static IHtmlContent Of(House house, View view, double apart)
    {
        var faces = house
            .Pieces.Select(p => (Piece: p, Middle: Middle(p, apart)))
            .OrderBy(p => Dot(p.Middle, view.Here))
            .Select(p => p.Piece)
            .ToList();
        var lines = faces.ConvertAll(p => (p.Name, Paths: Faces(p, house.Wish.Thickness, view, apart)));
        var all = lines.SelectMany(l => l.Paths).SelectMany(r => r).SelectMany(r => r).ToList();
        var (left, right, top, bottom) = (all.Min(p => p.X), all.Max(p => p.X), all.Min(p => p.Y), all.Max(p => p.Y));
        const double edge = 6;
        var (width, height) = (right - left + (2 * edge), bottom - top + (2 * edge));
        var svg = new StringBuilder();
        svg.Append(
            CultureInfo.InvariantCulture,
            $"<svg class=\"house\" viewBox=\"{left - edge:0.#} {top - edge:0.#} {width:0.#} {height + 16:0.#}\" role=\"img\" "
        );
        svg.Append(CultureInfo.InvariantCulture, $"aria-label=\"The house {view.Name}, {house.Pieces.Length} pieces\">");
        foreach (var (name, paths) in lines)
        {
            svg.Append(CultureInfo.InvariantCulture, $"<g><title>{name}</title>");
            foreach (var rings in paths)
            {
                svg.Append("<path fill-rule=\"evenodd\" d=\"");
                foreach (var ring in rings)
                {
                    for (var i = 0; i < ring.Count; i++)
                        svg.Append(CultureInfo.InvariantCulture, $"{(i == 0 ? 'M' : 'L')}{ring[i].X:0.#} {ring[i].Y:0.#}");
                    svg.Append('Z');
                }

                svg.Append("\"/>");
            }

            svg.Append("</g>");
        }

        var ruler = house.Wish.Width >= 100 ? 100 : 50;
        var foot = bottom + edge + 4;
        svg.Append(CultureInfo.InvariantCulture, $"<path class=\"ruler\" d=\"M{left:0.#} {foot:0.#}h{ruler}m0 -3v6m-{ruler} -6v6\"/>");
        svg.Append(
            CultureInfo.InvariantCulture,
            $"<text font-size=\"9\" x=\"{left + ruler + 5:0.#}\" y=\"{foot + 3:0.#}\">{ruler / 10} cm</text></svg>"
        );
        return new HtmlString(svg.ToString());
    }

    /// <summary>The inner face, then the outer one, each with its holes.</summary>
    private static List<List<List<(double X, double Y)>>> Faces(HousePiece piece, double thickness, View view, double apart)
    {
        List<(double X, double Y)> Ring(LineString ring, double behind) =>
            [
                .. ring.Coordinates[..^1]
                    .Select(c => piece.At(c.X, c.Y, behind) + (piece.Out * apart))
                    .Select(p => (Dot(p, view.Right), -Dot(p, view.Up))),
            ];
        List<List<(double X, double Y)>> Face(double behind) =>
            [
                Ring(piece.Shape.ExteriorRing, behind),
                .. Enumerable.Range(0, piece.Shape.NumInteriorRings).Select(i => Ring(piece.Shape.GetInteriorRingN(i), behind)),
            ];
        return Dot(piece.Out, view.Here) >= 0 ? [Face(thickness), Face(0)] : [Face(0), Face(thickness)];
    }

    private static Point3 Middle(HousePiece piece, double apart)
    {
        var middle = piece.Shape.Centroid.Coordinate;
        return piece.At(middle.X, middle.Y) + (piece.Out * apart);
    }

    private static double Dot(Point3 a, Point3 b) => (a.X * b.X) + (a.Y * b.Y) + (a.Z * b.Z);
}
