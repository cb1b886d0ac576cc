using System.Collections.Immutable;
using Google.OrTools.Sat;
using NodaTime;
using Zymethos.Core.Recipes;

namespace Zymethos.Planning.Seasons;

/// <summary>Which session each stretch falls in, as a CP-SAT model: capacity in hands and oven, waits between, keeping until the date, cold
/// room, heats gathered.</summary>
internal sealed class SeasonModel
{
    /// <summary>What a need that is not met costs; nothing else comes near it.</summary>
    public const int Unmet = 100_000;

    private const int HeatUp = 8;
    private const int EvenLoad = 3;
    private const int SpellUsed = 2;
    private const int Moved = 4;
    private const int OverduePerDay = 10;
    private const int Pressed = 2;

    // Up to this share of hands and oven a session is calm, in percent.
    private const int Calm = 60;

    // How many minutes of baking at one heat go into ten minutes of oven: one and a half loads of it side by side, a rough figure that each
    // session's own plan corrects.
    private const int Shared = 16;

    private readonly SeasonWish _wish;
    private readonly IReadOnlyList<Lot> _lots;
    private readonly SeasonPast _past;
    private readonly CpModel _model = new();
    private readonly CpSolver _solver = new();
    private readonly LinearExprBuilder _cost = LinearExpr.NewBuilder();
    private readonly Dictionary<SeasonPlace, BoolVar> _in = [];
    private readonly BoolVar[] _unmet;
    private readonly List<(KeepingStore Store, int Litres, int From, LocalDateTime Until, ILiteral Literal)> _cold = [];

    public SeasonModel(SeasonWish wish, IReadOnlyList<Lot> lots, SeasonPast past, IReadOnlyList<IReadOnlyList<SeasonPlace>> cuts)
    {
        (_wish, _lots, _past) = (wish, lots, past);
        _unmet = [.. lots.Select(_ => _model.NewBoolVar("unmet"))];
        for (var l = 0; l < lots.Count; l++)
            AddLot(l);
        AddSessions();
        AddColdRoom();
        foreach (var cut in cuts)
        {
            var literals = cut.Where(_in.ContainsKey).Select(c => (ILiteral)_in[c].Not()).ToList();
            // A cut through places that no longer stand open forbids nothing more.
            if (literals.Count == cut.Count)
                _model.AddBoolOr(literals);
        }

        _model.Minimize(_cost);
    }

    public long Cost => (long)Math.Round(_solver.ObjectiveValue);

    public long Bound => (long)Math.Ceiling(_solver.BestObjectiveBound - 1e-6);

    /// <summary>Searches; the placement, or null when none was found in the time.</summary>
    public IReadOnlyList<SeasonPlace>? Solve(TimeSpan limit, int seed, IReadOnlyList<SeasonPlace> near, CancellationToken cancel)
    {
        if (limit <= TimeSpan.Zero)
            return null;
        var before = near.ToHashSet();
        var whole = near.Select(p => p.Lot).ToHashSet();
        foreach (var (place, literal) in _in)
            _model.AddHint(literal, before.Contains(place) ? 1 : 0);
        for (var l = 0; l < _lots.Count; l++)
            _model.AddHint(_unmet[l], whole.Contains(l) ? 0 : 1);

        _solver.StringParameters = FormattableString.Invariant(
            $"max_time_in_seconds:{limit.TotalSeconds:0.###} random_seed:{seed} num_workers:4"
        );
        using var stop = cancel.Register(_solver.StopSearch);
        return _solver.Solve(_model) is CpSolverStatus.Optimal or CpSolverStatus.Feasible
            ?
            [
                .. _in.Where(p => _solver.BooleanValue(p.Value))
                    .Select(p => p.Key)
                    .OrderBy(k => k.Session)
                    .ThenBy(k => k.Lot)
                    .ThenBy(k => k.Stretch),
            ]
            : null;
    }

    private void AddLot(int l)
    {
        var lot = _lots[l];
        _cost.AddTerm(_unmet[l], Unmet);
        for (var k = 0; k < lot.Method.Stretches.Length; k++)
        {
            if (!_past.IsDone(l, k))
                AddStretch(l, lot, k);
        }

        foreach (var wait in lot.Method.Waits.Where(w => !_past.IsDone(l, w.From) && !_past.IsDone(l, w.To)))
            AddWait(l, wait);
        if (lot.Method.Finish != lot.Method.Bake && lot.Method.Bake >= 0 && !_past.IsDone(l, lot.Method.Bake))
            AddPairs(l, lot);
    }

