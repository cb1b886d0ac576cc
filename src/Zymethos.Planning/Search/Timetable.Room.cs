using Zymethos.Planning.Day;
using Zymethos.Planning.Rules;

namespace Zymethos.Planning.Search;

/// <summary>What is shared on a timetable: hands, mixers, pans and room, ovens and their shelves.</summary>
internal sealed partial class Timetable
{
    private readonly record struct Taken(int From, int Until, int Units);

    // When each helper has done what was laid so far.
    private readonly int[] _free;
    private readonly int[] _wait;

    // Since when each works without a pause.
    private readonly AtWork[] _work;
    private readonly Pauses? _pauses;

    // Who gives a hand, by moment.
    private readonly int[][] _seat;

    // When the last load of each setting comes out, by oven.
    private readonly int[][] _heatUntil;
    private readonly int[] _loads;
    private int _loadCount;
    private readonly int[][] _shelves;
    private readonly int[] _room;
    private readonly List<Taken>[] _taken;
    private readonly int[] _holdUntil;
    private readonly int[][] _holdsFrom;
    private readonly int[][] _apart;

    /// <summary>The first minute not before one at which as many hands as are needed are free; <see cref="int.MaxValue"/> for
    /// never.</summary>
    private int AfterHands(in Moment moment, int at)
    {
        if (moment.People == 0)
            return at;
        if (moment.People > _free.Length)
            return int.MaxValue;
        for (var h = 0; h < _free.Length; h++)
        {
            var from = Math.Max(at, _free[h]);
            // What the baker holds somewhere is done there, tired or not.
            if (_pauses is not null && _day.Held[moment.Task] is null)
                from = _work[h].Next(_pauses, from, moment.Length);
            _wait[h] = from + moment.Length > _network.Helpers[h].Until ? int.MaxValue : from;
        }

        if (_wait.Length == 1)
            return _wait[0];
        Array.Sort(_wait);
        return _wait[moment.People - 1];
    }

    /// <summary>Seats whoever is free at a minute, of these first who has been busy longest: others may be free for something
    /// before.</summary>
    private void GiveHands(int moment, int at)
    {
        _at[moment] = at;
        var seat = _seat[moment];
        for (var i = 0; i < seat.Length; i++)
        {
            var best = -1;
            var rested = false;
            for (var h = 0; h < _free.Length; h++)
            {
                if (_free[h] > at || at + _moments[moment].Length > _network.Helpers[h].Until)
                    continue;
                var isRested = _pauses is null || _work[h].Next(_pauses, at, _moments[moment].Length) == at;
                if (best >= 0 && (isRested == rested ? _free[h] <= _free[best] : rested))
                    continue;
                (best, rested) = (h, isRested);
            }

            seat[i] = best;
            _free[best] = at + _moments[moment].Length;
            if (_pauses is not null)
                _work[best].Begin(_pauses, at, _moments[moment].Length);
        }
    }

    private int AfterRest(PlanTask task, int at, int end)
    {
        foreach (var rest in _network.Rests)
        {
            if (rest.Meets(at, end))
                return rest.Until;
            if (task.Oven is null)
                continue;
            var warm = rest.Until + _day.FromCold[Oven[task.Index]][_day.SettingOf[task.Index]];
            if (at >= rest.Until && at < warm)
                return warm;
        }

        return at;
    }

    /// <summary>The oven has a setting at least until its loads are out.</summary>
    private void KeepHeat(int load)
    {
        ref var until = ref _heatUntil[Oven[load]][_day.SettingOf[load]];
        until = Math.Max(until, _end[load]);
    }

    /// <summary>The first minute not before one at which the oven can have the heat and has room, or one at which to look again.</summary>
    private int AfterOven(int task, OvenNeed need, int at)
    {
        var (oven, setting) = (Oven[task], _day.SettingOf[task]);
        var from = Math.Max(at, _day.FromCold[oven][setting]);
        var until = _heatUntil[oven];
        for (var other = 0; other < until.Length; other++)
        {
            if (other != setting)
                from = Math.Max(from, until[other] + _day.Transition[oven][other][setting]);
        }

        foreach (var other in _apart[task])
        {
            if (_laidAt[other] >= 0 && Oven[other] == oven)
                from = Math.Max(from, _end[other]);
        }

        if (from > at)
            return from;
        var (used, next) = (0, int.MaxValue);
        for (var i = 0; i < _loadCount; i++)
        {
            var load = _loads[i];
            if (Oven[load] != oven || _day.SettingOf[load] != setting || _end[load] <= at)
                continue;
            var there = _network.Tasks[load].Oven!;
            used += there.Items * there.UnitsIn(oven);
            next = Math.Min(next, _end[load]);
        }

        return used + (need.Items * need.UnitsIn(oven)) > _network.Kitchen.Ovens[oven].Shelves * TaskNetwork.ShelfUnits ? next : at;
    }

