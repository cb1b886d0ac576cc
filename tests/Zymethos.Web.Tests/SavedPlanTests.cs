using System.Text.Json;
using Zymethos.Core.Measures;
using Zymethos.Interchange.Demo;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Checking;
using Zymethos.Planning.Compile;
using Zymethos.Planning.Reading;
using Zymethos.Planning.Search;
using Zymethos.Store;
using Zymethos.Store.Days;
using Zymethos.Work.OvenDays;

namespace Zymethos.Web.Tests;

/// <summary>A kept plan is what it was, whatever the rules that made it say today; what is known of allergens is worked out anew.</summary>
public sealed class SavedPlanTests
{
    private static readonly OvenDayDocument Document = new(
        DemoKitchen.Kitchen(),
        new DayDocument("2031-08-02", "07:00", "19:00"),
        [
            .. DemoKitchen
                .Recipes()
                .Where(r => r.Key is "lantern-plait" or "lamplighter-buns" or "market-squash-loaf")
                .Select(r => new BakeDocument(r)),
        ]
    );

    private static readonly Lazy<(PlannedDay Day, SavedPlan Saved)> Kept = new(() =>
    {
        var (kitchen, wish) = new DocumentReader().Read(Document);
        var moded = ModeChooser.Plan(kitchen, wish, new SolveSettings(TimeSpan.FromSeconds(2)));
        var day = PlannedDay.Of(moded.Network!, moded.Outcome!.Plan!, moded.Outcome.BoundFinish);
        return (day, SavedPlans.Save(day, Document, IngredientKnowledge.Shipped));
    });

    private static SavedPlan Again(SavedPlan plan) => StoredJson.Read<SavedPlan>(StoredJson.Write(plan));

    [Fact]
    public void A_plan_comes_back_with_every_time_need_and_window()
    {
        var (day, saved) = Kept.Value;
        var back = SavedPlans.Restore(Document, Again(saved))!;
        Assert.Equal(StoredJson.Text(NetworkText.Write(day.Network)), StoredJson.Text(NetworkText.Write(back.Network)));
        Assert.Equal(day.Network.Modes.AsEnumerable(), back.Network.Modes);
        Assert.Equal(day.Network.Tasks.Select(t => t.Step?.Key), back.Network.Tasks.Select(t => t.Step?.Key));
        Assert.Equal(
            StoredJson.Text(day.Network.Tasks.Select(t => t.Step?.Cautions)),
            StoredJson.Text(back.Network.Tasks.Select(t => t.Step?.Cautions))
        );
        Assert.Equal(day.Plan.Tasks.Select(t => (t.Start, t.End, t.Oven)), back.Plan.Tasks.Select(t => (t.Start, t.End, t.Oven)));
        Assert.Equal(day.Figures, back.Figures);
        Assert.Equal(day.Sheet.Select(l => (l.Minute, l.Text)), back.Sheet.Select(l => (l.Minute, l.Text)));
        Assert.Empty(PlanChecker.Check(back.Network, back.Plan));
    }

    [Fact]
    public void A_plan_made_by_other_rules_stays_what_it_was()
    {
        // As if a minute more had been reckoned for every step when it was planned, and the rules of today knew nothing of that.
        var (day, saved) = Kept.Value;
        var tasks = saved.Network!.Tasks.Select(t => t with { Likely = t.Likely + 1, Said = "As it was reckoned then." }).ToList();
        var back = SavedPlans.Restore(Document, Again(saved with { Network = saved.Network with { Tasks = tasks } }))!;
        Assert.Equal(day.Network.Tasks.Select(t => t.Likely + 1), back.Network.Tasks.Select(t => t.Likely));
        Assert.All(back.Network.Tasks, t => Assert.Equal("As it was reckoned then.", t.Said));
        Assert.Equal(day.Plan.Tasks.Select(t => t.Start), back.Plan.Tasks.Select(t => t.Start));
        Assert.NotEmpty(back.Sheet);
        Assert.NotEmpty(back.Programmes);
    }

    [Fact]
    public void A_plan_of_the_first_format_is_compiled_again_and_checked()
    {
        var (day, saved) = Kept.Value;
        var first = saved with { Format = 1, Network = null, Statements = null };
        Assert.Equal(day.Plan.Tasks.Select(t => t.Start), SavedPlans.Restore(Document, Again(first))!.Plan.Tasks.Select(t => t.Start));
        var broken = first with { Tasks = [.. first.Tasks.Select(t => t with { Start = 0 })] };
        Assert.Null(SavedPlans.Restore(Document, Again(broken)));
    }

    [Fact]
    public void A_network_that_points_nowhere_or_at_a_step_that_is_gone_is_not_used()
    {
        var (_, saved) = Kept.Value;
        var (kitchen, wish) = new DocumentReader().Read(Document);
        var steps = wish.Bakes.Select(b => TaskCompiler.StepsOf(kitchen, b)).ToList();
        var network = saved.Network!;
        Assert.NotNull(NetworkText.Read(network, kitchen, steps));
        Assert.Null(NetworkText.Read(network with { Version = 2 }, kitchen, steps));
        Assert.Null(NetworkText.Read(network with { Origin = "yesterday" }, kitchen, steps));
        Assert.Null(NetworkText.Read(network with { Lean = "sideways" }, kitchen, steps));
        Assert.Null(
            NetworkText.Read(network with { Links = [.. network.Links, new TaskLinkDocument(0, 999, 0, "hard", "")] }, kitchen, steps)
        );
        Assert.Null(NetworkText.Read(network with { Tasks = [.. network.Tasks.Select(t => t with { Bake = 7 })] }, kitchen, steps));
        Assert.Null(
            NetworkText.Read(
                network with
                {
                    Tasks = [network.Tasks[0] with { Step = "was-taken-out" }, .. network.Tasks.Skip(1)],
                },
                kitchen,
                steps
            )
        );
        Assert.Null(NetworkText.Read(network, kitchen, steps.Take(2).ToList()));
    }

    [Fact]
    public void What_is_newly_known_of_allergens_and_cautions_is_said_and_nothing_else()
    {
        var now = DayStatements.Of(Document, IngredientKnowledge.Shipped);
        var then = Again(Kept.Value.Saved).Statements!;
        Assert.Equal(3, now.Count);
        Assert.Empty(DayStatements.New(then, now));
        Assert.Empty(DayStatements.New(null, now));
        SavedStatement[] less = [then[0] with { Allergens = ["Contains wheat."], Cautions = [] }, .. then.Skip(1)];
        var said = DayStatements.New(less, now);
        Assert.Contains(said, w => w.StartsWith($"{now[0].Bake}: Contains ", StringComparison.Ordinal));
        Assert.Equal(now[0].Allergens.Count(a => a != "Contains wheat.") + now[0].Cautions.Count, said.Count);
    }

    [Fact]
    public void Documents_of_a_later_release_are_read_and_its_fields_passed_over()
    {
        var text = StoredJson.Write(Kept.Value.Saved);
        var later = text.Insert(1, "\"weather\":{\"sun\":1},");
        Assert.Equal(Kept.Value.Saved.Tasks.Count, StoredJson.Read<SavedPlan>(later).Tasks.Count);
        Assert.NotNull(SavedPlans.Restore(Document, JsonSerializer.Deserialize<SavedPlan>(later, StoredJson.Options)!));
    }
}
