using System.Globalization;
using System.Text.RegularExpressions;

namespace Zymethos.Interchange.Documents;

/// <summary>A need as it is said: "3 dozen ginger rounds for the street", "a plait for Gran", "two boxes of 12 butters for the
/// library".</summary>
internal static partial class SaidNeed
{
    private static readonly Dictionary<string, int> Numbers = new(StringComparer.OrdinalIgnoreCase)
    {
        ["a"] = 1,
        ["an"] = 1,
        ["one"] = 1,
        ["two"] = 2,
        ["three"] = 3,
        ["four"] = 4,
        ["five"] = 5,
        ["six"] = 6,
        ["seven"] = 7,
        ["eight"] = 8,
        ["nine"] = 9,
        ["ten"] = 10,
        ["eleven"] = 11,
        ["twelve"] = 12,
        ["twenty"] = 20,
        ["thirty"] = 30,
        ["forty"] = 40,
        ["fifty"] = 50,
    };

    /// <summary>The cells of such a line as a spreadsheet would have them: for whom, what, how many; null where it is not said like
    /// that.</summary>
    public static IReadOnlyList<string>? Cells(string line)
    {
        var match = Said().Match(line.Trim().TrimEnd('.'));
        if (!match.Success)
            return null;
        if (Number(match.Groups["number"].Value) is not { } count)
            return null;
        if (match.Groups["dozen"].Success)
            count = match.Groups["half"].Success ? 6 : count * 12;
        var pieces = count.ToString(CultureInfo.InvariantCulture);
        if (match.Groups["each"].Success)
        {
            if (Number(match.Groups["each"].Value) is not { } each)
                return null;
            pieces = string.Create(CultureInfo.InvariantCulture, $"{count} x {each}");
        }

        return [match.Groups["who"].Value.Trim(), match.Groups["what"].Value.Trim(), pieces];
    }

    private static int? Number(string text) =>
        int.TryParse(text, NumberStyles.None, CultureInfo.InvariantCulture, out var digits) ? digits
        : Numbers.TryGetValue(text, out var word) ? word
        : null;

    [GeneratedRegex(
        @"^(?<half>half )?(?<number>\d{1,4}|[a-z]+)\s+(?:(?<dozen>dozens?)\s+(?:of\s+)?|(?:boxes|tins|bags|parcels) of\s+"
            + @"(?<each>\d{1,3}|[a-z]+)\s+)?(?<what>.+?)(?:\s+for\s+(?<who>.+))?$",
        RegexOptions.ExplicitCapture | RegexOptions.IgnoreCase,
        1000
    )]
    private static partial Regex Said();
}
