using System.Collections.Immutable;
using Zymethos.Core.Recipes;

namespace Zymethos.Core.Scaling;

/// <summary>What a kind of bake usually has of something.</summary>
/// <param name="What">Of what: one of the names of <see cref="UsualBands"/>.</param>
/// <param name="Low">Lower end.</param>
/// <param name="High">Upper end.</param>
/// <param name="Unit">"% of flour" or "tsp a cup of flour".</param>
public sealed record UsualBand(string What, double Low, double High, string Unit);

/// <summary>
/// The bands that kinds of bakes usually keep, for whoever asks about a recipe or a handful of figures. Common practice, no source; wide on
/// purpose: what lies outside is worth a question, not wrong.
/// </summary>
public static class UsualBands
{
    /// <summary>Water, less what flour brings.</summary>
    public const string Water = "Water";

    /// <summary>Salt.</summary>
    public const string Salt = "Salt";

    /// <summary>Yeast, counted as instant.</summary>
    public const string Yeast = "Yeast (as instant)";

    /// <summary>Sugar.</summary>
    public const string Sugar = "Sugar";

    /// <summary>Fat.</summary>
    public const string Fat = "Fat";

    /// <summary>Powder and soda, counted as powder.</summary>
    public const string Lift = "Lift (as baking powder)";

    /// <summary>Fruit and nuts.</summary>
    public const string Fruit = "Fruit";

    /// <summary>Grams of a teaspoon of powder or soda (USDA, from memory).</summary>
    public const double TeaspoonOfLeavener = 4.6;

    /// <summary>Soda is about so many times as strong as powder (common practice, no source).</summary>
    public const double SodaAsPowder = 4;

    /// <summary>Grams of a cup of flour, for leaveners (common practice, no source).</summary>
    public const double CupOfFlour = 125;

    private const string Percent = "% of flour";
    private const string Spoons = "tsp a cup of flour";

    /// <summary>The bands of a kind, in the order in which they are told; empty for kinds without any.</summary>
    public static ImmutableArray<UsualBand> Of(RecipeKind kind) =>
        kind switch
        {
            RecipeKind.Bread =>
            [
                new(Water, 42.0, 80.0, Percent),
                new(Salt, 1.2, 2.3, Percent),
                new(Yeast, 0.3, 2.0, Percent),
                new(Sugar, 0, 25, Percent),
                new(Fat, 0, 30, Percent),
            ],
            RecipeKind.Buns =>
            [
                new(Water, 42.0, 70, Percent),
                new(Salt, 0.8, 2.2, Percent),
                new(Yeast, 0.7, 2.5, Percent),
                new(Sugar, 5, 25, Percent),
                new(Fat, 4, 35, Percent),
            ],
            RecipeKind.QuickLoaf =>
            [
                new(Water, 40, 170, Percent),
                new(Sugar, 15, 125, Percent),
                new(Fat, 0, 75, Percent),
                new(Lift, 0.9, 3.0, Spoons),
            ],
            RecipeKind.Muffins =>
            [
                new(Water, 40, 130, Percent),
                new(Sugar, 20, 90, Percent),
                new(Fat, 10, 60, Percent),
                new(Lift, 0.9, 2.6, Spoons),
            ],
            RecipeKind.LayerCake =>
            [
                new(Water, 50, 140, Percent),
                new(Sugar, 80, 145, Percent),
                new(Fat, 30, 80, Percent),
                new(Lift, 0.6, 2.0, Spoons),
            ],
            RecipeKind.RingCake =>
            [
                new(Water, 40, 170, Percent),
                new(Sugar, 60, 160, Percent),
                new(Fat, 25, 95, Percent),
                new(Lift, 0.5, 3.0, Spoons),
            ],
            RecipeKind.FruitCake => [new(Sugar, 60, 130, Percent), new(Fat, 50, 110, Percent), new(Fruit, 150, 500, Percent)],
            RecipeKind.Cookies => [new(Sugar, 30, 130, Percent), new(Fat, 25, 95, Percent)],
            RecipeKind.RolledCookies => [new(Sugar, 25, 70, Percent), new(Fat, 35, 75, Percent)],
            RecipeKind.TwiceBaked => [new(Sugar, 40, 90, Percent), new(Fat, 0, 35, Percent)],
            RecipeKind.Built => [new(Sugar, 30, 75, Percent), new(Fat, 12, 45, Percent)],
            _ => [],
        };
}