    private void AddStretch(int l, Lot lot, int k)
    {
        var places = new List<ILiteral> { _unmet[l] };
        for (var s = 0; s < _wish.Sessions.Length; s++)
        {
            if (
                !SeasonRules.Holds(_wish, lot, k, _wish.Sessions[s])
                || SeasonRules.OverdueDays(_wish, lot, k, s, _past, l) is not { } overdue
            )
                continue;
            var kept =
                k == lot.Method.Finish && IsBakedBy(l, lot)
                    ? SeasonRules.KeptFrom(_wish, lot, _past.BakedAt(l, lot), _wish.Sessions[s])
                    : null;
            if (k == lot.Method.Finish && IsBakedBy(l, lot) && kept is null)
                continue;
            if (_wish.Sessions[s].Until > _wish.Occasions[_wish.Needs[lot.Need].Occasion].ReadyBy)
                continue;
            var place = new SeasonPlace(l, k, s);
            var here = _in[place] = _model.NewBoolVar("in");
            places.Add(here);
            if (overdue > 0)
                _cost.AddTerm(here, OverduePerDay * overdue);
            if (_past.Stood.Count > 0 && _past.Stood.TryGetValue((l, k), out var before) && before != s)
                _cost.AddTerm(here, Moved);
            if (kept is not null)
                Keep(lot, kept, s, here);
        }

        _model.AddExactlyOne(places);
    }

    /// <summary>Whether it is known at its last work when it was baked: it bakes last, or it is baked already, or never.</summary>
    private bool IsBakedBy(int l, Lot lot) =>
        lot.Method.Bake < 0 || lot.Method.Bake == lot.Method.Finish || _past.IsDone(l, lot.Method.Bake);

    private void Keep(Lot lot, Kept kept, int session, ILiteral literal)
    {
        _cost.AddTerm((BoolVar)literal, kept.Stale);
        var occasion = _wish.Occasions[_wish.Needs[lot.Need].Occasion];
        if (kept.IsFrozenLast)
            _cold.Add((KeepingStore.Freezer, SeasonRules.FrozenLitres(_wish, lot), session, kept.ThawAt!.Value, literal));
        else if (kept.Place?.Store == KeepingStore.Refrigerator)
            _cold.Add((KeepingStore.Refrigerator, SeasonRules.FrozenLitres(_wish, lot), session, occasion.ReadyBy, literal));
    }

    /// <summary>Where the last work comes after the bake, how it keeps hangs on both sessions.</summary>
    private void AddPairs(int l, Lot lot)
    {
        var (bake, finish) = (lot.Method.Bake, lot.Method.Finish);
        var (rows, columns) = (new Dictionary<int, List<ILiteral>>(), new Dictionary<int, List<ILiteral>>());
        for (var a = 0; a < _wish.Sessions.Length; a++)
        {
            for (var b = a; b < _wish.Sessions.Length; b++)
            {
                if (!_in.ContainsKey(new(l, bake, a)) || !_in.ContainsKey(new(l, finish, b)))
                    continue;
                if (SeasonRules.KeptFrom(_wish, lot, _wish.Sessions[a].Until, _wish.Sessions[b]) is not { } kept)
                    continue;
                var both = _model.NewBoolVar("pair");
                (rows.TryGetValue(a, out var row) ? row : rows[a] = []).Add(both);
                (columns.TryGetValue(b, out var column) ? column : columns[b] = []).Add(both);
                Keep(lot, kept, b, both);
                if (kept.IsFrozenBetween)
                    _cold.Add((KeepingStore.Freezer, SeasonRules.FrozenLitres(_wish, lot), a, kept.ThawAt!.Value, both));
            }
        }

        foreach (var (place, literal) in _in.Where(p => p.Key.Lot == l && (p.Key.Stretch == bake || p.Key.Stretch == finish)).ToList())
            _model.Add(
                LinearExpr.Sum((place.Stretch == bake ? rows : columns).GetValueOrDefault(place.Session, []).Cast<BoolVar>()) == literal
            );
    }

    private void AddWait(int l, StretchWait wait)
    {
        var (from, to) = (Places(l, wait.From), Places(l, wait.To));
        foreach (var (a, first) in from)
            _model.AddBoolOr(
                [
                    first.Not(),
                    .. to.Where(t => SeasonRules.Bears(_wish.Sessions[a], _wish.Sessions[t.Session], wait, a == t.Session))
                        .Select(t => (ILiteral)t.Literal),
                ]
            );
        foreach (var (b, second) in to)
            _model.AddBoolOr(
                [
                    second.Not(),
                    .. from.Where(f => SeasonRules.Bears(_wish.Sessions[f.Session], _wish.Sessions[b], wait, f.Session == b))
                        .Select(f => (ILiteral)f.Literal),
                ]
            );
        if (
            wait.Kind != StepKind.Chill
            || SeasonRules.ChilledLitres(_wish, _lots[l]) is not (> 0 and var litres)
            || _wish.Kitchen.FridgeLitres is null
        )
            return;
        // Dough in the refrigerator between two sessions takes room at the end of each session in between.
        for (var t = 0; t < _wish.Sessions.Length; t++)
        {
            var waiting = _model.NewBoolVar("waiting");
            _model.Add(
                LinearExpr.Sum(from.Where(f => f.Session <= t).Select(f => f.Literal))
                    - LinearExpr.Sum(to.Where(x => x.Session <= t).Select(x => x.Literal))
                    <= waiting
            );
            _cold.Add((KeepingStore.Refrigerator, litres, t, _wish.Sessions[t].Until.PlusMinutes(1), waiting));
        }
    }

