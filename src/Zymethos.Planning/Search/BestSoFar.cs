using System.Diagnostics;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Search;

/// <summary>The best plan of a search so far and the finish that no plan can beat, told to whoever listens. Solutions come from the
/// solver's threads.</summary>
internal sealed class BestSoFar(TaskNetwork network, SolveSettings settings, Stopwatch clock, int bound)
{
    private readonly Lock _lock = new();
    private readonly List<Progress> _trail = [];

    /// <summary>The best plan; null when there is none yet.</summary>
    public Plan? Best { get; private set; }

    /// <summary>Its finish; the largest number when there is none.</summary>
    public int Finish { get; private set; } = int.MaxValue;

    /// <summary>The finish that no plan can beat.</summary>
    public int Bound { get; private set; } = bound;

    /// <summary>Whether nothing sooner can be.</summary>
    public bool IsProven => Finish <= Bound;

    /// <summary>A finish that no plan can beat was proven.</summary>
    public void Raise(int proven)
    {
        lock (_lock)
        {
            if (proven <= Bound)
                return;
            Bound = Math.Min(proven, Finish);
            Tell();
        }
    }

    /// <summary>A plan that obeys every rule but perhaps that of pauses, of which the solver knows nothing: then its order is laid anew
    /// with them.</summary>
    public void Take(Plan plan)
    {
        if (PausedOrder.Of(network, plan) is not { } paused)
            return;
        plan = paused;
        lock (_lock)
        {
            if (plan.Finish(network) >= Finish)
                return;
            (Best, Finish) = (plan, plan.Finish(network));
            _trail.Add(new Progress(clock.Elapsed, Finish));
            Tell();
        }
    }

    /// <summary>Of plans that finish as soon, the one to keep: which of them came first is chance where several look at once.</summary>
    public void Prefer(Plan plan)
    {
        lock (_lock)
        {
            if (plan.Finish(network) == Finish)
                Best = plan;
        }
    }

    /// <summary>A solution on the way with what its search has proven; read only when it is better.</summary>
    public void Take(int finish, int proven, Func<Plan> read)
    {
        Raise(proven);
        if (finish < Finish)
            Take(read());
    }

    public PlanOutcome Outcome(PlanStatus status)
    {
        lock (_lock)
            return new(status, Best, Best is null ? Bound : Math.Min(Bound, Finish), _trail, clock.Elapsed);
    }

    private void Tell()
    {
        if (Best is not null)
            settings.OnBetter?.Invoke(new BetterPlan(network, Best, Finish, Math.Min(Bound, Finish)));
    }
}
