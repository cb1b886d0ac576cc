using System.Runtime.CompilerServices;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Scaling;

namespace Zymethos.Planning.Seasons;

/// <summary>What a season allows of food that must be kept cold (<see cref="ColdFood"/>): it waits in the cold only, and it is never sent
/// by post.</summary>
internal static class ColdKeeping
{
    // Recipes are values that live as long as the season that is planned; whether one must be cold is worked out once.
    private static readonly ConditionalWeakTable<Recipe, object> Known = [];

    /// <summary>Whether a recipe as it is baked must be kept cold.</summary>
    public static bool Is(Recipe recipe) => (bool)Known.GetValue(recipe, r => ColdFood.Is(r, IngredientKnowledge.Shipped));

    /// <summary>Whether it may not go to an occasion the way it is handed there.</summary>
    public static bool IsRefused(Recipe recipe, Occasion occasion) =>
        (occasion.Handing == Handing.Posted || occasion.HoursOut > ColdFood.HoursOut) && Is(recipe);

    /// <summary>Whether a bake may wait in a place: cold food not on the counter, unless what must be cold is not on it yet ("without
    /// sauce").</summary>
    public static bool MayWait(Recipe recipe, KeepingPlace place) =>
        place.Store != KeepingStore.Counter
        || place.Place.Contains("without", StringComparison.OrdinalIgnoreCase)
        || place.Place.Contains("not iced", StringComparison.OrdinalIgnoreCase)
        || !Is(recipe);

    /// <summary>Why it is refused, and what of a season can go instead.</summary>
    public static string Why(SeasonWish wish, Need need)
    {
        var can = wish.Needs.Select(n => n.Recipe).Where(r => !Is(r)).Select(r => r.Name).Distinct().Take(4).ToList();
        var instead = can.Count > 0 ? $" Of what is baked here these can go: {string.Join(", ", can)}." : "";
        var occasion = wish.Occasions[need.Occasion];
        return occasion.Handing == Handing.Posted
            ? $"{need.Recipe.Name} must be kept cold and is never out of it for more than {ColdFood.HoursOut} hours, so it is not "
                + $"planned to be posted.{instead} Or hand it over yourself, cold."
            : $"{need.Recipe.Name} must be kept cold and is never out of it for more than {ColdFood.HoursOut} hours in all; at "
                + $"{occasion.Name} it would be out for {occasion.HoursOut:0.#}.{instead} Or keep it in the refrigerator there, or in "
                + "a cold box, and bring the hours down.";
    }
}
