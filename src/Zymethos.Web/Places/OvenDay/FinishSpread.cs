using System.Globalization;
using System.Text;
using Zymethos.Planning.Certainty;
using Zymethos.Planning.Reading;

namespace Zymethos.Web.Places.OvenDay;

/// <summary>When rehearsed days end: a bar for each quarter of an hour, the plan's own hour as a line.</summary>
public static class FinishSpread
{
    private const int Step = 15;
    private const double Bar = 34;
    private const double Tall = 90;

    /// <summary>The drawing.</summary>
    public static string Svg(PlannedDay day, RehearsalResult result)
    {
        var groups = result.Finishes.GroupBy(f => Slot(day, f)).ToDictionary(g => g.Key, g => g.Count());
        var (from, until) = (groups.Keys.Min(), Math.Max(groups.Keys.Max(), Slot(day, day.Figures.FinishMinute)));
        var most = groups.Values.Max();
        var bars = until - from + 1;
        var svg = new StringBuilder();
        svg.Append(
            CultureInfo.InvariantCulture,
            $"<svg class=\"spread\" viewBox=\"0 0 {(bars * Bar) + 20:0} {Tall + 44:0}\" width=\"{(bars * Bar) + 20:0}\" "
                + $"height=\"{Tall + 44:0}\" role=\"img\" aria-label=\"Most days end between {Clock(day, result.FinishAt(0.1))} and "
                + $"{Clock(day, result.FinishAt(0.9))}\">"
        );
        for (var slot = from; slot <= until; slot++)
        {
            var count = groups.GetValueOrDefault(slot);
            var (x, height) = (10 + ((slot - from) * Bar), Tall * count / most);
            svg.Append(
                CultureInfo.InvariantCulture,
                $"<rect x=\"{x + 2:0.#}\" y=\"{Tall + 14 - height:0.#}\" width=\"{Bar - 4:0.#}\" height=\"{height:0.#}\" />"
            );
            if (count > 0)
                svg.Append(
                    CultureInfo.InvariantCulture,
                    $"<text class=\"count\" x=\"{x + (Bar / 2):0.#}\" y=\"{Tall + 10 - height:0.#}\" text-anchor=\"middle\">{count}</text>"
                );
            if ((slot - from) % 2 == 0)
                svg.Append(
                    CultureInfo.InvariantCulture,
                    $"<text x=\"{x:0.#}\" y=\"{Tall + 32:0}\">{Clock(day, MinuteOf(day, slot))}</text>"
                );
        }

        var plan = 10 + ((day.Figures.FinishMinute - MinuteOf(day, from)) / (double)Step * Bar);
        svg.Append(CultureInfo.InvariantCulture, $"<line x1=\"{plan:0.#}\" x2=\"{plan:0.#}\" y1=\"2\" y2=\"{Tall + 14:0}\" /></svg>");
        return svg.ToString();
    }

    /// <summary>Quarters of an hour since the midnight before the day.</summary>
    private static int Slot(PlannedDay day, int minute) => ((day.Network.Origin.Hour * 60) + day.Network.Origin.Minute + minute) / Step;

    private static int MinuteOf(PlannedDay day, int slot) => (slot * Step) - (day.Network.Origin.Hour * 60) - day.Network.Origin.Minute;

    private static string Clock(PlannedDay day, int minute) => day.Network.HourOf(minute);
}
