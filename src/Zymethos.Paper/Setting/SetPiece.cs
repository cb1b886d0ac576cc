using PdfSharp.Drawing;

namespace Zymethos.Paper.Setting;

/// <summary>Something of a height that is drawn whole.</summary>
/// <param name="Height">Its height in points.</param>
/// <param name="Draw">Draws it, its upper left corner given in points.</param>
internal sealed record SetPiece(double Height, Action<XGraphics, double, double> Draw)
{
    /// <summary>Room above it, left out at the top of a page.</summary>
    public double Above { get; init; }

    /// <summary>Whether the next piece stands on the same page.</summary>
    public bool StaysWithNext { get; init; }

    /// <summary>Whether a new page begins with it.</summary>
    public bool OpensPage { get; init; }

    /// <summary>What is drawn again above it where it opens a page: the head of its table; null for nothing.</summary>
    public SetPiece? Again { get; init; }
}
