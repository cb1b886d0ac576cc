using Zymethos.Interchange.Parcels;
using Zymethos.Store.Tenancy;

namespace Zymethos.Store.Parcels;

/// <summary>Somebody to whom a kitchen gives things.</summary>
public sealed class RecipientRow : IKitchenOwned
{
    /// <summary>Id of the row, and of the person in files.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc />
    public Guid KitchenId { get; set; }

    /// <summary>Name, repeated from the document for listing.</summary>
    public string Name { get; set; } = "";

    /// <summary>What is known of them.</summary>
    public RecipientDocument Document { get; set; } = null!;

    /// <summary>Changes with every write (PostgreSQL's xmin).</summary>
    public uint Version { get; set; }
}
