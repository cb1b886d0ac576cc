using System.Collections.Immutable;
using NodaTime;
using Zymethos.Core.Recipes;

namespace Zymethos.Planning.Day;

/// <summary>A bake as it is asked for.</summary>
/// <param name="Recipe">What to bake.</param>
/// <param name="Batches">How many batches, 1 to 12; each is mixed on its own.</param>
/// <param name="ReadyBy">When all of it must be finished, cooling included; null when any hour will do.</param>
/// <param name="NotBefore">When the first of it may start; null when any.</param>
public sealed record BakeWish(Recipe Recipe, int Batches, LocalDateTime? ReadyBy, LocalDateTime? NotBefore)
{
    /// <summary>Which way each step with several is spent, by its key: 0 its own, 1 the first of its modes. What is not named goes its own
    /// way.</summary>
    public ImmutableDictionary<string, int> Modes { get; init; } = ImmutableDictionary<string, int>.Empty;

    /// <summary>Yeast as a multiple of what the recipe takes, 0.25 to 3: rises go in proportion.</summary>
    public double Yeast { get; init; } = 1;

    /// <summary>Under this key <see cref="Modes"/> says whether two batches are mixed in one bowl (1) or each on its own (0).</summary>
    public const string MixTogether = "mix-together";

    /// <summary>Under this key <see cref="Modes"/> says with what a bake is mixed: the place of the mixer in the kitchen's list, from 1, or
    /// <see cref="ByHand"/>; without it the plan chooses.</summary>
    public const string Mixing = "mixing";

    /// <summary>Mixed by hand.</summary>
    public const int ByHand = 9;
}
