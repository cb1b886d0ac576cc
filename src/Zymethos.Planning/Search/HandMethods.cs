using Zymethos.Planning.Day;

namespace Zymethos.Planning.Search;

/// <summary>
/// What bakers do without a planner, done well: bake after bake as the list has it, or sorted by oven temperature from cool to hot, each
/// step as early as hands and oven allow around what is already written down. The yardstick for the planner's plans.
/// </summary>
internal static class HandMethods
{
    /// <summary>The bakes as they were asked for.</summary>
    public static int[] ListOrder(TaskNetwork network) => [.. Enumerable.Range(0, network.Bakes.Length)];

    /// <summary>The bakes sorted by their first hot setting, coolest first; those without one first of all.</summary>
    public static int[] ByTemperature(TaskNetwork network) =>
        [
            .. ListOrder(network)
                .OrderBy(b =>
                    network
                        .Tasks.Where(t => t.Bake == b && t.Oven is { Setting.IsHot: true })
                        .Select(t => t.Oven!.Setting.Celsius)
                        .FirstOrDefault()
                ),
        ];

    /// <summary>The plan of a hand method. It may run past the end of the day, as days by hand do; null when a bake finds no place at
    /// all.</summary>
    public static Plan? Build(TaskNetwork network, int[] order) => new ListScheduler(network).Build(order, keepEnds: false);
}
