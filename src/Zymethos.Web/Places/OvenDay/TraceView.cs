using Zymethos.Planning.Day;
using Zymethos.Planning.Reading;
using Zymethos.Work.OvenDays;

namespace Zymethos.Web.Places.OvenDay;

/// <summary>A day to draw or list, with what links to its steps need.</summary>
/// <param name="Day">The day.</param>
/// <param name="Date">Its date as addresses write it.</param>
/// <param name="Chosen">Id of the chosen step; null when none is.</param>
public sealed record TraceView(PlannedDay Day, string Date, string? Chosen)
{
    /// <summary>The minute of the day that it is now in this kitchen; null when it is not going on.</summary>
    public int? Now { get; init; }

    /// <summary>Address of the page with a step chosen.</summary>
    public string StepUrl(PlanTask task) => $"/oven-day?date={Date}&step={Uri.EscapeDataString(task.Id.Value)}#why";

    /// <summary>Address of the panel alone.</summary>
    public string WhyUrl(PlanTask task) => $"/oven-day?handler=Why&date={Date}&step={Uri.EscapeDataString(task.Id.Value)}";

    /// <summary>Class of a thing that may be the chosen one.</summary>
    public string ClassOf(PlanTask task, string own) =>
        $"{own}{(task.Id.Value == Chosen ? " is-chosen" : "")}{(Day.Network.Pins.Any(p => p.Task == task.Index) ? " is-pinned" : "")}";

    /// <summary>The hour at which a task starts, for whoever drags it.</summary>
    public string StartOf(PlanTask task) => HandMoves.Moment.Format(Day.Network.TimeOf(Day.Plan.Tasks[task.Index].Start));
}
