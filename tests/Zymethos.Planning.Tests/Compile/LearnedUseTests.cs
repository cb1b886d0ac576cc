using NodaTime;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Compile;
using Zymethos.Planning.Day;
using static Zymethos.Tests.RandomDays;

namespace Zymethos.Planning.Tests.Compile;

/// <summary>What a kitchen has learned stands in the plan's times, says so, and can be left out.</summary>
public sealed class LearnedUseTests
{
    private static readonly Pan Tin = new("loaf pan", Length.FromMillimetres(230), Length.FromMillimetres(130));

    private static readonly Recipe Loaf = Make(
        "loaf",
        [
            Hands("roll", StepKind.Work, 20) with
            {
                Title = "Roll the strands",
            },
            Wait("rise", StepKind.BulkRise, 60),
            Bake("bake", 50, 180, Tin, 1),
            Wait("cool", StepKind.Cool, 30),
        ],
        [Tie("roll", "rise", 0, 30), Tie("rise", "bake", 0, 30), Tie("bake", "cool", 0, 5)]
    );

    private static LearnedTime Seen(LearnedKind kind, string of, double factor, int count = 8) =>
        new(kind, of, factor, factor * 0.95, factor * 1.05, count);

    private static TaskNetwork Compiled(Recipe recipe, params LearnedTime[] learned) =>
        TaskCompiler
            .Compile(
                Kitchen.Ordinary("Home") with
                {
                    Learned = [.. learned],
                    PauseMinutes = 0,
                },
                new DayWish(
                    new LocalDateTime(2026, 12, 5, 8, 0),
                    new LocalDateTime(2026, 12, 5, 18, 0),
                    [new BakeWish(recipe, 1, null, null)]
                )
            )
            .Network!;

    private static PlanTask Of(TaskNetwork network, string step) => network.Tasks.Single(t => t.Step?.Key == step);

    [Fact]
    public void An_oven_that_bakes_faster_shortens_bakes_and_nothing_else()
    {
        var (plain, fast) = (Compiled(Loaf), Compiled(Loaf, Seen(LearnedKind.Oven, "oven 1", 0.92, 11)));
        Assert.Equal(50, Of(plain, "bake").Likely);
        Assert.Equal(46, Of(fast, "bake").Likely);
        // The first look comes sooner with it.
        Assert.Equal((int)Math.Floor(Of(plain, "bake").Low * 0.92), Of(fast, "bake").Low);
        Assert.Equal("4 min less than the recipe says: this oven bakes 8 % faster (11 bakes).", Of(fast, "bake").Said);
        Assert.Equal(0.92, Of(fast, "bake").Learned, 3);
        foreach (var step in new[] { "roll", "rise", "cool" })
            Assert.Equal(Of(plain, step).Likely, Of(fast, step).Likely);
    }

    [Fact]
    public void Of_two_ovens_the_first_look_is_for_the_faster_and_the_end_of_the_band_for_the_slower()
    {
        static TaskNetwork Two(params LearnedTime[] learned)
        {
            var home = Kitchen.Ordinary("Home") with { Learned = [.. learned], PauseMinutes = 0 };
            var day = new DayWish(
                new LocalDateTime(2026, 12, 5, 8, 0),
                new LocalDateTime(2026, 12, 5, 18, 0),
                [new BakeWish(Loaf, 1, null, null)]
            );
            return TaskCompiler.Compile(home with { SecondOven = home.Oven }, day).Network!;
        }

        var plain = Of(Two(), "bake");
        var both = Of(Two(Seen(LearnedKind.Oven, "oven 1", 0.9, 11), Seen(LearnedKind.Oven, "oven 2", 1.1, 9)), "bake");
        // The middle of 45 and 55 by their logarithms is 49.7: what is planned is the recipe's 50, and neither oven surprises.
        Assert.Equal(plain.Likely, both.Likely);
        Assert.InRange(both.Low, plain.Low * 0.9 - 1, plain.Low * 0.91);
        Assert.InRange(both.High, plain.High * 1.09, plain.High * 1.1 + 2);
        Assert.Equal("The first oven 10 % faster (11 bakes), the second 10 % slower (9 bakes), and this is between them.", both.Said);
        // Alike ovens have one time, and an oven of which nothing is known counts as the recipe says.
        var alike = Of(Two(Seen(LearnedKind.Oven, "oven 1", 0.9), Seen(LearnedKind.Oven, "oven 2", 0.9)), "bake");
        Assert.Equal((45, (int)Math.Floor(plain.Low * 0.9)), (alike.Likely, alike.Low));
        var one = Of(Two(Seen(LearnedKind.Oven, "oven 1", 0.8)), "bake");
        Assert.Equal(45, one.Likely);
        Assert.InRange(one.Low, plain.Low * 0.8 - 1, plain.Low * 0.81);
        Assert.True(one.High >= plain.High);
    }

