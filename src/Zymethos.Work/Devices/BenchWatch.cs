using System.Globalization;
using System.Security.Cryptography;
using System.Text;
using NodaTime;
using Zymethos.Core.Devices;
using Zymethos.Planning.Bench;
using Zymethos.Store.Devices;

namespace Zymethos.Work.Devices;

/// <summary>
/// What follows on the Bench from what devices say: an oven's heat now and then and when it is there, its door, its dial, the warmth of the
/// room, and that food is as warm inside as it should be. It only tells what a person might have told by hand; one of a kitchen, used by
/// one reading after the other.
/// </summary>
internal sealed class BenchWatch
{
    private const double WorthTelling = 4;
    private static readonly Duration Seldom = Duration.FromSeconds(60);
    private static readonly Duration SteadyFor = Duration.FromMinutes(6);
    private static readonly Duration WarmingFor = Duration.FromMinutes(10);

    private readonly Dictionary<string, DoorWatch> _doors = new(StringComparer.Ordinal);
    private readonly Dictionary<string, (Guid Since, TargetWatch Watch)> _targets = new(StringComparer.Ordinal);
    private readonly Dictionary<string, Reading> _dials = new(StringComparer.Ordinal);

    /// <summary>What a believed reading has to tell.</summary>
    /// <param name="now">The session.</param>
    /// <param name="device">The device.</param>
    /// <param name="reading">What it says.</param>
    /// <param name="memory">Its last minutes, this reading among them.</param>
    /// <param name="trouble">What a person has to look at, in a sentence; empty when nothing.</param>
    public IReadOnlyList<BenchEvent> Hear(SessionNow now, DeviceRow device, Reading reading, DeviceMemory memory, out string trouble)
    {
        trouble = "";
        if (now.Work is not { } work)
            return [];
        return reading.Kind switch
        {
            DeviceKind.Oven when device.Oven < work.Day.Network.Kitchen.Ovens.Length => Oven(now, device, reading, memory),
            DeviceKind.Dial when device.Oven < work.Day.Network.Kitchen.Ovens.Length => Dial(now, device, reading),
            DeviceKind.Room => Room(now, device, reading),
            DeviceKind.Core => Core(now, device, reading, out trouble),
            _ => [],
        };
    }

    /// <summary>Whether an oven is on its way to another heat, so that a thermometer in it has to move.</summary>
    public static bool IsWarmingUp(SessionNow now, int oven, Instant at)
    {
        if (now.Work is not { } work || oven >= work.Day.Network.Kitchen.Ovens.Length)
            return false;
        var clock = work.Bench.Clock;
        return OvenNow.Of(work.Day.Network, now.State, clock, oven, clock.Of(at)) is { Dial: > 0, ReadyAt: { } ready }
            && ready > clock.Of(at);
    }

    private List<BenchEvent> Oven(SessionNow now, DeviceRow device, Reading reading, DeviceMemory memory)
    {
        var (work, told) = (now.Work!, new List<BenchEvent>());
        var (network, clock, oven) = (work.Day.Network, work.Bench.Clock, device.Oven);
        if (!_doors.TryGetValue(device.Name, out var door))
            _doors[device.Name] = door = new DoorWatch();
        var opened = door.Take(reading);
        var there = OvenNow.Of(network, now.State, clock, oven, clock.Of(reading.At));
        var isOn = there is { Dial: > 0 };
        if (
            opened is { } at
            && isOn
            // The same opening, told by another instance or before a restart.
            && !now.State.Doors.Any(d => d.Oven == oven && d.Said.At > at - (Seldom / 2))
        )
            told.Add(Event(work.Row.Id, BenchKind.Door, device, at) with { Number = oven });
        var before = now.State.Heats.LastOrDefault(h => h.Oven == oven);
        var since = before is null ? Duration.MaxValue : reading.At - before.Said.At;
        var off = Math.Abs(reading.Value - (there?.Celsius ?? network.Kitchen.Room.Celsius));
        if (isOn)
        {
            var dialSet = now.State.DialOf(oven)!.Said.At;
            var heard = before is not null && before.Said.At >= dialSet;
            var isThere = Math.Abs(reading.Value - there!.Dial) <= OvenNow.Near;
            var wasThere = heard && (before!.IsSteady || Math.Abs(before.Celsius - there.Dial) <= OvenNow.Near);
            var steady = !isThere && !wasThere && reading.At - dialSet > WarmingFor && IsSteady(memory, reading);
            if ((isThere && !wasThere) || steady || (off > WorthTelling && since > Seldom))
            {
                told.Add(
                    Event(work.Row.Id, BenchKind.Heat, device, reading.At) with
                    {
                        Number = oven,
                        Value = Tenth(reading.Value),
                        Text = steady ? BenchEvent.Steady : null,
                    }
                );
            }
        }
        else if (off > WorthTelling * 2.5 && since > Seldom)
        {
            told.Add(Event(work.Row.Id, BenchKind.Heat, device, reading.At) with { Number = oven, Value = Tenth(reading.Value) });
        }

        return told;
    }

