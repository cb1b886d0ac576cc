using System.Collections.Immutable;
using Zymethos.Planning.Day;
using Zymethos.Planning.Rules;

namespace Zymethos.Planning.Certainty;

/// <summary>
/// A plan lived through days on which steps take the times that were drawn, by a baker who decides by <see cref="DispatchRule"/>. Every
/// rule of the kitchen holds on such a day: hands, mixers, pans, ovens, shelves, doors; only windows may be missed and hours be late, and
/// those are what is counted. Not for several threads at once.
/// </summary>
internal sealed partial class RehearsedDay
{
    /// <summary>Missing a window, or leaving a bake in, by so many minutes is within what a sensible baker makes up by a cooler corner or a
    /// wet towel (common practice, no source).</summary>
    public const int Forgiven = 3;

    // An order that no plan has may leave two steps waiting for each other.
    private int LastMinute => _of.Network.Horizon + AfterHorizon;

    private const int AfterHorizon = 24 * 60;

    private readonly DayStatics _of;
    private readonly DispatchRule _rule;
    private readonly int[] _length;
    private readonly int[] _due;
    private readonly int[] _wake;
    private readonly int[] _hands;
    private readonly List<(int At, int Resource, int Units)> _back = [];
    private readonly List<HandsBlock>[]? _blocks;
    private readonly List<(int Need, int At)>[]? _touched;
    private float[] _times = [];

    /// <summary>Prepares.</summary>
    /// <param name="statics">The day.</param>
    /// <param name="rule">How to decide.</param>
    /// <param name="isKept">Whether who did what when is kept, for <see cref="ToPlan"/>.</param>
    public RehearsedDay(DayStatics statics, DispatchRule rule, bool isKept = false)
    {
        (_of, _rule) = (statics, rule);
        Kitchen = new KitchenNow(statics);
        var n = statics.Likely.Length;
        (_length, _due, _wake, _hands) = (new int[n], new int[n], new int[n], new int[n]);
        MissedLinks = new List<int>();
        IsSpoilt = new bool[statics.Network.Bakes.Length];
        IsLate = new bool[IsSpoilt.Length];
        if (!isKept)
            return;
        _blocks = [.. statics.Network.Tasks.Select(_ => new List<HandsBlock>())];
        _touched = [.. statics.Network.Tasks.Select(_ => new List<(int, int)>())];
    }

    /// <summary>The kitchen at the end of the day.</summary>
    public KitchenNow Kitchen { get; }

    /// <summary>Minutes that each step was drawn to take, open doors not counted.</summary>
    public IReadOnlyList<int> Drawn => _length;

    /// <summary>The minute of the last presence.</summary>
    public int Finish { get; private set; }

    /// <summary>The minute at which the last thing is ready, what is only waited for included.</summary>
    public int Ready
    {
        get
        {
            var last = 0;
            foreach (var end in Kitchen.End)
                last = Math.Max(last, end);
            return last;
        }
    }

    /// <summary>The minute of the first presence.</summary>
    public int FirstTouch => _of.Presences.Min(t => Kitchen.Start[t]);

    /// <summary>Minutes from the first hot load until the last is out.</summary>
    public int HotMinutes
    {
        get
        {
            var (from, until) = (int.MaxValue, 0);
            foreach (var t in _of.HotLoads)
                (from, until) = (Math.Min(from, Kitchen.Start[t]), Math.Max(until, Kitchen.End[t]));
            return Math.Max(0, until - from);
        }
    }

    /// <summary>Minutes that a bake lies in the making, from its first step to its last, on average.</summary>
    public int MakingMinutes
    {
        get
        {
            var sum = 0;
            foreach (var bake in _of.OfBake)
            {
                var (from, until) = (int.MaxValue, 0);
                foreach (var t in bake)
                    (from, until) = (Math.Min(from, Kitchen.Start[t]), Math.Max(until, Kitchen.End[t]));
                sum += until - from;
            }

            return sum / Math.Max(1, _of.OfBake.Length);
        }
    }

    /// <summary>Windows that were missed by more than a moment, by the index of their link.</summary>
    public List<int> MissedLinks { get; }

    /// <summary>The first bake that stayed in too long; -1 for none.</summary>
    public int Overbaked { get; private set; }

    /// <summary>By bake, whether a hard window of it was missed or it stayed in the oven too long.</summary>
    public bool[] IsSpoilt { get; }

    /// <summary>By bake, whether it was not ready by its hour, or kept somebody beyond the working span.</summary>
    public bool[] IsLate { get; }

