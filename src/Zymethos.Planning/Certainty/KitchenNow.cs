using Zymethos.Planning.Day;
using Zymethos.Planning.Rules;
using Zymethos.Planning.Search;

namespace Zymethos.Planning.Certainty;

/// <summary>How far a step is.</summary>
internal enum StepState : byte
{
    /// <summary>Not begun.</summary>
    Ahead,

    /// <summary>Begun and not done.</summary>
    Begun,

    /// <summary>Done.</summary>
    Done,
}

/// <summary>Somebody's hands.</summary>
internal struct Worker
{
    /// <summary>The task they are at; -1 when free.</summary>
    public int Task;

    /// <summary>Which of its needs of hands.</summary>
    public int Need;

    /// <summary>When this work began.</summary>
    public int Since;

    /// <summary>When it will be done; whoever decides must not look at it.</summary>
    public int Until;

    /// <summary>Work that was left for a minute for this; -1 for none.</summary>
    public int Left;

    /// <summary>Minutes of it still to do.</summary>
    public int LeftMinutes;

    /// <summary>Since when they work without a pause.</summary>
    public AtWork Work;
}

/// <summary>
/// The kitchen at a minute of a day: what has begun, what is ripe, what is done, who is at what, what stands in the ovens. It holds only
/// what has happened; how long anything will still take it does not know. Not for several threads at once.
/// </summary>
internal sealed class KitchenNow
{
    private readonly int[] _room;

    /// <summary>An empty kitchen.</summary>
    public KitchenNow(DayStatics statics)
    {
        Of = statics;
        var network = statics.Network;
        var n = network.Tasks.Length;
        (State, Start, End, Ripe) = (new StepState[n], new int[n], new int[n], new int[n]);
        (Closes, ReadyAt, Missing, NextNeed) = (new int[n], new int[n], new int[n], new int[n]);
        (IsDue, DueSince) = (new bool[n], new int[n]);
        Workers = new Worker[network.Helpers.Length];
        LastUntil = network.Helpers.Max(h => h.Until);
        Used = new int[network.Resources.Length];
        HeatUntil = [.. network.Kitchen.Ovens.Select(_ => new int[statics.Tables.Settings.Length])];
        InOven = [.. network.Kitchen.Ovens.Select(_ => new List<int>())];
        Shelves = [.. network.Tasks.Select(t => new int[t.Oven?.Items ?? 0])];
        _room = new int[network.Kitchen.Ovens.Max(o => o.Shelves)];
    }

    public DayStatics Of { get; }

    public DayScript Script { get; private set; } = null!;

    /// <summary>The minute that it is.</summary>
    public int Now { get; set; }

    public StepState[] State { get; }

    public int[] Start { get; }

    public int[] End { get; }

    /// <summary>When each step was ripe: done but for the hands that end it.</summary>
    public int[] Ripe { get; }

    /// <summary>The minute by which each must begin for what came before it.</summary>
    public int[] Closes { get; }

    /// <summary>The minute from which each may begin, of those whose steps before are done.</summary>
    public int[] ReadyAt { get; }

    /// <summary>How many things before each are not done.</summary>
    public int[] Missing { get; }

    /// <summary>Which need of hands comes next.</summary>
    public int[] NextNeed { get; }

    /// <summary>Whether that need is there now.</summary>
    public bool[] IsDue { get; }

    /// <summary>Since when.</summary>
    public int[] DueSince { get; }

    public Worker[] Workers { get; }

    /// <summary>Until when the last of the helpers has promised to be there; that one stays until all is done.</summary>
    public int LastUntil { get; }

    /// <summary>Units of each resource that are taken.</summary>
    public int[] Used { get; }

    /// <summary>By oven and setting, when its last load came out.</summary>
    public int[][] HeatUntil { get; }

    /// <summary>What stands in each oven.</summary>
    public List<int>[] InOven { get; }

    /// <summary>The shelf of each pan.</summary>
    public int[][] Shelves { get; }

    /// <summary>Steps that have not begun and whose steps before are done.</summary>
    public List<int> Open { get; } = [];

    /// <summary>Steps that have begun and are not done.</summary>
    public List<int> Running { get; } = [];

    /// <summary>How many are not done.</summary>
    public int Left { get; set; }

