using System.Globalization;
using System.Text.RegularExpressions;
using Zymethos.Interchange.Drafts;
using Zymethos.Interchange.Wording;

namespace Zymethos.Interchange.Texts.Method;

/// <summary>Sentences that say how long something keeps, and where. They are no work: they fill the recipe's keeping.</summary>
internal static partial class KeepingWords
{
    /// <summary>Days a freezer is taken to hold a bake when nobody says (common practice, no source); it is asked.</summary>
    public const int FreezerDays = 60;

    /// <summary>Stands for the step after which it is not yet iced or filled, where a sentence speaks of it so.</summary>
    public const string BeforeFinish = "!";

    /// <summary>Whether a sentence speaks of keeping and commands nothing else.</summary>
    public static bool Speaks(string low) => !Process().IsMatch(low) && (Speak().IsMatch(low) || BareTime().IsMatch(low));

    /// <summary>What a sentence says of keeping, and a question where it leaves something open.</summary>
    public static IReadOnlyList<KeepingDraft> In(string low)
    {
        low = ThenFridge().Replace(low, "");
        var found = new List<KeepingDraft>();
        var best = "";
        var end = 0;
        var phrases = TimePhrase.In(low).Where(p => p.High >= 1440).ToList();
        for (var i = 0; i < phrases.Count; i++)
        {
            var phrase = phrases[i];
            var before = low[end..phrase.Index];
            var after = low[
                (phrase.Index + phrase.Length)..(
                    i + 1 < phrases.Count ? Split(low, phrase.Index + phrase.Length, phrases[i + 1].Index) : low.Length
                )
            ];
            // "3 days, or freeze them": the freezer is another place.
            if (OrFreeze().Match(after) is { Success: true } other)
                after = after[..other.Index];
            end = phrase.Index + phrase.Length;
            var days = Math.Max(1, (int)Math.Round(phrase.High / 1440.0));
            if (BestAfter().IsMatch(before) || (AfterTime().IsMatch(before) && !KeepsBefore().IsMatch(before)))
            {
                best = Text(days);
                continue;
            }

            if (BeforeEating().IsMatch(after) || (Eats().IsMatch(before) && phrases.Count > 1))
                continue;
            found.Add(
                new KeepingDraft
                {
                    Place = PlaceOf($"{before} | {after}", low),
                    Days = Text(days),
                    Part = PartOf(low, phrase.Index),
                    After =
                        Bare().IsMatch(after) || (Bare().IsMatch(before) && !before.Contains(',', StringComparison.Ordinal))
                            ? BeforeFinish
                            : "",
                }
            );
        }

        if (NextDay().IsMatch(low))
            best = "1";
        if (SecondDay().IsMatch(low))
            best = "1";
        if (
            !found.Exists(k =>
                k.Place.StartsWith("counter", StringComparison.Ordinal)
                || (k.Place == "refrigerator" && k.Part.Length == 0 && k.Days == "1")
            ) && SameDay().IsMatch(low)
        )
            found.Insert(
                0,
                new KeepingDraft { Place = Fridge().IsMatch(low) || Cold().IsMatch(low) ? "refrigerator" : "counter", Days = "1" }
            );
        if (
            !found.Exists(k => k.Place.StartsWith("freezer", StringComparison.Ordinal))
            && Freezes().IsMatch(low)
            && !NotFreeze().IsMatch(low)
        )
            found.Add(
                new KeepingDraft
                {
                    Place = "freezer",
                    Days = Text(FreezerDays),
                    Part = PartOf(low, Freezes().Match(low).Index + 8),
                    After = "?",
                }
            );
        var counter = found.Find(k =>
            k.Place.StartsWith("counter", StringComparison.Ordinal) && int.Parse(k.Days, CultureInfo.InvariantCulture) > 1
        );
        if (best.Length > 0 && counter is not null)
            counter.BestFrom = best;
        // The same place twice: the longer time is the one that was meant last ("best on the day, fine for two").
        return [.. found.GroupBy(k => (k.Place, k.Part, k.After)).Select(g => g.Last())];
    }

