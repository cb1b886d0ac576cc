using System.Globalization;
using System.Text.RegularExpressions;
using Zymethos.Core.Heat;
using Zymethos.Core.Measures;

namespace Zymethos.Interchange.Wording;

/// <summary>An oven heat that stands in a text.</summary>
/// <param name="Text">As an editor writes it: "180 C", "350 F", "170 C fan", "gas 4".</param>
/// <param name="Celsius">What a still oven is set to, in degrees Celsius; a fan's heat is raised by what fans are set lower.</param>
/// <param name="Index">Where it stands in the text.</param>
/// <param name="IsBare">Whether no unit was written, so that the dialect decided.</param>
/// <param name="IsWord">Whether only a word was written ("a moderate oven"), so that it must be asked.</param>
internal sealed partial record HeatWords(string Text, double Celsius, int Index, bool IsBare, bool IsWord)
{
    // Gas marks from a quarter to 9 in degrees Celsius (common British oven charts, from memory).
    private static readonly Dictionary<string, int> Gas = new(StringComparer.Ordinal)
    {
        ["1/4"] = 110,
        ["1/2"] = 120,
        ["1"] = 140,
        ["2"] = 150,
        ["3"] = 165,
        ["4"] = 180,
        ["5"] = 190,
        ["6"] = 200,
        ["7"] = 220,
        ["8"] = 230,
        ["9"] = 240,
    };

    // Words for heats (common practice, no source); they are always asked.
    private static readonly (string Word, int Celsius)[] Named =
    [
        ("very cool", 110),
        ("very slow", 120),
        ("moderately hot", 190),
        ("fairly hot", 200),
        ("very hot", 230),
        ("slow", 150),
        ("cool", 120),
        ("warm", 160),
        ("moderate", 180),
        ("medium", 180),
        ("hot", 220),
        ("quick", 220),
    ];

    /// <summary>The oven heats in a text, in order; of several ways of saying one ("180C/160C fan/gas 4") the still oven's.</summary>
    /// <param name="low">The text in lower case.</param>
    /// <param name="dialect">Decides what a bare number is.</param>
    public static IReadOnlyList<HeatWords> In(string low, Dialect dialect)
    {
        var text = low.Replace('º', '°').Replace("¼", "1/4", StringComparison.Ordinal).Replace("½", "1/2", StringComparison.Ordinal);
        var found = new List<(HeatWords Heat, int End, bool Fan)>();
        foreach (Match match in Degrees().Matches(text))
        {
            if (NotOven().IsMatch(text[..match.Index]) || Inside().IsMatch(text[(match.Index + match.Length)..]))
                continue;
            if (Read(match, text, dialect) is { } heat)
                found.Add(heat);
        }

        foreach (Match match in GasMark().Matches(text))
        {
            if (Gas.TryGetValue(match.Groups["n"].Value, out var celsius))
                found.Add((new HeatWords($"{celsius} C", celsius, match.Index, false, false), match.Index + match.Length, false));
        }

        found.Sort((a, b) => a.Heat.Index.CompareTo(b.Heat.Index));
        var heats = Together(found, text);
        if (heats.Count == 0 && Word().Match(text) is { Success: true } word)
        {
            var named = Named.First(n => word.Groups["w"].Value == n.Word);
            heats.Add(new HeatWords($"{named.Celsius} C", named.Celsius, word.Index, false, true));
        }

        return heats;
    }

    /// <summary>A heat as somebody types it in a field; null when it is none.</summary>
    public static HeatWords? Typed(string text)
    {
        var low = Digits.Plain(text.Trim().ToLowerInvariant());
        if (low.Length is 0 or > 60)
            return null;
        if (Bare().IsMatch(low))
            low += int.Parse(low, CultureInfo.InvariantCulture) > 260 ? " f" : " c";
        return In(low, Dialect.Metric).FirstOrDefault(h => !h.IsWord);
    }

    private static (HeatWords Heat, int End, bool Fan)? Read(Match match, string text, Dialect dialect)
    {
        var degrees = int.Parse(match.Groups["n"].Value, CultureInfo.InvariantCulture);
        var unit = match.Groups["u"].Value;
        var bare = unit.Length == 0;
        var end = match.Index + match.Length;
        if (bare && !match.Groups["deg"].Success && !IsBareHeat(text, match, degrees))
            return null;
        var fahrenheit = unit.StartsWith('f') || (bare && (degrees > 275 || (degrees >= 200 && dialect == Dialect.American)));
        var celsius = fahrenheit ? (degrees - 32) * 5 / 9.0 : degrees;
        if (celsius is < 60 or > 320)
            return null;
        var fan = (FanBefore().IsMatch(text[..match.Index]) || FanAfter().IsMatch(text[end..])) && !NoFan().IsMatch(text[end..]);
        var lower = fahrenheit ? 25 * 5 / 9.0 : OvenMarks.FanLowerCelsius;
        return (
            new HeatWords(
                $"{degrees} {(fahrenheit ? "F" : "C")}{(fan ? " fan" : "")}",
                fan ? celsius + lower : celsius,
                match.Index,
                bare,
                false
            ),
            end,
            fan
        );
    }

    /// <summary>"bake at 350", "350 for 45 min", "oven 220", "preheat to 350", "in a 375 oven".</summary>
    private static bool IsBareHeat(string text, Match match, int degrees)
    {
        if (degrees is < 90 or > 550 || degrees % 5 != 0)
            return false;
        var before = text[..match.Index];
        var after = text[(match.Index + match.Length)..];
        if (NotHeatAfter().IsMatch(after))
            return false;
        return BareBefore().IsMatch(before) || BareAfter().IsMatch(after) || (match.Index == 0 && OnlyTimeAfter().IsMatch(after));
    }

