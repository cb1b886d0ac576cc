using System.Globalization;
using System.Text.RegularExpressions;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;

namespace Zymethos.Core.Kitchens;

/// <summary>A pan cupboard as text, a line for each kind of pan: "2 × loaf pan 23 × 13 cm; loaf; 23 × 13 × 7.5". A tin of cups ends in its
/// cups: "muffin; 35 × 27 × 3.5; 12 of 7". Centimetres, or inches: "loaf; 9 × 5 × 3 in".</summary>
public static partial class PanText
{
    /// <summary>A stock as a line that reads the same.</summary>
    /// <param name="stock">The pans.</param>
    /// <param name="says">Whether in centimetres or inches.</param>
    public static string Say(PanStock stock, KitchenSays says = default)
    {
        string Cm(Length length) => says.LengthNumber(length).ToString("0.##", CultureInfo.InvariantCulture);
        var unit = says.Habit == MeasuringHabit.UsCustomary ? " in" : "";
        var pan = stock.Pan;
        var size = string.Join(
            " × ",
            new[]
            {
                Cm(pan.Length),
                pan.Shape is PanShape.Round or PanShape.Springform or PanShape.Ring ? "" : Cm(pan.Width),
                pan.Depth is { } depth ? Cm(depth) : "",
            }.Where(t => t.Length > 0)
        );
        var cups = pan.CupWidth is { } width ? $"; {pan.Cups} of {Cm(width)}{unit}" : "";
        return $"{stock.Count} × {pan.Name}; {pan.Shape.ToString().ToLowerInvariant()}; {size}{unit}{cups}";
    }

    /// <summary>Reads a line. Null with a message when it is not understood.</summary>
    /// <param name="line">The line.</param>
    /// <param name="says">What sizes without a unit are in.</param>
    public static (PanStock? Stock, string Wrong) Read(string line, KitchenSays says = default)
    {
        var isUs = says.Habit == MeasuringHabit.UsCustomary;
        var like = isUs
            ? "Write it like: 2 × loaf pan 9 × 5 in; loaf; 9 × 5 × 3 in"
            : "Write it like: 2 × loaf pan 23 × 13 cm; loaf; 23 × 13 × 7.5";
        var parts = Digits.Plain(line).Split(';', StringSplitOptions.TrimEntries);
        var head = Head().Match(parts[0]);
        if (parts.Length is < 3 or > 4 || !head.Success)
            return (null, $"“{Clip(line)}” is not understood. {like}");
        if (!Enum.TryParse<PanShape>(parts[1], ignoreCase: true, out var shape))
            return (null, $"“{Clip(parts[1])}” is no shape: tray, loaf, rectangle, round, springform, ring or muffin.");
        var inches = Inches().IsMatch(parts[2]) || (isUs && !parts[2].Contains("cm", StringComparison.OrdinalIgnoreCase));
        var millimetres = inches ? 25.4 : 10;
        var sizes = Units().Replace(parts[2], "").Split(['×', 'x', 'X'], StringSplitOptions.TrimEntries).Select(Number).ToArray();
        var round = shape is PanShape.Round or PanShape.Springform or PanShape.Ring;
        var wanted =
            shape == PanShape.Tray ? new[] { 2, 3 }
            : round ? [2]
            : [3];
        if (!wanted.Contains(sizes.Length) || sizes.Any(s => !(s * millimetres is >= 5 and <= 900)))
            return (
                null,
                $"“{Clip(parts[2])}”: a {shape.ToString().ToLowerInvariant()} pan is given by "
                    + (
                        round ? "width × depth"
                        : shape == PanShape.Tray ? "length × width"
                        : "length × width × depth"
                    )
                    + $" in {(isUs ? "inches" : "centimetres")}."
            );
        var cups = parts.Length == 4 ? Cups().Match(parts[3]) : Match.Empty;
        if (shape == PanShape.Muffin && !cups.Success)
            return (null, "A tin of cups ends in how many cups of what width: 12 of 7");
        return (
            new PanStock(
                new Pan(
                    head.Groups["name"].Value.Trim(),
                    Length.FromMillimetres(sizes[0] * millimetres),
                    Length.FromMillimetres((round ? sizes[0] : sizes[1]) * millimetres)
                )
                {
                    Shape = shape,
                    Depth = shape == PanShape.Tray ? null : Length.FromMillimetres(sizes[^1] * millimetres),
                    Cups = cups.Success ? Math.Clamp(int.Parse(cups.Groups["n"].Value, CultureInfo.InvariantCulture), 1, 48) : 1,
                    CupWidth = cups.Success
                        ? Length.FromMillimetres(
                            Number(cups.Groups["w"].Value)
                                * (
                                    cups.Groups["in"].Success ? 25.4
                                    : cups.Groups["cm"].Success ? 10
                                    : millimetres
                                )
                        )
                        : null,
                },
                int.Parse(head.Groups["n"].Value, CultureInfo.InvariantCulture)
            ),
            ""
        );
    }

    private static double Number(string text) =>
        double.TryParse(text.Replace(',', '.'), NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var value) ? value : -1;

    private static string Clip(string text) => text.Length <= 60 ? text : text[..60];

    [GeneratedRegex(@"\d\s*(?:in\b|inch|[\u0022”″])", RegexOptions.IgnoreCase, 900)]
    private static partial Regex Inches();

    [GeneratedRegex(@"cm\b|in(?:ch(?:es)?)?\b|[\u0022”″]", RegexOptions.IgnoreCase, 900)]
    private static partial Regex Units();

    [GeneratedRegex(@"^(?<n>\d{1,2})\s*[×x]\s*(?<name>.{1,60})$", RegexOptions.None, 900)]
    private static partial Regex Head();

    [GeneratedRegex(
        @"^(?<n>\d{1,2})\s*(?:cups\s*)?of\s*(?<w>\d{1,2}(?:[.,]\d{1,2})?)\s*(?:(?<cm>cm)|(?<in>in(?:ch(?:es)?)?|[\u0022”″]))?$",
        RegexOptions.None,
        200
    )]
    private static partial Regex Cups();
}
