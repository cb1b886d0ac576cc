using System.Globalization;
using System.Text;
using Zymethos.Core.Heat;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Day;
using Zymethos.Planning.Reading;
using Zymethos.Web.Drawing;

namespace Zymethos.Web.Places.OvenDay;

/// <summary>A rectangle of the drawing that stands for a task.</summary>
/// <param name="Task">Index of the task.</param>
/// <param name="X">Left edge.</param>
/// <param name="Y">Top edge.</param>
/// <param name="Width">Width, at least 2.</param>
/// <param name="Height">Height.</param>
/// <param name="Label">What fits inside; may be empty.</param>
/// <param name="Said">What a screen reader says, and the tooltip.</param>
public sealed record TraceBlock(int Task, double X, double Y, double Width, double Height, string Label, string Said);

/// <summary>A wait as a lens: pointed at both ends, thickest half way.</summary>
/// <param name="Task">Index of the task.</param>
/// <param name="Path">Its outline.</param>
/// <param name="LabelX">Where its letter stands.</param>
/// <param name="LabelY">Where its letter stands.</param>
/// <param name="Label">Its letter, and its name when there is room.</param>
/// <param name="Said">What a screen reader says.</param>
/// <param name="Rises">Whether it rises (fills to the right) or cools (empties to the right).</param>
public sealed record TraceLens(int Task, string Path, double LabelX, double LabelY, string Label, string Said, bool Rises);

/// <summary>A line of the scale.</summary>
/// <param name="At">Position along the axis.</param>
/// <param name="Text">What stands beside it.</param>
public sealed record TraceTick(double At, string Text);

/// <summary>One oven's part of the drawing.</summary>
/// <param name="Oven">Which oven, 0 the first.</param>
/// <param name="Top">Top of the hottest line.</param>
/// <param name="Bottom">The room-temperature line, on which the trace stands.</param>
/// <param name="Name">What stands above it; empty when there is one oven.</param>
/// <param name="TracePath">The trace as a path: climbs, holds, sags at the door, falls.</param>
/// <param name="AreaPath">The same closed along the bottom, to be filled.</param>
/// <param name="Degrees">Temperatures up the side.</param>
/// <param name="Gradient">Gradient stops for the area under the trace: offset from the top in percent, and colour.</param>
public sealed record OvenPanel(
    int Oven,
    double Top,
    double Bottom,
    string Name,
    string TracePath,
    string AreaPath,
    IReadOnlyList<TraceTick> Degrees,
    IReadOnlyList<(double Offset, string Colour)> Gradient
);

/// <summary>
/// The oven trace as geometry: time runs right, temperature up. Worked out from the same numbers as figures and checks, so that what is
/// drawn is what was planned.
/// </summary>
public sealed class OvenTrace
{
    /// <summary>The least pixels of an hour; short days are drawn wider, so that they fill the page.</summary>
    public const double LeastHourWidth = 100;

    private const double FullWidth = 1112;

    /// <summary>Left edge of the plot.</summary>
    public const double Left = 74;

    private const double Right = 18;
    private const double Top = 8;
    private const double LensRow = 20;
    private const double HeatHeight = 176;
    private const double HandRow = 28;
    private const double Hottest = 260;
    private const double LoadHeight = 17;

    private readonly PlannedDay _day;
    private readonly TaskNetwork _network;
    private readonly int _from;
    private readonly int _until;
    private readonly double _hourWidth;
    private readonly double[] _heatTops;
    private readonly double _heatHeight;

