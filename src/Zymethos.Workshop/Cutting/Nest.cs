using System.Collections.Immutable;
using NetTopologySuite.Geometries;
using NetTopologySuite.Geometries.Utilities;

namespace Zymethos.Workshop.Cutting;

/// <summary>So many pieces of an outline are wanted of a sheet.</summary>
/// <param name="Outline">The outline.</param>
/// <param name="Most">How many at most, 0 or more.</param>
public sealed record NestWish(Outline Outline, int Most);

/// <summary>A piece on a sheet.</summary>
/// <param name="Wish">Which of the wishes it is.</param>
/// <param name="X">Where its box begins, millimetres from the left edge.</param>
/// <param name="Y">Where its box begins, millimetres from the upper edge.</param>
/// <param name="Turn">By how many degrees the outline is turned, clockwise as it is seen.</param>
public sealed record NestedPiece(int Wish, double X, double Y, double Turn);

/// <summary>Pieces laid on one sheet.</summary>
/// <param name="Wishes">What was wanted.</param>
/// <param name="Width">Width of the sheet in millimetres.</param>
/// <param name="Height">Height of the sheet in millimetres.</param>
/// <param name="Spacing">The least room between two pieces in millimetres.</param>
/// <param name="Pieces">The pieces, in the order in which they were laid.</param>
public sealed record Nest(ImmutableArray<NestWish> Wishes, double Width, double Height, double Spacing, ImmutableArray<NestedPiece> Pieces)
{
    /// <summary>Area of all pieces in square millimetres.</summary>
    public double PieceArea => Pieces.Sum(p => Wishes[p.Wish].Outline.Area);

    /// <summary>Which part of the sheet the pieces cover, 0 to 1.</summary>
    public double Density => Width * Height > 0 ? PieceArea / (Width * Height) : 0;

    /// <summary>How many pieces there are of each wish.</summary>
    public ImmutableArray<int> Counts => [.. Enumerable.Range(0, Wishes.Length).Select(w => Pieces.Count(p => p.Wish == w))];

    /// <summary>The outline of a piece where it lies.</summary>
    public Polygon ShapeOf(NestedPiece piece)
    {
        var turned = Turned(Wishes[piece.Wish].Outline.Shape, piece.Turn);
        turned.Apply(AffineTransformation.TranslationInstance(piece.X, piece.Y));
        return turned;
    }

    /// <summary>A shape turned, its box beginning at 0, 0.</summary>
    internal static Polygon Turned(Polygon shape, double degrees)
    {
        var turned = (Polygon)shape.Copy();
        turned.Apply(AffineTransformation.RotationInstance(degrees * Math.PI / 180));
        var box = turned.EnvelopeInternal;
        turned.Apply(AffineTransformation.TranslationInstance(-box.MinX, -box.MinY));
        return turned;
    }
}
