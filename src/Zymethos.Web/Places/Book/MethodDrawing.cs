using System.Globalization;
using System.Text;
using System.Text.Encodings.Web;
using Zymethos.Core.Recipes;
using Zymethos.Web.Drawing;

namespace Zymethos.Web.Places.Book;

/// <summary>
/// A method as a small network: time runs right, work is solid, waits are open and as long as they last. What can be done beside something
/// else has a row of its own.
/// Waits of many hours are cut, with a mark where they are.
/// </summary>
public static class MethodDrawing
{
    private const double Row = 46;
    private const double Bar = 26;
    private const double Narrowest = 24;
    private const int CutFrom = 180;

    /// <summary>The drawing as SVG; empty for a recipe without steps.</summary>
    /// <param name="recipe">The recipe with its choices made.</param>
    public static string Svg(Recipe recipe)
    {
        if (recipe.Steps.IsEmpty)
            return "";
        var rank = Ranks(recipe);
        var (x, widths, total) = Columns(recipe, rank);
        var rows = Rows(recipe, x, widths, out var count);
        var svg = new StringBuilder();
        var height = (count * Row) + 14;
        var label = $"The method of {recipe.Name} as a network of {recipe.Steps.Length} steps; the list beside it says the same.";
        svg.Append(
            CultureInfo.InvariantCulture,
            $"<svg class=\"method-drawing\" viewBox=\"0 0 {total + 12:0} {height:0}\" width=\"{total + 12:0}\" height=\"{height:0}\" "
                + $"role=\"img\" aria-label=\"{HtmlEncoder.Default.Encode(label)}\">"
        );
        var index = recipe
            .Steps.Select((s, i) => (s.Key, i))
            .GroupBy(p => p.Key)
            .ToDictionary(g => g.Key, g => g.First().i, StringComparer.Ordinal);
        foreach (var link in recipe.Links.Where(l => index.ContainsKey(l.From) && index.ContainsKey(l.To)))
        {
            var (from, to) = (index[link.From], index[link.To]);
            var (x1, y1) = (x[from] + widths[from], Middle(rows[from]));
            var (x2, y2) = (x[to], Middle(rows[to]));
            var bend = Math.Max(x1 + 3, x2 - 7);
            svg.Append(
                CultureInfo.InvariantCulture,
                $"<path class=\"method-link{(link.MaxLag is not null && link.Window == WindowKind.Hard ? " is-tight" : "")}\" "
                    + $"d=\"M{x1:0.0} {y1:0.0}H{bend:0.0}V{y2:0.0}H{x2:0.0}\"/>"
            );
        }

        for (var i = 0; i < recipe.Steps.Length; i++)
            Step(svg, recipe.Steps[i], i, x[i], widths[i], rows[i]);
        return svg.Append("</svg>").ToString();
    }

    private static double Middle(int row) => 8 + (row * Row) + (Bar / 2);

    private static void Step(StringBuilder svg, Step step, int index, double x, double width, int row)
    {
        var y = 8 + (row * Row);
        var shape =
            step.Kind == StepKind.Bake ? "bake"
            : step.IsHandsOn ? "work"
            : "wait";
        var minutes = (int)step.Takes.Likely.TotalMinutes * step.Times;
        var title = $"{index + 1}. {step.Title}, {Spoken.Minutes(minutes)}";
        svg.Append(CultureInfo.InvariantCulture, $"<g class=\"method-{shape}\"><title>{HtmlEncoder.Default.Encode(title)}</title>");
        var fill = step.Kind == StepKind.Bake && step.Oven is { } oven ? $" fill=\"{HeatRamp.Of(oven.SetTemperature.Celsius)}\"" : "";
        if (shape == "wait")
            svg.Append(
                CultureInfo.InvariantCulture,
                $"<path d=\"M{x:0.0} {y + (Bar / 2):0.0}C{x + (width * 0.12):0.0} {y - 1:0.0} {x + (width * 0.88):0.0} {y - 1:0.0} "
                    + $"{x + width:0.0} {y + (Bar / 2):0.0}C{x + (width * 0.88):0.0} {y + Bar + 1:0.0} {x + (width * 0.12):0.0} "
                    + $"{y + Bar + 1:0.0} {x:0.0} {y + (Bar / 2):0.0}Z\"/>"
            );
        else
            svg.Append(
                CultureInfo.InvariantCulture,
                $"<rect x=\"{x:0.0}\" y=\"{y:0.0}\" width=\"{width:0.0}\" height=\"{Bar}\" rx=\"2\"{fill}/>"
            );
        if (minutes > CutFrom)
            svg.Append(
                CultureInfo.InvariantCulture,
                $"<path class=\"method-cut\" d=\"M{x + (width * 0.72) - 5:0.0} {y + Bar + 3:0.0}l5 {-Bar - 6:0.0}m4 0l-5 {Bar + 6:0.0}\"/>"
            );
        svg.Append(
            CultureInfo.InvariantCulture,
            $"<text x=\"{x + (width / 2):0.0}\" y=\"{y + 18:0.0}\" text-anchor=\"middle\">{index + 1}</text></g>"
        );
        if (width > 58 || minutes > 30)
            svg.Append(
                CultureInfo.InvariantCulture,
                $"<text class=\"method-time\" x=\"{x + (width / 2):0.0}\" y=\"{y + Bar + 13:0.0}\" "
                    + $"text-anchor=\"middle\">{HtmlEncoder.Default.Encode(Short(minutes))}</text>"
            );
    }

