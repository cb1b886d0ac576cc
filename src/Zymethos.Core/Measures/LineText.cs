using System.Text.RegularExpressions;

namespace Zymethos.Core.Measures;

/// <summary>Brings the many ways of typing a line to one: fractions, dashes, decimal commas, glued units, split words.</summary>
internal static partial class LineText
{
    private static readonly (char Sign, string Text)[] Fractions =
    [
        ('¼', "1/4"),
        ('½', "1/2"),
        ('¾', "3/4"),
        ('⅐', "1/7"),
        ('⅑', "1/9"),
        ('⅒', "1/10"),
        ('⅓', "1/3"),
        ('⅔', "2/3"),
        ('⅕', "1/5"),
        ('⅖', "2/5"),
        ('⅗', "3/5"),
        ('⅘', "4/5"),
        ('⅙', "1/6"),
        ('⅚', "5/6"),
        ('⅛', "1/8"),
        ('⅜', "3/8"),
        ('⅝', "5/8"),
        ('⅞', "7/8"),
    ];

    /// <summary>The line in plain form. Letters keep their case; no word is lost.</summary>
    public static string Plain(string line)
    {
        var text = line.Replace('\u00A0', ' ')
            .Replace('\t', ' ')
            .Replace('⁄', '/')
            .Replace('’', '\'')
            .Replace("×", " x ", StringComparison.Ordinal);
        foreach (var (sign, fraction) in Fractions)
            text = text.Replace(sign.ToString(), $" {fraction} ", StringComparison.Ordinal);
        text = Bullet().Replace(text, "");
        text = LongDash().Replace(text, "-");
        text = Thousands().Replace(text, "${a}${b}");
        text = DottedThousands().Replace(text, "${a}${b}");
        text = DecimalComma().Replace(text, "${a}.${b}");
        text = FluidOunce().Replace(text, "floz");
        text = SplitSpoon().Replace(text, "${which}spoon${rest}");
        text = SlippedForm().Replace(text, m => Slips[m.Value.ToLowerInvariant()]);
        text = Approximately().Replace(text, " ");
        text = HyphenedMixed().Replace(text, "${a} ${b}");
        text = SlashedMeasures().Replace(text, " / ");
        text = Glued().Replace(text, "${a} ${b}");
        text = HyphenUnit().Replace(text, "${a} ${b}");
        text = Range().Replace(text, " - ");
        text = Marks().Replace(text, " ${a} ");
        text = FreshOrFrozen().Replace(text, "${what}, ${states}");
        text = Spaces().Replace(text, " ").Trim();
        return LastDot().Replace(text, "");
    }

    /// <summary>A word of a line that was misspelt, and what it was taken for; null when there is none. Short forms ("lg") are
    /// none.</summary>
    public static (string Wrong, string Right)? Slip(string line)
    {
        foreach (Match match in SlippedForm().Matches(line))
        {
            if (match.Length > 2 && !ShortForms.Contains(match.Value.ToLowerInvariant()))
                return (match.Value, Slips[match.Value.ToLowerInvariant()]);
        }

        return null;
    }

    private static readonly HashSet<string> ShortForms =
    [
        "lg",
        "lge",
        "med",
        "chopd",
        "choped",
        "chpd",
        "meltd",
        "softend",
        "gratd",
        "slicd",
        "pckd",
        "siftd",
        "grnd",
    ];

    [GeneratedRegex(@"^\s*(?:[-*•·▢□☐–—]\s+|[•·▢□☐]\s*|\[\s?\]\s*)", RegexOptions.None, 900)]
    private static partial Regex Bullet();

    [GeneratedRegex(@"[‐‑‒–—−]", RegexOptions.None, 900)]
    private static partial Regex LongDash();

    // "fresh or frozen blueberries" are blueberries either way.
    [GeneratedRegex(
        @"\b(?<states>(?:fresh|frozen|thawed|tinned|canned|bottled),? (?:or|and/or|/) (?:fresh|frozen|thawed|defrosted|tinned|canned|"
            + @"bottled)) (?<what>[\p{L}][\p{L} '-]{2,40}?)(?=\s*(?:[,(;]|$))",
        RegexOptions.IgnoreCase,
        500
    )]
    private static partial Regex FreshOrFrozen();

    // 1,000 g: a comma before exactly three digits parts thousands.
    [GeneratedRegex(@"(?<![\d.,])(?<a>\d{1,3}),(?<b>\d{3})(?![\d])", RegexOptions.None, 900)]
    private static partial Regex Thousands();

    // 1.000 g: nobody weighs to the milligram, so the dot parts thousands.
    [GeneratedRegex(@"(?<![\d.,])(?<a>[1-9]\d{0,2})\.(?<b>000|500|250|200)(?=\s?(?:g|ml|gr)\b)", RegexOptions.None, 900)]
    private static partial Regex DottedThousands();

    [GeneratedRegex(@"(?<a>\d),(?<b>\d{1,2})(?!\d)", RegexOptions.None, 900)]
    private static partial Regex DecimalComma();

    [GeneratedRegex(@"\bfl(?:uid|\.)?\s?-?(?:oz|ounce)s?\b\.?", RegexOptions.IgnoreCase, 900)]
    private static partial Regex FluidOunce();

    [GeneratedRegex(@"\b(?<which>table|tea)[\s-]spoon(?<rest>s|fuls?)?\b", RegexOptions.IgnoreCase, 900)]
    private static partial Regex SplitSpoon();

