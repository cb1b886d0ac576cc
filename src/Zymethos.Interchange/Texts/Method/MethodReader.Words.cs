using System.Text.RegularExpressions;

namespace Zymethos.Interchange.Texts.Method;

/// <summary>The words by which a method is read.</summary>
internal sealed partial class MethodReader
{
    private const int Patience = 900;

    [GeneratedRegex(
        @"^\s*(?:step\s*)?\d{1,2}\s*[.):](?!\d{2}\b)\s*|^\s*(?:step\s*\d{1,2})\s*|^\s*[-*•]\s+|(?-i:^\d{1,2}\s+(?=[A-Z]))",
        RegexOptions.IgnoreCase,
        Patience
    )]
    private static partial Regex Numbering();

    // A sentence may end in keeping: "Wrap when cold: keeps for 10 days", "..., they keep 6 weeks".
    [GeneratedRegex(
        @"(?<=[\w)]);\s+|(?<=[\w)])[,:]\s+(?=(?:it |they |and |these |which )?(?:will |would |can )?(?:keeps|freezes|stays|lasts"
            + @"|best eaten|eat (?:them |it )?(?:on )?the same day|keep (?:for )?(?:up to )?\d|freeze (?:for )?(?:up to )?\d)\b|"
            + @"(?:it|they|and they|and it|these|which|will|would|can) (?:will |would |can )?(?:keep|freeze|stay|"
            + @"last)\b(?! (?:stirring|beating|an eye|going|adding|warm|hot)))",
        RegexOptions.IgnoreCase,
        Patience
    )]
    private static partial Regex KeepingEnd();

    [GeneratedRegex(@"^make (?:an?|the|up|your) |\bmake (?:a|the) well\b|\bmakes? it\b|\bfor the\b", RegexOptions.None, Patience)]
    private static partial Regex VerbWithObject();

    [GeneratedRegex(@"^\W*(?:to )?(?:make|do|bake|prepare)[- ]ahead\b", RegexOptions.IgnoreCase, Patience)]
    private static partial Regex Ahead();

    [GeneratedRegex(@"\b(?<n>\d|two|three|four|six) (?:\w+,? ){0,2}tins\b(?:\s*\([^)]*\))?", RegexOptions.None, Patience)]
    private static partial Regex PlainTins();

