using NodaTime;

namespace Zymethos.Store.Accounts;

/// <summary>A kitchen that its baker has asked to be deleted, and when that will be. Until then it can be kept.</summary>
public sealed class ClosingRow
{
    /// <summary>The kitchen.</summary>
    public Guid KitchenId { get; set; }

    /// <summary>When it is deleted with everything in it.</summary>
    public Instant ClosesAt { get; set; }
}
