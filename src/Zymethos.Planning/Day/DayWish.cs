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

    /// <summary>Meals that may slide, at most <see cref="MostMeals"/>.</summary>
    public ImmutableArray<MealWish> Meals { get; init; } = [];

    /// <summary>Nobody eats more often while baking.</summary>
    public const int MostMeals = 4;

    /// <summary>What the baker decided by hand.</summary>
    public ByHand ByHand { get; init; } = ByHand.Nothing;

    /// <summary>What the baker leans toward.</summary>
    public DayLean Lean { get; init; }
}

/// <summary>A meal as it is asked for: some time between two hours.</summary>
/// <param name="From">From when.</param>
/// <param name="Until">By when it is over.</param>
/// <param name="Minutes">How long, 5 to 180.</param>
public sealed record MealWish(LocalDateTime From, LocalDateTime Until, int Minutes);
