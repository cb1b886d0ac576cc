using NodaTime;
using Zymethos.Store.Tenancy;

namespace Zymethos.Store.Books;

/// <summary>How much flour a dough took that is mixed until it feels right.</summary>
public sealed class FlourTallyRow : IKitchenOwned
{
    /// <summary>Id of the row.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc />
    public Guid KitchenId { get; set; }

    /// <summary>Key of the recipe.</summary>
    public string Key { get; set; } = "";

    /// <summary>When the mixing began.</summary>
    public Instant StartedAt { get; set; }

    /// <summary>When the dough felt right; null while flour still goes in.</summary>
    public Instant? DoneAt { get; set; }

    /// <summary>Flour the recipe names for the batch, in grams, without what is held back.</summary>
    public double PlannedGrams { get; set; }

    /// <summary>Flour that went in, in grams.</summary>
    public double InGrams { get; set; }

    /// <summary>Changes with every write (PostgreSQL's xmin).</summary>
    public uint Version { get; set; }
}
