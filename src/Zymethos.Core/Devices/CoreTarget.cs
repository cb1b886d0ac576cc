using System.Globalization;
using System.Text.RegularExpressions;

namespace Zymethos.Core.Devices;

/// <summary>The warmth in the middle by which a step is known to be done, as its done tests say it.</summary>
public static partial class CoreTarget
{
    /// <summary>Reads it from done tests ("71 °C or more, and it coats a spoon", "93 to 96 °C in the middle", "160 °F").</summary>
    /// <param name="doneTests">As they stand in the recipe.</param>
    /// <param name="isForSafety">Whether it makes food safe: then the highest warmth named counts, else the lowest.</param>
    /// <returns>Degrees Celsius, 40 to 120; null when none is named.</returns>
    public static double? Of(IEnumerable<string> doneTests, bool isForSafety)
    {
        var named = new List<double>();
        foreach (Match match in doneTests.SelectMany(t => Warmth().Matches(t)))
        {
            foreach (var group in new[] { match.Groups["low"], match.Groups["high"] })
            {
                if (!group.Success)
                    continue;
                var value = double.Parse(group.Value, CultureInfo.InvariantCulture);
                var celsius = match.Groups["unit"].Value is "F" or "f" ? (value - 32) / 1.8 : value;
                if (celsius is >= 40 and <= 120)
                    named.Add(Math.Round(celsius, 1));
            }
        }

        return named.Count == 0 ? null
            : isForSafety ? named.Max()
            : named.Min();
    }

    /// <summary>Whether a done test asks for the warmth to be held for a time ("63 °C for 30 minutes"): then coming there
    /// ends nothing.</summary>
    /// <param name="doneTests">As they stand in the recipe.</param>
    public static bool IsHeld(IEnumerable<string> doneTests) => doneTests.Any(t => Held().IsMatch(t));

    [GeneratedRegex(
        @"\b(?:for|hold|held|keep|kept)\b[^.;]*?\d+\s*(?:s|sec|seconds?|min|minutes?|h|hours?)\b",
        RegexOptions.CultureInvariant | RegexOptions.IgnoreCase,
        1000
    )]
    private static partial Regex Held();

    [GeneratedRegex(
        @"(?:(?<low>\d{2,3}(?:\.\d)?)\s*(?:°\s*[CF]?)?\s*(?:to|-|–)\s*)?(?<high>\d{2,3}(?:\.\d)?)\s*°?\s*(?<unit>[CF])\b",
        RegexOptions.CultureInvariant,
        1000
    )]
    private static partial Regex Warmth();
}
