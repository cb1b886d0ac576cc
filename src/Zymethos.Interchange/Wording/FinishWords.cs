using System.Text.RegularExpressions;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;

namespace Zymethos.Interchange.Wording;

/// <summary>
/// Finishes that a method tells: "leave half of them plain and dip the other half in chocolate", "roll twelve in sugar, the rest in
/// coconut". A share of pieces with a verb of finishing is one; a share of an ingredient ("half the sugar") is none.
/// </summary>
internal static partial class FinishWords
{
    /// <summary>The finishes, or none when fewer than all pieces can be told apart with certainty.</summary>
    /// <param name="sentences">The sentences of the method, in order.</param>
    /// <param name="lines">Lines of the recipe, as they were read, in the order of the parts.</param>
    /// <param name="pieces">What a batch gives.</param>
    /// <param name="pieceName">What the pieces are called.</param>
    public static IReadOnlyList<Finish> In(IEnumerable<string> sentences, IReadOnlyList<ReadLine> lines, int pieces, string pieceName)
    {
        var found = new List<Finish>();
        if (pieces < 2)
            return found;
        var last = pieceName.Split(' ')[^1].TrimEnd('s').ToLowerInvariant();
        var before = "";
        foreach (var sentence in sentences.Select(s => s.ToLowerInvariant()))
        {
            var earlier = before;
            before = $"{before} {sentence}";
            foreach (var clause in Clauses().Split(sentence).Where(c => c.Trim().Length > 0))
            {
                var taken = found.Sum(f => f.Pieces);
                // "roll 25 of them in sugar and the rest in hazelnuts": the verb counts for both.
                var isElliptic = taken > 0 && Others().IsMatch(clause) && Said().IsMatch(clause);
                if ((!Finishing().IsMatch(clause) && !isElliptic) || NotThen().IsMatch(clause))
                    continue;
                var count = Count(clause, pieces, taken, last);
                if (count < 1 || taken + count > pieces)
                    continue;
                var only = Only(clause, sentence, lines);
                var name = Name(clause, only);
                if (found.Exists(f => f.Name == name))
                    continue;
                found.Add(
                    new Finish(name, count, [.. only.Where(l => IsTheirsAlone(l, lines, clause, earlier)).Select(NameOf).Distinct()])
                );
                if (found.Count == Finish.Most)
                    return found;
            }
        }

        // One finish that takes them all is no finish of a part.
        return found.Count == 1 && found[0].Pieces == pieces ? [] : found;
    }

    private static int Count(string clause, int pieces, int taken, string pieceName)
    {
        if (Others().IsMatch(clause) && taken > 0)
            return pieces - taken;
        foreach (Match match in Share().Matches(clause))
        {
            var what = match.Groups["what"].Value.TrimEnd('s');
            var isPieces =
                match.Groups["them"].Success || what.Length == 0 || what == pieceName || Pieces().IsMatch(match.Groups["what"].Value);
            if (!isPieces)
                continue;
            var share = match.Groups["share"].Value;
            if (Fraction(share) is { } part)
                return (int)Math.Round(pieces * part);
            var number = int.TryParse(share, out var n) ? n : (int)(NumberWords.Of(share) ?? 0);
            if (number > 0 && number < pieces)
                return number;
        }

        return 0;
    }

    private static double? Fraction(string share) =>
        share switch
        {
            "half" or "one half" => 0.5,
            "a third" or "one third" => 1 / 3.0,
            "two thirds" or "two-thirds" => 2 / 3.0,
            "a quarter" or "one quarter" => 0.25,
            "three quarters" or "three-quarters" => 0.75,
            _ => null,
        };

    /// <summary>The lines that a clause names, or its sentence where the clause names none; the last of a name is meant, since the finish
    /// is listed last.</summary>
    private static List<ReadLine> Only(string clause, string sentence, IReadOnlyList<ReadLine> lines)
    {
        if (Plain().IsMatch(clause))
            return [];
        List<ReadLine> Named(string text) =>
            [.. lines.Where(l => l.Name.Length > 2 && NamesIt(text, l)).GroupBy(l => l.Name).Select(g => g.Last())];
        var named = Named(clause);
        if (named.Count == 0 && !Others().IsMatch(sentence))
            named = Named(sentence);
        // "melt the chocolate and dip the other half": what stands before the clause is meant.
        if (named.Count == 0 && !Said().IsMatch(clause) && sentence.IndexOf(clause.Trim(), StringComparison.Ordinal) is var at && at > 0)
            named = Named(Clauses().Split(sentence[..at]).LastOrDefault(c => c.Trim().Length > 0) ?? "");
        // A line that stands before the method's first use in dough as well is not theirs alone.
        return
        [
            .. named.Where(l =>
                lines.Count(o => o.Ingredient == l.Ingredient && l.Ingredient is not null) == 1
                || lines.Last(o => o.Ingredient == l.Ingredient) == l
            ),
        ];
    }

    /// <summary>What went into the dough as well, or is only more of it ("the extra sugar"), is in every piece.</summary>
    private static bool IsTheirsAlone(ReadLine line, IReadOnlyList<ReadLine> lines, string clause, string earlier)
    {
        if (lines.Count(l => l.Ingredient is not null && l.Ingredient == line.Ingredient) > 1)
            return true;
        return (line.Traits & (LineTraits.PlusMore | LineTraits.Divided)) == LineTraits.None
            && !More().IsMatch(clause)
            && !NamesIt(earlier, line);
    }

