namespace Zymethos.Store.Tenancy;

/// <summary>A row that belongs to one kitchen. The context filters reads by it and refuses writes to another kitchen's rows.</summary>
internal interface IKitchenOwned
{
    /// <summary>The kitchen it belongs to. Set by the context when the row is added; never changed.</summary>
    Guid KitchenId { get; set; }
}
