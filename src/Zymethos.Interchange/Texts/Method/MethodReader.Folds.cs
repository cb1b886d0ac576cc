using System.Globalization;
using System.Text.RegularExpressions;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Wording;

namespace Zymethos.Interchange.Texts.Method;

/// <summary>What is done to a dough while it rises: folds every half hour, one knock back half-way, a look. Each is a touch of its own, and
/// the rise goes on.</summary>
internal sealed partial class MethodReader
{
    // Folds in longer rises are not laid out: the hands would have to be there all night.
    private const int LongestFolded = 300;
    private const int MostFolds = 8;

    /// <summary>"Fold every half hour for two hours, then leave ...": those two hours are a rise of their own. False where no span is
    /// told.</summary>
    private bool TakeFolds(string words)
    {
        var low = words.ToLowerInvariant();
        if (FoldSpan(low) is not { } span || Steps.Count == 0 || _bake >= 0)
            return false;
        Add(words.Trim(' ', ','), low, StepKind.BulkRise, new TimePhrase(span, span, 0, 0));
        return true;
    }

    /// <summary>Minutes over which the folds go; null when not told, or too long or too short to be those of a dough.</summary>
    private static int? FoldSpan(string low)
    {
        foreach (Match match in Spans().Matches(low))
        {
            if (Span(match.Groups["span"].Value) is { } span && span is >= 30 and <= LongestFolded)
                return span;
        }

        return null;
    }

    /// <summary>Lays the folds of every rise that has some.</summary>
    private void Folds()
    {
        foreach (var step in Steps.Where(s => s.Kind == StepKind.BulkRise && s.Time is not null && s.Draft.Oven.Length == 0))
        {
            var likely = Likely(step.Draft);
            if (likely is < 30 or > LongestFolded)
                continue;
            var low = $"{step.Low} {step.Draft.Instruction}".ToLowerInvariant();
            foreach (
                var (at, verb) in FoldsIn(low, likely)
                    .Where(f => f.At > 0 && f.At < likely)
                    .DistinctBy(f => f.At)
                    .OrderBy(f => f.At)
                    .Take(MostFolds)
            )
                step.Draft.Touches = Joined(
                    step.Draft.Touches,
                    string.Create(CultureInfo.InvariantCulture, $"fold {100.0 * at / likely:0.#} %: {verb}")
                );
        }
    }

    private static IEnumerable<(int At, string Verb)> FoldsIn(string low, int likely)
    {
        const string fold = "fold the dough";
        if (AfterEach().Match(low) is { Success: true } after)
            return Numbers().Matches(after.Groups["list"].Value).Select(m => (int.Parse(m.Value, CultureInfo.InvariantCulture), fold));
        if (Every().Match(low) is { Success: true } every && Span(every.Groups["time"].Value) is >= 10 and var apart)
        {
            var most = every.Groups["n"].Success ? Number(every.Groups["n"].Value) : MostFolds;
            var until = FoldSpan(every.Value) ?? likely - (apart / 2);
            return Enumerable.Range(1, most).Select(i => (i * apart, fold)).Where(f => f.Item1 <= until);
        }

        if (Sets().Match(low) is { Success: true } sets)
        {
            var (n, span) = (Number(sets.Groups["n"].Value), FoldSpan(sets.Value) ?? likely);
            // So many over a span: evenly, the last with time left to rest.
            return Enumerable.Range(1, n).Select(i => (span >= likely ? i * span / (n + 1) : i * span / n, fold));
        }

        if (Once().Match(low) is { Success: true } once)
        {
            var verb =
                once.Groups["verb"].Value.StartsWith("fold", StringComparison.Ordinal)
                || once.Groups["verb"].Value.Contains("fold", StringComparison.Ordinal)
                    ? fold
                    : "knock it back";
            return [(once.Groups["time"].Success ? Span(once.Groups["time"].Value) ?? 0 : likely / 2, verb)];
        }

        return [];
    }

