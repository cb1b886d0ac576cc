using System.Globalization;
using System.Text;
using System.Text.Encodings.Web;
using Zymethos.Core.Heat;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Recipes;
using Zymethos.Web.Drawing;
using CoreKitchen = Zymethos.Core.Kitchens.Kitchen;

namespace Zymethos.Web.Places.Kitchen;

/// <summary>
/// The kitchen as its figures make it: how the oven climbs and falls, and its shelf from above with every pan to the same scale. Everything
/// in it stands in words and tables on the page as well.
/// </summary>
public static class KitchenDrawing
{
    private const double Wide = 560;
    private const double Tall = 230;
    private const double Left = 46;
    private const double Foot = 200;
    private const int Minutes = 90;
    private const double Coldest = 20;
    private const double Hottest = 260;

    // Drawn millimetres to a pixel.
    private const double Scale = 3.2;

    /// <summary>Both drawings, as SVG to be put into the page.</summary>
    public static string Svg(CoreKitchen kitchen)
    {
        var svg = new StringBuilder();
        AddCurve(svg, kitchen);
        AddShelf(svg, kitchen);
        return svg.ToString();
    }

    private static void AddCurve(StringBuilder svg, CoreKitchen kitchen)
    {
        var (thermal, says, room) = (new OvenThermal(kitchen.Oven, kitchen.Room), kitchen.Says, kitchen.Room.Celsius);
        var (heat, shut, ajar) = (
            thermal.MinutesToHeat(room, 180),
            thermal.MinutesToCool(180, 100, ajar: false),
            thermal.MinutesToCool(180, 100, ajar: true)
        );
        var words =
            $"From cold to {says.Dial(180)} in {heat:0} minutes; from {says.DialNumber(180)} down to {says.Dial(100)} in {shut:0} "
            + $"minutes with the door shut, {ajar:0} with it ajar.";
        svg.Append(
            CultureInfo.InvariantCulture,
            $"<svg class=\"oven-curve\" viewBox=\"0 0 {Wide} {Tall}\" role=\"img\" aria-label=\"{HtmlEncoder.Default.Encode(words)}\">"
        );
        svg.Append("<defs><linearGradient id=\"oven-heat\" x1=\"0\" x2=\"0\" y1=\"0\" y2=\"1\">");
        foreach (var (celsius, colour) in HeatRamp.Gradient.Reverse())
            svg.Append(
                CultureInfo.InvariantCulture,
                $"<stop offset=\"{(Hottest - celsius) / (Hottest - Coldest):0.##}\" stop-color=\"{colour}\"/>"
            );
        svg.Append("</linearGradient></defs>");
        foreach (var celsius in new[] { 50, 100, 150, 200, 250 })
        {
            svg.Append(
                CultureInfo.InvariantCulture,
                $"<line class=\"grid\" x1=\"{Left}\" x2=\"{Wide}\" y1=\"{Y(celsius):0.#}\" y2=\"{Y(celsius):0.#}\"/>"
            );
            svg.Append(SvgText.At(Left - 6, Y(celsius) + 4, says.DialNumber(celsius).ToString(CultureInfo.InvariantCulture), "end"));
        }

        foreach (var minute in new[] { 0, 30, 60, 90 })
            svg.Append(SvgText.At(X(minute), Foot + 20, minute == 90 ? "90 min" : $"{minute}", minute == 90 ? "end" : "middle"));
        // Where the dial ends the thermostat holds it.
        var climb = Line(m => Math.Min(thermal.Heated(room, m), kitchen.Oven.Hottest.Celsius), 0);
        // The whole height is one gradient, so that a colour is the same heat in every drawing.
        svg.Append(
            CultureInfo.InvariantCulture,
            $"<clipPath id=\"oven-under\"><path d=\"M{X(0):0.#} {Foot} L{climb} L{X(Minutes):0.#} {Foot} Z\"/></clipPath>"
                + $"<rect class=\"oven-fill\" x=\"{Left}\" y=\"{Y(Hottest):0.#}\" width=\"{Wide - Left}\" "
                + $"height=\"{Foot - Y(Hottest):0.#}\" "
                + $"clip-path=\"url(#oven-under)\" fill=\"url(#oven-heat)\"/><polyline class=\"oven-climb\" points=\"{climb}\"/>"
        );
        svg.Append(
            CultureInfo.InvariantCulture,
            $"<polyline class=\"oven-fall\" points=\"{Line(m => thermal.Cooled(180, m, false), 0)}\"/>"
        );
        svg.Append(
            CultureInfo.InvariantCulture,
            $"<polyline class=\"oven-fall ajar\" points=\"{Line(m => thermal.Cooled(180, m, true), 0)}\"/>"
        );
        Mark(svg, heat, 180, $"{says.Dial(180)} after {heat:0} min", "start");
        Mark(svg, shut, 100, "door shut", "start");
        Mark(svg, ajar, 100, "ajar", "end");
        svg.Append("</svg>");
    }

