using NodaTime;
using Zymethos.Interchange.Drafts;
using Zymethos.Store.Tenancy;

namespace Zymethos.Store.Books;

/// <summary>A recipe that is being written. Saves itself while it is typed and is no part of the Book yet.</summary>
public sealed class RecipeDraftRow : IKitchenOwned
{
    /// <summary>Id of the row, part of its address.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc />
    public Guid KitchenId { get; set; }

    /// <summary>Key of the recipe that is edited; empty for a new one.</summary>
    public string Key { get; set; } = "";

    /// <summary>Everything as typed.</summary>
    public RecipeDraft Draft { get; set; } = new();

    /// <summary>When it last saved itself.</summary>
    public Instant SavedAt { get; set; }

    /// <summary>The recipe of the Book as it stood when this edit was begun; empty for a new one, and for edits begun before this was
    /// kept.</summary>
    public string Begun { get; set; } = "";

    /// <summary>Changes with every write (PostgreSQL's xmin).</summary>
    public uint Version { get; set; }
}
