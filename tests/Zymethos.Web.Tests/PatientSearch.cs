using Zymethos.Core.Kitchens;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Compile;
using Zymethos.Planning.Day;
using Zymethos.Planning.Search;

namespace Zymethos.Web.Tests;

/// <summary>
/// A search that finds a plan at once and then goes on until its time is over or it is stopped, proven or not, so that tests of what goes
/// on around a search do not depend on how quick the machine is.
/// </summary>
internal static class PatientSearch
{
    public static ModedOutcome Plan(Kitchen kitchen, DayWish wish, SolveSettings settings, CancellationToken cancel)
    {
        var network = TaskCompiler.Compile(kitchen, wish).Network!;
        var plan = FirstPlan.Find(network, 1)!;
        var finish = plan.Finish(network);
        settings.OnBetter?.Invoke(new BetterPlan(network, plan, finish, finish - 60));
        cancel.WaitHandle.WaitOne(settings.Limit);
        return new ModedOutcome(network, new PlanOutcome(PlanStatus.Found, plan, finish - 60, [], settings.Limit), []);
    }
}
