using System.Collections.Immutable;
using Zymethos.Core.Scaling;

namespace Zymethos.Workshop.Calculators;

/// <summary>How many times a recipe is taken for other pans.</summary>
public sealed class PanForPanCalculator : Calculator
{
    /// <inheritdoc />
    public override string Address => "pan-for-pan";

    /// <inheritdoc />
    public override string Name => "Pan for pan";

    /// <inheritdoc />
    public override string Promise => "how many times the recipe fills your pans as full as its own";

    /// <inheritdoc />
    public override CalculatorGroup Group => CalculatorGroup.Oven;

    /// <inheritdoc />
    public override ImmutableArray<CalculatorField> Fields { get; } =
    [
        .. PanFields.Of("a", "The recipe's pan", "round", "20", "", "5"),
        .. PanFields.Of("b", "Your pan", "rectangle", "33", "23", "5"),
        PanFields.Kind,
    ];

    /// <inheritdoc />
    public override string Formula =>
        "What your pans hold over what the recipe's hold, to the brim. A pan is a prismatoid, h/6 times (top + 4 times middle + bottom), "
        + "since its walls lean in.";

    /// <inheritdoc />
    public override string Source =>
        "The prismatoid is exact; how far walls lean (6 mm for cake pans, 13 mm for loaf pans, 25 mm for rings) is common practice, set so "
        + "that volumes agree with handbook charts of water to the brim.";

    /// <inheritdoc />
    public override string Limits =>
        "A pan of your own is best measured: fill it with water and weigh that. Bake times change with the height of the batter, see "
        + "there.";

    /// <inheritdoc />
    protected override Reckoning Reckon(AskedValues asked)
    {
        var ((own, ownCount), (other, otherCount)) = (PanFields.Read(asked, "a"), PanFields.Read(asked, "b"));
        var kind = PanFields.KindOf(asked);
        if (asked.Wrong.Count > 0)
            return new("");
        var (ownHolds, otherHolds) = (PanVolume.Of(own)!.Value.Millilitres, PanVolume.Of(other)!.Value.Millilitres);
        if (ownHolds <= 0 || otherHolds <= 0)
        {
            asked.Fault(ownHolds <= 0 ? "along" : "blong", "So small that its leaning walls meet: nothing fits in.");
            return new("");
        }

        var times = otherHolds * otherCount / (ownHolds * ownCount);
        var rule = FillRule.For(kind);
        PanFit Usual(Core.Recipes.Pan pan, double holds, int count) =>
            PanFit.Of(Core.Measures.Mass.FromGrams(holds * rule.Usual * count * rule.Density), kind, pan, count)!;
        var (ownFit, otherFit) = (Usual(own, ownHolds, ownCount), Usual(other, otherHolds, otherCount));
        return new($"Take the recipe {Told.Number(times, 2)} times.")
        {
            Times = times,
            Values =
            [
                new("times", Math.Round(times, 4), ""),
                new("ownHolds", Math.Round(ownHolds * ownCount), "ml"),
                new("otherHolds", Math.Round(otherHolds * otherCount), "ml"),
            ],
            Tables =
            [
                new(
                    "",
                    ["", "Holds to the brim", "Batter as usual", "It stands"],
                    [
                        [
                            "The recipe's",
                            Told.Volume(ownHolds * ownCount),
                            Told.Weight(ownFit.EachWeight.Grams * ownCount),
                            Told.Length(ownFit.Height.Millimetres),
                        ],
                        [
                            "Yours",
                            Told.Volume(otherHolds * otherCount),
                            Told.Weight(otherFit.EachWeight.Grams * otherCount),
                            Told.Length(otherFit.Height.Millimetres),
                        ],
                    ]
                ),
            ],
            Notes =
                Math.Abs(otherFit.Height.Millimetres - ownFit.Height.Millimetres) > 0.15 * ownFit.Height.Millimetres
                    ? ["The batter stands at another height, so it bakes for another time: see “Bake time in another pan”."]
                    : [],
            Sketches = [PanFields.Sketch("Both pans cut through, with batter as high as usual", ownFit, otherFit)],
        };
    }
}
