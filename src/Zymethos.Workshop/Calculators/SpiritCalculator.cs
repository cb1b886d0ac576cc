using System.Collections.Immutable;
using Zymethos.Workshop.Drink;

namespace Zymethos.Workshop.Calculators;

/// <summary>How much alcohol a fed cake has.</summary>
public sealed class SpiritCalculator : Calculator
{
    /// <inheritdoc />
    public override string Address => "spirit";

    /// <inheritdoc />
    public override string Name => "Spirit in a fed cake";

    /// <inheritdoc />
    public override string Promise => "how much is in a slice, with what was baked and what was fed";

    /// <inheritdoc />
    public override CalculatorGroup Group => CalculatorGroup.Sweet;

    /// <inheritdoc />
    public override ImmutableArray<CalculatorField> Fields { get; } =
    [
        CalculatorField.Volume("inside", "Stirred in", "100 ml", 0, 5000) with
        {
            Group = "Before baking",
        },
        CalculatorField.Number("insidepercent", "of", "40", "% alcohol", 0, 96),
        CalculatorField.Time("bakes", "It bakes", "150", "min", 5, 600),
        CalculatorField.Volume("feed", "Each feed", "15 ml", 0, 500) with
        {
            Group = "After baking",
        },
        CalculatorField.Count("feeds", "Feeds", "6", "", 0, 60),
        CalculatorField.Number("feedpercent", "of", "40", "% alcohol", 0, 96),
        CalculatorField.Count("slices", "Slices", "24", "", 1, 400) with
        {
            Group = "The cake",
        },
    ];

    /// <inheritdoc />
    public override string Formula =>
        "Millilitres times percent times 0.789 g. Of what is baked, the share that the table gives for its time stays; of what is fed, "
        + "all is counted.";

    /// <inheritdoc />
    public override string Source =>
        "USDA Table of Nutrient Retention Factors, release 6 (2007), alcohol stirred in and baked: 40 % after 15 minutes, 35 % after 30, "
        + "25 % after an hour, 10 % after two, 5 % after two and a half. From memory.";

    /// <inheritdoc />
    public override string Limits =>
        "A large cake keeps more than the table says. A wrapped cake loses some of what it is fed; it is not taken off here.";

    /// <inheritdoc />
    protected override Reckoning Reckon(AskedValues asked)
    {
        var inside = SpiritLeft.Grams(asked.Value("inside"), asked.Value("insidepercent"));
        var left = SpiritLeft.AfterBaking(asked.Value("bakes"));
        var fed = asked.Count("feeds") * SpiritLeft.Grams(asked.Value("feed"), asked.Value("feedpercent"));
        var slices = asked.Count("slices");
        if (asked.Wrong.Count > 0)
            return new("");
        var all = (inside * left) + fed;
        return new(
            all <= 0
                ? "No alcohol goes into it."
                : $"About {Told.Number(all / slices, all / slices < 1 ? 2 : 1)} g of alcohol in a slice, "
                    + $"{Told.Number(all, 0)} g in the cake."
        )
        {
            Values =
            [
                new("slice", Math.Round(all / slices, 3), "g"),
                new("cake", Math.Round(all, 2), "g"),
                new("stays", Math.Round(100 * left, 1), "%"),
            ],
            Cautions =
                all > 0
                    ?
                    [
                        "Never without alcohol, however long it bakes: not for children, the expecting, or those who do not drink. Say "
                            + "it on the label.",
                        .. asked.Count("feeds") > 0 ? new[] { "Feed a cold cake, away from flame: spirit burns." } : [],
                    ]
                    : [],
            Notes =
                all > 0 ? [$"For comparison: a small glass of wine (100 ml of 12 %) has {Told.Number(SpiritLeft.Grams(100, 12))} g."] : [],
            Sketches =
            [
                new ScaleSketch(
                    "Alcohol of the cake by where it comes from",
                    "g",
                    0,
                    Math.Max(10, Math.Ceiling(Math.Max(inside, all) / 10) * 10),
                    [new("stirred in", 0, inside), new("after baking", 0, inside * left), new("fed", 0, fed), new("all of it", 0, all)]
                ),
            ],
        };
    }
}
