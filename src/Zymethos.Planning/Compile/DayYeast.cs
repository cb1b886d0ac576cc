using System.Globalization;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Scaling;

namespace Zymethos.Planning.Compile;

/// <summary>What to weigh when a day takes more or less yeast than the recipe.</summary>
public static class DayYeast
{
    /// <summary>The words at a mix of a batch; empty for the recipe's own amount and for what has no yeast.</summary>
    /// <param name="recipe">The recipe.</param>
    /// <param name="times">Yeast as a multiple of the recipe's, above zero.</param>
    public static string Words(Recipe recipe, double times)
    {
        if (times == 1)
            return "";
        var lines = RecipeFacts
            .DoughLines(recipe)
            .Where(IsYeast)
            .Select(l => $"{Grams(l.Weight!.Value.Grams * times)} g of {l.Ingredient} instead of {Grams(l.Weight.Value.Grams)} g")
            .ToList();
        return lines.Count == 0 ? "" : $"For each batch {string.Join(" and ", lines)}: the rises of this day reckon with it.";
    }

    /// <summary>Whether a line is yeast of a known weight.</summary>
    public static bool IsYeast(IngredientLine line) =>
        line.Weight is not null && IngredientTable.Find(line.Ingredient) is { Role: IngredientRole.Yeast };

    private static string Grams(double grams) => grams.ToString(grams < 10 ? "0.#" : "0", CultureInfo.InvariantCulture);
}
