using System.Collections.Immutable;
using Zymethos.Core.Safety;

namespace Zymethos.Core.Measures;

/// <summary>What an amount of a line is to the others.</summary>
public enum AmountRole
{
    /// <summary>The amount.</summary>
    Main,

    /// <summary>Added to it ("1 cup plus 2 tbsp").</summary>
    Plus,

    /// <summary>Taken from it ("1 cup minus 1 tbsp").</summary>
    Minus,

    /// <summary>The same again in another measure ("1 cup (120 g)").</summary>
    Also,

    /// <summary>How much is in each of what the main amount counts ("2 cans (15 oz)").</summary>
    Each,
}

/// <summary>An amount as read.</summary>
/// <param name="Amount">Number or range, and unit.</param>
/// <param name="Role">What it is to the others.</param>
/// <param name="Fullness">1 for a level measure; heaped about 1.5, rounded 1.25, scant 0.9 (common practice, no source).</param>
public sealed record ReadAmount(Amount Amount, AmountRole Role, double Fullness = 1);

/// <summary>What else a line says of its ingredient.</summary>
[Flags]
public enum LineTraits
{
    /// <summary>Nothing.</summary>
    None = 0,

    /// <summary>The bake does without.</summary>
    Optional = 1,

    /// <summary>To taste, as needed.</summary>
    ToTaste = 2,

    /// <summary>Used in several places of the method.</summary>
    Divided = 4,

    /// <summary>For dusting, greasing, the board: not part of the dough.</summary>
    Aside = 8,

    /// <summary>More of it is wanted beside the amount ("plus more for dusting").</summary>
    PlusMore = 16,

    /// <summary>Not an ingredient but a heading ("For the glaze:").</summary>
    Heading = 32,
}

/// <summary>
/// An ingredient line as it was understood. Everything that was written is somewhere in it: the words of <paramref name="Text"/> reappear
/// in amounts, name, forms or note, and what could not be placed stands in <paramref name="Note"/> with a doubt beside it.
/// </summary>
/// <param name="Text">The line as written.</param>
/// <param name="Amounts">Its amounts, the main one first; empty when it has none.</param>
/// <param name="Name">The words for the ingredient; empty for a heading.</param>
/// <param name="Ingredient">What was recognised; null when nothing was.</param>
/// <param name="Forms">How it is to be ("chopped", "packed", "softened"), in order.</param>
/// <param name="Size">Size of pieces ("large"); empty when it is not said.</param>
/// <param name="Note">Everything else, as written.</param>
/// <param name="Traits">Optional, to taste, divided and the like.</param>
/// <param name="Alternatives">What may be taken instead ("butter or margarine").</param>
/// <param name="Doubts">Questions for the baker; empty when all is clear.</param>
/// <param name="Weight">Its weight, the middle of a range; null when it cannot be known.</param>
public sealed record ReadLine(
    string Text,
    ImmutableArray<ReadAmount> Amounts,
    string Name,
    Ingredient? Ingredient,
    ImmutableArray<string> Forms,
    string Size,
    string Note,
    LineTraits Traits,
    ImmutableArray<ReadLine> Alternatives,
    ImmutableArray<string> Doubts,
    Mass? Weight
)
{
    /// <summary>Words that were kept in the note without being understood; empty when every word was.</summary>
    public ImmutableArray<string> Left { get; init; } = [];

    /// <summary>Allergens named by words beyond the ingredient ("beaten with milk"), in order.</summary>
    public ImmutableArray<Allergen> Named { get; init; } = [];

    /// <summary>Allergens that a claim in the line speaks of ("gluten-free"): neither stated nor ruled out.</summary>
    public ImmutableArray<Allergen> Claimed { get; init; } = [];

    /// <summary>Other ingredients named inside the line ("mixed fruit and nuts (raisins, walnuts)").</summary>
    public ImmutableArray<Ingredient> Inside { get; init; } = [];

    /// <summary>Whether the ingredient is a guess at a slip of the keyboard.</summary>
    public bool IsGuessed { get; init; }

    /// <summary>Whether every word of it is understood and no label has to be asked about allergens beyond the ingredient's own
    /// row.</summary>
    public bool IsWhollyKnown =>
        Traits.HasFlag(LineTraits.Heading)
        || (Ingredient is not null && !IsGuessed && Left.IsEmpty && Claimed.IsEmpty && Alternatives.All(a => a.IsWhollyKnown));
}
