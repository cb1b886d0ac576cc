namespace Zymethos.Web.Places.Daybook;

/// <summary>A point of the plot, in the drawing's units.</summary>
/// <param name="X">From the left.</param>
/// <param name="Y">From the top.</param>
/// <param name="Said">What it is, in words.</param>
/// <param name="IsOdd">Whether it is unlike all others.</param>
public sealed record ScatterPoint(double X, double Y, string Said, bool IsOdd);

/// <summary>What was said beforehand against what came of it, in minutes, each line twice the one before: cookies and fruit cakes have room
/// beside each other. On the slanted line both agree; below it, it took less.</summary>
public sealed class ScatterPlot
{
    /// <summary>Width and height of the drawing.</summary>
    public const double Size = 420;

    private const double Left = 50;
    private const double Right = 14;
    private const double Top = 34;
    private const double Bottom = 50;
    private readonly double _least;
    private readonly double _most;

    /// <summary>Draws.</summary>
    /// <param name="across">What goes across, in words.</param>
    /// <param name="up">What goes up.</param>
    /// <param name="points">Minutes across and up, what each is, and whether it is odd.</param>
    public ScatterPlot(string across, string up, IEnumerable<(double Across, double Up, string Said, bool IsOdd)> points)
    {
        (Across, Up) = (across, up);
        var all = points.Where(p => p is { Across: > 0, Up: > 0 }).ToList();
        var marks = new List<double> { 5 };
        var (least, most) = all.Count == 0 ? (10, 40) : (all.Min(p => Math.Min(p.Across, p.Up)), all.Max(p => Math.Max(p.Across, p.Up)));
        while (marks[0] > least)
            marks.Insert(0, marks[0] / 2);
        while (marks[^1] < most)
            marks.Add(marks[^1] * 2);
        Marks = [.. marks.SkipWhile((m, i) => i + 1 < marks.Count && marks[i + 1] <= least)];
        (_least, _most) = (Marks[0], Marks.Count > 1 ? Marks[^1] : Marks[0] * 2);
        Points = [.. all.Select(p => new ScatterPoint(X(p.Across), Y(p.Up), p.Said, p.IsOdd))];
    }

    /// <summary>What goes across.</summary>
    public string Across { get; }

    /// <summary>What goes up.</summary>
    public string Up { get; }

    /// <summary>The points.</summary>
    public IReadOnlyList<ScatterPoint> Points { get; }

    /// <summary>Minutes at which lines stand.</summary>
    public IReadOnlyList<double> Marks { get; }

    /// <summary>The first line's minutes.</summary>
    public double Least => _least;

    /// <summary>The last line's minutes.</summary>
    public double Most => _most;

    /// <summary>Minutes across, as a place.</summary>
    public double X(double minutes) => Left + (Share(minutes) * (Size - Left - Right));

    /// <summary>Minutes up, as a place.</summary>
    public double Y(double minutes) => Size - Bottom - (Share(minutes) * (Size - Top - Bottom));

    private double Share(double minutes) => Math.Log(minutes / _least) / Math.Log(_most / _least);
}
