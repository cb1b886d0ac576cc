using Zymethos.Planning.Day;
using Zymethos.Planning.Rules;

namespace Zymethos.Planning.Search;

/// <summary>
/// The times of a day for an order of its moments. With one pair of hands the order of the moments says everything: which load goes in
/// before which, which of them stand in the oven together, who waits for the mixer. So every task begins as early as its links, hands,
/// mixers, pans, ovens and shelves allow while no moment overtakes one that stands before it. Where a window does not hold or a load cannot
/// be taken out in time, what began it begins later and the day is laid again from there, until nothing moves or it has been tried often
/// enough.
/// </summary>
/// <remarks>Longest paths in a graph with windows, by passes over the order (Bellman 1958; Dechter, Meiri and Pearl 1991, "Temporal
/// constraint networks").</remarks>
internal sealed partial class Timetable
{
    private const int MostPasses = 14;

    // A minute by which all moments are sooner on average counts as so many minutes of finish: days with the same finish are not all as
    // good to go on from.
    private const double EarlyWeight = 0.2;

    private readonly DayTables _day;
    private readonly MomentTable _table;
    private readonly TaskNetwork _network;
    private readonly Moment[] _moments;
    private readonly bool[] _presence;
    private readonly bool _hasRests;
    private readonly bool[] _takes;
    private readonly int[][] _from;
    private readonly int[][] _lag;
    private readonly int[] _notBefore;
    private readonly int[] _start;
    private readonly int[] _end;
    private readonly int[] _at;

    // Where in the order each moment was laid; to be believed where the order has it there.
    private readonly int[] _placeOf;

    // Where in the order each task was laid; -1 when it is not in this pass.
    private readonly int[] _laidAt;

    // What had been laid before each place in the order, so that a pass can begin there.
    private readonly int[] _freeBefore;
    private readonly AtWork[] _workBefore;
    private readonly int[] _loadsBefore;
    private readonly int[] _takenBefore;
    private readonly long[] _minutesBefore;
    private readonly int[] _handsFrom;
    private readonly double _earlyWeight;
    private double _dearest;
    private double _brokenWeight;
    private int _place;
    private int _resume;

    /// <summary>Prepares for one day.</summary>
    public Timetable(DayTables day, MomentTable table)
    {
        (_day, _table, _network, _moments) = (day, table, day.Network, table.Moments);
        var n = _network.Tasks.Length;
        _presence = [.. _network.Tasks.Select(t => t.NeedsPresence)];
        _hasRests = !_network.Rests.IsEmpty;
        _takes = [.. _network.Tasks.Select(t => !t.Demands.IsEmpty || _network.Holds.Any(h => h.From == t.Index))];
        _from = [.. day.Incoming.Select(links => links.Select(l => l.From).ToArray())];
        _lag = [.. day.Incoming.Select(links => links.Select(l => l.MinLag).ToArray())];
        (_notBefore, _start, _end, _laidAt, DoorMinutes, Oven) = (new int[n], new int[n], new int[n], new int[n], new int[n], new int[n]);
        _at = new int[_moments.Length];
        _placeOf = new int[_moments.Length];
        _earlyWeight = EarlyWeight / Math.Max(1, _moments.Length);
        _seat = [.. _moments.Select(m => new int[m.People])];
        _shelves = [.. _network.Tasks.Select(t => new int[t.Oven?.Items ?? 0])];
        _free = new int[_network.Helpers.Length];
        (_work, _pauses) = (new AtWork[_free.Length], _network.Pauses);
        _wait = new int[_free.Length];
        _heatUntil = [.. _network.Kitchen.Ovens.Select(_ => new int[day.Settings.Length])];
        _loads = new int[_network.Tasks.Count(t => t.Oven is not null)];
        _room = new int[_network.Kitchen.Ovens.Max(o => o.Shelves)];
        _taken = [.. _network.Resources.Select(_ => new List<Taken>())];
        _holdUntil = new int[_network.Holds.Length];
        _holdsFrom =
        [
            .. Enumerable.Range(0, n).Select(t => Enumerable.Range(0, _holdUntil.Length).Where(h => _network.Holds[h].From == t).ToArray()),
        ];
        _apart =
        [
            .. Enumerable
                .Range(0, n)
                .Select(t =>
                    _network.Apart.Where(p => p.First == t || p.Second == t).Select(p => p.First == t ? p.Second : p.First).ToArray()
                ),
        ];
        var places = _moments.Length + 1;
        _workBefore = new AtWork[places * _free.Length];
        (_freeBefore, _loadsBefore, _takenBefore, _minutesBefore, _handsFrom) = (
            new int[places * _free.Length],
            new int[places],
            new int[places * _taken.Length],
            new long[places],
            new int[places]
        );
    }

    /// <summary>What open doors are taken to cost each task; after a day was laid, what they do cost.</summary>
    public int[] DoorMinutes { get; }

