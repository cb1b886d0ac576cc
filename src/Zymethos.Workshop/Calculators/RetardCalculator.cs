using System.Collections.Immutable;
using NodaTime;
using Zymethos.Core.Leaven;
using Zymethos.Core.Measures;

namespace Zymethos.Workshop.Calculators;

/// <summary>A rise in the refrigerator over night: how far it comes, what it wants after, how much yeast would fit.</summary>
public sealed class RetardCalculator : Calculator
{
    /// <inheritdoc />
    public override string Address => "retard";

    /// <inheritdoc />
    public override string Name => "Overnight in the cold";

    /// <inheritdoc />
    public override string Promise => "how far a dough comes in the refrigerator, and what it wants after";

    /// <inheritdoc />
    public override CalculatorGroup Group => CalculatorGroup.Dough;

    /// <inheritdoc />
    public override ImmutableArray<CalculatorField> Fields { get; } =
    [
        CalculatorField.Time("takes", "The recipe says", "90", "min", 10, 2880) with
        {
            Group = "As the recipe has it",
        },
        CalculatorField.Heat("at", "at", "24", 2, 42),
        CalculatorField.Heat("dough", "Dough going in", "23", 1, 42) with
        {
            Group = "Your night",
        },
        CalculatorField.Time("before", "Out before it", "0", "min", 0, 600),
        CalculatorField.Heat("cold", "Refrigerator", "4", 1, 15),
        CalculatorField.Time("hours", "It stays in", "10", "h", 60, 4320),
        CalculatorField.Heat("room", "Kitchen after", "21", 5, 42),
        CalculatorField.Weight("weight", "One piece weighs", "900 g", 20, 20_000),
    ];

    /// <inheritdoc />
    public override string Formula =>
        RiseCalculator.RiseFormula
        + " The yeast that makes it just ready when it comes out is found from how far it comes with the recipe's.";

    /// <inheritdoc />
    public override string Source => RiseCalculator.RiseSource;

    /// <inheritdoc />
    public override string Limits =>
        "The middle of a large piece goes on rising for hours in the cold: flat pieces stop sooner. Refrigerators differ by shelf.";

    /// <inheritdoc />
    protected override Reckoning Reckon(AskedValues asked)
    {
        var (takes, at, dough) = (asked.Value("takes"), asked.Value("at"), asked.Value("dough"));
        var (before, cold, hours) = (asked.Value("before"), asked.Value("cold"), asked.Value("hours"));
        var (room, weight) = (asked.Value("room"), asked.Value("weight"));
        if (asked.Wrong.Count > 0)
            return new("");
        var dose = RiseDose.Of(Duration.FromMinutes(takes), Temperature.FromCelsius(at));
        var course = new RiseCourse(dose, dough, weight, 1, (room, before), (cold, hours), (room, 0));
        var outAt = before + hours;
        var come = course.ShareAt(outAt);
        var over = course.ReachedAt(RiseDose.ReadyUntil);
        var ready = course.ReachedAt(1);
        var likely = course.ReachedAt(RiseDose.ReadyFrom);
        var says =
            over is { } o && o <= outAt
                ? $"Too long: it is over after {Told.Time(RiseCalculator.Fives(o))}. Take {Told.Number(1 / come, 2)} times the yeast, or "
                    + $"a colder shelf."
            : ready is { } r && r <= outAt ? "It is ready in the cold: bake it straight from there."
            : likely is { } l && l <= outAt ? "It comes out as good as ready: bake it when the oven is hot."
            : ready is { } after
                ? $"It has come {Told.Number(100 * come, 0)} % of the way; then about {Told.Time(RiseCalculator.Fives(after - outAt))} "
                    + $"in the kitchen."
            : $"It has come {Told.Number(100 * come, 0)} % of the way, and gets no further in a kitchen so cold.";
        return new(says)
        {
            Values =
            [
                new("come", Math.Round(100 * come, 1), "%"),
                new("after", Math.Round(Math.Max(0, (ready ?? outAt) - outAt)), "min"),
                new("yeastToBeReady", Math.Round(1 / Math.Max(0.01, come), 3), ""),
            ],
            Notes =
            [
                .. come is > 0.05 and < 0.84
                    ? new[] { $"To have it ready just when it comes out: {Told.Number(1 / come, 2)} times the yeast." }
                    : [],
                "Cover it well: cold air dries a skin on it.",
            ],
            // Two hours above 5 °C are what cold food bears, four at the most (USDA FSIS and the FDA Food Code, from memory).
            Cautions =
                hours > 4 * 60 && cold > 5
                    ?
                    [
                        $"A dough with eggs, milk or a filling does not stay above {Told.Heat(5)} for so long: take a colder shelf, or mix "
                            + "it later.",
                    ]
                    : [],
            Sketches =
            [
                course.Sketch(
                    $"How far the dough has come and how warm it is: {Told.Number(100 * come, 0)} percent when it comes out of the cold",
                    (outAt, "out of the cold")
                ),
            ],
        };
    }
}
