using System.Collections.Immutable;
using NodaTime;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Recipes;

namespace Zymethos.Planning.Seasons;

/// <summary>How a bake waits for its date.</summary>
/// <param name="Place">Where it waits when all is done; null when the recipe does not say how it keeps and it is baked for the day.</param>
/// <param name="Stale">How far into its time it is when it is eaten, 0 for at its best to 100 for its last day; freezing counts for
/// something.</param>
/// <param name="ThawAt">When it is taken out of the freezer; null when it is not frozen.</param>
/// <param name="Words">The same in a sentence or two.</param>
public sealed record Kept(KeepingPlace? Place, int Stale, LocalDateTime? ThawAt, string Words)
{
    /// <summary>Where it waits between the bake and the last work on it, when that is days before; null when it does not.</summary>
    public KeepingPlace? Between { get; init; }

    /// <summary>Whether it is frozen when all is done, and not before the last work.</summary>
    public bool IsFrozenLast => Place?.Store == KeepingStore.Freezer;

    /// <summary>Whether it is frozen before the last work and finished after thawing.</summary>
    public bool IsFrozenBetween => Between?.Store == KeepingStore.Freezer;
}

/// <summary>Chooses where a bake waits, from the recipe's own keeping.</summary>
public static class Keeping
{
    /// <summary>A recipe that says nothing of keeping is eaten within a day (common practice, no source).</summary>
    public static readonly Duration WithoutProfile = Duration.FromHours(24);

    /// <summary>What is frozen freezes through in half a day (common practice, no source).</summary>
    public static readonly Duration FreezesIn = Duration.FromHours(12);

    /// <summary>Hours to thaw where a recipe does not say (common practice, no source).</summary>
    public const double UsualThawHours = 2;

    // Freezing and thawing is work, and nothing gets better by it: as dear as a third of a bake's time on the counter.
    private const int FreezingCosts = 30;

    private const int WakingHour = 7;
    private static readonly LocalTime Evening = new(21, 0);

    // From the evening hour to the waking hour.
    private static readonly Duration Night = Duration.FromHours(10);

    // What is eaten the day it is baked and would be at its best weeks later.
    private const int YoungCosts = 40;

    // Kept unfinished in a box is a thing less to worry about than finished, and a thing more to do.
    private const int BoxCosts = 5;

    /// <summary>The best way for what is baked at one time, finished at another and eaten at a third; null when there is none.</summary>
    /// <param name="recipe">The recipe with its choices made.</param>
    /// <param name="method">Its method.</param>
    /// <param name="baked">When it came out of the oven, from which its days count.</param>
    /// <param name="finished">When all is done; the same as <paramref name="baked"/> where nothing is done after the bake.</param>
    /// <param name="finishing">When the last work on it begins.</param>
    /// <param name="ready">When it must be there, thawed.</param>
    /// <param name="eaten">When it is eaten.</param>
    /// <param name="says">How the kitchen says hours.</param>
    public static Kept? For(
        Recipe recipe,
        SeasonMethod method,
        LocalDateTime baked,
        LocalDateTime finishing,
        LocalDateTime finished,
        LocalDateTime ready,
        LocalDateTime eaten,
        KitchenSays says = default
    )
    {
        if (finished > ready || Between(finished, eaten) < method.RipensLeast)
            return null;
        var last = Last(recipe, method);
        if (last.IsEmpty)
        {
            var straight =
                Between(baked, eaten) <= WithoutProfile
                    ? new Kept(null, 0, null, $"{recipe.Name} says nothing of keeping: it is eaten within a day.")
                    : null;
            return straight ?? Boxed(method, last, baked, finishing, finished, eaten, says);
        }

        return last.Select(p => In(p, Between(baked, eaten), Between(finished, ready), ready, says))
            .Append(method.Finish == method.Bake ? null : Boxed(method, last, baked, finishing, finished, eaten, says))
            .OfType<Kept>()
            .OrderBy(k => k.Stale)
            .FirstOrDefault();
    }

    /// <summary>The times at which a wait may go on: where the recipe names places, one of them must bear it; null when none
    /// does.</summary>
    /// <param name="wait">The wait.</param>
    /// <param name="longest">The longest it may turn out to be.</param>
    /// <param name="shortest">The shortest it may turn out to be.</param>
    public static KeepingPlace? Bearing(StretchWait wait, Duration longest, Duration shortest) =>
        wait
            .Places.Where(p => shortest.TotalDays <= p.Days && (p.Store != KeepingStore.Freezer || longest >= FreezesIn + Thaw(p)))
            .OrderBy(p => p.Store == KeepingStore.Freezer ? 1 : 0)
            .FirstOrDefault();

