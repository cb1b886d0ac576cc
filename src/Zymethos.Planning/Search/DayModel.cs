using Google.OrTools.Sat;
using Google.OrTools.Util;
using Zymethos.Core.Heat;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Day;
using Zymethos.Planning.Rules;

namespace Zymethos.Planning.Search;

/// <summary>How much of a day a model knows. Each knows all that the one before does, so what the one before cannot do none after it
/// can.</summary>
internal enum ModelDepth
{
    /// <summary>Links, hands and the heats of the ovens; a bake may take anything up to what open doors could cost it.</summary>
    HandsAndHeats,

    /// <summary>Mixers, pans, cold room, racks and shelves as well.</summary>
    DoorsShut,

    /// <summary>Everything: open doors lengthen what bakes.</summary>
    Whole,
}

/// <summary>
/// A day as a CP-SAT model. One integer for the start of each task; intervals for hands, mixers and shelves; for every two loads of
/// different setting a choice which goes first, with the oven's transition between.
/// </summary>
internal sealed partial class DayModel
{
    private const int CalmMinutes = 15;
    private const int MovedWeight = 300;

    private readonly TaskNetwork _network;
    private readonly ReachTable _reach;
    private readonly OvenThermal[] _thermals;
    private readonly CpModel _model = new();
    private readonly CpSolver _solver = new();
    private readonly IntVar[] _start;
    private readonly LinearExpr[] _end;
    private readonly IntVar?[] _extra;
    private readonly IntVar _finish;
    private readonly Dictionary<(int Task, int Need, int Helper), BoolVar> _byHelper = [];

    // What a plan says of each helping variable, so that a hint is whole.
    private readonly List<(IntVar Variable, Func<Plan, long> Of)> _hints = [];

    /// <param name="network">The day.</param>
    /// <param name="reach">Its reach table.</param>
    /// <param name="bound">A finish that no plan can beat.</param>
    /// <param name="depth">How much of the day it knows.</param>
    public DayModel(TaskNetwork network, ReachTable reach, int bound, ModelDepth depth)
    {
        _network = network;
        _reach = reach;
        _thermals = [.. Enumerable.Range(0, network.Kitchen.Ovens.Length).Select(network.Thermal)];
        _start = [.. network.Tasks.Select(NewStart)];
        _finish = _model.NewIntVar(Math.Min(bound, network.SpanEnd), network.SpanEnd, "finish");
        AddOvenChoice();
        (_end, _extra) = (new LinearExpr[_start.Length], new IntVar?[_start.Length]);
        foreach (var task in network.Tasks)
            AddEnd(task);
        foreach (var task in network.Tasks.Where(t => t.NeedsPresence))
            _model.Add(_finish >= _end[task.Index]);
        AddLinks();
        AddHands();
        AddOvenStates();
        AddKeptApart();
        if (depth == ModelDepth.HandsAndHeats)
            return;
        AddResources();
        AddShelves();
        if (depth == ModelDepth.Whole)
            AddDoor();
    }

    /// <summary>The solver's bound on the objective, rounded up to a whole minute; 0 when it had no time to begin.</summary>
    public int Bound => _solver.Response is null ? 0 : (int)Math.Ceiling(_solver.BestObjectiveBound - 1e-6);

    public void MinimiseFinish(Plan? hint)
    {
        _model.Minimize(_finish);
        Hint(hint);
    }

    /// <summary>Begins to look where steps stood, although the day is another now.</summary>
    public void BeginAt(IReadOnlyDictionary<TaskId, int> starts)
    {
        foreach (var task in _network.Tasks)
        {
            if (starts.TryGetValue(task.Id, out var start))
                _model.AddHint(
                    _start[task.Index],
                    Math.Max(start, task.NeedsPresence && !_network.Pins.Any(p => p.Task == task.Index) ? _network.Since : 0)
                );
        }
    }

    /// <summary>Asks for a plan that ends by a minute. Said of every task and not only of the finish, it narrows what the solver looks at
    /// before it begins.</summary>
    public void EndBy(int finish)
    {
        foreach (var task in _network.Tasks.Where(t => t.NeedsPresence))
            _model.Add(_end[task.Index] <= finish);
        _model.Add(_finish <= finish);
    }

