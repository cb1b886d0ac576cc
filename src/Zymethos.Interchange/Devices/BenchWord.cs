using System.Text.Json;
using Zymethos.Interchange.Documents;

namespace Zymethos.Interchange.Devices;

/// <summary>
/// What the Bench says to whatever listens in the kitchen: that a dial was set, that something went into or came out of an oven, that a
/// probe is in food, that something is being weighed.
/// </summary>
/// <param name="Kind">"dial", "in", "out", "probe" or "weigh".</param>
/// <param name="Oven">Which oven, from 1; null where none is meant.</param>
/// <param name="Celsius">What the dial was set to, 0 for off; what the probe waits for; null else.</param>
/// <param name="Grams">What is to be weighed; null else.</param>
/// <param name="Device">Which device is meant; null where any may be.</param>
public sealed record BenchWord(string Kind, int? Oven = null, double? Celsius = null, double? Grams = null, string? Device = null)
{
    /// <summary>As it is sent.</summary>
    public byte[] Write() => JsonSerializer.SerializeToUtf8Bytes(this, OpenJson.Options);

    /// <summary>Reads one; null for anything else.</summary>
    public static BenchWord? Read(ReadOnlySpan<byte> payload)
    {
        if (payload.Length > ReadingText.MostBytes)
            return null;
        try
        {
            return JsonSerializer.Deserialize<BenchWord>(payload, OpenJson.Options) is { Kind: not null } word ? word : null;
        }
        catch (JsonException)
        {
            return null;
        }
    }
}
