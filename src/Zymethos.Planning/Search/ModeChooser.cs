using System.Collections.Immutable;
using System.Diagnostics;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Compile;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Search;

/// <summary>A planned day with the ways in which its waits are spent.</summary>
/// <param name="Network">The day as it is planned, with the ways that were chosen; null when it does not compile in any way.</param>
/// <param name="Outcome">What the search brought; null when there is no network.</param>
/// <param name="Faults">What is wrong with the wish; empty when it compiles.</param>
public sealed record ModedOutcome(TaskNetwork? Network, PlanOutcome? Outcome, IReadOnlyList<Fault> Faults);

/// <summary>
/// Plans a day whose steps may be spent in several ways: on the counter, in the oven-proof spell, in the refrigerator. Every way is a day
/// of its own. The quick constructive plan tells which of them are promising; those are searched, the best first; and what no way can beat
/// is the least of all their bounds.
/// </summary>
public static class ModeChooser
{
    // Up to so many ways are all looked at; of more the neighbours of the best.
    private const int MostWays = 48;
    private const int SearchedWays = 3;

    /// <summary>Share of the time that the most promising way gets.</summary>
    private const double FirstShare = 0.6;

    private sealed record Way(TaskNetwork Network, int Bound, int FirstFinish);

    /// <summary>Plans.</summary>
    public static ModedOutcome Plan(Kitchen kitchen, DayWish wish, SolveSettings settings, CancellationToken cancel = default)
    {
        var clock = Stopwatch.StartNew();
        var open = Open(kitchen, wish);
        var written = TaskCompiler.Compile(kitchen, wish);
        if (open.Count == 0)
            return written.Network is { } only
                ? new ModedOutcome(only, DayPlanner.Plan(only, settings, cancel), [])
                : new ModedOutcome(null, null, written.Faults);

        var (ways, all) = Ways(kitchen, wish, open, settings.Seed);
        // No way fits the day: the way as written says why.
        if (ways.Count == 0)
            return new ModedOutcome(
                written.Network,
                written.Network is { } none ? DayPlanner.Plan(none, settings, cancel) : null,
                written.Faults
            );
        Way? best = null;
        PlanOutcome? bestOutcome = null;
        // A way that was not looked at could beat any bound.
        var bound = all ? int.MaxValue : 0;
        var trail = new List<Progress>();
        var tried = 0;
        var told = int.MaxValue;
        var listening = settings.OnBetter is not { } listen
            ? settings
            : settings with
            {
                // Of several ways only what beats all ways so far is news.
                OnBetter = better =>
                {
                    if (better.Finish >= told)
                        return;
                    told = better.Finish;
                    listen(better);
                },
            };
        foreach (var way in ways)
        {
            var finish = bestOutcome?.Plan?.Finish(best!.Network) ?? int.MaxValue;
            if (way.Bound >= finish || tried >= SearchedWays || cancel.IsCancellationRequested)
            {
                bound = Math.Min(bound, way.Bound);
                continue;
            }

            var left = settings.Limit - clock.Elapsed;
            var share = tried++ == 0 ? settings.Limit * FirstShare : left / 2;
            if (share < TimeSpan.FromMilliseconds(80))
            {
                bound = Math.Min(bound, way.Bound);
                continue;
            }

            var began = clock.Elapsed;
            var outcome = DayPlanner.Plan(way.Network, listening with { Limit = share }, cancel);
            bound = Math.Min(bound, outcome.Status == PlanStatus.Impossible ? int.MaxValue : Math.Max(way.Bound, outcome.BoundFinish));
            trail.AddRange(
                outcome
                    .Trail.Select(p => p with { After = p.After + began })
                    .Where(p => trail.Count == 0 || p.Finish < trail.Min(t => t.Finish))
            );
            if (bestOutcome is null || (outcome.Plan is { } plan && plan.Finish(way.Network) < finish))
                (best, bestOutcome) = (way, outcome);
        }

        if (best is null)
            return new ModedOutcome(ways[0].Network, new PlanOutcome(PlanStatus.Unknown, null, ways[0].Bound, trail, clock.Elapsed), []);
        return new ModedOutcome(best.Network, Together(best, bestOutcome!, bound, trail, clock.Elapsed), []);
    }

