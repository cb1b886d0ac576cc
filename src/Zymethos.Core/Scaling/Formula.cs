using System.Collections.Immutable;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;

namespace Zymethos.Core.Scaling;

/// <summary>A line as a share of the flour.</summary>
/// <param name="Ingredient">What it is.</param>
/// <param name="Percent">Its weight in percent of the flour (baker's percentage).</param>
public sealed record FormulaLine(string Ingredient, double Percent);

/// <summary>A ratio of a recipe against the band its kind usually keeps.</summary>
/// <param name="What">What is measured ("sugar").</param>
/// <param name="Value">Its value.</param>
/// <param name="Low">Lower end of the band.</param>
/// <param name="High">Upper end of the band.</param>
/// <param name="Unit">What the figures count: "% of flour" or "tsp a cup of flour".</param>
public sealed record FormulaBand(string What, double Value, double Low, double High, string Unit)
{
    /// <summary>Whether the value lies in the band.</summary>
    public bool IsUsual => Value >= Low - 1e-9 && Value <= High + 1e-9;

    /// <summary>In words.</summary>
    public string Words =>
        IsUsual
            ? $"{What} {Value:0.##} {Unit}: usual ({Low:0.##} to {High:0.##})."
            : $"{What} {Value:0.##} {Unit} is {(Value < Low ? "less" : "more")} than usual ({Low:0.##} to {High:0.##}). Is it meant?";
}

/// <summary>A dough or batter by baker's percentages, and what lies outside the usual.</summary>
/// <param name="Flour">What the flour weighs.</param>
/// <param name="Lines">Every line of dough and batter against the flour.</param>
/// <param name="Bands">Ratios against the bands of the kind; empty for kinds without bands.</param>
public sealed record Formula(Mass Flour, ImmutableArray<FormulaLine> Lines, ImmutableArray<FormulaBand> Bands)
{
    /// <summary>The formula of a recipe as it is baked; null when it has no flour.</summary>
    public static Formula? Of(Recipe recipe, IngredientKnowledge knowledge)
    {
        var lines = RecipeFacts
            .DoughLines(recipe)
            .Where(l => l.Weight is { Grams: > 0 })
            .Select(l => (Line: l, Is: knowledge.Meant(l.Ingredient), l.Weight!.Value.Grams))
            .ToList();
        var flour = lines.Where(l => l.Is is { IsFlour: true }).Sum(l => l.Grams);
        // A starter is half flour, half water.
        flour += lines.Where(l => l.Is?.Role == IngredientRole.Starter).Sum(l => l.Grams / 2);
        if (flour <= 0)
            return null;
        return new Formula(
            Mass.FromGrams(flour),
            [.. lines.Select(l => new FormulaLine(l.Line.Ingredient, 100 * l.Grams / flour))],
            [.. BandsOf(recipe, lines, flour)]
        );
    }

    private static IEnumerable<FormulaBand> BandsOf(
        Recipe recipe,
        List<(IngredientLine Line, Ingredient? Is, double Grams)> lines,
        double flour
    )
    {
        // Fruit and nuts carry sugar and fat that do not act on the crumb; cocoa and chocolate do.
        var acting = lines.Where(l => l.Is is { } i && i.Role != IngredientRole.Inclusion).ToList();
        double Share(Func<Composition, double> of) => acting.Sum(l => l.Grams * of(l.Is!.Composition) / 100) / flour * 100;
        double RolePercent(IngredientRole role) => 100 * lines.Where(l => l.Is?.Role == role).Sum(l => l.Grams) / flour;
        double Percent(params string[] names) => 100 * lines.Where(l => l.Is is { } i && names.Contains(i.Name)).Sum(l => l.Grams) / flour;
        // Cocoa and oats drink like flour; flour brings some water of its own, which nobody counts.
        var drinking = flour + lines.Where(l => l.Is?.Role is IngredientRole.Cocoa or IngredientRole.Cereal).Sum(l => l.Grams);
        var water = (Share(c => c.Water) * flour / drinking) - 12;
        var yeast = Percent("instant yeast") + (0.8 * Percent("active dry yeast")) + (Percent("fresh yeast") / 3);
        var cups = flour / UsualBands.CupOfFlour;
        var powder = (Spoons("baking powder") + (UsualBands.SodaAsPowder * Spoons("baking soda"))) / cups;
        double Spoons(string name) => lines.Where(l => l.Is?.Name == name).Sum(l => l.Grams) / UsualBands.TeaspoonOfLeavener;
        var values = new Dictionary<string, double>(StringComparer.Ordinal)
        {
            [UsualBands.Water] = water,
            [UsualBands.Salt] = RolePercent(IngredientRole.Salt),
            [UsualBands.Yeast] = yeast,
            [UsualBands.Sugar] = Share(c => c.Sugar),
            [UsualBands.Fat] = Share(c => c.Fat),
            [UsualBands.Lift] = powder,
            [UsualBands.Fruit] = RolePercent(IngredientRole.Inclusion),
        };
        return UsualBands.Of(recipe.Kind).Select(b => new FormulaBand(b.What, Math.Round(values[b.What], 2), b.Low, b.High, b.Unit));
    }
}
