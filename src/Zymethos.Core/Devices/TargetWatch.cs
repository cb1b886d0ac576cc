using NodaTime;

namespace Zymethos.Core.Devices;

/// <summary>What a probe says of the warmth that is waited for.</summary>
public enum TargetStand
{
    /// <summary>It is not there yet.</summary>
    Below,

    /// <summary>It is there, and came there step by step: what waits for it is done.</summary>
    Reached,

    /// <summary>It says so, but was never seen to come there; somebody has to look.</summary>
    Doubtful,
}

/// <summary>
/// Waits until the middle of food has a warmth. A probe that was never seen clearly below it, or that leapt over it, proves nothing: it may
/// lie in something else, or say Fahrenheit. Not safe for several threads.
/// </summary>
/// <param name="celsius">The warmth that is waited for.</param>
/// <param name="since">Since when the probe is in it.</param>
public sealed class TargetWatch(double celsius, Instant since)
{
    /// <summary>So far below it must have been seen, in degrees Celsius (by judgement).</summary>
    public const double ClearlyBelow = 3;

    /// <summary>The most it climbs from one reading to the next and is still believed to have come there step by step.</summary>
    public const double Step = 8;

    private bool _wasBelow;
    private bool _isAbove;
    private double _before = double.NaN;

    /// <summary>What is waited for.</summary>
    public double Celsius => celsius;

    /// <summary>Takes a reading; two in a row that are there are needed, so that one that slipped does nothing.</summary>
    public TargetStand Take(Reading reading)
    {
        if (reading.At < since)
            return TargetStand.Below;
        var before = _before;
        _before = reading.Value;
        if (reading.Value < celsius)
        {
            _isAbove = false;
            _wasBelow |= reading.Value <= celsius - ClearlyBelow;
            return TargetStand.Below;
        }

        if (!_isAbove && !double.IsNaN(before) && reading.Value - before > Step)
            _wasBelow = false;
        if (!_isAbove)
        {
            _isAbove = true;
            return _wasBelow ? TargetStand.Below : TargetStand.Doubtful;
        }

        return _wasBelow ? TargetStand.Reached : TargetStand.Doubtful;
    }
}
