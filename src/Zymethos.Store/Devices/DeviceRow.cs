using NodaTime;
using Zymethos.Core.Devices;
using Zymethos.Store.Tenancy;

namespace Zymethos.Store.Devices;

/// <summary>A device of a kitchen. It is there from its first reading on, and is named and placed by the baker.</summary>
public sealed class DeviceRow : IKitchenOwned
{
    /// <inheritdoc />
    public Guid KitchenId { get; set; }

    /// <summary>What it calls itself; unique in the kitchen.</summary>
    public string Name { get; set; } = "";

    /// <summary>What the baker calls it; empty while nobody has said.</summary>
    public string Title { get; set; } = "";

    /// <summary>What it measures.</summary>
    public DeviceKind Kind { get; set; }

    /// <summary>For a thermometer or a dial of an oven: of which, from 0.</summary>
    public int Oven { get; set; }

    /// <summary>When it was heard first.</summary>
    public Instant FirstAt { get; set; }

    /// <summary>When it spoke last, to some seconds.</summary>
    public Instant LastAt { get; set; }

    /// <summary>What it said then: degrees Celsius or grams.</summary>
    public double LastValue { get; set; }

    /// <summary>What is left of its battery, 0 to 1; null when it does not say.</summary>
    public double? Battery { get; set; }

    /// <summary>What is wrong with it, in a sentence; empty when nothing is.</summary>
    public string Trouble { get; set; } = "";
}
