using Zymethos.Interchange.Wording;

namespace Zymethos.Interchange.Texts.Sentences;

/// <summary>Parts a paragraph at the ends of its sentences; stops after "min." and "approx." end none.</summary>
internal static class SentenceSplitter
{
    // Stops behind these do not end a sentence before a small letter or a number.
    private static readonly HashSet<string> Short = new(StringComparer.OrdinalIgnoreCase)
    {
        "min",
        "mins",
        "hr",
        "hrs",
        "approx",
        "tsp",
        "tsps",
        "tbsp",
        "tbsps",
        "oz",
        "lb",
        "lbs",
        "in",
        "no",
        "ca",
        "e.g",
        "i.e",
        "deg",
        "temp",
        "lg",
        "lge",
        "sm",
        "med",
        "pkg",
        "c",
        "t",
        "tb",
        "vs",
        "st",
        "bkg",
        "sec",
        "secs",
        "pt",
        "qt",
        "g",
        "kg",
        "ml",
        "cm",
        "opt",
        "h",
        "incl",
        "max",
        "mini",
        "dr",
        "mr",
        "mrs",
        "ft",
        "wt",
        "x",
        "f",
        "mod",
        "v",
        "ea",
        "b",
        "tbs",
        "tbls",
        "pkt",
        "pkts",
        "sq",
        "dia",
        "diam",
    };

    /// <summary>The sentences, trimmed, with their marks; a paragraph without any is one.</summary>
    public static IReadOnlyList<string> Split(string paragraph)
    {
        var sentences = new List<string>();
        var from = 0;
        var depth = 0;
        for (var i = 0; i < paragraph.Length; i++)
        {
            if (paragraph[i] == '(')
                depth++;
            else if (paragraph[i] == ')')
                depth = Math.Max(0, depth - 1);
            if (depth > 0 && paragraph[i] == '.' && i + 2 < paragraph.Length && !char.IsUpper(paragraph[i + 2]))
                continue;
            if (paragraph[i] is not ('.' or '!' or '?'))
                continue;
            var end = i;
            while (end + 1 < paragraph.Length && paragraph[end + 1] is '.' or '!' or '?' or ')' or '"' or '”' or '\'')
                end++;
            if (end + 1 < paragraph.Length && !char.IsWhiteSpace(paragraph[end + 1]))
                continue;
            // "Even better frozen! (up to 2 months)": the bracket belongs to what it follows.
            if (
                end + 2 < paragraph.Length
                && paragraph[end + 2] == '('
                && paragraph.IndexOf(')', end) is var close
                && close > end + 2
                && close - end < 60
                && !char.IsUpper(paragraph[end + 3])
            )
                continue;
            if (end + 1 < paragraph.Length && !Ends(paragraph, from, i, end))
                continue;
            Add(paragraph[from..(end + 1)]);
            from = end + 1;
            i = end;
            depth = 0;
        }

        if (from < paragraph.Length)
            Add(paragraph[from..]);
        return sentences;

        void Add(string text)
        {
            if (text.Any(char.IsLetterOrDigit))
                sentences.Add(text.Trim());
        }
    }

    private static bool Ends(string text, int from, int stop, int end)
    {
        if (text[stop] != '.' || end > stop)
            return true;
        var start = stop;
        while (start > from && !char.IsWhiteSpace(text[start - 1]) && text[start - 1] != '(')
            start--;
        var word = text[start..stop].TrimStart('(', '"');
        var next = text[(end + 1)..].TrimStart();
        if (next.Length == 0)
            return true;
        // "180C. 2 tins, greased": a heat alone is a sentence.
        if (start == from || string.IsNullOrWhiteSpace(text[from..start]))
        {
            var heat = word.Replace("°", "", StringComparison.Ordinal);
            if (heat.Length == 4 && heat[..3].All(char.IsAsciiDigit) && heat[3] is 'C' or 'F' or 'c' or 'f')
                return true;
        }

        // "18x12-in.", "10-12min.": the letters behind the last figure.
        var isShort = Short.Contains(new string([.. word.Reverse().TakeWhile(c => char.IsLetter(c) || c == '.').Reverse()]));
        if (isShort && !char.IsUpper(next[0]))
        {
            if (!word.Contains("min", StringComparison.OrdinalIgnoreCase) && !word.Contains("hr", StringComparison.OrdinalIgnoreCase))
                return false;
            // "10 min. work in the fruit": behind a time a command begins anew.
            var following = next.Split(' ', 3);
            var first = following[0].Trim(',', '.').ToLowerInvariant();
            // "chill for 15 min. 200C for 15 min": a heat begins anew.
            if (first.Length is 3 or 4 && first[..3].All(char.IsAsciiDigit) && (first.Length == 3 || first[3] is 'c' or 'f'))
                return true;
            return first is "while" or "then" or "when" or "meanwhile" or "once" or "makes" or "keeps" or "serves" or "they" or "it"
                || first is "cool" or "keep" or "leave" or "rest" or "freeze"
                || (
                    first is not ("or" or "to" or "per" or "until" or "with" or "more" or "in" or "at" or "on")
                    && VerbWords.IsWork(first, following.Length > 1 ? following[1].ToLowerInvariant() : null, false)
                );
        }

        // "1. Heat": a number is no sentence.
        return !(word.Length <= 2 && word.All(char.IsDigit) && start == from);
    }
}
