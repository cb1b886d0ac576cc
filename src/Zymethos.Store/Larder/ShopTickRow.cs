using NodaTime;
using Zymethos.Store.Tenancy;

namespace Zymethos.Store.Larder;

/// <summary>A line of the shopping list that is in the basket.</summary>
public sealed class ShopTickRow : IKitchenOwned
{
    /// <inheritdoc />
    public Guid KitchenId { get; set; }

    /// <summary>Which line: the trip's date and the good ("2026-12-03 butter").</summary>
    public string Line { get; set; } = "";

    /// <summary>Whether it is in the basket; false for one that was put back.</summary>
    public bool IsIn { get; set; }

    /// <summary>When it was said, by the device that said it: of two, the later counts.</summary>
    public Instant At { get; set; }
}
