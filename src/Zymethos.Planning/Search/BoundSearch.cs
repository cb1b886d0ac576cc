using System.Diagnostics;
using Google.OrTools.Sat;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Search;

/// <summary>
/// Raises the bound by asking for a plan that ends by a given minute and being told that there is none (a destructive bound), half way
/// between what is proven and what was found, again and again. A day that must end soon leaves the solver little to look at, so that it
/// says "none" much sooner than it would raise the bound of a search for the soonest finish. It asks first with hands and heats alone and
/// then without a thought for open doors, which is easier; every plan is one of those days too, so "none" holds for all.
/// </summary>
internal static class BoundSearch
{
    /// <summary>Share of the time that one question may take.</summary>
    private const double PatienceShare = 1.0 / 3;

    /// <summary>Share of the time that hands and heats alone may take; with few pans or little room it is the rest that tells.</summary>
    private const double LeanShare = 0.6;

    // A bound so close below what is still in question, as a share of the finish, is left.
    private const double Close = 0.01;

    /// <summary>Searches until a moment of the clock.</summary>
    public static void Run(
        TaskNetwork network,
        ReachTable reach,
        SolveSettings settings,
        Stopwatch clock,
        BestSoFar best,
        TimeSpan until,
        CancellationToken cancel
    )
    {
        var patience = (until - clock.Elapsed) * PatienceShare;
        var leanUntil = clock.Elapsed + ((until - clock.Elapsed) * LeanShare);
        Ask(ModelDepth.HandsAndHeats, leanUntil);
        Ask(ModelDepth.DoorsShut, until);

        void Ask(ModelDepth depth, TimeSpan end)
        {
            var inQuestion = Math.Min(best.Finish, network.SpanEnd);
            while (inQuestion - best.Bound > inQuestion * Close && clock.Elapsed < end && !cancel.IsCancellationRequested)
            {
                var target = (best.Bound + inQuestion - 1) / 2;
                var model = new DayModel(network, reach, best.Bound, depth);
                model.EndBy(target);
                var left = end - clock.Elapsed;
                switch (model.Solve(settings, left < patience ? left : patience, cancel, (_, _, _) => { }))
                {
                    case CpSolverStatus.Infeasible:
                        best.Raise(target + 1);
                        break;
                    case CpSolverStatus.Optimal or CpSolverStatus.Feasible:
                        inQuestion = model.LastEnd();
                        break;
                    default:
                        inQuestion = target;
                        break;
                }
            }
        }
    }
}
