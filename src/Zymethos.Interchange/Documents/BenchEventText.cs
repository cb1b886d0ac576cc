using NodaTime;
using NodaTime.Text;
using Zymethos.Planning.Bench;
using Zymethos.Planning.Day;

namespace Zymethos.Interchange.Documents;

/// <summary>Touches on the Bench as documents and back. Whatever a device sends is read without an exception.</summary>
public static class BenchEventText
{
    private const int LongestName = 60;
    private const int LongestStep = 200;
    private const double MostValue = 100_000;
    private const int MostMinutes = 600;
    private const int MostNumber = 999;

    private static readonly Dictionary<string, BenchKind> Kinds = Enum.GetValues<BenchKind>()
        .ToDictionary(Of, k => k, StringComparer.Ordinal);

    /// <summary>The word for a kind in documents: "needsMore".</summary>
    public static string Of(BenchKind kind)
    {
        var name = kind.ToString();
        return char.ToLowerInvariant(name[0]) + name[1..];
    }

    /// <summary>The touch of a document.</summary>
    /// <param name="document">The document.</param>
    /// <param name="wrong">What is wrong with it, in a sentence; empty when nothing is.</param>
    /// <returns>The touch; null when something is wrong.</returns>
    public static BenchEvent? Read(BenchEventDocument document, out string wrong)
    {
        wrong = Wrong(document, out var id, out var kind, out var at);
        if (wrong.Length > 0)
            return null;
        Guid? target = null;
        Instant? newAt = null;
        if (document.Target is { } other)
        {
            if (!Guid.TryParse(other, out var read))
                wrong = "target is not the id of an event.";
            target = read;
        }

        if (document.NewAt is { } time)
        {
            if (ReadMoment(time) is not { } read)
                wrong = "newAt is not a moment.";
            else
                newAt = read;
        }

        return wrong.Length > 0
            ? null
            : new BenchEvent(
                id,
                kind,
                document.Step is { Length: > 0 } step ? new TaskId(step) : default,
                at,
                document.Who ?? "",
                document.Device ?? ""
            )
            {
                Minutes = document.Minutes,
                Number = document.Number,
                Value = document.Value,
                Text = document.Text,
                Target = target,
                NewAt = newAt,
            };
    }

    /// <summary>The document of a touch.</summary>
    public static BenchEventDocument Write(BenchEvent e) =>
        new(
            e.Id.ToString("D"),
            Of(e.Kind),
            Write(e.At),
            e.Step.ToString() is { Length: > 0 } step ? step : null,
            e.Who.Length > 0 ? e.Who : null,
            e.Device.Length > 0 ? e.Device : null,
            e.Minutes,
            e.Number,
            e.Value,
            e.Text,
            e.Target?.ToString("D"),
            e.NewAt is { } newAt ? Write(newAt) : null
        );

    /// <summary>A moment with an offset or Z, to the millisecond; null when it is none, or lies outside the years 2000 to 2200.</summary>
    public static Instant? ReadMoment(string text)
    {
        if (OffsetDateTimePattern.ExtendedIso.Parse(text) is not { Success: true } read)
            return null;
        var moment = Instant.FromUnixTimeMilliseconds(read.Value.ToInstant().ToUnixTimeMilliseconds());
        return moment.InUtc().Year is >= 2000 and <= 2200 ? moment : null;
    }

    private static string Write(Instant moment) => InstantPattern.ExtendedIso.Format(moment);

    private static string Wrong(BenchEventDocument document, out Guid id, out BenchKind kind, out Instant at)
    {
        (id, kind, at) = (default, default, default);
        if (!Guid.TryParse(document.Id, out id) || id == Guid.Empty)
            return "id is not a UUID.";
        if (!Kinds.TryGetValue(document.Kind, out kind))
            return "kind is nothing that happens on the Bench.";
        if (ReadMoment(document.At) is not { } moment)
            return "at is not a moment with its offset from UTC.";
        at = moment;
        if (document.Step?.Length > LongestStep || document.Who?.Length > LongestName || document.Device?.Length > LongestName)
            return "A name is too long.";
        if (document.Text?.Length > BenchEvent.LongestText)
            return $"text is longer than {BenchEvent.LongestText} characters.";
        if (document.Minutes is < 1 or > MostMinutes)
            return $"minutes must lie between 1 and {MostMinutes}.";
        if (document.Number is < 0 or > MostNumber)
            return $"number must lie between 0 and {MostNumber}.";
        if (document.Value is { } value && !(value >= 0 && value <= MostValue))
            return "value is out of range.";
        return "";
    }
}
