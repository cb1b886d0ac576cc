using System.Collections.Immutable;
using Zymethos.Core.Safety;

namespace Zymethos.Core.Measures;

/// <summary>
/// An ingredient that is named by its plant and what is made of it ("cashew cream", "lupin flour") and has no row of its own: it weighs
/// what such a thing usually weighs and carries the allergens of the plant, never those of what it stands in for. Weights are common
/// practice, no source.
/// </summary>
internal static class CompoundIngredient
{
    private static readonly (string[] Words, double Cup, Composition Is)[] Makes =
    [
        (["flour", "meal"], 100, new Composition(8, 25, 5, 20)),
        (["butter", "paste"], 250, new Composition(2, 52, 6, 20)),
        (["oil"], 218, new Composition(0, 100, 0, 0)),
        (["milk", "drink"], 240, new Composition(91, 3, 3, 1)),
        (["cream"], 240, new Composition(75, 18, 3, 2)),
        (["yogurt", "yoghurt"], 245, new Composition(85, 6, 4, 3)),
        (["cheese"], 225, new Composition(55, 25, 2, 10)),
        (["spread"], 260, new Composition(5, 45, 20, 10)),
        (["syrup"], 330, new Composition(25, 0, 70, 0)),
        (["sugar"], 180, new Composition(3, 0, 92, 0)),
        (["extract", "essence"], 202, new Composition(50, 0, 0, 0)),
    ];

    // Sold both with milk in it and without.
    private static readonly HashSet<string> MayBeDairy = new(StringComparer.Ordinal) { "cream", "yogurt", "yoghurt", "cheese", "spread" };

    /// <summary>The ingredient that two words name together; null when they name none.</summary>
    /// <param name="source">The plant ("cashew").</param>
    /// <param name="made">What is made of it ("cream").</param>
    public static Ingredient? Of(string source, string made)
    {
        if (AllergenWords.SourceOf(source) is not { } allergens)
            return null;
        var low = made.ToLowerInvariant();
        foreach (var (words, cup, composition) in Makes)
        {
            if (!words.Contains(low))
                continue;
            return new Ingredient(
                $"{source.ToLowerInvariant()} {low}",
                [],
                cup,
                ImmutableDictionary<string, double>.Empty,
                ImmutableDictionary<string, double>.Empty,
                "common practice, no source",
                [],
                allergens,
                IngredientTraits.None,
                composition
            )
            {
                Role = IngredientRoles.Made(low, allergens.Contains(Allergen.TreeNut) || allergens.Contains(Allergen.Peanut)),
                OnLabels = MayBeDairy.Contains(low) ? [Allergen.Milk] : [],
            };
        }

        return null;
    }
}
