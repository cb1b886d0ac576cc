using System.Collections.Immutable;

namespace Zymethos.Planning.Day;

/// <summary>A meal that may slide: so many minutes without work for everybody, some time within a stretch of the day.</summary>
/// <param name="From">First minute of the stretch.</param>
/// <param name="Until">Minute after its last.</param>
/// <param name="Length">Minutes, no more than the stretch has.</param>
public readonly record struct Meal(int From, int Until, int Length);

/// <summary>
/// How long anybody works at a stretch, and when there is something to eat. A pause is time without work: a minute at the oven's door does
/// not end it, washing up and sitting down fill it.
/// </summary>
/// <param name="Stretch">Minutes of work after which a pause is due; a single piece of work may be longer.</param>
/// <param name="Length">Minutes of a pause, at least 1.</param>
public sealed record Pauses(int Stretch, int Length)
{
    /// <summary>Work of so many minutes or less does not end a pause: a tray is turned, a loaf comes out.</summary>
    public const int Touch = 2;

    /// <summary>Nobody counts minutes: a stretch may be so much longer when others give way to it.</summary>
    public const int Grace = 10;

    /// <summary>Stretch for a day on which only meals count.</summary>
    public const int Unending = 7 * 24 * 60;

    /// <summary>Meals in order; usually one or none.</summary>
    public ImmutableArray<Meal> Meals { get; init; } = [];

    /// <summary>Whether another with the same meals says the same.</summary>
    public bool Equals(Pauses? other) =>
        other is not null && Stretch == other.Stretch && Length == other.Length && Meals.SequenceEqual(other.Meals);

    /// <inheritdoc />
    public override int GetHashCode() => HashCode.Combine(Stretch, Length, Meals.Length);
}
