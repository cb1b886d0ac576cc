namespace Zymethos.Core.Interchange;

/// <summary>A recipe as the open format writes it. Times in minutes, temperatures in degrees Celsius, lengths in centimetres, weights in grams.</summary>
/// <param name="Key">Short name, lower-case words joined by hyphens.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Steps">What is done, in reading order.</param>
/// <param name="Links">What follows what.</param>
/// <param name="Summary">One or two sentences.</param>
/// <param name="Yield">What one batch gives.</param>
/// <param name="Parts">What goes in.</param>
/// <param name="Keeping">How long it keeps where.</param>
public sealed record RecipeDocument(
    string Key,
    string Name,
    IReadOnlyList<StepDocument> Steps,
    IReadOnlyList<LinkDocument>? Links = null,
    string Summary = "",
    YieldDocument? Yield = null,
    IReadOnlyList<PartDocument>? Parts = null,
    IReadOnlyList<KeepingDocument>? Keeping = null);

/// <summary>What one batch gives.</summary>
/// <param name="Pieces">How many.</param>
/// <param name="PieceName">The word for several.</param>
public sealed record YieldDocument(int Pieces, string PieceName);

/// <summary>How long it keeps in one place.</summary>
/// <param name="Place">Where and how wrapped.</param>
/// <param name="Days">For how many days.</param>
public sealed record KeepingDocument(string Place, int Days);

/// <summary>A part.</summary>
/// <param name="Name">Its heading.</param>
/// <param name="Kind">dough, batter, soak, filling, glaze, syrup, icing or topping.</param>
/// <param name="Lines">What goes in.</param>
public sealed record PartDocument(string Name, string Kind, IReadOnlyList<LineDocument> Lines);

/// <summary>An ingredient line.</summary>
/// <param name="Ingredient">What it is.</param>
/// <param name="Amount">How many of the unit; left out for "to taste".</param>
/// <param name="AmountTo">The upper end of a range.</param>
/// <param name="Unit">A unit code: g, kg, oz, lb, ml, tsp, tbsp, fl-oz, cup, pinch, piece, packet, can.</param>
/// <param name="Grams">Its weight, when known.</param>
/// <param name="Form">How it is to be ("melted").</param>
/// <param name="Note">Anything else.</param>
/// <param name="Optional">Whether the bake does without.</param>
public sealed record LineDocument(
    string Ingredient,
    double? Amount = null,
    double? AmountTo = null,
    string Unit = "piece",
    double? Grams = null,
    string Form = "",
    string Note = "",
    bool Optional = false);

/// <summary>A step.</summary>
/// <param name="Key">Unique in the recipe.</param>
/// <param name="Title">A few words.</param>
/// <param name="Kind">work, mix, soak, bulkRise, proof, rest, chill, bake or cool.</param>
/// <param name="Minutes">Shortest, usual and longest time.</param>
/// <param name="Instruction">The full sentence or two.</param>
/// <param name="Hands">People needed all the while; when left out 1 for work and mix, else 0.</param>
/// <param name="Oven">What it wants of the oven.</param>
/// <param name="Times">How many waves of it.</param>
/// <param name="DoneTests">How to know it is done.</param>
/// <param name="Cautions">rawFlourAndEgg, doughInOven, burns, sharedNuts, timeAndTemperature or spirit.</param>
public sealed record StepDocument(
    string Key,
    string Title,
    string Kind,
    IReadOnlyList<int> Minutes,
    string Instruction = "",
    int? Hands = null,
    OvenUseDocument? Oven = null,
    int Times = 1,
    IReadOnlyList<string>? DoneTests = null,
    IReadOnlyList<string>? Cautions = null);

/// <summary>What a step wants of the oven.</summary>
/// <param name="SetTemperatureC">The dial, in degrees Celsius.</param>
/// <param name="Pan">The pan.</param>
/// <param name="Pans">How many go in together.</param>
/// <param name="State">bake, or proof for an oven-proof spell.</param>
public sealed record OvenUseDocument(double SetTemperatureC, PanDocument Pan, int Pans = 1, string State = "bake");

/// <summary>A pan by its footprint.</summary>
/// <param name="Name">What a baker calls it.</param>
/// <param name="LengthCm">The longer side.</param>
/// <param name="WidthCm">The shorter side.</param>
public sealed record PanDocument(string Name, double LengthCm, double WidthCm);

/// <summary>One step follows another.</summary>
/// <param name="From">Key of the step before.</param>
/// <param name="To">Key of the step after.</param>
/// <param name="MinLagMinutes">Least time between.</param>
/// <param name="MaxLagMinutes">Most time between; left out when it may wait.</param>
/// <param name="Window">hard or soft.</param>
/// <param name="Why">The reason.</param>
public sealed record LinkDocument(string From, string To, int MinLagMinutes = 0, int? MaxLagMinutes = null, string Window = "hard", string Why = "");
