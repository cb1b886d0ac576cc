using Zymethos.Planning.Checking;
using Zymethos.Planning.Day;

namespace Zymethos.Planning.Search;

/// <summary>Brings pauses into a plan that was made without a thought of them.</summary>
internal static class PausedOrder
{
    /// <summary>The plan itself where it has the day's pauses, or its order laid anew with them; null where that does not go.</summary>
    /// <param name="network">The day.</param>
    /// <param name="plan">A plan that obeys every other rule.</param>
    public static Plan? Of(TaskNetwork network, Plan plan)
    {
        if (network.Pauses is null || !PauseCheck.Find(network, plan).Any())
            return plan;
        return OrderSearch.InOrder(network, plan);
    }
}
