namespace Zymethos.Core.Larder;

/// <summary>What a good costs here.</summary>
/// <param name="Price">The price of one package in the baker's own money, zero or more.</param>
/// <param name="Size">What that package holds, in the unit in which the good is bought: pieces or grams; above zero.</param>
public sealed record GoodPrice(decimal Price, double Size)
{
    // What is weighed out loose has its price by the kilogram.
    private const double Kilogram = 1000;

    /// <summary>The price of a good: of its first package, of one piece, or of a kilogram.</summary>
    /// <param name="good">The good.</param>
    /// <param name="own">Packages of the kitchen's own; null or empty for the usual ones.</param>
    /// <param name="price">What was typed.</param>
    public static GoodPrice Of(ShopGood good, IReadOnlyList<double>? own, decimal price) =>
        new(
            price,
            own is { Count: > 0 } ? own[0]
                : !good.Sizes.IsEmpty ? good.Sizes[0]
                : good.Unit == ShopUnit.Pieces ? 1
                : Kilogram
        );

    /// <summary>What so much of it costs.</summary>
    /// <param name="amount">How much, in the unit of <see cref="Size"/>.</param>
    public decimal For(double amount) => Math.Round(Price * (decimal)(amount / Size), 6);
}
