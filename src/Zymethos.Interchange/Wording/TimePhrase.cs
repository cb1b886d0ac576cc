using System.Globalization;
using System.Text.RegularExpressions;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;

namespace Zymethos.Interchange.Wording;

/// <summary>A time that stands in a text ("at least 1 hour and up to 2 days", "another 10 to 15 minutes", "until doubled, about an
/// hour").</summary>
/// <param name="Low">The shortest, in minutes, at least 1 (parts of a minute are rounded up to one).</param>
/// <param name="High">The longest, in minutes, not below <paramref name="Low"/>.</param>
/// <param name="Index">Where it starts in the text.</param>
/// <param name="Length">How many characters it takes.</param>
internal sealed partial record TimePhrase(int Low, int High, int Index, int Length)
{
    // Keeping is told in months; steps are held to their own limit where they are read.
    private const double LongestMinutes = 1440 * 730;

    /// <summary>Whether it is a least time ("at least", "a minimum of", "or longer"): more does no harm.</summary>
    public bool IsLeast { get; init; }

    /// <summary>Whether both ends are meant as a window ("1 hour and up to 2 days"): ready at the one, good until the other.</summary>
    public bool IsWindow { get; init; }

    /// <summary>Whether it only gives a most ("up to 3 days").</summary>
    public bool IsMost { get; init; }

    /// <summary>Whether it adds to what was before ("another 10 minutes", "5 minutes more").</summary>
    public bool IsMore { get; init; }

    /// <summary>Whether it is given per thing or time ("30 seconds a side", "every 45 minutes").</summary>
    public bool IsEach { get; init; }

    /// <summary>Whether it says when within a bake, and not how long ("after 30 minutes", "turn at 18 minutes").</summary>
    public bool IsMoment { get; init; }

    /// <summary>Every time in a text, in order.</summary>
    /// <param name="low">The text in lower case.</param>
    public static IReadOnlyList<TimePhrase> In(string low)
    {
        var found = new List<TimePhrase>();
        foreach (Match match in Phrase().Matches(Plain(low)))
        {
            if (Of(match, low) is { } phrase)
                found.Add(phrase);
        }

        return Merged(found, low);
    }

    /// <summary>The time as an editor writes it, with a spread about a single figure.</summary>
    public string Text =>
        (Low, High) switch
        {
            _ when IsWindow || IsLeast => $"{TimeText.Say(Low)}/{TimeText.Say(Low)}/{TimeText.Say(Low)}",
            _ when Low == High => TimeText.Say(TimeText.Estimate($"{Low} min") ?? DurationEstimate.Minutes(Low, Low, Low)),
            _ => TimeText.Say(DurationEstimate.Minutes(Low, (int)Math.Round((Low + High) / 2.0), High)),
        };

    // Every replacement keeps the length, so that places in the plain text are places in the text.
    private static string Plain(string low) => low.Replace('–', '-').Replace('—', '-').Replace('‑', '-').Replace('\u00A0', ' ');

