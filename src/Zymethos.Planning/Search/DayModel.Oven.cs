using Google.OrTools.Sat;
using Zymethos.Planning.Day;
using Zymethos.Planning.Rules;

namespace Zymethos.Planning.Search;

/// <summary>The ovens in the model: which of two, what state, which shelf, whose door.</summary>
internal sealed partial class DayModel
{
    // True for the second oven; only for tasks that may go in either.
    private readonly Dictionary<int, BoolVar> _inOven = [];
    private readonly Dictionary<(int Task, int Item, int Oven, int Shelf), BoolVar> _onShelf = [];

    private bool MayUse(PlanTask task, int oven) => task.Oven!.UnitsIn(oven) > 0;

    /// <summary>The one oven that a task can use, or the first when it may use both or none.</summary>
    private int OnlyOven(PlanTask task) => task.Oven is not null && _thermals.Length == 2 && !MayUse(task, 0) ? 1 : 0;

    private int FromCold(PlanTask task) => task.Oven is null ? 0 : Ovens(task).Min(o => _thermals[o].FromCold(task.Oven.Setting));

    private IEnumerable<int> Ovens(PlanTask task) => Enumerable.Range(0, _thermals.Length).Where(o => MayUse(task, o)).DefaultIfEmpty(0);

    /// <summary>Literals that say a task is in an oven; null when it never is. None where it cannot be elsewhere.</summary>
    private List<ILiteral>? In(PlanTask task, int oven)
    {
        if (_inOven.TryGetValue(task.Index, out var second))
            return [oven == 1 ? second : second.Not()];
        return OnlyOven(task) == oven ? [] : null;
    }

    private void AddOvenChoice()
    {
        if (_thermals.Length == 1)
            return;
        foreach (var task in _network.Tasks.Where(t => t.Oven is not null && MayUse(t, 0) && MayUse(t, 1)))
        {
            var second = _inOven[task.Index] = _model.NewBoolVar("second oven");
            _hints.Add((second, p => p.Tasks[task.Index].Oven));
            foreach (var oven in Ovens(task))
            {
                var cold = _thermals[oven].FromCold(task.Oven!.Setting);
                ILiteral here = oven == 1 ? second : second.Not();
                _model.Add(_start[task.Index] >= cold).OnlyEnforceIf(here);
                foreach (var rest in _network.Rests)
                {
                    var before = _model.NewBoolVar("before rest");
                    _hints.Add((before, p => p.Tasks[task.Index].Start < rest.From ? 1 : 0));
                    _model.Add(_start[task.Index] < rest.From).OnlyEnforceIf(before);
                    _model.Add(_start[task.Index] >= rest.Until + cold).OnlyEnforceIf([here, before.Not()]);
                }
            }
        }

        // Dough is taken out of the oven it stands in.
        foreach (var spell in _network.Tasks.Where(t => t.Oven is { Setting.IsProof: true }))
        {
            if (
                _network.ClearingOf(spell) is { } clearing
                && _inOven.TryGetValue(clearing.Index, out var a)
                && _inOven.TryGetValue(spell.Index, out var b)
            )
                _model.Add(a == b);
        }
    }

    private void AddOvenStates()
    {
        var loads = _network.Tasks.Where(t => t.Oven is not null).ToList();
        for (var i = 0; i < loads.Count; i++)
        {
            for (var j = i + 1; j < loads.Count; j++)
            {
                var (a, b) = (loads[i], loads[j]);
                if (a.Oven!.Setting == b.Oven!.Setting)
                    continue;
                AddApart(
                    a,
                    b,
                    o => (_thermals[o].Transition(a.Oven.Setting, b.Oven.Setting), _thermals[o].Transition(b.Oven.Setting, a.Oven.Setting))
                );
            }
        }
    }

    private void AddKeptApart()
    {
        foreach (var (first, second) in _network.Apart)
        {
            var (a, b) = (_network.Tasks[first], _network.Tasks[second]);
            if (a.Oven!.Setting == b.Oven!.Setting)
                AddApart(a, b, _ => (0, 0));
        }
    }

    private void AddApart(PlanTask a, PlanTask b, Func<int, (int ThenB, int ThenA)> between)
    {
        // Where links already say who goes first there is nothing to choose.
        var aFirst =
            _reach.Least(a.Index, b.Index) is not null ? true
            : _reach.Least(b.Index, a.Index) is not null ? false
            : (bool?)null;
        BoolVar? choice = null;
        for (var o = 0; o < _thermals.Length; o++)
        {
            if (In(a, o) is not { } aIn || In(b, o) is not { } bIn)
                continue;
            var (thenB, thenA) = between(o);
            if (aFirst is null && choice is null)
            {
                choice = _model.NewBoolVar("first");
                _hints.Add((choice, p => p.Tasks[a.Index].Start < p.Tasks[b.Index].Start ? 1 : 0));
            }

            if (aFirst != false)
                Enforce(_model.Add(_start[b.Index] >= _end[a.Index] + thenB), [.. aIn, .. bIn], choice);
            if (aFirst != true)
                Enforce(_model.Add(_start[a.Index] >= _end[b.Index] + thenA), [.. aIn, .. bIn], choice?.Not());
        }
    }

