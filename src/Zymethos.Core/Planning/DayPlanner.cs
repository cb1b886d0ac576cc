using System.Diagnostics;
using Google.OrTools.Sat;

namespace Zymethos.Core.Planning;

/// <summary>How long and how the planner may search.</summary>
/// <param name="Limit">Wall-clock time in all; above zero.</param>
/// <param name="Seed">Seed of the search: the same input and seed give the same plan when the search ends before the limit.</param>
/// <param name="Workers">Subsolvers in parallel, at least 1.</param>
public sealed record SolveSettings(TimeSpan Limit, int Seed = 1, int Workers = 6)
{
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
/// Plans a day: first by hand-like construction, then with CP-SAT in two steps. Step one looks for the earliest finish and proves how much
/// earlier any plan could be. Step two keeps that finish, or what the baker's lean allows beyond it, and looks for the shortest presence, the
/// shortest oven time, kept soft windows and short waits (see <see cref="DayWeights"/>).
/// </summary>
public static class DayPlanner
{
    /// <summary>Share of the limit that step one may use.</summary>
    private const double FirstShare = 0.8;

    /// <summary>Plans. The outcome's plan obeys every rule, or is null.</summary>
    public static PlanOutcome Plan(TaskNetwork network, SolveSettings settings, CancellationToken cancel = default)
    {
        var clock = Stopwatch.StartNew();
        var trail = new List<Progress>();
        var reach = new ReachTable(network);
        var bound = LowerBound.Finish(network, reach);
        if (bound > network.SpanEnd) return new PlanOutcome(PlanStatus.Impossible, null, bound, trail, clock.Elapsed);
        var first = FirstPlan.Find(network, settings.Seed);
        if (first is not null)
        {
            trail.Add(new Progress(clock.Elapsed, first.Finish(network)));
            settings.OnBetter?.Invoke(new BetterPlan(network, first, first.Finish(network), bound));
        }

        var counted = bound;

        var model = new DayModel(network, reach, bound);
        model.MinimiseFinish(first);
        var status = model.Solve(settings, settings.Limit * FirstShare - clock.Elapsed, cancel, (finish, proven, read) =>
        {
            lock (trail)
            {
                if (trail.Count > 0 && finish >= trail[^1].Finish) return;
                trail.Add(new Progress(clock.Elapsed, finish));
                settings.OnBetter?.Invoke(new BetterPlan(network, read(), finish, Math.Max(counted, proven)));
            }
        });
        if (status is CpSolverStatus.Infeasible) return new PlanOutcome(PlanStatus.Impossible, null, bound, trail, clock.Elapsed);
        if (status is CpSolverStatus.ModelInvalid) throw new InvalidOperationException("The planner built a model that the solver rejects.");

        bound = Math.Max(bound, model.Bound);
        var best = status is CpSolverStatus.Optimal or CpSolverStatus.Feasible ? model.Read() : first;
        if (best is null) return new PlanOutcome(PlanStatus.Unknown, null, bound, trail, clock.Elapsed);
        if (first is not null && first.Finish(network) < best.Finish(network)) best = first;

        var finish = best.Finish(network);
        var proven = finish <= bound;
        var tidy = new DayModel(network, reach, bound);
        tidy.TidyWithin(finish, DayWeights.For(network.Lean), best);
        var rest = proven ? TimeSpan.FromTicks(Math.Min((settings.Limit - clock.Elapsed).Ticks, settings.Limit.Ticks / 3)) : settings.Limit - clock.Elapsed;
        if (tidy.Solve(settings, rest, cancel, (_, _, _) => { }) is CpSolverStatus.Optimal or CpSolverStatus.Feasible) best = tidy.Read();
        return new PlanOutcome(proven ? PlanStatus.Proven : PlanStatus.Found, best, Math.Min(bound, finish), trail, clock.Elapsed);
    }
}
