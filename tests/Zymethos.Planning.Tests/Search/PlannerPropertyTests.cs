using CsCheck;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Checking;
using Zymethos.Planning.Day;
using Zymethos.Planning.Rules;
using Zymethos.Planning.Search;
using Zymethos.Planning.Seasons;

namespace Zymethos.Planning.Tests.Search;

/// <summary>Random small kitchens: whatever the planner gives passes the checker, which shares no code with it.</summary>
public sealed class PlannerPropertyTests
{
    private static readonly SolveSettings Quick = new(TimeSpan.FromMilliseconds(250), 1, 2);

    private static TaskNetwork Random(int seed)
    {
        var random = new Random(seed);
        var network = RandomDays.Day(seed, random.Next(1, 5), random.Next(5, 16), random.Next(1, 4));
        // Some days have people with hours of their own, and bakes with wishes.
        if (random.Next(3) == 0 && network.Helpers.Length > 1)
            network = network with
            {
                Helpers = network.Helpers.SetItem(
                    1,
                    network.Helpers[1] with
                    {
                        From = random.Next(0, 120),
                        Until = network.SpanEnd - random.Next(0, 120),
                    }
                ),
            };
        if (random.Next(3) == 0)
            network = network with
            {
                Bakes = network.Bakes.SetItem(0, network.Bakes[0] with { ReadyBy = random.Next(200, network.SpanEnd + 200) }),
            };
        if (random.Next(3) == 0)
            network = network with { Bakes = network.Bakes.SetItem(0, network.Bakes[0] with { NotBefore = random.Next(0, 90) }) };
        if (random.Next(3) == 0)
        {
            var from = random.Next(30, Math.Max(31, network.SpanEnd - 200));
            network = network with { Rests = [new Rest(from, from + random.Next(5, 120))] };
        }

        if (random.Next(3) == 0)
            network = ByHand(network, random);
        return network with { Lean = (DayLean)random.Next(5) };
    }

    /// <summary>A step held where the first plan had it or a little later, and loads kept together or apart.</summary>
    private static TaskNetwork ByHand(TaskNetwork network, Random random)
    {
        if (FirstPlan.Find(network, 1) is { } plan)
        {
            var task = random.Next(network.Tasks.Length);
            network = network with { Pins = [new Pin(task, plan.Tasks[task].Start + random.Next(0, 20))] };
        }

        var (one, other) = (random.Next(network.Tasks.Length), random.Next(network.Tasks.Length));
        if (random.Next(2) == 0 && network.Tasks[one].Bake != network.Tasks[other].Bake)
            network = network with { Orders = network.Orders.Add((one, other)) };
        var loads = network.Tasks.Where(t => t.Oven is { Setting.IsProof: false }).ToList();
        var alike = loads
            .SelectMany(
                (a, i) =>
                    loads.Skip(i + 1).Where(b => b.Bake != a.Bake && b.Oven!.Setting == a.Oven!.Setting).Select(b => (a.Index, b.Index))
            )
            .ToList();
        if (alike.Count == 0)
            return network;
        var pair = alike[random.Next(alike.Count)];
        return random.Next(2) == 0 ? network with { Apart = [pair] } : network with { Together = [pair] };
    }

    [Fact]
    public void Every_plan_passes_the_checker_and_keeps_to_its_bound() =>
        Gen.Int[0, 1_000_000]
            .Sample(
                seed =>
                {
                    var network = Random(seed);
                    var outcome = DayPlanner.Plan(network, Quick);
                    if (outcome.Plan is null)
                        return;
                    Assert.Empty(PlanChecker.Check(network, outcome.Plan));
                    Assert.InRange(outcome.BoundFinish, 0, outcome.Plan.Finish(network));
                    if (network.Lean == DayLean.DoneEarly)
                        Assert.Equal(outcome.Status == PlanStatus.Proven, outcome.BoundFinish == outcome.Plan.Finish(network));
                },
                iter: Cases.Of(120),
                threads: 1
            );

    [Fact]
    public void Every_first_plan_passes_the_checker() =>
        Gen.Int[0, 1_000_000]
            .Sample(
                seed =>
                {
                    var network = Random(seed);
                    if (FirstPlan.Find(network, 1) is { } plan)
                        Assert.Empty(PlanChecker.Check(network, plan));
                },
                iter: Cases.Of(6000),
                threads: 2
            );

    [Fact]
    public void In_a_kitchen_where_everything_is_counted_every_plan_passes_the_checker() =>
        Gen.Int[0, 1_000_000]
            .Sample(
                seed =>
                {
                    if (RandomDays.Full(seed, 1 + (seed % 4), 1 + (seed % 2)) is not { } network)
                        return;
                    var outcome = DayPlanner.Plan(network, Quick);
                    if (outcome.Plan is null)
                        return;
                    Assert.Empty(PlanChecker.Check(network, outcome.Plan));
                    Assert.InRange(outcome.BoundFinish, 0, outcome.Plan.Finish(network));
                },
                iter: Cases.Of(80),
                threads: 1
            );

    [Fact]
    public void In_a_kitchen_where_everything_is_counted_every_first_plan_passes_the_checker() =>
        Gen.Int[0, 1_000_000]
            .Sample(
                seed =>
                {
                    if (RandomDays.Full(seed, 1 + (seed % 5), 1 + (seed % 3)) is not { } network)
                        return;
                    if (FirstPlan.Find(network, 1) is not { } plan)
                        return;
                    Assert.Empty(PlanChecker.Check(network, plan));
                    Assert.True(LowerBound.Finish(network, new ReachTable(network)) <= plan.Finish(network));
                },
                iter: Cases.Of(4000),
                threads: 2
            );

