using Google.OrTools.Sat;
using NodaTime;

namespace Zymethos.Core.Seasons;

/// <summary>Which session each stretch falls in, as a CP-SAT model: capacity in hands and oven, waits between, keeping until the date, heats gathered.</summary>
internal sealed class SeasonModel
{
    private const int Unmet = 100_000;
    private const int HeatUp = 8;
    private const int Opened = 20;
    private const int EvenLoad = 3;

    // What is left of a session for weighing out, washing up and a telephone call (common practice, no source).
    private const double Usable = 0.9;

    // Minutes that a change of heat takes of the oven, up and down taken together (a rough figure; each session is planned to the minute afterwards).
    private const int HeatMinutes = 15;

    private readonly SeasonWish _wish;
    private readonly IReadOnlyList<Lot> _lots;
    private readonly CpModel _model = new();
    private readonly CpSolver _solver = new();
    private readonly Dictionary<(int Lot, int Stretch, int Session), BoolVar> _in = [];
    private readonly BoolVar[] _unmet;

    public SeasonModel(SeasonWish wish, IReadOnlyList<Lot> lots, IReadOnlyList<IReadOnlyList<(int Lot, int Stretch, int Session)>> cuts)
    {
        (_wish, _lots) = (wish, lots);
        _unmet = [.. lots.Select(_ => _model.NewBoolVar("unmet"))];
        var cost = LinearExpr.NewBuilder();
        for (var l = 0; l < lots.Count; l++) AddLot(l, cost);
        AddSessions(cost);
        foreach (var cut in cuts)
        {
            var literals = cut.Where(_in.ContainsKey).Select(c => (ILiteral)_in[c].Not()).ToList();
            // A cut through places that no longer stand open forbids nothing more.
            if (literals.Count == cut.Count) _model.AddBoolOr(literals);
        }

        _model.Minimize(cost);
    }

    public long Cost => (long)_solver.ObjectiveValue;

    public long Bound => (long)Math.Ceiling(_solver.BestObjectiveBound - 1e-6);

    /// <summary>Searches; the placement, or null when none was found in the time.</summary>
    public IReadOnlyList<(int Lot, int Stretch, int Session)>? Solve(TimeSpan limit, int seed, CancellationToken cancel)
    {
        if (limit <= TimeSpan.Zero) return null;
        _solver.StringParameters = FormattableString.Invariant($"max_time_in_seconds:{limit.TotalSeconds:0.###} random_seed:{seed} num_workers:4");
        using var stop = cancel.Register(_solver.StopSearch);
        return _solver.Solve(_model) is CpSolverStatus.Optimal or CpSolverStatus.Feasible
            ? [.. _in.Where(p => _solver.BooleanValue(p.Value)).Select(p => p.Key).OrderBy(k => k.Session).ThenBy(k => k.Lot).ThenBy(k => k.Stretch)]
            : null;
    }

    /// <summary>Whether one session could hold a stretch at all.</summary>
    public static bool Holds(SeasonWish wish, Lot lot, int stretch, SeasonSession session)
    {
        var own = lot.Method.Stretches[stretch];
        var b = lot.Batches.Batches;
        return session.From >= wish.Now
            && own.PresenceMinutes + ((b - 1) * Math.Max(own.OvenMinutes, own.HandsMinutes)) <= session.Minutes
            && own.HandsMinutes * b <= session.Minutes * session.People * Usable;
    }

    /// <summary>How a lot would wait for its date when its last stretch falls in a session; null when it would not keep.</summary>
    public static Kept? KeptFrom(SeasonWish wish, Lot lot, SeasonSession session)
    {
        var need = wish.Needs[lot.Need];
        var occasion = wish.Occasions[need.Occasion];
        if (session.Until > occasion.ReadyBy) return null;
        // Where the last work is no bake, the bake lies somewhere before; how old it is then is looked at when everything has its place.
        var bakesLast = lot.Method.Stretches.Count(s => s.OvenMinutes > 0) == 0 || lot.Method.Stretches[^1].OvenMinutes > 0;
        return Keeping.For(need.Recipe, session.Until, lot.Method.RipensLeast, occasion.At, bakesLast ? session.Until : null);
    }

