using Zymethos.Interchange.Demo;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Certainty;
using Zymethos.Planning.Checking;
using Zymethos.Planning.Day;
using Zymethos.Planning.Search;

namespace Zymethos.Planning.Tests.Search;

/// <summary>A step that the baker holds somewhere else: the plan that stands is where the search begins.</summary>
public sealed class StandingPlanTests
{
    private static readonly string[] Saturday =
    [
        "lantern-plait",
        "market-squash-loaf",
        "lamplight-ginger-rounds",
        "window-shapes",
        "orchard-almond-slices",
    ];

    [Theory]
    [InlineData(28)]
    [InlineData(45)]
    public void The_last_bake_can_be_held_later_on_a_full_day(int minutes)
    {
        var bakes = DemoKitchen.Recipes().Where(r => Saturday.Contains(r.Key)).Select(r => new BakeDocument(r)).ToList();
        var (kitchen, wish) = new DocumentReader().Read(
            new OvenDayDocument(DemoKitchen.Kitchen(), new DayDocument("2026-12-05", "08:00", "18:00"), bakes)
        );
        var settings = new SolveSettings(TimeSpan.FromSeconds(2)) { Certainty = kitchen.Certainty };
        var before = SurePlanner.Plan(kitchen, wish, settings);
        var (network, plan) = (before.Network!, before.Outcome!.Plan!);
        var last = network.Tasks.Where(t => t.Oven is { Setting.IsHot: true }).MaxBy(t => plan.Tasks[t.Index].Start)!;
        var at = plan.Tasks[last.Index].Start + minutes;
        var held = SurePlanner.Plan(
            kitchen,
            wish with
            {
                ByHand = ByHand.Nothing with { Pins = [new PinWish(last.Id, at)] },
            },
            settings with
            {
                Keep = network.Tasks.ToDictionary(t => t.Id, t => plan.Tasks[t.Index].Start),
                Also = [plan],
            }
        );
        Assert.NotNull(held.Outcome!.Plan);
        Assert.Empty(PlanChecker.Check(held.Network!, held.Outcome.Plan));
        Assert.Equal(at, held.Outcome.Plan.Tasks[held.Network!.Tasks.Single(t => t.Id == last.Id).Index].Start);
    }
}
