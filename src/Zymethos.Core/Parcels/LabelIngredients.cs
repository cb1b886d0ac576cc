using System.Collections.Immutable;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;
using Zymethos.Core.Scaling;

namespace Zymethos.Core.Parcels;

/// <summary>An ingredient as a label names it.</summary>
/// <param name="Name">What it is.</param>
/// <param name="Allergens">Allergens in it; the label sets it off from the rest by bold type and says them. Empty for none.</param>
/// <param name="Grams">What goes in; null where no line weighs it.</param>
/// <param name="IsKnown">Whether everything about it is known.</param>
public sealed record LabelIngredient(string Name, ImmutableArray<Allergen> Allergens, double? Grams, bool IsKnown);

/// <summary>
/// The list of ingredients of a label: in descending order of weight as recorded when they are used (EU regulation 1169/2011, article 18;
/// US 21 CFR 101.4(a)(1); both from memory), allergens set off from the rest (1169/2011, article 21(1)(b), from memory). What is not
/// weighed stands last. Water counts; what is for the board or the pan and no part of what is eaten does not.
/// </summary>
public static class LabelIngredients
{
    /// <summary>The list of a bake.</summary>
    /// <param name="bake">The bake.</param>
    /// <param name="knowledge">What the kitchen knows of ingredients.</param>
    public static ImmutableArray<LabelIngredient> Of(GiftBake bake, IngredientKnowledge knowledge) =>
        [
            .. bake
                .Lines.Where(l => !l.IsAside)
                .GroupBy(l => NameOf(l, knowledge), StringComparer.OrdinalIgnoreCase)
                .Select(g => One(g.Key, [.. g], knowledge))
                .OrderByDescending(i => i.Grams ?? -1)
                .ThenBy(i => i.Name, StringComparer.OrdinalIgnoreCase),
        ];

    private static LabelIngredient One(string name, ImmutableArray<IngredientLine> lines, IngredientKnowledge knowledge)
    {
        var facts = lines.Select(l => LineAllergens.Of(l, knowledge)).ToList();
        return new LabelIngredient(
            name,
            [.. facts.SelectMany(f => f.Contains).Distinct().Order()],
            lines.Any(l => l.Weight is not null) ? lines.Sum(l => l.Weight?.Grams ?? 0) : null,
            facts.TrueForAll(f => f.Open.IsEmpty)
        );
    }

    private static string NameOf(IngredientLine line, IngredientKnowledge knowledge) =>
        knowledge.Meant(line.Ingredient)?.Name ?? line.Ingredient.Trim();
}
