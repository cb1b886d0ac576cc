using Zymethos.Planning.Day;

namespace Zymethos.Planning.Search;

/// <summary>Where a task fits.</summary>
internal readonly record struct Spot(int Start, int End, int Oven);

/// <summary>
/// A day on paper: what is already written down, minute by minute, and where the next step fits beside it. Made once and wiped, since a
/// search lays many days.
/// </summary>
internal sealed partial class DayBoard
{
    private readonly DayTables _day;
    private readonly TaskNetwork _network;
    private readonly bool _keepEnds;
    private readonly int _horizon;
    private readonly bool[][] _busy;
    private readonly bool[][] _atWork;
    private readonly int[][] _taken;
    private readonly int[][][] _shelf;
    private readonly int[] _start;
    private readonly int[] _end;
    private readonly int[] _oven;
    private readonly bool[] _placed;
    private readonly int[][] _shelves;
    private readonly HandsBlock[][] _hands;
    private readonly List<int> _loads = [];
    private readonly int[] _room;
    private readonly int[] _chosen;
    private readonly int[] _waits;

    /// <summary>An empty board.</summary>
    /// <param name="day">The day.</param>
    /// <param name="keepEnds">Whether the end of the working span and "ready by" bind.</param>
    public DayBoard(DayTables day, bool keepEnds)
    {
        _day = day;
        _network = day.Network;
        _keepEnds = keepEnds;
        _horizon = _network.Horizon;
        _busy = [.. _network.Helpers.Select(_ => new bool[_horizon + 1])];
        _atWork = [.. _network.Helpers.Select(_ => new bool[_network.Pauses is null ? 0 : _horizon + 1])];
        _taken = [.. _network.Resources.Select(_ => new int[_horizon + 1])];
        _shelf = [.. _network.Kitchen.Ovens.Select(o => Enumerable.Range(0, o.Shelves).Select(_ => new int[_horizon + 1]).ToArray())];
        var n = _network.Tasks.Length;
        (_start, _end, _oven, _placed) = (new int[n], new int[n], new int[n], new bool[n]);
        _shelves = [.. _network.Tasks.Select(t => new int[t.Oven?.Items ?? 0])];
        _hands = [.. _network.Tasks.Select(t => new HandsBlock[t.Hands.Sum(h => h.People)])];
        _room = new int[_network.Kitchen.Ovens.Max(o => o.Shelves)];
        _chosen = new int[_network.Tasks.Select(t => t.Oven?.Items ?? 0).DefaultIfEmpty(0).Max()];
        _waits = new int[_network.Helpers.Length];
    }

    /// <summary>Whether nothing goes in or out while something else bakes.</summary>
    public bool DoorShut { get; init; }

    /// <summary>The minute at which a task that is placed starts.</summary>
    public int StartOf(int task) => _start[task];

    /// <summary>The minute at which it ends.</summary>
    public int EndOf(int task) => _end[task];

    /// <summary>Takes everything away.</summary>
    public void Wipe()
    {
        foreach (var b in _busy)
            Array.Clear(b);
        foreach (var w in _atWork)
            Array.Clear(w);
        foreach (var t in _taken)
            Array.Clear(t);
        foreach (var o in _shelf)
        {
            foreach (var s in o)
                Array.Clear(s);
        }

        Array.Clear(_placed);
        _loads.Clear();
    }

    /// <summary>The minutes between which a task must start for the sake of tasks of other bakes that stand already: together with them, or
    /// in order.</summary>
    public (int From, int Until) SpanBesideOthers(int task)
    {
        var (from, until) = (int.MinValue, int.MaxValue);
        foreach (var (first, second) in _network.Together)
        {
            if (first != task && second != task)
                continue;
            var other = first == task ? second : first;
            if (!_placed[other])
                continue;
            from = Math.Max(from, _start[other] - TaskNetwork.TogetherMinutes);
            until = Math.Min(until, _start[other] + TaskNetwork.TogetherMinutes);
        }

        foreach (var (first, second, lag) in _day.Elsewhere)
        {
            if (second == task && _placed[first])
                from = Math.Max(from, lag is { } after ? _end[first] + after : _start[first]);
            if (first == task && _placed[second])
                until = Math.Min(until, lag is { } before ? _start[second] - before - _network.Tasks[task].Likely : _start[second]);
        }

        return (from, until);
    }

