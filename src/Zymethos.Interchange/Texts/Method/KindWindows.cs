using System.Text.RegularExpressions;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Drafts;
using Zymethos.Interchange.Wording;

namespace Zymethos.Interchange.Texts.Method;

/// <summary>Windows that follow from what a thing is when the words say nothing: beaten egg and wet soda do not wait for the oven. Minutes
/// are common practice, no source; the reason stands with the window, and it can be changed.</summary>
internal static partial class KindWindows
{
    /// <summary>Minutes that a batter raised by beaten egg may wait.</summary>
    public const int FoamMinutes = 10;

    /// <summary>Minutes that a batter with wet soda or powder may wait.</summary>
    public const int SodaMinutes = 20;

    /// <summary>Minutes that a raw pie with a wet filling may wait.</summary>
    public const int PieMinutes = 30;

    private const string EggFoam = "beaten egg loses its air";

    /// <summary>Sets the windows.</summary>
    public static void Set(RecipeDraft draft, MethodReading reading, IReadOnlyList<ReadLine> lines)
    {
        var soda = lines.Any(l => l.Ingredient?.Name is "baking soda");
        var powder = lines.Any(l => l.Ingredient?.Name is "baking powder" or "self-raising flour");
        var yeast = lines.Any(l =>
            l.Ingredient?.Name is { } n
            && (n.EndsWith("yeast", StringComparison.Ordinal) || n.EndsWith("sourdough starter", StringComparison.Ordinal))
        );
        Cold(reading);
        foreach (var bake in reading.Steps.Where(s => s.Kind == StepKind.Bake && s.Strand == 0))
        {
            foreach (var link in reading.Links.Where(l => l.To == bake.Draft.Key).ToList())
            {
                if (reading.Steps.Find(s => s.Draft.Key == link.From) is not { IsHands: true, Strand: 0 } mix)
                    continue;
                var before = reading.Steps.TakeWhile(s => s != bake).Where(s => s.Strand == 0).Reverse().TakeWhile(s => s.IsHands).ToList();
                var words = string.Join(' ', before.Select(s => s.Low));
                var tray = bake.Draft.Pan.Contains("tray", StringComparison.OrdinalIgnoreCase);
                var set = (link.Most, link.Why);
                if (Foam().IsMatch(words))
                    (link.Most, link.Why) = (TimeText.Say(FoamMinutes + (tray ? 10 : 0)), EggFoam);
                else if (
                    soda
                    && !yeast
                    && (!tray || !Balls().IsMatch(words))
                    && draft.Kind is not ("cookies" or "rolledCookies" or "built" or "twiceBaked")
                )
                    (link.Most, link.Why) = (TimeText.Say(SodaMinutes), "soda begins to work once it is wet");
                else if (
                    powder
                    && !yeast
                    && tray
                    && draft.Kind == "other"
                    && (Scone().IsMatch(words) || draft.Name.Contains("scone", StringComparison.OrdinalIgnoreCase))
                )
                    (link.Most, link.Why) = (TimeText.Say(SodaMinutes), "the raising begins once it is wet");
                else if (powder && !yeast && !tray && Batter().IsMatch(words))
                    (link.Most, link.Why) = (TimeText.Say(SodaMinutes), "the raising begins once it is wet");
                else if (Pie().IsMatch(words))
                    (link.Most, link.Why) = (TimeText.Say(PieMinutes), "a filled pie goes soggy while it stands");
                // What the words say counts before what the kind says.
                if (set.Most.Length > 0)
                    (link.Most, link.Why) = set;
                // The mix that comes before the pan is filled has no longer.
                if (link.Most.Length > 0)
                    Tighten(reading, mix, link);
            }
        }
    }

    /// <summary>Cream and buttercream go on what is cold, whether or not the words say so.</summary>
    private static void Cold(MethodReading reading)
    {
        var at = reading.Steps.FindLastIndex(s => s.Kind == StepKind.Bake && s.Strand == 0);
        if (at < 0)
            return;
        var bake = reading.Steps[at].Draft.Key;
        foreach (
            var step in reading
                .Steps.Skip(at + 1)
                .Where(s => s.IsHands && Finishing().IsMatch(s.Low) && Creamy().IsMatch(s.Low) && !Warm().IsMatch(s.Low))
        )
        {
            if (reading.Links.Exists(l => l.To == step.Draft.Key && l.From == bake))
                continue;
            reading.Links.Add(
                new LinkDraft
                {
                    From = bake,
                    To = step.Draft.Key,
                    Least = "90 min",
                    Why = "cream and icing run off what is warm",
                }
            );
        }
    }

