using NodaTime;

namespace Zymethos.Interchange.Calendars;

/// <summary>Something to do at an hour.</summary>
/// <param name="Id">Unique in its calendar.</param>
/// <param name="At">When, by the kitchen's clock.</param>
/// <param name="Title">What, in a few words.</param>
/// <param name="Detail">What exactly.</param>
/// <param name="Minutes">How long it takes.</param>
public sealed record CalendarEntry(string Id, LocalDateTime At, string Title, string Detail, int Minutes);
