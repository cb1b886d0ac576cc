using NodaTime;
using Zymethos.Core.Larder;
using Zymethos.Planning.Larder;

namespace Zymethos.Planning.Seasons;

/// <summary>
/// What a season has bought: its trips are those of the shopping list, in things that a shop sells. What lies in the
/// larder is not bought again.
/// </summary>
public static class SeasonPurchases
{
    // After work and before supper (common practice, no source).
    private static readonly LocalTime Shopping = new(17, 0);

    /// <summary>What the work that is still to be begun wants, each good for the day on which its lot begins.</summary>
    public static IEnumerable<ShopWant> Wants(SeasonWish wish, SeasonPlan plan) =>
        Bakes(wish, plan).SelectMany(b => ShopTrips.Of(b.Recipe, b.Batches, b.By));

    /// <summary>The bakes that are still to be begun: how many batches, and on which day each is begun.</summary>
    public static IEnumerable<PlannedBatch> Bakes(SeasonWish wish, SeasonPlan plan) =>
        SeasonTouches
            .FirstOf(plan)
            .Select(first => (first, Lot: plan.Lots[first.Lot]))
            .Select(f => new PlannedBatch(SeasonRules.Recipe(wish, f.Lot), f.Lot.Batches.Batches, f.first.Start.Date));

    /// <summary>One touch a trip, never after the first work that it is for.</summary>
    internal static IEnumerable<SeasonTouch> Of(SeasonWish wish, SeasonPlan plan)
    {
        var wants = Wants(wish, plan).ToList();
        var begun = SeasonTouches.FirstOf(plan).Select(p => p.Start).Where(s => s > wish.Now).Order().ToList();
        foreach (var trip in ShopTrips.Of(wants, wish.Shop, wish.Now.Date))
        {
            var work = begun.FirstOrDefault(s => s.Date >= trip.Date);
            var lines = trip.Lines.Where(l => !l.IsThere).ToList();
            if (lines.Count == 0 || work == default)
                continue;
            // What should have been bought before now is bought next.
            var at = LocalDateTime.Max(
                LocalDateTime.Min(LocalDateTime.Max(trip.Date.At(Shopping), NextHour(wish.Now)), work.PlusHours(-1)),
                wish.Now
            );
            var recipes = lines.SelectMany(l => l.Why).Distinct().ToList();
            yield return new SeasonTouch(
                SeasonTouchKind.Buy,
                at,
                30,
                $"Buy for {recipes[0]}{(recipes.Count switch
                {
                    1 => "",
                    2 => $" and {recipes[1]}",
                    var n => $" and {n - 1} more",
                })}",
                string.Join(", ", lines.Select(l => $"{l.Good.Name}: {l.Words}"))
            )
            {
                Id = $"buy-{trip.Date:uuuuMMdd}",
            };
        }
    }

    private static LocalDateTime NextHour(LocalDateTime now) => now.Date.At(new LocalTime(now.Hour, 0)).PlusHours(1);
}
