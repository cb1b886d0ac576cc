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
public sealed record IngredientLine(Amount? Amount, Mass? Weight, string Ingredient, string Form, string Note, bool IsOptional)
{
    /// <summary>The line as somebody wrote it; empty when it was given in fields.</summary>
    public string Written { get; init; } = "";

    /// <summary>Whether it is held back until the dough shows that it wants it ("until it feels right").</summary>
    public bool IsHeldBack { get; init; }

    /// <summary>Whether it is for the board, the pan or the table and no part of what is baked.</summary>
    public bool IsAside { get; init; }

    /// <summary>What may be taken instead, as words ("pecans"). May be empty.</summary>
    public ImmutableArray<string> Alternatives { get; init; } = [];

    /// <summary>The choice this line belongs to; null when it always stands.</summary>
    public Condition? When { get; init; }

    /// <summary>What it stands for after a swap ("butter"); empty when it is the recipe's own. Never stored.</summary>
    public string InsteadOf { get; init; } = "";
}

/// <summary>A part of a recipe: dough, glaze, topping.</summary>
/// <param name="Name">Its heading.</param>
/// <param name="Kind">What it is.</param>
/// <param name="Lines">What goes in, in the order of use.</param>
public sealed record Part(string Name, PartKind Kind, ImmutableArray<IngredientLine> Lines);

/// <summary>What one batch gives.</summary>
/// <param name="Pieces">How many, at least 1.</param>
/// <param name="PieceName">The word for several of them ("loaves").</param>
public sealed record Yield(int Pieces, string PieceName);

/// <summary>Where a bake is kept.</summary>
public enum KeepingStore
{
    /// <summary>At room temperature.</summary>
    Counter,

    /// <summary>In the refrigerator.</summary>
    Refrigerator,

    /// <summary>In the freezer.</summary>
    Freezer,
}

/// <summary>How long the finished bake keeps in one place.</summary>
/// <param name="Place">Where ("counter", "freezer") and how wrapped.</param>
/// <param name="Days">For how many days it is good, at least 1.</param>
public sealed record KeepingPlace(string Place, int Days)
{
    /// <summary>From how many days on it is at its best; 0 for the day it is baked.</summary>
    public int BestFromDays { get; init; }

    /// <summary>Hours to thaw at room temperature; null where nothing is frozen.</summary>
    public double? ThawHours { get; init; }

    /// <summary>The part it holds for, by name, when it is made ahead on its own; empty for the whole bake.</summary>
    public string Part { get; init; } = "";

    /// <summary>Key of the step after which it is kept so, with work still to come ("baked and cold, not yet iced"); empty when all is done
    /// by then.</summary>
    public string After { get; init; } = "";

    /// <summary>The place as it is said in a sentence: "on the counter, in a cloth", "in the refrigerator".</summary>
    public string Said =>
        Place.StartsWith("counter", StringComparison.OrdinalIgnoreCase) ? $"on the {Place[..1].ToLowerInvariant()}{Place[1..]}"
        : Place.StartsWith("freezer", StringComparison.OrdinalIgnoreCase)
        || Place.StartsWith("refrigerator", StringComparison.OrdinalIgnoreCase)
            ? $"in the {Place[..1].ToLowerInvariant()}{Place[1..]}"
        : Place;

    /// <summary>Which store the words name: a freezer, a refrigerator, else the counter.</summary>
    public KeepingStore Store =>
        Place.StartsWith("freezer", StringComparison.OrdinalIgnoreCase) ? KeepingStore.Freezer
        : Place.StartsWith("refrigerator", StringComparison.OrdinalIgnoreCase) ? KeepingStore.Refrigerator
        : KeepingStore.Counter;
}

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
    ImmutableArray<KeepingPlace> Keeping
)
{
    /// <summary>What kind of bake it is.</summary>
    public RecipeKind Kind { get; init; } = RecipeKind.Other;

    /// <summary>Where bakers differ, and which way this recipe goes. May be empty.</summary>
    public ImmutableArray<Choice> Choices { get; init; } = [];

    /// <summary>Parts of a batch that are finished another way than the rest. May be empty.</summary>
    public ImmutableArray<Finish> Finishes { get; init; } = [];

    /// <summary>Ingredients taken instead of the recipe's own. May be empty.</summary>
    public ImmutableArray<Swap> Swaps { get; init; } = [];

    /// <summary>Where its words come from; null when nobody said. Decides what lines that are added to it mean by a pint, a cup and an
    /// egg.</summary>
    public Dialect? Dialect { get; init; }

    /// <summary>What was guessed when it was read and not looked at since, the most harmful first. May be empty.</summary>
    public ImmutableArray<OpenQuestion> Questions { get; init; } = [];

    /// <summary>How its writer filled a cup of flour; null for the kitchen's own habit.</summary>
    public FlourHabit? FlourHabit { get; init; }

    /// <summary>How many strands or buns the dough of one batch is divided into; 0 when it is not divided by weight.</summary>
    public int DividedInto { get; init; }

    /// <summary>What a piece of divided dough is called ("strands"); empty when it is not divided.</summary>
    public string DivisionName { get; init; } = "";
}