    // It has stood in a narrow band for some minutes.
    private static bool IsSteady(DeviceMemory memory, Reading reading)
    {
        var last = memory.Kept.Where(r => r.At >= reading.At - SteadyFor).ToList();
        return last.Count >= 5
            && memory.Kept.First().At <= reading.At - SteadyFor
            && last.Max(r => r.Value) - last.Min(r => r.Value) <= OvenNow.Near;
    }

    private List<BenchEvent> Dial(SessionNow now, DeviceRow device, Reading reading)
    {
        // While it is being turned it says one thing after the other.
        var isSame =
            _dials.TryGetValue(device.Name, out var before)
            && Math.Abs(before.Value - reading.Value) < 1
            && reading.At - before.At >= Duration.FromSeconds(2);
        if (!_dials.ContainsKey(device.Name) || Math.Abs(before.Value - reading.Value) >= 1)
            _dials[device.Name] = reading;
        var told = now.State.DialOf(device.Oven);
        if (!isSame || Math.Abs((told?.Celsius ?? 0) - reading.Value) <= OvenNow.SameDial || told?.Said.At > before.At)
            return [];
        return
        [
            Event(now.Work!.Row.Id, BenchKind.Dial, device, before.At) with
            {
                Number = device.Oven,
                Value = Math.Round(reading.Value),
            },
        ];
    }

    private static List<BenchEvent> Room(SessionNow now, DeviceRow device, Reading reading)
    {
        var value = Math.Max(0, Tenth(reading.Value));
        if (now.State.Rooms is [.., var last])
        {
            var (since, off) = (reading.At - last.Said.At, Math.Abs(last.Celsius - value));
            if (since < Seldom || (off < 1.5 && (since < Duration.FromMinutes(10) || off < 0.5) && since < Duration.FromMinutes(60)))
                return [];
        }

        return [Event(now.Work!.Row.Id, BenchKind.Room, device, reading.At) with { Value = value }];
    }

    private List<BenchEvent> Core(SessionNow now, DeviceRow device, Reading reading, out string trouble)
    {
        trouble = "";
        if (
            !now.State.Probes.TryGetValue(device.Name, out var probe)
            || now.Work!.Day.Network.Tasks.FirstOrDefault(t => t.Id == probe.Step) is not { } task
            || now.State.Of(task.Id) is not { IsOver: false, WarmAt: null } stand
            || StepTarget.Of(task) is not { } target
        )
        {
            _targets.Remove(device.Name);
            return [];
        }

        if (!_targets.TryGetValue(device.Name, out var waiting) || waiting.Since != probe.Said.Event)
            _targets[device.Name] = waiting = (probe.Said.Event, new TargetWatch(target, probe.Said.At));
        var says = now.Work.Day.Network.Kitchen.Says.Degrees(reading.Value);
        switch (waiting.Watch.Take(reading))
        {
            case TargetStand.Reached when stand.Started is not null:
                var kind = StepTarget.EndsIt(task) ? BenchKind.Done : BenchKind.Warm;
                return [Event(now.Work.Row.Id, kind, device, reading.At) with { Step = task.Id, Text = says }];
            case TargetStand.Doubtful:
                trouble = $"It says {says}, and was not seen to come there step by step: look for yourself.";
                return [];
            default:
                return [];
        }
    }

    private static double Tenth(double value) => Math.Max(0, Math.Round(value, 1));

    // Two instances that hear the same reading tell it under the same id: it is there once.
    private static BenchEvent Event(Guid session, BenchKind kind, DeviceRow device, Instant at)
    {
        var text = string.Create(CultureInfo.InvariantCulture, $"{session:N} {kind} {device.Name} {at.ToUnixTimeMilliseconds() / 5000}");
        var id = new Guid(SHA256.HashData(Encoding.UTF8.GetBytes(text)).AsSpan(0, 16));
        return new BenchEvent(id, kind, default, at, "", device.Title.Length > 0 ? device.Title : device.Name);
    }
}
