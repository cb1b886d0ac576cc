namespace Zymethos.Interchange.Documents;

/// <summary>
/// A compiled day as it is kept beside its plan, version 1: every time, need and window by value, so that a plan stays what it was when the
/// rules that made it change. Recipes stand in the day's own document; a task names its step there, and what is known of allergens and
/// cautions is always worked out anew from it. All times are whole minutes from <paramref name="Origin"/>.
/// </summary>
/// <param name="Version">Always 1.</param>
/// <param name="Origin">Minute 0, local time.</param>
/// <param name="SpanEnd">The minute by which hands and hot oven rest.</param>
/// <param name="Helpers">Who has hands to give.</param>
/// <param name="Resources">What is shared beside hands and oven.</param>
/// <param name="Bakes">The bakes in order.</param>
/// <param name="Tasks">Every task, in order.</param>
/// <param name="Links">Lags and windows between tasks.</param>
/// <param name="Orders">Pairs of tasks of which the first starts no later than the second.</param>
/// <param name="Rests">From and until of stretches with nobody in the kitchen.</param>
/// <param name="Pins">Task and minute of what is held by hand.</param>
/// <param name="Since">The minute before which nothing that is not held starts.</param>
/// <param name="Together">Pairs of loads that go in together.</param>
/// <param name="Apart">Pairs of loads that never share the oven.</param>
/// <param name="Holds">Shared things taken from one task until another.</param>
/// <param name="Unmixed">Oven and two footprints that do not share a shelf.</param>
/// <param name="Lean">What the baker leans toward.</param>
/// <param name="Pauses">Minutes at a stretch and of a pause; left out for a day without.</param>
/// <param name="Meals">From, until and length of meals that may slide.</param>
public sealed record NetworkDocument(
    int Version,
    string Origin,
    int SpanEnd,
    IReadOnlyList<HelperDocument> Helpers,
    IReadOnlyList<ResourceDocument> Resources,
    IReadOnlyList<NetworkBakeDocument> Bakes,
    IReadOnlyList<TaskDocument> Tasks,
    IReadOnlyList<TaskLinkDocument> Links,
    IReadOnlyList<IReadOnlyList<int>> Orders,
    IReadOnlyList<IReadOnlyList<int>> Rests,
    IReadOnlyList<IReadOnlyList<int>> Pins,
    int Since,
    IReadOnlyList<IReadOnlyList<int>> Together,
    IReadOnlyList<IReadOnlyList<int>> Apart,
    IReadOnlyList<IReadOnlyList<int>> Holds,
    IReadOnlyList<IReadOnlyList<int>> Unmixed,
    string Lean,
    IReadOnlyList<int>? Pauses = null,
    IReadOnlyList<IReadOnlyList<int>>? Meals = null
);

/// <summary>Somebody with hands to give.</summary>
/// <param name="Name">What to call them.</param>
/// <param name="From">First minute they are free.</param>
/// <param name="Until">Minute from which they are not.</param>
public sealed record HelperDocument(string Name, int From, int Until);

/// <summary>Something shared.</summary>
/// <param name="Name">What it is.</param>
/// <param name="Capacity">How many.</param>
public sealed record ResourceDocument(string Name, int Capacity);

/// <summary>A bake of the day.</summary>
/// <param name="Name">What to call it.</param>
/// <param name="Recipe">Key of its recipe.</param>
/// <param name="Batches">How many batches.</param>
/// <param name="ReadyBy">Minute by which it must be finished; null when any.</param>
/// <param name="NotBefore">First minute it may start; null when any.</param>
public sealed record NetworkBakeDocument(string Name, string Recipe, int Batches, int? ReadyBy = null, int? NotBefore = null);

/// <summary>A task.</summary>
/// <param name="Id">Bake, batch, step key and wave, joined by dots.</param>
/// <param name="Bake">Which bake, 0 the first.</param>
/// <param name="Title">A few words.</param>
/// <param name="Kind">Kind of step.</param>
/// <param name="Low">Shortest, in minutes.</param>
/// <param name="Likely">As planned, in minutes.</param>
/// <param name="High">Longest, in minutes.</param>
/// <param name="Hands">Offset, length and people of each need of hands.</param>
/// <param name="Demands">Resource, units and minutes held after, of each.</param>
/// <param name="Said">What the plan did with the recipe's time.</param>
/// <param name="Oven">What it takes of the oven; left out when nothing.</param>
/// <param name="Step">Key of the recipe's step; left out for what the plan put in.</param>
/// <param name="ByHalfHour">How long it takes by the half hour in which it starts; left out when always the same.</param>
/// <param name="RiseShares">Share of a rise gathered after every five minutes; left out for what does not rise.</param>
/// <param name="Learned">Factor by which what was learned of the kitchen is in its time; left out for the recipe's own.</param>
public sealed record TaskDocument(
    string Id,
    int Bake,
    string Title,
    string Kind,
    int Low,
    int Likely,
    int High,
    IReadOnlyList<IReadOnlyList<int>> Hands,
    IReadOnlyList<IReadOnlyList<int>> Demands,
    string Said,
    OvenNeedDocument? Oven = null,
    string? Step = null,
    IReadOnlyList<int>? ByHalfHour = null,
    IReadOnlyList<double>? RiseShares = null,
    double? Learned = null
);

/// <summary>What a task takes of the oven.</summary>
/// <param name="Celsius">Setting in whole degrees.</param>
/// <param name="State">hot, proof or off.</param>
/// <param name="Items">How many pans.</param>
/// <param name="Units">Parts of a shelf of each oven that a pan takes.</param>
/// <param name="Pan">Longer and shorter side in millimetres.</param>
/// <param name="Shelf">Which shelf it wants.</param>
public sealed record OvenNeedDocument(int Celsius, string State, int Items, IReadOnlyList<int> Units, IReadOnlyList<int> Pan, string Shelf);

/// <summary>A lag between two tasks.</summary>
/// <param name="From">Index of the first.</param>
/// <param name="To">Index of the second.</param>
/// <param name="MinLag">Least minutes between.</param>
/// <param name="Window">hard or soft.</param>
/// <param name="Why">The reason in words.</param>
/// <param name="MaxLag">Most minutes between; left out when it may wait.</param>
public sealed record TaskLinkDocument(int From, int To, int MinLag, string Window, string Why, int? MaxLag = null);
