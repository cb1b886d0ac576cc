using System.Globalization;
using System.Text.RegularExpressions;
using NodaTime;
using Zymethos.Core.Measures;

namespace Zymethos.Core.Kitchens;

/// <summary>Reads hours of the day as people type them: "17:30", "5:30 pm", "5.30pm", "1730", "5 p.m.", "17h30", "noon". Any number of
/// threads.</summary>
public static partial class ClockText
{
    /// <summary>The hour; null when it is none. "24:00" is midnight.</summary>
    /// <param name="text">What was typed; null and empty are no hour.</param>
    public static LocalTime? Read(string? text)
    {
        var plain = Digits.Plain(text ?? "").Trim().ToLowerInvariant();
        if (plain is "noon" or "midday" or "12 noon")
            return LocalTime.Noon;
        if (plain is "midnight" or "24:00" or "12 midnight")
            return LocalTime.Midnight;
        var match = Typed().Match(plain);
        if (!match.Success)
            return null;
        var hour = int.Parse(match.Groups["h"].ValueSpan, CultureInfo.InvariantCulture);
        var minute = match.Groups["m"].Success ? int.Parse(match.Groups["m"].ValueSpan, CultureInfo.InvariantCulture) : 0;
        var half = match.Groups["half"].Value;
        // A bare "17" might be an hour and might be a slip of the finger.
        if (half.Length == 0 && !match.Groups["m"].Success && !match.Groups["mark"].Success)
            return null;
        if (half.Length > 0)
        {
            if (hour is < 1 or > 12)
                return null;
            hour = (hour % 12) + (half[0] == 'p' ? 12 : 0);
        }

        return hour <= 23 && minute <= 59 ? new LocalTime(hour, minute) : null;
    }

    /// <summary>The hour as the open formats write it ("17:30"); what is none stays as it was typed.</summary>
    public static string? Tidy(string? text) => Read(text) is { } hour ? hour.ToString("HH:mm", CultureInfo.InvariantCulture) : text;

    [GeneratedRegex(
        @"^(?<h>\d{1,2})(?:(?<mark>\s?h|\s?o['’]clock)|(?:\s?[:.h]\s?)?(?<m>\d{2}))?(?:\s?(?<half>[ap])\.?\s?m?\.?)?$",
        RegexOptions.None,
        200
    )]
    private static partial Regex Typed();
}
