using System.Text.RegularExpressions;

namespace Zymethos.Core.Measures;

/// <summary>
/// Parts a line in which several ingredients stand: two columns, a list behind commas, "2 eggs plus 2 yolks", "zest and juice of 1 lemon",
/// "1/2 tsp each cloves and nutmeg".
/// No word is lost; a line that holds one ingredient comes back as it is.
/// </summary>
public static partial class LineSplitter
{
    private const int Most = 40;

    /// <summary>The lines that a line amounts to, at least one, in the order of the words.</summary>
    public static IReadOnlyList<string> Split(string line, IngredientKnowledge knowledge)
    {
        if (line.Length > 1500)
            return [line];
        line = EachInList().Replace(line, m => Spread(m, knowledge));
        line = SameWeightEach().Replace(line, m => Spread(m, knowledge));
        var lines = Columns(line.Trim())
            .SelectMany(c => List(c, knowledge))
            .SelectMany(l => Each(l, knowledge))
            .SelectMany(l => Pair(l, knowledge))
            .SelectMany(Fruit)
            .SelectMany(l => Plus(l, knowledge))
            .SelectMany(l => SoakedIn(l, knowledge))
            .Take(Most)
            .ToList();
        // "8oz oats 4oz marg 4oz brown sugar": amounts part where nothing else does.
        if (
            lines.Count == 1
            && !line.Contains('(', StringComparison.Ordinal)
            && AmountStart().Count(line) >= 3
            && Unparted(line, knowledge) is { Count: >= 3 } parted
        )
            return parted;
        return lines.Count == 0 ? [line] : lines;
    }

    /// <summary>Where amounts start in a text without commas ("225g butter 225g sugar 4 eggs"): pieces that each hold an amount and a known
    /// ingredient; empty when that is not what it is.</summary>
    public static IReadOnlyList<string> Unparted(string text, IngredientKnowledge knowledge)
    {
        var starts = AmountStart().Matches(text).Select(m => m.Index).ToList();
        if (starts.Count < 2)
            return [];
        var pieces = new List<string>();
        var from = 0;
        foreach (var start in starts.Skip(starts[0] == 0 ? 1 : 0).Append(text.Length))
        {
            var piece = text[from..start].Trim(' ', ',', ';', '+', '.');
            // "zest 1 lemon": the number belongs to the word before it.
            if (pieces.Count > 0 && ZestEnd().IsMatch(pieces[^1]))
            {
                var cut = ZestEnd().Match(pieces[^1]).Index;
                piece = $"{pieces[^1][cut..].Trim()} {piece}";
                pieces[^1] = pieces[^1][..cut].Trim(' ', ',', ';', '+');
                if (pieces[^1].Length == 0)
                    pieces.RemoveAt(pieces.Count - 1);
            }

            if (piece.Length > 0)
                pieces.Add(piece);
            from = start;
        }

        return pieces.Count >= 2 && pieces.TrueForAll(p => LineReader.Read(p, knowledge) is { Ingredient: not null, Amounts.Length: > 0 })
            ? pieces
            : [];
    }

    /// <summary>Whether a piece of text starts with an amount, or with words for a part of a fruit.</summary>
    public static bool StartsWithAmount(string text) => Start().IsMatch(text);

    private static IEnumerable<string> Columns(string line)
    {
        var columns = Gap().Split(line).Where(c => c.Length > 0).ToList();
        return columns.Count == 2 && columns.TrueForAll(StartsWithAmount) && columns.TrueForAll(c => c.Any(char.IsLetter))
            ? columns
            : [line];
    }

    private static IEnumerable<string> List(string line, IngredientKnowledge knowledge)
    {
        // "450g flour / pinch salt / 100g butter": strokes part a list.
        if (
            (line.Contains(" · ", StringComparison.Ordinal) ? line.Split(" · ") : line.Split(" / ")) is { Length: >= 3 } strokes
            && strokes.Count(p => LineReader.Read(p, knowledge) is { Amounts.Length: > 0, Ingredient: not null }) >= strokes.Length - 1
        )
        {
            foreach (var piece in strokes.Select(p => p.Trim()).Where(p => p.Length > 0))
                yield return piece;
            yield break;
        }

        // Semicolons part more than commas do: "chips, 3 oz; oats, 8 oz".
        if (line.Count(c => c == ';') >= 2 && !line.Contains('(', StringComparison.Ordinal))
        {
            foreach (var piece in line.Split(';').Select(p => p.Trim()).Where(p => p.Length > 0))
                yield return piece;
            yield break;
        }

        foreach (var piece in ByCommas(line, knowledge))
            yield return piece;
    }

