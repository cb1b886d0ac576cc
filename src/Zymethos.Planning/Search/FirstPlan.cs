using Zymethos.Planning.Day;

namespace Zymethos.Planning.Search;

/// <summary>
/// A good plan in a few milliseconds: <see cref="ListScheduler"/> over a handful of sensible orders and seeded random ones. The number of
/// orders is fixed, not the time, so that the same input gives the same plan.
/// </summary>
internal static class FirstPlan
{
    private const int RandomOrders = 24;
    private const int GiveUpAfter = 6;
    private const int MostSettled = 8;

    /// <summary>The best plan found that obeys every rule; null when none of the orders gives one.</summary>
    public static Plan? Find(TaskNetwork network, int seed)
    {
        var scheduler = new ListScheduler(network);
        var laid = new List<(int[] Order, Plan Plan, int Finish)>();
        var failures = 0;
        foreach (var order in Orders(network, seed))
        {
            if (scheduler.Lay(order, keepEnds: true) is { } plan)
                laid.Add((order, plan, plan.Finish(network)));
            // Where several orders in a row lead nowhere, more of them seldom help; proving why is the solver's work.
            else if (laid.Count == 0 && ++failures >= GiveUpAfter)
                return null;
        }

        // Open doors only make a plan longer, so the soonest are settled first, until none of the rest can be better.
        Plan? best = null;
        var bestFinish = int.MaxValue;
        var settled = 0;
        foreach (var (order, plan, finish) in laid.OrderBy(l => l.Finish))
        {
            if (finish >= bestFinish || settled++ >= MostSettled)
                break;
            if (scheduler.Settle(plan, order, keepEnds: true) is not { } sound || sound.Finish(network) >= bestFinish)
                continue;
            (best, bestFinish) = (sound, sound.Finish(network));
        }

        return best;
    }

    /// <summary>The first plan that obeys every rule, good or not, for whoever only asks whether a day works; null when none of a few
    /// orders gives one.</summary>
    public static Plan? Any(TaskNetwork network, int seed)
    {
        var scheduler = new ListScheduler(network);
        return Orders(network, seed)
            .Take(GiveUpAfter)
            .Select(order => scheduler.Lay(order, keepEnds: true) is { } plan ? scheduler.Settle(plan, order, keepEnds: true) : null)
            .FirstOrDefault(plan => plan is not null);
    }

    private static IEnumerable<int[]> Orders(TaskNetwork network, int seed)
    {
        var bakes = Enumerable.Range(0, network.Bakes.Length).ToArray();
        yield return HandMethods.ListOrder(network);
        yield return HandMethods.ByTemperature(network);
        yield return [.. HandMethods.ByTemperature(network).Reverse()];
        yield return [.. bakes.OrderBy(b => network.Bakes[b].ReadyBy ?? int.MaxValue).ThenByDescending(b => Minutes(network, b))];
        yield return [.. bakes.OrderByDescending(b => Minutes(network, b))];
#pragma warning disable CA5394 // A search order is no secret.
        var random = new Random(seed);
        for (var i = 0; i < RandomOrders; i++)
        {
            var order = (int[])bakes.Clone();
            random.Shuffle(order);
            yield return order;
        }
#pragma warning restore CA5394
    }

    private static int Minutes(TaskNetwork network, int bake) => network.Tasks.Where(t => t.Bake == bake).Sum(t => t.Likely);
}
