namespace Zymethos.Interchange.Documents;

/// <summary>
/// A Daybook to take along, version 1: every bake that was written down, and the days at the Bench with all that was said on them, so that
/// nothing is lost on the way. Pictures stay where they are; a bake says how many there were.
/// </summary>
/// <param name="Format">Always "zymethos-daybook".</param>
/// <param name="Version">Always 1.</param>
/// <param name="Bakes">Bakes, the first first.</param>
/// <param name="Sessions">Days at the Bench; left out for none.</param>
/// <param name="Starter">What was done to the starter; left out for nothing.</param>
/// <param name="CakeFeeds">Feeds of spirit that keeping cakes were given; left out for none.</param>
public sealed record DaybookDocument(
    string Format,
    int Version,
    IReadOnlyList<PastBakeDocument> Bakes,
    IReadOnlyList<PastSessionDocument>? Sessions = null,
    IReadOnlyList<StarterRefreshDocument>? Starter = null,
    IReadOnlyList<CakeFeedDocument>? CakeFeeds = null
)
{
    /// <summary>What every file says of itself.</summary>
    public const string Name = "zymethos-daybook";
}

/// <summary>One bake as it really was. What nobody said is left out; nothing in it is guessed.</summary>
/// <param name="Id">Unique id.</param>
/// <param name="Date">Its date ("2026-11-29").</param>
/// <param name="Name">What was baked.</param>
/// <param name="Recipe">Key of its recipe; left out for one that is in no Book.</param>
/// <param name="Batches">How many batches.</param>
/// <param name="Source">bench, hand or demo.</param>
/// <param name="Session">The day at the Bench that it is of; left out for what was written by hand.</param>
/// <param name="Place">Its place among the bakes of that day, 0 the first.</param>
/// <param name="Loads">What was in the oven.</param>
/// <param name="Hands">Handwork that was timed.</param>
/// <param name="Rises">Rises that were timed.</param>
/// <param name="Heats">Heatings up that a thermometer saw.</param>
/// <param name="Pieces">How many pieces came out.</param>
/// <param name="Looks">How it looked, in a word.</param>
/// <param name="Darker">Where it was darker.</param>
/// <param name="ToChange">What to change next time.</param>
/// <param name="Changed">What was changed in the recipe because of it.</param>
/// <param name="Used">Grams that were really used, by ingredient.</param>
/// <param name="Weight">What a piece weighed, in grams.</param>
/// <param name="Photos">Ids of its pictures.</param>
/// <param name="Note">What else was written.</param>
/// <param name="LeftOut">Whether nothing is learned from it, because the baker wants it so.</param>
/// <param name="Counted">Whether it is learned from although it is unlike all others, because the baker wants it so.</param>
public sealed record PastBakeDocument(
    string Id,
    string Date,
    string Name,
    string? Recipe = null,
    int Batches = 1,
    string Source = "hand",
    string? Session = null,
    int Place = 0,
    IReadOnlyList<PastLoadDocument>? Loads = null,
    IReadOnlyList<PastHandDocument>? Hands = null,
    IReadOnlyList<PastRiseDocument>? Rises = null,
    IReadOnlyList<PastHeatDocument>? Heats = null,
    double? Pieces = null,
    string? Looks = null,
    IReadOnlyList<string>? Darker = null,
    string? ToChange = null,
    string? Changed = null,
    IReadOnlyDictionary<string, double>? Used = null,
    double? Weight = null,
    IReadOnlyList<string>? Photos = null,
    string? Note = null,
    bool LeftOut = false,
    bool Counted = false
);

/// <summary>A load that was in the oven.</summary>
/// <param name="Title">Which.</param>
/// <param name="Minutes">How long it was in; zero or less and more than a day are kept as they were written, and never learned
/// from.</param>
/// <param name="RecipeMinutes">What the recipe says; left out where nobody knows.</param>
/// <param name="PlannedMinutes">What was planned.</param>
/// <param name="At">When it went in ("2026-11-29T17:30").</param>
/// <param name="Oven">Which oven, 1 the first.</param>
/// <param name="Celsius">What the oven was set to.</param>
/// <param name="RealCelsius">How hot it was on average, by its thermometer.</param>
/// <param name="FirstLook">Minutes until somebody looked first.</param>
/// <param name="PlannedLook">Minutes until the first look that was planned.</param>
/// <param name="Looks">How often somebody looked and it needed more.</param>
/// <param name="Turns">How often it was turned.</param>
/// <param name="Doors">How often the door was opened.</param>
/// <param name="Who">Who put it in.</param>
/// <param name="Pan">What it was baked in.</param>
/// <param name="Finish">dark, glass, stone or shiny.</param>
/// <param name="Sheet">Whether a sheet was beneath.</param>
/// <param name="Shelf">low, middle or high.</param>
/// <param name="Step">Key of the recipe's step.</param>
/// <param name="StepMinutes">What that step said when it was baked, so that what is learned follows a recipe that is changed.</param>
/// <param name="StepC">To what heat it was meant then.</param>
public sealed record PastLoadDocument(
    string Title,
    double Minutes,
    double? RecipeMinutes = null,
    double? PlannedMinutes = null,
    string? At = null,
    int Oven = 1,
    double? Celsius = null,
    double? RealCelsius = null,
    double? FirstLook = null,
    double? PlannedLook = null,
    int Looks = 0,
    int Turns = 0,
    int Doors = 0,
    string? Who = null,
    string? Pan = null,
    string? Finish = null,
    bool Sheet = false,
    string? Shelf = null,
    string? Step = null,
    double? StepMinutes = null,
    double? StepC = null
);