    [Fact]
    public void Every_plan_of_a_better_order_passes_the_checker_and_finishes_sooner() =>
        Gen.Int[0, 1_000_000]
            .Sample(
                seed =>
                {
                    var network = seed % 2 == 0 ? Random(seed) : RandomDays.Full(seed, 2 + (seed % 5), 1 + (seed % 3));
                    if (network is null || FirstPlan.Find(network, 1) is not { } last)
                        return;
                    var best = OrderSearch.Improve(
                        network,
                        last,
                        seed,
                        40,
                        onBetter: better =>
                        {
                            Assert.Empty(PlanChecker.Check(network, better));
                            Assert.True(better.Finish(network) < last.Finish(network));
                            last = better;
                        }
                    );
                    Assert.Same(last, best);
                },
                iter: Cases.Of(1500),
                threads: 2
            );

    [Fact]
    public void Hand_methods_break_nothing_but_the_end_of_the_day() =>
        Gen.Int[0, 1_000_000]
            .Sample(
                seed =>
                {
                    var network = Random(seed) with { Rests = [], Pins = [], Together = [], Apart = [] };
                    if (HandMethods.Build(network, HandMethods.ByTemperature(network)) is not { } plan)
                        return;
                    Assert.DoesNotContain(
                        PlanChecker.Check(network, plan),
                        b =>
                            b.Rule is not (PlanRule.Span or PlanRule.ReadyBy)
                            && !(b.Rule == PlanRule.Hands && b.Message.Contains("is not there", StringComparison.Ordinal))
                    );
                },
                iter: Cases.Of(3000),
                threads: 2
            );

    [Fact]
    public void The_counting_bound_never_exceeds_a_plan() =>
        Gen.Int[0, 1_000_000]
            .Sample(
                seed =>
                {
                    var network = Random(seed);
                    if (FirstPlan.Find(network, 1) is { } plan)
                        Assert.True(LowerBound.Finish(network, new ReachTable(network)) <= plan.Finish(network));
                },
                iter: Cases.Of(800),
                threads: 2
            );

    /// <summary>
    /// The reasons are true: a step that something holds back cannot start a minute earlier, and one that nothing holds can.
    /// </summary>
    [Fact]
    public void Moving_a_step_a_minute_agrees_with_its_reasons() =>
        Gen.Int[0, 1_000_000].Sample(AgreesWithItsReasons, iter: Cases.Of(250), threads: 2);

    /// <summary>
    /// Days on which agreement failed once: a shelf whose first load had gone by the minute in question (633469), two openings of the
    /// door that cancel out (619424), and a pause that is kept to the minute (871344).
    /// </summary>
    [Theory]
    [InlineData(633469)]
    [InlineData(619424)]
    [InlineData(871344)]
    public void Moving_a_step_a_minute_agrees_with_its_reasons_on_the_day_of(int seed) => AgreesWithItsReasons(seed);

    private static void AgreesWithItsReasons(int seed)
    {
        var network = Random(seed);
        if (FirstPlan.Find(network, 1) is not { } plan)
            return;
        var graph = new PlanGraph(network, plan);
        foreach (var task in network.Tasks)
        {
            var earlier = PlanChecker.Check(network, Moved(plan, task.Index, -1)).Count == 0;
            var ties = graph.HoldingBack(task.Index).ToList();
            var held = ties.Count > 0 || graph.Floor(task.Index) == graph.Start(task.Index);
            // Each tie of a door says that a bake would have another length. Where one opening goes and another comes in the same minute,
            // the lengths agree by chance.
            var cancels = earlier && ties.Count > 1 && ties.TrueForAll(t => t.Kind == TieKind.Door);
            // Plans keep a pause to the minute; the checker bears a stretch that is a little long.
            var borne = earlier && ties.Count > 0 && ties.TrueForAll(t => t.Kind == TieKind.Pause);
            Assert.True(earlier != held || cancels || borne, $"{task.Id} earlier: {earlier}, held: {held}, by {string.Join(", ", ties)}");
            Assert.True(graph.Slack(task.Index) >= 0);
        }
    }

    [Fact]
    public void The_same_day_and_seed_give_the_same_plan()
    {
        var network = RandomDays.Day(6, 3);
        var settings = new SolveSettings(TimeSpan.FromSeconds(20), 7, 1);
        var (one, two) = (DayPlanner.Plan(network, settings), DayPlanner.Plan(network, settings));
        Assert.Equal(PlanStatus.Proven, one.Status);
        Assert.Equal(one.Plan!.Tasks.Select(t => t.Start), two.Plan!.Tasks.Select(t => t.Start));
    }

    internal static Plan Moved(Plan plan, int task, int minutes)
    {
        var t = plan.Tasks[task];
        return plan with
        {
            Tasks = plan.Tasks.SetItem(
                task,
                t with
                {
                    Start = t.Start + minutes,
                    End = t.End + minutes,
                    Hands = [.. t.Hands.Select(b => b with { From = b.From + minutes, Until = b.Until + minutes })],
                }
            ),
        };
    }
}
