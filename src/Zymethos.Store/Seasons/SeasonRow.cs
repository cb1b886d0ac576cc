using NodaTime;
using Zymethos.Interchange.Documents;
using Zymethos.Store.Tenancy;

namespace Zymethos.Store.Seasons;

/// <summary>A season of a kitchen: what its bakers said of it, and the plan that stands.</summary>
public sealed class SeasonRow : IKitchenOwned
{
    /// <summary>Id of the row.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc />
    public Guid KitchenId { get; set; }

    /// <summary>Name, repeated from the sheet for listing.</summary>
    public string Name { get; set; } = "";

    /// <summary>What was said.</summary>
    public SeasonSheet Sheet { get; set; } = null!;

    /// <summary>The plan; null before there is one.</summary>
    public SeasonPlanDocument? Plan { get; set; }

    /// <summary>When it was planned; null before.</summary>
    public Instant? PlannedAt { get; set; }

    /// <summary>What the last change did, in sentences, one a line; may be empty.</summary>
    public string Said { get; set; } = "";

    /// <summary>What was said before the last change, to go back to; null when there is nothing.</summary>
    public SeasonSheet? SheetBefore { get; set; }

    /// <summary>Secret part of the address of its calendar; null when it has none.</summary>
    public string? CalendarKey { get; set; }

    /// <summary>Where reminders are sent; empty for nowhere.</summary>
    public string RemindTo { get; set; } = "";

    /// <summary>Whether a search for a better plan is under way.</summary>
    public bool IsSearching { get; set; }

    /// <summary>Whether somebody asked that search to stop.</summary>
    public bool StopAsked { get; set; }

    /// <summary>When it was made.</summary>
    public Instant MadeAt { get; set; }

    /// <summary>Changes with every write (PostgreSQL's xmin).</summary>
    public uint Version { get; set; }
}
