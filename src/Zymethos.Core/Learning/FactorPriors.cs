namespace Zymethos.Core.Learning;

/// <summary>What is taken to be so before anything was seen, as spreads of the logarithm of a time. All by judgement, no source: they say
/// how much has to be seen before a plan moves. A value without state.</summary>
/// <param name="Doer">How far ovens, persons or leavens lie from what recipes reckon with.</param>
/// <param name="Work">How far a recipe, or a kind of work, lies from its own time in one kitchen.</param>
/// <param name="Noise">How far one time lies from another of the same work by the same doer.</param>
public sealed record FactorPriors(double Doer, double Work, double Noise)
{
    /// <summary>Bakes by oven and recipe: one oven in three is off by more than a tenth; bakes of a loaf lie some minutes apart.</summary>
    public static FactorPriors Bakes { get; } = new(0.10, 0.12, 0.07);

    /// <summary>Handwork by person and kind of work: recipes guess it badly, and no two evenings are alike.</summary>
    public static FactorPriors Hands { get; } = new(0.25, 0.20, 0.25);

    /// <summary>Rises by leaven and recipe, the room counted in already: a starter can be a third slower than another.</summary>
    public static FactorPriors Rises { get; } = new(0.20, 0.12, 0.12);

    /// <summary>Heating up, by oven: its kitchen's figure is a guess until somebody took the time.</summary>
    public static FactorPriors Heating { get; } = new(0.25, 0.02, 0.10);
}
