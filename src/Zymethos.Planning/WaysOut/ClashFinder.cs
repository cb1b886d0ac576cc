using System.Collections.Immutable;
using System.Diagnostics;
using Zymethos.Core.Measures;
using Zymethos.Planning.Day;
using Zymethos.Planning.Search;

namespace Zymethos.Planning.WaysOut;

/// <summary>Finds out which wishes clash and what would help, by planning the changed days.</summary>
public static class ClashFinder
{
    /// <summary>
    /// Reports on a day for which no plan was found. Each question is a search of its own with a share of <paramref name="limit"/>.
    /// The clash is found by leaving wishes out one at a time and keeping those without which the rest would work (deletion filter).
    /// </summary>
    /// <param name="network">The day.</param>
    /// <param name="isProven">Whether it is proven that it has no plan.</param>
    /// <param name="limit">Time for all questions together.</param>
    /// <param name="seed">Seed of the searches.</param>
    /// <param name="wish">What the day was compiled from; null when ways out that change a recipe are not asked for.</param>
    public static ClashReport Report(TaskNetwork network, bool isProven, TimeSpan limit, int seed, DayWish? wish = null)
    {
        var clock = Stopwatch.StartNew();
        var ways = new List<WayOut>();
        if (HopelessWindows.Find(network) is { Count: > 0 } hopeless)
            return HopelessWindows.Report(network, hopeless, wish);
        AddLetMove(network, seed, ways);
        AddTimes(network, seed, limit / 3, ways);
        AddMoreHands(network, seed, ways);
        AddFewerBatches(network, seed, ways);
        for (var b = 0; b < network.Bakes.Length; b++)
        {
            if (
                wish is not null
                && CounterRise.Way(network.Kitchen, wish, [b], seed, Share(clock, limit * 0.6, network.Bakes.Length - b)) is { } rise
            )
                ways.Add(rise);
        }

        for (var b = 0; b < network.Bakes.Length && network.Bakes.Length > 1; b++)
        {
            if (!Works(Without(network, [b]), seed, Share(clock, limit * 0.7, network.Bakes.Length - b)))
                continue;
            ways.Add(new WayOut(WayOutKind.LeaveOut, 0, b, $"Leave {network.Bakes[b].Name} for another day."));
        }

        return new ClashReport(isProven, isProven ? Clash(network, seed, clock, limit) : [], [.. ways.OrderBy(w => w.Price)]);
    }

    /// <summary>One batch fewer of each bake that has several.</summary>
    private static void AddFewerBatches(TaskNetwork network, int seed, List<WayOut> ways)
    {
        for (var b = 0; b < network.Bakes.Length; b++)
        {
            var (bake, its) = (network.Bakes[b], b);
            if (
                bake.Batches < 2
                || !Works(Without(network, t => t.Id.IsOfBatch(its, bake.Batches - 1)), seed, TimeSpan.FromMilliseconds(500))
            )
                continue;
            ways.Add(
                new WayOut(WayOutKind.FewerBatches, 0, b, $"Make {bake.Batches - 1} instead of {bake.Batches} batches of {bake.Name}.")
            );
        }
    }

    private static void AddTimes(TaskNetwork network, int seed, TimeSpan limit, List<WayOut> ways)
    {
        // The same day with an end that is out of the way; what it needs beyond the wished end is the price.
        var longDay = Stretch(network, TaskNetwork.AfterSpan / 2);
        var free = DropReadyBy(longDay);
        var outcome = DayPlanner.Plan(longDay, new SolveSettings(limit * 0.5, seed));
        if (outcome.Plan is { } late)
        {
            var over = Rounded(late.Finish(longDay) - network.SpanEnd);
            if (over > 0)
            {
                ways.Add(
                    new WayOut(
                        WayOutKind.FinishLater,
                        over,
                        null,
                        $"Finish {SpokenTime.Of(over)} later, at {network.HourOf(network.SpanEnd + over)}."
                    )
                );
                if (network.Bakes.All(b => b.NotBefore is null && b.ReadyBy is null))
                {
                    ways.Add(
                        new WayOut(WayOutKind.StartEarlier, over, null, $"Start {SpokenTime.Of(over)} earlier, at {network.HourOf(-over)}.")
                    );
                    var (before, after) = BothEnds(over);
                    if (before > 0)
                        ways.Add(
                            new WayOut(
                                WayOutKind.LongerAtBothEnds,
                                over,
                                null,
                                $"Start {SpokenTime.Of(before)} earlier and finish {SpokenTime.Of(after)} later: from "
                                    + $"{network.HourOf(-before)} to {network.HourOf(network.SpanEnd + after)}."
                            )
                        );
                }
            }

            return;
        }

        if (network.Bakes.All(b => b.ReadyBy is null))
            return;
        outcome = DayPlanner.Plan(free, new SolveSettings(limit * 0.5, seed));
        if (outcome.Plan is not { } plan)
            return;
        AddReadyLater(network, free, plan, ways);
    }

