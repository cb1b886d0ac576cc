using System.Collections.Immutable;
using Zymethos.Workshop.Shaping;

namespace Zymethos.Workshop.Calculators;

/// <summary>Slices of a log.</summary>
public sealed class SlicesCalculator : Calculator
{
    /// <inheritdoc />
    public override string Address => "slices";

    /// <inheritdoc />
    public override string Name => "Slices of a log";

    /// <inheritdoc />
    public override string Promise => "how many at an angle and a thickness, how long each";

    /// <inheritdoc />
    public override CalculatorGroup Group => CalculatorGroup.Dough;

    /// <inheritdoc />
    public override ImmutableArray<CalculatorField> Fields { get; } =
    [
        CalculatorField.Count("logs", "Logs", "2", "", 1, 60),
        CalculatorField.Length("length", "each long", "30", 30, 1500),
        CalculatorField.Length("width", "and wide", "8", 10, 400),
        CalculatorField.Length("thick", "Slices, so thick", "15 mm", 2, 100),
        CalculatorField.Number("angle", "Knife to the log", "60", "degrees", 20, 90) with
        {
            Hint = "90 is straight across",
        },
    ];

    /// <inheritdoc />
    public override string Formula =>
        "Along the log a slice takes its thickness over the sine of the angle; both ends together lose the width over its tangent. A "
        + "slice is the width over the sine long.";

    /// <inheritdoc />
    public override string Source => "Geometry.";

    /// <inheritdoc />
    public override string Limits =>
        "For logs of one width. Twice baked ones are cut warm, with a sawing knife; their ends are the cook's.";

    /// <inheritdoc />
    protected override Reckoning Reckon(AskedValues asked)
    {
        var (logs, length, width) = (asked.Count("logs"), asked.Value("length"), asked.Value("width"));
        var (thick, angle) = (asked.Value("thick"), asked.Value("angle"));
        if (asked.Wrong.Count > 0)
            return new("");
        var slices = LogSlices.Of(length, width, thick, angle);
        if (slices.Count == 0)
        {
            asked.Fault("angle", "So slanting a cut leaves nothing but ends: cut it steeper.");
            return new("");
        }

        return new($"{slices.Count * logs} slices, each {Told.Length(slices.Long)} long, and {Told.Many(2 * logs, "end")}.")
        {
            Values =
            [
                new("slices", slices.Count * logs, ""),
                new("long", Math.Round(slices.Long, 1), "mm"),
                new("ends", Math.Round(slices.EndLoss, 1), "mm"),
            ],
            Sketches = [Drawn(length, width, thick, angle, slices)],
        };
    }

    private static PlanSketch Drawn(double length, double width, double thick, double angle, LogSlices slices)
    {
        var radians = angle * Math.PI / 180;
        var along = thick / Math.Sin(radians);
        var shapes = ImmutableArray.CreateBuilder<SketchShape>();
        shapes.Add(SketchShape.Box(0, 0, length, width, SketchFill.Ground));
        for (var i = 0; i < Math.Min(300, slices.Count); i++)
        {
            var x = i * along;
            shapes.Add(new([(x + slices.EndLoss, 0), (x + along + slices.EndLoss, 0), (x + along, width), (x, width)], SketchFill.Dough));
        }

        return new PlanSketch($"A log from above with {slices.Count} slices", length, width, shapes.ToImmutable());
    }
}