    /// <summary>From which day it is at its best, where a sentence only says that; empty when it does not.</summary>
    public static string BestFrom(string low)
    {
        var match = BestOnly().Match(low);
        return match.Success && TimePhrase.In(low).FirstOrDefault(p => p.High >= 1440) is { } phrase
                ? Text(Math.Max(1, (int)Math.Round(phrase.High / 1440.0)))
            : match.Success || NextDay().IsMatch(low) ? "1"
            : "";
    }

    // "3 days, in the fridge after that": where it is put once they are over.
    [GeneratedRegex(@",? (?:then |and )?(?:keep )?in the (?:fridge|refrigerator) after (?:that|this|then)\b", RegexOptions.None, 900)]
    private static partial Regex ThenFridge();

    private static string Text(int value) => value.ToString(CultureInfo.InvariantCulture);

    private static int Split(string low, int from, int to)
    {
        var between = low[from..to];
        var or = Joint().Match(between);
        return or.Success ? from + or.Index : to;
    }

    private static string PlaceOf(string around, string low)
    {
        if (Freezer().IsMatch(around))
            return "freezer";
        // "at room temperature for 2-3 days or in the fridge up to 1 week".
        if (RoomWords().IsMatch(around) && !Fridge().IsMatch(around) && !Cold().IsMatch(low))
            return around.Contains("tin", StringComparison.Ordinal) ? "counter, in a tin" : "counter";
        // Raw dough and batter keep in the cold, wherever the place was said (egg and milk: USDA, from memory).
        if (PartOf(low) is "Batter" or "Dough" && !Freezer().IsMatch(low))
            return "refrigerator";
        if (Fridge().IsMatch(around) || (Fridge().IsMatch(low) && !Freezer().IsMatch(low)) || Cold().IsMatch(low))
            return "refrigerator";
        return around.Contains("tin", StringComparison.Ordinal) ? "counter, in a tin"
            : around.Contains("wrapped", StringComparison.Ordinal) ? "counter, wrapped"
            : "counter";
    }

    [GeneratedRegex(
        @"\b(?:at room temp|on the counter|on the worktop|in a (?:cake |biscuit |cookie )?tin\b|at ambient)",
        RegexOptions.None,
        900
    )]
    private static partial Regex RoomWords();

    // "keeps a week, dough freezes well": what is named behind is none of what was said before it.
    private static string PartOf(string low, int before = int.MaxValue)
    {
        var match = Part().Match(low);
        return match.Success && match.Index < before
            ? char.ToUpperInvariant(match.Groups["part"].Value[0]) + match.Groups["part"].Value[1..]
            : "";
    }

    [GeneratedRegex(
        @"(?:,\s*|\s)(?:or|and|but)\s(?:you can |they |it |can |also |be )*(?:freez|frozen)|[,;]\s*(?:\w+ )?freezes?\b",
        RegexOptions.None,
        900
    )]
    private static partial Regex OrFreeze();

    // Work that ends in days and is none of keeping: chilling with a least time, soaking, ripening, feeding.
    [GeneratedRegex(
        @"\b(?:soak(?!ed\b)|feed|mature|ripen|leave to|let (?:it|them)|overnight|at least \d+ (?:hours?|h)\b|chill (?:for|at|\d)|"
            + @"refrigerate (?:for )?(?:at least|\d+ ?(?:-|to|h)|overnight)|until (?:firm|set|doubled|needed))|\bkeep (?:it |"
            + @"them )?(?:for )?at least\b|\bonce a week\b|\b(?:keep|leave) (?:it |them |for |wrapped |in (?:a |the |"
            + @"its )?[\w ]{2,16}? for )*(?:at least )?(?:\d+|an?|one|two|three|four|five|six|seven) (?:days?|weeks?|"
            + @"months?) before (?:cutting|eating|slicing|serving|icing)\b(?! if)|\bbefore (?:eating|cutting) if\b",
        RegexOptions.None,
        900
    )]
    private static partial Regex Process();

