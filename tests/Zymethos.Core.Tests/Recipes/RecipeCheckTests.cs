using System.Collections.Immutable;
using NodaTime;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Rules;
using Zymethos.Planning.Seasons;
using static Zymethos.Tests.RandomDays;

namespace Zymethos.Core.Tests.Recipes;

public sealed class RecipeCheckTests
{
    private static readonly ImmutableArray<Step> Three =
    [
        Hands("mix", StepKind.Mix, 10),
        Wait("rise", StepKind.BulkRise, 60),
        Hands("shape", StepKind.Work, 10),
    ];

    [Fact]
    public void A_sound_recipe_has_no_faults() =>
        Assert.Empty(RecipeCheck.Find(Make("sound", Three, [Tie("mix", "rise", 0, 5), Tie("rise", "shape", 0, 20)])));

    [Fact]
    public void Links_that_contradict_each_other_are_named()
    {
        // Shaping within 30 minutes of the mixing, but only after an hour's rise.
        var faults = RecipeCheck.Find(
            Make("torn", Three, [Tie("mix", "rise", 0, 5), Tie("rise", "shape", 0, 20), Tie("mix", "shape", 0, 30)])
        );
        var fault = Assert.Single(faults);
        Assert.StartsWith("links[", fault.Path, StringComparison.Ordinal);
        Assert.Contains("contradict", fault.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void A_circle_of_steps_is_a_contradiction() =>
        Assert.Contains(
            "contradict",
            Assert
                .Single(
                    RecipeCheck.Find(
                        Make("circle", Three, [Tie("mix", "rise", 0, null), Tie("rise", "shape", 0, null), Tie("shape", "mix", 0, null)])
                    )
                )
                .Message,
            StringComparison.Ordinal
        );

    [Fact]
    public void A_soft_window_never_contradicts() =>
        Assert.Empty(
            RecipeCheck.Find(
                Make("soft", Three, [Tie("mix", "rise", 0, 5), Tie("rise", "shape", 0, 20), Tie("mix", "shape", 0, 30, WindowKind.Soft)])
            )
        );

    [Theory]
    [InlineData("links[0].from", "nobody", "rise", 0, 5)]
    [InlineData("links[0].to", "mix", "nothing", 0, 5)]
    [InlineData("links[0].maxLagMinutes", "mix", "rise", 10, 5)]
    [InlineData("links[0].minLagMinutes", "mix", "rise", -5, 5)]
    public void Faults_stand_at_the_field(string path, string from, string to, int min, int max) =>
        Assert.Contains(RecipeCheck.Find(Make("bad", Three, [Tie(from, to, min, max)])), f => f.Path == path);

    [Fact]
    public void Steps_are_checked_one_by_one()
    {
        var faults = RecipeCheck.Find(
            Make(
                "bad",
                [
                    Three[0] with
                    {
                        Takes = DurationEstimate.Minutes(10, 5, 20),
                    },
                    Three[1] with
                    {
                        Key = "mix",
                    },
                    Three[2] with
                    {
                        Hands = 9,
                    },
                    Three[2] with
                    {
                        Key = "again",
                        Times = 0,
                    },
                    new Step("bake", "bake", "", StepKind.Bake, Around(30), 0, null, 1, [], []),
                ],
                []
            )
        );
        Assert.Equal(["steps[0].minutes", "steps[1].key", "steps[2].hands", "steps[3].times", "steps[4].oven"], faults.Select(f => f.Path));
    }

    [Fact]
    public void Repeated_steps_are_repeated_equally_often() =>
        Assert.Contains(
            RecipeCheck.Find(Make("waves", [Three[0] with { Times = 3 }, Three[2] with { Times = 4 }], [])),
            f => f.Path == "steps[0].times"
        );

    [Fact]
    public void A_recipe_without_steps_says_so() => Assert.Equal("steps", Assert.Single(RecipeCheck.Find(Make("empty", [], []))).Path);

    [Fact]
    public void Nothing_takes_longer_than_sixty_days() =>
        Assert.Contains(
            RecipeCheck.Find(
                Make(
                    "for-ever",
                    [Three[0] with { Takes = new DurationEstimate(Duration.FromDays(1), Duration.FromDays(2), Duration.FromDays(61)) }],
                    []
                )
            ),
            f => f.Path == "steps[0].minutes"
        );
}
