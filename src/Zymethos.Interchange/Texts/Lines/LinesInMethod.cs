using System.Text.RegularExpressions;
using Zymethos.Core.Measures;
using Zymethos.Interchange.Texts.Sentences;

namespace Zymethos.Interchange.Texts.Lines;

/// <summary>Ingredient lines of a recipe that has no list: its amounts stand in the sentences of the method.</summary>
internal static partial class LinesInMethod
{
    /// <summary>The lines, in the order of use; empty when fewer than three are found.</summary>
    public static List<string> Of(IReadOnlyList<string> paragraphs, IngredientKnowledge knowledge)
    {
        var lines = new List<string>();
        var weight = "";
        var before = "";
        foreach (
            var piece in paragraphs
                .Select(p => SpelledEach(AmountEach(Numbering().Replace(p, ""))))
                .SelectMany(SentenceSplitter.Split)
                .SelectMany(s => Pieces().Split(Units(Spelled(s))))
                .Where(p => p.Trim().Length > 0)
        )
        {
            var same = Same().Match(piece);
            if (same.Success && weight.Length > 0)
            {
                var line = $"{weight} {Ends().Replace(same.Groups["what"].Value, "").Trim()}";
                if (LineReader.Read(line, knowledge).Ingredient is not null)
                    lines.Add(line);
                continue;
            }

            if (LineIn(piece, knowledge) is not { } words)
                continue;
            lines.Add(IsPerhaps(piece) || IsPerhaps(before) ? $"{words}, optional" : words);
            before = piece;
            weight = Weight().Match(words) is { Success: true } w ? w.Value.Trim() : weight;
        }

        return lines.Count >= 3 ? lines : [];
    }

    /// <summary>The lines of one sentence: an amount and an ingredient that is known.</summary>
    public static IEnumerable<string> LinesOf(string sentence, IngredientKnowledge knowledge) =>
        Pieces().Split(Units(sentence)).Select(p => LineIn(p, knowledge)).OfType<string>();

    /// <summary>Whether a sentence leaves it open ("if you like", "sometimes").</summary>
    public static bool IsPerhaps(string text) => Perhaps().IsMatch(text);

    private static string? LineIn(string piece, IngredientKnowledge knowledge)
    {
        var start = Start().Match(piece);
        // "make a sponge from 200 ml water": figures count before words do.
        if (
            Figures().Match(piece) is { Success: true } figure
            && figure.Index > start.Index
            && LineReader.Read(Ends().Replace(piece[figure.Index..], ""), knowledge).Ingredient is not null
        )
            start = figure;
        if (!start.Success)
            return null;
        // "the grated zest of a lemon": the part of the fruit belongs to the line.
        if (ZestBefore().Match(piece[..start.Index]) is { Success: true } zest)
            start = zest;
        var words = Ends().Replace(piece[start.Index..], "").Trim(' ', '.', ',');
        // "5 oz of currants and peel": both are known, and neither is lost.
        if (
            Second().Match(piece[start.Index..]) is { Success: true } second
            && second.Index == words.Length
            && knowledge.Find(second.Groups["what"].Value.TrimEnd('.', ',')) is not null
        )
            words += second.Value.TrimEnd('.', ',');
        return LineReader.Read(words, knowledge) is { Ingredient: not null, Amounts.Length: > 0 } && !NotLine().IsMatch(words)
            ? words
            : null;
    }