    /// <summary>Whether nothing was spoilt and nothing late.</summary>
    public bool IsWell { get; private set; }

    /// <summary>Whether the day came to its end: false where nothing could go on, which must not be.</summary>
    public bool IsDone => Kitchen.Left == 0;

    /// <summary>Lives a day.</summary>
    /// <param name="script">The plan.</param>
    /// <param name="times">By task, its time as a multiple of the usual one.</param>
    public void Live(DayScript script, ReadOnlySpan<float> times)
    {
        if (_times.Length != times.Length)
            _times = new float[times.Length];
        times.CopyTo(_times);
        Begin(script);
        var k = Kitchen;
        while (k.Left > 0)
        {
            var again = Settle();
            var next = Math.Min(again, NextEvent());
            if (next >= DayStatics.Never || k.Now > LastMinute)
                break;
            k.Now = Math.Max(k.Now + 1, next);
        }

        IsWell &= k.Left == 0;
    }

    private void Begin(DayScript script)
    {
        Kitchen.Begin(script);
        (Finish, Overbaked, IsWell) = (0, -1, true);
        MissedLinks.Clear();
        Array.Clear(IsSpoilt);
        Array.Clear(IsLate);
        _back.Clear();
        if (_blocks is not null)
        {
            foreach (var list in _blocks)
                list.Clear();
            foreach (var list in _touched!)
                list.Clear();
        }

        if (_facts is not null)
            TakeUp(_facts);
        else if (_of.Network.Since > 0)
            TakeUp();
    }

    /// <summary>A day that goes on: what has begun has begun when it was told to.</summary>
    private void TakeUp()
    {
        var since = _of.Network.Since;
        var begun = _of.Network.Pins.Where(p => p.Start < since).OrderBy(p => p.Start).ThenBy(p => _of.Depth[p.Task]).ToList();
        foreach (var pin in begun)
        {
            GoOnUntil(pin.Start);
            Kitchen.Now = pin.Start;
            var t = pin.Task;
            if (Kitchen.State[t] != StepState.Ahead)
                continue;
            // What is over took what it took; what goes on takes at least as long as it has.
            var usual = _of.Network.Tasks[t].TakesFrom(pin.Start);
            _times[t] = pin.Start + usual <= since ? 1f : Math.Max(_times[t], (since - pin.Start + 1f) / usual);
            if (_of.SpellOf[t] >= 0 && Kitchen.State[_of.SpellOf[t]] == StepState.Begun)
                Done(_of.SpellOf[t], pin.Start);
            if (_of.StartsByHand[t])
                Perform(new Act(t, 0), forced: true);
            else
                Start(t);
        }

        GoOnUntil(since);
        Kitchen.Now = since;
    }

    /// <summary>What was begun goes on by itself until a minute: nothing new is begun, and what was due then was done then.</summary>
    private void GoOnUntil(int minute)
    {
        while (true)
        {
            var next = NextEvent();
            if (next > minute || next >= DayStatics.Never)
                return;
            Kitchen.Now = next;
            Happen();
            for (var i = 0; i < Kitchen.Running.Count; i++)
            {
                var t = Kitchen.Running[i];
                if (Kitchen.IsDue[t] && _of.ClearingOf[t] < 0)
                    Perform(new Act(t, Kitchen.NextNeed[t]), forced: true);
            }
        }
    }

    /// <summary>All that happens and is done at this minute; when to look again at the latest.</summary>
    private int Settle()
    {
        while (true)
        {
            Happen();
            var again = DayStatics.Never;
            var moved = false;
            for (var i = Kitchen.Open.Count - 1; i >= 0; i--)
            {
                var t = Kitchen.Open[i];
                if (_of.StartsByHand[t] || !_rule.Begins(Kitchen, t, ref again))
                    continue;
                Start(t);
                moved = true;
                break;
            }

            if (moved)
                continue;
            if (!_rule.Next(Kitchen, out var act, ref again))
                return again;
            Perform(act, forced: false);
        }
    }

    /// <summary>Ends what ends now, and says what is due.</summary>
    private void Happen()
    {
        var k = Kitchen;
        for (var i = _back.Count - 1; i >= 0; i--)
        {
            if (_back[i].At > k.Now)
                continue;
            k.Used[_back[i].Resource] -= _back[i].Units;
            _back.RemoveAt(i);
        }

        for (var h = 0; h < k.Workers.Length; h++)
        {
            while (k.Workers[h].Task >= 0 && k.Workers[h].Until <= k.Now)
                Finished(h);
        }

        for (var i = k.Running.Count - 1; i >= 0; i--)
        {
            var t = k.Running[i];
            if (_wake[t] > k.Now || k.IsDue[t])
                continue;
            if (k.NextNeed[t] < _of.Needs[t].Length || _of.ClearingOf[t] >= 0)
                (k.IsDue[t], k.DueSince[t]) = (true, _wake[t]);
            else
                Done(t, k.Now);
        }
    }

