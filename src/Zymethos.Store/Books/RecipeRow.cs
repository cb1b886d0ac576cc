using Zymethos.Core.Recipes;
using Zymethos.Interchange.Documents;
using Zymethos.Store.Tenancy;

namespace Zymethos.Store.Books;

/// <summary>A recipe in a kitchen's Book. What is listed is in columns, the recipe itself a document of the open format.</summary>
public sealed class RecipeRow : IKitchenOwned
{
    /// <summary>Id of the row.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc />
    public Guid KitchenId { get; set; }

    /// <summary>Key of the recipe, unique in its kitchen.</summary>
    public string Key { get; set; } = "";

    /// <summary>Name, repeated for listing.</summary>
    public string Name { get; set; } = "";

    /// <summary>The recipe.</summary>
    public RecipeDocument Document { get; set; } = null!;

    /// <summary>Changes with every write (PostgreSQL's xmin).</summary>
    public uint Version { get; set; }

    /// <summary>The recipe as the core knows it.</summary>
    /// <exception cref="InvalidDataException">The stored document is damaged.</exception>
    public Recipe ToRecipe()
    {
        var reader = new DocumentReader();
        var recipe = reader.Read(Document, "recipe");
        return reader.Faults.Count == 0 ? recipe : throw new InvalidDataException($"Recipe {Key}: {reader.Faults[0].Message}");
    }
}