    private List<(int Session, BoolVar Literal)> Places(int l, int stretch) =>
        [
            .. Enumerable
                .Range(0, _wish.Sessions.Length)
                .Where(s => _in.ContainsKey(new(l, stretch, s)))
                .Select(s => (s, _in[new(l, stretch, s)])),
        ];

    private void AddSessions()
    {
        var fullest = _model.NewIntVar(0, 100, "fullest");
        foreach (var bySession in _in.GroupBy(p => p.Key.Session).OrderBy(g => g.Key))
        {
            var session = _wish.Sessions[bySession.Key];
            var here = bySession
                .Select(p => (p.Key, p.Value, Stretch: _lots[p.Key.Lot].Method.Stretches[p.Key.Stretch], _lots[p.Key.Lot].Batches))
                .ToList();
            var open = _model.NewBoolVar("open");
            _cost.AddTerm(open, session.IsOddMoment ? SpellUsed : SeasonRules.Opened);
            foreach (var h in here)
                _model.AddImplication(h.Value, open);
            var (hands, oven) = (LinearExpr.NewBuilder(), LinearExpr.NewBuilder());
            foreach (var h in here)
            {
                hands.AddTerm(h.Value, h.Stretch.HandsMinutes * h.Batches.Mixings);
            }

            foreach (var heat in here.SelectMany(h => h.Stretch.Heats).Distinct().Order().ToList())
            {
                var at = here.Where(h => h.Stretch.Heats.Contains(heat)).ToList();
                var hot = _model.NewBoolVar("hot");
                foreach (var h in at)
                    _model.AddImplication(h.Value, hot);
                _cost.AddTerm(hot, HeatUp);
                oven.AddTerm(hot, SeasonRules.HeatMinutes);
                // What bakes at one heat shares loads: together it takes as long as the longest, and as all of it shelf beside shelf.
                var minutesAt = _model.NewIntVar(0, session.Minutes, "at");
                foreach (var h in at)
                    _model.Add(minutesAt >= h.Value * Minutes(h.Stretch, h.Batches));
                _model.Add(
                    minutesAt * Shared
                        >= LinearExpr.WeightedSum(at.Select(h => h.Value), at.Select(h => (long)Minutes(h.Stretch, h.Batches) * 10))
                );
                oven.AddTerm(minutesAt, 1);
            }

            var minutes = (int)(session.Minutes * (session.IsOddMoment ? 1 : SeasonRules.Usable));
            _model.Add(hands <= minutes * session.People);
            if (session.IsOddMoment)
                continue;
            _model.Add(oven <= minutes * _wish.Kitchen.Ovens.Length);
            _model.Add(fullest * (minutes * session.People) >= hands * 100);
            // A day that is full to the brim goes wrong with the first thing that takes longer.
            var pressed = _model.NewIntVar(0, 100 - Calm, "pressed");
            _model.Add((pressed + Calm) * (minutes * session.People) >= hands * 100);
            _model.Add((pressed + Calm) * (minutes * _wish.Kitchen.Ovens.Length) >= oven * 100);
            _cost.AddTerm(pressed, Pressed);
        }

        _cost.AddTerm(fullest, EvenLoad);
    }

    // What bakes at several heats bakes about as long at each.
    private static int Minutes(MethodStretch stretch, BatchCount batches) =>
        (int)Math.Ceiling(stretch.OvenMinutes * batches.Batches / Math.Max(1, stretch.Heats.Length));

    /// <summary>At the end of each session what is in the cold must find room.</summary>
    private void AddColdRoom()
    {
        foreach (
            var (store, room) in new[]
            {
                (KeepingStore.Freezer, _wish.Kitchen.FreezerLitres),
                (KeepingStore.Refrigerator, _wish.Kitchen.FridgeLitres),
            }
        )
        {
            if (room is not { } litres)
                continue;
            for (var t = 0; t < _wish.Sessions.Length; t++)
            {
                var (index, end) = (t, _wish.Sessions[t].Until);
                var inside = _cold.Where(c => c.Store == store && c.From <= index && c.Until > end).ToList();
                if (inside.Count == 0)
                    continue;
                var sum = LinearExpr.NewBuilder();
                foreach (var c in inside)
                    sum.AddTerm((BoolVar)c.Literal, c.Litres);
                _model.Add(sum <= (int)Math.Floor(litres));
            }
        }
    }
}
