using Google.OrTools.Sat;
using Google.OrTools.Util;
using Zymethos.Core.Heat;
using Zymethos.Core.Recipes;

namespace Zymethos.Core.Planning;

/// <summary>
/// A day as a CP-SAT model. One integer for the start of each task; intervals for hands, mixers and shelves; for every two loads of different
/// setting a choice which goes first, with the oven's transition between.
/// </summary>
internal sealed class DayModel
{
    private const int CalmMinutes = 15;

    private readonly TaskNetwork _network;
    private readonly ReachTable _reach;
    private readonly OvenThermal _thermal;
    private readonly CpModel _model = new();
    private readonly CpSolver _solver = new();
    private readonly IntVar[] _start;
    private readonly IntVar _finish;
    private readonly Dictionary<(int Task, int Item, int Shelf), BoolVar> _onShelf = [];
    private readonly Dictionary<(int Task, int Need, int Helper), BoolVar> _byHelper = [];

    public DayModel(TaskNetwork network, ReachTable reach, int bound)
    {
        _network = network;
        _reach = reach;
        _thermal = new OvenThermal(network.Kitchen.Oven, network.Kitchen.Room);
        _start = [.. network.Tasks.Select(NewStart)];
        _finish = _model.NewIntVar(Math.Min(bound, network.SpanEnd), network.SpanEnd, "finish");
        foreach (var task in network.Tasks.Where(t => t.NeedsPresence)) _model.Add(_finish >= _start[task.Index] + task.Likely);
        AddLinks();
        AddHands();
        AddResources();
        AddOvenStates();
        AddKeptApart();
        AddShelves();
    }

    /// <summary>The solver's bound on the objective, rounded up to a whole minute; 0 when it had no time to begin.</summary>
    public int Bound => _solver.Response is null ? 0 : (int)Math.Ceiling(_solver.BestObjectiveBound - 1e-6);

    public void MinimiseFinish(Plan? hint)
    {
        _model.Minimize(_finish);
        Hint(hint);
    }

    /// <summary>The second search: by the weights of a lean, and no later than they allow.</summary>
    public void TidyWithin(int finish, DayWeights weights, Plan hint)
    {
        _model.Add(_finish <= Math.Min(_network.SpanEnd, finish + (finish * weights.FinishAllowance / 100)));
        var terms = LinearExpr.NewBuilder();
        if (weights.Finish > 0) terms.AddTerm(_finish, weights.Finish);
        AddPresence(terms, weights);
        AddOvenSpan(terms, weights);
        AddWindows(terms, weights);
        AddBakeSpans(terms, weights);
        _model.Minimize(terms);
        Hint(hint);
    }

    private void AddPresence(LinearExprBuilder terms, DayWeights weights)
    {
        var first = _model.NewIntVar(0, _network.SpanEnd, "first touch");
        foreach (var task in _network.Tasks.Where(t => t.NeedsPresence))
            _model.Add(first <= _start[task.Index] - (task.Oven is { } oven ? _thermal.FromCold(oven.Setting) : 0));
        terms.AddTerm(first, -weights.Presence);
        if (weights.FinishAllowance > 0) terms.AddTerm(_finish, weights.Presence);
    }

    private void AddOvenSpan(LinearExprBuilder terms, DayWeights weights)
    {
        var hot = _network.Tasks.Where(t => t.Oven is { Setting.IsProof: false }).ToList();
        if (hot.Count == 0) return;
        var on = _model.NewIntVar(0, _network.SpanEnd, "oven on");
        var off = _model.NewIntVar(0, _network.SpanEnd, "oven off");
        foreach (var task in hot)
        {
            _model.Add(on <= _start[task.Index]);
            _model.Add(off >= _start[task.Index] + task.Likely);
        }

        terms.AddTerm(off, weights.OvenSpan);
        terms.AddTerm(on, -weights.OvenSpan);
    }

