using Zymethos.Core.Recipes;
using Zymethos.Planning.Day;
using Zymethos.Planning.Search;

namespace Zymethos.Planning.Certainty;

/// <summary>What is true of a day whatever its plan, laid out by task for living through it many times. Read by any number of
/// threads.</summary>
internal sealed class DayStatics
{
    /// <summary>No window, no hour.</summary>
    public const int Never = int.MaxValue / 4;

    /// <summary>Works it out.</summary>
    public DayStatics(TaskNetwork network)
    {
        Network = network;
        if (network.Pauses is { } pauses)
        {
            PausesInTime = pauses with { Stretch = pauses.Stretch + Pauses.Grace };
            PausesAfterward = pauses with { Stretch = pauses.Stretch + Postponed };
        }

        Tables = new DayTables(network);
        var n = network.Tasks.Length;
        var tasks = network.Tasks;
        SettingOf = Tables.SettingOf;
        Likely = [.. tasks.Select(t => t.Likely)];
        Presence = [.. tasks.Select(t => t.NeedsPresence)];
        Presences = [.. tasks.Where(t => t.NeedsPresence).Select(t => t.Index)];
        HotLoads = [.. tasks.Where(t => t.Oven is { Setting.IsHot: true }).Select(t => t.Index)];
        OfBake = [.. network.Bakes.Select((_, b) => tasks.Where(t => t.Bake == b).Select(t => t.Index).ToArray())];
        IsWork = [.. tasks.Select(t => t.IsHandsOn)];
        Needs = [.. tasks.Select(t => t.Hands.OrderBy(h => h.Offset).ToArray())];
        StartsByHand = [.. Needs.Select(h => h.Length > 0 && h[0].Offset == 0)];
        Floor = [.. Enumerable.Range(0, n).Select(t => Math.Max(Tables.Earliest[t], Tables.Held[t] ?? 0))];
        Loads = [.. tasks.Where(t => t.Oven is not null).Select(t => t.Index)];
        SpellOf = new int[n];
        ClearingOf = new int[n];
        Array.Fill(SpellOf, -1);
        Array.Fill(ClearingOf, -1);
        foreach (var t in tasks.Where(t => t.Oven is { Setting.IsProof: true } && t.Step?.Oven is not null))
        {
            if (network.ClearingOf(t) is not { } clearing)
                continue;
            ClearingOf[t.Index] = clearing.Index;
            SpellOf[clearing.Index] = t.Index;
        }

        Links = [.. network.Links];
        LinkFrom = [.. Links.Select(l => l.From)];
        LinkTo = [.. Links.Select(l => l.To)];
        LinkLeast = [.. Links.Select(l => l.MinLag)];
        LinkMost = [.. Links.Select(l => l is { MaxLag: { } most, Window: WindowKind.Hard } ? most : Never)];
        In = [.. Enumerable.Range(0, n).Select(t => Indexes(l => l.To == t))];
        Out = [.. Enumerable.Range(0, n).Select(t => Indexes(l => l.From == t))];
        // A clearing begins when its spell is done, and the spell ends when it is cleared.
        InCount = [.. Enumerable.Range(0, n).Select(t => In[t].Count(l => Links[l].From != SpellOf[t]))];
        Firsts =
        [
            .. Enumerable.Range(0, n).Select(t => network.Orders.Where(o => o.Second == t).Select(o => o.First).Distinct().ToArray()),
        ];
        Seconds =
        [
            .. Enumerable.Range(0, n).Select(t => network.Orders.Where(o => o.First == t).Select(o => o.Second).Distinct().ToArray()),
        ];
        Partner =
        [
            .. Enumerable
                .Range(0, n)
                .Select(t =>
                    network.Together.Where(p => p.First == t || p.Second == t).Select(p => p.First == t ? p.Second : p.First).ToArray()
                ),
        ];
        Apart =
        [
            .. Enumerable
                .Range(0, n)
                .Select(t =>
                    network.Apart.Where(p => p.First == t || p.Second == t).Select(p => p.First == t ? p.Second : p.First).ToArray()
                ),
        ];
        HoldsTo = Tables.HoldsTo;
        var held = network.Holds.Select(h => h.Resource).ToHashSet();
        TakesHeld =
        [
            .. Enumerable
                .Range(0, n)
                .Select(t =>
                    tasks[t]
                        .Demands.Select(d => d.Resource)
                        .Concat(Tables.HoldsFrom[t].Select(h => h.Resource))
                        .Where(held.Contains)
                        .Distinct()
                        .ToArray()
                ),
        ];
        Takers = [.. network.Resources.Select((_, r) => Enumerable.Range(0, n).Where(t => TakesHeld[t].Contains(r)).ToArray())];
        UnitsTaken =
        [
            .. network.Resources.Select(
                (_, r) =>
                    Enumerable
                        .Range(0, n)
                        .Select(t =>
                            tasks[t].Demands.Where(d => d.Resource == r).Sum(d => d.Units)
                            + Tables.HoldsFrom[t].Where(h => h.Resource == r).Sum(h => h.Units)
                        )
                        .ToArray()
            ),
        ];
        Takes = [.. Enumerable.Range(0, n).Select(t => !tasks[t].Demands.IsEmpty || Tables.HoldsFrom[t].Length > 0)];
        Units =
        [
            .. Enumerable
                .Range(0, network.Kitchen.Ovens.Length)
                .Select(o => tasks.Select(t => t.Oven is { } need ? need.Items * need.UnitsIn(o) : 0).ToArray()),
        ];
        Room = [.. network.Kitchen.Ovens.Select(o => o.Shelves * TaskNetwork.ShelfUnits)];
        Depth = Depths();
        (Toward, Distance, Give) = Chains();
        Joins = [.. Enumerable.Range(0, n).Select(JoinsOf)];
        (Before, BeforeEnd) = Ancestors();
    }

