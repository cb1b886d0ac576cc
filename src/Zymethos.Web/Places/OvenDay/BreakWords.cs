using System.Globalization;
using Zymethos.Planning.Certainty;
using Zymethos.Planning.Day;

namespace Zymethos.Web.Places.OvenDay;

/// <summary>Where rehearsed days break, in words.</summary>
public static class BreakWords
{
    /// <summary>"“Shape” (Plaits) comes too late after “Second rise” on 4 of 100 days."</summary>
    public static string Of(TaskNetwork network, Breakage broken)
    {
        var task = network.Tasks[broken.Task];
        var often =
            broken.Share < 0.01 ? "now and then" : string.Create(CultureInfo.InvariantCulture, $"on {broken.Share * 100:0} of 100 days");
        return broken.Link is { } link
            ? $"“{task.Title}” ({network.Bakes[task.Bake].Name}) comes too late after “{network.Tasks[link.From].Title}” {often}."
            : $"“{task.Title}” ({network.Bakes[task.Bake].Name}) stays in too long, since nobody is free to take it out, {often}.";
    }
}
