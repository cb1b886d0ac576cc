using System.Collections.Immutable;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;

namespace Zymethos.Core.Scaling;

/// <summary>A line of a recipe at a scale.</summary>
/// <param name="Line">The line as the recipe has it.</param>
/// <param name="Weight">Its weight at the scale; null when the recipe's weight is not known.</param>
/// <param name="Measure">The same as it is measured: cups and spoons that exist, eggs as eggs; empty when only the weight says it.</param>
public sealed record ScaledLine(IngredientLine Line, Mass? Weight, string Measure);

/// <summary>A part of a recipe at a scale.</summary>
/// <param name="Part">The part as the recipe has it.</param>
/// <param name="Lines">Its lines.</param>
/// <param name="Weight">What all lines of known weight weigh together.</param>
public sealed record ScaledPart(Part Part, ImmutableArray<ScaledLine> Lines, Mass Weight);

/// <summary>A recipe's ingredients at a scale. Everything scales by weight in proportion, leaveners, salt and spice too (the professional school).</summary>
/// <param name="Recipe">The recipe.</param>
/// <param name="Factor">How many times the recipe; above 0.</param>
/// <param name="Parts">Its parts.</param>
public sealed record ScaledRecipe(Recipe Recipe, double Factor, ImmutableArray<ScaledPart> Parts)
{
    /// <summary>The largest scale, so that a slip of the keyboard does not ask for a lorry of flour.</summary>
    public const double Largest = 100;

    /// <summary>The smallest scale.</summary>
    public const double Smallest = 0.05;

    /// <summary>Pieces at the scale, rounded down: a last bit of dough is no piece.</summary>
    public int Pieces => (int)Math.Floor((Recipe.Yield.Pieces * Factor) + 1e-9);

    /// <summary>The recipe taken so many times.</summary>
    /// <exception cref="ArgumentOutOfRangeException">The factor lies outside <see cref="Smallest"/> to <see cref="Largest"/>.</exception>
    public static ScaledRecipe ByMultiple(Recipe recipe, double factor)
    {
        if (!(factor >= Smallest && factor <= Largest)) throw new ArgumentOutOfRangeException(nameof(factor), factor, "A scale lies between 0.05 and 100.");
        return new ScaledRecipe(recipe, factor, [.. recipe.Parts.Select(p => Scale(p, factor))]);
    }

    /// <summary>How many times the recipe gives so many pieces.</summary>
    /// <param name="recipe">The recipe.</param>
    /// <param name="pieces">Pieces wanted, at least 1.</param>
    public static double FactorForPieces(Recipe recipe, int pieces) => (double)pieces / recipe.Yield.Pieces;

    private static ScaledPart Scale(Part part, double factor)
    {
        var lines = part.Lines.Select(l => Scale(l, factor)).ToImmutableArray();
        return new ScaledPart(part, lines, Mass.FromGrams(lines.Sum(l => l.Weight?.Grams ?? 0)));
    }

    private static ScaledLine Scale(IngredientLine line, double factor)
    {
        Mass? weight = line.Weight is { } w ? w * factor : null;
        return new ScaledLine(line, weight, Measure(line, weight, factor));
    }

    private static string Measure(IngredientLine line, Mass? weight, double factor)
    {
        if (line.Amount is not { } amount) return "";
        if (amount.Unit.Dimension == UnitDimension.Count) return Count(line, amount, weight, factor);
        if (amount.Unit.Dimension == UnitDimension.Mass) return weight is null ? (amount with { Low = amount.Low * factor, High = amount.High * factor }).ToText() : "";
        if (amount.High > amount.Low) return (amount with { Low = amount.Low * factor, High = amount.High * factor }).ToText();
        return SpoonsAndCups.For(Volume.FromMillilitres(amount.Low * amount.Unit.Size * factor))?.WithError ?? "a pinch";
    }

    private static string Count(IngredientLine line, Amount amount, Mass? weight, double factor)
    {
        var scaled = amount with { Low = amount.Low * factor, High = amount.High * factor };
        var whole = Math.Round(scaled.Low);
        if (scaled.High > scaled.Low || (whole > 0 && Math.Abs(scaled.Low - whole) / scaled.Low <= 0.05))
            return (scaled.High > scaled.Low ? scaled : Amount.Of(whole, amount.Unit)).ToText();
        if (!line.Ingredient.StartsWith("egg", StringComparison.Ordinal)) return scaled.ToText();
        // Eggs come out whole or are beaten and weighed.
        var full = Math.Floor(scaled.Low);
        return weight is null ? scaled.ToText() : full > 0 ? $"{full:0} and some of another, beaten: {weight} in all" : $"beaten: {weight}";
    }
}
