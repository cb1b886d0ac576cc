using NodaTime;
using Zymethos.Core.Measures;

namespace Zymethos.Core.Leaven;

/// <summary>When a rise is ready.</summary>
/// <param name="First">From here on it may go on: 85 % of the dose.</param>
/// <param name="Likely">The dose is reached.</param>
/// <param name="Last">Beyond this it is over-proofed: 125 % of the dose. Null when it never comes that far within
/// <see cref="RiseDose.Longest"/>: it holds.</param>
public sealed record ReadyBand(Duration First, Duration Likely, Duration? Last);

/// <summary>
/// How much rising a dough needs: the integral of the yeast's rate over the rise, in hours at the best temperature. A recipe's own time at
/// its own temperature fixes it; any other course of temperature is ready when it has gathered as much.
/// </summary>
/// <param name="Hours">Hours at the best temperature; above zero.</param>
public readonly record struct RiseDose(double Hours)
{
    /// <summary>Share of the dose from which a rise may go on (common practice, no source).</summary>
    public const double ReadyFrom = 0.85;

    /// <summary>Share of the dose beyond which it is over-proofed (common practice, no source).</summary>
    public const double ReadyUntil = 1.25;

    /// <summary>No rise is followed longer than this: three days.</summary>
    public static readonly Duration Longest = Duration.FromDays(3);

    private static readonly Duration Tick = Duration.FromMinutes(1);

    /// <summary>The dose of a rise that takes a time at a temperature held all the while.</summary>
    /// <exception cref="ArgumentOutOfRangeException">The yeast stands still at that temperature.</exception>
    public static RiseDose Of(Duration takes, Temperature at)
    {
        var rate = YeastRate.At(at);
        if (rate <= 0)
            throw new ArgumentOutOfRangeException(nameof(at), "No dough rises at this temperature.");
        return new RiseDose(takes.TotalHours * rate);
    }

    /// <summary>The dose gathered along a course.</summary>
    public static RiseDose Along(DoughCourse course, Duration until)
    {
        var sum = 0.0;
        for (var at = Duration.Zero; at < until; at += Tick)
        {
            var step = Duration.Min(Tick, until - at);
            sum += step.TotalHours * YeastRate.At(course.At(at + (step / 2)));
        }

        return new RiseDose(sum);
    }

    /// <summary>When the dose is reached along a course; null when it is not within <see cref="Longest"/>.</summary>
    /// <param name="course">The dough's temperature.</param>
    /// <param name="yeast">Yeast as a multiple of what the recipe takes; the rate goes in proportion. Above zero.</param>
    public ReadyBand? Ready(DoughCourse course, double yeast = 1)
    {
        var (sum, first, likely) = (0.0, (Duration?)null, (Duration?)null);
        for (var at = Duration.Zero; at < Longest; at += Tick)
        {
            sum += Tick.TotalHours * yeast * YeastRate.At(course.At(at + (Tick / 2)));
            if (first is null && sum >= ReadyFrom * Hours)
                first = at + Tick;
            if (likely is null && sum >= Hours)
                likely = at + Tick;
            if (sum >= ReadyUntil * Hours)
                return new ReadyBand(first!.Value, likely!.Value, at + Tick);
        }

        return likely is { } ready ? new ReadyBand(first!.Value, ready, null) : null;
    }
}
