using NodaTime;
using Zymethos.Store.Tenancy;

namespace Zymethos.Store.Devices;

/// <summary>A reading that is kept: of many a second, as many as a curve needs. Rows are only ever added, and go with their
/// device.</summary>
public sealed class DeviceReadingRow : IKitchenOwned
{
    /// <inheritdoc />
    public Guid KitchenId { get; set; }

    /// <summary>Name of the device.</summary>
    public string Device { get; set; } = "";

    /// <summary>When it was measured.</summary>
    public Instant At { get; set; }

    /// <summary>Degrees Celsius or grams.</summary>
    public double Value { get; set; }
}
