using NetTopologySuite.Algorithm;
using NetTopologySuite.Geometries;
using NetTopologySuite.Triangulate.Polygon;

namespace Zymethos.Workshop.Cutting;

/// <summary>A shape in convex parts: triangles, put together again as long as they stay convex (Hertel and Mehlhorn 1983, "Fast
/// triangulation of simple polygons").</summary>
internal static class ConvexParts
{
    /// <summary>The corners of each part; together they cover the shape, and nothing else.</summary>
    public static List<Coordinate[]> Of(Polygon shape)
    {
        var hull = new ConvexHull(shape).GetConvexHull();
        if (shape.NumInteriorRings == 0 && hull.Area - shape.Area < 1e-9 * hull.Area)
            return [Ring(hull)];
        var triangles = ConstrainedDelaunayTriangulator.Triangulate(shape);
        var parts = Enumerable
            .Range(0, triangles.NumGeometries)
            .Select(i => (Polygon)triangles.GetGeometryN(i))
            .Where(t => t.Area > 1e-9)
            .ToList();
        for (var merged = true; merged; )
        {
            merged = false;
            for (var a = 0; a < parts.Count && !merged; a++)
            {
                for (var b = a + 1; b < parts.Count && !merged; b++)
                {
                    if (Shared(parts[a], parts[b]) < 2)
                        continue;
                    var together = new ConvexHull([.. parts[a].Coordinates, .. parts[b].Coordinates], shape.Factory).GetConvexHull();
                    if (together is not Polygon both || both.Area - parts[a].Area - parts[b].Area > 1e-9 * both.Area)
                        continue;
                    parts[a] = both;
                    parts.RemoveAt(b);
                    merged = true;
                }
            }
        }

        return parts.ConvertAll(p => Ring(p));
    }

    private static int Shared(Polygon one, Polygon other) => one.Coordinates.Distinct().Count(c => other.Coordinates.Contains(c));

    private static Coordinate[] Ring(Geometry polygon) => polygon.Coordinates[..^1];
}
