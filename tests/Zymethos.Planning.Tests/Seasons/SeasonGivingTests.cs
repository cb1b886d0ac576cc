using System.Collections.Immutable;
using NodaTime;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;
using Zymethos.Core.Scaling;
using Zymethos.Interchange.Demo;
using Zymethos.Interchange.Documents;
using Zymethos.Planning.Seasons;

namespace Zymethos.Planning.Tests.Seasons;

/// <summary>What is given is wrapped and handed over in time, and what must be kept apart is made first in every session.</summary>
public sealed class SeasonGivingTests
{
    private static readonly LocalDate Today = new(2026, 11, 25);
    private static readonly LocalDateTime Now = Today.At(new LocalTime(9, 0));
    private static readonly ImmutableArray<Recipe> Book = [.. Shipped.Keys.Select(Shipped.Recipe)];
    private static readonly Lazy<(SeasonWish Wish, SeasonPlan Plan)> Usual = new(() => Planned(s => s));

    private static (SeasonWish Wish, SeasonPlan Plan) Planned(Func<SeasonSheet, SeasonSheet> change)
    {
        var reader = new SeasonReader();
        var wish = reader.Read(change(DemoProgramme.Sheet(Today)), Shipped.Kitchen(), Book, Now);
        Assert.Empty(reader.Faults);
        var plan = SeasonPlanner.Plan(wish, new SeasonSettings(TimeSpan.FromSeconds(12)));
        Assert.Empty(SeasonChecker.Check(wish, plan));
        return (wish, plan);
    }

    private static List<SeasonTouch> Of(SeasonWish wish, SeasonPlan plan, SeasonTouchKind kind) =>
        [.. SeasonTouches.Of(wish, plan).Where(t => t.Kind == kind)];

    [Theory]
    [InlineData(0.02, 11)]
    [InlineData(0.02, 14)]
    [InlineData(0.3, 11)]
    [InlineData(0.3, 20)]
    [InlineData(1.5, 14)]
    public void However_little_time_there_is_and_however_small_the_freezer_a_plan_breaks_nothing(double seconds, double litres)
    {
        var reader = new SeasonReader();
        var kitchen = Shipped.Kitchen() with { FreezerLitres = litres };
        var wish = reader.Read(DemoProgramme.Sheet(Today), kitchen, Book, Now);
        Assert.Empty(reader.Faults);
        var plan = SeasonPlanner.Plan(wish, new SeasonSettings(TimeSpan.FromSeconds(seconds)));
        Assert.Empty(SeasonChecker.Check(wish, plan));
        Assert.NotEmpty(plan.Placed);
    }

    [Fact]
    public void What_is_handed_over_is_wrapped_before_and_after_it_has_thawed()
    {
        var (wish, plan) = Usual.Value;
        var index = wish.Occasions.ToList().FindIndex(o => o.Handing == Handing.HandedOver);
        var occasion = wish.Occasions[index];
        // Of two dates one is served there and then: nothing of it is wrapped.
        var wrap = Assert.Single(Of(wish, plan, SeasonTouchKind.Wrap));
        var give = Assert.Single(Of(wish, plan, SeasonTouchKind.Give));
        Assert.Equal(occasion.ReadyBy, give.At);
        Assert.Equal("Wrap and label 14 boxes", wrap.Title);
        Assert.Equal(14 * 5, wrap.Minutes);
        Assert.True(wrap.At.PlusMinutes(wrap.Minutes) <= give.At);
        foreach (var lot in Enumerable.Range(0, plan.Lots.Length).Where(l => wish.Needs[plan.Lots[l].Need].Occasion == index))
        {
            Assert.True(plan.Placed.Where(p => p.Lot == lot).All(p => p.End <= wrap.At), wish.Needs[lot].Recipe.Name);
        }

        Assert.Contains("thawed", wrap.Detail, StringComparison.Ordinal);
    }

    [Fact]
    public void Boxes_go_on_their_own_days_and_ways()
    {
        var (wish, plan) = Usual.Value;
        var index = wish.Occasions.ToList().FindIndex(o => o.Handing == Handing.HandedOver);
        var day = wish.Occasions[index].At.Date;
        HandOver Box(string who, LocalDate on, int hour, string route, bool wrapped = false) =>
            new(index, on.At(new LocalTime(hour, 0)), route, who, wrapped);
        var boxed = wish with
        {
            HandOvers =
            [
                Box("Wren", day, 17, "on foot"),
                Box("Fen", day, 18, "on foot"),
                Box("Maud", day, 12, "by car", wrapped: true),
                Box("Pell", day.PlusDays(2), 12, ""),
            ],
        };
        var wraps = Of(boxed, plan, SeasonTouchKind.Wrap);
        Assert.Equal(["Wrap and label 2 boxes", "Wrap and label it"], wraps.Select(w => w.Title));
        Assert.All(wraps, w => Assert.True(w.At < day.PlusDays(2).At(new LocalTime(12, 0))));
        // Nothing is iced, thaws or cools any more two days later: it is wrapped on the evening before.
        Assert.Equal(day.PlusDays(1).At(new LocalTime(19, 0)), wraps[1].At);
        var gives = Of(boxed, plan, SeasonTouchKind.Give);
        Assert.Equal(["by car: Maud", "on foot: Wren, Fen", "Pell"], gives.Select(g => g.Detail));
        Assert.Equal(["Hand over 1 box", "Hand over 2 boxes", "Hand over 1 box"], gives.Select(g => g.Title));
        var all = SeasonTouches.Of(boxed, plan);
        Assert.Equal(all.Length, all.Select(t => t.Id).Distinct().Count());
    }

