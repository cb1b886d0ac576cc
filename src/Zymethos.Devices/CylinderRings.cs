namespace Zymethos.Devices;

/// <summary>
/// Conduction in a long cylinder, by rings of equal width: what flows between two rings goes by the area of the circle between them, and
/// the outermost meets the air by a heat transfer coefficient. Each step is implicit, so that it holds for steps of any length. Not safe
/// for several threads.
/// </summary>
/// <param name="radius">In metres; above zero.</param>
/// <param name="diffusivity">In square metres a second.</param>
/// <param name="coefficientOverConductivity">Heat transfer coefficient over conductivity, per metre.</param>
/// <param name="from">Degrees Celsius at the start.</param>
public sealed class CylinderRings(double radius, double diffusivity, double coefficientOverConductivity, double from)
{
    /// <summary>Of dough and crumb, in square metres a second (about 1.1e-7 to 1.7e-7 in handbooks; from memory).</summary>
    public const double Diffusivity = 1.4e-7;

    /// <summary>The same as the pans of the application take for batter, per metre.</summary>
    public const double CoefficientOverConductivity = 40;

    private const int Rings = 40;
    private const double LongestStep = 15;

    private readonly double[] _celsius = [.. Enumerable.Repeat(from, Rings)];

    /// <summary>Degrees Celsius in the middle: that of the innermost ring, whose centre lies an eightieth of the radius off it.</summary>
    public double Middle => _celsius[0];

    /// <summary>Lets time go by.</summary>
    /// <param name="seconds">How much; above zero.</param>
    /// <param name="air">Degrees Celsius of the air.</param>
    public void Step(double seconds, double air)
    {
        for (var left = seconds; left > 1e-9; left -= LongestStep)
            Once(Math.Min(LongestStep, left), air);
    }

    private void Once(double seconds, double air)
    {
        var width = radius / Rings;
        Span<double> below = stackalloc double[Rings];
        Span<double> main = stackalloc double[Rings];
        Span<double> above = stackalloc double[Rings];
        Span<double> right = stackalloc double[Rings];
        for (var i = 0; i < Rings; i++)
        {
            // Area of a ring and the lengths of its two circles, all over pi.
            var (inner, outer) = (i * width, (i + 1) * width);
            var area = (outer * outer) - (inner * inner);
            var flow = diffusivity * seconds / area;
            var inward = i == 0 ? 0 : flow * 2 * inner / width;
            var outward =
                i == Rings - 1
                    ? flow * 2 * outer * (coefficientOverConductivity / (1 + (coefficientOverConductivity * width / 2)))
                    : flow * 2 * outer / width;
            below[i] = -inward;
            above[i] = i == Rings - 1 ? 0 : -outward;
            main[i] = 1 + inward + outward;
            right[i] = _celsius[i] + (i == Rings - 1 ? outward * air : 0);
        }

        // Thomas's way through three diagonals.
        for (var i = 1; i < Rings; i++)
        {
            var factor = below[i] / main[i - 1];
            main[i] -= factor * above[i - 1];
            right[i] -= factor * right[i - 1];
        }

        _celsius[^1] = right[^1] / main[^1];
        for (var i = Rings - 2; i >= 0; i--)
            _celsius[i] = (right[i] - (above[i] * _celsius[i + 1])) / main[i];
    }
}