    private void Finished(int h)
    {
        var k = Kitchen;
        ref var worker = ref k.Workers[h];
        var (t, need, at) = (worker.Task, worker.Need, worker.Until);
        _blocks?[t].Add(new HandsBlock(h, worker.Since, at));
        if (_of.Network.Pauses is not null && at - worker.Since > Pauses.Touch)
            worker.Work.EndsAt(worker.Left >= 0 ? at + worker.LeftMinutes : at);
        if (worker.Left >= 0)
            (worker.Task, worker.Need, worker.Since, worker.Until, worker.Left) = (worker.Left, 0, at, at + worker.LeftMinutes, -1);
        else
            worker.Task = -1;
        if (--_hands[t] > 0)
            return;
        if (_of.IsWork[t])
            Done(t, at);
        else if (need == _of.Needs[t].Length - 1 && _of.Network.Tasks[t].IsAtEnd(_of.Needs[t][need]))
            Done(t, at);
        else
            Wake(t);
    }

    /// <summary>When a step that goes on by itself next wants hands, or ends.</summary>
    private void Wake(int t)
    {
        var k = Kitchen;
        if (k.NextNeed[t] >= _of.Needs[t].Length)
        {
            _wake[t] = Math.Max(_due[t], k.Now);
            return;
        }

        var need = _of.Needs[t][k.NextNeed[t]];
        _wake[t] = _of.Network.Tasks[t].IsAtEnd(need)
            ? _due[t] - need.Length
            : Math.Min(k.Start[t] + (int)Math.Round((double)need.Offset * _length[t] / _of.Likely[t]), _due[t] - 1);
    }

    private int NextEvent()
    {
        var k = Kitchen;
        var next = DayStatics.Never;
        for (var h = 0; h < k.Workers.Length; h++)
        {
            if (k.Workers[h].Task >= 0)
                next = Math.Min(next, k.Workers[h].Until);
            else if (_of.Network.Helpers[h].From > k.Now)
                next = Math.Min(next, _of.Network.Helpers[h].From);
        }

        foreach (var t in k.Running)
        {
            if (!k.IsDue[t])
                next = Math.Min(next, _wake[t]);
        }

        foreach (var back in _back)
            next = Math.Min(next, back.At);
        foreach (var rest in _of.Network.Rests)
        {
            if (rest.Until > k.Now)
                next = Math.Min(next, rest.Until);
        }

        return next;
    }

    private void Perform(Act act, bool forced)
    {
        var k = Kitchen;
        var (t, n) = (act.Task, act.Need);
        var need = _of.Needs[t][n];
        if (k.State[t] == StepState.Ahead)
        {
            if (_of.SpellOf[t] >= 0 && k.State[_of.SpellOf[t]] == StepState.Begun)
                Done(_of.SpellOf[t], k.Now);
            Start(t);
        }
        else
        {
            k.IsDue[t] = false;
            if (_of.Network.Tasks[t].IsAtEnd(need) && k.Now + need.Length - _due[t] > Forgiven && !WasLostBefore(t))
            {
                IsSpoilt[_of.Network.Tasks[t].Bake] = true;
                IsWell = false;
                if (Overbaked < 0)
                    Overbaked = t;
            }
        }

        var minutes = _of.IsWork[t] ? _length[t] : need.Length;
        k.NextNeed[t] = n + 1;
        _wake[t] = DayStatics.Never;
        _hands[t] = need.People;
        _touched?[t].Add((n, k.Now));
        if (_of.SettingOf[t] >= 0)
            OpenDoor(t, n);
        for (var person = 0; person < need.People; person++)
        {
            if (!Give(t, n, minutes, forced))
                HasBeen(t, n);
        }
    }

    /// <summary>In what lies behind, hands were where they were, though by what was drawn they would still be elsewhere.</summary>
    private void HasBeen(int t, int n)
    {
        if (--_hands[t] > 0)
            return;
        if (_of.IsWork[t])
            _wake[t] = _due[t];
        else if (n == _of.Needs[t].Length - 1 && _of.Network.Tasks[t].IsAtEnd(_of.Needs[t][n]))
            Done(t, Kitchen.Now);
        else
            Wake(t);
    }

