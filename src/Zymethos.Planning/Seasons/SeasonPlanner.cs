using System.Collections.Immutable;
using System.Diagnostics;
using NodaTime;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Day;
using Zymethos.Planning.Search;

namespace Zymethos.Planning.Seasons;

/// <summary>How a season is searched.</summary>
/// <param name="Limit">Time in all.</param>
/// <param name="Seed">Seed of the searches.</param>
public sealed record SeasonSettings(TimeSpan Limit, int Seed = 1)
{
    /// <summary>In which session each stretch stood before, by the id of its need; what need not move stays.</summary>
    public IReadOnlyDictionary<(string Need, int Stretch), LocalDateTime> Stood { get; init; } =
        ImmutableDictionary<(string Need, int Stretch), LocalDateTime>.Empty;

    /// <summary>Told of every valid plan that is better than the one before; null when nobody asks.</summary>
    public Action<SeasonPlan>? OnBetter { get; init; }
}

/// <summary>
/// Plans a season on two scales: which session every stretch falls in, then every session to the minute with the planner of days. A session
/// that does not work goes back as a cut, and the season is searched again.
/// </summary>
public static class SeasonPlanner
{
    private const int MostRounds = 40;
    private const int FewBakes = 4;

    // Long enough for a first placement of forty lots; what is better is looked for afterwards.
    private static readonly TimeSpan FirstLook = TimeSpan.FromSeconds(0.6);

    /// <summary>Plans. Every need is either met or among the unmet.</summary>
    /// <param name="wish">What is wanted.</param>
    /// <param name="settings">How long to look.</param>
    /// <param name="cancel">Ends it with what there is.</param>
    public static SeasonPlan Plan(SeasonWish wish, SeasonSettings settings, CancellationToken cancel = default) =>
        new Search(Trimmed(wish), settings, cancel).Run();

    /// <summary>The lots of a season: for every need its batches and its method.</summary>
    public static ImmutableArray<Lot> Lots(SeasonWish wish) =>
        [
            .. wish.Needs.Select(
                (n, i) =>
                {
                    var recipe = ChosenRecipe.Of(n.Recipe);
                    return new Lot(i, BatchCount.Of(recipe, n.Pieces), SeasonMethod.Of(recipe));
                }
            ),
        ];

    /// <summary>Of a session that is going on only the rest is left.</summary>
    private static SeasonWish Trimmed(SeasonWish wish) =>
        wish with
        {
            Sessions =
            [
                .. wish.Sessions.Select(s => s.From < wish.Now && s.Until > wish.Now.PlusMinutes(5) ? s with { From = wish.Now } : s),
            ],
        };

    private sealed class Search(SeasonWish wish, SeasonSettings settings, CancellationToken cancel)
    {
        private readonly Stopwatch _clock = Stopwatch.StartNew();
        private readonly ImmutableArray<Lot> _lots = Lots(wish);
        private readonly List<IReadOnlyList<SeasonPlace>> _cuts = [];
        private readonly Dictionary<string, PlannedSession?> _planned = new(StringComparer.Ordinal);
        private SeasonPast _past = null!;
        private SeasonPlan? _best;
        private long _bound;

        // A session for which no order was found may have one: what is cut for it is no proof any more.
        private bool _hasGuessedCuts;

        // The first placement is only to have something; what does not go is left out, and no reasons are looked for.
        private bool _isRough;

        private TimeSpan Left => settings.Limit - _clock.Elapsed;

