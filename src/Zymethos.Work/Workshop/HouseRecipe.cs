using Zymethos.Core.Recipes;
using Zymethos.Workshop.Cutting;

namespace Zymethos.Work.Workshop;

/// <summary>A built recipe with the dough, the mortar, the trays and the baking times of a house from the Workshop.</summary>
public static class HouseRecipe
{
    /// <summary>Whether a recipe is built.</summary>
    public static bool IsBuilt(Recipe recipe) => recipe.Kind == RecipeKind.Built;

    /// <summary>The recipe with the house's numbers.</summary>
    /// <param name="recipe">The recipe.</param>
    /// <param name="houses">How many houses it makes.</param>
    /// <param name="doughGrams">Dough for all of them.</param>
    /// <param name="icingGrams">Mortar for all of them; what the recipe has beyond it, for decoration, stays.</param>
    /// <param name="trays">Their trays.</param>
    /// <returns>The recipe with what was changed in words; null, with the reason, where it has no bake.</returns>
    public static (Recipe? Recipe, string Words) On(Recipe recipe, int houses, double doughGrams, double icingGrams, TrayPlan trays)
    {
        var bakes = recipe.Steps.Where(s => s is { Kind: StepKind.Bake, Oven: not null }).OrderByDescending(s => s.Takes.Likely).ToList();
        if (bakes.Count == 0)
            return (null, $"{recipe.Name} has no bake that trays could go into.");
        if (trays.Trays.IsEmpty)
            return (null, "No tray was laid: there is nothing to take over.");
        // The longest trays go into the recipe's longest bake, the rest into its other one.
        var minutes = trays.Trays.Select(t => t.Minutes).OrderDescending().ToList();
        var longest = bakes.Count == 1 ? minutes : minutes.Where(m => m >= (minutes[0] + minutes[^1]) / 2.0).ToList();
        var shorter = minutes.Skip(longest.Count).ToList();
        var dough = recipe.Parts.Where(p => p.Kind == PartKind.Dough).Sum(PartAmounts.Grams);
        var times = dough > 0 ? doughGrams / dough : 1;
        var steps = recipe.Steps;
        foreach (var (bake, of) in bakes.Zip([longest, shorter]).Where(b => b.Second.Count > 0))
        {
            // More trays than go in at once: rolling, baking and trimming come again.
            var fills = (of.Count + bake.Oven!.Pans - 1) / bake.Oven.Pans;
            var again = fills > 1 || bake.Times > 1 ? CutRecipe.Repeated(recipe, bake) : [];
            steps =
            [
                .. steps.Select(s =>
                {
                    var baked = s.Key == bake.Key ? s with { Takes = Around(of) } : s;
                    return again.Contains(s.Key) ? baked with { Times = fills } : baked;
                }),
            ];
        }

        var parts = recipe.Parts.Select(p =>
            p.Kind == PartKind.Dough ? Scaled(p, times)
            : p.Kind == PartKind.Icing && PartAmounts.Grams(p) is > 0 and var has && has < icingGrams ? Scaled(p, icingGrams / has)
            : p
        );
        return (
            recipe with
            {
                Yield = recipe.Yield with { Pieces = houses },
                Steps = steps,
                Parts = [.. parts],
            },
            $"{doughGrams:0} g of dough, {trays.Trays.Length} {(trays.Trays.Length == 1 ? "tray" : "trays")}, "
                + $"{string.Join(" and ", minutes.Distinct())} min in the oven"
        );
    }

    private static DurationEstimate Around(List<int> minutes)
    {
        var usual = (int)Math.Round(minutes.Average());
        return DurationEstimate.Minutes(
            Math.Max(1, Math.Min(minutes.Min(), (int)Math.Round(usual * 0.85))),
            usual,
            Math.Max(minutes.Max(), (int)Math.Round(usual * 1.2))
        );
    }

    private static Part Scaled(Part part, double times) => Math.Abs(times - 1) < 0.005 ? part : PartAmounts.Times(part, times);
}
