using Zymethos.Planning.Day;

namespace Zymethos.Planning.Search;

/// <summary>What can be said of a day before anything is searched.</summary>
public static class DayBound
{
    /// <summary>The minute before which no order whatever is done, by usual times.</summary>
    public static int Finish(TaskNetwork network) => LowerBound.Finish(network, new ReachTable(network));

    /// <summary>A first order as a good baker writes it down; null where none is found at once, which does not say that there is
    /// none.</summary>
    public static Plan? FirstOrder(TaskNetwork network) => FirstPlan.Find(network, 1);
}
