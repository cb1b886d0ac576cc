using System.Collections.Immutable;
using NodaTime;
using Zymethos.Core.Recipes;

namespace Zymethos.Planning.Seasons;

/// <summary>The part of a method that is done at one go, between waits of hours, days or weeks.</summary>
/// <param name="Recipe">Its steps and the links among them, as a recipe of their own.</param>
/// <param name="HandsMinutes">Minutes of work of one batch.</param>
/// <param name="PresenceMinutes">Minutes from its first step to the last that needs somebody, along the method.</param>
/// <param name="OvenMinutes">Minutes in the hot oven of one batch.</param>
/// <param name="Heats">Set temperatures it needs, in whole degrees Celsius.</param>
public sealed record MethodStretch(Recipe Recipe, int HandsMinutes, int PresenceMinutes, int OvenMinutes, ImmutableArray<int> Heats)
{
    /// <summary>What it is called: its longest bake, else the last piece of work.</summary>
    public string Title =>
        Recipe.Steps.Where(s => s.Kind == StepKind.Bake).MaxBy(s => s.Takes.Likely)?.Title ?? (
            Recipe.Steps.LastOrDefault(s => s.IsHandsOn) ?? Recipe.Steps[0]
        ).Title;
}

/// <summary>A stretch follows another after a wait.</summary>
/// <param name="From">Index of the stretch before.</param>
/// <param name="To">Index of the stretch after.</param>
/// <param name="Least">Least time between the end of the one and the start of the other.</param>
/// <param name="Most">Most time between; null when it may wait.</param>
/// <param name="Usual">The time the recipe would rather have.</param>
/// <param name="Says">What is waited for, in the recipe's words.</param>
/// <param name="Kind">How it waits.</param>
public sealed record StretchWait(int From, int To, Duration Least, Duration? Most, Duration Usual, string Says, StepKind Kind)
{
    /// <summary>Where it is kept meanwhile, when the recipe names places for it; then one of these must bear the wait. May be
    /// empty.</summary>
    public ImmutableArray<KeepingPlace> Places { get; init; } = [];

    /// <summary>Whether a few days too long only cost quality: fruit in spirit and a wrapped cake wait, dough and custard do not.</summary>
    public bool Forgives => Kind is StepKind.Soak or StepKind.Mature;
}