        public SeasonPlan Run()
        {
            _past = new SeasonPast(wish, _lots, StoodBySession());
            var near = FirstSeason.Place(wish, _lots, _past);
            // By hand first, so that there is something to show at once; whatever the search places is better.
            _isRough = true;
            Try(near, ((long)(_lots.Length - near.Select(p => p.Lot).Distinct().Count()) * SeasonModel.Unmet) + SeasonModel.Unmet - 1);
            _isRough = false;
            var look = TimeSpan.FromSeconds(Math.Min(FirstLook.TotalSeconds, settings.Limit.TotalSeconds / 3));
            for (var round = 0; round < MostRounds && Left > TimeSpan.Zero && !cancel.IsCancellationRequested; round++)
            {
                var model = new SeasonModel(wish, _lots, _past, _cuts);
                var placement = model.Solve(look < Left ? look : Left, settings.Seed, near, cancel);
                if (placement is null)
                {
                    look *= 3;
                    continue;
                }

                // Without cuts the bound holds for the season.
                if (!_hasGuessedCuts)
                    _bound = Math.Max(_bound, model.Bound);
                if (model.Cost >= _best!.Cost)
                {
                    // What is no better after a short look, on a machine that is busy, is no proof that there is nothing better.
                    if (model.Bound >= _best.Cost)
                        break;
                    look = look * 2 < Left ? look * 2 : Left;
                    continue;
                }

                var whole = Try(placement, model.Cost);
                if (whole && model.Bound >= model.Cost)
                    break;
                near = placement;
                look = whole ? Left : TimeSpan.FromSeconds(Math.Clamp(Left.TotalSeconds / 16, 0.3, 1));
            }

            var plan = _best ?? Assemble([], [], 0);
            return plan with { Bound = Math.Min(_bound, plan.Cost) };
        }

        private Dictionary<(int Lot, int Stretch), int> StoodBySession()
        {
            var stood = new Dictionary<(int, int), int>();
            foreach (var ((need, stretch), at) in settings.Stood)
            {
                var lot = Array.FindIndex([.. wish.Needs], n => n.Id == need);
                var session = Array.FindIndex([.. wish.Sessions], s => s.From <= at && at < s.Until);
                if (lot >= 0 && session >= 0)
                    stood[(lot, stretch)] = session;
            }

            return stood;
        }

        /// <summary>
        /// Plans the sessions of a placement. What does not work is cut, and the lots that stand in the way are left out, so that there is
        /// always a plan for the others. True when nothing had to be left out.
        /// </summary>
        private bool Try(IReadOnlyList<SeasonPlace> placement, long cost)
        {
            var left = new HashSet<int>();
            while (true)
            {
                var here = placement.Where(p => !left.Contains(p.Lot)).ToList();
                var (plan, leftOut) = PlanAll(here, cost + ((long)left.Count * SeasonModel.Unmet));
                if (!leftOut.IsSubsetOf(left))
                {
                    left.UnionWith(leftOut);
                    continue;
                }

                if (_best is null || (plan.Unmet.Length, plan.Cost).CompareTo((_best.Unmet.Length, _best.Cost)) < 0)
                {
                    _best = plan;
                    settings.OnBetter?.Invoke(plan with { Bound = Math.Min(_bound, plan.Cost) });
                }

                return left.Count == 0;
            }
        }

        /// <summary>Every session of a placement to the minute, or which lots do not go.</summary>
        private (SeasonPlan Plan, HashSet<int> Out) PlanAll(IReadOnlyList<SeasonPlace> placement, long cost)
        {
            var (sessions, placed, left) = (new List<PlannedSession>(), new List<PlacedStretch>(), new HashSet<int>());
            foreach (var group in placement.GroupBy(p => p.Session).OrderBy(g => g.Key))
            {
                IReadOnlyList<SeasonPlace> here = [.. group];
                if (wish.Sessions[group.Key].IsOddMoment)
                {
                    placed.AddRange(InSpell(here));
                }
                else if (Planned(group.Key, here, l => Earliest(l, here, placed)) is { } session)
                {
                    sessions.Add(session);
                    placed.AddRange(Times(session, here));
                }
                else
                {
                    left.UnionWith(Cut(here, l => Earliest(l, here, placed)));
                }
            }

            var plan = Assemble(placed, sessions, cost);
            if (left.Count > 0)
                return (plan, left);
            var breaches = SeasonChecker.Check(wish, plan);
            var broken = breaches.Select(b => b.Lot).Where(l => l >= 0).ToHashSet();
            if (!_isRough)
                _cuts.AddRange(broken.Select(lot => (IReadOnlyList<SeasonPlace>)[.. placement.Where(p => p.Lot == lot)]));
            // What several break together (a freezer that is too full by the hour, though not by the session) is mended by leaving one out.
            foreach (var breach in breaches.Where(b => !b.Among.Any(broken.Contains)))
            {
                var among = placement.Where(p => breach.Among.Contains(p.Lot)).ToList();
                if (among.Count == 0)
                    continue;
                if (!_isRough)
                    _cuts.Add(among);
                broken.Add(Largest(among));
            }

            _hasGuessedCuts |= !_isRough && broken.Count > 0;
            return (plan, broken);
        }