    /// <summary>Draws a planned day.</summary>
    /// <param name="day">The day.</param>
    /// <param name="now">The minute of the day that it is now; null when it is another day.</param>
    public OvenTrace(PlannedDay day, int? now = null)
    {
        Now = now;
        _day = day;
        _network = day.Network;
        var first = day.Programmes.Where(p => !p.Segments.IsEmpty).Select(p => (int)Math.Floor(p.Segments[0].From)).DefaultIfEmpty(0).Min();
        _from = (int)Math.Floor(Math.Min(0, first) / 30.0) * 30;
        // Cooling may go on long after the last hand has left; the drawing ends an hour after that.
        _until = (int)Math.Ceiling((day.Figures.FinishMinute + 60) / 30.0) * 30;
        _hourWidth = Math.Max(LeastHourWidth, (FullWidth - Left - Right) * 60 / (_until - _from));
        Lenses = MakeLenses(out var rows);
        var ovens = day.Programmes.Length;
        _heatHeight = ovens == 1 ? HeatHeight : HeatHeight * 0.72;
        _heatTops = new double[ovens];
        var top = Top + (rows * LensRow) + 12;
        for (var o = 0; o < ovens; o++)
        {
            _heatTops[o] = top;
            // Loads stack upward; where many share a hot oven the heat is drawn lower to leave them room.
            var over =
                top - 8 - MakeLoads().Where(l => _day.Plan.Tasks[l.Task].Oven == o).Select(l => l.Y).DefaultIfEmpty(double.MaxValue).Min();
            if (over > 0)
                _heatTops[o] += over;
            top = _heatTops[o] + _heatHeight + 30;
        }

        Loads = MakeLoads();
        Panels = [.. Enumerable.Range(0, ovens).Select(Panel)];
        Hands = MakeHands();
    }

    /// <summary>Width of the drawing.</summary>
    public double Width => X(_until) + Right;

    /// <summary>Height of the drawing.</summary>
    public double Height => HandsTop + (_network.Helpers.Length * HandRow) + 30;

    /// <summary>The minute that it is now; null when the day is another.</summary>
    public int? Now { get; }

    /// <summary>Where now stands; null when it is not in the drawing.</summary>
    public double? NowX => Now is { } now && now >= _from && now <= _until ? X(now) : null;

    /// <summary>The ovens, one below the other.</summary>
    public IReadOnlyList<OvenPanel> Panels { get; }

    private double HeatBottom => _heatTops[^1] + _heatHeight;

    /// <summary>Top of the hands band.</summary>
    public double HandsTop => HeatBottom + 16;

    /// <summary>Waits.</summary>
    public IReadOnlyList<TraceLens> Lenses { get; }

    /// <summary>Loads in the oven.</summary>
    public IReadOnlyList<TraceBlock> Loads { get; }

    /// <summary>Hands at work, with the row of the person in <see cref="TraceBlock.Y"/>.</summary>
    public IReadOnlyList<TraceBlock> Hands { get; }

    /// <summary>Names at the left of the hands band.</summary>
    public IEnumerable<(string Name, double Y)> People => _network.Helpers.Select((h, i) => (h.Name, HandsTop + (i * HandRow) + 19));

    /// <summary>Hours along the bottom.</summary>
    public IEnumerable<TraceTick> Hours
    {
        get
        {
            // The first full hour at or after the left edge.
            var minute = _from + ((60 - (((_network.Origin.Minute + _from) % 60) + 60) % 60) % 60);
            for (; minute <= _until; minute += 60)
                yield return new TraceTick(X(minute), _network.Kitchen.Says.AxisHour(_network.TimeOf(minute)));
        }
    }

    /// <summary>Pixels of an hour.</summary>
    public double HourWidth => _hourWidth;

    /// <summary>Stretches in which nobody is there.</summary>
    public IEnumerable<(double X, double Width)> Rests => _network.Rests.Select(r => (X(r.From), X(r.Until) - X(r.From)));

    /// <summary>Where something is done to a load part-way.</summary>
    public IEnumerable<(double X, TraceBlock Load)> Touches =>
        from load in Loads
        let task = _network.Tasks[load.Task]
        where task.Oven is { Setting.IsHot: true } && task.Hands.Length > 2
        from hands in task.Hands.Skip(1).SkipLast(1)
        select (X(_day.Plan.Tasks[load.Task].Start + hands.Offset), load);

    /// <summary>Where the finish stands.</summary>
    public double FinishX => X(_day.Figures.FinishMinute);

    /// <summary>The letter of a bake, A for the first.</summary>
    public static string Letter(int bake) => BakeLetter.Of(bake);

    /// <summary>A number as SVG writes it.</summary>
    public static string N(double value) => value.ToString("0.##", CultureInfo.InvariantCulture);

    /// <summary>Position of a minute.</summary>
    public double X(double minute) => Left + ((minute - _from) / 60 * _hourWidth);

    private double Y(double celsius, int oven) => _heatTops[oven] + _heatHeight - ((celsius - 15) / (Hottest - 15) * _heatHeight);

    private string Said(PlanTask task)
    {
        var planned = _day.Plan.Tasks[task.Index];
        return $"{_network.Bakes[task.Bake].Name}: {task.Title}, {Clock(planned.Start)} to "
            + $"{Clock(planned.End)}{(_network.Pins.Any(p => p.Task == task.Index) ? ", held by you" : "")}";
    }

