using System.Collections.Immutable;
using Zymethos.Workshop.Sugar;

namespace Zymethos.Workshop.Calculators;

/// <summary>Boiling sugar: what a temperature means, at the baker's elevation.</summary>
public sealed class SyrupCalculator : Calculator
{
    /// <inheritdoc />
    public override string Address => "sugar-syrup";

    /// <inheritdoc />
    public override string Name => "Sugar syrup";

    /// <inheritdoc />
    public override string Promise => "stages by temperature, at your elevation, and what boils away";

    /// <inheritdoc />
    public override CalculatorGroup Group => CalculatorGroup.Sweet;

    /// <inheritdoc />
    public override ImmutableArray<CalculatorField> Fields { get; } =
    [
        CalculatorField.Heat("heat", "The recipe says", "118", 100, 177),
        CalculatorField.Number("metres", "You live at", "0", "m above the sea", -400, BoilingWater.Highest),
        CalculatorField.Weight("sugar", "Sugar", "400 g", 10, 20_000),
        CalculatorField.Weight("water", "Water", "120 g", 0, 20_000),
    ];

    /// <inheritdoc />
    public override string Formula =>
        "Water boils lower higher up, and syrup by as many degrees: the recipe's temperature is taken down by that. The temperature says "
        + "what share of the syrup is sugar; what is more than that boils away.";

    /// <inheritdoc />
    public override string Source =>
        "Boiling water: ISO 2533 standard atmosphere and the Antoine equation (from memory). Share of sugar by boiling point: McGee, “On "
        + "Food and Cooking” (2004), stages: United States extension tables; both from memory.";

    /// <inheritdoc />
    public override string Limits =>
        "For white sugar and water. Glucose, honey or cream change where it boils. Test your thermometer in boiling water first.";

    /// <inheritdoc />
    protected override Reckoning Reckon(AskedValues asked)
    {
        var (heat, metres) = (asked.Value("heat"), asked.Value("metres"));
        var (sugar, water) = (asked.Value("sugar"), asked.Value("water"));
        if (asked.Wrong.Count > 0)
            return new("");
        var less = 100 - BoilingWater.At(metres);
        var here = heat - less;
        var share = SugarSyrup.PercentAt(heat) / 100;
        // What is thinner than what it begins with cannot be boiled to.
        var begins = sugar / (sugar + water);
        var ends = Math.Min(sugar + water, sugar / Math.Max(share, 0.01));
        var stage = SugarSyrup.StageAt(heat);
        return new(
            (Math.Abs(less) < 0.5 ? $"{Told.Heat(heat)}" : $"Take it off at {Told.Heat(here)} where you live")
                + (stage is null ? ": between two stages." : $": {stage.Name}, for {stage.ForWhat}.")
                + (share <= begins ? "" : $" {Told.Weight(sugar + water - ends)} of water boil away.")
        )
        {
            Values =
            [
                new("here", Math.Round(here, 1), "°C"),
                new("sugarShare", Math.Round(100 * share, 1), "%"),
                new("syrup", Math.Round(ends, 1), "g"),
                new("boiledAway", Math.Round(sugar + water - ends, 1), "g"),
            ],
            Cautions = ["Boiling sugar burns deep and sticks: no children near it, long sleeves, a bowl of cold water beside it."],
            Notes =
            [
                .. share <= begins
                    ? new[]
                    {
                        $"It boils hotter than that from the first bubble: more sugar than {Told.Number(100 * share, 0)} % is in it "
                            + $"already.",
                    }
                    : [],
                $"At the end it is {Told.Number(100 * share, share > 0.9 ? 1 : 0)} % sugar and weighs {Told.Weight(ends)}.",
            ],
            Tables =
            [
                new(
                    Math.Abs(less) < 0.5 ? "Stages" : "Stages where you live",
                    ["Stage", "From", "To", "For"],
                    [
                        .. SugarSyrup.Stages.Select(s =>
                            ImmutableArray.Create(s.Name, Told.Heat(s.From - less), Told.Heat(s.To - less), s.ForWhat)
                        ),
                    ]
                ),
            ],
            Sketches =
            [
                new ScaleSketch(
                    $"The stages of boiling sugar on one scale, with {Told.Number(here, 0)} degrees marked",
                    "°C",
                    Math.Floor((98 - less) / 10) * 10,
                    180,
                    [.. SugarSyrup.Stages.Select(s => new SketchStretch(s.Name, s.From - less, s.To - less))]
                )
                {
                    Marks = [(here, "yours"), (100 - less, "water boils")],
                },
            ],
        };
    }
}
