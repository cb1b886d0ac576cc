using System.Collections.Immutable;
using NodaTime.Text;
using Zymethos.Core.Heat;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Day;

namespace Zymethos.Interchange.Documents;

/// <summary>Writes a compiled day down and reads it again.</summary>
public static class NetworkText
{
    private static readonly LocalDateTimePattern Time = LocalMoment.Pattern;

    /// <summary>The network as a document.</summary>
    public static NetworkDocument Write(TaskNetwork network) =>
        new(
            1,
            Time.Format(network.Origin),
            network.SpanEnd,
            [.. network.Helpers.Select(h => new HelperDocument(h.Name, h.From, h.Until))],
            [.. network.Resources.Select(r => new ResourceDocument(r.Name, r.Capacity))],
            [.. network.Bakes.Select(b => new NetworkBakeDocument(b.Name, b.RecipeKey, b.Batches, b.ReadyBy, b.NotBefore))],
            [.. network.Tasks.Select(Write)],
            [.. network.Links.Select(l => new TaskLinkDocument(l.From, l.To, l.MinLag, DocumentWords.Of(l.Window), l.Why, l.MaxLag))],
            [.. network.Orders.Select(o => new[] { o.First, o.Second })],
            [.. network.Rests.Select(r => new[] { r.From, r.Until })],
            [.. network.Pins.Select(p => new[] { p.Task, p.Start })],
            network.Since,
            [.. network.Together.Select(o => new[] { o.First, o.Second })],
            [.. network.Apart.Select(o => new[] { o.First, o.Second })],
            [.. network.Holds.Select(h => new[] { h.Resource, h.Units, h.From, h.To, h.After })],
            [.. network.Unmixed.Select(u => new[] { u.Oven, u.One.Long, u.One.Wide, u.Other.Long, u.Other.Wide })],
            DocumentWords.Of(network.Lean),
            network.Pauses is { } pauses ? [pauses.Stretch, pauses.Length] : null,
            network.Pauses is { Meals.IsEmpty: false } fed ? [.. fed.Meals.Select(m => new[] { m.From, m.Until, m.Length })] : null
        );

    /// <summary>
    /// The network of a document; null when something in it points nowhere, or names a step that <paramref name="steps"/> does not hold, so
    /// that nobody could say what to beware of in it.
    /// </summary>
    /// <param name="document">The document, of version 1.</param>
    /// <param name="kitchen">The kitchen of the day.</param>
    /// <param name="steps">For each bake its steps by key, as they are read today.</param>
    public static TaskNetwork? Read(NetworkDocument document, Kitchen kitchen, IReadOnlyList<IReadOnlyDictionary<string, Step>> steps)
    {
        if (document.Version != 1 || !Time.Parse(document.Origin).TryGetValue(default, out var origin))
            return null;
        if (document.Bakes.Count != steps.Count || !IsWhole(document))
            return null;
        if (!document.Tasks.All(t => t.Step is null || steps[t.Bake].ContainsKey(t.Step)))
            return null;
        return new TaskNetwork(
            origin,
            document.SpanEnd,
            kitchen,
            [.. document.Helpers.Select(h => new Helper(h.Name, h.From, h.Until))],
            [.. document.Resources.Select(r => new SharedResource(r.Name, r.Capacity))],
            [.. document.Bakes.Select(b => new PlannedBake(b.Name, b.Recipe, b.Batches, b.ReadyBy, b.NotBefore))],
            [.. document.Tasks.Select((t, i) => Read(t, i, t.Step is null ? null : steps[t.Bake][t.Step]))],
            [.. document.Links.Select(l => new TaskLink(l.From, l.To, l.MinLag, l.MaxLag, Value<WindowKind>(l.Window), l.Why))],
            [.. document.Orders.Select(o => (o[0], o[1]))]
        )
        {
            Rests = [.. document.Rests.Select(r => new Rest(r[0], r[1]))],
            Pins = [.. document.Pins.Select(p => new Pin(p[0], p[1]))],
            Since = document.Since,
            Together = [.. document.Together.Select(o => (o[0], o[1]))],
            Apart = [.. document.Apart.Select(o => (o[0], o[1]))],
            Holds = [.. document.Holds.Select(h => new Hold(h[0], h[1], h[2], h[3], h[4]))],
            Unmixed = [.. document.Unmixed.Select(u => new UnmixedPans(u[0], new Footprint(u[1], u[2]), new Footprint(u[3], u[4])))],
            Lean = Value<DayLean>(document.Lean),
            Pauses = document.Pauses is { } pauses
                ? new Pauses(pauses[0], pauses[1]) { Meals = [.. (document.Meals ?? []).Select(m => new Meal(m[0], m[1], m[2]))] }
                : null,
        };
    }

