using System.Globalization;
using System.Text.RegularExpressions;
using Zymethos.Core.Recipes;

namespace Zymethos.Core.Drafts;

/// <summary>Which pan of a cupboard a text means.</summary>
public static partial class PanWords
{
    /// <summary>The nearest pan of the kind that is named; null when none is named or the cupboard has none of its kind.</summary>
    /// <param name="low">The text in lower case.</param>
    /// <param name="pans">Pans to choose from.</param>
    public static Pan? Find(string low, IReadOnlyList<Pan> pans)
    {
        var shapes = ShapesIn(low);
        if (shapes.Length == 0) return null;
        var candidates = pans.Where(p => shapes.Contains(p.Shape)).ToList();
        if (candidates.Count == 0) return null;
        var size = Sizes().Match(low);
        if (!size.Success) return candidates[0];
        var scale = size.Groups["cm"].Success ? 10 : 25.4;
        var wanted = new[] { size.Groups["a"], size.Groups["b"] }.Where(g => g.Success).Select(g => double.Parse(g.Value.Replace(',', '.'), CultureInfo.InvariantCulture) * scale).OrderDescending().ToArray();
        return candidates.MinBy(p => Math.Abs(p.Length.Millimetres - wanted[0]) + Math.Abs(p.Width.Millimetres - wanted[^1]));
    }

    private static PanShape[] ShapesIn(string low) => low switch
    {
        _ when low.Contains("muffin", StringComparison.Ordinal) || low.Contains("cupcake", StringComparison.Ordinal) => low.Contains("tin", StringComparison.Ordinal) || low.Contains("pan", StringComparison.Ordinal) || low.Contains("cup", StringComparison.Ordinal) ? [PanShape.Muffin] : [],
        _ when Loaf().IsMatch(low) => [PanShape.Loaf],
        _ when low.Contains("springform", StringComparison.Ordinal) => [PanShape.Springform],
        _ when Ring().IsMatch(low) => [PanShape.Ring],
        _ when Round().IsMatch(low) => [PanShape.Round],
        _ when Square().IsMatch(low) => [PanShape.Rectangle],
        _ when Tray().IsMatch(low) => [PanShape.Tray],
        _ => [],
    };

    [GeneratedRegex(@"\bloaf (?:pan|tin)", RegexOptions.None, 200)]
    private static partial Regex Loaf();

    [GeneratedRegex(@"\b(?:tube|ring|fluted) (?:\w+ )?(?:pan|tin|mould|mold)", RegexOptions.None, 200)]
    private static partial Regex Ring();

    [GeneratedRegex(@"\bround (?:\w+ )?(?:pan|tin)|\bcake (?:pan|tin)|\blayer (?:pan|tin)", RegexOptions.None, 200)]
    private static partial Regex Round();

    [GeneratedRegex(@"\bsquare (?:\w+ )?(?:pan|tin|dish)|\b\d+\s*[x×]\s*\d+[- ]?(?:inch|in\.?|cm)? (?:baking )?(?:pan|tin|dish)", RegexOptions.None, 200)]
    private static partial Regex Square();

    [GeneratedRegex(@"\b(?:baking|cookie) (?:sheet|tray)|\bsheet pan|\btrays?\b", RegexOptions.None, 200)]
    private static partial Regex Tray();

    [GeneratedRegex(@"(?<a>\d{1,2}(?:[.,]\d)?)\s*(?:-?\s?(?:inch(?:es)?|in\.?|""|cm))?\s*(?:(?:x|×|by)\s*(?<b>\d{1,2}(?:[.,]\d)?))?\s*-?\s?(?:(?<cm>cm)|inch|in\b|"")", RegexOptions.None, 200)]
    private static partial Regex Sizes();
}