    public TaskNetwork Network { get; }

    // Who is in the midst of something that cannot wait long sits down after it (by judgement, no source).
    private const int Postponed = 45;

    /// <summary>Pauses as a sensible baker keeps them, a little late if need be; null for a day without.</summary>
    public Pauses? PausesInTime { get; }

    /// <summary>The same where something cannot wait long: the pause comes after it.</summary>
    public Pauses? PausesAfterward { get; }

    public DayTables Tables { get; }

    /// <summary>Setting of each load; -1 for what is none.</summary>
    public int[] SettingOf { get; }

    /// <summary>Usual minutes.</summary>
    public int[] Likely { get; }

    /// <summary>Whether somebody must be there.</summary>
    public bool[] Presence { get; }

    /// <summary>Steps at which somebody must be there.</summary>
    public int[] Presences { get; }

    /// <summary>Loads that bake.</summary>
    public int[] HotLoads { get; }

    /// <summary>The steps of each bake.</summary>
    public int[][] OfBake { get; }

    /// <summary>Whether hands are at it from start to end.</summary>
    public bool[] IsWork { get; }

    /// <summary>Where hands are needed, in order.</summary>
    public HandsNeed[][] Needs { get; }

    /// <summary>Whether it takes hands to start it.</summary>
    public bool[] StartsByHand { get; }

    /// <summary>The first minute of each.</summary>
    public int[] Floor { get; }

    /// <summary>What goes into an oven.</summary>
    public int[] Loads { get; }

    /// <summary>By clearing, the spell it ends; -1 for all else.</summary>
    public int[] SpellOf { get; }

    /// <summary>By spell, its clearing; -1 for all else.</summary>
    public int[] ClearingOf { get; }

    /// <summary>All links.</summary>
    public TaskLink[] Links { get; }

    /// <summary>By link, the step before.</summary>
    public int[] LinkFrom { get; }

    /// <summary>By link, the step after.</summary>
    public int[] LinkTo { get; }

    /// <summary>By link, the least minutes between.</summary>
    public int[] LinkLeast { get; }

    /// <summary>By link, the most minutes between by a hard window; <see cref="Never"/> where there is none.</summary>
    public int[] LinkMost { get; }

    /// <summary>Indexes of the links into each task.</summary>
    public int[][] In { get; }

    /// <summary>Indexes of the links out of each.</summary>
    public int[][] Out { get; }

    /// <summary>How many tasks must be done before each.</summary>
    public int[] InCount { get; }

    /// <summary>What must have begun before each.</summary>
    public int[][] Firsts { get; }

    /// <summary>What may begin only after each has begun.</summary>
    public int[][] Seconds { get; }

    /// <summary>Loads that go in through the same open door.</summary>
    public int[][] Partner { get; }

    /// <summary>Loads that never share the oven with each.</summary>
    public int[][] Apart { get; }

    /// <summary>Holds that end with each task.</summary>
    public Hold[][] HoldsTo { get; }

    /// <summary>Resources that each takes and that somebody holds from one step to another.</summary>
    public int[][] TakesHeld { get; }

    /// <summary>By resource, what takes it, where it is held.</summary>
    public int[][] Takers { get; }

    /// <summary>By resource and task, units taken at its start.</summary>
    public int[][] UnitsTaken { get; }

    /// <summary>Whether each takes anything shared.</summary>
    public bool[] Takes { get; }

    /// <summary>By oven and load, units of the oven that it takes.</summary>
    public int[][] Units { get; }

    /// <summary>By oven, units there are.</summary>
    public int[] Room { get; }

    /// <summary>How many steps lie before each, at most: what comes first where two start in the same minute.</summary>
    public int[] Depth { get; }

    /// <summary>By task, the load to which windows lead from it without a stop; -1 where it may wait on the way.</summary>
    public int[] Toward { get; }

    /// <summary>Usual minutes from the start of each to that load.</summary>
    public int[] Distance { get; }