    private static TimePhrase? Of(Match match, string low)
    {
        var before = low[..match.Index];
        if (match.Groups["night"].Success)
            return new TimePhrase(480, 840, match.Index, match.Length);
        var unit = UnitOf(match.Groups["u2"].Success ? match.Groups["u2"].Value : match.Groups["u1"].Value);
        var firstUnit = match.Groups["u1"].Success ? UnitOf(match.Groups["u1"].Value) : unit;
        if (match.Groups["bare"].Success)
            unit = firstUnit = 1;
        if (unit <= 0 || !match.Groups["a"].Success)
            return null;
        var a = NumberOf(match.Groups["a"].Value) * firstUnit;
        if (match.Groups["half"].Success)
            a =
                (
                    match.Groups["half"].Value.Contains("three", StringComparison.Ordinal) ? 0.75
                    : match.Groups["half"].Value.Contains("quarter", StringComparison.Ordinal) ? 0.25
                    : 0.5
                ) * firstUnit;
        if (match.Groups["share"].Success)
            a += Share(match.Groups["share"].Value) * firstUnit;
        if (match.Groups["rest"].Success)
            a += NumberOf(match.Groups["rest"].Value);
        var b = match.Groups["b"].Success ? NumberOf(match.Groups["b"].Value) * unit : a;
        if (match.Groups["rest2"].Success)
            b += NumberOf(match.Groups["rest2"].Value);
        if (match.Groups["share2"].Success)
            b += Share(match.Groups["share2"].Value) * unit;
        // "12 minutes or 8 in the mixer": the first is the time, and no range runs backwards.
        if (b < a)
            b = a;
        if (!(a > 0 && b <= LongestMinutes))
            return null;
        var text = match.Value;
        return new TimePhrase(Math.Max(1, (int)Math.Round(a)), Math.Max(1, (int)Math.Round(b)), match.Index, match.Length)
        {
            IsLeast = Least().IsMatch(before) || LongerAfter().IsMatch(low[(match.Index + match.Length)..]),
            IsMost = Most().IsMatch(before),
            IsMore =
                More().IsMatch(before)
                || text.Contains("more", StringComparison.Ordinal)
                || text.Contains("longer", StringComparison.Ordinal)
                || text.Contains("further", StringComparison.Ordinal)
                || text.StartsWith("another", StringComparison.Ordinal)
                || MoreAfter().IsMatch(low[(match.Index + match.Length)..]),
            IsEach = EachBefore().IsMatch(before) || EachAfter().IsMatch(low[(match.Index + match.Length)..]),
            IsMoment = Moment().IsMatch(before) || (MomentAfter().IsMatch(low[(match.Index + match.Length)..]) && !Lasts().IsMatch(before)),
        };
    }

    /// <summary>"at least 1 hour and up to 2 days", "2 hours or overnight": two phrases that are the ends of one.</summary>
    private static List<TimePhrase> Merged(List<TimePhrase> found, string low)
    {
        for (var i = 0; i + 1 < found.Count; i++)
        {
            var (one, two) = (found[i], found[i + 1]);
            var between = low[(one.Index + one.Length)..two.Index];
            // "overnight (12-18 hours)": the bracket says it exactly.
            if (
                one.Low == 480
                && one.High == 840
                && between.Trim() is "(" or "," or "" or "(about" or ", about" or ", at least" or "(at least"
                && two.Low >= 240
            )
            {
                found[i] = two with { Index = one.Index, Length = two.Index + two.Length - one.Index };
                found.RemoveAt(i + 1);
                continue;
            }

            // "15 min with beans and 5 min without": one after the other, in the oven all the while.
            if (WithAnd().IsMatch(between) && Without().IsMatch(low[(two.Index + two.Length)..]))
            {
                found[i] = one with { Low = one.Low + two.Low, High = one.High + two.High, Length = two.Index + two.Length - one.Index };
                found.RemoveAt(i + 1);
                continue;
            }

            // "1 to 1 1/2 hours, or overnight in the refrigerator" are two ways, and no window.
            if (two.Low == 480 && two.High == 840 && Elsewhere().IsMatch(low[(two.Index + two.Length)..]))
                continue;
            if (between.Length > 28 || two.High <= one.Low || one.IsMoment || two.IsMoment)
                continue;
            var joins =
                (two.Low == 480 && between.Trim() is "," or "-" && IsBetter().IsMatch(low[(two.Index + two.Length)..]))
                || (two.IsMost ? JoinsMost().IsMatch(between) : JoinsOr().IsMatch(between));
            if (!joins)
                continue;
            found[i] = new TimePhrase(one.Low, two.IsMost || two.Low != 480 ? two.High : 840, one.Index, two.Index + two.Length - one.Index)
            {
                IsWindow = true,
                IsLeast = one.IsLeast,
            };
            found.RemoveAt(i + 1);
        }

        // "at least 8 hours or up to 24".
        for (var i = 0; i < found.Count; i++)
        {
            var behind = BareMost().Match(low[(found[i].Index + found[i].Length)..]);
            var unit =
                found[i].Low % 1440 == 0 ? 1440
                : found[i].Low % 60 == 0 ? 60
                : 1;
            if (
                !behind.Success
                || !int.TryParse(behind.Groups["n"].Value, CultureInfo.InvariantCulture, out var most)
                || most * unit <= found[i].High
            )
                continue;
            found[i] = found[i] with { High = most * unit, IsWindow = true, Length = found[i].Length + behind.Length };
        }

        // "25 mins for chewy, 30 for crunchy".
        for (var i = 0; i < found.Count; i++)
        {
            var taste = ForTaste().Match(low[(found[i].Index + found[i].Length)..]);
            if (
                !taste.Success
                || found[i].Low != found[i].High
                || !int.TryParse(taste.Groups["n"].Value, CultureInfo.InvariantCulture, out var most)
                || most <= found[i].High
                || most > 3 * found[i].High
            )
                continue;
            found[i] = found[i] with { High = most, Length = found[i].Length + taste.Length };
        }

        return
        [
            .. found.Select(f =>
                f is { IsWindow: false, IsLeast: false } && f.High >= 4 * f.Low && f.High >= 360 ? f with { IsWindow = true } : f
            ),
        ];
    }

