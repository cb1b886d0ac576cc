using System.Collections.Immutable;
using System.Globalization;
using Zymethos.Workshop.Calculators;

namespace Zymethos.Web.Drawing;

/// <summary>A stroke or a filled shape of a drawing.</summary>
/// <param name="Kind">How it looks: a class of the style sheet.</param>
/// <param name="Points">Its points.</param>
/// <param name="IsClosed">Whether its last point joins its first.</param>
/// <param name="Width">Width of the stroke where it has its own; else 0.</param>
public sealed record InkStroke(string Kind, ImmutableArray<(double X, double Y)> Points, bool IsClosed = false, double Width = 0);

/// <summary>Words in a drawing.</summary>
/// <param name="X">Where they stand.</param>
/// <param name="Y">Their base line.</param>
/// <param name="Says">The words.</param>
/// <param name="Anchor">"start", "middle" or "end".</param>
public sealed record InkWords(double X, double Y, string Says, string Anchor = "start");

/// <summary>A sketch set out in strokes and words, for the screen and for paper alike.</summary>
/// <param name="Width">Width in units; letters are 13 units high.</param>
/// <param name="Height">Its height.</param>
/// <param name="Strokes">The strokes, the lowest first.</param>
/// <param name="Words">The words, above all strokes.</param>
public sealed record SketchInk(double Width, double Height, ImmutableArray<InkStroke> Strokes, ImmutableArray<InkWords> Words)
{
    private const double Wide = 520;

    /// <summary>Sets a sketch out.</summary>
    public static SketchInk Of(Sketch sketch) =>
        sketch switch
        {
            CurveSketch curve => Curve(curve),
            ScaleSketch scale => Scale(scale),
            PlanSketch plan => Plan(plan),
            _ => throw new ArgumentOutOfRangeException(nameof(sketch)),
        };

    private static SketchInk Curve(CurveSketch sketch)
    {
        const double left = 44;
        const double right = 44;
        const double top = 52;
        const double foot = 300;
        var strokes = ImmutableArray.CreateBuilder<InkStroke>();
        var words = ImmutableArray.CreateBuilder<InkWords>();
        var from = sketch.Lines.Min(l => l.Points.Min(p => p.X));
        var to = Math.Max(from + 1e-6, sketch.Lines.Max(l => l.Points.Max(p => p.X)));
        double X(double x) => left + (Math.Clamp((x - from) / (to - from), 0, 1) * (Wide - left - right));
        if (sketch.Band is { } band)
            strokes.Add(new("band", [(X(band.From), top), (X(band.To), top), (X(band.To), foot), (X(band.From), foot)], true));
        foreach (var tick in Ticks(from, to, 7))
        {
            strokes.Add(new("grid", [(X(tick), top), (X(tick), foot)]));
            words.Add(new(X(tick), foot + 18, Told.Number(tick, 2), "middle"));
        }

        words.Add(new(Wide - right, foot + 36, sketch.Across, "end"));
        for (var i = 0; i < sketch.Lines.Length; i++)
        {
            var line = sketch.Lines[i];
            double Y(double y) => foot - (Math.Clamp((y - line.Least) / (line.Most - line.Least), 0, 1) * (foot - top));
            foreach (var tick in Ticks(line.Least, line.Most, 5))
                if (i == 0 || line.Most != sketch.Lines[0].Most)
                    words.Add(new(i == 0 ? left - 6 : Wide - right + 6, Y(tick) + 4, Told.Number(tick, 2), i == 0 ? "end" : "start"));
            strokes.Add(new(i == 0 ? "line" : "other-line", [.. line.Points.Select(p => (X(p.X), Y(p.Y)))]));
            strokes.Add(new(i == 0 ? "line" : "other-line", [(left + (i * 230), 12), (left + 26 + (i * 230), 12)]));
            words.Add(new(left + 32 + (i * 230), 16, line.Name));
        }

        strokes.Add(new("axis", [(left, top), (left, foot), (Wide - right, foot)]));
        // Two names too near each other would cover each other: every second stands higher.
        for (var i = 0; i < sketch.Marks.Length; i++)
        {
            var x = X(sketch.Marks[i].At);
            strokes.Add(new("mark", [(x, top - 6), (x, foot)]));
            words.Add(new(Math.Clamp(x, 60, Wide - 60), i % 2 == 0 ? top - 9 : top + 12, sketch.Marks[i].Says, "middle"));
        }

        return new(Wide, foot + 42, strokes.ToImmutable(), words.ToImmutable());
    }

