using System.Globalization;
using System.Text.RegularExpressions;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;

namespace Zymethos.Interchange.Wording;

/// <summary>A pan that a text means.</summary>
/// <param name="Pan">The nearest of the cupboard, or one of the written size.</param>
/// <param name="Count">How many of them, at least 1.</param>
/// <param name="IsSized">Whether the text gives its size; without one, the size is a guess.</param>
internal sealed record MeantPan(Pan Pan, int Count, bool IsSized);

/// <summary>Which pan of a cupboard a text means.</summary>
internal static partial class PanWords
{
    // How far a pan of the cupboard may be off the written size and still be the one, in millimetres a side.
    private const double Near = 9;

    /// <summary>The nearest pan of the kind that is named; null when none is named.</summary>
    /// <param name="low">The text in lower case.</param>
    /// <param name="pans">Pans to choose from.</param>
    public static Pan? Find(string low, IReadOnlyList<Pan> pans) => In(low, pans)?.Pan;

    /// <summary>The pan a text means, and how many; null when it names none.</summary>
    internal static MeantPan? In(string low, IReadOnlyList<Pan> pans)
    {
        low = low.Replace('×', 'x').Replace("”", "\"", StringComparison.Ordinal).Replace("″", "\"", StringComparison.Ordinal);
        // "two 20cm (8in) deep round tins": the bracket says the size again.
        if (Brackets().Replace(low, " ") is var bare && bare.Length < low.Length && Sizes().IsMatch(bare) && ShapesIn(bare).Length > 0)
            low = bare;
        var count = CountIn(low);
        low = CountBySize().Replace(low, "");
        if (SmallIn(low) is { } small)
            return new MeantPan(
                pans.FirstOrDefault(p => p.Name.StartsWith(small.Name.Split(' ')[0], StringComparison.OrdinalIgnoreCase)) ?? small,
                SmallCount(low),
                true
            );
        if (ShapesIn(low) is not { Length: > 0 } shapes)
            return null;
        var candidates = pans.Where(p => shapes.Contains(p.Shape)).ToList();
        if (shapes[0] == PanShape.Muffin)
        {
            var cups = Cups().Match(low);
            var tins = candidates
                .Where(p => !cups.Success || p.Cups == int.Parse(cups.Groups["n"].Value, CultureInfo.InvariantCulture))
                .ToList();
            return new MeantPan(
                tins.Count > 0 ? tins[0]
                    : candidates.Count > 0 ? candidates[0]
                    : Made(PanShape.Muffin, 350, 270),
                count,
                cups.Success
            );
        }

        if (Pounds().Match(low) is { Success: true } pounds && shapes[0] == PanShape.Loaf)
        {
            // A two-pound tin is the large loaf pan, a one-pound tin the small one (common practice, no source).
            var large = pounds.Groups["lb"].Success
                ? pounds.Groups["lb"].Value is not ("1" or "one")
                : pounds.Groups["g"].Value is not ("450" or "500");
            var loaf = large ? candidates.MaxBy(p => p.Length.Millimetres) : candidates.MinBy(p => Math.Abs(p.Length.Millimetres - 150));
            return new MeantPan(loaf ?? Made(PanShape.Loaf, large ? 230 : 150, large ? 130 : 80), count, true);
        }

        if (SizeIn(low, shapes[0]) is not { } wanted)
        {
            var usual =
                candidates.Find(p => shapes[0] != PanShape.Rectangle || !Oblong().IsMatch(low) || p.Length != p.Width)
                ?? candidates.FirstOrDefault();
            return new MeantPan(usual ?? Made(shapes[0], 230, shapes[0] is PanShape.Tray ? 330 : 230), count, shapes[0] == PanShape.Tray);
        }

        // A pan of 9 by 5 inches is that of a loaf, whether it is called so or not.
        if (shapes[0] == PanShape.Rectangle && wanted is { Length: >= 190 and <= 245, Width: >= 95 and <= 140 })
        {
            shapes = [PanShape.Loaf];
            candidates = [.. pans.Where(p => p.Shape == PanShape.Loaf)];
        }

        var near = candidates
            .Where(p => Math.Abs(p.Length.Millimetres - wanted.Length) <= Near && Math.Abs(p.Width.Millimetres - wanted.Width) <= Near)
            .MinBy(p => Math.Abs(p.Length.Millimetres - wanted.Length) + Math.Abs(p.Width.Millimetres - wanted.Width));
        return new MeantPan(near ?? Made(shapes[0], wanted.Length, wanted.Width), count, true);
    }