    private static void Tighten(MethodReading reading, MethodStep mix, LinkDraft link, int depth = 0)
    {
        // It runs from where the air is beaten in, or from where wet and dry come together.
        if (link.Why == EggFoam ? Beaten().IsMatch(mix.Low) : Wets().IsMatch(Brushed().Replace(mix.Low, " ")) || DryInto().IsMatch(mix.Low))
            return;
        foreach (var earlier in reading.Links.Where(l => l.To == mix.Draft.Key && l.Most.Length == 0).ToList())
        {
            if (reading.Steps.Find(s => s.Draft.Key == earlier.From) is not { IsHands: true, Strand: 0 } before)
                continue;
            // Back to the step that wets it, over what only shapes it and fills the pan.
            if (!FoldOrWet().IsMatch(before.Low) && depth > 2)
                continue;
            (earlier.Most, earlier.Why) = ("5 min", link.Why);
            if (depth < 4)
                Tighten(reading, before, earlier, depth + 1);
        }
    }

    [GeneratedRegex(
        @"\b(?:egg )?whites\b|\b(?:egg|the|this) white\b|\bstiff(?:ly)?\b(?! (?:mixture|dough|paste|batter|mix))|\bpeaks\b"
            + @"|\bleaves a trail\b|\bmeringue\b|"
            + @"\bthick and (?:pale|glossy)\b",
        RegexOptions.None,
        900
    )]
    private static partial Regex Foam();

    [GeneratedRegex(@"\b(?:fill|sandwich|frost|ice|pipe|spread|cover|stack|layer|top|decorate)\b", RegexOptions.None, 900)]
    private static partial Regex Finishing();

    [GeneratedRegex(
        @"\b(?:whipped cream|buttercream|mascarpone|cream cheese|frosting|whip (?:the )?(?:double |heavy |remaining |whipping )?cream|"
            + @"filling butter|cream filling|ganache)\b",
        RegexOptions.None,
        900
    )]
    private static partial Regex Creamy();

    [GeneratedRegex(@"\b(?:warm|hot|melted|pour)\b", RegexOptions.None, 900)]
    private static partial Regex Warm();

    [GeneratedRegex(@"\b(?:pie|crimp|lattice|vents?)\b", RegexOptions.None, 900)]
    private static partial Regex Pie();

    [GeneratedRegex(@"\bsoft dough\b|\bscones?\b|\bpat (?:it |the dough )?(?:out|into)\b", RegexOptions.None, 900)]
    private static partial Regex Scone();

    [GeneratedRegex(@"\b(?:balls?|roll)\b", RegexOptions.None, 900)]
    private static partial Regex Balls();

    [GeneratedRegex(
        @"\b(?:pour|spoon|scrape|spread|tip|turn into|batter|fill|divide between|into the (?:tin|pan|holes))\b",
        RegexOptions.None,
        900
    )]
    private static partial Regex Batter();

    [GeneratedRegex(@"\b(?:buttermilk|milk|water|liquids?|yogurt|yoghurt|wet|beaten eggs?)\b", RegexOptions.None, 900)]
    private static partial Regex Wets();

    [GeneratedRegex(
        @"\b(?:fold|stir|add|beat|mix|work|whisk|alternat\w*)\b[^.;]{0,40}\b(?:flour|dry (?:ingredients|things|mix\w*|stuff)|soda|"
            + @"bicarb\w*)\b",
        RegexOptions.None,
        900
    )]
    private static partial Regex DryInto();

    // What is only brushed on wets no dough.
    [GeneratedRegex(@"\b(?:brush|glaze)\b[^.;]*", RegexOptions.None, 900)]
    private static partial Regex Brushed();

    [GeneratedRegex(@"\b(?:whisk|beat|whip)\b", RegexOptions.None, 900)]
    private static partial Regex Beaten();

    [GeneratedRegex(@"\b(?:fold|wet|stir|batter|beat|whisk|mix)\b", RegexOptions.None, 900)]
    private static partial Regex FoldOrWet();
}
