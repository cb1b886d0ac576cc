using System.Text.RegularExpressions;

namespace Zymethos.Interchange.Wording;

/// <summary>How long work by hand usually takes, by what is done and how many there are. Every figure is common practice, no
/// source.</summary>
internal static partial class HandsTime
{
    /// <summary>Longest time that is believed of one piece of work without asking, in minutes.</summary>
    public const int Longest = 30;

    /// <summary>Minutes for a piece of work.</summary>
    /// <param name="low">Its words, in lower case.</param>
    /// <param name="pieces">Pieces of the batch; 0 when not known.</param>
    public static int Of(string low, int pieces)
    {
        var many = pieces > 0 ? Math.Min(pieces, 120) : 12;
        var total = 0.0;
        if (Plait().IsMatch(low))
            total += 10;
        else if (CutOut().IsMatch(low))
            total += 6 + (0.3 * many);
        else if (Balls().IsMatch(low))
            total += 3 + (0.3 * many);
        else if (Pipe().IsMatch(low))
            total += 5 + (0.25 * many);
        else if (Drop().IsMatch(low))
            total += 2 + (0.15 * many);
        if (Decorate().IsMatch(low))
            total += 5 + (pieces > 3 ? 0.4 * many : 5);
        else if (Coat().IsMatch(low))
            total += 3 + (pieces > 6 ? 0.1 * many : 0);
        if (Knead().IsMatch(low))
            total += 9;
        else if (Beat().IsMatch(low))
            total += 6;
        else if (Mix().IsMatch(low))
            total += 4;
        if (Heat().IsMatch(low))
            total += 5;
        if (Chop().IsMatch(low))
            total += 5;
        if (Out().IsMatch(low))
            total += 2;
        if (Fill().IsMatch(low))
            total += 3;
        if (Line().IsMatch(low))
            total += 3;
        return (int)Math.Clamp(Math.Round(total == 0 ? (low.Length < 24 ? 2 : 4) : total), 1, 60);
    }

    [GeneratedRegex(
        @"\b(?:plait|braid|twist|shape (?:a|an|the|into a) (?:loaf|oval|round)|form a ring|lattice|roll up)\b",
        RegexOptions.None,
        900
    )]
    private static partial Regex Plait();

    [GeneratedRegex(
        @"\b(?:cutters?|cut out|stamp|roll (?:the (?:dough|pastry) )?out|roll out|cut into strips|cut in(?:to)? rounds)\b",
        RegexOptions.None,
        900
    )]
    private static partial Regex CutOut();

    [GeneratedRegex(@"\b(?:balls?|shape|divide|form \d+|logs?|crescents|moons|pieces)\b", RegexOptions.None, 900)]
    private static partial Regex Balls();

    [GeneratedRegex(@"\bpip(?:e|ing)\b", RegexOptions.None, 900)]
    private static partial Regex Pipe();

    [GeneratedRegex(@"\b(?:drop|scoop|spoonfuls?|heaps|teaspoonfuls|dollop)\b", RegexOptions.None, 900)]
    private static partial Regex Drop();

    [GeneratedRegex(@"\b(?:decorate|ice|frost|sandwich|assemble)\b", RegexOptions.None, 900)]
    private static partial Regex Decorate();

    [GeneratedRegex(@"\b(?:brush|drizzle|glaze|dust|dip|spread|pour over|top|coat|sprinkle)\b", RegexOptions.None, 900)]
    private static partial Regex Coat();

    [GeneratedRegex(@"\bknead\b", RegexOptions.None, 900)]
    private static partial Regex Knead();

    [GeneratedRegex(@"\b(?:cream|beat|whip|whisk)\b", RegexOptions.None, 900)]
    private static partial Regex Beat();

    [GeneratedRegex(@"\b(?:mix|stir|fold|combine|rub|sift|blend|add|toss|blitz)\b", RegexOptions.None, 900)]
    private static partial Regex Mix();

    [GeneratedRegex(@"\b(?:melt|boil|heat|simmer|warm|scald|cook)\b", RegexOptions.None, 900)]
    private static partial Regex Heat();

    [GeneratedRegex(@"\b(?:chop|peel|grate|slice|cut|core|trim)\b", RegexOptions.None, 900)]
    private static partial Regex Chop();

    [GeneratedRegex(@"\b(?:turn out|transfer|remove|lift|unmould|invert|move)\b", RegexOptions.None, 900)]
    private static partial Regex Out();

    [GeneratedRegex(@"\b(?:pour|spoon|scrape|fill|press|divide between)\b", RegexOptions.None, 900)]
    private static partial Regex Fill();

    [GeneratedRegex(@"\b(?:grease|line|butter a|flour a)\b", RegexOptions.None, 900)]
    private static partial Regex Line();
}
