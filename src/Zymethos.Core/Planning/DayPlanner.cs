using System.Diagnostics;
using Google.OrTools.Sat;

namespace Zymethos.Core.Planning;

/// <summary>How long and how the planner may search.</summary>
/// <param name="Limit">Wall-clock time in all; above zero.</param>
/// <param name="Seed">Seed of the search: the same input and seed give the same plan when the search ends before the limit.</param>
/// <param name="Workers">Subsolvers in parallel, at least 1.</param>
public sealed record SolveSettings(TimeSpan Limit, int Seed = 1, int Workers = 2)
{
    /// <summary>Where steps stood before, by their ids: among plans that finish as soon, the one that moves fewest of them is taken. Empty when nothing stood.</summary>
    public IReadOnlyDictionary<string, int> Keep { get; init; } = new Dictionary<string, int>();

    /// <summary>
    /// Told of every better plan while the search goes on, from whichever thread finds it; null when nobody listens. What it throws ends the process, so it must not.
    /// </summary>
    public Action<BetterPlan>? OnBetter { get; init; }
}

/// <summary>A better plan on the way.</summary>
/// <param name="Network">The day it belongs to, with the ways that were chosen.</param>
/// <param name="Plan">The plan.</param>
/// <param name="Finish">Its finishing minute.</param>
/// <param name="Bound">The finishing minute that no plan of this network can beat, as far as is known.</param>
public sealed record BetterPlan(TaskNetwork Network, Plan Plan, int Finish, int Bound);

/// <summary>How a search ended.</summary>
public enum PlanStatus
{
    /// <summary>No plan finishes sooner: proven.</summary>
    Proven,

    /// <summary>A plan; a sooner finish is not ruled out.</summary>
    Found,

    /// <summary>Proven that no plan obeys every rule.</summary>
    Impossible,

    /// <summary>Neither a plan nor a proof in the time there was.</summary>
    Unknown,
}

/// <summary>A better finish on the way.</summary>
/// <param name="After">Time since the start of the search.</param>
/// <param name="Finish">Finishing minute of the plan found then.</param>
public sealed record Progress(TimeSpan After, int Finish);

/// <summary>What a search brought.</summary>
/// <param name="Status">How it ended.</param>
/// <param name="Plan">The best plan; null unless proven or found.</param>
/// <param name="BoundFinish">The finishing minute that no plan can beat.</param>
/// <param name="Trail">The way to it, first plan first.</param>
/// <param name="Took">Time used.</param>
public sealed record PlanOutcome(PlanStatus Status, Plan? Plan, int BoundFinish, IReadOnlyList<Progress> Trail, TimeSpan Took);

/// <summary>
/// Plans a day: first by hand-like construction, in better and better orders (<see cref="OrderSearch"/>), then with CP-SAT in three steps. Step one looks for the soonest finish. Step two raises the bound (<see cref="BoundSearch"/>). Step three keeps that
/// finish, or what the baker's lean allows beyond it, and looks for the shortest presence, the shortest oven time, kept soft windows and short waits (see <see cref="DayWeights"/>).
/// </summary>
public static class DayPlanner
{
    /// <summary>Share of the limit by which the search for a better order is over on the slowest machine.</summary>
    private const double MostOrderShare = 0.2;

    // Somebody waits for a search as short as this: a better plan and a tidier one are worth more then than a higher bound.
    private static readonly TimeSpan Hurried = TimeSpan.FromSeconds(5);

    /// <summary>Share of the limit by which the search for the soonest finish is over in a hurry.</summary>
    private const double HurriedFinishShare = 0.62;

    /// <summary>The same with time enough, on a day of few steps; on days of more it is longer, since more time would hardly raise their bound.</summary>
    private const double ShortestFinishShare = 0.55;

    private const double LongestFinishShare = 0.88;

    // Eight recipes or so are few steps; with each step more the search for the finish is longer by this share.
    private const int FewSteps = 67;
    private const double ShareOfAStep = 0.0075;

    /// <summary>Share of the limit by which the bound has been raised; the rest tidies the day.</summary>
    private const double BoundShare = 0.9;

