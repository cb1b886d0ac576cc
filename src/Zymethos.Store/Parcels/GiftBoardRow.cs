using NodaTime;
using Zymethos.Interchange.Parcels;
using Zymethos.Store.Tenancy;

namespace Zymethos.Store.Parcels;

/// <summary>Who gets what, for one occasion.</summary>
public sealed class GiftBoardRow : IKitchenOwned
{
    /// <summary>Id of the row.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc />
    public Guid KitchenId { get; set; }

    /// <summary>Name, repeated from the document for listing.</summary>
    public string Name { get; set; } = "";

    /// <summary>The board.</summary>
    public BoardDocument Document { get; set; } = null!;

    /// <summary>When it was made.</summary>
    public Instant MadeAt { get; set; }

    /// <summary>Changes with every write (PostgreSQL's xmin).</summary>
    public uint Version { get; set; }
}
