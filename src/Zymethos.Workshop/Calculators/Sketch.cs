using System.Collections.Immutable;

namespace Zymethos.Workshop.Calculators;

/// <summary>A drawing as figures; whoever shows it draws it.</summary>
/// <param name="Says">What it shows, for those who do not see it.</param>
public abstract record Sketch(string Says);

/// <summary>A line or several over time or another figure.</summary>
/// <param name="Says">What it shows.</param>
/// <param name="Across">What runs across, with its unit.</param>
/// <param name="Lines">The lines.</param>
public sealed record CurveSketch(string Says, string Across, ImmutableArray<SketchLine> Lines) : Sketch(Says)
{
    /// <summary>A stretch across that is the right one; null for none.</summary>
    public (double From, double To)? Band { get; init; }

    /// <summary>Places across that are named.</summary>
    public ImmutableArray<(double At, string Says)> Marks { get; init; } = [];
}

/// <summary>A line of a curve; each has its own scale up.</summary>
/// <param name="Name">What it is, with its unit.</param>
/// <param name="Least">Where its scale begins.</param>
/// <param name="Most">Where its scale ends; above <paramref name="Least"/>.</param>
/// <param name="Points">Its points, from left to right.</param>
public sealed record SketchLine(string Name, double Least, double Most, ImmutableArray<(double X, double Y)> Points);

/// <summary>Stretches on one scale, below each other, with what is asked marked.</summary>
/// <param name="Says">What it shows.</param>
/// <param name="Unit">Unit of the scale.</param>
/// <param name="Least">Its begin.</param>
/// <param name="Most">Its end; above <paramref name="Least"/>.</param>
/// <param name="Stretches">The stretches.</param>
public sealed record ScaleSketch(string Says, string Unit, double Least, double Most, ImmutableArray<SketchStretch> Stretches)
    : Sketch(Says)
{
    /// <summary>Values that are marked through all of them.</summary>
    public ImmutableArray<(double At, string Says)> Marks { get; init; } = [];
}

/// <summary>A stretch on a scale; a single value where both ends are the same.</summary>
/// <param name="Name">What it is.</param>
/// <param name="From">Its lower end.</param>
/// <param name="To">Its upper end.</param>
public sealed record SketchStretch(string Name, double From, double To);

/// <summary>Shapes to scale, in millimetres, with a ruler below.</summary>
/// <param name="Says">What it shows.</param>
/// <param name="Width">Width of the drawing in millimetres; above zero.</param>
/// <param name="Height">Its height in millimetres; above zero.</param>
/// <param name="Shapes">The shapes, those behind first.</param>
public sealed record PlanSketch(string Says, double Width, double Height, ImmutableArray<SketchShape> Shapes) : Sketch(Says)
{
    /// <summary>Words in it: where they stand (middle) and what they say.</summary>
    public ImmutableArray<(double X, double Y, string Says)> Words { get; init; } = [];

    /// <summary>Whether it is to scale; a drawing of how something is done is not.</summary>
    public bool IsToScale { get; init; } = true;
}

/// <summary>How a shape is filled.</summary>
public enum SketchFill
{
    /// <summary>Nothing but its line.</summary>
    None,

    /// <summary>Cake, dough, batter.</summary>
    Dough,

    /// <summary>Filling, cream, icing.</summary>
    Cream,

    /// <summary>The part that is pointed out.</summary>
    Strong,

    /// <summary>A pan, a board, paper.</summary>
    Ground,
}

/// <summary>A shape by its points.</summary>
/// <param name="Points">Its points, in millimetres, y running down.</param>
/// <param name="Fill">How it is filled.</param>
public sealed record SketchShape(ImmutableArray<(double X, double Y)> Points, SketchFill Fill)
{
    /// <summary>Whether its last point joins its first.</summary>
    public bool IsClosed { get; init; } = true;

    /// <summary>Width of a strand drawn along the points, in millimetres; 0 for an outline.</summary>
    public double Strand { get; init; }

    /// <summary>An upright rectangle.</summary>
    public static SketchShape Box(double x, double y, double width, double height, SketchFill fill) =>
        new([(x, y), (x + width, y), (x + width, y + height), (x, y + height)], fill);

    /// <summary>A circle.</summary>
    public static SketchShape Round(double x, double y, double radius, SketchFill fill) =>
        new(
            [
                .. Enumerable
                    .Range(0, 48)
                    .Select(i => (x + (radius * Math.Cos(i * Math.PI / 24)), y + (radius * Math.Sin(i * Math.PI / 24)))),
            ],
            fill
        );
}