    /// <summary>The oven of each load.</summary>
    public int[] Oven { get; }

    /// <summary>The minute of the last presence.</summary>
    public int Finish { get; private set; }

    /// <summary>Whether the day that was laid last obeys every rule, shelves not looked at.</summary>
    public bool IsSettled { get; private set; }

    /// <summary>What the day that was laid last is worth, less is better: its finish, how early its moments lie, the minutes by which it
    /// breaks windows.</summary>
    public double Cost { get; private set; }

    /// <summary>The minute of a moment.</summary>
    public int At(int moment) => _at[moment];

    private enum PassEnd
    {
        Hopeless,
        Again,
        Settled,
    }

    /// <summary>Lays the day. False where it would be dearer than wanted or cannot be.</summary>
    /// <param name="order">Every moment once, none before one that comes before it. What fits into a pause is put before the work that the
    /// pause holds back.</param>
    /// <param name="dearest">The highest cost that is of interest.</param>
    /// <param name="brokenWeight">What a minute costs by which the day breaks a window.</param>
    public bool Lay(int[] order, double dearest, double brokenWeight)
    {
        (_dearest, _brokenWeight, IsSettled, _resume) = (dearest, brokenWeight, false, 0);
        for (var t = 0; t < _notBefore.Length; t++)
            _notBefore[t] = Math.Max(_day.Earliest[t], _day.Held[t] ?? 0);
        Array.Clear(_holdUntil);
        for (var place = order.Length - 1; place >= 0; place--)
            _handsFrom[place] = _handsFrom[place + 1] + (_moments[order[place]].Length * _moments[order[place]].People);
        for (var pass = 0; pass < MostPasses; pass++)
        {
            var end = Pass(order);
            if (end == PassEnd.Hopeless)
                return false;
            if (end == PassEnd.Again)
                continue;
            IsSettled = true;
            for (var t = 0; t < _start.Length; t++)
            {
                if (_day.Held[t] is { } held && _start[t] != held)
                    return false;
            }

            break;
        }

        return Cost <= dearest;
    }

    private PassEnd Pass(int[] order)
    {
        Begin();
        var broken = 0;
        for ((_place, _resume) = (_resume, int.MaxValue); _place < order.Length; _place++)
        {
            Remember();
            if (_pauses is not null)
                IntoThePause(order);
            var moment = order[_place];
            _placeOf[moment] = _place;
            if (_moments[moment].Starts)
            {
                var t = _moments[moment].Task;
                if (
                    !LayWaits(_table.Waits[t])
                    || !LayStart(t, moment)
                    || IsTooDear(_start[t] + Math.Max(_table.Tails[t], _presence[t] ? _end[t] - _start[t] : 0))
                )
                    return PassEnd.Hopeless;
            }
            else if (LayTouch(moment) is { } late)
            {
                broken += late;
            }
            else
            {
                return PassEnd.Hopeless;
            }

            _minutesBefore[_place + 1] = _minutesBefore[_place] + _at[moment];
            if (IsTooDear(HandsEnd(_place + 1)))
                return PassEnd.Hopeless;
        }

        Remember();
        if (!LayWaits(_table.LastWaits))
            return PassEnd.Hopeless;
        broken += BrokenWindows() + BrokenTogether() + WrongHolds() + WrongDoors();
        Finish = 0;
        for (var t = 0; t < _end.Length; t++)
        {
            if (_presence[t])
                Finish = Math.Max(Finish, _end[t]);
        }

        Cost = Finish + (_brokenWeight * broken) + (_earlyWeight * _minutesBefore[order.Length]);
        return _resume < int.MaxValue ? PassEnd.Again : PassEnd.Settled;
    }

    /// <summary>Takes back what was laid from the place on at which the pass begins.</summary>
    private void Begin()
    {
        if (_resume == 0)
        {
            for (var h = 0; h < _free.Length; h++)
                (_free[h], _work[h]) = (_network.Helpers[h].From, AtWork.Rested);
            foreach (var list in _taken)
                list.Clear();
            _loadCount = 0;
            _minutesBefore[0] = 0;
        }
        else
        {
            Array.Copy(_freeBefore, _resume * _free.Length, _free, 0, _free.Length);
            if (_pauses is not null)
                Array.Copy(_workBefore, _resume * _free.Length, _work, 0, _free.Length);
            _loadCount = _loadsBefore[_resume];
            for (var r = 0; r < _taken.Length; r++)
            {
                var kept = _takenBefore[(_resume * _taken.Length) + r];
                _taken[r].RemoveRange(kept, _taken[r].Count - kept);
            }
        }

        for (var t = 0; t < _laidAt.Length; t++)
        {
            if (_resume == 0 || _laidAt[t] >= _resume)
                _laidAt[t] = -1;
        }

        foreach (var until in _heatUntil)
            Array.Fill(until, int.MinValue / 4);
        for (var i = 0; i < _loadCount; i++)
            KeepHeat(_loads[i]);
    }