    private static double Share(string text) =>
        text.Contains("quarter", StringComparison.Ordinal) ? (text.Contains("three", StringComparison.Ordinal) ? 0.75 : 0.25) : 0.5;

    /// <summary>Minutes in a unit as it is written; 0 for none.</summary>
    internal static double UnitOf(string unit) =>
        unit switch
        {
            "" => 0,
            _ when unit.StartsWith('h') => 60,
            _ when unit.StartsWith('d') => 1440,
            _ when unit.StartsWith('f') => 1440 * 14,
            _ when unit.StartsWith("mo", StringComparison.Ordinal) => 1440 * 30,
            _ when unit.StartsWith('m') => 1,
            _ when unit.StartsWith('w') => 10080,
            _ when unit.StartsWith('y') => 1440 * 365,
            _ when unit.StartsWith('s') => 1 / 60.0,
            _ => 0,
        };

    /// <summary>A number in figures, fractions or words; 0 when it is none.</summary>
    internal static double NumberOf(string text)
    {
        var total = 0.0;
        foreach (var part in Fractions(text).Replace(',', '.').Split([' ', '-'], StringSplitOptions.RemoveEmptyEntries))
        {
            var sides = part.Split('/');
            if (sides.Length == 2)
                total += Parse(sides[0]) / Math.Max(1, Parse(sides[1]));
            else
                total += Parse(part);
        }

        return total;
    }

    private static string Fractions(string text) =>
        text.Replace("½", " 1/2", StringComparison.Ordinal)
            .Replace("¼", " 1/4", StringComparison.Ordinal)
            .Replace("¾", " 3/4", StringComparison.Ordinal)
            .Replace("⅓", " 1/3", StringComparison.Ordinal)
            .Replace("⅔", " 2/3", StringComparison.Ordinal);

    private static double Parse(string text) =>
        double.TryParse(text, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var value)
            ? value
            : NumberWords.Of(text.Trim())
                ?? (
                    text.Trim() is "few" or "several" ? 3
                    : text.Trim() is "another" ? 1
                    : 0
                );

