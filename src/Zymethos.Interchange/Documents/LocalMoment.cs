using NodaTime.Text;

namespace Zymethos.Interchange.Documents;

/// <summary>How the formats write a moment by the kitchen's clock: "2026-11-29T17:30".</summary>
public static class LocalMoment
{
    /// <summary>Reads and writes it; to the minute.</summary>
    public static LocalDateTimePattern Pattern { get; } = LocalDateTimePattern.CreateWithInvariantCulture("uuuu-MM-dd'T'HH:mm");
}
