using System.Collections.Immutable;

namespace Zymethos.Core.Recipes;

/// <summary>A recipe with its choices made: what belongs to another way is left out.</summary>
public static class ChosenRecipe
{
    /// <summary>The recipe as it is baked. A recipe without choices comes back as it is.</summary>
    public static Recipe Of(Recipe recipe)
    {
        if (recipe.Choices.IsEmpty)
            return recipe;
        var steps = recipe.Steps.Where(s => Stands(recipe, s.When)).ToImmutableArray();
        var keys = steps.Select(s => s.Key).ToHashSet(StringComparer.Ordinal);
        return recipe with
        {
            Parts =
            [
                .. recipe
                    .Parts.Select(p => p with { Lines = [.. p.Lines.Where(l => Stands(recipe, l.When))] })
                    .Where(p => !p.Lines.IsEmpty),
            ],
            Steps = steps,
            Links = [.. recipe.Links.Where(l => Stands(recipe, l.When) && keys.Contains(l.From) && keys.Contains(l.To))],
            // What was kept after a step that is left out is kept when all is done.
            Keeping = [.. recipe.Keeping.Select(k => k.After.Length == 0 || keys.Contains(k.After) ? k : k with { After = "" })],
        };
    }

    /// <summary>The same recipe with a choice made another way; unchanged when there is no such choice or way.</summary>
    public static Recipe Choose(Recipe recipe, string choice, string option) =>
        recipe with
        {
            Choices =
            [
                .. recipe.Choices.Select(c => c.Key == choice && c.Options.Any(o => o.Key == option) ? c with { Chosen = option } : c),
            ],
        };

    private static bool Stands(Recipe recipe, Condition? condition) =>
        condition is null || recipe.Choices.Any(c => c.Key == condition.Choice && condition.Options.Contains(c.Chosen));
}
