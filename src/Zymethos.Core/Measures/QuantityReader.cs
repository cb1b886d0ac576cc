using System.Globalization;

namespace Zymethos.Core.Measures;

/// <summary>Reads numbers, ranges and units from the tokens of a line.</summary>
internal sealed class QuantityReader(IReadOnlyList<string> tokens, Dialect dialect = Dialect.American)
{
    private static readonly Dictionary<string, double> Shares = new(StringComparer.OrdinalIgnoreCase)
    {
        ["half"] = 0.5,
        ["halves"] = 0.5,
        ["quarter"] = 0.25,
        ["quarters"] = 0.25,
        ["third"] = 1.0 / 3,
        ["thirds"] = 1.0 / 3,
        ["eighth"] = 0.125,
        ["eighths"] = 0.125,
    };

    private static double? WordOf(string token) =>
        NumberWords.Of(token)
        ?? token.ToLowerInvariant() switch
        {
            "half" or "quarter" or "third" or "eighth" => Shares[token],
            "few" => 3,
            _ => (double?)null,
        };

    private static readonly Dictionary<string, double> Fullness = new(StringComparer.OrdinalIgnoreCase)
    {
        ["heaped"] = 1.5,
        ["heaping"] = 1.5,
        ["rounded"] = 1.25,
        ["scant"] = 0.9,
        ["generous"] = 1.1,
        ["level"] = 1,
        ["good"] = 1.1,
        ["full"] = 1,
    };

    private static readonly HashSet<string> Vague = new(StringComparer.OrdinalIgnoreCase)
    {
        "about",
        "approx",
        "approx.",
        "approximately",
        "around",
        "roughly",
        "circa",
        "ca",
        "ca.",
        "nearly",
        "almost",
        "up",
    };

    /// <summary>Words passed over on the way that say how full a measure is packed ("packed", "lightly").</summary>
    public List<string> Packing { get; } = [];

    /// <summary>Words passed over that say that a number is not exact ("about").</summary>
    public List<string> Hedges { get; } = [];

    /// <summary>Where the next token is read.</summary>
    public int At { get; set; }

    private string? Now => Peek(0);

    /// <summary>
    /// An amount with its unit and fullness; null, with nothing read, when none stands here. A number without a unit counts pieces.
    /// </summary>
    public (Amount Amount, double Fullness, bool HasUnit)? Amount()
    {
        var start = At;
        while (Now is { } word && Vague.Contains(word))
        {
            Hedges.Add(word);
            At++;
        }

        if (Now is { } first && Fullness.ContainsKey(first) && !IsNumberAt(At + 1))
            return Unitless(start);
        if (Numbers() is not { } numbers)
            return Unitless(start);
        var fullness = 1.0;
        while (Now is { } word && Fullness.TryGetValue(word, out var f) && Peek(1) is not null)
        {
            fullness = f;
            At++;
        }

        while (IsPackedUnit())
            Packing.Add(tokens[At++].ToLowerInvariant());
        // "a cake of yeast" is how it is sold; "2 cups cake flour" is none.
        if (Now is "cake" or "cakes" && Peek(1) is "of" or "yeast" or "fresh" or "compressed")
        {
            At++;
            if (Now is "of")
                At++;
            return (new Amount(numbers.Low, numbers.High, MeasureUnit.Packet), fullness, true);
        }

        if (Now is { } unitWord && UnitWords.Find(unitWord, dialect) is { } unit && !IsPieceName(unitWord))
        {
            At++;
            // "a cup and a half of flour"
            var more = AndAShare();
            // "2 oz. butter", "1 cup of flour"
            if (Now is "of" or ".")
                At++;
            return (new Amount(numbers.Low + more, numbers.High + more, unit), fullness, true);
        }

        return (new Amount(numbers.Low, numbers.High, MeasureUnit.Piece), fullness, false);
    }

    /// <summary>A number or range; null, with nothing read, when none stands here.</summary>
    public (double Low, double High)? Numbers()
    {
        var start = At;
        if (Number() is not { } low)
        {
            At = start;
            return null;
        }

        var after = At;
        if (Now is "-" or "to" or "or" or "until")
        {
            At++;
            if (Number() is { } high && high > low && !IsMoreThanUnit(after))
                return (low, high);
            At = after;
        }

        return (low, low);
    }

    /// <summary>"2 or 3 eggs" is a range; "1 cup or 240 ml" is the same again: a unit stands between.</summary>
    private bool IsMoreThanUnit(int after) =>
        after > 0 && UnitWords.Find(tokens[after - 1], dialect) is not null && !char.IsAsciiDigit(tokens[after - 1][0]);

    private double AndAShare()
    {
        if (Now is "and" or "&" && Peek(1) is "a" or "one" && Peek(2) is { } share && Shares.TryGetValue(share, out var part))
        {
            At += 3;
            return part;
        }

        return 0;
    }

