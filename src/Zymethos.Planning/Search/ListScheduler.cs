using Zymethos.Core.Recipes;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Search;

/// <summary>
/// Builds a plan the way a good baker does on paper: bake after bake in a given order, every step as early as hands, mixer and oven allow
/// around what is already written down. A hard window that does not hold sends the step before it to a later start, and the bake is laid
/// again. Deterministic. Gives the hand methods, the first plan and the hint for the solver.
/// </summary>
internal sealed class ListScheduler
{
    private const int MostRepairs = 600;

    private readonly TaskNetwork _network;
    private readonly DayTables _day;
    private readonly DayBoard?[] _boards = new DayBoard?[4];
    private readonly int[][] _bakeTasks;
    private readonly int[] _earliest;

    /// <summary>Prepares for one network.</summary>
    public ListScheduler(TaskNetwork network)
    {
        _network = network;
        _day = new DayTables(network);
        _bakeTasks = [.. Enumerable.Range(0, network.Bakes.Length).Select(Topological)];
        _earliest = new int[network.Tasks.Length];
        Pieces = [.. _bakeTasks.SelectMany(PiecesOf)];
    }

    /// <summary>
    /// The pieces of all bakes: steps that a window or a pan ties together are one piece, and what may wait as long as it likes (dough in
    /// the cold, slices before their second bake) begins another.
    /// Each has its tasks in the order in which they are laid; those of one bake stand in an order in which they can be laid.
    /// </summary>
    internal IReadOnlyList<int[]> Pieces { get; }

    /// <summary>
    /// A plan of the bakes in the given order. Null when one of them finds no place before the horizon. The plan obeys every rule but the
    /// end of the working span and "ready by" when <paramref name="keepEnds"/> is false.
    /// </summary>
    public Plan? Build(IReadOnlyList<int> order, bool keepEnds) => Lay(order, keepEnds) is { } plan ? Settle(plan, order, keepEnds) : null;

    /// <summary>The same without a thought for what an open door costs other loads: where loads share the oven it may break that
    /// rule.</summary>
    internal Plan? Lay(IReadOnlyList<int> order, bool keepEnds) => Lay(order, keepEnds, doorShut: false);

    /// <summary>A laid plan with the minutes that open doors cost: what follows gives way, or else nothing goes in or out while something
    /// bakes.</summary>
    internal Plan? Settle(Plan laid, IReadOnlyList<int> order, bool keepEnds) =>
        DoorSettling.Settle(_network, laid, keepEnds) ?? Lay(order, keepEnds, doorShut: true);

    private DayBoard Board(bool keepEnds, bool doorShut)
    {
        var board = _boards[(keepEnds ? 1 : 0) + (doorShut ? 2 : 0)] ??= new DayBoard(_day, keepEnds) { DoorShut = doorShut };
        board.Wipe();
        return board;
    }

    private Plan? Lay(IReadOnlyList<int> order, bool keepEnds, bool doorShut)
    {
        var board = Board(keepEnds, doorShut);
        // What is pinned has its place before anything else looks for one.
        foreach (
            var bake in order
                .OrderBy(b => _network.Pins.Any(p => _network.Tasks[p.Task].Bake == b) ? 0 : 1)
                .ThenBy(b => _day.FollowsOthers[b] ? 1 : 0)
        )
        {
            if (!Place(board, _bakeTasks[bake]))
                return null;
        }

        return board.ToPlan();
    }

    private bool Place(DayBoard board, int[] tasks)
    {
        foreach (var t in tasks)
            _earliest[t] = _day.Held[t] ?? _day.Earliest[t];
        for (var repair = 0; repair < MostRepairs; repair++)
        {
            var (failed, pushed) = TryPlace(board, tasks);
            if (!failed)
                return true;
            for (var i = tasks.Length - 1; i >= 0; i--)
                board.Remove(tasks[i]);
            if (!pushed)
                return false;
        }

        return false;
    }

