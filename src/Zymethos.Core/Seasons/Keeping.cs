using NodaTime;
using Zymethos.Core.Recipes;

namespace Zymethos.Core.Seasons;

/// <summary>How a finished bake waits for its date.</summary>
/// <param name="Place">Where; null when the recipe does not say how it keeps and it is baked for the day.</param>
/// <param name="Stale">How far into its time it is when it is eaten, 0 for at its best to 100 for its last day.</param>
/// <param name="ThawAt">When it is taken out of the freezer; null when it is not frozen.</param>
/// <param name="Words">The same in a sentence.</param>
public sealed record Kept(KeepingPlace? Place, int Stale, LocalDateTime? ThawAt, string Words);

/// <summary>Chooses where a bake waits, from the recipe's own keeping.</summary>
public static class Keeping
{
    /// <summary>A recipe that says nothing of keeping is eaten within a day (common practice, no source).</summary>
    public static readonly Duration WithoutProfile = Duration.FromHours(24);

    // Freezing and thawing is work, and nothing gets better by it: as dear as a third of a bake's time on the counter.
    private const int FreezingCosts = 30;

    /// <summary>The best way for what is finished at one time and eaten at another; null when there is none.</summary>
    /// <param name="recipe">The recipe.</param>
    /// <param name="finished">When it is finished and cold, ripening not counted.</param>
    /// <param name="ripens">How long it must ripen after that.</param>
    /// <param name="eaten">When it is eaten.</param>
    /// <param name="baked">When it came out of the oven, from which its days count; null when that is not known yet, and then it is not asked whether it is at its best.</param>
    public static Kept? For(Recipe recipe, LocalDateTime finished, Duration ripens, LocalDateTime eaten, LocalDateTime? baked)
    {
        if (Between(finished, eaten) < ripens) return null;
        var age = Between(baked ?? finished, eaten);
        var places = recipe.Keeping.Where(k => k.Part.Length == 0).ToList();
        if (places.Count == 0)
            return age <= WithoutProfile ? new Kept(null, 0, null, $"{recipe.Name} says nothing of keeping: it is eaten within a day.") : null;
        return places.Select(p => In(baked is null ? p with { BestFromDays = 0 } : p, age, eaten)).OfType<Kept>().OrderBy(k => k.Stale).FirstOrDefault();
    }

    private static Kept? In(KeepingPlace place, Duration age, LocalDateTime eaten)
    {
        var days = age.TotalDays;
        if (place.Store == KeepingStore.Freezer)
        {
            // It freezes through in half a day, and thaws before it is eaten.
            var thaw = Duration.FromHours(place.ThawHours ?? 2);
            if (age < thaw + Duration.FromHours(12) || days > place.Days) return null;
            var at = eaten.PlusMinutes(-(long)thaw.TotalMinutes - 60);
            return new Kept(place, FreezingCosts + (int)(20 * days / place.Days), at, $"Frozen ({place.Place}); out at {at.ToString("ddd HH:mm", null)} to thaw {thaw.TotalHours:0.#} h.");
        }

        // A day more or less at the edge of a band is no cliff: half a day is forgiven.
        if (days > place.Days + 0.5 || days < place.BestFromDays - 0.5) return null;
        var band = Math.Max(0.5, place.Days - place.BestFromDays);
        return new Kept(place, (int)Math.Clamp(100 * (days - place.BestFromDays) / band, 0, 100), null, $"Kept {place.Place}; it is {days:0.#} days old then and good for {place.Days}.");
    }

    private static Duration Between(LocalDateTime from, LocalDateTime until) => Duration.FromMinutes(Period.Between(from, until, PeriodUnits.Minutes).Minutes);
}