    private static string Short(int minutes) =>
        minutes >= 2880 ? $"{minutes / 1440} days"
        : minutes >= 120 ? $"{minutes / 60.0:0.#} h"
        : $"{minutes} min";

    /// <summary>Latest starts in minutes before the end: what is not urgent stands as late as it can, where a baker would do it.</summary>
    private static double[] Ranks(Recipe recipe)
    {
        var index = recipe
            .Steps.Select((s, i) => (s.Key, i))
            .GroupBy(p => p.Key)
            .ToDictionary(g => g.Key, g => g.First().i, StringComparer.Ordinal);
        var before = new double[recipe.Steps.Length];
        for (var i = 0; i < before.Length; i++)
            before[i] = Length(recipe.Steps[i]);
        // Longest paths to the end; bounded rounds, so that a draft with a circle is drawn as well.
        for (var round = 0; round < before.Length; round++)
        {
            var moved = false;
            foreach (var link in recipe.Links)
            {
                if (!index.TryGetValue(link.From, out var from) || !index.TryGetValue(link.To, out var to))
                    continue;
                var needed = before[to] + Length(recipe.Steps[from]) + Math.Min(link.MinLag.TotalMinutes, CutFrom);
                if (needed <= before[from])
                    continue;
                before[from] = needed;
                moved = true;
            }

            if (!moved)
                break;
        }

        return before;
    }

    /// <summary>Length of a step on the paper, in minutes: long waits are cut.</summary>
    private static double Length(Step step) => Math.Min(step.Takes.Likely.TotalMinutes * step.Times, CutFrom);

    private static (double[] X, double[] Widths, double Total) Columns(Recipe recipe, double[] before)
    {
        var longest = before.Max();
        var scale = Math.Clamp(1000 / Math.Max(60, longest), 0.7, 4);
        var x = new double[before.Length];
        var widths = new double[before.Length];
        for (var i = 0; i < before.Length; i++)
            widths[i] = Math.Max(Narrowest, Length(recipe.Steps[i]) * scale);
        var index = recipe
            .Steps.Select((s, i) => (s.Key, i))
            .GroupBy(p => p.Key)
            .ToDictionary(g => g.Key, g => g.First().i, StringComparer.Ordinal);
        for (var i = 0; i < before.Length; i++)
            x[i] = 6 + ((longest - before[i]) * scale);
        // Short steps are drawn wider than they last; what follows moves along.
        for (var round = 0; round < before.Length; round++)
        {
            var moved = false;
            foreach (var link in recipe.Links)
            {
                if (!index.TryGetValue(link.From, out var from) || !index.TryGetValue(link.To, out var to))
                    continue;
                var least = x[from] + widths[from] + 12;
                if (x[to] >= least)
                    continue;
                x[to] = least;
                moved = true;
            }

            if (!moved)
                break;
        }

        return (x, widths, x.Select((v, i) => v + widths[i]).Max());
    }

    /// <summary>A row for each step: that of the step before where it is free, else the first free one.</summary>
    private static int[] Rows(Recipe recipe, double[] x, double[] widths, out int count)
    {
        var index = recipe
            .Steps.Select((s, i) => (s.Key, i))
            .GroupBy(p => p.Key)
            .ToDictionary(g => g.Key, g => g.First().i, StringComparer.Ordinal);
        var rows = new int[x.Length];
        var ends = new List<double>();
        foreach (var i in Enumerable.Range(0, x.Length).OrderBy(i => x[i]).ThenByDescending(i => widths[i]))
        {
            var wanted = recipe
                .Links.Where(l => l.To == recipe.Steps[i].Key && index.ContainsKey(l.From))
                .Select(l => index[l.From])
                .OrderByDescending(f => x[f] + widths[f])
                .Select(f => (int?)rows[f])
                .FirstOrDefault();
            var row = wanted is { } w && ends[w] <= x[i] - 8 ? w : ends.FindIndex(e => e <= x[i] - 8);
            if (row < 0)
            {
                row = ends.Count;
                ends.Add(0);
            }

            rows[i] = row;
            ends[row] = x[i] + widths[i];
        }

        count = ends.Count;
        return rows;
    }
}
