using System.Collections.Immutable;
using Zymethos.Core.Measures;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Checking;
using Zymethos.Planning.Compile;
using Zymethos.Planning.Day;
using Zymethos.Planning.Reading;
using Zymethos.Planning.Search;
using Zymethos.Store.Days;

namespace Zymethos.Work.OvenDays;

/// <summary>Writes a plan down and brings it back to life beside the day it belongs to.</summary>
public static class SavedPlans
{
    /// <summary>A plan with its network and with what is known of its bakes.</summary>
    /// <param name="day">The plan.</param>
    /// <param name="document">The day that was asked for.</param>
    /// <param name="knowledge">What the kitchen knows of ingredients.</param>
    public static SavedPlan Save(PlannedDay day, OvenDayDocument document, IngredientKnowledge knowledge) =>
        new(
            2,
            day.BoundFinish,
            TasksOf(day.Network, day.Plan),
            "",
            day.Network.Modes.IsEmpty ? null : [.. day.Network.Modes.Select(m => new SavedMode(m.Bake, m.Step, m.Mode))],
            NetworkText.Write(day.Network),
            DayStatements.Of(document, knowledge),
            day.Chance is { } chance ? Write(chance) : null,
            day.Choices.IsEmpty ? null : [.. day.Choices.Select(c => new SavedChoice(TasksOf(day.Network, c.Plan), Write(c.Chance)))]
        );

    private static IReadOnlyList<SavedTask> TasksOf(TaskNetwork network, Plan plan) =>
        [
            .. network.Tasks.Select(t =>
            {
                var planned = plan.Tasks[t.Index];
                return new SavedTask(
                    t.Id.Value,
                    planned.Start,
                    [.. planned.Hands.Select(h => new[] { h.Helper, h.From, h.Until })],
                    [.. planned.Shelves],
                    planned.End,
                    planned.Oven
                );
            }),
        ];

    private static SavedChance Write(PlanChance chance) =>
        new(
            chance.Days,
            chance.Together,
            chance.LikelyDone,
            chance.DoneBy,
            [.. chance.Needs.Select(n => n.Ready)],
            [.. chance.Needs.Select(n => n.Unspoilt)],
            chance.ReadyBy,
            chance.LikelyReady
        );

    private static PlanChance Read(SavedChance saved) =>
        new(
            saved.Days,
            saved.Together,
            saved.LikelyDone,
            saved.DoneBy,
            [
                .. saved
                    .Ready.Zip(saved.Unspoilt, (ready, unspoilt) => (ready, unspoilt))
                    .Select((n, i) => new NeedChance(i, n.ready, n.unspoilt)),
            ]
        )
        {
            ReadyBy = saved.ReadyBy,
            LikelyReady = saved.LikelyReady,
        };

    /// <summary>
    /// The planned day. A plan that was kept with its network is what it was, whatever the rules that made it say today; one without is
    /// compiled again and checked. Null when document and plan no longer belong together.
    /// </summary>
    public static PlannedDay? Restore(OvenDayDocument document, SavedPlan saved)
    {
        var reader = new DocumentReader();
        var (kitchen, wish) = reader.Read(document);
        if (reader.Faults.Count > 0)
            return null;
        var modes = (saved.Modes ?? []).Select(m => new ChosenMode(m.Bake, m.Step, m.Mode)).ToImmutableArray();
        wish = ModeChooser.With(wish, modes);
        if (
            saved.Network is { } kept
            && NetworkText.Read(kept, kitchen, [.. wish.Bakes.Select(b => TaskCompiler.StepsOf(kitchen, b))]) is { } network
        )
            return Together(network with { Modes = modes }, saved.Tasks) is { } plan
                ? PlannedDay.Kept(
                    network with
                    {
                        Modes = modes,
                    },
                    plan,
                    saved.BoundFinish,
                    saved.Chance is { } chance ? Read(chance) : null,
                    [
                        .. (saved.Choices ?? [])
                            .Select(c => (Plan: Together(network, c.Tasks), c.Chance))
                            .Where(c => c.Plan is not null)
                            .Select(c => new PlanChoice(c.Plan!, Read(c.Chance))),
                    ]
                )
                : null;
        if (TaskCompiler.Compile(kitchen, wish).Network is not { } again || Together(again, saved.Tasks) is not { } old)
            return null;
        return PlanChecker.Check(again, old).Count == 0 ? PlannedDay.Of(again with { Modes = modes }, old, saved.BoundFinish) : null;
    }

    private static Plan? Together(TaskNetwork network, IReadOnlyList<SavedTask> saved) =>
        saved.Count == network.Tasks.Length && network.Tasks.All(t => saved[t.Index].Id == t.Id.Value)
            ? new Plan([.. network.Tasks.Select(t => Planned(t, saved[t.Index]))])
            : null;

    private static PlannedTask Planned(PlanTask task, SavedTask saved) =>
        new(
            saved.Start,
            // Plans of before say no end: then nothing lengthened a step.
            saved.End
                ?? saved.Start + task.Likely,
            [.. saved.Hands.Select(h => new HandsBlock(h[0], h[1], h[2]))],
            [.. saved.Shelves]
        )
        {
            Oven = saved.Oven ?? 0,
        };
}