        /// <summary>Before when a lot's work in a session cannot begin, from what was planned before it.</summary>
        private LocalDateTime? Earliest(int lot, IReadOnlyList<SeasonPlace> here, List<PlacedStretch> placed)
        {
            LocalDateTime? earliest = null;
            foreach (var wait in _lots[lot].Method.Waits.Where(w => here.Any(p => p.Lot == lot && p.Stretch == w.To)))
            {
                if (
                    (placed.FirstOrDefault(p => p.Lot == lot && p.Stretch == wait.From)?.End ?? _past.DoneAt(lot, wait.From)) is not { } end
                )
                    continue;
                // In a freezer it freezes through and thaws; nobody feeds a cake to the minute.
                var least = wait.Least > SeasonChecker.Forgiven ? wait.Least - SeasonChecker.Forgiven : wait.Least;
                var at = end.PlusMinutes((long)least.TotalMinutes);
                if (earliest is null || at > earliest)
                    earliest = at;
            }

            return earliest;
        }

        private List<PlacedStretch> InSpell(IReadOnlyList<SeasonPlace> here)
        {
            var at = wish.Sessions[here[0].Session].From;
            var placed = new List<PlacedStretch>();
            foreach (var place in here)
            {
                var end = at.PlusMinutes(_lots[place.Lot].Method.Stretches[place.Stretch].HandsMinutes * _lots[place.Lot].Batches.Mixings);
                placed.Add(new PlacedStretch(place.Lot, place.Stretch, place.Session, at, end));
                at = end;
            }

            return placed;
        }

        private PlannedSession? Planned(int session, IReadOnlyList<SeasonPlace> here, Func<int, LocalDateTime?> notBefore)
        {
            var bakes = SessionDay.Bakes(wish, _lots, session, here, notBefore);
            var parts = bakes.Select(b => $"{b.Lot}/{string.Join('+', b.Stretches)}/{b.Wish.Batches}/{b.Wish.NotBefore}");
            var key = $"{session}: {string.Join(", ", parts)}";
            if (_planned.TryGetValue(key, out var known))
                return known;
            PlannedSession? found = null;
            if (
                SessionDay.Compile(wish, session, bakes) is { } network
                && (FirstPlan.Any(network, settings.Seed) ?? Searched(network, bakes.Length)) is { } plan
            )
                found = new PlannedSession(session, network, plan);
            return _planned[key] = found;
        }

        // A short session that hands find no order for is worth a search; in a long one something is left out sooner.
        private Plan? Searched(TaskNetwork network, int bakes)
        {
            if (bakes > FewBakes)
                return null;
            return DayPlanner
                .Plan(network, new SolveSettings(TimeSpan.FromSeconds(Math.Clamp(Left.TotalSeconds / 30, 0.1, 0.4)), settings.Seed), cancel)
                .Plan;
        }

        /// <summary>
        /// What of a session does not go together becomes a cut, here and in every session as short or shorter: a lot that does not even go
        /// alone, else as few as still do not go (deletion filter). Comes back with the lots to leave out for now.
        /// </summary>
        private HashSet<int> Cut(IReadOnlyList<SeasonPlace> group, Func<int, LocalDateTime?> notBefore)
        {
            bool Works(IReadOnlyList<SeasonPlace> some) => some.Count == 0 || Planned(group[0].Session, some, notBefore) is not null;
            if (_isRough)
                return [Largest(group)];
            _hasGuessedCuts = true;
            var span = wish.Sessions[group[0].Session];
            var alone = group.GroupBy(g => g.Lot).Where(g => !Works([.. g])).ToList();
            // Where something has to wait for another session first, only this session is too short.
            foreach (var lot in alone)
                Forbid([.. lot], notBefore(lot.Key) is null ? span : null);
            if (alone.Count > 0)
                return [.. alone.Select(g => g.Key)];
            var few = group.ToList();
            foreach (
                var one in group
                    .GroupBy(g => g.Lot)
                    .OrderBy(g => g.Sum(p => _lots[p.Lot].Method.Stretches[p.Stretch].PresenceMinutes))
                    .ToList()
            )
            {
                if (few.Where(x => x.Lot != one.Key).ToList() is { Count: > 1 } rest && !Works(rest))
                    few = rest;
            }

            Forbid(few, few.Any(p => notBefore(p.Lot) is not null) ? null : span);
            return [Largest(few)];
        }

