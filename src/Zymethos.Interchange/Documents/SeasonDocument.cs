namespace Zymethos.Interchange.Documents;

/// <summary>A whole season, self-contained: the open format "zymethos.season", version 1. Times are local, "2026-12-13T17:00".</summary>
/// <param name="Kitchen">The kitchen.</param>
/// <param name="Recipes">The Book: at least the recipes that the needs name.</param>
/// <param name="Now">What lies before it cannot be used any more.</param>
/// <param name="Occasions">The dates.</param>
/// <param name="Needs">What is wanted for them.</param>
/// <param name="Sessions">When there is time, in order and apart; left out when <paramref name="Hours"/> say it.</param>
/// <param name="Format">Always "zymethos.season".</param>
/// <param name="Version">Always 1.</param>
/// <param name="Name">What the season is called.</param>
/// <param name="Start">Its first date; left out for that of <paramref name="Now"/>.</param>
/// <param name="Hours">The usual week and what differs from it; left out when <paramref name="Sessions"/> say it.</param>
/// <param name="Done">What is done already.</param>
/// <param name="Plan">The plan as it stood when the season was written; left out when there is none. Planning does not read it.</param>
/// <param name="Solve">How to search; left out for the usual.</param>
/// <param name="Outcomes">What came of it, when it was over; left out before.</param>
/// <param name="Bakes">What was baked in its weeks, as the Daybook has it; left out where nothing was. Planning does not read it.</param>
/// <param name="Parcels">People, boards and boxes of it, as the format zymethos-parcels has them; left out for none. Planning does not
/// read it.</param>
/// <param name="ClearFirst">An allergen ("treeNut"): what is free of it comes first in every session; left out for none.</param>
public sealed record SeasonDocument(
    KitchenDocument Kitchen,
    IReadOnlyList<RecipeDocument> Recipes,
    string Now,
    IReadOnlyList<OccasionDocument> Occasions,
    IReadOnlyList<NeedDocument> Needs,
    IReadOnlyList<SessionDocument>? Sessions = null,
    string Format = SeasonDocument.FormatName,
    int Version = 1,
    string Name = "",
    string? Start = null,
    HoursDocument? Hours = null,
    IReadOnlyList<DoneDocument>? Done = null,
    SeasonPlanDocument? Plan = null,
    SolveDocument? Solve = null,
    IReadOnlyList<OutcomeDocument>? Outcomes = null,
    IReadOnlyList<PastBakeDocument>? Bakes = null,
    System.Text.Json.JsonElement? Parcels = null,
    string? ClearFirst = null
)
{
    /// <summary>The name of the format.</summary>
    public const string FormatName = "zymethos.season";
}

/// <summary>What a baker says of a season, without kitchen and Book: those are the kitchen's own.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="Start">Its first date, "2026-11-02".</param>
/// <param name="Occasions">The dates.</param>
/// <param name="Needs">What is wanted for them.</param>
/// <param name="Hours">When there is time.</param>
/// <param name="Done">What is done already.</param>
/// <param name="Outcomes">What came of it, when it was over; left out before.</param>
/// <param name="ClearFirst">An allergen ("treeNut"): what is free of it comes first in every session; left out for none.</param>
public sealed record SeasonSheet(
    string Name,
    string Start,
    IReadOnlyList<OccasionDocument> Occasions,
    IReadOnlyList<NeedDocument> Needs,
    HoursDocument Hours,
    IReadOnlyList<DoneDocument> Done,
    IReadOnlyList<OutcomeDocument>? Outcomes = null,
    string? ClearFirst = null
);

/// <summary>A date for which things are baked.</summary>
/// <param name="Name">What it is called; unique in the season.</param>
/// <param name="At">When it is served, handed over or arrives.</param>
/// <param name="Handing">served, handedOver or posted.</param>
/// <param name="TransitDays">Days it travels when posted.</param>
/// <param name="HoursOut">Hours it is out of the cold after that, until it is eaten or cold again.</param>
public sealed record OccasionDocument(string Name, string At, string Handing = "served", int TransitDays = 0, double HoursOut = 0);