    /// <summary>By oven and setting, the first minute at which the dial, as it was really set, can have brought the heat; null where the
    /// dial is taken to be set in time.</summary>
    public int[][]? HeatFrom { get; set; }

    /// <summary>The morning.</summary>
    public void Begin(DayScript script)
    {
        Script = script;
        Now = 0;
        var n = State.Length;
        Array.Clear(State);
        Array.Fill(Closes, DayStatics.Never);
        Array.Clear(ReadyAt);
        Array.Clear(NextNeed);
        Array.Clear(IsDue);
        Array.Clear(Used);
        Open.Clear();
        Running.Clear();
        for (var t = 0; t < n; t++)
        {
            Missing[t] = Of.InCount[t] + Of.Firsts[t].Length;
            if (Missing[t] == 0 && Of.SpellOf[t] < 0)
                Open.Add(t);
        }

        for (var h = 0; h < Workers.Length; h++)
            (Workers[h].Task, Workers[h].Left, Workers[h].Work) = (-1, -1, AtWork.Rested);
        for (var o = 0; o < InOven.Length; o++)
        {
            InOven[o].Clear();
            Array.Fill(HeatUntil[o], int.MinValue / 4);
        }

        Left = n;
    }

    /// <summary>How many pairs of hands are free for so many minutes.</summary>
    public int FreeHands(int minutes)
    {
        var free = 0;
        for (var h = 0; h < Workers.Length; h++)
        {
            if (IsFree(h, minutes))
                free++;
        }

        return free;
    }

    /// <summary>How many pairs of hands are free for work of so many minutes, whoever is due a pause or a meal left out; what must begin
    /// before a pause is over cannot wait for it.</summary>
    /// <param name="minutes">How long it usually takes.</param>
    /// <param name="closes">By when it must begin.</param>
    /// <param name="again">When to look again for whoever pauses now; made smaller only.</param>
    public int RestedHands(int minutes, int closes, ref int again)
    {
        if (Of.PausesInTime is null || Of.PausesAfterward is null)
            return FreeHands(minutes);
        var free = 0;
        for (var h = 0; h < Workers.Length; h++)
        {
            if (!IsFree(h, minutes))
                continue;
            var next = Workers[h].Work.Next(closes < DayStatics.Never ? Of.PausesAfterward : Of.PausesInTime, Now, minutes);
            if (next <= Now || next > closes)
                free++;
            else
                again = Math.Min(again, next);
        }

        return free;
    }

    /// <summary>Whether somebody may begin work of so many minutes without going short of a pause.</summary>
    public bool IsRested(int helper, int minutes) =>
        Of.Network.Pauses is not { } pauses || Workers[helper].Work.Next(pauses, Now, minutes) <= Now;

    /// <summary>Whether somebody is free for so many minutes. Who has a friend's few hours to give does not begin what goes beyond
    /// them.</summary>
    public bool IsFree(int helper, int minutes) => Workers[helper].Task < 0 && IsThere(helper, minutes);

    /// <summary>Whether somebody may leave what they are at for so many minutes: handwork of one person, not at the oven, and not a second
    /// time.</summary>
    public bool MayLeave(int helper, int minutes)
    {
        var at = Workers[helper].Task;
        return at >= 0
            && minutes <= DispatchRule.Short
            && Workers[helper].Left < 0
            && Of.IsWork[at]
            && Of.SettingOf[at] < 0
            && Of.Needs[at][0].People == 1
            && IsThere(helper, minutes);
    }

    /// <summary>Whether as many hands can be had for some minutes at once, if need be from work that can be left.</summary>
    public bool HandsFor(int people, int minutes)
    {
        for (var h = 0; h < Workers.Length; h++)
        {
            if (IsFree(h, minutes) || MayLeave(h, minutes))
                people--;
        }

        return people <= 0;
    }

    private bool IsThere(int helper, int minutes)
    {
        var own = Of.Network.Helpers[helper];
        return own.From <= Now && (Now + minutes <= own.Until || own.Until >= LastUntil);
    }

    /// <summary>Whether some minutes from now reach into a rest.</summary>
    public bool MeetsRest(int minutes)
    {
        foreach (var rest in Of.Network.Rests)
        {
            if (rest.Meets(Now, Now + minutes))
                return true;
        }

        return false;
    }

