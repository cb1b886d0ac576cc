using System.Collections.Immutable;
using CsCheck;
using NodaTime;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Checking;
using Zymethos.Planning.Compile;
using Zymethos.Planning.Day;
using Zymethos.Planning.Rules;
using Zymethos.Planning.Search;
using Zymethos.Planning.Seasons;
using static Zymethos.Tests.RandomDays;

namespace Zymethos.Planning.Tests.Search;

/// <summary>Tiny days whose every plan can be tried: the planner's finish is as good as the best of them, and what it calls impossible
/// is.</summary>
public sealed class ExhaustiveSearchTests
{
    private static readonly Pan Whole = new("full tray", Length.FromMillimetres(490), Length.FromMillimetres(330));

    private static TaskNetwork Tiny(int seed)
    {
        var random = new Random(seed);
        var oven = Kitchen.Ordinary("Tiny").Oven with
        {
            HeatUp = Duration.FromMinutes(3),
            CoolAjar = Duration.FromMinutes(8),
            Shelves = random.Next(1, 3),
            DoorDrop = random.Next(2) * 80,
            ColdLoad = Duration.FromMinutes(random.Next(2) * 6),
        };
        var kitchen = Kitchen.Ordinary("Tiny") with { Oven = oven, MixerWash = Duration.FromMinutes(random.Next(0, 3)) };
        var wishes = Enumerable.Range(0, 2).Select(i => new BakeWish(TinyRecipe(random, i), 1, null, null)).ToImmutableArray();
        return TaskCompiler.Compile(kitchen, new DayWish(Start, Start.PlusMinutes(random.Next(14, 26)), wishes)).Network!;
    }

    private static Recipe TinyRecipe(Random random, int number)
    {
        int? window = random.Next(2) == 0 ? random.Next(0, 4) : null;
        return Make(
            $"tiny-{number}",
            [
                Hands("mix", random.Next(2) == 0 ? StepKind.Mix : StepKind.Work, random.Next(1, 5)),
                Bake("bake", random.Next(3, 9), random.Next(2) == 0 ? 175 : 150, Whole, 1),
            ],
            [Tie("mix", "bake", random.Next(0, 3), window is { } w ? w + 3 : null)]
        );
    }

    [Fact]
    public void The_planner_finds_what_trying_everything_finds() =>
        Gen.Int[0, 1_000_000]
            .Sample(
                seed =>
                {
                    var network = Tiny(seed);
                    var best = Best(network);
                    var outcome = DayPlanner.Plan(network, new SolveSettings(TimeSpan.FromSeconds(10), 1, 1));
                    Assert.Equal(best is null && outcome.Plan is null ? PlanStatus.Impossible : PlanStatus.Proven, outcome.Status);
                    if (outcome.Plan is not { } plan)
                        return;
                    // What is tried here stays only as long as an open door demands. The planner may also leave a load in until hands are
                    // free, and then be sooner: never later, and never against a rule.
                    Assert.Empty(PlanChecker.Check(network, plan));
                    Assert.True(plan.Finish(network) <= (best ?? int.MaxValue), $"{plan.Finish(network)} {best}");
                },
                iter: Cases.Of(60),
                threads: 2
            );

    [Fact]
    public void A_search_for_a_better_order_alone_finds_the_best_of_nearly_every_tiny_day()
    {
        var days = Enumerable
            .Range(0, 60)
            .Select(Tiny)
            .Select(d => (Day: d, First: FirstPlan.Find(d, 1)))
            .Where(d => d.First is not null)
            .ToList();
        var reached = days.Count(d => OrderSearch.Improve(d.Day, d.First!, 1, 300).Finish(d.Day) <= Best(d.Day));
        Assert.True(days.Count > 30);
        // Laid as early as they go, loads cannot wait for one another to save an open door; that is the solver's to find.
        Assert.True(reached >= 0.9 * days.Count, $"{reached} of {days.Count}");
    }

    /// <summary>Tries every start of every task, judging only with the checker.</summary>
    private static int? Best(TaskNetwork network)
    {
        int? best = null;
        var starts = new int[network.Tasks.Length];
        Try(0);
        return best;

        void Try(int task)
        {
            if (task == network.Tasks.Length)
            {
                // Two loads at once stand on different shelves: try both ways round.
                foreach (var flip in network.Kitchen.Oven.Shelves > 1 ? new[] { 0, 1 } : [0])
                {
                    var plan = With(network, starts, flip, new int[starts.Length]);
                    // What shares the oven may have to stay longer for an open door: every stay that is long enough is tried.
                    foreach (var broken in PlanChecker.Check(network, plan).Where(b => b.Rule == PlanRule.Door).ToList())
                    {
                        var longer = new int[starts.Length];
                        for (longer[broken.Tasks[0]] = 1; longer[broken.Tasks[0]] <= 40; longer[broken.Tasks[0]]++)
                        {
                            var stays = With(network, starts, flip, longer);
                            if (PlanChecker.Check(network, stays).Count == 0)
                                best = Math.Min(best ?? int.MaxValue, stays.Finish(network));
                        }
                    }

                    if (PlanChecker.Check(network, plan).Count == 0)
                        best = Math.Min(best ?? int.MaxValue, plan.Finish(network));
                }

                return;
            }

            var own = network.Tasks[task];
            for (var s = 0; s + own.Likely <= Math.Min(network.SpanEnd, (best ?? int.MaxValue) - 1); s++)
            {
                if (network.Links.Any(l => l.To == task && l.From < task && s < starts[l.From] + network.Tasks[l.From].Likely + l.MinLag))
                    continue;
                starts[task] = s;
                Try(task + 1);
            }
        }
    }

    private static Plan With(TaskNetwork network, int[] starts, int flip, int[] longer) =>
        new(
            [
                .. network.Tasks.Select(t =>
                {
                    var (start, end) = (starts[t.Index], starts[t.Index] + t.Likely + longer[t.Index]);
                    return new PlannedTask(
                        start,
                        end,
                        [.. t.Hands.Select(h => t.HandsAt(h, start, end)).Select(h => new HandsBlock(0, h.From, h.Until))],
                        t.Oven is null ? [] : [t.Bake == 0 ? 0 : flip]
                    );
                }),
            ]
        );
}
