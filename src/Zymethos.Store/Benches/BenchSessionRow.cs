using NodaTime;
using Zymethos.Interchange.Documents;
using Zymethos.Store.Days;
using Zymethos.Store.Tenancy;

namespace Zymethos.Store.Benches;

/// <summary>
/// A day at work on the Bench. It holds its plan by value: an Oven Day that is changed meanwhile does not change it. What happened stands
/// in the events alone.
/// </summary>
public sealed class BenchSessionRow : IKitchenOwned
{
    /// <summary>Id of the row.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc />
    public Guid KitchenId { get; set; }

    /// <summary>What to call it.</summary>
    public string Title { get; set; } = "";

    /// <summary>The date of the Oven Day that it works through; null for recipes taken straight from the Book.</summary>
    public LocalDate? DayDate { get; set; }

    /// <summary>When work began.</summary>
    public Instant StartedAt { get; set; }

    /// <summary>When it was put away; null while it is at work. A kitchen works through one session at a time.</summary>
    public Instant? EndedAt { get; set; }

    /// <summary>What was asked for.</summary>
    public OvenDayDocument Document { get; set; } = null!;

    /// <summary>The plan that is gone by.</summary>
    public SavedPlan Plan { get; set; } = null!;

    /// <summary>The plan with which the day began.</summary>
    public SavedPlan Planned { get; set; } = null!;

    /// <summary>Which plan it is, from 1; one more with every order that was taken.</summary>
    public int PlanNumber { get; set; }

    /// <summary>Up to what its bakes stand in the Daybook: the plan and the last event that were read; null while none were.</summary>
    public string? Recorded { get; set; }

    /// <summary>Changes with every write (PostgreSQL's xmin).</summary>
    public uint Version { get; set; }
}
