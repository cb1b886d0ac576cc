using System.Globalization;
using NodaTime;

namespace Zymethos.Core.Devices;

/// <summary>What became of a reading.</summary>
/// <param name="IsBelieved">Whether anything may follow from it.</param>
/// <param name="Trouble">What is wrong with the device, in a sentence; empty when nothing is.</param>
public readonly record struct HeardReading(bool IsBelieved, string Trouble);

/// <summary>
/// The last minutes of one device, and what can be seen in them: a value that cannot be, a jump no kitchen makes, a thermometer that has
/// stuck, a battery that runs out. Not safe for several threads; holds at most <see cref="MostKept"/> readings.
/// </summary>
/// <param name="kind">What the device measures.</param>
public sealed class DeviceMemory(DeviceKind kind)
{
    /// <summary>Most readings that are kept.</summary>
    public const int MostKept = 1300;

    /// <summary>How far back it remembers.</summary>
    public static readonly Duration Back = Duration.FromMinutes(20);

    /// <summary>A battery below this share is called low.</summary>
    public const double LowBattery = 0.15;

    // Nothing in a kitchen that is measured once a second moves by more; a probe put into something hot takes some seconds (by judgement).
    private const double JumpStart = 12;
    private const double JumpPerSecond = 6;
    private static readonly Duration Settled = Duration.FromSeconds(30);
    private static readonly Duration Stuck = Duration.FromMinutes(10);

    private readonly LinkedList<Reading> _kept = [];
    private Reading? _doubted;
    private Reading? _last;

    /// <summary>Readings that were believed, the oldest first.</summary>
    public IReadOnlyCollection<Reading> Kept => _kept;

    /// <summary>Takes a reading. Readings older than the last are told of as well, and not kept.</summary>
    /// <param name="reading">The reading, of the kind of this device.</param>
    /// <param name="movesMeanwhile">Whether what it measures is known to move just now (an oven that is heating up): only then does
    /// standing still to a tenth for ten minutes mean that it has stuck.</param>
    /// <param name="inDegrees">How degrees Celsius are told in trouble; null for Celsius.</param>
    public HeardReading Take(Reading reading, bool movesMeanwhile = false, Func<double, string>? inDegrees = null)
    {
        var degrees = inDegrees ?? Celsius;
        if (!double.IsFinite(reading.Value) || reading.Kind != kind)
            return new(false, "It says something that is no number.");
        if (ReadingRange.Wrong(kind, reading.Value, degrees) is { } wrong)
            return new(false, wrong);
        if (_last is { } before && reading.At < before.At)
            return new(false, "");
        if (Jumps(reading))
            return new(false, Jumped(reading, degrees));
        _doubted = null;
        _last = reading;
        _kept.AddLast(reading);
        while (_kept.First is { } oldest && (oldest.Value.At < reading.At - Back || _kept.Count > MostKept))
            _kept.RemoveFirst();
        if (movesMeanwhile && HasStuck(reading))
            return new(false, $"It has said {degrees(reading.Value)} for ten minutes and more: it may have stuck.");
        return new(true, reading.Battery is < LowBattery ? "Its battery is nearly empty." : "");
    }

    // Upward only: what is taken out of the heat falls as fast as it likes. A probe is put from the air into what is hot, and what waits
    // for its warmth sees to leaps itself.
    private bool Jumps(Reading reading)
    {
        if (kind is not (DeviceKind.Oven or DeviceKind.Room) || _last is not { } last)
            return false;
        var seconds = Math.Max(0, (reading.At - last.At).TotalSeconds);
        if (reading.Value - last.Value <= JumpStart + (JumpPerSecond * seconds))
            return false;
        // What stays where it jumped to is so, after a while.
        _doubted ??= reading;
        return reading.At - _doubted.Value.At < Settled;
    }

    private string Jumped(Reading reading, Func<double, string> degrees) =>
        $"It jumped from {degrees(_last!.Value.Value)} to {degrees(reading.Value)} at once: it counts when it stays there for "
        + "half a minute.";

    private static string Celsius(double value) => string.Create(CultureInfo.InvariantCulture, $"{value:0} °C");

    private bool HasStuck(Reading reading)
    {
        if (kind is not (DeviceKind.Oven or DeviceKind.Core) || _kept.First!.Value.At > reading.At - Stuck)
            return false;
        return _kept.Where(r => r.At >= reading.At - Stuck).All(r => Math.Abs(r.Value - reading.Value) < 0.05);
    }
}
