using Zymethos.Interchange.Larder;
using Zymethos.Store.Tenancy;

namespace Zymethos.Store.Larder;

/// <summary>How a kitchen buys something, where it differs from the usual.</summary>
public sealed class ShopGoodRow : IKitchenOwned
{
    /// <inheritdoc />
    public Guid KitchenId { get; set; }

    /// <summary>The ingredient, in lower case.</summary>
    public string Name { get; set; } = "";

    /// <summary>Where, in which packages, for how much.</summary>
    public ShopGoodDocument Document { get; set; } = null!;
}
