using System.Collections.Immutable;
using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Compile;
using Zymethos.Planning.Day;
using Zymethos.Planning.Rules;

namespace Zymethos.Planning.Tests.Compile;

/// <summary>A day on which a dough takes more or less yeast than its recipe.</summary>
public sealed class DayYeastTests
{
    private static Recipe Dough(double? yeastGrams) =>
        RandomDays.Make(
            "dough",
            [
                RandomDays.Hands("mix", StepKind.Mix, 10),
                new Step("rise", "rise", "", StepKind.BulkRise, RandomDays.Around(60), 0, null, 1, [], []),
                RandomDays.Hands("fold", StepKind.Mix, 3),
            ],
            [RandomDays.Tie("mix", "rise", 0, 5), RandomDays.Tie("rise", "fold", 0, null)]
        ) with
        {
            Parts =
            [
                new Part(
                    "dough",
                    PartKind.Dough,
                    [
                        new IngredientLine(null, Mass.FromGrams(500), "bread flour", "", "", false),
                        new IngredientLine(null, yeastGrams is { } y ? Mass.FromGrams(y) : null, "instant yeast", "", "", false),
                    ]
                ),
            ],
        };

    private static ImmutableArray<PlanTask> Tasks(double? yeastGrams, double times) =>
        TaskCompiler
            .Compile(
                Kitchen.Ordinary("Home") with
                {
                    Room = RiseTimes.RecipeRoom,
                },
                new DayWish(
                    RandomDays.Start,
                    RandomDays.Start.PlusHours(12),
                    [new BakeWish(Dough(yeastGrams), 1, null, null) { Yeast = times }]
                )
            )
            .Network!.Tasks;

    [Fact]
    public void The_mix_says_what_to_weigh()
    {
        var tasks = Tasks(7, 0.5);
        Assert.Contains(
            "3.5 g of instant yeast instead of 7 g",
            tasks.Single(t => t.Id.Value == "1.1.mix.1").Said,
            StringComparison.Ordinal
        );
        // Only the first mix takes yeast.
        Assert.DoesNotContain("instead of", tasks.Single(t => t.Id.Value == "1.1.fold.1").Said, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(7.0, 1)]
    [InlineData(null, 0.5)]
    public void Nothing_is_said_of_the_recipes_own_amount_and_of_none(double? grams, double times) =>
        Assert.DoesNotContain("instead of", Tasks(grams, times)[0].Said, StringComparison.Ordinal);

    [Fact]
    public void Half_the_yeast_rises_twice_as_long()
    {
        // The rate of a rise goes in proportion to the yeast, and in a room as warm as the dough nothing else changes.
        var (own, half) = (
            Tasks(7, 1).Single(t => t.Kind == StepKind.BulkRise).Likely,
            Tasks(7, 0.5).Single(t => t.Kind == StepKind.BulkRise).Likely
        );
        Assert.InRange(half, (2 * own) - 3, (2 * own) + 3);
    }
}