    [GeneratedRegex(
        @"\b(?:keeps?|kept)\b(?! (?:an eye|in mind|stirring|beating|adding|warm|hot|the (?:oven|door|dough|rest)|going|it (?:moving|"
            + @"covered)|whisking|them apart|apart|some|aside|back|one|turning|folding))|\bwill last\b|\b(?:it|they) last\b|\blasts\b|"
            + @"\bstays? (?:soft|fresh|moist|crisp|crunchy|chewy|nice|lovely|good)|\bstored? (?:in|airtight|for|them|up|well|between|at"
            + @"|tightly|covered|wrapped"
            + @"|loosely|it)|\b(?:good|fine|lovely|ok|okay) (?:for|until|"
            + @"till) (?:up to )?(?:\d|an?\b|one|two|three|four|six)|^storage\b|\bairtight\b.*\d|\beat\b.*\bsame day\b|"
            + @"^eat (?:them |it )?today\b|\b(?:best|"
            + @"nicest) (?:hot |warm |cold |fresh |eaten )?(?:eaten|on (?:the )?day|the (?:same )?day|within|that day|fresh|when fresh)|"
            + @"\b(?:eat|eaten|serve|use|enjoy|best|nicest|good|lovely)\b[^.;]{0,30}\b(?:on )?the day (?:it|they|you|of (?:baking|"
            + @"making))\b|\b(?:eat|eaten|serve|use|enjoy|consume)[d]? (?:it |them )?(?:up )?(?:on|within|that|the|it on the|"
            + @"them on the)? ?(?:same day|that day|the day|day|the same day|\d+ days|two days|three days|2 days)|"
            + @"\bfreezes?\b(?! (?:for )?(?:\d+ ?(?:min|h)|until|\d+ to \d+ min))|\b(?:be|can be|may be) frozen\b|\bfrozen (?:for|"
            + @"up to)\b|\bbetter frozen\b|\bbest (?:the )?same day\b|\b(?:serve|eat|enjoy)[^.;]{0,40}\bsame day\b|"
            + @"\brefrigerate (?:for )?up to\b|\b(?:refrigerate|store|keep|chill) (?:any |the |all )?(?:left-?overs?|any|remaining)\b|"
            + @"\bmade (?:up to )?\w+ (?:days?|weeks?) ahead|\b(?:even )?better (?:the )?(?:next|second) day\b|\bbest after\b|"
            + @"\bwithin (?:two|2|three|3) days\b|\bchilled (?:for )?up to\b|\b(?:good|fine|happy|lovely) in (?:an? |"
            + @"the )?(?:airtight )?(?:tin|box|jar|tub|container|fridge|freezer)\b.*\d|\bat its best\b|\btastes? better\b",
        RegexOptions.None,
        900
    )]
    private static partial Regex Speak();

    [GeneratedRegex(
        @"^(?:covered|wrapped|chilled|fridge|refrigerator|freezer|freeze|counter)\b[^.;\d]{0,24}\d+(?:-\d+)? (?:days?|weeks?|wks?|"
            + @"months?|mos?)\b|^(?:(?:filled|frosted|iced|decorated|assembled|finished|baked|once \w+|"
            + @"when \w+),?:? )?(?:left-?overs? (?:keep )?)?(?:(?:in (?:the |a )?)?(?:fridge|refrigerator|freezer|airtight(?: \w+)?|tin"
            + @"|tub|jar|box|"
            + @"larder),? (?:for )?)?(?:up to |about )?(?:\d+|an?|one|two|three|four|six|a few|a couple of)(?: ?(?:-|"
            + @"to) ?\d+)? (?:days?|weeks?|wks?|months?)(?: or so)?(?: (?:in|at|wrapped|fridge|freezer|refrigerated|frozen)\b|\.?$)",
        RegexOptions.None,
        900
    )]
    private static partial Regex BareTime();

