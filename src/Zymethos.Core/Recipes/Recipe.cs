using System.Collections.Immutable;
using Zymethos.Core.Measures;

namespace Zymethos.Core.Recipes;

/// <summary>What a part of a recipe is.</summary>
public enum PartKind
{
    /// <summary>Dough.</summary>
    Dough,

    /// <summary>Batter.</summary>
    Batter,

    /// <summary>Fruit or grain in liquid.</summary>
    Soak,

    /// <summary>What goes inside.</summary>
    Filling,

    /// <summary>A thin, shiny coat.</summary>
    Glaze,

    /// <summary>Syrup.</summary>
    Syrup,

    /// <summary>Icing.</summary>
    Icing,

    /// <summary>What goes on top before or after baking.</summary>
    Topping,
}

/// <summary>A line of a recipe.</summary>
/// <param name="Amount">As the recipe writes it; null for "to taste" and the like.</param>
/// <param name="Weight">Its weight, when known.</param>
/// <param name="Ingredient">What it is ("bread flour").</param>
/// <param name="Form">How it is to be ("packed", "melted and cooled"). May be empty.</param>
/// <param name="Note">Anything else ("for the board"). May be empty.</param>
/// <param name="IsOptional">Whether the bake does without.</param>
public sealed record IngredientLine(Amount? Amount, Mass? Weight, string Ingredient, string Form, string Note, bool IsOptional);

/// <summary>A part of a recipe: dough, glaze, topping.</summary>
/// <param name="Name">Its heading.</param>
/// <param name="Kind">What it is.</param>
/// <param name="Lines">What goes in, in the order of use.</param>
public sealed record Part(string Name, PartKind Kind, ImmutableArray<IngredientLine> Lines);

/// <summary>What one batch gives.</summary>
/// <param name="Pieces">How many, at least 1.</param>
/// <param name="PieceName">The word for several of them ("loaves").</param>
public sealed record Yield(int Pieces, string PieceName);

/// <summary>How long the finished bake keeps in one place.</summary>
/// <param name="Place">Where ("counter", "freezer") and how wrapped.</param>
/// <param name="Days">For how many days it is good, at least 1.</param>
public sealed record KeepingPlace(string Place, int Days);

/// <summary>A recipe: parts, method, yield and keeping. Immutable; an edited recipe is a new value.</summary>
/// <param name="Key">Short name for addresses, lower-case words joined by hyphens; unique in a Book.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Summary">One or two sentences.</param>
/// <param name="Yield">What one batch gives.</param>
/// <param name="Parts">What goes in. May be empty in a document that only plans.</param>
/// <param name="Steps">What is done, in the order a person would read it. At least one.</param>
/// <param name="Links">What follows what.</param>
/// <param name="Keeping">How long it keeps where. May be empty.</param>
public sealed record Recipe(
    string Key,
    string Name,
    string Summary,
    Yield Yield,
    ImmutableArray<Part> Parts,
    ImmutableArray<Step> Steps,
    ImmutableArray<Link> Links,
    ImmutableArray<KeepingPlace> Keeping);