    /// <summary>The second search: by the weights of a lean, and no later than they allow.</summary>
    /// <param name="finish">The finish that was found.</param>
    /// <param name="weights">The weights.</param>
    /// <param name="hint">The plan that was found.</param>
    /// <param name="keep">Where steps stood before.</param>
    public void TidyWithin(int finish, DayWeights weights, Plan hint, IReadOnlyDictionary<TaskId, int> keep)
    {
        _model.Add(_finish <= Math.Min(_network.SpanEnd, finish + (finish * weights.FinishAllowance / 100)));
        var terms = LinearExpr.NewBuilder();
        if (weights.Finish > 0)
            terms.AddTerm(_finish, weights.Finish);
        AddPresence(terms, weights);
        AddOvenSpan(terms, weights);
        AddWindows(terms, weights);
        AddBakeSpans(terms, weights);
        AddMoves(terms, keep);
        _model.Minimize(terms);
        Hint(hint);
    }

    /// <summary>A step that stays where it stood is worth some minutes of anything else.</summary>
    private void AddMoves(LinearExprBuilder terms, IReadOnlyDictionary<TaskId, int> keep)
    {
        foreach (var task in _network.Tasks)
        {
            if (!keep.TryGetValue(task.Id, out var start))
                continue;
            var moved = _model.NewBoolVar("moved");
            _hints.Add((moved, p => p.Tasks[task.Index].Start == start ? 0 : 1));
            _model.Add(_start[task.Index] == start).OnlyEnforceIf(moved.Not());
            terms.AddTerm(moved, MovedWeight);
        }
    }

    private void AddPresence(LinearExprBuilder terms, DayWeights weights)
    {
        var first = _model.NewIntVar(0, _network.SpanEnd, "first touch");
        foreach (var task in _network.Tasks.Where(t => t.NeedsPresence))
            _model.Add(first <= _start[task.Index] - FromCold(task));
        terms.AddTerm(first, -weights.Presence);
        if (weights.FinishAllowance > 0)
            terms.AddTerm(_finish, weights.Presence);
    }

    private void AddOvenSpan(LinearExprBuilder terms, DayWeights weights)
    {
        var hot = _network.Tasks.Where(t => t.Oven is { Setting.IsHot: true }).ToList();
        if (hot.Count == 0)
            return;
        var on = _model.NewIntVar(0, _network.SpanEnd, "oven on");
        var off = _model.NewIntVar(0, _network.SpanEnd, "oven off");
        foreach (var task in hot)
        {
            _model.Add(on <= _start[task.Index]);
            _model.Add(off >= _end[task.Index]);
        }

        terms.AddTerm(off, weights.OvenSpan);
        terms.AddTerm(on, -weights.OvenSpan);
    }

    private void AddWindows(LinearExprBuilder terms, DayWeights weights)
    {
        foreach (var link in _network.Links)
        {
            if (link.MaxLag is not { } most)
                continue;
            var lag = _start[link.To] - _end[link.From];
            if (link.Window == WindowKind.Soft)
            {
                var over = _model.NewIntVar(0, _network.Horizon, "over");
                _model.Add(over >= lag - most);
                terms.AddTerm(over, weights.SoftWindow);
            }
            else if (weights.Tightness > 0 && most > link.MinLag)
            {
                // What is left before the window closes should be a quarter of an hour, or half of a shorter window.
                var wanted = Math.Min(CalmMinutes, (most - link.MinLag) / 2);
                var tight = _model.NewIntVar(0, CalmMinutes, "tight");
                _model.Add(tight >= lag - most + wanted);
                terms.AddTerm(tight, weights.Tightness);
            }
        }
    }

    private void AddBakeSpans(LinearExprBuilder terms, DayWeights weights)
    {
        foreach (var bake in _network.Tasks.GroupBy(t => t.Bake))
        {
            var begin = _model.NewIntVar(0, _network.Horizon, "bake begins");
            var end = _model.NewIntVar(0, _network.Horizon, "bake ends");
            foreach (var task in bake)
            {
                _model.Add(begin <= _start[task.Index]);
                _model.Add(end >= _end[task.Index]);
            }

            terms.AddTerm(end, weights.BakeSpan);
            terms.AddTerm(begin, -weights.BakeSpan);
        }
    }

