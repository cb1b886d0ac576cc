using System.Collections.Immutable;

namespace Zymethos.Workshop.Cold;

/// <summary>What a bake is made of, as far as cold is concerned. Values by judgement from tables of similar foods.</summary>
/// <param name="Word">Its word in an address.</param>
/// <param name="Says">What it is.</param>
/// <param name="Density">Kilograms in a cubic metre.</param>
/// <param name="Water">Share of its weight that is water.</param>
/// <param name="Frozen">Conductivity frozen, in W/(m K).</param>
/// <param name="Thawed">Conductivity thawed, in W/(m K).</param>
/// <param name="FreezesAt">Degrees Celsius at which it begins to freeze.</param>
public sealed record FrozenKind(string Word, string Says, double Density, double Water, double Frozen, double Thawed, double FreezesAt);

/// <summary>
/// How long a bake takes to freeze through and to thaw: Plank's equation, t = rho L / dT (P a / h + R a^2 / k), with the sensible heat
/// before and after added to the latent heat (Singh and Heldman, "Introduction to Food Engineering", ch. 7; its form for thawing is the
/// same with the conductivity of what has thawed). P and R of a plate, a long bar and a ball are exact.
/// </summary>
public static class FrozenBake
{
    /// <summary>Latent heat of freezing water, in J/kg.</summary>
    public const double LatentHeat = 333_550;

    /// <summary>Heat that passes a wrapped surface in still air, in W/(m2 K) (by judgement).</summary>
    public const double Wrapped = 6;

    private const double SpecificThawed = 2900;
    private const double SpecificFrozen = 1800;

    /// <summary>What bakes are made of.</summary>
    public static readonly ImmutableArray<FrozenKind> Kinds =
    [
        new("bread", "bread, buns", 300, 0.37, 0.30, 0.15, -5),
        new("cake", "butter cake, quick loaf", 550, 0.30, 0.35, 0.20, -6),
        new("fruit-cake", "fruit cake", 1100, 0.22, 0.45, 0.35, -10),
        new("cookies", "cookies", 600, 0.06, 0.25, 0.18, -10),
        new("dough", "raw dough, shaped", 1100, 0.40, 0.95, 0.42, -6),
        new("cream", "filled with cream or custard", 800, 0.55, 0.90, 0.40, -3),
    ];

    /// <summary>Plank's equation, in seconds.</summary>
    /// <param name="density">Kilograms in a cubic metre.</param>
    /// <param name="heat">Heat to be carried off, in J/kg.</param>
    /// <param name="difference">Degrees between the freezing point and the air; above zero.</param>
    /// <param name="metres">Thickness of a plate, or width of a bar or ball.</param>
    /// <param name="shape">The shape.</param>
    /// <param name="passes">Heat that passes the surface, in W/(m2 K).</param>
    /// <param name="conducts">Conductivity, in W/(m K).</param>
    public static double Plank(
        double density,
        double heat,
        double difference,
        double metres,
        PlankShape shape,
        double passes,
        double conducts
    )
    {
        var (p, r) = shape switch
        {
            PlankShape.Plate => (1.0 / 2, 1.0 / 8),
            PlankShape.Bar => (1.0 / 4, 1.0 / 16),
            _ => (1.0 / 6, 1.0 / 24),
        };
        return density * heat / difference * ((p * metres / passes) + (r * metres * metres / conducts));
    }

    /// <summary>Minutes until the middle is frozen.</summary>
    /// <param name="kind">What it is.</param>
    /// <param name="metres">Its thickness, or width.</param>
    /// <param name="shape">Its shape.</param>
    /// <param name="start">Degrees Celsius at which it goes in.</param>
    /// <param name="freezer">Degrees of the freezer; below the freezing point.</param>
    public static double FreezeMinutes(FrozenKind kind, double metres, PlankShape shape, double start, double freezer) =>
        Plank(
            kind.Density,
            (kind.Water * LatentHeat) + (SpecificThawed * Math.Max(0, start - kind.FreezesAt)),
            kind.FreezesAt - freezer,
            metres,
            shape,
            Wrapped,
            kind.Frozen
        ) / 60;

    /// <summary>Minutes until the middle is thawed.</summary>
    /// <param name="kind">What it is.</param>
    /// <param name="metres">Its thickness, or width.</param>
    /// <param name="shape">Its shape.</param>
    /// <param name="freezer">Degrees Celsius at which it comes out.</param>
    /// <param name="place">Degrees where it thaws; above the freezing point.</param>
    public static double ThawMinutes(FrozenKind kind, double metres, PlankShape shape, double freezer, double place) =>
        Plank(
            kind.Density,
            (kind.Water * LatentHeat) + (SpecificFrozen * Math.Max(0, kind.FreezesAt - freezer)),
            place - kind.FreezesAt,
            metres,
            shape,
            Wrapped,
            kind.Thawed
        ) / 60;
}

/// <summary>A shape for which Plank's equation has exact factors.</summary>
public enum PlankShape
{
    /// <summary>A wide flat thing; cold from above and below.</summary>
    Plate,

    /// <summary>A long bar: a loaf.</summary>
    Bar,

    /// <summary>A ball.</summary>
    Ball,
}
