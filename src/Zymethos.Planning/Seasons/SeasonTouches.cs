using System.Collections.Immutable;
using NodaTime;
using Zymethos.Core.Leaven;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;

namespace Zymethos.Planning.Seasons;

/// <summary>Everything a planned season asks for, hour by hour: its work, and what is done by the way between sessions.</summary>
public static class SeasonTouches
{
    private static readonly LocalTime Evening = new(21, 0);

    /// <summary>All touches that are not done yet, by time.</summary>
    public static ImmutableArray<SeasonTouch> Of(SeasonWish wish, SeasonPlan plan) =>
        [
            .. Work(wish, plan)
                .Concat(Thaws(wish, plan))
                .Concat(Butter(wish, plan))
                .Concat(Refreshes(wish, plan))
                .Concat(SeasonPurchases.Of(wish, plan))
                .Concat(SeasonGiving.Of(wish, plan))
                .OrderBy(t => t.At)
                .ThenBy(t => t.Kind)
                .ThenBy(t => t.Lot),
        ];

    private static IEnumerable<SeasonTouch> Work(SeasonWish wish, SeasonPlan plan)
    {
        foreach (var placed in plan.Placed.Where(p => !p.IsDone))
        {
            var lot = plan.Lots[placed.Lot];
            var stretch = lot.Method.Stretches[placed.Stretch];
            var need = wish.Needs[lot.Need];
            var latest = SeasonSlack.Latest(wish, plan, placed);
            yield return new SeasonTouch(
                SeasonTouchKind.Work,
                placed.Start,
                stretch.HandsMinutes * lot.Batches.Mixings,
                stretch.Title,
                $"{need.Recipe.Name}, {Batches(lot.Batches)}",
                placed.Lot,
                placed.Stretch
            )
            {
                Session = placed.Session,
                // What is done last and eaten then has its day by nature; it is no news that it cannot wait.
                MustNotBeMissed =
                    latest is { } last
                    && last <= placed.Session
                    && (placed.Stretch != lot.Method.Finish || lot.Method.RipensLeast > Duration.Zero),
                Id = $"{need.Id}-{placed.Stretch}",
            };
        }
    }

    private static IEnumerable<SeasonTouch> Thaws(SeasonWish wish, SeasonPlan plan)
    {
        foreach (var (l, kept) in plan.Kept.Where(k => k.Value.ThawAt > wish.Now))
        {
            var need = wish.Needs[plan.Lots[l].Need];
            var place = kept.IsFrozenBetween ? kept.Between! : kept.Place!;
            yield return Thaw(
                need,
                plan.Lots[l],
                l,
                kept.ThawAt!.Value,
                place,
                kept.IsFrozenBetween ? "then it is finished" : $"for {wish.Occasions[need.Occasion].Name}"
            );
        }

        foreach (var to in plan.Placed.Where(p => !p.IsDone))
        {
            foreach (var wait in plan.Lots[to.Lot].Method.Waits.Where(w => w.To == to.Stretch && w.Places.Any(p => p.Part.Length > 0)))
            {
                if (
                    plan.Placed.FirstOrDefault(p => p.Lot == to.Lot && p.Stretch == wait.From) is not { } from
                    || from.Session == to.Session
                )
                    continue;
                var length = SeasonRules.Length(from.End, to.Start);
                if (
                    Keeping.Bearing(wait, length, length) is not { Store: KeepingStore.Freezer } place
                    || Keeping.Thaw(place) == Duration.Zero
                )
                    continue;
                if (plan.Kept.TryGetValue(to.Lot, out var kept) && kept.Between == place)
                    continue;
                yield return Thaw(
                    wish.Needs[plan.Lots[to.Lot].Need],
                    plan.Lots[to.Lot],
                    to.Lot,
                    to.Start.PlusMinutes(-(long)Keeping.Thaw(place).TotalMinutes),
                    place,
                    "then the work goes on"
                );
            }
        }
    }

    private static SeasonTouch Thaw(Need need, Lot lot, int l, LocalDateTime at, KeepingPlace place, string why) =>
        new(
            SeasonTouchKind.Thaw,
            Keeping.Awake(at),
            2,
            $"Take {Of(place, need)} out of the freezer",
            $"{lot.Batches.Made} {need.Recipe.Yield.PieceName}; thaws in {Keeping.Thaw(place).TotalHours:0.#} h, {why}",
            l
        )
        {
            MustNotBeMissed = true,
            Id = $"{need.Id}-thaw-{(place.Part.Length == 0 ? "all" : place.Part)}",
        };

