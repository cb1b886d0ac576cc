using System.Globalization;
using System.Text.RegularExpressions;
using Zymethos.Core.Measures;

namespace Zymethos.Workshop.Calculators;

/// <summary>Reads what somebody types into one field: a number with or without its unit.</summary>
public static partial class WrittenQuantity
{
    private static readonly double MillilitresPerCup = MeasureUnit.Cup.Size;

    private static readonly Dictionary<string, double> Grams = new(StringComparer.OrdinalIgnoreCase)
    {
        [""] = 1,
        ["g"] = 1,
        ["gram"] = 1,
        ["grams"] = 1,
        ["kg"] = 1000,
        ["kilo"] = 1000,
        ["oz"] = Mass.GramsPerOunce,
        ["ounce"] = Mass.GramsPerOunce,
        ["ounces"] = Mass.GramsPerOunce,
        ["lb"] = Mass.GramsPerPound,
        ["lbs"] = Mass.GramsPerPound,
        ["pound"] = Mass.GramsPerPound,
        ["pounds"] = Mass.GramsPerPound,
    };

    private static readonly Dictionary<string, double> Millilitres = new(StringComparer.OrdinalIgnoreCase)
    {
        [""] = 1,
        ["ml"] = 1,
        ["cl"] = 10,
        ["dl"] = 100,
        ["l"] = 1000,
        ["litre"] = 1000,
        ["litres"] = 1000,
        ["liter"] = 1000,
        ["liters"] = 1000,
        ["cup"] = MillilitresPerCup,
        ["cups"] = MillilitresPerCup,
        ["c"] = MillilitresPerCup,
        ["tbsp"] = MillilitresPerCup / 16,
        ["tsp"] = MillilitresPerCup / 48,
        ["fl oz"] = MillilitresPerCup / 8,
        ["oz"] = MillilitresPerCup / 8,
        ["pint"] = MillilitresPerCup * 2,
        ["quart"] = MillilitresPerCup * 4,
    };

    private static readonly Dictionary<string, double> Millimetres = new(StringComparer.OrdinalIgnoreCase)
    {
        [""] = 10,
        ["cm"] = 10,
        ["mm"] = 1,
        ["m"] = 1000,
        ["in"] = Length.MillimetresPerInch,
        ["inch"] = Length.MillimetresPerInch,
        ["inches"] = Length.MillimetresPerInch,
        ["\""] = Length.MillimetresPerInch,
        ["”"] = Length.MillimetresPerInch,
        ["″"] = Length.MillimetresPerInch,
    };

    private static readonly Dictionary<string, double> Minutes = new(StringComparer.OrdinalIgnoreCase)
    {
        ["min"] = 1,
        ["m"] = 1,
        ["minute"] = 1,
        ["minutes"] = 1,
        ["h"] = 60,
        ["hour"] = 60,
        ["hours"] = 60,
        ["hr"] = 60,
        ["hrs"] = 60,
        ["d"] = 1440,
        ["day"] = 1440,
        ["days"] = 1440,
        ["week"] = 10080,
        ["weeks"] = 10080,
    };

    /// <summary>A number: "12", "2,5", "1 1/2", "1½", "-4". Null where it is none.</summary>
    public static double? Number(string text) => Split(text) is (var value, "") ? value : null;

    /// <summary>Grams; a bare number is grams. Null where it is no weight.</summary>
    public static double? Weight(string text) => Sum(text, Grams, "");

    /// <summary>Millilitres; a bare number is millilitres. Null where it is no volume.</summary>
    public static double? Volume(string text) => Sum(text, Millilitres, "");

    /// <summary>Millimetres; a bare number is centimetres. Null where it is no length.</summary>
    public static double? Distance(string text) => Sum(text, Millimetres, "");

    /// <summary>Minutes: "90", "1 h 20", "1:20", "2 days". Null where it is no length of time.</summary>
    /// <param name="text">What was typed.</param>
    /// <param name="unit">What a bare number counts: "min", "h" or "days".</param>
    public static double? Time(string text, string unit)
    {
        var colon = Colon().Match(text.Trim());
        if (colon.Success)
            return (60 * double.Parse(colon.Groups["h"].Value, CultureInfo.InvariantCulture))
                + double.Parse(colon.Groups["m"].Value, CultureInfo.InvariantCulture);
        return Sum(text, Minutes, unit);
    }

