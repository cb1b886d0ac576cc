using Zymethos.Core.Learning;

namespace Zymethos.Web.Places.Daybook;

/// <summary>One row of the plot, in the drawing's units.</summary>
/// <param name="Name">What it is of.</param>
/// <param name="Factor">What is learned.</param>
/// <param name="Y">The middle of the row.</param>
/// <param name="Low">Left end of the band.</param>
/// <param name="High">Its right end.</param>
/// <param name="Mean">The most likely value.</param>
public sealed record BiasRow(string Name, LearnedFactor Factor, double Y, double Low, double High, double Mean);

/// <summary>
/// How much longer or sooner ovens and recipes bake than planned: a band for each in which the truth lies with nine chances of ten, as wide
/// as little is known, on one scale from a third sooner to a third later.
/// </summary>
public sealed class BiasPlot
{
    /// <summary>Width of the drawing.</summary>
    public const double Width = 720;

    /// <summary>Where names end and the scale begins.</summary>
    public const double Left = 230;

    /// <summary>Top of the first row.</summary>
    public const double Top = 28;

    private const double Right = 26;
    private const double Row = 34;
    private const double Widest = 0.35;

    /// <summary>Draws.</summary>
    /// <param name="learned">What is learned, by name, in the order of the rows.</param>
    public BiasPlot(IEnumerable<(string Name, LearnedFactor Factor)> learned)
    {
        Rows =
        [
            .. learned.Select(
                (l, i) => new BiasRow(l.Name, l.Factor, Top + (i * Row) + (Row / 2), X(l.Factor.Low), X(l.Factor.High), X(l.Factor.Factor))
            ),
        ];
    }

    /// <summary>The rows.</summary>
    public IReadOnlyList<BiasRow> Rows { get; }

    /// <summary>Height of the drawing.</summary>
    public double Height => Top + (Rows.Count * Row) + 8;

    /// <summary>Lines of the scale: their place, and what stands above them.</summary>
    public static IReadOnlyList<(double X, string Words, bool IsZero)> Scale =>
        [
            .. new[] { -30, -20, -10, 0, 10, 20, 30 }.Select(p =>
                (
                    X(1 + (p / 100.0)),
                    p == 0 ? "as planned"
                    : p == -30 ? "30 % sooner"
                    : p == 30 ? "30 % later"
                    : $"{Math.Abs(p)} %",
                    p == 0
                )
            ),
        ];

    private static double X(double factor) =>
        Left + ((Math.Clamp(factor - 1, -Widest, Widest) + Widest) / (2 * Widest) * (Width - Left - Right));
}
