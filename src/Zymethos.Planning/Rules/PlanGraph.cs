using Zymethos.Core.Recipes;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Rules;

/// <summary>Why one task cannot start before another's time.</summary>
public enum TieKind
{
    /// <summary>The step before must be done, and the least wait over.</summary>
    StepBefore,

    /// <summary>The window to the step after would be broken.</summary>
    Window,

    /// <summary>The same person is at something else.</summary>
    Hands,

    /// <summary>The same person has a pause between.</summary>
    Pause,

    /// <summary>The mixer or another shared thing is taken.</summary>
    Resource,

    /// <summary>The oven is in another state and needs its time.</summary>
    OvenState,

    /// <summary>The shelf is full.</summary>
    Shelf,

    /// <summary>Equal trays go in order.</summary>
    Order,

    /// <summary>Two loads are kept together by hand.</summary>
    Together,

    /// <summary>Two loads are kept apart by hand.</summary>
    Apart,

    /// <summary>The door is opened for one load before, while or after another bakes, and that stays so.</summary>
    Door,
}

/// <summary>Task <paramref name="To"/> starts no earlier than <paramref name="Lag"/> minutes after the start of
/// <paramref name="From"/>.</summary>
/// <param name="From">Index of a task.</param>
/// <param name="To">Index of a task.</param>
/// <param name="Lag">Minutes from start to start; may be negative.</param>
/// <param name="Kind">Which rule says so.</param>
/// <param name="Link">The link behind it; null when it is not a link.</param>
public sealed record Tie(int From, int To, int Lag, TieKind Kind, TaskLink? Link)
{
    /// <summary>The shared thing it is about; null when it is not about one.</summary>
    public int? Resource { get; init; }

    /// <summary>
    /// Whether it binds a task that moves alone. False where the order is kept for the sake of the rest: in the last minute of
    /// <see cref="From"/> there is room for both, because what stood beside it earlier has gone by then.
    /// </summary>
    public bool BindsAlone { get; init; } = true;
}

/// <summary>
/// A plan's own order as a graph: with everybody, every shelf and every load in the order the plan has, which task waits for which. From it
/// come the earliest and latest start of each task, its slack and the critical chain. Independent of the solver.
/// </summary>
internal sealed class PlanGraph
{
    private readonly TaskNetwork _network;
    private readonly Plan _plan;
    private readonly List<Tie>[] _into;
    private readonly List<Tie>[] _outOf;
    private readonly int[] _latest;

    /// <summary>Builds the graph for a plan that passes <c>PlanChecker</c>.</summary>
    public PlanGraph(TaskNetwork network, Plan plan)
    {
        _network = network;
        _plan = plan;
        Ties = [.. Links(), .. Orders(), .. ByHand(), .. Hands(), .. PausesBetween(), .. Resources(), .. Oven(), .. Door()];
        _into = [.. network.Tasks.Select(t => Ties.Where(a => a.To == t.Index).ToList())];
        _outOf = [.. network.Tasks.Select(t => Ties.Where(a => a.From == t.Index).ToList())];
        _latest = Latest();
    }

    /// <summary>Every tie.</summary>
    public IReadOnlyList<Tie> Ties { get; }

    /// <summary>The start of a task in the plan.</summary>
    public int Start(int task) => _plan.Tasks[task].Start;

    /// <summary>
    /// How many minutes later the task may start, everything after it moving along where it must, with no window broken, nothing late and
    /// the day's finish unchanged.
    /// </summary>
    public int Slack(int task) => _latest[task] - Start(task);

    /// <summary>Ties that would be broken if this task alone started a minute earlier.</summary>
    public IEnumerable<Tie> HoldingBack(int task) => _into[task].Where(t => t.BindsAlone && Start(t.From) + t.Lag == Start(task));

    /// <summary>Ties that would be broken if this task alone started a minute later.</summary>
    public IEnumerable<Tie> HoldingOn(int task) => _outOf[task].Where(t => Start(task) + t.Lag == Start(t.To));

