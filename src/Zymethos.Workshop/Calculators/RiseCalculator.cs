using System.Collections.Immutable;
using NodaTime;
using Zymethos.Core.Leaven;
using Zymethos.Core.Measures;

namespace Zymethos.Workshop.Calculators;

/// <summary>How long a rise takes somewhere else than where the recipe has it.</summary>
public sealed class RiseCalculator : Calculator
{
    /// <summary>What all rises are reckoned from.</summary>
    internal const string RiseFormula =
        "The recipe's own time and warmth give the amount of rising it needs; the yeast's speed at each temperature is added up until that "
        + "is reached. The dough itself warms or cools toward the place it lies in, a large piece more slowly. It may go on from 85 % "
        + "and is over at 125 %.";

    /// <summary>Who says so.</summary>
    internal const string RiseSource =
        "Speed by temperature: Rosso, Lobry and Flandrois, J. Theor. Biol. 162 (1993), with 1, 33 and 45 °C for baker's yeast (from "
        + "memory). Cooling by Newton's law with Incropera and DeWitt, ch. 5. When it is ready and over: common practice, no source.";

    /// <inheritdoc />
    public override string Address => "rise";

    /// <inheritdoc />
    public override string Name => "A rise anywhere";

    /// <inheritdoc />
    public override string Promise => "the same rise in a warmer or colder place, or with other yeast";

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
        CalculatorField.Heat("dough", "Dough now", "24", 1, 42) with
        {
            Group = "As you have it",
        },
        CalculatorField.Heat("place", "Where it rises", "20", 1, 44),
        CalculatorField.Weight("weight", "One piece weighs", "1000 g", 20, 20_000),
        CalculatorField.Number("yeast", "Yeast", "1", "times the recipe's", 0.1, 4),
    ];

    /// <inheritdoc />
    public override string Formula => RiseFormula;

    /// <inheritdoc />
    public override string Source => RiseSource;

    /// <inheritdoc />
    public override string Limits =>
        "For baker's yeast. Much sugar or salt slows it; a sourdough has its own pace. The poke of a finger decides, not the clock.";

    /// <summary>Known no better than to five minutes.</summary>
    internal static double Fives(double minutes) => minutes < 30 ? minutes : Math.Round(minutes / 5) * 5;

    /// <inheritdoc />
    protected override Reckoning Reckon(AskedValues asked)
    {
        var (takes, at) = (asked.Value("takes"), asked.Value("at"));
        var (dough, place) = (asked.Value("dough"), asked.Value("place"));
        var (weight, yeast) = (asked.Value("weight"), asked.Value("yeast"));
        if (asked.Wrong.Count > 0)
            return new("");
        var dose = RiseDose.Of(Duration.FromMinutes(takes), Temperature.FromCelsius(at));
        var course = new RiseCourse(dose, dough, weight, yeast, (place, 0));
        if (course.ReachedAt(1) is not { } likely)
            return new("It does not get there within three days: find a warmer place, or take more yeast.")
            {
                Sketches = [course.Sketch("The rise does not reach its end within three days")],
            };
        var first = course.ReachedAt(RiseDose.ReadyFrom)!.Value;
        var last = course.ReachedAt(RiseDose.ReadyUntil);
        return new(
            $"Ready after about {Told.Time(Fives(likely))}: look from {Told.Time(Fives(first))} on"
                + (last is { } over ? $", and have it in the oven by {Told.Time(Fives(over))}." : "; it holds there.")
        )
        {
            Values =
            [
                new("readyFrom", Math.Round(first), "min"),
                new("likely", Math.Round(likely), "min"),
                .. last is { } l ? new ReckonedValue[] { new("overFrom", Math.Round(l), "min") } : [],
            ],
            Notes =
                place > YeastRate.Best.Celsius + 3 ? ["Warmer than yeast likes best: it slows again, and the crust dries. Cover it."] : [],
            Sketches = [course.Sketch("How far the dough has come and how warm it is; the band is when it may go on", (likely, "ready"))],
        };
    }
}
