using Zymethos.Core.Kitchens;
using Zymethos.Core.Measures;
using Zymethos.Core.Recipes;
using Zymethos.Planning.Compile;
using Zymethos.Planning.Day;
using Zymethos.Planning.Search;
using static Zymethos.Tests.RandomDays;

namespace Zymethos.Planning.Tests.Compile;

/// <summary>Pans are counted from the first day, and by what they are, not only by what they are called.</summary>
public sealed class PansThereTests
{
    private static readonly Pan BigTray = new("baking sheet", Length.FromMillimetres(400), Length.FromMillimetres(300));

    private static readonly Pan Loaf = new("my old loaf tin", Length.FromMillimetres(228), Length.FromMillimetres(127))
    {
        Shape = PanShape.Loaf,
        Depth = Length.FromMillimetres(70),
    };

    private static Recipe Trays(int waves, string cool = "Cool") =>
        Make(
            "rounds",
            [
                Hands("mix", StepKind.Work, 5),
                Hands("scoop", StepKind.Work, 5, waves),
                Bake("bake", 12, 180, BigTray, 1, waves),
                new Step("cool", cool, "", StepKind.Cool, Around(60), 0, null, waves, [], []),
            ],
            [Tie("mix", "scoop", 0, null), Tie("scoop", "bake", 0, 60), Tie("bake", "cool", 0, 0)]
        );

    private static TaskNetwork Network(Kitchen kitchen, params Recipe[] recipes) =>
        TaskCompiler
            .Compile(kitchen, new DayWish(Start, Start.PlusHours(12), [.. recipes.Select(r => new BakeWish(r, 1, null, null))]))
            .Network!;

    [Fact]
    public void A_kitchen_that_never_said_has_two_trays()
    {
        var network = Network(Kitchen.Ordinary("New"), Trays(4));
        Assert.Equal(2, network.Resources.Single(r => r.Name == "baking sheet").Capacity);
        Assert.Equal(4, network.Holds.Length);
    }

    [Fact]
    public void And_never_fewer_than_one_recipe_wants_at_once()
    {
        var three = Make("three", [Bake("bake", 20, 180, BigTray, 3)], []);
        var network = Network(Kitchen.Ordinary("New"), Trays(2), three);
        Assert.Equal(3, network.Resources.Single(r => r.Name == "baking sheet").Capacity);
    }

    [Fact]
    public void A_pan_of_the_same_shape_and_size_is_the_same_pan()
    {
        var network = Network(Kitchen.Ordinary("New"), Make("bread", [Bake("bake", 30, 200, Loaf, 1)], []));
        Assert.Contains(network.Resources, r => r is { Name: "loaf pan 23 × 13 cm", Capacity: 2 });
    }

    [Fact]
    public void What_is_not_on_a_list_that_the_baker_wrote_is_not_counted()
    {
        var kitchen = Kitchen.Ordinary("Listed") with { Pans = [new PanStock(Loaf, 3)] };
        Assert.Empty(Network(kitchen, Trays(4)).Holds);
        Assert.Equal(
            3,
            Network(kitchen, Make("bread", [Bake("bake", 30, 200, Loaf, 1)], [])).Resources.Single(r => r.Name == Loaf.Name).Capacity
        );
    }

    [Theory]
    [InlineData("Cool on the tray", true)]
    [InlineData("Leave in the tin until cold", true)]
    [InlineData("Cool on a rack", false)]
    [InlineData("Cool", false)]
    public void What_cools_on_its_tray_keeps_it(string words, bool keeps)
    {
        var network = Network(Kitchen.Ordinary("New"), Trays(3, words));
        Assert.All(network.Holds, h => Assert.Equal(keeps ? "cool" : "bake", network.Tasks[h.To].Step!.Key));
        // With two trays the third batch waits until the first is off its tray.
        var plan = FirstPlan.Find(network, 1)!;
        var (first, third) = (plan.Tasks[network.Holds[0].To], plan.Tasks[network.Holds[2].From]);
        Assert.True(third.Start >= first.End);
    }
}
