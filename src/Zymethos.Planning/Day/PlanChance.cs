using System.Collections.Immutable;

namespace Zymethos.Planning.Day;

/// <summary>The chance of a bake.</summary>
/// <param name="Bake">Index of the bake.</param>
/// <param name="Ready">Share of the days on which it was ready by its hour, 0 to 1; 1 when it has none.</param>
/// <param name="Unspoilt">Share of the days on which no hard window of it was missed by more than a moment, and it was not left in the
/// oven.</param>
public sealed record NeedChance(int Bake, double Ready, double Unspoilt);

/// <summary>What became of a plan on many rehearsed days.</summary>
/// <param name="Days">How many.</param>
/// <param name="Together">Share of them on which everything was well: nothing spoilt, nothing late, 0 to 1.</param>
/// <param name="LikelyDone">The minute by which half of them were done.</param>
/// <param name="DoneBy">The minute by which nine of ten were done: what may be promised.</param>
/// <param name="Needs">The chance of each bake, in their order.</param>
public sealed record PlanChance(int Days, double Together, int LikelyDone, int DoneBy, ImmutableArray<NeedChance> Needs)
{
    /// <summary>The minute by which, on nine of ten days, all that was promised was ready: cooled, iced, whatever is waited for. Null where
    /// it was not counted.</summary>
    public int? ReadyBy { get; init; }

    /// <summary>The minute by which all was ready on half of the days; null where it was not counted.</summary>
    public int? LikelyReady { get; init; }

    /// <summary>By how much it misses a share that was asked for, in whole hundredths; 0 where it reaches it.</summary>
    public int Missing(double asked) => Math.Max(0, (int)Math.Round((asked - Together) * 100, MidpointRounding.AwayFromZero));
}

/// <summary>A plan that may be chosen, with what it is worth.</summary>
/// <param name="Plan">The plan; it obeys every rule.</param>
/// <param name="Chance">What became of it on rehearsed days.</param>
public sealed record PlanChoice(Plan Plan, PlanChance Chance);
