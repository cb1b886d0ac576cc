using NodaTime;
using Zymethos.Interchange.Documents;
using Zymethos.Store.Tenancy;

namespace Zymethos.Store.Daybooks;

/// <summary>A feed of spirit that a keeping cake was given.</summary>
public sealed class CakeFeedRow : IKitchenOwned
{
    /// <summary>Id of the row, and of the feed in files.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc />
    public Guid KitchenId { get; set; }

    /// <summary>The bake that was fed.</summary>
    public Guid BakeId { get; set; }

    /// <summary>When, by the kitchen's clock; repeated from the document for listing.</summary>
    public LocalDateTime At { get; set; }

    /// <summary>What was given.</summary>
    public CakeFeedDocument Document { get; set; } = null!;
}
