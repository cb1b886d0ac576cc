using Zymethos.Core.Kitchens;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Checking;
using Zymethos.Planning.Day;
using Zymethos.Planning.Search;

namespace Zymethos.Planning.Tests.Search;

/// <summary>Published job shops, put to the planner as days of jobs and machines that exist once.</summary>
public sealed class JobShopTests
{
    // Fisher and Thompson 1963, instance FT06: 6 jobs x 6 machines, optimal makespan 55 (values from memory).
    // One line a job: machine duration, in processing order.
    private const string Ft06 = """
        2 1 0 3 1 6 3 7 5 3 4 6
        1 8 2 5 4 10 5 10 0 10 3 4
        2 5 3 4 5 8 0 9 1 1 4 7
        1 5 0 5 2 5 3 3 4 8 5 9
        2 9 1 3 4 5 5 4 0 3 3 1
        1 3 3 3 5 9 0 10 4 4 2 1
        """;

    // Lawrence 1984, instances LA01 and LA02: 10 jobs x 5 machines, optimal makespans 666 and 655 (values from memory; the proof of the
    // optimum speaks for them, since a wrong figure would hardly leave it as it is).
    private const string La01 = """
        1 21 0 53 4 95 3 55 2 34
        0 21 3 52 4 16 2 26 1 71
        3 39 4 98 1 42 2 31 0 12
        1 77 0 55 4 79 2 66 3 77
        0 83 3 34 2 64 1 19 4 37
        1 54 2 43 4 79 0 92 3 62
        3 69 4 77 1 87 2 87 0 93
        2 38 0 60 1 41 3 24 4 83
        3 17 1 49 4 25 0 44 2 98
        4 77 3 79 2 43 1 75 0 96
        """;

    private const string La02 = """
        0 20 3 87 1 31 4 76 2 17
        4 25 2 32 0 24 1 18 3 81
        1 72 2 23 4 28 0 58 3 99
        2 86 1 76 4 97 0 45 3 90
        4 27 0 42 3 48 2 17 1 46
        1 67 0 98 4 48 3 27 2 62
        4 28 1 12 3 19 0 80 2 50
        1 63 0 94 2 98 3 50 4 80
        4 14 0 75 2 50 1 41 3 55
        4 72 2 18 1 37 3 79 0 61
        """;

    [Theory]
    [InlineData(Ft06, 6, 55)]
    [InlineData(La01, 5, 666)]
    [InlineData(La02, 5, 655)]
    public void A_published_job_shop_is_solved_to_its_optimum_and_proven(string text, int machines, int optimum)
    {
        var network = Network(text, machines);
        var outcome = DayPlanner.Plan(network, new SolveSettings(TimeSpan.FromSeconds(60)));
        Assert.Equal(optimum, outcome.Plan!.Finish(network));
        Assert.Equal(PlanStatus.Proven, outcome.Status);
        Assert.Empty(PlanChecker.Check(network, outcome.Plan));
    }

    [Theory]
    [InlineData(Ft06, 6, 55)]
    [InlineData(La01, 5, 666)]
    [InlineData(La02, 5, 655)]
    public void A_search_for_a_better_order_alone_comes_within_a_few_percent_of_it(string text, int machines, int optimum)
    {
        var network = Network(text, machines);
        var plan = OrderSearch.Improve(network, FirstPlan.Find(network, 1)!, 1, 40_000);
        Assert.Empty(PlanChecker.Check(network, plan));
        Assert.InRange(plan.Finish(network), optimum, 1.03 * optimum);
    }

    /// <summary>Each operation needs its machine, and one of as many hands as there are jobs, so that hands never bind.</summary>
    private static TaskNetwork Network(string text, int machines)
    {
        var jobs = text.Split('\n', StringSplitOptions.RemoveEmptyEntries)
            .Select(l => l.Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(int.Parse).ToArray())
            .ToList();
        var tasks = new List<PlanTask>();
        var links = new List<TaskLink>();
        for (var j = 0; j < jobs.Count; j++)
        {
            for (var k = 0; k < machines; k++)
            {
                var (machine, minutes) = (jobs[j][2 * k], jobs[j][(2 * k) + 1]);
                if (k > 0)
                    links.Add(new TaskLink(tasks.Count - 1, tasks.Count, 0, null, WindowKind.Hard, ""));
                tasks.Add(
                    new PlanTask(
                        tasks.Count,
                        new TaskId($"{j}.{k}"),
                        j,
                        $"{j}.{k}",
                        StepKind.Work,
                        minutes,
                        minutes,
                        minutes,
                        [new HandsNeed(0, minutes, 1)],
                        [new Demand(machine, 1, 0)],
                        null,
                        null
                    )
                );
            }
        }

        return new TaskNetwork(
            RandomDays.Start,
            1000,
            Kitchen.Ordinary("Shop"),
            [.. jobs.Select((_, j) => new Helper($"{j}", 0, 1000))],
            [.. Enumerable.Range(0, machines).Select(m => new SharedResource($"machine {m}", 1))],
            [.. jobs.Select((_, j) => new PlannedBake($"job {j}", $"job-{j}", 1, null, null))],
            [.. tasks],
            [.. links],
            []
        );
    }
}