    private static void Enforce(Constraint constraint, List<ILiteral> literals, ILiteral? choice)
    {
        if (choice is not null)
            literals.Add(choice);
        if (literals.Count > 0)
            constraint.OnlyEnforceIf([.. literals]);
    }

    private void AddShelves()
    {
        for (var oven = 0; oven < _thermals.Length; oven++)
        {
            var here = oven;
            foreach (var group in _network.Tasks.Where(t => t.Oven is not null && In(t, here) is not null).GroupBy(t => t.Oven!.Setting))
            {
                var loads = group.ToList();
                if (Seating.AreAlike(loads))
                {
                    // Equal pans: counting places is exact, since intervals can always be coloured with as many places as overlap.
                    AddCapacity(
                        loads.ConvertAll(t => Interval(t, 0, Present(t, here))),
                        [.. loads.Select(t => t.Oven!.Items)],
                        _network.Kitchen.Ovens[oven].Shelves * (TaskNetwork.ShelfUnits / loads[0].Oven!.UnitsIn(oven))
                    );
                }
                else
                {
                    AddMixedShelves(loads, oven);
                }
            }
        }
    }

    private BoolVar? Present(PlanTask task, int oven)
    {
        if (!_inOven.TryGetValue(task.Index, out var second))
            return null;
        if (oven == 1)
            return second;
        var first = _model.NewBoolVar("first oven");
        _hints.Add((first, p => 1 - p.Tasks[task.Index].Oven));
        _model.Add(first + second == 1);
        return first;
    }

    private void AddMixedShelves(List<PlanTask> loads, int oven)
    {
        var shelves = _network.Kitchen.Ovens[oven].Shelves;
        AddCapacity(
            loads.ConvertAll(t => Interval(t, 0, Present(t, oven))),
            [.. loads.Select(t => t.Oven!.Items * t.Oven.UnitsIn(oven))],
            shelves * TaskNetwork.ShelfUnits
        );
        var perShelf = Enumerable.Range(0, shelves).Select(_ => new List<IntervalVar>()).ToArray();
        var units = Enumerable.Range(0, shelves).Select(_ => new List<int>()).ToArray();
        foreach (var task in loads)
        {
            for (var item = 0; item < task.Oven!.Items; item++)
            {
                var places = new List<ILiteral>();
                for (var s = 0; s < shelves; s++)
                {
                    if (!task.Oven.MayStandOn(s, shelves))
                        continue;
                    var (number, shelf) = (item, s);
                    var here = _onShelf[(task.Index, item, oven, s)] = _model.NewBoolVar("here");
                    _hints.Add(
                        (
                            here,
                            p =>
                                p.Tasks[task.Index] is var planned
                                && planned.Oven == oven
                                && planned.Shelves.Length > number
                                && planned.Shelves[number] == shelf
                                    ? 1
                                    : 0
                        )
                    );
                    perShelf[s].Add(Interval(task, 0, here));
                    units[s].Add(task.Oven.UnitsIn(oven));
                    places.Add(here);
                }

                if (Present(task, oven) is { } present)
                    _model.Add(LinearExpr.Sum(places) == present);
                else
                    _model.AddExactlyOne(places);
            }
        }

        for (var s = 0; s < shelves; s++)
            AddCapacity(perShelf[s], [.. units[s]], TaskNetwork.ShelfUnits);
        AddUnmixed(loads, oven, shelves);
    }

    /// <summary>Kinds that do not share a shelf: their loads are apart in time, or no shelf holds both.</summary>
    private void AddUnmixed(List<PlanTask> loads, int oven, int shelves)
    {
        for (var i = 0; i < loads.Count; i++)
        {
            for (var j = i + 1; j < loads.Count; j++)
            {
                var (a, b) = (loads[i], loads[j]);
                if (!_network.Unmixed.Any(u => u.Is(oven, a.Oven!.Pan, b.Oven!.Pan)))
                    continue;
                var (aFirst, bFirst) = (_model.NewBoolVar("a first"), _model.NewBoolVar("b first"));
                _hints.Add((aFirst, p => p.Tasks[a.Index].End <= p.Tasks[b.Index].Start ? 1 : 0));
                _hints.Add((bFirst, p => p.Tasks[b.Index].End <= p.Tasks[a.Index].Start ? 1 : 0));
                _model.Add(_end[a.Index] <= _start[b.Index]).OnlyEnforceIf(aFirst);
                _model.Add(_end[b.Index] <= _start[a.Index]).OnlyEnforceIf(bFirst);
                for (var s = 0; s < shelves; s++)
                {
                    for (var x = 0; x < a.Oven!.Items; x++)
                    {
                        for (var y = 0; y < b.Oven!.Items; y++)
                        {
                            if (
                                _onShelf.TryGetValue((a.Index, x, oven, s), out var one)
                                && _onShelf.TryGetValue((b.Index, y, oven, s), out var other)
                            )
                                _model.AddBoolOr([aFirst, bFirst, one.Not(), other.Not()]);
                        }
                    }
                }
            }
        }
    }

