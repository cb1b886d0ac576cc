using System.Globalization;

namespace Zymethos.Core.Measures;

/// <summary>Digits of every script as the ones that numbers are read from: a telephone set to Arabic types ٢, one set to Japanese
/// ２.</summary>
public static class Digits
{
    /// <summary>The text with every decimal digit as 0 to 9; the same text where there are no others.</summary>
    public static string Plain(string text)
    {
        foreach (var c in text)
        {
            if (IsForeign(c))
                return string.Create(
                    text.Length,
                    text,
                    static (span, from) =>
                    {
                        for (var i = 0; i < from.Length; i++)
                            span[i] = IsForeign(from[i]) ? (char)('0' + CharUnicodeInfo.GetDecimalDigitValue(from[i])) : from[i];
                    }
                );
        }

        return text;
    }

    private static bool IsForeign(char c) => c > '\u007F' && char.IsDigit(c);
}
