namespace Zymethos.Devices;

/// <summary>The air of a kitchen: cool in the morning, warmest in the late afternoon, and warmed by an oven that is on.</summary>
/// <param name="mean">Degrees Celsius in the mean of a day.</param>
/// <param name="swing">By how many it is warmer at its warmest.</param>
public sealed class SimulatedRoom(double mean, double swing)
{
    private const double Warmest = 16.5;
    private const double OfOven = 0.012;
    private const double OvenMinutes = 25;

    private double _fromOven;

    /// <summary>Lets time go by.</summary>
    /// <param name="seconds">How much.</param>
    /// <param name="oven">Degrees Celsius of the oven.</param>
    public void Step(double seconds, double oven)
    {
        var toward = Math.Max(0, oven - mean) * OfOven;
        _fromOven = toward + ((_fromOven - toward) * Math.Exp(-seconds / (60 * OvenMinutes)));
    }

    /// <summary>Degrees Celsius at an hour of the day.</summary>
    /// <param name="hour">0 to 24.</param>
    public double At(double hour) => mean + (swing * Math.Cos((hour - Warmest) / 24 * 2 * Math.PI)) + _fromOven;
}