    /// <summary>The earliest start that the ties allow with everything else where it is.</summary>
    public int EarliestAlone(int task) => _into[task].Select(t => Start(t.From) + t.Lag).Append(Floor(task)).Max();

    /// <summary>The latest start that the ties allow with everything else where it is.</summary>
    public int LatestAlone(int task) => _outOf[task].Select(t => Start(t.To) - t.Lag).Append(Ceiling(task)).Min();

    /// <summary>Whether the baker holds the task where it is.</summary>
    public bool IsPinned(int task) => _network.Pins.Any(p => p.Task == task);

    /// <summary>The earliest start that the day itself allows.</summary>
    public int Floor(int task)
    {
        var own = _network.Tasks[task];
        var floor = SpanRules.EarliestStart(_network, own);
        if (IsPinned(task))
            return Start(task);
        var heating = own.Oven is { } oven ? _network.Thermal(_plan.Tasks[task].Oven).FromCold(oven.Setting) : 0;
        floor = Math.Max(floor, heating);
        if (own.NeedsPresence)
            floor = _network.Rests.Where(r => r.Until <= Start(task)).Select(r => r.Until + heating).Append(floor).Max();
        return _plan.Tasks[task].Hands.Select(b => _network.Helpers[b.Helper].From - (b.From - Start(task))).Append(floor).Max();
    }

    /// <summary>The latest start that the day's finish, "ready by" and people's hours allow.</summary>
    public int Ceiling(int task)
    {
        var own = _network.Tasks[task];
        var end = SpanRules.LatestEnd(_network, own);
        if (IsPinned(task))
            return Start(task);
        if (own.NeedsPresence)
            end = _network
                .Rests.Where(r => r.From >= _plan.Tasks[task].End)
                .Select(r => r.From)
                .Append(Math.Min(end, _plan.Finish(_network)))
                .Min();
        return _plan
            .Tasks[task]
            .Hands.Select(b => _network.Helpers[b.Helper].Until - (b.Until - Start(task)))
            .Append(end - Length(task))
            .Min();
    }

    private int[] Latest()
    {
        var latest = _network.Tasks.Select(t => Ceiling(t.Index)).ToArray();
        // The plan itself satisfies every tie, so there is no positive cycle and the relaxation ends.
        for (var moved = true; moved; )
        {
            moved = false;
            foreach (var tie in Ties)
            {
                var bound = latest[tie.To] - tie.Lag;
                if (bound >= latest[tie.From])
                    continue;
                latest[tie.From] = bound;
                moved = true;
            }
        }

        return latest;
    }

    private IEnumerable<Tie> Links()
    {
        foreach (var link in _network.Links)
        {
            var length = Length(link.From);
            yield return new Tie(link.From, link.To, length + link.MinLag, TieKind.StepBefore, link);
            if (link is { MaxLag: { } most, Window: WindowKind.Hard })
                yield return new Tie(link.To, link.From, -length - most, TieKind.Window, link);
        }
    }

    private IEnumerable<Tie> Orders() => _network.Orders.Select(o => new Tie(o.First, o.Second, 0, TieKind.Order, null));

    private IEnumerable<Tie> ByHand()
    {
        foreach (var (a, b) in _network.Together)
        {
            yield return new Tie(a, b, -TaskNetwork.TogetherMinutes, TieKind.Together, null);
            yield return new Tie(b, a, -TaskNetwork.TogetherMinutes, TieKind.Together, null);
        }

        foreach (var (one, other) in _network.Apart)
        {
            var (a, b) = Start(one) <= Start(other) ? (one, other) : (other, one);
            if (_network.Tasks[a].Oven?.Setting == _network.Tasks[b].Oven?.Setting)
                yield return new Tie(a, b, Length(a), TieKind.Apart, null);
        }
    }

