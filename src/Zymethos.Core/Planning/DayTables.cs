using Zymethos.Core.Heat;

namespace Zymethos.Core.Planning;

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
        OrdersInto = [.. network.Tasks.Select(t => network.Orders.Where(o => o.Second == t.Index && network.Tasks[o.First].Bake == t.Bake).Select(o => o.First).ToArray())];
        Elsewhere = [.. network.Orders.Where(o => network.Tasks[o.First].Bake != network.Tasks[o.Second].Bake)];
        HoldsFrom = [.. network.Tasks.Select(t => network.Holds.Where(h => h.From == t.Index).ToArray())];
        HoldsTo = [.. network.Tasks.Select(t => network.Holds.Where(h => h.To == t.Index).ToArray())];
        Earliest = [.. network.Tasks.Select(t => SpanRules.EarliestStart(network, t))];
        Latest = [.. network.Tasks.Select(t => SpanRules.LatestEnd(network, t))];
        Held = [.. network.Tasks.Select(t => network.Pins.Where(p => p.Task == t.Index).Select(p => (int?)p.Start).FirstOrDefault())];
        Settings = [.. network.Tasks.Where(t => t.Oven is not null).Select(t => t.Oven!.Setting).Distinct()];
        SettingOf = [.. network.Tasks.Select(t => t.Oven is null ? -1 : Array.IndexOf(Settings, t.Oven.Setting))];
        Transition = [.. ovens.Select(t => Settings.Select(a => Settings.Select(b => t.Transition(a, b)).ToArray()).ToArray())];
        FromCold = [.. ovens.Select(t => Settings.Select(t.FromCold).ToArray())];
        OpeningCosts = [.. Enumerable.Range(0, ovens.Length).Select(o => network.Tasks.Select(t => t.Oven is null ? [] : t.Hands.Select(h => OvenDoor.Costs(network, t, h, o)).ToArray()).ToArray())];
        StandsWith = [.. network.Tasks.Select(t => ovens.Length > 1 && t.Oven is { Setting.IsProof: true } ? network.SpellBefore(t)?.Index ?? -1 : -1)];
    }

    /// <summary>The day.</summary>
    public TaskNetwork Network { get; }

    /// <summary>The links into each task.</summary>
    public TaskLink[][] Incoming { get; }

    /// <summary>The tasks of the same bake that start no later than each.</summary>
    public int[][] OrdersInto { get; }

    /// <summary>Orders between tasks of different bakes.</summary>
    public (int First, int Second)[] Elsewhere { get; }

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
}
