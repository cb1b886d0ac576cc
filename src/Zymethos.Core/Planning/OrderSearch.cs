namespace Zymethos.Core.Planning;

/// <summary>
/// Looks for a better order in which to lay a day's pieces (<see cref="ListScheduler.LayPieces"/>): one is moved, two are exchanged, or one waits a while, and the new order is kept when it is no worse,
/// or now and then when it is a little worse, ever less so (simulated annealing, Kirkpatrick, Gelatt and Vecchi 1983). Thousands of days are laid a second, so that the solver, which is better at the last
/// tenth and slow at the first, begins from a good plan. The number of tries follows from the day and the limit, not from the clock: the same input gives the same plan, unless
/// the machine is so slow that time runs out.
/// </summary>
public sealed class OrderSearch
{
    /// <summary>Share of the limit that the tries are meant to take.</summary>
    private const double Share = 0.06;

    // So many days of so many steps were laid a second when this was measured; laying takes a time that grows with the square of the steps.
    private const double TriesASecond = 8000;
    private const double StepsMeasured = 67;

    // A worse plan by this share of the finish is kept with a chance of 1/e at first.
    private const double Heat = 0.01;

    // A minute that a piece ends sooner on average counts as so many minutes of finish: days with the same finish are not all as good to go on from.
    private const double EarlyWeight = 0.5;

    private const int LongestWait = 60;

    private readonly TaskNetwork _network;
    private readonly ListScheduler _scheduler;
    private readonly List<int>[] _before;
    private readonly bool[] _first;
    private readonly Random _random;
    private readonly int[] _starts;
    private readonly double[] _key;
    private readonly int[] _doors;
    private Plan _best;
    private int _bestFinish;

    private OrderSearch(TaskNetwork network, Plan first, int seed)
    {
        (_network, _best, _bestFinish) = (network, first, first.Finish(network));
        _doors = new int[network.Tasks.Length];
        _scheduler = new ListScheduler(network);
        _random = new Random(seed);
        var pieces = _scheduler.Pieces;
        (_starts, _key) = (new int[pieces.Count], new double[pieces.Count]);
        var pieceOf = new int[network.Tasks.Length];
        for (var p = 0; p < pieces.Count; p++)
        {
            foreach (var t in pieces[p]) pieceOf[t] = p;
        }

        _before = [.. pieces.Select(_ => new List<int>())];
        foreach (var (from, to) in network.Links.Select(l => (l.From, l.To)).Concat(network.Orders.Where(o => network.Tasks[o.First].Bake == network.Tasks[o.Second].Bake)))
        {
            var (a, b) = (pieceOf[from], pieceOf[to]);
            if (a != b && !_before[b].Contains(a)) _before[b].Add(a);
        }

        // What is pinned has its place before anything else looks for one, and so has what comes before it.
        _first = new bool[pieces.Count];
        foreach (var pin in network.Pins) MarkFirst(pieceOf[pin.Task]);
    }

    /// <summary>So many tries as a search of a limit is meant to spend on a day.</summary>
    public static int Tries(TaskNetwork network, TimeSpan limit) => (int)(limit.TotalSeconds * Share * TriesASecond * Math.Pow(StepsMeasured / Math.Max(1, network.Tasks.Length), 2));

    /// <summary>Looks for a better plan than one that obeys every rule. What it finds obeys every rule too and finishes sooner; the plan itself where it finds none.</summary>
    /// <param name="network">The day.</param>
    /// <param name="first">The plan to begin from.</param>
    /// <param name="seed">Seed of the tries.</param>
    /// <param name="tries">How many days to lay.</param>
    /// <param name="isOver">Asked before every try; true ends the search. Null for never.</param>
    /// <param name="onBetter">Told of every better plan; null when nobody listens.</param>
    public static Plan Improve(TaskNetwork network, Plan first, int seed, int tries, Func<bool>? isOver = null, Action<Plan>? onBetter = null)
    {
        var search = new OrderSearch(network, first, seed);
        search.Anneal(tries, isOver ?? (() => false), onBetter ?? (_ => { }));
        return search._best;
    }

