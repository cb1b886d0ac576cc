using Zymethos.Core.Recipes;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Search;

/// <summary>The moments of a day, which of them come before which, and what is only waited for between them.</summary>
internal sealed class MomentTable
{
    private readonly DayTables _day;
    private readonly List<int>[] _momentsOf;

    /// <summary>Works them out.</summary>
    public MomentTable(DayTables day)
    {
        _day = day;
        var network = day.Network;
        var n = network.Tasks.Length;
        _momentsOf = [.. network.Tasks.Select(_ => new List<int>())];
        var moments = new List<Moment>();
        foreach (var task in network.Tasks)
            AddMoments(task, moments);
        Moments = [.. moments];
        Orders = [.. Enumerable.Range(0, n).Select(t => network.Orders.Where(o => o.Second == t).Select(o => o.First).ToArray())];
        Before = [.. Moments.Select((m, i) => m.Starts ? BeforeStart(m.Task) : [i - 1])];
        var inOrder = InOrder();
        var rank = new int[n];
        for (var i = 0; i < n; i++)
            rank[inOrder[i]] = i;
        Waits = [.. Enumerable.Range(0, n).Select(t => IsWait(t) ? [] : WaitsBefore(t).OrderBy(w => rank[w]).ToArray())];
        var known = Waits.SelectMany(w => w).ToHashSet();
        LastWaits = [.. inOrder.Where(t => IsWait(t) && !known.Contains(t))];
        Windows = [.. network.Links.Where(l => l is { MaxLag: not null, Window: WindowKind.Hard }).OrderByDescending(l => rank[l.To])];
        var reach = new ReachTable(network);
        Tails =
        [
            .. network.Tasks.Select(t =>
                network
                    .Tasks.Where(u => u.NeedsPresence && reach.Least(t.Index, u.Index) is not null)
                    .Select(u => reach.Least(t.Index, u.Index)!.Value + u.Likely)
                    .DefaultIfEmpty(0)
                    .Max()
            ),
        ];
        HoldsAtLeast = [.. network.Holds.Select(h => (reach.Least(h.From, h.To) ?? 0) + network.Tasks[h.To].Likely + h.After)];
    }

    /// <summary>Every moment; those of a task stand together, its start first.</summary>
    public Moment[] Moments { get; }

    /// <summary>By moment, the moments that come before it whatever the plan; not those that these wait for in turn.</summary>
    public int[][] Before { get; }

    /// <summary>By task, the tasks that start no later by an order.</summary>
    public int[][] Orders { get; }

    /// <summary>By task with moments, what is waited for between it and the moments before it, each after what it follows.</summary>
    public int[][] Waits { get; }

    /// <summary>What is waited for after the last moments: cooling, for the most part.</summary>
    public int[] LastWaits { get; }

    /// <summary>Links with a hard window, the last of the day first: a task that is moved later for its own window is seen by the window
    /// before.</summary>
    public TaskLink[] Windows { get; }

    /// <summary>By task, the least minutes from its start until the end of the last presence that must follow it.</summary>
    public int[] Tails { get; }

    /// <summary>By hold, the least minutes it lasts.</summary>
    public int[] HoldsAtLeast { get; }

    private bool IsWait(int task) => _momentsOf[task].Count == 0;

    private void AddMoments(PlanTask task, List<Moment> moments)
    {
        if (task.Hands.IsEmpty && task.Oven is null)
            return;
        if (task.Hands.All(h => h.Offset > 0))
            Add(new Moment(task.Index, Starts: true, AtEnd: false, 0, 0, 0));
        foreach (var need in task.Hands.OrderBy(h => h.Offset))
            Add(new Moment(task.Index, need.Offset == 0, task.IsAtEnd(need), need.Offset, need.Length, need.People));

        void Add(Moment moment)
        {
            _momentsOf[task.Index].Add(moments.Count);
            moments.Add(moment);
        }
    }

    private int[] BeforeStart(int task)
    {
        var before = new HashSet<int>();
        Follow(task, []);
        foreach (var first in Orders[task].Where(f => !IsWait(f)))
            before.Add(_momentsOf[first][0]);
        return [.. before];

        void Follow(int to, HashSet<int> seen)
        {
            foreach (var link in _day.Incoming[to])
            {
                if (link.MinLag < 0)
                    continue;
                if (!IsWait(link.From))
                    before.Add(_momentsOf[link.From][^1]);
                else if (seen.Add(link.From))
                    Follow(link.From, seen);
            }
        }
    }

    private HashSet<int> WaitsBefore(int task)
    {
        var waits = new HashSet<int>();
        Follow(task);
        return waits;

        void Follow(int to)
        {
            foreach (var from in _day.Incoming[to].Select(l => l.From).Concat(Orders[to]))
            {
                if (IsWait(from) && waits.Add(from))
                    Follow(from);
            }
        }
    }

    /// <summary>All tasks, each after what it follows.</summary>
    private List<int> InOrder()
    {
        var (order, seen) = (new List<int>(), new HashSet<int>());
        for (var t = 0; t < _momentsOf.Length; t++)
            Visit(t);
        return order;

        void Visit(int task)
        {
            if (!seen.Add(task))
                return;
            foreach (var link in _day.Incoming[task])
                Visit(link.From);
            foreach (var first in Orders[task])
                Visit(first);
            order.Add(task);
        }
    }
}
