using System.Text.Json;
using NodaTime;
using NodaTime.Text;
using Zymethos.Core.Devices;

namespace Zymethos.Interchange.Devices;

/// <summary>
/// Reads and writes what devices say: a small JSON object, <c>{"kind":"oven","value":178.4,"unit":"C"}</c>. Any bytes may come in; none
/// throws, and none makes it hold more than it was given.
/// </summary>
public static class ReadingText
{
    /// <summary>Most bytes of one reading.</summary>
    public const int MostBytes = 1024;

    /// <summary>Reads one.</summary>
    /// <param name="payload">The bytes.</param>
    /// <param name="arrived">When they came in, by the server's clock.</param>
    /// <param name="wrong">Why they say nothing, in a sentence; empty when they do.</param>
    /// <returns>The reading; null when there is none in them.</returns>
    public static Reading? Read(ReadOnlySpan<byte> payload, Instant arrived, out string wrong)
    {
        if (payload.Length > MostBytes)
        {
            wrong = $"A reading is at most {MostBytes} bytes.";
            return null;
        }

        try
        {
            var reader = new Utf8JsonReader(payload, new JsonReaderOptions { MaxDepth = 4 });
            var said = Said.Of(ref reader);
            return said.Reading(arrived, out wrong);
        }
        catch (JsonException)
        {
            wrong = "It is no JSON object.";
            return null;
        }
    }

    /// <summary>Writes one.</summary>
    /// <param name="reading">The reading.</param>
    /// <param name="sentAt">When it is sent, by the device's own clock; the server puts its time right by it.</param>
    public static byte[] Write(Reading reading, Instant sentAt)
    {
        using var stream = new MemoryStream();
        using (var json = new Utf8JsonWriter(stream))
        {
            json.WriteStartObject();
            json.WriteString("kind", Name(reading.Kind));
            json.WriteNumber("value", Math.Round(reading.Value, 2));
            json.WriteString("unit", reading.Kind == DeviceKind.Scale ? "g" : "C");
            if (reading.At != sentAt)
                json.WriteString("at", InstantPattern.ExtendedIso.Format(reading.At));
            json.WriteString("sentAt", InstantPattern.ExtendedIso.Format(sentAt));
            if (reading.Battery is { } battery)
                json.WriteNumber("battery", Math.Round(battery, 3));
            json.WriteEndObject();
        }

        return stream.ToArray();
    }

    /// <summary>The word for a kind.</summary>
    public static string Name(DeviceKind kind) =>
        kind switch
        {
            DeviceKind.Oven => "oven",
            DeviceKind.Core => "core",
            DeviceKind.Room => "room",
            DeviceKind.Scale => "scale",
            _ => "dial",
        };

    /// <summary>The kind of a word; null for any other word.</summary>
    public static DeviceKind? Kind(string? name) =>
        name switch
        {
            "oven" => DeviceKind.Oven,
            "core" => DeviceKind.Core,
            "room" => DeviceKind.Room,
            "scale" => DeviceKind.Scale,
            "dial" => DeviceKind.Dial,
            _ => null,
        };

    private struct Said
    {
        private string? _kind;
        private string? _unit;
        private double? _value;
        private double? _battery;
        private Instant? _at;
        private Instant? _sentAt;

        public static Said Of(ref Utf8JsonReader json)
        {
            var said = new Said();
            if (!json.Read() || json.TokenType != JsonTokenType.StartObject)
                throw new JsonException();
            while (json.Read() && json.TokenType == JsonTokenType.PropertyName)
            {
                // Names that are not known are left alone: a device may say more than is asked.
                var name =
                    json.ValueTextEquals("kind"u8) ? 1
                    : json.ValueTextEquals("value"u8) ? 2
                    : json.ValueTextEquals("unit"u8) ? 3
                    : json.ValueTextEquals("at"u8) ? 4
                    : json.ValueTextEquals("sentAt"u8) ? 5
                    : json.ValueTextEquals("battery"u8) ? 6
                    : 0;
                if (!json.Read())
                    throw new JsonException();
                switch (name)
                {
                    case 1:
                        said._kind = Text(ref json);
                        break;
                    case 2:
                        said._value = Number(ref json);
                        break;
                    case 3:
                        said._unit = Text(ref json);
                        break;
                    case 4:
                        said._at = Moment(ref json);
                        break;
                    case 5:
                        said._sentAt = Moment(ref json);
                        break;
                    case 6:
                        said._battery = Number(ref json);
                        break;
                    default:
                        json.Skip();
                        break;
                }
            }

            // What follows the object makes the reader throw.
            while (json.Read()) { }
            return said;
        }

        public readonly Reading? Reading(Instant arrived, out string wrong)
        {
            if (Kind(_kind) is not { } kind)
            {
                wrong = "“kind” must be oven, core, room, scale or dial.";
                return null;
            }

            if (_value is not { } value)
            {
                wrong = "“value” must be a number.";
                return null;
            }

            if (InOwnUnit(kind, value) is not { } own)
            {
                wrong = kind == DeviceKind.Scale ? "“unit” of a scale must be g, kg, oz or lb." : "“unit” of a warmth must be C or F.";
                return null;
            }

            wrong = "";
            // A device's clock is believed only beside what it says the time is now.
            var at = _at is { } then && _sentAt is { } sent && then <= sent ? arrived - (sent - then) : arrived;
            if (arrived - at > Duration.FromDays(1))
                at = arrived;
            return new Reading(kind, own, at, _battery is >= 0 and <= 1 ? _battery : null);
        }

        private readonly double? InOwnUnit(DeviceKind kind, double value) =>
            (kind, _unit) switch
            {
                (DeviceKind.Scale, "g") => value,
                (DeviceKind.Scale, "kg") => value * 1000,
                (DeviceKind.Scale, "oz") => value * 28.349523125,
                (DeviceKind.Scale, "lb") => value * 453.59237,
                (DeviceKind.Scale, _) => null,
                (_, "C") => value,
                // A dial that is off is off in either.
                (DeviceKind.Dial, "F") => value <= 0 ? 0 : (value - 32) / 1.8,
                (_, "F") => (value - 32) / 1.8,
                _ => null,
            };

        private static string? Text(ref Utf8JsonReader json)
        {
            if (json.TokenType != JsonTokenType.String || json.ValueSpan.Length > 40)
            {
                json.Skip();
                return null;
            }

            try
            {
                return json.GetString();
            }
            catch (InvalidOperationException)
            {
                // Bytes that are no text.
                return null;
            }
        }

        private static double? Number(ref Utf8JsonReader json)
        {
            if (json.TokenType == JsonTokenType.Number && json.TryGetDouble(out var value) && double.IsFinite(value))
                return value;
            json.Skip();
            return null;
        }

        private static Instant? Moment(ref Utf8JsonReader json) =>
            Text(ref json) is { } text && InstantPattern.ExtendedIso.Parse(text) is { Success: true } read ? read.Value : null;
    }
}
