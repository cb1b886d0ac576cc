using System.Collections.Immutable;
using NodaTime;
using Zymethos.Core.Heat;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;

namespace Zymethos.Planning.Day;

/// <summary>
/// One baking day as planners, checkers and views see it: tasks with fixed likely durations, what they need, and what follows what.
/// All times are whole minutes counted from <paramref name="Origin"/>, the start of the working span.
/// </summary>
/// <param name="Origin">Minute 0.</param>
/// <param name="SpanEnd">The minute by which hands and hot oven rest; above 0.</param>
/// <param name="Kitchen">The kitchen it was compiled for.</param>
/// <param name="Helpers">Who has hands to give, by the hours they have.</param>
/// <param name="Resources">What is shared beside hands and oven: mixers, and whatever a caller adds.</param>
/// <param name="Bakes">The bakes in the order they were asked for.</param>
/// <param name="Tasks">Every task; <see cref="PlanTask.Index"/> is its place here.</param>
/// <param name="Links">Lags between tasks.</param>
/// <param name="Orders">Pairs of tasks of which the first starts no later than the second: equal trays in their order.</param>
public sealed record TaskNetwork(
    LocalDateTime Origin,
    int SpanEnd,
    Kitchen Kitchen,
    ImmutableArray<Helper> Helpers,
    ImmutableArray<SharedResource> Resources,
    ImmutableArray<PlannedBake> Bakes,
    ImmutableArray<PlanTask> Tasks,
    ImmutableArray<TaskLink> Links,
    ImmutableArray<(int First, int Second)> Orders
)
{
    /// <summary>Stretches between minute 0 and <see cref="SpanEnd"/> in which nobody is in the kitchen, in order and apart. Usually
    /// empty.</summary>
    public ImmutableArray<Rest> Rests { get; init; } = [];

    /// <summary>How long anybody works at a stretch, and meals; null where a day is planned without.</summary>
    public Pauses? Pauses { get; init; }

    /// <summary>Steps held where the baker put them.</summary>
    public ImmutableArray<Pin> Pins { get; init; } = [];

    /// <summary>The minute that it is while the day goes on: what is not pinned starts no earlier. 0 for a day that lies ahead.</summary>
    public int Since { get; init; }

    /// <summary>Pairs of loads that go in through the same open door, at most <see cref="TogetherMinutes"/> apart.</summary>
    public ImmutableArray<(int First, int Second)> Together { get; init; } = [];

    /// <summary>Pairs of loads that never share the oven.</summary>
    public ImmutableArray<(int First, int Second)> Apart { get; init; } = [];

    /// <summary>Whether two loads never share the oven.</summary>
    public bool IsApart(int one, int other) => Apart.Contains((one, other)) || Apart.Contains((other, one));

    /// <summary>Shared things that stay taken from one task until another: a pan from filling it to turning out.</summary>
    public ImmutableArray<Hold> Holds { get; init; } = [];

    /// <summary>Pairs of pan footprints that do not share a shelf, since not all that their sizes would allow does really fit (see
    /// <c>ShelfMix</c>).</summary>
    public ImmutableArray<UnmixedPans> Unmixed { get; init; } = [];

    /// <summary>Ways to wait that the planner chose for it; empty where nothing was to choose.</summary>
    public ImmutableArray<ChosenMode> Modes { get; init; } = [];

    /// <summary>What the baker leans toward.</summary>
    public DayLean Lean { get; init; }

    /// <summary>Loads that go in together start at most so many minutes apart: one pair of hands puts in one after the other.</summary>
    public const int TogetherMinutes = 2;

    /// <summary>Shelf space is counted in parts of a shelf: a number that up to ten pans of a kind, or twelve, divide evenly.</summary>
    public const int ShelfUnits = 2520;

    /// <summary>How long after the working span what is only waited for may still go on: a day and a night.</summary>
    public const int AfterSpan = 36 * 60;

    /// <summary>The last minute anything may end.</summary>
    public int Horizon => SpanEnd + AfterSpan;

    /// <summary>The step that takes the dough out of the oven after a spell; null where nothing does.</summary>
    public PlanTask? ClearingOf(PlanTask spell) => Tasks.FirstOrDefault(t => t.Bake == spell.Bake && t.Id == spell.Id.OfItsClearing);

    /// <summary>The spell after which a step takes the dough out of the oven; null for a step that does not.</summary>
    public PlanTask? SpellBefore(PlanTask clearing) =>
        Tasks.FirstOrDefault(t => t.Bake == clearing.Bake && clearing.Id == t.Id.OfItsClearing);

    /// <summary>The oven of that number as a body that heats and cools.</summary>
    public OvenThermal Thermal(int oven) => new(Kitchen.Ovens[oven], Kitchen.Room);

    /// <summary>What the clock on the kitchen's wall shows at a minute, also in a night in which clocks are changed.</summary>
    public LocalDateTime TimeOf(int minute) => Kitchen.After(Origin, minute);

    /// <summary>The same in the kitchen's own words: "17:30", "5:30 pm".</summary>
    public string HourOf(int minute) => Kitchen.Says.Hour(TimeOf(minute));
}