    [Fact]
    public void What_is_posted_leaves_as_many_days_before_as_it_travels()
    {
        var (wish, plan) = Usual.Value;
        var index = wish.Occasions.ToList().FindIndex(o => o.Handing == Handing.HandedOver);
        var posted = wish.Occasions[index] with { Handing = Handing.Posted, TransitDays = 2, At = wish.Occasions[index].At.PlusDays(2) };
        var sent = wish with { Occasions = wish.Occasions.SetItem(index, posted) };
        var give = Assert.Single(Of(sent, plan, SeasonTouchKind.Give));
        Assert.Equal("Take the parcels to the post", give.Title);
        Assert.Equal(posted.At.PlusDays(-2), give.At);
        Assert.StartsWith("2 days on the way", give.Detail, StringComparison.Ordinal);
    }

    [Fact]
    public void What_is_free_of_nuts_is_mixed_and_shaped_before_anything_else_in_every_session()
    {
        var (wish, plan) = Planned(s => s with { ClearFirst = "treeNut" });
        Assert.Equal(Allergen.TreeNut, wish.ClearOf);
        bool IsFree(Recipe recipe) => AllergenStatement.Of(recipe, IngredientKnowledge.Shipped).FreeFrom.Contains(Allergen.TreeNut);
        Assert.All(wish.Needs, n => Assert.Equal(IsFree(n.Recipe), n.IsClear));
        var mixed = 0;
        foreach (var session in plan.Sessions)
        {
            var (network, tasks) = (session.Network, session.Plan.Tasks);
            // Whose bakes these are, by name: the check shares nothing with what makes the order.
            var free = network
                .Bakes.Select(b => wish.Needs.First(n => b.Name.StartsWith(n.Recipe.Name, StringComparison.Ordinal)).IsClear)
                .ToList();
            if (free.Distinct().Count() < 2)
                continue;
            mixed++;
            var firstOfOthers = network.Tasks.Where(t => !free[t.Bake] && !t.Hands.IsEmpty).Min(t => tasks[t.Index].Start);
            foreach (var work in network.Tasks.Where(t => free[t.Bake] && !t.Hands.IsEmpty && LeadsToOven(t.Step!.Key, t.Bake)))
                Assert.True(
                    tasks[work.Index].End <= firstOfOthers,
                    $"{work.Title} until {tasks[work.Index].End}, others from {firstOfOthers}"
                );

            bool LeadsToOven(string key, int bake)
            {
                var recipe = wish.Needs.First(n => network.Bakes[bake].Name.StartsWith(n.Recipe.Name, StringComparison.Ordinal)).Recipe;
                return recipe
                    .Links.Where(l => l.From == key)
                    .Any(l => recipe.Steps.First(s => s.Key == l.To).Kind == StepKind.Bake || LeadsToOven(l.To, bake));
            }
        }

        Assert.True(mixed > 0, "no session had both");
        Assert.True(plan.Unmet.Length <= Usual.Value.Plan.Unmet.Length + 3, $"{plan.Unmet.Length} unmet");
    }

    [Fact]
    public void What_should_have_been_bought_long_ago_is_said_now_and_not_left_out()
    {
        var (wish, plan) = Usual.Value;
        // A quarter of an hour before the first work begins.
        var first = plan.Placed.Where(p => !p.IsDone).Min(p => p.Start);
        var late = wish with { Now = first.PlusMinutes(-15) };
        var buys = Of(late, plan, SeasonTouchKind.Buy);
        Assert.NotEmpty(buys);
        Assert.All(buys, b => Assert.True(b.At >= late.Now, b.Title));
        // The work that is a quarter of an hour away still has its goods on a list.
        var lot = plan.Placed.First(p => p.Start == first).Lot;
        if (!plan.Placed.Any(p => p.Lot == lot && p.IsDone))
            Assert.Contains(buys, b => b.At < first);
    }

    [Fact]
    public void An_allergen_that_nobody_knows_is_refused_at_its_place()
    {
        var reader = new SeasonReader();
        reader.Read(DemoProgramme.Sheet(Today) with { ClearFirst = "nuts" }, Shipped.Kitchen(), Book, Now);
        Assert.Contains(reader.Faults, f => f.Path == "clearFirst" && f.Message.Contains("nuts", StringComparison.Ordinal));
    }
}