    /// <summary>Whether what a step takes beside hands and oven is there, and nobody before it in the plan is left without.</summary>
    public bool HasRoom(int task)
    {
        if (!Of.Takes[task])
            return true;
        var network = Of.Network;
        var own = network.Tasks[task];
        foreach (var demand in own.Demands)
        {
            if (Used[demand.Resource] + Of.UnitsTaken[demand.Resource][task] > network.Resources[demand.Resource].Capacity)
                return false;
        }

        foreach (var hold in Of.Tables.HoldsFrom[task])
        {
            if (Used[hold.Resource] + Of.UnitsTaken[hold.Resource][task] > network.Resources[hold.Resource].Capacity)
                return false;
        }

        foreach (var r in Of.TakesHeld[task])
        {
            var units = Used[r] + Of.UnitsTaken[r][task];
            foreach (var other in Script.Takers[r])
            {
                if (other == task)
                    break;
                if (State[other] == StepState.Ahead)
                    units += Of.UnitsTaken[r][other];
            }

            if (units > network.Resources[r].Capacity)
                return false;
        }

        return true;
    }

    /// <summary>The minute from which an oven has the heat of a load, as far as what is out of it goes; <see cref="DayStatics.Never"/>
    /// while something of another heat stands in it.</summary>
    public int HotFrom(int load)
    {
        var (oven, setting) = (Script.Oven[load], Of.SettingOf[load]);
        var tables = Of.Tables;
        var from = Math.Max(tables.FromCold[oven][setting], HeatFrom?[oven][setting] ?? 0);
        foreach (var other in InOven[oven])
        {
            if (Of.SettingOf[other] != setting && other != Of.SpellOf[load])
                return DayStatics.Never;
        }

        var until = HeatUntil[oven];
        for (var s = 0; s < until.Length; s++)
        {
            if (s != setting)
                from = Math.Max(from, until[s] + tables.Transition[oven][s][setting]);
        }

        foreach (var rest in Of.Network.Rests)
        {
            if (rest.Until <= Now)
                from = Math.Max(from, rest.Until + tables.FromCold[oven][setting]);
        }

        return from;
    }

    /// <summary>Whether it is a load's turn: what goes in before it has gone in, or is not ready and leaves room for it at the same
    /// heat.</summary>
    public bool IsTurn(int load)
    {
        var oven = Script.Oven[load];
        var spare = -1;
        foreach (var other in Script.Queue[oven])
        {
            if (other == load)
                return true;
            if (State[other] != StepState.Ahead)
                continue;
            if (Of.SettingOf[other] != Of.SettingOf[load] || (Missing[other] == 0 && ReadyAt[other] <= Now))
                return false;
            if (spare < 0)
            {
                spare = Of.Room[oven];
                foreach (var inside in InOven[oven])
                    spare -= Of.Units[oven][inside];
                spare -= Of.Units[oven][load];
            }

            spare -= Of.Units[oven][other];
            if (spare < 0)
                return false;
        }

        return true;
    }

    /// <summary>Finds a shelf for every pan of a load; false where there is none.</summary>
    public bool Seat(int load)
    {
        var oven = Script.Oven[load];
        var network = Of.Network;
        var need = network.Tasks[load].Oven!;
        var shelves = network.Kitchen.Ovens[oven].Shelves;
        for (var s = 0; s < shelves; s++)
            _room[s] = need.MayStandOn(s, shelves) ? TaskNetwork.ShelfUnits : 0;
        foreach (var other in InOven[oven])
        {
            if (other == Of.SpellOf[load])
                continue;
            foreach (var apart in Of.Apart[load])
            {
                if (apart == other)
                    return false;
            }

            var there = network.Tasks[other].Oven!;
            var mix = true;
            foreach (var pair in network.Unmixed)
                mix &= !pair.Is(oven, need.Pan, there.Pan);
            foreach (var s in Shelves[other])
                _room[s] = mix ? _room[s] - there.UnitsIn(oven) : 0;
        }

        return DayTables.PickFullest(_room.AsSpan(0, shelves), need.UnitsIn(oven), Shelves[load]);
    }
}
