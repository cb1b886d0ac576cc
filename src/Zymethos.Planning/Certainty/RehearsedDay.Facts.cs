using System.Collections.Immutable;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Certainty;

/// <summary>A day that goes on from what has really happened.</summary>
internal sealed partial class RehearsedDay
{
    private DayFacts? _facts;

    /// <summary>Lives the rest of a day. What went wrong before now is not counted again: only what is still to come can go well.</summary>
    /// <param name="script">The plan, for its order.</param>
    /// <param name="times">By task, its time as a multiple of the usual one.</param>
    /// <param name="facts">What has happened.</param>
    public void LiveOn(DayScript script, ReadOnlySpan<float> times, DayFacts facts)
    {
        _facts = facts;
        Kitchen.HeatFrom = facts.HeatFrom;
        Live(script, times);
        _facts = null;
        Kitchen.HeatFrom = null;
    }

    /// <summary>The minute at which a step that goes on is to be done, whether or not anybody was free for it then.</summary>
    public int Due(int task) => _due[task];

    // What is overdue already when the day is looked at is no risk of the rest.
    private bool WasLostBefore(int task) => _facts is { } facts && _due[task] + Forgiven < facts.Now;

    /// <summary>Windows that had closed before now, by the index of their link.</summary>
    public List<int> MissedBefore { get; } = [];

    /// <summary>What hands are at now and do from now on, in order of time; only where what happened was kept.</summary>
    public ImmutableArray<(int Task, int Need, HandsBlock Block)> Hands(DayFacts facts) =>
        [
            .. _blocks!
                .SelectMany((blocks, t) => blocks.Select(b => (Task: t, Need: NeedAt(t, b), Block: b)))
                .Where(h => h.Block.Until > facts.Now && facts[h.Task].End < 0)
                .OrderBy(h => h.Block.From)
                .ThenBy(h => _of.Depth[h.Task]),
        ];

    private int NeedAt(int t, HandsBlock block) => _touched![t].Where(x => x.At <= block.From).Select(x => x.Need).DefaultIfEmpty(0).Last();

    /// <summary>Puts what has happened into the kitchen, in order of time.</summary>
    private void TakeUp(DayFacts facts)
    {
        var now = facts.Now;
        var happened = new List<(int At, bool IsStart, int Task)>();
        for (var t = 0; t < _length.Length; t++)
        {
            var fact = facts[t];
            if (fact.Start >= 0)
                happened.Add((fact.Start, true, t));
            if (fact.End >= 0)
                happened.Add((fact.End, false, t));
        }

        // What ended makes room for what began in the same minute, but nothing ends before it began.
        happened.Sort(
            (a, b) =>
                a.At != b.At ? a.At.CompareTo(b.At)
                : a.Task == b.Task ? b.IsStart.CompareTo(a.IsStart)
                : _of.Depth[a.Task] != _of.Depth[b.Task] ? _of.Depth[a.Task].CompareTo(_of.Depth[b.Task])
                : a.Task != b.Task ? a.Task.CompareTo(b.Task)
                : 0
        );
        foreach (var (at, isStart, t) in happened)
        {
            Kitchen.Now = at;
            if (isStart)
                HasBegun(t, facts[t], now);
            else
                HasEnded(t, facts[t]);
        }

        Kitchen.Now = now;
        foreach (var t in Kitchen.Running.ToArray())
            GoesOn(t, facts[t], now);
        for (var i = _back.Count - 1; i >= 0; i--)
        {
            if (_back[i].At > now)
                continue;
            Kitchen.Used[_back[i].Resource] -= _back[i].Units;
            _back.RemoveAt(i);
        }

        MissedBefore.Clear();
        MissedBefore.AddRange(MissedLinks);
        MissedLinks.Clear();
        Array.Clear(IsSpoilt);
        Array.Clear(IsLate);
        (IsWell, Overbaked) = (true, -1);
    }

    private void HasBegun(int t, StepFact fact, int now)
    {
        if (Kitchen.State[t] != StepState.Ahead)
            return;
        // What is over took what it took; what goes on takes at least as long as it has.
        var usual = (float)_of.Network.Tasks[t].TakesFrom(fact.Start);
        if (fact.End >= 0)
            _times[t] = (fact.End - fact.Start) / usual;
        else if (fact.Due < 0 && _of.IsWork[t])
            _times[t] = Math.Max(_times[t], (now - fact.Start + 1f) / usual);
        Start(t);
        if (fact.Due >= 0)
            _due[t] = Math.Max(fact.Due, fact.Start);
        Kitchen.NextNeed[t] = Math.Min(_of.Needs[t].Length, (_of.StartsByHand[t] ? 1 : 0) + fact.Touches);
        _wake[t] = DayStatics.Never;
    }

    private void HasEnded(int t, StepFact fact)
    {
        if (Kitchen.State[t] != StepState.Begun)
            return;
        if (_of.IsWork[t])
            WasAt(t, fact);
        // What was done when somebody said so was ripe then.
        _due[t] = fact.End;
        Done(t, fact.End);
    }

    private void WasAt(int t, StepFact fact)
    {
        var helper = Math.Max(0, fact.Helper);
        _blocks?[t].Add(new HandsBlock(helper, fact.Start, Math.Max(fact.Start + 1, fact.End)));
        if (_of.Network.Pauses is not { } pauses || fact.End - fact.Start <= Pauses.Touch)
            return;
        Kitchen.Workers[helper].Work.Begin(pauses, fact.Start, fact.End - fact.Start);
        Kitchen.Workers[helper].Work.EndsAt(fact.End);
    }

    private void GoesOn(int t, StepFact fact, int now)
    {
        var k = Kitchen;
        if (!_of.IsWork[t])
        {
            Wake(t);
            return;
        }

        var until = Math.Max(_due[t], now + 1);
        var people = _of.Needs[t][0].People;
        (k.NextNeed[t], _hands[t]) = (1, people);
        for (var person = 0; person < people; person++)
        {
            var helper = person == 0 && fact.Helper >= 0 && k.Workers[fact.Helper].Task < 0 ? fact.Helper : FreeWorker();
            // Two things said to be in the same hands: the second goes on without any.
            if (helper < 0)
            {
                HasBeen(t, 0);
                continue;
            }

            ref var worker = ref k.Workers[helper];
            (worker.Task, worker.Need, worker.Since, worker.Until) = (t, 0, fact.Start, until);
            if (_of.Network.Pauses is { } pauses)
                worker.Work.Begin(pauses, fact.Start, until - fact.Start);
        }
    }

    private int FreeWorker()
    {
        for (var h = 0; h < Kitchen.Workers.Length; h++)
        {
            if (Kitchen.Workers[h].Task < 0)
                return h;
        }

        return -1;
    }
}
