using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;

namespace Zymethos.Core.Scaling;

/// <summary>
/// What a pan holds. Walls lean in toward the bottom, each by the taper named here; the volume is that of the prismatoid between brim and
/// bottom, h/6 (A1 + 4 Am + A2), exact for leaning plane walls and for cones. The tapers are common practice without a source, chosen so
/// that the volumes agree with handbook charts of water to the brim.
/// </summary>
public static class PanVolume
{
    private const double RingFlutes = 0.88;
    private const double TubeShare = 0.3;

    /// <summary>What the pan holds to the brim, all cups of a tin together; null for a tray or when the depth is not known.</summary>
    public static Volume? Of(Pan pan) =>
        pan.Shape == PanShape.Tray || UsableDepth(pan) is not { } depth ? null : Volume.FromMillilitres(Below(pan, depth, depth));

    /// <summary>How high a volume stands in the pan, shared evenly by the cups of a tin; the depth when it would run over. Null when the
    /// pan holds nothing.</summary>
    public static Length? HeightOf(Pan pan, Volume volume)
    {
        if (Of(pan) is not { } all || UsableDepth(pan) is not { } depth)
            return null;
        if (volume.Millilitres >= all.Millilitres)
            return Length.FromMillimetres(depth);
        var (low, high) = (0.0, depth);
        for (var i = 0; i < 60; i++)
        {
            var middle = (low + high) / 2;
            if (Below(pan, middle, depth) < volume.Millilitres)
                low = middle;
            else
                high = middle;
        }

        return Length.FromMillimetres(low);
    }

    /// <summary>The widths of one cavity at a height above its bottom, in millimetres: the longer, the shorter, and the tube of a ring at
    /// the same height.</summary>
    public static (double Length, double Width, double Tube) Across(Pan pan, double height)
    {
        var depth = UsableDepth(pan) ?? 0;
        var lean = depth <= 0 ? 0 : 2 * Taper(pan) * (1 - (Math.Clamp(height, 0, depth) / depth));
        var (length, width) =
            pan.Shape == PanShape.Muffin
                ? (pan.CupWidth?.Millimetres ?? 0, pan.CupWidth?.Millimetres ?? 0)
                : (pan.Length.Millimetres, pan.Width.Millimetres);
        var tube = pan.Shape == PanShape.Ring ? TubeShare * length : 0;
        return (Math.Max(0, length - lean), Math.Max(0, width - lean), tube);
    }

    /// <summary>How far each wall leans in from brim to bottom, in millimetres (common practice, no source).</summary>
    public static double Taper(Pan pan) =>
        pan.Shape switch
        {
            PanShape.Loaf => 0.5 * Length.MillimetresPerInch,
            PanShape.Rectangle or PanShape.Round => 0.25 * Length.MillimetresPerInch,
            PanShape.Ring => 1.0 * Length.MillimetresPerInch,
            PanShape.Muffin => 0.07 * (pan.CupWidth?.Millimetres ?? 0) * (pan.CupWidth?.Millimetres < 55 ? 0.4 : 0.62),
            _ => 0,
        };

    /// <summary>Depth that can be filled, in millimetres: a springform loses a quarter of an inch to its lip (common practice, no
    /// source).</summary>
    private static double? UsableDepth(Pan pan) =>
        pan.Depth is not { Millimetres: > 0 } depth ? null
        : pan.Shape == PanShape.Springform ? Math.Max(1, depth.Millimetres - (0.25 * Length.MillimetresPerInch))
        : depth.Millimetres;

    /// <summary>Millilitres below a height.</summary>
    private static double Below(Pan pan, double height, double depth)
    {
        if (height <= 0 || depth <= 0)
            return 0;
        var cubic = height / 6 * (Area(pan, 0) + (4 * Area(pan, height / 2)) + Area(pan, height));
        return cubic / 1000 * pan.Cups * (pan.Shape == PanShape.Ring ? RingFlutes : 1);
    }

    private static double Area(Pan pan, double height)
    {
        var (length, width, tube) = Across(pan, height);
        return pan.Shape switch
        {
            PanShape.Loaf or PanShape.Rectangle => length * width,
            _ => Math.PI / 4 * Math.Max(0, (length * length) - (tube * tube)),
        };
    }
}