    [GeneratedRegex(
        @"^(?:then )?(?:leave|let)(?: (?:it|them))?(?: (?:stand|sit|rest))?(?: for)?(?: about)? (?:\d|an?\b|five|ten|fifteen|twenty|half)",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex LeftAfter();

    [GeneratedRegex(@"^(?:and |then |cover and )*(?:leave|let|stand)\b", RegexOptions.None, Patience)]
    private static partial Regex LeftAfter2();

    [GeneratedRegex(@"^(?:test|check)(?: it| them)? with a (?:skewer|toothpick|cocktail stick)\b[^.;]{0,30}$", RegexOptions.None, Patience)]
    private static partial Regex TestOnly();

    [GeneratedRegex(@"\bcook (?:for|at|until|till|gently|on|over)\b(?!.*\b(?:bake|oven)\b)", RegexOptions.None, Patience)]
    private static partial Regex CookOnly();

    [GeneratedRegex(
        @"\b(?:melt|saucepan|simmer|boil|stir|frying pan|over (?:a )?(?:low|medium|gentle|high)|heat|fry|onions?|apples?)\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex OverFire();

    [GeneratedRegex(@"\boven (?:heats|preheats|warms|comes)(?: up)? to\b", RegexOptions.None, Patience)]
    private static partial Regex OvenHeats();

    [GeneratedRegex(@"^(?:the |on the )?(?:evening|night|day) before\b|\bthe (?:evening|night) before\b", RegexOptions.None, Patience)]
    private static partial Regex DayBefore();

    [GeneratedRegex(@"\bif (?:it is |it's |they are )?not\b[^.;]{0,50}\b(?:another|more|longer|back)\b", RegexOptions.IgnoreCase, Patience)]
    private static partial Regex OnlyIfNot();

    [GeneratedRegex(
        @"^(?:stretch and )?fold (?:it |the dough )?every [^,.;]{3,40}(?:[,;]\s*(?:and )?(?:then\s+)?|\.?$)|"
            + @"^(?:stretch and )?fold (?:it |the dough )?(?:once|twice|(?:two|three|four|\d) times) (?:during|while|in|"
            + @"over) [^,.;]{3,40}\.?$|^(?:do |give (?:it|the dough) )(?:\d|two|three|four|five|six) (?:(?:sets|"
            + @"rounds) of )?(?:stretch(?:es)?[- ](?:and|&)[- ])?folds? over [^,.;]{3,30}(?:[,;]\s*(?:and )?(?:then\s+)?|\.?$)",
        RegexOptions.IgnoreCase,
        Patience
    )]
    private static partial Regex FoldsEvery();

    [GeneratedRegex(
        @"\b(?<on>\d{1,3}(?:\s?[-–]\s?\d{1,3})? ?min\w*\.? (?:with (?:the |a |its )?lid(?: on)?|with the cover on|lid on|"
            + @"covered)),? (?:and |then |another |a |further |for |"
            + @"about )*(?<more>\d{1,3}(?:\s?[-–]\s?\d{1,3})? ?min\w*\.?)(?: more)? (?<off>without(?: the lid| lid| it)?|uncovered|"
            + @"(?:with the )?lid off)",
        RegexOptions.IgnoreCase,
        Patience
    )]
    private static partial Regex LidOnOff();

    // "covered 20 min, then uncovered at 230C for 25 min".
    [GeneratedRegex(
        @"\b(?<on>covered (?:for )?\d{1,3} ?min\w*\.?),? (?:and "
            + @"|then )*(?<off>uncovered(?:,? at \d{3} ?°? ?[CF]?)?),? (?:for )?(?:another "
            + @"|a further )?(?<more>\d{1,3}(?:\s?[-–]\s?\d{1,3})? ?min\w*)",
        RegexOptions.IgnoreCase,
        Patience
    )]
    private static partial Regex CoveredThenNot();

    // "4 min slow, 6 min fast": both are kneading.
    [GeneratedRegex(
        @"\b(?:on|at) (?:a )?(?:slow|low|first|1st)\w*(?: speed| gear)? for (?<a>\d{1,2}) ?min\w*\.?,? (?:and |then |for )*(?<b>(?:on|"
            + @"at) (?:a )?(?:fast|medium|high|second|2nd)\w*(?:[- ]high)?(?: speed| gear)? for (?:another |a further )?\d{1,2}) ?min|"
            + @"(?<a>\d{1,2}) ?min\w*\.? (?:on |at )?(?:slow|low|first|1st)\w*(?: speed| gear)?,? (?:and |"
            + @"then )*(?<b>\d{1,2}) ?min\w*\.? (?:on |at )?(?:fast|medium|high|second|2nd|quick)",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex SlowFast();

    [GeneratedRegex(@"[,;]?\s*(?:and )?(?:then)?\s*$", RegexOptions.IgnoreCase, Patience)]
    private static partial Regex ThenEnd();

    [GeneratedRegex(
        @"\b(?:tins?|pans?|moulds?|molds?|ramekins?|dish(?:es)?|cases|cups|pots?|shell|tartlets?|them|it)\b(?: \w+)? (?:on|onto|"
            + @"on to) (?:a|an|the|one|your) (?:\w+,? ){0,2}?(?:sheet|tray)\b|\bbake(?: it| them)? on (?:a|the) (?:hot|"
            + @"pre-?heated) (?:baking )?(?:sheet|tray)\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex TinsOnSheet();

    [GeneratedRegex(@"\bon(?: ?to)? (?:a|an|the|one|your) (?:\w+,? ){0,2}?(?:sheet|tray)\b", RegexOptions.None, Patience)]
    private static partial Regex OnSheet();

    [GeneratedRegex(
        @"\b(?:pour|spread|spoon|tip|smooth|scrape)\b[^.;]{0,24}\b(?:over|on|onto|on top of|into|across) (?:to )?(?:the|"
            + @"one) (?:\w+ ){0,6}?(?:shortbread|base|cakes?|biscuits?|crust|case|pastry|sponges?|loaf|buns|rolls|cookies|bars|shell|"
            + @"flapjack|pie|tart)\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex OntoMain();

    [GeneratedRegex(
        @"^(?:and |then )*(?:place|set|put|stand)(?: it| this| the (?:pie|tart|dish|tin|pan))? on (?:a|the) (?:\w+,? ){0,2}?(?:sheet|"
            + @"tray)\b[^,;]{0,12}$",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex SetOnSheet();

    [GeneratedRegex(
        @"\b(?:pour|spoon|tip|scrape|fill|ladle)\b[^.;]{0,40}\b(?:crust|shell|case|tins?|dish|dishes|pan|pans|plate|ramekins)\b|"
            + @"\b(?:place|put|fit|ease|press|lay)\b[^.;]{0,40}\b(?:plate|dish|tins?|pans?)\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex FillsPan();

    [GeneratedRegex(@"\b(?:while|as) (?:it|they|the [\w ]{2,16}) (?:is|are) (?:still )?in the oven\b", RegexOptions.None, Patience)]
    private static partial Regex WhileInOven();

    [GeneratedRegex(@"^(?:then )?(?:straight )?(?:in|into|to) the (?:fridge|refrigerator|freezer)\b", RegexOptions.None, Patience)]
    private static partial Regex IntoCold();

    [GeneratedRegex(
        @"^(?:divide[:,]? (?:into )?)?(?<n>\d{1,2}) x (?:about )?\d{2,4} ?g\b(?:[^,;]{0,30}$|(?=,))",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex Portions();

    [GeneratedRegex(
        @"\bi (?:usually |always |generally |normally |often )?(?:get|got|make|made|had|ended up with) (?<what>(?:about |around |"
            + @"roughly )?(?:\d{1,3}|a dozen|two dozen|three dozen)(?: [a-z]+)?)\b(?! (?:min|hour|g\b|cm|cups?|x))",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex IGet();

    [GeneratedRegex(
        @"^(?:but )?(?:do not|don(?:'|’)?t|resist|try not to|no)\b[^.;,]{0,24}\b(?:cut(?:ting)?|slic(?:e|ing)|eat(?:ing)?|touch|unwrap)\b"
            + @"(?: into)?(?: it| them| the (?:loaf|bread|cake))?,? (?:for|before|until)(?: (?:at least|about"
            + @"|a good))* (?<time>\d[^.;]{2,20}|a (?:day|"
            + @"whole day|full day)|an hour)",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex NotBefore();

    [GeneratedRegex(
        @"\bcut\b[^.;]{3,60}, (?:about )?(?<n>\d{1,2}) of them\b|\bcutter\b[^.;]{0,12}, (?:get|gives?|makes) (?:about )?(?<n>\d{1,2})\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex OfThem();

    [GeneratedRegex(
        @"\b(?:divide|cut|split|halve)\b[^.;,]{0,24}\b(?:almond paste|marzipan|fondant|icing|buttercream|frosting|filling|cream)\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex PasteOnly();

    [GeneratedRegex(@"^(?:and |then )*(?:let|leave|allow|stand|rest|dry|set aside)\b", RegexOptions.None, Patience)]
    private static partial Regex LeftToStand();

    // What is beaten first and poured onto a crust is no touch of the bake.
    [GeneratedRegex(
        @"^(?:and |then |meanwhile,? )*(?:whisk|beat|mix|melt|combine|simmer|blend)\b[^.]{0,80}\b(?:pour|spread|spoon|tip)\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex MakesFilling();

    // "Put a heavy pot with lid in the oven at 450 F": it comes to heat, and nothing bakes.
    [GeneratedRegex(
        @"\bput (?:an? |the |your )(?:[\w-]+ ){0,3}?(?:pot|dutch oven|casserole|baking stone|pizza stone|stone"
            + @"|steel)\b[^.;]{0,30}\bin(?:to)? (?:the|your) oven\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex HeatsPot();

    [GeneratedRegex(@"\b(?:yeast|flour|starter|levain)\b", RegexOptions.None, Patience)]
    private static partial Regex YeastOrFlour();

    // "Hot oven, gas 7, 12-15 minutes": in it goes.
    [GeneratedRegex(
        @"^(?:hot |moderate |medium |slow |warm |cool )?oven\b(?![^.;]*\b(?:stone|steel|casserole|inside|advance|before"
            + @"|heat up)\b)[^.;]{0,40}?(?:,|\bfor\b|\)|[\dcf°](?=\s))\s*(?:about )?\d{1,3}(?:\s?(?:-|–|to)\s?\d{1,3})? ?min",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex OvenThenTime();

    [GeneratedRegex(@"\b(?<h>\d{1,2})(?:[.:](?<m>\d{2}))?\s?(?<half>am|pm)?\b", RegexOptions.None, Patience)]
    private static partial Regex ClockHours();

    [GeneratedRegex(
        @"^(?:and |then )*quarter (?:it|the dough|the ball)\b|\b(?:cut|divide|split)\b[^.;]{0,24}\b(?:in)?to (?:4 |four )?quarters\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex QuartersDough();

    // "Roll each ball into a 9-inch circle. ... Cut into 12 wedges."
    [GeneratedRegex(
        @"\b(?:roll|pat|press)\b[^.;]{0,20}\b(?:each|one|a) (?:ball|piece|portion|half|quarter|disc|disk)\b[^.;]{0,24}\b(?:circle|round"
            + @"|disc|rectangle)|"
            + @"\b(?:one|a) (?:ball|piece|portion|half|quarter|disc|disk) at a time\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex EachRolled();

    [GeneratedRegex(@"^check (?:at|from|after)\b", RegexOptions.None, Patience)]
    private static partial Regex ChecksFrom();

    [GeneratedRegex(@"^Makes (?<what>[a-z]+): (?<n>\d{1,3})$", RegexOptions.IgnoreCase, Patience)]
    private static partial Regex ColonYield();

    [GeneratedRegex(@"\bat this (?:point|stage)\b|\bat this time\b", RegexOptions.None, Patience)]
    private static partial Regex PointOfTime();

    [GeneratedRegex(@"[\p{L}\d½¼¾][\p{L}\d'’\-]*", RegexOptions.None, Patience)]
    private static partial Regex FirstWords();

    [GeneratedRegex(
        @"^(?:just before|right before|shortly before|in|on|onto|into|with|using|when|once|while|whilst|as soon as|after|before|for|to|"
            + @"meanwhile|next|now|then|finally|straight ?away|at once|immediately|right away|the (?:evening|night|next|following|day)"
            + @"|(?:evening|night|day) before|day \d|next day"
            + @"|next morning|at|by|again|or|"
            + @"on day|from|out|over|under|without|as|if you|lastly|first|after \w+ing|having|leaving|starting|working)\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex LeadingWords();

    [GeneratedRegex(
        @"[,:]\s+|\bwhen (?:completely |quite )?(?:cold|cool)\s+|\bwhile (?:still )?(?:warm|hot)\s+|\bonce (?:cool|cold)\s+|"
            + @"\bnext day\s+|\bmorning\s+",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex Parts();

    [GeneratedRegex(
        @"^(?:\w+\s){0,4}?(?:rise|rest|proof|prove|bulk|chill|soak|knead|fridge|rolled|dip|mix)\b.{0,40}\d",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex Telegraph();

    [GeneratedRegex(
        @"^(?:don'?t|do not|never|be careful|be sure|take care|notes?:|nb\b|tips?:|hints?:|if\b(?! using)|you can|you may|you could|"
            + @"you should|some (?:people|bakers|like)|many|most|my |i |we |this |these |those |they |it (?:is|will|should|may|can|has|"
            + @"takes|looks|'s)|it's|there|nice|lovely|gorgeous|wonderful|excellent|good (?:with|warm|cold|as|for)\b|enjoy\b"
            + @"|serve\b(?! .*\b(?:bake|oven)\b)|perfect|delicious|good luck|love\b|not for|"
            + @"infants|children|tastes|best |check (?:at|from|after|the)|(?:start|begin) (?:checking|looking|to check|testing)|"
            + @"keep an eye|watch (?:them|it|carefully|closely)|each loaf|feeds|optional|split (?:them |it |and |in two and )|"
            + @"(?:re-?heat|toast|warm|refresh) (?:a|one|any|slices?|left|(?:through |up )?before serving)\b|(?:make|do|bake"
            + @"|prepare)[- ]ahead\b|to (?:make|bake|"
            + @"prepare) ahead\b|test (?:by|with|it|them|for|that|the)\b|(?:tap|knock) (?:on )?(?:the |its )?(?:base|bottom"
            + @"|underside)\b(?!.*\b(?:cool|rack|back)\b)|insert a (?:skewer|toothpick|knife|cocktail)|"
            + @"core (?:temp\w* )?(?:of |is )?\d|eat\b|crisp (?:on|for|the)\b|(?:do |give it )?(?:a |one |another )?(?:set|"
            + @"round)s? of (?:stretch|coil|fold)[^.]*\bevery\b|do (?:a |one )?(?:set|round)s? of|.*\bkettle on\b|"
            + @"(?:stretch and )?fold (?:it |the dough )?every|put the kettle|large |small |remember|all in one|thanks|dear|happy|yum|"
            + @"great|traditionally|traditional|depending|alternatively|the (?:[\w-]+ ){1,4}?(?:is|are|will|should|may|can|must|stays?|"
            + @"looks?|rises?|sinks?|spreads?)\b|place (?:the )?(?:oven )?rack|position (?:a|the) rack|"
            + @"arrange (?:the )?(?:oven )?racks?|adjust (?:the )?(?:oven )?rack|draw a)",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex RemarkWords();

    [GeneratedRegex(
        @"\bback in(?:to the oven)?\b(?! (?:the|a) (?:bowl|fridge|pan|freezer))|\bgoes? in(?:to the oven)?\b|\bgo in(?:to the oven)?\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex GoesIn();

    [GeneratedRegex(
        @"\bpre-?\s?heat(?!ed)|\bheat (?:up )?(?:the |your |an? )?(?:dutch oven|casserole|cast[- ]iron pot|baking (?:stone|steel)|"
            + @"pizza stone)|\bheat (?:up )?(?:the |your |an )?oven|\bwarm (?:the|your) oven|\bset (?:the |your )?oven|\bturn (?:the |"
            + @"your )?oven (?:on|up|to)|\bheat oven|\bheat (?:it |the oven )?(?:up )?as (?:high|hot) as|\bturn on (?:the |your )?oven"
            + @"|\bget the oven|^(?:and |"
            + @"then )*heat (?:it )?(?:up )?to (?:about )?\d{3}\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex Preheat();

    [GeneratedRegex(
        @"^(?:\w+,? ){0,3}?(?:pre-?\s?heat(?!ed)|heat (?:the |your |an? )?(?:dutch |oven|casserole|cast[- ]iron|baking (?:stone|steel)|"
            + @"pizza stone)|warm (?:the|your) oven|set (?:the |your )?oven|turn (?:the |your )?oven|take out of the oven before)",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex PreheatOnly();

    [GeneratedRegex(
        @"^(?:(?:next morning|in the morning|meanwhile|now|then),? )?(?:hot |moderate |medium |slow |warm )?oven\b|"
            + @"^\d{3}\s?°?\s?[cf]? oven\b\.?$|^set (?:it )?(?:to|at) (?:gas ?\d|\d{3})|^(?:gas(?: mark)? ?\d|"
            + @"\d{3}\s?°?\s?[cf]?(?: fan)?)(?:\s*(?:/|,|or|\()\s*(?:gas(?: mark)? ?\d|\d{3}\s?°?\s?[cf]?(?: fan)?)\)?)*\s*\.?$",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex OvenFirst();

    [GeneratedRegex(
        @"^oven\b|\boven (?:to |at |on )?\d|^(?:gas ?\d|\d{3}\s?°?\s?[cf]?)(?:\s?/\s?\d{3}\s?°?\s?[cf]?)?\s*(?:,|\.|$)|"
            + @"^\d{3}\s?°?\s?[cf]? oven\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex Oven();

    [GeneratedRegex(
        @"\b(?:reduce|lower|raise|increase|turn (?:the )?(?:heat |oven |temperature )?(?:down|up)|turn (?:it |oven )?(?:down|up)|"
            + @"bring (?:the )?(?:heat|oven)|drop)\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex HeatChange();

    [GeneratedRegex(@"^(?:then )?\d{3}|\bthen \d{3}", RegexOptions.None, Patience)]
    private static partial Regex NewHeat();

    [GeneratedRegex(
        @"\bgive (?:it|them) (?:a |an |another |about )?(?:further )?\d[^.;]{0,14}\bmore\b|\bgive (?:it|them) (?:a|the) (?:final|last|"
            + @"further) \d|\broast\b(?! (?:beef|chicken|lamb|dinner|potato))|\b(?:re-?)?bak(?:e|es|ed)\b(?! (?:sheet|tray|tin|pan|"
            + @"paper|dish|parchment|goods|custard|blind paper|apples))|\bblind[- ]bake|\bcook (?:for|in the|at|until) ",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex BakeVerb();

    [GeneratedRegex(
        @"\b(?:before|after|while|raw or|if not|when|rather than|once) bak(?:e|ed|ing)\b|\b(?:ready|about|time|want|going) to bake\b|"
            + @"\bbefore (?:you|they) bake\b|\b(?:when|if) (?:you )?(?:bake|baking)\b|\b(?:freshly|newly|half|part) baked\b|"
            + @"\bdry rather than bake\b|\bbaked (?:goods|beans)|\bbaked on the\b|\bis baked\b$|\bre-?bake|\bbake (?:as|when"
            + @"|if) (?:needed|wanted|required|you need)\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex BakeRemark();

    [GeneratedRegex(
        @"\bin(?:to)? (?:the |a |an )?(?:[\w°º]+ ){0,2}oven\b(?! glove)|\breturn(?:ed)? (?:it |them )?to (?:the )?oven\b|"
            + @"\bback in the oven\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex IntoOven();

    [GeneratedRegex(@"\b(?:turned[- ]off|cooling|falling|residual heat of the) oven\b", RegexOptions.None, Patience)]
    private static partial Regex OvenDry();

    [GeneratedRegex(
        @"\boff with the oven|\b(?:turn(?:ed)?|switch(?:ed)?) off (?:the )?oven|\bturn (?:the )?oven off|\boven off\b|\b(?:in(?:to)?|"
            + @"to) the (?:turned|switched)[- ]off oven|\bin the cooling oven|\bcool in the (?:turned-off |switched-off )?oven",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex OvenOff();

    [GeneratedRegex(
        @"\b(?:cold|unlit|unheated|turned-off|off|warm) oven\b|\bpan of (?:hot|boiling) water\b|\bin the oven\b(?=.*\b(?:rise|prove|"
            + @"proof|light))|\b(?:rise|prove|proof)\b[^.]*\bin the oven\b|\boven light",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex OvenProof();

    [GeneratedRegex(
        @"\b(?:rise|rises|rising|prove|proves|proving|proof|ferment|bulk)\b|\b(?:until|till|til) (?:about |almost |nearly |it has |"
            + @"it's |has )?(?:doubled|double|tripled|triple|puffy)\b|\bhas doubled\b|\b(?:grown|risen|"
            + @"increased) by (?:about )?(?:half|a third|a half|\d)|\bdouble in (?:size|bulk)\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex RiseWords();

    // "punch down the risen dough", "after the dough has doubled, turn it out": work that only speaks of a rise.
    [GeneratedRegex(
        @"^while\b[^,]*\bcooling\b|^(?:after|once|when)\b[^,]*(?:doubled|risen|rise|proved|chilled|cooled|cool|cold)\b|^(?:knock|punch|"
            + @"roll|shape|divide|dissolve|brush|cut|spread|dip|tip|turn)\b(?!.*\b(?:let|leave)\b)|\bleaving (?:space|room)",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex WorkFirst();

    [GeneratedRegex(@"\bfreeze\b|\binto the freezer\b|\bin the freezer\b", RegexOptions.None, Patience)]
    private static partial Regex FreezeWords();

    [GeneratedRegex(@"\bthaw\b|\bdefrost\b", RegexOptions.None, Patience)]
    private static partial Regex ThawWords();

    [GeneratedRegex(@"\b(?:soak|steep|macerate|infuse)\b(?!ed)", RegexOptions.None, Patience)]
    private static partial Regex SoakWords();

    [GeneratedRegex(
        @"\b(?:chill|refrigerate)\b|(?<!\bnot )\b(?:in|into|to) (?:the |your )?(?:fridge|refrigerator)\b|\bfridge (?:overnight|for|\d)|"
            + @",? then fridge\b|^fridge\b|\bretard\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex ChillWords();

    [GeneratedRegex(
        @"\b(?:harden|crisp up|go crisp) on (?:a |the )?(?:wire )?rack\b|\bcool(?:s|ing)?\b(?! enough| water| place| and dry| dry|"
            + @" oven| hands|er\b)|\b(?:until|till|til) (?:completely |quite |stone )?(?:cold|cool)\b(?! enough)|\bfinish cooling\b|"
            + @"\b(?:leave|left|allow(?:ed)?|let (?:it|them)) (?:to )?(?:go|get) (?:completely |quite |stone )?cold\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex CoolWords();

    [GeneratedRegex(@"\b(?:mature|ripen)\b", RegexOptions.None, Patience)]
    private static partial Regex MatureWords();

    [GeneratedRegex(
        @"\bkeep (?:it |them )?(?:for )?(?:at least )?(?:\d|(?:an?|one|two|three|four|five|six|seven) (?:days?|weeks?))|\bleave (?:it |"
            + @"them )?(?:for )?\d|\bleave (?:it |them )?(?:for )?(?:an?|one|two|three) (?:days?|weeks?)|\bwait\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex MatureKeep();

    [GeneratedRegex(
        @"\b(?:(?<!the )rest(?! of\b)|stand(?! mixer)|sit|firm up|set aside|leave|relax|swell|hang"
            + @"|(?<!\bin )(?<!\bthe )(?<!\ba )(?<!\buntil )(?<!\btill )dry(?![- ]?fry)|wait|"
            + @"let it|let them|left|autolyse|set)\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex RestWords();

    [GeneratedRegex(
        @"\b(?:leave|let|set aside|stand)\b.*\b(?:to set|until set|until (?:it is |they are )?(?:firm|set|foamy|frothy|bubbly|dry|soft))",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex RestUntil();

    [GeneratedRegex(@"\bwarm (?:place|spot|room)\b|\bsomewhere warm\b|\bto (?:rise|prove)\b", RegexOptions.None, Patience)]
    private static partial Regex WarmPlace();

    [GeneratedRegex(
        @"^(?:uncover|cover|turn|flip|rotate|swap|top|sprinkle|brush|tent|remove the (?:foil|lid|cover))\b[^,.]{0,40}?(?= and (?:bake|"
            + @"cook|return)|, (?:bake|cook))|^move (?:it |them |the \w+ )?(?:down |up )?to the (?:\w+ )?shelf(?= for \d| for another)",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex OwnTouch();

    // "leaving a dip to allow for the cake to rise".
    [GeneratedRegex(
        @"\b(?:to allow (?:for )?(?:(?:the|it|them|your) (?:\w+ )?)?(?:to )?(?:rise|rising)|(?:room|space)(?: \w+)? (?:for"
            + @"|to)(?: the \w+ to)? (?:rise|rising)|so (?:that )?it can rise)\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex RoomToRise();

    [GeneratedRegex(
        @"\b(?:deep[- ]?)?fry\b|\bfried\b|\bgriddle\b|\b(?:waffle|pizzelle|krumkake|wafer) (?:iron|maker)\b|\b(?:hot|lightly oiled"
            + @"|dry) (?:frying pan|iron)\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex NoOven();

    // "set aside", "put in the fridge": what was made beside is done with, and the next sentence is of the main thing again.
    [GeneratedRegex(
        @"\b(?:set|put|leave) (?:\w+ ){0,3}?(?:aside|to one side)\b|\b(?:in|into|to) the (?:fridge|refrigerator|freezer)\b(?! for)|"
            + @"^(?:chill|refrigerate)\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex SetAside();

    [GeneratedRegex(@"\((?<inside>[^)]{8,120})\)", RegexOptions.None, Patience)]
    private static partial Regex Bracketed();

    [GeneratedRegex(
        @"^(?:at )?(?:(?:\d{1,2}[:.]\d{2}\s*(?:am|pm|h)?|\d{1,2}\s*(?:am|pm))(?:\s*[-–]\s*\d{1,2}(?:[:.]\d{2})?\s*(?:am|pm|h)?)?"
            + @"|(?:\d{1,2}(?:[.:]\d{2})?, ){1,6}\d{1,2}(?:[.:]\d{2})?\s?(?:am|pm))\s*[–:-]?\s+(?=[a-z])",
        RegexOptions.IgnoreCase,
        Patience
    )]
    private static partial Regex Clock();

    [GeneratedRegex(
        @"(?:\s[–—-]|,|\s\()\s*(?<said>(?:this |it )?(?:makes|yields) (?:about |around |roughly )?\d{1,3}[^.;,)]{0,24}\.?)\)?\.?$",
        RegexOptions.IgnoreCase,
        Patience
    )]
    private static partial Regex ThenMakes();

    [GeneratedRegex(@"\b(?:a|each|per|on each|on either|on both) sides?\b", RegexOptions.None, Patience)]
    private static partial Regex EachSide();

    [GeneratedRegex(
        @"^(?:and |then )*(?:turn|reduce|lower|drop|raise|increase)\b[^.;]*\bafter (?:the first |"
            + @"about )?(?<time>\d{1,3} ?min(?:ute)?s?|half an hour|an hour|1 hour)\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex ReduceAfter();

    [GeneratedRegex(@"\b(?:in all|altogether|in total|all told|total baking)\b", RegexOptions.None, Patience)]
    private static partial Regex InAll();

    [GeneratedRegex(@"\b(?:dough|knead)\b", RegexOptions.None, Patience)]
    private static partial Regex Dough();

    [GeneratedRegex(@"\bpre-?shape", RegexOptions.None, Patience)]
    private static partial Regex PreShapes();

    [GeneratedRegex(
        @"\b(?:leave|stay|stand|rest|remain) (?:\w+ )?(?:in|on) (?:the |its |their )?(?:\w+ )?(?:tin|pan|tray|sheet|mould|oven)s?\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex OnPan();

    [GeneratedRegex(
        @"\b(?:cream|beat|whip|knead|mixer|speed|on (?:low|medium|high)(?! heat)|dough hook|electric whisk|food processor|blitz|"
            + @"paddle)\b(?! (?:cheese|cream))|^mix\b(?=.*\d+ ?min)|, mix (?:for )?\d+ ?min|\bby machine\b|^work the dough\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex Kneads();

    [GeneratedRegex(
        @"\b(?:shape|divide|plait|braid|(?:make|form)(?: up)? (?:into |in )?(?:\d+|six|eight|ten|twelve|sixteen|little|small|"
            + @"round) (?:\w+ )?(?:buns|rolls|balls|loaves|rounds|pieces|bagels|sticks)|roll (?:them |it |each |the dough |dough |"
            + @"piece |pieces |out |up |into|in )|roll into|form (?:into|about|\d|an? (?!(?:\w+,? ){0,2}(?:dough|paste|batter|mixture|"
            + @"mix|ball|crumb|icing)))|cut (?:into|out|in|a|\d+|rings|rounds|circles|squares|doughnuts)|stamp|drop|scoop|pipe"
            + @"|split into|mould|split in)\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex Shapes();

    [GeneratedRegex(
        @"\bwhil(?:e|st) (?:(?:it|they|the \w+|these|those)(?: is| are|'s)? )?(?:(?:still|just|a little|slightly|quite|"
            + @"very) )*(?:luke)?(?:warm|hot)\b|\bwhile (?:(?:it|they|the \w+|these|those)(?: is| are|"
            + @"'s)? )?(?:still )?(?:luke)?(?:warm|hot)\b|\bwhile (?:the |each )?[\w ]{1,20} (?:is|are) (?:still )?(?:luke)?(?:warm|"
            + @"hot)\b|\bstill (?:luke)?warm\b|\bwhen (?:just |still )?(?:warm|hot)\b|^while (?:it'?s|"
            + @"they'?re) cooling in (?:the )?tin|\bwhile its cooling in tin\b|\bglaze warm\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex WhileWarm();

    [GeneratedRegex(
        @"\b(?:when|once|until|after|till|as soon as|only when)\b[^.,]{0,34}?\b(?:completely cool|cold|cooled|cool(?:ed)? completely|"
            + @"cool|fully cool)\b(?! enough| down for)",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex WhenCold();

    [GeneratedRegex(
        @"\b(?:the |each |a )?(?:cold|cooled|cool|completely cold) (?:base|cake|cakes|sponge|sponges|bun|buns|cookies|biscuits|loaf|"
            + @"loaves|finger|bars|shell|shells|pastry|crust|layers|rounds|ones|log|tart)\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex ColdThing();

    [GeneratedRegex(
        @"\b(?:the |over the |each )?hot (?:buns|bun|cake|cakes|sponge|sponges|scones|muffins|pie|loaf|loaves|babas|pudding|crust|case|"
            + @"base|rolls|cookies|biscuits|shell|bread|pastry|bars|ones|fingers|tart)\b|\bas (?:soon as )?(?:they|it|"
            + @"the \w+) comes? out\b|\bwhen (?:they|it) comes? out\b|\bstraight from the oven\b|\bfresh from the oven\b|"
            + @"\bhot from the oven\b|\bonce (?:cooked|baked|out of the oven)\b|\bas soon as (?:it|they|the [\w ]{2,16})(?:.s| is| are|"
            + @".re)? (?:out|done|baked|cooked)\b|\bas soon as (?:it|they|the [\w ]{2,16}) (?:leaves?|is out of|are out of|"
            + @"comes? out of|comes? from) the oven\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex HotThing();

    [GeneratedRegex(@"\bwarm (?:buns|bun|cake|cakes|loaf|loaves|rolls|cookies|biscuits|ring|ones|bars)\b", RegexOptions.None, Patience)]
    private static partial Regex WarmThing();

    [GeneratedRegex(@"\b(?:hot|warm) (?:syrup|glaze|sauce|icing)\b", RegexOptions.None, Patience)]
    private static partial Regex HotSide();

    [GeneratedRegex(
        @"\b(?:immediately|at once|straight ?away|right away|without delay|quickly pour)\b|\bstraight into\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex AtOnce();

    // "Lay a sheet of paper on a towel. Turn the sponge out onto it."
    [GeneratedRegex(
        @"\b(?:turn|tip|flip|invert) the (?:hot |warm |baked |cooked )*(?:sponge|cake|roulade|roll|tart|tin)\b[^.;]{0,20}\b(?:out|onto"
            + @"|on to|over)\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex SpongeOut();

    [GeneratedRegex(@"\bout of (?:the )?(?:tin|pan|mould)s? (?:straight|at once|immediately)", RegexOptions.None, Patience)]
    private static partial Regex OutAtOnce();

    [GeneratedRegex(
        @"\b(?:turn(?:ed|ing)? (?:(?:it|them|the (?:sponge|cake|loaf|bread|roll)s?) )?(?:straight |carefully )?out|unmould|unmold"
            + @"|invert|out of the (?:tin|pan|tins|pans|mould)|"
            + @"transfer to (?:a )?(?:wire )?rack|lift (?:\w+ )?(?:on)?to (?:a )?(?:wire )?rack|remove (?:\w+ )?(?:to|"
            + @"from)(?! (?:the )?heat)|move to (?:a )?(?:wire )?rack)\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex OutOfPan();

    [GeneratedRegex(
        @",?\s*\bbefore (?=(?:cutting|icing|glazing|frosting|filling|decorating|spreading|dipping|dusting|wrapping|assembling|covering|"
            + @"coating|turning out)\b)",
        RegexOptions.IgnoreCase,
        Patience
    )]
    private static partial Regex BeforeWork();

    [GeneratedRegex(@"\b(?:cool|cold|chill|refrigerate|rest|stand|set|freeze)\b", RegexOptions.IgnoreCase, Patience)]
    private static partial Regex Cooling();

    [GeneratedRegex(@"\b(?:finish cooling|cool completely|to cool)\b", RegexOptions.None, Patience)]
    private static partial Regex Finish();

    [GeneratedRegex(@"\b(?:until|or until|till|til|untill)\s+(?<test>[^;.]{3,110})", RegexOptions.None, Patience)]
    private static partial Regex Until();

    [GeneratedRegex(
        @",? (?:about|around|approximately|for about|roughly)?\s*\d+(?:[ -½/]\d*)*\s?(?:min|hours?|hrs?|h\b|sec|days?|weeks?|°|c\b|f\b|"
            + @"degrees).*$|,.*\d.*$|\(.*$|\bthen\b.*$",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex TestEnd();

    [GeneratedRegex(
        @"^(?:at least|needed|serving|use|you need|required|christmas|ready to|cool|cold|done|after|you)\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex NoTest();

    [GeneratedRegex(
        @"\b(?:internal|core|inside|centre|center) (?:temp(?:erature)?\.?,? ?)?(?:(?:of|is|reaches|reads|should be|about|hits|"
            + @"at)\s)*:?\s?\d{2,3}\s?°?\s?[cf]\b|\b(?:till|until|to)?\s*\d{2,3}\s?°?\s?[cf] (?:in the (?:core|middle|centre|center)|"
            + @"inside|internal)\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex Core();

    [GeneratedRegex(
        @"\b(?:(?:it|the [\w ]{2,16}) is|(?:they|the [\w ]{2,16}) are|it's|they're) (?:done|ready|baked|"
            + @"cooked) when (?<test>[^;.]{3,90})|\bwhen you (?:poke in|insert) (?<test>a (?:skewer|knife|toothpick)[^;.]{3,60})|"
            + @"\b(?:skewer|toothpick|cocktail stick|knife)\b[^.;]{0,40}?\bif (?:it|the skewer) (?<test>comes out [^,.;]{3,40})|"
            + @"\bif you gently shake (?<test>[^;.]{3,80})|\b(?<test>(?:(?:the |its |their )?(?:edges?|tops?|crusts?|sides?|cent(?:re|"
            + @"er)s?|middles?|cakes?|loaf|loaves|buns|biscuits|cookies|sponges?|pastry) |(?<=[-–—,:] )(?:it|they) |^(?:it|"
            + @"they) )(?:should|will) (?:be|have|feel|look|sound|spring) [^;.]{3,80})|"
            + @"(?<test>\b(?:a )?skewer\s*(?:[-–—,]\s*)?(?:it )?should come out clean|hollow[- ]sounding when tapped[^;.,]{0,20})",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex DoneWhen();

    [GeneratedRegex(
        @"\b(?:done|ready|baked|cooked) when\b|\bskewer\b|\bcore\b|\b(?:should|will) (?:be|have|feel|look|sound|spring)\b|\bwobble\b|"
            + @"\bhollow\b|\bif you gently\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex DoneWords();

    [GeneratedRegex(@"\b(?:until|till|til|untill)\b", RegexOptions.None, Patience)]
    private static partial Regex UntilDone();

    [GeneratedRegex(
        @"\bhalf-?\s?way\b|\bhalf the time\b|\bmid-?way\b|\b(?:turn|flip|rotat|swap|switch)(?:p?ing|e)? (?:\w+ ){0,3}?once\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex HalfWay();

    [GeneratedRegex(
        @"\b(?:turn(?! (?:\w+ ){0,2}?(?:out|down|off|up)\b)|turning(?! (?:out|down|off))|rotate|rotating|swap|swapping|switch|"
            + @"switching|chang(?:e|ing) (?:them |the trays |trays )?(?:over|round|places)|cover|covering|tent|tenting|top|sprinkle|"
            + @"strew|scatter|brush|stir|stirring|flip|flipping|add|spread|open|uncover)\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex TouchVerb();

    [GeneratedRegex(
        @"\b(?:scatter|sprinkle|strew|top|turn|flip|cover|tent|brush|spoon|pour|add|spread|stir|rotate|swap|dot|drizzle|uncover)\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex TouchWork();

    [GeneratedRegex(
        @"\b(?:turn(?:ing)?|flip(?:ping)?|rotat(?:e|ing)|swap(?:ping)?|switch(?:ing)?|chang(?:e|ing) (?:them |the trays |"
            + @"trays )?(?:over|round|places)|stir(?:ring)?)\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex TurnWork();

    [GeneratedRegex(@"\b(?:cover(?:ing)?|tent(?:ing)?|foil)\b", RegexOptions.None, Patience)]
    private static partial Regex CoverWork();

    [GeneratedRegex(
        @"\b(?:swap|swapping|switch|switching|chang(?:e|ing) (?:them |the trays |trays )?(?:over|round|places))\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex Swaps();

    [GeneratedRegex(
        @"\b(?:after|at|at about|every) (?:about |the first |the )?(?<time>(?:\d{1,3}|an|one|half an|"
            + @"two)(?: ?- ?\d+)? ?(?:min(?:ute)?s?|hours?|hrs?)\b(?! before))|\bafter (?<time>\d{1,2})(?=\s*(?:$|[.;,]))",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex AfterMinutes();

    [GeneratedRegex(
        @"\b(?<time>\d{1,3} ?min(?:ute)?s?) before (?:the end|it is|they are|it'?s|the time|done)|\b(?:for|in) the (?:last|"
            + @"final) (?<time>\d{1,3} ?min(?:ute)?s?)",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex BeforeEnd();

    [GeneratedRegex(
        @"\bif (?:it |they |the top )?(?:is |are |gets? |starts? |becom\w+ )?(?:too )?(?:dark|brown)",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex Browning();

    [GeneratedRegex(
        @"\b(?:another|further|more|longer|again)\b|\bgive (?:it|them) (?:a|the) (?:final|last)\b|^(?:then )?\d{3}|\bthen \d{3}|"
            + @"\b(?:reduce|lower|raise|increase|turn (?:it )?(?:down|up))\b|\bat \d{3}\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex MoreBake();

    [GeneratedRegex(@"^(?:pour|put|into|spoon|spread|scrape|tip)\b", RegexOptions.None, Patience)]
    private static partial Regex Fills();

    [GeneratedRegex(@"\b(?:tin|pan|tray|sheet|case|dish)s?\b", RegexOptions.None, Patience)]
    private static partial Regex PanEnd();

    [GeneratedRegex(@"\bwithin\b|\bahead\b|\bbefore (?:you|serving|baking)\b|\bevery\b", RegexOptions.None, Patience)]
    private static partial Regex TimeNotWork();

    [GeneratedRegex(@"\bor (?:overnight )?(?:in|put in) the (?:fridge|refrigerator)|\bor overnight\b", RegexOptions.None, Patience)]
    private static partial Regex RiseOr();

    [GeneratedRegex(
        @"\b(?:dish|pan|tray|bowl|tin) of (?:hot |boiling |cold )?water\b|\b(?:roasting |empty |deep |old )?(?:tin|pan|"
            + @"tray)\b[^.;]{0,14}\b(?:in|on) the (?:bottom|floor|base|lowest shelf)\b|\bwater\b[^.;]{0,20}\b(?:in|"
            + @"into) the (?:\w+ )?(?:roasting |hot |lower |bottom |empty )(?:tin|pan|tray)\b|\b(?:sheet|tray|tin|"
            + @"foil)\b[^.;]{0,20}\b(?:underneath|beneath|below|on the shelf below|to catch)\b|\b(?:sheet|tray|stone|"
            + @"steel)\b[^.;]{0,24}\bto (?:heat|get hot|warm)\b|\brack\b.*\bbelow\b|\bsaucepan\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex WaterPan();

    [GeneratedRegex(@"\b(?:stages|additions|batches|turns|folds|tins|pans|trays|sheets|bowls?)\b", RegexOptions.None, Patience)]
    private static partial Regex NoDivision();

    [GeneratedRegex(
        @"\b(?<n>\d{1,2}|two|three|four|five|six|eight|nine|ten|twelve) (?:to|on|per) (?:a|each|the|one) (?:baking |cookie )?(?:tray|"
            + @"sheet)|\btrays?\b, (?<n>\d{1,2}|two|three|four|six|eight|ten|twelve) (?:on|to) each\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex PerTray();

    [GeneratedRegex(
        @"\bone (?:at a time|after (?:the other|another))\b|\bbake each\b|\bin batches\b|\bin two batches\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex OneByOne();

    [GeneratedRegex(
        @"\bwhil(?:e|st) (?:you|i|we) (?:make|prepare|mix|whip|get on with) (?:the |a |your )(?<part>icing|glaze|frosting|filling|"
            + @"sauce|syrup|topping|buttercream|crumb|streusel|ganache|curd|custard|cream|crumble|drizzle|coating|caramel)\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex WhileYouMake();

    [GeneratedRegex(@"^(?:meanwhile|in the meantime|at the same time)\b|\bmeanwhile,", RegexOptions.None, Patience)]
    private static partial Regex Meanwhile();

    [GeneratedRegex(
        @"^while (?:the |your |they |it |these )?[\w ]{1,20}? ?(?:is |are |'s |'re )?(?:cooling|baking|rising|proving|proofing|"
            + @"chilling|resting|in the oven|bakes|bake|cools|cool|rises|rise|chills|rests|proves)\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex WhileOther();

    [GeneratedRegex(
        @"^(?:(?:next|now|then|day \d:?|meanwhile,?|finally,?|first,?)\s*,?\s*)?(?:for|make|prepare|to make|to prepare|start with|"
            + @"begin with) (?:the |a )(?<part>[a-z ]{3,30}?)(?:,|:| by\b| first\b|$|\.| mix| heat| beat| melt| whisk| put| simmer|"
            + @" sift| warm| measure| rub| boil| the )",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex PartStart();

    [GeneratedRegex(
        @"\b(?:icing|glaze|frosting|filling|sauce|syrup|topping|buttercream|crumb|streusel|crosses|cross|ganache|curd|custard|"
            + @"pastry cream|cream|crumble|drizzle|coating|caramel|jam|butter)\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex SideParts();

    [GeneratedRegex(
        @"\b(?:glaze|ice|frost|spread|drizzle|dip|brush|fill|top|pour|sandwich|cover|decorate|coat|dust|spoon|roll|soak|finish|pipe|"
            + @"prick|pierce)\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex Finishes();

    [GeneratedRegex(@"\b(?:leave|stand|cool|stay|dry|rest|let|keep|until|till)\b", RegexOptions.None, Patience)]
    private static partial Regex StaysIn();

    // Work that may last: everything else of a quarter of an hour is a wait.
    [GeneratedRegex(
        @"\b(?:knead|beat|whisk|whip|cream|simmer|boil|cook|stir|mix|fold|roll|work|fry|steam|poach|toast|melt|heat|laminate|process|"
            + @"blend|shape|ice|decorate|pipe)\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex Lasting();

    [GeneratedRegex(
        @",?\s+(?:and )?(?:then )?(?=(?:when|once) (?:(?:it is|they are|it's|they're|completely|quite) )*(?:cool|cold|cooled)\b,? [a-z]+ "
            + @"(?:in|with|over|the|it|them|on|into)\b)",
        RegexOptions.IgnoreCase,
        Patience
    )]
    private static partial Regex ThenWhenCold();

    // "Turn the dough into the hot pot, lid on, 30 minutes": a pot that stands in the oven.
    [GeneratedRegex(
        @"\b(?:in|into) (?:the |your |a )?(?:(?:very )?hot|pre-?heated|heated) (?:\w+ )?(?:pot|dutch oven|casserole|pan|cocotte)\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex HotPot();

    // "wrap it and don't touch it for two days".
    [GeneratedRegex(
        @",? (?:and|but|then) (?=(?:do not|don['’]?t|resist) (?:\w+ )?(?:cut|touch|eat|unwrap|slice)\b[^.;]*\b(?:day|days|hour|hours"
            + @"|week|weeks)\b)",
        RegexOptions.IgnoreCase,
        Patience
    )]
    private static partial Regex AndLeaveIt();

    // "Caramel." in a row of steps: a heading.
    [GeneratedRegex(@"^(?:the )?(?<part>[a-z]+(?: [a-z]+)?)[.:]$", RegexOptions.IgnoreCase, Patience)]
    private static partial Regex HeadingAlone();

    // "All the cake things in a bowl, beat 2 minutes", "Bowl, cover, fridge overnight": orders that begin with a thing.
    [GeneratedRegex(
        @"^(?:(?:all|everything)\b[^.;]{0,30}\b(?:in|into|to) (?:a |an |the |one |your )?(?:\w+ )?(?:bowl|mixer|pan|saucepan|processor"
            + @"|jug)\b|"
            + @"(?:bowl|tins?|trays?|bag|box|lid|cling ?film|towel|back in)\b,)",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex ThingFirst();

    // "TIP: they freeze brilliantly": a word of advice, and no work.
    [GeneratedRegex(@"^\W*(?:tips?|top tip|hints?|notes?|n\.?b\.?|p\.?s\.?)\s*[:–—-]\s*", RegexOptions.IgnoreCase, Patience)]
    private static partial Regex Advice();

    [GeneratedRegex(@"^(?:beat|whisk) (?:the |a |an )?(?:\w+ )?egg\b", RegexOptions.None, Patience)]
    private static partial Regex OneEgg();

    [GeneratedRegex(@"\b(?:bread machine|machine|set to dough|dough cycle|dough program\w*)\b", RegexOptions.None, Patience)]
    private static partial Regex Machine();

    [GeneratedRegex(@"\b(?:baking |cookie |oven )?(?:sheets|trays)\b", RegexOptions.None, Patience)]
    private static partial Regex ManyTrays();

    // "the plain ones are rolled in sugar while hot": somebody has to do it.
    [GeneratedRegex(
        @"^(?:the |this )?(?:dough|mixture|batter|paste) (?:rests?|chills?|stands?|rises?|sleeps?|sits?|waits?|goes|matures?|ripens?)\b"
            + @"[^.;]*\b(?:night|overnight|hours?|days?|weeks?|min\w*)\b|^(?:the |each |half )[\w ]{2,30} (?:is"
            + @"|are) (?:then )?(?:rolled|dusted|brushed|dipped|iced|glazed|coated|sugared|filled|"
            + @"turned out|spread)\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex Passive();

    [GeneratedRegex(
        @"\((?!\s*(?:(?:about |approx\.? |or |and )?(?:up to )?(?:about )?(?:\d|overnight)|at least))[^)]*\)",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex Brackets();

    // "Evening: stir ...", "Day 2: ...", "Step one: ...": a label says when, and what follows is the work.
    [GeneratedRegex(
        @"^(?<label>(?:the )?(?:evening|morning|afternoon|night|noon|next|following|previous|same|day|dough|baking|sunday|monday|"
            + @"tuesday|wednesday|thursday|friday|saturday|first|second|third|step|to (?:bake|shape|mix|assemble|finish|serve|prove|"
            + @"proof)|shaping|mixing|assembly|finishing|frosting|icing|glaze|filling|topping|syrup|sauce|streusel|crumb|ganache|"
            + @"custard|pastry|sponge|base|proving|proofing|bulk|final|on the day)\b[^:.]{0,28}):\s+",
        RegexOptions.IgnoreCase,
        Patience
    )]
    private static partial Regex Label();

    // Fruit that stands in spirit, tea or juice soaks, whatever it is called.
    [GeneratedRegex(
        @"\b(?:raisins|sultanas|currants|fruits?|dates|figs|prunes|cranberries|peel|seeds|oats|oatmeal|apricots|cherries|biscuits|"
            + @"bread)\b[^.]*\b(?:rum|brandy|whisky|whiskey|sherry|tea|juice|water|liqueur|wine|port|milk|buttermilk|cider|stout)\b|"
            + @"\b(?:rum|brandy|whisky|whiskey|sherry|tea|juice|liqueur|wine|port|cider|stout|water)\b[^.]*\b(?:over|on|onto|"
            + @"to)\b[^.]*\b(?:raisins|sultanas|currants|fruits?|dates|figs|prunes|cranberries|peel|seeds|oats|apricots|cherries)\b|"
            + @"\b(?:all that|all of that|all those|the lot|those)\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex FruitInLiquid();

    [GeneratedRegex(
        @"\b(?:on|in) (?:the |its |their )?(?:baking |cookie |hot )?(?:tin|pan|tray|sheet|mould)s?\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex OnThePan();

    // "put on the lowest rack in a 425 oven. After 20 minutes reduce the heat": the first stretch has its minutes in the second sentence.
    [GeneratedRegex(
        @"^(?:then )?after (?:the first |about )?(?<time>\d{1,3}(?: ?- ?\d+)? ?(?:min(?:ute)?s?))\b,? (?:reduce|lower|turn|drop|raise|"
            + @"increase)",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex AfterReduce();

    [GeneratedRegex(@"\b(?:toast|roast|crumble)\b", RegexOptions.None, Patience)]
    private static partial Regex Toasts();

    [GeneratedRegex(@"\b(?:steam|simmer|boil|poach|stew)\b", RegexOptions.None, Patience)]
    private static partial Regex Simmers();

    [GeneratedRegex(@"\binside\b|\b(?:in|into|to) (?:the |a )?(?:[\w-]+ )?oven\b|\bdoor\b|\bin there\b", RegexOptions.None, Patience)]
    private static partial Regex InsideOven();

    [GeneratedRegex(
        @"^(?:(?:about|approx\.?|around|roughly) )?(?:\d{1,3}|two|three|four|five|six|eight|ten)(?:(?<=(?:about|approx\.?|around|"
            + @"roughly) \d{1,3})| (?:dozen|doz\.?|cookies|biscuits|buns|rolls|pieces|bars|squares|slices|wedges|scones|portions|servings|"
            + @"muffins)\b[^,;]{0,20})\.?$|^(?:wedges|slices|pieces|bars|squares|portions): \d{1,3}\.?$",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex BareYield();

    // What rises in its tin is shaped, whatever it was called before.
    [GeneratedRegex(
        @"\b(?:in|into|on|onto) (?:the |a )?(?:[\w""”×-]+ ){0,6}(?:tin|pan|tray|case|mould)s?\b|\bto (?:fill|fit) (?:the|an?"
            + @"|your) (?:[\w×-]+ ){0,5}(?:tin|pan"
            + @"|tray)\b|\b(?:fill|"
            + @"put|drop|place|divide)\b[^.;]{0,20}\b(?:into|in|between|among) (?:the )?(?:\w+ ){0,3}?(?:cups|cases|moulds|holes)\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex SecondRise();

    [GeneratedRegex(
        @"\b(?:and |,? then )(?:(?:out )?(?:on|to|onto) )?(?:a |the )?(?:wire |cooling )?racks?\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex RackAfter();

    // "to set for 2 hours, or 30 minutes in the fridge": another way to spend the wait.
    [GeneratedRegex(
        @",? or (?:for )?(?<time>\d[\w -]{0,12}?(?:min(?:ute)?s?|hours?|hrs?|h)) in the (?:fridge|refrigerator)\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex OrFridge();

    [GeneratedRegex(@"\b(?:cut|slice|divide|split|portion|mark|score) (?:each|both|them each)\b", RegexOptions.None, Patience)]
    private static partial Regex EachInto();

    // "Dimple the dough", "Nudge them apart": an order by a word nobody listed.
    [GeneratedRegex(
        @"^(?!(?:when|once|while|whilst|after|before|for|with|from|into|onto|over|under|that|this|these|those|and|but|not|only|even|"
            + @"what|which|where|how|also|both|all|some|most|half|like|because|since|though|although|unless|until|till|during|about|"
            + @"around|between|without|within|upon|per|plus|near|love|enjoy|remember|perhaps|maybe|sometimes|usually|have|has|had|does|"
            + @"did|was|were|are|will|would|should|could|can|may|must|makes|keeps|gives|needs|takes|see|note|hope|give|serves|such|"
            + @"unlike|despite|except|throughout|inside|outside|across|along|through|towards?|behind|beside|beneath|is|its|either|"
            + @"neither|depending|especially|otherwise|instead)\b)[a-z]{3,}(?: (?:up|out|over|down|off|in|on))? (?:the|them|it|each|"
            + @"your)\b(?! (?:will|is|are|was|should|may|can|might|must|has|keeps|freezes)\b)",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex UnlistedVerb();

    // "..., turning the heat down to 150 after 45 minutes": two stretches in one clause.
    [GeneratedRegex(
        @",?\s*(?:and )?(?:turn|reduc|lower|dropp?)(?:ing|e)?\s+(?:the )?(?:heat|oven|"
            + @"temperature)(?: down)? to (?<heat>[^,.;]{2,24}?) after (?:the first |about )?(?<time>\d{1,3} ?min(?:ute)?s?|an hour|"
            + @"1 hour|half an hour)\b",
        RegexOptions.None,
        Patience
    )]
    private static partial Regex HeatAfter();

    [GeneratedRegex(@"^(?:and|&|n|but)\s+", RegexOptions.IgnoreCase, Patience)]
    private static partial Regex LeadingAnd();

    // Words that only say where or when, up to the comma.
    [GeneratedRegex(
        @"^(?:in|on|when|once|while|after|meanwhile|for|using|with|at|the (?:evening|night|next)|next day|day \d|"
            + @"as soon as)\b[^,:]{2,60}[,:]\s*",
        RegexOptions.IgnoreCase,
        Patience
    )]
    private static partial Regex Lead();

    [GeneratedRegex(
        @"\s+(?:the|a|an|and|or|to|in|into|on|onto|of|with|until|till|for|at|by|from|over|then|it|is|are|about|as|well|your|each|"
            + @"until the|&|another|\()$",
        RegexOptions.IgnoreCase,
        Patience
    )]
    private static partial Regex LooseEnd();
}
