using System.Collections.Immutable;
using Zymethos.Workshop.Shaping;

namespace Zymethos.Workshop.Calculators;

/// <summary>Squares cut from a tin.</summary>
public sealed class SquaresCalculator : Calculator
{
    /// <inheritdoc />
    public override string Address => "squares";

    /// <inheritdoc />
    public override string Name => "Squares of a tin";

    /// <inheritdoc />
    public override string Promise => "the most even cut, with edges and corners counted";

    /// <inheritdoc />
    public override CalculatorGroup Group => CalculatorGroup.Dough;

    /// <inheritdoc />
    public override ImmutableArray<CalculatorField> Fields { get; } =
    [
        CalculatorField.Length("length", "Tin, long", "33", 30, 900),
        CalculatorField.Length("width", "and wide", "23", 30, 900),
        CalculatorField.Count("pieces", "Pieces", "24", "", 1, 400),
        CalculatorField.Length("trim", "Edges cut off first", "0", 0, 60),
        CalculatorField.Weight("weight", "It weighs in all", "", 20, 40_000) with
        {
            IsOptional = true,
        },
    ];

    /// <inheritdoc />
    public override string Formula => "Of all rows and columns that make so many, those whose pieces are nearest to square.";

    /// <inheritdoc />
    public override string Source => "Geometry.";

    /// <inheritdoc />
    public override string Limits => "Inner sizes, measured half way up. A prime number of pieces makes strips: take one more.";

    /// <inheritdoc />
    protected override Reckoning Reckon(AskedValues asked)
    {
        var (length, width) = (asked.Value("length"), asked.Value("width"));
        var (pieces, trim, weight) = (asked.Count("pieces"), asked.Value("trim"), asked.Maybe("weight"));
        if (2 * trim >= Math.Min(length, width) - 5)
            asked.Fault("trim", "Nothing but edges would be left.");
        if (asked.Wrong.Count > 0)
            return new("");
        var cut = SquaresOfTin.Of(length, width, pieces, trim);
        if (Math.Min(cut.Length, cut.Width) < 8)
        {
            asked.Fault("pieces", $"Pieces of {Told.Length(Math.Min(cut.Length, cut.Width))} fall apart: take fewer.");
            return new("");
        }

        var kept = (length - (2 * trim)) * (width - (2 * trim)) / (length * width);
        var crusty =
            trim > 0 ? "" : $" {cut.Corners} are corners, {cut.AtEdge - cut.Corners} have one edge, {cut.Pieces - cut.AtEdge} none.";
        return new(
            $"{cut.Across} by {cut.Down}: pieces of {Told.Length(cut.Length)} by {Told.Length(cut.Width)}"
                + (weight is { } w ? $", {Told.Weight(w * kept / pieces)} each." : ".")
                + crusty
        )
        {
            Values =
            [
                new("across", cut.Across, ""),
                new("down", cut.Down, ""),
                new("corners", trim > 0 ? 0 : cut.Corners, ""),
                new("atEdge", trim > 0 ? 0 : cut.AtEdge, ""),
                .. weight is { } g ? new ReckonedValue[] { new("each", Math.Round(g * kept / pieces, 1), "g") } : [],
            ],
            Sketches =
            [
                new PlanSketch(
                    $"The tin from above, cut {cut.Across} by {cut.Down}",
                    length,
                    width,
                    [
                        SketchShape.Box(0, 0, length, width, SketchFill.Ground),
                        .. from row in Enumerable.Range(0, cut.Down)
                        from column in Enumerable.Range(0, cut.Across)
                        let edge = trim <= 0 && (row == 0 || column == 0 || row == cut.Down - 1 || column == cut.Across - 1)
                        select SketchShape.Box(
                            trim + (column * cut.Length),
                            trim + (row * cut.Width),
                            cut.Length,
                            cut.Width,
                            edge ? SketchFill.Dough : SketchFill.Cream
                        ),
                    ]
                ),
            ],
        };
    }
}
