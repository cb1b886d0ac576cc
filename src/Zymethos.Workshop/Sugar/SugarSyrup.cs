using System.Collections.Immutable;

namespace Zymethos.Workshop.Sugar;

/// <summary>What boiled sugar does when a drop of it falls into cold water.</summary>
/// <param name="Name">What cooks call it.</param>
/// <param name="From">Degrees Celsius at sea level.</param>
/// <param name="To">Degrees Celsius at sea level.</param>
/// <param name="ForWhat">What is made of it.</param>
public sealed record SugarStage(string Name, double From, double To, string ForWhat);

/// <summary>
/// Boiling sugar syrup: its temperature says how much water is left. Shares of sugar by boiling point from McGee, "On Food and Cooking"
/// (2004), the table of sugar syrups; stages from United States extension tables; both from memory.
/// </summary>
public static class SugarSyrup
{
    /// <summary>The stages from the coolest to the hottest.</summary>
    public static readonly ImmutableArray<SugarStage> Stages =
    [
        new("thread", 110, 112, "syrups, soaked fruit"),
        new("soft ball", 112, 116, "fudge, fondant, cooked buttercream"),
        new("firm ball", 118, 120, "soft caramels, meringue with hot syrup"),
        new("hard ball", 121, 130, "marshmallow, nougat"),
        new("soft crack", 132, 143, "toffee, spun threads"),
        new("hard crack", 149, 154, "brittle, windows of sugar"),
        new("caramel", 160, 177, "caramel; darker means more bitter"),
    ];

    // Sugar in percent of the weight, and where such a syrup boils at sea level.
    private static readonly (double Percent, double Celsius)[] Table =
    [
        (0, 100),
        (40, 101),
        (50, 102),
        (60, 103),
        (70, 106),
        (80, 112),
        (90, 123),
        (95, 140),
        (97, 151),
        (98.2, 160),
        (99.5, 166),
        (99.6, 171),
    ];

    /// <summary>Where a syrup boils at sea level, in degrees Celsius; between the table's rows a straight line.</summary>
    /// <param name="percent">Sugar in percent of the weight, 0 to 99.6.</param>
    public static double BoilsAt(double percent) => Between(percent, Table.Select(r => (r.Percent, r.Celsius)).ToArray());

    /// <summary>Sugar in percent of the weight of a syrup that boils at a temperature.</summary>
    /// <param name="celsius">Its temperature, as it would be at sea level.</param>
    public static double PercentAt(double celsius) => Between(celsius, Table.Select(r => (r.Celsius, r.Percent)).ToArray());

    /// <summary>The stage at a temperature as it would be at sea level; null between stages and outside.</summary>
    public static SugarStage? StageAt(double celsius) => Stages.LastOrDefault(s => celsius >= s.From - 0.5 && celsius <= s.To + 0.5);

    private static double Between(double at, (double X, double Y)[] rows)
    {
        if (at <= rows[0].X)
            return rows[0].Y;
        for (var i = 1; i < rows.Length; i++)
        {
            if (at <= rows[i].X)
                return rows[i - 1].Y + ((at - rows[i - 1].X) / (rows[i].X - rows[i - 1].X) * (rows[i].Y - rows[i - 1].Y));
        }

        return rows[^1].Y;
    }
}
