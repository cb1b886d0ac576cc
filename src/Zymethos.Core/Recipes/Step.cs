using System.Collections.Immutable;
using Zymethos.Core.Safety;

namespace Zymethos.Core.Recipes;

/// <summary>What is done or waited for in a step.</summary>
public enum StepKind
{
    /// <summary>Hands at work.</summary>
    Work,

    /// <summary>Hands at work with the mixer and its bowl.</summary>
    Mix,

    /// <summary>Fruit or grain standing in liquid.</summary>
    Soak,

    /// <summary>The first rise, in one piece.</summary>
    BulkRise,

    /// <summary>The rise after shaping.</summary>
    Proof,

    /// <summary>Standing at room temperature: dough relaxing, butter softening.</summary>
    Rest,

    /// <summary>In the refrigerator.</summary>
    Chill,

    /// <summary>In the hot oven.</summary>
    Bake,

    /// <summary>Cooling in the pan or on the rack.</summary>
    Cool,

    /// <summary>Ripening for days or weeks, wrapped.</summary>
    Mature,

    /// <summary>In the freezer.</summary>
    Freeze,

    /// <summary>Coming back from the freezer.</summary>
    Thaw,
}

/// <summary>How the baker knows that a step is done.</summary>
/// <param name="Text">What to see, hear, feel or measure ("a skewer comes out clean").</param>
public sealed record DoneTest(string Text);

/// <summary>One thing done or waited for.</summary>
/// <param name="Key">Unique in the recipe, lower-case words joined by hyphens.</param>
/// <param name="Title">A few words, as on a list ("Shape the plaits").</param>
/// <param name="Instruction">The full sentence or two. May be empty.</param>
/// <param name="Kind">What it is.</param>
/// <param name="Takes">How long it takes.</param>
/// <param name="Hands">People needed from start to end: 0 for what is waited for, else 1 to 4.</param>
/// <param name="Oven">What it wants of the oven; null when nothing.</param>
/// <param name="Times">
/// How many times it is done, one wave after another (four trays: 4), at least 1. Steps of a recipe that are repeated are repeated equally
/// often.
/// </param>
/// <param name="DoneTests">How to know it is done; may be empty.</param>
/// <param name="Cautions">What to beware of; may be empty.</param>
public sealed record Step(
    string Key,
    string Title,
    string Instruction,
    StepKind Kind,
    DurationEstimate Takes,
    int Hands,
    OvenUse? Oven,
    int Times,
    ImmutableArray<DoneTest> DoneTests,
    ImmutableArray<CautionKind> Cautions
)
{
    /// <summary>Whether someone must be at it from start to end.</summary>
    public bool IsHandsOn => Hands > 0;

    /// <summary>Other ways to spend the same wait ("in the refrigerator overnight"); the step itself is the first. May be empty.</summary>
    public ImmutableArray<StepMode> Modes { get; init; } = [];

    /// <summary>What is done to it part-way. May be empty; only a bake, or a rise on the counter, has any.</summary>
    public ImmutableArray<BakeTouch> Touches { get; init; } = [];

    /// <summary>The choice this step belongs to; null when it is always done.</summary>
    public Condition? When { get; init; }
}

/// <summary>Another way to spend a wait: a rise on the counter, in the oven-proof spell, in the refrigerator overnight.</summary>
/// <param name="Name">Where and how, in a few words.</param>
/// <param name="Kind">What it is then.</param>
/// <param name="Takes">How long it takes there.</param>
/// <param name="Oven">What it wants of the oven there; null when nothing.</param>
public sealed record StepMode(string Name, StepKind Kind, DurationEstimate Takes, OvenUse? Oven);

/// <summary>What can be done to something while it bakes or rises.</summary>
public enum TouchKind
{
    /// <summary>Turned round, back to front.</summary>
    Turn,

    /// <summary>Two trays change places.</summary>
    Swap,

    /// <summary>A topping is put on.</summary>
    Top,

    /// <summary>Covered against the heat from above.</summary>
    Cover,

    /// <summary>A dough folded, or knocked back, while it rises.</summary>
    Fold,
}

/// <summary>Something done to a bake, or to a rising dough, part-way.</summary>
/// <param name="Kind">What.</param>
/// <param name="At">When, as a share of the bake or rise, above 0 and below 1.</param>
/// <param name="Title">In a few words ("strew the crumb on").</param>
public sealed record BakeTouch(TouchKind Kind, double At, string Title);