    public CpSolverStatus Solve(SolveSettings settings, TimeSpan limit, CancellationToken cancel, Action<int, int, Func<Plan>> onFinish)
    {
        if (limit <= TimeSpan.FromMilliseconds(1) || cancel.IsCancellationRequested)
            return CpSolverStatus.Unknown;
        // One full search without a linear relaxation and one that betters what was found, where there are two workers: on two cores this
        // brought better plans than any mix of more. docs/performance.md has what was tried, and which switches end the process with a
        // failed check of the library.
        _solver.StringParameters = FormattableString.Invariant(
            $"max_time_in_seconds:{limit.TotalSeconds:0.###} random_seed:{settings.Seed} num_workers:{settings.Workers} subsolvers:'no_lp'"
        );
        using var callback = new OnSolution(this, onFinish);
        using var stop = cancel.Register(_solver.StopSearch);
        var status = _solver.Solve(_model, callback);
        return status is CpSolverStatus.ModelInvalid
            ? throw new InvalidOperationException("The planner built a model that the solver rejects.")
            : status;
    }

    public Plan Read() => Read(_solver.Value);

    /// <summary>When the last presence ends in what was found, be it a whole plan or not.</summary>
    public int LastEnd() =>
        _network.Tasks.Where(t => t.NeedsPresence).Select(t => (int)_solver.Value(_end[t.Index])).DefaultIfEmpty(0).Max();

    /// <summary>The plan of the values that a function gives the variables.</summary>
    private Plan Read(Func<IntVar, long> value)
    {
        var starts = _start.Select(s => (int)value(s)).ToArray();
        var ends = _network.Tasks.Select(t => (int)(_end[t.Index] is IntVar end ? value(end) : starts[t.Index] + t.Likely)).ToArray();
        var ovens = _network
            .Tasks.Select(t => _inOven.TryGetValue(t.Index, out var second) && value(second) == 1 ? 1 : OnlyOven(t))
            .ToArray();
        return new Seating(_network, starts, ends, ovens).Seat(
            (task, item, shelf) => _onShelf.TryGetValue((task, item, ovens[task], shelf), out var b) && value(b) == 1,
            (task, need, helper) => _byHelper.TryGetValue((task, need, helper), out var b) && value(b) == 1
        );
    }

    private IntVar NewStart(PlanTask task)
    {
        var earliest = Math.Max(SpanRules.EarliestStart(_network, task), FromCold(task));
        var latest = SpanRules.LatestEnd(_network, task) - task.Likely;
        var start = _model.NewIntVarFromDomain(StartsBetween(task, earliest, Math.Max(earliest, latest)), task.Id.Value);
        // An empty window is left to the solver to report, so that an impossible day ends as "impossible" and not as a broken model.
        if (latest < earliest)
            _model.Add(start <= latest);
        return start;
    }

    /// <summary>The end of a task: a fixed while after its start, or more where the hour or the oven's door decide.</summary>
    private void AddEnd(PlanTask task)
    {
        var most = MostDoorMinutes(task);
        if (task.ByHalfHour.IsEmpty && most == 0)
        {
            _end[task.Index] = _start[task.Index] + task.Likely;
            return;
        }

        var longest = task.ByHalfHour.IsEmpty ? task.Likely : task.ByHalfHour.Max();
        var end = _model.NewIntVar(0, _network.Horizon, "end");
        _hints.Add((end, p => p.Tasks[task.Index].End));
        LinearExpr takes = LinearExpr.Constant(task.Likely);
        if (!task.ByHalfHour.IsEmpty)
        {
            var half = _model.NewIntVar(0, _network.Horizon / 30, "half hour");
            var length = _model.NewIntVar(task.Likely, longest, "length");
            _hints.Add((half, p => p.Tasks[task.Index].Start / 30));
            _hints.Add((length, p => task.TakesFrom(p.Tasks[task.Index].Start)));
            _model.AddDivisionEquality(half, _start[task.Index], LinearExpr.Constant(30));
            _model.AddElement(half, Enumerable.Range(0, (_network.Horizon / 30) + 1).Select(h => (long)task.TakesFrom(h * 30)), length);
            takes = length;
        }

        if (most > 0)
        {
            var extra = _extra[task.Index] = _model.NewIntVar(0, most, "door");
            _hints.Add((extra, p => p.Tasks[task.Index].End - p.Tasks[task.Index].Start - task.Likely));
            takes += extra;
        }

        _model.Add(end == _start[task.Index] + takes);
        _model.Add(end <= SpanRules.LatestEnd(_network, task));
        _end[task.Index] = end;
        if (!task.NeedsPresence)
            return;
        foreach (var rest in _network.Rests)
        {
            var before = _model.NewBoolVar("before rest");
            _hints.Add((before, p => p.Tasks[task.Index].Start < rest.From ? 1 : 0));
            _model.Add(end <= rest.From).OnlyEnforceIf(before);
            _model.Add(_start[task.Index] >= rest.Until).OnlyEnforceIf(before.Not());
        }
    }

