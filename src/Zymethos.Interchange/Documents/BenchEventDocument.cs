namespace Zymethos.Interchange.Documents;

/// <summary>A touch on the Bench, as devices tell it and as it is kept.</summary>
/// <param name="Id">A UUID made by the device; told twice, it is one event.</param>
/// <param name="Kind">What happened, as docs/formats says: "started", "done", "needsMore" ...</param>
/// <param name="At">When it happened, in ISO 8601 with an offset or Z.</param>
/// <param name="Step">Id of the step; left out for what is of none.</param>
/// <param name="Who">Who did it; may be left out.</param>
/// <param name="Device">On which device; may be left out.</param>
/// <param name="Minutes">Minutes, 1 to 600.</param>
/// <param name="Number">Which touch, oven or bake, 0 to 999.</param>
/// <param name="Value">Degrees Celsius, grams, a height or pieces.</param>
/// <param name="Text">An ingredient, a word or a sentence; at most 500 characters.</param>
/// <param name="Target">Id of the event that is taken back or put right.</param>
/// <param name="NewAt">The time to which it is put right.</param>
public sealed record BenchEventDocument(
    string Id,
    string Kind,
    string At,
    string? Step = null,
    string? Who = null,
    string? Device = null,
    int? Minutes = null,
    int? Number = null,
    double? Value = null,
    string? Text = null,
    string? Target = null,
    string? NewAt = null
);

/// <summary>Touches as a device sends them, in the order in which they were made.</summary>
/// <param name="Events">At most 500.</param>
/// <param name="SentAt">What the device's clock says at the moment of sending: by how much it is wrong follows from that. Left out, it is
/// taken to be right.</param>
public sealed record BenchEventsDocument(IReadOnlyList<BenchEventDocument> Events, string? SentAt = null);
