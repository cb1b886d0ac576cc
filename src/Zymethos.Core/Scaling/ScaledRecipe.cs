using System.Collections.Immutable;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;

namespace Zymethos.Core.Scaling;

/// <summary>A line of a recipe at a scale.</summary>
/// <param name="Line">The line as the recipe has it.</param>
/// <param name="Weight">Its weight at the scale; null when the recipe's weight is not known.</param>
/// <param name="Measure">The same as it is measured: cups and spoons that exist, eggs as eggs; empty when only the weight says it.</param>
/// <param name="BySpoon">Whether the spoon is more exact than a kitchen scale that reads whole grams.</param>
public sealed record ScaledLine(IngredientLine Line, Mass? Weight, string Measure, bool BySpoon);

/// <summary>A part of a recipe at a scale.</summary>
/// <param name="Part">The part as the recipe has it.</param>
/// <param name="Lines">Its lines.</param>
/// <param name="Weight">What all lines of known weight weigh together.</param>
public sealed record ScaledPart(Part Part, ImmutableArray<ScaledLine> Lines, Mass Weight);

/// <summary>A recipe's ingredients at a scale. Everything scales by weight in proportion, leaveners, salt and spice too (the professional
/// school).</summary>
/// <param name="Recipe">The recipe as it is baked: choices made, swaps taken.</param>
/// <param name="Factor">How many times the recipe; above 0.</param>
/// <param name="Parts">Its parts.</param>
public sealed record ScaledRecipe(Recipe Recipe, double Factor, ImmutableArray<ScaledPart> Parts)
{
    /// <summary>The largest scale, so that a slip of the keyboard does not ask for a lorry of flour.</summary>
    public const double Largest = 100;

    /// <summary>The smallest scale.</summary>
    public const double Smallest = 0.05;

    /// <summary>From this multiple on, the habit of cutting back spice and leavener is offered.</summary>
    public const double CutBackFrom = 4;

    // Below this a kitchen scale that reads whole grams is worse than a spoon.
    private const double SpoonBelowGrams = 5;

    // What the habit cuts (common practice, no source).
    private const double SpiceCut = 0.8;
    private const double LeavenerCut = 0.9;

    /// <summary>Pieces at the scale, rounded down: a last bit of dough is no piece.</summary>
    public int Pieces => (int)Math.Floor((Recipe.Yield.Pieces * Factor) + 1e-9);

    /// <summary>The recipe taken so many times.</summary>
    /// <param name="recipe">The recipe as it is baked.</param>
    /// <param name="factor">How many times.</param>
    /// <param name="knowledge">What the kitchen knows of ingredients; null for the table that ships.</param>
    /// <param name="cutBack">Whether spice and leavener are cut back above four times, as some do.</param>
    /// <exception cref="ArgumentOutOfRangeException">The factor lies outside <see cref="Smallest"/> to <see cref="Largest"/>.</exception>
    public static ScaledRecipe ByMultiple(Recipe recipe, double factor, IngredientKnowledge? knowledge = null, bool cutBack = false)
    {
        if (!(factor >= Smallest && factor <= Largest))
            throw new ArgumentOutOfRangeException(nameof(factor), factor, "A scale lies between 0.05 and 100.");
        var known = knowledge ?? IngredientKnowledge.Shipped;
        var cuts = cutBack && factor >= CutBackFrom;
        return new ScaledRecipe(recipe, factor, [.. recipe.Parts.Select(p => Scale(p, factor, known, cuts))]);
    }

    private static ScaledPart Scale(Part part, double factor, IngredientKnowledge knowledge, bool cutBack)
    {
        var lines = part.Lines.Select(l => Scale(l, factor, knowledge, cutBack)).ToImmutableArray();
        return new ScaledPart(part, lines, Mass.FromGrams(lines.Sum(l => l.Weight?.Grams ?? 0)));
    }

