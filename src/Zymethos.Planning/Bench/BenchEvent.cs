using NodaTime;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Bench;

/// <summary>What was said on the Bench. The names travel in formats and rows: they are added to, never changed.</summary>
public enum BenchKind
{
    /// <summary>A step has begun; for a load: it went in.</summary>
    Started,

    /// <summary>A step is done; for a load: it came out.</summary>
    Done,

    /// <summary>It was looked at and needs so many minutes from then; what was called done goes on.</summary>
    NeedsMore,

    /// <summary>It was turned, swapped, topped, folded: one of the touches of a bake or a rise.</summary>
    Touched,

    /// <summary>It is left out today.</summary>
    Skipped,

    /// <summary>Handwork is left for a while.</summary>
    Paused,

    /// <summary>It goes on.</summary>
    Resumed,

    /// <summary>Somebody takes it upon themselves.</summary>
    Taken,

    /// <summary>The dial of an oven was set; 0 for off.</summary>
    Dial,

    /// <summary>Somebody looked into an oven before it was lit: nothing is in it that must not get hot.</summary>
    OvenEmpty,

    /// <summary>An alarm was answered: somebody comes in so many minutes.</summary>
    Answered,

    /// <summary>So much of an ingredient was really used.</summary>
    Used,

    /// <summary>How high a dough stands, as a multiple of where it began.</summary>
    Height,

    /// <summary>How many pieces of a bake there are.</summary>
    Pieces,

    /// <summary>How a bake looks, in a word.</summary>
    Looks,

    /// <summary>Where a bake is darker.</summary>
    Darker,

    /// <summary>What to change about a bake next time.</summary>
    ToChange,

    /// <summary>The session is over.</summary>
    Ended,

    /// <summary>Another event is taken back; an event like any other, which can be taken back itself.</summary>
    Undone,

    /// <summary>Another event happened at another time, or somebody else did it.</summary>
    Corrected,

    /// <summary>A thermometer in an oven said so much; with the text <see cref="BenchEvent.Steady"/> where it climbs no more.</summary>
    Heat,

    /// <summary>An oven's door was opened, as its thermometer shows.</summary>
    Door,

    /// <summary>A thermometer in the kitchen said so much.</summary>
    Room,

    /// <summary>A probe was put into what a step warms; the text is the probe's name.</summary>
    ProbeIn,

    /// <summary>A probe says that the middle of it is as warm as it should be; the text says how warm.</summary>
    Warm,

    /// <summary>A picture of a bake was taken; the text is its id.</summary>
    Photo,
}

/// <summary>
/// One touch on the Bench. Events are only ever added. The device makes the id, so that a touch told twice is one; <paramref name="At"/> is
/// when it happened by the server's clock, however late it is told. A value without state.
/// </summary>
/// <param name="Id">Made by the device; never twice.</param>
/// <param name="Kind">What happened.</param>
/// <param name="Step">The step it is of; the default for what is of none.</param>
/// <param name="At">When, to the millisecond.</param>
/// <param name="Who">Who did it; empty when nobody said.</param>
/// <param name="Device">On which device; empty when it does not say.</param>
public sealed record BenchEvent(Guid Id, BenchKind Kind, TaskId Step, Instant At, string Who, string Device)
{
    /// <summary>Minutes, for <see cref="BenchKind.NeedsMore"/> and <see cref="BenchKind.Answered"/>: 1 to 600.</summary>
    public int? Minutes { get; init; }

    /// <summary>Which touch, which oven or which bake, from 0.</summary>
    public int? Number { get; init; }

    /// <summary>Degrees Celsius of a dial, grams used, a height, pieces.</summary>
    public double? Value { get; init; }

    /// <summary>An ingredient, a word, a sentence; null where there is none. At most <see cref="LongestText"/> characters.</summary>
    public string? Text { get; init; }

    /// <summary>The event that is taken back or put right; null for all others.</summary>
    public Guid? Target { get; init; }

    /// <summary>The time to which another event is put right; null where that stays.</summary>
    public Instant? NewAt { get; init; }

    /// <summary>The text of <see cref="BenchKind.Heat"/> where an oven climbs no more, whatever it is set to.</summary>
    public const string Steady = "steady";

    /// <summary>Most characters of <see cref="Text"/>.</summary>
    public const int LongestText = 500;

    /// <summary>The order in which events count, the same on every device: by time, then by id as text.</summary>
    public static int Compare(BenchEvent one, BenchEvent other) => Compare(one.At, one, other.At, other);

    internal static int Compare(Instant at, BenchEvent one, Instant otherAt, BenchEvent other) =>
        at != otherAt ? at.CompareTo(otherAt) : string.CompareOrdinal(one.Id.ToString("D"), other.Id.ToString("D"));
}
