using NodaTime;
using Xunit.Abstractions;
using Zymethos.Core.Heat;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Interchange.Drafts;
using Zymethos.Interchange.Texts;
using Zymethos.Planning.Checking;
using Zymethos.Planning.Compile;
using Zymethos.Planning.Day;
using Zymethos.Planning.Reading;
using Zymethos.Planning.Search;
using Zymethos.Planning.Seasons;
using Zymethos.Planning.Tests.Seasons;

namespace Zymethos.Planning.Tests.Compile;

/// <summary>What is left in an oven that was turned off, on the day.</summary>
public sealed class OffOvenTests(ITestOutputHelper output)
{
    private static PlannedDay Planned(string text)
    {
        var pans = PanCupboard.Ordinary.Select(p => p.Pan).ToList();
        var recipe = DraftReader.Read(RecipeText.Read(text, IngredientKnowledge.Shipped, pans), IngredientKnowledge.Shipped, pans).Recipe;
        var morning = new LocalDateTime(2026, 12, 5, 7, 0);
        var network = TaskCompiler
            .Compile(Kitchen.Ordinary("Home"), new DayWish(morning, morning.PlusHours(14), [new BakeWish(recipe, 1, null, null)]))
            .Network!;
        var outcome = DayPlanner.Plan(network, new SolveSettings(TimeSpan.FromSeconds(2), 1, 2));
        return PlannedDay.Of(network, outcome.Plan!, outcome.BoundFinish);
    }

    private const string Pavlova =
        "Pavlova\n\n4 egg whites\n220 g caster sugar\n\nWhisk the whites stiff with the sugar. Spread on a lined tray. Bake at 130 C "
        + "for 1 hour. Turn the oven off and leave the pavlova inside for 2 hours. Then lift it off.";

    [Fact]
    public void Nobody_is_told_to_take_it_out_or_to_keep_a_heat()
    {
        var day = Planned(Pavlova);
        foreach (var line in day.Sheet)
            output.WriteLine($"{line.Minute} {line.Kind} {line.Text}");
        var bake = day.Network.Tasks.Single(t => t.Kind == StepKind.Bake);
        var off = day.Network.Tasks.Single(t => t.Oven is { Setting.IsOff: true });
        Assert.DoesNotContain(day.Sheet, l => l.Kind == RunSheetKind.Out);
        Assert.DoesNotContain(day.Sheet, l => l.Kind == RunSheetKind.Dial && l.Text.StartsWith("Dial down", StringComparison.Ordinal));
        Assert.Contains(day.Sheet, l => l.Kind == RunSheetKind.Dial && l.Text == "Oven off" && l.Minute == day.Plan.Tasks[bake.Index].End);
        Assert.Equal(day.Plan.Tasks[bake.Index].End, day.Plan.Tasks[off.Index].Start);
        // The heating is off all the while, and somebody may be asleep.
        Assert.True(day.Programmes[0].OnMinutes < day.Plan.Tasks[bake.Index].End + 1);
        Assert.False(off.NeedsPresence);
    }

    [Fact]
    public void Nothing_else_goes_in_until_it_is_out()
    {
        var pans = PanCupboard.Ordinary.Select(p => p.Pan).ToList();
        Recipe Read(string text) =>
            DraftReader.Read(RecipeText.Read(text, IngredientKnowledge.Shipped, pans), IngredientKnowledge.Shipped, pans).Recipe;
        var (one, other) = (
            Read(Pavlova),
            Read(
                "Rounds\nMakes 12 rounds\n\n200 g plain flour\n100 g butter\n\nMix. Roll into 12 balls and put on a lined tray. Bake "
                    + "at 180 C for 12 minutes."
            )
        );
        var morning = new LocalDateTime(2026, 12, 5, 7, 0);
        var network = TaskCompiler
            .Compile(
                Kitchen.Ordinary("Home"),
                new DayWish(morning, morning.PlusHours(14), [new BakeWish(one, 1, null, null), new BakeWish(other, 1, null, null)])
            )
            .Network!;
        var plan = DayPlanner.Plan(network, new SolveSettings(TimeSpan.FromSeconds(3), 1, 2)).Plan!;
        Assert.Empty(PlanChecker.Check(network, plan));
        var task = network.Tasks.Single(t => t.Oven is { Setting.IsOff: true });
        var off = plan.Tasks[task.Index];
        // Where the other bakes afterwards, the sheet says to take it out before it says to heat the oven, and it is switched off once.
        var sheet = PlannedDay.Of(network, plan, 0).Sheet.ToList();
        var heated = sheet.FindIndex(l =>
            l.Kind == RunSheetKind.Dial && l.Text.StartsWith("Oven on", StringComparison.Ordinal) && l.Minute >= off.End
        );
        if (heated >= 0)
            Assert.InRange(sheet.FindIndex(l => l.Kind == RunSheetKind.Out && l.Task == task.Index), 0, heated);
        Assert.True(
            heated >= 0 || network.Tasks.Where(t => t.Oven is { Setting.IsHot: true }).All(t => plan.Tasks[t.Index].End <= off.Start)
        );
        Assert.Single(sheet, l => l.Text == "Oven off" && l.Minute >= off.Start && l.Minute <= off.End);
        foreach (var hot in network.Tasks.Where(t => t.Oven is { Setting.IsHot: true }).Select(t => plan.Tasks[t.Index]))
            Assert.True(hot.End <= off.Start || hot.Start >= off.End);
    }

    // As hot as it was for dough, as cold as the room for what bakes next: an oven that was turned off a moment ago never takes dough.
    [Fact]
    public void After_it_dough_waits_as_long_as_after_a_bake()
    {
        var thermal = new OvenThermal(Kitchen.Ordinary("Home").Oven, Kitchen.Ordinary("Home").Room);
        var (hot, off, dough) = (new OvenSetting(150, false), new OvenSetting(150, false) { IsOff = true }, new OvenSetting(30, true));
        Assert.Equal(0, thermal.Transition(hot, off));
        Assert.Equal(thermal.Transition(hot, dough), thermal.Transition(off, dough));
        Assert.True(thermal.Transition(off, hot) >= thermal.FromCold(hot));
    }

    [Fact]
    public void The_editor_writes_it_and_reads_it_again()
    {
        var pans = PanCupboard.Ordinary.Select(p => p.Pan).ToList();
        var recipe = DraftReader
            .Read(RecipeText.Read(Pavlova, IngredientKnowledge.Shipped, pans), IngredientKnowledge.Shipped, pans)
            .Recipe;
        var draft = DraftOf.Recipe(recipe);
        Assert.Contains(draft.Steps, s => s.Oven == "off from 130 C");
        Assert.Equal(
            recipe.Steps.Select(s => s.Oven?.State),
            DraftReader.Read(draft, IngredientKnowledge.Shipped, pans).Recipe.Steps.Select(s => s.Oven?.State)
        );
    }
}
