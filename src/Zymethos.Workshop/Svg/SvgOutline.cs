using System.Globalization;
using System.Text;
using System.Xml;
using System.Xml.Linq;
using NetTopologySuite.Geometries;
using NetTopologySuite.Geometries.Utilities;
using NetTopologySuite.Operation.Union;
using Zymethos.Workshop.Cutting;

namespace Zymethos.Workshop.Svg;

/// <summary>
/// Reads an outline from an SVG, and writes one: paths and simple shapes with their transformations, units and view box. Everything else in
/// the file (scripts, links, pictures, styles, words) is passed over and never kept. Files are bounded; one that names entities is refused.
/// </summary>
public static class SvgOutline
{
    /// <summary>Largest file in characters.</summary>
    public const int MostCharacters = 2_000_000;

    private const int MostShapes = 2000;
    private const int MostPoints = 60_000;
    private const int Deepest = 40;

    // How far a bow may lie from its steps, in millimetres.
    private const double Tolerance = 0.05;

    // A drawing without units is in pixels of 1/96 in (CSS 2.1 §4.3.2).
    private const double Pixel = 25.4 / 96;

    private sealed class Drawn
    {
        public List<Polygon> Rings { get; } = [];

        public int Shapes { get; set; }

        public int Points { get; set; }
    }

    /// <summary>Reads the outline of a file: the largest closed line with the holes in it.</summary>
    /// <param name="name">What the outline shall be called.</param>
    /// <param name="svg">The file.</param>
    /// <returns>The outline, or what is wrong, in a sentence.</returns>
    public static (Outline? Outline, string Wrong) Read(string name, string svg)
    {
        if (svg.Length > MostCharacters)
            return (null, $"A drawing has up to {MostCharacters / 1_000_000} MB.");
        try
        {
            var settings = new XmlReaderSettings
            {
                DtdProcessing = DtdProcessing.Prohibit,
                XmlResolver = null,
                MaxCharactersInDocument = MostCharacters,
                MaxCharactersFromEntities = 1,
            };
            using var reader = XmlReader.Create(new StringReader(svg), settings);
            if (IsTooDeep(svg))
                return (null, "The drawing is nested too deeply.");
            var root = XDocument.Load(reader).Root!;
            if (root.Name.LocalName != "svg")
                return (null, "This is no SVG drawing.");
            var drawn = new Drawn();
            Walk(root, OfDocument(root), drawn, 0);
            return Largest(name, drawn);
        }
        catch (XmlException)
        {
            return (null, "This is no SVG drawing, or something in it is not closed. Entities and document types are not read.");
        }
        catch (FormatException e)
        {
            return (null, e.Message);
        }
        catch (Exception e) when (e is TopologyException or ArgumentException)
        {
            return (null, "The lines of this drawing make no outline. Draw one closed line that does not cross itself.");
        }
    }

