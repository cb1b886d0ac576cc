using System.Collections.Immutable;
using Zymethos.Workshop.Sugar;

namespace Zymethos.Workshop.Calculators;

/// <summary>Tempering: melted, cooled, worked.</summary>
public sealed class ChocolateCalculator : Calculator
{
    /// <inheritdoc />
    public override string Address => "chocolate";

    /// <inheritdoc />
    public override string Name => "Tempering chocolate";

    /// <inheritdoc />
    public override string Promise => "how warm to melt, cool and work it, and how much to hold back";

    /// <inheritdoc />
    public override CalculatorGroup Group => CalculatorGroup.Sweet;

    /// <inheritdoc />
    public override ImmutableArray<CalculatorField> Fields { get; } =
    [
        CalculatorField.Choice("kind", "Chocolate", [.. Tempering.All.Select(t => (t.Name, t.Name))]),
        CalculatorField.Weight("weight", "How much", "400 g", 50, 10_000),
        CalculatorField.Heat("now", "It is now", "31", 10, 70),
    ];

    /// <inheritdoc />
    public override string Formula =>
        "Melted, all crystals are gone; cooled while it is stirred, good and bad ones form; warmed a little, the bad ones melt again. A "
        + "quarter held back, chopped, cools the rest and brings good crystals with it.";

    /// <inheritdoc />
    public override string Source => "Common practice, no source. The maker's own figures on the packet come first.";

    /// <inheritdoc />
    public override string Limits =>
        "For couverture with cocoa butter alone: baking chips and coatings with other fats are not tempered. A kitchen above 22 °C (72 °F) "
        + "makes it hard.";

    /// <inheritdoc />
    protected override Reckoning Reckon(AskedValues asked)
    {
        var kind = asked.Chosen("kind");
        var (weight, now) = (asked.Value("weight"), asked.Value("now"));
        if (asked.Wrong.Count > 0)
            return new("");
        var t = Tempering.All.First(k => k.Name == kind);
        var held = weight * Tempering.HeldBack;
        var state =
            now > t.MeltTo ? "Too hot: it may turn grainy. Take it off at once."
            : now >= t.MeltFrom ? "Melted: now stir in what you held back."
            : now > t.WorkTo ? "Between: on the way down go on stirring; on the way up it has lost its temper, begin anew."
            : now >= t.WorkFrom ? "Right to work with, if it was cooled first."
            : now >= t.CoolFrom ? $"Cooled: warm it to {Told.Heat(t.WorkFrom)}, no further than {Told.Heat(t.WorkTo)}."
            : "Too cold: it thickens. Warm it a little.";
        return new(
            $"Melt {Told.Weight(weight - held)} to {Told.Heat(t.MeltFrom)}, stir in {Told.Weight(held)} chopped until it has "
                + $"{Told.Heat(t.CoolTo)}, warm it to {Told.Heat(t.WorkFrom)}."
        )
        {
            Values =
            [
                new("melt", Math.Round(weight - held, 1), "g"),
                new("holdBack", Math.Round(held, 1), "g"),
                new("workFrom", t.WorkFrom, "°C"),
                new("workTo", t.WorkTo, "°C"),
            ],
            Notes =
            [
                $"Now, at {Told.Heat(now)}: {char.ToLowerInvariant(state[0])}{state[1..]}",
                "Try it: a thin smear on paper sets within five minutes, shines and does not streak.",
            ],
            Cautions = ["No drop of water: steam from the pot below is enough to make it seize."],
            Tables =
            [
                new(
                    "",
                    ["Chocolate", "Melt", "Cool", "Work"],
                    [
                        .. Tempering.All.Select(k =>
                            ImmutableArray.Create(
                                k.Name,
                                Between(k.MeltFrom, k.MeltTo),
                                Between(k.CoolFrom, k.CoolTo),
                                Between(k.WorkFrom, k.WorkTo)
                            )
                        ),
                    ]
                ),
            ],
            Sketches =
            [
                new ScaleSketch(
                    $"Melting, cooling and working {t.Name} chocolate on one scale",
                    "°C",
                    20,
                    55,
                    [new("melt", t.MeltFrom, t.MeltTo), new("cool to", t.CoolFrom, t.CoolTo), new("work at", t.WorkFrom, t.WorkTo)]
                )
                {
                    Marks = [(now, "now")],
                },
            ],
        };
    }

    private static string Between(double from, double to) =>
        $"{Told.Number(from)} to {Told.Number(to)} °C ({Told.Number((from * 9 / 5) + 32, 0)} to {Told.Number((to * 9 / 5) + 32, 0)} °F)";
}