    /// <summary>By how much the windows on that way give.</summary>
    public int[] Give { get; }

    /// <summary>By task, where windows lead from it without a stop to a step that waits for something else too.</summary>
    public Join[][] Joins { get; }

    /// <summary>By load, what must be done before it.</summary>
    public int[][] Before { get; }

    /// <summary>Usual minutes from the end of each of those to the load.</summary>
    public int[][] BeforeEnd { get; }

    private int[] Indexes(Func<TaskLink, bool> which) => [.. Links.Select((l, i) => (l, i)).Where(x => which(x.l)).Select(x => x.i)];

    private int[] Depths()
    {
        var depth = new int[Likely.Length];
        Array.Fill(depth, -1);
        for (var t = 0; t < depth.Length; t++)
            Visit(t);
        return depth;

        int Visit(int task)
        {
            if (depth[task] >= 0)
                return depth[task];
            depth[task] = 0;
            var most = 0;
            foreach (var l in In[task])
                most = Math.Max(most, Visit(Links[l].From) + 1);
            foreach (var f in Firsts[task])
                most = Math.Max(most, Visit(f) + 1);
            return depth[task] = most;
        }
    }

    private (int[] Toward, int[] Distance, int[] Give) Chains()
    {
        var n = Likely.Length;
        var (toward, distance, give) = (new int[n], new int[n], new int[n]);
        Array.Fill(toward, -1);
        foreach (var t in Enumerable.Range(0, n).OrderByDescending(t => Depth[t]))
        {
            var least = Never;
            foreach (var l in Out[t])
            {
                var link = Links[l];
                if (link is not { MaxLag: { } most, Window: WindowKind.Hard } || link.To == ClearingOf[t])
                    continue;
                var (load, way, room) =
                    SettingOf[link.To] >= 0 ? (link.To, 0, 0)
                    : toward[link.To] >= 0 ? (toward[link.To], distance[link.To], give[link.To])
                    : (-1, 0, 0);
                if (load < 0 || most - link.MinLag + room >= least)
                    continue;
                least = most - link.MinLag + room;
                (toward[t], distance[t], give[t]) = (load, Likely[t] + link.MinLag + way, least);
            }
        }

        return (toward, distance, give);
    }

    private Join[] JoinsOf(int task)
    {
        var after = After(task);
        var joins = new List<Join>();
        Follow(task, 0, 0);
        return [.. joins];

        void Follow(int at, int way, int room)
        {
            foreach (var l in Out[at])
            {
                var next = LinkTo[l];
                if (LinkMost[l] == Never || next == ClearingOf[at])
                    continue;
                var (distance, give) = (way + Likely[at] + LinkLeast[l], room + LinkMost[l] - LinkLeast[l]);
                var others = In[next].Where(o => LinkFrom[o] != at && !after[LinkFrom[o]] && LinkFrom[o] != SpellOf[next]).ToArray();
                if (others.Length > 0)
                    joins.Add(new Join(next, distance, give, others));
                if (SettingOf[next] < 0)
                    Follow(next, distance, give);
            }
        }
    }

    /// <summary>What can only be done after a task, itself included.</summary>
    private bool[] After(int task)
    {
        var after = new bool[Likely.Length];
        var next = new Stack<int>([task]);
        while (next.TryPop(out var at))
        {
            if (after[at])
                continue;
            after[at] = true;
            foreach (var l in Out[at])
                next.Push(LinkTo[l]);
        }

        return after;
    }

    private (int[][] Before, int[][] End) Ancestors()
    {
        var n = Likely.Length;
        var before = new int[n][];
        var ends = new int[n][];
        for (var t = 0; t < n; t++)
        {
            (before[t], ends[t]) = ([], []);
            if (SettingOf[t] < 0)
                continue;
            // The longest way from the end of each ancestor, last ones first.
            var way = new Dictionary<int, int>();
            var next = new Queue<(int Task, int Way)>([(t, 0)]);
            while (next.TryDequeue(out var at))
            {
                foreach (var l in In[at.Task])
                {
                    var link = Links[l];
                    var w = at.Way + Math.Max(0, link.MinLag);
                    if (way.TryGetValue(link.From, out var known) && known >= w)
                        continue;
                    way[link.From] = w;
                    next.Enqueue((link.From, w + Likely[link.From]));
                }
            }

            before[t] = [.. way.Keys];
            ends[t] = [.. way.Values];
        }

        return (before, ends);
    }
}

/// <summary>A step to which windows lead from another without a stop, and which waits for something else too.</summary>
/// <param name="Task">The step.</param>
/// <param name="Distance">Usual minutes from the start of the other to it.</param>
/// <param name="Give">By how much the windows on the way give.</param>
/// <param name="Others">Indexes of the links from what else it waits for.</param>
internal sealed record Join(int Task, int Distance, int Give, int[] Others);