    [Fact]
    public void Oven_and_recipe_count_together_and_what_is_switched_off_does_not()
    {
        var oven = Seen(LearnedKind.Oven, "oven 1", 0.9);
        var recipe = Seen(LearnedKind.Recipe, "loaf", 1.2);
        Assert.Equal(54, Of(Compiled(Loaf, oven, recipe), "bake").Likely);
        Assert.Equal(60, Of(Compiled(Loaf, oven with { IsOff = true }, recipe), "bake").Likely);
        Assert.Equal(50, Of(Compiled(Loaf, oven with { IsOff = true }, recipe with { IsOff = true }), "bake").Likely);
        Assert.Equal(50, Of(Compiled(Loaf, Seen(LearnedKind.Recipe, "another", 1.2)), "bake").Likely);
    }

    [Fact]
    public void Hands_that_are_slower_get_more_time_and_six_times_seen_say_how_far_it_spreads()
    {
        var slow = Of(Compiled(Loaf, Seen(LearnedKind.Person, "Baker", 1.25)), "roll");
        Assert.Equal(25, slow.Likely);
        Assert.Contains("Baker works 25 % slower (8 times)", slow.Said, StringComparison.Ordinal);
        var seen = Of(Compiled(Loaf, Seen(LearnedKind.Handwork, "rolling and cutting", 1.5, 6) with { Scatter = 0.2 }), "roll");
        Assert.Equal(30, seen.Likely);
        Assert.Equal((int)Math.Floor(30 * Math.Exp(-1.6448536 * 0.2)), seen.Low);
        Assert.Equal((int)Math.Ceiling(30 * Math.Exp(1.6448536 * 0.2)), seen.High);
    }

    [Fact]
    public void A_leaven_that_is_slower_makes_rises_longer_by_as_much()
    {
        var plain = Of(Compiled(Loaf), "rise");
        var slow = Of(Compiled(Loaf, Seen(LearnedKind.Leaven, "yeast", 1.25)), "rise");
        Assert.InRange((double)slow.Likely / plain.Likely, 1.2, 1.3);
        Assert.Contains("than reckoned for the room alone: yeast raises it here 25 % slower", slow.Said, StringComparison.Ordinal);
        Assert.Equal(plain.Likely, slow.Likely / slow.Learned, 0.5);
    }

    [Fact]
    public void What_is_as_long_as_it_is_so_that_food_is_safe_is_left_as_it_is()
    {
        var custard = Loaf with
        {
            Steps = [.. Loaf.Steps.Select(s => s.Key == "bake" ? s with { Cautions = [Core.Safety.CautionKind.TimeAndTemperature] } : s)],
        };
        var bake = Of(Compiled(custard, Seen(LearnedKind.Oven, "oven 1", 0.8)), "bake");
        Assert.Equal((50, 1.0), (bake.Likely, bake.Learned));
    }

    [Fact]
    public void What_rounds_away_is_neither_said_nor_learned()
    {
        var quick = Make("quick", [Hands("fold", StepKind.Work, 5) with { Title = "Fold the cloth" }], []);
        var fold = Of(Compiled(quick, Seen(LearnedKind.Person, "Baker", 1.05)), "fold");
        Assert.Equal((5, "", 1.0), (fold.Likely, fold.Said, fold.Learned));
    }
}