    private IEnumerable<Tie> Hands()
    {
        for (var h = 0; h < _network.Helpers.Length; h++)
        {
            var blocks = _network
                .Tasks.SelectMany(t => _plan.Tasks[t.Index].Hands.Where(b => b.Helper == h).Select(b => (t.Index, b.From, b.Until)))
                .OrderBy(b => b.From)
                .ToList();
            for (var i = 1; i < blocks.Count; i++)
            {
                var (a, b) = (blocks[i - 1], blocks[i]);
                if (a.Index != b.Index)
                    yield return new Tie(a.Index, b.Index, a.Until - Start(a.Index) - (b.From - Start(b.Index)), TieKind.Hands, null);
            }
        }
    }

    /// <summary>Where two stretches of somebody's work would be too long as one, the pause between them stays.</summary>
    private IEnumerable<Tie> PausesBetween()
    {
        if (_network.Pauses is not { } pauses)
            yield break;
        for (var h = 0; h < _network.Helpers.Length; h++)
        {
            var work = _network
                .Tasks.SelectMany(t => _plan.Tasks[t.Index].Hands.Where(b => b.Helper == h).Select(b => (t.Index, b.From, b.Until)))
                .Where(b => b.Until - b.From > Pauses.Touch)
                .OrderBy(b => b.From)
                .ToList();
            var since = work.Count == 0 ? 0 : work[0].From;
            for (var i = 1; i < work.Count; i++)
            {
                var (a, b) = (work[i - 1], work[i]);
                if (b.From - a.Until < pauses.Length)
                    continue;
                var end = i;
                while (end + 1 < work.Count && work[end + 1].From - work[end].Until < pauses.Length)
                    end++;
                // Begun a minute sooner, it ends a minute sooner as well, and the stretch may be no longer than is borne.
                var sooner = work[end].Index == b.Index ? 1 : 0;
                if (a.Index != b.Index && work[end].Until - sooner - since > pauses.Stretch)
                    yield return new Tie(
                        a.Index,
                        b.Index,
                        a.Until + pauses.Length - Start(a.Index) - (b.From - Start(b.Index)),
                        TieKind.Pause,
                        null
                    );
                since = b.From;
            }
        }
    }

    /// <summary>
    /// What is taken by one task, or held from one task until another: whoever takes it next waits until it has been given back.
    /// </summary>
    private IEnumerable<Tie> Resources()
    {
        for (var r = 0; r < _network.Resources.Length; r++)
        {
            var taken = _network.Tasks.SelectMany(t =>
                t.Demands.Where(d => d.Resource == r)
                    .Select(d => new Use(t.Index, t.Index, Start(t.Index), _plan.Tasks[t.Index].End + d.HoldAfter, d.Units))
            );
            var held = _network
                .Holds.Where(h => h.Resource == r)
                .Select(h => new Use(h.From, h.To, Start(h.From), _plan.Tasks[h.To].End + h.After, h.Units));
            foreach (var tie in Capacity([.. taken, .. held], _network.Resources[r].Capacity, TieKind.Resource))
                yield return tie with
                {
                    Resource = r,
                };
        }
    }

    /// <summary>Minutes that a tie asks for beyond the end of its first task.</summary>
    public int LagBeyondEnd(Tie tie) => tie.Lag - Length(tie.From);

    private int Length(int task) => _plan.Tasks[task].End - _plan.Tasks[task].Start;

    private IEnumerable<Tie> Oven()
    {
        for (var oven = 0; oven < _network.Kitchen.Ovens.Length; oven++)
        {
            var thermal = _network.Thermal(oven);
            var loads = _network
                .Tasks.Where(t => t.Oven is not null && _plan.Tasks[t.Index].Oven == oven)
                .OrderBy(t => Start(t.Index))
                .ToList();
            for (var i = 0; i < loads.Count; i++)
            {
                for (var j = i + 1; j < loads.Count; j++)
                {
                    var (a, b) = (loads[i], loads[j]);
                    if (a.Oven!.Setting != b.Oven!.Setting)
                        yield return new Tie(
                            a.Index,
                            b.Index,
                            Length(a.Index) + thermal.Transition(a.Oven.Setting, b.Oven.Setting),
                            TieKind.OvenState,
                            null
                        );
                    else if (_plan.Tasks[a.Index].End <= Start(b.Index) && MeetsUnmixed(a, b, oven))
                        yield return new Tie(a.Index, b.Index, Length(a.Index), TieKind.Shelf, null);
                }
            }

            for (var s = 0; s < _network.Kitchen.Ovens[oven].Shelves; s++)
            {
                var uses = loads
                    .Select(t => new Use(
                        t.Index,
                        t.Index,
                        Start(t.Index),
                        _plan.Tasks[t.Index].End,
                        _plan.Tasks[t.Index].Shelves.Count(x => x == s) * t.Oven!.UnitsIn(oven)
                    ))
                    .Where(u => u.Units > 0)
                    .ToList();
                foreach (var tie in Capacity(uses, TaskNetwork.ShelfUnits, TieKind.Shelf))
                    yield return tie;
            }
        }
    }

