using System.Diagnostics.CodeAnalysis;
using System.Text.RegularExpressions;

namespace Zymethos.Interchange.Devices;

/// <summary>
/// The topics on which devices and the Bench speak: <c>zymethos/{kitchen}/{device}/reading</c> from a device, and
/// <c>zymethos/{kitchen}/bench</c> from the Bench. A value without state.
/// </summary>
/// <param name="Kitchen">The kitchen's own address, ten letters and digits.</param>
/// <param name="Device">What the device calls itself, lower-case letters, digits and hyphens, at most 32.</param>
public readonly partial record struct DeviceTopic(string Kitchen, string Device)
{
    /// <summary>What the server listens to.</summary>
    public const string AllReadings = "zymethos/+/+/reading";

    /// <summary>The topic as it is sent.</summary>
    public override string ToString() => $"zymethos/{Kitchen}/{Device}/reading";

    /// <summary>Where the Bench says what is touched on it.</summary>
    /// <param name="kitchen">The kitchen's address.</param>
    public static string Bench(string kitchen) => $"zymethos/{kitchen}/bench";

    /// <summary>All that a kitchen may listen to.</summary>
    /// <param name="kitchen">The kitchen's address.</param>
    public static string All(string kitchen) => $"zymethos/{kitchen}/";

    /// <summary>Whether this is how a device may be called.</summary>
    public static bool IsName([NotNullWhen(true)] string? name) => name is not null && NamePattern().IsMatch(name);

    /// <summary>Whether this is a kitchen's address.</summary>
    public static bool IsKitchen([NotNullWhen(true)] string? address) => address is not null && KitchenPattern().IsMatch(address);

    /// <summary>Reads a topic of a reading; false for any other.</summary>
    public static bool TryRead(string? topic, out DeviceTopic read)
    {
        read = default;
        if (topic is not { Length: <= 80 })
            return false;
        var parts = topic.Split('/');
        if (parts is not ["zymethos", var kitchen, var device, "reading"] || !IsKitchen(kitchen) || !IsName(device))
            return false;
        read = new DeviceTopic(kitchen, device);
        return true;
    }

    [GeneratedRegex(
        "^[a-z0-9]([a-z0-9-]{0,30}[a-z0-9])?$",
        RegexOptions.CultureInvariant | RegexOptions.ExplicitCapture | RegexOptions.NonBacktracking
    )]
    private static partial Regex NamePattern();

    [GeneratedRegex("^[a-z0-9]{10}$", RegexOptions.CultureInvariant | RegexOptions.ExplicitCapture | RegexOptions.NonBacktracking)]
    private static partial Regex KitchenPattern();
}
