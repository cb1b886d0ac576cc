using System.Collections.Immutable;
using MathNet.Numerics.LinearAlgebra;

namespace Zymethos.Core.Learning;

/// <summary>
/// What times that were taken say of who did the work and of the work itself: of ovens and recipes, of persons and what they do, of leavens
/// and doughs. log(actual / planned) = doer + work + noise, each with a prior around zero, which makes it a ridge regression and its answer
/// the mean and spread of a normal posterior (Bishop, "Pattern Recognition and Machine Learning", 3.3.1, equations 3.50 to 3.51). Without
/// anything seen nothing is said; with little it stays near zero. Immutable; safe for any number of threads.
/// </summary>
public sealed class TimeFactors
{
    /// <summary>A bake this many spreads from what was to be expected is named.</summary>
    public const double Odd = 3;

    /// <summary>As many times as what was taken to be so before counts for in <see cref="ScatterOf"/> (by judgement).</summary>
    public const double PriorWeight = 4;

    private readonly FactorPriors _priors;
    private readonly Dictionary<string, int> _doers = new(StringComparer.Ordinal);
    private readonly Dictionary<string, int> _works = new(StringComparer.Ordinal);
    private readonly ImmutableArray<TimeObservation> _bakes;
    private readonly Vector<double>? _mean;
    private readonly Matrix<double>? _covariance;

    private TimeFactors(IEnumerable<TimeObservation> bakes, FactorPriors priors)
    {
        _priors = priors;
        _bakes = [.. bakes.Where(b => b.IsSound)];
        foreach (var b in _bakes)
        {
            _doers.TryAdd(b.Doer, _doers.Count);
            // What is the doer's alone has no work of its own to be slow by.
            if (b.Work.Length > 0)
                _works.TryAdd(b.Work, _works.Count);
        }

        var size = _doers.Count + _works.Count;
        if (size == 0)
            return;
        var precision = Matrix<double>.Build.Dense(size, size);
        var weighted = Vector<double>.Build.Dense(size);
        for (var i = 0; i < size; i++)
            precision[i, i] = 1 / Square(i < _doers.Count ? priors.Doer : priors.Work);
        foreach (var b in _bakes)
        {
            var o = _doers[b.Doer];
            var weight = 1 / Square(_priors.Noise);
            precision[o, o] += weight;
            weighted[o] += b.Log * weight;
            if (b.Work.Length == 0)
                continue;
            var r = _doers.Count + _works[b.Work];
            precision[r, r] += weight;
            precision[o, r] += weight;
            precision[r, o] += weight;
            weighted[r] += b.Log * weight;
        }

        var solved = precision.Cholesky();
        _mean = solved.Solve(weighted);
        _covariance = solved.Solve(Matrix<double>.Build.DenseIdentity(size));
    }

    /// <summary>Times that were learned from.</summary>
    public ImmutableArray<TimeObservation> Bakes => _bakes;

    /// <summary>Ovens, persons or leavens that were seen at work.</summary>
    public IReadOnlyCollection<string> Doers => _doers.Keys;

    /// <summary>Recipes or kinds of work that were seen.</summary>
    public IReadOnlyCollection<string> Works => _works.Keys;

    /// <summary>Learns.</summary>
    /// <param name="bakes">Times, in any order; those that cannot have been are left out.</param>
    /// <param name="priors">What is taken to be so before; that of bakes where nothing is said.</param>
    public static TimeFactors Of(IEnumerable<TimeObservation> bakes, FactorPriors? priors = null) =>
        new(bakes, priors ?? FactorPriors.Bakes);

    /// <summary>How much longer everything takes one doer; nothing known for one that was never seen at work.</summary>
    public LearnedFactor Doer(string doer) =>
        _doers.TryGetValue(doer, out var o) ? At(o, _bakes.Count(b => b.Doer == doer)) : new LearnedFactor(0, _priors.Doer, 0);

    /// <summary>How much longer a work takes than the recipe says, whoever does it.</summary>
    public LearnedFactor Work(string work) =>
        _works.TryGetValue(work, out var r)
            ? At(_doers.Count + r, _bakes.Count(b => b.Work == work))
            : new LearnedFactor(0, _priors.Work, 0);

    /// <summary>How much longer a work takes one doer: both together, what is shared between them counted once.</summary>
    public LearnedFactor Of(string doer, string work)
    {
        var (hasDoer, hasWork) = (_doers.TryGetValue(doer, out var o), _works.TryGetValue(work, out var place));
        var r = _doers.Count + place;
        var mean = (hasDoer ? _mean![o] : 0) + (hasWork ? _mean![r] : 0);
        var variance =
            (hasDoer ? _covariance![o, o] : Square(_priors.Doer))
            + (
                hasWork ? _covariance![r, r]
                : work.Length == 0 ? 0
                : Square(_priors.Work)
            )
            + (hasDoer && hasWork ? 2 * _covariance![o, r] : 0);
        return new LearnedFactor(mean, Math.Sqrt(variance), _bakes.Count(b => b.Doer == doer || b.Work == work));
    }

    /// <summary>The next time of a work by a doer: the same, with how one time lies from another.</summary>
    public LearnedFactor Next(string doer, string work)
    {
        var both = Of(doer, work);
        return both with { Spread = Math.Sqrt(Square(both.Spread) + Square(_priors.Noise)) };
    }

    /// <summary>Bakes that lie far from what all others say of their doer and work, the farthest first: something else happened there, or
    /// it was written down wrong. They are named, and left out only by whoever says so.</summary>
    public ImmutableArray<TimeObservation> OddOnes() =>
        [.. _bakes.Select(b => (Bake: b, Off: Off(b))).Where(b => b.Off > Odd).OrderByDescending(b => b.Off).Select(b => b.Bake)];

    // How many spreads a bake lies from what the others say of it, without learning anew from the others for each: with the leverage
    // h = x'Sx / noise², the bake lies r / (1 - h) from what they foretell, whose spread is noise / sqrt(1 - h) (the leave-one-out identity
    // of linear smoothers; Hastie and others, "The Elements of Statistical Learning", 7.10).
    private double Off(TimeObservation bake)
    {
        var both = Of(bake.Doer, bake.Work);
        var leverage = Square(both.Spread) / Square(_priors.Noise);
        return Math.Abs(bake.Log - both.Mean) / (_priors.Noise * Math.Sqrt(Math.Max(1e-9, 1 - leverage)));
    }

    /// <summary>
    /// How far one time of a work lies from another, as a spread of the logarithm: what was taken to be so before, and what was seen since,
    /// weighed as by a scaled inverse chi-square prior of <see cref="PriorWeight"/> degrees (Gelman and others, "Bayesian Data Analysis",
    /// 3rd edition, 2.6).
    /// </summary>
    public double ScatterOf(string work)
    {
        var seen = _bakes.Where(b => b.Work == work).ToList();
        var off = seen.Sum(b => Square(b.Log - Of(b.Doer, b.Work).Mean));
        return Math.Sqrt(((PriorWeight * Square(_priors.Noise)) + off) / (PriorWeight + seen.Count));
    }

    private LearnedFactor At(int place, int bakes) => new(_mean![place], Math.Sqrt(_covariance![place, place]), bakes);

    private static double Square(double value) => value * value;
}
