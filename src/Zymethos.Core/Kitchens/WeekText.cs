using System.Collections.Immutable;
using System.Globalization;
using System.Text.RegularExpressions;
using NodaTime;
using Zymethos.Core.Measures;

namespace Zymethos.Core.Kitchens;

/// <summary>Hours of a weekday as somebody says them.</summary>
/// <param name="Day">The weekday.</param>
/// <param name="From">From when.</param>
/// <param name="Until">Until when; earlier than <paramref name="From"/> for the next morning.</param>
/// <param name="People">How many bake, 1 to 4.</param>
public sealed record SaidHours(IsoDayOfWeek Day, LocalTime From, LocalTime Until, int People);

/// <summary>What was read of a week.</summary>
/// <param name="Hours">The hours, in the order in which they were said.</param>
/// <param name="Wrong">The first piece that could not be read, as it was typed; empty when all was.</param>
public sealed record SaidWeek(ImmutableArray<SaidHours> Hours, string Wrong);

/// <summary>
/// Free hours as they are said across a table: "Fri 18-22", "Sat and Sun 9 to 17, 2 people", "weekdays 6:30pm-9pm", "Mon-Thu 19-21". A
/// value without state: any number of threads may use it.
/// </summary>
public static partial class WeekText
{
    private static readonly string[] Days = ["mon", "tue", "wed", "thu", "fri", "sat", "sun"];

    /// <summary>Reads a week.</summary>
    /// <param name="text">What was typed; null and empty are no hours.</param>
    public static SaidWeek Read(string? text)
    {
        var found = ImmutableArray.CreateBuilder<SaidHours>();
        // "Sat and Sun 9-17, 2 people" is one piece; a comma otherwise parts what begins with another day.
        var pieces = Apart().Split(Plain(text)).Select(p => p.Trim(' ', ',', '.')).Where(p => p.Length > 0);
        foreach (var piece in pieces)
        {
            var match = Piece().Match(piece);
            var days = match.Success ? DaysOf(match.Groups["days"].Value) : [];
            var until = match.Success ? ClockText.Read(Hour(match.Groups["until"].Value)) : null;
            // "6-9 pm" means both; "9-17" and "11-2 pm" do not.
            var from = match.Success ? From(match.Groups["from"].Value, match.Groups["until"].Value) : null;
            var people = match.Groups["people"].Success ? int.Parse(match.Groups["people"].Value, CultureInfo.InvariantCulture) : 1;
            if (days.IsEmpty || from is not { } begins || until is not { } ends || begins == ends || people is < 1 or > 4)
                return new SaidWeek(found.ToImmutable(), piece);
            found.AddRange(days.Select(d => new SaidHours(d, begins, ends, people)));
        }

        return new SaidWeek(found.ToImmutable(), "");
    }

    private static string Plain(string? text) =>
        Digits
            .Plain(text ?? "")
            .ToLowerInvariant()
            .Replace('\u2013', '-')
            .Replace('\u2014', '-')
            .Replace("noon", "12:00", StringComparison.Ordinal)
            .Replace("midday", "12:00", StringComparison.Ordinal)
            .Replace("midnight", "00:00", StringComparison.Ordinal);

    // An hour that stands alone is a full one: "18" is not minutes.
    private static string Hour(string text) => Alone().IsMatch(text.Trim()) ? $"{text.Trim()}:00" : text;

    private static LocalTime? From(string from, string until)
    {
        var half = Half().Match(until);
        if (half.Success && !Half().IsMatch(from) && ClockText.Read(Hour(until)) is { } end)
        {
            var same = ClockText.Read($"{from.Trim()} {half.Value}");
            // "11-2 pm" begins before noon.
            return same is { } at && at < end ? at : ClockText.Read($"{from.Trim()} am");
        }

        return ClockText.Read(Hour(from));
    }

    private static ImmutableArray<IsoDayOfWeek> DaysOf(string text)
    {
        var days = new SortedSet<int>();
        foreach (var word in Words().Split(text.Trim()).Where(w => w.Length > 0))
        {
            if (word.StartsWith("weekday", StringComparison.Ordinal))
                days.UnionWith([1, 2, 3, 4, 5]);
            else if (word.StartsWith("weekend", StringComparison.Ordinal))
                days.UnionWith([6, 7]);
            else if (word is "daily" or "every day" or "everyday")
                days.UnionWith([1, 2, 3, 4, 5, 6, 7]);
            else if (word.Split('-', StringSplitOptions.TrimEntries) is [var first, var last] && Of(first) is { } a && Of(last) is { } b)
                for (var d = a; ; d = (d % 7) + 1)
                {
                    days.Add(d);
                    if (d == b)
                        break;
                }
            else if (Of(word) is { } day)
                days.Add(day);
            else
                return [];
        }

        return [.. days.Select(d => (IsoDayOfWeek)d)];
    }

    private static int? Of(string word) =>
        Array.FindIndex(Days, d => word.StartsWith(d, StringComparison.Ordinal)) is >= 0 and var at ? at + 1 : null;

    private const string Day =
        @"(?:mon(?:days?)?|tue(?:s(?:days?)?)?|wed(?:nesdays?)?|thu(?:r(?:s(?:days?)?)?)?|fri(?:days?)?|sat(?:urdays?)?|sun(?:days?)?"
        + @"|weekdays?|weekends?|daily|every\s?day)";

    private const string Time = @"\d{1,2}(?:[:.h]?\d{2})?(?:\s?h)?(?:\s?[ap]\.?\s?m?\.?)?(?=\s|,|-|$|\d)";

    // What a piece ends with, so that "Tue, Thu 19-21" stays one.
    private const string Ends = @"\d|\d\s?[ap]\.?m\.?|\d\s?h|people|persons?|of us|hands|bakers";

    [GeneratedRegex(
        @"[;\n]+|(?<=" + Ends + @")\s*,\s*(?:and\s+)?(?=" + Day + @"\b)|(?<=" + Ends + @")\s+(?:and\s+)?(?=" + Day + @"\b)",
        RegexOptions.None,
        1000
    )]
    private static partial Regex Apart();

    [GeneratedRegex(
        "^(?<days>"
            + Day
            + @"(?:\s*(?:,|-|and|&|\s)\s*"
            + Day
            + @")*)s?:?\s+(?:from\s+)?(?<from>"
            + Time
            + @")\s*(?:-|to|until|till)\s*(?<until>"
            + Time
            + @")(?:\s*,?\s*(?:with\s+)?(?<people>\d)(?:\s*(?:people|persons?|of us|hands|bakers))?)?$",
        RegexOptions.ExplicitCapture,
        1000
    )]
    private static partial Regex Piece();

    [GeneratedRegex(@"\s*(?:,|\band\b|&)\s*|(?<!-|every)\s+(?!-|day)", RegexOptions.ExplicitCapture, 1000)]
    private static partial Regex Words();

    [GeneratedRegex(@"^\d{1,2}$", RegexOptions.ExplicitCapture, 1000)]
    private static partial Regex Alone();

    [GeneratedRegex(@"[ap]\.?\s?m?\.?$", RegexOptions.ExplicitCapture, 1000)]
    private static partial Regex Half();
}
