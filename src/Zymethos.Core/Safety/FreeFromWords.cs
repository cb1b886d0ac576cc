using System.Collections.Immutable;

namespace Zymethos.Core.Safety;

/// <summary>
/// Words that claim to be free of something ("gluten-free oats", "vegan butter"). A claim in a recipe is a wish, not a label: what it
/// speaks of is neither stated nor ruled out, and the baker is asked to look at the packet.
/// </summary>
internal static class FreeFromWords
{
    /// <summary>Whether a word is such a claim, also one that takes no allergen back: milk without its lactose holds its protein
    /// still.</summary>
    public static bool IsClaim(string word) => !Of(word).IsEmpty || word.Trim(',', '.', '(', ')') is "lactose-free";

    /// <summary>The allergens a word speaks of; empty when it is no such word.</summary>
    /// <param name="word">A word in lower case, hyphens kept ("gluten-free").</param>
    public static ImmutableArray<Allergen> Of(string word) =>
        word.Trim(',', '.', '(', ')') switch
        {
            "gluten-free" or "glutenfree" or "gf" => [Allergen.Wheat, Allergen.Gluten],
            "wheat-free" => [Allergen.Wheat],
            "dairy-free" or "milk-free" or "non-dairy" or "nondairy" => [Allergen.Milk],
            "vegan" or "plant-based" => [Allergen.Milk, Allergen.Egg],
            "egg-free" or "eggless" => [Allergen.Egg],
            "nut-free" => [Allergen.TreeNut, Allergen.Peanut],
            "soy-free" or "soya-free" => [Allergen.Soy],
            "free-from" or "allergen-free" =>
            [
                Allergen.Milk,
                Allergen.Egg,
                Allergen.TreeNut,
                Allergen.Wheat,
                Allergen.Soy,
                Allergen.Gluten,
            ],
            _ => [],
        };
}
