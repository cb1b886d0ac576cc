namespace Zymethos.Workshop.Shaping;

/// <summary>A tin cut into equal pieces.</summary>
/// <param name="Across">Pieces along the longer side.</param>
/// <param name="Down">Pieces along the shorter side.</param>
/// <param name="Length">Longer side of a piece as cut, in millimetres.</param>
/// <param name="Width">Its other side.</param>
public sealed record SquaresOfTin(int Across, int Down, double Length, double Width)
{
    /// <summary>How many.</summary>
    public int Pieces => Across * Down;

    /// <summary>Pieces with two crusty edges or more.</summary>
    public int Corners => Math.Min(Across, 2) * Math.Min(Down, 2);

    /// <summary>Pieces that touch a wall, corners among them.</summary>
    public int AtEdge => Pieces - (Math.Max(0, Across - 2) * Math.Max(0, Down - 2));

    /// <summary>The most even cut into so many pieces: rows and columns whose pieces are nearest to square.</summary>
    /// <param name="length">Inner length of the tin in millimetres.</param>
    /// <param name="width">Its inner width.</param>
    /// <param name="pieces">Pieces wanted, 1 to 400.</param>
    /// <param name="trim">Millimetres cut off all around first.</param>
    public static SquaresOfTin Of(double length, double width, int pieces, double trim = 0)
    {
        var (l, w) = (length - (2 * trim), width - (2 * trim));
        return Enumerable
            .Range(1, pieces)
            .Where(a => pieces % a == 0)
            .Select(a => new SquaresOfTin(a, pieces / a, l / a, w / (pieces / a)))
            .MinBy(s => Math.Abs(Math.Log(s.Length / s.Width)))!;
    }
}
