using System.Diagnostics;
using Google.OrTools.Sat;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Search;

/// <summary>
/// Plans a day: first by hand-like construction, in better and better orders (<see cref="OrderSearch"/>), then with CP-SAT in three steps.
/// Step one looks for the soonest finish. Step two raises the bound (<see cref="BoundSearch"/>). Step three keeps that finish, or what the
/// baker's lean allows beyond it, and looks for the shortest presence, the shortest oven time, kept soft windows and short waits (see
/// <see cref="DayWeights"/>).
/// </summary>
public static class DayPlanner
{
    /// <summary>Share of the limit by which the search for a better order is over on the slowest machine.</summary>
    private const double MostOrderShare = 0.2;

    // Somebody waits for a search as short as this: a better plan and a tidier one are worth more then than a higher bound.
    private static readonly TimeSpan Hurried = TimeSpan.FromSeconds(5);

    /// <summary>The same on a day with pauses, of which the solver knows nothing: its orders seldom keep their finish when pauses come into
    /// them.</summary>
    private const double MostOrderShareWithPauses = 0.7;

    /// <summary>Share of the limit by which the search for the soonest finish is over in a hurry.</summary>
    private const double HurriedFinishShare = 0.62;

    /// <summary>The same with time enough, on a day of few steps; on days of more it is longer, since more time would hardly raise their
    /// bound.</summary>
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
        if (bound > network.SpanEnd)
            return best.Outcome(PlanStatus.Impossible);
        if (Begin(network, settings) is { } first)
        {
            best.Take(first);
            BetterOrders(
                network,
                first,
                settings,
                best,
                () => cancel.IsCancellationRequested || clock.Elapsed > settings.Limit * OrderShare(network)
            );
        }

        if (!best.IsProven)
        {
            var model = new DayModel(network, reach, best.Bound, ModelDepth.Whole);
            model.MinimiseFinish(best.Best);
            if (best.Best is null)
                model.BeginAt(settings.Keep);
            var status = model.Solve(settings, (settings.Limit * FinishShare(network, settings, best)) - clock.Elapsed, cancel, best.Take);
            if (status is CpSolverStatus.Infeasible)
                return best.Outcome(PlanStatus.Impossible);
            best.Raise(model.Bound);
            if (status is CpSolverStatus.Optimal or CpSolverStatus.Feasible)
                best.Take(model.Read());
        }

        if (best.Best is not { } plan)
            return best.Outcome(PlanStatus.Unknown);
        BoundSearch.Run(
            network,
            reach,
            settings,
            clock,
            best,
            settings.Limit * (settings.Limit < Hurried ? HurriedBoundShare : BoundShare),
            cancel
        );
        var tidy = new DayModel(network, reach, best.Bound, ModelDepth.Whole);
        tidy.TidyWithin(best.Finish, DayWeights.For(network.Lean), plan, settings.Keep);
        var rest = best.IsProven
            ? TimeSpan.FromTicks(Math.Min((settings.Limit - clock.Elapsed).Ticks, settings.Limit.Ticks / 3))
            : settings.Limit - clock.Elapsed;
        var better = tidy.Solve(settings, rest, cancel, (_, _, _) => { }) is CpSolverStatus.Optimal or CpSolverStatus.Feasible
            ? PausedOrder.Of(network, tidy.Read()) ?? plan
            : plan;
        return best.Outcome(best.IsProven ? PlanStatus.Proven : PlanStatus.Found) with { Plan = better };
    }

    /// <summary>A plan as the baker's lean wants it, at no later a finish than a plan that obeys every rule; null where none was found in
    /// time.</summary>
    /// <param name="network">The day.</param>
    /// <param name="plan">The plan to begin from.</param>
    /// <param name="settings">Seed, workers, and where steps stood.</param>
    /// <param name="limit">How long.</param>
    /// <param name="cancel">Stops.</param>
    public static Plan? Tidy(TaskNetwork network, Plan plan, SolveSettings settings, TimeSpan limit, CancellationToken cancel)
    {
        var reach = new ReachTable(network);
        var model = new DayModel(network, reach, LowerBound.Finish(network, reach), ModelDepth.Whole);
        model.TidyWithin(plan.Finish(network), DayWeights.For(network.Lean), plan, settings.Keep);
        return model.Solve(settings, limit, cancel, (_, _, _) => { }) is CpSolverStatus.Optimal or CpSolverStatus.Feasible
            ? PausedOrder.Of(network, model.Read())
            : null;
    }

    /// <summary>The plan to begin from: one laid by hand, or the day in the order in which it stood where that ends sooner.</summary>
    private static Plan? Begin(TaskNetwork network, SolveSettings settings)
    {
        var laid = FirstPlan.Find(network, settings.Seed);
        if (settings.Keep.Count == 0 || OrderSearch.InOrder(network, settings.Keep) is not { } stood)
            return laid;
        return laid is null || stood.Finish(network) <= laid.Finish(network) ? stood : laid;
    }

    private static double OrderShare(TaskNetwork network) => network.Pauses is null ? MostOrderShare : MostOrderShareWithPauses;

    /// <summary>Share of the limit by which the search for the soonest finish is over. Without a plan there is nothing to raise a bound
    /// for.</summary>
    private static double FinishShare(TaskNetwork network, SolveSettings settings, BestSoFar best)
    {
        if (best.Best is null)
            return BoundShare;
        if (network.Pauses is not null)
            return MostOrderShareWithPauses + 0.1;
        return settings.Limit < Hurried
            ? HurriedFinishShare
            : Math.Clamp(ShortestFinishShare + (ShareOfAStep * (network.Tasks.Length - FewSteps)), ShortestFinishShare, LongestFinishShare);
    }

    /// <summary>Looks for better orders, one search on each core with a seed of its own.</summary>
    private static void BetterOrders(TaskNetwork network, Plan first, SolveSettings settings, BestSoFar best, Func<bool> isOver)
    {
        // As many as the time for it is meant for.
        var tries = (int)(OrderSearch.Tries(network, settings.Limit) * OrderShare(network) / MostOrderShare);
        var found = new Plan[settings.Workers];
        Parallel.For(
            0,
            found.Length,
            i =>
            {
                var ends = first.Finish(network);
                found[i] = OrderSearch.Improve(
                    network,
                    first,
                    settings.Seed + i,
                    tries,
                    () => ends <= best.Bound || isOver(),
                    better =>
                    {
                        ends = better.Finish(network);
                        best.Take(better);
                    }
                );
            }
        );
        best.Prefer(found.MinBy(p => p.Finish(network))!);
    }
}