    /// <summary>The pan a bake of that name is usually made in; null when the name does not tell.</summary>
    internal static Pan? Usual(string title, IReadOnlyList<Pan> pans)
    {
        PanShape? shape = title switch
        {
            _ when title.Contains("muffin", StringComparison.Ordinal) || title.Contains("cupcake", StringComparison.Ordinal) =>
                PanShape.Muffin,
            _ when title.Contains("loaf", StringComparison.Ordinal)
                    || title.Contains("banana bread", StringComparison.Ordinal)
                    || title.Contains("tea bread", StringComparison.Ordinal) => PanShape.Loaf,
            _ when title.Contains("bars", StringComparison.Ordinal)
                    || title.Contains("squares", StringComparison.Ordinal)
                    || title.Contains("traybake", StringComparison.Ordinal)
                    || title.Contains("pudding", StringComparison.Ordinal) => PanShape.Rectangle,
            _ when title.Contains("cake", StringComparison.Ordinal)
                    || title.Contains("torte", StringComparison.Ordinal)
                    || title.Contains("pie", StringComparison.Ordinal)
                    || title.Contains("tart", StringComparison.Ordinal) => PanShape.Round,
            _ => null,
        };
        return shape is { } found ? pans.FirstOrDefault(p => p.Shape == found) : null;
    }

    /// <summary>A pan as its name describes it ("springform 24 cm", "tray 40 × 30 cm", "12 inch log tin"); null when the name gives no
    /// size.</summary>
    public static Pan? Named(string name)
    {
        var low = name.ToLowerInvariant().Replace('×', 'x');
        if (SmallIn(low) is { } small)
            return small with { Name = name };
        var shapes = ShapesIn(low);
        var shape = shapes.Length > 0 ? shapes[0] : PanShape.Tray;
        return SizeIn(low, shape) is { } size && size.Length is >= 40 and <= 700 && size.Width >= 40
            ? Made(shape, size.Length, size.Width) with
            {
                Name = name,
            }
            : null;
    }

    /// <summary>A small dish for one, by its usual size where none is told: 9 cm (common practice, no source); null when none is
    /// named.</summary>
    private static Pan? SmallIn(string low)
    {
        if (Small().Match(low) is not { Success: true } small)
            return null;
        var word = small.Groups["what"].Value;
        var across = small.Groups["cm"].Success ? int.Parse(small.Groups["cm"].Value, CultureInfo.InvariantCulture) * 10 : 90;
        return new Pan($"{word} {across / 10} cm", Length.FromMillimetres(across), Length.FromMillimetres(across))
        {
            Shape = PanShape.Round,
            Depth = Length.FromMillimetres(45),
        };
    }

    private static int SmallCount(string low) =>
        SmallMany().Match(low) is { Success: true } many
        && (
            NumberWords.Of(many.Groups["n"].Value)
            ?? (int.TryParse(many.Groups["n"].Value, CultureInfo.InvariantCulture, out var n) ? n : 1)
        )
            is >= 1
                and <= 24
                and var count
            ? (int)count
            : 1;

    [GeneratedRegex(@"\b(?<what>ramekin|custard cup)s?\b(?: (?<cm>\d{1,2}) ?cm)?", RegexOptions.None, 900)]
    private static partial Regex Small();

    [GeneratedRegex(@"\b(?<n>\d{1,2}|two|four|six|eight|ten|twelve) (?:\w+[ ,]+){0,2}(?:ramekin|custard cup)s?\b", RegexOptions.None, 900)]
    private static partial Regex SmallMany();

    private static Pan Made(PanShape shape, double length, double width)
    {
        var round = shape is PanShape.Round or PanShape.Springform or PanShape.Ring;
        var cm = round || Math.Abs(length - width) < 1 ? $"{Cm(length)} cm" : $"{Cm(length)} × {Cm(width)} cm";
        var word = shape switch
        {
            PanShape.Loaf => "loaf pan",
            PanShape.Round => "round pan",
            PanShape.Springform => "springform",
            PanShape.Ring => "fluted ring",
            PanShape.Muffin => "muffin tin",
            PanShape.Rectangle => Math.Abs(length - width) < 1 ? "square pan" : "oblong pan",
            _ => "tray",
        };

        // Depths where none is said (common practice, no source).
        var depth = shape switch
        {
            PanShape.Loaf => 70,
            PanShape.Ring => 85,
            PanShape.Springform => 65,
            PanShape.Muffin => 35,
            _ => 50,
        };
        return new Pan($"{word} {cm}", Length.FromMillimetres(length), Length.FromMillimetres(round ? length : width))
        {
            Shape = shape,
            Depth = shape == PanShape.Tray ? null : Length.FromMillimetres(depth),
            Cups = shape == PanShape.Muffin ? 12 : 1,
            CupWidth = shape == PanShape.Muffin ? Length.FromMillimetres(70) : null,
        };
    }

