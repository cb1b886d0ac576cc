using NetTopologySuite.Algorithm;
using NetTopologySuite.Geometries;

namespace Zymethos.Workshop.Cutting;

/// <summary>
/// The outline of a cutter or a template: one closed line without crossings, with holes or without. In millimetres, x to the right and y
/// down, its box beginning at 0, 0. A value that is never changed.
/// </summary>
public sealed class Outline
{
    /// <summary>Shortest side of the box of an outline, in millimetres.</summary>
    public const double Smallest = 5;

    /// <summary>Longest side of its box.</summary>
    public const double Largest = 1000;

    /// <summary>The most corners of an outline.</summary>
    public const int MostCorners = 4000;

    private Outline(string name, Polygon shape) => (Name, Shape) = (name, shape);

    /// <summary>What it is called.</summary>
    public string Name { get; }

    /// <summary>The shape.</summary>
    public Polygon Shape { get; }

    /// <summary>Width of its box in millimetres.</summary>
    public double Width => Shape.EnvelopeInternal.Width;

    /// <summary>Height of its box in millimetres.</summary>
    public double Height => Shape.EnvelopeInternal.Height;

    /// <summary>Area in square millimetres, holes left out.</summary>
    public double Area => Shape.Area;

    /// <summary>The longest line from one point of it to another, in millimetres.</summary>
    public double Longest
    {
        get
        {
            var hull = new ConvexHull(Shape).GetConvexHull().Coordinates;
            return hull.SelectMany(_ => hull, (a, b) => a.Distance(b)).Max();
        }
    }

    /// <summary>Makes an outline of a shape, moved so that its box begins at 0, 0.</summary>
    /// <param name="name">What it is called.</param>
    /// <param name="shape">The shape, in millimetres.</param>
    /// <returns>The outline, or why it is none, in a sentence.</returns>
    public static (Outline? Outline, string Wrong) Of(string name, Polygon shape)
    {
        if (shape.IsEmpty || shape.NumPoints > MostCorners || shape.Coordinates.Any(c => !double.IsFinite(c.X) || !double.IsFinite(c.Y)))
            return (null, $"An outline has 3 to {MostCorners:N0} corners.");
        var box = shape.EnvelopeInternal;
        if (Math.Min(box.Width, box.Height) < Smallest || Math.Max(box.Width, box.Height) > Largest)
            return (null, $"An outline measures {Smallest:0} mm to {Largest / 1000:0} m; this one {box.Width:0.#} by {box.Height:0.#} mm.");
        if (!shape.IsValid)
            return (null, "The line crosses itself or is not closed. Draw it so that it goes round once.");
        var moved = (Polygon)shape.Copy();
        moved.Apply(new Moved(-box.MinX, -box.MinY));
        moved.Normalize();
        return (new Outline(name, moved), "");
    }

    /// <summary>The same under another name and made larger or smaller.</summary>
    /// <param name="name">Its name.</param>
    /// <param name="longestSide">The longer side of its box in millimetres, above zero.</param>
    public (Outline? Outline, string Wrong) Sized(string name, double longestSide)
    {
        var by = longestSide / Math.Max(Width, Height);
        var shape = (Polygon)Shape.Copy();
        shape.Apply(new Scaled(by));
        return Of(name, shape);
    }

    /// <summary>How wide the narrowest place is at which a piece would break in two, in millimetres; null where it has none, or only one
    /// that is wider than a third of its shorter side.</summary>
    public double? NarrowestNeck()
    {
        var most = Math.Min(Width, Height) / 3;
        // Shaved off by half its width, a neck is gone and two pieces are left; what merely tapers to a tip is one piece all the time.
        double? found = null;
        var (low, high) = (0.0, most);
        if (Pieces(high) < 2 && !Enumerable.Range(1, 11).Any(i => Pieces(high = most * i / 12) >= 2))
            return null;
        for (var round = 0; round < 12; round++)
        {
            var middle = (low + high) / 2;
            if (Pieces(middle) >= 2)
                (high, found) = (middle, middle);
            else
                low = middle;
        }

        return found ?? high;
    }

    // Crumbs of under a twentieth of the shape are tips, not pieces.
    private int Pieces(double width)
    {
        var rest = Shape.Buffer(-width / 2);
        return Enumerable.Range(0, rest.NumGeometries).Count(i => rest.GetGeometryN(i).Area > Area / 20);
    }

    private sealed class Moved(double x, double y) : Transforming
    {
        protected override (double X, double Y) Of(double oldX, double oldY) => (oldX + x, oldY + y);
    }

    private sealed class Scaled(double by) : Transforming
    {
        protected override (double X, double Y) Of(double oldX, double oldY) => (oldX * by, oldY * by);
    }

    /// <summary>Puts every corner elsewhere.</summary>
    private abstract class Transforming : IEntireCoordinateSequenceFilter
    {
        public bool Done => false;

        public bool GeometryChanged => true;

        public void Filter(CoordinateSequence corners)
        {
            for (var i = 0; i < corners.Count; i++)
            {
                var (x, y) = Of(corners.GetX(i), corners.GetY(i));
                corners.SetX(i, x);
                corners.SetY(i, y);
            }
        }

        protected abstract (double X, double Y) Of(double oldX, double oldY);
    }
}
