namespace Zymethos.Interchange.Larder;

/// <summary>A larder to take along, version 1: what is there, and how things are bought.</summary>
/// <param name="Format">Always "zymethos-larder".</param>
/// <param name="Version">Always 1.</param>
/// <param name="Stock">What is there.</param>
/// <param name="Goods">How things are bought; left out where all is as usual.</param>
public sealed record LarderDocument(
    string Format,
    int Version,
    IReadOnlyList<StockDocument> Stock,
    IReadOnlyList<ShopGoodDocument>? Goods = null
)
{
    /// <summary>What every file says of itself.</summary>
    public const string FormatName = "zymethos-larder";
}