    private void Remember()
    {
        // One or two of each: a loop is quicker than a copy.
        for (var h = 0; h < _free.Length; h++)
            _freeBefore[(_place * _free.Length) + h] = _free[h];
        for (var h = 0; _pauses is not null && h < _free.Length; h++)
            _workBefore[(_place * _free.Length) + h] = _work[h];
        _loadsBefore[_place] = _loadCount;
        for (var r = 0; r < _taken.Length; r++)
            _takenBefore[(_place * _taken.Length) + r] = _taken[r].Count;
    }

    /// <summary>Whether the day costs too much if it cannot finish sooner than a minute; the moments still to be laid lie no sooner than
    /// the next free hand.</summary>
    private bool IsTooDear(int finish) =>
        finish + (_earlyWeight * (_minutesBefore[_place] + ((_moments.Length - _place) * (long)NextFree()))) > _dearest;

    /// <summary>The least minute by which all hands have done what is left from a place on.</summary>
    private int HandsEnd(int place)
    {
        var sum = _handsFrom[place];
        foreach (var free in _free)
            sum += free;
        return sum / _free.Length;
    }

    private int NextFree()
    {
        var next = _free[0];
        for (var h = 1; h < _free.Length; h++)
            next = Math.Min(next, _free[h]);
        return next;
    }

    private int Ready(int task)
    {
        var ready = _notBefore[task];
        var (from, lag) = (_from[task], _lag[task]);
        for (var i = 0; i < from.Length; i++)
            ready = Math.Max(ready, _end[from[i]] + lag[i]);
        foreach (var first in _table.Orders[task])
            ready = Math.Max(ready, _start[first]);
        return ready;
    }

    private bool LayWaits(int[] waits)
    {
        foreach (var wait in waits)
        {
            if (_laidAt[wait] < 0 && !LayWait(wait))
                return false;
        }

        return true;
    }

    private bool LayWait(int t)
    {
        var task = _network.Tasks[t];
        var at = Ready(t);
        while (true)
        {
            var end = at + task.TakesFrom(at);
            if (end > _day.Latest[t])
                return false;
            var next = AfterTaken(task, at, end);
            if (next == at)
                return Put(task, at, end);
            if (next == int.MaxValue)
                return false;
            at = next;
        }
    }

    /// <summary>Lays a task at its first moment; false where it finds no place.</summary>
    private bool LayStart(int t, int moment)
    {
        var task = _network.Tasks[t];
        var at = Ready(t);
        while (true)
        {
            var end = at + task.TakesFrom(at) + DoorMinutes[t];
            if (end > _day.Latest[t])
                return false;
            var next = Math.Max(AfterHands(_moments[moment], at), AfterTaken(task, at, end));
            if (task.Oven is { } need)
                next = Math.Max(next, AfterOven(t, need, at));
            if (_presence[t] && _hasRests)
                next = Math.Max(next, AfterRest(task, at, end));
            if (next == int.MaxValue)
                return false;
            if (next == at)
            {
                GiveHands(moment, at);
                return Put(task, at, end);
            }

            at = next;
        }
    }

    private bool Put(PlanTask task, int start, int end)
    {
        (_start[task.Index], _end[task.Index], _laidAt[task.Index]) = (start, end, _place);
        if (_takes[task.Index])
            Take(task);
        if (task.Oven is null)
            return true;
        _loads[_loadCount++] = task.Index;
        KeepHeat(task.Index);
        return true;
    }

    /// <summary>Lays a moment within or at the end of a task that is laid; the minutes by which hands come too late for it, for which the
    /// task begins later in the next pass. Null where they never come.</summary>
    private int? LayTouch(int moment)
    {
        var m = _moments[moment];
        var wanted = m.AtEnd ? _end[m.Task] - m.Length : _start[m.Task] + m.Offset;
        var at = AfterHands(m, wanted);
        if (at == int.MaxValue)
            return null;
        if (at > wanted)
            Delay(m.Task, _start[m.Task] + at - wanted);
        GiveHands(moment, at);
        return at - wanted;
    }

    /// <summary>When each task starts. It changes with the next day that is laid.</summary>
    public IReadOnlyList<int> Starts => _start;

    /// <summary>The plan, when every pan has a shelf (<see cref="Seat()"/>).</summary>
    public Plan ToPlan()
    {
        var hands = _network.Tasks.Select(_ => new List<HandsBlock>()).ToArray();
        for (var i = 0; i < _moments.Length; i++)
        {
            foreach (var helper in _seat[i])
                hands[_moments[i].Task].Add(new HandsBlock(helper, _at[i], _at[i] + _moments[i].Length));
        }

        return new(
            [
                .. _network.Tasks.Select(t => new PlannedTask(_start[t.Index], _end[t.Index], [.. hands[t.Index]], [.. _shelves[t.Index]])
                {
                    Oven = Oven[t.Index],
                }),
            ]
        );
    }
}