    /// <summary>The plan, when every task is placed.</summary>
    public Plan ToPlan() =>
        new(
            [
                .. _network.Tasks.Select(t => new PlannedTask(_start[t.Index], _end[t.Index], [.. _hands[t.Index]], [.. _shelves[t.Index]])
                {
                    Oven = _oven[t.Index],
                }),
            ]
        );

    /// <summary>The first place not before a minute; null when there is none.</summary>
    public Spot? FirstFit(PlanTask task, int at)
    {
        if (task.Oven is null || _shelf.Length == 1)
            return task.Oven is { UnitsPerItem: 0 } ? null : FirstFit(task, at, 0);
        Spot? best = null;
        for (var oven = 0; oven < _shelf.Length; oven++)
        {
            if (
                task.Oven.UnitsIn(oven) == 0
                || (_day.StandsWith[task.Index] is var proof and >= 0 && _placed[proof] && _oven[proof] != oven)
            )
                continue;
            if (FirstFit(task, at, oven) is { } spot && (best is null || spot.Start < best.Value.Start))
                best = spot;
        }

        return best;
    }

    private Spot? FirstFit(PlanTask task, int at, int oven)
    {
        var last = (_keepEnds ? _day.Latest[task.Index] : _horizon) - task.Likely;
        while (at <= last)
        {
            var end = at + Length(task, at, oven);
            if (end > _horizon)
                return null;
            var next = Math.Max(
                Math.Max(AfterOven(task, at, end, oven), AfterHands(task, at, end)),
                Math.Max(AfterResources(task, at, end), AfterRest(task, at, end, oven))
            );
            if (next == at)
                return end > last + task.Likely ? null : new Spot(at, end, oven);
            at = next;
        }

        return null;
    }

    /// <summary>The minute until which something stands in the way of a hold that begins where its first task lies and ends some time after
    /// a minute; null when nothing does.</summary>
    public int? TakenUntil(Hold hold, int end)
    {
        var taken = _taken[hold.Resource];
        for (var m = Math.Min(_horizon, end + hold.After) - 1; m >= _start[hold.From]; m--)
        {
            if (taken[m] + hold.Units > _network.Resources[hold.Resource].Capacity)
                return m + 1;
        }

        return null;
    }

    /// <summary>Writes a task down where it fits.</summary>
    public void Put(PlanTask task, Spot spot)
    {
        var t = task.Index;
        var block = 0;
        foreach (var need in task.Hands)
        {
            var left = need.People;
            var (from, until) = task.HandsAt(need, spot.Start, spot.End);
            for (var h = 0; h < _busy.Length && left > 0; h++)
            {
                if (FreeAfter(h, from, until) != from || (IsPausing(task, from, until) && Rested(h, from, until) != from))
                    continue;
                Array.Fill(_busy[h], true, from, until - from);
                if (_network.Pauses is not null && until - from > Pauses.Touch)
                    Array.Fill(_atWork[h], true, from, until - from);
                _hands[t][block++] = new HandsBlock(h, from, until);
                left--;
            }
        }

        (_start[t], _end[t], _oven[t], _placed[t]) = (spot.Start, spot.End, spot.Oven, true);
        if (task.Oven is { } oven)
        {
            PickShelves(oven, spot.Start, spot.End, spot.Oven);
            Array.Copy(_chosen, _shelves[t], oven.Items);
            FillShelves(task, 1);
            _loads.Add(t);
        }

        Take(task, 1);
    }

