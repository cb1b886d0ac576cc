using System.Text.RegularExpressions;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;

namespace Zymethos.Interchange.Wording;

/// <summary>Times as people write them: "8-12", "1 h 30", "45 to 50 minutes", "about an hour", "overnight", "2 days".</summary>
internal static partial class TimeText
{
    // How far a single figure may be off either way (common practice, no source).
    private const double Spread = 0.15;

    /// <summary>Reads an estimate. A bare number is minutes. Null when the text is no time, or not between a minute and 60 days.</summary>
    public static DurationEstimate? Estimate(string text)
    {
        if (Minutes(text) is not { } m)
            return null;
        if (m.Low < m.High)
            return DurationEstimate.Minutes(m.Low, (int)Math.Round((m.Low + m.High) / 2.0), m.High);
        var off = Math.Max(m.Low > 3 ? 1 : 0, (int)Math.Round(m.Low * Spread));
        return DurationEstimate.Minutes(Math.Max(1, m.Low - off), m.Low, m.Low + off);
    }

    /// <summary>Reads three figures as <see cref="Say(DurationEstimate)"/> writes them ("8/10/14"), or what <see cref="Estimate"/>
    /// reads.</summary>
    public static DurationEstimate? Exact(string text)
    {
        var parts = Digits.Plain(text).Split('/', StringSplitOptions.TrimEntries);
        if (parts.Length != 3)
            return Estimate(text);
        // "4/5/8 min": the unit stands once, at the end.
        var unit = parts[2].TrimStart('0', '1', '2', '3', '4', '5', '6', '7', '8', '9', '.', ',', ' ');
        var read = parts.Select(p => Minutes(p.Length > 0 && char.IsAsciiDigit(p[^1]) ? $"{p} {unit}".TrimEnd() : p)).ToArray();
        return read.All(r => r is not null && r.Value.Low == r.Value.High)
            ? DurationEstimate.Minutes(read[0]!.Value.Low, read[1]!.Value.Low, read[2]!.Value.Low)
            : null;
    }

    /// <summary>An estimate as an editor shows it, read back without loss.</summary>
    public static string Say(DurationEstimate takes)
    {
        var texts = new[] { takes.Low, takes.Likely, takes.High }.Select(d => Say((int)d.TotalMinutes).Split(' ')).ToArray();
        var sameUnit = texts.All(t => t[1] == texts[2][1]);
        return string.Join('/', texts.Select((t, i) => sameUnit && i < 2 ? t[0] : $"{t[0]} {t[1]}"));
    }

    /// <summary>Minutes as an editor shows them: "90 min", "26 h", "21 d"; exact.</summary>
    public static string Say(int minutes) =>
        minutes >= 2880 && minutes % 1440 == 0 ? $"{minutes / 1440} d"
        : minutes >= 240 && minutes % 60 == 0 ? $"{minutes / 60} h"
        : $"{minutes} min";

    /// <summary>A single time in minutes; null when the text is none. Of a range the upper end.</summary>
    public static int? Single(string text) => Minutes(text)?.High;

    private static (int Low, int High)? Minutes(string text)
    {
        var plain = Digits
            .Plain(text.Trim())
            .ToLowerInvariant()
            .Replace('–', '-')
            .Replace('—', '-')
            .Replace("½", " 1/2", StringComparison.Ordinal)
            .Replace("¼", " 1/4", StringComparison.Ordinal)
            .Replace("¾", " 3/4", StringComparison.Ordinal);
        if (plain.Length is 0 or > 60)
            return null;
        if (plain.Contains("overnight", StringComparison.Ordinal))
            return (480, 840);
        if (HalfHour().IsMatch(plain))
            return (30, 30);
        if (AnHour().IsMatch(plain))
            return plain.Contains("half", StringComparison.Ordinal) ? (90, 90) : (60, 60);
        var match = Whole().Match(plain);
        if (!match.Success)
            return null;
        var unit = UnitOf(match.Groups["unit"].Value, 1);
        var low = TimePhrase.NumberOf(match.Groups["a"].Value) * UnitOf(match.Groups["ua"].Value, unit);
        var high = match.Groups["b"].Success ? TimePhrase.NumberOf(match.Groups["b"].Value) * unit : low;
        if (match.Groups["rest"].Success)
            high = low += TimePhrase.NumberOf(match.Groups["rest"].Value);
        if (!(low >= 0.5 && high >= low && high <= RecipeCheck.Longest.TotalMinutes))
            return null;
        return (Math.Max(1, (int)Math.Round(low)), Math.Max(1, (int)Math.Round(high)));
    }

    private static double UnitOf(string unit, double otherwise) => unit.Length == 0 ? otherwise : TimePhrase.UnitOf(unit);

    [GeneratedRegex(@"^(?:about |at least |for |another |a )*half an hour", RegexOptions.None, 900)]
    private static partial Regex HalfHour();

    [GeneratedRegex(@"^(?:about |at least |for |another )*an? hour(?: and a half)?(?!\s*\d)", RegexOptions.None, 900)]
    private static partial Regex AnHour();

    private const string Number =
        @"(?:\d+(?:[.,]\d+)?(?:\s+\d+/\d+)?|\d+/\d+|one|two|three|four|five|six|eight|ten|twelve|fifteen|twenty|thirty|forty)";
    private const string Unit = @"(?:min(?:ute)?s?|h(?:(?:ou)?rs?)?|d(?:ays?)?|w(?:ee)?ks?|sec(?:ond)?s?)";

    [GeneratedRegex(
        @"^(?:about |at least |around |approximately |approx\.? |for |another |up to |ca\.? |~\s*)*(?<a>"
            + Number
            + @")\s*(?:(?<ua>"
            + Unit
            + @")\.?\s*)?(?:(?:-|to|or)\s*(?<b>"
            + Number
            + @")\s*)?(?<unit>"
            + Unit
            + @")?\.?(?:\s*(?:and\s+)?(?<rest>\d+)\s*(?:min(?:ute)?s?)?)?\s*(?:more|longer)?$",
        RegexOptions.None,
        900
    )]
    private static partial Regex Whole();
}
