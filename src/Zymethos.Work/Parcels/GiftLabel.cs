using System.Collections.Immutable;
using Zymethos.Core.Parcels;

namespace Zymethos.Work.Parcels;

/// <summary>One kind on a label.</summary>
/// <param name="Recipe">Key of its recipe.</param>
/// <param name="Name">What it is, and how many.</param>
/// <param name="Kept">When it was made, until when it is best, how it is kept and how it is made crisp or warm again.</param>
/// <param name="Ingredients">Its ingredients, in falling order by weight.</param>
public sealed record LabelPart(string Recipe, string Name, string Kept, ImmutableArray<LabelIngredient> Ingredients);

/// <summary>A label in the language that was asked for.</summary>
/// <param name="Title">For whom, or what it is.</param>
/// <param name="From">From whom; may be empty.</param>
/// <param name="Parts">What is in it.</param>
/// <param name="Contains">Which allergens are in it, in a sentence; empty for none.</param>
/// <param name="NotKnown">What may be in it or is not known, in sentences; empty for nothing.</param>
/// <param name="Kitchen">Which allergens the kitchen uses besides, in a sentence; empty for none.</param>
/// <param name="ForWhom">For whom it is not: spirit, honey, raw egg, small hard pieces.</param>
public sealed record GiftLabel(
    string Title,
    string From,
    ImmutableArray<LabelPart> Parts,
    string Contains,
    string NotKnown,
    string Kitchen,
    ImmutableArray<string> ForWhom
);
