using System.Runtime.InteropServices;
using Zymethos.Planning.Day;
using Zymethos.Planning.Rules;

namespace Zymethos.Planning.Search;

/// <summary>The ovens on the board: heats that keep apart, shelves, open doors.</summary>
internal sealed partial class DayBoard
{
    /// <summary>How long it takes from a minute on; with the door kept shut also for what others open it.</summary>
    private int Length(PlanTask task, int at, int oven)
    {
        var takes = task.TakesFrom(at);
        if (!DoorShut || task.Oven is not { Setting.IsHot: true })
            return takes;
        var length = takes;
        for (var round = 0; round < 10; round++)
        {
            var longer = takes + _day.OpenedFor(task.Index, oven, at, at + length, CollectionsMarshal.AsSpan(_loads), _oven, _start, _end);
            if (longer == length)
                break;
            length = longer;
        }

        return length;
    }

    private void FillShelves(PlanTask task, int sign)
    {
        var t = task.Index;
        var units = sign * task.Oven!.UnitsIn(_oven[t]);
        foreach (var s in _shelves[t])
        {
            var room = _shelf[_oven[t]][s];
            for (var m = _start[t]; m < _end[t]; m++)
                room[m] += units;
        }
    }

    private int AfterOven(PlanTask task, int at, int end, int oven)
    {
        if (task.Oven is not { } need)
            return at;
        var setting = _day.SettingOf[task.Index];
        var cold = _day.FromCold[oven][setting];
        if (at < cold)
            return cold;
        var transition = _day.Transition[oven];
        foreach (var load in _loads)
        {
            if (_oven[load] != oven)
                continue;
            var other = _day.SettingOf[load];
            if (other == setting && !_network.IsApart(task.Index, load))
                continue;
            if (end + transition[setting][other] <= _start[load])
                continue;
            var after = _end[load] + transition[other][setting];
            if (at < after)
                return after;
        }

        if (DoorShut && OpensOnAnother(task, at, end, oven))
            return at + 1;
        if (PickShelves(need, at, end, oven))
            return at;
        if (DoorShut)
            return at + 1;
        // There is no more room until something comes out.
        var next = int.MaxValue;
        foreach (var load in _loads)
        {
            if (_oven[load] == oven && _end[load] > at && _end[load] < next)
                next = _end[load];
        }

        return next;
    }

    private bool OpensOnAnother(PlanTask task, int at, int end, int oven)
    {
        if (!task.Oven!.Setting.IsHot)
            return false;
        foreach (var load in _loads)
        {
            if (_oven[load] != oven || _day.SettingOf[load] != _day.SettingOf[task.Index])
                continue;
            foreach (var need in task.Hands)
            {
                if (OvenDoor.IsWithin(task.HandsAt(need, at, end).From, _start[load], _end[load]))
                    return true;
            }
        }

        return false;
    }

    /// <summary>Picks a shelf for every pan, the fullest that still has room; false when they do not fit.</summary>
    private bool PickShelves(OvenNeed need, int from, int until, int oven)
    {
        var units = need.UnitsIn(oven);
        var shelves = _shelf[oven];
        for (var s = 0; s < shelves.Length; s++)
        {
            _room[s] =
                !need.MayStandOn(s, shelves.Length) || (!_network.Unmixed.IsEmpty && MeetsUnmixed(need, from, until, oven, s))
                    ? 0
                    : TaskNetwork.ShelfUnits - Most(shelves[s], from, until);
        }

        return DayTables.PickFullest(_room.AsSpan(0, shelves.Length), units, _chosen.AsSpan(0, need.Items));
    }

    private bool MeetsUnmixed(OvenNeed need, int from, int until, int oven, int shelf)
    {
        foreach (var load in _loads)
        {
            if (_oven[load] != oven || _start[load] >= until || _end[load] <= from || !_shelves[load].Contains(shelf))
                continue;
            foreach (var pair in _network.Unmixed)
            {
                if (pair.Is(oven, need.Pan, _network.Tasks[load].Oven!.Pan))
                    return true;
            }
        }

        return false;
    }

    private static int Most(int[] use, int from, int until)
    {
        var most = 0;
        for (var m = from; m < until; m++)
            most = Math.Max(most, use[m]);
        return most;
    }
}
