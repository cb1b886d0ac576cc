using System.Collections.Immutable;
using Zymethos.Core.Heat;
using Zymethos.Core.Recipes;

namespace Zymethos.Core.Planning;

/// <summary>
/// Builds a plan the way a good baker does on paper: bake after bake in a given order, every step as early as hands, mixer and oven allow
/// around what is already written down. A hard window that does not hold sends the step before it to a later start, and the bake is laid
/// again. Deterministic. Gives the hand methods, the first plan and the hint for the solver.
/// </summary>
public sealed class ListScheduler
{
    private const int MostRepairs = 600;

    private readonly TaskNetwork _network;
    private readonly OvenThermal _thermal;
    private readonly int[][] _bakeTasks;
    private readonly TaskLink[][] _incoming;
    private readonly List<(int First, int Second)>[] _orders;

    /// <summary>Prepares for one network.</summary>
    public ListScheduler(TaskNetwork network)
    {
        _network = network;
        _thermal = new OvenThermal(network.Kitchen.Oven, network.Kitchen.Room);
        _incoming = [.. network.Tasks.Select(t => network.Links.Where(l => l.To == t.Index).ToArray())];
        // Orders within a bake decide in which order its steps are laid; those between bakes bind whichever is laid second.
        _orders = [.. network.Tasks.Select(t => network.Orders.Where(o => o.Second == t.Index && network.Tasks[o.First].Bake == t.Bake).ToList())];
        _bakeTasks = [.. Enumerable.Range(0, network.Bakes.Length).Select(Topological)];
    }

    /// <summary>
    /// Lays the bakes in the given order. Null when one of them finds no place before the horizon. The plan obeys every rule but the end of
    /// the working span and "ready by" when <paramref name="keepEnds"/> is false.
    /// </summary>
    public Plan? Build(IReadOnlyList<int> order, bool keepEnds)
    {
        var board = new Board(_network, _thermal, keepEnds);
        // What is pinned has its place before anything else looks for one.
        foreach (var bake in order.OrderBy(b => _network.Pins.Any(p => _network.Tasks[p.Task].Bake == b) ? 0 : 1))
        {
            if (!Place(board, _bakeTasks[bake])) return null;
        }

        return board.ToPlan();
    }

    private bool Place(Board board, int[] tasks)
    {
        var earliest = tasks.ToDictionary(t => t, t => board.HeldAt(t) ?? SpanRules.EarliestStart(_network, _network.Tasks[t]));
        for (var repair = 0; repair < MostRepairs; repair++)
        {
            var (failed, pushed) = TryPlace(board, tasks, earliest);
            if (!failed) return true;
            foreach (var t in tasks) board.Remove(t);
            if (!pushed) return false;
        }

        return false;
    }

    /// <summary>One attempt. On a broken window the earlier step's earliest start is moved up and the caller tries again.</summary>
    private (bool Failed, bool Pushed) TryPlace(Board board, int[] tasks, Dictionary<int, int> earliest)
    {
        foreach (var t in tasks)
        {
            var (least, most) = board.SpanBesideOthers(t);
            var at = Math.Max(earliest[t], least);
            foreach (var link in _incoming[t]) at = Math.Max(at, board.EndOf(link.From) + link.MinLag);
            foreach (var (first, _) in _orders[t]) at = Math.Max(at, board.StartOf(first));
            var start = board.FirstFit(_network.Tasks[t], at);
            if (start < 0 || start > most || (board.HeldAt(t) is { } held && start != held)) return (true, false);
            foreach (var link in _incoming[t])
            {
                if (link is not { MaxLag: { } window, Window: WindowKind.Hard }) continue;
                var late = start - (board.EndOf(link.From) + window);
                if (late <= 0) continue;
                earliest[link.From] = board.StartOf(link.From) + late;
                return (true, true);
            }

            board.Put(_network.Tasks[t], start);
        }

        return (false, false);
    }

