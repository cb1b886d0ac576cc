using Zymethos.Core.Kitchens;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Day;
using Zymethos.Planning.Rules;

namespace Zymethos.Planning.Compile;

/// <summary>How much of a shelf a pan takes, by how many of its kind stand on one.</summary>
public static class ShelfRoom
{
    // More of a kind than this are not counted on a shelf: small moulds stand on a tray.
    private const int MostOfAKind = 12;

    /// <summary>How many of a pan stand on one shelf; 0 when not even one does.</summary>
    public static int PansPerShelf(Oven oven, Pan pan) => PansPerShelf(oven, Footprint.Of(pan));

    /// <summary>How many of a footprint stand on one shelf; 0 when not even one does.</summary>
    public static int PansPerShelf(Oven oven, Footprint pan)
    {
        if (pan.Wide <= 0)
            return 0;
        var rows = Math.Min(MostOfAKind, Math.Max(Rows(pan.Long, pan.Wide), Rows(pan.Wide, pan.Long)));
        // Turned some one way and some the other, more may fit than in straight rows.
        while (rows < MostOfAKind && ShelfPacking.Place(oven, [.. Enumerable.Repeat(pan, rows + 1)]) is not null)
            rows++;
        return rows;

        int Rows(int across, int deep) =>
            (int)Math.Floor((oven.ShelfWidth.Millimetres + 1e-6) / across) * (int)Math.Floor((oven.ShelfDepth.Millimetres + 1e-6) / deep);
    }

    /// <summary>Parts of a shelf (of <see cref="TaskNetwork.ShelfUnits"/>) that one such pan takes, rounded up; 0 for a pan that does not
    /// fit at all.</summary>
    public static int UnitsOf(Oven oven, Footprint pan)
    {
        var fits = PansPerShelf(oven, pan);
        return fits == 0 ? 0 : (TaskNetwork.ShelfUnits + fits - 1) / fits;
    }
}
