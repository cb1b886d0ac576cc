using Zymethos.Core.Kitchens;
using Zymethos.Core.Recipes;

namespace Zymethos.Planning.Compile;

/// <summary>So many of a pan, under the name by which all recipes that take it share them.</summary>
/// <param name="Name">The kitchen's name for it.</param>
/// <param name="Count">How many, at least 1.</param>
internal readonly record struct PansThere(string Name, int Count)
{
    // The same pan is measured a little differently by everybody: outside, inside, to the nearest half inch.
    private const double SameWithinMillimetres = 8;

    // Two baking sheets, and of everything else what one recipe takes at once (common practice, no source).
    private const int UsualTrays = 2;

    /// <summary>How many of a pan a day may use. A kitchen that never said what it has is taken to have an ordinary cupboard, and never
    /// less than one recipe wants at once. Null, for not counted, where the baker wrote a list and the pan is not on it.</summary>
    /// <param name="kitchen">The kitchen.</param>
    /// <param name="pan">The pan.</param>
    /// <param name="atOnce">How many the recipe fills at once.</param>
    public static PansThere? Of(Kitchen kitchen, Pan pan, int atOnce)
    {
        if (Find(kitchen, pan) is { } stock)
            return new(stock.Pan.Name, kitchen.Pans.IsEmpty ? Math.Max(stock.Count, atOnce) : stock.Count);
        if (!kitchen.Pans.IsEmpty)
            return null;
        return new(pan.Name, Math.Max(pan.Shape == PanShape.Tray ? UsualTrays : 1, atOnce));
    }

    /// <summary>How many the baker says there are; null where nothing was said of it.</summary>
    public static int? Stated(Kitchen kitchen, Pan pan) => kitchen.Pans.IsEmpty ? null : Find(kitchen, pan)?.Count;

    private static PanStock? Find(Kitchen kitchen, Pan pan) =>
        kitchen.Cupboard.FirstOrDefault(s => string.Equals(s.Pan.Name, pan.Name, StringComparison.OrdinalIgnoreCase))
        ?? kitchen.Cupboard.FirstOrDefault(s => IsSame(s.Pan, pan));

    private static bool IsSame(Pan one, Pan other) =>
        one.Shape == other.Shape
        && one.Cups == other.Cups
        && Near(one.Length.Millimetres, other.Length.Millimetres)
        && Near(one.Width.Millimetres, other.Width.Millimetres)
        && (one.Depth is null || other.Depth is null || Near(one.Depth.Value.Millimetres, other.Depth.Value.Millimetres));

    private static bool Near(double one, double other) => Math.Abs(one - other) <= SameWithinMillimetres;
}
