using Zymethos.Core.Safety;

namespace Zymethos.Core.Measures;

/// <summary>What an ingredient does in a dough or batter. A column of the table; common practice, no source.</summary>
public enum IngredientRole
{
    /// <summary>Nothing that is reckoned with.</summary>
    None,

    /// <summary>Flour, by which baker's percentages go: milled from grain or pulses, not from nuts.</summary>
    Flour,

    /// <summary>Starch, oats, bran, meal: it drinks like flour and is none.</summary>
    Cereal,

    /// <summary>Cocoa, which drinks like flour.</summary>
    Cocoa,

    /// <summary>Sugar or syrup.</summary>
    Sweetener,

    /// <summary>It raises by a gas of its own: powder, soda, ammonia, potash.</summary>
    Leavener,

    /// <summary>Baker's yeast.</summary>
    Yeast,

    /// <summary>A culture of flour and water, half and half.</summary>
    Starter,

    /// <summary>Salt.</summary>
    Salt,

    /// <summary>Spice, or a dried herb.</summary>
    Spice,

    /// <summary>It sours, or helps soda to raise.</summary>
    Acid,

    /// <summary>Water and what is mostly water: milk, juice, coffee, beer.</summary>
    Liquid,

    /// <summary>Spirit, liqueur, fortified wine.</summary>
    Spirit,

    /// <summary>Butter, oil, lard.</summary>
    Fat,

    /// <summary>Egg, whole or a part of it.</summary>
    Egg,

    /// <summary>Cream, cheese, thick or dried milk.</summary>
    Dairy,

    /// <summary>Fruit, nuts, seeds, chips that are stirred in: their sugar and fat do not act on the crumb.</summary>
    Inclusion,

    /// <summary>A flavouring made with spirit, used by the teaspoon.</summary>
    Extract,
}

/// <summary>Roles of what stands in no table.</summary>
public static class IngredientRoles
{
    /// <summary>
    /// The role of a kitchen's own ingredient that gives none: the table's where it has the same name, else that of what its last word says
    /// it is ("our strong flour").
    /// </summary>
    public static IngredientRole OfOwn(string name, IReadOnlyCollection<Allergen> allergens)
    {
        if (IngredientTable.Find(name) is { } known)
            return known.Role;
        var isNut = allergens.Contains(Allergen.TreeNut) || allergens.Contains(Allergen.Peanut);
        return Made(name.Trim().Split(' ')[^1].ToLowerInvariant(), isNut);
    }

    /// <summary>The role of what is made of something: "flour", "oil", "milk".</summary>
    /// <param name="made">What is made, in lower case.</param>
    /// <param name="ofNuts">Whether it is made of nuts or peanuts: ground or pressed whole they are no flour.</param>
    internal static IngredientRole Made(string made, bool ofNuts) =>
        made switch
        {
            "flour" => ofNuts ? IngredientRole.Inclusion : IngredientRole.Flour,
            "meal" or "butter" or "paste" or "spread" when ofNuts => IngredientRole.Inclusion,
            "meal" or "starch" => IngredientRole.Cereal,
            "oil" or "butter" or "lard" => IngredientRole.Fat,
            "milk" or "drink" or "juice" or "water" => IngredientRole.Liquid,
            "cream" or "yogurt" or "yoghurt" or "cheese" => IngredientRole.Dairy,
            "syrup" or "sugar" or "honey" => IngredientRole.Sweetener,
            "extract" => IngredientRole.Extract,
            "yeast" => IngredientRole.Yeast,
            "starter" or "levain" => IngredientRole.Starter,
            "salt" => IngredientRole.Salt,
            "spice" => IngredientRole.Spice,
            _ => IngredientRole.None,
        };
}
