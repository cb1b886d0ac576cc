using System.Text.RegularExpressions;
using Zymethos.Interchange.Wording;

namespace Zymethos.Interchange.Texts.Sentences;

/// <summary>Parts a sentence into what is done one after another. A clause is never a stump: it has a verb of work of its own, or it stays
/// with the one before it.</summary>
internal static partial class ClauseSplitter
{
    private static readonly HashSet<string> Subordinate = new(StringComparer.Ordinal)
    {
        "until",
        "till",
        "til",
        "untill",
        "so",
        "if",
        "because",
        "that",
        "which",
        "who",
        "unless",
        "whether",
        "as",
        "than",
    };

    // What is made beside something that cools or bakes.
    private static readonly HashSet<string> Makes = new(StringComparer.Ordinal)
    {
        "mix",
        "make",
        "melt",
        "stir",
        "boil",
        "whisk",
        "beat",
        "combine",
        "simmer",
        "prepare",
        "sift",
        "dissolve",
    };

    // What is done to a bake once it has cooled.
    private static readonly HashSet<string> Finishing = new(StringComparer.Ordinal)
    {
        "cover",
        "ice",
        "dust",
        "spread",
        "brush",
        "glaze",
        "fill",
        "decorate",
        "coat",
        "cut",
        "slice",
        "dip",
        "drizzle",
        "sandwich",
        "pipe",
        "frost",
        "top",
        "sprinkle",
    };

