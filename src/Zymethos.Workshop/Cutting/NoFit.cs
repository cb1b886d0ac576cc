using NetTopologySuite.Algorithm;
using NetTopologySuite.Geometries;
using NetTopologySuite.Geometries.Utilities;
using NetTopologySuite.Operation.OverlayNG;

namespace Zymethos.Workshop.Cutting;

/// <summary>
/// The no-fit polygon of two shapes: all places of the second one's origin, seen from the first one's, at which they would overlap. It is
/// the Minkowski sum of the one and the other turned inside out, put together from the sums of their convex parts.
/// </summary>
/// <remarks>Minkowski sums for nesting: Agarwal, Flato and Halperin 2002, "Polygon decomposition for efficient construction of Minkowski
/// sums".</remarks>
internal static class NoFit
{
    private static readonly GeometryFactory Factory = new();

    /// <summary>The no-fit polygon of shapes in convex parts.</summary>
    public static Geometry Of(List<Coordinate[]> fixedParts, List<Coordinate[]> movedParts)
    {
        var sums = new List<Geometry>();
        foreach (var one in fixedParts)
        {
            foreach (var other in movedParts)
            {
                var corners = new Coordinate[one.Length * other.Length];
                for (var i = 0; i < one.Length; i++)
                {
                    for (var j = 0; j < other.Length; j++)
                        corners[(i * other.Length) + j] = new Coordinate(one[i].X - other[j].X, one[i].Y - other[j].Y);
                }

                sums.Add(new ConvexHull(corners, Factory).GetConvexHull());
            }
        }

        return sums.Count == 1 ? sums[0] : Areas(OverlayNGRobust.Union(sums));
    }

    /// <summary>A shape without the lines and points that may be left where areas touch.</summary>
    public static Geometry Areas(Geometry shape) =>
        shape is Polygon or MultiPolygon ? shape : Factory.BuildGeometry(PolygonExtracter.GetPolygons(shape));
}
