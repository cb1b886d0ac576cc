using NodaTime;
using Zymethos.Store.Tenancy;

namespace Zymethos.Store.Devices;

/// <summary>With what the devices of a kitchen come in: its address and one password for all of them. A kitchen has one, or none.</summary>
public sealed class DeviceDoorRow : IKitchenOwned
{
    /// <inheritdoc />
    public Guid KitchenId { get; set; }

    /// <summary>The name in topics and for signing in: ten letters and digits, unique.</summary>
    public string Address { get; set; } = "";

    /// <summary>SHA-256 of the password, in hexadecimal; the password itself is long and random, and kept nowhere.</summary>
    public string SecretHash { get; set; } = "";

    /// <summary>When it was made.</summary>
    public Instant MadeAt { get; set; }
}
