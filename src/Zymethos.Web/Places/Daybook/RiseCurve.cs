using Zymethos.Interchange.Documents;

namespace Zymethos.Web.Places.Daybook;

/// <summary>How a dough rose, as it was seen, beside how it was reckoned: doubled when it is ready.</summary>
public sealed class RiseCurve
{
    /// <summary>Width of the drawing.</summary>
    public const double Width = 360;

    /// <summary>Height of the drawing.</summary>
    public const double Height = 200;

    /// <summary>Where the axes stand.</summary>
    public const double Edge = 40;

    private readonly double _longest;
    private readonly double _highest;

    /// <summary>Draws.</summary>
    public RiseCurve(PastRiseDocument rise)
    {
        var seen = (rise.Heights ?? [])
            .Where(h => h.Count == 2 && h.All(double.IsFinite))
            .Select(h => (Minutes: h[0], Height: h[1]))
            .ToList();
        _longest = Math.Max(30, Math.Max(rise.Minutes, Math.Max(rise.RecipeMinutes, seen.Select(s => s.Minutes).DefaultIfEmpty(0).Max())));
        _highest = Math.Max(2.2, seen.Select(s => s.Height).DefaultIfEmpty(1).Max());
        Seen = [(X(0), Y(1)), .. seen.OrderBy(s => s.Minutes).Select(s => (X(s.Minutes), Y(s.Height)))];
        // Growth of what multiplies: slow at first, doubled when it is ready.
        Reckoned = [.. Enumerable.Range(0, 21).Select(i => (X(rise.RecipeMinutes * i / 20), Y(1 + Share(i / 20.0))))];
        Done = X(rise.Minutes);
    }

    /// <summary>Points that were seen.</summary>
    public IReadOnlyList<(double X, double Y)> Seen { get; }

    /// <summary>The curve that was reckoned.</summary>
    public IReadOnlyList<(double X, double Y)> Reckoned { get; }

    /// <summary>Where it was ready.</summary>
    public double Done { get; }

    /// <summary>Heights at which lines stand.</summary>
    public IEnumerable<(double Y, string Words)> Lines => [(Y(1), "1×"), (Y(1.5), "1½×"), (Y(2), "2×")];

    /// <summary>How long the axis is, in minutes.</summary>
    public double Longest => _longest;

    private static double Share(double time) => (Math.Pow(2, time * 3) - 1) / 7;

    private double X(double minutes) => Edge + (minutes / _longest * (Width - Edge - 8));

    private double Y(double height) => Height - 26 - ((height - 0.9) / (_highest - 0.9) * (Height - 36));
}