    private static void Mark(StringBuilder svg, double minute, double celsius, string words, string anchor)
    {
        if (minute > Minutes)
            return;
        svg.Append(CultureInfo.InvariantCulture, $"<circle cx=\"{X(minute):0.#}\" cy=\"{Y(celsius):0.#}\" r=\"4\"/>");
        svg.Append(SvgText.At(X(minute) + (anchor == "end" ? -8 : 8), Y(celsius) - 7, words, anchor == "end" ? "end" : "", "mark"));
    }

    private static void AddShelf(StringBuilder svg, CoreKitchen kitchen)
    {
        var (oven, says) = (kitchen.Oven, kitchen.Says);
        var (width, depth) = (oven.ShelfWidth.Millimetres, oven.ShelfDepth.Millimetres);
        var pans = kitchen.Cupboard.OrderByDescending(p => p.Pan.Length.Millimetres * p.Pan.Width.Millimetres).Take(24).ToList();
        const double gap = 14;
        var (x, y, row, room) = (width / Scale + (gap * 2), 20.0, 0.0, Wide);
        var drawn = new StringBuilder();
        foreach (var stock in pans)
        {
            var (across, deep) = (stock.Pan.Length.Millimetres / Scale, stock.Pan.Width.Millimetres / Scale);
            if (x + across > room)
                (x, y, row) = (y + row + gap > (depth / Scale) + 44 ? 2 : (width / Scale) + (gap * 2), y + row + gap, 0);
            var fits = Math.Max(across, deep) * Scale <= Math.Max(width, depth) && Math.Min(across, deep) * Scale <= Math.Min(width, depth);
            var round = stock.Pan.Shape is PanShape.Round or PanShape.Springform or PanShape.Ring;
            drawn.Append(
                CultureInfo.InvariantCulture,
                $"<g><title>{HtmlEncoder.Default.Encode($"{PanText.Say(stock, says)}{(fits ? "" : ": does not fit on a shelf")}")}</title>"
                    + $"<rect class=\"pan{(fits ? "" : " too-large")}\" x=\"{x:0.#}\" y=\"{y:0.#}\" width=\"{across:0.#}\" "
                    + $"height=\"{deep:0.#}\" rx=\"{(round ? across / 2 : 3):0.#}\"/>"
            );
            drawn.Append(SvgText.At(x + (across / 2), y + (deep / 2) + 5, $"{stock.Count} ×", "middle", isHidden: true)).Append("</g>");
            (x, row) = (x + across + gap, Math.Max(row, deep));
        }

        var tall = Math.Max(y + row, (depth / Scale) + 20) + 6;
        var words =
            $"A shelf of {Size(oven.ShelfWidth, says)} by {Size(oven.ShelfDepth, says)}, {oven.Shelves} used together, and "
            + $"{pans.Sum(p => p.Count)} pans of {pans.Count} kinds to the same scale.";
        svg.Append(
            CultureInfo.InvariantCulture,
            $"<svg class=\"shelf-drawn\" viewBox=\"0 0 {room:0} {tall:0}\" role=\"img\" aria-label=\"{HtmlEncoder.Default.Encode(words)}\">"
        );
        for (var shelf = Math.Min(oven.Shelves, 6) - 1; shelf >= 0; shelf--)
            svg.Append(
                CultureInfo.InvariantCulture,
                $"<rect class=\"shelf-room\" x=\"{2 + (shelf * 4)}\" y=\"{20 - (shelf * 4) + 8}\" width=\"{width / Scale:0.#}\" "
                    + $"height=\"{depth / Scale:0.#}\"/>"
            );
        svg.Append(SvgText.At(10, (depth / Scale) + 20, $"{oven.Shelves} {(oven.Shelves == 1 ? "shelf" : "shelves")}", isHidden: true));
        svg.Append(drawn).Append("</svg>");
    }

    private static string Size(Core.Measures.Length length, KitchenSays says) =>
        string.Create(CultureInfo.InvariantCulture, $"{says.LengthNumber(length):0.#} {says.LengthUnit}");

    private static string Line(Func<double, double> celsius, double from)
    {
        var points = Enumerable
            .Range(0, 46)
            .Select(i => from + (i * (Minutes - from) / 45))
            .Select(m => string.Create(CultureInfo.InvariantCulture, $"{X(m):0.#},{Y(Math.Clamp(celsius(m), Coldest, Hottest)):0.#}"));
        return string.Join(' ', points);
    }

    private static double X(double minute) => Left + (minute / Minutes * (Wide - Left - 4));

    private static double Y(double celsius) => Foot - ((celsius - Coldest) / (Hottest - Coldest) * (Foot - 10));
}