    /// <summary>An outline as an SVG in millimetres.</summary>
    public static string Write(Outline outline) =>
        string.Create(
            CultureInfo.InvariantCulture,
            $"<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"{outline.Width:0.###}mm\" height=\"{outline.Height:0.###}mm\" "
                + $"viewBox=\"0 0 {outline.Width:0.###} {outline.Height:0.###}\">"
                + $"<path fill-rule=\"evenodd\" d=\"{PathOf(outline.Shape)}\"/></svg>"
        );

    /// <summary>A shape as the path of an SVG.</summary>
    public static string PathOf(Polygon shape)
    {
        var path = new StringBuilder();
        foreach (
            var ring in new[] { shape.ExteriorRing }.Concat(Enumerable.Range(0, shape.NumInteriorRings).Select(shape.GetInteriorRingN))
        )
        {
            for (var i = 0; i < ring.NumPoints - 1; i++)
                path.Append(CultureInfo.InvariantCulture, $"{(i == 0 ? 'M' : 'L')}{ring.GetPointN(i).X:0.##} {ring.GetPointN(i).Y:0.##}");
            path.Append('Z');
        }

        return path.ToString();
    }

    // Elements in elements are counted before a tree is made of them.
    private static bool IsTooDeep(string svg)
    {
        var (depth, at) = (0, 0);
        while ((at = svg.IndexOf('<', at)) >= 0 && at + 1 < svg.Length)
        {
            var end = svg.IndexOf('>', at);
            if (svg[at + 1] == '/')
                depth--;
            else if (svg[at + 1] is not ('!' or '?') && end > 0 && svg[end - 1] != '/')
                depth++;
            if (depth > Deepest * 3)
                return true;
            at++;
        }

        return false;
    }

    /// <summary>From the drawing's units to millimetres.</summary>
    private static AffineTransformation OfDocument(XElement root)
    {
        var (width, height) = (InMillimetres((string?)root.Attribute("width")), InMillimetres((string?)root.Attribute("height")));
        var box = ((string?)root.Attribute("viewBox"))
            ?.Split([' ', ','], StringSplitOptions.RemoveEmptyEntries)
            .Select(p => double.TryParse(p, NumberStyles.Float, CultureInfo.InvariantCulture, out var v) ? v : double.NaN)
            .ToArray();
        if (box is not { Length: 4 } || box.Any(v => !double.IsFinite(v)) || box[2] <= 0 || box[3] <= 0)
            return AffineTransformation.ScaleInstance(Pixel, Pixel);
        // The whole box is shown, in proportion (SVG 1.1 §7.8, "meet").
        var scale = Math.Min(width / box[2] ?? double.PositiveInfinity, height / box[3] ?? double.PositiveInfinity);
        return AffineTransformation.ScaleInstance(double.IsFinite(scale) ? scale : Pixel, double.IsFinite(scale) ? scale : Pixel);
    }

    private static double? InMillimetres(string? length)
    {
        if (length is null || length.EndsWith('%'))
            return null;
        var number = length.TrimEnd().TrimEnd([.. "abcdefghijklmnopqrstuvwxyz"]);
        if (!double.TryParse(number, NumberStyles.Float, CultureInfo.InvariantCulture, out var value) || value is not (> 0 and < 1e6))
            return null;
        return length.Trim()[number.Trim().Length..] switch
        {
            "mm" => value,
            "cm" => value * 10,
            "in" => value * 25.4,
            "pt" => value * 25.4 / 72,
            "pc" => value * 25.4 / 6,
            "" or "px" => value * Pixel,
            _ => null,
        };
    }

    private static void Walk(XElement element, AffineTransformation above, Drawn drawn, int depth)
    {
        if (depth > Deepest)
            throw new FormatException("The drawing is nested too deeply.");
        if ((string?)element.Attribute("display") == "none")
            return;
        var here = above;
        if ((string?)element.Attribute("transform") is { Length: > 0 } moved)
        {
            here = new AffineTransformation(above);
            here.ComposeBefore(SvgTransform.Read(moved));
        }

        switch (element.Name.LocalName)
        {
            case "svg" or "g" or "a":
                foreach (var child in element.Elements())
                    Walk(child, here, drawn, depth + 1);
                break;
            case "path" or "rect" or "circle" or "ellipse" or "polygon" or "polyline":
                if (++drawn.Shapes > MostShapes)
                    throw new FormatException($"A drawing has up to {MostShapes:N0} shapes.");
                Take(SvgPath.Read(PathOf(element), Tolerance / Scale(here), MostPoints - drawn.Points), here, drawn);
                break;
        }
    }

    private static double Scale(AffineTransformation of)
    {
        var m = of.MatrixEntries;
        return Math.Max(1e-6, Math.Sqrt(Math.Abs((m[0] * m[4]) - (m[1] * m[3]))));
    }

    private static void Take(List<List<Coordinate>> lines, AffineTransformation here, Drawn drawn)
    {
        foreach (var line in lines)
        {
            drawn.Points += line.Count;
            if (line.Count < 3)
                continue;
            var ring = line.ConvertAll(c => here.Transform(c, new Coordinate()));
            // What is nearly closed is closed.
            if (!ring[0].Equals2D(ring[^1]))
                ring.Add(ring[0].Copy());
            if (ring.Count < 4)
                continue;
            var shape = new GeometryFactory().CreatePolygon([.. ring]);
            // A line that crosses itself may enclose nothing in sum: it is kept, to be named.
            if (shape.EnvelopeInternal.Area > 1)
                drawn.Rings.Add(shape);
        }
    }

    private static string PathOf(XElement shape)
    {
        double Of(string name, double otherwise = 0)
        {
            var text = ((string?)shape.Attribute(name))?.Trim() ?? "";
            text = text.EndsWith("px", StringComparison.Ordinal) ? text[..^2] : text;
            return double.TryParse(text, NumberStyles.Float, CultureInfo.InvariantCulture, out var v) && double.IsFinite(v) ? v : otherwise;
        }

        string Say(FormattableString path) => path.ToString(CultureInfo.InvariantCulture);
        string Ellipse(double x, double y, double rx, double ry) =>
            rx > 0 && ry > 0 ? Say($"M{x - rx},{y}A{rx},{ry},0,1,1,{x + rx},{y}A{rx},{ry},0,1,1,{x - rx},{y}Z") : "";
        switch (shape.Name.LocalName)
        {
            case "path":
                return (string?)shape.Attribute("d") ?? "";
            case "circle":
                return Ellipse(Of("cx"), Of("cy"), Of("r"), Of("r"));
            case "ellipse":
                return Ellipse(Of("cx"), Of("cy"), Of("rx"), Of("ry"));
            case "rect":
            {
                var (x, y, w, h) = (Of("x"), Of("y"), Of("width"), Of("height"));
                var (rx, ry) = (Math.Min(Of("rx", Of("ry")), w / 2), Math.Min(Of("ry", Of("rx")), h / 2));
                return w <= 0 || h <= 0 ? ""
                    : rx <= 0 || ry <= 0 ? Say($"M{x},{y}H{x + w}V{y + h}H{x}Z")
                    : Say($"M{x + rx},{y}H{x + w - rx}A{rx},{ry},0,0,1,{x + w},{y + ry}V{y + h - ry}A{rx},{ry},0,0,1,{x + w - rx},{y + h}")
                        + Say($"H{x + rx}A{rx},{ry},0,0,1,{x},{y + h - ry}V{y + ry}A{rx},{ry},0,0,1,{x + rx},{y}Z");
            }
            default:
                return (string?)shape.Attribute("points") is { Length: > 0 } points ? $"M{points}Z" : "";
        }
    }

    private static (Outline? Outline, string Wrong) Largest(string name, Drawn drawn)
    {
        if (drawn.Rings.Count == 0)
            return (null, "There is no closed line in this drawing.");
        if (drawn.Rings.FirstOrDefault(r => !r.IsValid) is { } crossed)
            return (null, $"A line of this drawing crosses itself{Near(crossed)}. Draw it so that it goes round once.");
        var outer = drawn.Rings.MaxBy(s => s.Area)!;
        var holes = drawn.Rings.Where(s => s != outer && outer.Contains(s)).ToList();
        Geometry shape = outer;
        if (holes.Count > 0)
            shape = outer.Difference(UnaryUnionOp.Union(holes));
        var largest = Enumerable.Range(0, shape.NumGeometries).Select(shape.GetGeometryN).OfType<Polygon>().MaxBy(p => p.Area);
        return largest is null ? (null, "There is no closed line in this drawing.") : Outline.Of(name, largest);
    }

    private static string Near(Polygon shape)
    {
        var at = new NetTopologySuite.Operation.Valid.IsValidOp(shape).ValidationError?.Coordinate;
        return at is null
            ? ""
            : string.Create(CultureInfo.InvariantCulture, $" about {at.X:0} mm from the left and {at.Y:0} mm from the top");
    }
}
