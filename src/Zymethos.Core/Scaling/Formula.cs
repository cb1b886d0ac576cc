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
    // A teaspoon of soda or powder weighs 4.6 g (USDA, from memory); soda is about four times as strong as powder (common practice, no
    // source).
    private const double TeaspoonOfLeavener = 4.6;
    private const double SodaAsPowder = 4;

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
        var cups = flour / 125;
        var powder = (Spoons("baking powder") + (SodaAsPowder * Spoons("baking soda"))) / cups;
        double Spoons(string name) => lines.Where(l => l.Is?.Name == name).Sum(l => l.Grams) / TeaspoonOfLeavener;
        const string Of = "% of flour";

        // Bands: common practice, no source. They are wide on purpose: what lies outside is worth a question, not wrong.
        foreach (
            var (what, value, low, high, unit) in recipe.Kind switch
            {
                RecipeKind.Bread => new[]
                {
                    ("Water", water, 42.0, 80.0, Of),
                    ("Salt", RolePercent(IngredientRole.Salt), 1.2, 2.3, Of),
                    ("Yeast (as instant)", yeast, 0.3, 2.0, Of),
                    ("Sugar", Share(c => c.Sugar), 0, 25, Of),
                    ("Fat", Share(c => c.Fat), 0, 30, Of),
                },
                RecipeKind.Buns =>
                [
                    ("Water", water, 42.0, 70, Of),
                    ("Salt", RolePercent(IngredientRole.Salt), 0.8, 2.2, Of),
                    ("Yeast (as instant)", yeast, 0.7, 2.5, Of),
                    ("Sugar", Share(c => c.Sugar), 5, 25, Of),
                    ("Fat", Share(c => c.Fat), 4, 35, Of),
                ],
                RecipeKind.QuickLoaf =>
                [
                    ("Water", water, 40, 170, Of),
                    ("Sugar", Share(c => c.Sugar), 15, 125, Of),
                    ("Fat", Share(c => c.Fat), 0, 75, Of),
                    ("Lift (as baking powder)", powder, 0.9, 3.0, "tsp a cup of flour"),
                ],
                RecipeKind.Muffins =>
                [
                    ("Water", water, 40, 130, Of),
                    ("Sugar", Share(c => c.Sugar), 20, 90, Of),
                    ("Fat", Share(c => c.Fat), 10, 60, Of),
                    ("Lift (as baking powder)", powder, 0.9, 2.6, "tsp a cup of flour"),
                ],
                RecipeKind.LayerCake =>
                [
                    ("Water", water, 50, 140, Of),
                    ("Sugar", Share(c => c.Sugar), 80, 145, Of),
                    ("Fat", Share(c => c.Fat), 30, 80, Of),
                    ("Lift (as baking powder)", powder, 0.6, 2.0, "tsp a cup of flour"),
                ],
                RecipeKind.RingCake =>
                [
                    ("Water", water, 40, 170, Of),
                    ("Sugar", Share(c => c.Sugar), 60, 160, Of),
                    ("Fat", Share(c => c.Fat), 25, 95, Of),
                    ("Lift (as baking powder)", powder, 0.5, 3.0, "tsp a cup of flour"),
                ],
                RecipeKind.FruitCake =>
                [
                    ("Sugar", Share(c => c.Sugar), 60, 130, Of),
                    ("Fat", Share(c => c.Fat), 50, 110, Of),
                    (
                        "Fruit",
                        100 * lines.Where(l => l.Is is { } i && i.Role == IngredientRole.Inclusion).Sum(l => l.Grams) / flour,
                        150,
                        500,
                        Of
                    ),
                ],
                RecipeKind.Cookies => [("Sugar", Share(c => c.Sugar), 30, 130, Of), ("Fat", Share(c => c.Fat), 25, 95, Of)],
                RecipeKind.RolledCookies => [("Sugar", Share(c => c.Sugar), 25, 70, Of), ("Fat", Share(c => c.Fat), 35, 75, Of)],
                RecipeKind.TwiceBaked => [("Sugar", Share(c => c.Sugar), 40, 90, Of), ("Fat", Share(c => c.Fat), 0, 35, Of)],
                RecipeKind.Built => [("Sugar", Share(c => c.Sugar), 30, 75, Of), ("Fat", Share(c => c.Fat), 12, 45, Of)],
                _ => [],
            }
        )
        {
            yield return new FormulaBand(what, Math.Round(value, 2), low, high, unit);
        }
    }
}
