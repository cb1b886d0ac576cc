using System.Globalization;
using System.Text.RegularExpressions;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Documents;
using Zymethos.Interchange.Wording;

namespace Zymethos.Interchange.Texts.Method;

/// <summary>"Knead for 8 minutes in a mixer, or 12 by hand": one piece of work, and two ways to do it.</summary>
internal sealed partial class MethodReader
{
    // Kneading by hand takes about half as long again as the hook does (common practice, no source).
    private const double HandShare = 1.5;

    /// <summary>Where the words offer the mixer and the hands, the step takes the mixer and the hands are its other way.</summary>
    private static void ByHand(MethodStep step, string low)
    {
        // Most sentences speak of neither, and the pattern is a long one.
        if (
            !low.Contains("hand", StringComparison.Ordinal)
            && !(
                low.Contains("mixer", StringComparison.Ordinal)
                || low.Contains("machine", StringComparison.Ordinal)
                || low.Contains("hook", StringComparison.Ordinal)
            )
        )
            return;
        var either = EitherWay().Match(low);
        if (!either.Success)
            return;
        var (machine, hand) = (Minutes(either, "machine"), Minutes(either, "hand"));
        machine ??= step.Time is { } told && hand != (told.Low, told.High) ? (told.Low, told.High) : null;
        if (machine is null && hand is null)
            return;
        // "for 10 minutes, by hand or in a mixer" gives one time for both.
        var first = machine ?? hand!.Value;
        var by =
            hand
            ?? (
                machine is { } m && low.Contains("either", StringComparison.Ordinal)
                    ? m
                    : ((int)Math.Round(first.Low * HandShare), (int)Math.Round(first.High * HandShare))
            );
        step.Kind = StepKind.Mix;
        step.Draft.Kind = DocumentWords.Of(step.Kind);
        step.Time = new TimePhrase(first.Low, first.High, 0, 0);
        step.Draft.Takes = step.Time.Text;
        step.Draft.Modes = $"by hand: work, {new TimePhrase(by.Item1, by.Item2, 0, 0).Text}";
    }

    private static (int Low, int High)? Minutes(Match match, string group)
    {
        if (!match.Groups[group].Success)
            return null;
        var ends = match.Groups[group].Value.Split(['-', '–'], StringSplitOptions.TrimEntries).Select(NumberIn).ToList();
        return ends[0] > 0 ? (ends[0], Math.Max(ends[0], ends[^1])) : null;
    }

    private static int NumberIn(string text) =>
        int.TryParse(text, CultureInfo.InvariantCulture, out var n) ? n : (int)(NumberWords.Of(text.Trim()) ?? 0);

    private const string Count = @"\d{1,2}(?:\s?[-–]\s?\d{1,2}| to \d{1,2})?|five|six|eight|ten|twelve|fifteen|twenty";
    private const string Min = @"(?:\s?min(?:ute)?s?\.?)";
    private const string Machine1 =
        @"(?:in (?:a |the |your )?(?:stand |food )?mixer|with (?:a |the )?(?:dough hook|mixer|machine)|by machine|by mixer|in (?:a |"
        + @"the )machine|using a (?:mixer|dough hook))";

    [GeneratedRegex(
        @"\b(?:for )?(?:about )?(?<machine>"
            + Count
            + ")"
            + Min
            + "? "
            + Machine1
            + @"[^.;]{0,20}?[,(]?\s*\bor\b (?:for )?(?:about )?(?<hand>"
            + Count
            + ")"
            + Min
            + @"? by hand\b"
            + @"|"
            + Machine1
            + @"[^.;]{0,30}? (?:for )?(?:about )?(?<machine>"
            + Count
            + ")"
            + Min
            + @"?[^.;]{0,30}?[,(]?\s*\bor\b (?:knead |for )?(?:about )?(?<hand>"
            + Count
            + ")"
            + Min
            + @"? by hand\b"
            + @"|\bby hand (?:for )?(?:about )?(?<hand>"
            + Count
            + ")"
            + Min
            + @"?[^.;]{0,20}?[,(]?\s*\bor\b (?:for )?(?:about )?(?<machine>"
            + Count
            + ")"
            + Min
            + "? "
            + Machine1
            + @"|(?:for )?(?:about )?(?<hand>"
            + Count
            + ")"
            + Min
            + @" by hand[^.;]{0,20}?[,(]?\s*\bor\b (?:for )?(?:about )?(?<machine>"
            + Count
            + ")"
            + Min
            + "? "
            + Machine1
            + @"|\b(?<hand>"
            + Count
            + ")"
            + Min
            + @"[^.;]{0,20}?[,(]?\s*\(?\bor (?:for )?(?:about )?(?<machine>"
            + Count
            + ")"
            + Min
            + "? "
            + Machine1
            + @"|\b(?<hand>"
            + Count
            + ")"
            + Min
            + @" \((?:or )?(?<machine>"
            + Count
            + ")"
            + Min
            + "? "
            + Machine1
            + @"|"
            + Machine1
            + @"[^.;]{0,60}?,?\s*\bor (?:knead |work |beat |whisk |mix )?(?:it )?by hand\b(?: (?:for )?(?:about )?(?<hand>"
            + Count
            + ")"
            + Min
            + @")?"
            + @"|\bby hand,? or "
            + Machine1
            + @"|\b(?<machine>"
            + Count
            + ")"
            + Min
            + @"?[,(]?\s*\(?or (?:about )?(?<hand>"
            + Count
            + ")"
            + Min
            + @"? (?:if (?:kneading |doing it )?)?by hand\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex EitherWay();
}
