using System.Globalization;
using System.Text.RegularExpressions;
using Zymethos.Core.Measures;

namespace Zymethos.Interchange.Larder;

/// <summary>An amount on a shelf: a weight, or a number of pieces.</summary>
/// <param name="Grams">A weight; null for what is counted.</param>
/// <param name="Pieces">A number; null for what is weighed.</param>
public sealed record StockAmount(double? Grams, int? Pieces)
{
    /// <summary>Reads "2 x 250 g", "1.5 kg", "1 lb", "12", "2 dozen"; null when it is none of these. A volume is taken as if it were water,
    /// which for milk and cream is right to a few parts of a hundred.</summary>
    /// <param name="text">What was typed.</param>
    /// <param name="knowledge">What the kitchen knows.</param>
    public static StockAmount? Read(string text, IngredientKnowledge knowledge)
    {
        var words = text.Trim().ToLowerInvariant().Replace(',', '.');
        var match = Regex.Match(
            words,
            @"^(?:(?<n>\d+(?:\.\d+)?)\s*[x×*]\s*)?(?<a>\d+(?:\.\d+)?)\s*(?<u>[a-z. ]*)$",
            RegexOptions.None,
            TimeSpan.FromMilliseconds(900)
        );
        if (!match.Success)
            return null;
        var many = match.Groups["n"].Success ? double.Parse(match.Groups["n"].Value, CultureInfo.InvariantCulture) : 1;
        var amount = many * double.Parse(match.Groups["a"].Value, CultureInfo.InvariantCulture);
        var unit = match.Groups["u"].Value.Trim();
        if (!double.IsFinite(amount) || amount > 1_000_000)
            return null;
        if (unit.Length == 0 || unit is "pcs" or "pieces" or "piece")
            return new StockAmount(null, (int)Math.Round(amount));
        if (unit is "dozen")
            return new StockAmount(null, (int)Math.Round(12 * amount));
        return UnitWords.Find(unit) is { Dimension: UnitDimension.Mass or UnitDimension.Volume } known
                ? new StockAmount(amount * known.Size, null)
            : unit is "l" or "litre" or "liter" or "litres" or "liters" ? new StockAmount(amount * 1000, null)
            : null;
    }
}
