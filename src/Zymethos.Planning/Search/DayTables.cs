using Zymethos.Core.Heat;
using Zymethos.Planning.Day;
using Zymethos.Planning.Rules;

namespace Zymethos.Planning.Search;

/// <summary>What a scheduler asks of a day again and again, worked out once: by task, instead of as one list.</summary>
internal sealed class DayTables
{
    /// <summary>Works them out.</summary>
    public DayTables(TaskNetwork network)
    {
        Network = network;
        OvenThermal[] ovens = [.. Enumerable.Range(0, network.Kitchen.Ovens.Length).Select(network.Thermal)];
        Incoming = [.. network.Tasks.Select(t => network.Links.Where(l => l.To == t.Index).ToArray())];
        // Orders within a bake decide in which order its steps are laid; those between bakes bind whichever is laid second.
        OrdersInto =
        [
            .. network.Tasks.Select(t =>
                network.Orders.Where(o => o.Second == t.Index && network.Tasks[o.First].Bake == t.Bake).Select(o => o.First).ToArray()
            ),
        ];
        IncomingOwn = [.. Incoming.Select(links => links.Where(l => !IsBetweenBakes(l)).ToArray())];
        Elsewhere =
        [
            .. network
                .Orders.Where(o => network.Tasks[o.First].Bake != network.Tasks[o.Second].Bake)
                .Select(o => (o.First, o.Second, Lag: (int?)null)),
            .. network.Links.Where(IsBetweenBakes).Select(l => (First: l.From, Second: l.To, Lag: (int?)l.MinLag)),
        ];
        FollowsOthers = [.. network.Bakes.Select(_ => false)];
        foreach (var link in network.Links.Where(IsBetweenBakes))
            FollowsOthers[network.Tasks[link.To].Bake] = true;
        HoldsFrom = [.. network.Tasks.Select(t => network.Holds.Where(h => h.From == t.Index).ToArray())];
        HoldsTo = [.. network.Tasks.Select(t => network.Holds.Where(h => h.To == t.Index).ToArray())];
        Earliest = [.. network.Tasks.Select(t => SpanRules.EarliestStart(network, t))];
        Latest = [.. network.Tasks.Select(t => SpanRules.LatestEnd(network, t))];
        Held = [.. network.Tasks.Select(t => network.Pins.Where(p => p.Task == t.Index).Select(p => (int?)p.Start).FirstOrDefault())];
        Settings = [.. network.Tasks.Where(t => t.Oven is not null).Select(t => t.Oven!.Setting).Distinct()];
        SettingOf = [.. network.Tasks.Select(t => t.Oven is null ? -1 : Array.IndexOf(Settings, t.Oven.Setting))];
        Transition = [.. ovens.Select(t => Settings.Select(a => Settings.Select(b => t.Transition(a, b)).ToArray()).ToArray())];
        FromCold = [.. ovens.Select(t => Settings.Select(t.FromCold).ToArray())];
        OpeningCosts =
        [
            .. Enumerable
                .Range(0, ovens.Length)
                .Select(o =>
                    network
                        .Tasks.Select(t => t.Oven is null ? [] : t.Hands.Select(h => OvenDoor.Costs(network, t, h, o)).ToArray())
                        .ToArray()
                ),
        ];
        StandsWith =
        [
            .. network.Tasks.Select(t =>
                ovens.Length > 1 && t.Oven is { Setting.IsProof: true } ? network.SpellBefore(t)?.Index ?? -1 : -1
            ),
        ];
    }

    /// <summary>The day.</summary>
    public TaskNetwork Network { get; }

    /// <summary>The links into each task.</summary>
    public TaskLink[][] Incoming { get; }

    /// <summary>The tasks of the same bake that start no later than each.</summary>
    public int[][] OrdersInto { get; }

    /// <summary>The links into each task from its own bake.</summary>
    public TaskLink[][] IncomingOwn { get; }

    /// <summary>Orders between tasks of different bakes: the second starts no sooner than the first, or, where there is a lag, so many
    /// minutes after the first has ended.</summary>
    public (int First, int Second, int? Lag)[] Elsewhere { get; }

    /// <summary>Which bakes may begin only after something of another one has ended; they are laid after those.</summary>
    public bool[] FollowsOthers { get; }

    /// <summary>Holds that begin with each task.</summary>
    public Hold[][] HoldsFrom { get; }

    /// <summary>Holds that end with each task.</summary>
    public Hold[][] HoldsTo { get; }

    /// <summary>The first minute of each task.</summary>
    public int[] Earliest { get; }

    /// <summary>The last minute of each.</summary>
    public int[] Latest { get; }

    /// <summary>The minute to which each is pinned; null when it is free.</summary>
    public int?[] Held { get; }

    /// <summary>The settings of the day.</summary>
    public OvenSetting[] Settings { get; }

    /// <summary>Which of them each task bakes at; -1 for none.</summary>
    public int[] SettingOf { get; }

    /// <summary>Minutes from one setting to another, by oven.</summary>
    public int[][][] Transition { get; }

    /// <summary>Minutes from cold to a setting, by oven.</summary>
    public int[][] FromCold { get; }

    /// <summary>What each opening for a load costs others, by oven, task and need of hands.</summary>
    public int[][][] OpeningCosts { get; }

    /// <summary>The spell whose dough a step takes out, where there are two ovens; else -1.</summary>
    public int[] StandsWith { get; }

    /// <summary>The minutes by which open doors for others lengthen a bake that stands in an oven from one minute until another.</summary>
    /// <param name="task">The bake.</param>
    /// <param name="oven">Its oven.</param>
    /// <param name="from">When it goes in.</param>
    /// <param name="until">When it comes out.</param>
    /// <param name="loads">The loads that have been laid; the bake itself may be among them.</param>
    /// <param name="ovenOf">The oven of each load.</param>
    /// <param name="start">When each load goes in.</param>
    /// <param name="end">When each comes out.</param>
    public int OpenedFor(int task, int oven, int from, int until, ReadOnlySpan<int> loads, int[] ovenOf, int[] start, int[] end)
    {
        var minutes = 0;
        foreach (var load in loads)
        {
            if (load == task || ovenOf[load] != oven || SettingOf[load] != SettingOf[task] || start[load] >= until || end[load] <= from)
                continue;
            var other = Network.Tasks[load];
            for (var i = 0; i < other.Hands.Length; i++)
            {
                if (OvenDoor.IsWithin(other.HandsAt(other.Hands[i], start[load], end[load]).From, from, until))
                    minutes += OpeningCosts[oven][load][i];
            }
        }

        return minutes;
    }

    private bool IsBetweenBakes(TaskLink link) => Network.Tasks[link.From].Bake != Network.Tasks[link.To].Bake;

    /// <summary>Picks a shelf for every pan of a load, the fullest that still has room; false when they do not fit.</summary>
    /// <param name="room">Parts of each shelf that are free; less what is picked afterwards.</param>
    /// <param name="units">Parts of a shelf that each pan takes.</param>
    /// <param name="chosen">The shelf of each pan.</param>
    public static bool PickFullest(Span<int> room, int units, Span<int> chosen)
    {
        for (var item = 0; item < chosen.Length; item++)
        {
            var best = -1;
            for (var s = 0; s < room.Length; s++)
            {
                if (room[s] >= units && (best < 0 || room[s] < room[best]))
                    best = s;
            }

            if (best < 0)
                return false;
            room[best] -= units;
            chosen[item] = best;
        }

        return true;
    }
}
