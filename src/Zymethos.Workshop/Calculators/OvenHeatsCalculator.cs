using System.Collections.Immutable;
using Zymethos.Core.Heat;
using Zymethos.Core.Measures;

namespace Zymethos.Workshop.Calculators;

/// <summary>One heat as other ovens say it.</summary>
public sealed class OvenHeatsCalculator : Calculator
{
    private static readonly ImmutableArray<int> Marks = [225, 250, 275, 300, 325, 350, 375, 400, 425, 450, 475];

    /// <inheritdoc />
    public override string Address => "oven-heats";

    /// <inheritdoc />
    public override string Name => "Oven heats";

    /// <inheritdoc />
    public override string Promise => "Celsius, Fahrenheit, fan and gas";

    /// <inheritdoc />
    public override CalculatorGroup Group => CalculatorGroup.Oven;

    /// <inheritdoc />
    public override ImmutableArray<CalculatorField> Fields { get; } =
    [
        CalculatorField.Heat("heat", "The recipe says", "180", 60, 300),
        CalculatorField.Choice("oven", "for", ("still", "an oven without fan"), ("fan", "a fan oven")),
    ];

    /// <inheritdoc />
    public override string Formula =>
        "F = C times 9/5 + 32. A fan oven is set 20 °C (25 °F) lower. Gas mark 1 is 275 F, each mark 25 F more.";

    /// <inheritdoc />
    public override string Source => "The Fahrenheit scale by definition; fan and gas: common practice, from memory.";

    /// <inheritdoc />
    public override string Limits =>
        "Ovens differ from their dials by 15 °C and more: put a thermometer in once. Thin, quick bakes gain more from a fan than thick "
        + "ones.";

    /// <inheritdoc />
    protected override Reckoning Reckon(AskedValues asked)
    {
        var heat = asked.Value("heat");
        var fan = asked.Chosen("oven") == "fan";
        if (asked.Wrong.Count > 0)
            return new("");
        var still = Temperature.FromCelsius(heat + (fan ? OvenMarks.FanLowerCelsius : 0));
        var gas = OvenMarks.GasMark(still);
        return new(
            $"Without fan {Dial(still)}, with fan {OvenMarks.Fan(still).CelsiusDial} °C ({OvenMarks.FanFahrenheitDial(still)} °F)"
                + (gas is null ? "; off the gas dial." : $", gas mark {gas}.")
        )
        {
            Values =
            [
                new("still", Math.Round(still.Celsius, 1), "°C"),
                new("stillDial", still.FahrenheitDial, "°F"),
                new("fan", Math.Round(OvenMarks.Fan(still).Celsius, 1), "°C"),
            ],
            Tables =
            [
                new(
                    "All of them",
                    ["Without fan", "With fan", "Gas mark"],
                    [
                        .. Marks.Select(f =>
                        {
                            var t = Temperature.FromFahrenheit(f);
                            return ImmutableArray.Create(
                                Dial(t),
                                $"{OvenMarks.Fan(t).CelsiusDial} °C ({f - OvenMarks.FanLowerFahrenheit} °F)",
                                OvenMarks.GasMark(t) ?? ""
                            );
                        }),
                    ]
                ),
            ],
            Sketches =
            [
                new ScaleSketch(
                    $"Where {Told.Number(still.Celsius, 0)} degrees lie among slow, moderate and hot ovens",
                    "°C",
                    80,
                    300,
                    [
                        new("meringue, drying", 80, 120),
                        new("fruit cake", 135, 155),
                        new("cakes, cookies", 160, 190),
                        new("muffins, buns", 185, 210),
                        new("bread, pastry", 200, 240),
                        new("pizza, flat bread", 240, 300),
                    ]
                )
                {
                    Marks = [(still.Celsius, "this")],
                },
            ],
        };
    }

    private static string Dial(Temperature t) => $"{t.CelsiusDial} °C ({t.FahrenheitDial} °F)";
}
