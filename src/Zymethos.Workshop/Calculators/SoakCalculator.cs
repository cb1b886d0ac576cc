using System.Collections.Immutable;
using Zymethos.Workshop.Sugar;

namespace Zymethos.Workshop.Calculators;

/// <summary>Dried fruit soaked by time or by warmth.</summary>
public sealed class SoakCalculator : Calculator
{
    /// <inheritdoc />
    public override string Address => "soak";

    /// <inheritdoc />
    public override string Name => "Soaking fruit";

    /// <inheritdoc />
    public override string Promise => "overnight, or warm in less than an hour";

    /// <inheritdoc />
    public override CalculatorGroup Group => CalculatorGroup.Sweet;

    /// <inheritdoc />
    public override ImmutableArray<CalculatorField> Fields { get; } =
    [
        CalculatorField.Weight("fruit", "Fruit", "500 g", 10, 20_000),
        CalculatorField.Choice("kind", "It is", [.. SoakedFruit.Kinds.Select(k => (k.Word, k.Says))]),
        CalculatorField.Heat("heat", "Kept at", "20", 2, 95),
        CalculatorField.Choice("liquid", "In", ("water", "water, tea or juice"), ("spirit", "spirit or liqueur")),
        CalculatorField.Time("have", "You have", "", "h", 10, 100_000) with
        {
            IsOptional = true,
            Hint = "empty to be told",
        },
    ];

    /// <inheritdoc />
    public override string Formula =>
        "A night (12 hours) at 20 °C for raisins; half as long for every 10 °C more, 20 minutes at least. The fruit takes up a fifth to a "
        + "third of its weight.";

    /// <inheritdoc />
    public override string Source => "Common practice, no source; halving every ten degrees is a rule of thumb for diffusion.";

    /// <inheritdoc />
    public override string Limits => "Old, hard fruit takes longer. It is done when it is plump and the bowl nearly dry.";

    /// <inheritdoc />
    protected override Reckoning Reckon(AskedValues asked)
    {
        var (fruit, kind, heat) = (asked.Value("fruit"), asked.Chosen("kind"), asked.Value("heat"));
        var (have, spirit) = (asked.Maybe("have"), asked.Chosen("liquid") == "spirit");
        if (asked.Wrong.Count > 0)
            return new("");
        var minutes = SoakedFruit.Minutes(heat, kind);
        var (least, most) = (fruit * SoakedFruit.Drinks.Least, fruit * SoakedFruit.Drinks.Most);
        // Ten degrees halve the time: the warmth that does it in the time there is.
        var warm = have is { } h ? heat + (10 * Math.Log2(minutes / Math.Max(20, h))) : (double?)null;
        var enough = warm is null || warm <= heat + 0.5;
        var says =
            enough ? $"{Told.Time(minutes)} in {Told.Weight(most)} of liquid."
            : warm <= 95 ? $"In {Told.Time(have!.Value)}: keep it at {Told.Heat(warm!.Value)}, covered, in {Told.Weight(most)} of liquid."
            : $"Not in {Told.Time(have!.Value)}: just below a simmer it takes {Told.Time(SoakedFruit.Minutes(95, kind))}.";
        return new(says)
        {
            Values =
            [
                new("soak", Math.Round(minutes), "min"),
                new("liquidLeast", Math.Round(least), "g"),
                new("liquidMost", Math.Round(most), "g"),
                .. warm is { } w && !enough && w <= 95 ? new ReckonedValue[] { new("keepAt", Math.Round(w, 1), "°C") } : [],
            ],
            Cautions =
            [
                .. spirit && (heat > 35 || (!enough && warm is > 35))
                    ? new[] { "Spirit burns: warm it covered in a water bath with the flame off, never over it, nor in a microwave." }
                    : [],
                .. spirit
                    ? new[] { "There is alcohol in it, baked or not: say so to those who do not have any, and not for children." }
                    : [],
                .. !spirit && Math.Max(minutes, have ?? 0) > 18 * 60 && heat is > 5 and < 60
                    ? new[] { "Longer than a night in water or juice: in the refrigerator, or it ferments." }
                    : [],
            ],
            Sketches =
            [
                new CurveSketch(
                    "How long the fruit takes at each temperature",
                    "°C",
                    [
                        new(
                            "hours",
                            0,
                            Math.Ceiling(SoakedFruit.Minutes(5, kind) / 60),
                            [.. Enumerable.Range(0, 91).Select(i => (5.0 + i, SoakedFruit.Minutes(5 + i, kind) / 60))]
                        ),
                    ]
                )
                {
                    Marks = [(Math.Clamp(heat, 5, 95), "yours")],
                },
            ],
        };
    }
}
