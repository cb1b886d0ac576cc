using System.Globalization;
using System.Text;
using System.Text.Encodings.Web;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Scaling;

namespace Zymethos.Web.Places.Book;

/// <summary>A pan cut through, to scale, with the batter in it and the line it must not pass.</summary>
public static class PanDrawing
{
    private const double PixelsPerCentimetre = 8.5;
    private const double Wall = 2.5;

    /// <summary>The drawing as SVG. Colours come from the page's styles.</summary>
    /// <param name="fit">The batter in the pan.</param>
    /// <param name="kind">Kind of bake, for the line of the most.</param>
    public static string Svg(PanFit fit, RecipeKind kind)
    {
        var pan = fit.Pan;
        var depth = (pan.Depth?.Millimetres ?? 0) / 10;
        var cups = pan.Shape == PanShape.Muffin ? Math.Min(pan.Cups, 4) : 1;
        var across = (pan.Shape == PanShape.Muffin ? pan.CupWidth?.Millimetres ?? 0 : pan.Length.Millimetres) / 10;
        var width = (cups * across * PixelsPerCentimetre) + ((cups - 1) * 8) + 92;
        var height = (depth * PixelsPerCentimetre) + 34;
        var most = PanVolume.HeightOf(pan, Volume.FromMillilitres((PanVolume.Of(pan)?.Millilitres ?? 0) * FillRule.For(kind).Most));
        var svg = new StringBuilder();
        svg.Append(
            CultureInfo.InvariantCulture,
            $"<svg class=\"pan-cut\" viewBox=\"0 0 {width:0} {height:0}\" width=\"{width:0}\" height=\"{height:0}\" role=\"img\" "
                + $"aria-label=\"{HtmlEncoder.Default.Encode(Words(fit))}\">"
        );
        for (var i = 0; i < cups; i++)
            Cavity(svg, fit, 4 + (i * ((across * PixelsPerCentimetre) + 8)), depth, pan);
        var end = 4 + (cups * across * PixelsPerCentimetre) + ((cups - 1) * 8);
        var batter = Y(depth, fit.Height.Millimetres / 10);
        if (most is { } line)
        {
            var y = Y(depth, line.Millimetres / 10);
            svg.Append(
                CultureInfo.InvariantCulture,
                $"<line class=\"pan-most\" x1=\"2\" x2=\"{end + 4:0.0}\" y1=\"{y:0.0}\" y2=\"{y:0.0}\"/>"
            );
            // Two words too near each other would cover each other.
            if (Math.Abs(y - batter) > 15)
                svg.Append(
                    CultureInfo.InvariantCulture,
                    $"<text class=\"pan-most-word\" x=\"{end + 8:0.0}\" y=\"{y + 4:0.0}\">no higher</text>"
                );
        }

        svg.Append(
            CultureInfo.InvariantCulture,
            $"<text x=\"{end + 8:0.0}\" y=\"{batter + 4:0.0}\">{fit.Height.Millimetres / 10:0.#} cm</text></svg>"
        );
        return svg.ToString();
    }

    /// <summary>The same in words.</summary>
    public static string Words(PanFit fit) =>
        $"{(fit.Count == 1 ? "" : $"{fit.Count} × ")}{fit.Pan.Name}, filled {fit.Height.Millimetres / 10:0.#} cm high of "
        + $"{(fit.Pan.Depth?.Millimetres ?? 0) / 10:0.#} cm, {fit.Fill * 100:0} % full";

    private static void Cavity(StringBuilder svg, PanFit fit, double left, double depth, Pan pan)
    {
        var outer = Outline(pan, left, depth, depth, false);
        if (pan.Shape == PanShape.Ring)
        {
            // A ring is cut through twice: batter on both sides of the tube.
            svg.Append(
                CultureInfo.InvariantCulture,
                $"<path class=\"pan-batter\" d=\"{Outline(pan, left, depth, fit.Height.Millimetres / 10, false)}\"/>"
            );
            svg.Append(CultureInfo.InvariantCulture, $"<path class=\"pan-tube\" d=\"{Outline(pan, left, depth, depth, true)}\"/>");
        }
        else
        {
            svg.Append(
                CultureInfo.InvariantCulture,
                $"<path class=\"pan-batter\" d=\"{Outline(pan, left, depth, fit.Height.Millimetres / 10, false)}\"/>"
            );
        }

        svg.Append(CultureInfo.InvariantCulture, $"<path class=\"pan-wall\" d=\"{outer}\" stroke-width=\"{Wall}\"/>");
    }

    private static string Outline(Pan pan, double left, double depth, double height, bool tube)
    {
        var top = PanVolume.Across(pan, height * 10);
        var bottom = PanVolume.Across(pan, 0);
        var brim = PanVolume.Across(pan, depth * 10);
        var middle = left + (brim.Length / 10 * PixelsPerCentimetre / 2);
        var (wide, narrow) = tube
            ? (top.Tube / 20 * PixelsPerCentimetre, bottom.Tube / 20 * PixelsPerCentimetre)
            : (top.Length / 20 * PixelsPerCentimetre, bottom.Length / 20 * PixelsPerCentimetre);
        return string.Create(
            CultureInfo.InvariantCulture,
            $"M{middle - wide:0.0} {Y(depth, height):0.0}L{middle - narrow:0.0} {Y(depth, 0):0.0}L{middle + narrow:0.0} "
                + $"{Y(depth, 0):0.0}L{middle + wide:0.0} {Y(depth, height):0.0}{(tube || height < depth ? "Z" : "")}"
        );
    }

    private static double Y(double depth, double height) => 18 + ((depth - height) * PixelsPerCentimetre);
}
