using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Checking;
using Zymethos.Planning.Compile;
using Zymethos.Planning.Day;
using Zymethos.Planning.Rules;
using Zymethos.Planning.Search;
using Zymethos.Planning.Seasons;
using Zymethos.Planning.WaysOut;

namespace Zymethos.Planning.Tests.WaysOut;

/// <summary>Days that cannot work: what clashes is named, and every way out that is offered was tried and works.</summary>
public sealed class ClashFinderTests
{
    private static readonly TimeSpan Limit = TimeSpan.FromSeconds(4);

    private static TaskNetwork Short(int seed, int minutes)
    {
        var network = RandomDays.Day(seed, 3);
        return network with { SpanEnd = minutes, Helpers = [.. network.Helpers.Select(h => h with { Until = minutes })] };
    }

    [Fact]
    public void A_day_too_short_is_proven_and_priced()
    {
        var network = Short(3, 100);
        var outcome = DayPlanner.Plan(network, new SolveSettings(Limit));
        Assert.Equal(PlanStatus.Impossible, outcome.Status);
        var report = ClashFinder.Report(network, isProven: true, Limit, 1);
        Assert.NotEmpty(report.Clash);
        Assert.Contains("a day from 07:00 to 08:40", report.Clash);
        Assert.True(report.WaysOut.Length >= 2, string.Join(" | ", report.WaysOut.Select(w => w.Text)));
    }

    [Theory]
    [InlineData(1, 110)]
    [InlineData(3, 110)]
    [InlineData(5, 110)]
    public void Finishing_later_by_as_much_as_is_said_works(int seed, int minutes)
    {
        var network = Short(seed, minutes);
        Assert.Equal(PlanStatus.Impossible, DayPlanner.Plan(network, new SolveSettings(Limit)).Status);
        var later = Assert.Single(ClashFinder.Report(network, true, Limit, 1).WaysOut, w => w.Kind == WayOutKind.FinishLater);
        var longer = network with
        {
            SpanEnd = minutes + later.Minutes,
            Helpers = [.. network.Helpers.Select(h => h with { Until = minutes + later.Minutes })],
        };
        var plan = DayPlanner.Plan(longer, new SolveSettings(Limit)).Plan;
        Assert.NotNull(plan);
        Assert.Empty(PlanChecker.Check(longer, plan));
    }

    [Fact]
    public void A_wish_for_an_hour_too_early_offers_the_hour_that_works()
    {
        var network = RandomDays.Day(2, 2);
        var wished = network with { Bakes = network.Bakes.SetItem(0, network.Bakes[0] with { ReadyBy = 40 }) };
        Assert.Equal(PlanStatus.Impossible, DayPlanner.Plan(wished, new SolveSettings(Limit)).Status);
        var report = ClashFinder.Report(wished, true, Limit, 1);
        var later = Assert.Single(report.WaysOut, w => w.Kind == WayOutKind.ReadyLater);
        Assert.Equal(0, later.Bake);
        Assert.Contains(report.Clash, c => c.Contains("ready by 07:40", StringComparison.Ordinal));
        var granted = wished with { Bakes = wished.Bakes.SetItem(0, wished.Bakes[0] with { ReadyBy = 40 + later.Minutes }) };
        Assert.NotNull(DayPlanner.Plan(granted, new SolveSettings(Limit)).Plan);
    }

    [Fact]
    public void Bakes_that_have_nothing_to_do_with_it_are_left_out_of_the_clash()
    {
        // Bake 0 alone cannot be ready in time; the others are innocent.
        var network = RandomDays.Day(4, 3);
        var wished = network with { Bakes = network.Bakes.SetItem(0, network.Bakes[0] with { ReadyBy = 30 }) };
        var report = ClashFinder.Report(wished, true, Limit, 1);
        Assert.Equal(2, report.Clash.Length);
        Assert.StartsWith(network.Bakes[0].Name, report.Clash[0], StringComparison.Ordinal);
    }

    [Fact]
    public void A_window_shorter_than_the_oven_needs_is_named_as_such()
    {
        var tray = new Pan("tray", Length.FromMillimetres(490), Length.FromMillimetres(330));
        var recipe = RandomDays.Make(
            "twice",
            [RandomDays.Bake("hot", 20, 240, tray, 1), RandomDays.Bake("cool", 20, 100, tray, 1)],
            [RandomDays.Tie("hot", "cool", 0, 5)]
        );
        var other = RandomDays.Make("other", [RandomDays.Hands("stir", StepKind.Work, 5)], []);
        var wish = new DayWish(
            RandomDays.Start,
            RandomDays.Start.PlusHours(9),
            [new BakeWish(recipe, 1, null, null), new BakeWish(other, 1, null, null)]
        );
        var network = TaskCompiler.Compile(Kitchen.Ordinary("Slow"), wish).Network!;
        Assert.Equal(PlanStatus.Impossible, DayPlanner.Plan(network, new SolveSettings(Limit)).Status);
        var report = ClashFinder.Report(network, true, Limit, 1);
        Assert.Matches("“cool” within 5 min of “hot” .*this oven needs \\d+ min", Assert.Single(report.Clash));
        Assert.Equal([WayOutKind.WiderWindow, WayOutKind.LeaveOut, WayOutKind.SecondOven], report.WaysOut.Select(w => w.Kind));
        Assert.Equal(report.WaysOut.Select(w => w.Price).Order(), report.WaysOut.Select(w => w.Price));
        // What is offered is just what the day needs.
        var window = Assert.Single(report.WaysOut[0].Windows);
        Assert.Equal((0, "hot", "cool"), (window.Bake, window.From, window.To));
        PlanStatus Waiting(int more) =>
            DayPlanner
                .Plan(
                    TaskCompiler
                        .Compile(
                            Kitchen.Ordinary("Slow"),
                            wish with
                            {
                                Bakes = [new BakeWish(recipe with { Links = [RandomDays.Tie("hot", "cool", 0, 5 + more)] }, 1, null, null)],
                            }
                        )
                        .Network!,
                    new SolveSettings(Limit)
                )
                .Status;
        Assert.Equal((PlanStatus.Proven, PlanStatus.Impossible), (Waiting(window.Minutes), Waiting(window.Minutes - 1)));
    }
}
