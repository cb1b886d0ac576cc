using System.Globalization;

namespace Zymethos.Devices;

/// <summary>What may be wrong with a device.</summary>
public enum FaultKind
{
    /// <summary>It says nothing.</summary>
    Silence,

    /// <summary>It says the same all the time.</summary>
    Stuck,

    /// <summary>It says Fahrenheit and calls it Celsius.</summary>
    Unit,

    /// <summary>It says 900.</summary>
    Nonsense,

    /// <summary>Its battery is nearly empty.</summary>
    Battery,

    /// <summary>Its clock is seven minutes slow.</summary>
    Clock,
}

/// <summary>A fault on demand: <c>silence:probe@60+120</c> is silence of the probe from the 60th second on, for 120 seconds.</summary>
/// <param name="Kind">What is wrong.</param>
/// <param name="Device">With which device.</param>
/// <param name="From">Seconds after the start.</param>
/// <param name="For">For how many seconds.</param>
public sealed record Fault(FaultKind Kind, string Device, double From, double For)
{
    /// <summary>Whether it is there at a moment.</summary>
    /// <param name="seconds">Seconds after the start.</param>
    public bool IsAt(double seconds) => seconds >= From && seconds < From + For;

    /// <summary>Reads one; null when it cannot be read.</summary>
    public static Fault? Read(string text)
    {
        var (colon, at) = (text.IndexOf(':'), text.IndexOf('@'));
        if (
            colon < 1
            || !char.IsLetter(text[0])
            || !Enum.TryParse<FaultKind>(text[..colon], ignoreCase: true, out var kind)
            || !Enum.IsDefined(kind)
        )
            return null;
        if (at < 0)
            return new Fault(kind, text[(colon + 1)..], 0, double.PositiveInfinity);
        var times = text[(at + 1)..].Split('+');
        return
            times.Length == 2
            && double.TryParse(times[0], CultureInfo.InvariantCulture, out var from)
            && double.TryParse(times[1], CultureInfo.InvariantCulture, out var length)
            && at > colon
            ? new Fault(kind, text[(colon + 1)..at], from, length)
            : null;
    }
}
