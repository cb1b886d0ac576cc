using System.Collections.Immutable;
using Zymethos.Core.Heat;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Scaling;

namespace Zymethos.Workshop.Calculators;

/// <summary>How long a batter bakes in another pan.</summary>
public sealed class BakeTimeCalculator : Calculator
{
    /// <inheritdoc />
    public override string Address => "bake-time";

    /// <inheritdoc />
    public override string Name => "Bake time in another pan";

    /// <inheritdoc />
    public override string Promise => "from the time in the recipe's pan, with when to look first";

    /// <inheritdoc />
    public override CalculatorGroup Group => CalculatorGroup.Oven;

    /// <inheritdoc />
    public override ImmutableArray<CalculatorField> Fields { get; } =
    [
        CalculatorField.Time("takes", "The recipe says", "35", "min", 5, 480),
        CalculatorField.Heat("oven", "at", "175", 90, 290),
        CalculatorField.Weight("batter", "Batter in all", "1000 g", 20, 40_000),
        PanFields.Kind,
        .. PanFields.Of("a", "The recipe's pan", "round", "23", "", "5"),
        .. PanFields.Of("b", "Your pan", "loaf", "23", "13", "7"),
    ];

    /// <inheritdoc />
    public override string Formula =>
        "The batter in each pan is a body of plane walls or a cylinder; the time in which heat reaches its middle is solved for both by "
        + "the one-term solution of conduction, and the recipe's time is multiplied by their ratio, with a tenth of play either way. "
        + "Look first after 85 %.";

    /// <inheritdoc />
    public override string Source =>
        "Incropera and DeWitt, “Fundamentals of Heat and Mass Transfer”, ch. 5. Looking at 85 % is common practice, no source.";

    /// <inheritdoc />
    public override string Limits =>
        "For batters of one kind in one oven. Dark or glass pans are faster, by about a tenth; a skewer or a thermometer decides.";

    /// <inheritdoc />
    protected override Reckoning Reckon(AskedValues asked)
    {
        var (takes, oven, batter) = (asked.Value("takes"), asked.Value("oven"), Mass.FromGrams(asked.Value("batter")));
        var kind = PanFields.KindOf(asked);
        var ((own, ownCount), (other, otherCount)) = (PanFields.Read(asked, "a"), PanFields.Read(asked, "b"));
        if (asked.Wrong.Count > 0)
            return new("");
        if (Fit(batter, kind, own, ownCount) is not { } ownFit)
        {
            asked.Fault("along", "Nothing fits into a pan so small.");
            return new("");
        }

        if (Fit(batter, kind, other, otherCount) is not { } otherFit)
        {
            asked.Fault("blong", "Nothing fits into a pan so small.");
            return new("");
        }

        var time = BakeTime.In(
            ownFit,
            DurationEstimate.Minutes((int)takes, (int)takes, (int)takes),
            otherFit,
            Temperature.FromCelsius(oven)
        );
        var over = otherFit.Surplus.Millilitres > 1;
        return new(
            time.LowMinutes == time.HighMinutes
                ? $"{Told.Time(time.LikelyMinutes)}, as in its own pan: look first after {Told.Time(time.FirstLookMinutes)}."
                : $"{Told.Time(time.LowMinutes)} to {Told.Time(time.HighMinutes)}, likely {Told.Time(time.LikelyMinutes)}: look first "
                    + $"after {Told.Time(time.FirstLookMinutes)}."
        )
        {
            Values =
            [
                new("low", time.LowMinutes, "min"),
                new("likely", time.LikelyMinutes, "min"),
                new("high", time.HighMinutes, "min"),
                new("firstLook", time.FirstLookMinutes, "min"),
                new("height", Math.Round(otherFit.Height.Millimetres, 1), "mm"),
                new("surplus", Math.Round(otherFit.Surplus.Millilitres), "ml"),
            ],
            Cautions = over
                ?
                [
                    $"Too much for your pan: {Told.Volume(otherFit.Surplus.Millilitres)} of batter stays over. A pan filled higher runs "
                        + $"over.",
                ]
                : [],
            Notes = [char.ToUpperInvariant(time.Reason[0]) + time.Reason[1..] + ".", otherFit.Verdict],
            Sketches = [PanFields.Sketch("Both pans cut through, with the batter in them", ownFit, otherFit)],
        };
    }

    private static PanFit? Fit(Mass batter, RecipeKind kind, Pan pan, int count) => PanFit.Of(batter, kind, pan, count);
}
