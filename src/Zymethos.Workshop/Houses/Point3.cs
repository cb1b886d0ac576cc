namespace Zymethos.Workshop.Houses;

/// <summary>A point, or a way from one to another, in millimetres: across, deep, high.</summary>
/// <param name="X">To the right, seen from the front.</param>
/// <param name="Y">Away from whoever looks at the front.</param>
/// <param name="Z">Up.</param>
public readonly record struct Point3(double X, double Y, double Z)
{
    /// <summary>Both ways one after the other.</summary>
    public static Point3 operator +(Point3 a, Point3 b) => new(a.X + b.X, a.Y + b.Y, a.Z + b.Z);

    /// <summary>The way from the second to the first.</summary>
    public static Point3 operator -(Point3 a, Point3 b) => new(a.X - b.X, a.Y - b.Y, a.Z - b.Z);

    /// <summary>So many times the way.</summary>
    public static Point3 operator *(Point3 a, double by) => new(a.X * by, a.Y * by, a.Z * by);
}
