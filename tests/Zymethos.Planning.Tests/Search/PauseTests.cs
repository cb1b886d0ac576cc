using Zymethos.Core.Kitchens;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Certainty;
using Zymethos.Planning.Checking;
using Zymethos.Planning.Compile;
using Zymethos.Planning.Day;
using Zymethos.Planning.Reading;
using Zymethos.Planning.Rules;
using Zymethos.Planning.Search;
using static Zymethos.Tests.RandomDays;

namespace Zymethos.Planning.Tests.Search;

/// <summary>Nobody works for hours without a pause, and there is time to eat.</summary>
public sealed class PauseTests
{
    private static readonly Pauses Two = new(120, 15);

    /// <summary>So many pieces of work of so many minutes each, in any order.</summary>
    private static Recipe Work(int pieces, int minutes) =>
        Make("work", [.. Enumerable.Range(1, pieces).Select(i => Hands($"w{i}", StepKind.Work, minutes))], []);

    private static TaskNetwork Network(Kitchen kitchen, DayWish wish) => TaskCompiler.Compile(kitchen, wish).Network!;

    private static DayWish Day(Recipe recipe, int hours = 12) => new(Start, Start.PlusHours(hours), [new BakeWish(recipe, 1, null, null)]);

    [Fact]
    public void After_two_hours_of_work_a_quarter_of_an_hour_is_free()
    {
        var network = Network(Kitchen.Ordinary("Home"), Day(Work(16, 20)));
        var plan = FirstPlan.Find(network, 1)!;
        Assert.Empty(PlanChecker.Check(network, plan));
        // 16 pieces of 20 minutes are 320; a pause after each 120.
        Assert.Equal(320 + (2 * 15), plan.Finish(network));
        Assert.Equal(2, PauseLines.Of(network, plan).Count());
    }

    [Fact]
    public void A_kitchen_that_wants_none_has_none()
    {
        var network = Network(Kitchen.Ordinary("Home") with { PauseMinutes = 0 }, Day(Work(16, 20)));
        Assert.Null(network.Pauses);
        Assert.Equal(320, FirstPlan.Find(network, 1)!.Finish(network));
    }

    [Fact]
    public void One_piece_of_work_may_be_longer_than_a_stretch()
    {
        var network = Network(Kitchen.Ordinary("Home"), Day(Work(2, 150)));
        var plan = FirstPlan.Find(network, 1)!;
        Assert.Empty(PlanChecker.Check(network, plan));
        Assert.Equal(150 + 15 + 150, plan.Finish(network));
    }

    [Theory]
    // Free until the meal may begin; in the midst of work it is served as soon as it can be; too late, and it is lost.
    [InlineData(0, 30, 0)]
    [InlineData(55, 30, 90)]
    [InlineData(100, 30, 100)]
    public void A_meal_slides_within_its_hours(int from, int length, int next)
    {
        var pauses = new Pauses(Pauses.Unending, 1) { Meals = [new Meal(60, 105, 30)] };
        var work = AtWork.Rested;
        work.Begin(pauses, 0, Math.Min(from, 90));
        Assert.Equal(next, from == 100 ? Busy().Next(pauses, from, length) : work.Next(pauses, from, length));

        AtWork Busy()
        {
            var busy = AtWork.Rested;
            busy.Begin(pauses, 0, 100);
            return busy;
        }
    }

    [Fact]
    public void A_day_with_a_meal_has_time_for_it_whoever_plans_it()
    {
        var wish = Day(Work(12, 25)) with { Meals = [new MealWish(Start.PlusHours(2), Start.PlusHours(4), 40)] };
        var moded = SurePlanner.Plan(Kitchen.Ordinary("Home"), wish, new SolveSettings(TimeSpan.FromSeconds(2)) { Certainty = 0.9 });
        Assert.Empty(PlanChecker.Check(moded.Network!, moded.Outcome!.Plan!));
        Assert.Contains(PauseLines.Of(moded.Network!, moded.Outcome.Plan!), l => l.Text == "Time to eat");
        // Five hours of work, a meal of 40 minutes and two pauses of 15: with pieces of 25 minutes, no fewer pauses do.
        Assert.InRange(moded.Outcome.Plan!.Finish(moded.Network!), 355, 370);
    }

    [Fact]
    public void Where_no_pause_fits_the_day_is_planned_without_and_says_so()
    {
        var recipe = Work(6, 29);
        var moded = SurePlanner.Plan(
            Kitchen.Ordinary("Home"),
            new DayWish(Start, Start.PlusHours(3), [new BakeWish(recipe, 1, null, null)]),
            new SolveSettings(TimeSpan.FromSeconds(2)) { Certainty = 0.8 }
        );
        Assert.NotNull(moded.Outcome!.Plan);
        Assert.Null(moded.Network!.Pauses);
        Assert.Equal(15, moded.Network.Kitchen.PauseMinutes);
    }

    [Fact]
    public void What_the_baker_holds_somewhere_needs_no_pause_before_it()
    {
        var network = Network(Kitchen.Ordinary("Home"), Day(Work(8, 20)));
        network = network with { Pins = [.. Enumerable.Range(0, 8).Select(i => new Pin(i, i * 20))] };
        var plan = FirstPlan.Find(network, 1)!;
        Assert.Equal(160, plan.Finish(network));
        Assert.Empty(PlanChecker.Check(network, plan));
    }

    [Fact]
    public void Every_planner_keeps_the_pauses_of_random_days()
    {
        for (var seed = 0; seed < 40; seed++)
        {
            var network = RandomDays.Day(seed, 3 + (seed % 5), people: 1 + (seed % 2));
            Assert.NotNull(network.Pauses);
            if (FirstPlan.Find(network, 1) is not { } first)
                continue;
            Assert.Empty(PlanChecker.Check(network, first));
            var better = OrderSearch.Improve(network, first, 1, 200, () => false);
            Assert.Empty(PlanChecker.Check(network, better));
            if (HandMethods.Build(network, HandMethods.ListOrder(network)) is { } list)
                Assert.DoesNotContain(PlanChecker.Check(network, list), b => b.Rule == PlanRule.Pause);
        }
    }

    [Fact]
    public void A_sensible_baker_sits_down_too()
    {
        var network = Network(Kitchen.Ordinary("Home"), Day(Work(16, 20)));
        var statics = new DayStatics(network);
        var rehearsed = new RehearsedDay(statics, new DispatchRule(), isKept: true);
        var draws = new DayDraws(network, 100, 3);
        for (var i = 0; i < draws.Days; i++)
        {
            rehearsed.Live(DayScript.For(statics, FirstPlan.Find(network, 1)!), draws.Of(i));
            // What a piece of work takes shows only when it is done: that much longer a stretch may be.
            Assert.DoesNotContain(
                PlanChecker.Check(rehearsed.ToNetwork() with { Pauses = Two with { Stretch = 145 } }, rehearsed.ToPlan()),
                b => b.Rule == PlanRule.Pause
            );
        }
    }
}
