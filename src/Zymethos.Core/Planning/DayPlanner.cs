using System.Diagnostics;
using Google.OrTools.Sat;

namespace Zymethos.Core.Planning;

/// <summary>How long and how the planner may search.</summary>
/// <param name="Limit">Wall-clock time in all; above zero.</param>
/// <param name="Seed">Seed of the search: the same input and seed give the same plan when the search ends before the limit.</param>
/// <param name="Workers">Subsolvers in parallel, at least 1.</param>
public sealed record SolveSettings(TimeSpan Limit, int Seed = 1, int Workers = 6)
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
/// Plans a day: first by hand-like construction, then with CP-SAT in three steps. Step one looks for the earliest finish without a thought for what open doors cost, which is
/// much easier and whose bound holds all the same; what it finds is settled on the way. Step two looks on with the doors. Step three keeps that finish, or what the
/// baker's lean allows beyond it, and looks for the shortest presence, the shortest oven time, kept soft windows and short waits (see <see cref="DayWeights"/>).
/// </summary>
public static class DayPlanner
{
    /// <summary>Share of the limit by which steps one and two are over.</summary>
    private const double FirstShare = 0.8;

    /// <summary>Share of the limit by which step one is over where doors matter.</summary>
    private const double DoorlessShare = 0.15;

    /// <summary>Share of the limit by which what step one found has been made to bear open doors.</summary>
    private const double NearShare = 0.25;

    /// <summary>Plans. The outcome's plan obeys every rule, or is null.</summary>
    public static PlanOutcome Plan(TaskNetwork network, SolveSettings settings, CancellationToken cancel = default)
    {
        var clock = Stopwatch.StartNew();
        var reach = new ReachTable(network);
        var bound = LowerBound.Finish(network, reach);
        var found = new Found(network, settings, clock, bound);
        if (bound > network.SpanEnd) return found.Outcome(PlanStatus.Impossible);
        if (FirstPlan.Find(network, settings.Seed) is { } first)
        {
            found.Take(first);
            if (found.Finish > bound) found.Take(FirstPlan.Improve(network, first, settings.Seed, bound, cancel));
        }

        var doors = DoorsMatter(network);
        if (doors && !found.IsProven)
        {
            var doorless = new DayModel(network, reach, found.Bound, withDoor: false);
            doorless.MinimiseFinish(found.Best);
            var status = doorless.Solve(settings, (settings.Limit * DoorlessShare) - clock.Elapsed, cancel, found.TakeToSettle);
            if (status is CpSolverStatus.Infeasible) return found.Outcome(PlanStatus.Impossible);
            found.Raise(doorless.Bound);
            if (status is CpSolverStatus.Optimal or CpSolverStatus.Feasible) LookNear(doorless.Read(), network, reach, settings, found, (settings.Limit * NearShare) - clock.Elapsed, cancel);
        }

        if (!found.IsProven)
        {
            var model = new DayModel(network, reach, found.Bound, withDoor: true);
            model.MinimiseFinish(found.Best);
            var status = model.Solve(settings, (settings.Limit * FirstShare) - clock.Elapsed, cancel, found.Take);
            if (status is CpSolverStatus.Infeasible) return found.Outcome(PlanStatus.Impossible);
            found.Raise(model.Bound);
            if (status is CpSolverStatus.Optimal or CpSolverStatus.Feasible) found.Take(model.Read());
        }

        if (found.Best is not { } best) return found.Outcome(PlanStatus.Unknown);
        var proof = found.IsProven ? PlanStatus.Proven : PlanStatus.Found;
        var tidy = new DayModel(network, reach, found.Bound, withDoor: true);
        tidy.TidyWithin(found.Finish, DayWeights.For(network.Lean), best, settings.Keep);
        var rest = found.IsProven ? TimeSpan.FromTicks(Math.Min((settings.Limit - clock.Elapsed).Ticks, settings.Limit.Ticks / 3)) : settings.Limit - clock.Elapsed;
        var better = tidy.Solve(settings, rest, cancel, (_, _, _) => { }) is CpSolverStatus.Optimal or CpSolverStatus.Feasible ? tidy.Read() : best;
        return found.Outcome(proof) with { Plan = better };
    }

    /// <summary>A good plan that forgot the door is made to bear it: settled in its order, or else searched around it.</summary>
    private static void LookNear(Plan doorless, TaskNetwork network, ReachTable reach, SolveSettings settings, Found found, TimeSpan time, CancellationToken cancel)
    {
        if (DoorSettling.Settle(network, doorless, keepEnds: true) is { } settled) found.Take(settled);
        if (found.Finish <= doorless.Finish(network)) return;
        var near = new DayModel(network, reach, found.Bound, withDoor: true);
        near.StayNear(doorless);
        near.MinimiseFinish(doorless);
        if (near.Solve(settings, time, cancel, found.Take) is CpSolverStatus.Optimal or CpSolverStatus.Feasible) found.Take(near.Read());
    }

    /// <summary>Whether loads of one setting may share an oven whose open door costs time, or the hour decides how long a rise takes.</summary>
    private static bool DoorsMatter(TaskNetwork network) =>
        network.Tasks.Where(t => t.Oven is { Setting.IsProof: false }).GroupBy(t => t.Oven!.Setting)
            .Any(g => g.Count() > 1 && Enumerable.Range(0, network.Kitchen.Ovens.Length).Any(o => network.Thermal(o).DoorRecovery(g.Key) > 0));

    /// <summary>The best so far, told to whoever listens. Solutions come from the solver's threads.</summary>
    private sealed class Found(TaskNetwork network, SolveSettings settings, Stopwatch clock, int bound)
    {
        private static readonly TimeSpan BetweenSettlings = TimeSpan.FromMilliseconds(150);

        private readonly Lock _lock = new();
        private readonly List<Progress> _trail = [];
        private TimeSpan _settled = -BetweenSettlings;

        public Plan? Best { get; private set; }

        public int Finish { get; private set; } = int.MaxValue;

        public int Bound { get; private set; } = bound;

        public bool IsProven => Finish <= Bound;

        public void Raise(int proven) => Bound = Math.Min(Math.Max(Bound, proven), Finish);

        public void Take(Plan plan)
        {
            lock (_lock)
            {
                if (plan.Finish(network) >= Finish) return;
                (Best, Finish) = (plan, plan.Finish(network));
                _trail.Add(new Progress(clock.Elapsed, Finish));
                settings.OnBetter?.Invoke(new BetterPlan(network, plan, Finish, Math.Min(Bound, Finish)));
            }
        }

        /// <summary>A solution on the way. Its bound is not taken: near a plan it holds only there.</summary>
        public void Take(int finish, int proven, Func<Plan> read)
        {
            lock (_lock)
            {
                if (finish < Finish) Take(read());
            }
        }

        /// <summary>A solution that forgot the door.</summary>
        public void TakeToSettle(int finish, int proven, Func<Plan> read)
        {
            lock (_lock)
            {
                Bound = Math.Max(Bound, proven);
                // Settling takes as long as many steps of the search; the last is settled in any case.
                if (finish >= Finish || clock.Elapsed - _settled < BetweenSettlings) return;
                _settled = clock.Elapsed;
                if (DoorSettling.Settle(network, read(), keepEnds: true) is { } sound) Take(sound);
            }
        }

        public PlanOutcome Outcome(PlanStatus status) => new(status, Best, Best is null ? Bound : Math.Min(Bound, Finish), _trail, clock.Elapsed);
    }
}
