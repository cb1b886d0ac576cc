using NodaTime;

namespace Zymethos.Core.Devices;

/// <summary>
/// Sees in an oven's readings that its door was opened: the air falls much faster than a shut oven can. One opening is told once. Not safe
/// for several threads.
/// </summary>
public sealed class DoorWatch
{
    /// <summary>So far the air falls at least, in degrees Celsius (by judgement; an open door costs 20 and more).</summary>
    public const double Fall = 8;

    /// <summary>Within this time.</summary>
    public static readonly Duration Within = Duration.FromSeconds(40);

    // Below this there is nothing to lose, and nothing to see.
    private const double Hot = 80;
    private const double Back = 4;

    private readonly LinkedList<Reading> _last = [];
    private double? _lowest;

    /// <summary>Takes a reading of the oven.</summary>
    /// <param name="reading">A believed reading, not older than the one before.</param>
    /// <returns>When the door was opened, if this reading shows it; null else.</returns>
    public Instant? Take(Reading reading)
    {
        _last.AddLast(reading);
        while (_last.First!.Value.At < reading.At - Within)
            _last.RemoveFirst();
        if (_lowest is { } lowest)
        {
            // The door is open still, or the air comes back: told already.
            _lowest = Math.Min(lowest, reading.Value);
            if (reading.Value < _lowest + Back)
                return null;
            _lowest = null;
            _last.Clear();
            _last.AddLast(reading);
            return null;
        }

        var highest = _last.MaxBy(r => r.Value);
        if (highest.Value < Hot || highest.Value - reading.Value < Fall)
            return null;
        _lowest = reading.Value;
        // It was opened at the last reading that was still at the top.
        return _last.Last(r => r.Value >= highest.Value - 1).At;
    }
}
