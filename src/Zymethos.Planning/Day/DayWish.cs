using System.Collections.Immutable;
using NodaTime;

namespace Zymethos.Planning.Day;

/// <summary>A day as it is asked for.</summary>
/// <param name="From">Start of the working span.</param>
/// <param name="Until">End of the working span: hands and hot oven rest from then on.</param>
/// <param name="Bakes">What to bake, at least one.</param>
public sealed record DayWish(LocalDateTime From, LocalDateTime Until, ImmutableArray<BakeWish> Bakes)
{
    /// <summary>Stretches within the span in which nobody is in the kitchen, in order and apart.</summary>
    public ImmutableArray<(LocalDateTime From, LocalDateTime Until)> Rests { get; init; } = [];

    /// <summary>What the baker decided by hand.</summary>
    public ByHand ByHand { get; init; } = ByHand.Nothing;

    /// <summary>What the baker leans toward.</summary>
    public DayLean Lean { get; init; }
}