    private static TaskDocument Write(PlanTask task) =>
        new(
            task.Id.Value,
            task.Bake,
            task.Title,
            DocumentWords.Of(task.Kind),
            task.Low,
            task.Likely,
            task.High,
            [.. task.Hands.Select(h => new[] { h.Offset, h.Length, h.People })],
            [.. task.Demands.Select(d => new[] { d.Resource, d.Units, d.HoldAfter })],
            task.Said,
            task.Oven is { } need
                ? new OvenNeedDocument(
                    need.Setting.Celsius,
                    need.Setting.IsProof ? "proof"
                        : need.Setting.IsOff ? "off"
                        : "hot",
                    need.Items,
                    [need.UnitsPerItem, need.InSecond],
                    [need.Pan.Long, need.Pan.Wide],
                    DocumentWords.Of(need.Shelf)
                )
                : null,
            task.Step?.Key,
            task.ByHalfHour.IsEmpty ? null : task.ByHalfHour,
            task.RiseShares.IsEmpty ? null : task.RiseShares,
            task.Learned == 1 ? null : task.Learned
        );

    private static PlanTask Read(TaskDocument task, int index, Step? step) =>
        new(
            index,
            new TaskId(task.Id),
            task.Bake,
            task.Title,
            Value<StepKind>(task.Kind),
            task.Low,
            task.Likely,
            task.High,
            [.. task.Hands.Select(h => new HandsNeed(h[0], h[1], h[2]))],
            [.. task.Demands.Select(d => new Demand(d[0], d[1], d[2]))],
            task.Oven is { } need
                ? new OvenNeed(
                    new OvenSetting(need.Celsius, need.State == "proof") { IsOff = need.State == "off" },
                    need.Items,
                    need.Units[0]
                )
                {
                    InSecond = need.Units[1],
                    Pan = new Footprint(need.Pan[0], need.Pan[1]),
                    Shelf = Value<ShelfWish>(need.Shelf),
                }
                : null,
            step
        )
        {
            Said = task.Said,
            ByHalfHour = task.ByHalfHour?.ToImmutableArray() ?? [],
            RiseShares = task.RiseShares?.ToImmutableArray() ?? [],
            Learned = task.Learned is > 0 and { } learned ? learned : 1,
        };

    /// <summary>Whether every index in it points at something and every list has its numbers.</summary>
    private static bool IsWhole(NetworkDocument document)
    {
        var (tasks, resources) = (document.Tasks.Count, document.Resources.Count);
        bool Task(int i) => i >= 0 && i < tasks;
        bool Resource(int i) => i >= 0 && i < resources;
        bool Pairs(IReadOnlyList<IReadOnlyList<int>> pairs) => pairs.All(p => p.Count == 2 && Task(p[0]) && Task(p[1]));
        return document.Links.All(l => Task(l.From) && Task(l.To) && IsValue<WindowKind>(l.Window))
            && Pairs(document.Orders)
            && Pairs(document.Together)
            && Pairs(document.Apart)
            && document.Rests.All(r => r.Count == 2)
            && document.Pauses is null or { Count: 2 }
            && (document.Meals ?? []).All(m => m.Count == 3)
            && document.Pins.All(p => p.Count == 2 && Task(p[0]))
            && document.Holds.All(h => h.Count == 5 && Resource(h[0]) && Task(h[2]) && Task(h[3]))
            && document.Unmixed.All(u => u.Count == 5)
            && IsValue<DayLean>(document.Lean)
            && document.Tasks.All(t =>
                t.Bake >= 0
                && t.Bake < document.Bakes.Count
                && IsValue<StepKind>(t.Kind)
                && t.Hands.All(h => h.Count == 3)
                && t.Demands.All(d => d.Count == 3 && Resource(d[0]))
                && (t.Oven is not { } oven || (oven.Units.Count == 2 && oven.Pan.Count == 2 && IsValue<ShelfWish>(oven.Shelf)))
            );
    }

    private static bool IsValue<T>(string word)
        where T : struct, Enum => Enum.TryParse<T>(word, ignoreCase: true, out var value) && Enum.IsDefined(value);

    private static T Value<T>(string word)
        where T : struct, Enum => Enum.Parse<T>(word, ignoreCase: true);
}
