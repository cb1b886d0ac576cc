using System.Collections.Immutable;

namespace Zymethos.Workshop.Sugar;

/// <summary>
/// How long dried fruit drinks. A night in a cool kitchen is enough for raisins, twenty minutes just below a simmer as well (common
/// practice, no source); between these the time halves with every ten degrees or so, as diffusion into fruit roughly does.
/// </summary>
public static class SoakedFruit
{
    /// <summary>Hours for raisins at <see cref="BaseCelsius"/>.</summary>
    public const double BaseHours = 12;

    /// <summary>The kitchen for which <see cref="BaseHours"/> holds.</summary>
    public const double BaseCelsius = 20;

    /// <summary>Kinds of fruit, and how much longer they take than raisins.</summary>
    public static readonly ImmutableArray<(string Word, string Says, double Longer)> Kinds =
    [
        ("small", "raisins, sultanas, currants", 1),
        ("peel", "candied peel, chopped", 0.6),
        ("large", "figs, apricots, dates, cut up", 1.5),
        ("whole", "whole prunes, pears, apricots", 3),
    ];

    /// <summary>Minutes until a fruit has drunk what it will; 20 at least.</summary>
    /// <param name="celsius">How warm the liquid is kept, 2 to 95 degrees.</param>
    /// <param name="kind">A word of <see cref="Kinds"/>.</param>
    public static double Minutes(double celsius, string kind) =>
        Math.Max(20, 60 * BaseHours * Kinds.First(k => k.Word == kind).Longer * Math.Pow(2, (BaseCelsius - celsius) / 10));

    /// <summary>Least and most liquid that the fruit takes up, as shares of its weight (common practice, no source).</summary>
    public static readonly (double Least, double Most) Drinks = (0.2, 0.35);
}
