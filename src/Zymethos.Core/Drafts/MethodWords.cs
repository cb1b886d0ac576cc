using System.Text.RegularExpressions;

namespace Zymethos.Core.Drafts;

/// <summary>The words by which a method is read.</summary>
public sealed partial class MethodReader
{
    private const int Patience = 300;

    [GeneratedRegex(@"^\s*(?:step\s*)?\d{1,2}\s*[.):]\s*|^\s*[-*•]\s+", RegexOptions.IgnoreCase, Patience)]
    private static partial Regex Numbering();

    [GeneratedRegex(@"(?<=[.!?])\s+(?=[A-Z0-9“""])", RegexOptions.None, Patience)]
    private static partial Regex SentenceEnd();

    [GeneratedRegex(@";\s+|,?\s+(?:and\s+)?then\s+(?=[a-z])|,?\s+and\s+(?=(?:bake|chill|refrigerate|freeze|let\b[^,]*\b(?:rise|rest|cool|stand)|cool|leave)\b)", RegexOptions.IgnoreCase, Patience)]
    private static partial Regex ClauseEnd();

    [GeneratedRegex(@"\bpre-?heat|\bheat (?:the |your |an )?oven|\bset (?:the |your )?oven|\bturn (?:the )?oven|\boven to\b", RegexOptions.None, Patience)]
    private static partial Regex Preheat();

    [GeneratedRegex(@"^(?:re)?bake\b|\bbake (?:for|at|in|until|about|the|them|it|on|one|as|\d)|\bin(?:to)? the (?:hot |preheated )?oven\b(?!.*\bpan of (?:hot|boiling) water)|\breturn to the oven|^toast\b.*\boven|^roast\b", RegexOptions.None, Patience)]
    private static partial Regex BakeWords();

    [GeneratedRegex(@"\b(?:rise|prove|proof|ferment)\b|\buntil (?:about |almost |nearly )?(?:doubled|double)\b", RegexOptions.None, Patience)]
    private static partial Regex RiseWords();

    [GeneratedRegex(@"\bfreeze\b", RegexOptions.None, Patience)]
    private static partial Regex FreezeWords();

    [GeneratedRegex(@"\bthaw\b|\bdefrost\b", RegexOptions.None, Patience)]
    private static partial Regex ThawWords();

    [GeneratedRegex(@"\b(?:soak|steep|macerate)\b", RegexOptions.None, Patience)]
    private static partial Regex SoakWords();

    [GeneratedRegex(@"\b(?:chill|refrigerate)\b|\bin the (?:fridge|refrigerator)\b", RegexOptions.None, Patience)]
    private static partial Regex ChillWords();

    [GeneratedRegex(@"\bcool\b(?! water| place| and dry)", RegexOptions.None, Patience)]
    private static partial Regex CoolWords();

    [GeneratedRegex(@"\b(?:mature|ripen)\b", RegexOptions.None, Patience)]
    private static partial Regex MatureWords();

    [GeneratedRegex(@"\b(?:rest|stand|sit|set aside|leave|relax|swell)\b", RegexOptions.None, Patience)]
    private static partial Regex RestWords();

    [GeneratedRegex(@"\b(?:cream|beat|whip|knead|mixer|speed)\b", RegexOptions.None, Patience)]
    private static partial Regex MixWords();

    [GeneratedRegex(@"\b(?:shape|divide|plait|braid|roll into|form into)\b", RegexOptions.None, Patience)]
    private static partial Regex Shapes();

    [GeneratedRegex(@"\bwhile (?:it is |they are )?(?:still )?(?:warm|hot)\b|\bwhile (?:the )?\w+ (?:is|are) (?:still )?(?:warm|hot)\b", RegexOptions.None, Patience)]
    private static partial Regex WhileWarm();

    [GeneratedRegex(@"\b(?:when|once|until|after)\b[^.]{0,30}\b(?:completely cool|cold|cooled|cool(?:ed)? completely)\b", RegexOptions.None, Patience)]
    private static partial Regex WhenCold();

    [GeneratedRegex(@"\b(?:immediately|at once|straight ?away|right away)\b", RegexOptions.None, Patience)]
    private static partial Regex AtOnce();

    [GeneratedRegex(@"\b(?:until|or until)\s+(?<test>[^,;.()]{3,90})", RegexOptions.None, Patience)]
    private static partial Regex Until();

    [GeneratedRegex(@"\bhalf-?\s?way\b", RegexOptions.None, Patience)]
    private static partial Regex HalfWay();

    [GeneratedRegex(@"\b(?:top|sprinkle|strew|scatter|cover|tent|brush)\b[^.,;]{0,60}?\bafter (?:the first )?(?<n>\d{1,3}) min(?:ute)?s?\b|\bafter (?:the first )?(?<n>\d{1,3}) min(?:ute)?s?,? (?:top|sprinkle|strew|scatter|cover|tent|brush)\b[^.,;]{0,60}", RegexOptions.None, Patience)]
    private static partial Regex AfterMinutes();

    [GeneratedRegex(@"\bovernight\b|\b(?:(?:about |around )?half an hour|(?:about |around )?an hour(?: and a half)?)\b|(?:\d+(?:\s+\d/\d|[.,]\d)?|\d/\d|\b(?:one|two|three|four|five|six|eight|ten|twelve|fifteen|twenty|thirty|forty))\s*(?:½|¼|¾)?\s*(?:(?:min(?:ute)?s?|h(?:ou)?rs?|days?|weeks?)\s*)?(?:(?:-|–|to|or)\s*(?:\d+(?:\s+\d/\d|[.,]\d)?|one|two|three|four|five|six|eight|ten|twelve)\s*)?(?:more )?(?:min(?:ute)?s?|h(?:ou)?rs?|days?|weeks?)\b(?:(?: and)? \d{1,2} min(?:ute)?s?\b)?", RegexOptions.None, Patience)]
    private static partial Regex Time();

    [GeneratedRegex(@"(?<n>\d{3})\s*(?:°|º|degrees?|deg\.?)?\s*(?<u>f\b|c\b|fahrenheit|celsius|(?<=°|º|degrees))", RegexOptions.None, Patience)]
    private static partial Regex Heat();

    [GeneratedRegex(@"\bgas(?: mark)? (?<n>\d{1,2})\b", RegexOptions.None, Patience)]
    private static partial Regex Gas();

    [GeneratedRegex(@"\b(?:flour|eggs?|dough|batter|yolks?)\b", RegexOptions.None, Patience)]
    private static partial Regex RawWords();

    [GeneratedRegex(@"\b(?:boil|simmer|caramel|syrup|melt)\w*\b", RegexOptions.None, Patience)]
    private static partial Regex HotWords();

    [GeneratedRegex(@"\b(?:almonds?|walnuts?|pecans?|hazelnuts?|pistachios?|peanuts?|nuts?)\b", RegexOptions.None, Patience)]
    private static partial Regex NutWords();

    [GeneratedRegex(@"\b(?:brandy|rum|whisky|whiskey|liqueur|sherry|kirsch|wine|beer)\b", RegexOptions.None, Patience)]
    private static partial Regex SpiritWords();

    [GeneratedRegex(@"\bhoney\b", RegexOptions.None, Patience)]
    private static partial Regex HoneyWords();

    [GeneratedRegex(@"\b(?:custard|pastry cream|whipped cream|curd|cream cheese|ganache)\b", RegexOptions.None, Patience)]
    private static partial Regex CreamWords();

    [GeneratedRegex(@"\b(?:egg whites?|meringue|custard)\b", RegexOptions.None, Patience)]
    private static partial Regex FoamWords();
}