    private static string Of(KeepingPlace place, Need need) =>
        place.Part.Length == 0 ? need.Recipe.Name : $"the {place.Part.ToLowerInvariant()} of {need.Recipe.Name}";

    /// <summary>What is baked with soft butter in the morning has its butter out the night before.</summary>
    private static IEnumerable<SeasonTouch> Butter(SeasonWish wish, SeasonPlan plan)
    {
        foreach (
            var session in plan
                .Placed.Where(p => !p.IsDone)
                .GroupBy(p => p.Session)
                .Where(g => wish.Sessions[g.Key].From.TimeOfDay < new LocalTime(12, 0))
        )
        {
            var soft = session
                .Where(p =>
                    plan.Lots[p.Lot]
                        .Method.Stretches[p.Stretch]
                        .Recipe.Steps.Any(s => s.Kind == StepKind.Rest && s.Key.StartsWith("soften", StringComparison.Ordinal))
                )
                .Select(p => p.Lot)
                .Distinct()
                .ToList();
            if (soft.Count == 0)
                continue;
            var grams = soft.Sum(l =>
                SeasonRules
                    .Recipe(wish, plan.Lots[l])
                    .Parts.SelectMany(p => p.Lines)
                    .Where(x => x.Ingredient.StartsWith("butter", StringComparison.OrdinalIgnoreCase))
                    .Sum(x => x.Weight?.Grams ?? 0) * plan.Lots[l].Batches.Batches
            );
            var at = wish.Sessions[session.Key].From.Date.PlusDays(-1).At(Evening);
            if (at <= wish.Now || grams <= 0)
                continue;
            yield return new SeasonTouch(
                SeasonTouchKind.Butter,
                at,
                1,
                "Take butter out of the refrigerator",
                $"{grams:0} g, wrapped, in a cool room, for "
                    + $"{string.Join(", ", soft.Select(l => wish.Needs[plan.Lots[l].Need].Recipe.Name))} tomorrow"
            )
            {
                Id = $"butter-{at.Date:uuuuMMdd}",
            };
        }
    }

    /// <summary>Refreshes of the starter toward the day on which its discard is wanted.</summary>
    private static IEnumerable<SeasonTouch> Refreshes(SeasonWish wish, SeasonPlan plan)
    {
        foreach (var (placed, grams) in FirstOf(plan).Select(p => (p, Discard(wish, plan.Lots[p.Lot]))).Where(p => p.Item2 > 0))
        {
            var need = wish.Needs[plan.Lots[placed.Lot].Need];
            foreach (
                var (feed, i) in StarterRefreshing
                    .Toward(Mass.FromGrams(grams), placed.Start)
                    .Select((f, i) => (f, i))
                    .Where(f => f.f.At > wish.Now)
            )
            {
                var last = feed.At == placed.Start;
                var taken = feed.Discard.Grams > 0 ? $"put {feed.Discard.Grams:0} g of discard by; " : "";
                yield return new SeasonTouch(
                    SeasonTouchKind.Feed,
                    last ? feed.At : feed.At.Date.At(Evening),
                    5,
                    last ? "Take the last discard off the starter" : "Feed the starter",
                    $"{taken}keep {feed.Keep.Grams:0} g, feed {feed.Flour.Grams:0} g flour and {feed.Water.Grams:0} g water; "
                        + $"{grams:0} g of discard go into {need.Recipe.Name}",
                    placed.Lot
                )
                {
                    Id = $"{need.Id}-starter-{i}",
                };
            }
        }
    }

    private static double Discard(SeasonWish wish, Lot lot) =>
        SeasonRules
            .Recipe(wish, lot)
            .Parts.SelectMany(p => p.Lines)
            .Where(l => l.Ingredient.Contains("discard", StringComparison.OrdinalIgnoreCase))
            .Sum(l => l.Weight?.Grams ?? 0) * lot.Batches.Batches;

    /// <summary>The first work of each lot of which nothing is done yet.</summary>
    internal static IEnumerable<PlacedStretch> FirstOf(SeasonPlan plan) =>
        plan.Placed.GroupBy(p => p.Lot).Where(g => !g.Any(p => p.IsDone)).Select(g => g.OrderBy(p => p.Start).First());

    /// <summary>How many batches, in words.</summary>
    public static string Batches(BatchCount count) =>
        (count.Whole, count.HasHalf) switch
        {
            (0, _) => "half a batch",
            (1, false) => "1 batch",
            (1, true) => "1½ batches",
            (var n, false) => $"{n} batches",
            (var n, _) => $"{n}½ batches",
        };
}
