using System.Text.RegularExpressions;
using Zymethos.Core.Recipes;

namespace Zymethos.Core.Scaling;

/// <summary>What is said behind a line at a scale: nothing twice, and no count that only one batch bears out ("of one orange" beside the
/// juice of three).</summary>
public static partial class LineNote
{
    /// <summary>The note; empty when there is nothing to say.</summary>
    /// <param name="line">The line as the recipe has it.</param>
    /// <param name="factor">How many times the recipe is taken; above 0.</param>
    public static string Of(IngredientLine line, double factor)
    {
        var forms = line
            .Form.Split([',', ' '], StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
            .ToHashSet(StringComparer.OrdinalIgnoreCase);
        var parts = line
            .Note.Split(';', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
            .Where(p => !IsSaid(p, forms))
            .Distinct(StringComparer.OrdinalIgnoreCase)
            .Select(p => Math.Abs(factor - 1) > 1e-9 && Counts().IsMatch(p) ? $"{p}, for one batch" : p);
        return string.Join("; ", parts);
    }

    /// <summary>"Peeled and sliced" behind "peeled, sliced".</summary>
    private static bool IsSaid(string part, HashSet<string> forms) =>
        forms.Count > 0
        && part.Split([' ', ','], StringSplitOptions.RemoveEmptyEntries)
            .All(w => forms.Contains(w) || w is "and" or "then" or "finely" or "roughly");

    // A number or a half of something, but no size ("2 cm pieces") and no share of fat.
    [GeneratedRegex(
        @"\b(?:of|from|juice|zest|about|plus|in all)?\s*(?:one|two|three|four|five|six|a half|half an?|\d+(?:\s?[½¼¾])?|"
            + @"[½¼¾])\s+(?!cm\b|mm\b|inch|%|percent|min|hours?|days?|°)(?:\w+ )?(?:oranges?|lemons?|limes?|eggs?|apples?|bananas?|"
            + @"carrots?|onions?|potatoes|potato|pods?|cups?|tbsp|tsp|tablespoons?|teaspoons?|packets?|cans?|bars?|sticks?|g|ml|oz)\b",
        RegexOptions.IgnoreCase,
        200
    )]
    private static partial Regex Counts();
}
