using NodaTime;
using Zymethos.Interchange.Documents;
using Zymethos.Store.Tenancy;

namespace Zymethos.Store.Books;

/// <summary>A recipe as it once was saved. Never changed; the highest number of a key is what the Book shows.</summary>
public sealed class RecipeVersionRow : IKitchenOwned
{
    /// <summary>Id of the row.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc />
    public Guid KitchenId { get; set; }

    /// <summary>Key of the recipe.</summary>
    public string Key { get; set; } = "";

    /// <summary>1, 2, 3 … for each key.</summary>
    public int Number { get; set; }

    /// <summary>When it was saved.</summary>
    public Instant SavedAt { get; set; }

    /// <summary>What was done, in a few words.</summary>
    public string Note { get; set; } = "";

    /// <summary>The recipe.</summary>
    public RecipeDocument Document { get; set; } = null!;
}
