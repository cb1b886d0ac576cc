using System.Collections.Immutable;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Scaling;

namespace Zymethos.Core.Heat;

/// <summary>A plane wall or a long cylinder, half of whose thickness heat must cross.</summary>
/// <param name="IsCylinder">Whether it is round.</param>
/// <param name="HalfMetres">Half the thickness, or the radius, in metres; above 0.</param>
internal readonly record struct HeatPath(bool IsCylinder, double HalfMetres);

/// <summary>Batter in a pan as a product of plane walls and cylinders (Incropera and DeWitt, ch. 5: multidimensional effects).</summary>
/// <param name="Paths">Its paths.</param>
internal sealed record BatterBody(ImmutableArray<HeatPath> Paths)
{
    /// <summary>The body of batter standing at a height in a pan; widths are those half way up.</summary>
    public static BatterBody In(Pan pan, Length height)
    {
        var (length, width, tube) = PanVolume.Across(pan, height.Millimetres / 2);
        var up = new HeatPath(false, Half(height.Millimetres));
        return pan.Shape switch
        {
            PanShape.Round or PanShape.Springform or PanShape.Muffin => new([new HeatPath(true, Half(length)), up]),
            // A ring is a bar bent round: it has a width and a height, and no ends.
            PanShape.Ring => new([new HeatPath(false, Half((length - tube) / 2)), up]),
            _ => new([new HeatPath(false, Half(length)), new HeatPath(false, Half(width)), up]),
        };
    }

    private static double Half(double millimetres) => Math.Max(1, millimetres) / 2000;
}
