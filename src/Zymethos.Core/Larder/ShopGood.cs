using System.Collections.Immutable;
using Zymethos.Core.Measures;

namespace Zymethos.Core.Larder;

/// <summary>How an ingredient is bought.</summary>
public enum ShopUnit
{
    /// <summary>In packages that are weighed.</summary>
    Packages,

    /// <summary>By the piece: a lemon for its zest, bananas.</summary>
    Pieces,

    /// <summary>By weight, as somebody weighs it out.</summary>
    Weight,
}

/// <summary>
/// What of the ingredients a shop sells: whites and yolks come in eggs, zest and juice in fruit. What somebody buys is never "280 g of
/// egg".
/// </summary>
/// <param name="Name">What the shop calls it ("eggs", "lemons", "butter").</param>
/// <param name="Unit">How it is bought.</param>
/// <param name="PieceGrams">What a piece weighs; 0 for what is not bought by the piece.</param>
/// <param name="Sizes">Packages: grams, or pieces for what is bought by the piece; empty for any number.</param>
public sealed record ShopGood(string Name, ShopUnit Unit, double PieceGrams, ImmutableArray<double> Sizes)
{
    /// <summary>Name of the good that eggs, whites and yolks are bought as.</summary>
    public const string Eggs = "eggs";

    private static readonly ImmutableArray<string> Fruits = ["lemon", "orange", "lime", "grapefruit"];

    /// <summary>The good that an ingredient is bought as; null for what nobody buys: water, the kitchen's own starter.</summary>
    /// <param name="ingredient">The ingredient as a line names it.</param>
    /// <param name="knowledge">What the kitchen knows.</param>
    public static ShopGood? Of(string ingredient, IngredientKnowledge knowledge)
    {
        var known = knowledge.Meant(ingredient);
        var name = known?.Name ?? ingredient.Trim().ToLowerInvariant();
        if (
            name.Equals("water", StringComparison.OrdinalIgnoreCase)
            || name.EndsWith(" water", StringComparison.Ordinal) && IsPlainWater(name)
        )
            return null;
        if (known?.Role == IngredientRole.Starter || name.Contains("discard", StringComparison.OrdinalIgnoreCase))
            return null;
        if (name is "egg" or "egg white" or "egg yolk")
            return new ShopGood(Eggs, ShopUnit.Pieces, 0, [6, 12]);
        if (FruitOf(name) is { } fruit)
            return new ShopGood($"{fruit}s", ShopUnit.Pieces, Piece(knowledge.Find(fruit)), []);
        if (known is { Packages.IsEmpty: false })
            return new ShopGood(name, ShopUnit.Packages, 0, known.Packages);
        return Piece(known) is > 0 and var piece
            ? new ShopGood(name, ShopUnit.Pieces, piece, [])
            : new ShopGood(name, ShopUnit.Weight, 0, []);
    }

    /// <summary>The fruit of which this is the zest, the juice, or the whole; null for anything else.</summary>
    internal static string? FruitOf(string name) =>
        Fruits.FirstOrDefault(f => name == f || name == $"{f} zest" || name == $"{f} juice" || name == $"{f} peel");

    private static bool IsPlainWater(string name) =>
        name.Split(' ') is [.., "water"] words && words[..^1].All(w => w is "warm" or "hot" or "cold" or "boiling" or "lukewarm" or "iced");

    private static double Piece(Ingredient? known) =>
        known is null ? 0
        : known.Pieces.TryGetValue("piece", out var piece) ? piece
        : known.Pieces.TryGetValue("medium", out var medium) ? medium
        : 0;
}