    private bool MeetsUnmixed(PlanTask a, PlanTask b, int oven) =>
        _network.Unmixed.Any(u => u.Is(oven, a.Oven!.Pan, b.Oven!.Pan))
        && _plan.Tasks[a.Index].Shelves.Intersect(_plan.Tasks[b.Index].Shelves).Any();

    /// <summary>
    /// For every opening of the door for one load beside another of the same setting: it stays before, within or after the other, so that
    /// the other stays in as long as it does. Loads of a plan that do not meet are kept so by order alone.
    /// </summary>
    private IEnumerable<Tie> Door()
    {
        foreach (
            var group in _network
                .Tasks.Where(t => t.Oven is { Setting.IsHot: true })
                .GroupBy(t => (_plan.Tasks[t.Index].Oven, t.Oven!.Setting))
        )
        {
            if (group.All(l => l.Hands.All(h => OvenDoor.Costs(_network, l, h, group.Key.Oven) == 0)))
                continue;
            foreach (var load in group)
            {
                foreach (var other in group)
                {
                    if (load.Index == other.Index)
                        continue;
                    foreach (var need in other.Hands)
                    {
                        foreach (var tie in Door(load.Index, other, need))
                            yield return tie;
                    }
                }
            }
        }
    }

    private IEnumerable<Tie> Door(int load, PlanTask other, HandsNeed need)
    {
        var planned = _plan.Tasks[other.Index];
        var own = _plan.Tasks[load];
        var moment = other.HandsAt(need, planned.Start, planned.End).From;
        var offset = moment - planned.Start;
        if (OvenDoor.IsWithin(moment, own))
        {
            yield return new Tie(load, other.Index, OvenDoor.Together + 1 - offset, TieKind.Door, null);
            yield return new Tie(other.Index, load, offset + OvenDoor.Together + 1 - Length(load), TieKind.Door, null);
        }
        else if (moment <= own.Start + OvenDoor.Together)
        {
            yield return new Tie(other.Index, load, offset - OvenDoor.Together, TieKind.Door, null);
        }
        else
        {
            yield return new Tie(load, other.Index, Length(load) - OvenDoor.Together - offset, TieKind.Door, null);
        }
    }

    /// <summary>
    /// Of two uses that do not overlap, the later waits for the earlier when what is taken during the earlier leaves no room for it.
    /// </summary>
    private IEnumerable<Tie> Capacity(List<Use> uses, int capacity, TieKind kind)
    {
        foreach (var a in uses)
        {
            var beside = uses.Where(u => u.From < a.Until && a.From < u.Until).ToList();
            var (ever, atTheEnd) = (beside.Sum(u => u.Units), beside.Where(u => u.Until >= a.Until).Sum(u => u.Units));
            foreach (var b in uses.Where(b => b.From >= a.Until && ever + b.Units > capacity && a.Last != b.First))
                yield return new Tie(a.Last, b.First, a.Until - Start(a.Last), kind, null) { BindsAlone = atTheEnd + b.Units > capacity };
        }
    }

    /// <summary>Units of a shelf or a shared thing taken from the start of one task until the end of the same or another (and what it is
    /// held for after that).</summary>
    private readonly record struct Use(int First, int Last, int From, int Until, int Units);
}
