using System.Collections.Concurrent;
using System.Text.Json;
using NodaTime;
using Zymethos.Core.Devices;
using Zymethos.Interchange.Devices;
using Zymethos.Interchange.Documents;
using Zymethos.Work.House;

namespace Zymethos.Work.Devices;

/// <summary>What a device says now.</summary>
/// <param name="Device">What it calls itself.</param>
/// <param name="Title">What the baker calls it, or else what it calls itself.</param>
/// <param name="Kind">"oven", "core", "room", "scale" or "dial".</param>
/// <param name="Oven">Of which oven, from 0; without meaning for others.</param>
/// <param name="Value">Degrees Celsius or grams.</param>
/// <param name="At">When, in milliseconds of the Unix clock.</param>
/// <param name="Trouble">What is wrong with it, in a sentence; empty when nothing is.</param>
/// <param name="IsBelieved">Whether anything follows from what it says.</param>
public sealed record LiveReading(
    string Device,
    string Title,
    string Kind,
    int Oven,
    double Value,
    long At,
    string Trouble,
    bool IsBelieved
);

/// <summary>A reading on its way to every instance.</summary>
/// <param name="Kitchen">The kitchen.</param>
/// <param name="Reading">What is said.</param>
public sealed record TravellingReading(Guid Kitchen, LiveReading Reading);

/// <summary>
/// What the devices of all kitchens said last, in this instance's memory; the database carries it to every instance. Safe for any number of
/// threads.
/// </summary>
public sealed class LiveReadings(Notices notices, IClock clock)
{
    /// <summary>The channel in the database.</summary>
    public const string Channel = "zymethos_readings";

    /// <summary>A device that has said nothing for so long counts as silent: what it said last is not taken to be so still. The Bench's
    /// scripts go by the same (devices.js).</summary>
    public static readonly Duration Silent = Duration.FromSeconds(90);

    /// <summary>A device that has said nothing for so long is not shown any more.</summary>
    public static readonly Duration Forgotten = Duration.FromHours(1);

    private const int MostKitchens = 2000;

    private readonly ConcurrentDictionary<Guid, ConcurrentDictionary<string, LiveReading>> _kitchens = new();

    /// <summary>What is said when a kitchen's devices have something new.</summary>
    public static string Topic(Guid kitchen) => $"readings {kitchen:N}";

    /// <summary>What the devices of a kitchen said last, by their names.</summary>
    public IReadOnlyList<LiveReading> Of(Guid kitchen)
    {
        var since = (clock.GetCurrentInstant() - Forgotten).ToUnixTimeMilliseconds();
        return _kitchens.TryGetValue(kitchen, out var devices)
            ? [.. devices.Values.Where(r => r.At >= since).OrderBy(r => r.Device, StringComparer.Ordinal)]
            : [];
    }

    /// <summary>Takes what came over the line; anything else is left alone.</summary>
    public void Take(string payload)
    {
        try
        {
            if (JsonSerializer.Deserialize<TravellingReading>(payload, OpenJson.Options) is { } told)
                Take(told.Kitchen, told.Reading);
        }
        catch (JsonException)
        {
            // Another release of the application, which says it differently.
        }
    }

    /// <summary>Takes a reading in this instance.</summary>
    public void Take(Guid kitchen, LiveReading reading)
    {
        if (_kitchens.Count > MostKitchens)
        {
            var old = (clock.GetCurrentInstant() - Forgotten).ToUnixTimeMilliseconds();
            foreach (var idle in _kitchens.Where(k => k.Value.Values.All(r => r.At < old)))
                _kitchens.TryRemove(idle);
        }

        _kitchens.GetOrAdd(kitchen, _ => new(StringComparer.Ordinal))[reading.Device] = reading;
        notices.Wake(Topic(kitchen));
    }

    /// <summary>Forgets a device.</summary>
    public void Forget(Guid kitchen, string device)
    {
        if (_kitchens.TryGetValue(kitchen, out var devices))
            devices.TryRemove(device, out _);
    }

    /// <summary>How a reading travels.</summary>
    public static string Write(Guid kitchen, LiveReading reading) =>
        JsonSerializer.Serialize(new TravellingReading(kitchen, reading), OpenJson.Options);

    /// <summary>A reading as it is shown.</summary>
    public static LiveReading Shown(Store.Devices.DeviceRow row, Reading reading, HeardReading heard) =>
        new(
            row.Name,
            row.Title.Length > 0 ? row.Title : row.Name,
            ReadingText.Name(row.Kind),
            row.Oven,
            Math.Round(reading.Value, 1),
            reading.At.ToUnixTimeMilliseconds(),
            heard.Trouble,
            heard.IsBelieved
        );
}
