using Zymethos.Planning.Day;

namespace Zymethos.Planning.Search;

/// <summary>What a pass over a timetable finds broken at its end, and what the next pass makes of it: windows, loads kept together, what
/// open doors cost.</summary>
internal sealed partial class Timetable
{
    /// <summary>From the next pass on a task begins no sooner than a minute.</summary>
    private void Delay(int task, int until)
    {
        _notBefore[task] = Math.Max(_notBefore[task], until);
        _resume = Math.Min(_resume, _laidAt[task]);
    }

    private int BrokenWindows()
    {
        var broken = 0;
        foreach (var window in _table.Windows)
        {
            var late = _start[window.To] - _end[window.From] - window.MaxLag!.Value;
            if (late <= 0)
                continue;
            broken += late;
            _start[window.From] += late;
            _end[window.From] += late;
            Delay(window.From, _start[window.From]);
        }

        return broken;
    }

    private int BrokenTogether()
    {
        var broken = 0;
        foreach (var (first, second) in _network.Together)
        {
            var (early, late) = _start[first] < _start[second] ? (first, second) : (second, first);
            var apart = _start[late] - _start[early] - TaskNetwork.TogetherMinutes;
            if (apart <= 0)
                continue;
            broken += apart;
            Delay(early, _start[early] + apart);
        }

        return broken;
    }

    /// <summary>Open doors are taken to cost each load what they did cost it; by how many minutes that is other than was thought.</summary>
    private int WrongDoors()
    {
        var wrong = 0;
        for (var i = 0; i < _loadCount; i++)
        {
            var load = _loads[i];
            if (_day.Settings[_day.SettingOf[load]] is { IsHot: false })
                continue;
            var minutes = _day.OpenedFor(load, Oven[load], _start[load], _end[load], _loads.AsSpan(0, _loadCount), Oven, _start, _end);
            if (minutes == DoorMinutes[load])
                continue;
            wrong += Math.Abs(minutes - DoorMinutes[load]);
            DoorMinutes[load] = minutes;
            _resume = Math.Min(_resume, _laidAt[load]);
        }

        return wrong;
    }
}