    /// <summary>
    /// The bake's tasks so that every link points forward. Among the steps that could come next the one that is tied to the step
    /// before it by the shortest window goes first, so that what cannot wait is not overtaken.
    /// </summary>
    private int[] Topological(int bake)
    {
        var rest = _network.Tasks.Where(t => t.Bake == bake).Select(t => t.Index).ToList();
        var done = new HashSet<int>();
        var order = new List<int>();
        while (rest.Count > 0)
        {
            var open = rest.Where(t => _incoming[t].All(l => done.Contains(l.From)) && _orders[t].TrueForAll(o => done.Contains(o.First) || o.First == t)).ToList();
            var next = open.Count == 0 ? rest[0] : open.MinBy(t => (Tightness(t), t));
            rest.Remove(next);
            done.Add(next);
            order.Add(next);
        }

        return [.. order];
    }

    private int Tightness(int task) =>
        _incoming[task].Select(l => l is { MaxLag: { } most, Window: WindowKind.Hard } ? most - l.MinLag : int.MaxValue).DefaultIfEmpty(int.MaxValue).Min();

    /// <summary>What is already written down, minute by minute.</summary>
    private sealed class Board(TaskNetwork network, OvenThermal thermal, bool keepEnds)
    {
        private readonly int _horizon = network.Horizon;
        private readonly bool[][] _busy = [.. network.Helpers.Select(_ => new bool[network.Horizon + 1])];
        private readonly int[][] _taken = [.. network.Resources.Select(_ => new int[network.Horizon + 1])];
        private readonly int[][] _shelf = [.. Enumerable.Range(0, network.Kitchen.Oven.Shelves).Select(_ => new int[network.Horizon + 1])];
        private readonly PlannedTask?[] _placed = new PlannedTask?[network.Tasks.Length];
        private readonly List<int> _loads = [];

        public int StartOf(int task) => _placed[task]!.Start;

        public int EndOf(int task) => _placed[task]!.End;

        /// <summary>The minute to which a task is pinned; null when it is free.</summary>
        public int? HeldAt(int task)
        {
            foreach (var pin in network.Pins)
            {
                if (pin.Task == task) return pin.Start;
            }

            return null;
        }

        /// <summary>The minutes between which a task must start for the sake of tasks of other bakes that stand already: together with them, or in order.</summary>
        public (int From, int Until) SpanBesideOthers(int task)
        {
            var (from, until) = (int.MinValue, int.MaxValue);
            foreach (var (first, second) in network.Together)
            {
                if (first != task && second != task) continue;
                if (_placed[first == task ? second : first] is not { } other) continue;
                from = Math.Max(from, other.Start - TaskNetwork.TogetherMinutes);
                until = Math.Min(until, other.Start + TaskNetwork.TogetherMinutes);
            }

            foreach (var (first, second) in network.Orders)
            {
                if (network.Tasks[first].Bake == network.Tasks[second].Bake) continue;
                if (second == task && _placed[first] is { } before) from = Math.Max(from, before.Start);
                if (first == task && _placed[second] is { } after) until = Math.Min(until, after.Start);
            }

            return (from, until);
        }

        public Plan ToPlan() => new([.. _placed.Select(p => p!)]);

        /// <summary>The first start not before <paramref name="at"/> that fits; -1 when none does.</summary>
        public int FirstFit(PlanTask task, int at)
        {
            var last = (keepEnds ? SpanRules.LatestEnd(network, task) : _horizon) - task.Likely;
            while (at <= last)
            {
                var next = Math.Max(Math.Max(AfterOven(task, at), AfterHands(task, at)), Math.Max(AfterResources(task, at), AfterRest(task, at)));
                if (next == at) return at;
                at = next;
            }

            return -1;
        }

        public void Put(PlanTask task, int start)
        {
            var hands = ImmutableArray.CreateBuilder<HandsBlock>();
            foreach (var need in task.Hands)
            {
                var left = need.People;
                for (var h = 0; h < network.Helpers.Length && left > 0; h++)
                {
                    var (from, until) = (start + need.Offset, start + need.Offset + need.Length);
                    if (!IsFree(h, from, until)) continue;
                    Array.Fill(_busy[h], true, from, until - from);
                    hands.Add(new HandsBlock(h, from, until));
                    left--;
                }
            }

            foreach (var demand in task.Demands)
            {
                for (var m = start; m < Math.Min(_horizon, start + task.Likely + demand.HoldAfter); m++) _taken[demand.Resource][m] += demand.Units;
            }

            var shelves = task.Oven is { } oven ? Shelves(oven, start, start + task.Likely)! : [];
            foreach (var s in shelves)
            {
                for (var m = start; m < start + task.Likely; m++) _shelf[s][m] += task.Oven!.UnitsPerItem;
            }

            if (task.Oven is not null) _loads.Add(task.Index);
            _placed[task.Index] = new PlannedTask(start, start + task.Likely, hands.ToImmutable(), [.. shelves]);
        }