    /// <summary>
    /// Degrees Celsius. A bare number is Celsius where that lies in the limits, else Fahrenheit where that does: 75 for a kitchen is 75 F.
    /// Null where it is no temperature.
    /// </summary>
    public static double? Heat(string text, double least, double most)
    {
        if (Split(text) is not var (value, unit))
            return null;
        var fahrenheit = (value - 32) * 5 / 9;
        return unit.Trim('°', 'º', ' ').ToLowerInvariant() switch
        {
            "c" or "celsius" => value,
            "f" or "fahrenheit" => fahrenheit,
            "" or "degrees" => (value >= least && value <= most) || fahrenheit < least || fahrenheit > most ? value : fahrenheit,
            _ => null,
        };
    }

    private static double? Sum(string text, Dictionary<string, double> units, string bare)
    {
        // "1 lb 4 oz", "1 h 20": each number with its unit; a number at the end without one is of the next smaller.
        var sum = 0.0;
        var rest = text.Trim().Replace("fl. oz", "fl oz", StringComparison.OrdinalIgnoreCase);
        var last = 0.0;
        for (var parts = 0; rest.Length > 0; parts++)
        {
            var match = Part().Match(rest);
            if (!match.Success || parts > 3 || ValueOf(match) is not { } value)
                return null;
            var unit = match.Groups["u"].Value.Trim().TrimEnd('.');
            var size =
                unit.Length == 0 && parts > 0 && last is 60 ? 1
                : units.TryGetValue(unit.Length == 0 ? bare : unit, out var known) ? known
                : 0;
            if (size <= 0 || (parts > 0 && size >= last))
                return null;
            sum += value * size;
            last = size;
            rest = rest[match.Length..].Trim();
        }

        return last > 0 && double.IsFinite(sum) ? sum : null;
    }

    private static (double Value, string Unit)? Split(string text)
    {
        var match = Part().Match(text.Trim());
        return match.Success && match.Length == text.Trim().Length && ValueOf(match) is { } value
            ? (value, match.Groups["u"].Value.Trim().TrimEnd('.'))
            : null;
    }

    private static double? ValueOf(Match match)
    {
        var value = 0.0;
        if (
            match.Groups["n"].Length > 0
            && !double.TryParse(match.Groups["n"].Value.Replace(',', '.'), NumberStyles.Float, CultureInfo.InvariantCulture, out value)
        )
            return null;
        if (match.Groups["a"].Length > 0)
        {
            var below = double.Parse(match.Groups["b"].Value, CultureInfo.InvariantCulture);
            if (below <= 0)
                return null;
            value += double.Parse(match.Groups["a"].Value, CultureInfo.InvariantCulture) / below;
        }

        if (match.Groups["v"].Length > 0)
            value += match.Groups["v"].Value[0] switch
            {
                '½' => 0.5,
                '¼' => 0.25,
                '¾' => 0.75,
                '⅓' => 1.0 / 3,
                '⅔' => 2.0 / 3,
                _ => 0.125,
            };
        return match.Groups["s"].Length > 0 ? -value : value;
    }

    [GeneratedRegex(
        @"^(?<s>[-−])?(?=[\d½¼¾⅓⅔⅛.,])(?<n>\d*[.,]?\d+(?![\d]*/\d))?\s*((?<a>\d{1,3})/(?<b>\d{1,3})|(?<v>[½¼¾⅓⅔⅛]))?\s*"
            + @"(?<u>fl oz|[\p{L}°º""”″]+\.?|°\s?[CF])?",
        RegexOptions.ExplicitCapture | RegexOptions.CultureInvariant | RegexOptions.IgnoreCase,
        900
    )]
    private static partial Regex Part();

    [GeneratedRegex(@"^(?<h>\d{1,3}):(?<m>[0-5]\d)$", RegexOptions.ExplicitCapture | RegexOptions.CultureInvariant, 900)]
    private static partial Regex Colon();
}