    private static SketchInk Scale(ScaleSketch sketch)
    {
        const double left = 168;
        const double right = 18;
        const double top = 42;
        const double row = 30;
        var strokes = ImmutableArray.CreateBuilder<InkStroke>();
        var words = ImmutableArray.CreateBuilder<InkWords>();
        var foot = top + (row * sketch.Stretches.Length);
        double X(double x) => left + (Math.Clamp((x - sketch.Least) / (sketch.Most - sketch.Least), 0, 1) * (Wide - left - right));
        foreach (var tick in Ticks(sketch.Least, sketch.Most, 6))
        {
            strokes.Add(new("grid", [(X(tick), top), (X(tick), foot)]));
            words.Add(new(X(tick), foot + 18, Told.Number(tick, 2), "middle"));
        }

        words.Add(new(left - 10, foot + 18, sketch.Unit, "end"));
        for (var i = 0; i < sketch.Stretches.Length; i++)
        {
            var stretch = sketch.Stretches[i];
            var y = top + (row * i);
            var (a, b) = (X(stretch.From), X(stretch.To));
            if (b - a < 3)
                (a, b) = (((a + b) / 2) - 2.5, ((a + b) / 2) + 2.5);
            strokes.Add(new("stretch", [(a, y + 6), (b, y + 6), (b, y + row - 6), (a, y + row - 6)], true));
            words.Add(new(left - 10, y + 19, Short(stretch.Name), "end"));
        }

        strokes.Add(new("axis", [(left, foot), (Wide - right, foot)]));
        for (var i = 0; i < sketch.Marks.Length; i++)
        {
            var x = X(sketch.Marks[i].At);
            strokes.Add(new("mark", [(x, top - 4), (x, foot)]));
            words.Add(
                new(
                    Math.Clamp(x, left, Wide - 60),
                    top - (i % 2 == 0 ? 8 : 24),
                    $"{sketch.Marks[i].Says}: {Told.Number(sketch.Marks[i].At)}",
                    "middle"
                )
            );
        }

        return new(Wide, foot + 26, strokes.ToImmutable(), words.ToImmutable());
    }

    private static SketchInk Plan(PlanSketch sketch)
    {
        const double edge = 10;
        var tall = sketch.IsToScale ? 330.0 : 440;
        var scale = Math.Min((Wide - (2 * edge)) / sketch.Width, tall / sketch.Height);
        (double, double) At((double X, double Y) p) => (edge + (p.X * scale), edge + (p.Y * scale));
        var strokes = sketch
            .Shapes.Select(s => new InkStroke(
                (s.Strand > 0 ? "strand-" : "fill-") + s.Fill.ToString().ToLowerInvariant(),
                [.. s.Points.Select(At)],
                s.IsClosed,
                s.Strand * scale
            ))
            .ToImmutableArray()
            .ToBuilder();
        var words = sketch
            .Words.Select(w => (At: At((w.X, w.Y)), w.Says))
            .Select(w => new InkWords(w.At.Item1, w.At.Item2 + 4, w.Says, "middle"))
            .ToImmutableArray()
            .ToBuilder();
        var (width, height) = ((2 * edge) + (sketch.Width * scale), (2 * edge) + (sketch.Height * scale));
        if (!sketch.IsToScale)
            return new(width, height, strokes.ToImmutable(), words.ToImmutable());
        // The longest round length that takes up to half of the width.
        var length = new[] { 1000.0, 500, 200, 100, 50, 20, 10, 5 }.First(l => l * scale <= Math.Max(40, width / 2) || l <= 5);
        var y = height + 6;
        strokes.Add(
            new(
                "ruler",
                [
                    (edge, y - 5),
                    (edge, y + 5),
                    (edge, y),
                    (edge + (length * scale), y),
                    (edge + (length * scale), y - 5),
                    (edge + (length * scale), y + 5),
                ]
            )
        );
        words.Add(new(edge + (length * scale) + 8, y + 4, $"{(length >= 10 ? $"{length / 10:0} cm" : $"{length:0} mm")}"));
        return new(Math.Max(width, edge + (length * scale) + 70), y + 14, strokes.ToImmutable(), words.ToImmutable());
    }

    /// <summary>Round values between two others, so many at most.</summary>
    private static IEnumerable<double> Ticks(double from, double to, int most)
    {
        var rough = (to - from) / most;
        if (rough <= 0)
            yield break;
        var ten = Math.Pow(10, Math.Floor(Math.Log10(rough)));
        var step = ten * new[] { 1, 2, 5, 10 }.First(m => m * ten >= rough - 1e-12);
        for (var tick = Math.Ceiling((from / step) - 1e-9) * step; tick <= to + (1e-9 * step); tick += step)
            yield return Math.Round(tick, 9) + 0.0;
    }

    private static string Short(string name) => name.Length <= 24 ? name : string.Create(CultureInfo.InvariantCulture, $"{name[..23]}…");
}
