using System.Collections.Immutable;

namespace Zymethos.Workshop.Calculators;

/// <summary>Piped lines, flooded faces, sugar and sprinkles of so many pieces, with the time that they take.</summary>
public sealed class PipingCalculator : Calculator
{
    private const double Density = 1.4;

    // A flooded face stands about a millimetre and a half high; fine sugar clings at about 0.02 g a square centimetre, sprinkles at 0.06
    // (by judgement).
    private const double Flooded = 1.5;
    private const double SugarGrams = 0.02;
    private const double SprinkleGrams = 0.06;

    /// <inheritdoc />
    public override string Address => "decoration";

    /// <inheritdoc />
    public override string Name => "Decoration";

    /// <inheritdoc />
    public override string Promise => "icing by the metre and the face, sprinkles to buy, hours at the table";

    /// <inheritdoc />
    public override CalculatorGroup Group => CalculatorGroup.Cakes;

    /// <inheritdoc />
    public override ImmutableArray<CalculatorField> Fields { get; } =
    [
        CalculatorField.Count("pieces", "Pieces", "48", "", 1, 5000),
        CalculatorField.Length("wide", "each across", "7", 10, 400),
        CalculatorField.Choice(
            "how",
            "Piped",
            ("outline", "around the edge"),
            ("twice", "edge and some lines inside"),
            ("none", "not at all")
        ),
        CalculatorField.Length("nozzle", "Nozzle", "2 mm", 0.5, 20),
        CalculatorField.Number("flood", "Faces filled with icing", "100", "% of the pieces", 0, 100),
        CalculatorField.Choice("strewn", "Strewn with", ("none", "nothing"), ("sugar", "sugar"), ("sprinkles", "sprinkles")),
        CalculatorField.Number("minutes", "Minutes for a piece", "2", "min", 0.1, 60) with
        {
            Hint = "your own, from the Daybook",
        },
        CalculatorField.Count("hands", "People at it", "2", "", 1, 12),
    ];

    /// <inheritdoc />
    public override string Formula =>
        "A piped line is a rod as thick as the nozzle; a filled face stands 1.5 mm high inside it. 1.4 g of icing a millilitre, a fifth "
        + "more for bags and bowls.";

    /// <inheritdoc />
    public override string Source => "Geometry; how high icing stands and what strewn sugar weighs are by judgement.";

    /// <inheritdoc />
    public override string Limits => "For round pieces: a shape with points has up to half as much edge again.";

    /// <inheritdoc />
    protected override Reckoning Reckon(AskedValues asked)
    {
        var (pieces, wide, nozzle) = (asked.Count("pieces"), asked.Value("wide"), asked.Value("nozzle"));
        var (how, strewn) = (asked.Chosen("how"), asked.Chosen("strewn"));
        var (flood, minutes, hands) = (asked.Value("flood") / 100, asked.Value("minutes"), asked.Count("hands"));
        if (how != "none" && nozzle * 2 >= wide)
            asked.Fault("nozzle", "A nozzle so wide covers the whole piece.");
        if (asked.Wrong.Count > 0)
            return new("");
        var metres =
            how switch
            {
                "none" => 0,
                "twice" => 1.6,
                _ => 1.0,
            }
            * Math.PI
            * (wide - nozzle)
            / 1000
            * pieces;
        var piped = metres * 1000 * Math.PI / 4 * nozzle * nozzle / 1000 * Density * 1.2;
        var inner = how == "none" ? wide : wide - (2 * nozzle);
        var face = Math.PI / 4 * inner * inner;
        var flooded = pieces * flood * face * Flooded / 1000 * Density * 1.2;
        var strew = strewn == "none" ? 0 : pieces * face / 100 * (strewn == "sugar" ? SugarGrams : SprinkleGrams);
        var time = pieces * minutes / hands;
        var sugar = (piped + flooded) / 1.17;
        var white = piped + flooded - sugar;
        return new(
            (piped + flooded > 0.5 ? $"{Told.Weight(piped + flooded)} of icing, " : "")
                + (strew > 0.5 ? $"{Told.Weight(strew)} of {strewn}, " : "")
                + $"{Told.Time(time)} for {(hands == 1 ? "one" : $"{hands}")} at the table."
        )
        {
            Values =
            [
                new("piped", Math.Round(piped, 1), "g"),
                new("metres", Math.Round(metres, 2), "m"),
                new("flooded", Math.Round(flooded, 1), "g"),
                new("strewn", Math.Round(strew, 1), "g"),
                new("time", Math.Round(time), "min"),
            ],
            Tables =
            [
                new(
                    "To have ready",
                    ["", "How much"],
                    [
                        .. new (string, double)[]
                        {
                            ($"Piped, {Told.Number(metres)} m", piped),
                            ("Filling the faces", flooded),
                            ("Icing sugar for both", sugar),
                            ("Egg white for both, pasteurised", white),
                            (strewn == "sugar" ? "Sugar to strew" : "Sprinkles", strew),
                        }
                            .Where(r => r.Item2 > 0.05)
                            .Select(r => ImmutableArray.Create(r.Item1, Told.Weight(r.Item2))),
                    ]
                ),
            ],
            Cautions =
            [
                .. piped + flooded > 0.5
                    ? new[]
                    {
                        "Raw egg white is not for small children, the expecting, the old or the ill: take pasteurised or dried white.",
                    }
                    : [],
                .. strewn == "sprinkles"
                    ? new[] { "Read the packet of the sprinkles for nuts, milk and colours: their makers differ." }
                    : [],
            ],
            Notes = flood > 0 ? ["A filled face dries for a night before the next colour or a tin."] : [],
            Sketches =
            [
                new PlanSketch(
                    $"One piece {Told.Number(wide / 10)} cm across with a piped line {Told.Number(nozzle)} mm thick",
                    wide,
                    wide,
                    [
                        SketchShape.Round(wide / 2, wide / 2, wide / 2, SketchFill.Dough),
                        .. how == "none" ? [] : new[] { SketchShape.Round(wide / 2, wide / 2, wide / 2, SketchFill.Cream) },
                        .. how == "none" && flood <= 0
                            ? []
                            : new[] { SketchShape.Round(wide / 2, wide / 2, inner / 2, flood > 0 ? SketchFill.Strong : SketchFill.Dough) },
                    ]
                ),
            ],
        };
    }
}
