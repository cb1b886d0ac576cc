namespace Zymethos.Core.Measures;

/// <summary>A volume in measures that exist in a drawer.</summary>
/// <param name="Text">What to fill: "1 cup + 2 tbsp".</param>
/// <param name="ErrorPercent">How far what is filled lies from what is wanted, in percent; negative when it is less.</param>
public sealed record DrawerMeasure(string Text, double ErrorPercent)
{
    /// <summary>Errors beyond so many percent are shown beside the measure.</summary>
    public const double ShownBeyond = 2;

    /// <summary>The measure, with its error when that matters.</summary>
    public string WithError =>
        Math.Abs(ErrorPercent) <= ShownBeyond ? Text : $"{Text} ({(ErrorPercent > 0 ? "+" : "−")}{Math.Abs(ErrorPercent):0} %)";
}

/// <summary>
/// Turns volumes into cups and spoons that exist: 1/4, 1/3, 1/2, 2/3, 3/4 and 1 cup; 1/2 and 1 tablespoon; 1/8, 1/4, 1/2 and 1 teaspoon.
/// Two kinds are combined when that comes closer: cups with table- or teaspoons, whole tablespoons with at most 2 3/4 teaspoons.
/// </summary>
public static class SpoonsAndCups
{
    // A second measure to fill must win by more than this to be worth it (common practice, no source).
    private const double PenaltyPercent = 1.5;

    private static readonly (double Parts, string Text)[] CupParts =
    [
        (0, ""),
        (0.25, "¼"),
        (1.0 / 3, "⅓"),
        (0.5, "½"),
        (2.0 / 3, "⅔"),
        (0.75, "¾"),
    ];
    private static readonly (double Parts, string Text)[] SpoonParts = [(0, ""), (0.125, "⅛"), (0.25, "¼"), (0.5, "½"), (0.75, "¾")];

    /// <summary>The measure for a volume; null when it is below an eighth of a teaspoon, where only "a pinch" is left to say, or above 40
    /// cups.</summary>
    public static DrawerMeasure? For(Volume volume)
    {
        var wanted = volume.Millilitres;
        if (wanted < MeasureUnit.Teaspoon.Size / 8 * 0.75 || wanted > 40 * MeasureUnit.Cup.Size)
            return null;
        return Candidates(wanted).MinBy(c => (Math.Abs(c.ErrorPercent) + (c.Pieces * PenaltyPercent), c.Text.Length))!.ToMeasure();
    }

    /// <summary>The measure for a weight of an ingredient in a form; null when it is not measured in cups or too little or too much for
    /// them.</summary>
    public static DrawerMeasure? For(Mass mass, Ingredient ingredient, IEnumerable<string> forms) =>
        ingredient.CupIn(forms) is { } cup && cup > 0 ? For(Volume.FromMillilitres(mass.Grams / cup * MeasureUnit.Cup.Size)) : null;

    private static IEnumerable<Candidate> Candidates(double wanted)
    {
        foreach (var cups in Cups(wanted))
        {
            yield return Make(wanted, cups, null, null);
            if (cups.Millilitres >= wanted)
                continue;
            foreach (var spoons in TableSpoons(wanted - cups.Millilitres))
                yield return Make(wanted, cups, spoons, null);
            foreach (var small in TeaSpoons(wanted - cups.Millilitres).Where(s => s.Fillings == 1))
                yield return Make(wanted, cups, null, small);
        }

        foreach (var spoons in TableSpoons(wanted))
        {
            yield return Make(wanted, null, spoons, null);
            // Teaspoons stand beside whole tablespoons.
            if (spoons.Millilitres >= wanted || spoons.Text.Contains('½', StringComparison.Ordinal))
                continue;
            foreach (var small in TeaSpoons(wanted - spoons.Millilitres))
                yield return Make(wanted, null, spoons, small);
        }

        foreach (var small in TeaSpoons(wanted))
            yield return Make(wanted, null, null, small);
    }

    private static IEnumerable<Part> Cups(double wanted) =>
        from whole in Around(wanted / MeasureUnit.Cup.Size)
        from part in CupParts
        where whole + part.Parts >= 0.25
        select new Part((whole + part.Parts) * MeasureUnit.Cup.Size, Say(whole, part.Text, whole + part.Parts > 1 ? "cups" : "cup"));

    private static IEnumerable<Part> TableSpoons(double wanted) =>
        from whole in Around(wanted / MeasureUnit.Tablespoon.Size)
        from part in new[] { (Parts: 0.0, Text: ""), (Parts: 0.5, Text: "½") }
        where whole + part.Parts is >= 0.5 and < 4 // four are a quarter cup
        select new Part((whole + part.Parts) * MeasureUnit.Tablespoon.Size, Say(whole, part.Text, "tbsp"));

    private static IEnumerable<Part> TeaSpoons(double wanted) =>
        from whole in Around(wanted / MeasureUnit.Teaspoon.Size)
        from part in SpoonParts
        from eighth in new[] { false, true }
        where !(eighth && part.Parts is 0 or 0.125)
        let size = whole + part.Parts + (eighth ? 0.125 : 0)
        where size is >= 0.125 and < 3
        select new Part(
            size * MeasureUnit.Teaspoon.Size,
            eighth ? $"{Say(whole, part.Text, "tsp")} + ⅛ tsp" : Say(whole, part.Text, "tsp"),
            eighth ? 2 : 1
        );

    private static IEnumerable<int> Around(double value)
    {
        var floor = (int)Math.Floor(value);
        if (floor > 0)
            yield return floor - 1;
        yield return floor;
        yield return floor + 1;
    }

    private static string Say(int whole, string part, string unit) =>
        $"{(whole > 0 ? whole.ToString(System.Globalization.CultureInfo.InvariantCulture) : "")}"
        + $"{(whole > 0 && part.Length > 0 ? " " : "")}{part} {unit}";

    private static Candidate Make(double wanted, Part? cups, Part? spoons, Part? small)
    {
        var parts = new[] { cups, spoons, small }.OfType<Part>().ToList();
        return new Candidate(
            string.Join(" + ", parts.Select(p => p.Text)),
            100 * (parts.Sum(p => p.Millilitres) - wanted) / wanted,
            parts.Sum(p => p.Fillings)
        );
    }

    private sealed record Part(double Millilitres, string Text, int Fillings = 1);

    private sealed record Candidate(string Text, double ErrorPercent, int Pieces)
    {
        public DrawerMeasure ToMeasure() => new(Text, ErrorPercent);
    }
}
