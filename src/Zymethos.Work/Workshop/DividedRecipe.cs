using System.Globalization;
using Zymethos.Core.Recipes;
using Zymethos.Core.Scaling;

namespace Zymethos.Work.Workshop;

/// <summary>A recipe whose dough is divided, as the Workshop begins with it.</summary>
public static class DividedRecipe
{
    /// <summary>The address at which its dough is divided: strands as a plait where there are two to six of them, else as so many
    /// pieces.</summary>
    public static string AddressOf(Recipe recipe)
    {
        var grams = RecipeFacts.Dough(recipe).Grams;
        var isPlait =
            recipe.DividedInto is >= 2 and <= 6
            && (
                recipe.DivisionName.Contains("strand", StringComparison.OrdinalIgnoreCase)
                || recipe.DivisionName.Contains("rope", StringComparison.OrdinalIgnoreCase)
            );
        var (into, count) = isPlait ? (recipe.DividedInto, 1) : (1, recipe.DividedInto);
        return string.Create(
            CultureInfo.InvariantCulture,
            $"/workshop/division?Recipe={Uri.EscapeDataString(recipe.Key)}&dough={grams:0}+g&into={into}&count={count}"
        );
    }
}
