using System.Collections.Immutable;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Day;
using Zymethos.Planning.Rules;

namespace Zymethos.Planning.Compile;

/// <summary>Puts what the baker decided by hand into a network. A wish that cannot be is a fault at its place.</summary>
internal static class ByHandCompiler
{
    /// <summary>The network with the wishes in it, or the faults.</summary>
    public static CompileResult Apply(TaskNetwork network, ByHand byHand)
    {
        var faults = new List<Fault>();
        var index = network.Tasks.ToDictionary(t => t.Id, t => t.Index);
        int? Find(TaskId id, string at)
        {
            if (index.TryGetValue(id, out var task))
                return task;
            faults.Add(new Fault(at, $"There is no step \"{id}\" in this day any more."));
            return null;
        }

        network = network with { Since = Math.Clamp(byHand.Since, 0, network.SpanEnd) };
        network = Allow(network, byHand.Allow, Find, faults);
        var pins = ImmutableArray.CreateBuilder<Pin>();
        for (var i = 0; i < byHand.Pins.Length; i++)
        {
            if (Find(byHand.Pins[i].Task, $"byHand.pins[{i}].task") is not { } task)
                continue;
            var pin = new Pin(task, byHand.Pins[i].Start);
            if (WhyNot(network, pin) is { Length: > 0 } why)
                faults.Add(new Fault($"byHand.pins[{i}].at", why));
            else if (pins.Any(p => p.Task == task))
                faults.Add(new Fault($"byHand.pins[{i}].task", $"“{network.Tasks[task].Title}” is pinned twice."));
            else
                pins.Add(pin);
        }

        var orders = Pairs(byHand.Orders, "orders", Find, faults);
        var after = Pairs(byHand.After, "after", Find, faults);
        var together = Pairs(byHand.Together, "together", Find, faults);
        var apart = Pairs(byHand.Apart, "apart", Find, faults);
        FindInLoads(network, together, "together", sameSetting: true, faults);
        FindInLoads(network, apart, "apart", sameSetting: false, faults);
        return faults.Count > 0
            ? new CompileResult(null, faults)
            : new CompileResult(
                network with
                {
                    Pins = pins.ToImmutable(),
                    Orders = [.. network.Orders, .. orders],
                    Links = [.. network.Links, .. after.Select(p => ClearOrder.Link(p.First, p.Second))],
                    Together = together,
                    Apart = apart,
                },
                []
            );
    }

    private static TaskNetwork Allow(
        TaskNetwork network,
        ImmutableArray<AllowWish> wishes,
        Func<TaskId, string, int?> find,
        List<Fault> faults
    )
    {
        for (var i = 0; i < wishes.Length; i++)
        {
            if (find(wishes[i].Task, $"byHand.allow[{i}].task") is not { } index)
                continue;
            var task = network.Tasks[index];
            var minutes = wishes[i].Minutes;
            if (minutes < Least(task) || minutes > TaskNetwork.AfterSpan)
            {
                faults.Add(
                    new Fault(
                        $"byHand.allow[{i}].minutes",
                        minutes < Least(task) && !task.IsForSafety && Least(task) > 1
                                ? $"“{task.Title}” takes at least {Least(task)} minutes: it has to go in and come out."
                            : task.IsForSafety ? $"“{task.Title}” takes at least {task.Low} minutes: it is that long to be safe to eat."
                            : $"“{task.Title}” takes 1 minute to {TaskNetwork.AfterSpan / 60} hours."
                    )
                );
                continue;
            }

            // Hands at the door move with the end; hands from start to end stretch.
            var hands = task.IsHandsOn
                ? Around(task.Hands[0], minutes, wishes[i].Breaks)
                : task
                    .Hands.Select(h => h.Offset + h.Length == task.Likely && h.Offset > 0 ? h with { Offset = minutes - h.Length } : h)
                    // What is done part-way is left out where the time that is given ends before it.
                    .Where(h =>
                        h.Offset + h.Length
                        <= (task.IsAtEnd(h) || h.Offset == minutes - h.Length ? minutes : minutes - TaskCompiler.DoorMinutes)
                    )
                    .ToImmutableArray();
            network = network with
            {
                Tasks = network.Tasks.SetItem(index, task with { Likely = minutes, High = Math.Max(task.High, minutes), Hands = hands }),
            };
        }

        return network;
    }

    /// <summary>The fewest minutes that a baker may give a step: what is done is done, but for waits and heats that make food
    /// safe.</summary>
    public static int Least(PlanTask task) =>
        task.IsForSafety ? task.Low
        : task is { Oven: not null, IsHandsOn: false } ? Math.Min(task.Low, (2 * TaskCompiler.DoorMinutes) + 1)
        : 1;

    private static ImmutableArray<HandsNeed> Around(HandsNeed hands, int minutes, ImmutableArray<Span> breaks)
    {
        var needs = ImmutableArray.CreateBuilder<HandsNeed>();
        var at = 0;
        foreach (var (from, until) in breaks.Append(new Span(minutes, minutes)))
        {
            if (Math.Min(from, minutes) > at)
                needs.Add(hands with { Offset = at, Length = Math.Min(from, minutes) - at });
            at = Math.Max(at, until);
        }

        return needs.ToImmutable();
    }

    private static string WhyNot(TaskNetwork network, Pin pin)
    {
        var task = network.Tasks[pin.Task];
        if (pin.Start < 0)
            return $"“{task.Title}” is pinned before the day starts.";
        if (pin.Start + task.Likely > SpanRules.LatestEnd(network, task))
            return $"“{task.Title}” is pinned so late that it would not be over in time.";
        return task.NeedsPresence && network.Rests.Any(r => r.Meets(pin.Start, pin.Start + task.Likely))
            ? $"“{task.Title}” is pinned to an hour when nobody is in the kitchen."
            : "";
    }

    private static ImmutableArray<(int First, int Second)> Pairs(
        ImmutableArray<PairWish> wishes,
        string name,
        Func<TaskId, string, int?> find,
        List<Fault> faults
    )
    {
        var pairs = ImmutableArray.CreateBuilder<(int, int)>();
        for (var i = 0; i < wishes.Length; i++)
        {
            var (one, other) = (find(wishes[i].First, $"byHand.{name}[{i}]"), find(wishes[i].Second, $"byHand.{name}[{i}]"));
            if (one == other && one is not null)
                faults.Add(new Fault($"byHand.{name}[{i}]", "A step cannot be paired with itself."));
            else if (one is { } a && other is { } b)
                pairs.Add((a, b));
        }

        return pairs.ToImmutable();
    }

    private static void FindInLoads(
        TaskNetwork network,
        ImmutableArray<(int First, int Second)> pairs,
        string name,
        bool sameSetting,
        List<Fault> faults
    )
    {
        for (var i = 0; i < pairs.Length; i++)
        {
            var (a, b) = (network.Tasks[pairs[i].First], network.Tasks[pairs[i].Second]);
            if (a.Oven is null || b.Oven is null)
                faults.Add(new Fault($"byHand.{name}[{i}]", "Only loads of the oven can be kept together or apart."));
            else if (sameSetting && a.Oven.Setting != b.Oven.Setting)
                faults.Add(
                    new Fault($"byHand.{name}[{i}]", $"“{a.Title}” and “{b.Title}” want different heats and cannot share the oven.")
                );
        }
    }
}