    private const string Digits = @"(?:\d+\s?[½¼¾⅓⅔]|[½¼¾⅓⅔]|\d+(?:[.,]\d+)?(?:[\s-]\d/\d)?|\d/\d)";
    private const string Number =
        @"(?:"
        + Digits
        + @"|\b(?:an?(?: further| good| full| extra)?|another(?= (?:hour|day|week|minute)\b)|one|two|three|four|five|six|seven|eight|"
        + @"nine|ten|twelve|fifteen|twenty|thirty|forty|fifty|sixty|a couple of|a few|couple of|several)\b)";
    private const string Unit =
        @"(?:minutes?|minuets?|mintues?|minuts?|mins?|hours?|hrs?|h|days?|fortnights?|weeks?|wks?|months?|mos?|years?|yrs?|seconds?|"
        + @"secs?|m(?=[\s.,;]|$))\b\.?";

    // night | half an hour | an hour and a half | 1 hour 30 minutes | 50 mins - 1 hr | 12 to 15 min | 1 1/2 to 2 hours
    [GeneratedRegex(
        @"(?<night>\bover ?night\b|\b(?:a|one) (?:whole |full )?night\b)"
            // 1h30 | 1h30 to 2h | 1h15-1h30
            + @"|(?<a>\b\d{1,2})\s?(?<u1>h)\s?(?<rest>[0-5]\d)\b(?:\s*(?:-|to)\s*(?<b>\d{1,2})\s?(?<u2>h)(?:\s?(?<rest2>[0-5]\d))?\b)?"
            + @"|(?<a>(?<half>\b(?:half an?|half(?=[\s-]hour)|(?:a )?quarter of an?|three[- ]quarters? of an?)))[\s-]+(?<u1>hour|day"
            + @"|week|minute)\b"
            + @"|(?:(?<a>"
            + Number
            + @")\s*(?:(?:more|further|extra|another|full|good)\s+)?(?:(?<u1>"
            + Unit
            + @")\s*)?(?<share>and (?:a half|a quarter|three[- ]quarters)\s*(?=\W|$|hours?|minutes?))?(?:(?:-|to|or|until|till)\s*(?<b>"
            + Number
            + @")\s*(?:more |further )?)(?<u2>"
            + Unit
            + @")(?<share2>\s+and (?:a half|a quarter|three[- ]quarters))?(?:(?<=hours?|hrs?) (?:and )?(?<rest2>[1-5]?\d)\s*(?:minutes?"
            + @"|mins?)\b)?)(?:\s*(?:more|longer|further)\b)?"
            // "180 C for 15 min, then 160 for 35-40"
            + @"|(?<=\b\d{3} ?°? ?[cf]? (?:fan )?for (?:another )?)(?<a>\d{1,2})(?:\s*(?:-|to)\s*(?<b>\d{1,2}))?(?<bare>)(?=\s*(?:[.,;]|$))"
            + @"|(?<a>\d{1,2})\s*-\s*(?<b>\d{1,2})\s+(?<bare>more)\b|(?<a>\d{1,3})\s+(?<bare>more)(?=\s*(?:[.,;]|$)|\s+at\s+\d{3})"
            + @"|(?<a>"
            + Number
            + @")\s*-?\s*(?<share>and (?:a half|a quarter|three[- ]quarters)\s+)?(?:(?:more|further|extra|full|good)\s+)?(?<u1>"
            + Unit
            + @")(?<share>\s+and (?:a half|a quarter|three[- ]quarters)\b)?(?:\s*(?:and\s+|,\s*)?(?<rest>\d{1,2})\s*(?:minutes?|mins?|"
            + @"m)\b|\s+(?<rest>\d{2})(?=[\s.,;]|$)(?!\s*(?:g|ml|cm|mm|c|f|°|x|oz|lb|degrees)\b))?(?:\s*(?:more|longer|further)\b)?",
        RegexOptions.None,
        900
    )]
    private static partial Regex Phrase();

    [GeneratedRegex(@"^ with (?:the )?[a-z ]{3,24},? (?:and|then|and then) (?:for )?(?:another )?$", RegexOptions.None, 900)]
    private static partial Regex WithAnd();

    [GeneratedRegex(@"^ without\b", RegexOptions.None, 900)]
    private static partial Regex Without();