    private const double HurriedBoundShare = 0.8;

    /// <summary>Plans. The outcome's plan obeys every rule, or is null.</summary>
    public static PlanOutcome Plan(TaskNetwork network, SolveSettings settings, CancellationToken cancel = default)
    {
        var clock = Stopwatch.StartNew();
        var reach = new ReachTable(network);
        var bound = LowerBound.Finish(network, reach);
        var best = new BestSoFar(network, settings, clock, bound);
        if (bound > network.SpanEnd) return best.Outcome(PlanStatus.Impossible);
        if (Begin(network, settings) is { } first)
        {
            best.Take(first);
            BetterOrders(network, first, settings, best, () => cancel.IsCancellationRequested || clock.Elapsed > settings.Limit * MostOrderShare);
        }

        if (!best.IsProven)
        {
            var model = new DayModel(network, reach, best.Bound, ModelDepth.Whole);
            model.MinimiseFinish(best.Best);
            if (best.Best is null) model.BeginAt(settings.Keep);
            var status = model.Solve(settings, (settings.Limit * FinishShare(network, settings, best)) - clock.Elapsed, cancel, best.Take);
            if (status is CpSolverStatus.Infeasible) return best.Outcome(PlanStatus.Impossible);
            best.Raise(model.Bound);
            if (status is CpSolverStatus.Optimal or CpSolverStatus.Feasible) best.Take(model.Read());
        }

        if (best.Best is not { } plan) return best.Outcome(PlanStatus.Unknown);
        BoundSearch.Run(network, reach, settings, clock, best, settings.Limit * (settings.Limit < Hurried ? HurriedBoundShare : BoundShare), cancel);
        var tidy = new DayModel(network, reach, best.Bound, ModelDepth.Whole);
        tidy.TidyWithin(best.Finish, DayWeights.For(network.Lean), plan, settings.Keep);
        var rest = best.IsProven ? TimeSpan.FromTicks(Math.Min((settings.Limit - clock.Elapsed).Ticks, settings.Limit.Ticks / 3)) : settings.Limit - clock.Elapsed;
        var better = tidy.Solve(settings, rest, cancel, (_, _, _) => { }) is CpSolverStatus.Optimal or CpSolverStatus.Feasible ? tidy.Read() : plan;
        return best.Outcome(best.IsProven ? PlanStatus.Proven : PlanStatus.Found) with { Plan = better };
    }

    /// <summary>The plan to begin from: one laid by hand, or the day in the order in which it stood where that ends sooner.</summary>
    private static Plan? Begin(TaskNetwork network, SolveSettings settings)
    {
        var laid = FirstPlan.Find(network, settings.Seed);
        if (settings.Keep.Count == 0 || OrderSearch.InOrder(network, settings.Keep) is not { } stood) return laid;
        return laid is null || stood.Finish(network) <= laid.Finish(network) ? stood : laid;
    }

    /// <summary>Share of the limit by which the search for the soonest finish is over. Without a plan there is nothing to raise a bound for.</summary>
    private static double FinishShare(TaskNetwork network, SolveSettings settings, BestSoFar best)
    {
        if (best.Best is null) return BoundShare;
        return settings.Limit < Hurried ? HurriedFinishShare : Math.Clamp(ShortestFinishShare + (ShareOfAStep * (network.Tasks.Length - FewSteps)), ShortestFinishShare, LongestFinishShare);
    }

    /// <summary>Looks for better orders, one search on each core with a seed of its own.</summary>
    private static void BetterOrders(TaskNetwork network, Plan first, SolveSettings settings, BestSoFar best, Func<bool> isOver)
    {
        var tries = OrderSearch.Tries(network, settings.Limit);
        var found = new Plan[settings.Workers];
        Parallel.For(0, found.Length, i =>
        {
            var ends = first.Finish(network);
            found[i] = OrderSearch.Improve(network, first, settings.Seed + i, tries, () => ends <= best.Bound || isOver(), better =>
            {
                ends = better.Finish(network);
                best.Take(better);
            });
        });
        best.Prefer(found.MinBy(p => p.Finish(network))!);
    }
}
