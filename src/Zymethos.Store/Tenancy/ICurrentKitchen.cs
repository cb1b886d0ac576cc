using Zymethos.Core.Kitchens;

namespace Zymethos.Store.Tenancy;

/// <summary>Which kitchen the present request works in.</summary>
public interface ICurrentKitchen
{
    /// <summary>The kitchen's id; null when nobody is signed in. Without a kitchen no owned row can be read or written.</summary>
    Guid? KitchenId { get; }

    /// <summary>Measures and clock of whoever is signed in; the kitchen's where nobody is, or they have none of their own.</summary>
    OwnSays Own => default;
}

/// <summary>A kitchen fixed in advance, for seeding, background work and tests.</summary>
/// <param name="KitchenId">The kitchen, or null for none.</param>
public sealed record FixedKitchen(Guid? KitchenId) : ICurrentKitchen;