    [GeneratedRegex(
        @"^\s*(?:a (?:little|splash of|dash of) [\p{L} -]{3,24}|(?!plus\b|and\b|or\b|cut\b|chopped\b|"
            + @"sliced\b)[\p{L}-]+(?: [\p{L}-]+)? (?:to|for) (?:glaze|glazing|brush|brushing|dust|dusting|sprinkle|sprinkling|dredge|"
            + @"dredging|fry|frying|grease|greasing|serve|serving|roll|rolling|coat|coating))\.?\s*$",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex ForFinish();

    private static IEnumerable<string> ByCommas(string line, IngredientKnowledge knowledge)
    {
        var pieces = new List<string>();
        foreach (var piece in Commas(line))
        {
            var starts =
                !ShareOfIt().IsMatch(piece)
                && !EachOnly().IsMatch(piece)
                && StartsWithAmount(piece)
                && LineReader.Read(piece, knowledge) is { Amounts.Length: > 0, Name.Length: > 0 } read
                && (read.Ingredient is not null || (read.Name.Length > 2 && piece.Any(char.IsDigit) && !SizeOnly().IsMatch(piece)));
            // ", milk to glaze", ", a little milk": no figure, and all the same a line of its own.
            if (pieces.Count > 0 && ForFinish().IsMatch(piece) && LineReader.Read(piece, knowledge).Ingredient is not null)
            {
                pieces.Add(piece);
                continue;
            }

            // "1 egg, beaten, and sesame seeds": what stands behind is another thing.
            if (
                pieces.Count == 1
                && piece.StartsWith("and ", StringComparison.OrdinalIgnoreCase)
                && knowledge.Find(piece[4..]) is { } also
                && LineReader.Read(pieces[0], knowledge).Ingredient is { } had
                && had != also
            )
            {
                pieces.Add(piece[4..]);
                continue;
            }

            // "milk, caster sugar": two of the larder and no amounts.
            if (
                pieces.Count == 1
                && line.Count(c => c == ',') == 1
                && !StartsWithAmount(pieces[0])
                && !line.Any(char.IsAsciiDigit)
                && knowledge.Find(pieces[0]) is { } one
                && knowledge.Find(piece) is { } next
                && one != next
                && LineWords.Noun(one.Name) != LineWords.Noun(next.Name)
                && !LineWords.Forms.Contains(piece.ToLowerInvariant())
            )
            {
                pieces.Add(piece);
                continue;
            }

            // "75 g melted butter, icing sugar": another of the list, which the first is not.
            if (
                pieces.Count == 1
                && StartsWithAmount(pieces[0])
                && piece.Count(c => c == ' ') == 1
                && knowledge.Find(piece) is { } other
                && LineReader.Read(pieces[0], knowledge).Ingredient is { } before
                && before != other
                && LineWords.Noun(before.Name) != LineWords.Noun(other.Name)
                && LineWords.Noun(before.Name) != LineWords.Noun(piece)
            )
            {
                pieces.Add(piece);
                continue;
            }

            // "1 egg white, sesame or poppy seeds": one of two, and neither is the first.
            if (
                pieces.Count == 1
                && StartsWithAmount(pieces[0])
                && LineReader.Read(piece, knowledge)
                    is { Ingredient: { } either, Left.IsEmpty: true, Amounts.Length: 0, Alternatives.IsEmpty: false }
                && LineReader.Read(pieces[0], knowledge).Ingredient is { } first
                && LineWords.Noun(first.Name) != LineWords.Noun(either.Name)
            )
            {
                pieces.Add(piece);
                continue;
            }

            // ", tablespoon treacle": one of them.
            if (pieces.Count > 0 && OneSpoon().IsMatch(piece) && LineReader.Read($"1 {piece}", knowledge).Ingredient is not null)
            {
                pieces.Add($"1 {piece}");
                continue;
            }

            // "egg white and sugar to finish": two of the list, both for the end.
            if (
                pieces.Count > 1
                && TwoForUse().Match(piece) is { Success: true } two
                && knowledge.Find(two.Groups["a"].Value) is not null
                && knowledge.Find(two.Groups["b"].Value) is not null
            )
            {
                pieces.Add($"{two.Groups["a"].Value} {two.Groups["use"].Value}");
                pieces.Add($"{two.Groups["b"].Value} {two.Groups["use"].Value}");
                continue;
            }

            starts |= pieces.Count > 0 && Unmeasured().IsMatch(piece) && LineReader.Read(piece, knowledge).Ingredient is not null;
            // "110 g butter, cold water to mix": water is none of butter.
            starts |= pieces.Count > 0 && ColdWater().IsMatch(piece);
            starts |=
                Trailing().IsMatch(piece)
                && pieces.TrueForAll(p => Trailing().IsMatch(p))
                && LineReader.Read(piece, knowledge) is { Amounts.Length: > 0, Ingredient: not null };
            // "2 tbsp cold water, 1 to 2 at a time" is a remark.
            var bare =
                !starts
                && ((knowledge.Find(piece) is not null && line.Count(c => c == ',') >= 2) || SaltAndPepper().IsMatch(piece))
                && !LineWords.Forms.Contains(piece.ToLowerInvariant());
            if (pieces.Count == 0 || bare || (starts && LineReader.Read(pieces[^1], knowledge).Name.Length > 0))
                pieces.Add(piece);
            else
                pieces[^1] = $"{pieces[^1]}, {piece}";
        }

        if (pieces.Count < 2)
            return [line];
        // "flour, 500 g": one ingredient and its amount.
        return pieces.Count == 2 && !StartsWithAmount(pieces[0]) && LineReader.Read(pieces[1], knowledge).Ingredient is null
            ? [line]
            : pieces.Select(p => p.Trim());
    }

    /// <summary>Pieces between commas, semicolons and bars outside brackets; a comma within a number parts nothing.</summary>
    private static IEnumerable<string> Commas(string line)
    {
        var (depth, from) = (0, 0);
        for (var i = 0; i < line.Length; i++)
        {
            if (line[i] is '(' or '[')
                depth++;
            else if (line[i] is ')' or ']')
                depth = Math.Max(0, depth - 1);
            else if (
                depth == 0
                && (
                    line[i] is ';' or '|' or '·'
                    || (
                        line[i] == ','
                        && !(i > 0 && i + 1 < line.Length && char.IsAsciiDigit(line[i - 1]) && char.IsAsciiDigit(line[i + 1]))
                    )
                )
            )
            {
                if (line[from..i].Trim().Length > 0)
                    yield return line[from..i].Trim();
                from = i + 1;
            }
        }

        if (line[from..].Trim().Length > 0)
            yield return line[from..].Trim();
    }

    [GeneratedRegex(@"^(?:about )?\d[\d.,/½¼¾ ]*(?:g|kg|oz|ml|lb)\.? each$", RegexOptions.IgnoreCase, 900)]
    private static partial Regex EachOnly();

    /// <summary>"food colouring and sprinkles": two names without an amount are two lines.</summary>
    private static IEnumerable<string> Pair(string line, IngredientKnowledge knowledge)
    {
        if (TwoNames().Match(line) is not { Success: true } two || knowledge.Find(line) is not null || SaltAndPepper().IsMatch(line))
            return [line];
        var (a, b) = (two.Groups["a"].Value, two.Groups["b"].Value);
        return knowledge.Find(a) is { } one && knowledge.Find(b) is { } other && one != other
            ? [a + two.Groups["use"].Value, b + two.Groups["use"].Value]
            : [line];
    }

    [GeneratedRegex(
        @"^(?<a>[\p{L}-]+(?: [\p{L}-]+){0,2}) and (?<b>[\p{L}-]+(?: [\p{L}-]+){0,2}?)(?<use>,? (?:to|for) (?:the )?\w+)?$",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex TwoNames();

    private static IEnumerable<string> Each(string line, IngredientKnowledge knowledge)
    {
        var match = EachOf().Match(line);
        if (!match.Success)
            return [line];
        var said = match.Groups["names"].Value;
        // ", finely chopped" is for all of them.
        var tail =
            said.LastIndexOf(',') is var comma && comma > 0 && LineReader.Read(said[(comma + 1)..], knowledge).Ingredient is null
                ? said[comma..]
                : "";
        var names = And().Split(said[..(said.Length - tail.Length)]).Select(n => n.Trim()).Where(n => n.Length > 0).ToList();
        // "candied lemon and orange peel": the last lends its noun, the first its kind.
        if (
            names.Count == 2
            && names[0].Split(' ') is [var kind, _]
            && names[1].Split(' ') is [_, var noun]
            && knowledge.Find($"{kind} {names[1]}") is not null
        )
            names = [knowledge.Find($"{names[0]} {noun}") is null ? names[0] : $"{names[0]} {noun}", $"{kind} {names[1]}"];
        return names.Count > 1 && names.TrueForAll(n => LineReader.Read(n, knowledge).Ingredient is not null)
            ? names.Select(n =>
                $"{match.Groups["amount"].Value.Trim()} each {match.Groups["before"].Value.Trim()} {n}{tail}".Replace(
                    "  ",
                    " ",
                    StringComparison.Ordinal
                )
            )
            : [line];
    }

    /// <summary>"60g each pumpkin seeds, linseeds and sesame seeds, 100g oatmeal": the amount stands before every name of its
    /// stretch.</summary>
    private static string Spread(Match each, IngredientKnowledge knowledge)
    {
        var names = And().Split(each.Groups["names"].Value).Select(n => n.Trim()).Where(n => n.Length > 0).ToList();
        return names.Count > 2 && names.TrueForAll(n => knowledge.Find(n) is not null)
            ? string.Join(", ", names.Select(n => $"{each.Groups["amount"].Value.Trim()} {n}"))
            : each.Value;
    }

    // "the same weight of butter, caster sugar and flour (about 240g of each)".
    [GeneratedRegex(
        @"^\W*(?:the )?(?:same|equal) weight of (?<names>[\p{L} -]+(?:, [\p{L} -]+)+ and [\p{L} -]+?)\s*\((?:about |approx\.? |"
            + @"around )?(?<amount>\d[\d.,]*\s?(?:g|oz))(?: of)? each\)$",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex SameWeightEach();

    [GeneratedRegex(
        @"(?<amount>\d[\d.,/½¼¾]*\s?(?:level |heaped |rounded |scant )?(?:(?:g|ml|oz|tsp|tbsp)\b\.?|cups?|teaspoons?|"
            + @"tablespoons?))\s+each\s+(?:of\s+)?(?<names>[\p{L} -]+(?:, (?!an? |half |one "
            + @"|two )[\p{L} -]+)+(?:,? and [\p{L} -]+)?)(?=\s*,\s*(?:\d|an? |half |one |"
            + @"two )|\s*[.;]|\s*$)",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex EachInList();

    /// <summary>"40 g raisins soaked in 2 tbsp kirsch": what it is soaked in is a line of its own, and no remark.</summary>
    private static IEnumerable<string> SoakedIn(string line, IngredientKnowledge knowledge)
    {
        if (
            SoakedInWhat().Match(line) is not { Success: true } soaked
            || LineReader.Read(soaked.Groups["in"].Value, knowledge) is not { Ingredient: { Name: not "water" }, Amounts.Length: > 0 }
            || LineReader.Read(soaked.Groups["what"].Value, knowledge).Ingredient is null
        )
            return [line];
        return [$"{soaked.Groups["what"].Value}, soaked{soaked.Groups["rest"].Value}", soaked.Groups["in"].Value];
    }

    [GeneratedRegex(
        @"^(?<what>.+?),? (?:soaked|steeped|macerated) (?:overnight )?in (?<in>(?:\d|[½¼¾]|an? |one |two "
            + @"|three )[^,(]{3,40})(?<rest>[,(\s].*)?$",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex SoakedInWhat();

    private static IEnumerable<string> Fruit(string line)
    {
        var turned = FruitWords.InFront(line);
        var both = ZestAndJuice().Match(turned);
        if (both.Success)
            return
            [
                $"{both.Groups["one"].Value} of {both.Groups["rest"].Value}",
                $"{both.Groups["two"].Value} of {both.Groups["rest"].Value}",
            ];
        var two = ZestOfTwo().Match(turned);
        return two.Success
            ? [$"{two.Groups["what"].Value} {two.Groups["a"].Value}", $"{two.Groups["what"].Value} {two.Groups["b"].Value}"]
            : [line];
    }

    private static IEnumerable<string> Plus(string line, IngredientKnowledge knowledge)
    {
        // "egg 1 + 1 for glaze".
        if (CountPlus().Match(line) is { Success: true } counted && knowledge.Find(counted.Groups["name"].Value) is not null)
            return
            [
                $"{counted.Groups["a"].Value} {counted.Groups["name"].Value}",
                $"{counted.Groups["b"].Value} {counted.Groups["name"].Value}, {counted.Groups["use"].Value}",
            ];
        // "1 tbsp brown sugar (+ 1/4 c for the water)": more of the same for something else.
        if (
            MoreFor().Match(line) is { Success: true } more
            && LineReader.Read(line[..more.Index], knowledge) is { Ingredient: not null, Amounts.Length: > 0 } same
        )
            return
            [
                $"{line[..more.Index]}{line[(more.Index + more.Length)..]}".Trim(),
                $"{more.Groups["amount"].Value} {same.Name}, {more.Groups["use"].Value}",
            ];
        foreach (Match match in PlusAmount().Matches(line))
        {
            var (left, right) = (line[..match.Index].Trim(' ', ','), line[match.Groups["rest"].Index..].Trim());
            // "1 egg plus 1 white".
            if (left.Contains("egg", StringComparison.OrdinalIgnoreCase) && YolkOrWhite().Match(right) is { Success: true } part)
                right = $"{part.Groups["n"].Value} egg {part.Groups["what"].Value}{right[part.Length..]}";
            var (one, other) = (LineReader.Read(left, knowledge), LineReader.Read(right, knowledge));
            if (
                one.Ingredient is null
                || other.Ingredient is null
                || other.Amounts.Length == 0
                || (one.Amounts.Length == 0 && one.Ingredient == other.Ingredient)
            )
                continue;
            // "2 cups flour plus 2 tbsp flour" is a sum; "1 egg, plus 1 egg to glaze" is two.
            if (
                (one.Ingredient == other.Ingredient && other.Amounts[0].Amount.Unit != MeasureUnit.Piece)
                || (left.Count(c => c == '(') != left.Count(c => c == ')'))
            )
                continue;
            return [left, .. Split(right, knowledge)];
        }

        return [line];
    }

    [GeneratedRegex(
        @"\s*\(\s*(?:\+|plus)\s*(?<amount>(?:\d|[½¼¾⅓⅔])[\d\s/½¼¾⅓⅔.,]*\s*[a-z]{1,12}\.?)\s+(?<use>(?:for|to) [^)]{3,40})\)",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex MoreFor();

    [GeneratedRegex(
        @"^(?:salt (?:and|&) (?:black )?pepper|(?:coarse|flaky|sea|kosher|coarse sea|flaky sea) salt)$",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex SaltAndPepper();

    [GeneratedRegex(@"^\s*\d+(?:[.,]\d+)?\s?(?:cm|mm|inch(?:es)?|in\.?|""|x\b|to \d)", RegexOptions.IgnoreCase, 900)]
    private static partial Regex SizeOnly();

    [GeneratedRegex(
        @"^(?<a>[\p{L} -]{3,24}?) and (?<b>[\p{L} -]{3,24}?) (?<use>(?:to|for) \p{L}[\p{L} ]{2,24})$",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex TwoForUse();

    [GeneratedRegex(@"^(?:tablespoon|teaspoon|tbsp|tsp|cup|knob|handful|dessertspoon)(?: of)? \p{L}", RegexOptions.IgnoreCase, 900)]
    private static partial Regex OneSpoon();

    [GeneratedRegex(@"^(?:a little|some|a splash of|a dash of|a drop of|a bit of|enough) (?!more\b|extra\b)", RegexOptions.IgnoreCase, 900)]
    private static partial Regex Unmeasured();

    [GeneratedRegex(@"^(?<n>\d+|an?|one|two|three) (?:extra )?(?<what>whites?|yolks?)\b", RegexOptions.IgnoreCase, 900)]
    private static partial Regex YolkOrWhite();

    // "50 g almonds, half for the top" is one line.
    [GeneratedRegex(@"^(?:half|a third|a quarter|one|two) (?:of (?:it|them|this)|for the|for top)\b", RegexOptions.IgnoreCase, 900)]
    private static partial Regex ShareOfIt();

    [GeneratedRegex(@"^(?<name>\p{L}[\p{L} ]{2,20}) (?<a>\d{1,2}) ?\+ ?(?<b>\d{1,2}) (?<use>(?:for|to) .+)$", RegexOptions.IgnoreCase, 900)]
    private static partial Regex CountPlus();

    [GeneratedRegex(@"^(?:ice[- ]cold|iced|cold|warm|hot|boiling|lukewarm|tepid|hand-?hot) (?:water|milk)\b", RegexOptions.IgnoreCase, 900)]
    private static partial Regex ColdWater();

    // "flour 300 g": the amount stands behind.
    [GeneratedRegex(
        @"^\p{L}[\p{L}\s'’-]{1,40}\s(?:\d+(?:[.,/]\d+)?|[½¼¾])\s?(?:g|kg|ml|l|dl|oz|lb|tsp|tbsp|cups?)\b",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex Trailing();

    [GeneratedRegex(@"\s{3,}|\t+", RegexOptions.None, 900)]
    private static partial Regex Gap();

    [GeneratedRegex(
        @"^\s*(?:about |approx\.? |ca\.? |~)?(?:\d|[½¼¾⅓⅔⅛⅜⅝⅞]|(?:an?|one|two|three|four|five|six|seven|eight|nine|ten|half|pinch|dash|"
            + @"handful|some|few|heaped|juice|zest|rind|scant|good|splash|drizzle|knob|grated (?:zest|rind)|finely grated (?:zest|"
            + @"rind))\b)",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex Start();

    [GeneratedRegex(
        @"(?<![\d/.,(x×-])(?<!\d\s)(?<!(?:or|to|x|-|–|plus|\+)\s)(?:\d+\s+\d/\d|\d/\d|\d+(?:[.,]\d+)?\s?[½¼¾⅓⅔]?|[½¼¾⅓⅔⅛])\s?(?=[A-Za-z])",
        RegexOptions.None,
        900
    )]
    private static partial Regex AmountStart();

    [GeneratedRegex(@"(?:\b(?:zest|juice|rind)(?: of)?(?: and (?:zest|juice|rind))?)\s*$", RegexOptions.IgnoreCase, 900)]
    private static partial Regex ZestEnd();

    [GeneratedRegex(
        @"^(?<amount>\s*(?:\d|[½¼¾⅓⅔⅛]|an?\b|one\b|two\b)[\d\s/½¼¾⅓⅔⅛.]*\s*(?:tsps?\.?|teaspoons?|tbsps?\.?|tablespoons?|cups?|c\.|t\.|"
            + @"T\.|g|ml|oz|pinch|dash)?)\s*(?:of\s+)?each\s+(?:of\s+)?(?<before>ground |finely |grated )*(?<names>.+)$",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex EachOf();

    [GeneratedRegex(@"\s*(?:,|&|\band\b)\s*", RegexOptions.IgnoreCase, 900)]
    private static partial Regex And();

    [GeneratedRegex(
        @"^(?<head>(?:finely |freshly )?(?:grated )?)(?<one>(?:finely |freshly )?(?:grated )?(?:zest|rind|juice))\s*(?:and|&|"
            + @",)\s*(?<two>(?:the )?(?:zest|rind|juice))\s*(?:of|from)\s+(?<rest>.+)$",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex ZestAndJuice();

    [GeneratedRegex(
        @"^(?:the )?(?<what>(?:finely |freshly )?(?:grated )?(?:zest|rind|juice)(?: of)?)\s+(?<a>(?:\d|½|an?|one"
            + @"|half)[\w\s/½]*?(?:lemon|orange|"
            + @"lime)s?)\s*(?:and|&|,|\+)\s*(?<b>(?:\d|½|an?|one|half)[\w\s/½]*?(?:lemon|orange|lime)s?)\s*$",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex ZestOfTwo();

    [GeneratedRegex(
        @",?\s+(?:(?:plus|and|&|\+)\s+(?<rest>(?:\d|[½¼¾]|an?\s|one\s|two\s|three\s|(?:the )?(?:juice|zest|grated zest|rind) of).*)|"
            + @"with\s+(?<rest>(?:\d|[½¼¾]).*))$",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex PlusAmount();
}
