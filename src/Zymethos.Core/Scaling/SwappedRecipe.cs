using System.Collections.Immutable;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;

namespace Zymethos.Core.Scaling;

/// <summary>A recipe with its swaps taken: other ingredients at their ratio, and the salt following salted butter.</summary>
public static class SwappedRecipe
{
    /// <summary>The recipe as it is baked. Swaps that fit no line are passed over.</summary>
    public static Recipe Of(Recipe recipe, IngredientKnowledge knowledge)
    {
        foreach (var swap in recipe.Swaps)
            recipe = Apply(recipe, swap, knowledge);
        return recipe;
    }

    /// <summary>The rules that could be taken for a line of a recipe, in the order of the table.</summary>
    public static IEnumerable<SubstitutionRule> RulesFor(Recipe recipe, IngredientLine line, IngredientKnowledge knowledge)
    {
        if (knowledge.Meant(line.Ingredient) is not { } ingredient)
            yield break;
        var wash = IsWash(recipe, line);
        foreach (var rule in SubstitutionRule.All.Where(r => r.From.Contains(ingredient.Name)))
        {
            if (rule.Key == "milk-for-egg-wash" ? wash : !wash && !rule.NotIn.Contains(recipe.Kind))
                yield return rule;
        }
    }

    /// <summary>Whether an egg is only brushed on: in the glaze of a bread the crumb does not need it.</summary>
    private static bool IsWash(Recipe recipe, IngredientLine line) =>
        line.Ingredient.StartsWith("egg", StringComparison.OrdinalIgnoreCase)
        && recipe.Parts.Any(p => p.Kind == PartKind.Glaze && p.Lines.Contains(line));

    private static Recipe Apply(Recipe recipe, Swap swap, IngredientKnowledge knowledge)
    {
        if (swap.Rule == SubstitutionRule.LeaveOut)
        {
            return recipe with
            {
                Parts =
                [
                    .. recipe
                        .Parts.Select(p => p with { Lines = [.. p.Lines.Where(l => !(l.IsOptional && l.Ingredient == swap.Ingredient))] })
                        .Where(p => !p.Lines.IsEmpty),
                ],
            };
        }

        if (SubstitutionRule.Find(swap.Rule) is not { } rule)
            return recipe;
        var salt = 0.0;
        var parts = recipe
            .Parts.Select(part =>
                part with
                {
                    Lines =
                    [
                        .. part.Lines.SelectMany(line =>
                        {
                            if (
                                line.Ingredient != swap.Ingredient
                                || knowledge.Meant(line.Ingredient) is not { } meant
                                || !rule.From.Contains(meant.Name)
                            )
                                return [line];
                            salt += (line.Weight?.Grams ?? 0) * rule.SaltPerGram;
                            return Shares(line, rule, knowledge);
                        }),
                    ],
                }
            )
            .ToImmutableArray();
        return recipe with { Parts = salt == 0 ? parts : WithSalt(parts, salt, knowledge) };
    }

    private static IEnumerable<IngredientLine> Shares(IngredientLine line, SubstitutionRule rule, IngredientKnowledge knowledge) =>
        rule.To.Select(share =>
            line with
            {
                Ingredient = share.Ingredient,
                Weight = line.Weight is { } weight ? weight * share.Ratio : null,
                Amount = line.Weight is null && rule.To.Length == 1 ? line.Amount : Measured(line.Weight, share, knowledge),
                Form =
                    share.Ingredient == "flaxseed" ? "ground"
                    : rule.To.Length == 1 ? line.Form
                    : "",
                Written = "",
                InsteadOf = line.Ingredient,
            }
        );

    /// <summary>The share in a cup or spoon that exists; the weight beside it is exact.</summary>
    private static Amount? Measured(Mass? weight, SubstituteShare share, IngredientKnowledge knowledge)
    {
        if (
            weight is not { } w
            || knowledge.Find(share.Ingredient)?.CupIn(share.Ingredient == "flaxseed" ? ["ground"] : []) is not { } cup
            || cup <= 0
        )
            return null;
        var millilitres = w.Grams * share.Ratio / cup * MeasureUnit.Cup.Size;
        var (unit, steps) =
            millilitres >= 0.24 * MeasureUnit.Cup.Size ? (MeasureUnit.Cup, 4)
            : millilitres >= 0.9 * MeasureUnit.Tablespoon.Size ? (MeasureUnit.Tablespoon, 2)
            : (MeasureUnit.Teaspoon, 8);
        var count = Math.Round(millilitres / unit.Size * steps) / steps;
        return count > 0 ? Amount.Of(count, unit) : null;
    }

    /// <summary>Takes the salt that butter brings from the first line of salt, never below nothing; without salt in the recipe nothing
    /// changes.</summary>
    private static ImmutableArray<Part> WithSalt(ImmutableArray<Part> parts, double salt, IngredientKnowledge knowledge)
    {
        for (var i = 0; i < parts.Length; i++)
        {
            var at = parts[i]
                .Lines.ToList()
                .FindIndex(l =>
                    l.Weight is { Grams: > 0 } && knowledge.Meant(l.Ingredient) is { Name: "salt" or "sea salt" or "kosher salt" }
                );
            if (at < 0)
                continue;
            var line = parts[i].Lines[at];
            var left = Math.Max(0, line.Weight!.Value.Grams - salt);
            var share = left / line.Weight.Value.Grams;
            var changed = line with
            {
                Weight = Mass.FromGrams(left),
                Amount = line.Amount is { } a ? a with { Low = a.Low * share, High = a.High * share } : null,
                Written = "",
                InsteadOf = $"{line.Weight} of it",
            };
            return parts.SetItem(i, parts[i] with { Lines = left > 0 ? parts[i].Lines.SetItem(at, changed) : parts[i].Lines.RemoveAt(at) });
        }

        return parts;
    }
}
