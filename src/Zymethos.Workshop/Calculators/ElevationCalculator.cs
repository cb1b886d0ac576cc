using System.Collections.Immutable;
using Zymethos.Core.Scaling;
using Zymethos.Workshop.Sugar;

namespace Zymethos.Workshop.Calculators;

/// <summary>What changes in a cake for the height of the kitchen.</summary>
public sealed class ElevationCalculator : Calculator
{
    /// <inheritdoc />
    public override string Address => "elevation";

    /// <inheritdoc />
    public override string Name => "Baking high up";

    /// <inheritdoc />
    public override string Promise => "leavener, sugar, liquid and heat for cakes in the mountains";

    /// <inheritdoc />
    public override CalculatorGroup Group => CalculatorGroup.Oven;

    /// <inheritdoc />
    public override ImmutableArray<CalculatorField> Fields { get; } =
    [
        CalculatorField.Number("metres", "You live at", "1600", "m above the sea", 0, 4500),
        CalculatorField.Weight("leavener", "Baking powder", "10 g", 0, 1000),
        CalculatorField.Weight("sugar", "Sugar", "300 g", 0, 20_000),
        CalculatorField.Weight("liquid", "Milk or water", "240 g", 0, 20_000),
        CalculatorField.Heat("oven", "Oven", "175", 90, 260),
    ];

    /// <inheritdoc />
    public override string Formula =>
        "Less leavener, less sugar, more liquid by the table at 3000, 5000 and 7000 ft, a straight line between; the oven 10 °C hotter.";

    /// <inheritdoc />
    public override string Source =>
        "Colorado State University Extension, high-altitude table, the middle of its ranges (from memory). Boiling water: ISO 2533 and the "
        + "Antoine equation (from memory).";

    /// <inheritdoc />
    public override string Limits =>
        "For cakes and quick loaves, and a place to start: bake one, then change. Cookies change least; yeast dough rises faster and is "
        + "watched.";

    /// <inheritdoc />
    protected override Reckoning Reckon(AskedValues asked)
    {
        var (metres, oven) = (asked.Value("metres"), asked.Value("oven"));
        var (leavener, sugar, liquid) = (asked.Value("leavener"), asked.Value("sugar"), asked.Value("liquid"));
        if (asked.Wrong.Count > 0)
            return new("");
        var boils = BoilingWater.At(metres);
        var change = Elevation.At(metres);
        var (powder, sweet, wet) = change is { } c
            ? (leavener * (1 - c.LeavenerLess), sugar * (1 - (c.SugarLessTbspPerCup / 16)), liquid * (1 + (c.LiquidMoreTbspPerCup / 16)))
            : (leavener, sugar, liquid);
        return new(
            change is null
                ? "So low nothing needs to change: the table begins at 914 m (3000 ft)."
                : $"{Told.Grams(powder)} of powder, {Told.Grams(sweet)} of sugar, {Told.Grams(wet)} of liquid, oven {Told.Heat(oven + 10)}."
        )
        {
            Values =
            [
                new("leavener", Math.Round(powder, 2), "g"),
                new("sugar", Math.Round(sweet, 1), "g"),
                new("liquid", Math.Round(wet, 1), "g"),
                new("waterBoils", Math.Round(boils, 1), "°C"),
            ],
            Notes = [$"Water boils at {Told.Heat(boils)} there: custards and syrups are done at fewer degrees."],
            Sketches =
            [
                new CurveSketch(
                    "At how many degrees water boils by elevation",
                    "m above the sea",
                    [new("water boils at, °C", 80, 102, [.. Enumerable.Range(0, 46).Select(i => (100.0 * i, BoilingWater.At(100 * i)))])]
                )
                {
                    Marks = [(metres, "you")],
                },
            ],
        };
    }
}