    /// <summary>Heats that stand beside each other say the same: the still oven's is taken, a fan's only where it stands alone.</summary>
    private static List<HeatWords> Together(List<(HeatWords Heat, int End, bool Fan)> found, string text)
    {
        var heats = new List<HeatWords>();
        for (var i = 0; i < found.Count; i++)
        {
            var group = new List<(HeatWords Heat, int End, bool Fan)> { found[i] };
            while (
                i + 1 < found.Count
                && Beside().IsMatch(text[found[i].End..Math.Max(found[i].End, found[i + 1].Heat.Index)])
                && Math.Abs(found[i + 1].Heat.Celsius - group[0].Heat.Celsius) <= 27
            )
                group.Add(found[++i]);
            var still = group.FindIndex(g => !g.Fan);
            heats.Add(group[Math.Max(0, still)].Heat);
        }

        return heats;
    }

    [GeneratedRegex(
        @"(?<![\d.,/x×])(?<n>\d{2,3})(?<deg>\s?°|\s?degrees?\b|\s?deg\b\.?)?\s?(?<u>f\b|c\b|fahrenheit\b|celsius\b|centigrade\b)?(?!\d)",
        RegexOptions.None,
        900
    )]
    private static partial Regex Degrees();

    [GeneratedRegex(@"\b(?:gas(?: mark)?|mark|reg(?:ulo)?\.?)\s?(?<n>1/4|1/2|[1-9])(?![\d/])", RegexOptions.None, 900)]
    private static partial Regex GasMark();

    [GeneratedRegex(
        @"\b(?:in(?:to)? an?|in|an?)\s+(?:pre-?heated )?(?<w>very cool|very slow|moderately hot|fairly hot|very hot|slow|cool|warm|"
            + @"moderate|medium|hot|quick) oven",
        RegexOptions.None,
        900
    )]
    private static partial Regex Word();

    // Heats of water, dough and the middle of a cake are no oven's.
    [GeneratedRegex(
        @"(?:water|milk|liquid|dough|ddt|core|syrup|sugar|temperature of|temp of|reaches|registers|reads|"
            + @"internal(?: temperature)?(?: of)?|centre|center|cool(?:ed)? to|warm(?:ed)? to|till|until|custard|"
            + @"thermometer(?: reads)?)[^.;]{0,18}$",
        RegexOptions.None,
        900
    )]
    private static partial Regex NotOven();

    [GeneratedRegex(
        @"^\s*(?:in the (?:core|middle|centre|center)|inside|internal|on a (?:thermometer|probe)|core\b)",
        RegexOptions.None,
        900
    )]
    private static partial Regex Inside();

    [GeneratedRegex(@"\bfan(?:[- ]?(?:oven|forced|assisted))?\s*[:(]?\s*$|\bconvection\s*[:(]?\s*$", RegexOptions.None, 900)]
    private static partial Regex FanBefore();

    [GeneratedRegex(@"^\s*[,(/]?\s*(?:fan\b|convection\b|hot air\b)", RegexOptions.None, 900)]
    private static partial Regex FanAfter();

    [GeneratedRegex(
        @"^\s*[/(,]\s*(?:fan|convection)[^\d)]{0,12}\d|^\s*(?:fan|convection)(?: oven)?:?\s\d{3}\b(?! ?min)",
        RegexOptions.None,
        900
    )]
    private static partial Regex NoFan();

    [GeneratedRegex(
        @"^\s*(?:[/|,(]|\bor\b|\(?=)?\s*(?:fan(?: oven)?|fan[- ]forced|gas(?: mark)?|or|for fan|convection|\)|\(|/|,|\s|"
            + @"top and bottom heat|:)*$",
        RegexOptions.None,
        900
    )]
    private static partial Regex Beside();

    [GeneratedRegex(
        @"(?:\boven(?: to| at| temperature| temp)?:?\s*|\bpre-?heat(?:ed)?(?: the| your)?(?: oven)?(?: to| at)?\s*|\b(?:bake|baked|"
            + @"cook|roast)(?: \w+){0,4}? (?:at|in an?)\s*|\b(?:heat|temp(?:erature)?|dial|it)(?: \w+)? (?:to|at)\s*|\b(?:reduce|lower|"
            + @"raise|increase|turn(?:ed)?(?: \w+)? (?:down|up)|down|up|back)(?: \w+){0,3}? to\s*|\bin an?\s*|^then\s*|[,;] then\s*|"
            + @"\bgoes in at\s*|\bbake\s*|\bat\s*)$",
        RegexOptions.None,
        900
    )]
    private static partial Regex BareBefore();

    [GeneratedRegex(
        @"^(?:\s?(?:degree|deg))?\s*(?:oven\b|/\s?\d{3}|for (?:about )?\d|for (?:an?|one|half|three)\b|\(?fan\b|fan\b)",
        RegexOptions.None,
        900
    )]
    private static partial Regex BareAfter();

    [GeneratedRegex(@"^\s*(?:for|until|till|,|/|-)?\s*(?:about |approx\.? )?(?:\d|an?\b|one\b|until|till)", RegexOptions.None, 900)]
    private static partial Regex OnlyTimeAfter();

    [GeneratedRegex(
        @"^\s?(?:g|ml|gr|grams?|cm|mm|min|mins|minutes?|h|hours?|hrs?|pieces?|cookies|days?|%|l|litres?|calories|kcal|w|watts?)\b|^\s?%",
        RegexOptions.None,
        900
    )]
    private static partial Regex NotHeatAfter();

    [GeneratedRegex(@"^\d{2,3}$", RegexOptions.None, 900)]
    private static partial Regex Bare();
}
