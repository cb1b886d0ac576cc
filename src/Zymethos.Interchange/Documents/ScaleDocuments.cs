namespace Zymethos.Interchange.Documents;

/// <summary>A recipe to scale.</summary>
/// <param name="Recipe">The recipe by value.</param>
/// <param name="By">multiple, pieces, dough, flour or pans.</param>
/// <param name="Value">Times, pieces, grams or pans.</param>
/// <param name="Pan">The pan, for "pans" or to bake in another than the recipe's own.</param>
/// <param name="Kitchen">The kitchen, for its mixer, height, pans and flour habit; left out for an ordinary one.</param>
/// <param name="CutBack">Whether spice and leavener are cut back above four times.</param>
public sealed record ScaleRequest(
    RecipeDocument Recipe,
    string By = "multiple",
    double Value = 1,
    PanDocument? Pan = null,
    KitchenDocument? Kitchen = null,
    bool CutBack = false
);

/// <summary>A recipe at a scale.</summary>
/// <param name="Factor">How many times it is taken.</param>
/// <param name="Pieces">Pieces it gives.</param>
/// <param name="DoughGrams">Dough or batter in all.</param>
/// <param name="FlourGrams">Flour in it.</param>
/// <param name="Parts">Its parts with their lines.</param>
/// <param name="Pans">How it fits in pans; null when it bakes on trays.</param>
/// <param name="Mixes">Into how many equal mixes the mixer's bowl splits it; null when nothing is mixed.</param>
/// <param name="Division">Strands or buns; null when the dough is not divided.</param>
/// <param name="BakersPercent">Lines in percent of the flour; empty without flour.</param>
/// <param name="Questions">Ratios outside the usual band.</param>
/// <param name="Elevation">Changes for the height of the kitchen.</param>
/// <param name="Unchanged">What does not scale, and why.</param>
/// <param name="Allergens">What must be declared.</param>
public sealed record ScaleAnswer(
    double Factor,
    int Pieces,
    double DoughGrams,
    double FlourGrams,
    IReadOnlyList<ScaledPartDocument> Parts,
    PanFitAnswer? Pans,
    int? Mixes,
    DivisionDocument? Division,
    IReadOnlyList<PercentDocument> BakersPercent,
    IReadOnlyList<string> Questions,
    IReadOnlyList<string> Elevation,
    IReadOnlyList<string> Unchanged,
    IReadOnlyList<string> Allergens
)
{
    /// <summary>The whole statement: what it contains, may contain and is free from.</summary>
    public StatementDocument? Statement { get; init; }
}

/// <summary>A part at a scale.</summary>
/// <param name="Name">Its heading.</param>
/// <param name="Grams">What its lines of known weight weigh.</param>
/// <param name="Lines">Its lines.</param>
public sealed record ScaledPartDocument(string Name, double Grams, IReadOnlyList<ScaledLineDocument> Lines);

/// <summary>A line at a scale.</summary>
/// <param name="Ingredient">What it is.</param>
/// <param name="Grams">Its weight; null when not known.</param>
/// <param name="Measure">In measures that exist; empty when only the weight says it.</param>
/// <param name="Form">How it is to be.</param>
/// <param name="InsteadOf">What it stands for after a swap; empty for the recipe's own.</param>
public sealed record ScaledLineDocument(string Ingredient, double? Grams, string Measure, string Form, string InsteadOf);

/// <summary>A dough divided by weight.</summary>
/// <param name="Count">Into how many.</param>
/// <param name="GramsEach">What each weighs.</param>
/// <param name="Name">What they are called.</param>
public sealed record DivisionDocument(int Count, double GramsEach, string Name);

/// <summary>A line as a share of the flour.</summary>
/// <param name="Ingredient">What it is.</param>
/// <param name="Percent">Its weight in percent of the flour.</param>
public sealed record PercentDocument(string Ingredient, double Percent);

/// <summary>A batter to fit into pans.</summary>
/// <param name="BatterGrams">What all of it weighs.</param>
/// <param name="Kind">Kind of bake: decides density and how full a pan may be.</param>
/// <param name="Pan">The pan.</param>
/// <param name="Count">How many are filled; left out for as many as it takes.</param>
/// <param name="From">A pan in which the bake time is known; left out when the time is not asked for.</param>
public sealed record PanFitRequest(double BatterGrams, string Kind, PanDocument Pan, int? Count = null, KnownBakeDocument? From = null);

/// <summary>A bake time that is known.</summary>
/// <param name="Pan">In which pan.</param>
/// <param name="BatterGrams">With how much batter in each.</param>
/// <param name="Minutes">How long it takes there.</param>
/// <param name="SetTemperatureC">At what heat.</param>
public sealed record KnownBakeDocument(PanDocument Pan, double BatterGrams, int Minutes, double SetTemperatureC);

/// <summary>A batter in pans.</summary>
/// <param name="Pan">Name of the pan.</param>
/// <param name="Count">How many.</param>
/// <param name="PanMillilitres">What one holds to the brim.</param>
/// <param name="GramsEach">Batter in each.</param>
/// <param name="FillPercent">How full each is.</param>
/// <param name="HeightCm">How high the batter stands.</param>
/// <param name="SmallCakes">Small cakes from what does not fit.</param>
/// <param name="Verdict">Whether that is well, in words.</param>
/// <param name="Bake">How long it bakes; null when that is not known.</param>
public sealed record PanFitAnswer(
    string Pan,
    int Count,
    double PanMillilitres,
    double GramsEach,
    double FillPercent,
    double HeightCm,
    int SmallCakes,
    string Verdict,
    BakeTimeDocument? Bake
);

/// <summary>How long something bakes.</summary>
/// <param name="Low">It is rarely done before, in minutes.</param>
/// <param name="Likely">What a plan counts with.</param>
/// <param name="High">It rarely takes longer.</param>
/// <param name="FirstLook">The earliest minute worth opening the door.</param>
/// <param name="Reason">Where the time comes from.</param>
public sealed record BakeTimeDocument(int Low, int Likely, int High, int FirstLook, string Reason);

/// <summary>A text to read recipes from.</summary>
/// <param name="Text">A recipe as plain text, schema.org JSON-LD, or a saved web page.</param>
public sealed record ImportRequest(string Text);

/// <summary>Recipes as read.</summary>
/// <param name="Recipes">One for each recipe found.</param>
public sealed record ImportAnswer(IReadOnlyList<ImportedRecipe> Recipes);

/// <summary>A recipe as read from a text.</summary>
/// <param name="Recipe">The recipe in the open format. Steps and links are proposals.</param>
/// <param name="Questions">What was guessed and wants to be confirmed.</param>
/// <param name="Faults">What could not be read, with its field.</param>
/// <param name="Missing">What keeps it from being planned; empty when nothing does.</param>
/// <param name="Notes">What was kept and not used.</param>
public sealed record ImportedRecipe(
    RecipeDocument Recipe,
    IReadOnlyList<string> Questions,
    IReadOnlyList<FaultDocument> Faults,
    IReadOnlyList<string> Missing,
    string Notes
)
{
    /// <summary>What it contains, may contain and is free from.</summary>
    public StatementDocument? Statement { get; init; }
}

/// <summary>A fault with its place.</summary>
/// <param name="Path">Where.</param>
/// <param name="Message">What.</param>
public sealed record FaultDocument(string Path, string Message);
