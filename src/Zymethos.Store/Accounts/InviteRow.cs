using NodaTime;

namespace Zymethos.Store.Accounts;

/// <summary>An invitation into a kitchen, for one person. Its secret stands in the link and is kept nowhere; the row holds its
/// hash.</summary>
public sealed class InviteRow
{
    /// <summary>Id.</summary>
    public Guid Id { get; set; }

    /// <summary>The kitchen.</summary>
    public Guid KitchenId { get; set; }

    /// <summary>As what the person comes in.</summary>
    public HouseRole Role { get; set; }

    /// <summary>SHA-256 of the secret, in hex.</summary>
    public string SecretHash { get; set; } = "";

    /// <summary>What the one who invites is called.</summary>
    public string By { get; set; } = "";

    /// <summary>When it was made.</summary>
    public Instant MadeAt { get; set; }

    /// <summary>Until when it lets in.</summary>
    public Instant Until { get; set; }
}
