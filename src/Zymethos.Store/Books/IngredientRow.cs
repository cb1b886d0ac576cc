using Zymethos.Interchange.Documents;
using Zymethos.Store.Tenancy;

namespace Zymethos.Store.Books;

/// <summary>An ingredient that a kitchen adds, or that overrules the table's of the same name.</summary>
public sealed class IngredientRow : IKitchenOwned
{
    /// <summary>Id of the row.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc />
    public Guid KitchenId { get; set; }

    /// <summary>Name, unique in its kitchen.</summary>
    public string Name { get; set; } = "";

    /// <summary>The ingredient.</summary>
    public IngredientDocument Document { get; set; } = null!;
}
