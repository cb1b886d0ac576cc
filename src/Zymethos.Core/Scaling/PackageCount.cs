using System.Collections.Immutable;
using Zymethos.Core.Measures;

namespace Zymethos.Core.Scaling;

/// <summary>What of an ingredient must be opened.</summary>
/// <param name="Ingredient">What it is, by its name in the table.</param>
/// <param name="Needed">What all lines need of it.</param>
/// <param name="Package">The package that leaves least over.</param>
/// <param name="Count">How many of them.</param>
/// <param name="FullFactor">How many times the recipe uses up what is opened, when it comes in a can or packet in the recipe; else
/// null.</param>
public sealed record PackageCount(string Ingredient, Mass Needed, Mass Package, int Count, double? FullFactor)
{
    /// <summary>What stays over.</summary>
    public Mass Over => Mass.FromGrams(Math.Max(0, (Package.Grams * Count) - Needed.Grams));

    /// <summary>Packages for a recipe at a scale, in the order of its lines. Ingredients without a usual package are left out, and so is
    /// what comes by the spoon.</summary>
    public static ImmutableArray<PackageCount> For(ScaledRecipe scaled, IngredientKnowledge knowledge)
    {
        var counts = ImmutableArray.CreateBuilder<PackageCount>();
        var lines = scaled
            .Parts.SelectMany(p => p.Lines)
            .Select(l => (l, knowledge.Meant(l.Line.Ingredient)))
            .Where(l => l.Item2 is { Packages.IsEmpty: false } && l.l.Weight is { Grams: > 0 });
        foreach (var group in lines.GroupBy(l => l.Item2!.Name))
        {
            var ingredient = group.First().Item2!;
            var needed = group.Sum(l => l.l.Weight!.Value.Grams);
            var canned = group
                .FirstOrDefault(l =>
                    l.l.Line.Amount is { } a && (a.Unit == MeasureUnit.Can || a.Unit == MeasureUnit.Packet || a.Unit == MeasureUnit.Jar)
                )
                .l;
            // A can is the can the recipe means, whatever other sizes are sold.
            var package = canned is not null
                ? canned.Line.Weight!.Value.Grams / canned.Line.Amount!.Low
                : ingredient
                    .Packages.OrderBy(p => (Math.Max(1, Math.Ceiling((needed / p) - 0.02)) * p) - needed)
                    .ThenByDescending(p => p)
                    .First();
            var count = Math.Max(1, (int)Math.Ceiling((needed / package) - 0.02));
            var full = canned is null ? (double?)null : scaled.Factor * count * package / needed;
            counts.Add(new PackageCount(ingredient.Name, Mass.FromGrams(needed), Mass.FromGrams(package), count, full));
        }

        return counts.ToImmutable();
    }
}
