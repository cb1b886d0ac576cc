using Zymethos.Planning.Day;

namespace Zymethos.Planning.Search;

/// <summary>What is done at the oven's door while hands pause.</summary>
internal sealed partial class Timetable
{
    // So far ahead in the order is looked for what fits into a pause.
    private const int LookAhead = 16;

    /// <summary>Where the next work waits for a pause, whatever only takes a moment and is due in it comes first: the order says what comes
    /// before what, not that nobody may open the oven while the next dough has to wait.</summary>
    private void IntoThePause(int[] order)
    {
        if (HeldBackUntil(order[_place]) is not { } until)
            return;
        for (var q = _place + 1; q < Math.Min(order.Length, _place + 1 + LookAhead); q++)
        {
            var moment = order[q];
            if (_moments[moment].Length > Pauses.Touch || !IsDueBy(order, moment, until))
                continue;
            for (var p = q; p > _place; p--)
                order[p] = order[p - 1];
            order[_place] = moment;
            // What is left to do after each place is less by it.
            for (var p = q; p > _place; p--)
                _handsFrom[p] = _handsFrom[p + 1] + (_moments[order[p]].Length * _moments[order[p]].People);
            return;
        }
    }

    /// <summary>The minute until which a pause holds a moment back; null where none does.</summary>
    private int? HeldBackUntil(int moment)
    {
        var m = _moments[moment];
        if (m.Length <= Pauses.Touch || m.People != 1 || _day.Held[m.Task] is not null)
            return null;
        var ready = m.Starts ? Ready(m.Task) : _start[m.Task] + m.Offset;
        var (free, rested) = (int.MaxValue, int.MaxValue);
        for (var h = 0; h < _free.Length; h++)
        {
            var from = Math.Max(ready, _free[h]);
            free = Math.Min(free, from);
            rested = Math.Min(rested, _work[h].Next(_pauses!, from, m.Length));
        }

        return rested > free ? rested : null;
    }

    /// <summary>Whether a moment can be laid now and is due before a minute.</summary>
    private bool IsDueBy(int[] order, int moment, int until)
    {
        foreach (var before in _table.Before[moment])
        {
            if (_placeOf[before] >= _place || order[_placeOf[before]] != before)
                return false;
        }

        var m = _moments[moment];
        if (!m.Starts)
            return (m.AtEnd ? _end[m.Task] - m.Length : _start[m.Task] + m.Offset) < until;
        if (_network.Tasks[m.Task].Oven is not { } need || !LayWaits(_table.Waits[m.Task]))
            return false;
        var ready = Ready(m.Task);
        return ready < until && AfterOven(m.Task, need, ready) <= Math.Max(ready, until - m.Length);
    }
}