    private string Clock(int minute) => _network.HourOf(minute);

    private List<TraceLens> MakeLenses(out int rows)
    {
        var lenses = new List<TraceLens>();
        var free = new List<double>();
        foreach (
            var task in _network
                .Tasks.Where(t => t.IsWait && t.Likely >= 10 && _day.Plan.Tasks[t.Index].Start < _until)
                .OrderBy(t => _day.Plan.Tasks[t.Index].Start)
        )
        {
            var planned = _day.Plan.Tasks[task.Index];
            var (x0, x1) = (X(planned.Start), X(Math.Min(planned.End, _until)));
            var row = free.FindIndex(f => f <= x0 + 0.01);
            if (row < 0)
            {
                row = free.Count;
                free.Add(0);
            }

            free[row] = x1 + 3;
            var y = Top + 13 + (row * LensRow);
            var middle = (x0 + x1) / 2;
            var rises = task.Kind is StepKind.BulkRise or StepKind.Proof or StepKind.Soak or StepKind.Rest;
            var words = $"{Letter(task.Bake)} {KindWord(task.Kind)}";
            lenses.Add(
                new TraceLens(
                    task.Index,
                    $"M{N(x0)} {N(y)}Q{N(middle)} {N(y - 20)} {N(x1)} {N(y)}Q{N(middle)} {N(y + 20)} {N(x0)} {N(y)}Z",
                    middle,
                    y + 4.5,
                    x1 - x0 >= 86 ? words
                        : x1 - x0 >= 22 ? Letter(task.Bake)
                        : "",
                    Said(task),
                    rises
                )
            );
        }

        rows = Math.Max(1, free.Count);
        return lenses;
    }

    private static string KindWord(StepKind kind) =>
        kind switch
        {
            StepKind.BulkRise => "rises",
            StepKind.Proof => "proofs",
            StepKind.Chill => "chills",
            StepKind.Cool => "cools",
            StepKind.Soak => "soaks",
            _ => "stands",
        };

    private List<TraceBlock> MakeLoads()
    {
        var blocks = new List<TraceBlock>();
        var lanes = _heatTops.Select(_ => new List<int>()).ToArray();
        foreach (
            var task in _network
                .Tasks.Where(t => t.Oven is not null && t.Step?.Oven is not null)
                .OrderBy(t => _day.Plan.Tasks[t.Index].Start)
        )
        {
            var planned = _day.Plan.Tasks[task.Index];
            var own = lanes[planned.Oven];
            var lane = own.FindIndex(until => until <= planned.Start);
            if (lane < 0)
            {
                lane = own.Count;
                own.Add(0);
            }

            own[lane] = planned.End;
            var width = Math.Max(3, X(planned.End) - X(planned.Start));
            blocks.Add(
                new TraceBlock(
                    task.Index,
                    X(planned.Start),
                    Y(task.Oven!.Setting.Celsius, planned.Oven) - 4 - ((lane + 1) * (LoadHeight + 2)),
                    width,
                    LoadHeight,
                    width >= 12 ? Letter(task.Bake) : "",
                    $"{Said(task)}, {(_day.Programmes.Length == 1 ? "oven" : planned.Oven == 0 ? "first oven" : "second oven")} at "
                        + $"{_network.Kitchen.Says.Dial(task.Oven.Setting.Celsius)}"
                )
            );
        }

        return blocks;
    }

    private List<TraceBlock> MakeHands() =>
        [
            .. _network.Tasks.SelectMany(t =>
                _day.Plan.Tasks[t.Index]
                    .Hands.Select(b => new TraceBlock(
                        t.Index,
                        X(b.From),
                        HandsTop + (b.Helper * HandRow) + 3,
                        Math.Max(2, X(b.Until) - X(b.From) - 1),
                        HandRow - 8,
                        X(b.Until) - X(b.From) >= 12 ? Letter(t.Bake) : "",
                        $"{Said(t)}, {_network.Helpers[b.Helper].Name}"
                    ))
            ),
        ];

    /// <summary>Round heats in the kitchen's own degrees, for the axis.</summary>
    private IEnumerable<(double Celsius, string Words)> HeatTicks()
    {
        var says = _network.Kitchen.Says;
        var round = says.Habit == MeasuringHabit.UsCustomary ? new[] { 100, 200, 300, 400, 500 } : [50, 100, 150, 200, 250];
        return round.Select(own => (says.ToCelsius(own), $"{own} {says.Unit}"));
    }

