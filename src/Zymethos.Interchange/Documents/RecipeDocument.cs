namespace Zymethos.Interchange.Documents;

/// <summary>A recipe as the open format writes it. Times in minutes, temperatures in degrees Celsius, lengths in centimetres, weights in
/// grams.</summary>
/// <param name="Key">Short name, lower-case words joined by hyphens.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Steps">What is done, in reading order.</param>
/// <param name="Links">What follows what.</param>
/// <param name="Summary">One or two sentences.</param>
/// <param name="Yield">What one batch gives.</param>
/// <param name="Parts">What goes in.</param>
/// <param name="Keeping">How long it keeps where.</param>
/// <param name="Kind">other, bread, buns, quickLoaf, layerCake, ringCake, fruitCake, muffins, cookies, rolledCookies, twiceBaked or
/// built.</param>
/// <param name="Choices">Where bakers differ.</param>
/// <param name="Swaps">Ingredients taken instead of the recipe's own.</param>
/// <param name="FlourHabit">How its writer filled a cup of flour: table, spooned or dipped; left out for the kitchen's own habit.</param>
/// <param name="DividedInto">How many strands or buns the dough is divided into by weight.</param>
/// <param name="DivisionName">What one of them is called, in the plural.</param>
/// <param name="Dialect">Where its words come from: american, british, metric or australian; left out when nobody said.</param>
/// <param name="Questions">What was guessed and not looked at since.</param>
/// <param name="Finishes">Parts of a batch that are finished another way than the rest.</param>
public sealed record RecipeDocument(
    string Key,
    string Name,
    IReadOnlyList<StepDocument> Steps,
    IReadOnlyList<LinkDocument>? Links = null,
    string Summary = "",
    YieldDocument? Yield = null,
    IReadOnlyList<PartDocument>? Parts = null,
    IReadOnlyList<KeepingDocument>? Keeping = null,
    string Kind = "other",
    IReadOnlyList<ChoiceDocument>? Choices = null,
    IReadOnlyList<SwapDocument>? Swaps = null,
    string? FlourHabit = null,
    int DividedInto = 0,
    string DivisionName = "",
    string? Dialect = null,
    IReadOnlyList<QuestionDocument>? Questions = null,
    IReadOnlyList<FinishDocument>? Finishes = null
);

/// <summary>Part of a batch that is finished another way than the rest.</summary>
/// <param name="Name">How, in a few words; unique in the recipe.</param>
/// <param name="Pieces">How many pieces of one batch; all finishes together no more than the batch gives.</param>
/// <param name="Only">Ingredients, as the lines name them, that only these pieces hold.</param>
public sealed record FinishDocument(string Name, int Pieces, IReadOnlyList<string>? Only = null);

/// <summary>A question about the recipe that nobody has answered.</summary>
/// <param name="About">allergen, safety, heat, pan, time, yield, weight, keeping or other.</param>
/// <param name="Text">The question.</param>
public sealed record QuestionDocument(string About, string Text);

/// <summary>Something on which bakers differ.</summary>
/// <param name="Key">Short name, unique in the recipe.</param>
/// <param name="Question">What is asked.</param>
/// <param name="Options">The ways, at least two.</param>
/// <param name="Chosen">Key of the way taken.</param>
public sealed record ChoiceDocument(string Key, string Question, IReadOnlyList<OptionDocument> Options, string Chosen);

/// <summary>One way of a choice.</summary>
/// <param name="Key">Short name, unique in the choice.</param>
/// <param name="Name">A few words.</param>
/// <param name="Why">What it changes.</param>
public sealed record OptionDocument(string Key, string Name, string Why = "");

/// <summary>An ingredient taken instead of another.</summary>
/// <param name="Rule">Key of the rule.</param>
/// <param name="Ingredient">What is replaced, as the lines name it.</param>
public sealed record SwapDocument(string Rule, string Ingredient);

/// <summary>What one batch gives.</summary>
/// <param name="Pieces">How many.</param>
/// <param name="PieceName">The word for several.</param>
public sealed record YieldDocument(int Pieces, string PieceName);

/// <summary>How long it keeps in one place.</summary>
/// <param name="Place">Where and how wrapped.</param>
/// <param name="Days">For how many days.</param>
/// <param name="BestFromDays">From how many days on it is at its best.</param>
/// <param name="ThawHours">Hours to thaw at room temperature.</param>
/// <param name="Part">The part it holds for; empty for the whole bake.</param>
/// <param name="After">Key of the step after which it is kept so, with work still to come; empty when all is done by then.</param>
public sealed record KeepingDocument(
    string Place,
    int Days,
    int BestFromDays = 0,
    double? ThawHours = null,
    string Part = "",
    string After = ""
);

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
/// <param name="Written">The line as somebody wrote it.</param>
/// <param name="HeldBack">Whether it is held back until the dough wants it.</param>
/// <param name="Aside">Whether it is for the board or the pan and no part of what is baked.</param>
/// <param name="Alternatives">What may be taken instead.</param>
/// <param name="When">The choice it belongs to: "soak=tea" or "soak=tea|juice".</param>
public sealed record LineDocument(
    string Ingredient,
    double? Amount = null,
    double? AmountTo = null,
    string Unit = "piece",
    double? Grams = null,
    string Form = "",
    string Note = "",
    bool Optional = false,
    string Written = "",
    bool HeldBack = false,
    bool Aside = false,
    IReadOnlyList<string>? Alternatives = null,
    string? When = null
);

