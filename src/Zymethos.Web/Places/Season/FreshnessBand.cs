using NodaTime;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Seasons;

namespace Zymethos.Web.Places.Season;

/// <summary>How fresh a bake is over its days, as a band that rises to its best and fades, with the day on which it is eaten.</summary>
/// <param name="BestFrom">Share of the band at which it is at its best, 0 to 1.</param>
/// <param name="Eaten">Share of the band at which it is eaten, 0 to 1.</param>
/// <param name="Says">The same in words.</param>
public sealed record FreshnessBand(double BestFrom, double Eaten, string Says)
{
    /// <summary>The band of a bake.</summary>
    /// <param name="from">When its days begin.</param>
    /// <param name="place">Where it waits.</param>
    /// <param name="eaten">When it is eaten.</param>
    public static FreshnessBand Of(LocalDateTime from, KeepingPlace place, LocalDateTime eaten)
    {
        var days = Period.Between(from, eaten, PeriodUnits.Minutes).Minutes / 1440.0;
        var length = place.Days + 0.5;
        var words =
            days < place.BestFromDays ? "still a little young"
            : days > place.Days ? "at the very end of its time"
            : days - place.BestFromDays <= 0.34 * (place.Days - place.BestFromDays) ? "at its best"
            : "past its best, and good";
        return new FreshnessBand(
            Math.Clamp(place.BestFromDays / length, 0, 1),
            Math.Clamp(days / length, 0, 1),
            $"{char.ToUpperInvariant(Keeping.Old(days)[0])}{Keeping.Old(days)[1..]}; it keeps "
                + $"{(place.Days == 1 ? "one day" : $"{place.Days} days")} {place.Said}: {words}."
        );
    }
}
