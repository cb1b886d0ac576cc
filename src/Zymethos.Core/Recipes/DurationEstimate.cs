using NodaTime;

namespace Zymethos.Core.Recipes;

/// <summary>How long a step takes: at best, usually, at worst. Low is not above likely, likely not above high; all above zero.</summary>
/// <param name="Low">The shortest that is still usual.</param>
/// <param name="Likely">What a plan counts with.</param>
/// <param name="High">The longest that is still usual.</param>
public sealed record DurationEstimate(Duration Low, Duration Likely, Duration High)
{
    /// <summary>An estimate in whole minutes.</summary>
    public static DurationEstimate Minutes(int low, int likely, int high) =>
        new(Duration.FromMinutes(low), Duration.FromMinutes(likely), Duration.FromMinutes(high));

    /// <summary>Whether the three are above zero and in order.</summary>
    public bool IsOrdered => Low > Duration.Zero && Low <= Likely && Likely <= High;
}