    /// <summary>Takes what a placed task takes, and what has been held until it; or gives it back.</summary>
    private void Take(PlanTask task, int sign)
    {
        var t = task.Index;
        foreach (var demand in task.Demands)
            Fill(demand.Resource, _start[t], _end[t] + demand.HoldAfter, sign * demand.Units);
        foreach (var hold in _day.HoldsTo[t])
            Fill(hold.Resource, _start[hold.From], _end[t] + hold.After, sign * hold.Units);
    }

    private void Fill(int resource, int from, int until, int units)
    {
        for (var m = from; m < Math.Min(_horizon, until); m++)
            _taken[resource][m] += units;
    }

    /// <summary>Takes a task away again; nothing when it is not placed.</summary>
    public void Remove(int t)
    {
        if (!_placed[t])
            return;
        var task = _network.Tasks[t];
        foreach (var block in _hands[t])
        {
            Array.Fill(_busy[block.Helper], false, block.From, block.Until - block.From);
            if (_network.Pauses is not null)
                Array.Fill(_atWork[block.Helper], false, block.From, block.Until - block.From);
        }

        // What was held from another task until this one goes while that one still lies: holds are given back from their end.
        Take(task, -1);
        if (task.Oven is not null)
        {
            FillShelves(task, -1);
            _loads.Remove(t);
        }

        _placed[t] = false;
    }

    /// <summary>The first minute not before one at which a helper may be free for as long; the minute itself when the helper is.
    /// <see cref="int.MaxValue"/> for never.</summary>
    private int FreeAfter(int helper, int from, int until)
    {
        var who = _network.Helpers[helper];
        if (from < who.From)
            return who.From;
        if ((_keepEnds && until > who.Until) || until > _horizon)
            return int.MaxValue;
        var busy = Array.LastIndexOf(_busy[helper], true, until - 1, until - from);
        return busy < 0 ? from : busy + 1;
    }

    private int AfterRest(PlanTask task, int at, int end, int oven)
    {
        if (!task.NeedsPresence)
            return at;
        foreach (var rest in _network.Rests)
        {
            if (rest.Meets(at, end))
                return rest.Until;
            if (task.Oven is null)
                continue;
            // After a rest the oven is cold, and somebody must be there to heat it.
            var warm = rest.Until + _day.FromCold[oven][_day.SettingOf[task.Index]];
            if (at >= rest.Until && at < warm)
                return warm;
        }

        return at;
    }

    private int AfterHands(PlanTask task, int at, int end)
    {
        var most = at;
        foreach (var need in task.Hands)
        {
            if (need.People > _waits.Length)
                return int.MaxValue;
            var (from, until) = task.HandsAt(need, at, end);
            for (var h = 0; h < _waits.Length; h++)
            {
                _waits[h] = FreeAfter(h, from, until);
                if (_waits[h] == from && IsPausing(task, from, until))
                    _waits[h] = Rested(h, from, until);
            }

            Array.Sort(_waits);
            var wait = _waits[need.People - 1];
            if (wait == int.MaxValue)
                return int.MaxValue;
            if (wait > from)
                most = Math.Max(most, DoorShut ? at + 1 : at + wait - from);
        }

        return most;
    }

    private int AfterResources(PlanTask task, int at, int end)
    {
        foreach (var demand in task.Demands)
        {
            var (taken, most) = (_taken[demand.Resource], _network.Resources[demand.Resource].Capacity - demand.Units);
            for (var m = Math.Min(_horizon, end + demand.HoldAfter) - 1; m >= at; m--)
            {
                if (taken[m] > most)
                    return m + 1;
            }
        }

        // What is held from here on must be there at least while the task lasts; whether it is until the end is seen when the end is laid.
        foreach (var hold in _day.HoldsFrom[task.Index])
        {
            var until = hold.To == task.Index ? end + hold.After : end;
            var (taken, most) = (_taken[hold.Resource], _network.Resources[hold.Resource].Capacity - hold.Units);
            for (var m = Math.Min(_horizon, until) - 1; m >= at; m--)
            {
                if (taken[m] > most)
                    return m + 1;
            }
        }

        return at;
    }
}
