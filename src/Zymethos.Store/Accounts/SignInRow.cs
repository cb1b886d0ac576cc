using NodaTime;

namespace Zymethos.Store.Accounts;

/// <summary>
/// One sign-in of a baker on one device. The cookie names it; where the row is gone the cookie opens nothing, wherever it was copied to.
/// </summary>
public sealed class SignInRow
{
    /// <summary>Id, as the cookie names it.</summary>
    public Guid Id { get; set; }

    /// <summary>Who signed in.</summary>
    public Guid BakerId { get; set; }

    /// <summary>When.</summary>
    public Instant At { get; set; }

    /// <summary>The kitchen that this device works in; null for the one the baker was in last.</summary>
    public Guid? KitchenId { get; set; }
}