    private void MarkFirst(int piece)
    {
        if (_first[piece]) return;
        _first[piece] = true;
        _before[piece].ForEach(MarkFirst);
    }

    private void Anneal(int tries, Func<bool> isOver, Action<Plan> onBetter)
    {
        var pieces = _scheduler.Pieces;
        if (pieces.Count < 2) return;
        var order = Ordered([.. Enumerable.Range(0, pieces.Count).OrderBy(p => pieces[p].Min(t => _best.Tasks[t].Start))]);
        var waits = new int[pieces.Count];
        var here = Lay(order, waits, double.MaxValue, onBetter) ?? double.MaxValue;
        for (var i = 0; i < tries && !isOver(); i++)
        {
            var (next, wait) = ((int[])order.Clone(), (int[])waits.Clone());
            Change(next, wait);
            next = Ordered(next);
            var left = 1 - ((double)i / tries);
            var most = here + (-Math.Log(1 - Next()) * Heat * _bestFinish * left * left);
            if (Lay(next, wait, most, onBetter) is not { } cost) continue;
            (order, waits, here) = (next, wait, cost);
        }
    }

    /// <summary>Lays the day in an order. Its cost, when it obeys every rule and is no dearer than wanted; where it stands and what open doors cost is then remembered. Null otherwise.</summary>
    private double? Lay(int[] order, int[] waits, double most, Action<Plan> onBetter)
    {
        if (_scheduler.LayPieces(order, waits, _doors) is not { } board) return null;
        var (finish, ends) = (0, 0L);
        foreach (var piece in _scheduler.Pieces)
        {
            var end = 0;
            foreach (var t in piece)
            {
                if (_network.Tasks[t].NeedsPresence) end = Math.Max(end, board.EndOf(t));
            }

            finish = Math.Max(finish, end);
            ends += end;
        }

        var cost = finish + (EarlyWeight * ends / _starts.Length);
        if (cost > most) return null;
        if (finish < _bestFinish)
        {
            (_best, _bestFinish) = (board.ToPlan(), finish);
            onBetter(_best);
        }

        Array.Copy(board.DoorMinutes, _doors, _doors.Length);
        for (var p = 0; p < _starts.Length; p++) _starts[p] = _scheduler.Pieces[p].Min(board.StartOf);
        return cost;
    }

    /// <summary>One change, now and then two.</summary>
    private void Change(int[] order, int[] waits)
    {
        var n = order.Length;
        for (var changes = Next() < 1.0 / 3 ? 2 : 1; changes > 0; changes--)
        {
            var (a, b, kind) = (Next(n), Next(n), Next());
            if (kind < 0.5) Move(order, a, b);
            else if (kind < 0.7) (order[a], order[b]) = (order[b], order[a]);
            else if (Next() < 0.5 && waits[a] > 0) waits[a] = 0;
            else waits[a] = kind < 0.9 ? _starts[a] + 1 + Next(LongestWait) : _starts[b];
        }
    }

    private static void Move(int[] order, int from, int to)
    {
        var moved = order[from];
        if (from < to) Array.Copy(order, from + 1, order, from, to - from);
        else Array.Copy(order, to, order, to + 1, from - to);
        order[to] = moved;
    }

    /// <summary>The nearest order in which every piece comes after those it waits for, and what is pinned first.</summary>
    private int[] Ordered(int[] wanted)
    {
        for (var i = 0; i < wanted.Length; i++) _key[wanted[i]] = i - (_first[wanted[i]] ? wanted.Length : 0);
        var done = new bool[wanted.Length];
        var order = new int[wanted.Length];
        for (var i = 0; i < order.Length; i++)
        {
            var next = -1;
            for (var p = 0; p < done.Length; p++)
            {
                if (!done[p] && (next < 0 || _key[p] < _key[next]) && _before[p].TrueForAll(q => done[q])) next = p;
            }

            (order[i], done[next]) = (next, true);
        }

        return order;
    }

#pragma warning disable CA5394 // A search order is no secret.
    private double Next() => _random.NextDouble();

    private int Next(int below) => _random.Next(below);
#pragma warning restore CA5394
}
