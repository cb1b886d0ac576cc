using NetTopologySuite.Geometries;
using NetTopologySuite.Operation.Buffer;
using NetTopologySuite.Simplify;

namespace Zymethos.Workshop.Cutting;

/// <summary>An outline at one turn, with the room that it keeps around it.</summary>
internal sealed class NestVariant
{
    /// <summary>Shapes are taken to be smaller by so many millimetres, so that what fits exactly is found to fit. No cutter is as
    /// exact.</summary>
    public const double Hair = 0.004;

    private const double Coarse = 0.15;
    private const int FewCorners = 14;

    // Corners keep their corners, so that squares lie beside squares.
    private static readonly BufferParameters Sharp = new(4, EndCapStyle.Round, JoinStyle.Mitre, 2);

    private NestVariant(int wish, double turn, Polygon shape, double spacing)
    {
        (Wish, Turn, Shape) = (wish, turn, shape);
        Parts = ConvexParts.Of(Grown(shape, spacing / 2));
    }

    /// <summary>Which wish it is of.</summary>
    public int Wish { get; }

    /// <summary>By how many degrees it is turned.</summary>
    public double Turn { get; }

    /// <summary>The shape, its box beginning at 0, 0.</summary>
    public Polygon Shape { get; }

    /// <summary>Width of its box.</summary>
    public double Width => Shape.EnvelopeInternal.Width;

    /// <summary>Height of its box.</summary>
    public double Height => Shape.EnvelopeInternal.Height;

    /// <summary>The shape with its room, in convex parts.</summary>
    public List<Coordinate[]> Parts { get; }

    /// <summary>The outline at all turns at which it looks another way.</summary>
    public static IEnumerable<NestVariant> Of(int wish, Outline outline, double spacing, IReadOnlyList<double> turns)
    {
        var made = new List<NestVariant>();
        foreach (var turn in turns)
        {
            var shape = Nest.Turned(outline.Shape, turn);
            if (made.Exists(m => IsSame(m.Shape, shape)))
                continue;
            made.Add(new NestVariant(wish, turn, shape, spacing));
        }

        return made;
    }

    private static bool IsSame(Polygon one, Polygon other) =>
        Math.Abs(one.EnvelopeInternal.Width - other.EnvelopeInternal.Width) < 0.01
        && Math.Abs(one.EnvelopeInternal.Height - other.EnvelopeInternal.Height) < 0.01
        && one.SymmetricDifference(other).Area < 1e-4 * one.Area;

    /// <summary>The shape with room around it, with fewer corners where it has many; never smaller than it has to be.</summary>
    private static Polygon Grown(Polygon shape, double by)
    {
        // Of a hole nothing is cut that could be used: what lies in it is left to the next roll.
        var solid = shape.NumInteriorRings == 0 ? shape : shape.Factory.CreatePolygon(shape.Shell);
        // A shape without bays keeps all its corners: its sums are quickly made.
        var isBay = new NetTopologySuite.Algorithm.ConvexHull(solid).GetConvexHull().Area > solid.Area * (1 + 1e-9);
        return isBay && solid.NumPoints > FewCorners
            ? (Polygon)TopologyPreservingSimplifier.Simplify(solid.Buffer(by + Coarse, 4), Coarse)
            : (Polygon)solid.Buffer(by - Hair, Sharp);
    }
}