    private static ScaledLine Scale(IngredientLine line, double factor, IngredientKnowledge knowledge, bool cutBack)
    {
        var ingredient = knowledge.Meant(line.Ingredient);
        if (cutBack)
            factor *= Cut(ingredient);
        Mass? weight = line.Weight is { } w ? w * factor : null;
        var measure = Measure(line, weight, factor, ingredient);
        return new ScaledLine(line, weight, measure, weight is { Grams: < SpoonBelowGrams } && measure.Length > 0);
    }

    private static double Cut(Ingredient? ingredient) =>
        ingredient switch
        {
            null => 1,
            { Role: IngredientRole.Leavener or IngredientRole.Yeast } => LeavenerCut,
            { Role: IngredientRole.Spice } => SpiceCut,
            _ => 1,
        };

    private static string Measure(IngredientLine line, Mass? weight, double factor, Ingredient? ingredient)
    {
        if (line.Amount is not { } amount)
            return "";
        if (amount.Unit.Dimension == UnitDimension.Count)
            return Count(line, amount, weight, factor, ingredient);
        var scaled = amount with { Low = amount.Low * factor, High = amount.High * factor };
        if (amount.Unit.Dimension == UnitDimension.Mass)
        {
            // Grams in the recipe: the cup is told beside them, for those who have no scale.
            if (weight is not { } w)
                return scaled.ToText();
            return ingredient is { Name: not "egg" } && SpoonsAndCups.For(w, ingredient, Forms(line)) is { } measured
                ? measured.WithError
                : "";
        }

        if (amount.High > amount.Low)
        {
            if (Exists(scaled.Low, amount.Unit) && Exists(scaled.High, amount.Unit))
                return scaled.ToText();
            var ends = new[] { amount.Low, amount.High }
                .Select(a => SpoonsAndCups.For(Volume.FromMillilitres(a * amount.Unit.Size * factor))?.Text ?? "a pinch")
                .Distinct()
                .ToList();
            return string.Join(" to ", ends);
        }

        return SpoonsAndCups.For(Volume.FromMillilitres(amount.Low * amount.Unit.Size * factor))?.WithError ?? "a pinch";
    }

    /// <summary>Whether so many of a unit can be filled with what lies in a drawer.</summary>
    private static bool Exists(double count, MeasureUnit unit)
    {
        var (least, steps) =
            unit == MeasureUnit.Cup ? (0.25, 12)
            : unit == MeasureUnit.Tablespoon ? (0.5, 2)
            : unit == MeasureUnit.Teaspoon ? (0.125, 8)
            : (1.0, 1);
        return count >= least - 1e-9 && Math.Abs((count * steps) - Math.Round(count * steps)) < 1e-6;
    }

    private static string[] Forms(IngredientLine line) =>
        line.Form.Split([',', ' '], StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);

    private static string Count(IngredientLine line, Amount amount, Mass? weight, double factor, Ingredient? ingredient)
    {
        var scaled = amount with { Low = amount.Low * factor, High = amount.High * factor };
        if (ingredient?.Name == "egg" && weight is { } beaten && amount.Unit == MeasureUnit.Piece)
        {
            // Eggs come out whole or are beaten and weighed.
            var eggs = EggMeasure.For(beaten);
            if (eggs is { Yolks: 0, Whites: 0 } && Math.Abs(eggs.ErrorPercent) <= EggMeasure.WholeWithin)
                return eggs.ToText();
            return $"beat and weigh, or {eggs.ToText()} ({(eggs.ErrorPercent < 0 ? "−" : "+")}{Math.Abs(eggs.ErrorPercent):0} %)";
        }

        var whole = Math.Round(scaled.Low);
        // Nobody cracks half a yolk.
        if (
            ingredient?.Name is "egg yolk" or "egg white"
            && weight is { } part
            && amount.High <= amount.Low
            && (whole < 1 || Math.Abs(scaled.Low - whole) / scaled.Low > 0.05)
        )
            return $"beat and weigh {part}";
        if (scaled.High > scaled.Low)
            return scaled.ToText();
        return whole > 0 && Math.Abs(scaled.Low - whole) / scaled.Low <= 0.05 ? Amount.Of(whole, amount.Unit).ToText() : scaled.ToText();
    }
}
