using Zymethos.Planning.Checking;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Search;

/// <summary>
/// Looks for a better order of a day's moments, from which its times follow (<see cref="Timetable"/>): some moments are moved in time
/// (<see cref="OrderChanges"/>), and the new order is kept when it is no worse, or now and then when it is a little worse, ever less so
/// (simulated annealing, Kirkpatrick, Gelatt and Vecchi 1983). Orders that break a window may be kept on the way, at a price. Ten thousands
/// of days are laid a second, so that the solver, which is better at the last tenth and slow at the first, begins from a good plan. The
/// number of tries follows from the day and the limit, not from the clock: the same input gives the same plan, unless the machine is so
/// slow that time runs out.
/// </summary>
internal sealed class OrderSearch
{
    /// <summary>Share of the limit that the tries are meant to take.</summary>
    private const double Share = 0.08;

    // So many days of so many steps were laid a second when this was measured, and what it takes grows somewhat faster than the steps.
    private const double TriesASecond = 60_000;
    private const double StepsMeasured = 67;
    private const double Growth = 1.6;

    // A day dearer by this share of the finish is kept with a chance of 1/e at first.
    private const double Heat = 0.03;

    // A minute by which a window is broken costs little at first, so that days far from here can be reached, and more and more.
    private const double BrokenWeightAtFirst = 0.5;
    private const double BrokenWeightAtLast = 3;

    // Checking a plan takes as long as laying dozens: one that is better by less than this share is checked when a better one is found, or
    // at the end.
    private const double Step = 0.01;

    // Moments laid for the same minute keep their order.
    private const double Apart = 1e-5;

    private readonly TaskNetwork _network;
    private readonly MomentTable _table;
    private readonly Timetable _timetable;
    private readonly OrderChanges _changes;
    private readonly Random _random;
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
    private Plan _best;
    private int _bestFinish;
    private (Plan Plan, int Finish)? _unchecked;

    private OrderSearch(TaskNetwork network, Plan first, int seed)
    {
        (_network, _best, _bestFinish) = (network, first, first.Finish(network));
        var day = new DayTables(network);
        _table = new MomentTable(day);
        _timetable = new Timetable(day, _table);
        _random = new Random(seed);
        _changes = new OrderChanges(day, _table, _random);
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

    /// <summary>So many tries as a search of a limit is meant to spend on a day.</summary>
    public static int Tries(TaskNetwork network, TimeSpan limit) =>
        (int)(limit.TotalSeconds * Share * TriesASecond * Math.Pow(StepsMeasured / Math.Max(1, network.Tasks.Length), Growth));

    /// <summary>Looks for a better plan than one that obeys every rule. What it finds obeys every rule too and finishes sooner; the plan
    /// itself where it finds none.</summary>
    /// <param name="network">The day.</param>
    /// <param name="first">The plan to begin from.</param>
    /// <param name="seed">Seed of the tries.</param>
    /// <param name="tries">How many days to lay.</param>
    /// <param name="isOver">Asked before every try; true ends the search. Null for never.</param>
    /// <param name="onBetter">Told of every better plan; null when nobody listens.</param>
    public static Plan Improve(
        TaskNetwork network,
        Plan first,
        int seed,
        int tries,
        Func<bool>? isOver = null,
        Action<Plan>? onBetter = null
    )
    {
        var search = new OrderSearch(network, first, seed);
        if (search._order.Length > 1)
            search.Anneal(tries, isOver ?? (() => false), onBetter ?? (_ => { }));
        return search._best;
    }

    /// <summary>
    /// The day in an order in which it stood: when something takes longer than it was planned to, the rest follows in its old order. Null
    /// when a step has no place in that order, or a rule is broken by keeping it.
    /// </summary>
    /// <param name="network">The day as it is now.</param>
    /// <param name="stood">Where steps stood, by their ids.</param>
    public static Plan? InOrder(TaskNetwork network, IReadOnlyDictionary<TaskId, int> stood)
    {
        if (!network.Tasks.All(t => stood.ContainsKey(t.Id)))
            return null;
        var old = new Plan(
            [
                .. network.Tasks.Select(t => new PlannedTask(stood[t.Id], stood[t.Id] + t.TakesFrom(stood[t.Id]), [], [])
                {
                    Oven = t.Oven is { UnitsPerItem: 0 } ? 1 : 0,
                }),
            ]
        );
        var search = new OrderSearch(network, old, 0);
        return
            search.LayFirst()
            && search._timetable is { IsSettled: true } day
            && day.ToPlan() is var plan
            && PlanChecker.Check(network, plan).Count == 0
            ? plan
            : null;
    }

    private bool LayFirst()
    {
        Array.Copy(_times, _wanted, _times.Length);
        Merge([.. Enumerable.Range(0, _times.Length).OrderBy(i => _times[i])]);
        Array.Copy(_next, _order, _next.Length);
        Array.Copy(_ovens, _timetable.Oven, _ovens.Length);
        return Lay(double.MaxValue, BrokenWeightAtFirst);
    }

    private void Anneal(int tries, Func<bool> isOver, Action<Plan> onBetter)
    {
        var cost = LayFirst() ? Keep(onBetter) : double.MaxValue;
        for (var i = 0; i < tries && !isOver(); i++)
        {
            Array.Copy(_times, _wanted, _times.Length);
            Array.Copy(_ovens, _timetable.Oven, _ovens.Length);
            _changes.Change(_times, _wanted, _timetable.Oven);
            Merge(_order);
            if (_next.AsSpan().SequenceEqual(_order) && _ovens.AsSpan().SequenceEqual(_timetable.Oven))
                continue;
            var left = 1 - ((double)i / tries);
#pragma warning disable CA5394 // A search order is no secret.
            if (
                Lay(
                    cost - (Math.Log(1 - _random.NextDouble()) * Heat * _bestFinish * left * left),
                    BrokenWeightAtLast - ((BrokenWeightAtLast - BrokenWeightAtFirst) * left)
                )
            )
                cost = Keep(onBetter);
#pragma warning restore CA5394
        }

        Check(onBetter);
    }

    private bool Lay(double dearest, double brokenWeight)
    {
        Array.Copy(_doors, _timetable.DoorMinutes, _doors.Length);
        return _timetable.Lay(_next, dearest, brokenWeight) && (!_timetable.IsSettled || _timetable.Seat());
    }

    /// <summary>Goes on from the day that was laid last; its cost.</summary>
    private double Keep(Action<Plan> onBetter)
    {
        Array.Copy(_next, _order, _next.Length);
        Array.Copy(_timetable.DoorMinutes, _doors, _doors.Length);
        Array.Copy(_timetable.Oven, _ovens, _ovens.Length);
        var time = 0.0;
        foreach (var i in _order)
            _times[i] = time = Math.Max(time, _timetable.At(i)) + Apart;
        if (_timetable.IsSettled && _timetable.Finish < (_unchecked?.Finish ?? _bestFinish))
        {
            _unchecked = (_timetable.ToPlan(), _timetable.Finish);
            if (_timetable.Finish < _bestFinish * (1 - Step))
                Check(onBetter);
        }

        return _timetable.Cost;
    }

    /// <summary>Takes the best plan so far when the checker finds nothing against it.</summary>
    private void Check(Action<Plan> onBetter)
    {
        if (_unchecked is not var (plan, finish))
            return;
        _unchecked = null;
        if (PlanChecker.Check(_network, plan).Count > 0)
            return;
        (_best, _bestFinish) = (plan, finish);
        onBetter(plan);
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