/// <summary>A person in the plan.</summary>
/// <param name="Name">What to call them.</param>
/// <param name="From">First minute they are free.</param>
/// <param name="Until">Minute from which they are not.</param>
public sealed record Helper(string Name, int From, int Until);

/// <summary>Something shared of which there are so many.</summary>
/// <param name="Name">What it is ("mixer").</param>
/// <param name="Capacity">How many, 0 or more.</param>
public sealed record SharedResource(string Name, int Capacity);

/// <summary>A need for a shared resource from the start of a task until some minutes after its end.</summary>
/// <param name="Resource">Index into <see cref="TaskNetwork.Resources"/>.</param>
/// <param name="Units">How many, at least 1.</param>
/// <param name="HoldAfter">Minutes it stays taken after the task (washing the bowl), 0 or more.</param>
public sealed record Demand(int Resource, int Units, int HoldAfter);

/// <summary>A shared thing taken from the start of one task until some minutes after the end of another of the same bake.</summary>
/// <param name="Resource">Index into <see cref="TaskNetwork.Resources"/>.</param>
/// <param name="Units">How many, at least 1.</param>
/// <param name="From">Index of the task with which it begins.</param>
/// <param name="To">Index of the task with which it ends; it never starts before <paramref name="From"/> ends.</param>
/// <param name="After">Minutes it stays taken beyond (washing), 0 or more.</param>
public sealed record Hold(int Resource, int Units, int From, int To, int After);

/// <summary>What a pan takes of a shelf, seen from above.</summary>
/// <param name="Long">Its longer side in whole millimetres.</param>
/// <param name="Wide">Its shorter side in whole millimetres.</param>
public readonly record struct Footprint(int Long, int Wide)
{
    /// <summary>The footprint of a pan.</summary>
    public static Footprint Of(Pan pan)
    {
        var (a, b) = ((int)Math.Ceiling(pan.Length.Millimetres - 1e-6), (int)Math.Ceiling(pan.Width.Millimetres - 1e-6));
        return new Footprint(Math.Max(a, b), Math.Min(a, b));
    }
}

/// <summary>Two footprints that do not share a shelf of an oven.</summary>
/// <param name="Oven">Which oven.</param>
/// <param name="One">A footprint.</param>
/// <param name="Other">A footprint.</param>
public readonly record struct UnmixedPans(int Oven, Footprint One, Footprint Other)
{
    /// <summary>Whether it speaks of these two.</summary>
    public bool Is(int oven, Footprint a, Footprint b) => oven == Oven && ((a == One && b == Other) || (a == Other && b == One));
}

/// <summary>Where in a task hands are needed: from <paramref name="Offset"/> minutes after its start for <paramref name="Length"/>
/// minutes.</summary>
/// <param name="Offset">Minutes after the start of the task.</param>
/// <param name="Length">Minutes, at least 1.</param>
/// <param name="People">How many at once, at least 1.</param>
public sealed record HandsNeed(int Offset, int Length, int People);

/// <summary>What a task takes of the oven from its start to its end.</summary>
/// <param name="Setting">The state the oven must hold all the while.</param>
/// <param name="Items">How many pans; each may stand on a shelf of its own.</param>
/// <param name="UnitsPerItem">Parts of a shelf of the first oven that each takes (of <see cref="TaskNetwork.ShelfUnits"/>); 0 when it
/// cannot go in there.</param>
public sealed record OvenNeed(OvenSetting Setting, int Items, int UnitsPerItem)
{
    /// <summary>Parts of a shelf of the second oven that each takes; 0 when it cannot go in there, or there is none.</summary>
    public int InSecond { get; init; }

    /// <summary>The pan seen from above.</summary>
    public Footprint Pan { get; init; }

    /// <summary>Which shelf it wants; <see cref="ShelfWish.Any"/> also where the wish cannot be kept because there are more pans than that
    /// shelf holds.</summary>
    public ShelfWish Shelf { get; init; }

    /// <summary>Parts of a shelf that each takes in an oven; 0 when it cannot go in there.</summary>
    public int UnitsIn(int oven) => oven == 0 ? UnitsPerItem : InSecond;

    /// <summary>Whether a pan may stand on a shelf of an oven with so many.</summary>
    /// <param name="shelf">The shelf, 0 the lowest.</param>
    /// <param name="shelves">How many there are.</param>
    public bool MayStandOn(int shelf, int shelves) =>
        Shelf switch
        {
            ShelfWish.Low => shelf == 0,
            ShelfWish.High => shelf == shelves - 1,
            ShelfWish.Middle => shelf == shelves / 2 || shelf == (shelves - 1) / 2,
            _ => true,
        };
}