    private static string Cm(double millimetres) => (millimetres / 10).ToString("0.#", CultureInfo.InvariantCulture);

    private static (double Length, double Width)? SizeIn(string low, PanShape shape)
    {
        // "2 x 20 cm tins": two of them, and no side of 2.
        low = CountBySize().Replace(low, "");
        foreach (Match size in Sizes().Matches(low))
        {
            // "a log 12 inches long and 2 wide on a sheet", "draw a 20 cm circle on baking paper": no tray has that size.
            if (
                shape == PanShape.Tray
                && Shaped().IsMatch(low[(size.Index + size.Length)..])
                && !PanBehind().IsMatch(low[(size.Index + size.Length)..])
            )
                continue;
            if (NotPan().IsMatch(low[..size.Index]) && !PanBehind().IsMatch(low[(size.Index + size.Length)..]))
                continue;
            var a = Number(size.Groups["a"].Value);
            var b = size.Groups["b"].Success ? Number(size.Groups["b"].Value) : a;
            var unit = size.Groups["u"].Value;
            // Without a word a number up to 18 is inches; two sides without one up to 18 as well.
            if (unit.Length == 0 && !size.Groups["b"].Success)
                continue;
            var scale =
                unit.StartsWith("cm", StringComparison.Ordinal) ? 10
                : unit.StartsWith("mm", StringComparison.Ordinal) ? 1
                : unit.Length > 0 ? 25.4
                : Math.Max(a, b) > 18 ? 10
                : 25.4;
            // "set in the pan 3 by 5": rows of buns, and no pan of three inches.
            if (unit.Length == 0 && Math.Max(a, b) < 7)
                continue;
            var (length, width) = (Math.Max(a, b) * scale, Math.Min(a, b) * scale);
            if (length is < 100 or > 600 || (width < 60 && shape is not (PanShape.Round or PanShape.Springform or PanShape.Ring)))
                continue;
            if (shape is PanShape.Round or PanShape.Springform or PanShape.Ring)
                width = length;
            if (shape == PanShape.Loaf && !size.Groups["b"].Success)
                width = length * 0.55;
            return (length, width);
        }

        return null;
    }

    private static double Number(string text) => double.Parse(text.Replace(',', '.'), CultureInfo.InvariantCulture);

    private static int CountIn(string low)
    {
        var match = Count().Match(low);
        if (!match.Success)
            return 1;
        var text = match.Groups["n"].Value;
        if (text == "both")
            return 2;
        return
            (NumberWords.Of(text) ?? (int.TryParse(text, CultureInfo.InvariantCulture, out var digits) ? digits : 1))
                is >= 1
                    and <= 12
                    and var n
            ? n
            : 1;
    }

    private static PanShape[] ShapesIn(string low) =>
        low switch
        {
            _ when Muffin().IsMatch(low) => [PanShape.Muffin],
            // Heaps "on a greased tin" lie on a flat one.
            _ when OnTin().IsMatch(low) => [PanShape.Tray],
            _ when Loaf().IsMatch(low) => [PanShape.Loaf],
            _ when low.Contains("springform", StringComparison.Ordinal) || low.Contains("spring-form", StringComparison.Ordinal) =>
            [
                PanShape.Springform,
            ],
            _ when Ring().IsMatch(low) => [PanShape.Ring],
            _ when Square().IsMatch(low) => [PanShape.Rectangle],
            _ when Round().IsMatch(low) => [PanShape.Round],
            _ when Tray().IsMatch(low) => [PanShape.Tray],
            _ => [],
        };

    [GeneratedRegex(
        @"\b(?:muffin|cupcake|patty|bun|fairy cake|popover|dariole|brioche|madeleine|friand|financier|baba)(?!dt"
            + @"|s?[a-rt-z])[- ]?(?:\w+ )?(?:tins?|pans?|cups?|trays?|moulds?"
            + @"|molds?|papers?|"
            + @"cases?|liners?)\b|\bpaper cases\b|(?<![/.\d])(?<!\d[ /])(?:1[0-8]|[689]|2[04])[- ](?:hole|"
            + @"cup)s?\b(?! (?:\w+ )?(?:fluted|tube|ring|bundt)\b)(?! (?:of|flour|sugar|milk|batter))|\bfluted moulds\b|"
            + @"\bfill \d+ (?:\w+ )?cases\b|\bmuffin cups\b",
        RegexOptions.None,
        900
    )]
    private static partial Regex Muffin();