    // Slips and short forms that can mean nothing else.
    private static readonly Dictionary<string, string> Slips = new(StringComparer.Ordinal)
    {
        ["lg"] = "large",
        ["lge"] = "large",
        ["med"] = "medium",
        ["chopd"] = "chopped",
        ["choped"] = "chopped",
        ["chpd"] = "chopped",
        ["meltd"] = "melted",
        ["softend"] = "softened",
        ["gratd"] = "grated",
        ["slicd"] = "sliced",
        ["pckd"] = "packed",
        ["siftd"] = "sifted",
        ["grnd"] = "ground",
        ["egs"] = "eggs",
        ["egss"] = "eggs",
        ["eegs"] = "eggs",
        ["suger"] = "sugar",
        ["suagr"] = "sugar",
        ["shugar"] = "sugar",
        ["buter"] = "butter",
        ["btter"] = "butter",
        ["flower"] = "flour",
        ["flur"] = "flour",
        ["corse"] = "coarse",
        ["lite"] = "light",
        ["iceing"] = "icing",
        ["raisng"] = "raising",
        ["rasing"] = "raising",
        ["cofee"] = "coffee",
        ["coffe"] = "coffee",
        ["choclate"] = "chocolate",
        ["chocolte"] = "chocolate",
        ["chocalate"] = "chocolate",
        ["vanila"] = "vanilla",
        ["vannila"] = "vanilla",
        ["cinamon"] = "cinnamon",
        ["cinammon"] = "cinnamon",
        ["cinnamom"] = "cinnamon",
        ["almods"] = "almonds",
        ["alomnds"] = "almonds",
        ["hazlenuts"] = "hazelnuts",
        ["hazlenut"] = "hazelnut",
        ["wallnuts"] = "walnuts",
        ["walnutts"] = "walnuts",
        ["pistacios"] = "pistachios",
        ["pistachoes"] = "pistachios",
        ["penuts"] = "peanuts",
        ["cardamon"] = "cardamom",
        ["dessicated"] = "desiccated",
        ["desicated"] = "desiccated",
        ["disolved"] = "dissolved",
        ["powdr"] = "powder",
        ["pwder"] = "powder",
        ["yoghourt"] = "yoghurt",
        ["yoghart"] = "yoghurt",
        ["rasins"] = "raisins",
        ["raisens"] = "raisins",
        ["sultannas"] = "sultanas",
        ["sultana's"] = "sultanas",
        ["marzapan"] = "marzipan",
        ["zuchini"] = "zucchini",
        ["lemmon"] = "lemon",
        ["milc"] = "milk",
        ["yest"] = "yeast",
        ["yeats"] = "yeast",
        ["honney"] = "honey",
        ["molases"] = "molasses",
    };

    [GeneratedRegex(
        @"\b(?:lg|lge|med(?=\s)|chopd|choped|chpd|meltd|softend|gratd|slicd|pckd|siftd|grnd|egs|egss|eegs|suger|suagr|shugar|buter|"
            + @"btter|flur|raisng|rasing|cofee|coffe|choclate|chocolte|chocalate|vanila|vannila|cinamon|cinammon|cinnamom|almods|"
            + @"alomnds|hazlenuts|hazlenut|wallnuts|walnutts|pistacios|pistachoes|penuts|cardamon|dessicated|desicated|disolved|powdr|"
            + @"pwder|yoghourt|yoghart|rasins|raisens|sultannas|sultana's|marzapan|zuchini|lemmon|milc|yest|yeats|honney|molases|"
            + @"(?<=(?:plain|raising|bread|white|strong|purpose|cake|rice|corn|almond|wholemeal|rye) )flower|(?<=\d ?(?:cups?|c\.?|g|"
            + @"kg|oz|lbs?|tbsp) (?:of )?)flower(?! water)|lite(?= (?:brown|soft|muscovado))|iceing|corse)\b",
        RegexOptions.IgnoreCase,
        500
    )]
    private static partial Regex SlippedForm();

    [GeneratedRegex(@"(?:~|≈)", RegexOptions.None, 900)]
    private static partial Regex Approximately();

    // 1-1/2 cups is one and a half, not one to a half.
    [GeneratedRegex(@"(?<![\d/])(?<a>\d+)-(?<b>\d+/\d+)", RegexOptions.None, 900)]
    private static partial Regex HyphenedMixed();

    // 1 cup/240 ml
    [GeneratedRegex(@"(?<=[A-Za-z.])\s?/\s?(?=\d)", RegexOptions.None, 900)]
    private static partial Regex SlashedMeasures();

    [GeneratedRegex(@"(?<a>\d)(?<b>[A-Za-zµ%])", RegexOptions.None, 900)]
    private static partial Regex Glued();

    // 14-oz, 1-pound: the hyphen ties number and unit.
    [GeneratedRegex(@"(?<a>\d)-(?<b>[A-Za-z])", RegexOptions.None, 900)]
    private static partial Regex HyphenUnit();

    [GeneratedRegex(@"(?<=\d)\s*-\s*(?=\d)", RegexOptions.None, 900)]
    private static partial Regex Range();

    [GeneratedRegex(@"(?<a>[(),;:+=\[\]])", RegexOptions.None, 900)]
    private static partial Regex Marks();

    [GeneratedRegex(@"\s+", RegexOptions.None, 900)]
    private static partial Regex Spaces();

    // A full stop after the last word is no part of it.
    [GeneratedRegex(@"(?<=[a-z\)]{2})\s?\.$", RegexOptions.None, 900)]
    private static partial Regex LastDot();
}