    /// <summary>An interval over a task and some minutes beyond; optional where a literal is given.</summary>
    private IntervalVar Interval(PlanTask task, int after, BoolVar? present = null)
    {
        if (_end[task.Index] is IntVar end)
        {
            var size = _model.NewIntVar(task.Likely + after, _network.Horizon, "size");
            _hints.Add((size, p => p.Tasks[task.Index].End - p.Tasks[task.Index].Start + after));
            return present is null
                ? _model.NewIntervalVar(_start[task.Index], size, end + after, "taken")
                : _model.NewOptionalIntervalVar(_start[task.Index], size, end + after, present, "taken");
        }

        return present is null
            ? _model.NewFixedSizeIntervalVar(_start[task.Index], task.Likely + after, "taken")
            : _model.NewOptionalFixedSizeIntervalVar(_start[task.Index], task.Likely + after, present, "taken");
    }

    private LinearExpr HandsFrom(PlanTask task, HandsNeed need) =>
        task.IsAtEnd(need) ? _end[task.Index] - need.Length : _start[task.Index] + need.Offset;

    /// <summary>The minutes at which a task may start: all between two, but for those from which it would reach into a rest.</summary>
    private Domain StartsBetween(PlanTask task, int earliest, int latest)
    {
        if (!task.NeedsPresence || _network.Rests.IsEmpty)
            return new Domain(earliest, latest);
        var allowed = new List<long[]>();
        var from = (long)earliest;
        foreach (var rest in _network.Rests)
        {
            if (Math.Min(latest, rest.From - task.Likely) >= from)
                allowed.Add([from, Math.Min(latest, rest.From - task.Likely)]);
            from = Math.Max(from, rest.Until + FromCold(task));
        }

        if (from <= latest)
            allowed.Add([from, latest]);
        if (allowed.Count > 0)
            return Domain.FromIntervals([.. allowed]);
        // Nowhere to go: an empty domain would break the model, so it is told that it cannot hold.
        _model.AddBoolOr(Array.Empty<ILiteral>());
        return new Domain(earliest, latest);
    }

    private void Hint(Plan? hint)
    {
        _model.ClearHints();
        if (hint is null)
            return;
        for (var i = 0; i < _start.Length; i++)
            _model.AddHint(_start[i], hint.Tasks[i].Start);
        _model.AddHint(_finish, hint.Finish(_network));
        foreach (var (variable, of) in _hints)
            _model.AddHint(variable, of(hint));
    }

    private void AddLinks()
    {
        foreach (var link in _network.Links)
        {
            var end = _end[link.From];
            _model.Add(_start[link.To] >= end + link.MinLag);
            if (link is { MaxLag: { } most, Window: WindowKind.Hard })
                _model.Add(_start[link.To] <= end + most);
        }

        foreach (var (first, second) in _network.Orders)
            _model.Add(_start[first] <= _start[second]);
        foreach (var pin in _network.Pins)
            _model.Add(_start[pin.Task] == pin.Start);
        foreach (var (first, second) in _network.Together)
            _model.AddLinearConstraint(_start[first] - _start[second], -TaskNetwork.TogetherMinutes, TaskNetwork.TogetherMinutes);
    }