    private void AddWindows(LinearExprBuilder terms, DayWeights weights)
    {
        foreach (var link in _network.Links)
        {
            if (link.MaxLag is not { } most) continue;
            var lag = _start[link.To] - _start[link.From] - _network.Tasks[link.From].Likely;
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
                _model.Add(end >= _start[task.Index] + task.Likely);
            }

            terms.AddTerm(end, weights.BakeSpan);
            terms.AddTerm(begin, -weights.BakeSpan);
        }
    }

    public CpSolverStatus Solve(SolveSettings settings, TimeSpan limit, CancellationToken cancel, Action<int, int, Func<Plan>> onFinish)
    {
        if (limit <= TimeSpan.FromMilliseconds(1) || cancel.IsCancellationRequested) return CpSolverStatus.Unknown;
        // Four kinds of full search and two that improve what was found: on two cores this brought both better plans and better bounds than the
        // solver's own mix of eight. docs/performance.md has what was tried, and which switches end the process with a failed check of the library.
        _solver.StringParameters = FormattableString.Invariant(
            $"max_time_in_seconds:{limit.TotalSeconds:0.###} random_seed:{settings.Seed} num_workers:{settings.Workers} ") +
            "subsolvers:'default_lp' subsolvers:'fixed' subsolvers:'quick_restart_no_lp' subsolvers:'no_lp'";
        using var callback = new OnSolution(this, onFinish);
        using var stop = cancel.Register(_solver.StopSearch);
        return _solver.Solve(_model, callback);
    }

    public Plan Read() => Read(_solver.Value);

    /// <summary>The plan of the values that a function gives the variables.</summary>
    private Plan Read(Func<IntVar, long> value)
    {
        var starts = _start.Select(s => (int)value(s)).ToArray();
        return new Seating(_network, starts).Seat(
            (task, item, shelf) => _onShelf.TryGetValue((task, item, shelf), out var b) && value(b) == 1,
            (task, need, helper) => _byHelper.TryGetValue((task, need, helper), out var b) && value(b) == 1);
    }

    private IntVar NewStart(PlanTask task)
    {
        var earliest = SpanRules.EarliestStart(_network, task);
        if (task.Oven is { } oven) earliest = Math.Max(earliest, _thermal.FromCold(oven.Setting));
        var latest = SpanRules.LatestEnd(_network, task) - task.Likely;
        var start = _model.NewIntVarFromDomain(StartsBetween(task, earliest, Math.Max(earliest, latest)), task.Id);
        // An empty window is left to the solver to report, so that an impossible day ends as "impossible" and not as a broken model.
        if (latest < earliest) _model.Add(start <= latest);
        return start;
    }

    /// <summary>The minutes at which a task may start: all between two, but for those from which it would reach into a rest.</summary>
    private Domain StartsBetween(PlanTask task, int earliest, int latest)
    {
        if (!task.NeedsPresence || _network.Rests.IsEmpty) return new Domain(earliest, latest);
        var allowed = new List<long[]>();
        var from = (long)earliest;
        foreach (var rest in _network.Rests)
        {
            if (Math.Min(latest, rest.From - task.Likely) >= from) allowed.Add([from, Math.Min(latest, rest.From - task.Likely)]);
            from = Math.Max(from, rest.Until + (task.Oven is { } oven ? _thermal.FromCold(oven.Setting) : 0));
        }

        if (from <= latest) allowed.Add([from, latest]);
        if (allowed.Count > 0) return Domain.FromIntervals([.. allowed]);
        // Nowhere to go: an empty domain would break the model, so it is told that it cannot hold.
        _model.AddBoolOr(Array.Empty<ILiteral>());
        return new Domain(earliest, latest);
    }

    private void Hint(Plan? hint)
    {
        _model.ClearHints();
        if (hint is null) return;
        for (var i = 0; i < _start.Length; i++) _model.AddHint(_start[i], hint.Tasks[i].Start);
        _model.AddHint(_finish, hint.Finish(_network));
    }

    private void AddLinks()
    {
        foreach (var link in _network.Links)
        {
            var end = _start[link.From] + _network.Tasks[link.From].Likely;
            _model.Add(_start[link.To] >= end + link.MinLag);
            if (link is { MaxLag: { } most, Window: WindowKind.Hard }) _model.Add(_start[link.To] <= end + most);
        }

        foreach (var (first, second) in _network.Orders) _model.Add(_start[first] <= _start[second]);
        foreach (var pin in _network.Pins) _model.Add(_start[pin.Task] == pin.Start);
        foreach (var (first, second) in _network.Together) _model.AddLinearConstraint(_start[first] - _start[second], -TaskNetwork.TogetherMinutes, TaskNetwork.TogetherMinutes);
    }

    private void AddHands()
    {
        var needs = _network.Tasks.SelectMany(t => t.Hands.Select((h, i) => (Task: t, Need: h, Index: i))).ToList();
        if (Seating.SameHours(_network))
        {
            var hours = _network.Helpers[0];
            var intervals = needs.ConvertAll(n => _model.NewFixedSizeIntervalVar(_start[n.Task.Index] + n.Need.Offset, n.Need.Length, "hands"));
            foreach (var n in needs)
            {
                _model.Add(_start[n.Task.Index] + n.Need.Offset >= hours.From);
                _model.Add(_start[n.Task.Index] + n.Need.Offset + n.Need.Length <= hours.Until);
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
                var from = _start[n.Task.Index] + n.Need.Offset;
                own.Add(_model.NewOptionalFixedSizeIntervalVar(from, n.Need.Length, chosen, "hands"));
                _model.Add(from >= helper.From).OnlyEnforceIf(chosen);
                _model.Add(from + n.Need.Length <= helper.Until).OnlyEnforceIf(chosen);
            }

            _model.AddNoOverlap(own);
        }

        foreach (var n in needs)
            _model.Add(LinearExpr.Sum(Enumerable.Range(0, _network.Helpers.Length).Select(h => _byHelper[(n.Task.Index, n.Index, h)])) == n.Need.People);
    }

    private void AddResources()
    {
        for (var r = 0; r < _network.Resources.Length; r++)
        {
            var demands = _network.Tasks.SelectMany(t => t.Demands.Where(d => d.Resource == r).Select(d => (Task: t, Demand: d))).ToList();
            AddCapacity(
                demands.ConvertAll(d => _model.NewFixedSizeIntervalVar(_start[d.Task.Index], d.Task.Likely + d.Demand.HoldAfter, "taken")),
                [.. demands.Select(d => d.Demand.Units)],
                _network.Resources[r].Capacity);
        }
    }

    private void AddCapacity(List<IntervalVar> intervals, int[] units, int capacity)
    {
        if (intervals.Count == 0) return;
        if (capacity == 1 && Array.TrueForAll(units, u => u == 1))
        {
            _model.AddNoOverlap(intervals);
            return;
        }

        var cumulative = _model.AddCumulative(capacity);
        for (var i = 0; i < intervals.Count; i++) cumulative.AddDemand(intervals[i], units[i]);
    }

    private void AddOvenStates()
    {
        var loads = _network.Tasks.Where(t => t.Oven is not null).ToList();
        for (var i = 0; i < loads.Count; i++)
        {
            for (var j = i + 1; j < loads.Count; j++)
            {
                var (a, b) = (loads[i], loads[j]);
                if (a.Oven!.Setting == b.Oven!.Setting) continue;
                AddApart(a, b, _thermal.Transition(a.Oven.Setting, b.Oven.Setting), _thermal.Transition(b.Oven.Setting, a.Oven.Setting));
            }
        }
    }

    private void AddKeptApart()
    {
        foreach (var (first, second) in _network.Apart)
        {
            var (a, b) = (_network.Tasks[first], _network.Tasks[second]);
            if (a.Oven!.Setting == b.Oven!.Setting) AddApart(a, b, 0, 0);
        }
    }

    private void AddApart(PlanTask a, PlanTask b, int thenB, int thenA)
    {
        // Where links already say who goes first there is nothing to choose.
        if (_reach.Least(a.Index, b.Index) is not null)
        {
            _model.Add(_start[b.Index] >= _start[a.Index] + a.Likely + thenB);
        }
        else if (_reach.Least(b.Index, a.Index) is not null)
        {
            _model.Add(_start[a.Index] >= _start[b.Index] + b.Likely + thenA);
        }
        else
        {
            var aFirst = _model.NewBoolVar("first");
            _model.Add(_start[b.Index] >= _start[a.Index] + a.Likely + thenB).OnlyEnforceIf(aFirst);
            _model.Add(_start[a.Index] >= _start[b.Index] + b.Likely + thenA).OnlyEnforceIf(aFirst.Not());
        }
    }

    private void AddShelves()
    {
        foreach (var group in _network.Tasks.Where(t => t.Oven is not null).GroupBy(t => t.Oven!.Setting))
        {
            var loads = group.ToList();
            var units = loads[0].Oven!.UnitsPerItem;
            if (loads.TrueForAll(t => t.Oven!.UnitsPerItem == units))
            {
                // Equal pans: counting places is exact, since intervals can always be coloured with as many places as overlap.
                AddCapacity(
                    loads.ConvertAll(t => _model.NewFixedSizeIntervalVar(_start[t.Index], t.Likely, "shelf")),
                    [.. loads.Select(t => t.Oven!.Items)],
                    _network.Kitchen.Oven.Shelves * (TaskNetwork.ShelfUnits / units));
            }
            else
            {
                AddMixedShelves(loads);
            }
        }
    }

    private void AddMixedShelves(List<PlanTask> loads)
    {
        var shelves = _network.Kitchen.Oven.Shelves;
        AddCapacity(
            loads.ConvertAll(t => _model.NewFixedSizeIntervalVar(_start[t.Index], t.Likely, "oven")),
            [.. loads.Select(t => t.Oven!.Items * t.Oven.UnitsPerItem)],
            shelves * TaskNetwork.ShelfUnits);
        var perShelf = Enumerable.Range(0, shelves).Select(_ => new List<IntervalVar>()).ToArray();
        var units = Enumerable.Range(0, shelves).Select(_ => new List<int>()).ToArray();
        foreach (var task in loads)
        {
            for (var item = 0; item < task.Oven!.Items; item++)
            {
                for (var s = 0; s < shelves; s++)
                {
                    var here = _onShelf[(task.Index, item, s)] = _model.NewBoolVar("here");
                    perShelf[s].Add(_model.NewOptionalFixedSizeIntervalVar(_start[task.Index], task.Likely, here, "shelf"));
                    units[s].Add(task.Oven.UnitsPerItem);
                }

                var choice = item;
                _model.AddExactlyOne(Enumerable.Range(0, shelves).Select(s => _onShelf[(task.Index, choice, s)]));
            }
        }

        for (var s = 0; s < shelves; s++) AddCapacity(perShelf[s], [.. units[s]], TaskNetwork.ShelfUnits);
    }

    private sealed class OnSolution(DayModel model, Action<int, int, Func<Plan>> onFinish) : CpSolverSolutionCallback
    {
        public override void OnSolutionCallback() =>
            onFinish((int)Value(model._finish), (int)Math.Ceiling(BestObjectiveBound() - 1e-6), () => model.Read(v => Value(v)));
    }
}