    /// <summary>The most minutes that openings for other loads can lengthen a bake by; 0 when nothing can share its oven.</summary>
    private int MostDoorMinutes(PlanTask task) =>
        task.Oven is null ? 0 : Ovens(task).Max(o => Sharers(task).Sum(s => s.Hands.Sum(h => OvenDoor.Costs(_network, s, h, o))));

    /// <summary>Loads that might be in the oven while a bake is.</summary>
    private IEnumerable<PlanTask> Sharers(PlanTask task) =>
        task.Oven is not { Setting.IsHot: true } need
            ? []
            : _network.Tasks.Where(t =>
                t.Index != task.Index
                && t.Oven?.Setting == need.Setting
                && !_network.IsApart(t.Index, task.Index)
                && !IsAfter(t, task)
                && !IsAfter(task, t)
            );

    /// <summary>Whether links put the whole of one task after another.</summary>
    private bool IsAfter(PlanTask one, PlanTask other) =>
        _reach.Least(other.Index, one.Index) >= other.Likely && MustFollow(other.Index, one.Index);

    private bool MustFollow(int first, int then) =>
        _network.Links.Any(l => l.From == first && (l.To == then || _reach.Least(l.To, then) is not null));

    /// <summary>
    /// Every opening of the door for one load is before, within or after every other bake that shares the oven; each within lengthens it
    /// (see <see cref="OvenDoor"/>).
    /// </summary>
    private void AddDoor()
    {
        foreach (var task in _network.Tasks)
        {
            if (_extra[task.Index] is not { } extra)
                continue;
            var sum = LinearExpr.NewBuilder();
            foreach (var other in Sharers(task))
            {
                foreach (var need in other.Hands)
                    AddOpening(task, other, need, sum);
            }

            _model.Add(extra == sum);
        }
    }

    private void AddOpening(PlanTask task, PlanTask other, HandsNeed need, LinearExprBuilder sum)
    {
        // What is put in no later than the other by its very order opens the door before it.
        if (need.Offset == 0 && _reach.Least(other.Index, task.Index) >= -OvenDoor.Together)
            return;
        var moment = HandsFrom(other, need);
        long Moment(Plan p) => other.HandsAt(need, p.Tasks[other.Index].Start, p.Tasks[other.Index].End).From;
        long Within(Plan p) => OvenDoor.IsWithin((int)Moment(p), p.Tasks[task.Index]) ? 1 : 0;
        var before = _model.NewBoolVar("before");
        var after = _model.NewBoolVar("after");
        _hints.Add((before, p => Moment(p) <= p.Tasks[task.Index].Start + OvenDoor.Together ? 1 : 0));
        _hints.Add(
            (
                after,
                p =>
                    Moment(p) > p.Tasks[task.Index].Start + OvenDoor.Together && Moment(p) >= p.Tasks[task.Index].End - OvenDoor.Together
                        ? 1
                        : 0
            )
        );
        _model.Add(moment <= _start[task.Index] + OvenDoor.Together).OnlyEnforceIf(before);
        _model.Add(moment >= _end[task.Index] - OvenDoor.Together).OnlyEnforceIf(after);
        var choices = new List<ILiteral> { before, after };
        for (var o = 0; o < _thermals.Length; o++)
        {
            if (In(task, o) is not { } taskIn || In(other, o) is not { } otherIn)
                continue;
            var oven = o;
            var within = _model.NewBoolVar("within");
            _hints.Add((within, p => p.Tasks[task.Index].Oven == oven && p.Tasks[other.Index].Oven == oven ? Within(p) : 0));
            _model.Add(moment >= _start[task.Index] + OvenDoor.Together + 1).OnlyEnforceIf(within);
            _model.Add(moment <= _end[task.Index] - OvenDoor.Together - 1).OnlyEnforceIf(within);
            foreach (var here in taskIn.Concat(otherIn))
                _model.AddImplication(within, here);
            sum.AddTerm(within, OvenDoor.Costs(_network, other, need, o));
            choices.Add(within);
        }

        if (_inOven.ContainsKey(task.Index) || _inOven.ContainsKey(other.Index))
        {
            var elsewhere = _model.NewBoolVar("elsewhere");
            _hints.Add((elsewhere, p => p.Tasks[task.Index].Oven != p.Tasks[other.Index].Oven && Within(p) == 1 ? 1 : 0));
            for (var o = 0; o < _thermals.Length; o++)
            {
                if (In(task, o) is { } taskIn && In(other, o) is { } otherIn)
                    _model.AddBoolOr([elsewhere.Not(), .. taskIn.Concat(otherIn).Select(l => l.Not())]);
            }

            choices.Add(elsewhere);
        }

        _model.AddExactlyOne(choices);
    }
}
