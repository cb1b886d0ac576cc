using System.Globalization;
using NodaTime;
using Zymethos.Work.House;

namespace Zymethos.Web.Places.OvenDay;

/// <summary>
/// A change to the set-up as a button carries it: "until=18:35", "ready=key=17:30", "wider=key;from;to;35|…". What <see cref="Write"/>
/// writes,
/// <see cref="Read"/> reads.
/// </summary>
public static class SetupChangeText
{
    /// <summary>The change as text.</summary>
    public static string Write(SetupChange change) =>
        change switch
        {
            SetupChange.Until u => $"until={Clock(u.Hour)}",
            SetupChange.From f => $"from={Clock(f.Hour)}",
            SetupChange.Span s => $"span={Clock(s.Start)}={Clock(s.End)}",
            SetupChange.Helpers h => $"hands={h.Count.ToString(CultureInfo.InvariantCulture)}",
            SetupChange.SecondOven => "oven=2",
            SetupChange.LeaveOut l => $"leave={l.Recipe}",
            SetupChange.OneBatchFewer f => $"fewer={f.Recipe}",
            SetupChange.ReadyBy r => $"ready={r.Recipe}={Clock(r.Hour)}",
            SetupChange.Wider w => $"wider={string.Join('|', w.Windows.Select(x => $"{x.Recipe};{x.Before};{x.Step};{x.Minutes}"))}",
            SetupChange.OnCounter c => $"counter={string.Join('|', c.Rises.Select(r => $"{r.Recipe};{r.Step}"))}",
            _ => throw new InvalidOperationException($"A change that nobody makes: {change}."),
        };

    /// <summary>The change that a text says; null when it says none.</summary>
    public static SetupChange? Read(string? text)
    {
        if (text?.Split('=', 2) is not [var what, var value])
            return null;
        return what switch
        {
            "until" when Hour(value) is { } hour => new SetupChange.Until(hour),
            "from" when Hour(value) is { } hour => new SetupChange.From(hour),
            "span" when value.Split('=') is [var from, var until] && Hour(from) is { } start && Hour(until) is { } end =>
                new SetupChange.Span(start, end),
            "hands" when WholeNumber.Read(value) is > 0 and var count => new SetupChange.Helpers(count),
            "oven" => new SetupChange.SecondOven(),
            "leave" => new SetupChange.LeaveOut(value),
            "fewer" => new SetupChange.OneBatchFewer(value),
            "ready" when value.Split('=', 2) is [var key, var by] && Hour(by) is { } hour => new SetupChange.ReadyBy(key, hour),
            "wider" => new SetupChange.Wider([.. value.Split('|').Select(Window).OfType<SetupChange.WiderBy>()]),
            "counter" => new SetupChange.OnCounter(
                [
                    .. value
                        .Split('|')
                        .Select(r => r.Split(';') is [var key, var step] ? new SetupChange.RiseOf(key, step) : null)
                        .OfType<SetupChange.RiseOf>(),
                ]
            ),
            _ => null,
        };
    }

    private static SetupChange.WiderBy? Window(string text) =>
        text.Split(';') is [var key, var from, var to, var minutes] && WholeNumber.Read(minutes) is > 0 and var more
            ? new SetupChange.WiderBy(key, from, to, more)
            : null;

    private static string Clock(LocalTime hour) => DaySetup.ClockPattern.Format(hour);

    private static LocalTime? Hour(string text) => DaySetup.ClockPattern.Parse(text) is { Success: true } t ? t.Value : null;
}
