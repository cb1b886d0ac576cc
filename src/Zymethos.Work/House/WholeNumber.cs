using System.Globalization;

namespace Zymethos.Work.House;

/// <summary>Whole numbers as buttons and forms carry them.</summary>
public static class WholeNumber
{
    /// <summary>The number, 0 or more; null when the text is anything else, a sign or a space among it.</summary>
    public static int? Read(string? text) =>
        int.TryParse(text, NumberStyles.None, CultureInfo.InvariantCulture, out var number) ? number : null;
}
