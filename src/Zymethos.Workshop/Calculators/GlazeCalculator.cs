using System.Collections.Immutable;
using System.Globalization;

namespace Zymethos.Workshop.Calculators;

/// <summary>Icing of sugar and liquid by how it is to run.</summary>
public sealed class GlazeCalculator : Calculator
{
    // Liquid to a hundred of icing sugar by weight, and how thick it stays (common practice, no source).
    private static readonly ImmutableArray<(string Word, string Says, double Liquid, double Thick)> Runs =
    [
        ("coat", "coats and runs a little", 18, 1.2),
        ("thin", "thin, to brush on warm", 28, 0.5),
        ("drizzle", "falls in threads and stays", 15, 2),
        ("flood", "fills an outline", 20, 1.5),
        ("pipe", "holds a piped line", 13, 3),
    ];

    private const double Density = 1.4;

    /// <inheritdoc />
    public override string Address => "glaze";

    /// <inheritdoc />
    public override string Name => "Glaze and icing";

    /// <inheritdoc />
    public override string Promise => "icing sugar and liquid by how it should run, for so many pieces";

    /// <inheritdoc />
    public override CalculatorGroup Group => CalculatorGroup.Cakes;

    /// <inheritdoc />
    public override ImmutableArray<CalculatorField> Fields { get; } =
    [
        CalculatorField.Choice("run", "It", [.. Runs.Select(r => (r.Word, r.Says))]),
        CalculatorField.Choice(
            "with",
            "Stirred with",
            ("juice", "lemon juice"),
            ("water", "water"),
            ("milk", "milk"),
            ("white", "egg white"),
            ("spirit", "rum or another spirit")
        ),
        CalculatorField.Count("pieces", "Pieces", "24", "", 1, 2000),
        CalculatorField.Length("wide", "each across", "7", 10, 600),
        CalculatorField.Number("covered", "of which is covered", "80", "%", 1, 100),
    ];

    /// <inheritdoc />
    public override string Formula =>
        "Area of a round piece times what is covered, times how thick such an icing stays, 1.4 g a millilitre; liquid by parts of a "
        + "hundred of sugar. A tenth more for the bowl.";

    /// <inheritdoc />
    public override string Source => "Common practice, no source. A drop of water changes it: stir in the last of the liquid by the spoon.";

    /// <inheritdoc />
    public override string Limits => "For sifted icing sugar. Egg white thickens more than water: begin with two thirds of it.";

    /// <inheritdoc />
    protected override Reckoning Reckon(AskedValues asked)
    {
        var run = Runs.First(r => r.Word == asked.Chosen("run"));
        var with = asked.Chosen("with");
        var (pieces, wide, covered) = (asked.Count("pieces"), asked.Value("wide"), asked.Value("covered") / 100);
        if (asked.Wrong.Count > 0)
            return new("");
        var area = Math.PI / 4 * wide * wide * covered;
        var grams = pieces * area * run.Thick / 1000 * Density * 1.1;
        var sugar = grams * 100 / (100 + run.Liquid);
        var liquid = grams - sugar;
        var name = with switch
        {
            "juice" => "lemon juice",
            "white" => "egg white",
            "spirit" => "rum",
            _ => with,
        };
        return new($"{Told.Weight(sugar)} of icing sugar and {Told.Weight(liquid)} of {name}.")
        {
            Values =
            [
                new("sugar", Math.Round(sugar, 1), "g"),
                new("liquid", Math.Round(liquid, 1), "g"),
                new("each", Math.Round(grams / pieces, 2), "g"),
            ],
            Cautions =
            [
                .. with == "white"
                    ? new[]
                    {
                        "Raw egg white is not for small children, the expecting, the old or the ill: take pasteurised or dried white.",
                    }
                    : [],
                .. with == "spirit" ? new[] { "There is alcohol in it: not for children, and say so on the label." } : [],
            ],
            Notes =
            [
                $"About {Told.Number(grams / pieces)} g on each. It dries in {(run.Thick >= 2 ? "a night" : "two to four hours")}.",
                .. with == "milk" ? new[] { "With milk it keeps two days at most." } : [],
            ],
            Recipe = string.Create(
                CultureInfo.InvariantCulture,
                $"Icing that {run.Says}\n\n{sugar:0} g icing sugar, sifted\n{liquid:0} g {name}\n\nMethod\n1. Stir the liquid into the "
                    + $"sugar spoon by spoon until it runs as it should.\n"
            ),
            Sketches =
            [
                new PlanSketch(
                    $"One piece from above and its icing, {Told.Number(100 * covered, 0)} percent covered",
                    wide,
                    wide,
                    [
                        SketchShape.Round(wide / 2, wide / 2, wide / 2, SketchFill.Dough),
                        SketchShape.Round(wide / 2, wide / 2, wide / 2 * Math.Sqrt(covered), SketchFill.Cream),
                    ]
                ),
            ],
        };
    }
}
