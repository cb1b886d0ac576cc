using Zymethos.Interchange.Larder;
using Zymethos.Store.Tenancy;

namespace Zymethos.Store.Larder;

/// <summary>Something that is in the house.</summary>
public sealed class StockRow : IKitchenOwned
{
    /// <summary>Id of the row, and of the thing in files.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc />
    public Guid KitchenId { get; set; }

    /// <summary>What it is, repeated from the document for listing.</summary>
    public string Name { get; set; } = "";

    /// <summary>How much of it, until when, where.</summary>
    public StockDocument Document { get; set; } = null!;

    /// <summary>Changes with every write (PostgreSQL's xmin).</summary>
    public uint Version { get; set; }
}