    [GeneratedRegex(
        @"^\W*(?:(?:and|then) )?(?:let|leave|allow)?(?: (?:it|them|to))* ?cool(?: completely| fully)?\W*$",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex JustCools();

    /// <summary>The clauses, in order, with all their words.</summary>
    public static IReadOnlyList<string> Split(string sentence)
    {
        var words = Word().Matches(sentence).ToList();
        var clauses = new List<string>();
        var from = 0;
        // "425 for 15 min, then 350": figures command as verbs do.
        var hasVerb = sentence.Length > 2 && char.IsAsciiDigit(sentence[0]) && char.IsAsciiDigit(sentence[2]);
        var under = false;
        var depth = 0;
        for (var i = 0; i < words.Count; i++)
        {
            var low = words[i].Value.ToLowerInvariant();
            var gap = i == 0 ? "" : sentence[(words[i - 1].Index + words[i - 1].Length)..words[i].Index];
            depth += gap.Count(c => c == '(') - gap.Count(c => c == ')');
            var next = i + 1 < words.Count ? words[i + 1].Value.ToLowerInvariant() : null;
            if (depth > 0)
                continue;
            if (Subordinate.Contains(low))
                under = true;
            if (gap.Any(c => c is ',' or ';' or ':' or '.' or '–' or '—'))
                under =
                    under
                    && !gap.Contains(',', StringComparison.Ordinal)
                    && !gap.Contains(';', StringComparison.Ordinal)
                    && !gap.Contains('.', StringComparison.Ordinal);
            var connector = Connector(words, sentence, i);
            // "Gently warm the honey": the order stands behind its manner.
            var starts = i == 0 || connector >= 0 || Enumerable.Range(0, i).All(w => VerbWords.IsAdverb(words[w].Value.ToLowerInvariant()));
            // "While it cools mix juice and sugar, prick the cake": the order stands behind words that say when.
            if (
                !starts
                && !hasVerb
                && LeadsIn(words[0].Value)
                && !under
                && Makes.Contains(low)
                && !(
                    words[i - 1].Value.ToLowerInvariant()
                    is "the"
                        or "a"
                        or "an"
                        or "to"
                        or "is"
                        or "are"
                        or "its"
                        or "it"
                        or "of"
                        or "they"
                )
            )
                hasVerb = true;
            if (!starts)
                continue;
            // "until risen, brown and springy": a colour, and no order.
            if (i > 0 && low is "brown" && next is "and" or "on" or "all" or null)
                continue;
            // "until shiny and smooth, 6 minutes": how it is to be, and no order.
            if (
                i > 0
                && under
                && low is "smooth" or "dry" or "set" or "level" or "firm" or "cool" or "warm" or "clear" or "thin" or "open"
                && words[i - 1].Value.ToLowerInvariant() is "and" or "or" or "&"
                && (next is null || char.IsAsciiDigit(next[0]) || next is "about" or "for" or "again")
            )
                continue;
            // "golden and hollow when tapped": how it sounds.
            if (i > 0 && low is "hollow" && next is not "out")
                continue;
            // "with a stretch and fold after 30 minutes" is one thing.
            if (i > 1 && low is "fold" or "folds" && StretchAnd().IsMatch(sentence[..words[i].Index]))
                continue;
            // "everything apart from the jam and cream together": a thing that is left out.
            if (i > 0 && low is "cream" && LeftOut().IsMatch(sentence[from..words[i].Index]))
                continue;
            if (
                !VerbWords.IsWork(low, next, i == 0 || gap.Any(c => c is ';' or '.'))
                && !IsNewHeat(words, i, next)
                && !IsNewPlace(words, i, sentence)
            )
                continue;
            if (i > 0 && under && !IsStrong(words, connector, i, gap))
                continue;
            if (hasVerb && connector > 0 && words[connector].Index > from)
            {
                // A stump is no clause: "cover and leave to rise" is one, and verbs may share an object.
                var left = sentence[from..words[connector].Index];
                if (
                    !left.Any(char.IsAsciiDigit)
                    && !gap.Contains(';', StringComparison.Ordinal)
                    && Word().Count(left) < 3 + (Joint().IsMatch(left.TrimStart()) ? 1 : 0)
                    && !(JustCools().IsMatch(left) && Finishing.Contains(low))
                )
                    continue;
                clauses.Add(sentence[from..words[connector].Index]);
                from = words[connector].Index;
                under = false;
            }

            hasVerb = true;
        }

        clauses.Add(sentence[from..]);
        return [.. clauses.Select(c => c.Trim().Trim(',', ';', '–', '—', '-', ' ').Trim()).Where(c => c.Any(char.IsLetterOrDigit))];
    }

    private static bool LeadsIn(string word) => word.ToLowerInvariant() is "while" or "whilst" or "meanwhile";

    /// <summary>A clause without the words that only join it ("and then").</summary>
    public static string WithoutJoint(string clause) => Joint().Replace(clause, "");

    /// <summary>The index of the word at which a new clause would start; -1 when the word before is no end of one.</summary>
    private static int Connector(List<Match> words, string sentence, int at)
    {
        var i = at;
        while (i > 0)
        {
            var gap = sentence[(words[i - 1].Index + words[i - 1].Length)..words[i].Index];
            if (gap.Any(c => c is ',' or ';' or ':' or '.' or '–' or '—') || gap.Contains(" - ", StringComparison.Ordinal))
                return i;
            var before = words[i - 1].Value.ToLowerInvariant();
            if (before is "and" or "then" or "&" or "n" or "or" or "but")
            {
                if (before is "or" && at - i < 1)
                    return -1;
                i--;
                // "and then": both belong to the new clause.
                if (i > 0 && words[i - 1].Value.ToLowerInvariant() is "and" or "then" or "but")
                    i--;
                return i == 0 ? -1 : i;
            }

            if (!VerbWords.IsAdverb(before))
                return -1;
            i--;
        }

        return -1;
    }

    /// <summary>"until firm, then bake", "until doubled; shape": what stands behind "until" may still start anew.</summary>
    private static bool IsStrong(List<Match> words, int connector, int at, string gap) =>
        gap.Any(c => c is ',' or ';' or '.')
        || (
            connector >= 0
            && Enumerable.Range(connector, Math.Max(0, at - connector)).Any(i => words[i].Value.ToLowerInvariant() is "then" or "and")
        );

    /// <summary>"then 350 for 20 minutes": a heat that takes over starts anew.</summary>
    private static bool IsNewHeat(List<Match> words, int at, string? next) =>
        at > 0
        && words[at - 1].Value.ToLowerInvariant() is "then"
        && next is not null
        && (IsHeat(words[at].Value) || (words[at].Value.ToLowerInvariant() is "at" && IsHeat(next)));

    private static bool IsHeat(string word) =>
        word.Length is 3 or 4 && word[..3].All(char.IsAsciiDigit) && (word.Length == 3 || word[3] is 'C' or 'F' or 'c' or 'f');

    /// <summary>"..., then into the refrigerator for 12 hours": it goes elsewhere, and another wait begins.</summary>
    private static bool IsNewPlace(List<Match> words, int at, string sentence) =>
        at > 0
        && words[at - 1].Value.ToLowerInvariant() is "then"
        && (words[at].Value.ToLowerInvariant() is "into" or "in" or "to" || char.IsAsciiDigit(words[at].Value[0]))
        && NewPlace().IsMatch(sentence[words[at].Index..]);

    [GeneratedRegex(
        @"^\d{1,3} ?(?:min\w*|h|hrs?|hours?)\b[^.;]{0,24}\b(?:in|into) (?:the |a |your )?(?:fridge|refrigerator|freezer)\b|^(?:in|into|"
            + @"to) (?:the |a |your )?(?:(?:cold|hot) )?(?:fridge|refrigerator|freezer)\b[^.;]*\d",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex NewPlace();

    [GeneratedRegex(@"\bstretch(?:es)? (?:and|&) $", RegexOptions.IgnoreCase, 900)]
    private static partial Regex StretchAnd();

    [GeneratedRegex(@"\b(?:apart from|except(?: for)?|but|all but|besides) the [\w ,]{2,30}\band $", RegexOptions.IgnoreCase, 900)]
    private static partial Regex LeftOut();

    [GeneratedRegex(@"[\p{L}\d][\p{L}\d'’\-/]*|&|[½¼¾⅓⅔]", RegexOptions.None, 900)]
    private static partial Regex Word();

    [GeneratedRegex(@"^(?:(?:(?:and|then|but|n|or)\b|&)[\s,]*)+", RegexOptions.IgnoreCase, 900)]
    private static partial Regex Joint();
}
