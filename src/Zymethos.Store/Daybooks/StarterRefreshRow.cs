using NodaTime;
using Zymethos.Interchange.Documents;
using Zymethos.Store.Tenancy;

namespace Zymethos.Store.Daybooks;

/// <summary>Something that was done to the kitchen's starter.</summary>
public sealed class StarterRefreshRow : IKitchenOwned
{
    /// <summary>Id of the row, and of the feed in files.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc />
    public Guid KitchenId { get; set; }

    /// <summary>When, by the kitchen's clock; repeated from the document for listing.</summary>
    public LocalDateTime At { get; set; }

    /// <summary>What was done.</summary>
    public StarterRefreshDocument Document { get; set; } = null!;
}
