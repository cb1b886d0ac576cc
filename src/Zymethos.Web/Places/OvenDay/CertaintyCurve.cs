using System.Globalization;
using System.Text;
using Zymethos.Planning.Day;
using Zymethos.Planning.Reading;

namespace Zymethos.Web.Places.OvenDay;

/// <summary>What certainty costs: for each plan that may be chosen, on how many of a hundred days it goes well beside the hour by which
/// nine of ten days are done.</summary>
public static class CertaintyCurve
{
    private const double Wide = 520;
    private const double Tall = 150;
    private const double Left = 44;
    private const double Top = 12;
    private const double Foot = 34;
    private const int Quarter = 15;

    /// <summary>The drawing; empty where there are fewer than two plans.</summary>
    public static string Svg(PlannedDay day)
    {
        if (day.Choices.Length < 2)
            return "";
        var hours = day.Choices.Select(c => c.Chance.DoneBy).ToList();
        var (from, until) = (hours.Min() - Quarter, hours.Max() + Quarter);
        var floor = Math.Min(0.5, Math.Floor(day.Choices.Min(c => c.Chance.Together) * 10) / 10);
        double X(int minute) => Left + ((minute - from) / (double)(until - from) * Wide);
        double Y(double share) => Top + ((1 - share) / (1 - floor) * Tall);
        var svg = new StringBuilder();
        svg.Append(
            CultureInfo.InvariantCulture,
            $"<svg class=\"curve\" viewBox=\"0 0 {Left + Wide + 20:0} {Top + Tall + Foot:0}\" width=\"{Left + Wide + 20:0}\" "
                + $"height=\"{Top + Tall + Foot:0}\" role=\"img\" aria-label=\"What certainty costs: {Words(day)}\">"
        );
        for (var share = floor; share <= 1.001; share += 0.1)
            svg.Append(
                CultureInfo.InvariantCulture,
                $"<line class=\"grid\" x1=\"{Left:0}\" x2=\"{Left + Wide:0}\" y1=\"{Y(share):0.#}\" y2=\"{Y(share):0.#}\" />"
                    + $"<text x=\"{Left - 6:0}\" y=\"{Y(share) + 4:0.#}\" text-anchor=\"end\">{share * 100:0}</text>"
            );
        // Hours on the axis, as many as have room.
        var step = (until - from) switch
        {
            <= 90 => Quarter,
            <= 240 => 2 * Quarter,
            _ => 4 * Quarter,
        };
        var start = (day.Network.Origin.Hour * 60) + day.Network.Origin.Minute;
        for (var minute = (((start + from) / step) + 1) * step - start; minute < until; minute += step)
            svg.Append(
                CultureInfo.InvariantCulture,
                $"<text x=\"{X(minute):0.#}\" y=\"{Top + Tall + 20:0}\" text-anchor=\"middle\">{Clock(day, minute)}</text>"
            );
        var asked = day.Network.Kitchen.Certainty;
        svg.Append(
            CultureInfo.InvariantCulture,
            $"<line class=\"asked\" x1=\"{Left:0}\" x2=\"{Left + Wide:0}\" y1=\"{Y(asked):0.#}\" y2=\"{Y(asked):0.#}\" />"
        );
        var points = string.Join(' ', day.Choices.Select(c => Invariant($"{X(c.Chance.DoneBy):0.#},{Y(c.Chance.Together):0.#}")));
        svg.Append(CultureInfo.InvariantCulture, $"<polyline points=\"{points}\" />");
        foreach (var choice in day.Choices)
        {
            var chosen = IsChosen(day, choice);
            svg.Append(
                CultureInfo.InvariantCulture,
                $"<circle{(chosen ? " class=\"is-chosen\"" : "")} cx=\"{X(choice.Chance.DoneBy):0.#}\" "
                    + $"cy=\"{Y(choice.Chance.Together):0.#}\" r=\"{(chosen ? 8 : 5)}\"><title>{Of(choice)}, done by "
                    + $"{Clock(day, choice.Chance.DoneBy)}</title></circle>"
            );
        }

        svg.Append("</svg>");
        return svg.ToString();
    }

    /// <summary>Whether a plan is the one that stands.</summary>
    public static bool IsChosen(PlannedDay day, PlanChoice choice) =>
        day.Plan.Tasks.Length == choice.Plan.Tasks.Length
        && day.Plan.Tasks.Zip(choice.Plan.Tasks).All(p => p.First.Start == p.Second.Start && p.First.Oven == p.Second.Oven);

    /// <summary>"96 of 100 days".</summary>
    public static string Of(PlanChoice choice) => Of(choice.Chance.Together);

    /// <summary>"96 of 100 days"; never all of them, since a day is a day.</summary>
    public static string Of(double share) =>
        share switch
        {
            > 0.995 => "more than 99 of 100 days",
            < 0.01 => "hardly a day",
            _ => Invariant($"{Math.Floor((share * 100) + 1e-6):0} of 100 days"),
        };

    private static string Words(PlannedDay day) =>
        string.Join("; ", day.Choices.Select(c => $"well on {Of(c)}, done by {Clock(day, c.Chance.DoneBy)}"));

    private static string Clock(PlannedDay day, int minute) => day.Network.HourOf(minute);

    private static string Invariant(FormattableString text) => text.ToString(CultureInfo.InvariantCulture);
}
