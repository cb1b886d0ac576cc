using System.Collections.Immutable;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.WaysOut;

/// <summary>What a way out changes.</summary>
public enum WayOutKind
{
    /// <summary>The day ends later.</summary>
    FinishLater,

    /// <summary>The day starts earlier.</summary>
    StartEarlier,

    /// <summary>The day starts earlier and ends later, half and half.</summary>
    LongerAtBothEnds,

    /// <summary>A bake waits for another day.</summary>
    LeaveOut,

    /// <summary>A bake is ready later than asked for.</summary>
    ReadyLater,

    /// <summary>A second pair of hands helps.</summary>
    MoreHands,

    /// <summary>A pinned step is let go.</summary>
    LetMove,

    /// <summary>One batch fewer of a bake.</summary>
    FewerBatches,

    /// <summary>A recipe's window is wider on this day.</summary>
    WiderWindow,

    /// <summary>A second oven, borrowed or bought.</summary>
    SecondOven,

    /// <summary>Dough rises on the counter and not in the oven.</summary>
    OnCounter,
}

/// <summary>One way to make an impossible day possible, already worked out.</summary>
/// <param name="Kind">What it changes.</param>
/// <param name="Minutes">By how many minutes; 0 when it is not about time.</param>
/// <param name="Bake">Which bake it is about; null when it is about the day.</param>
/// <param name="Text">What to do, in a sentence.</param>
public sealed record WayOut(WayOutKind Kind, int Minutes, int? Bake, string Text)
{
    /// <summary>How dear it is, in minutes of a baker's patience: an hour's shift is easier than giving up a bake (common practice, no
    /// source).</summary>
    public int Price =>
        Kind switch
        {
            WayOutKind.FinishLater => Minutes,
            WayOutKind.ReadyLater => Minutes,
            WayOutKind.StartEarlier => Minutes + 5,
            WayOutKind.LongerAtBothEnds => Minutes + 10,
            WayOutKind.MoreHands => 90,
            WayOutKind.FewerBatches => 100,
            WayOutKind.WiderWindow => 60 + Minutes,
            WayOutKind.SecondOven => 240,
            WayOutKind.OnCounter => 20 + Minutes,
            WayOutKind.LetMove => Minutes / 2,
            _ => 120,
        };

    /// <summary>Id of the pinned step it lets go; null for every other way.</summary>
    public TaskId? Step { get; init; }

    /// <summary>The hour by which the bake is ready then ("17:35"); empty for every other way.</summary>
    public string Ready { get; init; } = "";

    /// <summary>The windows that it widens; empty for every other way.</summary>
    public ImmutableArray<WiderWindow> Windows { get; init; } = [];

    /// <summary>The rises that it moves to the counter; empty for every other way.</summary>
    public ImmutableArray<RiseMoved> Rises { get; init; } = [];
}

/// <summary>A rise that has its time on the counter.</summary>
/// <param name="Bake">Index of the bake.</param>
/// <param name="Step">Key of the step.</param>
public sealed record RiseMoved(int Bake, string Step);

/// <summary>A window that is to stay open longer.</summary>
/// <param name="Bake">Index of the bake.</param>
/// <param name="From">Key of the step before.</param>
/// <param name="To">Key of the step that may wait.</param>
/// <param name="Minutes">How much longer, above 0.</param>
public sealed record WiderWindow(int Bake, string From, string To, int Minutes);

/// <summary>A day that does not work: what clashes, and the ways out, cheapest first.</summary>
/// <param name="IsProven">Whether it is proven that no plan exists; false when none was found in the time there was.</param>
/// <param name="Clash">The wishes that cannot all hold, as short phrases; a set from which none can be left out.</param>
/// <param name="WaysOut">Ways out that were computed to work, cheapest first.</param>
public sealed record ClashReport(bool IsProven, ImmutableArray<string> Clash, ImmutableArray<WayOut> WaysOut);