    private static PlanOutcome Together(Way best, PlanOutcome outcome, int bound, List<Progress> trail, TimeSpan took)
    {
        if (outcome.Plan is not { } plan)
            return outcome with { Took = took, Status = bound == int.MaxValue ? PlanStatus.Impossible : PlanStatus.Unknown };
        var finish = plan.Finish(best.Network);
        // The lean may have given some of the finish away; what was proven stands.
        var proven = Math.Min(bound, finish);
        return outcome with
        {
            BoundFinish = proven,
            Status = proven >= finish ? PlanStatus.Proven : PlanStatus.Found,
            Trail = trail,
            Took = took,
        };
    }

    /// <summary>What of the day has ways to choose between and none named: waits, and two batches in one mix or each in its own;, with the
    /// number of their ways.</summary>
    private static List<(int Bake, string Step, int Count)> Open(Kitchen kitchen, DayWish wish) =>
        [.. wish.Bakes.SelectMany((b, i) => OpenOf(kitchen, b).Select(o => (i, o.Step, o.Count)))];

    private static IEnumerable<(string Step, int Count)> OpenOf(Kitchen kitchen, BakeWish bake)
    {
        var day = DayStretch.Of(ChosenRecipe.Of(bake.Recipe));
        foreach (var step in day.Steps.Where(s => !s.Modes.IsEmpty && !bake.Modes.ContainsKey(s.Key)))
            yield return (step.Key, step.Modes.Length + 1);
        if (!bake.Modes.ContainsKey(BakeWish.MixTogether) && MixPlan.CanShare(bake with { Recipe = day }, kitchen))
            yield return (BakeWish.MixTogether, 2);
    }

    /// <summary>Ways that compile, the most promising first, and whether they are all there are.</summary>
    private static (List<Way> Ways, bool All) Ways(Kitchen kitchen, DayWish wish, List<(int Bake, string Step, int Count)> open, int seed)
    {
        var count = open.Aggregate(1L, (n, o) => Math.Min(long.MaxValue / 16, n * o.Count));
        var seen = new Dictionary<string, Way?>(StringComparer.Ordinal);
        Way? Look(int[] modes)
        {
            var key = string.Join(',', modes);
            if (!seen.TryGetValue(key, out var way))
                seen[key] = way = Make(kitchen, wish, open, modes, seed);
            return way;
        }

        if (count <= MostWays)
        {
            for (var n = 0; n < count; n++)
                Look(Digits(n, open));
        }
        else
        {
            Descend(open, Look);
        }

        return ([.. seen.Values.OfType<Way>().OrderBy(w => w.FirstFinish).ThenBy(w => w.Bound)], count <= MostWays);
    }

    private static int[] Digits(int number, List<(int Bake, string Step, int Count)> open)
    {
        var digits = new int[open.Count];
        for (var i = 0; i < open.Count; i++)
        {
            digits[i] = number % open[i].Count;
            number /= open[i].Count;
        }

        return digits;
    }

    /// <summary>One step after another is spent the way that finishes soonest, twice round.</summary>
    private static void Descend(List<(int Bake, string Step, int Count)> open, Func<int[], Way?> look)
    {
        var modes = new int[open.Count];
        look(modes);
        for (var round = 0; round < 2; round++)
        {
            for (var i = 0; i < open.Count; i++)
            {
                modes[i] = Enumerable
                    .Range(0, open[i].Count)
                    .MinBy(m =>
                    {
                        var other = (int[])modes.Clone();
                        other[i] = m;
                        return (look(other)?.FirstFinish ?? int.MaxValue, m);
                    });
            }
        }
    }

    private static Way? Make(Kitchen kitchen, DayWish wish, List<(int Bake, string Step, int Count)> open, int[] modes, int seed)
    {
        var chosen = open.Select((o, i) => new ChosenMode(o.Bake, o.Step, modes[i])).ToImmutableArray();
        if (TaskCompiler.Compile(kitchen, With(wish, chosen)).Network is not { } network)
            return null;
        var bound = LowerBound.Finish(network, new ReachTable(network));
        if (bound > network.SpanEnd)
            return null;
        return new Way(network with { Modes = chosen }, bound, FirstPlan.Find(network, seed)?.Finish(network) ?? int.MaxValue);
    }

    /// <summary>The wish with the ways named.</summary>
    public static DayWish With(DayWish wish, ImmutableArray<ChosenMode> modes) =>
        wish with
        {
            Bakes =
            [
                .. wish.Bakes.Select(
                    (b, i) =>
                        b with
                        {
                            Modes = b.Modes.SetItems(modes.Where(m => m.Bake == i).Select(m => KeyValuePair.Create(m.Step, m.Mode))),
                        }
                ),
            ],
        };
}
