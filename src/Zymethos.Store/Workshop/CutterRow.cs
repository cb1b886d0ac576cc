using Zymethos.Interchange.Documents;
using Zymethos.Store.Tenancy;

namespace Zymethos.Store.Workshop;

/// <summary>A cutter or template of a kitchen.</summary>
public sealed class CutterRow : IKitchenOwned
{
    /// <summary>Id of the row.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc />
    public Guid KitchenId { get; set; }

    /// <summary>Name, repeated for listing; unique in its kitchen.</summary>
    public string Name { get; set; } = "";

    /// <summary>The cutter.</summary>
    public CutterDocument Document { get; set; } = null!;
}
