using System.Collections.Immutable;

namespace Zymethos.Workshop.Layers;

/// <summary>A tier of a cake.</summary>
/// <param name="Width">Its width, or side, in millimetres; above zero.</param>
/// <param name="Layers">Layers of cake in it, at least 1.</param>
public sealed record CakeTier(double Width, int Layers);

/// <summary>How a cake is built. All lengths in millimetres.</summary>
/// <param name="IsRound">Whether it is round; else square.</param>
/// <param name="Tiers">Its tiers, the lowest first, each narrower than the one below.</param>
/// <param name="LayerHeight">Height of a layer, trimmed.</param>
/// <param name="Filling">Thickness of the filling between two layers.</param>
/// <param name="Dam">Width of the ring that keeps a filling in; 0 for none.</param>
/// <param name="Crumb">Thickness of the first, thin coat.</param>
/// <param name="Coat">Thickness of the last coat.</param>
public sealed record CakeWish(
    bool IsRound,
    ImmutableArray<CakeTier> Tiers,
    double LayerHeight,
    double Filling,
    double Dam,
    double Crumb,
    double Coat
);

/// <summary>
/// What a layered cake takes, in millilitres: closed forms of cylinders or boxes. A coat covers the side and the top of each tier; where
/// the next tier stands nothing is spread but the first coat.
/// </summary>
/// <param name="Filling">Filling between the layers, inside the dams.</param>
/// <param name="Dams">Cream in the dams.</param>
/// <param name="Crumb">First coat.</param>
/// <param name="Coat">Last coat.</param>
/// <param name="Height">Height of the whole cake in millimetres.</param>
public sealed record LayeredCake(double Filling, double Dams, double Crumb, double Coat, double Height)
{
    /// <summary>Reckons it.</summary>
    public static LayeredCake Of(CakeWish wish)
    {
        var (filling, dams, crumb, coat, height) = (0.0, 0.0, 0.0, 0.0, 0.0);
        for (var i = 0; i < wish.Tiers.Length; i++)
        {
            var tier = wish.Tiers[i];
            var gaps = tier.Layers - 1;
            var tall = TierHeight(wish, tier);
            var inside = Area(wish, Math.Max(0, tier.Width - (2 * wish.Dam)));
            filling += gaps * wish.Filling * inside;
            dams += gaps * wish.Filling * (Area(wish, tier.Width) - inside);
            var coated = tier.Width + (2 * wish.Crumb);
            crumb += (Area(wish, coated) * (tall + wish.Crumb)) - (Area(wish, tier.Width) * tall);
            var full = coated + (2 * wish.Coat);
            var tallCoated = tall + wish.Crumb;
            var over = i + 1 < wish.Tiers.Length ? Area(wish, wish.Tiers[i + 1].Width) : 0;
            coat += ((Area(wish, full) - Area(wish, coated)) * tallCoated) + ((Area(wish, full) - over) * wish.Coat);
            height += tallCoated + (over > 0 ? 0 : wish.Coat);
        }

        return new LayeredCake(filling / 1000, dams / 1000, crumb / 1000, coat / 1000, height);
    }

    /// <summary>Height of a tier without its coats, in millimetres.</summary>
    public static double TierHeight(CakeWish wish, CakeTier tier) => (tier.Layers * wish.LayerHeight) + ((tier.Layers - 1) * wish.Filling);

    private static double Area(CakeWish wish, double width) => wish.IsRound ? Math.PI / 4 * width * width : width * width;
}
