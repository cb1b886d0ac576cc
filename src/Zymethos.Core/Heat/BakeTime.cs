using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Scaling;

namespace Zymethos.Core.Heat;

/// <summary>How long a batter bakes in a pan: a range, and when to look first. Never a bare number.</summary>
/// <param name="LowMinutes">It is rarely done before.</param>
/// <param name="LikelyMinutes">What a plan counts with.</param>
/// <param name="HighMinutes">It rarely takes longer.</param>
/// <param name="FirstLookMinutes">The earliest time worth opening the door: 0.85 of the likely time (common practice, no source).</param>
/// <param name="Reason">Where the time comes from, in words.</param>
public sealed record BakeTime(int LowMinutes, int LikelyMinutes, int HighMinutes, int FirstLookMinutes, string Reason)
{
    /// <summary>The share of the likely time at which to look first.</summary>
    public const double FirstLook = 0.85;

    // Spread of a carried-over time; the recipe's own pan keeps the recipe's own spread.
    private const double Spread = 0.10;

    /// <summary>A calculated end of a range: to five minutes from twenty on, outwards, since it is known no better.</summary>
    private static int ByFives(double minutes, Func<double, double> outwards) =>
        minutes < 20 ? (int)Math.Round(minutes) : (int)outwards(minutes / 5) * 5;

    /// <summary>The time in the recipe's own pan, filled as the recipe fills it.</summary>
    public static BakeTime Own(DurationEstimate takes) =>
        new(
            (int)takes.Low.TotalMinutes,
            (int)takes.Likely.TotalMinutes,
            (int)takes.High.TotalMinutes,
            (int)Math.Round(FirstLook * takes.Likely.TotalMinutes),
            "the recipe's own pan and time"
        );

    /// <summary>The time in another pan, carried over by conduction.</summary>
    /// <param name="own">The batter in the recipe's own pan.</param>
    /// <param name="takes">What that takes.</param>
    /// <param name="other">The batter in the other pan.</param>
    /// <param name="oven">Set temperature for both.</param>
    public static BakeTime In(PanFit own, DurationEstimate takes, PanFit other, Temperature oven)
    {
        var ratio = Conduction.Ratio(BatterBody.In(own.Pan, own.Height), BatterBody.In(other.Pan, other.Height), oven);
        var likely = Math.Max(1, takes.Likely.TotalMinutes * ratio);
        if (Math.Abs(ratio - 1) < 0.03)
            return Own(takes);
        var deeper =
            other.Height.Millimetres > own.Height.Millimetres * 1.05 ? "stands deeper"
            : other.Height.Millimetres < own.Height.Millimetres * 0.95 ? "stands shallower"
            : "stands as deep";
        return new BakeTime(
            ByFives(likely * (1 - Spread), Math.Floor),
            (int)Math.Round(likely),
            ByFives(likely * (1 + Spread), Math.Ceiling),
            Math.Min((int)Math.Round(likely * FirstLook), ByFives(likely * (1 - Spread), Math.Floor)),
            $"carried over from {takes.Likely.TotalMinutes:0} min in the {own.Pan.Name}: the batter {deeper} ({other.Height} against "
                + $"{own.Height}), so heat has {(ratio < 1 ? "less" : "more")} way to go to its middle"
        );
    }
}
