using System.Text;
using NodaTime;
using Xunit.Abstractions;
using Zymethos.Core.Devices;
using Zymethos.Interchange.Devices;

namespace Zymethos.Interchange.Tests.Devices;

/// <summary>
/// Whatever bytes a device sends: nothing throws, and nothing is held on to. A hundred thousand messages with every run of the tests;
/// <c>./test fuzz</c> sends a million (ZYMETHOS_FUZZ sets another number).
/// </summary>
public sealed class DeviceFuzzTests(ITestOutputHelper output)
{
    private static readonly string[] Messages =
    [
        """{"kind":"oven","value":178.4,"unit":"C"}""",
        """{"kind":"core","value":160,"unit":"F","battery":0.4,"at":"2026-12-05T09:31:07Z","sentAt":"2026-12-05T09:31:09Z"}""",
        """{"kind":"scale","value":1.204,"unit":"kg","more":{"deep":[1,2,{"x":null}]}}""",
        """{"kind":"room","value":-4e0,"unit":"C"}""",
        """{"kind":"dial","value":0,"unit":"F"}""",
    ];

    private static readonly string[] Pieces =
    [
        "{",
        "}",
        "[",
        "]",
        ":",
        ",",
        "\"",
        "\\u0000",
        "\\ud800",
        "1e309",
        "-1e-400",
        "NaN",
        "null",
        "\"kind\"",
        "\"at\"",
        "\"9999-12-31T23:59:59.999999999Z\"",
        "\"-9998-01-01T00:00:00Z\"",
        "900",
        "\u00e9",
        "\ufffe",
        "true",
        "/*",
        "C",
        "\"unit\":\"F\"",
    ];

    [Fact]
    public void Whatever_bytes_a_device_sends_nothing_throws_and_nothing_is_held()
    {
        var count = int.TryParse(Environment.GetEnvironmentVariable("ZYMETHOS_FUZZ"), out var n) ? n : 100_000;
        var random = new Random(11);
        var start = Instant.FromUtc(2026, 12, 5, 9, 0);
        var memories = Enum.GetValues<DeviceKind>().ToDictionary(k => k, k => new DeviceMemory(k));
        var (doors, target) = (new DoorWatch(), new TargetWatch(71, start));
        var read = 0;
        var before = GC.GetTotalMemory(forceFullCollection: true);
        for (var i = 0; i < count; i++)
        {
            var bytes = Message(random);
            var arrived = start + Duration.FromMilliseconds(i * 200L);
            _ = BenchWord.Read(bytes);
            _ = DeviceTopic.TryRead(Encoding.Latin1.GetString(bytes), out _);
            if (ReadingText.Read(bytes, arrived, out var wrong) is not { } reading)
            {
                Assert.NotEmpty(wrong);
                continue;
            }

            read++;
            Assert.True(double.IsFinite(reading.Value));
            Assert.True(reading.At <= arrived);
            if (!memories[reading.Kind].Take(reading, movesMeanwhile: i % 2 == 0).IsBelieved)
                continue;
            var range = ReadingRange.Of(reading.Kind);
            Assert.InRange(reading.Value, range.Least, range.Most);
            if (reading.Kind == DeviceKind.Oven)
                doors.Take(reading);
            if (reading.Kind == DeviceKind.Core)
                target.Take(reading);
        }

        var held = (GC.GetTotalMemory(forceFullCollection: true) - before) / 1_000_000.0;
        output.WriteLine($"Fuzz: {count} inputs of devices, {read} of them readings, {held:0.0} MB held at the end.");
        Assert.True(read > count / 100, $"{read} readings among {count}");
        Assert.All(memories.Values, m => Assert.InRange(m.Kept.Count, 0, DeviceMemory.MostKept));
        Assert.InRange(held, -50, 8);
    }

    // Bytes of chance, messages with a few of their bytes changed, cut or put in twice, and things that look like JSON.
    private static byte[] Message(Random random)
    {
        if (random.Next(4) == 0)
        {
            var chance = new byte[random.Next(random.Next(50) == 0 ? 3000 : 60)];
            random.NextBytes(chance);
            return chance;
        }

        if (random.Next(4) == 0)
        {
            var text = string.Concat(Enumerable.Range(0, random.Next(1, 14)).Select(_ => Pieces[random.Next(Pieces.Length)]));
            return Encoding.UTF8.GetBytes(text);
        }

        var bytes = Encoding.UTF8.GetBytes(Messages[random.Next(Messages.Length)]).ToList();
        for (var changes = random.Next(4); changes > 0 && bytes.Count > 0; changes--)
        {
            var at = random.Next(bytes.Count);
            switch (random.Next(4))
            {
                case 0:
                    bytes[at] = (byte)random.Next(256);
                    break;
                case 1:
                    bytes.RemoveAt(at);
                    break;
                case 2:
                    bytes.Insert(at, (byte)"0123456789.-eE\"{}"[random.Next(17)]);
                    break;
                default:
                    bytes.RemoveRange(at, Math.Min(bytes.Count - at, random.Next(12)));
                    break;
            }
        }

        return [.. bytes];
    }
}
