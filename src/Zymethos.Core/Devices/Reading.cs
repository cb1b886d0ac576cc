using NodaTime;

namespace Zymethos.Core.Devices;

/// <summary>Something a device says. A value without state.</summary>
/// <param name="Kind">What it measures.</param>
/// <param name="Value">Degrees Celsius; grams for a scale. Finite.</param>
/// <param name="At">When it was measured, by the server's clock.</param>
/// <param name="Battery">What is left of its battery, 0 to 1; null when it does not say.</param>
public readonly record struct Reading(DeviceKind Kind, double Value, Instant At, double? Battery = null)
{
    /// <summary>The unit of <see cref="Value"/>.</summary>
    public string Unit => Kind == DeviceKind.Scale ? "g" : "°C";
}
