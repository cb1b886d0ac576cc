using System.Collections.Immutable;

namespace Zymethos.Paper;

/// <summary>A shape of a drawing, in millimetres from its upper left corner. All of it is legible in black and white.</summary>
public abstract record PaperShape;

/// <summary>A line.</summary>
/// <param name="X1">From where.</param>
/// <param name="Y1">From where.</param>
/// <param name="X2">To where.</param>
/// <param name="Y2">To where.</param>
/// <param name="Width">Its width in millimetres.</param>
/// <param name="IsDashed">Whether it is dashed.</param>
public sealed record PaperLine(double X1, double Y1, double X2, double Y2, double Width = 0.3, bool IsDashed = false) : PaperShape;

/// <summary>A rectangle.</summary>
/// <param name="X">Its left.</param>
/// <param name="Y">Its top.</param>
/// <param name="Width">Its width.</param>
/// <param name="Height">Its height.</param>
/// <param name="Grey">How dark it is filled, 0 (white) to 1 (black); null for not at all.</param>
/// <param name="HasEdge">Whether its edge is drawn.</param>
public sealed record PaperRectangle(double X, double Y, double Width, double Height, double? Grey = null, bool HasEdge = true) : PaperShape;

/// <summary>An ellipse.</summary>
/// <param name="X">Its middle.</param>
/// <param name="Y">Its middle.</param>
/// <param name="RadiusX">Half its width.</param>
/// <param name="RadiusY">Half its height.</param>
/// <param name="Grey">How dark it is filled, 0 (white) to 1 (black); null for not at all.</param>
public sealed record PaperEllipse(double X, double Y, double RadiusX, double RadiusY, double? Grey = null) : PaperShape;

/// <summary>A closed outline.</summary>
/// <param name="Points">Its corners.</param>
/// <param name="Grey">How dark it is filled, 0 (white) to 1 (black); null for not at all.</param>
public sealed record PaperPolygon(ImmutableArray<(double X, double Y)> Points, double? Grey = null) : PaperShape;

/// <summary>Where words stand against their point.</summary>
public enum PaperAnchor
{
    /// <summary>They begin there.</summary>
    Start,

    /// <summary>Their middle is there.</summary>
    Middle,

    /// <summary>They end there.</summary>
    End,
}

/// <summary>Words in a drawing; they are not broken into lines.</summary>
/// <param name="X">Where.</param>
/// <param name="Y">Their baseline.</param>
/// <param name="Text">The words.</param>
/// <param name="Points">Size of the letters in points.</param>
/// <param name="Anchor">How they stand against <paramref name="X"/>.</param>
/// <param name="IsBold">Whether they are bold.</param>
public sealed record PaperWords(
    double X,
    double Y,
    string Text,
    double Points = 8,
    PaperAnchor Anchor = PaperAnchor.Start,
    bool IsBold = false
) : PaperShape;