    /// <summary>How long it thaws; zero for what goes into the oven frozen.</summary>
    public static Duration Thaw(KeepingPlace place) => Duration.FromHours(place.ThawHours ?? UsualThawHours);

    /// <summary>Places for what is finished: those of the whole bake, and those after a step beyond which nothing is left to do.</summary>
    private static ImmutableArray<KeepingPlace> Last(Recipe recipe, SeasonMethod method) =>
        [
            .. recipe.Keeping.Where(k =>
                k.Part.Length == 0
                && ColdKeeping.MayWait(recipe, k)
                && (k.After.Length == 0 || !method.Waits.Any(w => w.Places.Contains(k)))
            ),
        ];

    /// <summary>Baked, kept unfinished, then finished: its days count from the finish.</summary>
    private static Kept? Boxed(
        SeasonMethod method,
        ImmutableArray<KeepingPlace> last,
        LocalDateTime baked,
        LocalDateTime finishing,
        LocalDateTime finished,
        LocalDateTime eaten,
        KitchenSays says
    )
    {
        var gap = Between(baked, finishing);
        var age = Between(finished, eaten).TotalDays;
        Kept? best = null;
        foreach (var box in method.BeforeFinish)
        {
            var thaw = box.Store == KeepingStore.Freezer ? Thaw(box) : Duration.Zero;
            if (gap.TotalDays > box.Days || (box.Store == KeepingStore.Freezer && gap < FreezesIn + thaw + Night))
                continue;
            foreach (var place in last.Where(p => p.Store != KeepingStore.Freezer).Cast<KeepingPlace?>().DefaultIfEmpty(null))
            {
                var days = place?.Days ?? WithoutProfile.TotalDays;
                if (age > days + 0.5)
                    continue;
                var stale =
                    Math.Clamp((int)(100 * age / Math.Max(0.5, days)), 0, 100)
                    + (box.Store == KeepingStore.Freezer ? FreezingCosts : BoxCosts);
                if (best is not null && best.Stale <= stale)
                    continue;
                LocalDateTime? at = box.Store == KeepingStore.Freezer ? Awake(finishing.PlusMinutes(-(long)thaw.TotalMinutes)) : null;
                var words = at is { } out1
                    ? $"Frozen unfinished ({box.Place}); out {says.DayAndHour(out1)} to thaw {thaw.TotalHours:0.#} h, finished after that."
                    : $"Kept unfinished ({box.Place}), {gap.TotalDays:0.#} days of {box.Days}.";
                best = new Kept(place, stale, at, place is null ? words : $"{words} Then {place.Place}.") { Between = box };
            }
        }

        return best;
    }

    private static Kept? In(KeepingPlace place, Duration age, Duration left, LocalDateTime ready, KitchenSays says)
    {
        var days = age.TotalDays;
        if (place.Store == KeepingStore.Freezer)
        {
            var thaw = Thaw(place);
            if (left < thaw + FreezesIn + Night || days > place.Days)
                return null;
            var at = Awake(ready.PlusMinutes(-(long)thaw.TotalMinutes - 60));
            return new Kept(
                place,
                FreezingCosts + (int)(20 * days / place.Days),
                at,
                $"Frozen ({place.Place}); out {says.DayAndHour(at)} to thaw {thaw.TotalHours:0.#} h."
            );
        }

        // A day more or less at the edge of a band is no cliff: half a day is forgiven. What is young is good, and better later.
        if (days > place.Days + 0.5)
            return null;
        if (days < place.BestFromDays - 0.5)
            return new Kept(
                place,
                (int)(YoungCosts * (place.BestFromDays - days) / place.BestFromDays),
                null,
                $"Kept {place.Said}; {Old(days)}, best from day {place.BestFromDays}."
            );
        var band = Math.Max(0.5, place.Days - place.BestFromDays);
        return new Kept(
            place,
            (int)Math.Clamp(100 * (days - place.BestFromDays) / band, 0, 100),
            null,
            $"Kept {place.Said}; {Old(days)}, good for {(place.Days == 1 ? "one day" : $"{place.Days} days")}."
        );
    }

    /// <summary>Nobody rises at three to take a cake out: the evening before does as well.</summary>
    public static LocalDateTime Awake(LocalDateTime at) => at.Hour < WakingHour ? at.Date.PlusDays(-1).At(Evening) : at;

    /// <summary>How old it is when it is eaten, in words: nobody counts a cake's tenths of a day.</summary>
    public static string Old(double days) =>
        days < 0.5 ? "eaten on the day it is made"
        : days < 1.5 ? "a day old when it is eaten"
        : $"{days:0} days old when it is eaten";

    private static Duration Between(LocalDateTime from, LocalDateTime until) =>
        Duration.FromMinutes(Period.Between(from, until, PeriodUnits.Minutes).Minutes);
}
