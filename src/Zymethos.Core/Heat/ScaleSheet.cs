using System.Collections.Immutable;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Scaling;

namespace Zymethos.Core.Heat;

/// <summary>Everything that follows from a recipe at a scale in a kitchen: what the scaling page shows, the card prints and the API
/// returns.</summary>
/// <param name="Scaled">The lines.</param>
/// <param name="Dough">Dough or batter in all.</param>
/// <param name="Flour">Flour in it.</param>
/// <param name="Pans">The pan that was asked for, or the recipe's own; null when it bakes on trays.</param>
/// <param name="OtherPans">The kitchen's other pans.</param>
/// <param name="Mixer">The batch against the bowl; null when nothing is mixed.</param>
/// <param name="Division">Strands or buns; null when the dough is not divided.</param>
/// <param name="Packages">What must be opened.</param>
/// <param name="Elevation">Changes for the height of the kitchen.</param>
/// <param name="Formula">Baker's percentages; null without flour.</param>
/// <param name="Unchanged">What does not scale, and why.</param>
public sealed record ScaleSheet(
    ScaledRecipe Scaled,
    Mass Dough,
    Mass Flour,
    PanPlan? Pans,
    ImmutableArray<PanPlan> OtherPans,
    MixerFit? Mixer,
    Division? Division,
    ImmutableArray<PackageCount> Packages,
    ImmutableArray<ElevationChange> Elevation,
    Formula? Formula,
    ImmutableArray<string> Unchanged
)
{
    /// <summary>Works it out.</summary>
    /// <param name="recipe">The recipe as it is baked.</param>
    /// <param name="factor">How many times.</param>
    /// <param name="kitchen">The kitchen.</param>
    /// <param name="knowledge">What it knows of ingredients.</param>
    /// <param name="pan">A pan that was chosen; null for the recipe's own.</param>
    /// <param name="count">How many of it; null for as many as it takes.</param>
    /// <param name="cutBack">Whether spice and leavener are cut back above four times.</param>
    /// <param name="setAside">Dough set aside before it is divided.</param>
    public static ScaleSheet Of(
        Recipe recipe,
        double factor,
        Kitchen kitchen,
        IngredientKnowledge knowledge,
        Pan? pan = null,
        int? count = null,
        bool cutBack = false,
        Mass setAside = default
    )
    {
        var scaled = ScaledRecipe.ByMultiple(recipe, factor, knowledge, cutBack);
        var dough = RecipeFacts.Dough(recipe) * factor;
        var flour = RecipeFacts.Flour(recipe, knowledge) * factor;
        int? Have(Pan p) => kitchen.Cupboard.Where(s => s.Pan.Name == p.Name).Select(s => (int?)s.Count).FirstOrDefault();
        var own = pan ?? RecipeFacts.OwnPan(recipe)?.Pan;
        var plan = own is null ? null : PanPlan.For(recipe, factor, own, count, Have(own));
        return new ScaleSheet(
            scaled,
            dough,
            flour,
            plan,
            plan is null
                ? []
                :
                [
                    .. kitchen
                        .Cupboard.Where(s => s.Pan.Name != own!.Name)
                        .Select(s => PanPlan.For(recipe, factor, s.Pan, null, s.Count))
                        .OfType<PanPlan>(),
                ],
            recipe.Steps.Any(s => s.Kind == StepKind.Mix)
                ? kitchen
                    .MixersFor(MixerFit.IsKneaded(recipe.Kind))
                    .Select(m => MixerFit.Of(recipe.Kind, dough, flour, m.Mixer.Litres))
                    .OrderBy(f => f.Mixes)
                    .FirstOrDefault()
                : null,
            Division.Of(recipe, factor, setAside),
            PackageCount.For(scaled, knowledge),
            Scaling.Elevation.Changes(scaled, knowledge, kitchen.ElevationMetres),
            Formula.Of(recipe, knowledge),
            [.. SaysUnchanged(recipe, factor, plan)]
        );
    }

    private static IEnumerable<string> SaysUnchanged(Recipe recipe, double factor, PanPlan? plan)
    {
        if (Math.Abs(factor - 1) < 1e-9)
            yield break;
        if (recipe.Steps.Any(s => s.Kind is StepKind.BulkRise or StepKind.Proof))
            yield return factor > 1
                ? "Rising takes as long as ever; a large piece of dough keeps its warmth and may be ready a little sooner."
                : "Rising takes as long as ever; a small piece of dough cools, so keep it warm.";
        yield return plan is null
            ? "Bake times hold: the pieces are the same, there are only more or fewer trays of them."
            : "Bake time follows the depth in the pan, not the size of the batch: take more pans, not fuller ones.";
        if (recipe.Steps.Any(s => s.Kind is StepKind.Mix))
            yield return "Mixing takes about as long for each mix; it goes by the look of it.";
        if (recipe.Steps.Any(s => s.Kind is StepKind.Chill or StepKind.Rest))
            yield return "Chilling takes longer for one thick lump than for two flat ones: divide it.";
        if (factor >= ScaledRecipe.CutBackFrom)
            yield return "Leavener, salt and spice stay in proportion, as professionals do it. Some cut spice by a fifth and leavener "
                + "by a tenth above four times; you can have that.";
    }
}
