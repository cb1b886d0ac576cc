using NodaTime;
using Zymethos.Core.Devices;
using Zymethos.Interchange.Devices;

namespace Zymethos.Devices;

/// <summary>Something a device says.</summary>
/// <param name="Device">Which device.</param>
/// <param name="Reading">What it says.</param>
/// <param name="SentAt">What its own clock says meanwhile.</param>
public sealed record SaidReading(string Device, Reading Reading, Instant SentAt);

/// <summary>A kitchen with an oven, its dial, a probe, a thermometer on the wall and a scale. It hears what is touched on the Bench, and
/// does what a baker's hands would have done. Not safe for several threads.</summary>
/// <param name="seed">For what trembles.</param>
/// <param name="faults">What is wrong and when.</param>
public sealed class SimulatedKitchen(int seed, IReadOnlyList<Fault> faults)
{
    private const double DoorSeconds = 20;
    private const double LoafRadius = 0.045;

    private readonly Random _random = new(seed);
    private readonly SimulatedRoom _room = new(20, 2.5);
    private readonly SimulatedOven _oven = new(20, 20, 320, bias: -7);
    private readonly SimulatedProbe _probe = new(20);
    private readonly SimulatedScale _scale = new(new Random(seed + 1), bowl: 412, driftPerHour: 1.5);
    private readonly Dictionary<string, Reading> _stuck = new(StringComparer.Ordinal);

    /// <summary>Seconds since the start, in the kitchen's own time.</summary>
    public double Seconds { get; private set; }

    /// <summary>The oven.</summary>
    public SimulatedOven Oven => _oven;

    /// <summary>The probe.</summary>
    public SimulatedProbe Probe => _probe;

    /// <summary>The scale.</summary>
    public SimulatedScale Scale => _scale;

    /// <summary>Hears a word of the Bench.</summary>
    public void Hear(BenchWord word)
    {
        switch (word.Kind)
        {
            case "dial" when word.Oven is null or 1:
                _oven.Set(word.Celsius ?? 0);
                break;
            case "in" or "out" when word.Oven is null or 1:
                _oven.Open(DoorSeconds);
                if (word.Kind == "out")
                    _probe.TakeOut();
                break;
            case "probe" when word.Oven is null:
                _probe.IntoBowl(22);
                break;
            case "probe":
                _probe.IntoLoaf(26, LoafRadius, () => _oven.Celsius());
                break;
            case "weigh" when word.Grams is { } grams:
                _scale.Pour(grams);
                break;
        }
    }

    /// <summary>Lets time go by.</summary>
    /// <param name="seconds">How much, in the kitchen's own time; above zero.</param>
    /// <param name="hour">The hour of the day, 0 to 24.</param>
    public void Step(double seconds, double hour)
    {
        Seconds += seconds;
        _room.Step(seconds, _oven.Celsius());
        _oven.Room = _room.At(hour);
        _oven.Step(seconds);
        _probe.Step(seconds, _oven.Room);
        _scale.Step(seconds);
    }

    /// <summary>What all devices say now, faults and all.</summary>
    /// <param name="now">What the time is.</param>
    public IReadOnlyList<SaidReading> Say(Instant now) =>
        [
            .. new (string Device, DeviceKind Kind, double Value)[]
            {
                ("oven-1", DeviceKind.Oven, _oven.Celsius() + (0.3 * (_random.NextDouble() - 0.5))),
                ("dial-1", DeviceKind.Dial, _oven.Dial),
                ("probe", DeviceKind.Core, _probe.Celsius + (0.2 * (_random.NextDouble() - 0.5))),
                ("room", DeviceKind.Room, _oven.Room),
                ("scale", DeviceKind.Scale, _scale.Shows()),
            }
                .Select(d => Wronged(d.Device, new Reading(d.Kind, Math.Round(d.Value, 1), now, 0.8), now))
                .OfType<SaidReading>(),
        ];

    private SaidReading? Wronged(string device, Reading reading, Instant now)
    {
        var sentAt = now;
        foreach (var fault in faults.Where(f => f.Device == device && f.IsAt(Seconds)))
        {
            switch (fault.Kind)
            {
                case FaultKind.Silence:
                    return null;
                case FaultKind.Stuck:
                    if (!_stuck.TryGetValue(device, out var same))
                        _stuck[device] = same = reading;
                    reading = reading with { Value = same.Value };
                    break;
                case FaultKind.Unit:
                    reading = reading with { Value = (reading.Value * 1.8) + 32 };
                    break;
                case FaultKind.Nonsense:
                    reading = reading with { Value = 900 };
                    break;
                case FaultKind.Battery:
                    reading = reading with { Battery = 0.06 };
                    break;
                case FaultKind.Clock:
                    sentAt = now - Duration.FromMinutes(7);
                    reading = reading with { At = sentAt };
                    break;
            }
        }

        return new SaidReading(device, reading, sentAt);
    }
}
