using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;

namespace Zymethos.Core.Scaling;

/// <summary>What decides the scale.</summary>
public enum ScaleBy
{
    /// <summary>So many times the recipe.</summary>
    Multiple,

    /// <summary>So many pieces.</summary>
    Pieces,

    /// <summary>So many grams of dough or batter.</summary>
    Dough,

    /// <summary>So many grams of flour.</summary>
    Flour,

    /// <summary>So many of a pan: the recipe's own filled as its writer fills it, another as it should be.</summary>
    Pans,
}

/// <summary>Turns each of the five ways of asking into a multiple, and back. All round trips agree.</summary>
public static class ScaleWish
{
    /// <summary>How many times the recipe that is; null when the recipe cannot be scaled this way (no flour, no pan that holds batter,
    /// nothing weighed).</summary>
    /// <param name="recipe">The recipe as it is baked.</param>
    /// <param name="by">What decides.</param>
    /// <param name="value">Times, pieces, grams or pans; above 0.</param>
    /// <param name="pan">The pan, for <see cref="ScaleBy.Pans"/>.</param>
    /// <param name="knowledge">What the kitchen knows of ingredients.</param>
    public static double? Factor(Recipe recipe, ScaleBy by, double value, Pan? pan, IngredientKnowledge knowledge) =>
        by switch
        {
            ScaleBy.Multiple => value,
            ScaleBy.Pieces => value / recipe.Yield.Pieces,
            ScaleBy.Dough => Of(value, RecipeFacts.Dough(recipe)),
            ScaleBy.Flour => Of(value, RecipeFacts.Flour(recipe, knowledge)),
            _ when pan is not null && RecipeFacts.OwnPan(recipe) is { } own && own.Pan == pan => Math.Max(1, Math.Round(value)) / own.Count,
            _ => pan is null ? null : PanFit.FactorFor(RecipeFacts.Dough(recipe), recipe.Kind, pan, Math.Max(1, (int)Math.Round(value))),
        };

    private static double? Of(double grams, Mass one) => one.Grams > 0 ? grams / one.Grams : null;
}
