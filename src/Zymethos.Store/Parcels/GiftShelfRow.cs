using Zymethos.Interchange.Parcels;
using Zymethos.Store.Tenancy;

namespace Zymethos.Store.Parcels;

/// <summary>Tins and boxes of a kitchen, one row each kitchen.</summary>
public sealed class GiftShelfRow : IKitchenOwned
{
    /// <inheritdoc />
    public Guid KitchenId { get; set; }

    /// <summary>What is on it.</summary>
    public GiftShelfDocument Document { get; set; } = null!;

    /// <summary>Changes with every write (PostgreSQL's xmin).</summary>
    public uint Version { get; set; }
}
