using System.Collections.Immutable;
using Zymethos.Core.Recipes;

namespace Zymethos.Work.Workshop;

/// <summary>A recipe whose filling and icing weigh what the Workshop reckoned: every line of the part in proportion.</summary>
public static class PartAmounts
{
    /// <summary>What a part weighs, in grams: its lines with a weight.</summary>
    public static double Grams(Part part) => part.Lines.Sum(l => l.Weight?.Grams ?? 0);

    /// <summary>Whether a recipe has a filling or an icing that can be reckoned.</summary>
    public static bool HasCoats(Recipe recipe) =>
        recipe.Parts.Any(p => p.Kind is PartKind.Filling or PartKind.Icing or PartKind.Topping && Grams(p) > 0);

    /// <summary>The recipe with its filling and its icing brought to weights.</summary>
    /// <param name="recipe">The recipe.</param>
    /// <param name="filling">Grams of filling; 0 to leave it.</param>
    /// <param name="coat">Grams of coat; 0 to leave it.</param>
    /// <returns>The recipe with what was changed in words; null, with the reason, where there is nothing to change.</returns>
    public static (Recipe? Recipe, string Words) On(Recipe recipe, double filling, double coat)
    {
        var words = new List<string>();
        var parts = recipe.Parts.ToBuilder();
        Bring(PartKind.Filling, filling);
        Bring(PartKind.Icing, coat);
        return words.Count == 0
            ? (null, $"{recipe.Name} has no filling or icing with weights.")
            : (recipe with { Parts = parts.ToImmutable() }, string.Join(", ", words));

        void Bring(PartKind kind, double grams)
        {
            var i = parts.FindIndex(p => p.Kind == kind && Grams(p) > 0);
            if (i < 0 || grams <= 0)
                return;
            var times = grams / Grams(parts[i]);
            parts[i] = Times(parts[i], times);
            words.Add($"{parts[i].Name} {grams:0} g");
        }
    }

    /// <summary>A part so many times, every line of it.</summary>
    public static Part Times(Part part, double times) => part with { Lines = [.. part.Lines.Select(l => Scaled(l, times))] };

    private static IngredientLine Scaled(IngredientLine line, double times) =>
        line with
        {
            Amount = line.Amount is { } a ? a with { Low = a.Low * times, High = a.High * times } : null,
            Weight = line.Weight is { } w ? w * times : null,
            // What was written stands for the old amount.
            Written = "",
        };

    private static int FindIndex(this ImmutableArray<Part>.Builder parts, Predicate<Part> match)
    {
        for (var i = 0; i < parts.Count; i++)
            if (match(parts[i]))
                return i;
        return -1;
    }
}
