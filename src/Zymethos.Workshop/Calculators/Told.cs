using System.Globalization;
using System.Text.RegularExpressions;

namespace Zymethos.Workshop.Calculators;

/// <summary>Figures as they are said to a baker, in both kinds of measures where a kitchen may have either.</summary>
public static partial class Told
{
    /// <summary>A number with so many places at most.</summary>
    public static string Number(double value, int places = 1) =>
        (Math.Round(value, places) + 0.0).ToString($"0.{new string('#', places)}", CultureInfo.InvariantCulture);

    /// <summary>"24 °C (75 °F)".</summary>
    public static string Heat(double celsius) => $"{Number(celsius, 0)} °C ({Number((celsius * 9 / 5) + 32, 0)} °F)";

    /// <summary>A difference of temperatures: "10 °C (18 °F)".</summary>
    public static string Degrees(double celsius) => $"{Number(celsius)} °C ({Number(celsius * 9 / 5)} °F)";

    /// <summary>"850 g (30 oz)"; small ones to a tenth of a gram.</summary>
    public static string Weight(double grams) =>
        $"{Grams(grams)} ({Number(grams / Core.Measures.Mass.GramsPerOunce, grams < 20 ? 2 : grams < 300 ? 1 : 0)} oz)";

    /// <summary>"850 g", "1.25 kg"; small ones to a tenth of a gram.</summary>
    public static string Grams(double grams) =>
        grams >= 2000 ? $"{Number(grams / 1000, 2)} kg"
        : grams < 20 ? $"{Number(grams)} g"
        : $"{Number(grams, 0)} g";

    /// <summary>"250 ml (1.06 cups)".</summary>
    public static string Volume(double millilitres) =>
        $"{(millilitres < 10 ? Number(millilitres) : millilitres < 2000 ? Number(millilitres, 0) : Number(millilitres / 1000, 2))} "
        + $"{(millilitres < 2000 ? "ml" : "l")} ({Measure(millilitres)})";

    /// <summary>"23 cm (9.1 in)"; below two centimetres in millimetres.</summary>
    public static string Length(double millimetres) =>
        millimetres < 20
            ? $"{Number(millimetres)} mm ({Number(millimetres / Core.Measures.Length.MillimetresPerInch, 2)} in)"
            : $"{Number(millimetres / 10)} cm ({Number(millimetres / Core.Measures.Length.MillimetresPerInch)} in)";

    /// <summary>"45 min", "1 h 20", "2 days 3 h".</summary>
    public static string Time(double minutes)
    {
        var whole = (int)Math.Round(Math.Min(minutes, 1e8));
        if (whole < 48 * 60)
            return Core.Measures.SpokenTime.Of(whole);
        var hours = (int)Math.Round(minutes / 60);
        return hours % 24 == 0 ? $"{hours / 24} days" : $"{hours / 24} days {hours % 24} h";
    }

    /// <summary>So many of something: "1 egg", "3 eggs".</summary>
    public static string Many(int count, string one, string? many = null) => count == 1 ? $"1 {one}" : $"{count} {many ?? one + "s"}";

    /// <summary>The same words, with each number and its unit kept on one line.</summary>
    public static string Unbroken(string words) => NumberAndUnit().Replace(words, "${n}\u00a0${u}");

    [GeneratedRegex(
        @"(?<n>\d) (?<u>(°[CF]|g|kg|oz|cm|mm|in|ml|l|min|h|cups?|tbsp|tsp)\b)",
        RegexOptions.ExplicitCapture | RegexOptions.CultureInvariant,
        900
    )]
    private static partial Regex NumberAndUnit();

    private static string Measure(double millilitres)
    {
        var cups = millilitres / Core.Measures.MeasureUnit.Cup.Size;
        return cups >= 0.24 ? $"{Number(cups, 2)} {(Math.Abs(cups - 1) < 0.005 ? "cup" : "cups")}"
            : cups >= 0.055 ? $"{Number(cups * 16)} tbsp"
            : $"{Number(cups * 48)} tsp";
    }
}
