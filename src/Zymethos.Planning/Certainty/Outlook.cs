namespace Zymethos.Planning.Certainty;

/// <summary>
/// What is expected, by usual times: when each oven takes each load that is still to go in (what stands in it comes out when it usually
/// does, the rest follows in the plan's order, no sooner than it is ready or the plan has it), and when steps will be done. Reckoned as far
/// as is asked. Not for several threads at once.
/// </summary>
internal sealed class Outlook
{
    private KitchenNow _kitchen = null!;
    private Course[] _courses = [];
    private int[] _done = [];
    private int[] _doneSeen = [];
    private int _look;

    /// <summary>Looks at a kitchen anew.</summary>
    public void Begin(KitchenNow kitchen)
    {
        if (_kitchen != kitchen)
        {
            _kitchen = kitchen;
            (_done, _doneSeen) = (new int[kitchen.Of.Likely.Length], new int[kitchen.Of.Likely.Length]);
            _courses = [.. kitchen.HeatUntil.Select(h => new Course(kitchen.Of.Likely.Length, h.Length))];
        }

        _look++;
        foreach (var course in _courses)
            course.IsBegun = false;
    }

    /// <summary>The minute at which a step is expected to be done, if what is before it goes on as the plan has it.</summary>
    public int Done(int task)
    {
        var of = _kitchen.Of;
        switch (_kitchen.State[task])
        {
            case StepState.Done:
                return _kitchen.End[task];
            case StepState.Begun:
                return Math.Max(_kitchen.Now, _kitchen.Start[task] + of.Likely[task]);
            default:
                break;
        }

        if (_doneSeen[task] == _look)
            return _done[task];
        var from = Math.Max(_kitchen.Now, _kitchen.Script.Planned[task]);
        foreach (var l in of.In[task])
            from = Math.Max(from, Done(of.LinkFrom[l]) + of.LinkLeast[l]);
        if (of.SettingOf[task] >= 0)
            from = Math.Max(from, FreeFor(task));
        (_done[task], _doneSeen[task]) = (from + of.Likely[task], _look);
        return _done[task];
    }

    /// <summary>The minute at which the oven of a load that has not gone in is expected to take it, its own making not counted.</summary>
    public int FreeFor(int load)
    {
        var oven = _kitchen.Script.Oven[load];
        var course = _courses[oven];
        if (!course.IsBegun)
            Begin(course, oven);
        if (course.Seen[load] == course.Look)
            return course.Free[load];
        var queue = _kitchen.Script.Queue[oven];
        while (true)
        {
            var next = queue[course.Place++];
            if (_kitchen.State[next] != StepState.Ahead)
                continue;
            var free = FreeAt(course, oven, next);
            (course.Free[next], course.Seen[next]) = (free, course.Look);
            PutIn(course, next, free);
            if (next == load)
                return free;
        }
    }

    private void Begin(Course course, int oven)
    {
        (course.IsBegun, course.Place, course.Count, course.Before) = (true, 0, 0, _kitchen.Now);
        course.Look++;
        _kitchen.HeatUntil[oven].CopyTo(course.Hot, 0);
        foreach (var there in _kitchen.InOven[oven])
        {
            var end = _kitchen.IsDue[there]
                ? _kitchen.Now + 1
                : Math.Max(_kitchen.Now + 1, _kitchen.Start[there] + _kitchen.Of.Likely[there]);
            Add(course, there, end);
        }
    }

    private void Add(Course course, int load, int end)
    {
        var setting = _kitchen.Of.SettingOf[load];
        (course.Inside[course.Count], course.OutAt[course.Count]) = (load, end);
        course.Count++;
        course.Hot[setting] = Math.Max(course.Hot[setting], end);
    }

    private int FreeAt(Course course, int oven, int load)
    {
        var of = _kitchen.Of;
        var setting = of.SettingOf[load];
        var from = Math.Max(course.Before, of.Tables.FromCold[oven][setting]);
        var (hot, transition) = (course.Hot, of.Tables.Transition[oven]);
        for (var s = 0; s < hot.Length; s++)
        {
            if (s != setting)
                from = Math.Max(from, hot[s] + transition[s][setting]);
        }

        var units = of.Units[oven];
        var room = of.Room[oven] - units[load];
        while (true)
        {
            var (used, next) = (0, DayStatics.Never);
            for (var i = 0; i < course.Count; i++)
            {
                if (course.OutAt[i] <= from)
                    continue;
                used += units[course.Inside[i]];
                next = Math.Min(next, course.OutAt[i]);
            }

            if (used <= room || next == DayStatics.Never)
                return from;
            from = next;
        }
    }

    private void PutIn(Course course, int load, int free)
    {
        var at = Math.Max(free, Math.Max(ReadyFor(load), _kitchen.Script.Planned[load]));
        course.Before = at;
        Add(course, load, at + _kitchen.Of.Likely[load]);
    }

    /// <summary>When a load will be ready to go in, by usual times, if what is before it is begun now.</summary>
    private int ReadyFor(int load)
    {
        var of = _kitchen.Of;
        var ready = _kitchen.Now;
        var (before, ends) = (of.Before[load], of.BeforeEnd[load]);
        for (var i = 0; i < before.Length; i++)
        {
            var t = before[i];
            var done = _kitchen.State[t] switch
            {
                StepState.Done => _kitchen.End[t],
                StepState.Begun => Math.Max(_kitchen.Now, _kitchen.Start[t] + of.Likely[t]),
                _ => _kitchen.Now + of.Likely[t],
            };
            ready = Math.Max(ready, done + ends[i]);
        }

        return ready;
    }

    private sealed class Course(int tasks, int settings)
    {
        public readonly int[] Free = new int[tasks];
        public readonly int[] Hot = new int[settings];
        public readonly int[] Inside = new int[tasks];
        public readonly int[] OutAt = new int[tasks];
        public readonly int[] Seen = new int[tasks];
        public int Look;
        public bool IsBegun;
        public int Place;
        public int Count;
        public int Before;
    }
}
