using System.Text.RegularExpressions;
using Zymethos.Core.Measures;
using Zymethos.Interchange.Texts.Lines;
using Zymethos.Interchange.Texts.Sentences;

namespace Zymethos.Interchange.Texts.Method;

/// <summary>Lines that a recipe with a list tells only in its method: "drizzle with 50 g melted chocolate", "brush with beaten egg", "some
/// people add the zest of an orange".</summary>
internal static partial class UnlistedLines
{
    /// <summary>The lines, in the order of the sentences.</summary>
    /// <param name="paragraphs">The method as written.</param>
    /// <param name="listed">Lines of the list, as they were read.</param>
    /// <param name="hasGlaze">Whether a part of its own is there to brush or glaze with.</param>
    /// <param name="knowledge">What the kitchen knows.</param>
    public static IReadOnlyList<Unlisted> Of(
        IReadOnlyList<string> paragraphs,
        IReadOnlyList<ReadLine> listed,
        bool hasGlaze,
        IngredientKnowledge knowledge
    )
    {
        var have = listed
            .SelectMany(l =>
                l.Alternatives.Select(a => a.Ingredient?.Name)
                    .Append(l.Ingredient?.Name)
                    .Concat(l.Inside.Select(i => i.Name))
                    .Append(l.Name)
            )
            .OfType<string>()
            .Select(Noun)
            .ToHashSet(StringComparer.OrdinalIgnoreCase);
        var allergens = listed
            .SelectMany(l => l.Alternatives.Select(a => a.Ingredient).Append(l.Ingredient).Concat(l.Inside))
            .OfType<Ingredient>()
            .SelectMany(i => i.Allergens)
            .ToHashSet();
        // "Glaze with a little beaten egg" where all eggs of the list go into the dough: one more.
        var keptBack =
            hasGlaze
            || listed.Any(l => l.Ingredient?.Name.StartsWith("egg", StringComparison.Ordinal) == true && ForGlaze().IsMatch(l.Text))
            || paragraphs.Any(p => KeptBack().IsMatch(p));
        var found = new List<Unlisted>();
        foreach (var sentence in paragraphs.SelectMany(SentenceSplitter.Split).Where(s => !Served().IsMatch(s)))
        {
            var perhaps = LinesInMethod.IsPerhaps(sentence);
            // "balls the size of a walnut (about 15 g each)" holds no nut.
            var used = AsLargeAs().Replace(sentence, " ");
            foreach (var one in In(MethodReader.FeedsIn(used.ToLowerInvariant()) is null ? used : OftenEnd().Replace(used, ""), knowledge))
            {
                var text = FedInAll(one, sentence);
                var read = LineReader.Read(text, knowledge);
                // "2 tbsp of the syrup": of what a line of the list holds.
                if (
                    OfIt().Match(used) is { Success: true } ofIt
                    && used.Contains(text, StringComparison.OrdinalIgnoreCase)
                    && text.EndsWith(ofIt.Groups["what"].Value, StringComparison.OrdinalIgnoreCase)
                    && listed.Any(l => l.Text.Contains(ofIt.Groups["what"].Value, StringComparison.OrdinalIgnoreCase))
                )
                    continue;
                if (read.Ingredient is not { } known || known.Name == "water" || !read.Left.IsEmpty)
                    continue;
                // "1/2 tbsp curd in each" of a list with lemon curd is that curd.
                if (
                    !read.Name.Contains(' ', StringComparison.Ordinal)
                    && listed.Any(l => l.Name.EndsWith($" {read.Name}", StringComparison.OrdinalIgnoreCase))
                    && used.Contains(" each", StringComparison.OrdinalIgnoreCase)
                )
                    continue;
                // A measure or an offer makes a line; "the size of a walnut" and "a slice of apple in the tin" do not.
                var measured = read.Amounts.Any(a => a.Amount.Unit.Dimension is UnitDimension.Mass or UnitDimension.Volume);
                // "beat in 5 eggs", "the zest of a lemon": counted, and not in the list at all.
                measured |=
                    read.Amounts.Any(a => a.Amount.Unit.Dimension == UnitDimension.Count)
                    && Counted().IsMatch(known.Name)
                    && !have.Contains(Noun(known.Name))
                    && !SizeOf().IsMatch(used);
                // "royal icing made of 1 egg white and 200 g icing sugar": told with its amounts, and none of the dough's.
                var own = measured && MadeOf().IsMatch(sentence) && !listed.Any(l => l.Ingredient?.Name == known.Name);
                measured |= own;
                // Who must not have honey or spirit is told of it, however little it is.
                measured |=
                    (known.Traits & (IngredientTraits.Honey | IngredientTraits.Alcohol)) != IngredientTraits.None
                    && !have.Contains(Noun(known.Name))
                    && !perhaps;
                if (!measured && !text.EndsWith(Perhaps, StringComparison.Ordinal) && !text.EndsWith(Brush, StringComparison.Ordinal))
                    continue;
                // A spirit is fed beside what the fruit was soaked in; everything else that has a line already is that line.
                var fed =
                    known.Traits.HasFlag(IngredientTraits.Alcohol)
                    && Feeds().IsMatch(sentence)
                    && (text != one || !AgainAndAgain().IsMatch(sentence))
                    && !OfTheSame().IsMatch(sentence);
                // "peanut butter" is no butter: what brings an allergen that no line holds is a line of its own.
                var brings = known.Allergens.Any(allergens.Add);
                var extra = !keptBack && text == BeatenEgg;
                if (!have.Add(Noun(known.Name)) && !fed && !brings && !extra && !own)
                    continue;
                keptBack |= extra;
                found.Add(
                    new Unlisted(
                        perhaps && !text.EndsWith(Perhaps, StringComparison.Ordinal) ? text + Perhaps : text,
                        Finishes().IsMatch(sentence),
                        sentence
                    )
                );
            }
        }

        return found;
    }