    [GeneratedRegex(
        @"\b(?:heaps?|spoonfuls?|rounds|balls|lumps|buns|rolls)\b[^.;]{0,30}\bon (?:to )?(?:an? |the )?(?:well[- ])?(?:greased |"
            + @"buttered |floured |lined )?tins?\b",
        RegexOptions.None,
        900
    )]
    private static partial Regex OnTin();

    [GeneratedRegex(
        @"\bloaf (?:pans?|tins?)|\bbread (?:pans?|tins?)|\b(?:2|1|two|one)[- ]?lb (?:loaf )?tins?\b|\b(?:450|500|900) ?g (?:loaf |"
            + @"bread )?tins?\b|\bloaf-tins?|\bpullman|\bpans? 20x10",
        RegexOptions.None,
        900
    )]
    private static partial Regex Loaf();

    [GeneratedRegex(
        @"\b(?:tube|ring|fluted|bundt)\b (?:\w+ ){0,2}(?:pan|tin|mould|mold)s?(?<!tart tin)(?<!tart tins)(?<!flan tin)(?<!moulds)|"
            + @"\bring tin|^fluted ring\b|\b(?:gugelhupf|kugelhopf|gugelhopf)\b",
        RegexOptions.None,
        900
    )]
    private static partial Regex Ring();

    [GeneratedRegex(
        @"\bround (?:\w+ ){0,2}(?:pan|tin|mould|dishe?)s?|\bcake (?:pan|tin)s?|\blayer (?:pan|tin)s?|\bsandwich tins?|\bsponge tins?|"
            + @"\b(?:tart|flan|quiche|pie) (?:tin|pan|dish|plate|ring)s?|\bpie shells?|\bunbaked shells|\bskillet|\bcasserole|"
            + @"\b(?:panettone|paper) (?:mould|case)|\bdeep tin\b|\btin lined\b|\b(?:lined|buttered|greased) tin\b|"
            + @"\b\d{1,2}\s?(?:""|-?inch|in\.?|cm)\s(?:deep |cake |lined |greased |round )?tins?\b"
            + @"|\bloose[- ]bottom(?:ed)? (?:\w+ )?(?:tin|pan)s?\b",
        RegexOptions.None,
        900
    )]
    private static partial Regex Round();

    [GeneratedRegex(
        @"\b(?:square|oblong|rectangular|traybake|brownie|lamington|swiss roll|roasting|jelly roll|sheet cake) (?:\w+ ){0,2}(?:pan|tin|"
            + @"dish|tray)s?|\b\d+(?:[.,]\d)?\s*(?:cm|in|""|inch(?:es)?)?\s*(?:x|by)\s*\d+(?:[.,]\d)?(?:\s*(?:x|"
            + @"by)\s*\d+)?[- ]?(?:inch(?:es)?|in\b\.?|cm|"")?\)?(?: (?:\w+ ){0,2}(?:pan|tin|dish)s?)|\b(?:pan|tin|"
            + @"dish),? (?:about )?\(?\d+\s*(?:x|by)\s*\d+|\b(?:tin|dish|pan)s?,? (?:of )?(?:about |approx\.? )?\d+\s*(?:cm)?\s*(?:x|"
            + @"by)\s*\d+|\b(?:baking|oven|gratin|buttered|ovenproof) (?:\w+ )?dish|\bdish, about|\b(?:9 ?x ?13|13 ?x ?9)\b|"
            + @"(?<!\b(?:pat|roll|press|stretch|flatten|cut)\b[^.;]{0,40})\b\d+[- ]?(?:inch|in\.?|cm) (?:shallow |deep )?square\b"
            + @"|\bsquare (?:cake )?(?:tin|pan)",
        RegexOptions.None,
        900
    )]
    private static partial Regex Square();

    [GeneratedRegex(
        @"\b(?:baking|cookie|biscuit|oven|sheet)[- ](?:sheet|tray|pan|stone)s?|\btrays?\b|(?<!\d )(?<!ten |five |six |eight "
            + @"|more )\bsheets\b(?! of (?:\w+ )?(?:filo|phyllo|pastry|paper|parchment|gelatine))|\bon the sheet\b|"
            + @"\bon(?:to)? a (?:lined |baking )?(?:sheet|tray)\b|\bcircles? on (?:to )?(?:the |a |sheets of )?(?:baking |"
            + @"greaseproof )?(?:parchment|paper)\b|\bsteel\b|\bgreased sheet\b|\blined sheet\b|\bon wafers\b|\bbaking paper and put",
        RegexOptions.None,
        900
    )]
    private static partial Regex Tray();

