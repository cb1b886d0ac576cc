using System.Text;
using NodaTime;
using Zymethos.Core.Devices;
using Zymethos.Interchange.Devices;

namespace Zymethos.Interchange.Tests.Devices;

/// <summary>What devices say, as bytes.</summary>
public sealed class ReadingTextTests
{
    private static readonly Instant Now = Instant.FromUtc(2026, 12, 5, 9, 31);

    private static Reading? Read(string text, out string wrong) => ReadingText.Read(Encoding.UTF8.GetBytes(text), Now, out wrong);

    // Pound and ounce: NIST Special Publication 811, appendix B.8. Fahrenheit: t/°C = (t/°F - 32)/1.8, the same.
    [Theory]
    [InlineData("""{"kind":"oven","value":350,"unit":"F"}""", DeviceKind.Oven, 176.6667)]
    [InlineData("""{"kind":"core","value":71.2,"unit":"C","battery":0.4}""", DeviceKind.Core, 71.2)]
    [InlineData("""{"unit":"kg","value":1.204,"kind":"scale"}""", DeviceKind.Scale, 1204)]
    [InlineData("""{"kind":"scale","value":8,"unit":"oz"}""", DeviceKind.Scale, 226.7962)]
    [InlineData("""{"kind":"scale","value":2,"unit":"lb"}""", DeviceKind.Scale, 907.1847)]
    [InlineData("""{"kind":"dial","value":0,"unit":"F"}""", DeviceKind.Dial, 0)]
    [InlineData("""{"kind":"room","value":-4,"unit":"C","maker":{"deep":[1,2]},"firmware":"7"}""", DeviceKind.Room, -4)]
    public void A_reading_comes_in_whatever_its_unit(string text, DeviceKind kind, double value)
    {
        var reading = Read(text, out var wrong);
        Assert.Equal("", wrong);
        Assert.Equal(kind, reading!.Value.Kind);
        Assert.Equal(value, reading.Value.Value, 3);
        Assert.Equal(Now, reading.Value.At);
    }

    [Theory]
    [InlineData("", "JSON")]
    [InlineData("178.4", "JSON")]
    [InlineData("[]", "JSON")]
    [InlineData("""{"kind":"oven","value":178.4,"unit":"C"} and more""", "JSON")]
    [InlineData("""{"kind":"fridge","value":4,"unit":"C"}""", "kind")]
    [InlineData("""{"kind":"oven","unit":"C"}""", "value")]
    [InlineData("""{"kind":"oven","value":"178","unit":"C"}""", "value")]
    [InlineData("""{"kind":"oven","value":1e999,"unit":"C"}""", "value")]
    [InlineData("""{"kind":"oven","value":178}""", "unit")]
    [InlineData("""{"kind":"oven","value":451,"unit":"K"}""", "unit")]
    [InlineData("""{"kind":"scale","value":4,"unit":"C"}""", "g, kg, oz")]
    public void What_is_none_is_refused_with_a_reason(string text, string says)
    {
        Assert.Null(Read(text, out var wrong));
        Assert.Contains(says, wrong, StringComparison.Ordinal);
    }

    [Fact]
    public void A_clock_that_is_seven_minutes_slow_does_no_harm()
    {
        // Measured a minute ago by the device's own clock.
        var (sent, measured) = (Now - Duration.FromMinutes(7), Now - Duration.FromMinutes(8));
        var reading = ReadingText.Read(ReadingText.Write(new Reading(DeviceKind.Oven, 180, measured), sent), Now, out _);
        Assert.Equal(Now - Duration.FromMinutes(1), reading!.Value.At);
        // Without its own now its time is not believed at all.
        var text = $$"""{"kind":"oven","value":180,"unit":"C","at":"2001-01-01T00:00:00Z"}""";
        Assert.Equal(Now, Read(text, out _)!.Value.At);
    }

    [Fact]
    public void What_is_written_is_read_the_same()
    {
        foreach (var kind in Enum.GetValues<DeviceKind>())
        {
            var reading = new Reading(kind, 42.25, Now, 0.5);
            Assert.Equal(reading, ReadingText.Read(ReadingText.Write(reading, Now), Now, out _));
        }
    }

    [Fact]
    public void More_than_a_kilobyte_is_not_looked_at() =>
        Assert.Null(Read($$"""{"kind":"oven","value":1,"unit":"C","x":"{{new string('y', 2000)}}"}""", out _));

    [Theory]
    [InlineData("zymethos/abcdefgh23/oven-1/reading", true)]
    [InlineData("zymethos/abcdefgh23/oven-1/reading/more", false)]
    [InlineData("zymethos/abcdefgh23/OVEN/reading", false)]
    [InlineData("zymethos/short/oven/reading", false)]
    [InlineData("zymethos/+/oven/reading", false)]
    [InlineData("zymethos/abcdefgh23/-oven/reading", false)]
    [InlineData("other/abcdefgh23/oven/reading", false)]
    [InlineData("", false)]
    [InlineData(null, false)]
    public void A_topic_is_one_kitchens_one_device(string? topic, bool isOne)
    {
        Assert.Equal(isOne, DeviceTopic.TryRead(topic, out var read));
        Assert.Equal(isOne ? topic : "zymethos///reading", read.ToString());
    }

    [Fact]
    public void A_word_of_the_Bench_comes_back_as_it_was()
    {
        var word = new BenchWord("dial", 1, 190);
        Assert.Equal(word, BenchWord.Read(word.Write()));
        Assert.Null(BenchWord.Read("no word"u8));
        Assert.Null(BenchWord.Read("{}"u8));
    }
}
