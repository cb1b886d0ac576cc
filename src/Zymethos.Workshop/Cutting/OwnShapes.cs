using NetTopologySuite.Geometries;

namespace Zymethos.Workshop.Cutting;

/// <summary>Simple outlines of our own, drawn from a few numbers, a millimetre or finer along their bows.</summary>
public static class OwnShapes
{
    private const int Bow = 64;

    /// <summary>The names of all of them.</summary>
    public static IReadOnlyList<string> Names { get; } =
    ["round", "square", "oval", "rectangle", "star", "leaf", "bell", "hand", "pear", "fir", "moon", "ring"];

    /// <summary>An outline by its name.</summary>
    /// <param name="name">One of <see cref="Names"/>.</param>
    /// <param name="longestSide">The longer side of its box in millimetres.</param>
    /// <returns>The outline, or why there is none.</returns>
    public static (Outline? Outline, string Wrong) Of(string name, double longestSide)
    {
        if (!Names.Contains(name))
            return (null, $"There is no outline “{name}”. There are: {string.Join(", ", Names)}.");
        if (longestSide is not (>= Outline.Smallest and <= Outline.Largest))
            return (null, $"A cutter measures {Outline.Smallest:0} mm to {Outline.Largest / 1000:0} m along its longer side.");
        var (shape, wrong) = Outline.Of(name, Drawn(name));
        return shape is null ? (null, wrong) : shape.Sized(name, longestSide);
    }

    private static Polygon Drawn(string name) =>
        name switch
        {
            "round" => Polar(_ => 50),
            "oval" => Along(t => (50 * Math.Cos(t), 34 * Math.Sin(t))),
            "square" => Corners([0, 0, 100, 0, 100, 100, 0, 100]),
            "rectangle" => Corners([0, 0, 100, 0, 100, 62, 0, 62]),
            "star" => Star(),
            "leaf" => Along(t => (50 * Math.Cos(t), 26 * Math.Sin(t) * Math.Abs(Math.Sin(t)))),
            "bell" => Corners([.. Arc(50, 34, 30, 180, 360), 80, 62, 92, 80, .. Arc(50, 80, 12, 0, 180), 8, 80, 20, 62]),
            "hand" => Rounded(
                [
                    18,
                    100,
                    14,
                    62,
                    0,
                    44,
                    8,
                    38,
                    20,
                    50,
                    22,
                    14,
                    30,
                    14,
                    33,
                    44,
                    38,
                    2,
                    46,
                    2,
                    47,
                    44,
                    55,
                    8,
                    63,
                    10,
                    60,
                    48,
                    70,
                    24,
                    77,
                    27,
                    70,
                    62,
                    62,
                    100,
                ],
                2.5
            ),
            "pear" => Along(t =>
            {
                // Wide below, narrow above.
                var wide = 36 * (1 + (0.42 * Math.Sin(t)));
                return (wide * Math.Cos(t), 50 * Math.Sin(t));
            }),
            "fir" => Corners([50, 0, 78, 36, 64, 36, 90, 70, 58, 70, 58, 92, 42, 92, 42, 70, 10, 70, 36, 36, 22, 36]),
            "moon" => Moon(),
            _ => new GeometryFactory().CreatePolygon(Polar(_ => 50).Shell, [Polar(_ => 24).Shell]),
        };

    private static Polygon Star()
    {
        var corners = new List<double>();
        for (var i = 0; i < 10; i++)
        {
            var (angle, far) = (Math.PI * ((i / 5.0) - 0.5), i % 2 == 0 ? 50 : 24);
            corners.AddRange([far * Math.Cos(angle), far * Math.Sin(angle)]);
        }

        return Corners(corners);
    }

    private static Polygon Moon()
    {
        var (all, bite) = (Polar(_ => 50), Corners([.. Arc(24, 0, 40, 0, 360 - (360.0 / Bow))]));
        return (Polygon)all.Difference(bite);
    }

    private static Polygon Rounded(double[] corners, double by) => (Polygon)Corners(corners).Buffer(-by).Buffer(2 * by).Buffer(-by);

    private static Polygon Polar(Func<double, double> far) => Along(t => (far(t) * Math.Cos(t), far(t) * Math.Sin(t)));

    private static Polygon Along(Func<double, (double X, double Y)> at) =>
        Corners([.. Enumerable.Range(0, Bow).Select(i => at(2 * Math.PI * i / Bow)).SelectMany(p => new[] { p.X, p.Y })]);

    private static IEnumerable<double> Arc(double x, double y, double far, double from, double until)
    {
        const int parts = Bow / 2;
        for (var i = 0; i <= parts; i++)
        {
            var angle = (from + ((until - from) * i / parts)) * Math.PI / 180;
            yield return x + (far * Math.Cos(angle));
            yield return y + (far * Math.Sin(angle));
        }
    }

    private static Polygon Corners(IReadOnlyList<double> flat)
    {
        var corners = new Coordinate[(flat.Count / 2) + 1];
        for (var i = 0; i < flat.Count / 2; i++)
            corners[i] = new Coordinate(flat[2 * i], flat[(2 * i) + 1]);
        corners[^1] = corners[0].Copy();
        return new GeometryFactory().CreatePolygon(corners);
    }
}