    private static void AddReadyLater(TaskNetwork network, TaskNetwork free, Plan plan, List<WayOut> ways)
    {
        var late = new List<(int Bake, int Minutes)>();
        for (var b = 0; b < network.Bakes.Length; b++)
        {
            if (network.Bakes[b].ReadyBy is not { } ready)
                continue;
            var end = free.Tasks.Where(t => t.Bake == b).Max(t => plan.Tasks[t.Index].End);
            if (end > ready)
                late.Add((b, Rounded(end - ready)));
        }

        var over = Rounded(Math.Max(0, plan.Finish(free) - network.SpanEnd));
        if (late.Count == 0)
            return;
        var words = string.Join(
            " and ",
            late.Select(l =>
                $"{network.Bakes[l.Bake].Name} ready {SpokenTime.Of(l.Minutes)} later, at "
                + $"{network.HourOf(network.Bakes[l.Bake].ReadyBy!.Value + l.Minutes)}"
            )
        );
        ways.Add(
            new WayOut(
                WayOutKind.ReadyLater,
                late.Sum(l => l.Minutes) + over,
                late.Count == 1 ? late[0].Bake : null,
                $"Have {words}{(over > 0 ? $", and finish the day {SpokenTime.Of(over)} later" : "")}."
            )
            {
                Ready = late.Count == 1 && over == 0 ? network.HourOf(network.Bakes[late[0].Bake].ReadyBy!.Value + late[0].Minutes) : "",
            }
        );
        var most = late.Max(l => l.Minutes) + over;
        if (network.Bakes.All(b => b.NotBefore is null))
            ways.Add(new WayOut(WayOutKind.StartEarlier, most, null, $"Start {SpokenTime.Of(most)} earlier, at {network.HourOf(-most)}."));
    }

    /// <summary>Each pinned step let go alone: where it would go then is the price.</summary>
    private static void AddLetMove(TaskNetwork network, int seed, List<WayOut> ways)
    {
        foreach (var pin in network.Pins)
        {
            var free = network with { Pins = network.Pins.Remove(pin) };
            if (LowerBound.Finish(free, new ReachTable(free)) > free.SpanEnd)
                continue;
            if (
                (FirstPlan.Find(free, seed) ?? DayPlanner.Plan(free, new SolveSettings(TimeSpan.FromMilliseconds(700), seed)).Plan)
                is not { } plan
            )
                continue;
            var at = plan.Tasks[pin.Task].Start;
            ways.Add(
                new WayOut(
                    WayOutKind.LetMove,
                    Math.Abs(at - pin.Start),
                    null,
                    $"Let “{network.Tasks[pin.Task].Title}” move: it would start at {network.HourOf(at)} instead of "
                        + $"{network.HourOf(pin.Start)}."
                )
                {
                    Step = network.Tasks[pin.Task].Id,
                }
            );
        }
    }

    private static void AddMoreHands(TaskNetwork network, int seed, List<WayOut> ways)
    {
        if (network.Helpers.Length >= 4)
            return;
        var more = network with { Helpers = [.. network.Helpers, new Helper("Helper", 0, network.SpanEnd)] };
        if (Works(more, seed, TimeSpan.FromMilliseconds(700)))
            ways.Add(new WayOut(WayOutKind.MoreHands, 0, null, "Have one more pair of hands in the kitchen all day."));
    }

