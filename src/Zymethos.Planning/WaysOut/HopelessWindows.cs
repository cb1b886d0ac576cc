using System.Collections.Immutable;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.WaysOut;

/// <summary>Windows that no hour of the day can keep, because the oven does not get from one heat to the other in them.</summary>
internal static class HopelessWindows
{
    // What each way out may take to be tried.
    private static readonly TimeSpan Look = TimeSpan.FromMilliseconds(700);

    /// <summary>Hard windows between two oven steps that are shorter than this oven needs from the one setting to the other: no hour of the
    /// day helps.</summary>
    public static List<(TaskLink Link, int Needed)> Find(TaskNetwork network)
    {
        var ovens = Enumerable.Range(0, network.Kitchen.Ovens.Length).Select(network.Thermal).ToList();
        // Two ovens can follow each other at once.
        if (ovens.Count > 1)
            return [];
        var thermal = ovens[0];
        return
        [
            .. network
                .Links.Where(l => l is { MaxLag: not null, Window: WindowKind.Hard })
                .Where(l => network.Tasks[l.From].Oven is { } from && network.Tasks[l.To].Oven is { } to && from.Setting != to.Setting)
                .Select(l =>
                    (
                        Link: l,
                        Needed: Clearing(network, l.From)
                            + thermal.Transition(network.Tasks[l.From].Oven!.Setting, network.Tasks[l.To].Oven!.Setting)
                    )
                )
                .Where(w => w.Needed > w.Link.MaxLag),
        ];
    }

    /// <summary>Minutes to clear the oven after an oven-proof spell, before which it cannot be heated; 0 after anything else.</summary>
    private static int Clearing(TaskNetwork network, int task) => network.ClearingOf(network.Tasks[task])?.Likely ?? 0;

    /// <summary>What clashes, and the ways out that were found to work.</summary>
    public static ClashReport Report(TaskNetwork network, List<(TaskLink Link, int Needed)> windows, DayWish? wish)
    {
        var words = windows.Select(w =>
            $"“{network.Tasks[w.Link.To].Title}” within {SpokenTime.Of(w.Link.MaxLag!.Value)} of “{network.Tasks[w.Link.From].Title}” "
            + $"({network.Bakes[network.Tasks[w.Link.To].Bake].Name}), for which this oven needs {SpokenTime.Of(w.Needed)}"
        );
        var bakes = windows.Select(w => network.Tasks[w.Link.To].Bake).Distinct().ToList();
        // The bakes are impossible here one by one, so leaving them out means leaving out all of them.
        var ways =
            bakes.Count == 1 && network.Bakes.Length > 1
                ? ImmutableArray.Create(
                    new WayOut(
                        WayOutKind.LeaveOut,
                        0,
                        bakes[0],
                        $"Leave {network.Bakes[bakes[0]].Name} out: no hour of the day makes it possible in this oven."
                    )
                )
                : [];
        var onCounter = wish is null ? null : CounterRise.Way(network.Kitchen, wish, bakes, 1, Look);
        return new ClashReport(
            true,
            [.. words.Distinct()],
            [.. ways.Concat(onCounter is null ? [] : [onCounter]).Concat(Ways(network, windows)).OrderBy(w => w.Price)]
        );
    }

    /// <summary>What makes a window possible that this oven cannot keep: a wider one in the recipe, or another oven. Both are
    /// tried.</summary>
    private static IEnumerable<WayOut> Ways(TaskNetwork network, List<(TaskLink Link, int Needed)> windows)
    {
        var wider = network with
        {
            Links =
            [
                .. network.Links.Select(l =>
                    windows.Where(w => w.Link == l).Select(w => l with { MaxLag = w.Needed }).FirstOrDefault() ?? l
                ),
            ],
        };
        if (ClashFinder.Works(wider, 1, Look))
        {
            var words = windows
                .Select(w =>
                    (Title: network.Tasks[w.Link.To].Step?.Title, Name: network.Bakes[network.Tasks[w.Link.To].Bake].Name, w.Needed)
                )
                .Distinct()
                .Select(w => $"“{w.Title}” of {w.Name} wait {SpokenTime.Of(w.Needed)}");
            yield return new WayOut(
                WayOutKind.WiderWindow,
                windows.Sum(w => w.Needed - w.Link.MaxLag!.Value),
                windows.Count == 1 ? network.Tasks[windows[0].Link.To].Bake : null,
                $"Let {string.Join(" and ", words)} on this day, if the dough bears it; in the refrigerator it does."
            )
            {
                Windows =
                [
                    .. windows
                        .GroupBy(w =>
                            (
                                network.Tasks[w.Link.To].Bake,
                                From: network.Tasks[w.Link.From].Step?.Key,
                                To: network.Tasks[w.Link.To].Step?.Key
                            )
                        )
                        .Where(g => g.Key is { From: not null, To: not null })
                        .Select(g => new WiderWindow(g.Key.Bake, g.Key.From!, g.Key.To!, g.Max(w => w.Needed - w.Link.MaxLag!.Value))),
                ],
            };
        }

        var two = network with
        {
            Kitchen = network.Kitchen with { SecondOven = network.Kitchen.Oven },
            Tasks = [.. network.Tasks.Select(t => t.Oven is { } need ? t with { Oven = need with { InSecond = need.UnitsPerItem } } : t)],
        };
        if (ClashFinder.Works(two, 1, Look))
            yield return new WayOut(
                WayOutKind.SecondOven,
                0,
                null,
                "Use a second oven: one as good as this, a neighbour’s too, and the day works."
            );
    }
}
