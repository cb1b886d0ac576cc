namespace Zymethos.Devices;

/// <summary>
/// A kitchen scale with a bowl on it, and somebody who pours: fast at first, slowly near the end, seldom quite right. It drifts, it
/// trembles, and it shows whole grams. Not safe for several threads.
/// </summary>
/// <param name="random">What trembles.</param>
/// <param name="bowl">Grams of the bowl.</param>
/// <param name="driftPerHour">Grams by which it drifts in an hour.</param>
public sealed class SimulatedScale(Random random, double bowl, double driftPerHour)
{
    private const double Tremble = 0.35;
    private const double FastSeconds = 3;
    private const double SlowestPerSecond = 4;

    private readonly double _bowl = bowl;
    private double _there = bowl;
    private double _wanted = bowl;
    private double _drift;

    /// <summary>What lies on it, the bowl among it, in grams.</summary>
    public double Load => _there;

    /// <summary>Somebody begins to pour so much on top of what is there.</summary>
    public void Pour(double grams) =>
        // A little too much more often than too little.
        _wanted = _there + Math.Max(0, grams * (1 + 0.004 + (0.012 * Normal())));

    /// <summary>Another, empty bowl.</summary>
    public void Empty() => (_there, _wanted) = (_bowl, _bowl);

    /// <summary>Lets time go by.</summary>
    /// <param name="seconds">How much; above zero.</param>
    public void Step(double seconds)
    {
        var left = _wanted - _there;
        if (left > 0)
            _there += Math.Min(left, Math.Max(SlowestPerSecond * seconds, left * (1 - Math.Exp(-seconds / FastSeconds))));
        _drift += driftPerHour * seconds / 3600;
    }

    /// <summary>What it shows, in grams.</summary>
    public double Shows() => Math.Round(_there + _drift + (Tremble * Normal()));

    private double Normal() => Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());
}
