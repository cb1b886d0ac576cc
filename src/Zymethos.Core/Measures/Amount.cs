using System.Text;

namespace Zymethos.Core.Measures;

/// <summary>
/// So many of a unit, possibly a range ("7 to 9 cups"). <paramref name="Low"/> and <paramref name="High"/> are equal when it is no range;
/// both are above zero and <paramref name="High"/> is not below <paramref name="Low"/>.
/// </summary>
/// <param name="Low">The lower end, in <paramref name="Unit"/>.</param>
/// <param name="High">The upper end, in <paramref name="Unit"/>.</param>
/// <param name="Unit">The unit of both ends.</param>
public sealed record Amount(double Low, double High, MeasureUnit Unit)
{
    private static readonly (double Value, string Text)[] Fractions =
    [
        (0.125, "⅛"),
        (0.25, "¼"),
        (1.0 / 3, "⅓"),
        (0.375, "⅜"),
        (0.5, "½"),
        (2.0 / 3, "⅔"),
        (0.75, "¾"),
    ];

    /// <summary>An amount that is no range.</summary>
    public static Amount Of(double value, MeasureUnit unit) => new(value, value, unit);

    /// <summary>The amount the way a recipe writes it: "1 ½ cups", "7 to 9 cups", "2" for pieces.</summary>
    public string ToText()
    {
        var text = new StringBuilder(Number(Low));
        if (High > Low)
            text.Append(" to ").Append(Number(High));
        var word = High > 1 ? Unit.Plural : Unit.Singular;
        return word.Length == 0 ? text.ToString() : text.Append(' ').Append(word).ToString();
    }

    private string Number(double value)
    {
        if (Unit.Dimension == UnitDimension.Mass || Unit == MeasureUnit.Millilitre)
            return $"{value:0.#}";
        var whole = Math.Floor(value);
        var rest = value - whole;
        foreach (var (fraction, text) in Fractions)
        {
            if (Math.Abs(rest - fraction) < 0.01)
                return whole > 0 ? $"{whole:0} {text}" : text;
        }

        return $"{value:0.##}";
    }
}
