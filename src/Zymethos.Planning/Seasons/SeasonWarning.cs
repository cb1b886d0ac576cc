using System.Collections.Immutable;
using System.Globalization;
using NodaTime;
using Zymethos.Core.Measures;
using Zymethos.Planning.Larder;

namespace Zymethos.Planning.Seasons;

/// <summary>Something about a season that the baker should know before it goes wrong.</summary>
/// <param name="IsUrgent">Whether it is about to go wrong within days.</param>
/// <param name="Words">What it is, in a sentence or two.</param>
/// <param name="Lot">Index of the lot; -1 when it is about none.</param>
public sealed record SeasonWarning(bool IsUrgent, string Words, int Lot = -1)
{
    private static readonly Period Soon = Period.FromDays(10);

    /// <summary>The warnings, urgent ones first.</summary>
    public static ImmutableArray<SeasonWarning> Of(SeasonWish wish, SeasonPlan plan, IReadOnlyList<SeasonTouch> touches) =>
        [
            .. Tight(wish, plan, touches)
                .Concat(Overdue(wish, plan))
                .Concat(OutOfSeason(wish, plan))
                .Concat(WithoutKeeping(wish))
                .OrderByDescending(w => w.IsUrgent),
        ];

    private static IEnumerable<SeasonWarning> Tight(SeasonWish wish, SeasonPlan plan, IReadOnlyList<SeasonTouch> touches)
    {
        // What has no room to slip: whatever follows from it would fall with it.
        foreach (var touch in touches.Where(t => t is { Kind: SeasonTouchKind.Work, MustNotBeMissed: true } && t.At <= wish.Now + Soon))
        {
            var lot = plan.Lots[touch.Lot];
            // Only the next thing of a lot can be about to go wrong: what waits for work not yet done moves along with it.
            if (lot.Method.Before(touch.Stretch).Any(k => !plan.Of(touch.Lot).First(p => p.Stretch == k).IsDone))
                continue;
            var occasion = wish.Occasions[wish.Needs[lot.Need].Occasion];
            yield return new SeasonWarning(
                true,
                $"“{touch.Title}” of {wish.Needs[lot.Need].Recipe.Name} cannot slip: after "
                    + $"{touch.At.ToString("dddd d MMMM", CultureInfo.InvariantCulture)} there is no session left for it that still gets "
                    + $"it to {occasion.Name} in time.",
                touch.Lot
            );
        }
    }

    private static IEnumerable<SeasonWarning> Overdue(SeasonWish wish, SeasonPlan plan)
    {
        foreach (var to in plan.Placed.Where(p => !p.IsDone))
        {
            foreach (var wait in plan.Lots[to.Lot].Method.Waits.Where(w => w.To == to.Stretch && w.Forgives))
            {
                if (plan.Placed.FirstOrDefault(p => p.Lot == to.Lot && p.Stretch == wait.From) is not { IsDone: true } from)
                    continue;
                var late = SeasonRules.Length(from.End, to.Start) - (wait.Most ?? Duration.MaxValue);
                if (late > SeasonChecker.Forgiven)
                    yield return new SeasonWarning(
                        true,
                        $"{wish.Needs[plan.Lots[to.Lot].Need].Recipe.Name}: {wait.Says.ToLowerInvariant()} takes "
                            + $"{SpokenTime.Of((int)late.TotalMinutes)} longer than its recipe wants. It only costs quality; do it as "
                            + "soon as you can.",
                        to.Lot
                    );
            }
        }
    }

    private static IEnumerable<SeasonWarning> OutOfSeason(SeasonWish wish, SeasonPlan plan)
    {
        foreach (var first in plan.Placed.Where(p => !p.IsDone).GroupBy(p => p.Lot).Select(g => g.First()))
        {
            foreach (var line in SeasonRules.Recipe(wish, plan.Lots[first.Lot]).Parts.SelectMany(p => p.Lines))
            {
                if (
                    line.Ingredient.Contains("purée", StringComparison.OrdinalIgnoreCase)
                    || Goods.Of(line.Ingredient) is not { Months: var (from, until) } goods
                    || goods.IsInSeason(first.Start.Date)
                )
                    continue;
                yield return new SeasonWarning(
                    false,
                    $"{line.Ingredient} for {wish.Needs[plan.Lots[first.Lot].Need].Recipe.Name} has its season from {Month(from)} to "
                        + $"{Month(until)}. {goods.Instead}",
                    first.Lot
                );
            }
        }
    }

    private static IEnumerable<SeasonWarning> WithoutKeeping(SeasonWish wish) =>
        wish
            .Needs.Where(n => n.Recipe.Keeping.IsEmpty)
            .DistinctBy(n => n.Recipe.Key)
            .Select(n => new SeasonWarning(
                false,
                $"{n.Recipe.Name} says nothing of how it keeps, so it is baked within a day of its date. Write into its recipe how "
                    + "long it keeps, and it can be baked ahead."
            ));

    private static string Month(int month) => CultureInfo.InvariantCulture.DateTimeFormat.GetMonthName(month);
}
