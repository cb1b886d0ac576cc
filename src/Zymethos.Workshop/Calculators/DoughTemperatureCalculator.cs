using System.Collections.Immutable;
using Zymethos.Core.Leaven;
using Zymethos.Core.Measures;

namespace Zymethos.Workshop.Calculators;

/// <summary>How warm the water must be, and how much of it is ice.</summary>
public sealed class DoughTemperatureCalculator : Calculator
{
    // Ice takes 333.55 kJ/kg to melt, water 4.186 kJ/kg for each degree: as much as 79.7 degrees of water.
    private const double IceAsDegrees = 79.7;

    /// <inheritdoc />
    public override string Address => "dough-temperature";

    /// <inheritdoc />
    public override string Name => "Dough temperature";

    /// <inheritdoc />
    public override string Promise => "how warm the water must be, and how much of it ice";

    /// <inheritdoc />
    public override CalculatorGroup Group => CalculatorGroup.Dough;

    /// <inheritdoc />
    public override ImmutableArray<CalculatorField> Fields { get; } =
    [
        CalculatorField.Heat("wanted", "Dough wanted", "25", 10, 35),
        CalculatorField.Heat("flour", "Flour", "21", -18, 45),
        CalculatorField.Heat("room", "Kitchen", "22", 5, 45),
        CalculatorField.Number("friction", "Kneading warms it by", "8", "°C", 0, 25) with
        {
            Hint = "about 2 by hand, 8 in a stand mixer, 15 in a food processor",
        },
        CalculatorField.Heat("preferment", "Starter or preferment", "", -5, 45) with
        {
            IsOptional = true,
            Hint = "empty for none",
        },
        CalculatorField.Weight("water", "Water in the dough", "600 g", 10, 50_000),
        CalculatorField.Heat("tap", "Coldest water you have", "12", 0, 40),
    ];

    /// <inheritdoc />
    public override string Formula =>
        "Three times the wanted temperature (four times with a preferment), less flour, kitchen, what kneading adds and the preferment. "
        + "Where that is colder than your water, ice takes its place: water times (tap less wanted) over (tap plus 79.7).";

    /// <inheritdoc />
    public override string Source =>
        "Hamelman, “Bread”, the factor for wanted dough temperature (from memory). Ice from the latent heat of melting, 333.55 kJ/kg. What "
        + "kneading adds is common practice without a source: measure yours once, and write it here.";

    /// <inheritdoc />
    public override string Limits =>
        "Good to about 1 °C when flour and kitchen were measured. Large cold additions (butter from the refrigerator, frozen fruit) are "
        + "not in it.";

    /// <inheritdoc />
    protected override Reckoning Reckon(AskedValues asked)
    {
        var (wanted, flour, room) = (asked.Value("wanted"), asked.Value("flour"), asked.Value("room"));
        var (friction, preferment) = (asked.Value("friction"), asked.Maybe("preferment"));
        var (water, tap) = (asked.Value("water"), asked.Value("tap"));
        if (asked.Wrong.Count > 0)
            return new("");
        var at = WaterTemperature
            .For(
                Temperature.FromCelsius(wanted),
                Temperature.FromCelsius(flour),
                Temperature.FromCelsius(room),
                friction,
                preferment is { } sour ? Temperature.FromCelsius(sour) : null
            )
            .Celsius;
        var ice = at < tap ? water * (tap - at) / (tap + IceAsDegrees) : 0;
        var says =
            ice >= water ? "Even ice alone is not cold enough: chill the flour, or knead less."
            : ice > 0
                ? $"{Told.Weight(ice)} of ice and {Told.Weight(water - ice)} of your water at {Told.Heat(tap)}: together as cold as "
                    + $"{Told.Heat(at)}."
            : at > WaterTemperature.Deadly.Celsius
                ? $"The water would have to be {Told.Heat(at)}, which kills yeast. Warm the flour or the bowl instead."
            : $"Water at {Told.Heat(at)}.";
        return new(says)
        {
            Values = [new("water", Math.Round(at, 1), "°C"), new("ice", Math.Round(Math.Min(ice, water), 1), "g")],
            Cautions =
                at > WaterTemperature.WarnAbove.Celsius && at <= WaterTemperature.Deadly.Celsius
                    ? [$"Above {Told.Heat(WaterTemperature.WarnAbove.Celsius)} yeast suffers: let flour and water meet first, then add it."]
                    : [],
            Notes = ice > 0 && ice < water ? ["Crush the ice, and knead until the last of it is gone before you judge the dough."] : [],
            Sketches =
            [
                new ScaleSketch(
                    $"On one scale: dough {Told.Number(wanted)}, flour {Told.Number(flour)}, kitchen {Told.Number(room)} and water "
                        + $"{Told.Number(at)} degrees Celsius",
                    "°C",
                    Math.Min(-10, Math.Floor(at / 10) * 10),
                    Math.Max(60, Math.Ceiling(at / 10) * 10),
                    [
                        new("flour", flour, flour),
                        new("kitchen", room, room),
                        .. preferment is { } p ? new SketchStretch[] { new("preferment", p, p) } : [],
                        new("kneading", wanted - friction, wanted),
                        new("water", at, at),
                        new("yeast suffers", WaterTemperature.WarnAbove.Celsius, WaterTemperature.Deadly.Celsius),
                    ]
                )
                {
                    Marks = [(wanted, "dough")],
                },
            ],
        };
    }
}
