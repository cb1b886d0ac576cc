using System.Collections.Immutable;
using MathNet.Numerics.LinearAlgebra;

namespace Zymethos.Core.Learning;

/// <summary>
/// What bakes say of ovens and recipes: log(actual / planned) = oven + recipe + noise, each with a prior around zero, which makes it a
/// ridge regression and its answer the mean and spread of a normal posterior (Bishop, "Pattern Recognition and Machine Learning", 3.3.1,
/// equations 3.50 to 3.51). Without bakes nothing is said; with few it stays near zero. Immutable; safe for any number of threads.
/// </summary>
public sealed class BakeFactors
{
    /// <summary>How far ovens lie from their recipes' own times, as a spread of the logarithm (by judgement: one in three is off by more
    /// than a tenth).</summary>
    public const double OvenSpread = 0.10;

    /// <summary>How far a recipe's own time lies from this kitchen's pan and hand (by judgement).</summary>
    public const double RecipeSpread = 0.12;

    /// <summary>How far one bake lies from another of the same recipe in the same oven (by judgement: some minutes in an hour).</summary>
    public const double Noise = 0.07;

    /// <summary>A bake this many spreads from what was to be expected is named.</summary>
    public const double Odd = 3;

    private readonly Dictionary<string, int> _ovens = new(StringComparer.Ordinal);
    private readonly Dictionary<string, int> _recipes = new(StringComparer.Ordinal);
    private readonly ImmutableArray<BakeObservation> _bakes;
    private readonly Vector<double>? _mean;
    private readonly Matrix<double>? _covariance;

    private BakeFactors(IEnumerable<BakeObservation> bakes)
    {
        _bakes = [.. bakes.Where(b => b.IsSound)];
        foreach (var b in _bakes)
        {
            _ovens.TryAdd(b.Oven, _ovens.Count);
            _recipes.TryAdd(b.Recipe, _recipes.Count);
        }

        var size = _ovens.Count + _recipes.Count;
        if (size == 0)
            return;
        var precision = Matrix<double>.Build.Dense(size, size);
        var weighted = Vector<double>.Build.Dense(size);
        for (var i = 0; i < size; i++)
            precision[i, i] = 1 / Square(i < _ovens.Count ? OvenSpread : RecipeSpread);
        foreach (var b in _bakes)
        {
            var (o, r) = (_ovens[b.Oven], _ovens.Count + _recipes[b.Recipe]);
            var weight = 1 / Square(Noise);
            precision[o, o] += weight;
            precision[r, r] += weight;
            precision[o, r] += weight;
            precision[r, o] += weight;
            weighted[o] += b.Log * weight;
            weighted[r] += b.Log * weight;
        }

        var solved = precision.Cholesky();
        _mean = solved.Solve(weighted);
        _covariance = solved.Solve(Matrix<double>.Build.DenseIdentity(size));
    }

    /// <summary>Bakes that were learned from.</summary>
    public ImmutableArray<BakeObservation> Bakes => _bakes;

    /// <summary>Ovens that were baked in.</summary>
    public IReadOnlyCollection<string> Ovens => _ovens.Keys;

    /// <summary>Recipes that were baked.</summary>
    public IReadOnlyCollection<string> Recipes => _recipes.Keys;

    /// <summary>Learns.</summary>
    /// <param name="bakes">Bakes, in any order; those that cannot have been are left out.</param>
    public static BakeFactors Of(IEnumerable<BakeObservation> bakes) => new(bakes);

    /// <summary>How much longer things take in an oven; nothing known for one that nobody baked in.</summary>
    public LearnedFactor Oven(string oven) =>
        _ovens.TryGetValue(oven, out var o) ? At(o, _bakes.Count(b => b.Oven == oven)) : new LearnedFactor(0, OvenSpread, 0);

    /// <summary>How much longer a recipe takes than it says, whatever the oven.</summary>
    public LearnedFactor Recipe(string recipe) =>
        _recipes.TryGetValue(recipe, out var r)
            ? At(_ovens.Count + r, _bakes.Count(b => b.Recipe == recipe))
            : new LearnedFactor(0, RecipeSpread, 0);

    /// <summary>How much longer a recipe takes in an oven: both together, what is shared between them counted once.</summary>
    public LearnedFactor Of(string oven, string recipe)
    {
        var (hasOven, hasRecipe) = (_ovens.TryGetValue(oven, out var o), _recipes.TryGetValue(recipe, out var place));
        var r = _ovens.Count + place;
        var mean = (hasOven ? _mean![o] : 0) + (hasRecipe ? _mean![r] : 0);
        var variance =
            (hasOven ? _covariance![o, o] : Square(OvenSpread))
            + (hasRecipe ? _covariance![r, r] : Square(RecipeSpread))
            + (hasOven && hasRecipe ? 2 * _covariance![o, r] : 0);
        return new LearnedFactor(mean, Math.Sqrt(variance), _bakes.Count(b => b.Oven == oven || b.Recipe == recipe));
    }

    /// <summary>The next bake of a recipe in an oven: the same, with how one bake lies from another.</summary>
    public LearnedFactor Next(string oven, string recipe)
    {
        var both = Of(oven, recipe);
        return both with { Spread = Math.Sqrt(Square(both.Spread) + Square(Noise)) };
    }

    /// <summary>Bakes that lie far from what all others say of their oven and recipe, the farthest first: something else happened there, or
    /// it was written down wrong. They are named, and left out only by whoever says so.</summary>
    public ImmutableArray<BakeObservation> OddOnes() =>
        [.. _bakes.Select(b => (Bake: b, Off: Off(b))).Where(b => b.Off > Odd).OrderByDescending(b => b.Off).Select(b => b.Bake)];

    // How many spreads a bake lies from what the others say of it, without learning anew from the others for each: with the leverage
    // h = x'Sx / noise², the bake lies r / (1 - h) from what they foretell, whose spread is noise / sqrt(1 - h) (the leave-one-out identity
    // of linear smoothers; Hastie and others, "The Elements of Statistical Learning", 7.10).
    private double Off(BakeObservation bake)
    {
        var both = Of(bake.Oven, bake.Recipe);
        var leverage = Square(both.Spread) / Square(Noise);
        return Math.Abs(bake.Log - both.Mean) / (Noise * Math.Sqrt(Math.Max(1e-9, 1 - leverage)));
    }

    private LearnedFactor At(int place, int bakes) => new(_mean![place], Math.Sqrt(_covariance![place, place]), bakes);

    private static double Square(double value) => value * value;
}