    private void AddLot(int l, LinearExprBuilder cost)
    {
        var lot = _lots[l];
        var last = Enumerable.Range(0, lot.Method.Stretches.Length).Where(k => !lot.Method.Waits.Any(w => w.From == k)).ToHashSet();
        for (var k = 0; k < lot.Method.Stretches.Length; k++)
        {
            var places = new List<ILiteral> { _unmet[l] };
            for (var s = 0; s < _wish.Sessions.Length; s++)
            {
                if (!Holds(_wish, lot, k, _wish.Sessions[s])) continue;
                var kept = last.Contains(k) ? KeptFrom(_wish, lot, _wish.Sessions[s]) : null;
                if (last.Contains(k) && kept is null) continue;
                var here = _in[(l, k, s)] = _model.NewBoolVar("in");
                places.Add(here);
                if (kept is not null) cost.AddTerm(here, kept.Stale);
            }

            _model.AddExactlyOne(places);
        }

        foreach (var wait in lot.Method.Waits) AddWait(l, wait, cost);
        cost.AddTerm(_unmet[l], Unmet);
    }

    private void AddWait(int l, StretchWait wait, LinearExprBuilder cost)
    {
        for (var a = 0; a < _wish.Sessions.Length; a++)
        {
            if (!_in.TryGetValue((l, wait.From, a), out var from)) continue;
            for (var b = 0; b < _wish.Sessions.Length; b++)
            {
                if (!_in.TryGetValue((l, wait.To, b), out var to)) continue;
                if (!Bears(_wish.Sessions[a], _wish.Sessions[b], wait)) _model.AddBoolOr([from.Not(), to.Not()]);
            }
        }
    }

    /// <summary>Whether a wait fits between two sessions, the one before beginning anywhere in the first and the one after anywhere in the second.</summary>
    public static bool Bears(SeasonSession first, SeasonSession second, StretchWait wait)
    {
        if (second.Until <= first.From) return false;
        var longest = Minutes(first.From, second.Until);
        var shortest = Minutes(first.Until, second.From);
        return longest >= wait.Least.TotalMinutes && (wait.Most is not { } most || shortest <= most.TotalMinutes);
    }

    private static long Minutes(LocalDateTime from, LocalDateTime until) => Period.Between(from, until, PeriodUnits.Minutes).Minutes;

    private void AddSessions(LinearExprBuilder cost)
    {
        var fullest = _model.NewIntVar(0, 100, "fullest");
        for (var s = 0; s < _wish.Sessions.Length; s++)
        {
            var session = _wish.Sessions[s];
            var here = _in.Where(p => p.Key.Session == s).Select(p => (p.Key, p.Value, Stretch: _lots[p.Key.Lot].Method.Stretches[p.Key.Stretch], _lots[p.Key.Lot].Batches.Batches)).ToList();
            if (here.Count == 0) continue;
            var open = _model.NewBoolVar("open");
            cost.AddTerm(open, Opened);
            foreach (var h in here) _model.AddImplication(h.Value, open);
            var (hands, oven) = (LinearExpr.NewBuilder(), LinearExpr.NewBuilder());
            foreach (var h in here)
            {
                hands.AddTerm(h.Value, h.Stretch.HandsMinutes * h.Batches);
                oven.AddTerm(h.Value, h.Stretch.OvenMinutes * h.Batches);
            }

            foreach (var heat in here.SelectMany(h => h.Stretch.Heats).Distinct())
            {
                var hot = _model.NewBoolVar("hot");
                foreach (var h in here.Where(h => h.Stretch.Heats.Contains(heat))) _model.AddImplication(h.Value, hot);
                cost.AddTerm(hot, HeatUp);
                oven.AddTerm(hot, HeatMinutes);
            }

            var minutes = (int)(session.Minutes * Usable);
            _model.Add(hands <= minutes * session.People);
            // Several small things share a load; what bakes alone takes the oven alone. Shelves let about two of three share (each session is planned afterwards).
            _model.Add(oven <= minutes * 3 / 2);
            _model.Add(fullest * (minutes * session.People) >= hands * 100);
        }

        cost.AddTerm(fullest, EvenLoad);
    }
}
