using System.Globalization;
using System.Text.RegularExpressions;
using Zymethos.Core.Measures;

namespace Zymethos.Interchange.Wording;

/// <summary>How much a recipe makes, from wherever it says so.</summary>
/// <param name="Pieces">How many, at least 1.</param>
/// <param name="Name">The word for several of them; "pieces" when there is none.</param>
/// <param name="Rank">How sure it is: 0 for "makes 24", 1 for a bracket, 2 for a division, 3 for "serves".</param>
internal sealed partial record YieldWords(int Pieces, string Name, int Rank)
{
    /// <summary>A line or sentence that says only what the recipe makes; null when it is none.</summary>
    public static YieldWords? Line(string text)
    {
        text = Digits.Plain(text);
        var match = Whole().Match(text);
        if (
            !match.Success
            || OfTime().IsMatch(match.Groups["what"].Value)
            || Marks().IsMatch(match.Groups["what"].Value.ToLowerInvariant())
        )
            return null;
        // "Make a yeast dough and let it rise" is an order.
        if (match.Groups["verb"].Value.Equals("make", StringComparison.OrdinalIgnoreCase) && OneOf().IsMatch(match.Groups["what"].Value))
            return null;
        // "Makes one 9x13 pan (24 bars)": a pan is nothing that is eaten.
        if (
            InPan().Match(match.Groups["what"].Value) is { Success: true } pan
            && Of(pan.Groups["inside"].Value, 0) is { Name.Length: > 0 } inside
        )
            return inside;
        // "Makes one 2 lb loaf, about 10 slices": what is eaten counts.
        if (ThenSlices().Match(text) is { Success: true } slices && Of(slices.Groups["what"].Value, 0) is { } cut)
            return cut;
        var serves =
            match.Groups["verb"].Value.StartsWith("serv", StringComparison.OrdinalIgnoreCase)
            || match.Groups["verb"].Value.StartsWith("feed", StringComparison.OrdinalIgnoreCase);
        return Of(match.Groups["what"].Value, serves ? 3 : 0);
    }

    /// <summary>What a name or heading says in brackets or behind a dash ("(makes about 24)", "- 4 pcs", "(8 bagels)"); null when it says
    /// nothing.</summary>
    public static (YieldWords Yield, string Name)? InHeading(string text)
    {
        text = Digits.Plain(text).TrimEnd(' ', ':');
        var match = Bracket().Match(text);
        if (!match.Success)
            return null;
        return !OfSize().IsMatch(match.Groups["what"].Value) && Of(match.Groups["what"].Value, 1) is { } yield
            ? (yield, match.Groups["bare"].Success ? text : text.Remove(match.Index, match.Length).TrimEnd(' ', '-', '–', '—', ':'))
            : null;
    }

    /// <summary>What a sentence of the method divides dough or cake into; null when it does not.</summary>
    public static YieldWords? Divided(string low)
    {
        // "break each quarter in half to give 8 wedges": what it gives in the end.
        if (ToGive().Match(low) is { Success: true } gives)
            return Of(gives.Groups["what"].Value, 2);
        var match = Division().Match(low);
        // "make four deep diagonal slashes": the loaf stays whole.
        if (match.Success && Marks().IsMatch(low[match.Groups["n"].Index..]))
            return null;
        return match.Success ? Of($"{match.Groups["n"].Value} {match.Groups["name"].Value}", 2) : null;
    }

    [GeneratedRegex(
        @"\b(?:cut|break|divide|slice|split)\b[^.;]{0,60}\bto (?:give|make|get|yield) (?:about )?(?<what>\d{1,3} (?:[a-z]+ )?(?:wedges"
            + @"|slices|pieces|squares|"
            + @"bars|fingers|triangles|portions|biscuits|buns|rolls))\b",
        RegexOptions.None,
        900
    )]
    private static partial Regex ToGive();

    [GeneratedRegex(@"^(?:an?|one) (?!dozen)", RegexOptions.IgnoreCase, 900)]
    private static partial Regex OneOf();

