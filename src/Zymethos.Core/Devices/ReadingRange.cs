using System.Globalization;

namespace Zymethos.Core.Devices;

/// <summary>
/// What a device of a kind can truly say; anything beyond is a fault of the device, and nothing follows from it. Limits by judgement: the
/// hottest oven of a home with its cleaning left out, food that holds water, a kitchen with its window open or in August, the largest
/// kitchen scale (common practice, no source).
/// </summary>
/// <param name="Least">Least value.</param>
/// <param name="Most">Most value.</param>
public readonly record struct ReadingRange(double Least, double Most)
{
    /// <summary>The range of a kind.</summary>
    public static ReadingRange Of(DeviceKind kind) =>
        kind switch
        {
            DeviceKind.Oven => new(-10, 350),
            DeviceKind.Core => new(-30, 125),
            DeviceKind.Room => new(-15, 50),
            DeviceKind.Scale => new(-10_000, 50_000),
            _ => new(0, 350),
        };

    /// <summary>Why a value cannot be; null when it can.</summary>
    /// <param name="kind">Of which kind of device.</param>
    /// <param name="value">What it says, in degrees Celsius or grams.</param>
    /// <param name="degrees">How degrees Celsius are told.</param>
    public static string? Wrong(DeviceKind kind, double value, Func<double, string> degrees)
    {
        var range = Of(kind);
        if (value >= range.Least && value <= range.Most)
            return null;
        if (kind == DeviceKind.Scale)
            return $"It says {value.ToString("0", CultureInfo.InvariantCulture)} g, which no kitchen scale weighs.";
        var what = kind switch
        {
            DeviceKind.Oven or DeviceKind.Dial => "an oven",
            DeviceKind.Core => "the middle of food",
            _ => "a kitchen",
        };
        var other = (value - 32) / 1.8;
        var hint = other >= range.Least && other <= range.Most ? " It may be set to Fahrenheit and say Celsius." : "";
        return $"It says {degrees(value)}, which {what} cannot be.{hint}";
    }
}
