using NodaTime;
using Zymethos.Core.Kitchens;
using Zymethos.Planning.Day;
using Zymethos.Web.Drawing;
using Zymethos.Work.Daybooks;

namespace Zymethos.Web.Places.Daybook;

/// <summary>A load in the drawing.</summary>
/// <param name="X">Left edge.</param>
/// <param name="Y">Top edge.</param>
/// <param name="Width">Width.</param>
/// <param name="Letter">Letter of its bake; empty where there is no room.</param>
/// <param name="Said">What it is, in words.</param>
public sealed record TracedLoad(double X, double Y, double Width, string Letter, string Said);

/// <summary>A row of the drawing.</summary>
/// <param name="Name">What it is of.</param>
/// <param name="Y">Top edge.</param>
/// <param name="IsReal">Whether it shows what was, and not what was planned.</param>
/// <param name="Loads">What was in the oven, or at work.</param>
public sealed record TracedRow(string Name, double Y, bool IsReal, IReadOnlyList<TracedLoad> Loads);

/// <summary>A day as it was planned above the same day as it was: one row each for every oven and every person.</summary>
public sealed class TwoTraces
{
    /// <summary>Width of the drawing.</summary>
    public const double Width = 1100;

    /// <summary>Height of a row.</summary>
    public const double Row = 26;

    /// <summary>Where names end and the day begins.</summary>
    public const double Left = 150;

    private const double Top = 26;
    private const double Gap = 10;
    private readonly double _from;
    private readonly double _until;

    /// <summary>Draws a session.</summary>
    public TwoTraces(DaybookSession session)
    {
        var network = session.Planned.Network;
        var says = network.Kitchen.Says;
        // Both by the clock of the world: the plan that was taken later may count its minutes from another moment.
        var shift = (int)Math.Round((Origin(session.Really.Network) - Origin(network)).TotalMinutes);
        var planned = session.Planned.Plan.Tasks.Select(t => (t.Start, t.End)).ToArray();
        var really = session.Really.Plan.Tasks.Select(t => (Start: t.Start + shift, End: t.End + shift)).ToArray();
        var was = network.Tasks.Where(t => session.Begun[t.Index]).Select(t => really[t.Index]).ToList();
        // Lines stand on full hours of the clock.
        var past = network.Origin.Minute;
        _from = (Math.Floor((planned.Concat(was).Min(t => t.Start) + past) / 60.0) * 60) - past;
        _until = (Math.Ceiling((planned.Concat(was).Max(t => t.End) + past) / 60.0) * 60) - past;
        var hot = network.Tasks.Where(t => t.Oven is { Setting.IsHot: true }).ToList();
        var rows = new List<TracedRow>();
        var y = Top;
        for (var oven = 0; oven < network.Kitchen.Ovens.Length; oven++)
        {
            var name =
                network.Kitchen.Ovens.Length == 1 ? "Oven"
                : oven == 0 ? "First oven"
                : "Second oven";
            Add(name, hot.Where(t => session.Planned.Plan.Tasks[t.Index].Oven == oven).ToList());
        }

        Add("Hands", [.. network.Tasks.Where(t => t.IsHandsOn)]);
        (Rows, Height) = (rows, y + 6);
        var step = Math.Max(60, Math.Ceiling((_until - _from) / 60 / 10) * 60);
        Hours =
        [
            .. Enumerable
                .Range(0, (int)((_until - _from) / step) + 1)
                .Select(i => (X(_from + (i * step)), says.AxisHour(network.TimeOf((int)(_from + (i * step)))))),
        ];

        void Add(string name, List<PlanTask> tasks)
        {
            foreach (var isReal in new[] { false, true })
            {
                var times = isReal ? really : planned;
                rows.Add(
                    new TracedRow(
                        isReal ? "as it was" : $"{name}, planned",
                        y,
                        isReal,
                        [
                            .. tasks
                                .Where(t => !isReal || session.Begun[t.Index])
                                .Select(t => Load(network, says, t, times[t.Index], y))
                                .OrderBy(l => l.X),
                        ]
                    )
                );
                y += Row + (isReal ? Gap : 2);
            }
        }
    }

    /// <summary>The rows.</summary>
    public IReadOnlyList<TracedRow> Rows { get; }

    /// <summary>Hours along the top.</summary>
    public IReadOnlyList<(double X, string Words)> Hours { get; }

    /// <summary>Height of the drawing.</summary>
    public double Height { get; }

    private static Instant Origin(TaskNetwork network) => Planning.Bench.DayMinutes.Of(network).Start;

    private TracedLoad Load(TaskNetwork network, KitchenSays says, PlanTask task, (int Start, int End) time, double y)
    {
        var width = Math.Max(2, X(time.End) - X(time.Start));
        return new TracedLoad(
            X(time.Start),
            y,
            width,
            width > 16 ? BakeLetter.Of(task.Bake) : "",
            $"{network.Bakes[task.Bake].Name}, {task.Title}: {says.Hour(network.TimeOf(time.Start))} to "
                + says.Hour(network.TimeOf(time.End))
        );
    }

    private double X(double minute) => Left + ((minute - _from) / Math.Max(1, _until - _from) * (Width - Left - 12));
}
