using System.Collections.Immutable;
using Zymethos.Core.Recipes;

namespace Zymethos.Planning.Seasons;

/// <summary>How long kinds of bakes usually keep, for recipes that do not say.</summary>
public static class KeepingDefaults
{
    /// <summary>Where the figures come from. They were written down without the publication at hand.</summary>
    public const string Source = "USDA FoodKeeper (from memory), the shorter end of its ranges";

    /// <summary>A recipe with what its kind usually bears and it does not say itself: all of it where it says nothing, else the
    /// freezer.</summary>
    public static Recipe Added(Recipe recipe) => recipe with { Keeping = recipe.Keeping.AddRange(Missing(recipe)) };

    /// <summary>The usual places that a recipe does not name; empty when it names a freezer, or its kind has none.</summary>
    public static ImmutableArray<KeepingPlace> Missing(Recipe recipe) =>
        recipe.Keeping.Any(k => k.Part.Length == 0)
            ? recipe.Keeping.Any(k => k.Part.Length == 0 && k.Store == KeepingStore.Freezer)
                ? []
                : [.. For(recipe.Kind).Where(k => k.Store == KeepingStore.Freezer)]
            : For(recipe.Kind);

    /// <summary>
    /// The usual places of a kind. Cookies: 2 weeks, freezer 8 months. Quick loaves, muffins and cakes: 1 to 2 days on the counter, a week
    /// in the refrigerator, freezer 2 to 6 months. Yeast breads: 3 days, freezer 2 months. Fruit cake: a month, freezer 12 months. What is
    /// filled with cream, custard or curd keeps cold and short (TCS food) and has no default beyond three days in the refrigerator.
    /// </summary>
    public static ImmutableArray<KeepingPlace> For(RecipeKind kind) =>
        kind switch
        {
            RecipeKind.Cookies or RecipeKind.RolledCookies or RecipeKind.TwiceBaked =>
            [
                new("counter, in a tin", 14),
                new("freezer, paper between", 240) { ThawHours = 1 },
            ],
            RecipeKind.FruitCake => [new("counter, wrapped", 30), new("freezer, wrapped twice", 365) { ThawHours = 24 }],
            RecipeKind.Bread or RecipeKind.Buns => [new("counter, in a cloth", 3), new("freezer, wrapped twice", 60) { ThawHours = 4 }],
            RecipeKind.QuickLoaf =>
            [
                new("counter, wrapped", 2),
                new("refrigerator, wrapped", 7),
                new("freezer, wrapped twice", 60) { ThawHours = 4 },
            ],
            RecipeKind.Muffins =>
            [
                new("counter, in a tin", 1),
                new("refrigerator, wrapped", 7),
                new("freezer, in a bag", 60) { ThawHours = 2 },
            ],
            RecipeKind.RingCake =>
            [
                new("counter, under a bell", 1),
                new("refrigerator, under a bell", 7),
                new("freezer, wrapped twice", 180) { ThawHours = 5 },
            ],
            RecipeKind.LayerCake => [new("refrigerator, under a bell", 3)],
            _ => [new("counter, wrapped", 1)],
        };
}
