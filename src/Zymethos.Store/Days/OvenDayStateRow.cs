using NodaTime;
using Zymethos.Interchange.Documents;
using Zymethos.Store.Tenancy;

namespace Zymethos.Store.Days;

/// <summary>
/// A state that a planned day has been in. The states of a date are numbered; <see cref="OvenDayRow.Number"/> says which one stands.
/// Undoing goes to the one before, doing again to the one after, and a new change drops what lay ahead.
/// </summary>
public sealed class OvenDayStateRow : IKitchenOwned
{
    /// <summary>Id of the row.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc />
    public Guid KitchenId { get; set; }

    /// <summary>The date.</summary>
    public LocalDate Date { get; set; }

    /// <summary>Its place among the states of the date, from 1; 0 for one that is kept aside as an alternative.</summary>
    public int Number { get; set; }

    /// <summary>What was done to come here, in a few words; for an alternative its name.</summary>
    public string Said { get; set; } = "";

    /// <summary>What was asked for.</summary>
    public OvenDayDocument Document { get; set; } = null!;

    /// <summary>The plan.</summary>
    public SavedPlan Plan { get; set; } = null!;

    /// <summary>When it was planned.</summary>
    public Instant PlannedAt { get; set; }
}