/// <summary>Handwork that was timed.</summary>
/// <param name="Title">What.</param>
/// <param name="Work">Kind of handwork.</param>
/// <param name="RecipeMinutes">What the recipe says.</param>
/// <param name="Minutes">How long it took.</param>
/// <param name="Who">Who did it.</param>
public sealed record PastHandDocument(string Title, string Work, double RecipeMinutes, double Minutes, string? Who = null);

/// <summary>A rise that was timed.</summary>
/// <param name="Title">Which.</param>
/// <param name="Leaven">yeast or starter.</param>
/// <param name="RecipeMinutes">What was reckoned for the room.</param>
/// <param name="Minutes">How long it took.</param>
/// <param name="Heights">Minutes and height, as a multiple of where it began, of each time that somebody looked.</param>
public sealed record PastRiseDocument(
    string Title,
    string Leaven,
    double RecipeMinutes,
    double Minutes,
    IReadOnlyList<IReadOnlyList<double>>? Heights = null
);

/// <summary>A heating up that a thermometer saw, a cooling down, or by how much the air fell when the door was opened.</summary>
/// <param name="Oven">Which oven, 1 the first.</param>
/// <param name="Minutes">How long it took; left out for a door.</param>
/// <param name="ModelMinutes">How long the kitchen's figures say it takes; left out for a door.</param>
/// <param name="DoorDrop">Degrees Celsius by which the air fell; left out for a heating up.</param>
/// <param name="KitchenMinutes">Minutes from cold to 180 C that the kitchen said then, so that what is learned follows a kitchen that is
/// changed.</param>
/// <param name="CoolMinutes">Minutes in which what it was above the room fell to 1/e after the dial was turned down; left out for anything
/// else.</param>
/// <param name="Ajar">Whether its door stood ajar while it cooled.</param>
public sealed record PastHeatDocument(
    int Oven,
    double? Minutes = null,
    double? ModelMinutes = null,
    double? DoorDrop = null,
    double? KitchenMinutes = null,
    double? CoolMinutes = null,
    bool Ajar = false
);

/// <summary>A day at the Bench with everything that was said.</summary>
/// <param name="Id">Unique id.</param>
/// <param name="Title">What it is called.</param>
/// <param name="StartedAt">When work began, by the clock of the world.</param>
/// <param name="EndedAt">When it was put away.</param>
/// <param name="Day">What was asked for.</param>
/// <param name="Planned">The plan with which it began.</param>
/// <param name="Plan">The plan that was gone by in the end.</param>
/// <param name="Events">Everything that was said, in the order in which it came in.</param>
public sealed record PastSessionDocument(
    string Id,
    string Title,
    string StartedAt,
    string? EndedAt,
    OvenDayDocument Day,
    System.Text.Json.JsonElement Planned,
    System.Text.Json.JsonElement Plan,
    IReadOnlyList<BenchEventDocument> Events
);

/// <summary>Something that was done to the starter.</summary>
/// <param name="Id">Unique id.</param>
/// <param name="At">When ("2026-11-29T21:00").</param>
/// <param name="Kept">Grams of the old one that were kept.</param>
/// <param name="Flour">Grams of flour that were given.</param>
/// <param name="Water">Grams of water that were given.</param>
/// <param name="Discard">Grams that were taken off before.</param>
/// <param name="Height">How high it rose at its peak, as a multiple of where it began; left out where nobody looked.</param>
/// <param name="PeakMinutes">Minutes until that peak; left out where nobody looked.</param>
/// <param name="RoomC">How warm it stood.</param>
/// <param name="Note">What else was written.</param>
public sealed record StarterRefreshDocument(
    string Id,
    string At,
    double Kept,
    double Flour,
    double Water,
    double Discard = 0,
    double? Height = null,
    double? PeakMinutes = null,
    double? RoomC = null,
    string? Note = null
);

/// <summary>A feed of spirit that a keeping cake was given.</summary>
/// <param name="Id">Unique id.</param>
/// <param name="Bake">Id of the bake that was fed.</param>
/// <param name="At">When ("2026-11-29T21:00").</param>
/// <param name="Spirit">With what; left out where nobody said.</param>
/// <param name="Millilitres">How much, in millilitres; left out where nobody measured.</param>
/// <param name="Note">What else was written: how it smelled, whether it was moist.</param>
public sealed record CakeFeedDocument(
    string Id,
    string Bake,
    string At,
    string? Spirit = null,
    double? Millilitres = null,
    string? Note = null
);
