using System.Collections.Immutable;
using System.Globalization;
using System.Text;
using NodaTime;
using Zymethos.Core.Heat;
using Zymethos.Core.Leaven;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Compile;
using Zymethos.Planning.Day;
using Zymethos.Planning.Reading;

namespace Zymethos.Web.Places.OvenDay;

/// <summary>
/// A wait drawn: how far a dough has risen, with the band in which it is ready, or how a bake cools, with the hours at which it is firm
/// enough to turn out and cold enough to ice. From the same models the plan uses.
/// </summary>
public static class WaitCurve
{
    private const double Width = 340;
    private const double Height = 150;
    private const double Left = 34;
    private const double Foot = 22;

    /// <summary>The drawing; empty for a step that neither rises nor cools.</summary>
    public static string Svg(PlannedDay day, PlanTask task, Recipe? recipe)
    {
        if (task.RiseShares.Length > 1)
            return Rise(day, task);
        if (task.Kind != StepKind.Cool || recipe is null || task.Step is null)
            return "";
        return
            CoolTimes.Of(recipe, task.Step, day.Network.Kitchen, day.Network.TimeOf(day.Plan.Tasks[task.Index].Start).TimeOfDay)
                is { Course: { } course } cooled
            ? Cool(day, task, course, cooled.Before)
            : "";
    }

    private static string Rise(PlannedDay day, PlanTask task)
    {
        var (planned, shares) = (day.Plan.Tasks[task.Index], task.RiseShares);
        var until = 5.0 * (shares.Length - 1);
        double At(double share) => shares.Select((s, i) => (s, i)).FirstOrDefault(p => p.s >= share, (0, shares.Length - 1)).i * 5.0;
        double X(double m) => Left + (m / until * (Width - Left - 6));
        // About doubled when the dose is reached: what has grown goes with the gas.
        double Y(double share) => Height - Foot - (share / 1.5 * (Height - Foot - 10));
        var (first, last) = (At(RiseDose.ReadyFrom), At(RiseDose.ReadyUntil));
        var svg = Begin(
            $"Rise of {task.Title}: ready from {Clock(day, planned.Start + first)}, about doubled at "
                + $"{Clock(day, planned.Start + At(1))}, over by {Clock(day, planned.Start + last)}"
        );
        svg.Append(
            CultureInfo.InvariantCulture,
            $"<rect class=\"band\" x=\"{X(first):0.#}\" y=\"6\" width=\"{X(last) - X(first):0.#}\" height=\"{Height - Foot - 6:0.#}\" />"
        );
        Curve(svg, until, X, m => Y(Between(shares, m / 5)));
        Mark(svg, X(first), $"ready {Clock(day, planned.Start + first)}", false);
        Mark(svg, X(last), $"over {Clock(day, planned.Start + last)}", true);
        Side(svg, Y(0), "×1");
        Side(svg, Y(1), "×2");
        return svg.Append("</svg>").ToString();
    }

    private static double Between(ImmutableArray<double> values, double at)
    {
        var low = Math.Clamp((int)at, 0, values.Length - 2);
        return values[low] + ((values[low + 1] - values[low]) * Math.Clamp(at - low, 0, 1));
    }

    private static string Cool(PlannedDay day, PlanTask task, CakeCooling course, Duration before)
    {
        var planned = day.Plan.Tasks[task.Index];
        var outAt = planned.Start - before.TotalMinutes;
        var until = Math.Max(30, (planned.End - outAt) * 1.15);
        double X(double m) => Left + (m / until * (Width - Left - 6));
        double Y(double celsius) => Height - Foot - ((celsius - 15) / 85 * (Height - Foot - 10));
        var firm = course.Until(CakeCooling.FirmEnoughToTurnOut);
        var cold = course.Until(CakeCooling.ColdEnoughToIce);
        var svg = Begin(
            $"Cooling of {task.Title}: firm enough to turn out "
                + $"{(firm is { } f ? $"at {Clock(day, outAt + f.TotalMinutes)}" : "never")}, cold enough to ice "
                + $"{(cold is { } c ? $"at {Clock(day, outAt + c.TotalMinutes)}" : "never in this room")}"
        );
        Curve(svg, until, X, m => Y(course.At(Duration.FromMinutes(m)).Celsius));
        if (firm is { } firmAt && firmAt.TotalMinutes < until)
            Mark(svg, X(firmAt.TotalMinutes), $"firm {Clock(day, outAt + firmAt.TotalMinutes)}", false);
        if (cold is { } coldAt && coldAt.TotalMinutes < until)
            Mark(svg, X(coldAt.TotalMinutes), $"to ice {Clock(day, outAt + coldAt.TotalMinutes)}", true);
        Side(svg, Y(95), "95°");
        Side(svg, Y(CakeCooling.ColdEnoughToIce.Celsius), "27°");
        return svg.Append("</svg>").ToString();
    }

    private static StringBuilder Begin(string said) =>
        new StringBuilder().Append(
            CultureInfo.InvariantCulture,
            $"<svg class=\"wait-curve\" viewBox=\"0 0 {Width} {Height}\" width=\"{Width}\" height=\"{Height}\" role=\"img\" "
                + $"aria-label=\"{System.Net.WebUtility.HtmlEncode(said)}\"><line class=\"foot\" x1=\"{Left}\" x2=\"{Width - 6}\" "
                + $"y1=\"{Height - Foot}\" y2=\"{Height - Foot}\" />"
        );

    private static void Curve(StringBuilder svg, double until, Func<double, double> x, Func<double, double> y)
    {
        var points = Enumerable.Range(0, 41).Select(i => i * until / 40).Select(m => FormattableString.Invariant($"{x(m):0.#},{y(m):0.#}"));
        svg.Append($"<polyline class=\"course\" points=\"{string.Join(' ', points)}\" />");
    }

    private static void Mark(StringBuilder svg, double x, string words, bool last) =>
        svg.Append(
            CultureInfo.InvariantCulture,
            $"<line class=\"mark\" x1=\"{x:0.#}\" x2=\"{x:0.#}\" y1=\"6\" y2=\"{Height - Foot}\" /><text x=\"{x:0.#}\" "
                + $"y=\"{Height - 6}\" text-anchor=\"{(last ? "middle" : "end")}\">{words}</text>"
        );

    private static void Side(StringBuilder svg, double y, string words) =>
        svg.Append(CultureInfo.InvariantCulture, $"<text x=\"{Left - 6}\" y=\"{y + 4:0.#}\" text-anchor=\"end\">{words}</text>");

    private static string Clock(PlannedDay day, double minute) => day.Network.HourOf((int)Math.Round(minute));
}