    private static int Number(string text) =>
        text switch
        {
            "once" => 1,
            "twice" => 2,
            "three times" or "3 times" => 3,
            "four times" or "4 times" => 4,
            _ => (int)(NumberWords.Of(text) ?? (int.TryParse(text, CultureInfo.InvariantCulture, out var n) ? n : 0)),
        };

    private static int? Span(string text)
    {
        var low = text.Trim();
        if (HalfHour().IsMatch(low))
            return 30;
        if (low is "hour" or "an hour" or "one hour")
            return 60;
        return TimePhrase.In(low).FirstOrDefault() is { } time ? (time.Low + time.High) / 2 : null;
    }

    private const string TimeOfFold =
        @"(?:an? )?half[- ](?:an )?hour|(?:an? |one )?hour|(?:\d+(?:[.,]\d+)?|two|three|four|one|thirty|forty|twenty|"
        + @"fifteen)(?: and a half| ½| 1/2)? ?(?:minutes|mins?\.?|m\b|hours?|hrs?|h\b)";

    [GeneratedRegex(@"^(?:an? )?half[- ](?:an )?hour$", RegexOptions.None, Patience)]
    private static partial Regex HalfHour();

    [GeneratedRegex(
        @"^(?:do |give it )?(?<n>\d|two|three|four|five|six) (?:(?:sets?|rounds?) of )?(?:(?:stretch(?:es)?|coil)(?:[- ](?:and|&)[- ])? ?)?"
            + @"folds?,? (?:at |every |each )?(?<time>"
            + TimeOfFold
            + @")(?: apart| intervals?)?\.?$",
        RegexOptions.IgnoreCase,
        Patience
    )]
    private static partial Regex FoldsApart();

    [GeneratedRegex(@"\d+", RegexOptions.None, Patience)]
    private static partial Regex Numbers();

    [GeneratedRegex(@"\b(?:for|over|during|in)(?: the)?(?: first)? (?<span>" + TimeOfFold + ")", RegexOptions.None, Patience)]
    private static partial Regex Spans();

    [GeneratedRegex(
        @"\bfold\w*[^.;]{0,30}? (?:after|at) (?<list>\d{1,3}(?:(?:, ?| and (?:after |at )?|, and (?:after |at )?|(?: minutes?|"
            + @" min) and (?:after |at )?)\d{1,3})+) ?min",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex AfterEach();

    [GeneratedRegex(
        @"\b(?:fold|folds|folding|turns?|turning)\b(?: it| the dough| the sides in)?[^.;]{0,24}? every (?<time>"
            + TimeOfFold
            + @")(?:[^.;]{0,6}\b(?<n>\d|two|three|four|five|six) times)?(?:,? (?:for|over|during)(?: the)?(?: first)? (?:"
            + TimeOfFold
            + "))?",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex Every();

    [GeneratedRegex(
        @"\b(?<n>\d|two|three|four|five|six) (?:(?:sets?|rounds?) of )?(?:stretch(?:es)?[- ](?:and|"
            + @"&)[- ])?folds\b[^.;]{0,24}?(?:(?:over|during|in)(?: the)?(?: first)? (?:"
            + TimeOfFold
            + @")|while|in that time|as it)|\b(?:fold|folding)(?: it| the dough)? (?<n>twice|three times|3 times|four times|4 times)\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex Sets();

    [GeneratedRegex(
        @"\b(?<verb>fold(?:ing)?|stretch(?:ing)? and fold(?:ing)?|knock(?:ing)?(?: it| the dough)? (?:back|down)|punch(?:ing)?(?: it|"
            + @" the dough)? down)\b(?: it| the dough)?(?: once)?[^.;,]{0,16}?\b(?:half-?way|half way|at half[- ]time|(?:at|"
            + @"after) (?:the first )?(?<time>"
            + TimeOfFold
            + "))",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex Once();
}