    /// <summary>One attempt. On a broken window the earlier step's earliest start is moved up and the caller tries again.</summary>
    private (bool Failed, bool Pushed) TryPlace(DayBoard board, int[] tasks)
    {
        foreach (var t in tasks)
        {
            var (least, most) = board.SpanBesideOthers(t);
            var at = Math.Max(_earliest[t], least);
            foreach (var link in _day.IncomingOwn[t])
                at = Math.Max(at, board.EndOf(link.From) + link.MinLag);
            foreach (var first in _day.OrdersInto[t])
                at = Math.Max(at, board.StartOf(first));
            if (board.FirstFit(_network.Tasks[t], at) is not { } spot)
                return (true, false);
            var start = spot.Start;
            if (start > most || (_day.Held[t] is { } held && start != held))
                return (true, false);
            foreach (var link in _day.IncomingOwn[t])
            {
                if (link is not { MaxLag: { } window, Window: WindowKind.Hard })
                    continue;
                var late = start - (board.EndOf(link.From) + window);
                if (late <= 0)
                    continue;
                _earliest[link.From] = board.StartOf(link.From) + late;
                return (true, true);
            }

            foreach (var hold in _day.HoldsTo[t])
            {
                if (hold.From == t || board.TakenUntil(hold, spot.End) is not { } until)
                    continue;
                _earliest[hold.From] = Math.Max(until, board.StartOf(hold.From) + 1);
                return (true, true);
            }

            board.Put(_network.Tasks[t], spot);
        }

        return (false, false);
    }

    /// <summary>
    /// The bake's tasks so that every link points forward. Among the steps that could come next the one that is tied to the step before it
    /// by the shortest window goes first, so that what cannot wait is not overtaken.
    /// </summary>
    private int[] Topological(int bake)
    {
        var rest = _network.Tasks.Where(t => t.Bake == bake).Select(t => t.Index).ToList();
        var freed = Freed(bake);
        var done = new HashSet<int>();
        var order = new List<int>();
        while (rest.Count > 0)
        {
            var open = rest.Where(t =>
                    _day.IncomingOwn[t].All(l => done.Contains(l.From))
                    && _day.OrdersInto[t].All(o => done.Contains(o) || o == t)
                    && freed.TrueForAll(f => f.Then != t || done.Contains(f.First))
                )
                .ToList();
            var next = open.Count == 0 ? rest[0] : open.MinBy(t => (Tightness(t), t));
            rest.Remove(next);
            done.Add(next);
            order.Add(next);
        }

        return [.. order];
    }

    /// <summary>The tasks of a bake in pieces, in their order: what a window, a pan or the order of the laying holds together.</summary>
    private List<int[]> PiecesOf(int[] tasks)
    {
        var piece = tasks.ToDictionary(t => t, t => t);
        int Root(int t) => piece[t] == t ? t : piece[t] = Root(piece[t]);
        void Join(int a, int b) => piece[Root(b)] = Root(a);
        foreach (var link in _network.Links)
        {
            if (piece.ContainsKey(link.From) && link is { MaxLag: not null, Window: WindowKind.Hard })
                Join(link.From, link.To);
        }

        foreach (var hold in _network.Holds)
        {
            if (piece.ContainsKey(hold.From))
                Join(hold.From, hold.To);
        }

        var pieces = tasks.GroupBy(Root).Select(g => g.ToArray()).ToList();
        return CanFollow(pieces) ? pieces : [tasks];
    }

    /// <summary>Whether pieces of a bake, in the order of their first tasks, each come after all that they wait for.</summary>
    private bool CanFollow(List<int[]> pieces)
    {
        var laid = new HashSet<int>();
        foreach (var piece in pieces)
        {
            laid.UnionWith(piece);
            if (!piece.All(t => _day.IncomingOwn[t].All(l => laid.Contains(l.From)) && _day.OrdersInto[t].All(laid.Contains)))
                return false;
        }

        return true;
    }

    /// <summary>Which step must have given something free before another of the same bake can take it: the third tray is filled when the
    /// first is empty.</summary>
    private List<(int First, int Then)> Freed(int bake)
    {
        var freed = new List<(int First, int Then)>();
        foreach (var holds in _network.Holds.Where(h => _network.Tasks[h.From].Bake == bake).GroupBy(h => (h.Resource, h.Units)))
        {
            var list = holds.ToList();
            var atOnce = _network.Resources[holds.Key.Resource].Capacity / holds.Key.Units;
            for (var i = Math.Max(1, atOnce); i < list.Count; i++)
                freed.Add((list[i - Math.Max(1, atOnce)].To, list[i].From));
        }

        return freed;
    }

    private int Tightness(int task) =>
        _day.IncomingOwn[task]
            .Select(l => l is { MaxLag: { } most, Window: WindowKind.Hard } ? most - l.MinLag : int.MaxValue)
            .DefaultIfEmpty(int.MaxValue)
            .Min();
}
