namespace Zymethos.Interchange.Wording;

/// <summary>Which words of a method are work: verbs as a recipe commands them.</summary>
internal static class VerbWords
{
    private static readonly HashSet<string> Plain = Set(
        "add beat whisk stir fold sift sieve knead mix combine blend blitz pulse pour scrape tip turn roll shape form divide cut "
            + "slice chop bake cool chill refrigerate freeze thaw defrost let leave allow remove transfer place put set lay arrange press "
            + "pat push "
            + "spread sprinkle scatter strew brush drizzle dip dust coat dredge glaze ice frost fill cover wrap grease preheat heat "
            + "warm melt boil simmer bring cook soften dissolve soak steep drain rinse squeeze toss crush bash mash crumble rub "
            + "work gather knock punch stretch "
            + "plait braid twist tuck pinch seal crimp prick pierce score slash snip stamp pipe spoon scoop drop dollop ladle lift "
            + "unmould unmold invert loosen peel trim stick sandwich stack assemble decorate finish garnish return reduce lower "
            + "raise increase rotate swap switch "
            + "weigh measure scale reserve save discard separate crack whip cream toast roast grill swirl marble smooth level flatten "
            + "feed refresh laminate proof prove scald strain infuse tie hang dry draw make prepare begin start take get pop "
            + "slide shake continue repeat mark thin "
            + "do perform give dimple space nudge poke dump chuck bung whizz whack plonk nestle smear dab slather ease wipe mound dot "
            + "encase enclose massage repack rewrap gather drape bash thread "
            + "ferment mature unroll flip moisten dampen oil season stuff unwrap serve store keep eat enjoy rest stand break tear "
            + "grate grind zest juice core halve quarter deflate degas turnout pile heap top line butter flour split soak rub-in "
            + "bury crumb pack skim uncover tent "
            + "process move preshape pre-shape autolyse interleave wiggle slacken tilt jiggle fasten secure crease scrunch twirl "
            + "flute dock par-bake parbake prebake pre-bake whirl liquidise liquidize puree purée emulsify incorporate shred "
            + "smother daub paint outline flood release unclip unfold refold lighten dilute join attach lean prop agitate "
            + "fluff macerate marinate "
            + "trace mist spritz overlap alternate stud thump rap bang tamp coil curl bend sieve sprinkle trim nick wash blot "
            + "open close switch wait try use insert hollow bury brown caramelise caramelize temper churn bulk steam sweat tap test check "
            + "dunk submerge scald roll-out lower transfer-to fry deep-fry pit stone hull blanch skin pass push pull fit "
            + "change bind heap hold steep lightly-beat colour color tint cube dice gently lightly quickly"
    );

    // Nouns as often as verbs: work only where the next word is what such a verb takes.
    private static readonly HashSet<string> Ambiguous = Set(
        "butter flour cream ice dust top line roll cut cover cook rest mix beat spread form shape drop glaze frost heat warm cool oil "
            + "set place slice finish measure score drain test seal dry open close whip scale pinch level proof smooth coat bulk stand "
            + "season core pipe mark dip "
            + "peel toast turn thin crumb stone skin pass fit juice zest grind top use keep return pack fill chill roast grill pit "
            + "steam brown colour color marble cube dice scoop stack work start press swirl split quarter halve stick check "
            + "gently lightly quickly store save feed draw tie form feed dust turn freeze"
    );

    private static readonly HashSet<string> Takes = Set(
        "the a an it them this these those that all each both your one two three four half some most any every in into on onto with "
            + "over out up down off aside until till til for to together well again gently lightly by at as evenly thinly from through "
            + "around round back "
            + "dough buns bun cake cakes balls loaf loaves pieces slowly quickly firmly completely overnight egg eggs sugar butter "
            + "flour batter cookies biscuits rolls tops pan tin tins pans trays sheets oven milk yeast water fruit nuts chocolate "
            + "syrup mixture dry wet everything between and if when while before after very still hot warm cold "
            + "almonds hazelnuts walnuts cream rum raisins cases bagels apples berries dates figs fig peel rope ropes strips circles "
            + "stars rounds shapes squares bars logs edges sides top bottom any more remaining rest other another brush both just "
            + "so then immediately slightly thoroughly halfway half-way under across inside upside only not at about "
            + "ingredients layers tart pastry flat"
    );

