namespace Zymethos.Core.Planning;

/// <summary>
/// A good plan in a few milliseconds: <see cref="ListScheduler"/> over a handful of sensible orders and seeded random ones. The number of
/// orders is fixed, not the time, so that the same input gives the same plan.
/// </summary>
public static class FirstPlan
{
    private const int RandomOrders = 24;
    private const int GiveUpAfter = 6;

    /// <summary>The best plan found that obeys every rule; null when none of the orders gives one.</summary>
    public static Plan? Find(TaskNetwork network, int seed)
    {
        var scheduler = new ListScheduler(network);
        Plan? best = null;
        var bestFinish = int.MaxValue;
        var failures = 0;
        foreach (var order in Orders(network, seed))
        {
            if (scheduler.Build(order, keepEnds: true) is not { } plan)
            {
                // Where several orders in a row lead nowhere, more of them seldom help; proving why is the solver's work.
                if (best is null && ++failures >= GiveUpAfter) return null;
                continue;
            }

            var finish = plan.Finish(network);
            if (finish >= bestFinish) continue;
            best = plan;
            bestFinish = finish;
        }

        return best;
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