    [GeneratedRegex(@"\b[2-6] ?x (?=\d{2} ?cm\b|\d{1,2}(?: ?in\b|[ -]?inch|"")|\d{3} ?g\b)", RegexOptions.None, 900)]
    private static partial Regex CountBySize();

    [GeneratedRegex(@"\([^)]*\)", RegexOptions.None, 900)]
    private static partial Regex Brackets();

    [GeneratedRegex(@"(?<n>\d{1,2})[- ](?:hole|cup)", RegexOptions.None, 900)]
    private static partial Regex Cups();

    [GeneratedRegex(@"\b(?<lb>1|2|one|two)[- ]?(?:lb|pound)\b|\b(?<g>450|500|900)\s?g\b", RegexOptions.None, 900)]
    private static partial Regex Pounds();

    [GeneratedRegex(@"\boblong|\bdish\b|swiss roll|traybake|lamington", RegexOptions.None, 900)]
    private static partial Regex Oblong();

    [GeneratedRegex(
        @"(?<![\d/.])(?<a>\d{1,2}(?:[.,]\d)?)\s*-?\s?(?:(?<u>cm\b|mm\b|inch(?:es)?\b|in\b(?! (?:the|a|an|it|half)\b)|"")\s*)?(?:(?:x|"
            + @"by)\s*(?<b>\d{1,2}(?:[.,]\d)?)\s*)?(?:(?:x|by)\s*\d{1,2}(?:[.,]\d)?\s*)?-?\s?(?<u>cm\b|mm\b|inch(?:es)?\b|"
            + @"in\b(?! (?:the|a|an|it|half)\b)|"")?",
        RegexOptions.None,
        900
    )]
    private static partial Regex Sizes();

    // "press into a 23 cm round tin": what the size stands before is a pan after all.
    [GeneratedRegex(
        @"^[.\s]*(?:(?:round|square|loose[- ]bottomed|deep|shallow|cake|tart|flan|pie|baking|springform|sandwich|greased|lined|"
            + @"fluted) ){0,3}(?:tins?|pans?|dish|plate|tray|springform)\b",
        RegexOptions.None,
        900
    )]
    private static partial Regex PanBehind();

    [GeneratedRegex(
        @"^[\s-]*(?:long|wide|thick|apart|high|across|in diameter|circles?|rounds?|logs?|ropes?|rectangles?|strips?|balls?|discs?|by \d"
            + @"|squares?)\b",
        RegexOptions.None,
        900
    )]
    private static partial Regex Shaped();

    // Sizes of what is shaped, not of what it is baked in.
    [GeneratedRegex(
        @"(?:\bthick(?:ness)?(?: of)?|\bropes?|\blong|\bapart|\bwide|\bcutter|\brectangle(?: of)?|\bsquares of|\bstrips?|\b(?:roll|"
            + @"rolled|stretch|pat|press|flatten)\b[^,;.]{0,30}\b(?:in)?to(?: an?)?|\bcircle(?: of)?|\bdiscs? of)\s*(?:about )?$",
        RegexOptions.None,
        900
    )]
    private static partial Regex NotPan();

    [GeneratedRegex(
        @"\b(?<n>\d) ?x (?=\d{3} ?g\b|\d{1,2} ?(?:(?:lb|cm|inch|in)\b|""))|\b(?<n>\d|two|both|three|four|six)\b(?![ -]?(?:lb|pound|cm|inch|"
            + @"in\b|""|x|hole|cup|min|hour|litre|/))[\s-]+(?:(?:\d{1,2} ?""|oiled|prepared|well-greased|well-buttered|base-lined|"
            + @"paper-lined|large|small|medium|good|greased|ungreased|lined|buttered|floured|non-?stick|fairy|mini|hole|\d{3} ?g/\d ?lb"
            + @"|unbaked|heavy|parchment-lined|"
            + @"ungreased|shallow|deep|round|square|x|\+|and|parchment|lined|holes of two|9|8|20|23|inch|in|cm|of|900|450|g|12|hole|"
            + @"12-hole|\d{1,2} ?x ?\d{1,2}(?:[- ]?(?:inch|in|cm))?|\d+[- ]?(?:cm|inch|in|g"
            + @"|lb))[\s,-]+)*(?:9 ?x ?5(?: ?x ?3)?[- ]?(?:inch)? )?(?:loaf|sandwich|layer|round|cake|"
            + @"baking|cookie|muffin|patty|bun|cupcake|sheet|pie|bread|springform|ring|tart|trays?|sheets?|pans?|tins?|unbaked|shells?)",
        RegexOptions.None,
        900
    )]
    private static partial Regex Count();
}
