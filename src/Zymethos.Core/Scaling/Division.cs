using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;

namespace Zymethos.Core.Scaling;

/// <summary>A dough divided by weight into strands or buns.</summary>
/// <param name="Count">Into how many, at least 1.</param>
/// <param name="Each">What each weighs.</param>
/// <param name="Name">What they are called.</param>
public sealed record Division(int Count, Mass Each, string Name)
{
    /// <summary>The division of a recipe at a scale; null when its dough is not divided. What is set aside is taken off first.</summary>
    /// <param name="recipe">The recipe as it is baked.</param>
    /// <param name="factor">How many times it is taken.</param>
    /// <param name="setAside">Dough set aside before dividing, by those who keep that custom; zero or more.</param>
    public static Division? Of(Recipe recipe, double factor, Mass setAside)
    {
        if (recipe.DividedInto == 0)
            return null;
        var dough = (RecipeFacts.Dough(recipe) * factor).Grams - setAside.Grams;
        var count = Math.Max(1, (int)Math.Round(recipe.DividedInto * factor));
        return dough <= 0 ? null : new Division(count, Mass.FromGrams(dough / count), recipe.DivisionName);
    }
}
