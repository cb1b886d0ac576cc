using System.Text.RegularExpressions;

namespace Zymethos.Core.Measures;

/// <summary>By which words a text shows where it comes from, and which words mean something else there. Weights of words are common
/// practice, no source.</summary>
public static partial class DialectWords
{
    /// <summary>The likeliest dialect of a recipe's text; <see cref="Dialect.American"/> when nothing shows.</summary>
    public static Dialect Of(string text)
    {
        var american = Count(American(), text);
        // Ounces are American beside cups; without them they are as often British.
        if (Count(Cups(), text) > 0)
            american += Count(Ounces(), text);
        var british = Count(British(), text);
        var cups = Count(Cups(), text);
        var grams = Count(Grams(), text);
        // Gas marks and pounds beside Celsius are British; cups beside caster sugar are Australian.
        if (cups > 0 && (british > american || Count(Southern(), text) > 0) && Count(Fahrenheit(), text) <= Count(Celsius(), text))
            return Count(Gas(), text) > 0 ? Dialect.British : Dialect.Australian;
        if (british > american)
            return Dialect.British;
        if (american > british && grams <= cups * 3)
            return Dialect.American;
        if (grams > 0 && cups == 0)
            return Count(Fahrenheit(), text) > Count(Celsius(), text) && american > 0 ? Dialect.American : Dialect.Metric;
        return Count(Gas(), text) > 0 ? Dialect.British : Dialect.American;
    }

    /// <summary>The name the table uses for what a word means in a dialect: corn flour is starch in Britain and milled maize in
    /// America.</summary>
    internal static string InTable(string name, Dialect dialect)
    {
        var key = name.Trim().ToLowerInvariant();
        return (key, dialect) switch
        {
            ("corn flour", Dialect.American) => "maize flour",
            ("whole yellow corn flour", _) => "maize flour",
            ("cream, double", _) => "double cream",
            ("golden raisins", _) => "sultanas",
            _ => name,
        };
    }

    private static int Count(Regex words, string text) => words.Count(text);

    [GeneratedRegex(
        @"\ball[- ]purpose|\bAP flour|\bconfectioners|\bpowdered sugar|\bcookie sheet|\bheavy cream|\bcornstarch|\bkosher|\bsticks? |"
            + @"\bmolasses|\bshortening|\bparchment|\bhalf[- ]and[- ]half|\bpans?\b|\bskillet|°\s?F\b|\d\s?F\b|degrees F|\bsalad oil|"
            + @"\bgraham|\bgranulated|\bgrease and flour|\binch\b|\bdozen|\bdoz\b",
        RegexOptions.IgnoreCase,
        500
    )]
    private static partial Regex American();

    [GeneratedRegex(@"\b\d\s?oz\b", RegexOptions.IgnoreCase, 900)]
    private static partial Regex Ounces();

    [GeneratedRegex(
        @"\bmixed peel|\bsuet\b|\bbasins?\b|\bstout\b|\brind\b|\btea ?towel|\bwhilst\b|\bflan\b|\bknob of|\bteacup|\bcaster|"
            + @"\bicing sugar|\bplain flour|\bself[- ]raising|\bSR flour|\bgas(?: mark)? ?[\d¼½]|\bbicarb|\btins?\b|\bsultanas|"
            + @"\bdouble cream|\btreacle|\bcling ?film|\bgreaseproof|\bprove\b|\bstrong (?:white |bread )?flour|\bdigestive|"
            + @"\bmuscovado|\bsoured cream|\bgolden syrup|\bfan\b|\bdessertspoon|\bbaking parchment|\bwholemeal|\bcourgette|"
            + @"\bcornflour|\bpudding|\bsandwich tin|\bmixed spice|\bglacé|\bmins\b|\bhob\b|\bwineglass|\bprovided|\bbiscuits?\b",
        RegexOptions.IgnoreCase,
        500
    )]
    private static partial Regex British();

    [GeneratedRegex(
        @"\bthickened cream|\bbicarb soda|\bSR flour|\bfan[- ]forced|\blamington|\bdesiccated coconut|\bpassionfruit|\bcaster sugar",
        RegexOptions.None,
        500
    )]
    private static partial Regex Southern();

    [GeneratedRegex(@"(?<!\d)(?:\d(?:\s?\d?/\d)?|[½¼¾⅓⅔])\s?(?:cups?\b|c\.|C\b)(?! ?fan)", RegexOptions.None, 900)]
    private static partial Regex Cups();

    [GeneratedRegex(@"\d\s?(?:g|kg|ml|dl|l|grams?)\b", RegexOptions.IgnoreCase, 900)]
    private static partial Regex Grams();

    [GeneratedRegex(@"\d{3}\s?(?:°|º|degrees?)?\s?F\b", RegexOptions.None, 900)]
    private static partial Regex Fahrenheit();

    [GeneratedRegex(@"\d{3}\s?(?:°|º|degrees?)?\s?C\b", RegexOptions.None, 900)]
    private static partial Regex Celsius();

    [GeneratedRegex(@"\bgas(?: mark)? ?[\d¼½]", RegexOptions.IgnoreCase, 900)]
    private static partial Regex Gas();
}