    // Ingredients before they are verbs: in the middle of a sentence they need an object.
    private static readonly HashSet<string> NounFirst = Set(
        "butter flour cream ice oil juice zest peel crumb season core pit skin stone colour color sugar water toast"
    );

    private static readonly HashSet<string> Adverbs = Set(
        "gently lightly quickly carefully slowly gradually finally now next immediately firmly briefly roughly generously evenly "
            + "loosely thinly thoroughly just first last alternately simply continue also once again meanwhile well"
    );

    // "baking sheet", "cooling rack", "cream cheese", "a pinch of": these words name a thing.
    private static readonly HashSet<string> ThingVerbs = Set(
        "bake cool cream roast mix top set place rest heat form slice drop pinch roll toast"
    );
    private static readonly HashSet<string> Things = Set(
        "powder soda sheet sheets tray trays tin pan rack racks parchment paper dish cheese knife pin board crackers of"
    );

    /// <summary>Whether a word is a verb of work where the next word stands behind it.</summary>
    /// <param name="word">The word, in lower case, without marks.</param>
    /// <param name="next">The next word, or null at the end.</param>
    /// <param name="isFirst">Whether it stands first in its sentence, where a recipe commands.</param>
    public static bool IsWork(string word, string? next, bool isFirst)
    {
        if (word.EndsWith("-up", StringComparison.Ordinal))
            return false;
        // "re-mark", "re-roll": the same work again.
        if (word.StartsWith("re-", StringComparison.Ordinal) && !Plain.Contains(word))
            word = word[3..];
        if (word == "rise")
            return next is "for" or "until" or "till" or "again" or "covered" or "another" or "about" or "in" or "overnight"
                || (next is { Length: > 0 } && (char.IsAsciiDigit(next[0]) || next[0] is '½' or '¾'));
        if (word == "fridge")
            return next is "overnight" or "for" || (next is { Length: > 0 } && char.IsAsciiDigit(next[0]));
        if (word == "blind")
            return next is "bake";
        if (!Plain.Contains(word))
            return false;
        if (IsAdverb(word))
            return false;
        if (next is not null && Things.Contains(next) && ThingVerbs.Contains(word))
            return false;
        if (!isFirst && NounFirst.Contains(word))
            return next is "the" or "a" or "an" or "it" or "them" or "your" or "each" or "two" or "both"
                || (word is "cream" && next is "together")
                || (word is "ice" && next is "with");
        if (!Ambiguous.Contains(word))
            return true;
        if (isFirst)
            return next is null
                || !(
                    next
                    is "is"
                        or "are"
                        or "was"
                        or "will"
                        or "should"
                        or "must"
                        or "can"
                        or "may"
                        or "has"
                        or "have"
                        or "does"
                        or "keeps"
                        or "freezes"
                );
        return next is null
            ? word
                is "chill"
                    or "cool"
                    or "bake"
                    or "drain"
                    or "freeze"
                    or "serve"
                    or "dry"
                    or "rest"
                    or "cover"
                    or "glaze"
                    or "frost"
                    or "dust"
            : Takes.Contains(next)
                || (word is "turn" or "toss" or "roll" or "dip" && IsAdverb(next))
                || char.IsAsciiDigit(next[0])
                || next[0] is '½' or '¼' or '¾';
    }

    /// <summary>Whether a word only says how ("gently").</summary>
    public static bool IsAdverb(string word) =>
        Adverbs.Contains(word) || (word.Length > 4 && word.EndsWith("ly", StringComparison.Ordinal));

    private static HashSet<string> Set(string words) => [.. words.Split(' ')];
}