    private static bool NamesIt(string text, ReadLine line)
    {
        var name = line.Name.ToLowerInvariant();
        var noun = name.Split(' ')[^1].TrimEnd('s');
        var words = Word().Matches(text).Select(m => m.Value).ToList();
        // "with lemon icing" speaks of lemon juice and of icing sugar.
        if (!words.Exists(w => w == noun || w == $"{noun}s" || w == $"{noun}es"))
            return name.Split(' ') is [var first, _]
                && !LineWords.Forms.Contains(first)
                && !Common().IsMatch(first)
                && words.Contains(first);
        // "icing sugar" is not the sugar of the dough.
        return noun != "sugar" || !OtherSugar().IsMatch(text) || text.Contains(name, StringComparison.Ordinal);
    }

    private static string NameOf(ReadLine line) => line.Size.Length > 0 ? $"{line.Name}, {line.Size}" : line.Name;

    private static string Name(string clause, List<ReadLine> only)
    {
        if (Plain().IsMatch(clause))
            return "plain";
        var verb = Finishing().Match(clause).Value;
        var how = verb switch
        {
            "dip" => "dipped in",
            "roll" or "rolled" => "rolled in",
            _ => "with",
        };
        if (only.Count > 0)
            return $"{how} {string.Join(" and ", only.Select(l => l.Name.ToLowerInvariant()).Distinct().Take(2))}";
        if (Said().Match(clause) is { Success: true } said)
            return $"{how} {said.Groups["what"].Value.Trim()}";
        return verb switch
        {
            "dip" => "dipped",
            "roll" or "rolled" => "rolled",
            "ice" => "iced",
            "dust" => "dusted",
            "coat" => "coated",
            "top" => "topped",
            "glaze" => "glazed",
            "decorate" => "decorated",
            "fill" => "filled",
            "sandwich" => "sandwiched",
            _ when verb.EndsWith('e') => $"{verb}d",
            _ => $"{verb}ed",
        };
    }

    [GeneratedRegex(
        @"[;:]\s+|,?\s+(?:and|then|but)\s+(?=(?:then |the |leave|dip|roll|glaze|ice|sprinkle|dust|coat|top|spread|drizzle|brush|press|"
            + @"decorate|fill|keep|put|use)\b)|,\s+(?=(?:the (?:rest|others?|remaining)|dip|roll|glaze|ice|leave|sprinkle|dust|coat|"
            + @"top|spread|drizzle)\b)",
        RegexOptions.None,
        900
    )]
    private static partial Regex Clauses();

    [GeneratedRegex(
        @"\b(?:leave|keep|dip|rolled|roll|glaze|ice|sprinkle|dust|coat|top|spread|drizzle|brush|decorate|fill|sandwich|scatter|press|"
            + @"pipe|frost|plain|put|stick|stud)\b",
        RegexOptions.None,
        900
    )]
    private static partial Regex Finishing();

    [GeneratedRegex(
        @"\b(?:with|in|into) (?:the |a little |some )?(?<what>[a-z][a-z ]{2,30}?)(?= (?:while|when|once|and|until)\b|[,.;]|$)",
        RegexOptions.None,
        900
    )]
    private static partial Regex Said();

    [GeneratedRegex(
        @"^(?:brown|white|plain|caster|dark|light|milk|whole|large|small|fresh|dried|ground|mixed|soft|hot|cold|warm|salted|unsalted|"
            + @"baking|self-raising|strong|rolled|half|extra)$",
        RegexOptions.None,
        900
    )]
    private static partial Regex Common();

    [GeneratedRegex(@"\b(?:extra|remaining|rest of the|reserved|some (?:of the )?more|more|left-?over)\b", RegexOptions.None, 900)]
    private static partial Regex More();

    [GeneratedRegex(@"[\p{L}'’-]+", RegexOptions.None, 900)]
    private static partial Regex Word();

    [GeneratedRegex(@"\b(?:icing|caster|brown|cinnamon|vanilla) sugar\b", RegexOptions.None, 900)]
    private static partial Regex OtherSugar();

    // Dough that is divided, pans and moments are no finishes.
    [GeneratedRegex(
        @"\b(?:dough|batter|mixture|tin|pan|hour|minutes?|mins?|way|oven|cut a|cut out|hole|freeze|freezer|strands?|logs?)\b",
        RegexOptions.None,
        900
    )]
    private static partial Regex NotThen();

    [GeneratedRegex(
        @"\b(?:the )?other half\b|\bthe (?:rest|others|other (?:\w+))\b|\b(?:the )?remaining (?:ones|half|cookies|biscuits|pieces|"
            + @"fingers|buns|balls|squares|\d+)\b|\bthe plain ones\b",
        RegexOptions.None,
        900
    )]
    private static partial Regex Others();

    [GeneratedRegex(
        @"\b(?<share>one half|half|a third|one third|two[- ]thirds|a quarter|one quarter|three[- ]quarters|\d{1,3}|a dozen|two|three|"
            + @"four|five|six|eight|nine|ten|twelve|fifteen|sixteen|twenty)\b(?: of)?(?: (?<them>them|these|those)\b|"
            + @" the (?<what>[a-z]+)| (?<what>[a-z]+)|(?=[.,]|$))",
        RegexOptions.None,
        900
    )]
    private static partial Regex Share();

    [GeneratedRegex(
        @"^(?:plain|cookies?|biscuits?|buns?|balls?|fingers?|squares?|bars?|rounds?|moons?|crescents?|stars?|pieces?|ones|shapes?|"
            + @"cakes?|cupcakes|muffins?|scones?|rolls?|batch|slices?|doughnuts?|rings?|truffles?|puffs?|kisses|hearts?|sticks?)$",
        RegexOptions.None,
        900
    )]
    private static partial Regex Pieces();

    [GeneratedRegex(@"\b(?:leave|keep|left|kept|are|is)\b[^.;]{0,24}\bplain\b|\bplain\b[^.;]{0,10}$", RegexOptions.None, 900)]
    private static partial Regex Plain();
}
