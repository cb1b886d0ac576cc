using System.Collections.Immutable;
using System.Globalization;
using Zymethos.Workshop.Sugar;

namespace Zymethos.Workshop.Calculators;

/// <summary>Chocolate and cream for what a ganache is to do.</summary>
public sealed class GanacheCalculator : Calculator
{
    private const double Density = 1.15;

    /// <inheritdoc />
    public override string Address => "ganache";

    /// <inheritdoc />
    public override string Name => "Ganache";

    /// <inheritdoc />
    public override string Promise => "chocolate and cream by how it is to set, for a cake or by weight";

    /// <inheritdoc />
    public override CalculatorGroup Group => CalculatorGroup.Cakes;

    /// <inheritdoc />
    public override ImmutableArray<CalculatorField> Fields { get; } =
    [
        CalculatorField.Choice("use", "It is to", [.. Ganache.Uses.Select(u => (u.Word, u.Says))]),
        CalculatorField.Choice("chocolate", "Chocolate", ("dark", "dark, 55 to 65 %"), ("milk", "milk"), ("white", "white")),
        CalculatorField.Weight("weight", "How much", "", 20, 20_000) with
        {
            IsOptional = true,
            Hint = "empty to reckon it for a cake",
        },
        CalculatorField.Length("wide", "A round cake, across", "20", 30, 600),
        CalculatorField.Length("high", "and high", "8", 5, 400),
        CalculatorField.Length("thick", "coated so thick", "2.5 mm", 0.5, 40),
    ];

    /// <inheritdoc />
    public override string Formula =>
        "Parts of chocolate to one of cream; milk chocolate takes half as much again, white twice and a quarter. For a cake: top and side "
        + "times the thickness, 1.15 g a millilitre, and a quarter more that runs off when it is poured.";

    /// <inheritdoc />
    public override string Source => "Common practice, no source.";

    /// <inheritdoc />
    public override string Limits => "Cream of 30 % fat and more. Darker chocolate wants more cream: above 70 % a fifth more.";

    /// <inheritdoc />
    protected override Reckoning Reckon(AskedValues asked)
    {
        var use = Ganache.Uses.First(u => u.Word == asked.Chosen("use"));
        var kind = asked.Chosen("chocolate");
        var (wide, high, thick) = (asked.Value("wide"), asked.Value("high"), asked.Value("thick"));
        var typed = asked.Maybe("weight");
        if (asked.Wrong.Count > 0)
            return new("");
        var outer = wide + (2 * thick);
        var coat = ((Math.PI / 4 * outer * outer * (high + thick)) - (Math.PI / 4 * wide * wide * high)) / 1000;
        var grams = typed ?? (coat * Density * (use.Word == "pour" ? 1.25 : 1.1));
        var parts = Ganache.Parts(use.Word, kind);
        var (chocolate, cream) = Ganache.Of(grams, parts);
        return new($"{Told.Weight(chocolate)} of {kind} chocolate and {Told.Weight(cream)} of cream.")
        {
            Values =
            [
                new("chocolate", Math.Round(chocolate, 1), "g"),
                new("cream", Math.Round(cream, 1), "g"),
                new("ratio", Math.Round(parts, 3), ""),
            ],
            Notes =
            [
                $"{Told.Number(parts, 2)} to 1; {use.Sets}.",
                "Pour the hot cream over the chopped chocolate, wait three minutes, stir from the middle outwards.",
                "Two days in a cool room, a week in the refrigerator.",
            ],
            Cautions = ["Hot cream scalds; a pot of it boils over in a moment."],
            Recipe = string.Create(
                CultureInfo.InvariantCulture,
                $"Ganache to {(use.Word is "truffle" ? "roll" : use.Word)}\n\n{chocolate:0} g {kind} chocolate, chopped\n{cream:0} g "
                    + $"cream\n\nMethod\n1. Heat the "
                    + $"cream until it just boils, pour it over the chocolate, wait 3 minutes, stir from the middle outwards.\n"
            ),
            Tables =
            [
                new(
                    "Chocolate to one of cream",
                    ["It is to", "Dark", "Milk", "White"],
                    [
                        .. Ganache.Uses.Select(u =>
                            ImmutableArray.Create(
                                u.Says,
                                Told.Number(Ganache.Parts(u.Word, "dark"), 2),
                                Told.Number(Ganache.Parts(u.Word, "milk"), 2),
                                Told.Number(Ganache.Parts(u.Word, "white"), 2)
                            )
                        ),
                    ]
                ),
            ],
            Sketches =
            [
                new PlanSketch(
                    $"A cake {Told.Number(wide / 10)} cm across and {Told.Number(high / 10)} cm high with its coat, cut through",
                    outer,
                    high + thick,
                    [
                        SketchShape.Box(0, 0, outer, high + thick, SketchFill.Strong),
                        SketchShape.Box(thick, thick, wide, high, SketchFill.Dough),
                    ]
                ),
            ],
        };
    }
}