    private OvenPanel Panel(int oven)
    {
        var (top, bottom) = (_heatTops[oven], _heatTops[oven] + _heatHeight);
        var (trace, area) = DrawTrace(oven);
        return new OvenPanel(
            oven,
            top,
            bottom,
            _heatTops.Length == 1 ? ""
                : oven == 0 ? "First oven"
                : "Second oven",
            trace,
            area,
            [.. HeatTicks().Select(t => new TraceTick(Y(t.Celsius, oven), t.Words))],
            [.. HeatRamp.Gradient.Select(g => ((Y(g.Celsius, oven) - top) / _heatHeight * 100, g.Colour)).OrderBy(g => g.Item1)]
        );
    }

    private (string Trace, string Area) DrawTrace(int oven)
    {
        var segments = _day.Programmes[oven].Segments;
        if (segments.IsEmpty)
            return ("", "");
        var thermal = _network.Thermal(oven);
        var opened = DoorOpenings(oven);
        var path = new StringBuilder($"M{N(X(segments[0].From))} {N(Y(segments[0].StartCelsius, oven))}");
        foreach (var segment in segments)
            AddSegment(path, segment, thermal, opened, oven);

        // After the last load the oven is off and cools shut until the edge of the drawing.
        var last = segments[^1];
        for (var m = last.Until; m <= _until; m += 5)
            Line(path, m, thermal.Cooled(last.EndCelsius, m - last.Until, ajar: false), oven);
        Line(path, _until, thermal.Cooled(last.EndCelsius, _until - last.Until, ajar: false), oven);
        var trace = path.ToString();
        var bottom = _heatTops[oven] + _heatHeight;
        return (trace, $"{trace}L{N(X(_until))} {N(bottom)}L{N(X(segments[0].From))} {N(bottom)}Z");
    }

    private SortedSet<int> DoorOpenings(int oven)
    {
        var opened = new SortedSet<int>();
        foreach (var task in _network.Tasks.Where(t => t.Oven is { Setting.IsHot: true } && _day.Plan.Tasks[t.Index].Oven == oven))
        {
            opened.Add(_day.Plan.Tasks[task.Index].Start);
            opened.Add(_day.Plan.Tasks[task.Index].End);
        }

        return opened;
    }

    private void AddSegment(StringBuilder path, OvenSegment segment, OvenThermal thermal, SortedSet<int> opened, int oven)
    {
        switch (segment.Phase)
        {
            case OvenPhase.Holding:
                var closed = double.MinValue;
                foreach (var minute in opened.Where(m => m >= segment.From && m < segment.Until))
                {
                    // Trays that follow each other within the recovery are one opening to the eye.
                    if (minute < closed)
                        continue;
                    // The air falls at once and the element brings it back.
                    var low = segment.StartCelsius - _network.Kitchen.Ovens[oven].DoorDrop;
                    Line(path, minute, segment.StartCelsius, oven);
                    Line(path, minute + 0.5, low, oven);
                    closed = Math.Min(segment.Until, minute + 0.5 + thermal.MinutesToHeat(low, segment.StartCelsius));
                    Line(path, closed, segment.StartCelsius, oven);
                }

                break;
            case OvenPhase.Heating:
                Sample(path, segment, oven, m => thermal.Heated(segment.StartCelsius, m));
                break;
            case OvenPhase.CoolingAjar:
                Sample(path, segment, oven, m => thermal.Cooled(segment.StartCelsius, m, ajar: true));
                break;
            case OvenPhase.Off:
                Sample(path, segment, oven, m => thermal.Cooled(segment.StartCelsius, m, ajar: false));
                break;
        }

        Line(path, segment.Until, segment.EndCelsius, oven);
    }

    private void Sample(StringBuilder path, OvenSegment segment, int oven, Func<double, double> celsius)
    {
        Line(path, segment.From, segment.StartCelsius, oven);
        for (var m = segment.From + 2; m < segment.Until; m += 2)
            Line(path, m, celsius(m - segment.From), oven);
    }

    private void Line(StringBuilder path, double minute, double celsius, int oven) => path.Append($"L{N(X(minute))} {N(Y(celsius, oven))}");
}
