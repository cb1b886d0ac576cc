using NodaTime;
using Zymethos.Store.Tenancy;

namespace Zymethos.Store.Workshop;

/// <summary>A page of the Workshop that is kept with a recipe: what was asked stands in its address.</summary>
public sealed class SheetRow : IKitchenOwned
{
    /// <summary>Id of the row.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc />
    public Guid KitchenId { get; set; }

    /// <summary>Key of the recipe.</summary>
    public string Recipe { get; set; } = "";

    /// <summary>Path and query of the page, beginning with "/workshop/".</summary>
    public string Address { get; set; } = "";

    /// <summary>What the page is called.</summary>
    public string Title { get; set; } = "";

    /// <summary>What it said when it was kept, up to 400 characters.</summary>
    public string Says { get; set; } = "";

    /// <summary>When it was kept.</summary>
    public Instant KeptAt { get; set; }
}