    private (Amount Amount, double Fullness, bool HasUnit)? Unitless(int start)
    {
        At = start;
        Hedges.Clear();
        // "pinch of salt", "handful raisins", "heaped tbsp": one of them, though nobody said so.
        var fullness = 1.0;
        if (Now is { } word && Fullness.TryGetValue(word, out var f) && Peek(1) is { } next && UnitWords.Find(next, dialect) is not null)
        {
            fullness = f;
            At++;
        }

        if (Now is { } unitWord && UnitWords.Find(unitWord, dialect) is { } unit && unitWord.Length > 2 && unit != MeasureUnit.Piece)
        {
            At++;
            if (Now is "of")
                At++;
            return (Measures.Amount.Of(1, unit), fullness, true);
        }

        At = start;
        return null;
    }

    private double? Number()
    {
        if (Now is not { } token)
            return null;
        if (Fraction(token) is { } fraction)
        {
            At++;
            return fraction;
        }

        if (double.TryParse(token, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var whole) && double.IsFinite(whole))
        {
            At++;
            return Now is "dozen" ? Dozens(whole) : whole + Rest(whole);
        }

        if (WordOf(token) is not { } value)
            return null;
        // "a little nutmeg" is no number of nutmegs.
        if (token is "a" or "some" && Peek(1) is "little" or "bit" or "touch" or "dusting")
            return null;
        At++;
        // "three quarters of a pound", "two thirds of a cup"
        if (value >= 1 && token.Length > 2 && Now is { } share && Shares.TryGetValue(share, out var part))
        {
            At++;
            SkipOf();
            return value * part;
        }

        if (token is "few" || (token is "a" && Now is "few"))
            Hedges.Add("few");
        return WordNumber(token, value);
    }

    /// <summary>The fraction of a mixed number: "1 1/2", "1 and 1/2", "1 and a half".</summary>
    private double Rest(double whole)
    {
        if (whole != Math.Floor(whole))
            return 0;
        var at = At;
        if (Now is "and" or "&")
            At++;
        if (Now is { } token && Fraction(token) is { } fraction && fraction < 1)
        {
            At++;
            return fraction;
        }

        if (At > at && Now is "a" or "one" && Peek(1) is { } named && Shares.TryGetValue(named, out var part))
        {
            At += 2;
            return part;
        }

        if (At > at && Now is "half" or "quarter")
            return Shares[tokens[At++]];
        At = at;
        return 0;
    }

    private double WordNumber(string token, double value)
    {
        if (
            token.Equals("a", StringComparison.OrdinalIgnoreCase)
            || token.Equals("an", StringComparison.OrdinalIgnoreCase)
            || token.Equals("one", StringComparison.OrdinalIgnoreCase)
        )
        {
            // "a half cup", "a dozen", "a couple of", "a third of a cup"
            if (
                Now is { } next
                && WordOf(next) is { } of
                && next is "half" or "quarter" or "dozen" or "couple" or "third" or "eighth" or "few"
            )
            {
                At++;
                SkipOf();
                return of;
            }

            return value + (value == 1 && token.Length > 2 ? Rest(1) : 0);
        }

        if (token.Equals("half", StringComparison.OrdinalIgnoreCase) && (Now is "dozen" || (Now is "a" && Peek(1) is "dozen")))
        {
            At += Now is "a" ? 2 : 1;
            return 6;
        }

        if (value < 1 || token is "couple" or "few")
        {
            SkipOf();
            return value;
        }

        return Now is "dozen" ? Dozens(value) : value + (value >= 1 && value == Math.Floor(value) ? Rest(value) : 0);
    }

    private double Dozens(double value)
    {
        At++;
        return value * 12;
    }

    /// <summary>"half of a cup", "half a cup", "a couple of eggs".</summary>
    private void SkipOf()
    {
        if (Now is "of")
            At++;
        if (Now is "a" or "an")
            At++;
    }

    private bool IsNumberAt(int index) =>
        index < tokens.Count
        && (
            Fraction(tokens[index]) is not null
            || double.TryParse(tokens[index], NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out _)
        );

    /// <summary>"1 packed cup": the form stands before the unit and is read later from the words.</summary>
    private bool IsPackedUnit() =>
        Now is "packed" or "firmly" or "lightly" or "loosely" or "tightly"
        && (Peek(1) is "packed" || (Peek(1) is { } next && UnitWords.Find(next, dialect) is not null));

    /// <summary>"4 cloves" and "2 sheets" are units only where no such ingredient is meant; cloves are a spice.</summary>
    private static bool IsPieceName(string word) => word is "clove" or "cloves";

    private string? Peek(int ahead) =>
        At + ahead < tokens.Count
            ? tokens[At + ahead].Length == 1
                ? tokens[At + ahead]
                : Lower(tokens[At + ahead])
            : null;

    private static string Lower(string token) => token is "Tb" or "Tb." or "T." or "C." ? token : token.ToLowerInvariant();

    private static double? Fraction(string token)
    {
        var parts = token.Split('/');
        return
            parts.Length == 2
            && int.TryParse(parts[0], NumberStyles.None, CultureInfo.InvariantCulture, out var n)
            && int.TryParse(parts[1], NumberStyles.None, CultureInfo.InvariantCulture, out var d)
            && d > 0
            && d <= 64
            && n > 0
            ? (double)n / d
            : null;
    }
}
