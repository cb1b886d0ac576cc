using Zymethos.Core.Kitchens;
using Zymethos.Core.Planning;
using Zymethos.Core.Recipes;

namespace Zymethos.Core.Tests.Planning;

/// <summary>A published job shop, put to the planner as a day of six jobs and six machines that exist once.</summary>
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

    [Fact]
    public void Ft06_is_solved_to_55_and_proven()
    {
        var network = Network(Ft06, 6);
        var outcome = DayPlanner.Plan(network, new SolveSettings(TimeSpan.FromSeconds(30)));
        Assert.Equal(PlanStatus.Proven, outcome.Status);
        Assert.Equal(55, outcome.Plan!.Finish(network));
        Assert.Empty(PlanChecker.Check(network, outcome.Plan));
    }

    /// <summary>Each operation needs its machine, and one of as many hands as there are jobs, so that hands never bind.</summary>
    private static TaskNetwork Network(string text, int machines)
    {
        var jobs = text.Split('\n', StringSplitOptions.RemoveEmptyEntries).Select(l => l.Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(int.Parse).ToArray()).ToList();
        var tasks = new List<PlanTask>();
        var links = new List<TaskLink>();
        for (var j = 0; j < jobs.Count; j++)
        {
            for (var k = 0; k < machines; k++)
            {
                var (machine, minutes) = (jobs[j][2 * k], jobs[j][(2 * k) + 1]);
                if (k > 0) links.Add(new TaskLink(tasks.Count - 1, tasks.Count, 0, null, WindowKind.Hard, ""));
                tasks.Add(new PlanTask(
                    tasks.Count, $"{j}.{k}", j, $"{j}.{k}", StepKind.Work, minutes, minutes, minutes, [new HandsNeed(0, minutes, 1)], [new Demand(machine, 1, 0)], null, null));
            }
        }

        return new TaskNetwork(
            RandomDays.Start,
            200,
            Kitchen.Ordinary("Shop"),
            [.. jobs.Select((_, j) => new Helper($"{j}", 0, 200))],
            [.. Enumerable.Range(0, machines).Select(m => new SharedResource($"machine {m}", 1))],
            [.. jobs.Select((_, j) => new PlannedBake($"job {j}", $"job-{j}", 1, null, null))],
            [.. tasks],
            [.. links],
            []);
    }
}