    private int AfterTaken(PlanTask task, int at, int end)
    {
        if (!_takes[task.Index])
            return at;
        foreach (var demand in task.Demands)
        {
            if (AfterTaken(demand.Resource, demand.Units, at, end + demand.HoldAfter) is var next && next > at)
                return next;
        }

        foreach (var hold in _holdsFrom[task.Index])
        {
            if (AfterTaken(_network.Holds[hold].Resource, _network.Holds[hold].Units, at, HoldUntil(hold, at)) is var next && next > at)
                return next;
        }

        return at;
    }

    /// <summary>The minute itself when a resource has so many units left from it until another; else the first at which to look
    /// again.</summary>
    private int AfterTaken(int resource, int units, int at, int until)
    {
        var list = _taken[resource];
        var left = _network.Resources[resource].Capacity - units;
        if (left < 0)
            return int.MaxValue;
        for (var i = -1; i < list.Count; i++)
        {
            // It is fullest when something begins.
            var moment = i < 0 ? at : list[i].From;
            if (i >= 0 && (moment <= at || moment >= until))
                continue;
            var (used, next) = (0, int.MaxValue);
            foreach (var taken in list)
            {
                if (taken.From > moment || taken.Until <= moment)
                    continue;
                used += taken.Units;
                next = Math.Min(next, taken.Until);
            }

            if (used > left)
                return next;
        }

        return at;
    }

    private void Take(PlanTask task)
    {
        var (start, end) = (_start[task.Index], _end[task.Index]);
        foreach (var demand in task.Demands)
            _taken[demand.Resource].Add(new(start, end + demand.HoldAfter, demand.Units));
        foreach (var hold in _holdsFrom[task.Index])
            _taken[_network.Holds[hold].Resource].Add(new(start, HoldUntil(hold, start), _network.Holds[hold].Units));
    }

    /// <summary>Until when a hold lasts that begins at a minute, as far as the pass before knows.</summary>
    private int HoldUntil(int hold, int from) => Math.Max(_holdUntil[hold], from + _table.HoldsAtLeast[hold]);

    /// <summary>Holds are taken to last as long as they did; how many last longer than was thought.</summary>
    private int WrongHolds()
    {
        var wrong = 0;
        for (var h = 0; h < _holdUntil.Length; h++)
        {
            var hold = _network.Holds[h];
            var until = _end[hold.To] + hold.After;
            if (until > HoldUntil(h, _start[hold.From]))
            {
                wrong++;
                _resume = Math.Min(_resume, _laidAt[hold.From]);
            }

            _holdUntil[h] = until;
        }

        return wrong;
    }

    /// <summary>Gives every pan a shelf, the fullest that has room, one load after another; false when one finds none.</summary>
    public bool Seat()
    {
        var loads = _loads.AsSpan(0, _loadCount);
        loads.Sort((a, b) => _start[a] != _start[b] ? _start[a].CompareTo(_start[b]) : a.CompareTo(b));
        for (var i = 0; i < loads.Length; i++)
        {
            if (!Seat(loads[i], loads[..i]))
                return false;
        }

        return true;
    }

    private bool Seat(int load, ReadOnlySpan<int> before)
    {
        var (need, oven) = (_network.Tasks[load].Oven!, Oven[load]);
        var shelves = _network.Kitchen.Ovens[oven].Shelves;
        for (var s = 0; s < shelves; s++)
            _room[s] = need.MayStandOn(s, shelves) ? TaskNetwork.ShelfUnits : 0;
        foreach (var other in before)
        {
            if (Oven[other] != oven || _end[other] <= _start[load])
                continue;
            var there = _network.Tasks[other].Oven!;
            var mix = true;
            foreach (var pair in _network.Unmixed)
                mix &= !pair.Is(oven, need.Pan, there.Pan);
            foreach (var s in _shelves[other])
                _room[s] = mix ? _room[s] - there.UnitsIn(oven) : 0;
        }

        return DayTables.PickFullest(_room.AsSpan(0, shelves), need.UnitsIn(oven), _shelves[load]);
    }
}
