using System.Collections.Immutable;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;

namespace Zymethos.Core.Scaling;

/// <summary>A change for the height of the kitchen.</summary>
/// <param name="Ingredient">Which line, as the recipe names it; empty for the oven.</param>
/// <param name="Words">What to do.</param>
public sealed record ElevationChange(string Ingredient, string Words);

/// <summary>
/// Changes for kitchens above 3000 ft. Source: Colorado State University Extension, high-altitude table (from memory): less leavener, less
/// sugar, more liquid, a hotter oven. Between the table's heights the figures are drawn in a straight line; above 7000 ft the last ones
/// stand. They are a place to start, for cakes and quick loaves; yeast dough rises faster up there and is watched instead.
/// </summary>
public static class Elevation
{
    /// <summary>Feet in a metre (international foot, exact: 0.3048 m).</summary>
    public const double FeetPerMetre = 1 / 0.3048;

    private static readonly (double Feet, double Powder, double Sugar, double Liquid)[] Table =
    [
        // Middle of the published ranges: tsp less a tsp, tbsp less a cup, tbsp more a cup.
        (3000, 0.125, 0.5, 1.5),
        (5000, 0.1875, 1, 3),
        (7000, 0.25, 2, 3.5),
    ];

    /// <summary>How much less leavener (as a share), sugar and more liquid (grams to a cup as shares of the cup) a height asks for; null
    /// below 3000 ft.</summary>
    public static (double LeavenerLess, double SugarLessTbspPerCup, double LiquidMoreTbspPerCup)? At(double metres)
    {
        var feet = metres * FeetPerMetre;
        if (feet < Table[0].Feet)
            return null;
        var above = Table.Length - 1;
        if (feet >= Table[above].Feet)
            return (Table[above].Powder, Table[above].Sugar, Table[above].Liquid);
        var at = feet < Table[1].Feet ? 0 : 1;
        var share = (feet - Table[at].Feet) / (Table[at + 1].Feet - Table[at].Feet);
        double Between(double low, double high) => low + (share * (high - low));
        return (
            Between(Table[at].Powder, Table[at + 1].Powder),
            Between(Table[at].Sugar, Table[at + 1].Sugar),
            Between(Table[at].Liquid, Table[at + 1].Liquid)
        );
    }

    /// <summary>What changes in a scaled recipe; empty below 3000 ft and for kinds that are not raised by powder or soda.</summary>
    public static ImmutableArray<ElevationChange> Changes(ScaledRecipe scaled, IngredientKnowledge knowledge, double metres)
    {
        if (At(metres) is not { } change)
            return [];
        if (scaled.Recipe.Kind is RecipeKind.Bread or RecipeKind.Buns)
            return
            [
                new ElevationChange(
                    "",
                    "Up here dough rises faster: watch its size, not the clock, and knock it back once more if it races."
                ),
            ];
        // Drops and rolls of dough hold little water and little air (Colorado State University Extension, from memory: cookies are changed
        // least).
        if (scaled.Recipe.Kind is RecipeKind.Cookies or RecipeKind.RolledCookies or RecipeKind.TwiceBaked or RecipeKind.Built)
            return
            [
                new ElevationChange(
                    "",
                    "Cookies mostly bake well up here as they are. If they spread, take a spoon less sugar to the cup; if they "
                        + "crumble, a spoon more liquid. Look in a little sooner."
                ),
            ];
        if (
            !scaled
                .Parts.SelectMany(p => p.Lines)
                .Any(l =>
                    knowledge.Meant(l.Line.Ingredient)
                        is { Role: IngredientRole.Leavener or IngredientRole.Egg }
                            or { Name: "self-raising flour" }
                )
        )
            return [];
        var changes = ImmutableArray.CreateBuilder<ElevationChange>();
        foreach (var line in scaled.Parts.Where(p => p.Part.Kind is PartKind.Dough or PartKind.Batter).SelectMany(p => p.Lines))
        {
            if (line.Weight is not { } weight || knowledge.Meant(line.Line.Ingredient) is not { } ingredient)
                continue;
            if (ingredient.Role == IngredientRole.Leavener)
                changes.Add(
                    new(
                        line.Line.Ingredient,
                        $"{line.Line.Ingredient}: {weight.Grams * (1 - change.LeavenerLess):0.#} g instead of {weight.Grams:0.#} g"
                    )
                );
            else if (ingredient.Role == IngredientRole.Sweetener)
                changes.Add(
                    new(
                        line.Line.Ingredient,
                        $"{line.Line.Ingredient}: {weight.Grams * (1 - (change.SugarLessTbspPerCup / 16)):0} g instead of "
                            + $"{weight.Grams:0} g"
                    )
                );
            else if (ingredient.Role == IngredientRole.Liquid)
                changes.Add(
                    new(
                        line.Line.Ingredient,
                        $"{line.Line.Ingredient}: {weight.Grams * (1 + (change.LiquidMoreTbspPerCup / 16)):0} g instead of "
                            + $"{weight.Grams:0} g"
                    )
                );
        }

        changes.Add(new("", "Oven 10 °C (15 to 25 °F) hotter, and look in a little sooner."));
        return changes.ToImmutable();
    }
}