    private void AddHands()
    {
        var needs = _network.Tasks.SelectMany(t => t.Hands.Select((h, i) => (Task: t, Need: h, Index: i))).ToList();
        if (Seating.SameHours(_network))
        {
            var hours = _network.Helpers[0];
            var intervals = needs.ConvertAll(n => _model.NewFixedSizeIntervalVar(HandsFrom(n.Task, n.Need), n.Need.Length, "hands"));
            foreach (var n in needs)
            {
                _model.Add(HandsFrom(n.Task, n.Need) >= hours.From);
                _model.Add(HandsFrom(n.Task, n.Need) + n.Need.Length <= hours.Until);
            }

            AddCapacity(intervals, [.. needs.Select(n => n.Need.People)], _network.Helpers.Length);
            return;
        }

        // Hours differ: everybody has a list of their own, and each need chooses whose.
        for (var h = 0; h < _network.Helpers.Length; h++)
        {
            var helper = _network.Helpers[h];
            var own = new List<IntervalVar>();
            foreach (var n in needs)
            {
                var chosen = _byHelper[(n.Task.Index, n.Index, h)] = _model.NewBoolVar("by");
                var from = HandsFrom(n.Task, n.Need);
                var helperNow = h;
                _hints.Add((chosen, p => GivesHand(p, n.Task, n.Need, helperNow) ? 1 : 0));
                own.Add(_model.NewOptionalFixedSizeIntervalVar(from, n.Need.Length, chosen, "hands"));
                _model.Add(from >= helper.From).OnlyEnforceIf(chosen);
                _model.Add(from + n.Need.Length <= helper.Until).OnlyEnforceIf(chosen);
            }

            _model.AddNoOverlap(own);
        }

        foreach (var n in needs)
            _model.Add(
                LinearExpr.Sum(Enumerable.Range(0, _network.Helpers.Length).Select(h => _byHelper[(n.Task.Index, n.Index, h)]))
                    == n.Need.People
            );
    }

    private static bool GivesHand(Plan plan, PlanTask task, HandsNeed need, int helper)
    {
        var planned = plan.Tasks[task.Index];
        var (from, _) = task.HandsAt(need, planned.Start, planned.End);
        return planned.Hands.Any(b => b.Helper == helper && b.From <= from && from < b.Until);
    }

    private void AddResources()
    {
        for (var r = 0; r < _network.Resources.Length; r++)
        {
            var demands = _network.Tasks.SelectMany(t => t.Demands.Where(d => d.Resource == r).Select(d => (Task: t, Demand: d))).ToList();
            var holds = _network.Holds.Where(h => h.Resource == r).ToList();
            AddCapacity(
                [.. demands.Select(d => Interval(d.Task, d.Demand.HoldAfter)), .. holds.Select(HoldInterval)],
                [.. demands.Select(d => d.Demand.Units), .. holds.Select(h => h.Units)],
                _network.Resources[r].Capacity
            );
        }
    }

    private IntervalVar HoldInterval(Hold hold)
    {
        var size = _model.NewIntVar(0, _network.Horizon + hold.After, "held");
        _hints.Add((size, p => p.Tasks[hold.To].End + hold.After - p.Tasks[hold.From].Start));
        return _model.NewIntervalVar(_start[hold.From], size, _end[hold.To] + hold.After, "held");
    }

    private void AddCapacity(List<IntervalVar> intervals, int[] units, int capacity)
    {
        if (intervals.Count == 0)
            return;
        if (capacity == 1 && Array.TrueForAll(units, u => u == 1))
        {
            _model.AddNoOverlap(intervals);
            return;
        }

        var cumulative = _model.AddCumulative(capacity);
        for (var i = 0; i < intervals.Count; i++)
            cumulative.AddDemand(intervals[i], units[i]);
    }

    private sealed class OnSolution(DayModel model, Action<int, int, Func<Plan>> onFinish) : CpSolverSolutionCallback
    {
        public override void OnSolutionCallback() =>
            onFinish((int)Value(model._finish), (int)Math.Ceiling(BestObjectiveBound() - 1e-6), () => model.Read(v => Value(v)));
    }
}
