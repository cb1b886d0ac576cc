using System.Collections.Immutable;
using Zymethos.Core.Measures;

namespace Zymethos.Core.Larder;

/// <summary>What some bakes cost, as far as prices are known.</summary>
/// <param name="Known">The sum of what has a price, in the baker's own money.</param>
/// <param name="Unpriced">Goods without a price, by name: the sum leaves them out.</param>
public sealed record BakeCost(decimal Known, ImmutableArray<string> Unpriced)
{
    /// <summary>What is used costs; what stays over of a package is not counted, for it is there for the next bake.</summary>
    /// <param name="wants">What is wanted.</param>
    /// <param name="prices">Prices by the name of the good.</param>
    /// <param name="knowledge">What the kitchen knows of ingredients.</param>
    public static BakeCost Of(IReadOnlyList<ShopWant> wants, IReadOnlyDictionary<string, GoodPrice> prices, IngredientKnowledge knowledge)
    {
        var (sum, unpriced) = (0m, ImmutableArray.CreateBuilder<string>());
        foreach (var line in ShoppingList.Of(wants, [], knowledge))
        {
            if (prices.TryGetValue(line.Good.Name, out var price))
                sum += price.For(line.Need ?? 0);
            else
                unpriced.Add(line.Good.Name);
        }

        return new BakeCost(sum, unpriced.ToImmutable());
    }
}
