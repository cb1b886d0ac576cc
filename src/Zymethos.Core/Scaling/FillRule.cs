using Zymethos.Core.Recipes;

namespace Zymethos.Core.Scaling;

/// <summary>How full a pan may be before it bakes, as shares of its volume, and how dense the batter is.</summary>
/// <param name="Least">Below this the bake comes out low and dry.</param>
/// <param name="Usual">What is aimed at.</param>
/// <param name="Most">Above this it runs over.</param>
/// <param name="Density">Grams in a millilitre of batter or dough as it goes in.</param>
public sealed record FillRule(double Least, double Usual, double Most, double Density)
{
    /// <summary>The rule for a kind of bake. Common practice, no source; quick loaves two thirds, layers a half to two thirds, rings two
    /// thirds to three quarters.</summary>
    public static FillRule For(RecipeKind kind) =>
        kind switch
        {
            RecipeKind.Bread or RecipeKind.Buns => new(0.35, 0.50, 0.60, 1.10),
            RecipeKind.LayerCake => new(0.40, 0.58, 0.67, 0.90),
            RecipeKind.RingCake => new(0.50, 0.70, 0.75, 1.00),
            RecipeKind.FruitCake => new(0.60, 0.80, 0.90, 1.15),
            RecipeKind.Muffins => new(0.50, 0.67, 0.80, 1.00),
            _ => new(0.45, 0.63, 0.70, 1.00),
        };
}
