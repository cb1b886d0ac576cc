using NodaTime;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Core.Safety;
using Zymethos.Planning.Compile;
using Zymethos.Planning.Day;
using static Zymethos.Tests.RandomDays;

namespace Zymethos.Planning.Tests.Compile;

/// <summary>What waits for the oven waits no longer than its kind bears, and what is done may be ended early, but for what is
/// safe.</summary>
public sealed class UsualWindowsTests
{
    private static readonly Pan Tin = new("tin", Length.FromMillimetres(230), Length.FromMillimetres(130));

    private static Recipe Of(RecipeKind kind, params Link[] links) =>
        Make(
            "cake",
            [
                Hands("line", StepKind.Work, 4),
                Hands("mix", StepKind.Mix, 10),
                new Step("fill", "Scrape the batter into the tin", "", StepKind.Work, Around(4), 1, null, 1, [], []),
                Bake("bake", 40, 175, Tin, 1),
            ],
            [.. links]
        ) with
        {
            Kind = kind,
        };

    private static readonly Link[] Straight = [Tie("line", "fill", 0, null), Tie("mix", "fill", 0, null), Tie("fill", "bake", 0, null)];

    private static Duration? Longest(Recipe recipe, string from, string to) =>
        UsualWindows.Of(recipe).Links.Single(l => l.From == from && l.To == to).MaxLag;

    [Theory]
    [InlineData(RecipeKind.QuickLoaf)]
    [InlineData(RecipeKind.LayerCake)]
    [InlineData(RecipeKind.RingCake)]
    [InlineData(RecipeKind.Muffins)]
    public void A_leavened_batter_does_not_wait_long_in_bowl_or_tin(RecipeKind kind)
    {
        var cake = Of(kind, Straight);
        Assert.Equal(UsualWindows.Batter, Longest(cake, "mix", "fill"));
        Assert.Equal(UsualWindows.Batter, Longest(cake, "fill", "bake"));
        // A lined tin may stand there all day.
        Assert.Null(Longest(cake, "line", "fill"));
    }

    [Theory]
    [InlineData(RecipeKind.Cookies)]
    [InlineData(RecipeKind.FruitCake)]
    [InlineData(RecipeKind.Other)]
    public void Other_kinds_wait_as_they_like(RecipeKind kind) => Assert.Null(Longest(Of(kind, Straight), "fill", "bake"));

    [Fact]
    public void A_recipe_that_says_it_keeps_its_own()
    {
        var cake = Of(RecipeKind.Muffins, Tie("mix", "fill", 0, 90), Tie("fill", "bake", 0, 5));
        Assert.Equal(cake, UsualWindows.Of(cake));
    }

    [Fact]
    public void A_proofed_dough_falls_when_it_waits()
    {
        var dough = Make(
            "dough",
            [Hands("mix", StepKind.Mix, 10), Wait("proof", StepKind.Proof, 45), Bake("bake", 30, 200, Tin, 1)],
            [Tie("mix", "proof", 0, null), Tie("proof", "bake", 10, null)]
        );
        Assert.Equal(UsualWindows.Proofed + Duration.FromMinutes(10), Longest(dough, "proof", "bake"));
        // And so every day that is compiled with it.
        var network = TaskCompiler
            .Compile(
                Zymethos.Core.Kitchens.Kitchen.Ordinary("Home"),
                new DayWish(Start, Start.PlusHours(8), [new BakeWish(dough, 1, null, null)])
            )
            .Network!;
        Assert.Equal(40, network.Links.Single(l => network.Tasks[l.To].Kind == StepKind.Bake).MaxLag);
    }

    private static PlanTask Task(StepKind kind, int hands, bool oven, params CautionKind[] cautions)
    {
        var step = new Step(
            "step",
            "Step",
            "",
            kind,
            DurationEstimate.Minutes(20, 30, 40),
            hands,
            oven ? new OvenUse(OvenState.Bake, Temperature.FromCelsius(160), Tin, 1) : null,
            1,
            [],
            [.. cautions]
        );
        var network = TaskCompiler
            .Compile(
                Zymethos.Core.Kitchens.Kitchen.Ordinary("Home"),
                new DayWish(Start, Start.PlusHours(8), [new BakeWish(Make("one", [step], []), 1, null, null)])
            )
            .Network!;
        return network.Tasks[0];
    }

    [Fact]
    public void A_step_may_end_before_its_shortest_time_but_not_what_makes_food_safe()
    {
        Assert.Equal(1, ByHandCompiler.Least(Task(StepKind.Work, 1, false)));
        Assert.Equal(1, ByHandCompiler.Least(Task(StepKind.Cool, 0, false)));
        // A load goes in and comes out.
        Assert.Equal(3, ByHandCompiler.Least(Task(StepKind.Bake, 0, true)));
        Assert.Equal(20, ByHandCompiler.Least(Task(StepKind.Chill, 0, false, CautionKind.TimeAndTemperature)));
        Assert.Equal(20, ByHandCompiler.Least(Task(StepKind.Bake, 0, true, CautionKind.EggFoam)));
        // Hands that are careful are no wait for safety.
        Assert.Equal(1, ByHandCompiler.Least(Task(StepKind.Work, 1, false, CautionKind.EggFoam)));
    }
}
