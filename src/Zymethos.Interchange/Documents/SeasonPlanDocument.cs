namespace Zymethos.Interchange.Documents;

/// <summary>A planned season: the open format "zymethos.season-plan", version 1.</summary>
/// <param name="Format">Always "zymethos.season-plan".</param>
/// <param name="Version">Always 1.</param>
/// <param name="Lots">What is made for each need, in the order of the needs.</param>
/// <param name="Sessions">The sessions that are used.</param>
/// <param name="Unmet">Needs that cannot be met.</param>
/// <param name="Touches">Everything to do, hour by hour, what is done by the way included.</param>
/// <param name="Cost">What the search counted: stale days, heat-ups, sessions; lower is better.</param>
/// <param name="Bound">What no plan goes below, in the same count.</param>
public sealed record SeasonPlanDocument(
    string Format,
    int Version,
    IReadOnlyList<LotDocument> Lots,
    IReadOnlyList<SeasonSessionDocument> Sessions,
    IReadOnlyList<UnmetDocument> Unmet,
    IReadOnlyList<SeasonTouchDocument> Touches,
    long Cost,
    long Bound
);

/// <summary>All batches for one need.</summary>
/// <param name="Need">Id of the need.</param>
/// <param name="Recipe">Name of the recipe.</param>
/// <param name="Batches">How many; a half as 0.5.</param>
/// <param name="Reckoning">Why so many, in a sentence.</param>
/// <param name="Work">What is to be done when; of a need that is not met only what is done already.</param>
/// <param name="Kept">How it waits for its date; null when the need is not met.</param>
/// <param name="ThawAt">When it comes out of the freezer; null when it is not frozen.</param>
public sealed record LotDocument(
    string Need,
    string Recipe,
    double Batches,
    string Reckoning,
    IReadOnlyList<SeasonWorkDocument> Work,
    string? Kept = null,
    string? ThawAt = null
);

/// <summary>A piece of work of a lot.</summary>
/// <param name="Stretch">Which piece of its method, from 0.</param>
/// <param name="Title">What is done.</param>
/// <param name="Start">When its first step starts.</param>
/// <param name="End">When its last step ends, cooling and rising included.</param>
/// <param name="HandsMinutes">Minutes of work, all batches.</param>
/// <param name="Session">Start of its session; null when it is done.</param>
public sealed record SeasonWorkDocument(int Stretch, string Title, string Start, string End, int HandsMinutes, string? Session = null);

/// <summary>A session to the minute.</summary>
/// <param name="From">Its start.</param>
/// <param name="Until">Its end.</param>
/// <param name="Finish">When the last hand or hot oven comes to rest.</param>
/// <param name="Tasks">Every step with its time.</param>
public sealed record SeasonSessionDocument(string From, string Until, string Finish, IReadOnlyList<SeasonStepDocument> Tasks);

/// <summary>A step of a session.</summary>
/// <param name="Bake">Name of the bake.</param>
/// <param name="Title">What is done.</param>
/// <param name="Start">When it starts.</param>
/// <param name="End">When it ends.</param>
/// <param name="SetTemperatureC">The oven's setting; null when it does not use the oven.</param>
public sealed record SeasonStepDocument(string Bake, string Title, string Start, string End, int? SetTemperatureC = null);

/// <summary>Something to do at an hour.</summary>
/// <param name="Kind">work, thaw, butter, feed or buy.</param>
/// <param name="At">When.</param>
/// <param name="Minutes">Minutes of work.</param>
/// <param name="Title">What.</param>
/// <param name="Detail">How much, how long, where.</param>
/// <param name="MustNotBeMissed">Whether it cannot wait for the next session.</param>
public sealed record SeasonTouchDocument(string Kind, string At, int Minutes, string Title, string Detail, bool MustNotBeMissed);

/// <summary>A need that cannot be met.</summary>
/// <param name="Need">Id of the need.</param>
/// <param name="Why">The reason.</param>
public sealed record UnmetDocument(string Need, string Why);
