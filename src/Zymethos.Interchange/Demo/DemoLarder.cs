using NodaTime;
using NodaTime.Text;
using Zymethos.Interchange.Larder;

namespace Zymethos.Interchange.Demo;

/// <summary>What is in the demo kitchen's house, all invented: enough flour, butter for one evening only, an opened can, a jar of
/// discard, cream that is nearly over, and wrapping that nobody has bought yet.</summary>
public static class DemoLarder
{
    /// <summary>What is there on a day.</summary>
    /// <param name="today">The day.</param>
    public static IReadOnlyList<StockDocument> On(LocalDate today)
    {
        string In(int days) => LocalDatePattern.Iso.Format(today.PlusDays(days));
        StockDocument Good(
            string name,
            double? grams,
            int? pieces = null,
            int? bestBy = null,
            bool opened = false,
            string kind = "ingredient",
            string? place = null
        ) => new(Guid.CreateVersion7().ToString(), name, kind, grams, pieces, opened, bestBy is { } d ? In(d) : null, place, Since: In(0));
        return
        [
            Good("plain flour", 4000, place: "flour bin"),
            Good("bread flour", 1500, place: "flour bin"),
            Good("butter", 500, bestBy: 25, place: "refrigerator"),
            Good("egg", null, 8, 12, place: "refrigerator"),
            Good("heavy cream", 240, bestBy: 3, opened: true, place: "refrigerator"),
            Good("granulated sugar", 1800, place: "shelf"),
            Good("light brown sugar", 700, place: "shelf"),
            Good("icing sugar", 500, place: "shelf"),
            Good("pumpkin", 180, bestBy: 2, opened: true, place: "refrigerator"),
            Good("raisins", 300, opened: true, place: "shelf"),
            Good("starter discard", 140, kind: "starter", place: "refrigerator"),
            Good("cinnamon", 35, place: "spice drawer"),
            Good("Market squash loaf", null, 2, 60, kind: "bake", place: "freezer"),
            Good("paper for the parcels", null, kind: "wish"),
            Good("ribbon, 14 lengths", null, kind: "wish"),
        ];
    }
}