    [GeneratedRegex(
        @"\b(?:sometimes|if you (?:like|want|have|fancy)|optional(?:ly)?|perhaps|maybe|or not)\b",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex Perhaps();

    [GeneratedRegex(
        @"[,;:]\s+|\s+(?:and|&|with|w/|plus|then|over(?=\s+\d)|onto(?=\s+\d)|in(?=\s+(?:\d|one\s|two\s|three\s|four\s|an\s))|"
            + @"into(?=\s+\d))\s+(?=(?:the (?:seeds|(?:finely )?(?:grated )?(?:zest|rind|juice)) of|the same|\d|[½¼¾⅓]|an?\s|one\s|"
            + @"two\s|three\s|four\s|six\s|half\s|pinch))|\bdissolved in\s+|\s\+\s+(?=\d)",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex Pieces();

    /// <summary>"the same weight of sugar" with the weight that was meant; the text itself where it says no such thing.</summary>
    public static string Spelled(string text) => SpelledOne(SpelledEach(AmountEach(text)));

    /// <summary>"225g each soft butter, caster sugar and flour": each with that weight.</summary>
    private static string AmountEach(string text) =>
        EachOf()
            .Replace(
                text,
                m =>
                    string.Join(
                        ", ",
                        Listed()
                            .Split(m.Groups["list"].Value)
                            .Where(w => w.Length > 0)
                            .Select(w => $"{m.Groups["amount"].Value} {w.Trim()}")
                    )
            );

    [GeneratedRegex(
        @"\b(?<amount>\d+ ?(?:g|oz)) each (?:of )?(?<list>[a-z -]{3,30}(?:, [a-z -]{3,30}){0,4},? and [a-z -]{3,30})(?=[.,;]|$)",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex EachOf();

    /// <summary>"the same weight each of butter, sugar and flour" behind a weight: each with that weight.</summary>
    private static string SpelledEach(string text) =>
        SameEach()
            .Replace(
                text,
                m =>
                    Weights().Matches(text[..m.Index]).LastOrDefault() is { } before
                        ? string.Join(
                            ", ",
                            Listed().Split(m.Groups["list"].Value).Where(w => w.Length > 0).Select(w => $"{before.Value} of {w.Trim()}")
                        )
                        : m.Value
            );

    [GeneratedRegex(
        @"\b(?:the )?same (?:weight|amount|quantity) (?:each )?of (?:each of )?(?<list>[a-z -]{3,30}(?:, [a-z -]{3,30}){1,4},? and [a-z "
            + @"-]{3,30}"
            + @"|(?<=each of )[a-z -]{3,30} and [a-z -]{3,30})(?=[.,;]|$)",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex SameEach();

    [GeneratedRegex(@",? and |, ", RegexOptions.IgnoreCase, 900)]
    private static partial Regex Listed();

    private static string SpelledOne(string text) =>
        Same().IsMatch(text)
            ? SameOf()
                .Replace(text, m => Weights().Matches(text[..m.Index]).LastOrDefault() is { } before ? $"{before.Value} of " : m.Value)
            : text;

    [GeneratedRegex(@"\bthe same (?:weight|amount|quantity) of ", RegexOptions.IgnoreCase, 900)]
    private static partial Regex SameOf();

    [GeneratedRegex(
        @"(?:\d+(?:[.,]\d+)?|\b(?:one|two|three|four|half|a|three quarters of a|half a|quarter of a))\s?(?:pounds?|lb|oz|ounces?|g|kg|"
            + @"grams?)\b",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex Weights();

    /// <summary>"3 tablespoons of flour and 3 of water": the second has the first one's measure.</summary>
    private static string Units(string text) =>
        Elliptic()
            .Replace(
                BothFruits().Replace(text, "${what} ${a} and ${what} ${b}"),
                m => $"{m.Groups["first"].Value}{m.Groups["n"].Value} {m.Groups["unit"].Value} of "
            );

    // "the zest of one lemon and one orange": of both.
    [GeneratedRegex(
        @"(?<what>(?:the )?(?:finely )?(?:grated )?(?:zest|rind|juice) of) (?<a>(?:\d|an?|one|two|half an?) (?:\w+ )?(?:lemon|orange"
            + @"|lime)s?) and "
            + @"(?<b>(?:\d|an?|one|two|half an?) (?:\w+ )?(?:lemon|orange|lime)s?)",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex BothFruits();

    [GeneratedRegex(
        @"(?<first>(?:\d+|one|two|three|four|five|six) ?(?<unit>tablespoons?|tbsps?|teaspoons?|tsps?|cups?|oz|ounces?|"
            + @"g) of [a-z -]{3,24}? (?:and|with|to) )(?<n>\d+|one|two|three|four|five|six) of (?!them\b|these\b|the\b)",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex Elliptic();

    [GeneratedRegex(@" and (?<what>[a-z]{3,20})[.,]?$", RegexOptions.IgnoreCase, 900)]
    private static partial Regex Second();

    [GeneratedRegex(@"^\s*(?:step\s*)?\d{1,2}\s*[.):]\s*", RegexOptions.IgnoreCase, 900)]
    private static partial Regex Numbering();

    [GeneratedRegex(@"\bthe same (?:weight|amount|quantity) of (?<what>.+)$", RegexOptions.IgnoreCase, 900)]
    private static partial Regex Same();

    [GeneratedRegex(
        @"(?:\d[\d\s/.,-]*|[½¼¾⅓⅔⅛]|\b(?:a|an|one|two|three|four|five|six|eight|ten|twelve|half|pinch|"
            + @"three quarters)\b)(?=\s*[½¼¾]?\s*[A-Za-z])",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex Start();

    [GeneratedRegex(
        @"(?:\d[\d\s/.,-]*|[½¼¾⅓⅔⅛])(?=\s*[½¼¾]?\s*(?:g|kg|ml|l|dl|oz|lb|tsp|tbsp|cups?|pints?)\b)",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex Figures();

    // What comes behind belongs to the work and not to the ingredient.
    [GeneratedRegex(@"\b(?:(?:finely )?(?:grated )?(?:zest|rind|juice)(?: and (?:juice|zest))?) of $", RegexOptions.IgnoreCase, 900)]
    private static partial Regex ZestBefore();

    [GeneratedRegex(
        @"\s+(?:in an?|in the|in (?:small )?(?:pieces|lumps|knobs|cubes|batches)|bit by bit|piece by piece|a little at|at (?:low|"
            + @"medium|high|slow)|into|until|till|over|for (?:\d|at least|about|an? |half )|at \d|on a|on the|together|from"
            + @"|and (?!a half|a quarter)[a-z]+|"
            + @"beaten to a|dissolved|to make|to get|to a|with)\b.*$|\.$",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex Ends();

    [GeneratedRegex(
        @"\b(?:minutes?|mins?|hours?|cm|inch(?:es)?|degrees|°|tray|tin|oven|pieces|balls|layers?|towel|cloth|rack|bowls?|fork|knife|"
            + @"spatula|skewer|toothpick|board|film|foil|parchment|saucepan|mixer|processor|plate|dish|jug|spoon)\b",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex NotLine();

    [GeneratedRegex(@"^.*?\b(?:of an? (?:pound|kilo)|pounds?|lb|oz|ounces?|g|kg|grams?)\b(?: of\b)?", RegexOptions.IgnoreCase, 900)]
    private static partial Regex Weight();
}