    [GeneratedRegex(
        @"^ for (?:an? |the )?[a-z-]+(?: [a-z-]+)?,? (?:or |and )?(?<n>\d{1,3})(?: ?min(?:ute)?s?)? for (?:an? )?[a-z-]+",
        RegexOptions.None,
        900
    )]
    private static partial Regex ForTaste();

    // "at least 4 hours, overnight is best".
    [GeneratedRegex(@"^ (?:is |would be )?(?:best|better|ideal|even better|preferably|if you can|if possible)\b", RegexOptions.None, 900)]
    private static partial Regex IsBetter();

    [GeneratedRegex(@"^\s*(?:in|inside) (?:the |your )?(?:fridge|refrigerator)\b", RegexOptions.None, 900)]
    private static partial Regex Elsewhere();

    [GeneratedRegex(@"^[\s,(]*(?:or|and|but)?\s*(?:up to|no more than|at most)\s+(?<n>\d{1,3})(?=\s*(?:[.,;)]|$))", RegexOptions.None, 900)]
    private static partial Regex BareMost();

    [GeneratedRegex(
        @"\b(?:at least|a minimum of|minimum|no less than|not less than|for a good)\s+(?:about |around )?$",
        RegexOptions.None,
        900
    )]
    private static partial Regex Least();

    // "cool for 15 minutes before serving" is how long, and not when.
    [GeneratedRegex(@"\bfor (?:at least |about |another )?$", RegexOptions.None, 900)]
    private static partial Regex Lasts();

    [GeneratedRegex(@"^\s*(?:or (?:longer|more)|at ?least|minimum)\b", RegexOptions.None, 900)]
    private static partial Regex LongerAfter();

    [GeneratedRegex(
        @"\b(?:up to|within|no more than|not more than|at most|no longer than|until|for as long as)\s+(?:about |around )?$",
        RegexOptions.None,
        900
    )]
    private static partial Regex Most();

    [GeneratedRegex(@"\b(?:another|a further|further|an extra|an additional)\s+(?:about )?$", RegexOptions.None, 900)]
    private static partial Regex More();

    [GeneratedRegex(@"^\s*(?:more|longer|further|again|extra)\b", RegexOptions.None, 900)]
    private static partial Regex MoreAfter();

    [GeneratedRegex(@"\b(?:every|once a|once every|between)\s+$", RegexOptions.None, 900)]
    private static partial Regex EachBefore();

    [GeneratedRegex(@"^\s*(?:a side|per side|each side|on each side|each\b(?! of)|apiece|between)", RegexOptions.None, 900)]
    private static partial Regex EachAfter();

    [GeneratedRegex(
        @"(?:\bafter (?:about |the first |first )?|\bfirst |\bat (?:about |the )?|\bduring the (?:first|last) |\bfor the (?:last|"
            + @"final) |\bin the last |\bcheck (?:at|after) )$",
        RegexOptions.None,
        900
    )]
    private static partial Regex Moment();

    [GeneratedRegex(
        @"^\s*(?:before (?:the end|it is done|they are done|the time|serving|baking|you need)|have passed|into (?:the )?bak)",
        RegexOptions.None,
        900
    )]
    private static partial Regex MomentAfter();

    [GeneratedRegex(
        @"^[\s,(]*(?:and|or|but|-|to)?[\s,]*(?:up to|not more than|no more than|at most|no longer than|within)?\s*$",
        RegexOptions.None,
        900
    )]
    private static partial Regex JoinsMost();

    [GeneratedRegex(
        @"^[\s,]*(?:(?:or|and|to|-|or even|and up to|(?:or |but )?(?:ideally|preferably|better|even better|better still))\s*(?:up to |"
            + @"preferably |even |better |until |better still )?|,\s*up to\s*)\(?$",
        RegexOptions.None,
        900
    )]
    private static partial Regex JoinsOr();
}
