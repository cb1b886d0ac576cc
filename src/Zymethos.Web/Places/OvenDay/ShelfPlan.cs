using System.Globalization;
using System.Text;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Day;
using Zymethos.Planning.Reading;
using Zymethos.Planning.Rules;

namespace Zymethos.Web.Places.OvenDay;

/// <summary>
/// The oven's shelves from above while a load is in, with the pans to scale: its own and those that share the oven at its start. Where it
/// is to be turned or swapped, an arrow.
/// </summary>
public static class ShelfPlan
{
    // Drawn millimetres to a pixel.
    private const double Scale = 2.6;
    private const double Gap = 26;

    /// <summary>The drawing; empty for what does not bake.</summary>
    public static string Svg(PlannedDay day, PlanTask task)
    {
        if (task.Oven is not { Setting.IsHot: true })
            return "";
        var network = day.Network;
        var (start, number) = (day.Plan.Tasks[task.Index].Start, day.Plan.Tasks[task.Index].Oven);
        var oven = network.Kitchen.Ovens[number];
        var inside = network
            .Tasks.Where(t =>
                t.Oven is not null
                && t.Step?.Oven is not null
                && day.Plan.Tasks[t.Index].Oven == number
                && day.Plan.Tasks[t.Index].Start <= start
                && day.Plan.Tasks[t.Index].End > start
            )
            .OrderBy(t => t.Index == task.Index ? 0 : 1)
            .ToList();
        var (width, depth) = (oven.ShelfWidth.Millimetres / Scale, oven.ShelfDepth.Millimetres / Scale);
        var used = inside.SelectMany(t => day.Plan.Tasks[t.Index].Shelves).Distinct().OrderDescending().ToList();
        var svg = new StringBuilder();
        svg.Append(
            CultureInfo.InvariantCulture,
            $"<svg class=\"shelf-plan\" viewBox=\"0 0 {width + 4:0} {used.Count * (depth + Gap):0}\" width=\"{width + 4:0}\" "
                + $"height=\"{used.Count * (depth + Gap):0}\" role=\"img\" aria-label=\"{Said(day, oven, inside, used)}\">"
        );
        foreach (var (shelf, i) in used.Select((s, i) => (s, i)))
        {
            var top = (i * (depth + Gap)) + 18;
            svg.Append(
                CultureInfo.InvariantCulture,
                $"<text x=\"2\" y=\"{top - 5:0}\">{Name(shelf, oven.Shelves)}</text><rect class=\"shelf-room\" x=\"2\" "
                    + $"y=\"{top:0.#}\" width=\"{width:0.#}\" height=\"{depth:0.#}\" />"
            );
            AddPans(svg, day, inside, shelf, oven, top);
        }

        return svg.Append("</svg>").ToString();
    }

    private static void AddPans(StringBuilder svg, PlannedDay day, List<PlanTask> inside, int shelf, Oven oven, double top)
    {
        var pans = inside.SelectMany(load => day.Plan.Tasks[load.Index].Shelves.Where(s => s == shelf).Select(_ => load)).ToList();
        if (ShelfPacking.Place(oven, pans.ConvertAll(l => l.Oven!.Pan)) is not { } places)
            return;
        for (var i = 0; i < pans.Count; i++)
        {
            var place = places[i];
            // The front of the oven is at the foot of the drawing.
            var y = top + ((oven.ShelfDepth.Millimetres - place.Front - place.Deep) / Scale);
            AddPan(
                svg,
                pans[i],
                pans[i].Step!.Oven!.Load.Pan,
                2 + (place.Left / Scale),
                y,
                place.Across / Scale,
                place.Deep / Scale,
                pans[i].Index == inside[0].Index
            );
        }
    }

    private static void AddPan(StringBuilder svg, PlanTask load, Pan pan, double x, double y, double across, double deep, bool own)
    {
        var round = pan.Shape is PanShape.Round or PanShape.Springform or PanShape.Ring;
        svg.Append(
            CultureInfo.InvariantCulture,
            $"<rect class=\"shelf-pan{(own ? " own" : "")}\" x=\"{x + 2:0.#}\" y=\"{y + 2:0.#}\" width=\"{across - 4:0.#}\" "
                + $"height=\"{deep - 4:0.#}\" rx=\"{(round ? (across - 4) / 2 : 3):0.#}\" />"
        );
        svg.Append(
            CultureInfo.InvariantCulture,
            $"<text x=\"{x + (across / 2):0.#}\" y=\"{y + (deep / 2) + 5:0.#}\" "
                + $"text-anchor=\"middle\">{OvenTrace.Letter(load.Bake)}{Mark(load)}</text>"
        );
    }

    private static string Mark(PlanTask load) =>
        string.Concat(
            load.Step!.Touches.Select(t =>
                    t.Kind switch
                    {
                        TouchKind.Turn => " ↻",
                        TouchKind.Swap => " ⇅",
                        _ => "",
                    }
                )
                .Distinct()
        );

    private static string Name(int shelf, int shelves) =>
        shelf == 0 ? "lowest shelf"
        : shelf == shelves - 1 ? "top shelf"
        : shelves == 3 ? "middle shelf"
        : $"shelf {shelf + 1} from below";

    private static string Said(PlannedDay day, Oven oven, List<PlanTask> inside, List<int> used) =>
        string.Join("; ", used.Select(s => $"{Name(s, oven.Shelves)}: {string.Join(", ", On(day, inside, s))}"));

    private static IEnumerable<string> On(PlannedDay day, List<PlanTask> inside, int shelf) =>
        from task in inside
        let pans = day.Plan.Tasks[task.Index].Shelves.Count(s => s == shelf)
        where pans > 0
        select $"{pans} of {System.Net.WebUtility.HtmlEncode(day.Network.Bakes[task.Bake].Name)}";
}
