using System.Collections.Immutable;
using NetTopologySuite.Geometries;

namespace Zymethos.Workshop.Houses;

/// <summary>
/// A house of dough: its pieces, reckoned from the thickness so that roof and walls meet. The gables cover the ends of the side walls; the
/// roof lies on the outer edges of the walls. A value without state.
/// </summary>
/// <param name="Wish">The measures; without faults.</param>
/// <param name="Pieces">The pieces.</param>
public sealed record House(HouseWish Wish, ImmutableArray<HousePiece> Pieces)
{
    /// <summary>Grams of a cubic centimetre of firm icing (common practice, no source).</summary>
    public const double IcingDensity = 1.4;

    // A bead that is pressed into a joint: a triangle with so long sides, in millimetres (by judgement).
    private const double Bead = 8;

    private static readonly GeometryFactory Factory = new();

    /// <summary>Volume of all pieces in cubic millimetres, as they are cut.</summary>
    public double Volume => Pieces.Sum(p => p.Shape.Area) * Wish.Thickness;

    /// <summary>Dough of all pieces in grams, before scraps.</summary>
    /// <param name="density">Grams of a cubic centimetre.</param>
    public double DoughGrams(double density) => Volume / 1000 * density;

    /// <summary>Length of all joints in millimetres: walls to walls, roof to walls, ridge, walls to base, chimney.</summary>
    public double JointLength
    {
        get
        {
            var slope = Wish.Width / 2 / Math.Cos(Angle);
            var walls = (4 * Wish.WallHeight) + (2 * (Wish.Depth - (2 * Wish.Thickness))) + (4 * slope) + Wish.Depth + (2 * Wish.Overhang);
            var ground = Wish.BaseMargin >= 0 ? 2 * (Wish.Width + Wish.Depth) : 0;
            return walls + ground + (Wish.Chimney > 0 ? 8 * Wish.Chimney : 0);
        }
    }

    /// <summary>Icing that holds it together, in grams: a bead in every joint, and the wedges that straight edges leave.</summary>
    public double IcingGrams
    {
        get
        {
            var wedge = Wish.IsBevelled
                ? 0
                : Wish.Thickness * Wish.Thickness * Wish.Slope * ((Wish.Depth + (2 * Wish.Overhang)) + (Wish.Depth - (2 * Wish.Thickness)));
            return ((JointLength * Bead * Bead / 2) + wedge) / 1000 * IcingDensity;
        }
    }

    private double Angle => Wish.Pitch * Math.PI / 180;

    /// <summary>Builds the house of some measures.</summary>
    /// <param name="wish">The measures; <see cref="HouseWish.Faults"/> says whether they can be.</param>
    /// <exception cref="ArgumentException">They cannot.</exception>
    public static House Of(HouseWish wish)
    {
        if (wish.Faults() is { Count: > 0 } faults)
            throw new ArgumentException(faults[0].Wrong, nameof(wish));
        var pieces = ImmutableArray.CreateBuilder<HousePiece>();
        Walls(wish, pieces);
        Roof(wish, pieces);
        if (wish.Chimney > 0)
            Chimney(wish, pieces);
        if (wish.BaseMargin >= 0)
            pieces.Add(
                new HousePiece(
                    "base",
                    Box(0, 0, wish.Width + (2 * wish.BaseMargin), wish.Depth + (2 * wish.BaseMargin)),
                    new Point3(-wish.BaseMargin, -wish.BaseMargin, 0),
                    new Point3(1, 0, 0),
                    new Point3(0, 1, 0),
                    new Point3(0, 0, 1),
                    0
                )
            );
        return new House(wish, pieces.ToImmutable());
    }

    private static void Walls(HouseWish wish, ImmutableArray<HousePiece>.Builder pieces)
    {
        var (w, d, h, t) = (wish.Width, wish.Depth, wish.WallHeight, wish.Thickness);
        var up = new Point3(0, 0, 1);
        var gable = Ring(0, 0, w, 0, w, h, w / 2, wish.Height, 0, h);
        var front =
            wish.DoorWidth > 0 ? (Polygon)gable.Difference(Box((w - wish.DoorWidth) / 2, -1, wish.DoorWidth, wish.DoorHeight + 1)) : gable;
        pieces.Add(new HousePiece("front gable", front, new Point3(0, 0, 0), new Point3(1, 0, 0), up, new Point3(0, -1, 0), 0));
        pieces.Add(new HousePiece("back gable", gable, new Point3(w, d, 0), new Point3(-1, 0, 0), up, new Point3(0, 1, 0), 0));
        // Cut slanting, a wall reaches the roof over its whole thickness: inside it is higher than outside.
        var high = wish.IsBevelled ? h + (t * wish.Slope) : h;
        var side = Box(0, 0, d - (2 * t), high);
        if (wish.Windows > 0)
        {
            var each = (d - (2 * t)) / wish.Windows;
            for (var i = 0; i < wish.Windows; i++)
                side = (Polygon)
                    side.Difference(
                        Box((each * (i + 0.5)) - (wish.WindowSize / 2), (h - wish.WindowSize) / 2, wish.WindowSize, wish.WindowSize)
                    );
        }

        var bevel = wish.IsBevelled ? wish.Pitch : 0;
        pieces.Add(new HousePiece("left wall", side, new Point3(0, d - t, 0), new Point3(0, -1, 0), up, new Point3(-1, 0, 0), bevel));
        pieces.Add(new HousePiece("right wall", side, new Point3(w, t, 0), new Point3(0, 1, 0), up, new Point3(1, 0, 0), bevel));
    }

