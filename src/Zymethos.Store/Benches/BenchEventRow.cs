using NodaTime;
using Zymethos.Interchange.Documents;
using Zymethos.Store.Tenancy;

namespace Zymethos.Store.Benches;

/// <summary>A touch on the Bench. Rows are only ever added; one that is told twice is there once.</summary>
public sealed class BenchEventRow : IKitchenOwned
{
    /// <summary>The session it is of.</summary>
    public Guid SessionId { get; set; }

    /// <summary>Made by the device, unique in its session.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc />
    public Guid KitchenId { get; set; }

    /// <summary>Its place among all events, in the order in which they came in; in one session a later one is never seen before an
    /// earlier.</summary>
    public long Seq { get; set; }

    /// <summary>When it was told.</summary>
    public Instant ToldAt { get; set; }

    /// <summary>What happened, with its time by the server's clock.</summary>
    public BenchEventDocument Document { get; set; } = null!;
}
