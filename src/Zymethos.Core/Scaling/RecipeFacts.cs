using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;

namespace Zymethos.Core.Scaling;

/// <summary>What a recipe as it is baked contains: choices made, swaps taken.</summary>
public static class RecipeFacts
{
    /// <summary>The recipe as it is baked here.</summary>
    public static Recipe AsBaked(Recipe recipe, IngredientKnowledge knowledge) => SwappedRecipe.Of(ChosenRecipe.Of(recipe), knowledge);

    /// <summary>The lines of dough and batter, the parts that rise, fill pans and carry the flour; what is for the board, only on demand or
    /// for the finish of some pieces is left out.</summary>
    public static IEnumerable<IngredientLine> DoughLines(Recipe recipe)
    {
        var finishing = recipe.Finishes.SelectMany(f => f.LinesOf(recipe)).ToHashSet<IngredientLine>(ReferenceEqualityComparer.Instance);
        return recipe
            .Parts.Where(p => p.Kind is PartKind.Dough or PartKind.Batter or PartKind.Soak)
            .SelectMany(p => p.Lines)
            .Where(l => !l.IsAside && !l.IsHeldBack && !finishing.Contains(l));
    }

    /// <summary>What the dough or batter of one batch weighs. Soaked fruit counts: it goes in.</summary>
    public static Mass Dough(Recipe recipe) => Sum(DoughLines(recipe));

    /// <summary>What the flour of dough and batter weighs.</summary>
    public static Mass Flour(Recipe recipe, IngredientKnowledge knowledge) =>
        Sum(DoughLines(recipe).Where(l => knowledge.Meant(l.Ingredient) is { IsFlour: true }));

    /// <summary>The pan a recipe's batter is baked in, and how many; null when it is baked on trays, or not at all.</summary>
    public static (Pan Pan, int Count, OvenUse Use, Step Step)? OwnPan(Recipe recipe)
    {
        var bakes = recipe
            .Steps.Where(s =>
                s.Kind == StepKind.Bake
                && s.Oven is { State: OvenState.Bake } use
                && use.Pan.Shape != PanShape.Tray
                && use.Pan.Depth is not null
            )
            .ToList();
        if (bakes.Count == 0)
            return null;
        var step = bakes.MaxBy(s => s.Takes.Likely)!;
        return (step.Oven!.Pan, step.Oven.Pans * step.Times, step.Oven, step);
    }

    private static Mass Sum(IEnumerable<IngredientLine> lines) =>
        Mass.FromGrams(lines.Where(l => !l.IsOptional || l.Weight is not null).Sum(l => l.Weight?.Grams ?? 0));
}
