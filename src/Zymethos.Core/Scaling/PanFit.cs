using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;

namespace Zymethos.Core.Scaling;

/// <summary>A batter shared among pans of one kind.</summary>
/// <param name="Pan">The pan.</param>
/// <param name="Count">How many of them, at least 1.</param>
/// <param name="Each">Batter in each.</param>
/// <param name="EachWeight">What that weighs.</param>
/// <param name="Fill">How full each is, as a share of its volume.</param>
/// <param name="Height">How high the batter stands.</param>
/// <param name="Surplus">What does not fit; zero when all does.</param>
/// <param name="SmallCakes">Small cakes in a muffin tin that the surplus makes.</param>
/// <param name="Verdict">In words, whether that is well.</param>
public sealed record PanFit(
    Pan Pan,
    int Count,
    Volume Each,
    Mass EachWeight,
    double Fill,
    Length Height,
    Volume Surplus,
    int SmallCakes,
    string Verdict
)
{
    // A common muffin cup, half a US cup to the brim, filled to two thirds (handbook charts, from memory).
    private const double SmallCakeMillilitres = 118 * 0.67;
    private const double WorthAPan = 0.35;

    /// <summary>Cups that are filled in all; for a pan without cups how many pans. Fewer than all when the last tin is part
    /// filled.</summary>
    public int Cups { get; init; } = Count * Pan.Cups;

    /// <summary>Batter of a weight in so many pans. Pans are never overfilled: what is too much becomes small cakes. Null for a
    /// tray.</summary>
    /// <param name="batter">What goes into pans, all of it.</param>
    /// <param name="kind">What kind of bake.</param>
    /// <param name="pan">The pan.</param>
    /// <param name="count">How many are filled, at least 1; null for as many as it takes.</param>
    public static PanFit? Of(Mass batter, RecipeKind kind, Pan pan, int? count = null)
    {
        if (PanVolume.Of(pan) is not { Millilitres: > 0 } holds)
            return null;
        var rule = FillRule.For(kind);
        if (pan.Cups > 1 && count is null)
            return OfCups(
                batter,
                kind,
                pan,
                Math.Max(1, (int)Math.Round(batter.Grams / rule.Density / (holds.Millilitres / pan.Cups * rule.Usual)))
            );
        var volume = batter.Grams / rule.Density;
        var pans = count ?? Math.Max(1, (int)Math.Round(volume / (holds.Millilitres * rule.Usual)));
        // A little too much becomes small cakes; much too much asks for another pan.
        if (count is null && volume - (pans * holds.Millilitres * rule.Most) > WorthAPan * holds.Millilitres * rule.Usual)
            pans++;
        var each = Math.Min(volume / pans, holds.Millilitres * rule.Most);
        var surplus = Math.Max(0, volume - (each * pans));
        // Less than half a small cake is a lick of the spoon.
        var small = (int)Math.Floor((surplus / SmallCakeMillilitres) + 0.5);
        var fill = each / holds.Millilitres;
        return new PanFit(
            pan,
            pans,
            Volume.FromMillilitres(each),
            Mass.FromGrams(each * rule.Density),
            fill,
            PanVolume.HeightOf(pan, Volume.FromMillilitres(each))!.Value,
            Volume.FromMillilitres(surplus),
            small,
            Words(fill, rule, small, pans)
        );
    }

    /// <summary>Batter of a weight in so many cups of a tin: what no cup gets, no cup holds, and the last tin is part filled. Null for a
    /// pan without cups.</summary>
    /// <param name="batter">All of it.</param>
    /// <param name="kind">What kind of bake.</param>
    /// <param name="pan">The tin.</param>
    /// <param name="cups">How many cups are filled, at least 1.</param>
    public static PanFit? OfCups(Mass batter, RecipeKind kind, Pan pan, int cups)
    {
        if (pan.Cups < 2 || PanVolume.Of(pan) is not { Millilitres: > 0 } holds)
            return null;
        var rule = FillRule.For(kind);
        var cup = holds.Millilitres / pan.Cups;
        var each = Math.Min(batter.Grams / rule.Density / cups, cup * rule.Most);
        var surplus = Math.Max(0, (batter.Grams / rule.Density) - (each * cups));
        var small = (int)Math.Floor((surplus / SmallCakeMillilitres) + 0.5);
        var tins = (int)Math.Ceiling(cups / (double)pan.Cups);
        var last = cups - ((tins - 1) * pan.Cups);
        var empty =
            last < pan.Cups
                ? $" {(tins == 1 ? "The tin has" : "The last tin has")} {last} of its {pan.Cups} cups filled; a spoon of water in the "
                    + "empty ones keeps it from scorching."
                : "";
        return new PanFit(
            pan,
            tins,
            Volume.FromMillilitres(each * pan.Cups),
            Mass.FromGrams(each * pan.Cups * rule.Density),
            each / cup,
            PanVolume.HeightOf(pan, Volume.FromMillilitres(each * pan.Cups))!.Value,
            Volume.FromMillilitres(surplus),
            small,
            Words(each / cup, rule, small, tins) + empty
        )
        {
            Cups = cups,
        };
    }

    /// <summary>How many times a recipe fills so many pans to the usual height; null for a tray or a recipe without batter.</summary>
    public static double? FactorFor(Mass batterOfOne, RecipeKind kind, Pan pan, int count)
    {
        if (batterOfOne.Grams <= 0 || PanVolume.Of(pan) is not { Millilitres: > 0 } holds)
            return null;
        var rule = FillRule.For(kind);
        return holds.Millilitres * rule.Usual * count * rule.Density / batterOfOne.Grams;
    }

    private static string Words(double fill, FillRule rule, int small, int pans)
    {
        if (small > 0)
            return $"Filled to the most that is safe; what is left makes {small} small {(small == 1 ? "cake" : "cakes")}.";
        if (fill < rule.Least)
            return $"Low: it would come out flat and dry. Take {(pans > 1 ? "fewer or " : "")}smaller pans.";
        return fill > rule.Usual + 0.05 ? "Full, but it will not run over." : "As full as it should be.";
    }
}
