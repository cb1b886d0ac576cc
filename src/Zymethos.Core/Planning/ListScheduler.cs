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
    private readonly int[][] _bakeTasks;
    private readonly TaskLink[][] _incoming;
    private readonly List<(int First, int Second)>[] _orders;

    /// <summary>Prepares for one network.</summary>
    public ListScheduler(TaskNetwork network)
    {
        _network = network;
        _incoming = [.. network.Tasks.Select(t => network.Links.Where(l => l.To == t.Index).ToArray())];
        // Orders within a bake decide in which order its steps are laid; those between bakes bind whichever is laid second.
        _orders = [.. network.Tasks.Select(t => network.Orders.Where(o => o.Second == t.Index && network.Tasks[o.First].Bake == t.Bake).ToList())];
        _bakeTasks = [.. Enumerable.Range(0, network.Bakes.Length).Select(Topological)];
    }

    /// <summary>
    /// A plan of the bakes in the given order. Null when one of them finds no place before the horizon. The plan obeys every rule but the end of
    /// the working span and "ready by" when <paramref name="keepEnds"/> is false.
    /// </summary>
    public Plan? Build(IReadOnlyList<int> order, bool keepEnds) => Lay(order, keepEnds) is { } plan ? Settle(plan, order, keepEnds) : null;

    /// <summary>The same without a thought for what an open door costs other loads: where loads share the oven it may break that rule.</summary>
    internal Plan? Lay(IReadOnlyList<int> order, bool keepEnds) => Lay(order, new Board(_network, keepEnds, doorShut: false));

    /// <summary>A laid plan with the minutes that open doors cost: what follows gives way, or else nothing goes in or out while something bakes.</summary>
    internal Plan? Settle(Plan laid, IReadOnlyList<int> order, bool keepEnds) =>
        DoorSettling.Settle(_network, laid, keepEnds) ?? Lay(order, new Board(_network, keepEnds, doorShut: true));

    private Plan? Lay(IReadOnlyList<int> order, Board board)
    {
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
            foreach (var t in Enumerable.Reverse(tasks)) board.Remove(t);
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
            if (board.FirstFit(_network.Tasks[t], at) is not { } spot) return (true, false);
            var start = spot.Start;
            if (start > most || (board.HeldAt(t) is { } held && start != held)) return (true, false);
            foreach (var link in _incoming[t])
            {
                if (link is not { MaxLag: { } window, Window: WindowKind.Hard }) continue;
                var late = start - (board.EndOf(link.From) + window);
                if (late <= 0) continue;
                earliest[link.From] = board.StartOf(link.From) + late;
                return (true, true);
            }

            foreach (var hold in _network.Holds)
            {
                if (hold.To != t || hold.From == t || board.TakenUntil(hold, spot.End) is not { } until) continue;
                earliest[hold.From] = Math.Max(until, board.StartOf(hold.From) + 1);
                return (true, true);
            }

            board.Put(_network.Tasks[t], spot);
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
        var freed = Freed(bake);
        var done = new HashSet<int>();
        var order = new List<int>();
        while (rest.Count > 0)
        {
            var open = rest.Where(t => _incoming[t].All(l => done.Contains(l.From)) && _orders[t].TrueForAll(o => done.Contains(o.First) || o.First == t) && freed.TrueForAll(f => f.Then != t || done.Contains(f.First))).ToList();
            var next = open.Count == 0 ? rest[0] : open.MinBy(t => (Tightness(t), t));
            rest.Remove(next);
            done.Add(next);
            order.Add(next);
        }

        return [.. order];
    }

    /// <summary>Which step must have given something free before another of the same bake can take it: the third tray is filled when the first is empty.</summary>
    private List<(int First, int Then)> Freed(int bake)
    {
        var freed = new List<(int First, int Then)>();
        foreach (var holds in _network.Holds.Where(h => _network.Tasks[h.From].Bake == bake).GroupBy(h => (h.Resource, h.Units)))
        {
            var list = holds.ToList();
            var atOnce = _network.Resources[holds.Key.Resource].Capacity / holds.Key.Units;
            for (var i = Math.Max(1, atOnce); i < list.Count; i++) freed.Add((list[i - Math.Max(1, atOnce)].To, list[i].From));
        }

        return freed;
    }

    private int Tightness(int task) =>
        _incoming[task].Select(l => l is { MaxLag: { } most, Window: WindowKind.Hard } ? most - l.MinLag : int.MaxValue).DefaultIfEmpty(int.MaxValue).Min();

    /// <summary>Where a task fits.</summary>
    private readonly record struct Spot(int Start, int End, int Oven);

    /// <summary>What is already written down, minute by minute.</summary>
    private sealed class Board(TaskNetwork network, bool keepEnds, bool doorShut)
    {
        private readonly int _horizon = network.Horizon;
        private readonly bool[][] _busy = [.. network.Helpers.Select(_ => new bool[network.Horizon + 1])];
        private readonly int[][] _taken = [.. network.Resources.Select(_ => new int[network.Horizon + 1])];
        private readonly OvenThermal[] _thermals = [.. Enumerable.Range(0, network.Kitchen.Ovens.Length).Select(network.Thermal)];
        private readonly int[][][] _shelf = [.. network.Kitchen.Ovens.Select(o => Enumerable.Range(0, o.Shelves).Select(_ => new int[network.Horizon + 1]).ToArray())];
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

        /// <summary>The first place not before a minute; null when there is none.</summary>
        public Spot? FirstFit(PlanTask task, int at)
        {
            if (task.Oven is null) return FirstFit(task, at, 0);
            Spot? best = null;
            for (var oven = 0; oven < _thermals.Length; oven++)
            {
                if (task.Oven.UnitsIn(oven) == 0 || OvenOfProof(task) is { } stands && stands != oven) continue;
                if (FirstFit(task, at, oven) is { } spot && (best is null || spot.Start < best.Value.Start)) best = spot;
            }

            return best;
        }

        private Spot? FirstFit(PlanTask task, int at, int oven)
        {
            var last = (keepEnds ? SpanRules.LatestEnd(network, task) : _horizon) - task.Likely;
            while (at <= last)
            {
                var end = at + Length(task, at, oven);
                var next = Math.Max(Math.Max(AfterOven(task, at, end, oven), AfterHands(task, at, end)), Math.Max(AfterResources(task, at, end), AfterRest(task, at, end, oven)));
                if (next == at) return end > last + task.Likely ? null : new Spot(at, end, oven);
                at = next;
            }

            return null;
        }

        /// <summary>The oven in which the dough stands that a step takes out; null for every other step.</summary>
        private int? OvenOfProof(PlanTask task)
        {
            if (_thermals.Length == 1 || !task.Id.EndsWith(".clear", StringComparison.Ordinal)) return null;
            foreach (var load in _loads)
            {
                if (network.Tasks[load].Id + ".clear" == task.Id) return _placed[load]!.Oven;
            }

            return null;
        }

        /// <summary>How long it takes from a minute on; with the door kept shut also for what others open it.</summary>
        private int Length(PlanTask task, int at, int oven)
        {
            var takes = task.TakesFrom(at);
            if (!doorShut || task.Oven is not { Setting.IsProof: false }) return takes;
            var length = takes;
            for (var round = 0; round < 10; round++)
            {
                var own = new PlannedTask(at, at + length, [], []);
                var longer = takes + SharingWith(task, oven)
                    .Sum(o => o.Hands.Where(h => OvenDoor.IsWithin(o.HandsAt(h, StartOf(o.Index), EndOf(o.Index)).From, own)).Sum(h => OvenDoor.Costs(network, o, h, oven)));
                if (longer == length) break;
                length = longer;
            }

            return length;
        }

        private IEnumerable<PlanTask> SharingWith(PlanTask task, int oven) =>
            _loads.Where(l => _placed[l]!.Oven == oven && network.Tasks[l].Oven!.Setting == task.Oven!.Setting).Select(l => network.Tasks[l]);

        /// <summary>The minute until which something stands in the way of a hold that begins where its first task lies and ends some time after a minute; null when nothing does.</summary>
        public int? TakenUntil(Hold hold, int end)
        {
            var taken = _taken[hold.Resource];
            for (var m = Math.Min(_horizon, end + hold.After) - 1; m >= StartOf(hold.From); m--)
            {
                if (taken[m] + hold.Units > network.Resources[hold.Resource].Capacity) return m + 1;
            }

            return null;
        }

        public void Put(PlanTask task, Spot spot)
        {
            var hands = ImmutableArray.CreateBuilder<HandsBlock>();
            foreach (var need in task.Hands)
            {
                var left = need.People;
                var (from, until) = task.HandsAt(need, spot.Start, spot.End);
                for (var h = 0; h < network.Helpers.Length && left > 0; h++)
                {
                    if (!IsFree(h, from, until)) continue;
                    Array.Fill(_busy[h], true, from, until - from);
                    hands.Add(new HandsBlock(h, from, until));
                    left--;
                }
            }

            var shelves = task.Oven is { } oven ? Shelves(oven, spot.Start, spot.End, spot.Oven)! : [];
            foreach (var s in shelves)
            {
                for (var m = spot.Start; m < spot.End; m++) _shelf[spot.Oven][s][m] += task.Oven!.UnitsIn(spot.Oven);
            }

            if (task.Oven is not null) _loads.Add(task.Index);
            _placed[task.Index] = new PlannedTask(spot.Start, spot.End, hands.ToImmutable(), [.. shelves]) { Oven = spot.Oven };
            Take(task, 1);
        }

        /// <summary>Takes what a placed task takes, and what has been held until it; or gives it back.</summary>
        private void Take(PlanTask task, int sign)
        {
            var placed = _placed[task.Index]!;
            foreach (var demand in task.Demands) Fill(demand.Resource, placed.Start, placed.End + demand.HoldAfter, sign * demand.Units);
            foreach (var hold in network.Holds)
            {
                if (hold.To == task.Index) Fill(hold.Resource, StartOf(hold.From), placed.End + hold.After, sign * hold.Units);
            }
        }

        private void Fill(int resource, int from, int until, int units)
        {
            for (var m = from; m < Math.Min(_horizon, until); m++) _taken[resource][m] += units;
        }

        public void Remove(int index)
        {
            if (_placed[index] is not { } placed) return;
            var task = network.Tasks[index];
            foreach (var block in placed.Hands) Array.Fill(_busy[block.Helper], false, block.From, block.Until - block.From);
            // What was held from another task until this one goes while that one still lies: holds are given back from their end.
            Take(task, -1);
            foreach (var s in placed.Shelves)
            {
                for (var m = placed.Start; m < placed.End; m++) _shelf[placed.Oven][s][m] -= task.Oven!.UnitsIn(placed.Oven);
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

        private int AfterRest(PlanTask task, int at, int end, int oven)
        {
            if (!task.NeedsPresence) return at;
            foreach (var rest in network.Rests)
            {
                if (rest.Meets(at, end)) return rest.Until;
                // After a rest the oven is cold, and somebody must be there to heat it.
                if (task.Oven is { } need && at >= rest.Until && at < rest.Until + _thermals[oven].FromCold(need.Setting)) return rest.Until + _thermals[oven].FromCold(need.Setting);
            }

            return at;
        }

        private int AfterHands(PlanTask task, int at, int end)
        {
            foreach (var need in task.Hands)
            {
                var (from, until) = task.HandsAt(need, at, end);
                var free = 0;
                for (var h = 0; h < network.Helpers.Length; h++)
                {
                    if (IsFree(h, from, until)) free++;
                }

                if (free < need.People) return at + 1;
            }

            return at;
        }

        private int AfterResources(PlanTask task, int at, int end)
        {
            foreach (var demand in task.Demands)
            {
                for (var m = end + demand.HoldAfter - 1; m >= at; m--)
                {
                    if (m < _horizon && _taken[demand.Resource][m] + demand.Units > network.Resources[demand.Resource].Capacity) return m + 1;
                }
            }

            // What is held from here on must be there at least while the task lasts; whether it is until the end is seen when the end is laid.
            foreach (var hold in network.Holds)
            {
                if (hold.From != task.Index) continue;
                var until = hold.To == task.Index ? end + hold.After : end;
                for (var m = Math.Min(_horizon, until) - 1; m >= at; m--)
                {
                    if (_taken[hold.Resource][m] + hold.Units > network.Resources[hold.Resource].Capacity) return m + 1;
                }
            }

            return at;
        }

        private int AfterOven(PlanTask task, int at, int end, int oven)
        {
            if (task.Oven is not { } need) return at;
            var cold = _thermals[oven].FromCold(need.Setting);
            if (at < cold) return cold;
            foreach (var load in _loads)
            {
                if (_placed[load]!.Oven != oven) continue;
                var other = network.Tasks[load].Oven!.Setting;
                if (other == need.Setting && !IsApart(task.Index, load)) continue;
                var before = end + _thermals[oven].Transition(need.Setting, other) <= _placed[load]!.Start;
                var after = _placed[load]!.End + _thermals[oven].Transition(other, need.Setting);
                if (!before && at < after) return after;
            }

            if (doorShut && OpensOnAnother(task, at, end, oven)) return at + 1;
            return Shelves(need, at, end, oven) is null ? at + 1 : at;
        }

        private bool OpensOnAnother(PlanTask task, int at, int end, int oven) =>
            !task.Oven!.Setting.IsProof && SharingWith(task, oven).Any(other => task.Hands.Any(h => OvenDoor.IsWithin(task.HandsAt(h, at, end).From, _placed[other.Index]!)));

        private bool IsApart(int one, int other) => network.Apart.Any(p => p == (one, other) || p == (other, one));

        /// <summary>A shelf for every pan, fullest first that still has room; null when they do not fit.</summary>
        private List<int>? Shelves(OvenNeed need, int from, int until, int oven)
        {
            if (until > _horizon) return null;
            var units = need.UnitsIn(oven);
            var room = _shelf[oven].Select(s => TaskNetwork.ShelfUnits - Most(s, from, until)).ToArray();
            for (var s = 0; s < room.Length; s++)
            {
                if (!need.MayStandOn(s, room.Length) || (!network.Unmixed.IsEmpty && MeetsUnmixed(need, from, until, oven, s))) room[s] = 0;
            }

            var chosen = new List<int>();
            for (var item = 0; item < need.Items; item++)
            {
                var best = -1;
                for (var s = 0; s < room.Length; s++)
                {
                    if (room[s] >= units && (best < 0 || room[s] < room[best])) best = s;
                }

                if (best < 0) return null;
                room[best] -= units;
                chosen.Add(best);
            }

            return chosen;
        }

        private bool MeetsUnmixed(OvenNeed need, int from, int until, int oven, int shelf)
        {
            foreach (var load in _loads)
            {
                var placed = _placed[load]!;
                if (placed.Oven != oven || placed.Start >= until || placed.End <= from || !placed.Shelves.Contains(shelf)) continue;
                foreach (var pair in network.Unmixed)
                {
                    if (pair.Is(oven, need.Pan, network.Tasks[load].Oven!.Pan)) return true;
                }
            }

            return false;
        }

        private static int Most(int[] use, int from, int until)
        {
            var most = 0;
            for (var m = from; m < until; m++) most = Math.Max(most, use[m]);
            return most;
        }
    }
}