    // "Mix for 10 minutes" makes nothing.
    [GeneratedRegex(@"^[\w½¼¾/ -]{1,16}?(?:min(?:ute)?s?|hours?|hrs?|seconds?|secs?|days?|weeks?)\b", RegexOptions.IgnoreCase, 900)]
    private static partial Regex OfTime();

    // "(10 inch springform)" is a pan, "(20 cm)" its size.
    [GeneratedRegex(@"^\d+[\s-]*(?:inch(?:es)?|in|cm|mm|lbs?|oz|g|kg|ml|litres?|pints?|cups?)\b", RegexOptions.IgnoreCase, 900)]
    private static partial Regex OfSize();

    [GeneratedRegex(
        @"^\w+ (?:[\w-]+ ){0,3}(?:slashes|cuts|slits|holes|dents|snips|indentations|gashes|incisions|lines|dimples|crosses)\b",
        RegexOptions.None,
        900
    )]
    private static partial Regex Marks();

    private static YieldWords? Of(string what, int rank)
    {
        var match = Count().Match(what);
        if (!match.Success)
            return null;
        var whole = NumberOf(match.Groups["n"].Value);
        var value = match.Groups["dozen"].Success ? whole * 12 : whole;
        if (value is < 1 or > 10_000)
            return null;
        // "15 rolls | Total time 3 hours": what stands behind the bar is another thing.
        var name = NotName().Replace(what[(match.Index + match.Length)..].Split('|')[0], " ");
        // "one 900g/2lb loaf": the size is no part of the name.
        name = LeadingSize().Replace(name, " ");
        name = Spaces().Replace(name, " ").Trim(' ', '-', '–', ')', '(', '.', ',', ':', ';');
        return new YieldWords((int)Math.Round(value), name.Length is > 1 and < 40 ? name : "pieces", rank);
    }

    private static double NumberOf(string text)
    {
        // "Cut it in half": two.
        if (text.Trim().Equals("half", StringComparison.OrdinalIgnoreCase))
            return 2;
        if (NumberWords.Of(text.Trim()) is { } word)
            return word;
        var total = 0.0;
        foreach (var part in text.Replace("½", " 1/2", StringComparison.Ordinal).Split(' ', StringSplitOptions.RemoveEmptyEntries))
        {
            var sides = part.Split('/');
            total +=
                sides.Length == 2
                    ? double.Parse(sides[0], CultureInfo.InvariantCulture)
                        / Math.Max(1, double.Parse(sides[1], CultureInfo.InvariantCulture))
                : double.TryParse(part, CultureInfo.InvariantCulture, out var n) ? n
                : 0;
        }

        return total;
    }

