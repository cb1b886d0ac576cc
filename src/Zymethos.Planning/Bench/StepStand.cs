using System.Collections.Immutable;
using NodaTime;

namespace Zymethos.Planning.Bench;

/// <summary>Something that was said: when it was, who did it, and by which event.</summary>
/// <param name="At">When it happened, as put right.</param>
/// <param name="Who">Who; empty when nobody said.</param>
/// <param name="Event">Id of the event.</param>
public sealed record Said(Instant At, string Who, Guid Event);

/// <summary>How a step stands. A value without state.</summary>
public sealed record StepStand
{
    /// <summary>When it began; null while it has not.</summary>
    public Said? Started { get; init; }

    /// <summary>When it was done; null while it is not.</summary>
    public Said? Done { get; init; }

    /// <summary>Whether and when it was left out.</summary>
    public Said? Skipped { get; init; }

    /// <summary>When it is to be done, if somebody looked and said so; null for its usual time.</summary>
    public Instant? DueAt { get; init; }

    /// <summary>When a probe said that the middle of it is as warm as it should be; null while none did, and once somebody has looked and
    /// it needs more.</summary>
    public Said? WarmAt { get; init; }

    /// <summary>When somebody looked first and it needed more; null while nobody did.</summary>
    public Instant? FirstLookAt { get; init; }

    /// <summary>How often somebody looked and it needed more.</summary>
    public int Looks { get; init; }

    /// <summary>Touches that were done, by their number.</summary>
    public ImmutableSortedDictionary<int, Said> Touches { get; init; } = ImmutableSortedDictionary<int, Said>.Empty;

    /// <summary>Since when it is left; null while somebody is at it.</summary>
    public Instant? PausedSince { get; init; }

    /// <summary>How long it was left before that.</summary>
    public Duration PausedFor { get; init; }

    /// <summary>Who took it upon themselves; empty when nobody did.</summary>
    public string TakenBy { get; init; } = "";

    /// <summary>Until when its alarm is answered for; null when it is not.</summary>
    public Instant? AnsweredUntil { get; init; }

    /// <summary>Heights of the dough, in order of time.</summary>
    public ImmutableArray<(Said Said, double Height)> Heights { get; init; } = [];

    /// <summary>What others said of the same moment; the first stands, these are shown beside it.</summary>
    public ImmutableArray<Said> AlsoSaid { get; init; } = [];

    /// <summary>Whether nothing is left to do about it.</summary>
    public bool IsOver => Done is not null || Skipped is not null;

    /// <summary>Whether it goes on.</summary>
    public bool IsGoing => Started is not null && !IsOver;
}

/// <summary>A dial as it was set.</summary>
/// <param name="Oven">Which oven, from 0.</param>
/// <param name="Celsius">To what; 0 for off.</param>
/// <param name="Said">When and by whom.</param>
public sealed record DialStand(int Oven, double Celsius, Said Said);

/// <summary>What a thermometer in an oven said.</summary>
/// <param name="Oven">Which oven, from 0.</param>
/// <param name="Celsius">How hot its air was.</param>
/// <param name="IsSteady">Whether it climbs no more, whatever it is set to.</param>
/// <param name="Said">When, by which device.</param>
public sealed record HeatStand(int Oven, double Celsius, bool IsSteady, Said Said);

/// <summary>A door that was opened.</summary>
/// <param name="Oven">Which oven, from 0.</param>
/// <param name="Said">When.</param>
public sealed record DoorStand(int Oven, Said Said);

/// <summary>How warm the kitchen was.</summary>
/// <param name="Celsius">Degrees Celsius of its air.</param>
/// <param name="Said">When.</param>
public sealed record RoomStand(double Celsius, Said Said);

/// <summary>In what a probe is.</summary>
/// <param name="Step">The step.</param>
/// <param name="Said">Since when, and who put it there.</param>
public sealed record ProbeStand(Day.TaskId Step, Said Said);

/// <summary>What came of a bake, as it was said.</summary>
public sealed record BakeStand
{
    /// <summary>How many pieces; null when nobody counted.</summary>
    public double? Pieces { get; init; }

    /// <summary>How it looks, in a word; empty when nobody said.</summary>
    public string Looks { get; init; } = "";

    /// <summary>Where it is darker; empty when nowhere.</summary>
    public ImmutableSortedSet<string> Darker { get; init; } = ImmutableSortedSet.Create<string>(StringComparer.Ordinal);

    /// <summary>What to change next time; empty when nothing.</summary>
    public string ToChange { get; init; } = "";

    /// <summary>Ids of pictures of it.</summary>
    public ImmutableSortedSet<string> Photos { get; init; } = ImmutableSortedSet.Create<string>(StringComparer.Ordinal);

    /// <summary>Grams that were really used, by ingredient, of all batches together.</summary>
    public ImmutableSortedDictionary<string, double> Used { get; init; } =
        ImmutableSortedDictionary.Create<string, double>(StringComparer.Ordinal);

    /// <summary>The same by the mix they went into; under the empty name what was said of all batches at once.</summary>
    internal ImmutableSortedDictionary<string, ImmutableSortedDictionary<string, double>> UsedBy { get; init; } =
        ImmutableSortedDictionary.Create<string, ImmutableSortedDictionary<string, double>>(StringComparer.Ordinal);

    /// <summary>With so much more said of an ingredient: each batch's mix has its own amount, and they add up; what is said without a mix
    /// is all of it.</summary>
    internal BakeStand With(string what, string mix, double grams)
    {
        var none = ImmutableSortedDictionary.Create<string, double>(StringComparer.Ordinal);
        var by = mix.Length == 0 ? none : UsedBy.GetValueOrDefault(what, none).Remove("");
        by = by.SetItem(mix, grams);
        return this with { UsedBy = UsedBy.SetItem(what, by), Used = Used.SetItem(what, by.Values.Sum()) };
    }
}