/// <summary>A bake the day was asked for: one batch or several of a recipe.</summary>
/// <param name="Name">What to call it.</param>
/// <param name="RecipeKey">Key of its recipe.</param>
/// <param name="Batches">How many batches, at least 1.</param>
/// <param name="ReadyBy">The minute by which all of it must be finished, cooling included; null when any hour will do.</param>
/// <param name="NotBefore">The first minute any of it may start; null when any.</param>
public sealed record PlannedBake(string Name, string RecipeKey, int Batches, int? ReadyBy, int? NotBefore);

/// <summary>A step of a bake on this day.</summary>
/// <param name="Index">Place in <see cref="TaskNetwork.Tasks"/>.</param>
/// <param name="Id">Stable name, unique in the network.</param>
/// <param name="Bake">Index into <see cref="TaskNetwork.Bakes"/>.</param>
/// <param name="Title">A few words, with tray and batch where there are several.</param>
/// <param name="Kind">What kind of step it is.</param>
/// <param name="Low">Shortest duration in minutes.</param>
/// <param name="Likely">Duration that is planned, in minutes, at least 1.</param>
/// <param name="High">Longest duration in minutes.</param>
/// <param name="Hands">Where it needs hands; empty when it is only waited for.</param>
/// <param name="Demands">What else it takes.</param>
/// <param name="Oven">What it takes of the oven; null when nothing.</param>
/// <param name="Step">The recipe's step; null for a step that the plan itself put in.</param>
public sealed record PlanTask(
    int Index,
    TaskId Id,
    int Bake,
    string Title,
    StepKind Kind,
    int Low,
    int Likely,
    int High,
    ImmutableArray<HandsNeed> Hands,
    ImmutableArray<Demand> Demands,
    OvenNeed? Oven,
    Step? Step
)
{
    /// <summary>What the plan did with the recipe's time, in a sentence ("at 21 °C a rise of 75 min takes 88"); empty when
    /// nothing.</summary>
    public string Said { get; init; } = "";

    /// <summary>
    /// How long it takes when it is started in the first, second … half hour of the day, for what goes slower by night; the last entry
    /// holds from then on. Empty when it takes <see cref="Likely"/> whenever it starts; else that is the least of them.
    /// </summary>
    public ImmutableArray<int> ByHalfHour { get; init; } = [];

    /// <summary>For a rise, what share of its dose has been gathered after every five minutes; empty for everything else.</summary>
    public ImmutableArray<double> RiseShares { get; init; } = [];

    /// <summary>What was learned of this kitchen is in its time by this factor; 1 for the recipe's own time. Whoever learns from it anew
    /// learns from the time without it.</summary>
    public double Learned { get; init; } = 1;

    /// <summary>How long it takes when started at a minute, openings of the oven's door not counted.</summary>
    public int TakesFrom(int start) => ByHalfHour.IsEmpty ? Likely : ByHalfHour[Math.Clamp(start / 30, 0, ByHalfHour.Length - 1)];

    /// <summary>Whether hands are needed at the very end, so that they move with it: taking a load out.</summary>
    public bool IsAtEnd(HandsNeed need) => need.Offset > 0 && need.Offset + need.Length == Likely;

    /// <summary>When hands are needed, given when the task starts and ends.</summary>
    public Span HandsAt(HandsNeed need, int start, int end) =>
        IsAtEnd(need) ? new(end - need.Length, end) : new(start + need.Offset, start + need.Offset + need.Length);

    /// <summary>Whether someone must be there at some moment of it: hands at work, or a hot oven to watch.</summary>
    public bool NeedsPresence => !Hands.IsEmpty || Oven is { Setting.IsHot: true };

    /// <summary>Whether it is only waited for at first, though hands may come to it later: a rise that is folded is, and work with a break
    /// in it is not.</summary>
    public bool IsWait => Oven is null && (Hands.IsEmpty || Hands[0].Offset > 0);

    /// <summary>Whether it is as long as it is so that food is safe to eat: a wait or a heat that nobody may cut short.</summary>
    public bool IsForSafety => !IsHandsOn && Step?.Cautions.Any(c => c is CautionKind.EggFoam or CautionKind.TimeAndTemperature) == true;

    /// <summary>Whether hands are at it from start to end.</summary>
    public bool IsHandsOn => Hands.Length == 1 && Hands[0].Length == Likely;
}

/// <summary>Task <paramref name="To"/> starts at least and at most so many minutes after the end of <paramref name="From"/>.</summary>
/// <param name="From">Index of the task that comes first.</param>
/// <param name="To">Index of the task that follows.</param>
/// <param name="MinLag">Least minutes between.</param>
/// <param name="MaxLag">Most minutes between; null when it may wait.</param>
/// <param name="Window">Whether the maximum is hard or soft.</param>
/// <param name="Why">The reason in words; may be empty.</param>
public sealed record TaskLink(int From, int To, int MinLag, int? MaxLag, WindowKind Window, string Why);
