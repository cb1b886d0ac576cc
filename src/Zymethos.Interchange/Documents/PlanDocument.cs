namespace Zymethos.Interchange.Documents;

/// <summary>A planned day: the open format "zymethos.oven-plan", version 1. Clock times are local, without a zone.</summary>
/// <param name="Format">Always "zymethos.oven-plan".</param>
/// <param name="Version">Always 1.</param>
/// <param name="Status">proven when no plan finishes sooner, else found.</param>
/// <param name="Finish">When the last hand or hot oven comes to rest.</param>
/// <param name="BoundFinish">The finishing time that no plan can beat.</param>
/// <param name="GapPercent">How far the finish may lie above the best possible.</param>
/// <param name="BoundWords">The proof in plain words.</param>
/// <param name="Figures">The plan in figures.</param>
/// <param name="ByHand">The hand methods in the same figures.</param>
/// <param name="Tasks">Every step with its time and its reasons.</param>
/// <param name="Oven">What the oven does.</param>
/// <param name="RunSheet">The day as a list to work from.</param>
/// <param name="Chance">What became of the plan on rehearsed days; left out where none were lived.</param>
public sealed record PlanDocument(
    string Format,
    int Version,
    string Status,
    string Finish,
    string BoundFinish,
    double GapPercent,
    string BoundWords,
    FiguresDocument Figures,
    ByHandDocument ByHand,
    IReadOnlyList<PlannedTaskDocument> Tasks,
    IReadOnlyList<OvenPhaseDocument> Oven,
    IReadOnlyList<RunSheetLineDocument> RunSheet,
    ChanceDocument? Chance = null
);

/// <summary>What became of a plan on rehearsed days.</summary>
/// <param name="Certainty">Share of the days on which everything was well: nothing spoilt, nothing late, 0 to 1.</param>
/// <param name="DoneBy">When nine of ten days were done: what may be promised.</param>
/// <param name="LikelyDone">When half of them were done.</param>
/// <param name="Days">How many days were lived.</param>
/// <param name="Bakes">Each bake's own chance.</param>
/// <param name="ReadyBy">When, on nine of ten days, all was ready, what is only waited for included.</param>
/// <param name="LikelyReady">When it was on half of them.</param>
public sealed record ChanceDocument(
    double Certainty,
    string DoneBy,
    string LikelyDone,
    int Days,
    IReadOnlyList<BakeChanceDocument> Bakes,
    string? ReadyBy = null,
    string? LikelyReady = null
);

/// <summary>The chance of a bake.</summary>
/// <param name="Bake">Its name.</param>
/// <param name="Unspoilt">Share of the days on which nothing of it waited too long or stayed in too long, 0 to 1.</param>
/// <param name="Ready">Share of the days on which it was ready by its hour, 0 to 1; 1 when it has none.</param>
public sealed record BakeChanceDocument(string Bake, double Unspoilt, double Ready);

/// <summary>Figures of a plan, in minutes.</summary>
/// <param name="KitchenMinutes">First touch to last.</param>
/// <param name="HandsOnMinutes">Work of all people.</param>
/// <param name="OvenOnMinutes">Heating switched on.</param>
/// <param name="TemperatureChanges">From one setting to another.</param>
/// <param name="SoftWindowMinutes">Beyond soft windows.</param>
/// <param name="FinishMinute">Minutes from the start of the span to the finish.</param>
public sealed record FiguresDocument(
    int KitchenMinutes,
    int HandsOnMinutes,
    int OvenOnMinutes,
    int TemperatureChanges,
    int SoftWindowMinutes,
    int FinishMinute
);

/// <summary>The hand methods; null where one finds no place for a bake.</summary>
/// <param name="ListOrder">As the list has them.</param>
/// <param name="ByTemperature">Sorted by temperature.</param>
public sealed record ByHandDocument(FiguresDocument? ListOrder, FiguresDocument? ByTemperature);

/// <summary>A planned step.</summary>
/// <param name="Id">Bake, batch, step key and wave, joined by dots.</param>
/// <param name="Bake">Name of the bake.</param>
/// <param name="Title">What is done.</param>
/// <param name="Kind">Kind of step.</param>
/// <param name="Start">When it starts.</param>
/// <param name="End">When it ends.</param>
/// <param name="Hands">Who gives a hand when.</param>
/// <param name="SetTemperatureC">The oven's setting; null when it does not use the oven.</param>
/// <param name="Shelves">Shelf of each pan, 1 the lowest.</param>
/// <param name="Oven">Which oven it uses, if any, 1 the first.</param>
/// <param name="NotEarlier">Why not earlier.</param>
/// <param name="NotLater">Why not later.</param>
/// <param name="SlackMinutes">How much later with nothing else late.</param>
/// <param name="Cautions">What to beware of.</param>
public sealed record PlannedTaskDocument(
    string Id,
    string Bake,
    string Title,
    string Kind,
    string Start,
    string End,
    IReadOnlyList<HandsDocument> Hands,
    int? SetTemperatureC,
    IReadOnlyList<int> Shelves,
    int Oven,
    string NotEarlier,
    string NotLater,
    int SlackMinutes,
    IReadOnlyList<string> Cautions
);

/// <summary>Someone at work.</summary>
/// <param name="Person">Who.</param>
/// <param name="From">From when.</param>
/// <param name="Until">Until when.</param>
public sealed record HandsDocument(string Person, string From, string Until);

/// <summary>A stretch of the oven's day.</summary>
/// <param name="Phase">heating, holding, coolingAjar, off or proofing.</param>
/// <param name="FromMinute">Start, in minutes from the start of the span.</param>
/// <param name="UntilMinute">End, in minutes from the start of the span.</param>
/// <param name="StartC">Temperature at the start.</param>
/// <param name="EndC">Temperature at the end.</param>
/// <param name="Oven">Which oven, 1 the first.</param>
public sealed record OvenPhaseDocument(string Phase, double FromMinute, double UntilMinute, double StartC, double EndC, int Oven = 1);

/// <summary>A line of the run sheet.</summary>
/// <param name="At">When.</param>
/// <param name="Text">What to do.</param>
/// <param name="Minutes">How long it takes.</param>
/// <param name="Who">Who does it.</param>
public sealed record RunSheetLineDocument(string At, string Text, int Minutes, IReadOnlyList<string> Who);