        public void Remove(int index)
        {
            if (_placed[index] is not { } placed) return;
            var task = network.Tasks[index];
            foreach (var block in placed.Hands) Array.Fill(_busy[block.Helper], false, block.From, block.Until - block.From);
            foreach (var demand in task.Demands)
            {
                for (var m = placed.Start; m < Math.Min(_horizon, placed.End + demand.HoldAfter); m++) _taken[demand.Resource][m] -= demand.Units;
            }

            foreach (var s in placed.Shelves)
            {
                for (var m = placed.Start; m < placed.End; m++) _shelf[s][m] -= task.Oven!.UnitsPerItem;
            }

            _loads.Remove(index);
            _placed[index] = null;
        }

        private bool IsFree(int helper, int from, int until)
        {
            var who = network.Helpers[helper];
            if (from < who.From || (keepEnds && until > who.Until) || until > _horizon) return false;
            return Array.IndexOf(_busy[helper], true, from, until - from) < 0;
        }

        private int AfterRest(PlanTask task, int at)
        {
            if (!task.NeedsPresence) return at;
            foreach (var rest in network.Rests)
            {
                if (rest.Meets(at, at + task.Likely)) return rest.Until;
                // After a rest the oven is cold, and somebody must be there to heat it.
                if (task.Oven is { } oven && at >= rest.Until && at < rest.Until + thermal.FromCold(oven.Setting)) return rest.Until + thermal.FromCold(oven.Setting);
            }

            return at;
        }

        private int AfterHands(PlanTask task, int at)
        {
            foreach (var need in task.Hands)
            {
                var free = 0;
                for (var h = 0; h < network.Helpers.Length; h++)
                {
                    if (IsFree(h, at + need.Offset, at + need.Offset + need.Length)) free++;
                }

                if (free < need.People) return at + 1;
            }

            return at;
        }

        private int AfterResources(PlanTask task, int at)
        {
            foreach (var demand in task.Demands)
            {
                for (var m = at + task.Likely + demand.HoldAfter - 1; m >= at; m--)
                {
                    if (m < _horizon && _taken[demand.Resource][m] + demand.Units > network.Resources[demand.Resource].Capacity) return m + 1;
                }
            }

            return at;
        }

        private int AfterOven(PlanTask task, int at)
        {
            if (task.Oven is not { } oven) return at;
            var cold = thermal.FromCold(oven.Setting);
            if (at < cold) return cold;
            foreach (var load in _loads)
            {
                var other = network.Tasks[load].Oven!.Setting;
                if (other == oven.Setting && !IsApart(task.Index, load)) continue;
                var (start, end) = (_placed[load]!.Start, _placed[load]!.End);
                var before = at + task.Likely + thermal.Transition(oven.Setting, other) <= start;
                var after = end + thermal.Transition(other, oven.Setting);
                if (!before && at < after) return after;
            }

            return Shelves(oven, at, at + task.Likely) is null ? at + 1 : at;
        }

        private bool IsApart(int one, int other) => network.Apart.Any(p => p == (one, other) || p == (other, one));

        /// <summary>A shelf for every pan, fullest first that still has room; null when they do not fit.</summary>
        private List<int>? Shelves(OvenNeed oven, int from, int until)
        {
            if (until > _horizon) return null;
            var room = _shelf.Select(s => TaskNetwork.ShelfUnits - Most(s, from, until)).ToArray();
            var chosen = new List<int>();
            for (var item = 0; item < oven.Items; item++)
            {
                var best = -1;
                for (var s = 0; s < room.Length; s++)
                {
                    if (room[s] >= oven.UnitsPerItem && (best < 0 || room[s] < room[best])) best = s;
                }

                if (best < 0) return null;
                room[best] -= oven.UnitsPerItem;
                chosen.Add(best);
            }

            return chosen;
        }

        private static int Most(int[] use, int from, int until)
        {
            var most = 0;
            for (var m = from; m < until; m++) most = Math.Max(most, use[m]);
            return most;
        }
    }
}