    private static void Roof(HouseWish wish, ImmutableArray<HousePiece>.Builder pieces)
    {
        var (w, o, t) = (wish.Width, wish.Overhang, wish.Thickness);
        var (sin, cos) = Math.SinCos(wish.Pitch * Math.PI / 180);
        var deep = wish.Depth + (2 * o);
        // From the eaves to the ridge along the underside; cut slanting, the upper face goes on until both meet.
        var up = ((w / 2) + o) / cos + (wish.IsBevelled ? t * wish.Slope : 0);
        var panel = Box(0, 0, deep, up);
        var bevel = wish.IsBevelled ? wish.Pitch : 0;
        var eaves = wish.WallHeight - (o * wish.Slope);
        var left = new Point3(-sin, 0, cos);
        var right = new Point3(sin, 0, cos);
        pieces.Add(
            new HousePiece(
                "left roof",
                panel,
                new Point3(-o, wish.Depth + o, eaves) + (left * t),
                new Point3(0, -1, 0),
                new Point3(cos, 0, sin),
                left,
                bevel
            )
        );
        pieces.Add(
            new HousePiece(
                "right roof",
                panel,
                new Point3(w + o, -o, eaves) + (right * t),
                new Point3(0, 1, 0),
                new Point3(-cos, 0, sin),
                right,
                bevel
            )
        );
    }

    /// <summary>Four pieces on the right side of the roof: two with a slanting foot, two between them.</summary>
    private static void Chimney(HouseWish wish, ImmutableArray<HousePiece>.Builder pieces)
    {
        var (c, t, slope) = (wish.Chimney, wish.Thickness, wish.Slope);
        // On the middle of the right side, as high above its upper foot as it is wide.
        var x = (wish.Width * 0.75) - (c / 2);
        var y = (wish.Depth - c) / 2;
        double Roof(double at) => wish.WallHeight + ((wish.Width - at) * slope) + (t / Math.Cos(wish.Pitch * Math.PI / 180));
        var (high, low) = (Roof(x), Roof(x + c));
        var top = high + c;
        // Seen from the front: the foot falls to the right.
        var cheek = Ring(0, high - low, c, 0, c, top - low, 0, top - low);
        var up = new Point3(0, 0, 1);
        pieces.Add(new HousePiece("chimney, front", cheek, new Point3(x, y, low), new Point3(1, 0, 0), up, new Point3(0, -1, 0), 0));
        var back = Ring(0, 0, c, high - low, c, top - low, 0, top - low);
        pieces.Add(new HousePiece("chimney, back", back, new Point3(x + c, y + c, low), new Point3(-1, 0, 0), up, new Point3(0, 1, 0), 0));
        pieces.Add(
            new HousePiece(
                "chimney, above",
                Box(0, 0, c - (2 * t), top - high),
                new Point3(x, y + c - t, high),
                new Point3(0, -1, 0),
                up,
                new Point3(-1, 0, 0),
                0
            )
        );
        pieces.Add(
            new HousePiece(
                "chimney, below",
                Box(0, 0, c - (2 * t), top - low - (t * slope)),
                new Point3(x + c, y + t, low + (t * slope)),
                new Point3(0, 1, 0),
                up,
                new Point3(1, 0, 0),
                0
            )
        );
    }

    private static Polygon Box(double x, double y, double width, double height) =>
        Ring(x, y, x + width, y, x + width, y + height, x, y + height);

    private static Polygon Ring(params double[] flat)
    {
        var corners = Enumerable.Range(0, flat.Length / 2).Select(i => new Coordinate(flat[2 * i], flat[(2 * i) + 1])).ToList();
        corners.Add(corners[0].Copy());
        return Factory.CreatePolygon([.. corners]);
    }
}