/// <summary>A step.</summary>
/// <param name="Key">Unique in the recipe.</param>
/// <param name="Title">A few words.</param>
/// <param name="Kind">work, mix, soak, bulkRise, proof, rest, chill, bake, cool, mature, freeze or thaw.</param>
/// <param name="Minutes">Shortest, usual and longest time.</param>
/// <param name="Instruction">The full sentence or two.</param>
/// <param name="Hands">People needed all the while; when left out 1 for work and mix, else 0.</param>
/// <param name="Oven">What it wants of the oven.</param>
/// <param name="Times">How many waves of it.</param>
/// <param name="DoneTests">How to know it is done.</param>
/// <param name="Cautions">rawFlourAndEgg, doughInOven, burns, sharedNuts, timeAndTemperature, spirit, eggFoam, honey or keeping.</param>
/// <param name="Modes">Other ways to spend the same wait.</param>
/// <param name="Touches">What is done to it while it bakes.</param>
/// <param name="When">The choice it belongs to.</param>
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
    IReadOnlyList<string>? Cautions = null,
    IReadOnlyList<ModeDocument>? Modes = null,
    IReadOnlyList<TouchDocument>? Touches = null,
    string? When = null
);

/// <summary>Another way to spend a wait.</summary>
/// <param name="Name">Where and how.</param>
/// <param name="Kind">What kind of step it is then.</param>
/// <param name="Minutes">Shortest, usual and longest time there.</param>
/// <param name="Oven">What it wants of the oven there.</param>
public sealed record ModeDocument(string Name, string Kind, IReadOnlyList<int> Minutes, OvenUseDocument? Oven = null);

/// <summary>Something done to a bake part-way.</summary>
/// <param name="Kind">turn, swap, top or cover of a bake; fold of a rise.</param>
/// <param name="At">When, as a share of the bake or rise between 0 and 1.</param>
/// <param name="Title">In a few words.</param>
public sealed record TouchDocument(string Kind, double At, string Title = "");

/// <summary>What a step wants of the oven.</summary>
/// <param name="SetTemperatureC">The dial, in degrees Celsius.</param>
/// <param name="Pan">The pan.</param>
/// <param name="Pans">How many go in together.</param>
/// <param name="State">bake, proof for an oven-proof spell, or off for one that was turned off after the bake with its load left in
/// it.</param>
/// <param name="Shelf">any, low, middle or high.</param>
/// <param name="Sheet">The tray on which the pans go in and come out together; absent when they stand on the shelf.</param>
/// <param name="ToleranceC">How far the dial may stand from it, 0 to 30 degrees Celsius; absent where the recipe does not say.</param>
public sealed record OvenUseDocument(
    double SetTemperatureC,
    PanDocument Pan,
    int Pans = 1,
    string State = "bake",
    string Shelf = "any",
    PanDocument? Sheet = null,
    double? ToleranceC = null
);

/// <summary>A pan by its footprint and its inside.</summary>
/// <param name="Name">What a baker calls it.</param>
/// <param name="LengthCm">The longer side; for a tin of cups that of the whole tin.</param>
/// <param name="WidthCm">The shorter side.</param>
/// <param name="Shape">tray, loaf, rectangle, round, springform, ring or muffin.</param>
/// <param name="DepthCm">Inner depth; left out for trays and where it is not known.</param>
/// <param name="Cups">Cups in a tin of cups.</param>
/// <param name="CupCm">Width of such a cup across its brim.</param>
public sealed record PanDocument(
    string Name,
    double LengthCm,
    double WidthCm,
    string Shape = "tray",
    double? DepthCm = null,
    int Cups = 1,
    double? CupCm = null
);

/// <summary>One step follows another.</summary>
/// <param name="From">Key of the step before.</param>
/// <param name="To">Key of the step after.</param>
/// <param name="MinLagMinutes">Least time between.</param>
/// <param name="MaxLagMinutes">Most time between; left out when it may wait.</param>
/// <param name="Window">hard or soft.</param>
/// <param name="Why">The reason.</param>
/// <param name="When">The choice it belongs to.</param>
public sealed record LinkDocument(
    string From,
    string To,
    int MinLagMinutes = 0,
    int? MaxLagMinutes = null,
    string Window = "hard",
    string Why = "",
    string? When = null
);