/// <summary>So many pieces of a recipe for an occasion.</summary>
/// <param name="Occasion">Name of the occasion.</param>
/// <param name="Recipe">Key of the recipe.</param>
/// <param name="Pieces">How many.</param>
/// <param name="For">Whom it is for.</param>
/// <param name="Choices">Which way the recipe goes where bakers differ, by the key of the choice; what is not named goes its own
/// way.</param>
/// <param name="Id">A name of its own in the season; left out for one by its place.</param>
/// <param name="UsualKeeping">Whether it keeps as its kind usually does, where the recipe says nothing or nothing of a freezer.</param>
/// <param name="Boxes">Into how many boxes the pieces go, evenly; 0 when they are not boxed.</param>
/// <param name="Finish">Name of the finish that is wanted, one of the recipe's; empty for the batch as it comes.</param>
/// <param name="Advice">What last season taught about it, shown where it is worked on; empty for nothing.</param>
public sealed record NeedDocument(
    string Occasion,
    string Recipe,
    int Pieces,
    string For = "",
    IReadOnlyDictionary<string, string>? Choices = null,
    string Id = "",
    bool UsualKeeping = false,
    int Boxes = 0,
    string Finish = "",
    string Advice = ""
);

/// <summary>What came of a need when its season was over.</summary>
/// <param name="Need">Id of the need.</param>
/// <param name="Made">Pieces that were made; left out where nobody counted.</param>
/// <param name="Left">Pieces that were left over; left out where nobody counted.</param>
/// <param name="More">Pieces that would have been eaten or given beyond those there were; left out for none.</param>
/// <param name="WhoMore">Who wanted more.</param>
/// <param name="Advice">What to do otherwise next year.</param>
public sealed record OutcomeDocument(
    string Need,
    int? Made = null,
    int? Left = null,
    int? More = null,
    string WhoMore = "",
    string Advice = ""
);

/// <summary>A span in which somebody is free to bake.</summary>
/// <param name="From">Start.</param>
/// <param name="Until">End, within a day of it.</param>
/// <param name="People">How many of the kitchen's people.</param>
/// <param name="Spell">Whether it is only a quarter of an hour for what is done by the way.</param>
public sealed record SessionDocument(string From, string Until, int People = 1, bool Spell = false);

/// <summary>When there is time.</summary>
/// <param name="Weekly">The usual week.</param>
/// <param name="Spell">The hour of a daily quarter of an hour for what is done by the way, "20:30"; null when there is none.</param>
/// <param name="Exceptions">Dates that differ from their weekday.</param>
/// <param name="Busy">What a calendar says.</param>
public sealed record HoursDocument(
    IReadOnlyList<WeeklyDocument> Weekly,
    string? Spell = null,
    IReadOnlyList<ExceptionDocument>? Exceptions = null,
    IReadOnlyList<BusyDocument>? Busy = null
);

/// <summary>Hours of a weekday.</summary>
/// <param name="Day">monday to sunday.</param>
/// <param name="From">"18:00".</param>
/// <param name="Until">"21:30".</param>
/// <param name="People">How many.</param>
public sealed record WeeklyDocument(string Day, string From, string Until, int People = 1);

/// <summary>A date that differs from its weekday.</summary>
/// <param name="Date">The date.</param>
/// <param name="From">From when; left out when nobody bakes on it.</param>
/// <param name="Until">Until when; left out when nobody bakes on it.</param>
/// <param name="People">How many.</param>
public sealed record ExceptionDocument(string Date, string? From = null, string? Until = null, int People = 1);

/// <summary>A span in which nobody has time.</summary>
/// <param name="From">Start.</param>
/// <param name="Until">End.</param>
/// <param name="Title">What it is.</param>
public sealed record BusyDocument(string From, string Until, string Title = "");

/// <summary>Work that is done.</summary>
/// <param name="Need">Id of the need.</param>
/// <param name="Stretch">Which piece of work of its method, from 0.</param>
/// <param name="At">When it was done with.</param>
public sealed record DoneDocument(string Need, int Stretch, string At);
