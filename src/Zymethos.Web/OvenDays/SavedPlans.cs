using System.Collections.Immutable;
using Zymethos.Core.Interchange;
using Zymethos.Core.Planning;
using Zymethos.Store.Days;

namespace Zymethos.Web.OvenDays;

/// <summary>Writes a plan down and brings it back to life beside the day it belongs to.</summary>
public static class SavedPlans
{
    /// <summary>What must be kept of a plan.</summary>
    public static SavedPlan Save(PlannedDay day, string note) => new(
        1,
        day.BoundFinish,
        [.. day.Network.Tasks.Select(t =>
        {
            var planned = day.Plan.Tasks[t.Index];
            return new SavedTask(t.Id, planned.Start, [.. planned.Hands.Select(h => new[] { h.Helper, h.From, h.Until })], [.. planned.Shelves], planned.End, planned.Oven);
        })],
        note,
        day.Network.Modes.IsEmpty ? null : [.. day.Network.Modes.Select(m => new SavedMode(m.Bake, m.Step, m.Mode))]);

    /// <summary>The planned day; null when document and plan no longer belong together or the plan breaks a rule.</summary>
    public static PlannedDay? Restore(OvenDayDocument document, SavedPlan saved)
    {
        var reader = new DocumentReader();
        var (kitchen, wish) = reader.Read(document);
        var modes = (saved.Modes ?? []).Select(m => new ChosenMode(m.Bake, m.Step, m.Mode)).ToImmutableArray();
        if (reader.Faults.Count > 0 || TaskCompiler.Compile(kitchen, ModeChooser.With(wish, modes)).Network is not { } network) return null;
        network = network with { Modes = modes };
        if (saved.Tasks.Count != network.Tasks.Length || !network.Tasks.All(t => saved.Tasks[t.Index].Id == t.Id)) return null;
        var plan = new Plan([.. network.Tasks.Select(t => Planned(t, saved.Tasks[t.Index]))]);
        return PlanChecker.Check(network, plan).Count == 0 ? PlannedDay.Of(network, plan, saved.BoundFinish) : null;
    }

    private static PlannedTask Planned(PlanTask task, SavedTask saved) => new(
        saved.Start,
        // Plans of before say no end: then nothing lengthened a step.
        saved.End ?? saved.Start + task.Likely,
        [.. saved.Hands.Select(h => new HandsBlock(h[0], h[1], h[2]))],
        [.. saved.Shelves])
    { Oven = saved.Oven ?? 0 };
}
