using System.Text.RegularExpressions;

namespace Zymethos.Core.Measures;

/// <summary>Lines that name the fruit first and say behind it which part is meant ("2 lemons, grated zest only"): turned so that they read
/// like the others.</summary>
internal static partial class FruitWords
{
    /// <summary>The line with the part of the fruit in front; the line itself when it is no such line.</summary>
    public static string InFront(string line)
    {
        var match = Behind().Match(line);
        if (!match.Success)
            return line;
        var (count, fruit, rest) = (match.Groups["n"].Value.Trim(), match.Groups["fruit"].Value, match.Groups["rest"].Value);
        var parts = Parts().Matches(rest).Select(m => m.Value.ToLowerInvariant() == "juice" ? "juice" : "zest").Distinct().ToList();
        return parts.Count == 0 ? line : $"{string.Join(" and ", parts)} of {count} {fruit}";
    }

    [GeneratedRegex(
        @"^\s*(?<n>(?:\d|[½¼¾]|an?\b|one\b|two\b|three\b|half\b)[\d\s/½¼¾.]*(?:small |medium |large |unwaxed |"
            + @"organic )*)\s*(?<fruit>lemons?|oranges?|limes?|clementines?|grapefruits?|mandarins?|tangerines?|"
            + @"satsumas?)\s*[,(]\s*(?<rest>(?:(?:finely|freshly|coarsely|grated|squeezed|the|only|and|of|rind|zest|juice|peel|"
            + @"&)\b[\s,]*)+)\)?\s*$",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex Behind();

    [GeneratedRegex(@"\b(?:zest(?:ed)?|rind|peel|juiced?)\b", RegexOptions.IgnoreCase, 900)]
    private static partial Regex Parts();
}
