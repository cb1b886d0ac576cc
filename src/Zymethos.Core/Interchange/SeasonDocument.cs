namespace Zymethos.Core.Interchange;

/// <summary>A whole season to plan, self-contained: the open format "zymethos.season", version 1. Times are local, "2026-12-13T17:00".</summary>
/// <param name="Kitchen">The kitchen.</param>
/// <param name="Recipes">The recipes that the needs name.</param>
/// <param name="Now">What lies before it cannot be used any more.</param>
/// <param name="Occasions">The dates.</param>
/// <param name="Needs">What is wanted for them.</param>
/// <param name="Sessions">When there is time, in order and apart.</param>
/// <param name="Format">Always "zymethos.season".</param>
/// <param name="Version">Always 1.</param>
/// <param name="Solve">How to search; left out for the usual.</param>
public sealed record SeasonDocument(
    KitchenDocument Kitchen,
    IReadOnlyList<RecipeDocument> Recipes,
    string Now,
    IReadOnlyList<OccasionDocument> Occasions,
    IReadOnlyList<NeedDocument> Needs,
    IReadOnlyList<SessionDocument> Sessions,
    string Format = SeasonDocument.FormatName,
    int Version = 1,
    SolveDocument? Solve = null)
{
    /// <summary>The name of the format.</summary>
    public const string FormatName = "zymethos.season";
}

/// <summary>A date for which things are baked.</summary>
/// <param name="Name">What it is called; unique in the season.</param>
/// <param name="At">When it is served, handed over or arrives.</param>
/// <param name="Handing">served, handedOver or posted.</param>
/// <param name="TransitDays">Days it travels when posted.</param>
public sealed record OccasionDocument(string Name, string At, string Handing = "served", int TransitDays = 0);

/// <summary>So many pieces of a recipe for an occasion.</summary>
/// <param name="Occasion">Name of the occasion.</param>
/// <param name="Recipe">Key of the recipe.</param>
/// <param name="Pieces">How many.</param>
/// <param name="For">Whom it is for.</param>
/// <param name="Choices">Which way the recipe goes where bakers differ, by the key of the choice; what is not named goes its own way.</param>
public sealed record NeedDocument(string Occasion, string Recipe, int Pieces, string For = "", IReadOnlyDictionary<string, string>? Choices = null);

/// <summary>A span in which somebody is free to bake.</summary>
/// <param name="From">Start.</param>
/// <param name="Until">End, within a day of it.</param>
/// <param name="People">How many of the kitchen's people.</param>
public sealed record SessionDocument(string From, string Until, int People = 1);

/// <summary>A planned season: the open format "zymethos.season-plan", version 1.</summary>
/// <param name="Format">Always "zymethos.season-plan".</param>
/// <param name="Version">Always 1.</param>
/// <param name="Lots">What is made for each need, in the order of the needs.</param>
/// <param name="Sessions">The sessions that are used.</param>
/// <param name="Unmet">Needs that cannot be met.</param>
/// <param name="Cost">What the search counted: stale days, heat-ups, sessions; lower is better.</param>
/// <param name="Bound">What no plan goes below, in the same count.</param>
public sealed record SeasonPlanDocument(
    string Format, int Version, IReadOnlyList<LotDocument> Lots, IReadOnlyList<SeasonSessionDocument> Sessions, IReadOnlyList<UnmetDocument> Unmet, long Cost, long Bound);

/// <summary>All batches for one need.</summary>
/// <param name="Need">Index of the need.</param>
/// <param name="Recipe">Name of the recipe.</param>
/// <param name="Batches">How many.</param>
/// <param name="Reckoning">Why so many, in a sentence.</param>
/// <param name="Touches">What is to be done when; empty when the need is not met.</param>
/// <param name="Kept">How it waits for its date; null when the need is not met.</param>
/// <param name="ThawAt">When it comes out of the freezer; null when it is not frozen.</param>
public sealed record LotDocument(int Need, string Recipe, int Batches, string Reckoning, IReadOnlyList<SeasonTouchDocument> Touches, string? Kept = null, string? ThawAt = null);

/// <summary>A piece of work of a lot.</summary>
/// <param name="Title">What is done.</param>
/// <param name="Session">Index of the session.</param>
/// <param name="Start">When its first step starts.</param>
/// <param name="End">When its last step ends, cooling and rising included.</param>
/// <param name="HandsMinutes">Minutes of work, all batches.</param>
public sealed record SeasonTouchDocument(string Title, int Session, string Start, string End, int HandsMinutes);

/// <summary>A session to the minute.</summary>
/// <param name="Session">Index of the session.</param>
/// <param name="Finish">When the last hand or hot oven comes to rest.</param>
/// <param name="Tasks">Every step with its time.</param>
public sealed record SeasonSessionDocument(int Session, string Finish, IReadOnlyList<SeasonStepDocument> Tasks);

/// <summary>A step of a session.</summary>
/// <param name="Bake">Name of the bake.</param>
/// <param name="Title">What is done.</param>
/// <param name="Start">When it starts.</param>
/// <param name="End">When it ends.</param>
/// <param name="SetTemperatureC">The oven's setting; null when it does not use the oven.</param>
public sealed record SeasonStepDocument(string Bake, string Title, string Start, string End, int? SetTemperatureC);

/// <summary>A need that cannot be met.</summary>
/// <param name="Need">Index of the need.</param>
/// <param name="Why">The reason.</param>
/// <param name="WaysOut">What would help.</param>
public sealed record UnmetDocument(int Need, string Why, IReadOnlyList<string> WaysOut);
