using System.Collections.Immutable;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Leaven;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Compile;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.WaysOut;

/// <summary>A rise that a recipe gives to the oven-proof spell and that has its time on the counter on one day, so that the oven is free
/// for heat.</summary>
public static class CounterRise
{
    /// <summary>The steps that rise in the oven by the recipe's own words and have no written time on the counter.</summary>
    public static IEnumerable<Step> InSpell(Recipe recipe) =>
        recipe.Steps.Where(s =>
            s is { Kind: StepKind.BulkRise or StepKind.Proof, Oven: { State: OvenState.Proof } spell }
            && YeastRate.At(spell.SetTemperature) > 0
            && !s.Modes.Any(m => m.Oven is null)
        );

    /// <summary>
    /// The recipe with rises on the counter. Their time is what gathers the dose of the spell in a room for which recipes are written
    /// (<see cref="RiseTimes.RecipeRoom"/>); what it takes in the kitchen's own room is the rise model's to say.
    /// </summary>
    /// <param name="recipe">The recipe.</param>
    /// <param name="steps">Keys among <see cref="InSpell"/>; others change nothing.</param>
    public static Recipe Spend(Recipe recipe, IEnumerable<string> steps)
    {
        var moved = InSpell(recipe).Where(s => steps.Contains(s.Key, StringComparer.Ordinal)).ToHashSet();
        return recipe with
        {
            Steps =
            [
                .. recipe.Steps.Select(s =>
                    moved.Contains(s) ? TaskCompiler.Spent(s, new StepMode("on the counter", s.Kind, OnCounter(s), null)) : s
                ),
            ],
        };
    }

    private static DurationEstimate OnCounter(Step step)
    {
        var longer = YeastRate.At(step.Oven!.SetTemperature) / YeastRate.At(RiseTimes.RecipeRoom);
        return new DurationEstimate(step.Takes.Low * longer, step.Takes.Likely * longer, step.Takes.High * longer);
    }

    /// <summary>What it would be to let the rises of some bakes have their time on the counter; null when they have none in the oven, or
    /// the day does not work so either.</summary>
    internal static WayOut? Way(Kitchen kitchen, DayWish wish, IReadOnlyCollection<int> bakes, int seed, TimeSpan look)
    {
        var steps = bakes
            .SelectMany(b =>
                InSpell(ChosenRecipe.Of(wish.Bakes[b].Recipe))
                    .Where(s => !wish.Bakes[b].Modes.TryGetValue(s.Key, out var mode) || mode == 0)
                    .Select(s => (Bake: b, Step: s))
            )
            .ToList();
        if (steps.Count == 0 || bakes.Any(b => steps.TrueForAll(s => s.Bake != b)))
            return null;
        var changed = wish with
        {
            Bakes =
            [
                .. wish.Bakes.Select((b, i) => b with { Recipe = Spend(b.Recipe, steps.Where(s => s.Bake == i).Select(s => s.Step.Key)) }),
            ],
        };
        if (TaskCompiler.Compile(kitchen, changed).Network is not { } network || !ClashFinder.Works(network, seed, look))
            return null;
        var words = steps
            .Select(s =>
                (
                    s.Step,
                    Name: wish.Bakes[s.Bake].Recipe.Name,
                    Minutes: network.Tasks.First(t => t.Bake == s.Bake && t.Step?.Key == s.Step.Key).Likely
                )
            )
            .ToList();
        var said = words.Select(w =>
            $"{w.Name} rise on the counter and not in the oven (“{w.Step.Title}”): "
            + $"{SpokenTime.Of(w.Minutes)} instead of {SpokenTime.Of((int)w.Step.Takes.Likely.TotalMinutes)}"
        );
        return new WayOut(
            WayOutKind.OnCounter,
            words.Sum(w => Math.Max(0, w.Minutes - (int)w.Step.Takes.Likely.TotalMinutes)),
            bakes.Count == 1 ? bakes.Single() : null,
            $"Let {string.Join(" and ", said)}."
        )
        {
            Rises = [.. steps.Select(s => new RiseMoved(s.Bake, s.Step.Key))],
        };
    }
}