        /// <summary>The lot that is easiest to put elsewhere and leaves most room: few stretches, much time.</summary>
        private int Largest(IReadOnlyList<SeasonPlace> some) =>
            some.GroupBy(p => p.Lot)
                .OrderBy(g => _lots[g.Key].Method.Stretches.Length)
                .ThenByDescending(g => g.Sum(p => _lots[p.Lot].Method.Stretches[p.Stretch].PresenceMinutes))
                .ThenBy(g => g.Key)
                .First()
                .Key;

        private void Forbid(List<SeasonPlace> few, SeasonSession? span)
        {
            if (span is null)
                _cuts.Add(few);
            for (var s = 0; span is not null && s < wish.Sessions.Length; s++)
            {
                if (!wish.Sessions[s].IsOddMoment && wish.Sessions[s].Minutes <= span.Minutes && wish.Sessions[s].People <= span.People)
                    _cuts.Add([.. few.Select(p => p with { Session = s })]);
            }
        }

        private List<PlacedStretch> Times(PlannedSession session, IReadOnlyList<SeasonPlace> here)
        {
            var placed = new List<PlacedStretch>();
            var bakes = SessionDay.Bakes(wish, _lots, session.Session, here, _ => null);
            foreach (var place in here)
            {
                var keys = _lots[place.Lot]
                    .Method.Stretches[place.Stretch]
                    .Recipe.Steps.Select(x => x.Key)
                    .ToHashSet(StringComparer.Ordinal);
                var own = bakes.Select((b, i) => (b.Lot, i)).Where(b => b.Lot == place.Lot).Select(b => b.i).ToHashSet();
                var tasks = session
                    .Network.Tasks.Where(t =>
                        own.Contains(t.Bake)
                        && (keys.Contains(t.Step!.Key) || keys.Contains(t.Step.Key.Replace("-clear", "", StringComparison.Ordinal)))
                    )
                    .Select(t => session.Plan.Tasks[t.Index])
                    .ToList();
                placed.Add(
                    new PlacedStretch(
                        place.Lot,
                        place.Stretch,
                        place.Session,
                        session.Network.TimeOf(tasks.Min(t => t.Start)),
                        session.Network.TimeOf(tasks.Max(t => t.End))
                    )
                );
            }

            return placed;
        }

        private SeasonPlan Assemble(List<PlacedStretch> placed, List<PlannedSession> sessions, long cost)
        {
            var all = placed
                .Concat(Enumerable.Range(0, _lots.Length).SelectMany(_past.Of))
                .OrderBy(p => p.Start)
                .ThenBy(p => p.Lot)
                .ThenBy(p => p.Stretch)
                .ToImmutableArray();
            var met = Enumerable
                .Range(0, _lots.Length)
                .Where(l => all.Count(p => p.Lot == l) == _lots[l].Method.Stretches.Length)
                .ToHashSet();
            var kept = met.Select(l => (Lot: l, Kept: SeasonChecker.KeptAs(wish, _lots[l], [.. all.Where(p => p.Lot == l)])))
                .Where(k => k.Kept is not null);
            return new SeasonPlan(
                _lots,
                all,
                [.. sessions.OrderBy(s => s.Session)],
                kept.ToImmutableDictionary(k => k.Lot, k => k.Kept!),
                [
                    .. Enumerable
                        .Range(0, _lots.Length)
                        .Where(l => !met.Contains(l))
                        .Select(l => new UnmetNeed(_lots[l].Need, SeasonReasons.WhyUnmet(wish, _lots[l], _past, l))),
                ],
                cost,
                Math.Min(_bound, cost)
            );
        }
    }
}
