using Zymethos.Core.Recipes;

namespace Zymethos.Planning.Seasons;

/// <summary>Half of a recipe, where a half can be mixed and baked in the pans it names.</summary>
internal static class HalfBatch
{
    /// <summary>Half of it; null when its pieces or its pans do not go in two.</summary>
    /// <param name="recipe">The recipe with its choices made.</param>
    public static Recipe? Of(Recipe recipe)
    {
        if (recipe.Yield.Pieces < 2 || recipe.Yield.Pieces % 2 != 0 || !recipe.Steps.All(Halves))
            return null;
        return recipe with
        {
            Yield = recipe.Yield with { Pieces = recipe.Yield.Pieces / 2 },
            DividedInto = recipe.DividedInto / 2,
            Parts =
            [
                .. recipe.Parts.Select(p =>
                    p with
                    {
                        Lines = [.. p.Lines.Select(l => l with { Weight = l.Weight is { } weight ? weight * 0.5 : null })],
                    }
                ),
            ],
            Steps = [.. recipe.Steps.Select(Half)],
        };
    }

    // Waves of trays go in two as they come, pans only where there are two of them; a tray or a muffin tin may stay half empty, a ring or a
    // springform may not.
    private static bool Halves(Step step) =>
        step.Oven is not { } use || step.Times > 1 || use.Pans % 2 == 0 || use.Pan.Shape is PanShape.Tray or PanShape.Muffin;

    private static Step Half(Step step) =>
        step with
        {
            Times = (step.Times + 1) / 2,
            Oven = step.Oven is { } use && step.Times == 1 && use.Pans % 2 == 0 ? use with { Pans = use.Pans / 2 } : step.Oven,
        };
}
