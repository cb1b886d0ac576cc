using Zymethos.Planning.Day;

namespace Zymethos.Planning.Search;

/// <summary>
/// An order of a day's moments with the day it lays (<see cref="Timetable"/>), and steps from it to orders beside it
/// (<see cref="OrderChanges"/>): propose, lay, and accept or not. Not for several threads at once.
/// </summary>
internal sealed class OrderWalk
{
    // Moments laid for the same minute keep their order.
    private const double Apart = 1e-5;

    private readonly MomentTable _table;
    private readonly OrderChanges _changes;
    private readonly double[] _times;
    private readonly double[] _wanted;
    private readonly double[] _movedTo;
    private readonly int[] _moved;
    private readonly int[] _order;
    private readonly int[] _next;
    private readonly bool[] _put;
    private readonly int[] _doors;
    private readonly int[] _ovens;
    private int _count;

    /// <summary>Begins with the order of a plan.</summary>
    /// <param name="day">The day.</param>
    /// <param name="first">The plan.</param>
    /// <param name="random">Where changes come from.</param>
    public OrderWalk(DayTables day, Plan first, Random random)
    {
        var network = day.Network;
        _table = new MomentTable(day);
        Timetable = new Timetable(day, _table);
        _changes = new OrderChanges(day, _table, random);
        var n = _table.Moments.Length;
        (_wanted, _movedTo, _moved, _order, _next, _put) = (new double[n], new double[n], new int[n], new int[n], new int[n], new bool[n]);
        _times =
        [
            .. _table.Moments.Select(m => m.AtEnd ? first.Tasks[m.Task].End - m.Length : (double)first.Tasks[m.Task].Start + m.Offset),
        ];
        _doors =
        [
            .. network.Tasks.Select(t =>
                Math.Max(0, first.Tasks[t.Index].End - first.Tasks[t.Index].Start - t.TakesFrom(first.Tasks[t.Index].Start))
            ),
        ];
        _ovens = [.. first.Tasks.Select(t => t.Oven)];
    }

    /// <summary>The day that was laid last.</summary>
    public Timetable Timetable { get; }

    /// <summary>How many moments there are.</summary>
    public int Moments => _times.Length;

    /// <summary>Lays the order of the plan it began with.</summary>
    public bool LayFirst(double brokenWeight)
    {
        Array.Copy(_times, _wanted, _times.Length);
        Merge([.. Enumerable.Range(0, _times.Length).OrderBy(i => _times[i])]);
        Array.Copy(_next, _order, _next.Length);
        Array.Copy(_ovens, Timetable.Oven, _ovens.Length);
        return Lay(double.MaxValue, brokenWeight);
    }

    /// <summary>Makes an order beside the one that stands; false where it is the same.</summary>
    public bool Propose()
    {
        Array.Copy(_times, _wanted, _times.Length);
        Array.Copy(_ovens, Timetable.Oven, _ovens.Length);
        _changes.Change(_times, _wanted, Timetable.Oven);
        Merge(_order);
        return !_next.AsSpan().SequenceEqual(_order) || !_ovens.AsSpan().SequenceEqual(Timetable.Oven);
    }

    /// <summary>Lays the order that was made; false where it would be dearer than wanted or cannot be. Where it is settled, every pan has
    /// its shelf.</summary>
    public bool Lay(double dearest, double brokenWeight)
    {
        Array.Copy(_doors, Timetable.DoorMinutes, _doors.Length);
        return Timetable.Lay(_next, dearest, brokenWeight) && (!Timetable.IsSettled || Timetable.Seat());
    }

    /// <summary>Goes on from the day that was laid last.</summary>
    public void Accept()
    {
        Array.Copy(_next, _order, _next.Length);
        Array.Copy(Timetable.DoorMinutes, _doors, _doors.Length);
        Array.Copy(Timetable.Oven, _ovens, _ovens.Length);
        var time = 0.0;
        foreach (var i in _order)
            _times[i] = time = Math.Max(time, Timetable.At(i)) + Apart;
    }

    /// <summary>The moments by the times that are wanted, none before one that comes before it: what kept its time lies in order already,
    /// what did not is merged in.</summary>
    private void Merge(int[] order)
    {
        var moved = 0;
        for (var i = 0; i < _times.Length; i++)
        {
            if (_wanted[i] == _times[i])
                continue;
            (_movedTo[moved], _moved[moved]) = (_wanted[i], i);
            moved++;
        }

        Array.Sort(_movedTo, _moved, 0, moved);
        Array.Clear(_put);
        _count = 0;
        var next = 0;
        foreach (var i in order)
        {
            if (_wanted[i] != _times[i])
                continue;
            while (next < moved && _movedTo[next] < _times[i])
                Put(_moved[next++]);
            Put(i);
        }

        while (next < moved)
            Put(_moved[next++]);
    }

    private void Put(int moment)
    {
        if (_put[moment])
            return;
        _put[moment] = true;
        foreach (var before in _table.Before[moment])
            Put(before);
        _next[_count++] = moment;
    }
}
