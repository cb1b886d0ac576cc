using NodaTime;
using Zymethos.Interchange.Documents;
using Zymethos.Store.Tenancy;

namespace Zymethos.Store.Days;

/// <summary>Where a long search stands.</summary>
public enum LongSearchState
{
    /// <summary>Nobody has taken it up yet.</summary>
    Waiting,

    /// <summary>An instance is at it.</summary>
    Running,

    /// <summary>It ended; what it found stands in the day or beside it.</summary>
    Done,

    /// <summary>The baker stopped it; the best until then was kept.</summary>
    Stopped,

    /// <summary>It broke off; the plan from before stands.</summary>
    Failed,
}

/// <summary>A long search for a better order of a day, done in the background by whichever instance takes it up.</summary>
public sealed class LongSearchRow : IKitchenOwned
{
    /// <summary>Id of the row.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc />
    public Guid KitchenId { get; set; }

    /// <summary>The date.</summary>
    public LocalDate Date { get; set; }

    /// <summary>What is asked for, as it was when the search began.</summary>
    public OvenDayDocument Document { get; set; } = null!;

    /// <summary>How long it may take, in seconds.</summary>
    public double Seconds { get; set; }

    /// <summary>Where it stands.</summary>
    public LongSearchState State { get; set; }

    /// <summary>Whether somebody asked it to stop.</summary>
    public bool StopAsked { get; set; }

    /// <summary>Name of the instance that took it up; empty before that.</summary>
    public string Worker { get; set; } = "";

    /// <summary>How often it was taken up: more than once when an instance ended in the middle of it.</summary>
    public int Attempts { get; set; }

    /// <summary>When it was asked for.</summary>
    public Instant AskedAt { get; set; }

    /// <summary>When it was last taken up; null before that.</summary>
    public Instant? StartedAt { get; set; }

    /// <summary>When it ended; null while it goes on.</summary>
    public Instant? EndedAt { get; set; }

    /// <summary>Finishing minute of the best plan so far; null before there is one.</summary>
    public int? Finish { get; set; }

    /// <summary>Finishing minute that no plan can beat, as far as is known; 0 before that.</summary>
    public int Bound { get; set; }

    /// <summary>How many better plans it found.</summary>
    public int Found { get; set; }

    /// <summary>The best plan so far; null before there is one.</summary>
    public SavedPlan? Plan { get; set; }

    /// <summary>What came of it, in a sentence.</summary>
    public string Said { get; set; } = "";
}