    private static ImmutableArray<string> Clash(TaskNetwork network, int seed, Stopwatch clock, TimeSpan limit)
    {
        var kept = Enumerable.Range(0, network.Bakes.Length).ToList();
        foreach (var b in kept.ToList())
        {
            if (kept.Count == 1)
                break;
            var rest = kept.Where(x => x != b).ToList();
            var left = Without(network, [.. Enumerable.Range(0, network.Bakes.Length).Except(rest)]);
            if (IsImpossible(left, seed, Share(clock, limit, kept.Count)))
                kept = rest;
        }

        var words = ImmutableArray.CreateBuilder<string>();
        foreach (var b in kept)
        {
            var bake = network.Bakes[b];
            words.Add(bake.ReadyBy is { } ready ? $"{bake.Name}, ready by {network.HourOf(ready)}" : bake.Name);
        }

        words.AddRange(
            network
                .Pins.Where(p => kept.Contains(network.Tasks[p.Task].Bake))
                .Select(p => $"“{network.Tasks[p.Task].Title}” pinned to {network.HourOf(p.Start)}")
        );
        words.Add($"a day from {network.HourOf(0)} to {network.HourOf(network.SpanEnd)}");
        return words.ToImmutable();
    }

    private static TimeSpan Share(Stopwatch clock, TimeSpan limit, int questions) =>
        TimeSpan.FromSeconds(Math.Clamp((limit - clock.Elapsed).TotalSeconds / Math.Max(1, questions), 0.15, 2));

    /// <summary>Whether a day has a plan, as far as a look of so much time tells.</summary>
    internal static bool Works(TaskNetwork network, int seed, TimeSpan limit)
    {
        if (LowerBound.Finish(network, new ReachTable(network)) > network.SpanEnd)
            return false;
        return FirstPlan.Find(network, seed) is not null || DayPlanner.Plan(network, new SolveSettings(limit, seed)).Plan is not null;
    }

    private static bool IsImpossible(TaskNetwork network, int seed, TimeSpan limit) =>
        LowerBound.Finish(network, new ReachTable(network)) > network.SpanEnd
        || (
            FirstPlan.Find(network, seed) is null
            && DayPlanner.Plan(network, new SolveSettings(limit, seed)).Status == PlanStatus.Impossible
        );

    /// <summary>How minutes that a day lacks are shared between its start and its end: in halves of five minutes; none at the start where
    /// there are few.</summary>
    public static (int Before, int After) BothEnds(int minutes)
    {
        var before = minutes / 10 * 5;
        return minutes < 30 ? (0, minutes) : (before, minutes - before);
    }

    private static int Rounded(int minutes) => (minutes + 4) / 5 * 5;

    private static TaskNetwork Stretch(TaskNetwork network, int minutes) =>
        network with
        {
            SpanEnd = network.SpanEnd + minutes,
            Helpers = [.. network.Helpers.Select(h => h.Until == network.SpanEnd ? h with { Until = h.Until + minutes } : h)],
        };

    private static TaskNetwork DropReadyBy(TaskNetwork network) =>
        network with
        {
            Bakes = [.. network.Bakes.Select(b => b with { ReadyBy = null })],
        };

    /// <summary>The day without some bakes. Tasks are numbered anew; bakes keep their places so that indexes stay valid.</summary>
    private static TaskNetwork Without(TaskNetwork network, ImmutableArray<int> bakes) => Without(network, t => bakes.Contains(t.Bake));

    private static TaskNetwork Without(TaskNetwork network, Predicate<PlanTask> gone)
    {
        var kept = network.Tasks.Where(t => !gone(t)).ToList();
        var index = kept.Select((t, i) => (t.Index, i)).ToDictionary(p => p.Index, p => p.i);
        ImmutableArray<(int First, int Second)> Kept(ImmutableArray<(int First, int Second)> pairs) =>
            [.. pairs.Where(p => index.ContainsKey(p.First) && index.ContainsKey(p.Second)).Select(p => (index[p.First], index[p.Second]))];
        return network with
        {
            Tasks = [.. kept.Select((t, i) => t with { Index = i })],
            Links =
            [
                .. network
                    .Links.Where(l => index.ContainsKey(l.From) && index.ContainsKey(l.To))
                    .Select(l => l with { From = index[l.From], To = index[l.To] }),
            ],
            Orders = Kept(network.Orders),
            Together = Kept(network.Together),
            Apart = Kept(network.Apart),
            Holds =
            [
                .. network
                    .Holds.Where(h => index.ContainsKey(h.From) && index.ContainsKey(h.To))
                    .Select(h => h with { From = index[h.From], To = index[h.To] }),
            ],
            Pins = [.. network.Pins.Where(p => index.ContainsKey(p.Task)).Select(p => p with { Task = index[p.Task] })],
        };
    }
}
