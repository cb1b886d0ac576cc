using NodaTime;
using Zymethos.Store.Tenancy;

namespace Zymethos.Store.Benches;

/// <summary>Lets a helper work on one session, and see nothing else of the kitchen.</summary>
public sealed class BenchPassRow : IKitchenOwned
{
    /// <summary>Id of the row.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc />
    public Guid KitchenId { get; set; }

    /// <summary>The session.</summary>
    public Guid SessionId { get; set; }

    /// <summary>What the helper is called; empty until somebody has come in with it.</summary>
    public string Name { get; set; } = "";

    /// <summary>SHA-256 of the secret in its address, in hexadecimal; the secret itself is kept nowhere.</summary>
    public string SecretHash { get; set; } = "";

    /// <summary>When it was made.</summary>
    public Instant MadeAt { get; set; }

    /// <summary>Until when it lets in.</summary>
    public Instant Until { get; set; }

    /// <summary>When somebody came in with it first; null while nobody did.</summary>
    public Instant? UsedAt { get; set; }

    /// <summary>When it was taken away; null while it was not.</summary>
    public Instant? ShutOutAt { get; set; }
}