    [GeneratedRegex(@"\b(?:best|better|nicest|soft|ready)\b[^.;]{0,14}\b(?:after|from)\s+(?:about )?$", RegexOptions.None, 900)]
    private static partial Regex BestAfter();

    [GeneratedRegex(@"\bafter\s+(?:about )?$", RegexOptions.None, 900)]
    private static partial Regex AfterTime();

    [GeneratedRegex(@"\bkeep", RegexOptions.None, 900)]
    private static partial Regex KeepsBefore();

    [GeneratedRegex(@"^\s*before (?:eating|cutting|serving|you)", RegexOptions.None, 900)]
    private static partial Regex BeforeEating();

    [GeneratedRegex(@"\b(?:eat|eats|gone|go) (?:these|them|it|this) in\s*$", RegexOptions.None, 900)]
    private static partial Regex Eats();

    [GeneratedRegex(@"\b(?:better|best|tastes? better) (?:on )?(?:the )?next day\b|\bthe next day\b.*\bbetter\b", RegexOptions.None, 900)]
    private static partial Regex NextDay();

    [GeneratedRegex(@"\b(?:better|best) (?:on )?the second\b", RegexOptions.None, 900)]
    private static partial Regex SecondDay();

    [GeneratedRegex(
        @"\b(?:same day|eat (?:them |it )?today|on the day|that day|"
            + @"best on day|day (?:it is|they are|it's|they're|of) (?:made|baked|baking)|the day (?:it|they))\b",
        RegexOptions.None,
        900
    )]
    private static partial Regex SameDay();

    [GeneratedRegex(@"\bfreezes?\b|\bfrozen\b|\bfreezer\b", RegexOptions.None, 900)]
    private static partial Regex Freezes();

    [GeneratedRegex(
        @"\b(?:not|don't|do not|never) (?:\w+ )*(?:freez|frozen)|\bbest not\b|\bdo not put in the freezer\b|\bdon'?t freeze\b",
        RegexOptions.None,
        900
    )]
    private static partial Regex NotFreeze();

    [GeneratedRegex(@"\s(?:or|and|but|/)\s|[;,]", RegexOptions.None, 900)]
    private static partial Regex Joint();

    [GeneratedRegex(@"freez|frozen", RegexOptions.None, 900)]
    private static partial Regex Freezer();

    [GeneratedRegex(@"fridge|refrigerat|\bchilled\b", RegexOptions.None, 900)]
    private static partial Regex Fridge();

    [GeneratedRegex(@"\bkeep (?:it |them )?cold\b", RegexOptions.None, 900)]
    private static partial Regex Cold();

    [GeneratedRegex(
        @"\b(?:the |raw |unbaked )?(?<part>dough|sauce|icing|filling|glaze|syrup|frosting|curd|batter|buttercream|"
            + @"ganache)\b (?:also )?(?:keeps?|may|can|will|freezes)",
        RegexOptions.None,
        900
    )]
    private static partial Regex Part();

    [GeneratedRegex(
        @"\b(?:undecorated|un-?iced|un-?filled|un-?frosted|un-?glazed|undressed|unsoaked|untopped|unassembled|before (?:it is |"
            + @"they are )?(?:icing|iced|decorat\w+|filling|filled|frosting|glazing|assembl\w+)|without (?:the |its |their |"
            + @"any )?(?:topping|icing|filling|glaze|frosting|cream|decoration)s?)\b",
        RegexOptions.None,
        900
    )]
    private static partial Regex Bare();

    [GeneratedRegex(@"\b(?:best|better|nicest)\b[^.;]{0,20}\b(?:after|from|next day|second day)\b", RegexOptions.None, 900)]
    private static partial Regex BestOnly();
}