    [GeneratedRegex(@"\bof the (?<what>[a-z]{4,20})\b", RegexOptions.IgnoreCase, 900)]
    private static partial Regex OfIt();

    [GeneratedRegex(
        @"\b(?:icing|glaze|frosting|syrup|paste|filling|topping|crumble?|streusel|buttercream|ganache)\b[^.;]{0,12}\b(?:made|mixed|from"
            + @"|of)\b"
            + @"[^.;]{0,12}\d",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex MadeOf();

    [GeneratedRegex(@"^(?:eggs?|egg yolks?|egg whites?|[a-z]+ (?:zest|juice))\b", RegexOptions.IgnoreCase, 900)]
    private static partial Regex Counted();

    [GeneratedRegex(@"\bsize of\b|\begg (?:box|cup|size)", RegexOptions.IgnoreCase, 900)]
    private static partial Regex SizeOf();

    [GeneratedRegex(
        @"\b(?:the )?size of an? (?:small |large )?(?:walnut|hazelnut|cherry|plum|apple|egg|almond|pea|marble)s?\b"
            + @"(?:\s*\([^)]{0,30}\)|, (?:about )?\d{1,3} ?g each)?",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex AsLargeAs();

    private const string Perhaps = ", optional";
    private const string Brush = ", for brushing";
    private const string BeatenEgg = "beaten egg, for brushing";

    [GeneratedRegex(@"\b(?:beaten|wash|glaz\w*|brush\w*|extra|finish|plus|lightly|whisked)\b", RegexOptions.IgnoreCase, 900)]
    private static partial Regex ForGlaze();

    [GeneratedRegex(
        @"\b(?:reserv\w*|remain\w*|rest of|left-?\s?over|left|sav(?:e|ing)|keep\w* back|hold\w* back|set aside|most of|"
            + @"some of)\b[^.;]{0,40}\begg|\begg\b[^.;]{0,30}\b(?:aside|reserved?|left|for (?:later|brushing|glazing))\b",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex KeptBack();

    private static IEnumerable<string> In(string sentence, IngredientKnowledge knowledge)
    {
        if (MayAdd().Match(sentence) is { Success: true } may)
        {
            foreach (var what in Or().Split(may.Groups["what"].Value.Trim().TrimEnd('.', '!')))
            {
                if (what.Length is > 2 and < 60 && LineReader.Read(what, knowledge) is { Ingredient: not null, Left.IsEmpty: true })
                    yield return $"{Article().Replace(what, "")}{Perhaps}";
            }

            yield break;
        }

        foreach (var line in LinesInMethod.LinesOf(sentence, knowledge))
            yield return line;
        if (Brushed().Match(sentence) is { Success: true } brushed)
            yield return $"{brushed.Groups["what"].Value.ToLowerInvariant()}{Brush}";
    }

    /// <summary>What is fed once a week, in all: "1 tbsp rum" in four waits is three spoons, since the last week it is left alone. The line
    /// as it is where nothing is fed again.</summary>
    private static string FedInAll(string line, string sentence)
    {
        if (MethodReader.FeedsIn(sentence.ToLowerInvariant()) is not { } fed || Leading().Match(line) is not { Success: true } amount)
            return line;
        var times = Math.Max(1, fed.Feeds - 1);
        return times == 1
            ? line
            : $"{int.Parse(amount.Groups["n"].Value, System.Globalization.CultureInfo.InvariantCulture) * times}"
                + $"{line[amount.Groups["n"].Length..]}, for feeding in all";
    }

    [GeneratedRegex(
        @"\s+(?:once a|every|each|weekly|for (?:\d|two|three|four|five|six|eight))\b.*$",
        RegexOptions.IgnoreCase | RegexOptions.Singleline,
        900
    )]
    private static partial Regex OftenEnd();

    [GeneratedRegex(@"^(?<n>\d{1,3}) ?(?:tbsp|tablespoons?|tsp|teaspoons?|ml|g|cl)\b", RegexOptions.IgnoreCase, 900)]
    private static partial Regex Leading();

    // "caster sugar" and "sugar", "beaten egg" and "egg yolk" are the same to somebody who reads on.
    private static string Noun(string name) =>
        name.StartsWith("egg", StringComparison.OrdinalIgnoreCase) || name.StartsWith("yolk", StringComparison.OrdinalIgnoreCase) ? "egg"
        : FruitPart().IsMatch(name) ? name.ToLowerInvariant()
        : LineWords.Noun(name);

    // The zest of an orange is not that of a lemon.
    [GeneratedRegex(@" (?:zest|juice|rind)$", RegexOptions.IgnoreCase, 900)]
    private static partial Regex FruitPart();

    [GeneratedRegex(@"^\W*(?:serve|enjoy|eat|delicious|nice|good|lovely|goes well|great) ", RegexOptions.IgnoreCase, 900)]
    private static partial Regex Served();

    [GeneratedRegex(
        @"\b(?:some (?:people|bakers|folk|families)|others|you (?:can|could|may|might)(?: also)?|i sometimes|we sometimes|"
            + @"my \w+ (?:also )?)\s*(?:like to )?adds? (?<what>(?!a (?:bit|little|touch) (?:more|extra)|more|extra)[^.;!]{3,110})",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex MayAdd();

    [GeneratedRegex(@",?\s+\bor\b\s+|,\s+|\s+and\s+", RegexOptions.IgnoreCase, 900)]
    private static partial Regex Or();

    [GeneratedRegex(@"^(?:the|some) ", RegexOptions.IgnoreCase, 900)]
    private static partial Regex Article();

    [GeneratedRegex(
        @"\b(?:brush|brushed|glaze|paint)\b[^.;,]{0,40}?\bwith (?:a little |some |the )?(?<what>(?:(?:lightly )?(?:beaten|"
            + @"whisked) )?(?:whole )?(?:egg yolk|egg white|eggs?|milk|cream|melted butter|(?:warm |runny |clear )?honey|(?:dark "
            + @"|spiced )?rum|brandy|whisky|sherry))\b(?! (?:wash|butter))",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex Brushed();

    [GeneratedRegex(
        @"\b(?:feed|fed|spoon|pour|drizzle|sprinkle|brush|trickle)\b[^.;]{0,50}\b(?:over|with|on)\b",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex Feeds();

    // What is fed week after week is no single amount.
    [GeneratedRegex(@"\b(?:every|weekly|once a|each (?:week|day)|fortnight)\b", RegexOptions.IgnoreCase, 900)]
    private static partial Regex AgainAndAgain();

    [GeneratedRegex(@"\b(?:remaining|rest of|reserved|other|left-?over|of the)\b", RegexOptions.IgnoreCase, 900)]
    private static partial Regex OfTheSame();

    [GeneratedRegex(
        @"\b(?:drizzle|brush|glaze|dust|sprinkle|scatter|spoon|pour|feed|spread|ice|top|dip|pipe|decorate|finish|roll)\w*\b",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex Finishes();
}

/// <summary>A line that only the method tells.</summary>
/// <param name="Text">The line, as it would stand in a list.</param>
/// <param name="IsFinish">Whether it goes onto what is baked, and not into it.</param>
/// <param name="Sentence">Where it is told.</param>
internal sealed record Unlisted(string Text, bool IsFinish, string Sentence);
