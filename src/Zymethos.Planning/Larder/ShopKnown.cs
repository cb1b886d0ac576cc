using System.Collections.Immutable;
using Zymethos.Core.Larder;
using Zymethos.Core.Measures;

namespace Zymethos.Planning.Larder;

/// <summary>What a list of things to buy has to know of the kitchen.</summary>
/// <param name="Knowledge">What the kitchen knows of ingredients.</param>
/// <param name="There">What lies in the larder.</param>
/// <param name="Sizes">Packages of the kitchen's own, by the name of the good.</param>
public sealed record ShopKnown(
    IngredientKnowledge Knowledge,
    ImmutableArray<OnHand> There,
    IReadOnlyDictionary<string, ImmutableArray<double>> Sizes
)
{
    /// <summary>A kitchen with the ingredients that are shipped and an empty larder.</summary>
    public static ShopKnown Nothing { get; } = new(IngredientKnowledge.Shipped, [], new Dictionary<string, ImmutableArray<double>>());
}
