using Zymethos.Core.Kitchens;
using Zymethos.Core.Recipes;

namespace Zymethos.Core.Planning;

/// <summary>How much of a shelf a pan takes, by how many of its kind stand on one in straight rows.</summary>
public static class ShelfRoom
{
    /// <summary>How many of a pan stand on one shelf, all turned the same way; 0 when not even one does.</summary>
    public static int PansPerShelf(Oven oven, Pan pan)
    {
        var lengthwise = Rows(oven.ShelfWidth.Millimetres, pan.Length.Millimetres) * Rows(oven.ShelfDepth.Millimetres, pan.Width.Millimetres);
        var crosswise = Rows(oven.ShelfWidth.Millimetres, pan.Width.Millimetres) * Rows(oven.ShelfDepth.Millimetres, pan.Length.Millimetres);
        return Math.Max(lengthwise, crosswise);
    }

    /// <summary>Twelfths of a shelf that one such pan takes, rounded up; a whole shelf for a pan that does not fit at all.</summary>
    public static int UnitsOf(Oven oven, Pan pan)
    {
        var fits = Math.Max(1, PansPerShelf(oven, pan));
        return Math.Max(1, (TaskNetwork.ShelfUnits + fits - 1) / fits);
    }

    private static int Rows(double room, double side) => side <= 0 ? 0 : (int)Math.Floor((room + 1e-6) / side);
}
