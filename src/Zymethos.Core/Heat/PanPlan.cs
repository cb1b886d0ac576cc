using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Scaling;

namespace Zymethos.Core.Heat;

/// <summary>A batter at a scale in pans of one kind, with its bake time.</summary>
/// <param name="Fit">How it fits.</param>
/// <param name="Time">How long it bakes there.</param>
/// <param name="SmallCakes">How long the small cakes from the surplus bake; null when there are none.</param>
/// <param name="Have">How many of the pan the kitchen has; null when it does not say.</param>
public sealed record PanPlan(PanFit Fit, BakeTime Time, BakeTime? SmallCakes, int? Have)
{
    /// <summary>The plan for a recipe; null when it bakes on trays, or the pan holds no batter.</summary>
    /// <param name="recipe">The recipe as it is baked.</param>
    /// <param name="factor">How many times it is taken; above 0.</param>
    /// <param name="pan">The pan; null for the recipe's own.</param>
    /// <param name="count">How many are filled; null for as many as it takes.</param>
    /// <param name="have">How many there are.</param>
    public static PanPlan? For(Recipe recipe, double factor, Pan? pan = null, int? count = null, int? have = null)
    {
        if (RecipeFacts.OwnPan(recipe) is not { } own)
            return null;
        var one = RecipeFacts.Dough(recipe);
        if (one.Grams <= 0 || PanFit.Of(one, recipe.Kind, own.Pan, own.Count) is not { } ownFit)
            return null;
        var used = pan ?? own.Pan;
        if (Filled(recipe, one * factor, factor, used, count, own, ownFit) is not { } fit)
            return null;
        var oven = own.Use.SetTemperature;
        var takes = own.Step.Takes;
        BakeTime? small = null;
        if (fit.SmallCakes > 0)
        {
            var tin = SmallCakeTin;
            var each = PanFit.Of(
                fit.Surplus.Millilitres > 0
                    ? Mass.FromGrams(fit.Surplus.Millilitres * FillRule.For(recipe.Kind).Density * tin.Cups / fit.SmallCakes)
                    : one,
                RecipeKind.Muffins,
                tin,
                1
            )!;
            small = BakeTime.In(ownFit, takes, each, oven);
        }

        return new PanPlan(fit, BakeTime.In(ownFit, takes, fit, oven), small, have);
    }

    /// <summary>More of a recipe's own pan keeps its writer's fill: its own number of pans times the factor, or of cups; another pan is
    /// filled as it should be.</summary>
    private static PanFit? Filled(
        Recipe recipe,
        Mass batter,
        double factor,
        Pan pan,
        int? count,
        (Pan Pan, int Count, OvenUse Use, Step Step) own,
        PanFit ownFit
    )
    {
        if (count is not null || pan != own.Pan)
            return PanFit.Of(batter, recipe.Kind, pan, count);
        // Twelve muffins of a tin of twelve: eighteen fill eighteen cups.
        if (pan.Cups > 1)
            return PanFit.OfCups(
                batter,
                recipe.Kind,
                pan,
                Math.Max(
                    1,
                    (int)
                        Math.Round(
                            (
                                recipe.Yield.Pieces <= own.Count * pan.Cups && recipe.Yield.Pieces > 1
                                    ? recipe.Yield.Pieces
                                    : own.Count * pan.Cups
                            ) * factor
                        )
                )
            );
        var pans = Math.Max(1, (int)Math.Round(own.Count * factor, MidpointRounding.AwayFromZero));
        var fit = PanFit.Of(batter, recipe.Kind, pan, pans);
        // One pan more where the rounding would make it run over, though the recipe's own does not.
        if (fit is { Surplus.Millilitres: > 1 } && ownFit.Surplus.Millilitres < 1)
            fit = PanFit.Of(batter, recipe.Kind, pan, pans + 1);
        // A thin shortbread is meant to be thin.
        var rule = FillRule.For(recipe.Kind);
        return fit is not null && ownFit.Fill < rule.Least && fit.Fill < rule.Most && fit.Fill > 0.7 * ownFit.Fill
            ? fit with
            {
                Verdict = "About as full as its writer has it.",
            }
            : fit;
    }

    /// <summary>A common tin of twelve cups.</summary>
    private static Pan SmallCakeTin => PanCupboard.Ordinary.First(p => p.Pan is { Shape: PanShape.Muffin, Cups: 12 }).Pan;
}
