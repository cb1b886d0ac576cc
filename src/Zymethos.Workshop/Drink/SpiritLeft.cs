using System.Collections.Immutable;

namespace Zymethos.Workshop.Drink;

/// <summary>
/// Alcohol in a bake: what was poured in, and what stays. What stays after baking is from the USDA Table of Nutrient Retention Factors
/// (release 6, 2007), from memory. It is never nothing.
/// </summary>
public static class SpiritLeft
{
    /// <summary>Grams of alcohol in a millilitre of it (density of ethanol at 20 degrees Celsius).</summary>
    public const double GramsPerMillilitre = 0.789;

    // Stirred into what is baked or simmered, by minutes.
    private static readonly ImmutableArray<(double Minutes, double Left)> Baked =
    [
        (0, 0.85),
        (15, 0.40),
        (30, 0.35),
        (60, 0.25),
        (90, 0.20),
        (120, 0.10),
        (150, 0.05),
    ];

    /// <summary>Share of the alcohol that stays when it is stirred in and baked or simmered; 5 % at the least. What was stirred into hot
    /// liquid and not cooked keeps 85 %.</summary>
    public static double AfterBaking(double minutes)
    {
        for (var i = 1; i < Baked.Length; i++)
        {
            if (minutes <= Baked[i].Minutes)
            {
                var (from, to) = (Baked[i - 1], Baked[i]);
                return from.Left + (Math.Max(0, minutes - from.Minutes) / (to.Minutes - from.Minutes) * (to.Left - from.Left));
            }
        }

        return Baked[^1].Left;
    }

    /// <summary>Grams of alcohol in so much of a drink.</summary>
    /// <param name="millilitres">How much of it.</param>
    /// <param name="percent">Alcohol by volume in percent, 0 to 96.</param>
    public static double Grams(double millilitres, double percent) => millilitres * percent / 100 * GramsPerMillilitre;
}
