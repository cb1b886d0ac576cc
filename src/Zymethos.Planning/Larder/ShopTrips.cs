using System.Collections.Immutable;
using NodaTime;
using Zymethos.Core.Larder;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;

namespace Zymethos.Planning.Larder;

/// <summary>A trip to the shops.</summary>
/// <param name="Date">When.</param>
/// <param name="Lines">What is bought.</param>
/// <param name="Warnings">What is not to be had then, with what helps; empty for nothing.</param>
public sealed record ShopTrip(LocalDate Date, ImmutableArray<ShopLine> Lines, ImmutableArray<string> Warnings);

/// <summary>
/// Parts what is wanted into trips: fresh goods a day or two before they are used; what keeps comes along on the last trip on which it is
/// still early enough. So there are as few trips as fresh goods ask for, and a good stands on each of them once.
/// </summary>
public static class ShopTrips
{
    /// <summary>Goods that are bought no longer than this before are fresh.</summary>
    public const int FreshDays = 2;

    /// <summary>What some batches of a recipe want; lines without a weight stand as themselves.</summary>
    public static IEnumerable<ShopWant> Of(Recipe recipe, double batches, LocalDate by) =>
        recipe
            .Parts.SelectMany(p => p.Lines)
            .Where(l => !l.IsOptional || l.Weight is not null)
            .Select(l => new ShopWant(
                l.Ingredient,
                l.Weight is { } weight ? weight.Grams * batches : null,
                by,
                recipe.Name,
                l.Weight is null
                    ? (
                        l.Note.Length > 0 ? l.Note
                        : l.Amount is { } amount ? amount.ToText()
                        : "to taste"
                    )
                    : ""
            ));

    /// <summary>The trips, the first first.</summary>
    /// <param name="wants">What is wanted.</param>
    /// <param name="known">What is known of the kitchen; what is there is used up in the order of the days.</param>
    /// <param name="today">No trip is before it.</param>
    public static ImmutableArray<ShopTrip> Of(IEnumerable<ShopWant> wants, ShopKnown known, LocalDate today)
    {
        var (knowledge, there, sizes) = known;
        var coming = wants.Where(w => w.By >= today && ShopGood.Of(w.Ingredient, knowledge) is not null).ToList();
        var fresh = coming.Where(w => Lead(w) <= FreshDays).Select(w => Later(today, w.By.PlusDays(-Lead(w)))).Distinct().Order().ToList();
        LocalDate TripOf(ShopWant want)
        {
            var latest = Later(today, want.By.PlusDays(-Lead(want)));
            if (Lead(want) <= FreshDays)
                return latest;
            // What keeps is taken along on the last trip that is early enough; else somebody goes for it.
            return fresh.LastOrDefault(d => d <= latest) is { } with && with != default && with >= today ? with : latest;
        }
        var left = there.ToList();
        var trips = new List<ShopTrip>();
        foreach (var trip in coming.GroupBy(TripOf).OrderBy(g => g.Key))
        {
            var list = ShoppingList.Of([.. trip], left, knowledge, sizes);
            left = After(list, left, knowledge, trip.Max(w => w.By));
            trips.Add(
                new ShopTrip(
                    trip.Key,
                    list,
                    [
                        .. trip.Select(w => (w.Ingredient, Goods: Goods.Of(w.Ingredient)))
                            .Where(w => w.Goods is { } goods && !goods.IsInSeason(trip.Key))
                            .Select(w => $"{w.Ingredient} is not in season then. {w.Goods!.Instead}".Trim())
                            .Distinct(),
                    ]
                )
            );
        }

        return [.. trips];
    }

    /// <summary>What is there after a trip and the work it was for.</summary>
    private static List<OnHand> After(ImmutableArray<ShopLine> list, List<OnHand> there, IngredientKnowledge knowledge, LocalDate used)
    {
        var after = there
            .Where(h =>
                ShopGood.Of(h.Ingredient, knowledge) is not { } good
                || !list.Any(l => l.Need is not null && l.Good.Name.Equals(good.Name, StringComparison.OrdinalIgnoreCase))
            )
            .ToList();
        after.AddRange(
            list.Where(l => l.Over > 0)
                .Select(l =>
                    l.Good.Unit == ShopUnit.Pieces
                        ? new OnHand(NameOf(l.Good), null, (int)Math.Floor(l.Over + 1e-9), Keeps(l.Good, used))
                        : new OnHand(l.Good.Name, l.Over, null, Keeps(l.Good, used))
                )
        );
        return after;
    }

    private static string NameOf(ShopGood good) => good.Name == ShopGood.Eggs ? "egg" : good.Name.TrimEnd('s');

    // What is over of fresh goods is good for some days more (common practice, no source); the rest has no date.
    private static LocalDate? Keeps(ShopGood good, LocalDate used) =>
        good.Name != ShopGood.Eggs && (Goods.Of(good.Name)?.LeadDays ?? Goods.UsualLeadDays) <= FreshDays ? used.PlusDays(4) : null;

    private static int Lead(ShopWant want) => Goods.Of(want.Ingredient)?.LeadDays ?? Goods.UsualLeadDays;

    private static LocalDate Later(LocalDate one, LocalDate other) => one > other ? one : other;
}
