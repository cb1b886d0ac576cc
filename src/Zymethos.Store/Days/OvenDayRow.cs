using NodaTime;
using Zymethos.Interchange.Documents;
using Zymethos.Store.Tenancy;

namespace Zymethos.Store.Days;

/// <summary>
/// A planned day. The document holds kitchen and recipes by value, so that a plan stays what it was when a recipe is edited later.
/// </summary>
public sealed class OvenDayRow : IKitchenOwned
{
    /// <summary>Id of the row.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc />
    public Guid KitchenId { get; set; }

    /// <summary>The date, repeated for listing.</summary>
    public LocalDate Date { get; set; }

    /// <summary>What was asked for.</summary>
    public OvenDayDocument Document { get; set; } = null!;

    /// <summary>The plan.</summary>
    public SavedPlan Plan { get; set; } = null!;

    /// <summary>When it was planned.</summary>
    public Instant PlannedAt { get; set; }

    /// <summary>Which of the day's states this is, from 1; 0 for a day planned before states were kept.</summary>
    public int Number { get; set; }

    /// <summary>Changes with every write (PostgreSQL's xmin).</summary>
    public uint Version { get; set; }
}

/// <summary>A plan with all that it was made of, so that it stays what it was: times, needs and windows are never worked out
/// again.</summary>
/// <param name="Format">Version of this document: 2, or 1 without network and statements.</param>
/// <param name="BoundFinish">The finishing minute that no plan can beat.</param>
/// <param name="Tasks">Starts, hands and shelves in the order of the network.</param>
/// <param name="Note">What changed when it was last planned again, in a sentence; empty when nothing to say.</param>
/// <param name="Modes">Ways to wait that the planner chose; left out where nothing was to choose.</param>
/// <param name="Network">The compiled day; null in plans of format 1, for which it is compiled again.</param>
/// <param name="Statements">What was known of each bake's allergens and cautions when it was planned, to notice what has changed; null in
/// plans of format 1.</param>
/// <param name="Chance">What became of the plan on rehearsed days; null where none were lived.</param>
/// <param name="Choices">Other plans of the day, from the tightest to the surest; null where none were looked for.</param>
public sealed record SavedPlan(
    int Format,
    int BoundFinish,
    IReadOnlyList<SavedTask> Tasks,
    string Note,
    IReadOnlyList<SavedMode>? Modes = null,
    NetworkDocument? Network = null,
    IReadOnlyList<SavedStatement>? Statements = null,
    SavedChance? Chance = null,
    IReadOnlyList<SavedChoice>? Choices = null
);

/// <summary>What became of a plan on rehearsed days.</summary>
/// <param name="Days">How many.</param>
/// <param name="Together">Share of them on which everything was well.</param>
/// <param name="LikelyDone">Minute by which half were done.</param>
/// <param name="DoneBy">Minute by which nine of ten were done.</param>
/// <param name="Ready">Share of days on which each bake was ready.</param>
/// <param name="Unspoilt">Share of days on which nothing of each bake was spoilt.</param>
/// <param name="ReadyBy">Minute by which, on nine of ten, all was ready; null where it was not counted.</param>
/// <param name="LikelyReady">The same for half of them.</param>
public sealed record SavedChance(
    int Days,
    double Together,
    int LikelyDone,
    int DoneBy,
    IReadOnlyList<double> Ready,
    IReadOnlyList<double> Unspoilt,
    int? ReadyBy = null,
    int? LikelyReady = null
);

/// <summary>Another plan of the same day that may be chosen.</summary>
/// <param name="Tasks">Its tasks.</param>
/// <param name="Chance">What became of it.</param>
public sealed record SavedChoice(IReadOnlyList<SavedTask> Tasks, SavedChance Chance);

/// <summary>What was known of a bake.</summary>
/// <param name="Bake">Its name.</param>
/// <param name="Allergens">Its statement of allergens, sentence by sentence.</param>
/// <param name="Cautions">What to beware of, sentence by sentence.</param>
public sealed record SavedStatement(string Bake, IReadOnlyList<string> Allergens, IReadOnlyList<string> Cautions);

/// <summary>A way to wait that the planner chose.</summary>
/// <param name="Bake">Index of the bake.</param>
/// <param name="Step">Key of the step.</param>
/// <param name="Mode">0 its own way, 1 the first of its modes.</param>
public sealed record SavedMode(int Bake, string Step, int Mode);

/// <summary>A task of a saved plan.</summary>
/// <param name="Id">The task's id in the network, to notice when the two no longer match.</param>
/// <param name="Start">Minute it starts.</param>
/// <param name="Hands">Helper, from, until of each block.</param>
/// <param name="Shelves">Shelf of each pan.</param>
/// <param name="End">Minute it ends; null in plans of before, when nothing lengthened a step.</param>
/// <param name="Oven">Which oven, 0 the first; null in plans of before, when there was one.</param>
public sealed record SavedTask(
    string Id,
    int Start,
    IReadOnlyList<int[]> Hands,
    IReadOnlyList<int> Shelves,
    int? End = null,
    int? Oven = null
);