    private bool Give(int t, int n, int minutes, bool forced)
    {
        var k = Kitchen;
        var (best, rested) = (-1, false);
        for (var h = 0; h < k.Workers.Length; h++)
        {
            if (!k.IsFree(h, minutes))
                continue;
            var isRested = k.IsRested(h, minutes);
            if (best >= 0 && (isRested == rested ? _of.Network.Helpers[h].Until >= _of.Network.Helpers[best].Until : rested))
                continue;
            (best, rested) = (h, isRested);
        }

        for (var h = 0; best < 0 && h < k.Workers.Length; h++)
        {
            if (k.MayLeave(h, Math.Min(minutes, DispatchRule.Short)))
                best = h;
        }

        for (var h = 0; best < 0 && h < k.Workers.Length; h++)
        {
            if (k.Workers[h].Task < 0)
                best = h;
        }

        if (best < 0 && forced)
            return false;
        ref var worker = ref k.Workers[best];
        if (worker.Task >= 0)
        {
            if (k.Now > worker.Since)
                _blocks?[worker.Task].Add(new HandsBlock(best, worker.Since, k.Now));
            (worker.Left, worker.LeftMinutes) = (worker.Task, worker.Until - k.Now);
        }

        (worker.Task, worker.Need, worker.Since, worker.Until) = (t, n, k.Now, k.Now + minutes);
        if (_of.Network.Pauses is { } pauses)
            worker.Work.Begin(pauses, k.Now, minutes);
        return true;
    }

    /// <summary>What else bakes there loses heat and stays in longer.</summary>
    private void OpenDoor(int load, int need)
    {
        var k = Kitchen;
        var oven = k.Script.Oven[load];
        if (k.InOven[oven].Count < 2)
            return;
        var costs = _of.Tables.OpeningCosts[oven][load];
        if (need >= costs.Length || costs[need] == 0)
            return;
        foreach (var other in k.InOven[oven])
        {
            if (
                other == load
                || _of.SettingOf[other] != _of.SettingOf[load]
                || _of.Network.Tasks[other].Oven is not { Setting.IsHot: true }
                || k.Now <= k.Start[other] + TaskNetwork.TogetherMinutes
                || k.Now >= _due[other] - TaskNetwork.TogetherMinutes
                || _of.IsWork[other]
            )
                continue;
            _due[other] += costs[need];
            if (!k.IsDue[other] && _wake[other] < DayStatics.Never)
                Wake(other);
        }
    }

    private void Start(int t)
    {
        var k = Kitchen;
        var network = _of.Network;
        var task = network.Tasks[t];
        (k.State[t], k.Start[t], k.NextNeed[t]) = (StepState.Begun, k.Now, 0);
        k.Open.Remove(t);
        k.Running.Add(t);
        var least = 1;
        if (!_of.IsWork[t])
        {
            foreach (var need in _of.Needs[t])
                least += need.Length;
        }

        _length[t] = Math.Max(least, (int)Math.Round(task.TakesFrom(k.Now) * _times[t]));
        _due[t] = k.Now + _length[t];
        foreach (var l in _of.In[t])
        {
            if (_of.LinkMost[l] == DayStatics.Never)
                continue;
            var before = _of.LinkFrom[l];
            var from = _of.ClearingOf[before] >= 0 ? k.Ripe[before] : k.End[before];
            if (k.Now - from <= _of.LinkMost[l] + Forgiven)
                continue;
            MissedLinks.Add(l);
            IsSpoilt[task.Bake] = true;
            IsWell = false;
        }

        foreach (var demand in task.Demands)
            k.Used[demand.Resource] += demand.Units;
        foreach (var hold in _of.Tables.HoldsFrom[t])
            k.Used[hold.Resource] += hold.Units;
        if (_of.SettingOf[t] >= 0)
        {
            k.Seat(t);
            k.InOven[k.Script.Oven[t]].Add(t);
        }

        foreach (var second in _of.Seconds[t])
            Arrived(second);
        if (!_of.StartsByHand[t])
            Wake(t);
    }

    private void Arrived(int t)
    {
        if (--Kitchen.Missing[t] == 0 && Kitchen.State[t] == StepState.Ahead && _of.SpellOf[t] < 0)
            Kitchen.Open.Add(t);
    }

