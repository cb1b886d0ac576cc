using NetTopologySuite.Geometries;

namespace Zymethos.Workshop.Houses;

/// <summary>
/// A piece of a house: its outline as it is cut, and where it stands. The outline is that of the outer face, x along
/// <paramref name="Along"/> and y along <paramref name="Up"/>; the dough lies behind it.
/// </summary>
/// <param name="Name">What it is.</param>
/// <param name="Shape">Its outline in millimetres, y up, with what is cut out of it.</param>
/// <param name="Corner">Where the point 0, 0 of the outline stands.</param>
/// <param name="Along">The direction of the outline's x, one millimetre long.</param>
/// <param name="Up">The direction of its y.</param>
/// <param name="Out">The direction away from the house.</param>
/// <param name="Bevel">Degrees by which its upper edge is cut slanting while warm; 0 for straight.</param>
public sealed record HousePiece(string Name, Polygon Shape, Point3 Corner, Point3 Along, Point3 Up, Point3 Out, double Bevel)
{
    /// <summary>A point of the piece in the house.</summary>
    /// <param name="x">Along the outline.</param>
    /// <param name="y">Up the outline.</param>
    /// <param name="behind">So many millimetres behind the outer face.</param>
    public Point3 At(double x, double y, double behind = 0) => Corner + (Along * x) + (Up * y) - (Out * behind);
}
