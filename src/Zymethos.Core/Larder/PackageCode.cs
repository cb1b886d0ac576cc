namespace Zymethos.Core.Larder;

/// <summary>
/// The number under the bars of a package: 8, 12, 13 or 14 digits, the last of them a check digit (GS1 General Specifications, 7.9:
/// weights 3 and 1 in turn from the right, sum to a multiple of ten).
/// </summary>
public static class PackageCode
{
    /// <summary>Digits in which all codes are kept, zeros in front.</summary>
    public const int Digits = 14;

    /// <summary>A code in its 14 digits; null for what is none. Spaces and hyphens do not count.</summary>
    public static string? Read(string? text)
    {
        var digits = (text ?? "").Replace(" ", "", StringComparison.Ordinal).Replace("-", "", StringComparison.Ordinal);
        if (digits.Length is not (8 or 12 or 13 or 14) || !digits.All(char.IsAsciiDigit))
            return null;
        var whole = digits.PadLeft(Digits, '0');
        var sum = whole[..^1].Select((d, i) => (d - '0') * (i % 2 == 0 ? 3 : 1)).Sum();
        return (10 - (sum % 10)) % 10 == whole[^1] - '0' ? whole : null;
    }
}