    private void Done(int t, int at)
    {
        var k = Kitchen;
        var task = _of.Network.Tasks[t];
        (k.State[t], k.End[t], k.Ripe[t], k.IsDue[t]) = (StepState.Done, at, Math.Min(at, _due[t]), false);
        k.Running.Remove(t);
        k.Left--;
        if (_of.SettingOf[t] >= 0)
        {
            var oven = k.Script.Oven[t];
            k.InOven[oven].Remove(t);
            ref var until = ref k.HeatUntil[oven][_of.SettingOf[t]];
            until = Math.Max(until, at);
        }

        foreach (var demand in task.Demands)
            GiveBack(at + demand.HoldAfter, demand.Resource, demand.Units);
        foreach (var hold in _of.HoldsTo[t])
            GiveBack(at + hold.After, hold.Resource, hold.Units);
        if (_of.Presence[t])
            Finish = Math.Max(Finish, at);
        if (at > (_of.Network.Bakes[task.Bake].ReadyBy ?? int.MaxValue) || (_of.Presence[t] && at > _of.Network.SpanEnd))
        {
            IsLate[task.Bake] = true;
            IsWell = false;
        }

        var from = _of.ClearingOf[t] >= 0 ? k.Ripe[t] : at;
        foreach (var l in _of.Out[t])
        {
            var next = _of.LinkTo[l];
            if (next == _of.ClearingOf[t])
                continue;
            k.ReadyAt[next] = Math.Max(k.ReadyAt[next], at + _of.LinkLeast[l]);
            if (_of.LinkMost[l] < DayStatics.Never)
                k.Closes[next] = Math.Min(k.Closes[next], from + _of.LinkMost[l]);
            Arrived(next);
        }
    }

    private void GiveBack(int at, int resource, int units)
    {
        if (at <= Kitchen.Now)
            Kitchen.Used[resource] -= units;
        else
            _back.Add((at, resource, units));
    }

    /// <summary>The day as it was lived, as a plan; only where what happened was kept.</summary>
    public Plan ToPlan() =>
        new(
            [
                .. _of.Network.Tasks.Select(t => new PlannedTask(
                    Kitchen.Start[t.Index],
                    Kitchen.End[t.Index],
                    [.. _blocks![t.Index].OrderBy(b => b.From)],
                    [.. Kitchen.Shelves[t.Index]]
                )
                {
                    Oven = t.Oven is null ? 0 : Kitchen.Script.Oven[t.Index],
                }),
            ]
        );

    /// <summary>
    /// The day that was lived as a network of its own: each step takes what it took, its hands are needed when they were given, and
    /// windows, hours and the end of the span are open. <see cref="ToPlan"/> must obey every rule of it.
    /// </summary>
    public TaskNetwork ToNetwork()
    {
        var plan = ToPlan();
        var network = _of.Network;
        var last = plan.Tasks.Max(t => t.End);
        var lived = network with
        {
            Tasks =
            [
                .. network.Tasks.Select(t =>
                    t with
                    {
                        Low = plan.Tasks[t.Index].End - plan.Tasks[t.Index].Start,
                        Likely = plan.Tasks[t.Index].End - plan.Tasks[t.Index].Start,
                        High = plan.Tasks[t.Index].End - plan.Tasks[t.Index].Start,
                        Hands = HandsOf(t, plan.Tasks[t.Index]),
                        ByHalfHour = [],
                    }
                ),
            ],
        };
        return lived with
        {
            SpanEnd = Math.Max(network.SpanEnd, last),
            Rests = [],
            Pins = [],
            Pauses = null,
            Tasks = [.. lived.Tasks.Select(t => t with { Likely = t.Likely - OvenDoor.Minutes(lived, plan, t) })],
            Helpers = [.. network.Helpers.Select(h => h with { Until = Math.Max(h.Until, last) })],
            Bakes = [.. network.Bakes.Select(b => b with { ReadyBy = null })],
            Links = [.. network.Links.Select(l => _of.SpellOf[l.To] == l.From ? l : l with { MaxLag = null })],
        };
    }

    private ImmutableArray<HandsNeed> HandsOf(PlanTask task, PlannedTask own)
    {
        if (_of.IsWork[task.Index])
            return Worked(task, own);
        return
        [
            .. _touched!
                [task.Index]
                .Select(x => (x.At, Need: _of.Needs[task.Index][x.Need]))
                .Select(x => new HandsNeed(x.At - own.Start, x.Need.Length, x.Need.People)),
        ];
    }

    private static ImmutableArray<HandsNeed> Worked(PlanTask task, PlannedTask own)
    {
        var people = task.Hands[0].People;
        return people > 1
            ? [new HandsNeed(0, own.End - own.Start, people)]
            : [.. own.Hands.Select(b => new HandsNeed(b.From - own.Start, b.Until - b.From, 1))];
    }
}
