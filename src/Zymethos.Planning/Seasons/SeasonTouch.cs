using NodaTime;

namespace Zymethos.Planning.Seasons;

/// <summary>What a touch is.</summary>
public enum SeasonTouchKind
{
    /// <summary>Work in a session or a spell.</summary>
    Work,

    /// <summary>Something comes out of the freezer.</summary>
    Thaw,

    /// <summary>Butter comes out of the refrigerator the night before.</summary>
    Butter,

    /// <summary>The sourdough starter is fed.</summary>
    Feed,

    /// <summary>Goods are bought.</summary>
    Buy,

    /// <summary>What is given is wrapped and labelled.</summary>
    Wrap,

    /// <summary>It is handed over or posted.</summary>
    Give,
}

/// <summary>Something to do for the season at an hour: work in a session, or a minute by the way.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="At">When.</param>
/// <param name="Minutes">Minutes of work.</param>
/// <param name="Title">What is done, in a few words.</param>
/// <param name="Detail">How much, how long, where. May be empty.</param>
/// <param name="Lot">Index of the lot; -1 when it is for several.</param>
/// <param name="Stretch">Index of the stretch; -1 when it is none.</param>
public sealed record SeasonTouch(
    SeasonTouchKind Kind,
    LocalDateTime At,
    int Minutes,
    string Title,
    string Detail,
    int Lot = -1,
    int Stretch = -1
)
{
    /// <summary>Index of the session; -1 when it is done by the way.</summary>
    public int Session { get; init; } = -1;

    /// <summary>Whether it cannot wait for the next session: afterwards something would be too late or spoilt.</summary>
    public bool MustNotBeMissed { get; init; }

    /// <summary>A name that stays the same when the plan is made again, for calendars and reminders.</summary>
    public string Id { get; init; } = "";
}