    [GeneratedRegex(
        @"\b(?:one|1|a|an)\b[^,(]{2,40}[,(]\s*(?:about |cuts? into |enough for )*(?<what>\d{1,3} (?:good |thick |thin |large |"
            + @"small )?(?:slices|squares|pieces|bars|fingers|portions|wedges))\)?\.?$",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex ThenSlices();

    [GeneratedRegex(
        @"\b(?:pan|tin|tray|sheet|batch|dish)\b[^(]{0,12}\((?:about |makes |or )?(?<inside>\d{1,3} [a-z][a-z -]{2,24})\)?",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex InPan();

    private const string Number =
        @"(?:\d{1,4}(?:\s?½|\s\d/\d)?|\b(?:a|half|one|two|three|four|five|six|eight|nine|ten|eleven|twelve|fourteen|fifteen|sixteen|"
        + @"eighteen|twenty|thirty|forty)\b)";

    [GeneratedRegex(
        @"^\W*(?:(?:this|the|one|each) )?(?:(?:recipe|batch|mixture|quantity|mix|dough) )?(?:will |should )?(?<verb>yields?|yield|"
            + @"makes?|serves|servings?|quantity|feeds|for|gives|produces|enough for|makes enough for|portions|(?:cuts|slices) in(?:to)?|"
            + @"you(?:'|’)?(?:ll| will| should)? get|batch)\b\s*[:\-–=]?\s*(?:(?:about|approx(?:imately|\.)?|around|roughly|up to|"
            + @"ca\.?|circa|some)\s|~\s?|≈\s?)?(?<what>"
            + Number
            + @"\b?.{0,50}?|a dozen.{0,40}?)[.!]?\s*$",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex Whole();

    [GeneratedRegex(
        @"\s*(?:[(\[]\s*(?:makes?|yields?|serves)\s*(?:about |approx\.? |ca\.? )?(?<what>\d{1,4}(?:\s*dozen)?)\s*[)\]]|"
            + @"[(\[]\s*(?:makes?|yields?|serves|for)?\s*(?:about |approx\.? |ca\.? |~ ?)?(?<what>\d{1,4}(?:\s*(?:-|–|"
            + @"to)\s*\d+)?\s*(?:dozen|doz\.?)?\s*[A-Za-z' -]{2,30})\s*[)\]]|\s(?:-{1,2}|–|—)\s*(?:makes?|yields?|feeds|"
            + @"serves)?\s*(?:about )?(?<what>\d{1,4}\s+[A-Za-z' ]{2,30})$|\s(?:-{1,2}|–|—)\s*(?:makes?|feeds|"
            + @"serves)\s*(?:about )?(?<what>\d{1,4}|(?:an?|one|two|three|four|half a) dozen(?: [a-z]{2,20})?|(?:two|three|four|six)(?: "
            + @"[a-z]{3,20})?)$|\s(?:-{1,2}|–|—)\s*(?:about |approx\.? |approximately |around |roughly |circa |"
            + @"ca\.? |~ ?)(?<what>\d{1,4})$|[(\[](?:about |approx\.? |approximately |around |roughly |circa |ca\.? |"
            + @"~ ?)(?<what>\d{1,3})[)\]]\s*$|,\s*(?<bare>)(?<what>(?:\d{1,2}|one|two|three|four|six|a dozen) (?:large |small |big |"
            + @"good )?(?:loaf|loaves|cakes?|rolls|buns|tarts?|pies?|rings?|plaits?|bagels|scones|muffins|biscuits|cookies))$"
            + @"|,\s*(?<what>\d{1,2} (?:large |small |big |good )?(?:squares|bars|slices|fingers|pieces|brownies))$|"
            + @"\s(?:makes?|yields?|serves)\s*(?:about |approx\.? |around |roughly )?(?<what>\d{1,4})(?:ish)?$|"
            + @"(?<=\w )for (?<bare>)(?<what>\d{1,2})(?: people| persons)?$|,\s*(?:ca\.?|circa|about|approx\.?|approximately|around"
            + @"|roughly|~)\s*(?<what>\d{1,3}(?:\s+[A-Za-z' ]{2,30})?)\.?$|"
            + @"\.\s+(?:approx\.?|approximately|about|ca\.?|around|cuts(?: into)?|gives)\s+(?<what>\d{1,3}(?:\s+[A-Za-z' ]{2,30})?)\.?$"
            + @"|(?:,\s*|\.\s+)(?:makes?|serves|feeds|"
            + @"yields?)\s*(?:about )?(?<what>\d{1,4}(?:\s+[A-Za-z' ]{2,30})?)\.?$|[(\[](?<bare>)(?:[a-zà-ÿ ]{3,16}, )?(?:about |"
            + @"approx\.? |approximately |around |roughly |circa |ca\.? |~ ?)?(?<what>\d{1,3})[)\]]\s*$)",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex Bracket();

    [GeneratedRegex(
        @"(?:\b(?:divid(?:e|ing)|split(?:ting)?|cut(?:ting)?|slic(?:e|ing)|portion(?:ing)?|form(?:ing)?|shap(?:e|ing)|roll(?:ing)?|"
            + @"make|pip(?:e|ing)|scoop|heap|mound|separate|stamp|scor(?:e|ing)|mark(?:ing)?)\b(?:(?! into an?\b)[^.;]){0,40}?\b(?:in"
            + @"|into|about|"
            + @"out|form|make|pipe|shape|roll)\s+(?:about |to |these to )?|\bcut(?:ting)?(?: it| them)?,? (?=\d{1,2} (?:squares|bars|"
            + @"slices|pieces|fingers)\b)|\bcut (?:out )?(?=\d{1,2} (?:rounds|circles|triangles|discs|strips|fingers|ropes|wedges|"
            + @"hearts|stars|sticks|lengths|batons|rectangles|oblongs|diamonds|trees|shapes)\b)|\b(?:trace|draw|dollop|drop|place|"
            + @"scoop|spoon) (?:about )?(?=(?:\d{1,2}|\w+) (?:[\w-]+ )?(?:circles|discs|spoonfuls|mounds|heaps|dollops|balls|rounds|"
            + @"blobs)\b)|\b(?:form|make|pipe|shape|roll|divide|fill|line) (?:about )?(?!\d+ (?:holes? of|lb))|\bbetween (?:the |"
            + @"your )?(?=\d+ (?:holes|cups|cases|muffin|paper))|\bcut\b[^.;(]{0,30} [-–—] (?:about )?(?=\d{1,3}(?: or so)?\.?$)|"
            + @"\b(?:mark|score) (?:out |into )?(?=\d{1,2} (?:fingers|squares|bars|wedges|triangles|pieces|slices)\b)|"
            + @"\b(?:roll (?:it |them )?up|log|rope|sausage)\b[^.;]{0,30}\b(?:cut|slice)(?: it)? (?:in(?:to)? )?(?=\d{1,2}\s*(?:[.,;]|$))|"
            + @"\bflatten (?:the dough |it |them )?(?:in)?to (?=(?:\d|two|three|four|six) )|\bcut\b[^.;(]{0,30}\((?=\d+ (?:bits|pieces|"
            + @"squares|slices|bars|fingers)))(?<n>\d{1,3}|half|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|fourteen|"
            + @"fifteen|sixteen|eighteen|twenty|thirty)\b(?![.,]\d)(?![ -]?(?:cm|mm|inch|in\b(?! (?:the|a)\b)|""|g\b|min|hour|h\b|"
            + @"x(?! ?\d{2,4} ?g\b)|°|to \d|%|/|l\b|kg|oz|days|stages|additions|times|thirds|quarters|minutes|"
            + @"logs? \d))\s*(?<name>(?:(?:equal|rough|small|even|large|little|individual|walnut|sized|half|tight)\s+)*[a-z]+(?: moons|"
            + @" sandwiches)?)?",
        RegexOptions.None,
        900
    )]
    private static partial Regex Division();

    [GeneratedRegex(@"(?<n>" + Number + @")(?:\s*(?:-|–|to)\s*\d+(?:\s?½)?)?\s*(?<dozen>dozen|doz\b\.?)?", RegexOptions.IgnoreCase, 900)]
    private static partial Regex Count();

    [GeneratedRegex(
        @"\(.*?\)|\bor so\b|\b(?:about|ish|equal|even|rough|small|large|little|individual|tight|walnut|sized)\b|[.,:;].*$|\b(?:with|and"
            + @"|from|by"
            + @"|on|at|"
            + @"in|to|for|depending|of|each|while|when|whilst|once|lengthways|lengthwise)\b.*$|^ish\b",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex NotName();

    [GeneratedRegex(
        @"^\s*(?:(?:\d+(?:[.,]\d+)?\s?(?:kg|g|lbs?|cm|inch(?:es)?|in|""|oz)|\d+ ?[x×] ?\d+|/)\s*)+(?=[a-z])",
        RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex LeadingSize();

    [GeneratedRegex(@"\s+", RegexOptions.None, 900)]
    private static partial Regex Spaces();
}
